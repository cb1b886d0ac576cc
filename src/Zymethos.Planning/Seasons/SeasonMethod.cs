using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>A method cut where it waits long, or where its recipe says that what is made so far keeps: fruit in spirit, dough overnight, a
/// cake between feeds, layers frozen before they are iced.</summary>
/// <param name="Stretches">In the order of the method.</param>
/// <param name="Waits">What lies between them.</param>
/// <param name="RipensLeast">The least time after the last stretch before it may be eaten.</param>
public sealed record SeasonMethod(ImmutableArray<MethodStretch> Stretches, ImmutableArray<StretchWait> Waits, Duration RipensLeast)
{
    /// <summary>A wait as long as this is not part of a stretch.</summary>
    public static readonly Duration LongWait = Duration.FromHours(4);

    /// <summary>Where a step may wait as long as this for the next, the two may fall on different days.</summary>
    public static readonly Duration MayWait = Duration.FromHours(8);

    /// <summary>Index of the last stretch that bakes; -1 when none does.</summary>
    public int Bake => Stretches.Select((s, i) => (s, i)).Where(p => p.s.OvenMinutes > 0).Select(p => p.i).DefaultIfEmpty(-1).Max();

    /// <summary>Index of the stretch with which it is finished.</summary>
    public int Finish =>
        Enumerable.Range(0, Stretches.Length).Where(k => !Waits.Any(w => w.From == k)).DefaultIfEmpty(Stretches.Length - 1).Max();

    /// <summary>Places where it may be kept between the bake and the finish ("freezer, unglazed"). May be empty.</summary>
    public ImmutableArray<KeepingPlace> BeforeFinish => [.. Waits.Where(w => w.From == Bake && w.To == Finish).SelectMany(w => w.Places)];

    /// <summary>Whatever must be done before a stretch, directly or through others.</summary>
    public ImmutableArray<int> Before(int stretch)
    {
        var found = new SortedSet<int>();
        var open = new Stack<int>([stretch]);
        while (open.TryPop(out var next))
        {
            foreach (var wait in Waits.Where(w => w.To == next && found.Add(w.From)))
                open.Push(wait.From);
        }

        return [.. found];
    }

    /// <summary>Cuts a recipe's method.</summary>
    /// <param name="recipe">The recipe with its choices made.</param>
    public static SeasonMethod Of(Recipe recipe)
    {
        var waits = recipe.Steps.Where(IsLongWait).Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        var cuts = Cuts(recipe);
        var group = Groups(recipe, waits, cuts.Keys.ToHashSet());
        // Groups in the order in which the method reaches them; one of waits alone is none.
        var order = recipe.Steps.Where(s => !waits.Contains(s.Key)).Select(s => group[s.Key]).Distinct().ToList();
        var stretches = order.ConvertAll(g => Stretch(recipe, [.. recipe.Steps.Where(s => !waits.Contains(s.Key) && group[s.Key] == g)]));
        var index = order.Select((g, i) => (g, i)).ToDictionary(p => p.g, p => p.i);
        var between = new List<StretchWait>();
        foreach (var link in recipe.Links)
        {
            if (waits.Contains(link.From) || (!waits.Contains(link.To) && index[group[link.From]] == index[group[link.To]]))
                continue;
            var from = index[group[link.From]];
            if (waits.Contains(link.To))
                Follow(recipe, waits, group, index, from, link, between);
            else if (cuts.TryGetValue(link, out var places))
                between.Add(Kept(recipe, link, from, index[group[link.To]], places));
            else
                between.Add(
                    new StretchWait(
                        from,
                        index[group[link.To]],
                        link.MinLag,
                        link.MaxLag,
                        link.MinLag,
                        link.Why,
                        recipe.Steps.First(s => s.Key == link.From).Kind
                    )
                );
        }

        var last = recipe.Steps.Where(s => waits.Contains(s.Key) && !recipe.Links.Any(l => l.From == s.Key)).ToList();
        return new SeasonMethod(
            [.. stretches],
            // Of two links between the same stretches the one with places says more.
            [
                .. between
                    .GroupBy(w => (w.From, w.To, w.Places.IsEmpty && w.Most is null && w.Least < LongWait))
                    .SelectMany(g => g.Key.Item3 ? g.Take(1) : g),
            ],
            last.Select(s => s.Takes.Low).DefaultIfEmpty(Duration.Zero).Max()
        );
    }

    private static StretchWait Kept(Recipe recipe, Link link, int from, int to, ImmutableArray<KeepingPlace> places) =>
        new(
            from,
            to,
            link.MinLag,
            link.MaxLag >= MayWait ? link.MaxLag : null,
            link.MinLag,
            places.IsEmpty ? link.Why
                : places[0].Part.Length > 0 ? $"{places[0].Part} keeps"
                : "It keeps",
            recipe.Steps.First(s => s.Key == link.From).Kind
        )
        {
            Places = places,
        };

