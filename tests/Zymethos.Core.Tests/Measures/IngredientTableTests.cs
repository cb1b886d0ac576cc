using System.Globalization;
using Zymethos.Core.Measures;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Tests.Measures;

public sealed class IngredientTableTests
{
    /// <summary>Rows of ingredient-weights.csv: USDA FoodData Central SR Legacy portions, every row marked "from memory" there.</summary>
    public static TheoryData<string, string, string, double> Published()
    {
        var data = new TheoryData<string, string, string, double>();
        foreach (
            var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Measures", "ingredient-weights.csv"))
                .Skip(1)
                .Where(l => l.Length > 0)
        )
        {
            var cells = line.Split(',');
            data.Add(cells[0], cells[1], cells[2], double.Parse(cells[3], CultureInfo.InvariantCulture));
        }

        return data;
    }

    // The table's names and forms in the words of the publication.
    private static readonly Dictionary<string, string> Names = new(StringComparer.Ordinal)
    {
        ["wheat flour all-purpose"] = "plain flour",
        ["wheat flour bread"] = "bread flour",
        ["wheat flour whole-grain"] = "whole wheat flour",
        ["sugar granulated"] = "sugar",
        ["sugar brown"] = "light brown sugar",
        ["sugar powdered"] = "icing sugar",
        ["vegetable oil canola"] = "vegetable oil",
        ["milk whole"] = "milk",
        ["cream heavy"] = "cream",
        ["milk evaporated"] = "evaporated milk",
        ["cocoa powder unsweetened"] = "cocoa powder",
        ["rolled oats dry"] = "rolled oats",
        ["pumpkin canned"] = "pumpkin",
        ["applesauce unsweetened"] = "applesauce",
        ["egg whole large"] = "egg",
        ["egg white large"] = "egg white",
        ["egg yolk large"] = "egg yolk",
        ["baking powder double-acting"] = "baking powder",
        ["salt table"] = "salt",
        ["yeast active dry"] = "active dry yeast",
        ["cinnamon ground"] = "cinnamon",
        ["ginger ground"] = "ginger",
        ["nutmeg ground"] = "nutmeg",
        ["cloves ground"] = "cloves",
        ["allspice ground"] = "allspice",
    };

    [Theory]
    [MemberData(nameof(Published))]
    public void Weights_agree_with_the_published_portions(string name, string form, string measure, double grams)
    {
        var ingredient = IngredientTable.Find(Names.GetValueOrDefault(name, name))!;
        var own = measure switch
        {
            "1 US cup" => ingredient.CupIn([form])!.Value,
            "1 US tsp" => ingredient.CupGrams!.Value / 48,
            "1 stick" => ingredient.Pieces["stick"],
            "1 packet" => ingredient.Pieces["packet"],
            _ => ingredient.Pieces["large"],
        };
        Assert.Equal(grams, own, grams * 0.01 + 0.05);
    }

    [Fact]
    public void There_are_at_least_170_and_each_is_complete()
    {
        Assert.True(IngredientTable.All.Length >= 170, $"{IngredientTable.All.Length}");
        Assert.All(
            IngredientTable.All,
            i =>
            {
                var c = i.Composition;
                Assert.InRange(c.Water + c.Fat + c.Sugar + c.Protein, 0, 101);
                Assert.True(i.CupGrams is not null || i.Pieces.Count > 0, i.Name);
                Assert.NotEmpty(i.Source);
            }
        );
    }

    [Fact]
    public void Every_name_and_alias_leads_to_its_own_ingredient_and_to_no_second_one()
    {
        var owners = IngredientTable
            .All.SelectMany(i => i.Aliases.Append(i.Name).Select(a => (Alias: a, i.Name)))
            .GroupBy(p => p.Alias)
            .Where(g => g.Select(p => p.Name).Distinct().Count() > 1);
        Assert.Empty(owners.Select(g => $"{g.Key}: {string.Join(", ", g.Select(p => p.Name))}"));
        Assert.All(IngredientTable.All, i => Assert.All(i.Aliases.Append(i.Name), a => Assert.Same(i, IngredientTable.Find(a))));
        Assert.Null(IngredientTable.Find("moon dust"));
    }

    [Fact]
    public void Cup_weights_lie_between_those_of_the_lightest_and_the_heaviest_things() =>
        Assert.All(IngredientTable.All.Where(i => i.CupGrams is not null), i => Assert.InRange(i.CupGrams!.Value, 20, 400));

    [Theory]
    [InlineData("butter", Allergen.Milk)]
    [InlineData("plain flour", Allergen.Wheat)]
    [InlineData("rye flour", Allergen.Gluten)]
    [InlineData("marzipan", Allergen.TreeNut)]
    [InlineData("tahini", Allergen.Sesame)]
    [InlineData("egg yolk", Allergen.Egg)]
    [InlineData("peanut butter", Allergen.Peanut)]
    [InlineData("lemon curd", Allergen.Egg)]
    [InlineData("dried apricots", Allergen.Sulphite)]
    public void Allergens_are_declared(string name, Allergen allergen) => Assert.Contains(allergen, IngredientTable.Find(name)!.Allergens);

    [Fact]
    public void Whatever_contains_wheat_contains_gluten() =>
        Assert.All(
            IngredientTable.All.Where(i => i.Allergens.Contains(Allergen.Wheat)),
            i => Assert.Contains(Allergen.Gluten, i.Allergens)
        );

    [Fact]
    public void Spirits_say_so()
    {
        Assert.True(IngredientTable.Find("rum")!.Traits.HasFlag(IngredientTraits.Alcohol));
        Assert.True(IngredientTable.Find("vanilla")!.Traits.HasFlag(IngredientTraits.Alcohol));
        Assert.True(IngredientTable.Find("honey")!.Traits.HasFlag(IngredientTraits.Honey));
        Assert.True(IngredientTable.Find("gelatine")!.Traits.HasFlag(IngredientTraits.Meat));
    }
}
