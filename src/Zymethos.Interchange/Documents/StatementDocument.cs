using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Interchange.Documents;

/// <summary>An allergen statement as the open format writes it.</summary>
/// <param name="Contains">What is certainly in it, by the names of the format ("milk", "treeNut").</param>
/// <param name="NotKnown">What may be in it or is not known.</param>
/// <param name="FreeFrom">What is certainly not in it; empty unless every line is known.</param>
/// <param name="Words">The same in words, with what matters to children, in pregnancy and to infants.</param>
public sealed record StatementDocument(
    IReadOnlyList<string> Contains,
    IReadOnlyList<NotKnownDocument> NotKnown,
    IReadOnlyList<string> FreeFrom,
    string Words
)
{
    /// <summary>The statement of each finish of a batch; left out when all pieces are alike.</summary>
    public IReadOnlyList<FinishStatementDocument>? Finishes { get; init; }

    /// <summary>The statement of a recipe, with that of each of its finishes.</summary>
    public static StatementDocument Of(Recipe recipe, IngredientKnowledge knowledge) =>
        Of(AllergenStatement.Of(recipe, knowledge)) with
        {
            Finishes = recipe.Finishes.IsEmpty
                ? null
                :
                [
                    .. FinishSplit
                        .Statements(recipe, knowledge)
                        .Select(s => new FinishStatementDocument(s.Pieces.Name, s.Pieces.Pieces, Of(s.Statement))),
                ],
        };

    /// <summary>A statement as a document.</summary>
    public static StatementDocument Of(AllergenStatement statement) =>
        new(
            [.. statement.Contains.Select(a => DocumentWords.Of(a))],
            [
                .. statement.Open.Select(o => new NotKnownDocument(
                    o.Line,
                    o.Why,
                    [.. o.MayBe.Select(a => DocumentWords.Of(a))],
                    [.. TraitWords.Of(o.Traits)]
                )),
            ],
            [.. statement.FreeFrom.Select(a => DocumentWords.Of(a))],
            StatementWords.Whole(statement)
        );
}

/// <summary>The statement of some pieces of a batch.</summary>
/// <param name="Name">How they are finished.</param>
/// <param name="Pieces">How many of one batch.</param>
/// <param name="Statement">Their statement.</param>
public sealed record FinishStatementDocument(string Name, int Pieces, StatementDocument Statement);

/// <summary>Something of which nobody knows what it holds.</summary>
/// <param name="Line">The line or step.</param>
/// <param name="Why">What is not understood.</param>
/// <param name="MayBe">The allergens it may hold; when this and <paramref name="Also"/> are both empty, any at all.</param>
/// <param name="Also">What else it may hold, in words: alcohol, honey, something from animals.</param>
public sealed record NotKnownDocument(string Line, string Why, IReadOnlyList<string> MayBe, IReadOnlyList<string> Also);
