using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>
/// What is worth a question in a recipe that can be planned: it breaks no rule, and a strict baker would still ask before relying on it.
/// Worked out anew from the recipe as it stands, after reading, editing and import alike; it is never stored.
/// </summary>
public static class RecipeAsks
{
    /// <summary>Longest work by hand in one step that is believed without asking, in minutes (common practice, no source).</summary>
    public const int LongestHands = 30;

    /// <summary>Batter that runs over without being asked about, in millilitres: a small cake or two.</summary>
    public const double Overflow = 150;

    // Square centimetres of tray that a piece takes at the least (common practice, no source).
    private static double LeastArea(RecipeKind kind) =>
        kind switch
        {
            RecipeKind.Cookies => 30,
            RecipeKind.RolledCookies => 20,
            RecipeKind.Buns => 45,
            RecipeKind.TwiceBaked => 14,
            _ => 0,
        };

    /// <summary>The questions, the most harmful first; empty when there is nothing to ask. Those that reading left open are the recipe's
    /// own and not among them.</summary>
    public static IReadOnlyList<OpenQuestion> Of(Recipe recipe)
    {
        var chosen = ChosenRecipe.Of(recipe);
        return [.. Pan(chosen).Concat(Trays(chosen)).Concat(chosen.Steps.SelectMany(s => Step(chosen, s))).OrderBy(q => q.About)];
    }

    private static IEnumerable<OpenQuestion> Pan(Recipe recipe)
    {
        if (RecipeFacts.OwnPan(recipe) is not { } own || RecipeFacts.Dough(recipe) is not { Grams: > 0 } batter)
            yield break;
        if (PanFit.Of(batter, recipe.Kind, own.Pan, own.Count) is { } fit && fit.Surplus.Millilitres > Overflow)
            yield return new OpenQuestion(QuestionAbout.Pan, PanTooSmall(own.Pan, own.Count, fit.Surplus.Millilitres));
    }

    /// <summary>The question about a pan that cannot hold its batter.</summary>
    public static string PanTooSmall(Pan pan, int count, double millilitres) =>
        $"The batter does not fit into {(count > 1 ? $"{count} × " : "")}{pan.Name}: about {millilitres:0} mL are too much. Is it the "
        + "pan that is meant, and that many?";

    private static IEnumerable<OpenQuestion> Trays(Recipe recipe)
    {
        var each = LeastArea(recipe.Kind);
        foreach (
            var bake in recipe.Steps.Where(s => s is { Kind: StepKind.Bake, Oven: { State: OvenState.Bake, Pan.Shape: PanShape.Tray } })
        )
        {
            var pan = bake.Oven!.Pan;
            var room = pan.Length.Millimetres * pan.Width.Millimetres / 100 * bake.Oven.Pans * bake.Times;
            if (each > 0 && recipe.Yield.Pieces > 1 && recipe.Yield.Pieces * each > room)
                yield return new OpenQuestion(
                    QuestionAbout.Pan,
                    $"“{bake.Title}”: {recipe.Yield.Pieces} {recipe.Yield.PieceName} do not fit on "
                        + $"{(bake.Oven.Pans * bake.Times == 1 ? "one tray" : $"{bake.Oven.Pans * bake.Times} trays")}. How many trays, "
                        + "one after another?"
                );
        }
    }

    private static IEnumerable<OpenQuestion> Step(Recipe recipe, Step step)
    {
        var minutes = step.Takes.Likely.TotalMinutes;
        var after = recipe.Links.Where(l => l.From == step.Key).ToList();
        if (step.IsHandsOn && minutes > LongestHands)
            yield return new OpenQuestion(
                QuestionAbout.Time,
                $"“{step.Title}” keeps somebody's hands for {minutes:0} min. Is it work all the while, or a wait in between?"
            );
        if (step.Kind is StepKind.BulkRise or StepKind.Proof && after.Count > 0 && after.TrueForAll(l => l.MaxLag is null))
            yield return new OpenQuestion(
                QuestionAbout.Time,
                $"“{step.Title}”: how long may the dough stand once it has risen? Nothing says when it has gone too far."
            );
        foreach (
            var link in after.Where(l =>
                step.Kind == StepKind.Bake
                && l is { MaxLag: { } most, Window: WindowKind.Hard }
                && l.Why.Contains("hot", StringComparison.OrdinalIgnoreCase)
                && most > step.Takes.Likely
            )
        )
            yield return new OpenQuestion(
                QuestionAbout.Time,
                $"“{recipe.Steps.First(s => s.Key == link.To).Title}” may come {link.MaxLag!.Value.TotalMinutes:0} min after "
                    + $"“{step.Title}”, and it is said to be hot then. Is it still?"
            );
    }
}
