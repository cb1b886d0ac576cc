using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Compile;

/// <summary>
/// How long batter and proofed dough may wait for the oven where a recipe does not say: its kind says it then. Yeast goes on working and a
/// proofed dough falls; leaveners that work when they are wet are spent in the bowl. Lengths are common practice without a source, and a
/// recipe that gives its own keeps it.
/// </summary>
public static partial class UsualWindows
{
    /// <summary>How long a proofed dough may wait.</summary>
    public static readonly Duration Proofed = Duration.FromMinutes(30);

    /// <summary>How long a leavened batter may wait, in its bowl or in its pan.</summary>
    public static readonly Duration Batter = Duration.FromMinutes(30);

    /// <summary>The recipe with windows where it has none and should.</summary>
    public static Recipe Of(Recipe recipe)
    {
        var links = recipe.Links;
        for (var i = 0; i < links.Length; i++)
        {
            if (links[i].MaxLag is null && For(recipe, links[i]) is var (longest, why))
                links = links.SetItem(i, links[i] with { MaxLag = links[i].MinLag + longest, Window = WindowKind.Hard, Why = why });
        }

        return links == recipe.Links ? recipe : recipe with { Links = links };
    }

    private static (Duration Longest, string Why)? For(Recipe recipe, Link link)
    {
        var (from, to) = (StepOf(recipe, link.From), StepOf(recipe, link.To));
        if (from is null || to is null)
            return null;
        if (from is { Kind: StepKind.Proof, Oven: null } && IsBake(to))
            return (Proofed, "a proofed dough falls when it waits");
        if (recipe.Kind is not (RecipeKind.QuickLoaf or RecipeKind.LayerCake or RecipeKind.RingCake or RecipeKind.Muffins))
            return null;
        var isLast = IsBake(to) && from.IsHandsOn && (from.Kind == StepKind.Mix || OfBatter().IsMatch($"{from.Title} {from.Instruction}"));
        var isFilled =
            from.Kind == StepKind.Mix && to.IsHandsOn && OfBatter().IsMatch($"{to.Title} {to.Instruction}") && IsBeforeBake(recipe, to);
        return isLast || isFilled ? (Batter, "a leavened batter loses its lift when it waits") : null;
    }

    private static Step? StepOf(Recipe recipe, string key) => recipe.Steps.FirstOrDefault(s => s.Key == key);

    private static bool IsBake(Step step) => step is { Kind: StepKind.Bake, Oven.State: OvenState.Bake };

    private static bool IsBeforeBake(Recipe recipe, Step step) =>
        recipe.Links.Any(l => l.From == step.Key && StepOf(recipe, l.To) is { } next && IsBake(next));

    [GeneratedRegex(@"\b(?:batter|fill|pour|divide|scrape)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OfBatter();
}
