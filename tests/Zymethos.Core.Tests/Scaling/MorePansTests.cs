using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>Several of one recipe: more pans as its writer fills them, not fuller ones; tins of cups part filled; swaps and heights in
/// words that hold.</summary>
public sealed class MorePansTests
{
    private static readonly Pan Muffins = PanCupboard.Ordinary.First(p => p.Pan is { Shape: PanShape.Muffin, Cups: 12 }).Pan;
    private static readonly Pan Loaf = PanCupboard.Ordinary.First(p => p.Pan.Shape == PanShape.Loaf).Pan;

    private static Recipe Of(string kind, string pieces, string name, Pan pan, params string[] lines) =>
        DraftReader
            .Read(
                new RecipeDraft
                {
                    Name = "Try",
                    Kind = kind,
                    Pieces = pieces,
                    PieceName = name,
                    Parts =
                    [
                        new PartDraft
                        {
                            Name = "Batter",
                            Kind = "batter",
                            Lines = string.Join('\n', lines),
                        },
                    ],
                    Steps =
                    [
                        new StepDraft
                        {
                            Title = "Mix",
                            Kind = "mix",
                            Takes = "8 min",
                        },
                        new StepDraft
                        {
                            Title = "Bake",
                            Kind = "bake",
                            Takes = "20 min",
                            Oven = "190 C",
                            Pan = pan.Name,
                        },
                    ],
                    Links = [new LinkDraft { From = "mix", To = "bake" }],
                },
                IngredientKnowledge.Shipped,
                PanCupboard.Ordinary.Select(p => p.Pan)
            )
            .Recipe;

    private static Recipe Twelve =>
        Of(
            "muffins",
            "12",
            "muffins",
            Muffins,
            "250 g plain flour",
            "150 g sugar",
            "10 g baking powder",
            "100 g butter",
            "240 g milk",
            "50 g egg"
        );

    [Theory]
    [InlineData(1, 1, 12, "")]
    [InlineData(1.5, 2, 18, "last tin has 6 of its 12 cups")]
    [InlineData(0.5, 1, 6, "has 6 of its 12 cups")]
    [InlineData(2, 2, 24, "")]
    [InlineData(1.25, 2, 15, "last tin has 3 of its 12 cups")]
    public void Muffins_fill_as_many_cups_as_there_are_of_them(double factor, int tins, int cups, string says)
    {
        var fit = PanPlan.For(Twelve, factor)!.Fit;
        Assert.Equal((tins, cups), (fit.Count, fit.Cups));
        if (says.Length > 0)
            Assert.Contains(says, fit.Verdict, StringComparison.Ordinal);
        else
            Assert.DoesNotContain("of its", fit.Verdict, StringComparison.Ordinal);
    }

    [Fact]
    public void A_cup_holds_as_much_at_any_number_of_them()
    {
        var one = PanPlan.For(Twelve, 1)!.Fit;
        foreach (var factor in new[] { 0.25, 0.5, 1.5, 3, 4.75 })
            Assert.Equal(one.Fill, PanPlan.For(Twelve, factor)!.Fit.Fill, 0.02);
    }

    [Theory]
    [InlineData(1, 1)]
    [InlineData(2, 2)]
    [InlineData(3, 3)]
    [InlineData(1.4, 1)]
    [InlineData(2.5, 3)]
    public void A_loaf_that_its_writer_fills_low_is_doubled_into_two_and_not_into_one_fuller(double factor, int pans)
    {
        // 700 g where the pan takes 1.1 kg and more: by the usual fill two of it would go into one pan.
        var low = Of("quickLoaf", "1", "loaves", Loaf, "250 g plain flour", "150 g sugar", "100 g butter", "150 g milk", "50 g egg");
        Assert.Equal(pans, PanPlan.For(low, factor)!.Fit.Count);
    }

    [Fact]
    public void Rounding_down_never_makes_it_run_over()
    {
        var full = Of("quickLoaf", "1", "loaves", Loaf, "400 g plain flour", "260 g sugar", "200 g butter", "250 g milk", "150 g egg");
        for (var factor = 1.0; factor <= 4; factor += 0.1)
            Assert.True(
                PanPlan.For(full, factor)!.Fit.Surplus.Millilitres < 1 || PanPlan.For(full, 1)!.Fit.Surplus.Millilitres >= 1,
                $"{factor:0.0}"
            );
    }

    [Theory]
    [InlineData("flaxseed", "tbsp")]
    [InlineData("water", "tbsp")]
    public void A_swap_is_told_in_a_spoon_that_exists(string ingredient, string unit)
    {
        var swapped = RecipeFacts.AsBaked(Twelve with { Swaps = [new Swap("flax-for-egg", "egg")] }, IngredientKnowledge.Shipped);
        var line = swapped.Parts[0].Lines.Single(l => l.Ingredient == ingredient);
        Assert.EndsWith(unit, line.Amount!.ToText(), StringComparison.Ordinal);
        // A tablespoon of ground seed and three of water to an egg (common practice, no source).
        Assert.Equal(ingredient == "flaxseed" ? 1 : 3, line.Amount.Low, 0.01);
    }

    [Fact]
    public void Cookies_are_told_to_go_ahead_and_cakes_by_the_table()
    {
        var cookies = Of("cookies", "24", "cookies", Muffins, "250 g plain flour", "150 g sugar", "5 g baking soda", "100 g butter");
        Assert.Contains(
            "as they are",
            Assert.Single(Elevation.Changes(ScaledRecipe.ByMultiple(cookies, 1), IngredientKnowledge.Shipped, 1800)).Words,
            StringComparison.Ordinal
        );
        var cake = Of(
            "layerCake",
            "1",
            "cake",
            Loaf,
            "250 g plain flour",
            "150 g sugar",
            "10 g baking powder",
            "240 g almond milk",
            "80 g vegetable oil"
        );
        Assert.Contains(
            Elevation.Changes(ScaledRecipe.ByMultiple(cake, 1), IngredientKnowledge.Shipped, 1800),
            c => c.Words.StartsWith("almond milk", StringComparison.Ordinal)
        );
    }
}
