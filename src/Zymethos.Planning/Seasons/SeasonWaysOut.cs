using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>A change to a season that would help a need.</summary>
/// <param name="Need">Index of the need.</param>
public abstract record SeasonChange(int Need)
{
    /// <summary>One session more.</summary>
    public sealed record Session(int Need, LocalDateTime From, LocalDateTime Until) : SeasonChange(Need);

    /// <summary>Another way where bakers differ.</summary>
    public sealed record Way(int Need, string Choice, string Option) : SeasonChange(Need);

    /// <summary>Fewer pieces.</summary>
    public sealed record Fewer(int Need, int Pieces) : SeasonChange(Need);

    /// <summary>The usual keeping of its kind, for a recipe that says nothing, or nothing of a freezer.</summary>
    public sealed record UsualKeeping(int Need) : SeasonChange(Need);

    /// <summary>Another recipe of the Book.</summary>
    public sealed record Other(int Need, string Recipe, int Pieces) : SeasonChange(Need);

    /// <summary>Bought instead of baked.</summary>
    public sealed record Bought(int Need) : SeasonChange(Need);
}

/// <summary>A way out that was computed to work.</summary>
/// <param name="Words">What is done and what it costs, in a sentence or two.</param>
/// <param name="Change">The change.</param>
/// <param name="Moves">How many other pieces of work move for it.</param>
public sealed record SeasonWayOut(string Words, SeasonChange Change, int Moves);

/// <summary>Finds what would help a need that is not met: each way is planned before it is offered.</summary>
public static class SeasonWaysOut
{
    private const int MostOthers = 3;
    private const int MostSessions = 4;
    private static readonly LocalTime Evening = new(18, 0);

    /// <summary>The ways out, the ones that disturb least first; buying is always one.</summary>
    /// <param name="wish">The season.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="need">Index of the need that is not met.</param>
    /// <param name="book">Recipes that could be taken instead.</param>
    /// <param name="each">Time to look at each way.</param>
    /// <param name="cancel">Ends it with what was found.</param>
    public static ImmutableArray<SeasonWayOut> Find(
        SeasonWish wish,
        SeasonPlan plan,
        int need,
        IReadOnlyList<Recipe> book,
        TimeSpan each,
        CancellationToken cancel = default
    )
    {
        var stood = plan.Placed.Where(p => !p.IsDone).ToDictionary(p => (wish.Needs[plan.Lots[p.Lot].Need].Id, p.Stretch), p => p.Start);
        var unmet = plan.Unmet.Length;
        var found = new List<SeasonWayOut>();
        foreach (var change in Candidates(wish, plan, need, book))
        {
            if (cancel.IsCancellationRequested)
                break;
            // Of several sessions that help one is enough to choose from; two are offered.
            if (change is SeasonChange.Session && found.Count(f => f.Change is SeasonChange.Session) >= 2)
                continue;
            var changed = Apply(wish, change, book);
            var after = SeasonPlanner.Plan(changed, new SeasonSettings(each) { Stood = stood }, cancel);
            if (after.Unmet.Any(u => u.Need == need) || after.Unmet.Length >= unmet)
                continue;
            var moves = after.Placed.Count(p =>
                !p.IsDone
                && stood.TryGetValue((changed.Needs[after.Lots[p.Lot].Need].Id, p.Stretch), out var was)
                && was.Date != p.Start.Date
            );
            var others = moves switch
            {
                0 => "Nothing else moves.",
                1 => "One other piece of work moves.",
                _ => $"{moves} other pieces of work move.",
            };
            found.Add(new SeasonWayOut($"{Words(wish, change, book)} {others}{Until(after, need)}", change, moves));
        }

        found.Add(
            new SeasonWayOut(
                $"Buy the {wish.Needs[need].Pieces} {wish.Needs[need].Recipe.Yield.PieceName}, and bake none.",
                new SeasonChange.Bought(need),
                0
            )
        );
        return [.. found.OrderBy(f => f.Change is SeasonChange.Bought).ThenBy(f => f.Moves)];
    }

    /// <summary>The season with a change made.</summary>
    /// <exception cref="ArgumentOutOfRangeException">A kind of change that is not known.</exception>
    public static SeasonWish Apply(SeasonWish wish, SeasonChange change, IReadOnlyList<Recipe> book)
    {
        var need = wish.Needs[change.Need];
        return change switch
        {
            SeasonChange.Session s => wish with
            {
                Sessions =
                [
                    .. wish
                        .Sessions.Where(x => !x.IsOddMoment || x.Until <= s.From || x.From >= s.Until)
                        .Append(new SeasonSession(s.From, s.Until, 1))
                        .OrderBy(x => x.From),
                ],
            },
            SeasonChange.Way w => With(wish, need with { Recipe = ChosenRecipe.Choose(need.Recipe, w.Choice, w.Option) }),
            SeasonChange.Fewer f => With(wish, need with { Pieces = f.Pieces }),
            SeasonChange.UsualKeeping => With(wish, need with { Recipe = KeepingDefaults.Added(need.Recipe) }),
            SeasonChange.Other o => With(wish, need with { Recipe = book.First(r => r.Key == o.Recipe), Pieces = o.Pieces }),
            // It stays a need, of something that takes no baking.
            SeasonChange.Bought => wish with { Needs = wish.Needs.Remove(need) },
            _ => throw new ArgumentOutOfRangeException(nameof(change)),
        };
    }

