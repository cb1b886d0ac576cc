using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>Allergens, spirit and honey that only the method speaks of ("butter the tin", "brush with beaten egg"): nobody put them in the
/// list, and they are in it all the same or not, so they are not known.</summary>
internal static partial class MethodAllergens
{
    /// <summary>What the method names and the lines do not hold, a statement each step.</summary>
    public static IEnumerable<NotKnown> Beyond(
        Recipe recipe,
        IReadOnlySet<Allergen> contains,
        IngredientTraits traits,
        IReadOnlyList<IngredientLine> lines
    )
    {
        foreach (var step in recipe.Steps)
        {
            var text = Sizes().Replace($"{step.Title}. {step.Instruction}".ToLowerInvariant(), " ");
            text = Verbs().Replace(text, " ");
            var words = Words().Matches(text).Select(m => m.Value).ToList();
            var found = AllergenWords.In(words).Where(a => !contains.Contains(a)).ToList();
            if (
                Flour().IsMatch(text)
                && !contains.Contains(Allergen.Wheat)
                && !lines.Any(l => l.Ingredient.Contains("flour", StringComparison.OrdinalIgnoreCase))
            )
                found.AddRange([Allergen.Wheat, Allergen.Gluten]);
            // "nuts" may be either; where tree nuts are in it, it means those.
            if (found.Contains(Allergen.Peanut) && contains.Contains(Allergen.TreeNut))
                found.Remove(Allergen.Peanut);
            var poured = TraitWords.In(text) & ~traits;
            if (found.Count == 0 && poured == IngredientTraits.None)
                continue;
            yield return new NotKnown(
                step.Title,
                $"the method speaks of {string.Join(", ", found.Distinct().Select(AllergenNames.Of).Concat(TraitWords.Of(poured)))}",
                [.. found.Distinct().Order()],
                poured
            );
        }
    }

    // "walnut-sized balls", "biscuit cutter": sizes and tools name nothing that is eaten.
    [GeneratedRegex(
        @"\bsizes? of (?:an? )?(?:small |large |big )?(?:walnut|hazelnut|egg|nut|almond|pea|cherry)s?\b|\b(?:walnut|hazelnut|egg|nut|"
            + @"almond|pea|cherry)[- ](?:sized?|shaped|cups?|timer)\b|\b(?:biscuit|cookie|pastry|bread|egg|butter|cheese|"
            + @"cake) (?:cutters?|sheets?|tins?|trays?|brush|knife|board|bag|machine|bin|whisk|slice|wheel|scoop|cloth|dish|box|tin)\b|"
            + @"\bbutter(?:ed|y)? (?:crumbs?|colou?r)\b|\bcream of tartar\b|\b(?:into|in) (?:an? |the )?(?:\w+ )?sausages?\b|"
            + @"\ba (?:long |thin |fat )?sausage of (?:half |all |a third of )?(?:the |your )?(?:marzipan|almond paste|dough|paste)\b|"
            + @"\bsausage[- ](?:shapes?|shaped)\b|\bresembles? (?:fine |coarse )?(?:bread)?crumbs\b|\b(?:like|looks like|"
            + @"resembles?) (?:fine |coarse )?breadcrumbs\b|\bbreadcrumbs\b(?=.*\brub)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Sizes();

    // To cream is to beat; "a cream" and "creamy" say how it looks. It is a verb only where a sentence or an order begins: "whip cream and
    // sugar" is dairy.
    [GeneratedRegex(
        @"(?:(?<=^|[.;:,!]\s*|\b(?:then|first|to|lightly|gently) )cream|(?<=\band )cream(?= (?:the|together|butter|shortening|"
            + @"margarine|fat|them|it)\b)|\bcreamed|\bcreaming)\b(?! (?:cheese|of tartar)\b)|\b(?:to|into) a cream\b|\bcreamy\b|"
            + @"\bhalf[- ]milk\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Verbs();

    [GeneratedRegex(@"(?<!\b(?:no|without) )\bflour(?:s|ed|ing)?\b", RegexOptions.None, 900)]
    private static partial Regex Flour();

    [GeneratedRegex(@"[\p{L}][\p{L}'’\-/]*", RegexOptions.None, 900)]
    private static partial Regex Words();
}
