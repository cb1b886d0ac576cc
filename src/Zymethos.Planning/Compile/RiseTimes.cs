using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Planning.Compile;

/// <summary>A rise as it goes in this kitchen.</summary>
/// <param name="Takes">Ready from, usually, over-proofed from.</param>
/// <param name="Said">What became of the recipe's time, in a sentence; empty when nothing did.</param>
internal sealed record RoomRise(DurationEstimate Takes, string Said)
{
    /// <summary>Whole minutes when begun in the first, second … half hour of the day; empty when the hour makes no difference.</summary>
    public ImmutableArray<int> ByHalfHour { get; init; } = [];

    /// <summary>What share of the dose has been gathered after every five minutes, from 0 on, until it is well over-proofed; empty when it
    /// goes by the recipe alone.</summary>
    public ImmutableArray<double> Shares { get; init; } = [];

    /// <summary>How long it waits in the refrigerator once it is ready without going over; zero elsewhere.</summary>
    public Duration Holds { get; init; }
}

/// <summary>
/// How long a recipe's rises take here. The recipe's own time on the counter is taken to be meant for a room of 24 degrees (common
/// practice, no source) and fixes the dose; the dough goes from that temperature toward what is around it — the room at its hour, the
/// oven-proof spell, the refrigerator — and what it lost in one rise it brings into the next. Yeast in proportion.
/// </summary>
internal sealed class RiseTimes
{
    /// <summary>The room for which recipes give their times (common practice, no source).</summary>
    public static readonly Temperature RecipeRoom = Temperature.FromCelsius(24);

    /// <summary>A household refrigerator (at most 4 C by USDA FSIS).</summary>
    public static readonly Temperature Refrigerator = Temperature.FromCelsius(4);

    // Steam that settles on the dough warms it about twice as fast as dry air (common practice, no source).
    private const double MoistAir = 0.5;

    private const int MostShares = 240;

    // What is seen of a difference below this is noise.
    private const double WorthSaying = 0.08;

    private readonly Kitchen _kitchen;
    private readonly LocalDateTime _origin;
    private readonly int _minutes;
    private readonly double _yeast;
    private readonly double _slower;
    private readonly Duration _whole;
    private readonly Duration _piece;
    private Temperature _dough = RecipeRoom;

    // How warm the dough is when its next rise begins at a minute of the day: after a rise that goes by the hour this depends on when that
    // one was.
    private Func<int, double> _celsiusAt = _ => RecipeRoom.Celsius;
    private ImmutableArray<double> _shares = [];

    /// <summary>Begins with a dough as it leaves the bowl.</summary>
    /// <param name="recipe">The recipe as it is baked; the weight of its dough decides how quickly it takes on the temperature around
    /// it.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="origin">Minute 0 of the day.</param>
    /// <param name="minutes">How many minutes of it a rise may begin in.</param>
    /// <param name="yeast">Yeast as a multiple of the recipe's.</param>
    /// <param name="slower">How much longer everything rises here by what was learned; 1 for as the recipe says.</param>
    public RiseTimes(Recipe recipe, Kitchen kitchen, LocalDateTime origin, int minutes, double yeast = 1, double slower = 1)
    {
        (_kitchen, _origin, _minutes, _yeast, _slower) = (kitchen, origin, minutes, yeast, slower);
        var dough = RecipeFacts.Dough(recipe);
        var grams = dough.Grams > 0 ? dough.Grams : 1000;
        _whole = DoughCourse.TimeConstantOfBall(Mass.FromGrams(grams));
        _piece = DoughCourse.TimeConstantOfBall(Mass.FromGrams(grams / Math.Max(1, recipe.DividedInto)));
    }

