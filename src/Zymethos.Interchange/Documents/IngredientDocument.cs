using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Interchange.Documents;

/// <summary>An ingredient that a kitchen adds or overrules.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Aliases">What else it is called.</param>
/// <param name="GramsPerCup">Grams in a US cup; left out for what is not measured in cups.</param>
/// <param name="GramsPerPiece">Grams of a piece; left out for what is not counted.</param>
/// <param name="PackageGrams">What a package holds; left out when it does not matter.</param>
/// <param name="Allergens">What must be declared, by the names of the format ("milk", "treeNut").</param>
/// <param name="Traits">alcohol, animal, honey or meat.</param>
/// <param name="Water">Water, in percent of the weight.</param>
/// <param name="Fat">Fat, in percent.</param>
/// <param name="Sugar">Sugars, in percent.</param>
/// <param name="Protein">Protein, in percent.</param>
public sealed record IngredientDocument(
    string Name,
    IReadOnlyList<string>? Aliases = null,
    double? GramsPerCup = null,
    double? GramsPerPiece = null,
    double? PackageGrams = null,
    IReadOnlyList<string>? Allergens = null,
    IReadOnlyList<string>? Traits = null,
    double Water = 0,
    double Fat = 0,
    double Sugar = 0,
    double Protein = 0
)
{
    /// <summary>What is wrong with it; empty when nothing is.</summary>
    public IReadOnlyList<Fault> Faults()
    {
        var faults = new List<Fault>();
        if (Name.Trim().Length is 0 or > 80)
            faults.Add(new Fault("name", "Give the ingredient a name of up to 80 characters."));
        if (GramsPerCup is { } cup && !(cup is > 5 and < 1000))
            faults.Add(new Fault("gramsPerCup", "A cup weighs between 5 and 1000 g."));
        if (GramsPerPiece is { } piece && !(piece is > 0 and < 20_000))
            faults.Add(new Fault("gramsPerPiece", "A piece weighs above 0 g and below 20 kg."));
        if (PackageGrams is { } package && !(package is > 0 and < 100_000))
            faults.Add(new Fault("packageGrams", "A package holds above 0 g and below 100 kg."));
        if (GramsPerCup is null && GramsPerPiece is null)
            faults.Add(new Fault("gramsPerCup", "Say what a cup or a piece of it weighs: without either it cannot be weighed."));
        foreach (var (share, at) in new[] { (Water, "water"), (Fat, "fat"), (Sugar, "sugar"), (Protein, "protein") })
        {
            if (!(share is >= 0 and <= 100))
                faults.Add(new Fault(at, "A share lies between 0 and 100 %."));
        }

        if (faults.Count == 0 && Water + Fat + Sugar + Protein > 101)
            faults.Add(new Fault("water", "The shares add up to more than the whole."));
        foreach (var word in (Allergens ?? []).Where(a => Find<Allergen>(a) is null))
            faults.Add(new Fault("allergens", $"\"{word}\" is not an allergen of the lists."));
        foreach (var word in (Traits ?? []).Where(t => Find<IngredientTraits>(t) is null))
            faults.Add(new Fault("traits", $"\"{word}\" is not known."));
        return faults;
    }

    /// <summary>The ingredient as the core knows it. Unknown words are passed over; <see cref="Faults"/> names them.</summary>
    public Ingredient ToIngredient() =>
        new(
            Name.Trim(),
            [.. (Aliases ?? []).Select(a => a.Trim().ToLowerInvariant()).Where(a => a.Length > 0)],
            GramsPerCup,
            ImmutableDictionary<string, double>.Empty,
            GramsPerPiece is { } piece
                ? ImmutableDictionary<string, double>.Empty.Add("piece", piece)
                : ImmutableDictionary<string, double>.Empty,
            "the kitchen's own",
            PackageGrams is { } package ? [package] : [],
            [.. (Allergens ?? []).Select(Find<Allergen>).OfType<Allergen>().Distinct().Order()],
            (Traits ?? []).Select(Find<IngredientTraits>).OfType<IngredientTraits>().Aggregate(IngredientTraits.None, (t, a) => t | a),
            new Composition(Water, Fat, Sugar, Protein)
        )
        {
            Role = IngredientRoles.OfOwn(Name, [.. (Allergens ?? []).Select(Find<Allergen>).OfType<Allergen>()]),
        };

    private static T? Find<T>(string word)
        where T : struct, Enum
    {
        foreach (var value in Enum.GetValues<T>())
        {
            if (string.Equals(DocumentWords.Of(value), word, StringComparison.OrdinalIgnoreCase))
                return value;
        }

        return null;
    }
}
