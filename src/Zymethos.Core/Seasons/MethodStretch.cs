using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Seasons;

/// <summary>The part of a method that is done at one go, between waits of hours, days or weeks.</summary>
/// <param name="Recipe">Its steps and the links among them, as a recipe of their own.</param>
/// <param name="HandsMinutes">Minutes of work of one batch.</param>
/// <param name="PresenceMinutes">Minutes from its first step to the last that needs somebody, along the method.</param>
/// <param name="OvenMinutes">Minutes in the hot oven of one batch.</param>
/// <param name="Heats">Set temperatures it needs, in whole degrees Celsius.</param>
public sealed record MethodStretch(Recipe Recipe, int HandsMinutes, int PresenceMinutes, int OvenMinutes, ImmutableArray<int> Heats)
{
    /// <summary>What it is called: its first piece of work, and the bake where there is one.</summary>
    public string Title => Recipe.Steps.FirstOrDefault(s => s.Kind == StepKind.Bake)?.Title ?? Recipe.Steps.First(s => s.IsHandsOn).Title;
}

/// <summary>A stretch follows another after a wait.</summary>
/// <param name="From">Index of the stretch before.</param>
/// <param name="To">Index of the stretch after.</param>
/// <param name="Least">Least time between the end of the one and the start of the other.</param>
/// <param name="Most">Most time between; null when it may wait.</param>
/// <param name="Usual">The time the recipe would rather have.</param>
/// <param name="Says">What is waited for, in the recipe's words.</param>
public sealed record StretchWait(int From, int To, Duration Least, Duration? Most, Duration Usual, string Says);

/// <summary>A method cut where it waits long: fruit in spirit, a dough overnight, a cake between feeds, what keeps until the date.</summary>
/// <param name="Stretches">In the order of the method.</param>
/// <param name="Waits">What lies between them.</param>
/// <param name="RipensLeast">The least time after the last stretch before it may be eaten.</param>
/// <param name="RipensUsual">The time after it that the recipe would rather have.</param>
public sealed record SeasonMethod(ImmutableArray<MethodStretch> Stretches, ImmutableArray<StretchWait> Waits, Duration RipensLeast, Duration RipensUsual)
{
    /// <summary>A wait as long as this is not part of a stretch.</summary>
    public static readonly Duration LongWait = Duration.FromHours(4);

    /// <summary>Where a step may wait as long as this for the next, the two may fall on different days.</summary>
    public static readonly Duration MayWait = Duration.FromHours(8);

    /// <summary>Cuts a recipe's method.</summary>
    /// <param name="recipe">The recipe with its choices made.</param>
    public static SeasonMethod Of(Recipe recipe)
    {
        var waits = recipe.Steps.Where(IsLongWait).Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        var group = Groups(recipe, waits);
        // Groups in the order in which the method reaches them; one of waits alone is none.
        var order = recipe.Steps.Where(s => !waits.Contains(s.Key)).Select(s => group[s.Key]).Distinct().ToList();
        var stretches = order.ConvertAll(g => Stretch(recipe, [.. recipe.Steps.Where(s => !waits.Contains(s.Key) && group[s.Key] == g)]));
        var index = order.Select((g, i) => (g, i)).ToDictionary(p => p.g, p => p.i);
        var between = new List<StretchWait>();
        foreach (var link in recipe.Links)
        {
            if (waits.Contains(link.From) || (!waits.Contains(link.To) && index[group[link.From]] == index[group[link.To]])) continue;
            var from = index[group[link.From]];
            if (!waits.Contains(link.To)) between.Add(new StretchWait(from, index[group[link.To]], link.MinLag, link.MaxLag, link.MinLag, link.Why));
            else Follow(recipe, waits, group, index, from, link, between);
        }

        var last = recipe.Steps.Where(s => waits.Contains(s.Key) && !recipe.Links.Any(l => l.From == s.Key)).ToList();
        return new SeasonMethod(
            [.. stretches],
            [.. between],
            last.Select(s => s.Takes.Low).DefaultIfEmpty(Duration.Zero).Max(),
            last.Select(s => s.Takes.Likely).DefaultIfEmpty(Duration.Zero).Max());
    }

    /// <summary>From a long wait on to whatever work follows it.</summary>
    private static void Follow(Recipe recipe, HashSet<string> waits, Dictionary<string, int> group, Dictionary<int, int> index, int from, Link link, List<StretchWait> between)
    {
        var wait = recipe.Steps.First(s => s.Key == link.To);
        foreach (var next in recipe.Links.Where(l => l.From == wait.Key && !waits.Contains(l.To)))
        {
            between.Add(new StretchWait(
                from,
                index[group[next.To]],
                link.MinLag + wait.Takes.Low + next.MinLag,
                // A wait with an open end may take as long as it likes; one with an end takes its longest and what may follow.
                next.MaxLag is { } most ? wait.Takes.High + most : wait.Takes.High,
                link.MinLag + wait.Takes.Likely + next.MinLag,
                wait.Title));
        }
    }

    private static bool IsLongWait(Step step) => !step.IsHandsOn && step.Oven is null && step.Takes.Likely >= LongWait;

    private static Dictionary<string, int> Groups(Recipe recipe, HashSet<string> waits)
    {
        var group = recipe.Steps.Select((s, i) => (s.Key, i)).ToDictionary(p => p.Key, p => p.i, StringComparer.Ordinal);
        foreach (var link in recipe.Links)
        {
            if (waits.Contains(link.From) || waits.Contains(link.To) || link.MinLag >= LongWait || link.MaxLag >= MayWait) continue;
            var (a, b) = (group[link.From], group[link.To]);
            foreach (var key in group.Where(g => g.Value == b).Select(g => g.Key).ToList()) group[key] = a;
        }

        return group;
    }

    private static MethodStretch Stretch(Recipe recipe, ImmutableArray<Step> steps)
    {
        var keys = steps.Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        var own = recipe with { Steps = steps, Links = [.. recipe.Links.Where(l => keys.Contains(l.From) && keys.Contains(l.To))], Keeping = [] };
        var end = new Dictionary<string, double>(StringComparer.Ordinal);
        double End(Step step)
        {
            if (end.TryGetValue(step.Key, out var known)) return known;
            var start = own.Links.Where(l => l.To == step.Key).Select(l => End(own.Steps.First(s => s.Key == l.From)) + l.MinLag.TotalMinutes).DefaultIfEmpty(0).Max();
            return end[step.Key] = start + (step.Takes.Likely.TotalMinutes * (step.IsHandsOn || step.Oven is not null ? step.Times : 1));
        }

        var hot = steps.Where(s => s.Oven is { State: OvenState.Bake }).ToList();
        return new MethodStretch(
            own,
            (int)steps.Where(s => s.IsHandsOn).Sum(s => s.Takes.Likely.TotalMinutes * s.Times * s.Hands),
            (int)steps.Where(s => s.IsHandsOn || s.Oven is not null).Select(End).DefaultIfEmpty(0).Max(),
            (int)hot.Sum(s => s.Takes.Likely.TotalMinutes * s.Times),
            [.. hot.Select(s => (int)Math.Round(s.Oven!.SetTemperature.Celsius)).Distinct().Order()]);
    }
}
