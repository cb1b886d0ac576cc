using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>Part of a batch that is finished another way than the rest: half of the crescents rolled in sugar, twelve fingers dipped in
/// chocolate.</summary>
/// <param name="Name">A few words that say how ("with chocolate"); 1 to 60 characters, unique in the recipe.</param>
/// <param name="Pieces">How many pieces of one batch; at least 1, and all finishes together no more than the batch gives.</param>
/// <param name="Only">Ingredients, as the lines name them, that only these pieces hold. May be empty ("plain").</param>
public sealed record Finish(string Name, int Pieces, ImmutableArray<string> Only)
{
    /// <summary>Most finishes of one recipe.</summary>
    public const int Most = 8;

    /// <summary>Longest name, in characters.</summary>
    public const int LongestName = 60;

    /// <summary>Two finishes are equal when they say the same.</summary>
    public bool Equals(Finish? other) =>
        other is not null && Name == other.Name && Pieces == other.Pieces && Only.SequenceEqual(other.Only);

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Name, Pieces, Only.Length);

    /// <summary>
    /// The lines of a recipe that are for these pieces alone. Where several lines bear the name, the last is meant, since what finishes is
    /// listed last: what also goes into the dough is in every piece.
    /// A swap does not change whose line it is.
    /// </summary>
    /// <param name="recipe">The recipe, as it is written or as it is baked.</param>
    public IEnumerable<IngredientLine> LinesOf(Recipe recipe)
    {
        var lines = recipe.Parts.SelectMany(p => p.Lines).ToList();
        foreach (var only in Only)
        {
            bool Bears(IngredientLine line) =>
                only.Equals(line.InsteadOf.Length > 0 ? line.InsteadOf : line.Ingredient, StringComparison.OrdinalIgnoreCase);
            var last = lines.FindLastIndex(Bears);
            // A swap may have parted it in several lines that stand together.
            for (var at = last; at >= 0 && Bears(lines[at]) && (at == last || lines[at].InsteadOf.Length > 0); at--)
                yield return lines[at];
        }
    }
}
