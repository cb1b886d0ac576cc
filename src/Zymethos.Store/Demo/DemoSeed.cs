using Microsoft.EntityFrameworkCore;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Books;
using Zymethos.Store.Kitchens;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Demo;

/// <summary>Puts the demo kitchen into the database.</summary>
public static class DemoSeed
{
    /// <summary>Always the same, so that it can be found again.</summary>
    public static readonly Guid Id = new("0a9d2c51-6e1f-4f7e-9a53-51ce5e0b7c11");

    /// <summary>
    /// Puts kitchen and Book into an empty database; a demo kitchen that is there gets the recipes that were added since, and nothing else
    /// of it is touched.
    /// True when the kitchen was made now.
    /// </summary>
    public static async Task<bool> SeedAsync(DbContextOptions<ZymethosContext> options, CancellationToken cancel = default)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(Id));
        if (await context.Kitchens.AnyAsync(cancel))
        {
            var known = await context.RecipeVersions.Select(r => r.Key).Union(context.Recipes.Select(r => r.Key)).ToListAsync(cancel);
            context.Recipes.AddRange(Book(DemoKitchen.Recipes().Where(r => !known.Contains(r.Key))));
            await context.SaveChangesAsync(cancel);
            return false;
        }

        var document = DemoKitchen.Kitchen();
        context.Kitchens.Add(
            new KitchenRow
            {
                Id = Id,
                Name = document.Name,
                IsDemo = true,
                Document = document,
            }
        );
        context.Recipes.AddRange(Book(DemoKitchen.Recipes()));
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Recipes as new rows of whichever kitchen saves them.</summary>
    public static IEnumerable<RecipeRow> Book(IEnumerable<RecipeDocument> recipes) =>
        recipes.Select(r => new RecipeRow
        {
            Id = Guid.CreateVersion7(),
            Key = r.Key,
            Name = r.Name,
            Document = r,
        });
}
