using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Seasons;

/// <summary>A session as a day to plan: the stretches that fall in it, those of one lot put together again, a half batch beside the whole
/// ones.</summary>
public static class SessionDay
{
    /// <summary>A bake of the day and whose it is.</summary>
    /// <param name="Lot">Index of the lot.</param>
    /// <param name="Stretches">Its stretches in this session.</param>
    /// <param name="Wish">What the day is asked for.</param>
    public sealed record Bake(int Lot, ImmutableArray<int> Stretches, BakeWish Wish);

    /// <summary>The bakes of a session, in the order of the lots.</summary>
    /// <param name="wish">The season.</param>
    /// <param name="lots">Its lots.</param>
    /// <param name="session">Index of the session.</param>
    /// <param name="here">What falls in it.</param>
    /// <param name="notBefore">Before when a lot cannot start; null when at any time.</param>
    public static ImmutableArray<Bake> Bakes(
        SeasonWish wish,
        IReadOnlyList<Lot> lots,
        int session,
        IReadOnlyList<SeasonPlace> here,
        Func<int, LocalDateTime?> notBefore
    )
    {
        var span = wish.Sessions[session];
        var bakes = ImmutableArray.CreateBuilder<Bake>();
        foreach (var group in here.GroupBy(p => p.Lot).OrderBy(g => g.Key))
        {
            var lot = lots[group.Key];
            ImmutableArray<int> stretches = [.. group.Select(p => p.Stretch).Order()];
            var recipe = SeasonRules.Recipe(wish, lot);
            var ready = wish.Occasions[wish.Needs[lot.Need].Occasion].ReadyBy;
            LocalDateTime? by = stretches.Contains(lot.Method.Finish) && ready < span.Until.PlusHours(12) ? ready : null;
            var after = notBefore(group.Key) is { } first && first > span.From ? first : (LocalDateTime?)null;
            if (lot.Batches.Whole > 0)
                bakes.Add(new Bake(group.Key, stretches, new BakeWish(Joined(recipe, lot, stretches), lot.Batches.Whole, by, after)));
            if (lot.Batches.HasHalf && HalfBatch.Of(recipe) is { } half)
                bakes.Add(
                    new Bake(
                        group.Key,
                        stretches,
                        new BakeWish(Joined(half with { Name = $"{half.Name}, half" }, lot, stretches), 1, by, after)
                    )
                );
        }

        return bakes.ToImmutable();
    }

    /// <summary>The kitchen with as many of its people as the session has, free all through it.</summary>
    public static Zymethos.Core.Kitchens.Kitchen Kitchen(SeasonWish wish, SeasonSession session) =>
        wish.Kitchen with
        {
            People = [.. wish.Kitchen.People.Take(Math.Max(1, session.People)).Select(p => p with { From = null, Until = null })],
        };

    /// <summary>The network of a session; null when its kitchen cannot carry it out at all.</summary>
    public static TaskNetwork? Compile(SeasonWish wish, int session, ImmutableArray<Bake> bakes)
    {
        var span = wish.Sessions[session];
        var network = TaskCompiler.Compile(Kitchen(wish, span), new DayWish(span.From, span.Until, [.. bakes.Select(b => b.Wish)])).Network;
        return network is null || wish.ClearOf is null
            ? network
            : network with
            {
                Links = [.. network.Links, .. Clear(wish, network, bakes).Select(p => ClearOrder.Link(p.First, p.Second))],
            };
    }

    /// <summary>What is free of the season's allergen before the rest: pairs of tasks of which the second starts when the first has
    /// ended.</summary>
    public static IEnumerable<(int First, int Second)> Clear(SeasonWish wish, TaskNetwork network, ImmutableArray<Bake> bakes)
    {
        // Lots stand in the order of the needs, one each.
        var clear = Enumerable.Range(0, bakes.Length).ToLookup(b => wish.Needs[bakes[b].Lot].IsClear);
        return wish.ClearOf is null ? [] : ClearOrder.Of(network, clear[true], clear[false]);
    }

    /// <summary>The steps of some stretches as one recipe, its choices made.</summary>
    private static Recipe Joined(Recipe whole, Lot lot, ImmutableArray<int> stretches)
    {
        var keys = stretches.SelectMany(k => lot.Method.Stretches[k].Recipe.Steps).Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        // A wait between two stretches of one session is waited for in it.
        foreach (
            var wait in whole
                .Steps.Where(s =>
                    !keys.Contains(s.Key)
                    && whole.Links.Any(l => l.To == s.Key && keys.Contains(l.From))
                    && whole.Links.Any(l => l.From == s.Key && keys.Contains(l.To))
                )
                .ToList()
        )
            keys.Add(wait.Key);
        return whole with
        {
            // The choices are made; what is left asks for none.
            Choices = [],
            Parts = [.. whole.Parts.Select(p => p with { Lines = [.. p.Lines.Select(l => l with { When = null })] })],
            Steps = [.. whole.Steps.Where(s => keys.Contains(s.Key)).Select(s => s with { When = null })],
            Links = [.. whole.Links.Where(l => keys.Contains(l.From) && keys.Contains(l.To)).Select(l => l with { When = null })],
            Keeping = [],
        };
    }
}
