using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Kitchens;

/// <summary>How the baker measures; decides which column comes first.</summary>
public enum MeasuringHabit
{
    /// <summary>Grams and degrees Celsius first.</summary>
    Metric,

    /// <summary>Cups and degrees Fahrenheit first.</summary>
    UsCustomary,
}

/// <summary>
/// An oven as one lumped body that a thermostat switches. The four figures are what a baker can measure with a thermometer and a clock.
/// </summary>
/// <param name="HeatUp">From cold (20 C) to 180 C, as measured; 3 to 60 minutes.</param>
/// <param name="CoolShut">Time constant of Newton's law with the door shut; longer than <paramref name="CoolAjar"/>.</param>
/// <param name="CoolAjar">Time constant of Newton's law with the door ajar.</param>
/// <param name="Hottest">The highest mark on the dial.</param>
/// <param name="DoorDrop">How far the air falls when the door is opened to put something in; 0 to 80 degrees.</param>
/// <param name="Shelves">Shelf positions that can be used together, 1 to 6.</param>
/// <param name="ShelfWidth">Usable width of a shelf.</param>
/// <param name="ShelfDepth">Usable depth of a shelf.</param>
public sealed record Oven(
    Duration HeatUp,
    Duration CoolShut,
    Duration CoolAjar,
    Temperature Hottest,
    double DoorDrop,
    int Shelves,
    Length ShelfWidth,
    Length ShelfDepth
)
{
    /// <summary>
    /// By how much a load of cold dough that fills the whole oven keeps back what bakes in it already, beyond the open door; 0 to 20
    /// minutes, a smaller load in proportion. What a load's own cold costs it is part of its recipe's time. Zero when it is not counted.
    /// </summary>
    public Duration ColdLoad { get; init; }

    /// <summary>Since when it stands there: what was baked before was baked in another. Null when it always did.</summary>
    public LocalDate? Since { get; init; }
}

/// <summary>Someone who bakes.</summary>
/// <param name="Name">What to call them; not empty.</param>
/// <param name="From">From when they are free; null for the whole working span.</param>
/// <param name="Until">Until when they are free; null for the whole working span.</param>
public sealed record Person(string Name, LocalTime? From, LocalTime? Until);

/// <summary>From an hour on the room is so warm.</summary>
/// <param name="From">The hour.</param>
/// <param name="Warm">The temperature, 5 to 40 C.</param>
public readonly record struct RoomHour(LocalTime From, Temperature Warm);

