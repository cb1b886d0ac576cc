using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Larder;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>A season that goes on: what is done stays done, what slips is planned around it, and everything to do is said hour by
/// hour.</summary>
public sealed class SeasonGoingOnTests
{
    private static readonly LocalDate Today = new(2026, 11, 25);
    private static readonly ImmutableArray<Recipe> Book = [.. Shipped.Keys.Select(Shipped.Recipe)];
    private static readonly Lazy<(SeasonWish Wish, SeasonPlan Plan)> Programme = new(() =>
        Planned(Today.At(new LocalTime(9, 0)), s => s, 12)
    );

    private static (SeasonWish Wish, SeasonPlan Plan) Planned(
        LocalDateTime now,
        Func<SeasonSheet, SeasonSheet> change,
        double seconds,
        SeasonPlan? before = null,
        SeasonWish? wishBefore = null
    )
    {
        var reader = new SeasonReader();
        var wish = reader.Read(change(DemoProgramme.Sheet(Today)), Shipped.Kitchen(), Book, now);
        Assert.Empty(reader.Faults);
        var stood = before is null
            ? ImmutableDictionary<(string, int), LocalDateTime>.Empty
            : before
                .Placed.Where(p => !p.IsDone)
                .ToImmutableDictionary(p => (wishBefore!.Needs[before.Lots[p.Lot].Need].Id, p.Stretch), p => p.Start);
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(seconds)) { Stood = stood });
        Assert.Empty(SeasonChecker.Check(wish, plan));
        return (wish, plan);
    }

    [Fact]
    public void The_demo_programme_is_in_mid_season_with_all_nineteen_recipes_in_play()
    {
        var (wish, plan) = Programme.Value;
        Assert.Equal(19, wish.Needs.Select(n => n.Recipe.Key).Distinct().Count());
        Assert.Equal(
            (5, 4),
            (wish.Sessions.Count(s => !s.IsOddMoment && s.From.Hour >= 17), wish.Sessions.Count(s => !s.IsOddMoment && s.From.Hour < 17))
        );
        Assert.True(plan.Unmet.Length <= 1, string.Join("; ", plan.Unmet.Select(u => $"{wish.Needs[u.Need].Recipe.Name}: {u.Why}")));
        Assert.Equal(4, plan.Placed.Count(p => p.IsDone));
        // The one thing about to go wrong: the fruit cake must go into the oven on the coming Sunday.
        var touches = SeasonTouches.Of(wish, plan);
        Assert.Contains(
            SeasonWarning.Of(wish, plan, touches),
            w =>
                w.IsUrgent
                && w.Words.Contains("Cellar fruit cake", StringComparison.Ordinal)
                && w.Words.Contains("cannot slip", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void Whatever_the_weekday_the_cake_can_still_be_met(int days)
    {
        var today = Today.PlusDays(days);
        var reader = new SeasonReader();
        var sheet = DemoProgramme.Sheet(today);
        var wish = reader.Read(
            sheet with
            {
                Needs = [.. sheet.Needs.Where(n => n.Id == "fruit-cake")],
            },
            Shipped.Kitchen(),
            Book,
            today.At(new LocalTime(20, 0))
        );
        Assert.Empty(reader.Faults);
        Assert.Empty(SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(3))).Unmet);
    }

    [Fact]
    public void What_is_done_stays_done_and_what_slips_is_planned_around_it()
    {
        var (before, stood) = Programme.Value;
        // The Sunday passed and nobody was there.
        var (wish, plan) = Planned(Today.PlusDays(5).At(new LocalTime(9, 0)), s => s, 8, stood, before);
        Assert.Equal(4, plan.Placed.Count(p => p.IsDone));
        Assert.All(plan.Placed.Where(p => !p.IsDone), p => Assert.True(p.Start >= wish.Now));
        Assert.Contains(plan.Unmet, u => wish.Needs[u.Need].Id == "fruit-cake");
        var words = SeasonDifference.Of(
            wish,
            stood.Placed.Where(p => !p.IsDone).ToDictionary(p => (before.Needs[stood.Lots[p.Lot].Need].Id, p.Stretch), p => p.Start),
            stood.Unmet.Select(u => before.Needs[u.Need].Id).ToHashSet(),
            plan
        );
        Assert.Contains(words, w => w.StartsWith("Cellar fruit cake is not met any more", StringComparison.Ordinal));
    }

    [Fact]
    public void Done_early_frees_the_rest_and_a_feed_too_late_only_costs_quality()
    {
        var baked = new DoneDocument("fruit-cake", 2, "2026-11-30T20:40");
        // Wrapped on the thirtieth, and nobody thought of it until the sixteenth: twelve days were the most.
        var (wish, plan) = Planned(
            new LocalDateTime(2026, 12, 14, 9, 0),
            s =>
                s with
                {
                    Needs = [.. s.Needs.Where(n => n.Id == "fruit-cake")],
                    Done = [.. s.Done.Where(d => d.Need == "fruit-cake"), baked],
                    Occasions =
                    [
                        .. s.Occasions.Select(o => o with { At = o.At.Replace("2026-12-22", "2027-01-10", StringComparison.Ordinal) }),
                    ],
                },
            3
        );
        Assert.Empty(plan.Unmet);
        Assert.Equal([true, true, true, false, false], plan.Of(0).Select(p => p.IsDone));
        var warnings = SeasonWarning.Of(wish, plan, SeasonTouches.Of(wish, plan));
        Assert.Contains(warnings, w => w.Words.Contains("longer than its recipe wants", StringComparison.Ordinal));
    }

    [Fact]
    public void Everything_by_the_way_is_said_with_its_hour()
    {
        var (wish, plan) = Programme.Value;
        var touches = SeasonTouches.Of(wish, plan);
        Assert.Equal(touches.Select(t => t.At).Order(), touches.Select(t => t.At));
        Assert.Equal(touches.Length, touches.Select(t => t.Id).Distinct().Count());
        Assert.All(touches, t => Assert.True(t.At >= wish.Now, t.Title));
        foreach (var thaw in touches.Where(t => t.Kind == SeasonTouchKind.Thaw))
            Assert.InRange(thaw.At.Hour, 7, 21);
        // Discard for the spice cake is gathered on the days before, all of it used up.
        var cake = plan.Placed.First(p => wish.Needs[plan.Lots[p.Lot].Need].Id == "lodger");
        Assert.Contains(
            touches,
            t =>
                t.Kind == SeasonTouchKind.Feed
                && t.At.Date == cake.Start.Date.PlusDays(-1)
                && t.Detail.Contains("120 g of discard", StringComparison.Ordinal)
        );
        Assert.Contains(touches, t => t.Kind == SeasonTouchKind.Butter && t.At.Hour == 21);
        Assert.Contains(touches, t => t.Kind == SeasonTouchKind.Buy && t.Detail.Contains("dozen", StringComparison.Ordinal));
        Assert.DoesNotContain(
            touches.Where(t => t.Kind == SeasonTouchKind.Buy),
            t => t.Detail.Contains("yolk", StringComparison.Ordinal) || t.Detail.Contains("zest", StringComparison.Ordinal)
        );
        // What is in the house is not bought again.
        var flour = wish with
        {
            Shop = ShopKnown.Nothing with { There = [new OnHand("plain flour", 1_000_000, null, null)] },
        };
        Assert.Contains(touches, t => t.Detail.Contains(" plain flour:", StringComparison.Ordinal));
        Assert.DoesNotContain(
            SeasonTouches.Of(flour, plan),
            t => t.Kind == SeasonTouchKind.Buy && t.Detail.Contains(" plain flour:", StringComparison.Ordinal)
        );
        // Nothing is bought after it is needed.
        Assert.All(touches.Where(t => t.Kind == SeasonTouchKind.Buy), t => Assert.Contains(plan.Placed, p => !p.IsDone && p.Start > t.At));
    }

    [Fact]
    public void Reminders_come_the_evening_before_a_session_and_once()
    {
        var (wish, plan) = Programme.Value;
        var reminders = Reminder.Of(SeasonTouches.Of(wish, plan), wish.Kitchen.Says);
        Assert.Equal(reminders.Length, reminders.Select(r => r.Key).Distinct().Count());
        var sunday = reminders.Single(r => r.Subject.StartsWith("Sunday, 09:00", StringComparison.Ordinal));
        Assert.Equal(new LocalDateTime(2026, 11, 28, 18, 0), sunday.At);
        Assert.Contains("Bake the fruit cake", sunday.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_plan_survives_being_written_and_read()
    {
        var (wish, plan) = Programme.Value;
        var back = SeasonPlanReader.Read(wish, SeasonWriter.Write(wish, plan));
        Assert.NotNull(back);
        Assert.Equal(plan.Placed.AsEnumerable(), back.Placed.AsEnumerable());
        Assert.Equal(
            plan.Kept.OrderBy(k => k.Key).Select(k => (k.Key, k.Value.Words)),
            back.Kept.OrderBy(k => k.Key).Select(k => (k.Key, k.Value.Words))
        );
        // Another head count is another season.
        Assert.Null(
            SeasonPlanReader.Read(
                wish with
                {
                    Needs = wish.Needs.SetItem(2, wish.Needs[2] with { Pieces = 100 }),
                },
                SeasonWriter.Write(wish, plan)
            )
        );
    }

    [Fact]
    public void Out_of_season_goods_are_said()
    {
        var (wish, plan) = Planned(
            Today.At(new LocalTime(9, 0)),
            s => s with { Needs = [.. s.Needs.Where(n => n.Id == "allotment")], Done = [] },
            3
        );
        Assert.Contains(
            SeasonWarning.Of(wish, plan, SeasonTouches.Of(wish, plan)),
            w => w.Words.StartsWith("courgette", StringComparison.Ordinal) && w.Words.Contains("June to October", StringComparison.Ordinal)
        );
        Assert.False(Goods.Of("courgette")!.IsInSeason(new LocalDate(2026, 12, 1)));
        Assert.True(Goods.Of("cranberries")!.IsInSeason(new LocalDate(2026, 12, 1)));
        Assert.Null(Goods.Of("coffee"));
    }
}
