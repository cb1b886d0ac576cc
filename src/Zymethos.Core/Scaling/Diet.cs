using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>What somebody does not eat.</summary>
public enum Diet
{
    /// <summary>No egg.</summary>
    NoEgg,

    /// <summary>No milk.</summary>
    NoMilk,

    /// <summary>No nuts of any kind, peanuts included.</summary>
    NoNuts,

    /// <summary>No alcohol.</summary>
    NoAlcohol,

    /// <summary>No gluten.</summary>
    NoGluten,

    /// <summary>No honey.</summary>
    NoHoney,

    /// <summary>Nothing from animals.</summary>
    Vegan,
}

/// <summary>What stands between a recipe and a diet, and how far the recipe can go toward it.</summary>
/// <param name="Version">The recipe with choices and swaps that suit the diet as far as there are any.</param>
/// <param name="Taken">What was changed, in words.</param>
/// <param name="Left">Ingredients that still do not suit and for which there is no rule; empty when nothing is known to stand against
/// it.</param>
/// <param name="Open">What is not known, so that nobody can say that it suits; empty when the version certainly suits.</param>
public sealed record DietVersion(Recipe Version, ImmutableArray<string> Taken, ImmutableArray<string> Left, ImmutableArray<NotKnown> Open);

/// <summary>How a recipe stands to a diet.</summary>
public enum DietStand
{
    /// <summary>Every line is known and suits.</summary>
    Suits,

    /// <summary>Nothing is known to stand against it, and something is not known.</summary>
    NotKnown,

    /// <summary>Something in it does not suit.</summary>
    Against,
}

/// <summary>Whether ingredients and recipes suit a diet.</summary>
public static class Diets
{
    /// <summary>A few words ("without egg").</summary>
    public static string Name(Diet diet) =>
        diet switch
        {
            Diet.NoEgg => "without egg",
            Diet.NoMilk => "without milk",
            Diet.NoNuts => "without nuts",
            Diet.NoAlcohol => "without alcohol",
            Diet.NoGluten => "without gluten",
            Diet.NoHoney => "without honey",
            _ => "nothing from animals",
        };

    /// <summary>Whether an ingredient suits.</summary>
    public static bool Suits(Ingredient ingredient, Diet diet) =>
        diet switch
        {
            Diet.NoEgg => !ingredient.Allergens.Contains(Allergen.Egg),
            Diet.NoMilk => !ingredient.Allergens.Contains(Allergen.Milk),
            Diet.NoNuts => !ingredient.Allergens.Contains(Allergen.TreeNut) && !ingredient.Allergens.Contains(Allergen.Peanut),
            Diet.NoAlcohol => !ingredient.Traits.HasFlag(IngredientTraits.Alcohol),
            Diet.NoGluten => !ingredient.Allergens.Contains(Allergen.Gluten) && !ingredient.Allergens.Contains(Allergen.Wheat),
            Diet.NoHoney => !ingredient.Traits.HasFlag(IngredientTraits.Honey),
            _ => (ingredient.Traits & (IngredientTraits.Animal | IngredientTraits.Meat)) == IngredientTraits.None
                && !ingredient.Allergens.Contains(Allergen.Milk)
                && !ingredient.Allergens.Contains(Allergen.Egg),
        };

    /// <summary>Lines of a recipe as it is baked that do not suit; a line that is not understood does not suit either, since nobody
    /// knows.</summary>
    public static ImmutableArray<IngredientLine> Against(Recipe recipe, Diet diet, IngredientKnowledge knowledge) =>
        [.. RecipeFacts.AsBaked(recipe, knowledge).Parts.SelectMany(p => p.Lines).Where(l => !Suits(LineAllergens.Of(l, knowledge), diet))];

