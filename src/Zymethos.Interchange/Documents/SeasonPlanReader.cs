using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Documents;

/// <summary>Brings a planned season back to life beside the season it belongs to.</summary>
public static class SeasonPlanReader
{
    private static readonly LocalDateTimePattern Moment = LocalMoment.Pattern;

    /// <summary>
    /// The plan without its sessions to the minute, which stand in the document; null when the two do not belong together any more: another
    /// recipe, other hours, a need more or less.
    /// </summary>
    public static SeasonPlan? Read(SeasonWish wish, SeasonPlanDocument document)
    {
        var lots = SeasonPlanner.Lots(wish);
        if (lots.Length != document.Lots.Count)
            return null;
        var unmet = document.Unmet.Select(u => u.Need).ToHashSet(StringComparer.Ordinal);
        var past = new SeasonPast(wish, lots, ImmutableDictionary<(int, int), int>.Empty);
        var placed = new List<PlacedStretch>();
        for (var l = 0; l < lots.Length; l++)
        {
            placed.AddRange(past.Of(l));
            if (document.Lots[l].Need != wish.Needs[l].Id || Math.Abs(document.Lots[l].Batches - lots[l].Batches.Batches) > 0.1)
                return null;
            if (unmet.Contains(wish.Needs[l].Id))
                continue;
            if (document.Lots[l].Work.Count != lots[l].Method.Stretches.Length)
                return null;
            foreach (var work in document.Lots[l].Work.Where(w => !past.IsDone(l, w.Stretch)))
            {
                if (
                    work.Stretch < 0
                    || work.Stretch >= lots[l].Method.Stretches.Length
                    || work.Title != lots[l].Method.Stretches[work.Stretch].Title
                )
                    return null;
                if (work.Session is null || Session(wish, work) is not (>= 0 and var session))
                    return null;
                placed.Add(new PlacedStretch(l, work.Stretch, session, Moment.Parse(work.Start).Value, Moment.Parse(work.End).Value));
            }
        }

        var kept = Enumerable
            .Range(0, lots.Length)
            .Where(l => !unmet.Contains(wish.Needs[l].Id))
            .Select(l => (Lot: l, Kept: SeasonChecker.KeptAs(wish, lots[l], [.. placed.Where(p => p.Lot == l)])))
            .Where(k => k.Kept is not null);
        return new SeasonPlan(
            lots,
            [.. placed.OrderBy(p => p.Start).ThenBy(p => p.Lot).ThenBy(p => p.Stretch)],
            [],
            kept.ToImmutableDictionary(k => k.Lot, k => k.Kept!),
            [
                .. document
                    .Unmet.Select(u => new UnmetNeed(Array.FindIndex([.. wish.Needs], n => n.Id == u.Need), u.Why))
                    .Where(u => u.Need >= 0),
            ],
            document.Cost,
            document.Bound
        );
    }

    // A session that was going on when it was planned began before; the work knows its hour.
    private static int Session(SeasonWish wish, SeasonWorkDocument work)
    {
        var start = Moment.Parse(work.Start).Value;
        return Array.FindIndex([.. wish.Sessions], s => s.From <= start && start < s.Until);
    }

    /// <summary>Where each piece of work stood, by the id of its need and its place in the method.</summary>
    public static IReadOnlyDictionary<(string Need, int Stretch), LocalDateTime> Stood(SeasonPlanDocument document) =>
        document
            .Lots.SelectMany(l => l.Work.Where(w => w.Session is not null).Select(w => ((l.Need, w.Stretch), Moment.Parse(w.Start).Value)))
            .ToDictionary(p => p.Item1, p => p.Value);
}
