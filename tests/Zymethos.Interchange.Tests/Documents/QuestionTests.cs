using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Documents;

/// <summary>What was guessed goes out and comes in with its recipe, and the gravest of it is never cut off.</summary>
public sealed class QuestionTests
{
    private static RecipeDocument With(params QuestionDocument[] questions) => DemoKitchen.Recipes()[0] with { Questions = questions };

    [Fact]
    public void Questions_and_the_dialect_go_out_and_come_in()
    {
        var reader = new DocumentReader();
        var recipe = reader.Read(
            With(new("allergen", "Which nuts?"), new("keeping", "For how long?")) with
            {
                Dialect = "british",
            },
            "recipe"
        );
        Assert.Empty(reader.Faults);
        Assert.Equal(
            [new(QuestionAbout.Allergen, "Which nuts?"), new(QuestionAbout.Keeping, "For how long?")],
            recipe.Questions.AsEnumerable()
        );
        Assert.Equal(Dialect.British, recipe.Dialect);
        var written = DocumentWriter.Write(recipe);
        Assert.Equal("british", written.Dialect);
        Assert.Equal([new("allergen", "Which nuts?"), new("keeping", "For how long?")], written.Questions!);
    }

    [Theory]
    [InlineData("weather", "Which nuts?", "recipe.questions[0].about")]
    [InlineData("allergen", " ", "recipe.questions[0].text")]
    [InlineData("allergen", null, "recipe.questions[0].text")]
    public void A_question_that_makes_no_sense_is_named_at_its_place(string about, string? text, string path)
    {
        var reader = new DocumentReader();
        reader.Read(With(new QuestionDocument(about, text!)), "recipe");
        Assert.Contains(reader.Faults, f => f.Path == path);
    }

    [Fact]
    public void Too_many_or_too_long_is_said()
    {
        var reader = new DocumentReader();
        reader.Read(With([.. Enumerable.Range(0, OpenQuestion.Most + 1).Select(i => new QuestionDocument("time", $"{i}?"))]), "recipe");
        reader.Read(With(new QuestionDocument("time", new string('a', OpenQuestion.Longest + 1))), "recipe");
        Assert.Equal(["recipe.questions", "recipe.questions[0].text"], reader.Faults.Select(f => f.Path));
    }

    [Fact]
    public void Of_many_questions_the_gravest_are_kept_and_a_long_one_is_cut_so_that_the_book_can_read_it()
    {
        var draft = RecipeText.Read(
            "Buns\n\n500 g flour\n300 ml milk\n\nMix. Bake at 200 C for 20 minutes.",
            IngredientKnowledge.Shipped,
            []
        );
        draft.Questions.Clear();
        draft.Questions.AddRange(Enumerable.Range(0, 80).Select(i => QuestionDraft.Of(QuestionAbout.Weight, $"Weight {i}?")));
        draft.Questions.Add(QuestionDraft.Of(QuestionAbout.Allergen, "Which nuts? " + new string('x', 5000)));
        var kept = DraftReader.Read(draft, IngredientKnowledge.Shipped, []).Recipe.Questions;
        Assert.Equal(OpenQuestion.Most, kept.Length);
        Assert.StartsWith("Which nuts?", kept[0].Text, StringComparison.Ordinal);
        Assert.True(kept[0].Text.Length <= OpenQuestion.Longest);
    }
}
