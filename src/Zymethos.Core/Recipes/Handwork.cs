using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>Kinds of handwork, as far as a step's name tells them: what rolling taught says something of other rolling.</summary>
public static class Handwork
{
    /// <summary>What is none of the kinds that have a name.</summary>
    public const string Other = "other handwork";

    // The first that fits counts: "roll and cut" is rolling, "stir, fill the pan" is mixing.
    private static readonly ImmutableArray<(string Name, ImmutableArray<string> Verbs)> Kinds =
    [
        ("kneading", ["knead"]),
        ("rolling and cutting", ["roll", "cut", "stamp", "trim"]),
        ("shaping", ["shape", "divide", "plait", "braid", "form", "press", "twist"]),
        ("icing and filling", ["ice", "pipe", "glaze", "fill", "spread", "decorate", "dip", "brush", "pour", "sandwich", "dust"]),
        ("mixing", ["mix", "stir", "beat", "cream", "whisk", "fold", "rub"]),
        ("pans", ["line", "grease", "prepare", "butter"]),
        ("wrapping", ["wrap", "box", "pack"]),
        ("weighing", ["weigh", "measure", "scale"]),
    ];

    /// <summary>All names, for choosing one by hand.</summary>
    public static ImmutableArray<string> Names { get; } = [.. Kinds.Select(k => k.Name), Other];

    /// <summary>What kind of handwork a step is.</summary>
    /// <param name="kind">Kind of the step.</param>
    /// <param name="title">Its name.</param>
    public static string Of(StepKind kind, string title)
    {
        if (kind == StepKind.Mix)
            return "mixing";
        var words = title.ToUpperInvariant().Split([' ', ',', ';', ':', '.', '-'], StringSplitOptions.RemoveEmptyEntries);
        // The earliest word that is a verb of some kind decides.
        foreach (var word in words)
        {
            foreach (var (name, verbs) in Kinds)
            {
                if (verbs.Any(v => word == v.ToUpperInvariant()))
                    return name;
            }
        }

        return Other;
    }
}
