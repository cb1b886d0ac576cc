using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What kind of bake a recipe is, and what kind of part a heading names.</summary>
internal static class BakeKindWords
{
    /// <summary>The kind of a bake, as documents write it.</summary>
    public static string Of(RecipeDraft draft, MethodReading reading, IReadOnlyList<ReadLine> lines)
    {
        var name = $"{draft.Name} {draft.PieceName} {draft.DivisionName}".ToLowerInvariant();
        var pans = string.Join(' ', draft.Steps.Select(s => s.Pan)).ToLowerInvariant();
        var method = string.Join(' ', draft.Steps.Select(s => s.Instruction)).ToLowerInvariant();
        var yeast =
            lines.Any(l =>
                l.Ingredient?.Name is { } n
                && (
                    n.EndsWith("yeast", StringComparison.Ordinal)
                    || n.EndsWith("sourdough starter", StringComparison.Ordinal)
                    || n is "levain"
                )
            ) && reading.Steps.Exists(s => s.Kind is StepKind.BulkRise or StepKind.Proof);
        var bakes = reading.Steps.Count(s => s.Kind == StepKind.Bake);
        bool Named(params string[] words) => words.Any(w => name.Contains(w, StringComparison.Ordinal));
        return name switch
        {
            _ when yeast && Named("bun", "roll", "bagel", "bap", "finger", "baba", "doughnut", "brioche à") => "buns",
            _ when yeast => "bread",
            _ when Named("muffin", "cupcake", "fairy cake") || pans.Contains("muffin", StringComparison.Ordinal) => "muffins",
            _ when Named("biscotti", "rusk", "twice-baked", "twice baked", "cantuccini")
                    || (
                        bakes > 1 && method.Contains("slice", StringComparison.Ordinal) && method.Contains("log", StringComparison.Ordinal)
                    ) => "twiceBaked",
            _ when Named("gingerbread house") => "built",
            _ when Named(
                    "cookie",
                    "biscuit",
                    "snap",
                    "shortbread",
                    "star",
                    "macaroon",
                    "kiss",
                    "crescent",
                    "moon",
                    "gingerbread",
                    "pepper nut",
                    "straw",
                    "lebkuchen",
                    "florentine",
                    "flapjack"
                ) => pans.Contains("tray", StringComparison.Ordinal) || draft.Steps.TrueForAll(s => s.Pan.Length == 0)
                ? method.Contains("cutter", StringComparison.Ordinal)
                || method.Contains("roll out", StringComparison.Ordinal)
                || method.Contains("roll the dough", StringComparison.Ordinal)
                || method.Contains("cut out", StringComparison.Ordinal)
                    ? "rolledCookies"
                    : "cookies"
                : "other",
            _ when pans.Contains("fluted ring", StringComparison.Ordinal)
                    || pans.Contains("ring tin", StringComparison.Ordinal)
                    || Named("bundt", "ring cake") => "ringCake",
            _ when Named("fruit cake", "fruitcake", "christmas cake", "simnel", "dundee") => "fruitCake",
            _ when pans.Contains("loaf", StringComparison.Ordinal) || Named("loaf", "tea bread", "quick bread") => "quickLoaf",
            _ when pans.Contains("round pan", StringComparison.Ordinal)
                    || (pans.Contains("springform", StringComparison.Ordinal) && !Named("cheesecake", "tart", "pie"))
                    || Named("layer", "sandwich cake") => "layerCake",
            _ => "other",
        };
    }

    /// <summary>The kind of a part, as documents write it.</summary>
    public static string PartOf(PartDraft part, string kind)
    {
        var name = part.Name.ToLowerInvariant();
        foreach (var (word, means) in Named)
        {
            if (name.Contains(word, StringComparison.Ordinal))
                return means;
        }

        return kind is "bread" or "buns" or "cookies" or "rolledCookies" or "twiceBaked" or "built" ? "dough" : "batter";
    }

    // In this order: "almond filling dough" is none we know.
    private static readonly (string Word, string Means)[] Named =
    [
        ("glaze", "glaze"),
        ("to fill", "filling"),
        ("drizzle", "glaze"),
        ("filling", "filling"),
        ("curd", "filling"),
        ("custard", "filling"),
        ("pastry cream", "filling"),
        ("cream filling", "filling"),
        ("syrup", "syrup"),
        ("sauce", "syrup"),
        ("boiling", "syrup"),
        ("buttercream", "icing"),
        ("frosting", "icing"),
        ("icing", "icing"),
        ("ganache", "icing"),
        ("topping", "topping"),
        ("crumb", "topping"),
        ("streusel", "topping"),
        ("cross", "topping"),
        ("to finish", "topping"),
        ("finish", "topping"),
        ("finishing", "topping"),
        ("decorat", "topping"),
        ("to top", "topping"),
        ("top", "topping"),
        ("assemble", "topping"),
        ("after baking", "topping"),
        ("coating", "icing"),
        ("caramel", "filling"),
        ("day 2", "icing"),
        ("soak", "soak"),
        ("fruit", "soak"),
        ("levain", "dough"),
        ("batter", "batter"),
        ("dough", "dough"),
        ("pastry", "dough"),
        ("crust", "dough"),
        ("base", "dough"),
        ("sponge", "batter"),
        ("cake", "batter"),
    ];
}
