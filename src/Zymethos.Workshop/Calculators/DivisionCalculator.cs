using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Workshop.Shaping;

namespace Zymethos.Workshop.Calculators;

/// <summary>A dough divided into buns or strands, with the plait drawn.</summary>
public sealed class DivisionCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "division";

    /// <inheritdoc />
    public override string Name => "Dividing and plaiting";

    /// <inheritdoc />
    public override string Promise => "equal pieces, ropes for two to six strands, and how they are plaited";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Weight("dough", "Dough", "1500 g", 20, 100_000),
        CalculatorField.Weight("aside", "Set aside before", "0 g", 0, 20_000),
        new("why", "Set aside for", FieldKind.Lines, "") { IsOptional = true, Hint = "your own words, for the card" },
        CalculatorField.Choice(
            "into",
            "Into",
            ("3", "plaits of three"),
            ("2", "twists of two"),
            ("4", "plaits of four"),
            ("5", "plaits of five"),
            ("6", "plaits of six"),
            ("1", "buns")
        ),
        CalculatorField.Count("count", "How many", "2", "", 1, 500),
        CalculatorField.Length("rope", "Ropes, so long", "40", 80, 1200),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "What is left after setting aside, by the number of pieces. A rope is a cylinder of 1.1 g a cubic centimetre. A plait is six to "
        + "seven tenths as long as its ropes.";

    /// <inheritdoc />
    public override string Source => "The ways of plaiting are common practice, no source; which strand lies where follows from the moves.";

    /// <inheritdoc />
    public override string Limits =>
        "Ropes that spring back want ten minutes under a cloth. Ropes fatter in the middle make a plait with a belly.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (dough, aside) = (asked.Value("dough"), asked.Value("aside"));
        var strands = int.Parse(asked.Chosen("into"), CultureInfo.InvariantCulture);
        var (count, rope) = (asked.Count("count"), asked.Value("rope"));
        if (aside >= dough)
            asked.Fault("aside", "Nothing would be left to divide.");
        if (asked.Wrong.Count > 0)
            return new("");
        var pieces = count * strands;
        var each = (dough - aside) / pieces;
        if (each < 3)
            asked.Fault("count", $"Pieces of {Told.Number(each)} g are too small to shape.");
        var thick = Plait.RopeThickness(each, rope);
        if (strands > 1 && thick > rope / 3)
            asked.Fault("rope", $"So short a rope of {Told.Grams(each)} would be {Told.Length(thick)} thick: roll it longer.");
        if (asked.Wrong.Count > 0)
            return new("");
        var why = asked.Typed("why").Trim();
        var apart = aside > 0 ? $"Set {Told.Weight(aside)} aside{(why.Length > 0 ? $" ({why})" : "")}. " : "";
        if (strands == 1)
        {
            var ball = Math.Cbrt(6 * each * 1000 / 1.1 / Math.PI);
            return new($"{apart}{Told.Many(count, "bun")} of {Told.Weight(each)}.")
            {
                Values = [new("each", Math.Round(each, 1), "g"), new("across", Math.Round(ball, 1), "mm")],
                Sketches = [Balls(count, ball)],
            };
        }

        var plait = Plait.Of(strands);
        return new($"{apart}{Told.Many(pieces, "rope")} of {Told.Weight(each)}, {Told.Length(rope)} long and {Told.Length(thick)} thick.")
        {
            Values =
            [
                new("each", Math.Round(each, 1), "g"),
                new("ropes", pieces, ""),
                new("ropeThick", Math.Round(thick, 1), "mm"),
                new("plaitLong", Math.Round(plait.LengthOf(rope)), "mm"),
            ],
            Notes =
            [
                plait.Says,
                $"{(count == 1 ? "The plait is" : "Each plait is")} about {Told.Length(plait.LengthOf(rope))} long before it rises.",
                "Press the ends together at the top, begin there, tuck both ends under.",
            ],
            Sketches = [Drawn(plait)],
        };
    }

    // From above; a rope that goes over is drawn after those that it covers.
    private static PlanSketch Drawn(Plait plait)
    {
        const double Apart = 34;
        const double Row = 46;
        const double Strand = 22;
        var moves = plait.Strands <= 3 ? 8 : 10;
        var places = plait.Places(moves);
        double X(int place) => (place + 1) * Apart;
        double Y(double row) => 34 + (row * Row);
        var shapes = ImmutableArray.CreateBuilder<SketchShape>();
        for (var row = 0; row < moves; row++)
        {
            var move = plait.Round[row % plait.Round.Length];
            var (now, next) = (places[row], places[row + 1]);
            var moved = now[move.From];
            var step = Math.Sign(move.To - move.From);
            var passed = Enumerable.Range(1, Math.Abs(move.To - move.From)).Select(i => now[move.From + (i * step)]).ToList();
            var under = Enumerable
                .Range(0, plait.Strands)
                .Where(s => s != moved && !(passed.IndexOf(s) is >= 0 and var i && !move.Over[i]));
            foreach (var s in under)
                shapes.Add(Piece(now.IndexOf(s), next.IndexOf(s), row, s));
            shapes.Add(Piece(move.From, move.To, row, moved));
            foreach (var s in passed.Where((_, i) => !move.Over[i]))
                shapes.Add(Piece(now.IndexOf(s), next.IndexOf(s), row, s));
        }

        return new PlanSketch(
            $"How {plait.Strands} strands are plaited, from above: each row is one move, and strand 1 is dark",
            (plait.Strands + 1) * Apart,
            Y(moves) + 10,
            shapes.ToImmutable()
        )
        {
            IsToScale = false,
            Words = [.. Enumerable.Range(0, plait.Strands).Select(s => (X(s), 14.0, $"{s + 1}"))],
        };

        SketchShape Piece(int from, int to, int row, int strand) =>
            new(
                [.. Enumerable.Range(-1, 15).Select(i => i / 12.0).Select(t => (X(from) + ((X(to) - X(from)) * Eased(t)), Y(row + t)))],
                strand == 0 ? SketchFill.Strong : SketchFill.Dough
            )
            {
                IsClosed = false,
                Strand = Strand,
            };
    }

    // A little beyond both ends, so that no seam shows between two rows.
    private static double Eased(double t) => Math.Clamp(t, 0, 1) is var s ? s * s * (3 - (2 * s)) : 0;

    private static PlanSketch Balls(int count, double across)
    {
        var shown = Math.Min(count, 60);
        var columns = (int)Math.Ceiling(Math.Sqrt(shown * 1.4));
        var rows = (int)Math.Ceiling((double)shown / columns);
        var apart = across * 1.6;
        return new PlanSketch(
            $"{Told.Many(count, "bun")} as they are rolled, with room to rise",
            columns * apart,
            rows * apart,
            [
                .. Enumerable
                    .Range(0, shown)
                    .Select(i =>
                        SketchShape.Round(((i % columns) + 0.5) * apart, ((i / columns) + 0.5) * apart, across / 2, SketchFill.Dough)
                    ),
            ]
        );
    }
}