    /// <summary>How a recipe stands to a diet: it suits only where every line and every word is known.</summary>
    public static DietStand Stand(AllergenStatement statement, Diet diet)
    {
        if (AllergensOf(diet).Any(statement.Contains.Contains) || (statement.Traits & TraitsOf(diet)) != IngredientTraits.None)
            return DietStand.Against;
        return Open(statement, diet).IsEmpty ? DietStand.Suits : DietStand.NotKnown;
    }

    /// <summary>What is not known of a recipe and matters to a diet.</summary>
    public static ImmutableArray<NotKnown> Open(AllergenStatement statement, Diet diet) =>
        [
            .. statement.Open.Where(o =>
                o.IsAnything || AllergensOf(diet).Any(o.MayBe.Contains) || (o.Traits & TraitsOf(diet)) != IngredientTraits.None
            ),
        ];

    private static bool Suits(LineAllergens line, Diet diet) =>
        !line.Open.Any(o => o.IsAnything)
        && !AllergensOf(diet).Any(line.Contains.Contains)
        && (line.Traits & TraitsOf(diet)) == IngredientTraits.None;

    private static Allergen[] AllergensOf(Diet diet) =>
        diet switch
        {
            Diet.NoEgg => [Allergen.Egg],
            Diet.NoMilk => [Allergen.Milk],
            Diet.NoNuts => [Allergen.TreeNut, Allergen.Peanut],
            Diet.NoGluten => [Allergen.Gluten, Allergen.Wheat],
            Diet.Vegan => [Allergen.Milk, Allergen.Egg, Allergen.Fish, Allergen.Shellfish, Allergen.Mollusc],
            _ => [],
        };

    private static IngredientTraits TraitsOf(Diet diet) =>
        diet switch
        {
            Diet.NoAlcohol => IngredientTraits.Alcohol,
            Diet.NoHoney => IngredientTraits.Honey,
            Diet.Vegan => IngredientTraits.Animal | IngredientTraits.Meat | IngredientTraits.Honey,
            _ => IngredientTraits.None,
        };

    /// <summary>The recipe made to suit: first by its own choices, then by leaving out what is optional, then by rules of
    /// substitution.</summary>
    public static DietVersion VersionFor(Recipe recipe, Diet diet, IngredientKnowledge knowledge)
    {
        var taken = new List<string>();
        foreach (var choice in recipe.Choices)
        {
            var best = choice
                .Options.OrderBy(o => Against(ChosenRecipe.Choose(recipe, choice.Key, o.Key), diet, knowledge).Length)
                .ThenBy(o => o.Key != choice.Chosen)
                .First();
            if (best.Key == choice.Chosen)
                continue;
            recipe = ChosenRecipe.Choose(recipe, choice.Key, best.Key);
            taken.Add($"{choice.Question} {best.Name}.");
        }

        foreach (var line in Against(recipe, diet, knowledge))
        {
            if (line.IsOptional && line.InsteadOf.Length == 0)
            {
                recipe = recipe with { Swaps = recipe.Swaps.Add(new Swap(SubstitutionRule.LeaveOut, line.Ingredient)) };
                taken.Add($"{line.Ingredient}: left out.");
                continue;
            }

            var rule = SwappedRecipe
                .RulesFor(ChosenRecipe.Of(recipe), line, knowledge)
                .FirstOrDefault(r => r.To.All(t => knowledge.Find(t.Ingredient) is { } i && Suits(i, diet)));
            if (rule is null || recipe.Swaps.Any(s => s.Ingredient == line.Ingredient))
                continue;
            recipe = recipe with { Swaps = recipe.Swaps.Add(new Swap(rule.Key, line.Ingredient)) };
            taken.Add($"{line.Ingredient}: {string.Join(" and ", rule.To.Select(t => t.Ingredient))} instead. {rule.Changes}");
        }

        return new DietVersion(
            recipe,
            [.. taken],
            [.. Against(recipe, diet, knowledge).Select(l => l.Ingredient).Distinct()],
            Open(AllergenStatement.Of(recipe, knowledge), diet)
        );
    }
}
