using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>
/// Food that needs time and temperature control for safety (TCS), told by what is in it and not by what the method calls it: cream,
/// custard, curd, soft cheese and egg in fillings and icings, custards and cheesecakes that were baked (FDA Food Code 1-201.10, from
/// memory).
/// </summary>
public static partial class ColdFood
{
    /// <summary>Hours such food may stand out of the cold in all (USDA FSIS two-hour rule, from memory).</summary>
    public const int HoursOut = 2;

    private static readonly HashSet<string> Creams = new(StringComparer.Ordinal)
    {
        "cream",
        "double cream",
        "light cream",
        "half-and-half",
        "sour cream",
        "crème fraîche",
        "mascarpone",
        "ricotta",
        "cream cheese",
        "cottage cheese",
        "quark",
        "clotted cream",
        "custard",
        "pastry cream",
        "lemon curd",
        "eggnog",
        "tofu",
        "yogurt",
        "greek yogurt",
    };

    private static readonly HashSet<string> Eggs = new(StringComparer.Ordinal) { "egg", "egg yolk", "egg white" };
    private static readonly HashSet<string> Meats = new(StringComparer.Ordinal) { "pork", "beef", "chicken", "sausage meat", "bacon" };
    private static readonly HashSet<string> Liquids = new(StringComparer.Ordinal)
    {
        "milk",
        "semi-skimmed milk",
        "evaporated milk",
        "condensed milk",
        "buttermilk",
        "pumpkin",
        "coconut milk",
        "soy milk",
    };

    /// <summary>The parts that make a recipe as it is baked such food, by name; empty when it is none.</summary>
    public static ImmutableArray<string> PartsOf(Recipe recipe, IngredientKnowledge knowledge)
    {
        var baked = RecipeFacts.AsBaked(recipe, knowledge);
        return [.. baked.Parts.Where(p => IsCold(baked, p, knowledge)).Select(p => p.Name)];
    }

    /// <summary>Whether a recipe as it is baked is such food.</summary>
    public static bool Is(Recipe recipe, IngredientKnowledge knowledge) =>
        recipe.Steps.Any(s => s.Cautions.Contains(CautionKind.TimeAndTemperature) && s.Kind is not StepKind.Rest)
        || !PartsOf(recipe, knowledge).IsEmpty;

    private static bool IsCold(Recipe recipe, Part part, IngredientKnowledge knowledge)
    {
        var lines = part
            .Lines.Where(l => !l.IsAside)
            .Select(l => (Is: NameOf(l.Ingredient, knowledge), Grams: l.Weight?.Grams ?? 0))
            .ToList();
        var cream = lines.Where(l => Creams.Contains(l.Is) || l.Is == Unnamed).ToList();
        var egg = lines.Exists(l => Eggs.Contains(l.Is));
        var bakes = recipe.Steps.Any(s => s.Kind == StepKind.Bake);
        // Cooked meat stays cold or hot until it is eaten.
        if (lines.Exists(l => Meats.Contains(l.Is)))
            return true;
        if (part.Kind is PartKind.Filling or PartKind.Icing or PartKind.Topping or PartKind.Glaze or PartKind.Syrup || !bakes)
        {
            var poured = lines.Where(l => Liquids.Contains(l.Is)).Sum(l => l.Grams);
            // Milk thickened with starch is a custard too; sugar holds the little that goes into an icing (common practice, no source).
            var isCustard = poured >= 100 && poured > lines.Where(l => l.Is.EndsWith("sugar", StringComparison.Ordinal)).Sum(l => l.Grams);
            return cream.Count > 0 || isCustard || (egg && (!bakes || part.Kind is PartKind.Filling or PartKind.Icing));
        }

        // Cream whipped and put on after the bake stands in the list of the cake itself.
        if (
            cream.Exists(c => c.Is is "cream" or "double cream")
            && recipe.Steps.Any(s => s.Kind is StepKind.Work or StepKind.Mix && Whips(s))
        )
            return true;
        // A custard or a cheesecake sets by egg and has next to no flour.
        var flour = part.Lines.Sum(l =>
            knowledge.Meant(l.Ingredient) is { IsFlour: true } || l.Ingredient.Contains("oats", StringComparison.OrdinalIgnoreCase)
                ? l.Weight?.Grams ?? 0
                : 0
        );
        var wet = cream.Sum(c => c.Grams) + lines.Where(l => Liquids.Contains(l.Is)).Sum(l => l.Grams);
        return egg && wet > 0 && flour < 0.15 * wet;
    }

    // What the shipped table does not hold, the kitchen's own ingredients among it, is judged by its words: "goat curd" is no less cold for
    // being unknown.
    private const string Unnamed = "cream by its name";

    private static string NameOf(string ingredient, IngredientKnowledge knowledge)
    {
        var meant = knowledge.Meant(ingredient);
        if (meant is not null && !knowledge.IsOwn(meant))
            return meant.Name;
        return ColdWords().IsMatch($"{ingredient} {meant?.Name}")
            ? Unnamed
            : IngredientKnowledge.Shipped.Meant(ingredient)?.Name ?? meant?.Name ?? "";
    }

    [GeneratedRegex(
        @"(?<!\b(?:ice|butter) )\b(?:cream(?! of tartar| crackers?| liqueur| sherry| soda)|custard(?! powder)|curd|mascarpone|ricotta|"
            + @"quark|skyr|yogh?urt|fromage frais|cr[eè]me fra[iî]che|soft cheese|curd cheese|goat'?s? cheese)\b",
        RegexOptions.IgnoreCase,
        200
    )]
    private static partial Regex ColdWords();

    private static bool Whips(Step step)
    {
        var words = $"{step.Title} {step.Instruction}";
        return words.Contains("whip", StringComparison.OrdinalIgnoreCase) && words.Contains("cream", StringComparison.OrdinalIgnoreCase);
    }
}
