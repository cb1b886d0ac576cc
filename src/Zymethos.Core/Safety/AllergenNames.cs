namespace Zymethos.Core.Safety;

/// <summary>Allergens as they are said on labels.</summary>
public static class AllergenNames
{
    /// <summary>The word for one ("tree nuts").</summary>
    public static string Of(Allergen allergen) =>
        allergen switch
        {
            Allergen.TreeNut => "tree nuts",
            Allergen.Peanut => "peanuts",
            Allergen.Sulphite => "sulphites",
            Allergen.Mollusc => "molluscs",
            Allergen.Gluten => "gluten",
            _ => allergen.ToString().ToLowerInvariant(),
        };
}
