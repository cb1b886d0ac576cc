using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;
using static Zymethos.Interchange.Tests.Texts.Pasted;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Work that a recipe only offers is a choice: done or left out with what is made for it, its lines and its allergens.</summary>
public sealed class OfferedStepsTests
{
    private static Recipe Biscuits(string end, string lines = "")
    {
        var draft = RecipeText.Read(
            $"Ginger stars\nMakes 30\n\n300 g plain flour\n150 g butter\n150 g caster sugar\n1 egg\n{lines}\nMethod\nBeat the butter "
                + "and sugar, then the egg. Work in the flour. Roll out and cut 30 stars. Bake on two trays at 180 C for 12 minutes. "
                + $"Cool on a rack. {end}",
            IngredientKnowledge.Shipped,
            Pans
        );
        var recipe = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe;
        Assert.DoesNotContain(
            RecipeCheck.Find(recipe),
            f => f.Path.Contains("choices", StringComparison.Ordinal) || f.Path.Contains("when", StringComparison.Ordinal)
        );
        return recipe;
    }

    private static Recipe Without(Recipe recipe) => ChosenRecipe.Of(ChosenRecipe.Choose(recipe, recipe.Choices.Single().Key, "no"));

    [Theory]
    [InlineData("If you like, dip the tips in melted chocolate.")]
    [InlineData("If you'd like, spread with the chocolate and leave to set for an hour.")]
    [InlineData("Optional: drizzle the stars with chocolate.")]
    [InlineData("Drizzle with the melted chocolate if you like.")]
    [InlineData("Dip the tips in chocolate (optional).")]
    [InlineData("Optionally, brush the stars with melted chocolate.")]
    public void What_is_offered_is_done_and_may_be_left_out(string offer)
    {
        var recipe = Biscuits(offer);
        var choice = Assert.Single(recipe.Choices);
        Assert.Equal("yes", choice.Chosen);
        Assert.EndsWith("?", choice.Question, StringComparison.Ordinal);
        Assert.DoesNotContain("if you", choice.Question, StringComparison.Ordinal);
        Assert.DoesNotContain("optional", choice.Question, StringComparison.OrdinalIgnoreCase);
        var all = ChosenRecipe.Of(recipe).Steps;
        var few = Without(recipe).Steps;
        Assert.True(few.Length < all.Length);
        Assert.Contains(all, s => s.IsHandsOn && s.Instruction.Contains("chocolate", StringComparison.OrdinalIgnoreCase));
        Assert.DoesNotContain(few, s => s.Instruction.Contains("chocolate", StringComparison.OrdinalIgnoreCase));
        Assert.Equal(few.Length, few.Count(s => recipe.Steps.Contains(s)));
    }

    [Theory]
    [InlineData("Some people press a pattern into them.")]
    [InlineData("Some bakers like to dust the stars with icing sugar.")]
    public void What_only_others_do_is_left_out_until_somebody_wants_it(string offer)
    {
        var recipe = Biscuits(offer);
        Assert.Equal("no", Assert.Single(recipe.Choices).Chosen);
        Assert.True(ChosenRecipe.Of(recipe).Steps.Length < recipe.Steps.Length);
    }

    // Nothing that may hurt somebody is called absent before it was chosen to leave it out.
    [Theory]
    [InlineData("Some people brush them with rum.")]
    [InlineData("Some people dip the tips in peanut butter.")]
    [InlineData("Some bakers like to roll the edges in chopped hazelnuts.")]
    public void What_brings_an_allergen_or_spirit_is_in_it_until_it_is_left_out(string offer)
    {
        var recipe = Biscuits(offer);
        Assert.Equal("yes", Assert.Single(recipe.Choices).Chosen);
        var statement = AllergenStatement.Of(recipe, IngredientKnowledge.Shipped);
        Assert.True(
            offer.Contains("rum", StringComparison.Ordinal)
                || statement.MayContain(Allergen.Peanut)
                || statement.MayContain(Allergen.TreeNut)
                || statement.Contains.Contains(Allergen.Peanut)
                || statement.Contains.Contains(Allergen.TreeNut)
        );
    }

    [Theory]
    [InlineData("Make the crumble: rub everything together. Strew the crumble over. If you like, scatter a few almonds on top.")]
    [InlineData("Mix all the ingredients of the topping and spread over. If you like, press an almond on each.")]
    public void Lines_of_a_part_that_other_work_uses_are_never_left_out_with_an_offer(string end)
    {
        var recipe = Biscuits(end, "\nCrumble\n50 g almonds\n50 g oats\n");
        Assert.Contains(Allergen.TreeNut, AllergenStatement.Of(Without(recipe), IngredientKnowledge.Shipped).Contains);
    }

