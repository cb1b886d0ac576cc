using Zymethos.Core.Measures;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Days;

namespace Zymethos.Work.OvenDays;

/// <summary>
/// What is known of the allergens and cautions of a day's bakes. It is worked out anew whenever a day is opened, and what was not known
/// when the day was planned is said.
/// </summary>
internal static class DayStatements
{
    /// <summary>What is known now, a statement for each bake in order; empty where the document cannot be read.</summary>
    public static IReadOnlyList<SavedStatement> Of(OvenDayDocument document, IngredientKnowledge knowledge)
    {
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return [];
        return
        [
            .. wish.Bakes.Select(b =>
            {
                var statement = AllergenStatement.Of(b.Recipe, knowledge);
                string[] allergens =
                [
                    StatementWords.Contains(statement),
                    StatementWords.NotKnown(statement),
                    .. StatementWords.ForWhom(statement),
                ];
                return new SavedStatement(
                    b.Recipe.Name,
                    [.. allergens.Where(w => w.Length > 0)],
                    [.. b.Recipe.Steps.SelectMany(s => s.Cautions).Distinct().Order().Select(c => Caution.For(c).Text)]
                );
            }),
        ];
    }

    /// <summary>What is known now and was not when the day was planned, a sentence for each; empty where nothing is, or where nothing was
    /// kept of then.</summary>
    public static IReadOnlyList<string> New(IReadOnlyList<SavedStatement>? then, IReadOnlyList<SavedStatement> now)
    {
        if (then is null || then.Count != now.Count)
            return [];
        return
        [
            .. now.Zip(then)
                .SelectMany(p =>
                    p.First.Allergens.Except(p.Second.Allergens, StringComparer.Ordinal)
                        .Concat(p.First.Cautions.Except(p.Second.Cautions, StringComparer.Ordinal))
                        .Select(w => $"{p.First.Bake}: {w}")
                ),
        ];
    }
}
