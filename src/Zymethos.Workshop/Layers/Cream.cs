using System.Collections.Immutable;

namespace Zymethos.Workshop.Layers;

/// <summary>A filling or coat: what is in it, what it weighs, how it is kept.</summary>
/// <param name="Word">Its word in an address.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Density">Grams in a millilitre, as it is spread (by judgement).</param>
/// <param name="Parts">What is in it, by parts of the weight.</param>
/// <param name="Method">How it is made.</param>
/// <param name="Keeps">How it is kept.</param>
/// <param name="Care">What can hurt somebody; empty for nothing.</param>
public sealed record Cream(
    string Word,
    string Name,
    double Density,
    ImmutableArray<(string Ingredient, double Parts)> Parts,
    string Method,
    string Keeps,
    string Care = ""
)
{
    private const string Cold = "Keep it in the refrigerator, and the cake with it; out for two hours at most, then eaten.";

    /// <summary>Whether the cake must stand cold.</summary>
    public bool IsColdKept => Keeps == Cold;

    /// <summary>Whether it runs, so that between layers it wants a dam.</summary>
    public bool Runs => Word is "curd" or "jam" or "custard";

    /// <summary>The usual ones. Proportions are common practice, no source; that eggs are heated to 71 °C (160 °F) is the United States'
    /// food safety advice (USDA FSIS, from memory).</summary>
    public static readonly ImmutableArray<Cream> All =
    [
        new(
            "sugar",
            "buttercream with icing sugar",
            0.85,
            [("butter, soft", 100), ("icing sugar", 200), ("milk", 12)],
            "Beat the butter pale, the sugar in three goes, then the milk until it spreads.",
            "On the counter for two days, a week in the refrigerator."
        ),
        new(
            "whites",
            "buttercream with cooked whites",
            0.8,
            [("egg whites", 100), ("sugar", 200), ("butter, soft", 300)],
            "Stir whites and sugar over simmering water to 71 °C (160 °F), whip cold, beat in the butter piece by piece.",
            "A day on the counter, a week in the refrigerator; beat it again when it has come to the warmth of the room.",
            "Whites that were not brought to 71 °C (160 °F) are raw egg: not for small children, the expecting, the old or the ill."
        ),
        new(
            "custard-butter",
            "buttercream with custard",
            0.9,
            [("milk", 250), ("sugar", 100), ("egg yolks", 50), ("cornflour", 25), ("butter, soft", 250)],
            "Boil milk, sugar, yolks and cornflour for a minute, cool it covered, beat spoon by spoon into the pale butter; both equally "
                + "warm.",
            Cold,
            "Cool the custard fast, in a shallow dish, within two hours."
        ),
        new(
            "cheese",
            "cream cheese icing",
            0.95,
            [("butter, soft", 100), ("cream cheese, cold", 200), ("icing sugar", 200)],
            "Beat butter and sugar pale, then the cold cheese just until smooth.",
            Cold
        ),
        new(
            "cream",
            "whipped cream",
            0.5,
            [("whipping cream", 100), ("sugar", 8)],
            "Whip it cold to soft peaks; it goes on firming while you spread it.",
            Cold
        ),
        new(
            "ganache",
            "ganache to spread",
            1.15,
            [("dark chocolate", 140), ("cream", 100)],
            "Pour the hot cream over the chopped chocolate, wait three minutes, stir from the middle; leave it until it spreads.",
            "Two days in a cool room, a week in the refrigerator."
        ),
        new(
            "curd",
            "fruit curd",
            1.15,
            [("lemon juice", 120), ("sugar", 150), ("eggs", 150), ("butter", 110)],
            "Stir over gentle heat until it coats the spoon, 77 °C (170 °F); then the butter; cool it covered.",
            Cold,
            "Bring it to 71 °C (160 °F) at least: it is eaten without baking."
        ),
        new("jam", "jam", 1.3, [("jam", 100)], "Stir it smooth; warm it if it is stiff.", "On the counter as long as the cake keeps."),
        new(
            "custard",
            "custard",
            1.1,
            [("milk", 500), ("sugar", 100), ("egg yolks", 80), ("cornflour", 40), ("butter", 30)],
            "Boil it for a minute while you stir, cool it covered.",
            Cold,
            "Cool it fast, in a shallow dish, within two hours."
        ),
    ];

    /// <summary>The one with a word.</summary>
    public static Cream Of(string word) => All.First(c => c.Word == word);

    /// <summary>What so much of it is made of, in grams.</summary>
    public ImmutableArray<(string Ingredient, double Grams)> For(double grams)
    {
        var sum = Parts.Sum(p => p.Parts);
        return [.. Parts.Select(p => (p.Ingredient, grams * p.Parts / sum))];
    }
}
