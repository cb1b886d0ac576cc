using System.Globalization;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Live;
using Zymethos.Planning.Reading;

namespace Zymethos.Work.OvenDays;

/// <summary>What a move makes of a day.</summary>
/// <param name="Document">The changed day; null when the move cannot be understood.</param>
/// <param name="Said">What was done, or what is wrong with the move.</param>
public sealed record MovedDay(OvenDayDocument? Document, string Said);

/// <summary>Applies moves of the hand to what was asked for. Pure: it plans nothing.</summary>
public static class HandMoves
{
    /// <summary>A moment of a day as moves carry it, in the kitchen's own time: 2031-05-03T14:10.</summary>
    public static readonly LocalDateTimePattern Moment = LocalMoment.Pattern;

    private static string ChoiceWords(PlannedDay day) =>
        $"Took the plan that goes well on {day.Chance!.Together * 100:0} of 100 days, done by "
        + $"{day.Network.HourOf(day.Chance.DoneBy)}";

    /// <summary>The day after the move.</summary>
    /// <param name="document">The day before it.</param>
    /// <param name="day">The plan, for the names of steps and the date of an hour.</param>
    /// <param name="move">The move.</param>
    /// <param name="now">The minute of the day that it is; null when it is not going on.</param>
    public static MovedDay Apply(OvenDayDocument document, PlannedDay day, HandMove move, int? now = null)
    {
        if (move is HandMove.LeanTo lean)
            return new(document with { Lean = DocumentWords.Of(lean.Lean) }, $"Leaning toward: {LeanWords.Of(lean.Lean)}");
        if (move is HandMove.Choose choose)
            return choose.Choice < day.Choices.Length
                ? new(document, ChoiceWords(day.Choose(choose.Choice)))
                : new(null, "That plan is not there any more.");
        if (move is not HandMove.OfStep ofStep || Find(day, ofStep.Step) is not { } task)
            return new(null, "That step is not in this day any more.");
        var hands = document.ByHand ?? new HandWishesDocument();
        var name = $"“{task.Title}”";
        return ofStep switch
        {
            HandMove.Hold hold => Held(document, hands, day, task, hold.At),
            HandMove.HoldAtHour hold => Held(document, hands, day, task, Nearest(day, task, hold.Hour)),
            HandMove.LetMove => With(
                document,
                hands with
                {
                    Pins = Without(hands.Pins, p => p.Task == task.Id.Value),
                },
                $"{name} may move again"
            ),
            HandMove.PlanFor plan => With(
                document,
                hands with
                {
                    Allow = [.. Without(hands.Allow, a => a.Task == task.Id.Value), new AllowDocument(task.Id.Value, plan.Minutes)],
                },
                $"{plan.Minutes} min planned for {name}"
            ),
            HandMove.NeedsMore more => Over(document, day, task, more.Minutes, now),
            HandMove.IsDone => Done(document, day, task, now),
            HandMove.UsualTime => With(
                document,
                hands with
                {
                    Allow = Without(hands.Allow, a => a.Task == task.Id.Value),
                },
                $"{name} takes its usual time again"
            ),
            HandMove.Untie => With(document, Untied(hands, task), $"{name} is tied to no other step any more"),
            HandMove.SpendIt way => Mode(document, task, way.Way),
            HandMove.OfPair pair => pair.Other is { } named && Find(day, named) is { } other
                ? Paired(document, hands, task, other, pair)
                : new(null, "Choose the other step."),
            _ => throw new InvalidOperationException($"A move that nobody makes: {ofStep}."),
        };
    }

    private static PlanTask? Find(PlannedDay day, TaskId step) => day.Network.Tasks.FirstOrDefault(t => t.Id == step);

    private static MovedDay Paired(OvenDayDocument document, HandWishesDocument hands, PlanTask task, PlanTask other, HandMove.OfPair pair)
    {
        List<PairDocument> Added(IReadOnlyList<PairDocument>? pairs) =>
            [.. Without(pairs, p => Same(p, task, other)), new PairDocument(task.Id.Value, other.Id.Value)];
        var (one, two) = ($"“{task.Title}”", $"“{other.Title}”");
        return pair switch
        {
            HandMove.Together => With(document, hands with { Together = Added(hands.Together) }, $"{one} and {two} go in together"),
            HandMove.Apart => With(document, hands with { Apart = Added(hands.Apart) }, $"{one} and {two} stay apart"),
            HandMove.Before => With(document, hands with { Orders = Added(hands.Orders) }, $"{one} comes before {two}"),
            _ => throw new InvalidOperationException($"A pair that nobody ties: {pair}."),
        };
    }

    private static HandWishesDocument Untied(HandWishesDocument hands, PlanTask task) =>
        hands with
        {
            Orders = Unpaired(hands.Orders, task),
            After = Unpaired(hands.After, task),
            Together = Unpaired(hands.Together, task),
            Apart = Unpaired(hands.Apart, task),
        };

    /// <summary>The hour on the date on which it lies nearest to where the step stands now: days may go over midnight.</summary>
    private static NodaTime.LocalDateTime Nearest(PlannedDay day, PlanTask task, NodaTime.LocalTime hour)
    {
        var now = day.Network.TimeOf(day.Plan.Tasks[task.Index].Start);
        return new[] { -1, 0, 1 }
            .Select(d => now.Date.PlusDays(d).At(hour))
            .MinBy(t => Math.Abs(NodaTime.Period.Between(now, t, NodaTime.PeriodUnits.Minutes).Minutes));
    }

