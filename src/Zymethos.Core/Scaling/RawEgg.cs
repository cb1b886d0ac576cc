using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>Whether egg stays raw or nearly raw: in what never sees the oven, or in an icing that goes on after it.</summary>
internal static partial class RawEgg
{
    /// <summary>Whether a recipe as it is baked holds egg that no sentence of its method heats. What boils beside it heats no
    /// egg.</summary>
    public static bool IsIn(Recipe recipe, IngredientKnowledge knowledge)
    {
        var bakes = recipe.Steps.Any(s => s.Kind == StepKind.Bake);
        return recipe.Parts.Any(p =>
                (!bakes || p.Kind is PartKind.Icing)
                && p.Lines.Any(l => knowledge.Meant(l.Ingredient) is { Name: "egg" or "egg white" or "egg yolk" })
            ) && !recipe.Steps.Any(IsHeated);
    }

    private static bool IsHeated(Step step)
    {
        var own = Sentences()
            .Split($"{step.Title}. {step.Instruction}")
            .Concat(step.DoneTests.Select(d => $"{step.Title} {step.Instruction} {d.Text}"));
        return own.Any(s => Egg().IsMatch(s) && Heat().IsMatch(s));
    }

    [GeneratedRegex(@"(?<=[.;!?])\s+", RegexOptions.None, 900)]
    private static partial Regex Sentences();

    [GeneratedRegex(@"\b(?:eggs?|yolks?|whites?|custard|curd|meringue)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Egg();

    // 71 C or 160 F is where egg is safe (USDA FSIS, from memory). "Cook to 160" without C is the Fahrenheit figure; "bake at 160" is no
    // egg's own heat.
    [GeneratedRegex(
        @"\b(?:boil\w*|simmer\w*|thicken\w*|scald\w*|hot syrup|coats? the (?:back of (?:a|the) )?spoon)\b|\b(?:7[1-9]|8\d)\s*°?\s*C\b|"
            + @"\b1[6-8]\d\s*°?\s*F\b|\bto 160\b(?!\s*°?\s*C)",
        RegexOptions.IgnoreCase,
        200
    )]
    private static partial Regex Heat();
}
