using System.Globalization;
using NodaTime.Text;
using Zymethos.Core.Interchange;
using Zymethos.Core.Planning;

namespace Zymethos.Web.OvenDays;

/// <summary>A move of the baker's hand on a planned day, as a form sends it.</summary>
public sealed class HandMove
{
    /// <summary>pin, free, more, over, usual, together, apart, before, unpair, lean or mode.</summary>
    public string? Do { get; set; }

    /// <summary>Id of the step; empty for a lean.</summary>
    public string? Step { get; set; }

    /// <summary>Id of the other step of a pair.</summary>
    public string? Other { get; set; }

    /// <summary>The hour, the minutes, the lean or the way.</summary>
    public string? Value { get; set; }
}

/// <summary>What a move makes of a day.</summary>
/// <param name="Document">The changed day; null when the move cannot be understood.</param>
/// <param name="Said">What was done, or what is wrong with the move.</param>
public sealed record MovedDay(OvenDayDocument? Document, string Said);

/// <summary>Applies moves of the hand to what was asked for. Pure: it plans nothing.</summary>
public static class HandMoves
{
    private static readonly LocalTimePattern Clock = LocalTimePattern.CreateWithInvariantCulture("HH:mm");

    /// <summary>The day after the move.</summary>
    /// <param name="document">The day before it.</param>
    /// <param name="day">The plan, for the names of steps and the date of an hour.</param>
    /// <param name="move">The move.</param>
    /// <param name="now">The minute of the day that it is; null when it is not going on.</param>
    public static MovedDay Apply(OvenDayDocument document, PlannedDay day, HandMove move, int? now = null)
    {
        var hands = document.ByHand ?? new HandWishesDocument();
        if (move.Do == "lean")
        {
            return Enum.TryParse<DayLean>(move.Value, ignoreCase: true, out var lean) && Enum.IsDefined(lean)
                ? new(document with { Lean = Words.Of(lean) }, $"Leaning toward: {LeanWords.Of(lean)}")
                : new(null, "That is nothing to lean toward.");
        }

        if (day.Network.Tasks.FirstOrDefault(t => t.Id == move.Step) is not { } task) return new(null, "That step is not in this day any more.");
        var other = day.Network.Tasks.FirstOrDefault(t => t.Id == move.Other);
        var name = $"“{task.Title}”";
        return move.Do switch
        {
            "pin" => Pin(document, hands, day, task, move.Value),
            "free" => With(document, hands with { Pins = Without(hands.Pins, p => p.Task == task.Id) }, $"{name} may move again"),
            "more" => More(document, hands, task, move.Value),
            "over" => Over(document, day, task, move.Value, now),
            "usual" => With(document, hands with { Allow = Without(hands.Allow, a => a.Task == task.Id) }, $"{name} takes its usual time again"),
            "unpair" => With(document, hands with { Orders = Unpaired(hands.Orders, task), Together = Unpaired(hands.Together, task), Apart = Unpaired(hands.Apart, task) }, $"{name} is tied to no other step any more"),
            "mode" => Mode(document, task, move.Value),
            "together" or "apart" or "before" when other is null => new(null, "Choose the other step."),
            "together" => With(document, hands with { Together = [.. Without(hands.Together, p => Same(p, task, other!)), new PairDocument(task.Id, other!.Id)] }, $"{name} and “{other.Title}” go in together"),
            "apart" => With(document, hands with { Apart = [.. Without(hands.Apart, p => Same(p, task, other!)), new PairDocument(task.Id, other!.Id)] }, $"{name} and “{other.Title}” stay apart"),
            "before" => With(document, hands with { Orders = [.. Without(hands.Orders, p => Same(p, task, other!)), new PairDocument(task.Id, other!.Id)] }, $"{name} comes before “{other.Title}”"),
            _ => new(null, "That cannot be done to a step."),
        };
    }

