using System.Collections.Immutable;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A share of what is taken instead.</summary>
/// <param name="Ingredient">Its name in the table.</param>
/// <param name="Ratio">Grams of it for a gram of what is replaced.</param>
public sealed record SubstituteShare(string Ingredient, double Ratio);

/// <summary>A rule by which one ingredient may stand for another.</summary>
/// <param name="Key">Short name.</param>
/// <param name="From">What it replaces, by names of the table.</param>
/// <param name="To">What is taken instead; empty when it is only left out.</param>
/// <param name="Changes">What changes, in a sentence or two.</param>
/// <param name="Source">Where the ratio comes from.</param>
/// <param name="NotIn">Kinds of bake in which it does not work.</param>
/// <param name="SaltPerGram">Grams of salt it brings for a gram of what is replaced (negative when salt must be added); the salt of the
/// recipe follows.</param>
public sealed record SubstitutionRule(
    string Key,
    ImmutableArray<string> From,
    ImmutableArray<SubstituteShare> To,
    string Changes,
    string Source,
    ImmutableArray<RecipeKind> NotIn,
    double SaltPerGram = 0
)
{
    /// <summary>Leaves out a line that the recipe calls optional.</summary>
    public const string LeaveOut = "leave-out";

    private const string Common = "common practice, no source";

    // Ratios by volume are turned into weight with the table's grams in a cup: apple sauce 244 g for oil 218 g.
    private static readonly string[] Oils = ["vegetable oil", "sunflower oil", "olive oil", "coconut oil"];
    private static readonly string[] Spirits = ["brandy", "rum", "whisky", "sherry", "orange liqueur"];
    private static readonly string[] Nuts =
    [
        "almonds",
        "walnuts",
        "pecans",
        "hazelnuts",
        "pistachios",
        "cashews",
        "macadamia nuts",
        "brazil nuts",
    ];
    private static readonly string[] SingleSpices = ["cinnamon", "ginger", "nutmeg", "cloves", "allspice", "mace"];

    /// <summary>Every rule.</summary>
    public static ImmutableArray<SubstitutionRule> All { get; } =
    [
        Rule(
            "sauce-for-oil",
            Oils,
            [new("applesauce", 244.0 / 218)],
            "As much by volume. Moister and denser, browns less, best within two days.",
            Common,
            RecipeKind.LayerCake,
            RecipeKind.RolledCookies
        ),
        Rule("oil-for-sauce", ["applesauce"], [new("sunflower oil", 218.0 / 244)], "As much by volume. Richer, keeps longer.", Common),
        Rule(
            "cultured-milk",
            ["buttermilk"],
            [new("milk", 15.0 / 16), new("lemon juice", 1.0 / 16)],
            "A tablespoon of lemon juice in a cup, filled up with milk. Stir and let it stand 10 minutes until it thickens.",
            Common
        ),
        Rule("kefir-for-buttermilk", ["buttermilk"], [new("kefir", 1)], "As much. A little sharper.", Common),
        Rule(
            "oat-cultured-milk",
            ["buttermilk"],
            [new("oat milk", 15.0 / 16), new("lemon juice", 1.0 / 16)],
            "Without dairy: it thickens less, the crumb is a little closer. Let it stand 10 minutes.",
            Common
        ),
        Salted(
            "salted-butter",
            ["butter"],
            [new("salted butter", 1)],
            "Brings its own salt: the salt in the recipe is cut by about 1/4 tsp for each stick (113 g).",
            1.5 / 113
        ),
        Salted(
            "unsalted-butter",
            ["salted butter"],
            [new("butter", 1)],
            "Brings no salt: about 1/4 tsp is added for each stick (113 g).",
            -1.5 / 113
        ),
        Rule(
            "margarine-for-butter",
            ["butter", "salted butter"],
            [new("margarine", 1)],
            "Without dairy. Take a hard one of at least 80 % fat; the taste is plainer.",
            Common
        ),
        Rule(
            "oat-milk",
            ["milk", "semi-skimmed milk", "skimmed milk"],
            [new("oat milk", 1)],
            "Without dairy. Browns a little more.",
            Common
        ),
        Rule(
            "flax-for-egg",
            ["egg"],
            [new("flaxseed", 0.14), new("water", 0.86)],
            "Ground flaxseed, a tablespoon to an egg, stirred with water and left 10 minutes. Closer crumb, no lift from the egg; not "
                + "for more than three eggs.",
            Common,
            RecipeKind.LayerCake,
            RecipeKind.Bread,
            RecipeKind.TwiceBaked
        ),
        Rule(
            "sauce-for-egg",
            ["egg"],
            [new("applesauce", 1.2)],
            "A quarter cup of apple sauce for an egg. Moist and soft, less spring.",
            Common,
            RecipeKind.LayerCake,
            RecipeKind.Bread,
            RecipeKind.RolledCookies,
            RecipeKind.TwiceBaked,
            RecipeKind.Built
        ),
        Rule(
            "milk-for-egg-wash",
            ["egg"],
            [new("milk", 1)],
            "For brushing only: matt and paler than egg.",
            Common,
            RecipeKind.LayerCake,
            RecipeKind.RingCake,
            RecipeKind.QuickLoaf,
            RecipeKind.Muffins,
            RecipeKind.Cookies,
            RecipeKind.RolledCookies,
            RecipeKind.TwiceBaked,
            RecipeKind.Built,
            RecipeKind.FruitCake
        ),
        Rule(
            "tea-for-spirit",
            Spirits,
            [new("tea", 1)],
            "Strong and cold, as much. No alcohol; the cake keeps weeks, not months, so freeze what is not eaten.",
            Common
        ),
        Rule("juice-for-spirit", Spirits, [new("apple juice", 1)], "As much. No alcohol, sweeter; keeps weeks, not months.", Common),
        Rule(
            "sugar-for-extract",
            ["vanilla extract", "almond extract"],
            [new("vanilla sugar", 8 / 4.2)],
            "Vanilla extract is mostly alcohol: a sachet of vanilla sugar stands for a teaspoon.",
            Common
        ),
        Rule(
            "seeds-for-nuts",
            Nuts,
            [new("pumpkin seeds", 1)],
            "As much by weight. Wash boards, bowls and trays first: traces of nuts travel.",
            Common
        ),
        Rule(
            "oats-for-nuts",
            Nuts,
            [new("rolled oats", 0.7)],
            "Toasted oats, seven tenths of the weight. Crisp at first, softer the day after.",
            Common,
            RecipeKind.TwiceBaked
        ),
        Rule(
            "sunflower-for-almond-flour",
            ["almond flour"],
            [new("sunflower seeds", 1)],
            "Ground fine. With soda it may turn green inside, which is harmless.",
            Common
        ),
        Rule(
            "spices-for-blend",
            ["mixed spice"],
            [new("cinnamon", 0.5), new("ginger", 0.2), new("nutmeg", 0.15), new("cloves", 0.15)],
            "The blend made from single spices.",
            Common
        ),
        Rule(
            "blend-for-spices",
            SingleSpices,
            [new("mixed spice", 1)],
            "One blend for single spices, weight for weight. The bake tastes of the blend.",
            Common
        ),
        Rule("fresh-yeast", ["instant yeast"], [new("fresh yeast", 3)], "Three times the weight. Crumble it into the liquid.", Common),
        Rule(
            "active-yeast",
            ["instant yeast"],
            [new("active dry yeast", 1.25)],
            "A quarter more. Wake it in the warm liquid for 10 minutes first.",
            Common
        ),
        Rule(
            "instant-for-fresh",
            ["fresh yeast"],
            [new("instant yeast", 1.0 / 3)],
            "A third of the weight, straight into the flour.",
            Common
        ),
        Rule("instant-for-active", ["active dry yeast"], [new("instant yeast", 0.8)], "A fifth less, straight into the flour.", Common),
        Rule(
            "syrup-for-honey",
            ["honey"],
            [new("golden syrup", 1)],
            "As much. No honey, so it may be given to the youngest where the rest allows.",
            Common
        ),
        Rule(
            "syrup-for-molasses",
            ["molasses"],
            [new("golden syrup", 1)],
            "As much. Paler and milder; with soda alone the dough spreads less, since molasses is sour.",
            Common
        ),
        Rule(
            "light-for-dark-sugar",
            ["dark brown sugar"],
            [new("light brown sugar", 1)],
            "As much. A little less dark in taste and colour.",
            Common
        ),
        Rule(
            "made-brown-sugar",
            ["light brown sugar", "dark brown sugar"],
            [new("sugar", 0.92), new("molasses", 0.08)],
            "White sugar with a spoon of molasses rubbed in.",
            Common
        ),
        Rule(
            "made-cake-flour",
            ["cake flour"],
            [new("plain flour", 0.87), new("cornstarch", 0.13)],
            "Two tablespoons of each cup of flour replaced by cornstarch, sifted twice.",
            Common
        ),
        Rule(
            "made-self-raising",
            ["self-raising flour"],
            [new("plain flour", 0.955), new("baking powder", 0.045)],
            "A teaspoon and a quarter of baking powder to the cup of flour.",
            Common
        ),
        Rule(
            "made-powder",
            ["baking powder"],
            [new("baking soda", 0.25), new("cream of tartar", 0.33)],
            "A quarter teaspoon of soda and half a teaspoon of cream of tartar for each teaspoon. It works at once: bake without waiting.",
            Common
        ),
        Rule("yogurt-for-sour-cream", ["sour cream"], [new("yogurt", 1)], "As much. Leaner.", Common),
        Rule(
            "bread-for-plain",
            ["plain flour"],
            [new("bread flour", 1)],
            "As much. Chewier.",
            Common,
            RecipeKind.LayerCake,
            RecipeKind.QuickLoaf,
            RecipeKind.Muffins
        ),
    ];

    /// <summary>Finds a rule by its key; null when there is none.</summary>
    public static SubstitutionRule? Find(string key) => All.FirstOrDefault(r => string.Equals(r.Key, key, StringComparison.Ordinal));

    private static SubstitutionRule Rule(
        string key,
        string[] from,
        SubstituteShare[] to,
        string changes,
        string source,
        params RecipeKind[] notIn
    ) => new(key, [.. from], [.. to], changes, source, [.. notIn]);

    private static SubstitutionRule Salted(string key, string[] from, SubstituteShare[] to, string changes, double salt) =>
        new(key, [.. from], [.. to], changes, Common, [], salt);
}
