using System.Collections.Immutable;

namespace Zymethos.Core.Measures;

/// <summary>
/// What one kitchen knows of ingredients: its own, which overrule the table that ships, and how it fills a cup of flour. Immutable.
/// </summary>
public sealed class IngredientKnowledge
{
    private readonly ImmutableArray<Ingredient> _own;
    private readonly Dictionary<string, Ingredient> _names = new(StringComparer.Ordinal);

    /// <summary>Makes it from a kitchen's own ingredients.</summary>
    /// <param name="own">Ingredients that are added, or that overrule one of the same name. Where two share a name the later wins.</param>
    /// <param name="habit">How a cup of flour is filled.</param>
    /// <param name="dialect">Which kitchen's words and sizes are meant.</param>
    public IngredientKnowledge(IEnumerable<Ingredient> own, FlourHabit habit, Dialect dialect = Dialect.American)
    {
        Dialect = dialect;
        _own = [.. own];
        Habit = habit;
        foreach (var ingredient in _own)
        {
            foreach (var alias in ingredient.Aliases)
                _names[alias] = ingredient;
        }

        foreach (var ingredient in _own)
            _names[ingredient.Name.ToLowerInvariant()] = ingredient;
    }

    /// <summary>The table as it ships.</summary>
    public static IngredientKnowledge Shipped { get; } = new([], FlourHabit.Table);

    /// <summary>How a cup of flour is filled.</summary>
    public FlourHabit Habit { get; }

    /// <summary>Which kitchen's words and sizes are meant: cups, pints, eggs, maize flour.</summary>
    public Dialect Dialect { get; }

    /// <summary>Every ingredient: the kitchen's own first, then what ships and is not overruled.</summary>
    public IEnumerable<Ingredient> All =>
        _own.Concat(
            IngredientTable.All.Where(i => !_own.Any(o => string.Equals(o.Name, i.Name, StringComparison.OrdinalIgnoreCase))).Select(Filled)
        );

    /// <summary>The same with another habit.</summary>
    public IngredientKnowledge With(FlourHabit habit) => habit == Habit ? this : new IngredientKnowledge(_own, habit, Dialect);

    /// <summary>The same for a recipe that comes from elsewhere.</summary>
    public IngredientKnowledge With(Dialect dialect) => dialect == Dialect ? this : new IngredientKnowledge(_own, Habit, dialect);

    /// <summary>Whether an ingredient is the kitchen's own.</summary>
    public bool IsOwn(Ingredient ingredient) => _own.Contains(ingredient);

    /// <summary>Finds an ingredient by name or alias, in any case, in the plural too. Null when there is none.</summary>
    public Ingredient? Find(string name)
    {
        if (_names.Count > 0)
        {
            var key = name.Trim().ToLowerInvariant();
            if (_names.TryGetValue(key, out var own))
                return own;
            foreach (var singular in IngredientTable.Singulars(key))
            {
                if (_names.TryGetValue(singular, out own))
                    return own;
            }
        }

        return IngredientTable.Find(DialectWords.InTable(name, Dialect)) is { } found ? Filled(found) : null;
    }

    /// <summary>The ingredient a recipe's line means ("eggs, large" means egg); null when it is not known.</summary>
    public Ingredient? Meant(string words) => Find(words) ?? LineReader.Read(words, this).Ingredient;

    /// <summary>A flour whose cup weighs what the habit makes of it. Flours without figures of their own follow plain flour in
    /// proportion.</summary>
    private Ingredient Filled(Ingredient ingredient)
    {
        if (Habit == FlourHabit.Table || !ingredient.IsFlour || ingredient.CupGrams is not { } cup)
            return ingredient;
        var form = Habit == FlourHabit.Spooned ? "spooned" : "dipped";
        var usual = Habit == FlourHabit.Spooned ? 120.0 / 125 : 140.0 / 125;
        return ingredient with { CupGrams = ingredient.Forms.TryGetValue(form, out var grams) ? grams : cup * usual };
    }
}
