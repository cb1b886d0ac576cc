using Zymethos.Core.Measures;

namespace Zymethos.Planning.Seasons;

/// <summary>Why things are as they are in a season, by looking at one need alone.</summary>
internal static class SeasonReasons
{
    /// <summary>Why a need found no place.</summary>
    internal static string WhyUnmet(SeasonWish wish, Lot lot, SeasonPast past, int l)
    {
        var need = wish.Needs[lot.Need];
        var occasion = wish.Occasions[need.Occasion];
        if (ColdKeeping.IsRefused(SeasonRules.Recipe(wish, lot), occasion))
            return ColdKeeping.Why(wish, need);
        if (occasion.ReadyBy <= wish.Now)
            return $"{occasion.Name} is over, or too near for anything to be baked.";
        if (wish.Sessions.All(s => s.IsOddMoment || s.Until <= wish.Now))
            return "There is no session left in which anything could be baked.";
        foreach (var (stretch, k) in lot.Method.Stretches.Select((s, k) => (s, k)).Where(p => !past.IsDone(l, p.k)))
        {
            if (wish.Sessions.Any(s => SeasonRules.Holds(wish, lot, k, s) && s.Until <= occasion.ReadyBy))
                continue;
            return $"No session before {occasion.Name} is long enough for “{stretch.Title}”: it takes "
                + $"{SpokenTime.Of(stretch.PresenceMinutes)}, and {lot.Batches.Mixings} "
                + $"{(lot.Batches.Mixings == 1 ? "batch" : "batches")} of it.";
        }

        // Of a wait that has begun only the rest is left.
        var least =
            lot.Method.Waits.Where(w => !past.IsDone(l, w.To))
                .Sum(w =>
                    Math.Max(
                        0,
                        (w.Least - (past.DoneAt(l, w.From) is { } at ? SeasonRules.Length(at, wish.Now) : NodaTime.Duration.Zero)).TotalDays
                    )
                ) + lot.Method.RipensLeast.TotalDays;
        var left = SeasonRules.Length(wish.Now, occasion.At).TotalDays;
        if (least > left)
            return $"{need.Recipe.Name} wants at least {least:0} days of waiting in all; {left:0} are left until {occasion.Name}.";
        return $"There is no room in the sessions for {need.Recipe.Name} that fits how long it keeps.";
    }
}
