using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;
using Zymethos.Web.Places.Season;

namespace Zymethos.Web.Tests;

/// <summary>The strands of a season say what its plan says: where work lies, what waits how, and toward which date.</summary>
public sealed class StrandsTests
{
    private const double Day = 26;
    private static readonly LocalDateTime Now = new(2031, 10, 6, 8, 0);
    private static readonly (SeasonWish Wish, SeasonPlan Plan, Strands Drawn) Season = Planned();

    private static (SeasonWish Wish, SeasonPlan Plan, Strands Drawn) Planned()
    {
        var kitchen = new DocumentReader().Read(DemoKitchen.Kitchen(), "kitchen");
        var recipes = DemoKitchen.Recipes().ToDictionary(r => r.Key, r => new DocumentReader().Read(r, "recipe"));
        SeasonSession At(int day, int from, int until) =>
            new(Now.Date.PlusDays(day).At(new LocalTime(from, 0)), Now.Date.PlusDays(day).At(new LocalTime(until, 0)), 2);
        var sessions = Enumerable
            .Range(0, 11)
            .SelectMany(w => new[] { At((7 * w) + 1, 18, 22), At((7 * w) + 3, 18, 22), At((7 * w) + 5, 9, 18), At((7 * w) + 6, 10, 17) });
        var wish = new SeasonWish(
            kitchen,
            Now,
            [
                new Occasion("Early gifts", Now.Date.PlusDays(21).At(new LocalTime(16, 0)), Handing.Served),
                new Occasion("Lantern Night", Now.Date.PlusDays(75).At(new LocalTime(17, 0)), Handing.Served),
            ],
            [
                new Need("cookies", 1, recipes["lamplight-ginger-rounds"], 60),
                new Need("loaf", 0, recipes["market-squash-loaf"], 2),
                new Need("cake", 1, ChosenRecipe.Choose(recipes["cellar-fruit-cake"], "soak", "spirit"), 30),
                new Need("plait", 1, recipes["lantern-plait"], 2),
            ],
            [.. sessions]
        );
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(3)));
        Assert.Empty(SeasonChecker.Check(wish, plan));
        Assert.Empty(plan.Unmet);
        return (wish, plan, Strands.Of(wish, plan, SeasonTouches.Of(wish, plan)));
    }

    private static double[] XsOf(string path) =>
        [
            .. Regex
                .Matches(path, @"[ML](?<x>-?[\d.]+) ", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)
                .Select(m => double.Parse(m.Groups["x"].Value, CultureInfo.InvariantCulture)),
        ];

    [Fact]
    public void Every_lot_hangs_once_toward_its_date_the_soonest_date_first()
    {
        var (wish, plan, drawn) = Season;
        Assert.Equal(Enumerable.Range(0, plan.Lots.Length), drawn.Lots.Select(l => l.Lot).Order());
        var dates = drawn.Lots.Select(l => wish.Occasions[wish.Needs[l.Lot].Occasion].At).ToList();
        Assert.Equal(dates.Order(), dates);
        foreach (var strand in drawn.Lots)
        {
            Assert.Equal(drawn.Occasions[wish.Needs[strand.Lot].Occasion].X, strand.End, 6);
            Assert.Contains(wish.Needs[strand.Lot].Recipe.Name, strand.Label, StringComparison.Ordinal);
            Assert.InRange(strand.End, 0, drawn.Width);
            Assert.InRange(strand.Y, Strands.Head, drawn.Height);
        }

        Assert.Equal(drawn.Lots.Length, drawn.Lots.Select(l => l.Y).Distinct().Count());
    }

    [Fact]
    public void A_knot_stands_where_its_work_does_and_is_as_large_as_that()
    {
        var (wish, plan, drawn) = Season;
        foreach (var strand in drawn.Lots)
        {
            var placed = plan.Of(strand.Lot);
            Assert.Equal(placed.Length, strand.Knots.Length);
            Assert.Equal(strand.Knots.Select(k => k.X).Order(), strand.Knots.Select(k => k.X));
            foreach (var knot in strand.Knots)
            {
                var work = placed.Single(p => p.Stretch == knot.Stretch);
                // Today's thread is the measure: so many days to its right, at so many units a day.
                var days = Period.Between(Now, work.Start, PeriodUnits.Minutes).Minutes / 1440.0;
                Assert.Equal(drawn.Today!.Value + (days * Day), knot.X, 1);
                var minutes = plan.Lots[strand.Lot].Method.Stretches[knot.Stretch].HandsMinutes * plan.Lots[strand.Lot].Batches.Mixings;
                Assert.Equal(Math.Min(10, 5 + (minutes / 25.0)), knot.Radius, 6);
                Assert.Contains(work.Start.ToString("ddd d MMM HH:mm", CultureInfo.InvariantCulture), knot.Says, StringComparison.Ordinal);
                Assert.Contains(knot.State, new[] { "open", "tight" });
            }
        }
    }

    [Fact]
    public void Pieces_run_to_the_right_without_going_over_each_other()
    {
        foreach (var strand in Season.Drawn.Lots)
        {
            var last = double.MinValue;
            foreach (var piece in strand.Pieces)
            {
                var xs = XsOf(piece.Path);
                Assert.True(xs[0] >= last - 0.11, $"{strand.Label}: {piece.Says} begins at {xs[0]}, the one before ends at {last}");
                if (piece.Kind != StrandKind.Loose)
                    Assert.True(xs[1] >= xs[0]);
                last = piece.Kind == StrandKind.Loose ? LastOf(piece.Path) : xs[1];
            }

            if (strand.IsMet && strand.Pieces.Length > 0)
                Assert.Equal(strand.End, last, 0);
        }
    }

    private static double LastOf(string wave) =>
        double.Parse(
            Regex
                .Matches(wave, @"Q[\d.]+ [\d.]+ (?<x>[\d.]+) ", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)
                .Last()
                .Groups["x"]
                .Value,
            CultureInfo.InvariantCulture
        );

    [Fact]
    public void What_is_frozen_has_crystals_all_along_until_it_thaws()
    {
        var frozen = Season
            .Drawn.Lots.SelectMany(l => l.Pieces.Select(p => (Strand: l, Piece: p)))
            .Where(p => p.Piece.Kind == StrandKind.Frost)
            .ToList();
        Assert.NotEmpty(frozen);
        foreach (var (strand, piece) in frozen)
        {
            var (from, until) = (XsOf(piece.Path)[0], XsOf(piece.Path)[1]);
            var crystals = XsOf(piece.Crystals);
            Assert.All(crystals, x => Assert.InRange(x, from - 6, until + 6));
            // A star every twenty-two units, each of three lines.
            Assert.InRange(crystals.Length / 6, Math.Floor((until - from) / 22), Math.Ceiling((until - from) / 22));
            if (strand.Thaw is { } thaw)
                Assert.Contains(strand.Pieces, p => p.Says == "thaws" && Math.Abs(XsOf(p.Path)[0] - thaw) < 0.2);
        }

        Assert.All(Season.Drawn.Lots.SelectMany(l => l.Pieces).Where(p => p.Kind != StrandKind.Frost), p => Assert.Empty(p.Crystals));
    }

    [Fact]
    public void What_soaks_and_ripens_is_two_threads_that_meet_at_both_ends()
    {
        var cake = Season.Drawn.Lots.Single(l => Season.Wish.Needs[l.Lot].Recipe.Key == "cellar-fruit-cake");
        var loose = cake.Pieces.Where(p => p.Kind == StrandKind.Loose).ToList();
        Assert.NotEmpty(loose);
        foreach (var piece in loose)
        {
            var threads = piece.Path.Split('M', StringSplitOptions.RemoveEmptyEntries);
            Assert.Equal(2, threads.Length);
            Assert.Equal(threads[0].Split('Q')[0].Trim(), threads[1].Split('Q')[0].Trim());
            Assert.Equal(LastOf(threads[0]), LastOf(threads[1]));
        }
    }

    [Fact]
    public void One_lot_alone_is_drawn_as_it_is_among_the_others()
    {
        var (wish, plan, drawn) = Season;
        var alone = Strands.Of(wish, plan, SeasonTouches.Of(wish, plan), only: 2);
        var strand = Assert.Single(alone.Lots);
        Assert.Equal(2, strand.Lot);
        Assert.Equal(
            drawn.Lots.Single(l => l.Lot == 2).Knots.Select(k => (k.X, k.State, k.Says)),
            strand.Knots.Select(k => (k.X, k.State, k.Says))
        );
        Assert.True(alone.Height < drawn.Height);
    }

    [Fact]
    public void Work_that_is_done_or_late_is_drawn_so()
    {
        var (wish, plan, _) = Season;
        var first = plan.Placed.Where(p => !p.IsDone).MinBy(p => p.Start)!;
        var after = wish with { Now = wish.Sessions[first.Session].Until.PlusHours(1) };
        StrandKnot KnotOf(SeasonPlan p) =>
            Strands
                .Of(after, p, SeasonTouches.Of(after, p))
                .Lots.Single(l => l.Lot == first.Lot)
                .Knots.Single(k => k.Stretch == first.Stretch);
        var late = KnotOf(plan);
        Assert.Equal("late", late.State);
        Assert.Contains("should have been done", late.Says, StringComparison.Ordinal);
        var done = KnotOf(plan with { Placed = plan.Placed.Replace(first, first with { Session = -1 }) });
        Assert.Equal("done", done.State);
        Assert.StartsWith(plan.Lots[first.Lot].Method.Stretches[first.Stretch].Title + ", done ", done.Says, StringComparison.Ordinal);
    }
}