    /// <summary>The recipe's rises on the counter by their step, be that the step's own way or one of its others.</summary>
    public static IReadOnlyDictionary<string, DurationEstimate> OnCounter(Recipe recipe)
    {
        var found = new Dictionary<string, DurationEstimate>(StringComparer.Ordinal);
        foreach (var step in recipe.Steps)
        {
            if (step is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: null })
                found[step.Key] = step.Takes;
            else if (step.Modes.FirstOrDefault(m => m is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: null }) is { } mode)
                found[step.Key] = mode.Takes;
        }

        return found;
    }

    /// <summary>The next rise in the room; null when the dough is not ready within three days.</summary>
    /// <param name="written">The recipe's time on the counter.</param>
    /// <param name="shaped">Whether it is shaped already: small pieces follow the room sooner than the whole dough.</param>
    public RoomRise? InRoom(DurationEstimate written, bool shaped = false)
    {
        written = Here(written);
        var constant = shaped ? _piece : _whole;
        var room = _kitchen.RoomAt(_origin.TimeOfDay);
        var before = _celsiusAt;
        if (Ready(written, room, constant) is not { } band)
            return null;
        var said = Said(written, band, $"At {_kitchen.Says.Degrees(room.Celsius)}");
        if (_kitchen.RoomByHour.IsEmpty)
            return said;
        var rises = Enumerable.Range(0, (_minutes / 30) + 1).Select(h => From(written, before(h * 30), constant, h * 30)).ToArray();
        var byHour = rises.Select(r => r.Minutes).ToImmutableArray();
        if (byHour.Contains(0))
            return null;
        // What begins at a minute follows the last rise that can have ended by then, or the first there is.
        _celsiusAt = minute =>
        {
            var h = Math.Min(minute / 30, rises.Length - 1);
            while (h > 0 && (h * 30) + rises[h].Minutes > minute)
                h--;
            return rises[h].Celsius;
        };
        var least = byHour.Min();
        if (least == byHour.Max())
            return said;
        return new RoomRise(
            new DurationEstimate(
                Duration.FromMinutes(least * RiseDose.ReadyFrom),
                Duration.FromMinutes(least),
                Duration.FromMinutes(byHour.Max() * RiseDose.ReadyUntil)
            ),
            $"How long it takes goes by the room at its hour: {SpokenTime.Of(least)} to {SpokenTime.Of(byHour.Max())} instead of the "
                + $"recipe's {Minutes(written.Likely / _slower)}. Its size decides: about doubled."
        )
        {
            ByHalfHour = byHour,
            Shares = _shares,
        };
    }

    /// <summary>The next rise in the oven-proof spell.</summary>
    /// <param name="written">The recipe's time on the counter.</param>
    /// <param name="around">The temperature of the spell.</param>
    /// <param name="shaped">Whether it is shaped already.</param>
    public RoomRise? InSpell(DurationEstimate written, Temperature around, bool shaped = false)
    {
        written = Here(written);
        return Ready(written, around, (shaped ? _piece : _whole) * MoistAir) is { } band
            ? Said(written, band, $"In the spell at {_kitchen.Says.Degrees(around.Celsius)}")
            : null;
    }

    /// <summary>The next rise in the refrigerator: slow until the dough is cold, then it holds.</summary>
    /// <param name="written">The recipe's time on the counter.</param>
    /// <param name="cold">The recipe's time in the refrigerator; its longest is how long the dough may stay.</param>
    /// <param name="shaped">Whether it is shaped already.</param>
    public RoomRise InCold(DurationEstimate written, DurationEstimate cold, bool shaped = false)
    {
        written = Here(written);
        var constant = shaped ? _piece : _whole;
        var start = _dough;
        if (Ready(written, Refrigerator, constant) is not { } band || band.Likely > cold.High)
        {
            Leave(Refrigerator);
            return new RoomRise(cold, $"In the refrigerator at {_kitchen.Says.Degrees(Refrigerator.Celsius)}, as long as the recipe says.");
        }

        Leave(new DoughCourse(start, Refrigerator, constant).At(cold.High));
        return new RoomRise(
            new DurationEstimate(Duration.Min(band.First, cold.Low), band.Likely, Duration.Max(cold.High, band.Likely)),
            $"In the refrigerator at {_kitchen.Says.Degrees(Refrigerator.Celsius)} it is ready after about "
                + $"{Minutes(band.Likely)} and then holds until "
                + $"{Minutes(cold.High)}. Its size decides: about doubled."
        )
        {
            Holds = cold.High - band.Likely,
            Shares = _shares,
        };
    }

    /// <summary>The recipe's time as it would be for what raises it here.</summary>
    private DurationEstimate Here(DurationEstimate written) =>
        _slower == 1 ? written : new DurationEstimate(written.Low * _slower, written.Likely * _slower, written.High * _slower);

    private ReadyBand? Ready(DurationEstimate written, Temperature around, Duration constant)
    {
        var course = new DoughCourse(_dough, around, constant);
        if (RiseDose.Of(written.Likely, RecipeRoom).Ready(course, _yeast) is not { } band)
            return null;
        _shares = Shares(course, RiseDose.Of(written.Likely, RecipeRoom));
        Leave(course.At(band.Likely));
        return band;
    }

    private void Leave(Temperature dough) => (_dough, _celsiusAt) = (dough, _ => dough.Celsius);

    private ImmutableArray<double> Shares(DoughCourse course, RiseDose wanted)
    {
        var shares = ImmutableArray.CreateBuilder<double>();
        var sum = 0.0;
        for (var m = 0; m < MostShares * 5 && sum < 1.4 * wanted.Hours; m++)
        {
            if (m % 5 == 0)
                shares.Add(sum / wanted.Hours);
            sum += _yeast * YeastRate.At(course.At(Duration.FromSeconds((m * 60) + 30))) / 60;
        }

        return shares.ToImmutable();
    }

    private RoomRise Said(DurationEstimate written, ReadyBand band, string where)
    {
        var longer = band.Likely / written.Likely;
        if (Math.Abs(longer - 1) < WorthSaying)
            return new RoomRise(written, "") { Shares = _shares };
        // Where the recipe gives a wider band than the dose does, its writer knows the dough better.
        var low = Duration.Min(band.First, written.Low * longer);
        var high = Duration.Max(band.Last ?? (band.Likely * RiseDose.ReadyUntil), written.High * longer);
        return new RoomRise(
            new DurationEstimate(low, band.Likely, high),
            $"{where} it takes about {Minutes(band.Likely)} instead of the recipe's {Minutes(written.Likely / _slower)}: ready from "
                + $"{Minutes(low)}, over by {Minutes(high)}. Its size decides: about doubled."
        )
        {
            Shares = _shares,
        };
    }

    /// <summary>Minutes until the dose is reached when the rise begins at a minute of the day, the room changing by the hour, and how warm
    /// the dough is then; 0 minutes when it is not within three days.</summary>
    private (int Minutes, double Celsius) From(DurationEstimate written, double dough, Duration constant, int start)
    {
        var wanted = RiseDose.Of(written.Likely, RecipeRoom).Hours;
        var stays = Math.Exp(-1 / constant.TotalMinutes);
        var (sum, celsius) = (0.0, dough);
        for (var m = 0; m < RiseDose.Longest.TotalMinutes; m++)
        {
            var room = _kitchen.RoomAt(_origin.PlusMinutes(start + m).TimeOfDay).Celsius;
            var next = room + ((celsius - room) * stays);
            sum += _yeast * YeastRate.At(Temperature.FromCelsius((celsius + next) / 2)) / 60;
            celsius = next;
            if (sum >= wanted)
                return (m + 1, celsius);
        }

        return (0, celsius);
    }

    private static string Minutes(Duration duration) => SpokenTime.Of((int)Math.Round(duration.TotalMinutes));
}
