using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Tests;

/// <summary>The kitchen and the recipes that ship.</summary>
internal static class Shipped
{
    private static readonly Dictionary<string, Recipe> Recipes = DemoKitchen
        .Recipes()
        .ToDictionary(r => r.Key, r => new DocumentReader().Read(r, "recipe"));

    public static IEnumerable<string> Keys => Recipes.Keys;

    public static Recipe Recipe(string key) => Recipes[key];

    public static Zymethos.Core.Kitchens.Kitchen Kitchen() => new DocumentReader().Read(DemoKitchen.Kitchen(), "kitchen");
}
