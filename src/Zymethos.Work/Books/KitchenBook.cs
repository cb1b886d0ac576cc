using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Work.House;

namespace Zymethos.Work.Books;

/// <summary>A kitchen with what it knows of ingredients.</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Knowledge">The table with the kitchen's own ingredients and its flour habit.</param>
public sealed record KnownKitchen(Kitchen Kitchen, IngredientKnowledge Knowledge)
{
    /// <summary>The pans a recipe may name.</summary>
    public IReadOnlyList<Pan> Pans =>
        [.. Kitchen.Cupboard.Select(p => p.Pan).Concat(PanCupboard.Ordinary.Select(p => p.Pan)).DistinctBy(p => p.Name)];

    /// <summary>What holds for one recipe: its writer's flour habit wins over the kitchen's.</summary>
    public IngredientKnowledge For(Recipe recipe)
    {
        var knowledge = recipe.FlourHabit is { } habit ? Knowledge.With(habit) : Knowledge;
        return recipe.Dialect is { } dialect ? knowledge.With(dialect) : knowledge;
    }
}

/// <summary>The Book of the current kitchen: reads recipes, and saves them so that every version is kept.</summary>
public sealed class KitchenBook(ZymethosContext context, WorkedOut worked, IClock clock)
{
    /// <summary>Keys that are addresses of the Book itself.</summary>
    private static readonly HashSet<string> Reserved = new(StringComparer.Ordinal)
    {
        "weigh",
        "import",
        "ingredients",
        "edit",
        "new",
        "export",
    };

    /// <summary>The kitchen and what it knows.</summary>
    public async Task<KnownKitchen> KitchenAsync(CancellationToken cancel) => (await ShelfAsync(cancel)).Known;

    /// <summary>The kitchen with its whole Book. It asks the database for one line, and for more only when something was changed.</summary>
    /// <exception cref="InvalidOperationException">Nobody is signed in, or the kitchen is gone.</exception>
    public async Task<BookShelf> ShelfAsync(CancellationToken cancel)
    {
        var kitchen = context.KitchenId ?? throw new InvalidOperationException("There is no kitchen here.");
        // One who reads in measures of their own has a shelf of their own.
        var stamp = await StampAsync(context, kitchen, cancel) + context.Own.Key;
        return await worked.GetAsync<BookShelf>(
                kitchen,
                $"book{context.Own.Key}",
                stamp,
                s => 2 + (s.Recipes.Length * 3),
                async () => await ReadAsync(stamp, cancel),
                cancel
            ) ?? throw new InvalidOperationException("There is no kitchen here.");
    }

    private async Task<BookShelf> ReadAsync(string stamp, CancellationToken cancel)
    {
        var row = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
        var kitchen = context.Own.Of(row.ToKitchen());
        var known = new KnownKitchen(kitchen, await KnowledgeAsync(context, kitchen.FlourHabit, cancel));
        var recipes = await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel);
        return new BookShelf(
            stamp,
            row,
            known,
            [
                .. recipes.Select(r =>
                {
                    var recipe = r.ToRecipe();
                    return new ShelvedRecipe(r, recipe, RecipeCheck.Missing(recipe));
                }),
            ]
        );
    }

    /// <summary>The state of a kitchen, its recipes and its own ingredients: every write changes a row's xmin and so their sum, every
    /// removal their number. (The largest alone would miss a transaction that began earlier and ended later.)</summary>
    private static Task<string> StampAsync(ZymethosContext context, Guid kitchen, CancellationToken cancel) =>
        context
            .Database.SqlQuery<string>(
                $"""
                SELECT concat_ws('.',
                  (SELECT xmin::text FROM kitchens WHERE "Id" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM recipes WHERE "KitchenId" = {kitchen}),
                  (SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) FROM ingredients WHERE "KitchenId" = {kitchen})) AS "Value"
                """
            )
            .SingleAsync(cancel);

    /// <summary>What the kitchen of a context knows of ingredients: the table and its own.</summary>
    public static async Task<IngredientKnowledge> KnowledgeAsync(ZymethosContext context, FlourHabit habit, CancellationToken cancel)
    {
        var own = await context.Ingredients.AsNoTracking().OrderBy(i => i.Name).ToListAsync(cancel);
        return new IngredientKnowledge(own.Select(i => i.Document.ToIngredient()), habit);
    }

    /// <summary>A recipe as it is stored; null when there is none.</summary>
    public async Task<RecipeRow?> FindAsync(string key, CancellationToken cancel) =>
        await context.Recipes.AsNoTracking().SingleOrDefaultAsync(r => r.Key == key, cancel);

    /// <summary>
    /// Saves a recipe. An earlier state that was never kept (a recipe that shipped) is kept first. A new recipe whose key is taken gets a
    /// number behind it.
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

    /// <summary>What a slower baker does about it where nothing of theirs was kept.</summary>
    public const string NotKept = "Yours was not kept: look at theirs, and do it again if it still fits.";

    /// <summary>What somebody else did to a recipe since it was seen, in a sentence; empty where it is as it was seen, or where nobody was
    /// shown one.</summary>
    /// <param name="key">Its key.</param>
    /// <param name="seen">The recipe as it was shown to whoever asks (<see cref="Seen"/>).</param>
    /// <param name="cancel">Stops.</param>
    public async Task<string> ConflictAsync(string key, string? seen, CancellationToken cancel)
    {
        if (string.IsNullOrEmpty(seen))
            return "";
        var row = await FindAsync(key, cancel);
        if (!Seen.IsStale(seen, Seen.Of(key, row)))
            return "";
        var theirs = await context
            .RecipeVersions.AsNoTracking()
            .Where(v => v.Key == key)
            .OrderByDescending(v => v.Number)
            .Select(v => v.Note)
            .FirstOrDefaultAsync(cancel);
        var what = string.IsNullOrEmpty(theirs) ? "" : $": “{theirs.TrimEnd('.')}”";
        return $"This recipe was changed from another page{what}.";
    }

    /// <summary>Takes a recipe out of the Book. Its versions stay, so it can be brought back.</summary>
    public async Task<bool> RemoveAsync(string key, CancellationToken cancel)
    {
        if (await context.Recipes.SingleOrDefaultAsync(r => r.Key == key, cancel) is not { } row)
            return false;
        var last = await context.RecipeVersions.Where(v => v.Key == key).MaxAsync(v => (int?)v.Number, cancel) ?? 0;
        Keep(key, last + 1, "Taken out of the Book", row.Document);
        context.Recipes.Remove(row);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    private void Keep(string key, int number, string note, RecipeDocument document) =>
        context.RecipeVersions.Add(
            new RecipeVersionRow
            {
                Id = Guid.CreateVersion7(),
                Key = key,
                Number = number,
                SavedAt = clock.GetCurrentInstant(),
                Note = note.Length <= 200 ? note : note[..200],
                Document = document,
            }
        );

    private async Task<string> FreeKeyAsync(string key, CancellationToken cancel)
    {
        if (Reserved.Contains(key))
            key = $"{key}-recipe";
        var taken = await context.Recipes.Where(r => r.Key.StartsWith(key)).Select(r => r.Key).ToListAsync(cancel);
        var free = key;
        for (var n = 2; taken.Contains(free); n++)
            free = $"{key}-{n}";
        return free;
    }
}
