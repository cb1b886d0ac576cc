namespace Zymethos.Planning.Seasons;

/// <summary>
/// A first placement by hand: lot after lot, the one with the least choice first, its last work where it keeps best, what comes before as
/// late as its waits bear. It gives the search a place to begin, and nothing to rely on.
/// </summary>
internal sealed class FirstSeason
{
    // Loads share the oven: by hand about a third more bakes fit than minutes (a rough figure, corrected by each session's own plan).
    private const double SharedOven = 1.3;

    private readonly SeasonWish _wish;
    private readonly IReadOnlyList<Lot> _lots;
    private readonly SeasonPast _past;
    private readonly int[] _hands;
    private readonly double[] _oven;
    private readonly HashSet<int>[] _heats;
    private readonly double[] _freezer;
    private readonly List<SeasonPlace> _placed = [];

    private FirstSeason(SeasonWish wish, IReadOnlyList<Lot> lots, SeasonPast past)
    {
        (_wish, _lots, _past) = (wish, lots, past);
        _hands = new int[wish.Sessions.Length];
        _oven = new double[wish.Sessions.Length];
        _heats = [.. wish.Sessions.Select(_ => new HashSet<int>())];
        _freezer = new double[wish.Sessions.Length];
    }

    /// <summary>The placement; lots that found none are missing.</summary>
    public static IReadOnlyList<SeasonPlace> Place(SeasonWish wish, IReadOnlyList<Lot> lots, SeasonPast past)
    {
        var first = new FirstSeason(wish, lots, past);
        var choices = Enumerable
            .Range(0, lots.Count)
            .Select(l =>
                (
                    Lot: l,
                    Ends: Enumerable
                        .Range(0, wish.Sessions.Length)
                        .Count(s =>
                            SeasonRules.Holds(wish, lots[l], lots[l].Method.Finish, wish.Sessions[s])
                            && SeasonRules.KeptFrom(wish, lots[l], past.BakedAt(l, lots[l]), wish.Sessions[s]) is not null
                        )
                )
            );
        foreach (var (lot, _) in choices.OrderBy(c => c.Ends).ThenByDescending(c => lots[c.Lot].Method.Stretches.Length))
            first.PlaceLot(lot);
        return first._placed;
    }

    private void PlaceLot(int l)
    {
        var lot = _lots[l];
        var open = Enumerable
            .Range(0, lot.Method.Stretches.Length)
            .Where(k => !_past.IsDone(l, k))
            .OrderByDescending(k => lot.Method.Before(k).Length)
            .ToList();
        if (open.Count == 0 || open[0] != lot.Method.Finish)
            return;
        var ends = Enumerable
            .Range(0, _wish.Sessions.Length)
            .Select(s =>
                (
                    Session: s,
                    Kept: Fits(l, lot.Method.Finish, s) ? SeasonRules.KeptFrom(_wish, lot, _past.BakedAt(l, lot), _wish.Sessions[s]) : null
                )
            )
            .Where(e => e.Kept is not null && RoomInFreezer(lot, e.Kept, e.Session))
            .OrderBy(e => e.Kept!.Stale + (_hands[e.Session] == 0 ? SeasonRules.Opened : 0))
            .ThenByDescending(e => e.Session);
        foreach (var (end, _) in ends)
        {
            var at = new Dictionary<int, int> { [lot.Method.Finish] = end };
            if (!open.Skip(1).All(k => Before(l, lot, k, at)))
                continue;
            NodaTime.LocalDateTime? baked =
                lot.Method.Bake < 0 || lot.Method.Bake == lot.Method.Finish
                    ? null
                    : _past.BakedAt(l, lot) ?? _wish.Sessions[at[lot.Method.Bake]].Until;
            if (
                SeasonRules.KeptFrom(_wish, lot, baked, _wish.Sessions[end]) is not { } kept
                || !RoomInFreezer(lot, kept, kept.IsFrozenBetween ? at.GetValueOrDefault(lot.Method.Bake, end) : end)
            )
                continue;
            Take(l, lot, at, kept, end);
            return;
        }
    }

    /// <summary>The latest session of a stretch that bears its waits to what is placed after it.</summary>
    private bool Before(int l, Lot lot, int k, Dictionary<int, int> at)
    {
        for (var s = _wish.Sessions.Length - 1; s >= 0; s--)
        {
            if (
                !Fits(l, k, s)
                || !lot
                    .Method.Waits.Where(w => w.From == k && at.ContainsKey(w.To))
                    .All(w => SeasonRules.Bears(_wish.Sessions[s], _wish.Sessions[at[w.To]], w, s == at[w.To]))
            )
                continue;
            at[k] = s;
            return true;
        }

        return false;
    }

    private bool Fits(int l, int k, int s)
    {
        var (lot, session) = (_lots[l], _wish.Sessions[s]);
        if (!SeasonRules.Holds(_wish, lot, k, session) || SeasonRules.OverdueDays(_wish, lot, k, s, _past, l) is null)
            return false;
        if (session.Until > _wish.Occasions[_wish.Needs[lot.Need].Occasion].ReadyBy)
            return false;
        var (stretch, usable) = (lot.Method.Stretches[k], session.IsOddMoment ? 1 : SeasonRules.Usable);
        var fresh = stretch.Heats.Count(h => !_heats[s].Contains(h));
        return _hands[s] + (stretch.HandsMinutes * lot.Batches.Mixings) <= session.Minutes * session.People * usable
            && _oven[s] + (stretch.OvenMinutes * lot.Batches.Batches) + (SeasonRules.HeatMinutes * fresh)
                <= session.Minutes * usable * SharedOven;
    }

    private bool RoomInFreezer(Lot lot, Kept kept, int from)
    {
        if (kept.ThawAt is not { } thaw || _wish.Kitchen.FreezerLitres is not { } room)
            return true;
        var litres = SeasonRules.FrozenLitres(_wish, lot);
        return Enumerable
            .Range(from, _wish.Sessions.Length - from)
            .TakeWhile(t => _wish.Sessions[t].Until < thaw)
            .All(t => _freezer[t] + litres <= room);
    }

    private void Take(int l, Lot lot, Dictionary<int, int> at, Kept kept, int end)
    {
        foreach (var (k, s) in at)
        {
            var stretch = lot.Method.Stretches[k];
            _hands[s] += stretch.HandsMinutes * lot.Batches.Mixings;
            _oven[s] +=
                (stretch.OvenMinutes * lot.Batches.Batches) + (SeasonRules.HeatMinutes * stretch.Heats.Count(h => _heats[s].Add(h)));
            _placed.Add(new SeasonPlace(l, k, s));
        }

        if (kept.ThawAt is not { } thaw)
            return;
        var from = kept.IsFrozenBetween ? at.GetValueOrDefault(lot.Method.Bake, end) : end;
        for (var t = from; t < _wish.Sessions.Length && _wish.Sessions[t].Until < thaw; t++)
            _freezer[t] += SeasonRules.FrozenLitres(_wish, lot);
    }
}
