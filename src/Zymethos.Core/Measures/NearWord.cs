namespace Zymethos.Core.Measures;

/// <summary>The ingredient that a slip of the keyboard meant ("caster suger"). What is taken so is always asked about.</summary>
internal static class NearWord
{
    private static readonly Lazy<ILookup<int, (string Alias, Ingredient Is)>> ByLength = new(() =>
        IngredientTable
            .All.SelectMany(i => i.Aliases.Append(i.Name).Select(a => (Alias: a.ToLowerInvariant(), Is: i)))
            .Where(p => p.Alias.Length >= 4)
            .ToLookup(p => p.Alias.Length)
    );

    /// <summary>The one ingredient whose name is a slip away, and that name; null when there is none, or several of different
    /// allergens.</summary>
    public static (string Name, Ingredient Ingredient)? Of(string words)
    {
        var word = words.ToLowerInvariant();
        if (word.Length < 5)
            return null;
        var most = word.Length >= 9 ? 2 : 1;
        (string Name, Ingredient Ingredient)? best = null;
        var distance = most + 1;
        for (var length = word.Length - most; length <= word.Length + most; length++)
        {
            foreach (var (alias, ingredient) in ByLength.Value[length])
            {
                if (alias[0] != word[0])
                    continue;
                var apart = Apart(word, alias, distance);
                if (apart < distance)
                    (best, distance) = ((alias, ingredient), apart);
                else if (
                    apart == distance
                    && best is { } other
                    && other.Ingredient != ingredient
                    && !other.Ingredient.Allergens.SequenceEqual(ingredient.Allergens)
                )
                    best = null;
            }
        }

        return distance <= most ? best : null;
    }

    /// <summary>Optimal string alignment distance, given up beyond a limit (Damerau 1964).</summary>
    internal static int Apart(string a, string b, int limit)
    {
        var rows = new int[3, b.Length + 1];
        for (var j = 0; j <= b.Length; j++)
            rows[0, j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            var (now, before, twoBefore) = (i % 3, (i + 2) % 3, (i + 1) % 3);
            rows[now, 0] = i;
            var least = i;
            for (var j = 1; j <= b.Length; j++)
            {
                var cost = a[i - 1] == b[j - 1] ? 0 : 1;
                var value = Math.Min(Math.Min(rows[before, j] + 1, rows[now, j - 1] + 1), rows[before, j - 1] + cost);
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                    value = Math.Min(value, rows[twoBefore, j - 2] + 1);
                rows[now, j] = value;
                least = Math.Min(least, value);
            }

            if (least > limit)
                return limit + 1;
        }

        return rows[a.Length % 3, b.Length];
    }
}
