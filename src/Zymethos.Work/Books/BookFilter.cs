using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Work.Books;

/// <summary>What somebody looks for in the Book. Everything empty finds everything.</summary>
public sealed class BookFilter
{
    /// <summary>Words in name, summary or ingredients.</summary>
    public string? Q { get; set; }

    /// <summary>Kind of bake.</summary>
    public string? Kind { get; set; }

    /// <summary>"low" below 165 °C, "middle", "high" from 185 °C.</summary>
    public string? Heat { get; set; }

    /// <summary>Days it must keep outside the freezer, or "freezer".</summary>
    public string? Keeps { get; set; }

    /// <summary>A diet it must suit as it stands.</summary>
    public string? Diet { get; set; }

    /// <summary>Whether anything is asked for.</summary>
    public bool IsAny => new[] { Q, Kind, Heat, Keeps, Diet }.Any(t => !string.IsNullOrWhiteSpace(t));

    /// <summary>Whether a recipe is what is looked for.</summary>
    public bool Finds(Recipe recipe, IngredientKnowledge knowledge) =>
        FindsWords(recipe)
        && FindsKind(recipe)
        && FindsHeat(recipe)
        && FindsKeeping(recipe)
        && (
            !Enum.TryParse<Diet>(Diet, ignoreCase: true, out var diet)
            || Diets.Stand(AllergenStatement.Of(recipe, knowledge), diet) == DietStand.Suits
        );

    /// <summary>Whether every word that is looked for stands in its name, summary or ingredients.</summary>
    public bool FindsWords(Recipe recipe)
    {
        foreach (var word in (Q ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(10))
        {
            if (
                !recipe.Name.Contains(word, StringComparison.OrdinalIgnoreCase)
                && !recipe.Summary.Contains(word, StringComparison.OrdinalIgnoreCase)
                && !recipe.Parts.Any(p => p.Lines.Any(l => l.Ingredient.Contains(word, StringComparison.OrdinalIgnoreCase)))
            )
                return false;
        }

        return true;
    }

    private bool FindsKind(Recipe recipe) => !Enum.TryParse<RecipeKind>(Kind, ignoreCase: true, out var kind) || recipe.Kind == kind;

    private bool FindsHeat(Recipe recipe)
    {
        var heats = ChosenRecipe
            .Of(recipe)
            .Steps.Where(s => s.Oven is { State: OvenState.Bake })
            .Select(s => s.Oven!.SetTemperature.Celsius)
            .ToList();
        return Heat switch
        {
            "low" => heats.Exists(h => h < 165),
            "middle" => heats.Exists(h => h is >= 165 and < 185),
            "high" => heats.Exists(h => h >= 185),
            _ => true,
        };
    }

    private bool FindsKeeping(Recipe recipe) =>
        Keeps switch
        {
            "freezer" => recipe.Keeping.Any(k => k.Store == KeepingStore.Freezer && k.Part.Length == 0),
            _ when int.TryParse(Keeps, out var days) => recipe.Keeping.Any(k =>
                k.Store != KeepingStore.Freezer && k.Part.Length == 0 && k.Days >= days
            ),
            _ => true,
        };
}
