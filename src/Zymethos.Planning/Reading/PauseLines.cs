using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>When people on a day have time to wash up and sit down, and to eat.</summary>
internal static class PauseLines
{
    /// <summary>A line for every pause between two pieces of somebody's work; none for a day that is planned without.</summary>
    public static IEnumerable<RunSheetLine> Of(TaskNetwork network, Plan plan)
    {
        if (network.Pauses is not { } pauses)
            yield break;
        for (var h = 0; h < network.Helpers.Length; h++)
        {
            var work = plan
                .Tasks.SelectMany(t => t.Hands)
                .Where(b => b.Helper == h && b.Until - b.From > Pauses.Touch)
                .OrderBy(b => b.From)
                .ToList();
            var since = work.Count > 0 ? work[0].From : 0;
            for (var i = 1; i < work.Count; i++)
            {
                var (from, until) = (work[i - 1].Until, work[i].From);
                // Nobody is there in a rest, and nobody need be told to sit down in it.
                if (until - from < pauses.Length)
                    continue;
                if (network.Rests.Any(r => r.Meets(from, until)))
                {
                    since = until;
                    continue;
                }

                var isMeal = pauses.Meals.Any(m => Math.Min(until, m.Until) - Math.Max(from, m.From) >= m.Length);
                var worked = from - since;
                since = until;
                // After a few minutes of work nobody needs to be told to sit down.
                if (!isMeal && worked < pauses.Stretch / 3)
                    continue;
                yield return new RunSheetLine(
                    from,
                    until - from,
                    RunSheetKind.Pause,
                    isMeal ? "Time to eat" : "Wash up and sit down",
                    null,
                    [network.Helpers[h].Name],
                    null
                );
            }
        }
    }
}
