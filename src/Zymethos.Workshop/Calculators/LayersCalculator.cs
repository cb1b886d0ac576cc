using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Workshop.Layers;

namespace Zymethos.Workshop.Calculators;

/// <summary>Layers, filling, dams, coats, drip, border and writing of a cake in tiers.</summary>
public sealed class LayersCalculator : Calculator
{
    // A layer cake rises to about one and two thirds of its batter; of its dome about an eighth is trimmed (by judgement).
    private const double Rises = 1.65;
    private const double Trimmed = 0.12;

    // A drip every two and a half centimetres, each of about 2 g; a written letter about 1.5 g (by judgement).
    private const double DripApart = 25;
    private const double DripGrams = 2;
    private const double LetterGrams = 1.5;

    // What stays on bowl and knife (common practice, no source).
    private const double Spare = 1.1;

    /// <inheritdoc />
    public override string Address => "layers";

    /// <inheritdoc />
    public override string Name => "Layers, fillings, coats";

    /// <inheritdoc />
    public override string Promise => "how much of each for a cake of one to three tiers";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cakes;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("shape", "Cake", ("round", "round"), ("square", "square")) with
        {
            Group = "The cake",
        },
        CalculatorField.Length("wide", "Across", "20", 50, 600),
        CalculatorField.Count("layers", "Layers", "4", "", 1, 12),
        CalculatorField.Length("second", "Second tier, across", "", 40, 550) with
        {
            IsOptional = true,
            Hint = "empty for none",
        },
        CalculatorField.Length("third", "Third tier, across", "", 30, 500) with
        {
            IsOptional = true,
            Hint = "empty for none",
        },
        CalculatorField.Length("high", "A layer, trimmed", "2.5 cm", 4, 120),
        CalculatorField.Weight("batter", "or batter in a pan so wide", "", 30, 8000) with
        {
            IsOptional = true,
            Hint = "then the height is reckoned",
        },
        CalculatorField.Choice("filling", "Filling", [.. Named("curd")]) with
        {
            Group = "Inside",
        },
        CalculatorField.Length("thick", "so thick", "6 mm", 0, 60),
        CalculatorField.Length("dam", "Dam, so wide", "12 mm", 0, 60) with
        {
            Hint = "0 for none",
        },
        CalculatorField.Choice("coat", "Coat", [.. Named("whites")]) with
        {
            Group = "Outside",
        },
        CalculatorField.Length("crumb", "First coat", "2 mm", 0, 20),
        CalculatorField.Length("final", "Last coat", "5 mm", 0, 40),
        CalculatorField.Choice("drip", "Drips", ("no", "none"), ("yes", "ganache down the side")),
        CalculatorField.Length("border", "Border, piped so thick", "0", 0, 40) with
        {
            Hint = "0 for none; around the top of each tier",
        },
        CalculatorField.Count("letters", "Letters written", "0", "", 0, 200),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Volumes of cylinders or boxes, times grams in a millilitre. A filling lies inside its dam; a coat covers side and top, and "
        + "nothing where the next tier stands. A tenth more for bowl and knife.";

    /// <inheritdoc />
    public override string Source =>
        "The volumes are exact. Grams in a millilitre, proportions of creams, the rise of a layer and what a drip weighs are common "
        + "practice without a source. Egg to 71 °C (160 °F): USDA FSIS, from memory.";

