using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>So many pieces of one finish, and what is in them.</summary>
/// <param name="Finish">The finish; null for the pieces that no finish takes.</param>
/// <param name="Name">How it is called; "the others" for those.</param>
/// <param name="Pieces">How many, zero or more.</param>
public sealed record FinishedPieces(Finish? Finish, string Name, int Pieces);

/// <summary>Parts a batch of any size into its finishes, in the shares of the recipe.</summary>
public static class FinishSplit
{
    /// <summary>What the pieces that no finish takes are called.</summary>
    public const string Others = "the others";

    /// <summary>
    /// The pieces of each finish, in the order of the recipe, those that no finish takes last; empty when the recipe has no finishes. They
    /// add up to <paramref name="pieces"/>: shares are rounded by the largest remainder (Hamilton's method).
    /// </summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="pieces">How many are baked in all, zero or more.</param>
    public static ImmutableArray<FinishedPieces> Of(Recipe recipe, int pieces)
    {
        if (recipe.Finishes.IsEmpty)
            return [];
        var rest = recipe.Yield.Pieces - recipe.Finishes.Sum(f => f.Pieces);
        var shares = recipe.Finishes.Select(f => (Finish: (Finish?)f, f.Name, f.Pieces)).ToList();
        if (rest > 0)
            shares.Add((null, Others, rest));
        var whole = Math.Max(1, shares.Sum(s => s.Pieces));
        var exact = shares.Select(s => pieces * (double)s.Pieces / whole).ToList();
        var counts = exact.Select(e => (int)Math.Floor(e + 1e-9)).ToList();
        foreach (
            var i in Enumerable
                .Range(0, counts.Count)
                .OrderByDescending(i => exact[i] - counts[i])
                .ThenBy(i => i)
                .Take(pieces - counts.Sum())
        )
            counts[i]++;
        return [.. shares.Select((s, i) => new FinishedPieces(s.Finish, s.Name, counts[i]))];
    }

    /// <summary>"12 with sugar, 12 with chocolate"; empty when there are no finishes.</summary>
    public static string Words(Recipe recipe, int pieces) =>
        string.Join(", ", Of(recipe, pieces).Where(f => f.Pieces > 0).Select(f => $"{f.Pieces} {f.Name}"));

    /// <summary>"12 with chocolate. Contains milk. May contain, or not known: tree nuts.": a sentence or three for each finish; empty when
    /// there are none.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="pieces">How many are baked in all.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static IReadOnlyList<string> Told(Recipe recipe, int pieces, IngredientKnowledge knowledge)
    {
        var counts = Of(recipe, pieces).ToDictionary(f => f.Name, f => f.Pieces, StringComparer.Ordinal);
        return
        [
            .. Statements(recipe, knowledge)
                .Where(s => counts[s.Pieces.Name] > 0)
                .Select(s =>
                    string.Join(
                        ' ',
                        new[]
                        {
                            $"{counts[s.Pieces.Name]} {s.Pieces.Name}.",
                            StatementWords.Contains(s.Statement),
                            StatementWords.NotKnown(s.Statement),
                        }.Where(t => t.Length > 0)
                    )
                ),
        ];
    }

    /// <summary>The statement of each finish; what only its neighbours hold is not known of it, since they are finished on the same board.
    /// Empty when the recipe has no finishes.</summary>
    /// <param name="recipe">The recipe; its own choices and swaps count.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static ImmutableArray<(FinishedPieces Pieces, AllergenStatement Statement)> Statements(
        Recipe recipe,
        IngredientKnowledge knowledge
    ) =>
        [
            .. Of(recipe, recipe.Yield.Pieces)
                .Where(f => f.Pieces > 0)
                .Select(f => (f, AllergenStatement.OfFinish(recipe, f.Finish, knowledge))),
        ];
}
