using Zymethos.Core.Kitchens;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>A move of the baker's hand as a form or a drag sends it.</summary>
public sealed class HandForm
{
    /// <summary>pin, free, more, over, done, usual, together, apart, before, unpair, lean, clear-first or mode.</summary>
    public string? Do { get; set; }

    /// <summary>Id of the step; empty for a lean.</summary>
    public string? Step { get; set; }

    /// <summary>Id of the other step of a pair.</summary>
    public string? Other { get; set; }

    /// <summary>The moment or hour, the minutes, the lean or the way.</summary>
    public string? Value { get; set; }

    /// <summary>The move that is meant; null when it cannot be understood.</summary>
    /// <param name="wrong">What is wrong with it, for the place where it was made; empty when it is understood.</param>
    public HandMove? Read(out string wrong)
    {
        var (step, text) = (new TaskId(Step ?? ""), (Value ?? "").Trim());
        TaskId? other = string.IsNullOrEmpty(Other) ? null : new TaskId(Other);
        wrong = "";
        switch (Do)
        {
            case "free":
                return new HandMove.LetMove(step);
            case "usual":
                return new HandMove.UsualTime(step);
            case "done":
                return new HandMove.IsDone(step);
            case "unpair":
                return new HandMove.Untie(step);
            case "together":
                return new HandMove.Together(step, other);
            case "apart":
                return new HandMove.Apart(step, other);
            case "before":
                return new HandMove.Before(step, other);
            case "mode":
                return new HandMove.SpendIt(step, WholeNumber.Read(text));
            case "lean" when Enum.TryParse<DayLean>(text, ignoreCase: true, out var lean) && Enum.IsDefined(lean):
                return new HandMove.LeanTo(lean);
            case "clear-first" when Enum.TryParse<Allergen>(text, ignoreCase: true, out var allergen) && Enum.IsDefined(allergen):
                return new HandMove.ClearFirst(allergen);
            case "choose" when WholeNumber.Read(text) is >= 0 and var choice:
                return new HandMove.Choose(choice);
            // What was dragged says its moment; only an hour that was typed is looked for.
            case "pin" when HandMoves.Moment.Parse(text) is { Success: true } moment:
                return new HandMove.Hold(step, moment.Value);
            case "pin" when ClockText.Read(text) is { } hour:
                return new HandMove.HoldAtHour(step, hour);
            case "more" when WholeNumber.Read(text) is > 0 and <= HandMove.LongestStep and var minutes:
                return new HandMove.PlanFor(step, minutes);
            case "over" when WholeNumber.Read(text) is >= 0 and <= HandMove.LongestOverrun and var minutes:
                return new HandMove.NeedsMore(step, minutes);
            default:
                wrong = Do switch
                {
                    "choose" => "That plan is not there any more.",
                    "lean" => "That is nothing to lean toward.",
                    "pin" => "Give the hour as 14:10.",
                    "more" => "Give the minutes as a whole number.",
                    "over" => "Give the minutes it needs more as a whole number.",
                    _ => "That cannot be done to a step.",
                };
                return null;
        }
    }
}
