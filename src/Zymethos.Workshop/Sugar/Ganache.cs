using System.Collections.Immutable;

namespace Zymethos.Workshop.Sugar;

/// <summary>Chocolate and cream by weight for what the ganache is to do. Common practice, no source.</summary>
public static class Ganache
{
    /// <summary>What it is for, from the thinnest to the firmest, with parts of dark chocolate to one of cream.</summary>
    public static readonly ImmutableArray<(string Word, string Says, double Dark, string Sets)> Uses =
    [
        ("pour", "pour over a cake", 1, "pour at 32 to 35 °C (90 to 95 °F); it sets soft and shines"),
        ("drip", "drips down the side", 1.1, "let it fall from a spoon at about 28 °C (82 °F) on a cold cake; try one drip first"),
        ("spread", "spread as filling or coat", 1.4, "leave it until it spreads like soft butter, 2 to 4 hours"),
        ("truffle", "truffles", 2, "firm after a night; roll with cold hands"),
    ];

    /// <summary>Parts of chocolate to one part of cream: milk chocolate has less cocoa and needs half as much again, white twice and a
    /// quarter.</summary>
    /// <param name="use">A word of <see cref="Uses"/>.</param>
    /// <param name="chocolate">"dark", "milk" or "white".</param>
    public static double Parts(string use, string chocolate) =>
        Uses.First(u => u.Word == use).Dark
        * chocolate switch
        {
            "milk" => 1.5,
            "white" => 2.25,
            _ => 1,
        };

    /// <summary>Grams of chocolate and of cream in so much ganache.</summary>
    public static (double Chocolate, double Cream) Of(double grams, double parts) => (grams * parts / (1 + parts), grams / (1 + parts));
}
