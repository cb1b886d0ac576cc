using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Interchange.Parcels;

/// <summary>
/// What a baker writes of somebody in a few words ("no nuts, small baby, hates icing sugar"), sorted. A word that is not understood is
/// taken for something that must not be in it: better asked too often than given once too often.
/// </summary>
public static class CareWords
{
    private static readonly string[] NotKeen =
    [
        "dislikes",
        "not keen on",
        "not fond of",
        "hates",
        "doesn't like",
        "does not like",
        "rather no",
        "rather not",
        "prefers no",
    ];

    private static readonly string[] Fond = ["likes", "loves", "fond of", "adores", "favourite", "favorite"];

    private static readonly string[] Never =
    [
        "allergic to",
        "allergy to",
        "intolerant to",
        "intolerance to",
        "cannot have",
        "can't have",
        "must not have",
        "does not eat",
        "doesn't eat",
        "eats no",
        "takes no",
        "drinks no",
        "without",
        "avoids",
        "not eating",
        "no",
    ];

    /// <summary>The person with what the words say added.</summary>
    /// <param name="person">The person.</param>
    /// <param name="text">The words, parted by commas, semicolons, full stops or "and".</param>
    public static Recipient Read(Recipient person, string text)
    {
        var kept = person;
        // "Likes oats and figs": what follows without a verb of its own goes with the one before it.
        var mode = "";
        foreach (var part in Parts(text))
        {
            var words = part.ToLowerInvariant().Replace('’', '\'').Trim(' ', '-', '!', '(', ')');
            if (words.Length == 0 || words is "none" or "nothing" or "n/a" or "-" or "no allergies" or "everything")
                continue;
            var (said, verb) = Verb(words);
            mode = verb.Length > 0 ? verb : mode;
            kept = mode switch
            {
                "likes" => kept with { Likes = kept.Likes.Add(said) },
                "dislikes" => kept with { Dislikes = kept.Dislikes.Add(said) },
                _ => Avoiding(kept, said, words),
            };
        }

        return kept with
        {
            Avoids = [.. kept.Avoids.Distinct()],
            AlsoAvoids = [.. kept.AlsoAvoids.Distinct(StringComparer.OrdinalIgnoreCase)],
            Diets = [.. kept.Diets.Distinct()],
        };
    }

    /// <summary>What must be kept from somebody, in words that <see cref="Read"/> reads again.</summary>
    public static string Write(Recipient person) =>
        string.Join(
            ", ",
            person
                .Avoids.Select(a => $"no {AllergenNames.Of(a)}")
                .Concat(person.AlsoAvoids.Select(w => $"no {w}"))
                .Concat(person.Diets.Select(d => d == Diet.Vegan ? "vegan" : $"no {Diets.Name(d)["without ".Length..]}"))
                .Append(
                    person.Age switch
                    {
                        RecipientAge.Infant => "baby",
                        RecipientAge.SmallChild => "toddler",
                        _ => "",
                    }
                )
                .Append(person.IsExpecting ? "expecting" : "")
                .Where(w => w.Length > 0)
        );

    private static IEnumerable<string> Parts(string text) =>
        text.Split([',', ';', '.', '\n', '/', '&', '+'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .SelectMany(p =>
                p.Split([" and ", " or ", " but ", " who "], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            );

    private static (string Said, string Verb) Verb(string words)
    {
        foreach (var (verbs, mode) in new[] { (NotKeen, "dislikes"), (Fond, "likes"), (Never, "avoids") })
        {
            foreach (var verb in verbs)
            {
                if (words.StartsWith(verb + " ", StringComparison.Ordinal))
                    return (words[verb.Length..].Trim(), mode);
                if (words.Contains($" {verb} ", StringComparison.Ordinal))
                    return (words[(words.IndexOf($" {verb} ", StringComparison.Ordinal) + verb.Length + 2)..].Trim(), mode);
            }
        }

        return (words, "");
    }

    private static Recipient Avoiding(Recipient person, string said, string words)
    {
        if (Has(words, "pregnant", "expecting", "nursing", "breastfeeding"))
            return person with { IsExpecting = true };
        if (Has(words, "baby", "infant", "newborn"))
            return person with { Age = RecipientAge.Infant };
        if (Has(words, "toddler", "little one", "small child", "small children", "little ones", "preschooler"))
            return person.Age == RecipientAge.Infant ? person : person with { Age = RecipientAge.SmallChild };
        if (Has(words, "vegan"))
            return person with { Diets = person.Diets.Add(Diet.Vegan) };
        if (Has(words, "alcohol", "spirit", "spirits", "teetotal", "teetotaller", "booze", "brandy", "rum"))
            return person with { Diets = person.Diets.Add(Diet.NoAlcohol) };
        if (Has(words, "honey"))
            return person with { Diets = person.Diets.Add(Diet.NoHoney) };
        var plain = said.Replace("free", "", StringComparison.Ordinal)
            .Replace("allergy", "", StringComparison.Ordinal)
            .Replace("allergic", "", StringComparison.Ordinal)
            .Replace("intolerant", "", StringComparison.Ordinal)
            .Replace("intolerance", "", StringComparison.Ordinal)
            .Replace("any", "", StringComparison.Ordinal)
            .Trim(' ', '-');
        var found = Allergens(plain);
        return found.IsEmpty
            ? person with
            {
                AlsoAvoids = person.AlsoAvoids.Add(plain.Length > 0 ? plain : said),
            }
            : person with
            {
                Avoids = person.Avoids.AddRange(found),
            };
    }

    private static ImmutableArray<Allergen> Allergens(string words) =>
        words switch
        {
            "nut" or "nuts" or "all nuts" => [Allergen.TreeNut, Allergen.Peanut],
            "tree nut" or "tree nuts" => [Allergen.TreeNut],
            "dairy" or "lactose" or "milk" or "cow's milk" => [Allergen.Milk],
            "gluten" or "coeliac" or "celiac" or "coeliac disease" or "celiac disease" => [Allergen.Gluten, Allergen.Wheat],
            "shellfish" => [Allergen.Shellfish, Allergen.Mollusc],
            // Two words may name a thing of which one alone says too much: "coconut milk" is no milk.
            _ => Named(words.Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries)),
        };

    // Whoever says nuts of a person means peanuts too until they say which.
    private static ImmutableArray<Allergen> Named(string[] words) =>
        words.Any(w => w is "nut" or "nuts") && !words.Any(w => w is "tree")
            ? [.. AllergenWords.In(words).Union([Allergen.TreeNut, Allergen.Peanut]).Order()]
            : AllergenWords.In(words);

    private static bool Has(string words, params string[] any) =>
        any.Any(a => $" {words} ".Contains($" {a} ", StringComparison.Ordinal) || $" {words}".Contains($" {a}-", StringComparison.Ordinal));
}
