using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Compile;

/// <summary>
/// From which step until which a bake's pans are taken: from the step that fills them, through a rise in them, until they are turned out.
/// Read from the method's own order, since recipes do not say it.
/// </summary>
/// <param name="Filled">Key of the step with which it begins; the bake itself when it cannot be told.</param>
/// <param name="Emptied">Key of the step with which it ends.</param>
internal sealed partial record PanStay(string Filled, string Emptied)
{
    // Standing in the pan is short; what cools longer cools on the rack (common practice, no source).
    private static readonly Duration LongestInPan = Duration.FromMinutes(40);
    private static readonly Duration LongestTurningOut = Duration.FromMinutes(10);

    /// <summary>The stay of a bake's pans.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="bake">One of its bakes.</param>
    public static PanStay Of(Recipe recipe, Step bake) => new(FilledAt(recipe, bake), EmptiedAt(recipe, bake));

    private static string FilledAt(Recipe recipe, Step bake)
    {
        var before = Before(recipe, bake).ToList();
        // Through a rise in the pan back to the shaping.
        while (before.FirstOrDefault(s => s.Kind is StepKind.Proof or StepKind.Rest) is { } wait)
            before = [.. before.Where(s => s != wait), .. Before(recipe, wait)];
        var fill = before.LastOrDefault(s => s is { Kind: StepKind.Work, IsHandsOn: true });
        return fill is not null && fill.Times == bake.Times ? fill.Key : bake.Key;
    }

    private static string EmptiedAt(Recipe recipe, Step bake)
    {
        var last = bake;
        if (
            After(recipe, bake)
                .FirstOrDefault(s =>
                    s.Kind == StepKind.Cool && s.Times == bake.Times && (StaysOn(s) || (s.Takes.Likely <= LongestInPan && !IsOnRack(s)))
                ) is
            { } stand
        )
            last = stand;
        var turn = After(recipe, last)
            .FirstOrDefault(s =>
                s is { Kind: StepKind.Work, IsHandsOn: true } && s.Takes.Likely <= LongestTurningOut && s.Times == bake.Times
            );
        return (turn ?? last).Key;
    }

    /// <summary>Whether a step says that what cools stays where it was baked: "cool on the tray", "leave in the pan".</summary>
    private static bool StaysOn(Step step) => InPan().IsMatch(Words(step)) && !IsOnRack(step);

    private static bool IsOnRack(Step step) => OnRack().IsMatch(Words(step));

    private static string Words(Step step) => $"{step.Title}. {step.Instruction}";

    [GeneratedRegex(
        @"\b(?:on|in) (?:the|their|its|a) (?:hot |baking |cookie |oven )?(?:trays?|sheets?|pans?|tins?|moulds?|molds?)\b",
        RegexOptions.IgnoreCase,
        200
    )]
    private static partial Regex InPan();

    [GeneratedRegex(@"\b(?:on|to|onto) (?:a |the )?(?:wire |cooling )?racks?\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OnRack();

    private static IEnumerable<Step> Before(Recipe recipe, Step step) =>
        recipe.Steps.Where(s => recipe.Links.Any(l => l.From == s.Key && l.To == step.Key));

    private static IEnumerable<Step> After(Recipe recipe, Step step) =>
        recipe.Steps.Where(s => recipe.Links.Any(l => l.From == step.Key && l.To == s.Key));
}