    [Theory]
    [InlineData("walnut halves")]
    [InlineData("pecan halves")]
    public void Halves_of_nuts_in_a_field_are_nuts(string ingredient)
    {
        var recipe = Biscuits("Cool.");
        var line = recipe.Parts[0].Lines[0] with { Ingredient = ingredient, Written = "" };
        Assert.Contains(
            Allergen.TreeNut,
            AllergenStatement.Of(recipe with { Parts = [recipe.Parts[0] with { Lines = [line] }] }, IngredientKnowledge.Shipped).Contains
        );
    }

    [Theory]
    [InlineData("If you like a darker star, bake a little longer.")]
    [InlineData("You can freeze the dough.")]
    [InlineData("Some people use lard instead.")]
    [InlineData("Add a pinch of salt to taste.")]
    public void What_is_no_work_of_its_own_is_no_choice(string remark) => Assert.Empty(Biscuits(remark).Choices);

    [Fact]
    public void Its_line_and_its_allergen_go_with_it()
    {
        var recipe = Biscuits("Press a whole almond on each star if you like.", "30 whole almonds (optional)\n");
        Assert.Contains(Allergen.TreeNut, AllergenStatement.Of(recipe, IngredientKnowledge.Shipped).Contains);
        Assert.DoesNotContain(Allergen.TreeNut, AllergenStatement.Of(Without(recipe), IngredientKnowledge.Shipped).Contains);
    }

    [Fact]
    public void A_line_that_other_work_uses_too_stays()
    {
        var recipe = Biscuits("If you like, brush the stars with melted butter.");
        Assert.Contains(Without(recipe).Parts.SelectMany(p => p.Lines), l => l.Ingredient == "butter");
    }

    [Fact]
    public void Icing_that_is_made_for_it_alone_is_left_out_too()
    {
        var recipe = Biscuits(
            "For the icing, stir the icing sugar with the lemon juice. If you like, spread the icing over the cold stars.",
            "\nIcing\n150 g icing sugar\n2 tbsp lemon juice\n"
        );
        var plain = Without(recipe);
        Assert.DoesNotContain(plain.Steps, s => s.Instruction.Contains("lemon juice", StringComparison.OrdinalIgnoreCase));
        Assert.DoesNotContain(
            plain.Parts.SelectMany(p => p.Lines),
            l => l.Ingredient.Contains("lemon", StringComparison.OrdinalIgnoreCase)
        );
        Assert.Contains(
            ChosenRecipe.Of(recipe).Parts.SelectMany(p => p.Lines),
            l => l.Ingredient.Contains("lemon", StringComparison.OrdinalIgnoreCase)
        );
    }

    [Fact]
    public void What_was_kept_after_it_is_kept_when_all_is_done()
    {
        var recipe = Biscuits("Dip the tips in chocolate if you like.");
        var offered = recipe.Steps.First(s => s.When is not null);
        var kept = recipe with
        {
            Keeping =
            [
                new KeepingPlace("counter", 5) { After = offered.Key },
                new KeepingPlace("freezer", 30) { After = recipe.Steps.First(s => s.Kind == StepKind.Bake).Key },
            ],
        };
        Assert.Equal("", Without(kept).Keeping[0].After);
        Assert.Equal(kept.Keeping[1], Without(kept).Keeping[1]);
        Assert.Equal<KeepingPlace>(kept.Keeping.ToArray(), ChosenRecipe.Of(kept).Keeping.ToArray());
    }

    [Fact]
    public void What_came_before_it_is_followed_by_what_came_after()
    {
        var draft = RecipeText.Read(
            "Seed rolls\nMakes 8\n\n500 g bread flour\n300 g water\n7 g instant yeast\n10 g salt\n2 tbsp poppy seeds "
                + "(optional)\n\nMix and knead for 10 minutes. Leave to rise for 1 hour. Shape into 8 rolls on a tray. Prove for 40 "
                + "minutes. Sprinkle with the poppy seeds if you like. Bake at 220 C for 18 minutes.",
            IngredientKnowledge.Shipped,
            Pans
        );
        var plain = Without(DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe);
        var bake = plain.Steps.Single(s => s.Kind == StepKind.Bake);
        var proof = plain.Steps.Single(s => s.Kind == StepKind.Proof);
        var link = Assert.Single(plain.Links, l => l.To == bake.Key);
        Assert.Equal(proof.Key, link.From);
        Assert.NotNull(link.MaxLag);
        Assert.DoesNotContain(plain.Parts.SelectMany(p => p.Lines), l => l.Ingredient.Contains("poppy", StringComparison.Ordinal));
    }
}
