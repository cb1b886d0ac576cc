using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>Salt, yeast and leaveners against the flour, and whether that is usual.</summary>
public sealed class BandsCalculator : Calculator
{
    private const double TeaspoonOfLeavener = 4.6;
    private const double CupOfFlour = 125;

    // By percent of the flour; leaveners by teaspoons to a cup of it. Common practice, no source; the same bands as the Book's.
    private static readonly ImmutableArray<(
        string Word,
        string Says,
        (double, double) Salt,
        (double, double) Yeast,
        (double, double) Lift
    )> Kinds =
    [
        ("bread", "bread", (1.2, 2.3), (0.3, 2.0), (0, 0)),
        ("buns", "buns, sweet dough", (0.8, 2.2), (0.7, 2.5), (0, 0)),
        ("quick", "quick loaf", (0.5, 2.0), (0, 0), (0.9, 3.0)),
        ("muffins", "muffins", (0.5, 2.0), (0, 0), (0.9, 2.6)),
        ("cake", "layer cake", (0.3, 2.0), (0, 0), (0.6, 2.0)),
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
        var lift = (powder + (4 * soda)) / TeaspoonOfLeavener / (flour / CupOfFlour);
        (string Name, double Value, double Low, double High, string Unit, double Gram)[] bands =
        [
            ("Salt", 100 * salt / flour, kind.Salt.Item1, kind.Salt.Item2, "% of flour", flour / 100),
            ("Yeast, as instant", 100 * instant / flour, kind.Yeast.Item1, kind.Yeast.Item2, "% of flour", flour / 100),
            (
                "Lift, as baking powder",
                lift,
                kind.Lift.Item1,
                kind.Lift.Item2,
                "tsp a cup of flour",
                TeaspoonOfLeavener * flour / CupOfFlour
            ),
        ];
        var shown = bands.Where(b => b.High > 0 || b.Value > 0).ToList();
        var odd = shown.Where(b => b.Value < b.Low - 1e-9 || b.Value > b.High + 1e-9).ToList();
        return new(
            odd.Count == 0
                ? "All of it is usual."
                : string.Join(
                    " ",
                    odd.Select(b =>
                        b.High <= 0
                            ? $"{b.Name} is not usual here. Is it meant?"
                            : $"{b.Name} {Told.Number(b.Value, 2)} {b.Unit} is {(b.Value < b.Low ? "less" : "more")} than usual "
                                + $"({Told.Number(b.Low, 2)} to {Told.Number(b.High, 2)}). Is it meant?"
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
                                b.High <= 0 ? "none" : $"{Told.Grams(b.Low * b.Gram)} to {Told.Grams(b.High * b.Gram)}"
                            )
                        ),
                    ]
                ),
            ],
            Notes = soda > 0 ? ["Soda wants something sour beside it: buttermilk, yoghurt, honey, cocoa that is not dutched."] : [],
            Sketches =
            [
                .. shown
                    .Where(b => b.High > 0)
                    .Select(b => new ScaleSketch(
                        $"{b.Name}: usual from {Told.Number(b.Low, 2)} to {Told.Number(b.High, 2)}, yours {Told.Number(b.Value, 2)}",
                        b.Unit,
                        0,
                        Math.Ceiling(Math.Max(b.High, Math.Min(b.Value, 4 * b.High)) * 1.25),
                        [new(b.Name, b.Low, b.High)]
                    )
                    {
                        Marks = [(Math.Min(b.Value, 4 * b.High), "yours")],
                    }),
            ],
        };
    }

    private static string Word(string name) =>
        name[0] switch
        {
            'S' => "salt",
            'Y' => "yeast",
            _ => "lift",
        };
}