/// <summary>A kitchen as the plan must obey it.</summary>
/// <param name="Name">What to call it; not empty.</param>
/// <param name="Oven">Its oven.</param>
/// <param name="People">Who bakes, 1 to 4 of them.</param>
/// <param name="Mixers">Mixers with their bowl, 0 to 3.</param>
/// <param name="MixerWash">How long bowl and beater are away to be washed after a mix; zero or more.</param>
/// <param name="Room">Temperature of the room, 5 to 40 C.</param>
/// <param name="Habit">Which measures come first.</param>
public sealed record Kitchen(
    string Name,
    Oven Oven,
    ImmutableArray<Person> People,
    int Mixers,
    Duration MixerWash,
    Temperature Room,
    MeasuringHabit Habit
)
{
    /// <summary>How a cup of flour is filled here.</summary>
    public FlourHabit FlourHabit { get; init; } = FlourHabit.Table;

    /// <summary>What the mixer's bowl holds to the brim, in litres, 1 to 40.</summary>
    public double MixerLitres { get; init; } = 4.5;

    /// <summary>Mixers beside those that <see cref="Mixers"/> counts, each with its own bowl and use; at most
    /// <see cref="MostOtherMixers"/>.</summary>
    public ImmutableArray<Mixer> OtherMixers { get; init; } = [];

    /// <summary>How many mixers of other kinds a kitchen may have.</summary>
    public const int MostOtherMixers = 3;

    /// <summary>Every kind of mixer, the usual one first where there is one; mixers alike stand in it once.</summary>
    public ImmutableArray<Mixer> AllMixers =>
        Mixers > 0 ? [new Mixer(Mixers == 1 ? "mixer" : "mixers", MixerLitres, true), .. OtherMixers] : OtherMixers;

    /// <summary>The mixers that can take a dough, each with its place among <see cref="AllMixers"/>.</summary>
    /// <param name="isKneaded">Whether it is a bread dough, and not only beaten.</param>
    public IEnumerable<(Mixer Mixer, int Index)> MixersFor(bool isKneaded) =>
        AllMixers.Select((m, i) => (Mixer: m, Index: i)).Where(m => m.Mixer.Kneads || !isKneaded);

    /// <summary>On what share of days a plan is to go well altogether, 0 to 1: one of <see cref="Certainties"/>.</summary>
    public double Certainty { get; init; } = 0.95;

    /// <summary>What may be asked for as <see cref="Certainty"/>.</summary>
    public static ImmutableArray<double> Certainties { get; } = [0.8, 0.9, 0.95, 0.99];

    /// <summary>Minutes of work at a stretch, 30 to 480, after which everybody washes up and sits down.</summary>
    public int StretchMinutes { get; init; } = 120;

    /// <summary>Minutes of such a pause, 0 to 60; 0 for a kitchen that plans without.</summary>
    public int PauseMinutes { get; init; } = 15;

    /// <summary>Children who help, by name, at most four. A plan counts on nobody of them; they are given what fits beside a
    /// grown-up.</summary>
    public ImmutableArray<string> Children { get; init; } = [];

    /// <summary>How the kitchen reads the hours of the day.</summary>
    public ClockFace Clock { get; init; }

    /// <summary>Hours, heats and sizes as this kitchen says them.</summary>
    public KitchenSays Says => new(Habit, Clock);

    /// <summary>How high the kitchen lies above the sea, in metres, -450 to 5500.</summary>
    public double ElevationMetres { get; init; }

    /// <summary>What pans there are; empty for an ordinary cupboard (<see cref="PanCupboard.Ordinary"/>).</summary>
    public ImmutableArray<PanStock> Pans { get; init; } = [];

    /// <summary>A second oven beside the first; null when there is one. Either may hold what the other does not.</summary>
    public Oven? SecondOven { get; init; }

    /// <summary>All ovens, the first first.</summary>
    public ImmutableArray<Oven> Ovens => SecondOven is { } second ? [Oven, second] : [Oven];

    /// <summary>Room on the cooling racks, as shelves of the first oven that would hold as much, 0 to 20; null when it is not
    /// counted.</summary>
    public double? RackShelves { get; init; }

    /// <summary>Litres free in the refrigerator for doughs and cakes, 0 to 1000; null when it is not counted.</summary>
    public double? FridgeLitres { get; init; }

    /// <summary>Litres free in the freezer, 0 to 1000; null when it is not counted.</summary>
    public double? FreezerLitres { get; init; }

    /// <summary>How warm the room is from which hour on, in order of the hours; empty when <see cref="Room"/> holds all day.</summary>
    public ImmutableArray<RoomHour> RoomByHour { get; init; } = [];

    /// <summary>The kitchen's time zone in the IANA database ("Europe/Lisbon").</summary>
    public string Zone { get; init; } = "Etc/UTC";

    /// <summary>How warm the room is at an hour.</summary>
    public Temperature RoomAt(LocalTime hour)
    {
        if (RoomByHour.IsEmpty)
            return Room;
        // Before the first hour of the day the last one of the evening still holds.
        var warm = RoomByHour[^1].Warm;
        foreach (var from in RoomByHour)
        {
            if (from.From <= hour)
                warm = from.Warm;
        }

        return warm;
    }

    /// <summary>What the Daybook taught about times here; empty while nothing was seen.</summary>
    public ImmutableArray<LearnedTime> Learned { get; init; } = [];

    /// <summary>Most values that are kept in <see cref="Learned"/>.</summary>
    public const int MostLearned = 400;

    /// <summary>What was learned of something and is not switched off; null when nothing was.</summary>
    public LearnedTime? Knows(LearnedKind kind, string of) =>
        Learned.FirstOrDefault(l => l.Kind == kind && !l.IsOff && string.Equals(l.Of, of, StringComparison.OrdinalIgnoreCase));

    /// <summary>The pans to bake in: the kitchen's own, or an ordinary cupboard.</summary>
    public ImmutableArray<PanStock> Cupboard => Pans.IsEmpty ? PanCupboard.For(Habit) : Pans;

    /// <summary>
    /// A kitchen to begin with: one baker, one mixer, a still oven of common size. The oven's figures are common practice without a source
    /// and are meant to be replaced by measured ones.
    /// </summary>
    public static Kitchen Ordinary(string name) =>
        new(
            name,
            new Oven(
                Duration.FromMinutes(14),
                Duration.FromMinutes(60),
                Duration.FromMinutes(25),
                Temperature.FromCelsius(250),
                25,
                3,
                Length.FromMillimetres(500),
                Length.FromMillimetres(340)
            ),
            [new Person("Baker", null, null)],
            1,
            Duration.FromMinutes(4),
            Temperature.FromCelsius(21),
            MeasuringHabit.Metric
        );
}
