using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Workshop.Calculators;

/// <summary>Salt, yeast and leaveners against the flour, and whether that is usual.</summary>
public sealed class BandsCalculator : Calculator
{
    private static readonly ImmutableArray<(string Word, string Says, RecipeKind Kind)> Kinds =
    [
        ("bread", "bread", RecipeKind.Bread),
        ("buns", "buns, sweet dough", RecipeKind.Buns),
        ("quick", "quick loaf", RecipeKind.QuickLoaf),
        ("muffins", "muffins", RecipeKind.Muffins),
        ("cake", "layer cake", RecipeKind.LayerCake),
        ("ring", "ring cake", RecipeKind.RingCake),
    ];

    /// <inheritdoc />
    public override string Address => "salt-and-leaveners";

    /// <inheritdoc />
    public override string Name => "Salt and leaveners";

    /// <inheritdoc />
    public override string Promise => "whether salt, yeast, powder and soda are what such a bake usually has";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("kind", "It is", [.. Kinds.Select(k => (k.Word, k.Says))]),
        CalculatorField.Weight("flour", "Flour", "500 g", 20, 50_000),
        CalculatorField.Weight("salt", "Salt", "9 g", 0, 2000),
        CalculatorField.Weight("yeast", "Yeast", "5 g", 0, 2000),
        CalculatorField.Choice("yeastkind", "which is", ("instant", "instant"), ("active", "active dry"), ("fresh", "fresh")),
        CalculatorField.Weight("powder", "Baking powder", "0 g", 0, 1000),
        CalculatorField.Weight("soda", "Baking soda", "0 g", 0, 1000),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Salt and yeast in percent of the flour, fresh yeast counted a third, active dry four fifths; powder in teaspoons (4.6 g) to a cup "
        + "(125 g) of flour, soda counted four times.";

    /// <inheritdoc />
    public override string Source => "Common practice, no source: the same bands with which the Book asks about a recipe.";

    /// <inheritdoc />
    public override string Limits => "What lies outside is worth a question, not wrong: a salt-rising crust or a slow dough is meant to.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var kind = Kinds.First(k => k.Word == asked.Chosen("kind"));
        var (flour, salt, yeast) = (asked.Value("flour"), asked.Value("salt"), asked.Value("yeast"));
        var (powder, soda) = (asked.Value("powder"), asked.Value("soda"));
        var instant =
            yeast
            * asked.Chosen("yeastkind") switch
            {
                "fresh" => 1.0 / 3,
                "active" => 0.8,
                _ => 1,
            };
        if (asked.Wrong.Count > 0)
            return new("");
        var usual = UsualBands.Of(kind.Kind);
        var leavener = UsualBands.TeaspoonOfLeavener * flour / UsualBands.CupOfFlour;
        (string Name, UsualBand? Band, double Value, string Unit, double Gram)[] asking =
        [
            ("Salt", Find(UsualBands.Salt), 100 * salt / flour, "% of flour", flour / 100),
            ("Yeast, as instant", Find(UsualBands.Yeast), 100 * instant / flour, "% of flour", flour / 100),
            (
                "Lift, as baking powder",
                Find(UsualBands.Lift),
                (powder + (UsualBands.SodaAsPowder * soda)) / leavener,
                "tsp a cup of flour",
                leavener
            ),
        ];
        var shown = asking.Where(b => b.Band is not null || b.Value > 0).ToList();
        // Salt has a band in bread alone: elsewhere nothing is said of it. Yeast in a cake, or powder in bread, is worth a question.
        var odd = shown
            .Where(b => b.Band is { } band ? b.Value < band.Low - 1e-9 || b.Value > band.High + 1e-9 : !b.Name.StartsWith('S'))
            .ToList();
        return new(
            odd.Count == 0
                ? "All of it is usual."
                : string.Join(
                    " ",
                    odd.Select(b =>
                        b.Band is not { } band
                            ? $"{b.Name} is not usual here. Is it meant?"
                            : $"{b.Name} {Told.Number(b.Value, 2)} {b.Unit} is {(b.Value < band.Low ? "less" : "more")} than usual "
                                + $"({Told.Number(band.Low, 2)} to {Told.Number(band.High, 2)}). Is it meant?"
                    )
                )
        )
        {
            Values = [.. shown.Select(b => new ReckonedValue(Word(b.Name), Math.Round(b.Value, 3), b.Unit))],
            Tables =
            [
                new(
                    "For so much flour",
                    ["", "Yours", "Usual"],
                    [
                        .. shown.Select(b =>
                            ImmutableArray.Create(
                                b.Name,
                                $"{Told.Number(b.Value, 2)} {b.Unit}",
                                b.Band is { } band ? $"{Told.Grams(band.Low * b.Gram)} to {Told.Grams(band.High * b.Gram)}" : "not known"
                            )
                        ),
                    ]
                ),
            ],
            Notes = soda > 0 ? ["Soda wants something sour beside it: buttermilk, yoghurt, honey, cocoa that is not dutched."] : [],
            Sketches =
            [
                .. shown
                    .Where(b => b.Band is not null)
                    .Select(b => new ScaleSketch(
                        $"{b.Name}: usual from {Told.Number(b.Band!.Low, 2)} to {Told.Number(b.Band.High, 2)}, yours "
                            + $"{Told.Number(b.Value, 2)}",
                        b.Unit,
                        0,
                        Math.Ceiling(Math.Max(b.Band.High, Math.Min(b.Value, 4 * b.Band.High)) * 1.25),
                        [new(b.Name, b.Band.Low, b.Band.High)]
                    )
                    {
                        Marks = [(Math.Min(b.Value, 4 * b.Band.High), "yours")],
                    }),
            ],
        };

        UsualBand? Find(string what) => usual.FirstOrDefault(b => b.What == what);
    }

    private static string Word(string name) =>
        name[0] switch
        {
            'S' => "salt",
            'Y' => "yeast",
            _ => "lift",
        };
}
