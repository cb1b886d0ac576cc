using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Demo;

/// <summary>The demo kitchen: invented, with recipes of our own, shipped as documents of the open format.</summary>
public static class DemoKitchen
{
    /// <summary>The kitchen.</summary>
    /// <exception cref="InvalidDataException">The shipped document is damaged.</exception>
    public static KitchenDocument Kitchen() => Read<KitchenDocument>("Zymethos.Interchange.Demo.kitchen.json");

    /// <summary>The recipes of its Book, in the order of the file names.</summary>
    /// <exception cref="InvalidDataException">A shipped document is damaged.</exception>
    public static IReadOnlyList<RecipeDocument> Recipes() =>
        [
            .. typeof(DemoKitchen)
                .Assembly.GetManifestResourceNames()
                .Where(n => n.StartsWith("Zymethos.Interchange.Demo.Recipes.", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal)
                .Select(Read<RecipeDocument>),
        ];

    private static T Read<T>(string name)
        where T : class
    {
        using var stream =
            typeof(DemoKitchen).Assembly.GetManifestResourceStream(name) ?? throw new InvalidDataException($"{name} is not shipped.");
        using var copy = new MemoryStream();
        stream.CopyTo(copy);
        var (value, fault) = OpenJson.Read<T>(copy.ToArray());
        return value ?? throw new InvalidDataException($"{name}: {fault!.Path} {fault.Message}");
    }
}
