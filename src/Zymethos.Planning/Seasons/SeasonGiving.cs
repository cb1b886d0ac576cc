using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>
/// What is given is wrapped in time and handed over: after it is cold through or has thawed, the evening before where that is early
/// enough.
/// </summary>
internal static class SeasonGiving
{
    /// <summary>Minutes for a box, its label and its ribbon (common practice, no source).</summary>
    public const int MinutesABox = 5;

    private static readonly LocalTime Evening = new(19, 0);

    // What comes out of the oven is cold right through after two hours at most (common practice, no source).
    private const int CoolMinutes = 120;
    private const int MostNames = 6;

    /// <summary>The touches.</summary>
    public static IEnumerable<SeasonTouch> Of(SeasonWish wish, SeasonPlan plan)
    {
        for (var o = 0; o < wish.Occasions.Length; o++)
        {
            var occasion = wish.Occasions[o];
            var lots = Enumerable
                .Range(0, plan.Lots.Length)
                .Where(l => wish.Needs[plan.Lots[l].Need].Occasion == o && plan.Placed.Any(p => p.Lot == l))
                .ToList();
            if (occasion.Handing == Handing.Served || lots.Count == 0)
                continue;
            var own = wish.HandOvers.Where(h => h.Occasion == o).ToList();
            foreach (var touch in own.Count > 0 ? Boxes(wish, plan, o, lots, own) : Whole(wish, plan, o, lots))
                yield return touch;
        }
    }

    /// <summary>Everybody's box is known: those of a day are wrapped together, and each way is gone once.</summary>
    private static IEnumerable<SeasonTouch> Boxes(SeasonWish wish, SeasonPlan plan, int occasion, List<int> lots, List<HandOver> boxes)
    {
        foreach (var day in boxes.Where(b => !b.IsWrapped).GroupBy(b => b.At.Date))
        {
            if (Wrap(wish, plan, lots, day.Count(), day.Min(b => b.At), $"{occasion}-{day.Key:uuuuMMdd}") is { } wrap)
                yield return wrap;
        }

        foreach (var way in boxes.Where(b => b.At > wish.Now).GroupBy(b => (b.At.Date, b.Route)))
        {
            var names = way.OrderBy(b => b.At).Select(b => b.Who).ToList();
            yield return new SeasonTouch(
                SeasonTouchKind.Give,
                way.Min(b => b.At),
                0,
                $"Hand over {(names.Count == 1 ? "1 box" : $"{names.Count} boxes")}",
                string.Join(
                    ": ",
                    new[]
                    {
                        way.Key.Route,
                        names.Count > MostNames
                            ? $"{string.Join(", ", names.Take(MostNames))} and {names.Count - MostNames} more"
                            : string.Join(", ", names),
                    }.Where(w => w.Length > 0)
                )
            )
            {
                Id = $"give-{occasion}-{way.Key.Date:uuuuMMdd}-{way.Key.Route}",
            };
        }
    }

    /// <summary>Nobody said who is given theirs when: all of it goes at its date.</summary>
    private static IEnumerable<SeasonTouch> Whole(SeasonWish wish, SeasonPlan plan, int o, List<int> lots)
    {
        var occasion = wish.Occasions[o];
        var boxes = Math.Max(1, lots.Max(l => wish.Needs[plan.Lots[l].Need].Boxes));
        if (Wrap(wish, plan, lots, boxes, occasion.ReadyBy, $"{o}") is { } wrap)
            yield return wrap;
        if (occasion.ReadyBy > wish.Now)
            yield return new SeasonTouch(
                SeasonTouchKind.Give,
                occasion.ReadyBy,
                0,
                occasion.Handing == Handing.Posted ? "Take the parcels to the post" : $"Hand over: {occasion.Name}",
                occasion.Handing == Handing.Posted
                        ? $"{occasion.TransitDays} {(occasion.TransitDays == 1 ? "day" : "days")} on the way to {occasion.Name}"
                    : boxes == 1 ? "everything that is ready"
                    : $"{boxes} boxes"
            )
            {
                Id = $"give-{o}",
            };
    }

    private static SeasonTouch? Wrap(SeasonWish wish, SeasonPlan plan, List<int> lots, int boxes, LocalDateTime given, string id)
    {
        if (given <= wish.Now)
            return null;
        var minutes = boxes * MinutesABox;
        var ready = lots.Max(l => Ready(plan, l));
        var evening = given.Date.PlusDays(-1).At(Evening);
        var latest = given.PlusMinutes(-minutes);
        // What is ready only just before is wrapped then, beginning with what lies there already.
        var at =
            evening >= ready ? evening
            : ready <= latest ? ready
            : latest;
        var thaws = lots.Any(l => plan.Kept.TryGetValue(l, out var kept) && kept.ThawAt is not null);
        return new SeasonTouch(
            SeasonTouchKind.Wrap,
            LocalDateTime.Max(at, wish.Now),
            minutes,
            boxes == 1 ? "Wrap and label it" : $"Wrap and label {boxes} boxes",
            "cold right through"
                + (thaws ? "; what was frozen has thawed in its wrapping first, and is iced after that" : "")
                + (at > evening ? "; begin with what lies there already" : "")
        )
        {
            Id = $"wrap-{id}",
            MustNotBeMissed = at > evening,
        };
    }

    private static LocalDateTime Ready(SeasonPlan plan, int lot)
    {
        var done = plan.Placed.Where(p => p.Lot == lot).Max(p => p.End).PlusMinutes(CoolMinutes);
        return
            plan.Kept.TryGetValue(lot, out var kept)
            && kept is { ThawAt: { } thaw, IsFrozenBetween: false, Place: { } place }
            && thaw.PlusMinutes((long)Keeping.Thaw(place).TotalMinutes) is var thawed
            && thawed > done
            ? thawed
            : done;
    }
}