    /// <inheritdoc />
    public override string Limits => "For flat layers. Chill the filled cake before its first coat, and between the coats.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var round = asked.Chosen("shape") == "round";
        var wide = asked.Value("wide");
        var layers = asked.Count("layers");
        double?[] widths = [wide, asked.Maybe("second"), asked.Maybe("third")];
        var (thick, dam, crumb, final) = (asked.Value("thick"), asked.Value("dam"), asked.Value("crumb"), asked.Value("final"));
        var (filling, coat) = (Cream.Of(asked.Chosen("filling")), Cream.Of(asked.Chosen("coat")));
        var (border, letters, drips) = (asked.Value("border"), asked.Count("letters"), asked.Chosen("drip") == "yes");
        var batter = asked.Maybe("batter");
        var high = batter is { } b ? Risen(b, wide, round) : asked.Value("high");
        Check(asked, widths, dam);
        if (asked.Wrong.Count > 0)
            return new("");
        var wish = new CakeWish(
            round,
            [.. widths.OfType<double>().Select(w => new CakeTier(w, layers))],
            high,
            thick,
            thick > 0 && layers > 1 ? dam : 0,
            crumb,
            final
        );
        var cake = LayeredCake.Of(wish);
        var around = wish.Tiers.Sum(t => (round ? Math.PI : 4) * (t.Width + (2 * (crumb + final))));
        var borderGrams = border > 0 ? Math.PI / 4 * border * border * around / 1000 * coat.Density : 0;
        var coats = (cake.Dams + cake.Crumb + cake.Coat) * coat.Density * Spare;
        var outside = coats + (borderGrams * Spare) + (letters * LetterGrams);
        var inside = cake.Filling * filling.Density * Spare;
        var dripGrams = drips ? around / DripApart * DripGrams * Spare : 0;
        var same = filling.Word == coat.Word;
        return new(
            (same ? $"{Told.Weight(inside + outside)} of {coat.Name}" : $"{Told.Weight(outside)} of {coat.Name}")
                + (same || inside <= 0 ? "" : $" and {Told.Weight(inside)} of {filling.Name}")
                + (dripGrams > 0 ? $", {Told.Weight(dripGrams)} of ganache for the drips" : "")
                + $". The cake is {Told.Length(cake.Height)} high."
        )
        {
            Values =
            [
                new("filling", Math.Round(inside, 1), "g"),
                new("dams", Math.Round(cake.Dams * coat.Density * Spare, 1), "g"),
                new("firstCoat", Math.Round(cake.Crumb * coat.Density * Spare, 1), "g"),
                new("lastCoat", Math.Round(cake.Coat * coat.Density * Spare, 1), "g"),
                new("border", Math.Round(borderGrams * Spare, 1), "g"),
                new("writing", Math.Round(letters * LetterGrams, 1), "g"),
                new("drips", Math.Round(dripGrams, 1), "g"),
                new("height", Math.Round(cake.Height, 1), "mm"),
                new("layerHeight", Math.Round(high, 1), "mm"),
            ],
            Tables =
            [
                new(
                    "What goes where",
                    ["", "Of", "Weighs"],
                    [
                        .. new (string Where, string Of, double Grams)[]
                        {
                            ("Filling", filling.Name, inside),
                            ("Dams", coat.Name, cake.Dams * coat.Density * Spare),
                            ("First coat", coat.Name, cake.Crumb * coat.Density * Spare),
                            ("Last coat", coat.Name, cake.Coat * coat.Density * Spare),
                            ("Border", coat.Name, borderGrams * Spare),
                            ("Writing", coat.Name, letters * LetterGrams),
                            ("Drips", "ganache", dripGrams),
                        }
                            .Where(r => r.Grams > 0.05)
                            .Select(r => ImmutableArray.Create(r.Where, r.Of, Told.Weight(r.Grams))),
                    ]
                ),
                .. (same ? new[] { (coat, inside + outside) } : new[] { (coat, outside), (filling, inside) })
                    .Where(c => c.Item2 > 0.5)
                    .Select(c => CreamCalculator.Table(c.Item1, c.Item2)),
            ],
            Cautions =
            [
                .. new[] { filling, coat }
                    .Distinct()
                    .Where(c => c.Care.Length > 0)
                    .Select(c => $"{char.ToUpperInvariant(c.Name[0])}{c.Name[1..]}: {char.ToLowerInvariant(c.Care[0])}{c.Care[1..]}"),
                .. thick > 0 && dam <= 0 && layers > 1 && filling.Runs
                    ? new[] { $"The {filling.Name} runs out between the layers without a dam: make one of 12 mm." }
                    : [],
                .. filling.IsColdKept || coat.IsColdKept
                    ? new[] { "The cake is kept in the refrigerator, and stands out for two hours at most." }
                    : [],
            ],
            Notes =
            [
                .. batter is null ? Array.Empty<string>() : [$"A layer comes out about {Told.Length(high)} high when its dome is trimmed."],
                .. wish.Tiers.Length > 1
                    ? new[] { "Each tier stands on its own board, on straws or dowels cut to the height of the tier below." }
                    : [],
                $"{char.ToUpperInvariant(coat.Name[0])}{coat.Name[1..]}: {char.ToLowerInvariant(coat.Keeps[0])}{coat.Keeps[1..]}",
            ],
            Coat = same ? (0, inside + outside) : (inside, outside),
            Recipe = CreamCalculator.RecipeOf(same ? [(coat, inside + outside)] : [(coat, outside), (filling, inside)], "Coat and filling"),
            Sketches = [Cut(wish, cake, drips)],
        };
    }

    private static IEnumerable<(string, string)> Named(string first) =>
        Cream.All.OrderBy(c => c.Word == first ? 0 : 1).Select(c => (c.Word, c.Name));

    private static double Risen(double grams, double wide, bool round)
    {
        var area = round ? Math.PI / 4 * wide * wide : wide * wide;
        var batter = grams / FillRule.For(RecipeKind.LayerCake).Density * 1000 / area;
        return batter * Rises * (1 - Trimmed);
    }

    private static void Check(AskedValues asked, double?[] widths, double dam)
    {
        if (widths[1] is null && widths[2] is not null)
            asked.Fault("third", "A third tier stands on a second.");
        if (widths[1] is { } second && second >= widths[0])
            asked.Fault("second", "Narrower than the one below.");
        if (widths[2] is { } third && widths[1] is { } below && third >= below)
            asked.Fault("third", "Narrower than the one below.");
        if (widths.OfType<double>().Min() <= 2 * dam)
            asked.Fault("dam", "So wide a dam leaves no room for the filling.");
    }

    private static PlanSketch Cut(CakeWish wish, LayeredCake cake, bool drips)
    {
        var shapes = ImmutableArray.CreateBuilder<SketchShape>();
        var words = ImmutableArray.CreateBuilder<(double, double, string)>();
        var around = wish.Crumb + wish.Coat;
        var middle = (wish.Tiers[0].Width / 2) + around;
        var foot = cake.Height;
        foreach (var tier in wish.Tiers)
        {
            var tall = LayeredCake.TierHeight(wish, tier);
            shapes.Add(
                SketchShape.Box(
                    middle - (tier.Width / 2) - around,
                    foot - tall - around,
                    tier.Width + (2 * around),
                    tall + around,
                    SketchFill.Cream
                )
            );
            var y = foot;
            for (var layer = 0; layer < tier.Layers; layer++)
            {
                y -= wish.LayerHeight;
                shapes.Add(SketchShape.Box(middle - (tier.Width / 2), y, tier.Width, wish.LayerHeight, SketchFill.Dough));
                if (layer == tier.Layers - 1 || wish.Filling <= 0)
                    continue;
                y -= wish.Filling;
                shapes.Add(SketchShape.Box(middle - (tier.Width / 2), y, tier.Width, wish.Filling, SketchFill.Cream));
                shapes.Add(
                    SketchShape.Box(middle - (tier.Width / 2) + wish.Dam, y, tier.Width - (2 * wish.Dam), wish.Filling, SketchFill.Strong)
                );
            }

            words.Add((middle, foot - (wish.LayerHeight / 2), $"{Told.Number(tier.Width / 10)} cm"));
            if (drips)
                AddDrips(shapes, middle, (tier.Width / 2) + around, foot - tall - around, tall);
            foot -= tall + wish.Crumb;
        }

        return new PlanSketch(
            $"The cake cut through: {Told.Many(wish.Tiers.Length, "tier")} of {Told.Many(wish.Tiers[0].Layers, "layer")}, "
                + $"{Told.Number(cake.Height / 10)} cm high",
            2 * middle,
            cake.Height,
            shapes.ToImmutable()
        )
        {
            Words = words.ToImmutable(),
        };
    }

    private static void AddDrips(ImmutableArray<SketchShape>.Builder shapes, double middle, double half, double top, double tall)
    {
        // Cut through, only those at both sides are seen, and what lies on top.
        foreach (var x in new[] { middle - half, middle + half })
            shapes.Add(
                new([(x, top + 2), (x, top + (tall * 0.4))], SketchFill.Strong) { IsClosed = false, Strand = Math.Min(9, half / 7) }
            );
        shapes.Add(SketchShape.Box(middle - half, top - 1, 2 * half, 3, SketchFill.Strong));
    }
}
