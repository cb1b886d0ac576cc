using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Interchange;
using Zymethos.Store.Books;
using Zymethos.Store.Kitchens;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Demo;

/// <summary>The demo kitchen: invented, with recipes of our own, shipped as documents of the open format.</summary>
public static class DemoKitchen
{
    /// <summary>Always the same, so that it can be found again.</summary>
    public static readonly Guid Id = new("0a9d2c51-6e1f-4f7e-9a53-51ce5e0b7c11");

    /// <summary>The kitchen.</summary>
    /// <exception cref="InvalidDataException">The shipped document is damaged.</exception>
    public static KitchenDocument Kitchen() => Read<KitchenDocument>("Zymethos.Store.Demo.kitchen.json");

    /// <summary>The recipes of its Book, in the order of the file names.</summary>
    /// <exception cref="InvalidDataException">A shipped document is damaged.</exception>
    public static IReadOnlyList<RecipeDocument> Recipes() =>
        [.. typeof(DemoKitchen).Assembly.GetManifestResourceNames()
            .Where(n => n.StartsWith("Zymethos.Store.Demo.Recipes.", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)
            .Select(Read<RecipeDocument>)];

    /// <summary>
    /// Puts kitchen and Book into an empty database; a demo kitchen that is there gets the recipes that were added since, and nothing else of it is touched.
    /// True when the kitchen was made now.
    /// </summary>
    public static async Task<bool> SeedAsync(DbContextOptions<ZymethosContext> options, CancellationToken cancel = default)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(Id));
        if (await context.Kitchens.AnyAsync(cancel))
        {
            var known = await context.RecipeVersions.Select(r => r.Key).Union(context.Recipes.Select(r => r.Key)).ToListAsync(cancel);
            context.Recipes.AddRange(Book(Recipes().Where(r => !known.Contains(r.Key))));
            await context.SaveChangesAsync(cancel);
            return false;
        }

        var document = Kitchen();
        context.Kitchens.Add(new KitchenRow { Id = Id, Name = document.Name, IsDemo = true, Document = document });
        context.Recipes.AddRange(Book(Recipes()));
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Recipes as new rows of whichever kitchen saves them.</summary>
    public static IEnumerable<RecipeRow> Book(IEnumerable<RecipeDocument> recipes) =>
        recipes.Select(r => new RecipeRow { Id = Guid.CreateVersion7(), Key = r.Key, Name = r.Name, Document = r });

    private static T Read<T>(string name)
        where T : class
    {
        using var stream = typeof(DemoKitchen).Assembly.GetManifestResourceStream(name) ?? throw new InvalidDataException($"{name} is not shipped.");
        using var copy = new MemoryStream();
        stream.CopyTo(copy);
        var (value, fault) = OpenJson.Read<T>(copy.ToArray());
        return value ?? throw new InvalidDataException($"{name}: {fault!.Path} {fault.Message}");
    }
}
