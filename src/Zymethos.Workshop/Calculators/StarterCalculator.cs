using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>Feeds that bring a starter to an amount, ripe at an hour.</summary>
public sealed class StarterCalculator : Calculator
{
    // Any day will do: only the hours count.
    private static readonly LocalDate Today = new(2001, 1, 1);

    /// <inheritdoc />
    public override string Address => "starter";

    /// <inheritdoc />
    public override string Name => "A starter toward an hour";

    /// <inheritdoc />
    public override string Promise => "when to feed it, and with how much";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Weight("have", "Starter you have", "50 g", 1, 10_000),
        CalculatorField.Weight("wanted", "Ripe starter wanted", "300 g", 5, 20_000) with
        {
            Hint = "what you keep counted in",
        },
        new("now", "It is now", FieldKind.Clock, "9:00"),
        new("ripe", "Ripe at", FieldKind.Clock, "8:00"),
        CalculatorField.Choice("day", "on", ("1", "tomorrow"), ("0", "today"), ("2", "the day after tomorrow"), ("3", "in three days")),
        CalculatorField.Heat("room", "Kitchen", "22", 10, 38),
        CalculatorField.Number("slower", "It takes", "1", "times as long as most", 0.4, 3),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Fed with equal weights of flour and water, one of each to one of starter stands highest after five hours at 25 °C; more food "
        + "takes it longer by the logarithm of how much it grows, warmth as it does for yeast. As few feeds as can be, none of more than "
        + "five to one, by day where that can be.";

    /// <inheritdoc />
    public override string Source =>
        "Five hours and five to one: common practice, no source. The logarithm is how anything grows that doubles; warmth as for the rise.";

    /// <inheritdoc />
    public override string Limits =>
        "Every starter is its own: see how long yours takes once, and write it under “It takes”. For wheat flour, as much water as flour.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (have, wanted) = (asked.Value("have"), asked.Value("wanted"));
        var (room, slower) = (asked.Value("room"), asked.Value("slower"));
        var (from, ripe) = (asked.Value("now"), asked.Value("ripe"));
        var days = int.Parse(asked.Chosen("day"), CultureInfo.InvariantCulture);
        if (asked.Wrong.Count > 0)
            return new("");
        var now = Today.AtMidnight().PlusMinutes((long)from);
        var at = Today.AtMidnight().PlusMinutes((long)ripe + (days * 1440));
        if (at <= now)
        {
            asked.Fault("ripe", "That hour has passed: choose a later day.");
            return new("");
        }

        var feeds = StarterBuild.Toward(Mass.FromGrams(have), Mass.FromGrams(wanted), at, now, Temperature.FromCelsius(room), slower);
        if (feeds.IsEmpty)
            return new("It does not get there by then: take more starter, a warmer place, a later hour, or less of it.");
        return new($"{(feeds.Length == 1 ? "One feed," : $"{feeds.Length} feeds, the first")} {When(feeds[0].At)}; ripe {When(at)}.")
        {
            Values =
            [
                new("feeds", feeds.Length, ""),
                new("firstFeedIn", Period.Between(now, feeds[0].At, PeriodUnits.Minutes).Minutes, "min"),
            ],
            Tables =
            [
                new(
                    "The feeds",
                    ["When", "Keep", "Flour", "Water", "Take off first", "At its highest"],
                    [
                        .. feeds.Select(f =>
                            ImmutableArray.Create(
                                When(f.At),
                                Told.Grams(f.Kept.Grams),
                                Told.Grams(f.Flour.Grams),
                                Told.Grams(f.Water.Grams),
                                f.Discard.Grams < 0.5 ? "" : Told.Grams(f.Discard.Grams),
                                When(f.RipeAt)
                            )
                        ),
                    ]
                ),
            ],
            Notes =
                feeds[0].Discard.Grams >= 0.5
                    ? ["What is taken off keeps a week in the refrigerator and goes into pancakes or crackers."]
                    : [],
            Sketches = [Sketch(feeds, now)],
        };
    }

    private static CurveSketch Sketch(ImmutableArray<StarterBuildStep> feeds, LocalDateTime now)
    {
        double Hours(LocalDateTime at) => Period.Between(now, at, PeriodUnits.Minutes).Minutes / 60.0;
        var most = feeds.Max(f => f.Kept.Grams + f.Flour.Grams + f.Water.Grams);
        var points = new List<(double, double)> { (0, feeds[0].Kept.Grams + feeds[0].Discard.Grams) };
        foreach (var feed in feeds)
        {
            points.Add((Hours(feed.At), points[^1].Item2));
            points.Add((Hours(feed.At), feed.Kept.Grams + feed.Flour.Grams + feed.Water.Grams));
        }

        points.Add((Hours(feeds[^1].RipeAt), points[^1].Item2));
        return new CurveSketch(
            $"Weight of the starter over the hours, fed {Told.Many(feeds.Length, "time")}",
            "hours from now",
            [new("starter, g", 0, Math.Ceiling(most * 1.1), [.. points])]
        )
        {
            Marks = [.. feeds.Select(f => (Hours(f.At), "feed")), (Hours(feeds[^1].RipeAt), "ripe")],
        };
    }

    private static string When(LocalDateTime at)
    {
        var days = Period.Between(Today, at.Date, PeriodUnits.Days).Days;
        var day = days switch
        {
            0 => "today",
            1 => "tomorrow",
            2 => "the day after tomorrow",
            _ => $"in {days} days",
        };
        return $"{day} at {at.ToString("H:mm", CultureInfo.InvariantCulture)}";
    }
}
