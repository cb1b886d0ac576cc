using NodaTime;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Documents;

/// <summary>Writes a planned season as a document.</summary>
public static class SeasonWriter
{
    private const string Clock = "uuuu-MM-dd'T'HH:mm";

    /// <summary>The plan of a season.</summary>
    public static SeasonPlanDocument Write(SeasonWish wish, SeasonPlan plan) =>
        new(
            "zymethos.season-plan",
            1,
            [.. plan.Lots.Select((lot, l) => Write(wish, plan, lot, l))],
            [
                .. plan.Sessions.Select(s => new SeasonSessionDocument(
                    At(wish.Sessions[s.Session].From),
                    At(wish.Sessions[s.Session].Until),
                    At(s.Network.TimeOf(s.Plan.Finish(s.Network))),
                    [
                        .. s
                            .Network.Tasks.OrderBy(t => s.Plan.Tasks[t.Index].Start)
                            .Select(t => new SeasonStepDocument(
                                s.Network.Bakes[t.Bake].Name,
                                t.Title,
                                At(s.Network.TimeOf(s.Plan.Tasks[t.Index].Start)),
                                At(s.Network.TimeOf(s.Plan.Tasks[t.Index].End)),
                                t.Oven?.Setting.Celsius
                            )),
                    ]
                )),
            ],
            [.. plan.Unmet.Select(u => new UnmetDocument(wish.Needs[u.Need].Id, u.Why))],
            [
                .. SeasonTouches
                    .Of(wish, plan)
                    .Select(t => new SeasonTouchDocument(
                        DocumentWords.Of(t.Kind),
                        At(t.At),
                        t.Minutes,
                        t.Title,
                        t.Detail,
                        t.MustNotBeMissed
                    )),
            ],
            plan.Cost,
            plan.Bound
        );

    private static LotDocument Write(SeasonWish wish, SeasonPlan plan, Lot lot, int l)
    {
        var kept = plan.Kept.GetValueOrDefault(l);
        return new LotDocument(
            wish.Needs[lot.Need].Id,
            wish.Needs[lot.Need].Recipe.Name,
            lot.Batches.Batches,
            lot.Batches.Words,
            [
                .. plan.Of(l)
                    .Select(p => new SeasonWorkDocument(
                        p.Stretch,
                        lot.Method.Stretches[p.Stretch].Title,
                        At(p.Start),
                        At(p.End),
                        lot.Method.Stretches[p.Stretch].HandsMinutes * lot.Batches.Mixings,
                        p.IsDone ? null : At(wish.Sessions[p.Session].From)
                    )),
            ],
            kept?.Words,
            kept?.ThawAt is { } thaw ? At(thaw) : null
        );
    }

    /// <summary>A moment as the formats write it.</summary>
    public static string At(LocalDateTime time) => time.ToString(Clock, null);
}
