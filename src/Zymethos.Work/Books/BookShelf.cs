using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Store.Books;
using Zymethos.Store.Kitchens;

namespace Zymethos.Work.Books;

/// <summary>A recipe of the Book, read.</summary>
/// <param name="Row">Its row as it stands in the database; shared, never to be changed.</param>
/// <param name="Recipe">The recipe.</param>
/// <param name="Missing">What keeps a day from being planned with it, in sentences; empty when nothing does.</param>
public sealed record ShelvedRecipe(RecipeRow Row, Recipe Recipe, IReadOnlyList<string> Missing)
{
    /// <summary>Whether a day can be planned with it.</summary>
    public bool IsPlannable => Missing.Count == 0;
}

/// <summary>A kitchen with its whole Book, as they stood at one moment.</summary>
/// <param name="Stamp">The state they were read in: another one whenever kitchen, recipes or own ingredients change.</param>
/// <param name="KitchenRow">The kitchen's row; shared, never to be changed.</param>
/// <param name="Known">The kitchen with what it knows of ingredients.</param>
/// <param name="Recipes">Every recipe, by name as the database sorts them.</param>
public sealed record BookShelf(string Stamp, KitchenRow KitchenRow, KnownKitchen Known, ImmutableArray<ShelvedRecipe> Recipes)
{
    /// <summary>Every recipe.</summary>
    public IReadOnlyList<Recipe> All { get; } = [.. Recipes.Select(r => r.Recipe)];
}
