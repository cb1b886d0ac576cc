using System.Globalization;
using Zymethos.Core.Measures;
using Zymethos.Planning.Reading;

namespace Zymethos.Core.Tests.Measures;

/// <summary>Figures of the table that were found wrong and put right (Measures/ingredient-audit.csv, which names the source of each and
/// says that it is from memory).</summary>
public sealed class IngredientAuditTests
{
    private static double Grams(string line, Dialect dialect = Dialect.American) =>
        LineReader.Read(line, IngredientKnowledge.Shipped.With(dialect)).Weight!.Value.Grams;

    [Theory]
    [InlineData("1 cup active dry yeast", 150)]
    [InlineData("1 cup brown sugar", 220)]
    [InlineData("1 cup meringue powder", 170)]
    [InlineData("1 cup milk powder", 120)]
    [InlineData("1 cup kosher salt", 135)]
    [InlineData("1 cup espresso powder", 112)]
    [InlineData("1 cup toffee bits", 156)]
    [InlineData("1 cup grated courgette", 150)]
    [InlineData("juice of 1 lime", 44)]
    [InlineData("1 cup spelt flour", 100)]
    [InlineData("1 cup candied peel", 170)]
    [InlineData("1 cup glacé cherries", 200)]
    [InlineData("1 cup candied ginger", 184)]
    [InlineData("1 medjool date", 24)]
    [InlineData("1 can evaporated milk", 378)]
    public void The_table_has_what_the_audit_wants(string line, double grams) => Assert.Equal(grams, Grams(line), 1.0);

    // UK classes 63 to 73 g and 53 to 63 g in the shell, a tenth of it shell (from memory); USDA classes beside them.
    [Theory]
    [InlineData("1 large egg", Dialect.British, 60)]
    [InlineData("1 medium egg", Dialect.British, 51)]
    [InlineData("1 large egg", Dialect.American, 50)]
    [InlineData("1 egg", Dialect.American, 50)]
    [InlineData("1 egg", Dialect.Metric, 51)]
    public void Eggs_are_those_of_where_the_recipe_comes_from(string line, Dialect dialect, double grams) =>
        Assert.Equal(grams, Grams(line, dialect), 0.5);

    // Imperial pint 568.26125 mL, metric cup 250 mL, Australian tablespoon 20 mL (NIST SP 811 and standards, from memory).
    [Theory]
    [InlineData("1 pint water", Dialect.British, 569.3)]
    [InlineData("1 pint water", Dialect.American, 474)]
    [InlineData("1 cup water", Dialect.Australian, 250.4)]
    [InlineData("1 tbsp water", Dialect.Australian, 20.0)]
    [InlineData("1 gill water", Dialect.British, 142.3)]
    public void Pints_cups_and_spoons_are_those_of_where_it_comes_from(string line, Dialect dialect, double grams) =>
        Assert.Equal(grams, Grams(line, dialect), 1.0);

    [Fact]
    public void Kosher_salt_is_asked_and_double_cream_is_fat()
    {
        Assert.Contains(LineReader.Read("1 tsp kosher salt").Doubts, d => d.Contains("Which kosher salt", StringComparison.Ordinal));
        Assert.Equal(48, IngredientTable.Find("double cream")!.Composition.Fat);
        Assert.Equal(36, IngredientTable.Find("heavy cream")!.Composition.Fat);
    }

