using System.Collections.Immutable;
using Zymethos.Workshop.Cold;

namespace Zymethos.Workshop.Calculators;

/// <summary>How long a bake takes to freeze through and to thaw.</summary>
public sealed class FreezerCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "freeze-and-thaw";

    /// <inheritdoc />
    public override string Name => "Freezing and thawing";

    /// <inheritdoc />
    public override string Promise => "when it is frozen through, and when to take it out";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cold;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("kind", "It is", [.. FrozenBake.Kinds.Select(k => (k.Word, k.Says))]),
        CalculatorField.Choice("shape", "Shaped like", ("Bar", "a loaf"), ("Plate", "a flat cake, a tray"), ("Ball", "a bun, a ball")),
        CalculatorField.Length("thick", "Thick, or across", "10", 3, 400),
        CalculatorField.Heat("start", "Going in at", "22", 0, 40),
        CalculatorField.Heat("freezer", "Freezer", "-18", -40, -12),
        CalculatorField.Heat("place", "Thawing at", "21", 2, 35),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Plank: density times heat over the difference of temperatures, times (P times thickness over what passes the surface + R times "
        + "thickness squared over what it conducts). P and R are 1/2 and 1/8 for a plate, 1/4 and 1/16 for a bar, 1/6 and 1/24 for a ball. "
        + "The heat is that of its water freezing, and of cooling down to it.";

    /// <inheritdoc />
    public override string Source =>
        "Singh and Heldman, “Introduction to Food Engineering”, ch. 7. Density, water and conductivity of bakes are by judgement.";

    /// <inheritdoc />
    public override string Limits =>
        "Within about a third, wrapped and with air around it. Pieces stacked or in a full freezer take much longer.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var kind = FrozenBake.Kinds.First(k => k.Word == asked.Chosen("kind"));
        var shape = Enum.Parse<PlankShape>(asked.Chosen("shape"));
        var (thick, start) = (asked.Value("thick") / 1000, asked.Value("start"));
        var (freezer, place) = (asked.Value("freezer"), asked.Value("place"));
        if (asked.Wrong.Count > 0)
            return new("");
        var freezes = Rounded(FrozenBake.FreezeMinutes(kind, thick, shape, start, freezer));
        var thaws = Rounded(FrozenBake.ThawMinutes(kind, thick, shape, freezer, place));
        var cold = kind.Word is "cream" or "dough";
        return new($"Frozen through after about {Told.Time(freezes)}; thawed after about {Told.Time(thaws)}.")
        {
            Values = [new("freezes", freezes, "min"), new("thaws", thaws, "min")],
            Cautions =
            [
                .. cold && place > 7
                    ? new[] { "What is filled with cream or custard, and raw dough with egg, thaws in the refrigerator, at 4 °C (40 °F)." }
                    : [],
                .. freezer > -17.5
                    ? new[] { $"A freezer at {Told.Heat(freezer)} keeps it for a shorter time than one at -18 °C (0 °F)." }
                    : [],
            ],
            Notes =
            [
                "Cold through before it goes in, wrapped twice. Unwrap it when it has thawed, so that the damp settles outside.",
                "Thawed means no longer frozen in the middle; until it is as warm as the room takes about half as long again.",
                .. start > 30 ? new[] { "Let it cool first: it warms what lies beside it." } : [],
            ],
            Sketches =
            [
                new CurveSketch(
                    "How long it takes to freeze and to thaw by its thickness",
                    "cm thick",
                    [
                        Line("to freeze, h", t => FrozenBake.FreezeMinutes(kind, t, shape, start, freezer)),
                        Line("to thaw, h", t => FrozenBake.ThawMinutes(kind, t, shape, freezer, place)),
                    ]
                )
                {
                    Marks = [(thick * 100, "yours")],
                },
            ],
        };

        SketchLine Line(string name, Func<double, double> minutes)
        {
            var most = Math.Max(0.02, thick * 1.6);
            var both = Math.Max(
                FrozenBake.FreezeMinutes(kind, most, shape, start, freezer),
                FrozenBake.ThawMinutes(kind, most, shape, freezer, place)
            );
            return new SketchLine(
                name,
                0,
                Math.Max(1, Math.Ceiling(both / 60)),
                [.. Enumerable.Range(0, 41).Select(i => most * i / 40).Select(t => (t * 100, minutes(t) / 60))]
            );
        }
    }

    // Known no better than to five minutes, and to a quarter of an hour above two hours.
    private static double Rounded(double minutes) =>
        minutes < 120 ? Math.Max(5, Math.Ceiling(minutes / 5) * 5) : Math.Ceiling(minutes / 15) * 15;
}
