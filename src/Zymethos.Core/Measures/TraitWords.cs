using System.Text.RegularExpressions;

namespace Zymethos.Core.Measures;

/// <summary>
/// Spirit, honey and what comes from the slaughtered animal, wherever a text names them ("soaked in rum", "dissolve the gelatine"). The
/// words are the names of the ingredient table; extracts are left out, since vanilla stands in every second method.
/// </summary>
public static partial class TraitWords
{
    // Names that are ordinary words of a method as well.
    private static readonly HashSet<string> Ambiguous = new(StringComparer.Ordinal) { "dripping" };

    private static readonly Lazy<Dictionary<string, IngredientTraits>> Names = new(Make);

    // The longest name of the table that bears a trait, in words.
    private const int Longest = 3;

    /// <summary>The traits that a text names; none when it names none.</summary>
    /// <param name="text">Any text, in any case.</param>
    public static IngredientTraits In(string text)
    {
        var words = Words().Matches(Aside().Replace(text.ToLowerInvariant(), " ")).Select(m => m.Value).ToList();
        var found = IngredientTraits.None;
        for (var at = 0; at < words.Count; at++)
        {
            for (var count = 1; count <= Longest && at + count <= words.Count; count++)
                found |= Names.Value.GetValueOrDefault(string.Join(' ', words.Skip(at).Take(count)));
        }

        return found;
    }

    /// <summary>A trait as it is said: "alcohol", "honey", "something from animals".</summary>
    public static IEnumerable<string> Of(IngredientTraits traits)
    {
        if (traits.HasFlag(IngredientTraits.Alcohol))
            yield return "alcohol";
        if (traits.HasFlag(IngredientTraits.Honey))
            yield return "honey";
        if ((traits & (IngredientTraits.Animal | IngredientTraits.Meat)) != IngredientTraits.None)
            yield return "something from animals";
    }

    private static Dictionary<string, IngredientTraits> Make()
    {
        var names = new Dictionary<string, IngredientTraits>(StringComparer.Ordinal);
        foreach (var row in IngredientTable.All.Where(i => !i.IsExtract))
        {
            var traits = row.Traits & (IngredientTraits.Alcohol | IngredientTraits.Honey | IngredientTraits.Meat);
            if (traits == IngredientTraits.None)
                continue;
            // The animal goes with the honey and the meat; milk and egg are told by their allergens.
            foreach (var name in row.Aliases.Prepend(row.Name).Where(n => !Ambiguous.Contains(n)))
                names[name.ToLowerInvariant()] = names.GetValueOrDefault(name.ToLowerInvariant()) | traits;
        }

        return names;
    }

    // Vinegars are past their spirit, soft drinks never had any, and a colour is no honey.
    [GeneratedRegex(
        @"\b(?:wine|cider|sherry|champagne|beer|ale|honey)[- ](?:vinegars?|glass|glasses|bottles?|colou?red|gold|golden|brown|"
            + @"combs?)\b|\b(?:ginger|root) (?:beer|ale)\b|\bnon[- ]alcoholic \w+",
        RegexOptions.None,
        900
    )]
    private static partial Regex Aside();

    [GeneratedRegex(@"[\p{L}][\p{L}'’]*", RegexOptions.None, 900)]
    private static partial Regex Words();
}
