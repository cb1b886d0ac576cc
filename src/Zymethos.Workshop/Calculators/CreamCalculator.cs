using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using Zymethos.Workshop.Layers;

namespace Zymethos.Workshop.Calculators;

/// <summary>So much of a filling or coat: what goes in, how it is made and kept.</summary>
public sealed class CreamCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "creams";

    /// <inheritdoc />
    public override string Name => "Buttercream, curd, custard";

    /// <inheritdoc />
    public override string Promise => "what goes into so much of it, by how it is made";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cakes;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("kind", "What", [.. Cream.All.Select(c => (c.Word, c.Name))]),
        CalculatorField.Weight("weight", "How much", "800 g", 20, 40_000),
    ];

    /// <inheritdoc />
    public override string Formula => "Its parts by weight, multiplied.";

    /// <inheritdoc />
    public override string Source => "Proportions: common practice, no source. Egg to 71 °C (160 °F): USDA FSIS, from memory.";

    /// <inheritdoc />
    public override string Limits => "What boils away while it cooks is not in it: custards and curds lose about a twentieth.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var cream = Cream.Of(asked.Chosen("kind"));
        var weight = asked.Value("weight");
        if (asked.Wrong.Count > 0)
            return new("");
        var parts = cream.For(weight);
        return new(string.Join(", ", parts.Select(p => $"{Told.Grams(p.Grams)} {p.Ingredient}")) + ".")
        {
            Values = [.. parts.Select(p => new ReckonedValue(p.Ingredient, Math.Round(p.Grams, 1), "g"))],
            Tables = [Table(cream, weight)],
            Notes = [cream.Method, cream.Keeps],
            Cautions = cream.Care.Length > 0 ? [cream.Care] : [],
            Recipe = RecipeOf([(cream, weight)], cream.Name),
            Sketches =
            [
                new ScaleSketch(
                    $"The parts of {cream.Name} by weight",
                    "g",
                    0,
                    Math.Ceiling(parts.Max(p => p.Grams) / 50) * 50,
                    [.. parts.Select(p => new SketchStretch(p.Ingredient, 0, p.Grams))]
                ),
            ],
        };
    }

    /// <summary>What goes into so much of a cream.</summary>
    internal static ReckonedTable Table(Cream cream, double grams) =>
        new(
            $"{char.ToUpperInvariant(cream.Name[0])}{cream.Name[1..]}, {Told.Weight(grams)}",
            ["", "Weighs"],
            [.. cream.For(grams).Select(p => ImmutableArray.Create(p.Ingredient, Told.Weight(p.Grams)))]
        );

    /// <summary>The creams as a recipe in words.</summary>
    internal static string RecipeOf(ImmutableArray<(Cream Cream, double Grams)> creams, string name)
    {
        var text = new StringBuilder().AppendLine(char.ToUpperInvariant(name[0]) + name[1..]).AppendLine();
        var made = creams.Where(c => c.Grams > 0.5).ToList();
        foreach (var (cream, grams) in made)
        {
            if (made.Count > 1)
                text.AppendLine(CultureInfo.InvariantCulture, $"For the {cream.Name}:");
            foreach (var (ingredient, weight) in cream.For(grams))
                text.AppendLine(CultureInfo.InvariantCulture, $"{weight:0} g {ingredient}");
            text.AppendLine();
        }

        text.AppendLine("Method");
        for (var i = 0; i < made.Count; i++)
            text.AppendLine(CultureInfo.InvariantCulture, $"{i + 1}. {made[i].Cream.Method}");
        return text.ToString();
    }
}
