using System.Text.Json.Nodes;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Interchange.Tests.Parcels;

/// <summary>Words of labels in other languages: nothing may be missing, least of all the word for an allergen.</summary>
public sealed class LabelWordsTests
{
    [Fact]
    public void Every_shipped_language_is_whole_and_is_read_as_it_is_written()
    {
        Assert.Equal(["en", "de", "es", "fr"], LabelWords.Shipped.Select(w => w.Code));
        foreach (var words in LabelWords.Shipped)
        {
            var (read, wrong) = LabelWords.Read(words.Write());
            Assert.Equal("", wrong);
            Assert.Equal(words.Write(), read!.Write());
            Assert.Equal(
                Enum.GetValues<Allergen>().Length,
                Enum.GetValues<Allergen>().Select(words.Of).Distinct(StringComparer.Ordinal).Count()
            );
        }

        Assert.Equal("24.12.2026", LabelWords.Shipped[1].Day(new LocalDate(2026, 12, 24)));
        Assert.Equal(
            "Enthält Ei, Weizen.",
            LabelWords.Say(LabelWords.Shipped[1].Contains, LabelWords.Shipped[1].All([Allergen.Egg, Allergen.Wheat]))
        );
    }

    [Fact]
    public void English_says_what_every_other_page_says()
    {
        foreach (var allergen in Enum.GetValues<Allergen>())
            Assert.Equal(AllergenNames.Of(allergen), LabelWords.English.Of(allergen));
        var known = IngredientKnowledge.Shipped;
        var said = DemoKitchen
            .Recipes()
            .Select(d => new DocumentReader().Read(d, "recipe"))
            .SelectMany(r => StatementWords.ForWhom(AllergenStatement.Of(r, known)))
            .Distinct()
            .ToList();
        Assert.NotEmpty(said);
        Assert.All(
            said,
            s =>
                Assert.Contains(
                    s,
                    new[] { LabelWords.English.Alcohol, LabelWords.English.Extract, LabelWords.English.Honey, LabelWords.English.RawEgg }
                )
        );
    }

    [Theory]
    [InlineData("allergens", "sesame", "", "“allergens” has no word for “sesame”.")]
    [InlineData(null, "contains", "Enthält Dinge.", "“contains” wants {0}")]
    [InlineData(null, "madeAndThawed", "Gebacken {0}", "“madeAndThawed” wants {1}")]
    [InlineData(null, "honey", "", "“honey” wants 1 to")]
    [InlineData(null, "date", "'", "is not a way to write a date")]
    [InlineData(null, "code", "d", "A language has a code")]
    public void What_is_missing_is_named(string? inside, string name, string value, string said)
    {
        var file = JsonNode.Parse(LabelWords.Shipped[1].Write())!.AsObject();
        (inside is null ? file : file[inside]!.AsObject())[name] = value;
        var (words, wrong) = LabelWords.Read(file.ToJsonString());
        Assert.Null(words);
        Assert.Contains(said, wrong, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{\"code\":\"de\"}")]
    [InlineData("not a file")]
    public void What_is_no_file_of_label_words_is_refused_in_a_sentence(string text)
    {
        var (words, wrong) = LabelWords.Read(text);
        Assert.Null(words);
        Assert.StartsWith("This is not a file of label words", wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void A_place_is_the_recipes_own_in_English_and_the_languages_own_elsewhere()
    {
        var counter = new KeepingPlace("counter, in a cloth", 3);
        Assert.Equal("on the counter, in a cloth", LabelWords.English.Place(counter));
        Assert.Equal("Gut verschlossen bei Zimmertemperatur", LabelWords.Shipped[1].Place(counter));
        Assert.Equal("au réfrigérateur", LabelWords.Shipped[3].Place(new KeepingPlace("refrigerator", 3))[^16..]);
    }
}