    private static MovedDay Held(
        OvenDayDocument document,
        HandWishesDocument hands,
        PlannedDay day,
        PlanTask task,
        NodaTime.LocalDateTime at
    )
    {
        var pin = new PinDocument(task.Id.Value, Moment.Format(at));
        var says =
            at.Date == day.Network.Origin.Date
                ? day.Network.Kitchen.Says.Hour(at)
                : $"{at.ToString("dddd", CultureInfo.InvariantCulture)} {day.Network.Kitchen.Says.Hour(at)}";
        return With(
            document,
            hands with
            {
                Pins = [.. Without(hands.Pins, p => p.Task == task.Id.Value), pin],
            },
            $"“{task.Title}” held at {says}"
        );
    }

    /// <summary>A step needs more minutes while the day goes on: what has begun stays, the rest is planned again from now, in the ways that
    /// were chosen.</summary>
    private static MovedDay Over(OvenDayDocument document, PlannedDay day, PlanTask task, int more, int? now)
    {
        return GoOn(
            document,
            day,
            now,
            (wishes, minute) => LiveDay.From(day, wishes, task, more, minute),
            minute => $"“{task.Title}” needs {more} min more; the rest planned again from {day.Network.HourOf(minute)}"
        );
    }

    /// <summary>A step is done sooner than planned while the day goes on. What has to be as long as it is for safety stays so.</summary>
    private static MovedDay Done(OvenDayDocument document, PlannedDay day, PlanTask task, int? now)
    {
        var (start, end) = (day.Plan.Tasks[task.Index].Start, day.Plan.Tasks[task.Index].End);
        if (now is { } at && (at <= start || at >= end))
            return new(null, $"“{task.Title}” is not going on now.");
        return GoOn(
            document,
            day,
            now,
            (wishes, minute) => LiveDay.DoneAt(day, wishes, task, minute),
            minute => $"“{task.Title}” is done; the rest planned again from {day.Network.HourOf(minute)}"
        );
    }

    private static MovedDay GoOn(
        OvenDayDocument document,
        PlannedDay day,
        int? now,
        Func<ByHand, int, ByHand> wishesFrom,
        Func<int, string> said
    )
    {
        if (now is not { } minute)
            return new(null, "The day is not going on. Use “Plan for it” instead.");
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return new(null, reader.Faults[0].Message);
        var rest = wishesFrom(wish.ByHand, minute);
        string At(int m) => LocalMoment.Pattern.Format(day.Network.TimeOf(m));
        var hands = (document.ByHand ?? new HandWishesDocument()) with
        {
            Pins = [.. rest.Pins.Select(p => new PinDocument(p.Task.Value, At(p.Start)))],
            Allow =
            [
                .. rest.Allow.Select(a => new AllowDocument(
                    a.Task.Value,
                    a.Minutes,
                    a.Breaks.IsEmpty ? null : [.. a.Breaks.Select(b => new BreakDocument(b.From, b.Until))]
                )),
            ],
            Since = At(minute),
        };
        // What rises in the refrigerator since last night does not change its mind.
        var bakes = document
            .Bakes.Select(
                (b, i) =>
                {
                    var modes = (b.Modes ?? new Dictionary<string, int>())
                        .Concat(day.Network.Modes.Where(m => m.Bake == i).Select(m => KeyValuePair.Create(m.Step, m.Mode)))
                        .ToDictionary(m => m.Key, m => m.Value);
                    return b with { Modes = modes.Count > 0 ? modes : null };
                }
            )
            .ToList();
        return new(document with { ByHand = hands, Bakes = bakes }, said(minute));
    }

    private static MovedDay Mode(OvenDayDocument document, PlanTask task, int? way)
    {
        if (task.Step is not { Modes.IsEmpty: false } step)
            return new(null, "There is only one way to do that.");
        var bake = document.Bakes[task.Bake];
        var modes = (bake.Modes ?? new Dictionary<string, int>()).Where(m => m.Key != step.Key).ToDictionary(m => m.Key, m => m.Value);
        if (way is { } mode && mode <= step.Modes.Length)
            modes[step.Key] = mode;
        var bakes = document.Bakes.ToList();
        bakes[task.Bake] = bake with { Modes = modes.Count > 0 ? modes : null };
        return new(
            document with
            {
                Bakes = bakes,
            },
            way is null ? $"The plan chooses how “{step.Title}” is spent" : $"“{step.Title}” is spent your way"
        );
    }

    private static MovedDay With(OvenDayDocument document, HandWishesDocument hands, string said)
    {
        var nothing =
            (hands.Pins?.Count ?? 0)
                + (hands.Orders?.Count ?? 0)
                + (hands.After?.Count ?? 0)
                + (hands.Together?.Count ?? 0)
                + (hands.Apart?.Count ?? 0)
                + (hands.Allow?.Count ?? 0)
            == 0;
        return new(document with { ByHand = nothing ? null : hands }, said);
    }

    private static bool Same(PairDocument pair, PlanTask one, PlanTask other) =>
        (pair.First == one.Id.Value && pair.Second == other.Id.Value) || (pair.First == other.Id.Value && pair.Second == one.Id.Value);

    private static List<T> Without<T>(IReadOnlyList<T>? list, Predicate<T> gone) => [.. (list ?? []).Where(x => !gone(x))];

    private static List<PairDocument> Unpaired(IReadOnlyList<PairDocument>? pairs, PlanTask task) =>
        Without(pairs, p => p.First == task.Id.Value || p.Second == task.Id.Value);
}
