using Zymethos.Core.Measures;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Tests.Corpus;

/// <summary>What is expected of statements, cautions and questions.</summary>
internal sealed partial class CorpusReading
{
    // What only a label can tell may be stated beyond the expectation; anything else beyond it is a false alarm.
    private static readonly Allergen[] ByLabel = [Allergen.Sulphite, Allergen.Soy];

    private bool Contains(string[] words)
    {
        var expected = words.Where(w => w.Length > 0).Select(w => Enum.Parse<Allergen>(w, ignoreCase: true)).ToHashSet();
        var found = RecipeFacts.Allergens(_recipe, IngredientKnowledge.Shipped).ToHashSet();
        return expected.IsSubsetOf(found) && found.Except(expected).All(ByLabel.Contains);
    }

    private bool Unknown(string words) => _lines.Exists(l => Has(Said(l), words) && IngredientKnowledge.Shipped.Meant(l.Ingredient) is null);

    private bool Trait(string word) => word switch
    {
        "alcohol" => RecipeFacts.Traits(_recipe, IngredientKnowledge.Shipped).HasFlag(IngredientTraits.Alcohol),
        "honey" => RecipeFacts.Traits(_recipe, IngredientKnowledge.Shipped).HasFlag(IngredientTraits.Honey),
        "rawegg" => false,
        _ => throw new InvalidOperationException(word),
    };

    private IEnumerable<CautionKind> Cautions() => _recipe.Steps.SelectMany(s => s.Cautions);

    private IEnumerable<string> Questions() => _draft.Questions.Concat(_missing);

    private static bool Finish(string rest) => rest.Length == 0;
}