    private static SeasonWish With(SeasonWish wish, Need need) =>
        wish with
        {
            Needs = [.. wish.Needs.Select(n => n.Id == need.Id ? need : n)],
        };

    private static IEnumerable<SeasonChange> Candidates(SeasonWish wish, SeasonPlan plan, int index, IReadOnlyList<Recipe> book)
    {
        var need = wish.Needs[index];
        var occasion = wish.Occasions[need.Occasion];
        if (occasion.ReadyBy <= wish.Now)
            yield break;
        foreach (var choice in need.Recipe.Choices)
        {
            foreach (var option in choice.Options.Where(o => o.Key != choice.Chosen && ChangesMethod(need.Recipe, choice.Key, o.Key)))
                yield return new SeasonChange.Way(index, choice.Key, option.Key);
        }

        if (!KeepingDefaults.Missing(need.Recipe).IsEmpty)
            yield return new SeasonChange.UsualKeeping(index);
        foreach (var session in Evenings(wish, plan.Lots[index], occasion.ReadyBy).Take(MostSessions))
            yield return new SeasonChange.Session(index, session.From, session.Until);
        if (need.Pieces > 1)
            yield return new SeasonChange.Fewer(index, need.Pieces / 2);
        foreach (
            var other in book.Where(r => r.Key != need.Recipe.Key && r.Kind == need.Recipe.Kind)
                .OrderByDescending(Keeps)
                .Concat(book.Where(r => r.Kind != need.Recipe.Kind).OrderByDescending(Keeps))
                .Take(MostOthers)
        )
            yield return new SeasonChange.Other(index, other.Key, need.Pieces);
    }

    private static bool ChangesMethod(Recipe recipe, string choice, string option)
    {
        var other = SeasonMethod.Of(ChosenRecipe.Of(ChosenRecipe.Choose(recipe, choice, option)));
        var own = SeasonMethod.Of(ChosenRecipe.Of(recipe));
        return other.Waits.Sum(w => w.Least.TotalMinutes) + other.RipensLeast.TotalMinutes
            < own.Waits.Sum(w => w.Least.TotalMinutes) + own.RipensLeast.TotalMinutes;
    }

    private static int Keeps(Recipe recipe) => recipe.Keeping.Where(k => k.Part.Length == 0).Select(k => k.Days).DefaultIfEmpty(0).Max();

    /// <summary>Evenings on which nothing is planned: the last ones before the date, then the next one.</summary>
    private static IEnumerable<SeasonSession> Evenings(SeasonWish wish, Lot lot, LocalDateTime ready)
    {
        var longest = lot
            .Method.Stretches.Select((s, k) => s.PresenceMinutes + ((lot.Batches.Mixings - 1) * Math.Max(s.OvenMinutes, s.HandsMinutes)))
            .Max();
        var minutes = (Math.Max(180, longest) + 44) / 30 * 30;
        var dates = Enumerable.Range(1, 6).Select(d => ready.Date.PlusDays(-d)).Append(wish.Now.Date.PlusDays(1)).Distinct();
        foreach (var date in dates)
        {
            var session = new SeasonSession(
                date.At(Evening).PlusMinutes(-Math.Max(0, minutes - 240)),
                date.At(Evening).PlusMinutes(Math.Min(minutes, 240)),
                1
            );
            if (
                session.From > wish.Now
                && session.Until <= ready
                && !wish.Sessions.Any(s => !s.IsOddMoment && s.From < session.Until && s.Until > session.From)
            )
                yield return session;
        }
    }

    private static string Words(SeasonWish wish, SeasonChange change, IReadOnlyList<Recipe> book)
    {
        var need = wish.Needs[change.Need];
        return change switch
        {
            SeasonChange.Session s => $"One more session on {wish.Kitchen.Says.FullDayAndHour(s.From)} to "
                + $"{wish.Kitchen.Says.Hour(s.Until)}: "
                + $"{SpokenTime.Of((int)SeasonRules.Length(s.From, s.Until).TotalMinutes)} of your time.",
            SeasonChange.Way w => $"{need.Recipe.Choices.First(c => c.Key == w.Choice).Question} "
                + $"{need.Recipe.Choices.First(c => c.Key == w.Choice).Options.First(o => o.Key == w.Option).Name}.",
            SeasonChange.Fewer f => $"{f.Pieces} {need.Recipe.Yield.PieceName} instead of {need.Pieces}.",
            SeasonChange.UsualKeeping =>
                $"{(need.Recipe.Keeping.IsEmpty ? "Keep it as its kind usually keeps" : "Freeze it, as its kind usually bears")}: "
                    + $"{string.Join("; ", KeepingDefaults.Missing(need.Recipe).Select(k => $"{k.Place} {k.Days} days"))} "
                    + $"({KeepingDefaults.Source}).",
            SeasonChange.Other o =>
                $"{book.First(r => r.Key == o.Recipe).Name} instead, which keeps {Keeps(book.First(r => r.Key == o.Recipe))} days.",
            _ => "",
        };
    }

    private static string Until(SeasonPlan after, int need)
    {
        var lot = after.Placed.Where(p => after.Lots[p.Lot].Need == need && !p.IsDone).ToList();
        return lot.Count == 0 ? "" : $" It would be done on {lot.Max(p => p.Start).ToString("dddd d MMMM", CultureInfo.InvariantCulture)}.";
    }
}
