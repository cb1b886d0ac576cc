using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Compile;

/// <summary>
/// How long what was baked takes to cool in this kitchen's room. All waits for cooling after one bake make up the recipe's time until it is
/// cold; the last of them takes what the room adds or saves.
/// </summary>
public static class CoolTimes
{
    // In a room this close to the temperature that is wanted nothing ever gets there; it is then as cold as it will be.
    private const double Longest = 3;

    // What is seen of a difference below this is noise.
    private const double WorthSaying = 0.08;

    /// <summary>A wait for cooling in this room.</summary>
    /// <param name="Takes">How long.</param>
    /// <param name="Said">What became of the recipe's time, in a sentence; empty when nothing did.</param>
    /// <param name="Course">The course of the temperature from the oven on; null when the step is no cooling after a bake.</param>
    /// <param name="Before">How long it has cooled when the step begins.</param>
    public sealed record Cooled(DurationEstimate Takes, string Said, CakeCooling? Course, Duration Before);

    /// <summary>How a step cools here; null when it is not the last cooling after a bake.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="step">The step.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="at">About when.</param>
    public static Cooled? Of(Recipe recipe, Step step, Kitchen kitchen, LocalTime at)
    {
        if (step is not { Kind: StepKind.Cool, Oven: null } || Before(recipe, step) is not { } before)
            return null;
        var course = CakeCooling.Of(before + step.Takes.Likely, kitchen.RoomAt(at));
        var isLast = !recipe.Links.Any(l => l.From == step.Key && recipe.Steps.Any(s => s.Key == l.To && IsPartOfCooling(recipe, s)));
        var written = step.Takes.Likely;
        // Standing in the pan is for firmness, not for cold: it takes the recipe's time.
        if (!isLast || before + written < Duration.FromMinutes(45))
            return new Cooled(step.Takes, "", course, before);
        var here = course.Until(CakeCooling.ColdEnoughToIce) is { } cold
            ? Duration.Max(cold - before, Duration.FromMinutes(5))
            : written * Longest;
        here = Duration.Min(here, written * Longest);
        var longer = here / written;
        if (Math.Abs(longer - 1) < WorthSaying)
            return new Cooled(step.Takes, "", course, before);
        var room = kitchen.RoomAt(at).Celsius;
        return new Cooled(
            new DurationEstimate(step.Takes.Low * longer, here, step.Takes.High * longer),
            course.Until(CakeCooling.ColdEnoughToIce) is null
                ? $"In a room of {kitchen.Says.Degrees(room)} it never gets cold enough to ice "
                    + $"({kitchen.Says.Degrees(CakeCooling.ColdEnoughToIce.Celsius)}): finish it "
                    + "in the refrigerator."
                : $"In a room of {kitchen.Says.Degrees(room)} it is cold enough to ice after about "
                    + $"{SpokenTime.Of((int)Math.Round(here.TotalMinutes))} "
                    + $"instead of the recipe's {SpokenTime.Of((int)written.TotalMinutes)}.",
            course,
            before
        );
    }

    /// <summary>How long it has been out of the oven when a step begins, along the method; null when it was not baked.</summary>
    private static Duration? Before(Recipe recipe, Step step)
    {
        foreach (var before in recipe.Steps.Where(s => recipe.Links.Any(l => l.From == s.Key && l.To == step.Key)))
        {
            if (before.Kind == StepKind.Bake)
                return Duration.Zero;
            if ((before.Kind == StepKind.Cool || before.IsHandsOn) && Before(recipe, before) is { } sofar)
                return sofar + before.Takes.Likely;
        }

        return null;
    }

    private static bool IsPartOfCooling(Recipe recipe, Step step) =>
        step.Kind == StepKind.Cool
        || (
            step.IsHandsOn
            && step.Takes.Likely <= Duration.FromMinutes(10)
            && recipe.Links.Any(l => l.From == step.Key && recipe.Steps.Any(s => s.Key == l.To && s.Kind == StepKind.Cool))
        );
}
