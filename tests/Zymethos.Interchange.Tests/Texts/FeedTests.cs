using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Feeding a cake over weeks: minutes by hand with waits between, never weeks of hands; and what stays in an oven that was turned
/// off.</summary>
public sealed class FeedTests
{
    private static readonly Pan Round = new("round pan 20 cm", Length.FromMillimetres(200), Length.FromMillimetres(200))
    {
        Shape = PanShape.Round,
        Depth = Length.FromMillimetres(80),
    };

    private static (RecipeDraft Draft, Recipe Recipe) Read(string method)
    {
        var draft = RecipeText.Read(
            $"Dark cake\n\n225 g plain flour\n225 g butter\n225 g sugar\n4 eggs\n500 g raisins\n100 ml brandy\n\n{method}",
            IngredientKnowledge.Shipped,
            [Round]
        );
        return (draft, DraftReader.Read(draft, IngredientKnowledge.Shipped, [Round]).Recipe);
    }

    [Theory]
    [InlineData("Feed it with a spoonful of brandy once a week for 6 weeks.", 6, 7)]
    [InlineData("Feed with brandy every week for four weeks.", 4, 7)]
    [InlineData("Brush with brandy every two weeks for 8 weeks.", 4, 14)]
    [InlineData("Spoon over a little brandy every 10 days for 4 weeks.", 2, 10)]
    public void Weeks_of_feeding_are_waits_with_minutes_between(string words, int waits, int days)
    {
        var recipe = Read(
            "Cream butter and sugar, beat in eggs, fold in flour and raisins. Bake at 150 C for 3 hours in a round 20 cm tin. Cool "
                + $"in the tin. {words}"
        ).Recipe;
        var mature = recipe.Steps.Where(s => s.Kind == StepKind.Mature).ToList();
        Assert.Equal(waits, mature.Count);
        Assert.All(mature, m => Assert.Equal(Duration.FromDays(days), m.Takes.Likely));
        var feeds = recipe.Steps.Where(s => s.Title.StartsWith("Feed", StringComparison.Ordinal)).ToList();
        Assert.Equal(waits - 1, feeds.Count);
        Assert.All(feeds, f => Assert.True(f.IsHandsOn && f.Takes.Likely <= Duration.FromMinutes(10)));
        // In a row: nothing is fed before its week is over.
        foreach (var feed in feeds)
            Assert.Contains(recipe.Links, l => l.To == feed.Key && mature.Exists(m => m.Key == l.From));
        Assert.Empty(RecipeCheck.Find(recipe));
    }

    [Theory]
    [InlineData("Feed with 1 tbsp rum once a week for 6 weeks.", 5 * 15)]
    [InlineData("Spoon over 2 tbsp rum every two weeks for 8 weeks.", 6 * 15)]
    [InlineData("Drizzle with 1 tbsp rum.", 15)]
    public void The_spirit_that_is_fed_is_a_line_of_what_it_comes_to_in_all(string words, double millilitres)
    {
        var recipe = Read($"Beat everything. Bake at 150 C for 3 hours in a round 20 cm tin. Cool in the tin. {words}").Recipe;
        var rum = Assert.Single(recipe.Parts.SelectMany(p => p.Lines), l => l.Ingredient.Contains("rum", StringComparison.Ordinal));
        // Rum weighs a little less than water; the table's own value stands in the check of the table.
        Assert.InRange(rum.Weight!.Value.Grams, millilitres * 0.9, millilitres);
    }

    [Fact]
    public void Feeding_that_is_only_offered_may_be_left_out()
    {
        var recipe = Read(
            "Beat everything. Bake at 150 C for 3 hours in a round 20 cm tin. Cool in the tin. Feed weekly with brandy for 4 weeks if "
                + "you like."
        ).Recipe;
        var plain = ChosenRecipe.Of(ChosenRecipe.Choose(recipe, Assert.Single(recipe.Choices).Key, "no"));
        Assert.DoesNotContain(plain.Steps, s => s.Kind == StepKind.Mature || s.Title.StartsWith("Feed", StringComparison.Ordinal));
        Assert.Equal(4, ChosenRecipe.Of(recipe).Steps.Count(s => s.Kind == StepKind.Mature));
    }

    [Fact]
    public void Without_a_number_of_weeks_it_is_asked() =>
        Assert.Contains(
            Read("Bake at 150 C for 3 hours in a round 20 cm tin. Feed weekly with brandy until Christmas.").Draft.Questions,
            q => q.Text.Contains("how many weeks is it fed", StringComparison.Ordinal)
        );

    [Theory]
    [InlineData("Turn the oven off and leave the cake inside for 2 hours.")]
    [InlineData("Switch off the oven. Leave to cool in the oven with the door ajar for 1 hour.")]
    [InlineData("Return to the turned-off oven for 10 minutes to dry out.")]
    public void What_stays_in_the_oven_that_is_off_holds_it(string words)
    {
        var recipe = Read($"Beat everything for 5 minutes. Bake at 150 C for 1 hour in a round 20 cm tin. {words}").Recipe;
        var stays = Assert.Single(recipe.Steps, s => s.Kind == StepKind.Cool && s.Oven is not null);
        Assert.Equal(Round.Name, stays.Oven!.Pan.Name);
        Assert.Equal(0, stays.Hands);
        Assert.Equal(OvenState.Off, stays.Oven.State);
        Assert.Contains(recipe.Links, l => l.To == stays.Key && l.MaxLag == Duration.Zero);
    }

    [Fact]
    public void Cooling_on_a_rack_holds_no_oven() =>
        Assert.DoesNotContain(
            Read("Bake at 150 C for 1 hour. Turn off the oven. Cool on a rack for 1 hour.").Recipe.Steps,
            s => s.Kind == StepKind.Cool && s.Oven is not null && s.Title.Contains("rack", StringComparison.Ordinal)
        );
}