    [Fact]
    public void Every_row_of_the_audit_is_in_the_table() =>
        Assert.All(
            File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, "Measures", "ingredient-audit.csv"))
                .Skip(1)
                .Where(l => l.Length > 0)
                .Select(l =>
                    l.Split(',')[0]
                        .Split('(')[0]
                        .Replace(" UK", "", StringComparison.Ordinal)
                        .Replace("without shell", "", StringComparison.Ordinal)
                        .Trim()
                ),
            name => Assert.All(name.Split('/'), n => Assert.NotNull(IngredientKnowledge.Shipped.Meant(n.Trim())))
        );

    // Everyday ways of writing an amount, each with what it means.
    [Theory]
    [InlineData("2 T. butter", 28.4)]
    [InlineData("1 lb 4 oz flour", 567)]
    [InlineData("a cup and a half of sugar", 300)]
    [InlineData("three quarters of a pound of butter", 340)]
    [InlineData("two thirds of a cup of milk", 162.7)]
    [InlineData("cinnamon, 2 tsp", 5.2)]
    [InlineData("Flour - 500g", 500)]
    [InlineData("Sugar 1 cup", 200)]
    [InlineData("1,000 g plain flour", 1000)]
    [InlineData("1.000 g plain flour", 1000)]
    [InlineData("1 cup plain flour, sifted", 125)]
    [InlineData("1 cup sifted plain flour", 115)]
    [InlineData("1 knob of butter", 15)]
    [InlineData("1 cube fresh yeast", 42)]
    [InlineData("2 x 397 g cans condensed milk", 794)]
    [InlineData("284ml pot soured cream", 277)]
    [InlineData("1 cup warm milk (110 degrees F)", 244)]
    [InlineData("2 packages (4 1/2 tsp) active dry yeast", 14)]
    [InlineData("½ cube fresh yeast (21 g)", 21)]
    [InlineData("1 vanilla pod", 3)]
    public void An_amount_is_read_the_way_people_write_it(string line, double grams) =>
        Assert.Equal(grams, Grams(line), 0.02 * grams + 0.1);

    [Theory]
    [InlineData("2 eggs plus 2 yolks", 2)]
    [InlineData("zest and juice of 1 lemon", 2)]
    [InlineData("grated rind of 1 orange & 1 lemon", 2)]
    [InlineData("1/2 tsp each ground cloves, nutmeg and black pepper", 3)]
    [InlineData("225g (8oz) self raising flour, pinch of salt, 55g (2oz) butter, 25g (1oz) caster sugar", 4)]
    [InlineData("1 C. dates, cut up      1 C. boiling water", 2)]
    [InlineData("100 g butter, softened and cut into cubes", 1)]
    [InlineData("1 cup plus 2 tbsp buttermilk", 1)]
    [InlineData("75 g dried fruit and nuts (raisins, cashews, brazil nuts)", 1)]
    public void A_line_in_which_several_stand_is_parted(string line, int lines) =>
        Assert.Equal(lines, LineSplitter.Split(line, IngredientKnowledge.Shipped).Count);

    [Theory]
    [InlineData("Rub in the butter, bake at gas mark 4 for 20 mins, caster sugar, self-raising flour", Dialect.British)]
    [InlineData("2 cups all-purpose flour, 1 stick butter, bake at 350°F", Dialect.American)]
    [InlineData("500 g flour, 2 dl milk, bake at 200 °C for 20 min", Dialect.Metric)]
    [InlineData("2 cups SR flour, 1 cup caster sugar, 300 ml thickened cream, 180°C fan-forced", Dialect.Australian)]
    public void Words_show_where_a_recipe_comes_from(string text, Dialect dialect) => Assert.Equal(dialect, DialectWords.Of(text));

    [Fact]
    public void A_slip_of_the_keyboard_is_read_and_asked()
    {
        var line = LineReader.Read("350g caster suger");
        Assert.Equal("caster sugar", line.Ingredient!.Name);
        Assert.NotEmpty(line.Doubts);
        var cocoa = LineReader.Read("85g coco powder");
        Assert.Equal("cocoa powder", cocoa.Ingredient!.Name);
        Assert.Contains(cocoa.Doubts, d => d.StartsWith("I took", StringComparison.Ordinal));
    }

    [Fact]
    public void What_ends_without_a_weight_is_asked() =>
        Assert.All(
            new[] { "some sprigs rosemary", "writing icing", "1 bag of moon dust", "walnut halves" },
            l => Assert.NotEmpty(LineReader.Read(l).Doubts)
        );
}
