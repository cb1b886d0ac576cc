using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Interchange;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Store.Books;

namespace Zymethos.Web.Books;

/// <summary>A kitchen with what it knows of ingredients.</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Knowledge">The table with the kitchen's own ingredients and its flour habit.</param>
public sealed record KnownKitchen(Kitchen Kitchen, IngredientKnowledge Knowledge)
{
    /// <summary>The pans a recipe may name.</summary>
    public IReadOnlyList<Pan> Pans => [.. Kitchen.Cupboard.Select(p => p.Pan).Concat(PanCupboard.Ordinary.Select(p => p.Pan)).DistinctBy(p => p.Name)];

    /// <summary>What holds for one recipe: its writer's flour habit wins over the kitchen's.</summary>
    public IngredientKnowledge For(Recipe recipe)
    {
        var knowledge = recipe.FlourHabit is { } habit ? Knowledge.With(habit) : Knowledge;
        return recipe.Dialect is { } dialect ? knowledge.With(dialect) : knowledge;
    }
}

/// <summary>The Book of the current kitchen: reads recipes, and saves them so that every version is kept.</summary>
public sealed class KitchenBook(ZymethosContext context, IClock clock)
{
    /// <summary>Keys that are addresses of the Book itself.</summary>
    private static readonly HashSet<string> Reserved = new(StringComparer.Ordinal) { "weigh", "import", "ingredients", "edit", "new", "export" };

    /// <summary>The kitchen and what it knows.</summary>
    public async Task<KnownKitchen> KitchenAsync(CancellationToken cancel)
    {
        var kitchen = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen();
        var own = await context.Ingredients.AsNoTracking().OrderBy(i => i.Name).ToListAsync(cancel);
        return new KnownKitchen(kitchen, new IngredientKnowledge(own.Select(i => i.Document.ToIngredient()), kitchen.FlourHabit));
    }

    /// <summary>A recipe as it is stored; null when there is none.</summary>
    public async Task<RecipeRow?> FindAsync(string key, CancellationToken cancel) =>
        await context.Recipes.AsNoTracking().SingleOrDefaultAsync(r => r.Key == key, cancel);

    /// <summary>
    /// Saves a recipe. An earlier state that was never kept (a recipe that shipped) is kept first. A new recipe whose key is taken gets a number behind it.
    /// </summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="note">What was done, in a few words.</param>
    /// <param name="isNew">Whether it must not replace a recipe of the same key.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>The key it was saved under.</returns>
    public async Task<string> SaveAsync(Recipe recipe, string note, bool isNew, CancellationToken cancel)
    {
        var key = isNew ? await FreeKeyAsync(recipe.Key, cancel) : recipe.Key;
        var document = DocumentWriter.Write(recipe with { Key = key });
        var row = await context.Recipes.SingleOrDefaultAsync(r => r.Key == key, cancel);
        var last = await context.RecipeVersions.Where(v => v.Key == key).MaxAsync(v => (int?)v.Number, cancel) ?? 0;
        if (row is null)
        {
            row = new RecipeRow { Id = Guid.CreateVersion7(), Key = key };
            context.Recipes.Add(row);
        }
        else if (last == 0)
        {
            Keep(key, ++last, "As it came", row.Document);
        }

        row.Name = document.Name;
        row.Document = document;
        Keep(key, last + 1, note, document);
        await context.SaveChangesAsync(cancel);
        return key;
    }

    /// <summary>Takes a recipe out of the Book. Its versions stay, so it can be brought back.</summary>
    public async Task<bool> RemoveAsync(string key, CancellationToken cancel)
    {
        if (await context.Recipes.SingleOrDefaultAsync(r => r.Key == key, cancel) is not { } row) return false;
        var last = await context.RecipeVersions.Where(v => v.Key == key).MaxAsync(v => (int?)v.Number, cancel) ?? 0;
        Keep(key, last + 1, "Taken out of the Book", row.Document);
        context.Recipes.Remove(row);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    private void Keep(string key, int number, string note, RecipeDocument document) => context.RecipeVersions.Add(new RecipeVersionRow
    {
        Id = Guid.CreateVersion7(),
        Key = key,
        Number = number,
        SavedAt = clock.GetCurrentInstant(),
        Note = note.Length <= 200 ? note : note[..200],
        Document = document,
    });

    private async Task<string> FreeKeyAsync(string key, CancellationToken cancel)
    {
        if (Reserved.Contains(key)) key = $"{key}-recipe";
        var taken = await context.Recipes.Where(r => r.Key.StartsWith(key)).Select(r => r.Key).ToListAsync(cancel);
        var free = key;
        for (var n = 2; taken.Contains(free); n++) free = $"{key}-{n}";
        return free;
    }
}
