using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Planning.Seasons;

/// <summary>A stretch in a session.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Stretch">Index of the stretch.</param>
/// <param name="Session">Index of the session.</param>
public readonly record struct SeasonPlace(int Lot, int Stretch, int Session);

/// <summary>What a single stretch, wait or bake allows, looked at by itself.</summary>
public static class SeasonRules
{
    /// <summary>What is left of a session for work; the rest goes to weighing out, washing up and a telephone call (common practice, no
    /// source).</summary>
    public const double Usable = 0.9;

    /// <summary>Minutes that a change of heat takes of the oven, up and down taken together (a rough figure; each session is planned to the
    /// minute afterwards).</summary>
    internal const int HeatMinutes = 15;

    /// <summary>What a session costs that is begun at all, in the search's count.</summary>
    internal const int Opened = 20;

    // A kilogram of dough in its bowl, and one baked and boxed (common practice, no source).
    private const double ChilledPerKilogram = 2;
    private const double BakedPerKilogram = 3;

    /// <summary>Whether one session could hold a stretch at all.</summary>
    public static bool Holds(SeasonWish wish, Lot lot, int stretch, SeasonSession session)
    {
        var own = lot.Method.Stretches[stretch];
        var b = lot.Batches.Mixings;
        if (session.From < wish.Now)
            return false;
        if (session.IsOddMoment)
            return own.OvenMinutes == 0 && own.HandsMinutes * b <= session.Minutes && own.PresenceMinutes <= session.Minutes;
        return own.PresenceMinutes + ((b - 1) * Math.Max(own.OvenMinutes, own.HandsMinutes)) <= session.Minutes
            && own.HandsMinutes * b <= session.Minutes * session.People * Usable;
    }

    /// <summary>Whether a wait fits between two sessions, the one before beginning anywhere in the first and the one after anywhere in the
    /// second.</summary>
    public static bool Bears(SeasonSession first, SeasonSession second, StretchWait wait, bool same)
    {
        if (same && wait.Least < SeasonMethod.LongWait)
            return true;
        if (second.Until <= first.From)
            return false;
        var longest = Length(first.From, second.Until);
        // Nothing that follows in another session is begun before this one is over.
        var shortest = Duration.Max(Duration.Zero, Length(first.Until, second.From));
        if (longest < wait.Least || shortest > wait.Most)
            return false;
        return wait.Places.IsEmpty || Keeping.Bearing(wait, longest, shortest) is not null;
    }

    /// <summary>How many days too late a session is for a stretch that follows what is done: 0 in time, null when it cannot be done
    /// there.</summary>
    public static int? OverdueDays(SeasonWish wish, Lot lot, int stretch, int session, SeasonPast past, int l)
    {
        var overdue = 0;
        foreach (var wait in lot.Method.Waits.Where(w => w.To == stretch))
        {
            if (past.DoneAt(l, wait.From) is not { } at)
                continue;
            var second = wish.Sessions[session];
            if (Bears(new SeasonSession(at, at, 1), second, wait, false))
                continue;
            var late = wait.Most is { } most ? Length(at, second.From) - most : Duration.Zero;
            if (!wait.Forgives || late <= Duration.Zero)
                return null;
            overdue = Math.Max(overdue, (int)Math.Ceiling(late.TotalDays));
        }

        return overdue;
    }

    /// <summary>How a lot would wait for its date when its last stretch falls in a session; null when it would not keep.</summary>
    /// <param name="wish">The season.</param>
    /// <param name="lot">The lot.</param>
    /// <param name="baked">When it was baked; null when that is in this session too.</param>
    /// <param name="session">The session of the last stretch.</param>
    public static Kept? KeptFrom(SeasonWish wish, Lot lot, LocalDateTime? baked, SeasonSession session)
    {
        var occasion = wish.Occasions[wish.Needs[lot.Need].Occasion];
        if (ColdKeeping.IsRefused(Recipe(wish, lot), occasion))
            return null;
        return Keeping.For(
            Recipe(wish, lot),
            lot.Method,
            baked ?? session.Until,
            session.From,
            session.Until,
            occasion.ReadyBy,
            occasion.At,
            wish.Kitchen.Says
        );
    }

    /// <summary>The recipe of a lot with its choices made.</summary>
    public static Recipe Recipe(SeasonWish wish, Lot lot) => ChosenRecipe.Of(wish.Needs[lot.Need].Recipe);

    /// <summary>Litres that a lot takes baked and boxed.</summary>
    public static int FrozenLitres(SeasonWish wish, Lot lot) => Litres(wish, lot, BakedPerKilogram);

    /// <summary>Litres that the dough of a lot takes.</summary>
    public static int ChilledLitres(SeasonWish wish, Lot lot) => Litres(wish, lot, ChilledPerKilogram);

    /// <summary>How full the freezer gets: the most litres that lie in it together after a session; 0 when nothing is frozen.</summary>
    public static int FullestFreezer(SeasonWish wish, SeasonPlan plan)
    {
        var inside = plan
            .Kept.Where(k => k.Value.ThawAt is not null)
            .Select(k =>
                (
                    From: k.Value.IsFrozenBetween
                        ? plan.Of(k.Key).First(p => p.Stretch == plan.Lots[k.Key].Method.Bake).End
                        : plan.Of(k.Key).Max(p => p.End),
                    Until: k.Value.ThawAt!.Value,
                    Litres: FrozenLitres(wish, plan.Lots[k.Key])
                )
            )
            .ToList();
        return inside.Count == 0 ? 0 : inside.Max(i => inside.Where(o => o.From <= i.From && o.Until > i.From).Sum(o => o.Litres));
    }

    private static int Litres(SeasonWish wish, Lot lot, double perKilogram) =>
        (int)Math.Ceiling(RecipeFacts.Dough(Recipe(wish, lot)).Grams / 1000 * lot.Batches.Batches * perKilogram);

    /// <summary>The time between two moments of the same clock.</summary>
    public static Duration Length(LocalDateTime from, LocalDateTime until) =>
        Duration.FromMinutes(Period.Between(from, until, PeriodUnits.Minutes).Minutes);
}
