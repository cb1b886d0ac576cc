using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Interchange.Tests.Corpus;

/// <summary>What is expected of statements, cautions and questions.</summary>
internal sealed partial class CorpusReading
{
    // What only a label can tell may be stated beyond the expectation; anything else beyond it is a false alarm.
    private static readonly Allergen[] ByLabel = [Allergen.Sulphite, Allergen.Soy];

    private AllergenStatement Statement => AllergenStatement.Of(_recipe, IngredientKnowledge.Shipped);

    private bool Contains(string[] words)
    {
        var expected = words.Where(w => w.Length > 0).Select(w => Enum.Parse<Allergen>(w, ignoreCase: true)).ToHashSet();
        var found = Statement.Contains.ToHashSet();
        return expected.IsSubsetOf(found) && found.Except(expected).All(ByLabel.Contains);
    }

    private bool Unknown(string words) =>
        Statement.Open.Any(o => Has(o.Line, words))
        && (Statement.FreeFrom.IsEmpty || Statement.Open.Any(o => Has(o.Line, words) && !o.MayBe.IsEmpty));

    private bool Trait(string word) =>
        word switch
        {
            "alcohol" => Statement.Traits.HasFlag(IngredientTraits.Alcohol),
            "honey" => Statement.Traits.HasFlag(IngredientTraits.Honey),
            "rawegg" => Statement.HasRawEgg,
            _ => throw new InvalidOperationException(word),
        };

    private IEnumerable<CautionKind> Cautions() => _recipe.Steps.SelectMany(s => s.Cautions);

    private IEnumerable<string> Questions() => _draft.Questions.Select(q => q.Text).Concat(_missing);

    private bool Finish(string rest) =>
        rest.Split(' ') is var words
        && words.First(w => w.All(char.IsAsciiDigit)) is var pieces
        && words.First(w => !w.All(char.IsAsciiDigit)) is var name
        && _recipe.Finishes.Any(f =>
            f.Pieces == int.Parse(pieces, System.Globalization.CultureInfo.InvariantCulture)
            && (Has(f.Name, name) || f.Only.Any(o => Has(o, name)))
        );
}
