using Zymethos.Core.Heat;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>Measures as a baker reads them off the sheet: such as exist in a drawer, and nothing that contradicts what stands beside
/// it.</summary>
public sealed class ShownMeasureTests
{
    private static Recipe With(params string[] lines) =>
        DraftReader
            .Read(
                new RecipeDraft
                {
                    Name = "Try",
                    Pieces = "1",
                    PieceName = "loaves",
                    Parts =
                    [
                        new PartDraft
                        {
                            Name = "Dough",
                            Kind = "dough",
                            Lines = string.Join('\n', lines),
                        },
                    ],
                },
                IngredientKnowledge.Shipped,
                []
            )
            .Recipe;

    private static ScaledLine Scaled(string line, double factor) => ScaledRecipe.ByMultiple(With(line), factor).Parts[0].Lines[0];

    // A US cup is 236.588 mL, a tablespoon 14.787 mL, a teaspoon 4.929 mL (NIST Handbook 44, appendix C: 1 cup = 16 tbsp = 48 tsp).
    [Theory]
    [InlineData(236.588 + 4.929, "1 cup + 1 tsp")]
    [InlineData(118.294 + 9.858, "½ cup + 2 tsp")]
    [InlineData(14.787 + 4.929, "1 tbsp + 1 tsp")]
    [InlineData(29.574 + 12.322, "2 tbsp + 2 ½ tsp")]
    public void Cups_and_tablespoons_take_teaspoons_beside_them(double millilitres, string expected)
    {
        var measure = SpoonsAndCups.For(Volume.FromMillilitres(millilitres))!;
        Assert.InRange(Math.Abs(measure.ErrorPercent), 0, 2);
        Assert.Equal(expected, measure.Text);
    }

    [Fact]
    public void No_measure_asks_for_what_no_drawer_holds()
    {
        for (var millilitres = 0.6; millilitres < 1500; millilitres *= 1.013)
        {
            var text = SpoonsAndCups.For(Volume.FromMillilitres(millilitres))!.Text;
            // Whole tablespoons beside teaspoons, and never three teaspoons, which are one.
            Assert.DoesNotMatch(@"[½¼¾⅓⅔⅛] tbsp \+", text);
            Assert.DoesNotMatch(@"\b[3-9](?: [½¼¾])? tsp", text);
            Assert.DoesNotMatch(@"\d\.\d", text);
        }
    }

    [Theory]
    [InlineData("1/4 to 1/2 cup milk", 0.2)]
    [InlineData("2 to 3 tbsp water", 0.5)]
    [InlineData("1 to 2 tsp lemon juice", 3)]
    public void A_range_at_a_scale_is_two_measures_that_exist(string line, double factor) =>
        Assert.DoesNotMatch(@"\d\.\d", Scaled(line, factor).Measure);

    [Theory]
    [InlineData("1 egg yolk", 2.5, "43")]
    [InlineData("3 egg whites", 0.5, "50")]
    public void Parts_of_yolks_and_whites_are_weighed(string line, double factor, string grams)
    {
        var measure = Scaled(line, factor).Measure;
        Assert.StartsWith("beat and weigh", measure, StringComparison.Ordinal);
        Assert.Contains(grams, measure, StringComparison.Ordinal);
    }

    [Fact]
    public void Whole_yolks_stay_yolks() => Assert.DoesNotContain("weigh", Scaled("2 egg yolks", 1.5).Measure, StringComparison.Ordinal);

    [Theory]
    [InlineData("juice of 2 oranges", 3, "for one batch")]
    [InlineData("of one orange", 0.5, "for one batch")]
    [InlineData("juice of 2 oranges", 1, "")]
    [InlineData("in 2 cm pieces", 3, "")]
    public void A_count_in_a_note_is_told_to_be_that_of_one_batch(string said, double factor, string says)
    {
        var note = LineNote.Of(new IngredientLine(null, null, "orange juice", "", said, false), factor);
        if (says.Length > 0)
            Assert.Contains(says, note, StringComparison.Ordinal);
        else
            Assert.DoesNotContain("batch", note, StringComparison.Ordinal);
    }

    [Fact]
    public void What_the_form_says_is_not_said_again()
    {
        Assert.Equal("", LineNote.Of(new IngredientLine(null, null, "carrot", "grated", "grated", false), 1));
        Assert.Equal("", LineNote.Of(new IngredientLine(null, null, "apple", "peeled, sliced", "peeled and sliced", false), 1));
        Assert.Equal("for the top", LineNote.Of(new IngredientLine(null, null, "almonds", "flaked", "flaked; for the top", false), 1));
    }

    [Fact]
    public void Bake_times_carried_over_are_told_in_fives()
    {
        var own = new Pan("loaf pan", Length.FromMillimetres(230), Length.FromMillimetres(130))
        {
            Shape = PanShape.Loaf,
            Depth = Length.FromMillimetres(70),
        };
        var small = new Pan("small loaf pan", Length.FromMillimetres(150), Length.FromMillimetres(80))
        {
            Shape = PanShape.Loaf,
            Depth = Length.FromMillimetres(60),
        };
        var time = BakeTime.In(
            PanFit.Of(Mass.FromGrams(900), RecipeKind.QuickLoaf, own, 1)!,
            DurationEstimate.Minutes(55, 62, 70),
            PanFit.Of(Mass.FromGrams(330), RecipeKind.QuickLoaf, small, 1)!,
            Temperature.FromCelsius(175)
        );
        Assert.Equal(0, time.LowMinutes % 5);
        Assert.Equal(0, time.HighMinutes % 5);
        Assert.InRange(time.LikelyMinutes, time.LowMinutes, time.HighMinutes);
    }
}