    private static MovedDay Pin(OvenDayDocument document, HandWishesDocument hands, PlannedDay day, PlanTask task, string? value)
    {
        var text = (value ?? "").Trim();
        if (!Clock.Parse(text).TryGetValue(default, out var hour)) return new(null, "Give the hour as 14:10.");
        // An hour that lies nearest to where the step stands now: days may go over midnight.
        var now = day.Network.TimeOf(day.Plan.Tasks[task.Index].Start);
        var at = new[] { -1, 0, 1 }.Select(d => now.Date.PlusDays(d).At(hour)).MinBy(t => Math.Abs(NodaTime.Period.Between(now, t, NodaTime.PeriodUnits.Minutes).Minutes));
        var pin = new PinDocument(task.Id, LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm").Format(at));
        return With(document, hands with { Pins = [.. Without(hands.Pins, p => p.Task == task.Id), pin] }, $"“{task.Title}” held at {text}");
    }

    private static MovedDay More(OvenDayDocument document, HandWishesDocument hands, PlanTask task, string? value) =>
        int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out var minutes) && minutes is > 0 and < 1440
            ? With(document, hands with { Allow = [.. Without(hands.Allow, a => a.Task == task.Id), new AllowDocument(task.Id, minutes)] }, $"{minutes} min planned for “{task.Title}”")
            : new(null, "Give the minutes as a whole number.");

    /// <summary>A step needs more minutes while the day goes on: what has begun stays, the rest is planned again from now, in the ways that were chosen.</summary>
    private static MovedDay Over(OvenDayDocument document, PlannedDay day, PlanTask task, string? value, int? now)
    {
        if (now is not { } minute) return new(null, "The day is not going on. Use “Plan for it” instead.");
        if (!int.TryParse((value ?? "").Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var more) || more > 600) return new(null, "Give the minutes it needs more as a whole number.");
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(document);
        if (reader.Faults.Count > 0) return new(null, reader.Faults[0].Message);
        var rest = LiveDay.From(day, wish.ByHand, task, more, minute);
        string At(int m) => LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm").Format(day.Network.TimeOf(m));
        var hands = (document.ByHand ?? new HandWishesDocument()) with
        {
            Pins = [.. rest.Pins.Select(p => new PinDocument(p.Task, At(p.Start)))],
            Allow = [.. rest.Allow.Select(a => new AllowDocument(a.Task, a.Minutes, a.Breaks.IsEmpty ? null : [.. a.Breaks.Select(b => new BreakDocument(b.From, b.Until))]))],
            Since = At(minute),
        };
        // What rises in the refrigerator since last night does not change its mind.
        var bakes = document.Bakes.Select((b, i) =>
        {
            var modes = (b.Modes ?? new Dictionary<string, int>()).Concat(day.Network.Modes.Where(m => m.Bake == i).Select(m => KeyValuePair.Create(m.Step, m.Mode))).ToDictionary(m => m.Key, m => m.Value);
            return b with { Modes = modes.Count > 0 ? modes : null };
        }).ToList();
        return new(document with { ByHand = hands, Bakes = bakes }, $"“{task.Title}” needs {more} min more; the rest planned again from {day.Network.TimeOf(minute).ToString("HH:mm", null)}");
    }

    private static MovedDay Mode(OvenDayDocument document, PlanTask task, string? value)
    {
        if (task.Step is not { Modes.IsEmpty: false } step) return new(null, "There is only one way to do that.");
        var bake = document.Bakes[task.Bake];
        var modes = (bake.Modes ?? new Dictionary<string, int>()).Where(m => m.Key != step.Key).ToDictionary(m => m.Key, m => m.Value);
        if (int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out var mode) && mode <= step.Modes.Length) modes[step.Key] = mode;
        var bakes = document.Bakes.ToList();
        bakes[task.Bake] = bake with { Modes = modes.Count > 0 ? modes : null };
        return new(document with { Bakes = bakes }, value is null or "" ? $"The plan chooses how “{step.Title}” is spent" : $"“{step.Title}” is spent your way");
    }

    private static MovedDay With(OvenDayDocument document, HandWishesDocument hands, string said)
    {
        var nothing = (hands.Pins?.Count ?? 0) + (hands.Orders?.Count ?? 0) + (hands.Together?.Count ?? 0) + (hands.Apart?.Count ?? 0) + (hands.Allow?.Count ?? 0) == 0;
        return new(document with { ByHand = nothing ? null : hands }, said);
    }

    private static bool Same(PairDocument pair, PlanTask one, PlanTask other) =>
        (pair.First == one.Id && pair.Second == other.Id) || (pair.First == other.Id && pair.Second == one.Id);

    private static List<T> Without<T>(IReadOnlyList<T>? list, Predicate<T> gone) => [.. (list ?? []).Where(x => !gone(x))];

    private static List<PairDocument> Unpaired(IReadOnlyList<PairDocument>? pairs, PlanTask task) => Without(pairs, p => p.First == task.Id || p.Second == task.Id);
}
