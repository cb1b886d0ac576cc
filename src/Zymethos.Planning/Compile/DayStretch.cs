using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>
/// The part of a method that belongs to one day. Waits of more than a day (fruit in spirit, a cake that matures) cut a method into
/// stretches; the day takes the stretches that bake, and what lies before and after belongs to the weeks around it.
/// </summary>
public static class DayStretch
{
    /// <summary>A wait longer than this is not part of a day.</summary>
    public static readonly Duration LongestWait = Duration.FromMinutes(TaskNetwork.AfterSpan);

    /// <summary>The recipe with the steps of the day alone; unchanged when no wait is too long, or when nothing of it bakes.</summary>
    public static Recipe Of(Recipe recipe)
    {
        var kept = recipe
            .Steps.Where(s => s.IsHandsOn || s.Takes.Likely <= LongestWait)
            .Select(s => s.Key)
            .ToHashSet(StringComparer.Ordinal);
        if (kept.Count == recipe.Steps.Length || !recipe.Steps.Any(s => s.Kind == StepKind.Bake && kept.Contains(s.Key)))
            return recipe;
        // A link that waits for days, like "feed a week after", parts stretches as well.
        var links = recipe.Links.Where(l => kept.Contains(l.From) && kept.Contains(l.To) && l.MinLag <= LongestWait).ToList();
        var reached = new Queue<string>(recipe.Steps.Where(s => s.Kind == StepKind.Bake && kept.Contains(s.Key)).Select(s => s.Key));
        var day = reached.ToHashSet(StringComparer.Ordinal);
        while (reached.TryDequeue(out var key))
        {
            foreach (
                var next in links.Where(l => l.From == key).Select(l => l.To).Concat(links.Where(l => l.To == key).Select(l => l.From))
            )
            {
                if (day.Add(next))
                    reached.Enqueue(next);
            }
        }

        return recipe with
        {
            Steps = [.. recipe.Steps.Where(s => day.Contains(s.Key))],
            Links = [.. links.Where(l => day.Contains(l.From) && day.Contains(l.To))],
        };
    }
}
