using System.Collections.Immutable;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>Lines of a recipe in cups, spoons and pieces, in grams.</summary>
public sealed class CupsCalculator : Calculator
{
    private const int MostLines = 60;

    /// <inheritdoc />
    public override string Address => "cups-to-grams";

    /// <inheritdoc />
    public override string Name => "Cups to grams";

    /// <inheritdoc />
    public override string Promise => "each line of a recipe weighed, by ingredient";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Measures;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        new(
            "lines",
            "Lines, as they stand in the recipe",
            FieldKind.Lines,
            "2 1/4 cups all-purpose flour\n3/4 cup packed brown sugar\n1 stick butter\n2 large eggs\n1 tsp baking soda"
        ),
        CalculatorField.Choice(
            "flour",
            "Flour into the cup",
            ("Table", "as tables have it"),
            ("Spooned", "spooned in, levelled"),
            ("Dipped", "dipped, levelled")
        ),
        CalculatorField.Choice("cup", "The cup is", ("American", "a US cup, 237 ml"), ("Metric", "a metric cup, 250 ml")),
        CalculatorField.Number("times", "Times", "1", "the recipe", 0.05, 200),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "The volume of the measure times what a cup of that ingredient weighs. Eggs are counted at 50 g without shell.";

    /// <inheritdoc />
    public override string Source =>
        "Weights of cups from the table of ingredients that the Book uses: USDA FoodData Central and published charts, line by line, many "
        + "from memory; the measures from NIST Handbook 44.";

    /// <inheritdoc />
    public override string Limits =>
        "A cup of flour is anything from 110 to 150 g, by how it is filled: the weight is a middle. What is not known is left without one.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (times, dialect) = (asked.Value("times"), Enum.Parse<Dialect>(asked.Chosen("cup")));
        var knowledge = new IngredientKnowledge([], Enum.Parse<FlourHabit>(asked.Chosen("flour")), dialect);
        var lines = asked.Typed("lines").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).ToList();
        if (lines.Count == 0)
            asked.Fault("lines", "A line like: 2 cups flour.");
        if (lines.Count > MostLines)
            asked.Fault("lines", $"{MostLines} lines at most at once.");
        if (asked.Wrong.Count > 0)
            return new("");
        var read = lines
            .Select(l => LineReader.Read(l.Length > LineReader.LongestLine ? l[..LineReader.LongestLine] : l, knowledge))
            .ToList();
        var known = read.Where(r => r.Weight is { Grams: > 0 }).ToList();
        var sum = known.Sum(r => r.Weight!.Value.Grams) * times;
        return new(
            known.Count == 0 ? "None of these lines can be weighed."
            : known.Count == read.Count ? $"{Told.Weight(sum)} in all."
            : $"{Told.Weight(sum)} in all, without {Told.Many(read.Count - known.Count, "line")} that cannot be weighed."
        )
        {
            Values = [new("all", Math.Round(sum, 1), "g"), new("weighed", known.Count, ""), new("lines", read.Count, "")],
            Tables =
            [
                new(
                    "",
                    ["The line", "Weighs", "Read as"],
                    [
                        .. read.Select(r =>
                            ImmutableArray.Create(
                                r.Text,
                                r.Weight is { } w ? Told.Weight(w.Grams * times) : "not known",
                                r.Ingredient is { } i ? (r.IsGuessed ? $"{i.Name}? A guess" : i.Name) : "not known"
                            )
                        ),
                    ]
                ),
            ],
            Sketches =
                known.Count == 0 ? [] : [Sketch([.. known.Select(r => (r.Ingredient?.Name ?? r.Name, r.Weight!.Value.Grams * times))])],
        };
    }

    private static ScaleSketch Sketch(ImmutableArray<(string Name, double Grams)> lines)
    {
        var most = lines.Max(l => l.Grams);
        var step = Math.Pow(10, Math.Floor(Math.Log10(most)));
        return new(
            "The weights of the lines against each other",
            "g",
            0,
            Math.Ceiling(most / step) * step,
            [.. lines.Take(16).Select(l => new SketchStretch(l.Name, 0, l.Grams))]
        );
    }
}
