using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>A bake that wants a shelf is read from words, kept in the editor and comes back.</summary>
public sealed class ShelfWordsTests
{
    [Theory]
    [InlineData("Bake at 160 C on the lowest shelf for 3 hours.", ShelfWish.Low)]
    [InlineData("Bake in the lower third of the oven at 350 F for 40 minutes.", ShelfWish.Low)]
    [InlineData("Bake at 180 C on the middle rack for 9 minutes.", ShelfWish.Middle)]
    [InlineData("Bake at 220 C on the top shelf for 12 minutes.", ShelfWish.High)]
    [InlineData("Bake at 180 C for 12 minutes until the top is brown.", ShelfWish.Any)]
    public void Words_about_a_shelf_are_read_and_kept(string method, ShelfWish wish)
    {
        var pans = PanCupboard.Ordinary.Select(s => s.Pan).ToList();
        var draft = RecipeText.Read(
            $"Plain loaf\n\nIngredients\n500 g flour\n2 eggs\n\nMethod\nMix everything for 5 minutes.\n{method}",
            IngredientKnowledge.Shipped,
            pans
        );
        var recipe = DraftReader.Read(draft, IngredientKnowledge.Shipped, pans).Recipe;
        Assert.Equal(wish, recipe.Steps.Single(s => s.Kind == StepKind.Bake).Oven!.Shelf);
        var again = DraftReader.Read(DraftOf.Recipe(recipe), IngredientKnowledge.Shipped, pans, recipe).Recipe;
        Assert.Equal(wish, again.Steps.Single(s => s.Kind == StepKind.Bake).Oven!.Shelf);
    }
}
