using System.Collections.Immutable;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>What an ingredient is beside its allergens, for diets.</summary>
[Flags]
public enum IngredientTraits
{
    /// <summary>Nothing particular.</summary>
    None = 0,

    /// <summary>Contains alcohol.</summary>
    Alcohol = 1,

    /// <summary>Comes from an animal, milk and eggs included.</summary>
    Animal = 2,

    /// <summary>Is or contains honey.</summary>
    Honey = 4,

    /// <summary>Comes from a killed animal (lard, gelatine).</summary>
    Meat = 8,
}

/// <summary>Shares of the weight, in percent. What is missing to 100 is fibre, starch, ash.</summary>
/// <param name="Water">Water.</param>
/// <param name="Fat">Fat.</param>
/// <param name="Sugar">Sugars.</param>
/// <param name="Protein">Protein.</param>
public sealed record Composition(double Water, double Fat, double Sugar, double Protein);

/// <summary>A baking ingredient.</summary>
/// <param name="Name">What it is called here.</param>
/// <param name="Aliases">What else it is called, in lower case.</param>
/// <param name="CupGrams">Grams in a US cup as it usually is; null for what is not measured in cups.</param>
/// <param name="Forms">Grams in a US cup by form ("packed", "sifted", "chopped").</param>
/// <param name="Pieces">Grams of a piece by its name or size ("large", "stick", "packet", "piece").</param>
/// <param name="Source">Where the weights come from.</param>
/// <param name="Packages">Usual packages, in grams.</param>
/// <param name="Allergens">What must be declared.</param>
/// <param name="Traits">What else matters to diets.</param>
/// <param name="Composition">Rough composition.</param>
public sealed record Ingredient(
    string Name,
    ImmutableArray<string> Aliases,
    double? CupGrams,
    ImmutableDictionary<string, double> Forms,
    ImmutableDictionary<string, double> Pieces,
    string Source,
    ImmutableArray<double> Packages,
    ImmutableArray<Allergen> Allergens,
    IngredientTraits Traits,
    Composition Composition
)
{
    /// <summary>Allergens that its label often names, by brand: neither stated nor ruled out without a look at it. May be empty.</summary>
    public ImmutableArray<Allergen> OnLabels { get; init; } = [];

    /// <summary>What has to be asked whenever it is used ("which kosher salt?"). May be empty.</summary>
    public string Asks { get; init; } = "";

    /// <summary>What it does in a dough or batter.</summary>
    public IngredientRole Role { get; init; }

    /// <summary>Whether it counts as flour in baker's percentages.</summary>
    public bool IsFlour => Role == IngredientRole.Flour;

    /// <summary>Whether it is a flavouring made with spirit ("vanilla extract") and used by the teaspoon.</summary>
    public bool IsExtract => Role == IngredientRole.Extract;

    /// <summary>Grams in a US cup in a form; the usual weight when the form makes no difference. Null when it is not measured in
    /// cups.</summary>
    public double? CupIn(IEnumerable<string> forms)
    {
        foreach (var form in forms)
        {
            if (Forms.TryGetValue(form, out var grams))
                return grams;
        }

        return CupGrams;
    }
}
