using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>Cans of the size that is sold for cans of the size that a recipe means.</summary>
public sealed class CansCalculator : Calculator
{
    // Weight of what is in it and its volume in US cups: extension tables of can sizes, from memory.
    private static readonly ImmutableArray<(string Name, double Grams, double Cups)> Sizes =
    [
        ("No. 1 picnic", 300, 1.25),
        ("No. 300", 425, 1.75),
        ("No. 303", 454, 2),
        ("No. 2", 567, 2.5),
        ("No. 2½", 794, 3.5),
        ("No. 3 cylinder", 1304, 5.75),
        ("No. 10", 3005, 12.5),
    ];

    /// <inheritdoc />
    public override string Address => "cans";

    /// <inheritdoc />
    public override string Name => "Can for can";

    /// <inheritdoc />
    public override string Promise => "how many of your cans, what stays over, and the batch that uses all of it";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Measures;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Number("cans", "The recipe wants", "1", "cans", 0.1, 200) with
        {
            Group = "As the recipe has it",
        },
        CalculatorField.Weight("each", "of", "425 g", 20, 5000),
        CalculatorField.Weight("sold", "Yours hold", "400 g", 20, 5000) with
        {
            Group = "As the shop has it",
        },
        CalculatorField.Number("play", "Near enough within", "8", "%", 0, 25),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "What the recipe wants over what a can of yours holds, rounded up unless what is missing is within what you call near enough.";

    /// <inheritdoc />
    public override string Source => "Arithmetic. The table of can numbers is from extension tables of can sizes, from memory.";

    /// <inheritdoc />
    public override string Limits =>
        "Weights on a label are those of the whole content. Fruit in syrup and beans in brine: take the drained weight for both.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (cans, each, sold, play) = (asked.Value("cans"), asked.Value("each"), asked.Value("sold"), asked.Value("play"));
        if (asked.Wrong.Count > 0)
            return new("");
        var wanted = cans * each;
        var count = Math.Max(1, (int)Math.Ceiling((wanted * (1 - (play / 100)) / sold) - 1e-9));
        var over = (count * sold) - wanted;
        var all = count * sold / wanted;
        return new(
            $"{Told.Many(count, "can")} of yours"
                + (
                    over > 0.5 ? $", with {Told.Weight(over)} over."
                    : over < -0.5 ? $": {Told.Weight(-over)} short, which is near enough."
                    : "."
                )
        )
        {
            Times = Math.Abs(all - 1) > 0.005 ? all : null,
            Values =
            [
                new("cans", count, ""),
                new("wanted", Math.Round(wanted, 1), "g"),
                new("over", Math.Round(over, 1), "g"),
                new("timesToUseAll", Math.Round(all, 4), ""),
            ],
            Notes =
                over > 0.5 && Math.Abs(all - 1) < 0.6
                    ?
                    [
                        $"To use all of it, take the recipe {Told.Number(all, 2)} times.",
                        "What is open goes out of the can and into the " + "refrigerator, or is frozen in portions that a recipe wants.",
                    ]
                    : [],
            Tables =
            [
                new(
                    "Cans by number",
                    ["Can", "Holds about", "In measures"],
                    [.. Sizes.Select(s => ImmutableArray.Create(s.Name, Told.Weight(s.Grams), $"{Told.Number(s.Cups, 2)} cups"))]
                ),
            ],
            Sketches = [Sketch(wanted, each, cans, sold, count)],
        };
    }

    // Cans of one height, as wide as their content asks for: a bar of cans against a bar of cans.
    private static PlanSketch Sketch(double wanted, double each, double cans, double sold, int count)
    {
        var most = Math.Max(wanted, count * sold);
        var scale = 600 / most;
        var shapes = ImmutableArray.CreateBuilder<SketchShape>();
        for (var i = 0; i < Math.Min(60, Math.Ceiling(cans)); i++)
            shapes.Add(SketchShape.Box(i * each * scale, 0, Math.Min(1, cans - i) * each * scale, 70, SketchFill.Dough));
        for (var i = 0; i < Math.Min(60, count); i++)
            shapes.Add(SketchShape.Box(i * sold * scale, 90, sold * scale, 70, SketchFill.Cream));
        shapes.Add(new([(wanted * scale, 0), (wanted * scale, 160)], SketchFill.Strong) { IsClosed = false });
        return new("The recipe's cans above, yours below; the line is what the recipe wants", 610, 165, shapes.ToImmutable())
        {
            IsToScale = false,
            Words = [(60, 40, "recipe"), (60, 130, "yours")],
        };
    }
}
