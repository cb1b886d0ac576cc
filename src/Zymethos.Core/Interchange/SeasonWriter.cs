using NodaTime;
using Zymethos.Core.Seasons;

namespace Zymethos.Core.Interchange;

/// <summary>Writes a planned season as a document.</summary>
public static class SeasonWriter
{
    private const string Clock = "uuuu-MM-dd'T'HH:mm";

    /// <summary>The plan of a season.</summary>
    public static SeasonPlanDocument Write(SeasonWish wish, SeasonPlan plan) => new(
        "zymethos.season-plan",
        1,
        [.. plan.Lots.Select((lot, l) => Write(wish, plan, lot, l))],
        [.. plan.Sessions.Select(s => new SeasonSessionDocument(
            s.Session,
            At(s.Network.TimeOf(s.Plan.Finish(s.Network))),
            [.. s.Network.Tasks.OrderBy(t => s.Plan.Tasks[t.Index].Start).Select(t => new SeasonStepDocument(
                s.Network.Bakes[t.Bake].Name, t.Title, At(s.Network.TimeOf(s.Plan.Tasks[t.Index].Start)), At(s.Network.TimeOf(s.Plan.Tasks[t.Index].End)), t.Oven?.Setting.Celsius))]))],
        [.. plan.Unmet.Select(u => new UnmetDocument(u.Need, u.Why, u.WaysOut))],
        plan.Cost,
        plan.Bound);

    private static LotDocument Write(SeasonWish wish, SeasonPlan plan, Lot lot, int l)
    {
        var kept = plan.Kept.GetValueOrDefault(l);
        return new LotDocument(
            lot.Need,
            wish.Needs[lot.Need].Recipe.Name,
            lot.Batches.Batches,
            lot.Batches.Words,
            [.. plan.Placed.Where(p => p.Lot == l).OrderBy(p => p.Start).Select(p => new SeasonTouchDocument(
                lot.Method.Stretches[p.Stretch].Title, p.Session, At(p.Start), At(p.End), lot.Method.Stretches[p.Stretch].HandsMinutes * lot.Batches.Batches))],
            kept?.Words,
            kept?.ThawAt is { } thaw ? At(thaw) : null);
    }

    private static string At(LocalDateTime time) => time.ToString(Clock, null);
}
