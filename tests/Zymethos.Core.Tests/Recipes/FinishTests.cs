using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Core.Tests.Recipes;

/// <summary>Parts of a batch that are finished another way: pieces, statements, text and checks.</summary>
public sealed class FinishTests
{
    private static readonly RecipeDraft Crescents = new()
    {
        Name = "Half moons",
        Pieces = "60",
        PieceName = "half moons",
        Finishes = "20 dipped in dark chocolate: dark chocolate\n10 with almonds: almonds",
        Parts =
        [
            new PartDraft
            {
                Name = "Dough",
                Kind = "dough",
                Lines = "280 g plain flour\n200 g butter\n70 g icing sugar",
            },
            new PartDraft
            {
                Name = "To finish",
                Kind = "topping",
                Lines = "100 g dark chocolate\n30 g flaked almonds",
            },
        ],
        Steps =
        [
            new StepDraft
            {
                Title = "Mix",
                Kind = "mix",
                Takes = "10 min",
            },
            new StepDraft
            {
                Title = "Bake",
                Kind = "bake",
                Takes = "12 min",
                Oven = "175 C",
                Pan = "quarter-sheet tray",
            },
        ],
        Links = [new LinkDraft { From = "mix", To = "bake" }],
    };

    private static DraftResult Read(RecipeDraft draft) =>
        DraftReader.Read(
            draft,
            IngredientKnowledge.Shipped,
            [new Pan("quarter-sheet tray", Length.FromMillimetres(330), Length.FromMillimetres(240))]
        );

    private static Recipe Recipe => Read(Crescents).Recipe;

    [Fact]
    public void A_line_of_text_is_a_finish_and_comes_out_the_same()
    {
        var recipe = Recipe;
        Assert.Empty(Read(Crescents).Faults);
        Assert.Equal(
            [new Finish("dipped in dark chocolate", 20, ["dark chocolate"]), new Finish("with almonds", 10, ["almonds"])],
            recipe.Finishes.ToArray()
        );
        Assert.Equal(Crescents.Finishes, FinishText.Say(recipe.Finishes));
        Assert.Equal(Crescents.Finishes, DraftOf.Recipe(recipe).Finishes);
    }

    [Fact]
    public void A_name_with_its_form_is_the_line_that_is_meant() =>
        Assert.Equal("almonds", Read(Crescents with { Finishes = "10 on top: flaked almonds" }).Recipe.Finishes[0].Only.Single());

    [Theory]
    [InlineData("some with almonds", "write how many")]
    [InlineData("0 plain", "write how many")]
    [InlineData("12", "write how many")]
    [InlineData("12 with nuts: cashews", "no line “cashews”")]
    [InlineData("40 plain\n30 dipped", "come to 70 pieces, and a batch gives 60")]
    [InlineData("10 plain\n12 plain", "Two finishes are called “plain”")]
    public void What_cannot_be_is_said(string text, string why)
    {
        var result = Read(Crescents with { Finishes = text });
        var said = string.Join(" ", result.Faults.Select(f => f.Message).Concat(result.Missing));
        Assert.Contains(why, said, StringComparison.Ordinal);
    }

    [Fact]
    public void A_document_keeps_them()
    {
        var again = new DocumentReader().Read(DocumentWriter.Write(Recipe), "recipe");
        Assert.Equal(Recipe.Finishes.ToArray(), again.Finishes.ToArray());
    }

    // Hamilton's largest remainder: 7 pieces in shares of 20, 10 and 30 are 2 1/3, 1 1/6 and 3 1/2.
    [Theory]
    [InlineData(60, "20 dipped in dark chocolate, 10 with almonds, 30 the others")]
    [InlineData(7, "2 dipped in dark chocolate, 1 with almonds, 4 the others")]
    [InlineData(1, "1 the others")]
    [InlineData(150, "50 dipped in dark chocolate, 25 with almonds, 75 the others")]
    [InlineData(0, "")]
    public void A_batch_of_any_size_is_parted_in_the_recipes_shares(int pieces, string words) =>
        Assert.Equal(words, FinishSplit.Words(Recipe, pieces));

    [Fact]
    public void Parts_add_up_whatever_the_size()
    {
        for (var pieces = 0; pieces <= 240; pieces++)
            Assert.Equal(pieces, FinishSplit.Of(Recipe, pieces).Sum(f => f.Pieces));
    }

    [Fact]
    public void Each_finish_has_a_statement_of_its_own_and_its_neighbours_are_never_forgotten()
    {
        var statements = FinishSplit.Statements(Recipe, IngredientKnowledge.Shipped).ToDictionary(s => s.Pieces.Name, s => s.Statement);
        Assert.Contains(Allergen.TreeNut, statements["with almonds"].Contains);
        foreach (var name in new[] { "dipped in dark chocolate", FinishSplit.Others })
        {
            Assert.DoesNotContain(Allergen.TreeNut, statements[name].Contains);
            Assert.True(statements[name].MayContain(Allergen.TreeNut));
            Assert.DoesNotContain(Allergen.TreeNut, statements[name].FreeFrom);
            Assert.Contains(StatementWords.Why(statements[name]), w => w.Contains("made beside", StringComparison.OrdinalIgnoreCase));
        }

        Assert.All(statements.Values, s => Assert.Contains(Allergen.Wheat, s.Contains));
    }

    [Fact]
    public void What_only_some_pieces_get_does_not_go_into_the_pan() => Assert.Equal(550, RecipeFacts.Dough(Recipe).Grams, 0.1);

