using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>
/// The ingredients that come with the program, read once from the table shipped beside this code (Data/ingredients.csv, which names its
/// sources).
/// </summary>
public static class IngredientTable
{
    private static readonly Lazy<ImmutableArray<Ingredient>> Rows = new(Load);
    private static readonly Lazy<Dictionary<string, Ingredient>> Names = new(Index);

    /// <summary>Every ingredient, in the table's order.</summary>
    public static ImmutableArray<Ingredient> All => Rows.Value;

    /// <summary>The longest alias, in words.</summary>
    public static int LongestAlias { get; } = 6;

    /// <summary>Finds an ingredient by its name or an alias, in any case, in the plural too. Null when there is none.</summary>
    public static Ingredient? Find(string name)
    {
        var key = name.Trim().ToLowerInvariant();
        if (Names.Value.TryGetValue(key, out var found))
            return found;
        foreach (var singular in Singulars(key))
        {
            if (Names.Value.TryGetValue(singular, out found))
                return found;
        }

        return null;
    }

    /// <summary>What a word may be the plural of.</summary>
    internal static IEnumerable<string> Singulars(string word)
    {
        if (word.EndsWith("ies", StringComparison.Ordinal))
            yield return word[..^3] + "y";
        if (word.EndsWith("es", StringComparison.Ordinal))
            yield return word[..^2];
        if (word.EndsWith('s'))
            yield return word[..^1];
    }

    private static Dictionary<string, Ingredient> Index()
    {
        var index = new Dictionary<string, Ingredient>(StringComparer.Ordinal);
        // Names win over aliases: "coriander" is the spice that bears the name.
        foreach (var ingredient in All)
            index[ingredient.Name] = ingredient;
        foreach (var ingredient in All)
        {
            foreach (var alias in ingredient.Aliases)
                index.TryAdd(alias, ingredient);
        }

        return index;
    }

    private static ImmutableArray<Ingredient> Load()
    {
        using var stream =
            typeof(IngredientTable).Assembly.GetManifestResourceStream("Zymethos.Core.Measures.Data.ingredients.csv")
            ?? throw new InvalidOperationException("The table of ingredients is not part of the program.");
        using var reader = new StreamReader(stream);
        var rows = ImmutableArray.CreateBuilder<Ingredient>();
        while (reader.ReadLine() is { } line)
        {
            if (line.Length > 0 && line[0] != '#')
                rows.Add(Row(line.Split('|')));
        }

        return rows.ToImmutable();
    }

    private static Ingredient Row(string[] cells)
    {
        var shares = cells[9].Split(' ').Select(Number).ToArray();
        return new Ingredient(
            cells[0],
            [.. Items(cells[1])],
            cells[2].Length == 0 ? null : Number(cells[2]),
            Weights(cells[3]),
            Weights(cells[4]),
            cells[5] == "U" ? "USDA FoodData Central SR Legacy (from memory)" : "common practice, no source",
            [.. Items(cells[6]).Select(Number)],
            [.. cells[7].Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(a => Enum.Parse<Allergen>(a, ignoreCase: true))],
            cells[8]
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Aggregate(IngredientTraits.None, (t, a) => t | Enum.Parse<IngredientTraits>(a, ignoreCase: true)),
            new Composition(shares[0], shares[1], shares[2], shares[3])
        )
        {
            OnLabels =
            [
                .. cells[10].Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(a => Enum.Parse<Allergen>(a, ignoreCase: true)),
            ],
            Asks = cells[11],
            Role = cells[12].Length == 0 ? IngredientRole.None : Enum.Parse<IngredientRole>(cells[12], ignoreCase: true),
        };
    }

    private static string[] Items(string cell) => cell.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    private static ImmutableDictionary<string, double> Weights(string cell) =>
        Items(cell).Select(i => i.Split('=')).ToImmutableDictionary(p => p[0], p => Number(p[1]), StringComparer.Ordinal);

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
