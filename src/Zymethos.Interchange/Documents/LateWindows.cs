using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Interchange.Documents;

/// <summary>
/// Windows that close while a step runs over: what has begun waits longer than it should, since nobody can be in two places. The day goes
/// on all the same, and says which dough to look at. A window of what must be kept cold or eaten soon
/// (<see cref="CautionKind.TimeAndTemperature"/>) is never missed so.
/// </summary>
public static class LateWindows
{
    // Nobody times a wait that is late already to the minute.
    private const int Step = 5;

    private sealed record Key(int Bake, string From, string To);

    /// <summary>The day with every window that is open now, and whose end still lies ahead, open so much longer; null when there is
    /// none.</summary>
    /// <param name="document">The day as it was asked for; its pins say what has begun.</param>
    /// <param name="day">The day as it was planned.</param>
    /// <param name="minutes">How much longer, above 0.</param>
    public static OvenDayDocument? Widened(OvenDayDocument document, PlannedDay day, int minutes) =>
        With(document, Open(document, day).Select(o => o.Key).Distinct().ToDictionary(k => k, _ => minutes));

    /// <summary>The day with only those windows open longer that its plan missed, by as much as it missed them; and a sentence that names
    /// them.</summary>
    /// <param name="document">The day as it was asked for, without any window widened.</param>
    /// <param name="before">The day as it was planned.</param>
    /// <param name="after">A plan of the widened day.</param>
    public static (OvenDayDocument? Document, string Said) Needed(OvenDayDocument document, PlannedDay before, PlannedDay after)
    {
        var index = after.Network.Tasks.ToDictionary(t => t.Id, t => t.Index);
        var missed = new Dictionary<Key, int>();
        var words = new List<string>();
        foreach (var (key, link) in Open(document, before))
        {
            var (from, to) = (before.Network.Tasks[link.From], before.Network.Tasks[link.To]);
            var over = after.Plan.Tasks[index[to.Id]].Start - after.Plan.Tasks[index[from.Id]].End - link.MaxLag!.Value;
            if (over <= 0)
                continue;
            missed[key] = Math.Max(missed.GetValueOrDefault(key), (over + Step - 1) / Step * Step);
            words.Add($"“{to.Title}” of {before.Network.Bakes[to.Bake].Name} comes {over} min too late");
        }

        return (
            With(document, missed),
            words.Count == 0 ? "" : $"{string.Join(", ", words.Distinct())}: look at it meanwhile, and keep it cool if it hurries."
        );
    }

    private static List<(Key Key, TaskLink Link)> Open(OvenDayDocument document, PlannedDay day)
    {
        var begun = (document.ByHand?.Pins ?? []).Select(p => new TaskId(p.Task)).ToHashSet();
        return
        [
            .. day
                .Network.Links.Where(l => l is { MaxLag: not null, Window: WindowKind.Hard })
                .Select(l => (From: day.Network.Tasks[l.From], To: day.Network.Tasks[l.To], Link: l))
                .Where(x => x.From.Step is not null && x.To.Step is not null && begun.Contains(x.From.Id) && !begun.Contains(x.To.Id))
                .Where(x =>
                    !x.From.Step!.Cautions.Contains(CautionKind.TimeAndTemperature)
                    && !x.To.Step!.Cautions.Contains(CautionKind.TimeAndTemperature)
                )
                .Where(x =>
                    document
                        .Bakes[x.From.Bake]
                        .Recipe?.Links?.Any(l => l.From == x.From.Step!.Key && l.To == x.To.Step!.Key && l.MaxLagMinutes is not null)
                    == true
                )
                .Select(x => (new Key(x.From.Bake, x.From.Step!.Key, x.To.Step!.Key), x.Link)),
        ];
    }

    private static OvenDayDocument? With(OvenDayDocument document, Dictionary<Key, int> more) =>
        more.Count == 0
            ? null
            : document with
            {
                Bakes =
                [
                    .. document.Bakes.Select(
                        (bake, i) => more.Where(m => m.Key.Bake == i).Aggregate(bake, (b, m) => b.Widened(m.Key.From, m.Key.To, m.Value))
                    ),
                ],
            };
}