    /// <summary>Links that are cut because what stands before them keeps for days: those into the next step from everything that hangs
    /// together with what is kept.</summary>
    private static Dictionary<Link, ImmutableArray<KeepingPlace>> Cuts(Recipe recipe)
    {
        var cuts = new Dictionary<Link, ImmutableArray<KeepingPlace>>();
        foreach (var after in recipe.Keeping.Where(k => k.After.Length > 0).GroupBy(k => k.After))
        {
            foreach (var next in recipe.Links.Where(l => l.From == after.Key).Select(l => l.To).Distinct().ToList())
            {
                var near = Near(recipe, after.Key, next);
                foreach (var link in recipe.Links.Where(l => l.To == next && near.Contains(l.From)))
                    cuts[link] = link.From == after.Key ? [.. after] : cuts.GetValueOrDefault(link, []);
            }
        }

        return cuts;
    }

    /// <summary>Steps that hang together with one, on ways that do not lead through another.</summary>
    private static HashSet<string> Near(Recipe recipe, string key, string without)
    {
        var near = new HashSet<string>(StringComparer.Ordinal) { key };
        var open = new Stack<string>([key]);
        while (open.TryPop(out var at))
        {
            foreach (var link in recipe.Links.Where(l => l.From == at || l.To == at))
            {
                var other = link.From == at ? link.To : link.From;
                if (other != without && near.Add(other))
                    open.Push(other);
            }
        }

        return near;
    }

    /// <summary>From a long wait on to whatever work follows it.</summary>
    private static void Follow(
        Recipe recipe,
        HashSet<string> waits,
        Dictionary<string, int> group,
        Dictionary<int, int> index,
        int from,
        Link link,
        List<StretchWait> between
    )
    {
        var wait = recipe.Steps.First(s => s.Key == link.To);
        foreach (var next in recipe.Links.Where(l => l.From == wait.Key && !waits.Contains(l.To)))
        {
            between.Add(
                new StretchWait(
                    from,
                    index[group[next.To]],
                    link.MinLag + wait.Takes.Low + next.MinLag,
                    // A wait with an open end may take as long as it likes; one with an end takes its longest and what may follow.
                    next.MaxLag
                        is { } most
                        ? wait.Takes.High + most
                        : wait.Takes.High,
                    link.MinLag + wait.Takes.Likely + next.MinLag,
                    wait.Title,
                    wait.Kind
                )
            );
        }
    }

    private static bool IsLongWait(Step step) => !step.IsHandsOn && step.Oven is null && step.Takes.Likely >= LongWait;

    private static Dictionary<string, int> Groups(Recipe recipe, HashSet<string> waits, HashSet<Link> cuts)
    {
        var group = recipe.Steps.Select((s, i) => (s.Key, i)).ToDictionary(p => p.Key, p => p.i, StringComparer.Ordinal);
        foreach (var link in recipe.Links)
        {
            if (
                waits.Contains(link.From)
                || waits.Contains(link.To)
                || link.MinLag >= LongWait
                || link.MaxLag >= MayWait
                || cuts.Contains(link)
            )
                continue;
            var (a, b) = (group[link.From], group[link.To]);
            foreach (var key in group.Where(g => g.Value == b).Select(g => g.Key).ToList())
                group[key] = a;
        }

        return group;
    }

    private static MethodStretch Stretch(Recipe recipe, ImmutableArray<Step> steps)
    {
        var keys = steps.Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        var own = recipe with
        {
            Steps = steps,
            Links = [.. recipe.Links.Where(l => keys.Contains(l.From) && keys.Contains(l.To))],
            Keeping = [],
        };
        var end = new Dictionary<string, double>(StringComparer.Ordinal);
        double End(Step step)
        {
            if (end.TryGetValue(step.Key, out var known))
                return known;
            var start = own
                .Links.Where(l => l.To == step.Key)
                .Select(l => End(own.Steps.First(s => s.Key == l.From)) + l.MinLag.TotalMinutes)
                .DefaultIfEmpty(0)
                .Max();
            return end[step.Key] = start + (step.Takes.Likely.TotalMinutes * (step.IsHandsOn || step.Oven is not null ? step.Times : 1));
        }

        var hot = steps.Where(s => s.Oven is { State: OvenState.Bake }).ToList();
        return new MethodStretch(
            own,
            (int)steps.Where(s => s.IsHandsOn).Sum(s => s.Takes.Likely.TotalMinutes * s.Times * s.Hands),
            (int)steps.Where(s => s.IsHandsOn || s.Oven is not null).Select(End).DefaultIfEmpty(0).Max(),
            (int)hot.Sum(s => s.Takes.Likely.TotalMinutes * s.Times),
            [.. hot.Select(s => (int)Math.Round(s.Oven!.SetTemperature.Celsius)).Distinct().Order()]
        );
    }
}