    [Fact]
    public void A_name_that_also_stands_in_the_dough_means_the_last_line_and_the_dough_stays_in_every_piece()
    {
        var draft = Crescents with
        {
            Finishes = "10 with almonds: almonds",
            Parts =
            [
                new PartDraft
                {
                    Name = "Dough",
                    Kind = "dough",
                    Lines = "280 g plain flour\n100 g almonds, ground\n200 g butter",
                },
                new PartDraft
                {
                    Name = "To finish",
                    Kind = "topping",
                    Lines = "30 g almonds, flaked",
                },
            ],
        };
        var recipe = Read(draft).Recipe;
        Assert.Equal(30, Assert.Single(recipe.Finishes[0].LinesOf(recipe)).Weight!.Value.Grams, 0.1);
        Assert.All(
            FinishSplit.Statements(recipe, IngredientKnowledge.Shipped),
            s => Assert.Contains(Allergen.TreeNut, s.Statement.Contains)
        );
        Assert.Equal(580, RecipeFacts.Dough(recipe).Grams, 0.1);
    }

    [Fact]
    public void A_swap_does_not_change_whose_line_it_is()
    {
        var swapped = RecipeFacts.AsBaked(
            Recipe with
            {
                Finishes = [new Finish("buttered", 10, ["butter"])],
                Swaps = [new Swap(SubstitutionRule.All.First(r => r.From.Contains("butter")).Key, "butter")],
            },
            IngredientKnowledge.Shipped
        );
        Assert.All(swapped.Finishes[0].LinesOf(swapped), l => Assert.Equal("butter", l.InsteadOf));
        Assert.NotEmpty(swapped.Finishes[0].LinesOf(swapped));
    }

    [Theory]
    [InlineData("12", "")]
    [InlineData("12 half moons", "")]
    [InlineData("12 with almonds", "with almonds")]
    [InlineData("12 dipped", "dipped in dark chocolate")]
    [InlineData("14 x 3 with almonds", "with almonds")]
    [InlineData("12 gilded", null)]
    public void Words_behind_a_number_mean_a_finish(string typed, string? finish) =>
        Assert.Equal(finish, NeedsText.FinishIn(typed, Recipe));

    [Fact]
    public void A_name_that_another_begins_with_is_still_itself() =>
        Assert.Equal(
            "with sugar",
            NeedsText.FinishIn(
                "12 with sugar",
                Recipe with
                {
                    Finishes = [new Finish("with sugar", 10, []), new Finish("with sugar and spice", 10, [])],
                }
            )
        );

    [Theory]
    [InlineData("12 with extra sugar", 12, 0)]
    [InlineData("12, mixed", 12, 0)]
    [InlineData("14 x 3 iced", 42, 14)]
    [InlineData("14x3", 42, 14)]
    [InlineData("42 pieces", 42, 0)]
    public void A_number_is_read_whatever_letters_follow(string typed, int pieces, int boxes) =>
        Assert.Equal((pieces, boxes), NeedsText.Pieces(typed));

    [Theory]
    [InlineData("x 3")]
    [InlineData("3 x")]
    [InlineData("0")]
    [InlineData("a dozen")]
    [InlineData("200 x 200")]
    [InlineData("12 5")]
    public void What_is_no_number_of_pieces_is_none(string typed) => Assert.Null(NeedsText.Pieces(typed));

    [Fact]
    public void The_whole_batch_states_all_that_is_in_any_piece() =>
        Assert.Contains(Allergen.TreeNut, AllergenStatement.Of(Recipe, IngredientKnowledge.Shipped).Contains);

    [Fact]
    public void An_unknown_line_of_one_finish_leaves_the_others_open_too()
    {
        var draft = Crescents with
        {
            Finishes = "10 with sparkle: moon sparkle",
            Parts =
            [
                Crescents.Parts[0],
                new PartDraft
                {
                    Name = "To finish",
                    Kind = "topping",
                    Lines = "10 g moon sparkle",
                },
            ],
        };
        var statements = FinishSplit.Statements(Read(draft).Recipe, IngredientKnowledge.Shipped);
        Assert.All(statements, s => Assert.Empty(s.Statement.FreeFrom));
    }

    [Theory]
    [InlineData(
        "Bake 12 min. Roll half of them in icing sugar while hot and dip the rest in dark chocolate.",
        "30 rolled in icing sugar: icing sugar\n30 dipped in dark chocolate: dark chocolate"
    )]
    [InlineData("Top 20 of the cookies with flaked almonds before baking.", "20 with almonds: almonds")]
    [InlineData("Leave a third plain. Drizzle the others with the chocolate.", "20 plain\n40 with dark chocolate: dark chocolate")]
    [InlineData(
        "Cream butter and icing sugar. Bake. Dust half of them with icing sugar and dip the rest in dark chocolate.",
        "30 with icing sugar\n30 dipped in dark chocolate: dark chocolate"
    )]
    [InlineData("Mix. Roll half of them in the remaining almonds.", "30 rolled in almonds")]
    [InlineData("Beat half the butter with half the sugar. Add half of the flour.", "")]
    [InlineData("Dust all of them with icing sugar.", "")]
    [InlineData("Divide the dough in half and roll one half out.", "")]
    public void A_method_tells_of_finishes_or_does_not(string method, string expected)
    {
        var text =
            "Half moons\nMakes 60 cookies\n\n280 g plain flour\n200 g butter\n70 g icing sugar\n100 g dark chocolate\n30 g flaked "
            + $"almonds\n\n{method}";
        Assert.Equal(expected, RecipeText.Read(text, IngredientKnowledge.Shipped, []).Finishes);
    }
}
