using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Seasons;

namespace Zymethos.Tests;

/// <summary>
/// Invented days that look like bakers' days: yeast doughs with rises, quick loaves, cookies with chills and trays, slices baked twice.
/// Used by the property tests and by the benchmark; a seed always gives the same day.
/// </summary>
public static class RandomDays
{
    private static readonly Pan Loaf = new("loaf pan", Length.FromMillimetres(230), Length.FromMillimetres(130));
    private static readonly Pan Tray = new("quarter sheet", Length.FromMillimetres(330), Length.FromMillimetres(240));
    private static readonly Pan Round = new("round pan", Length.FromMillimetres(240), Length.FromMillimetres(240));
    private static readonly int[] Temperatures = [150, 160, 175, 190, 200, 220];

    public static readonly LocalDateTime Start = new(2026, 12, 5, 7, 0);

    /// <summary>A day of so many different recipes with a working span long enough for all of them.</summary>
    public static TaskNetwork Day(int seed, int recipes, int spanHours = 16, int people = 1)
    {
        var (kitchen, wish) = Asked(seed, recipes, spanHours, people);
        var result = TaskCompiler.Compile(kitchen, wish);
        return result.Network ?? throw new InvalidOperationException(string.Join("; ", result.Faults));
    }

    /// <summary>What such a day is asked for as.</summary>
    public static (Kitchen Kitchen, DayWish Wish) Asked(int seed, int recipes, int spanHours = 16, int people = 1)
    {
        var random = new Random(seed);
        var kitchen = RandomKitchen(random, people);
        return (
            kitchen,
            new DayWish(
                Start,
                Start.PlusHours(spanHours),
                [.. Enumerable.Range(0, recipes).Select(i => new BakeWish(RandomRecipe(random, i), 1, null, null))]
            )
        );
    }

    /// <summary>
    /// A day in a kitchen where everything is counted: few pans, little room on racks and in the refrigerator, nights that are colder,
    /// perhaps a second oven, wishes for shelves, batches for the bowl. Null when it does not compile: more asked for than there is.
    /// </summary>
    public static TaskNetwork? Full(int seed, int recipes, int people = 1)
    {
        var random = new Random(seed);
        var kitchen = RandomKitchen(random, people);
        kitchen = kitchen with
        {
            Oven = kitchen.Oven with { DoorDrop = random.Next(0, 60), ColdLoad = Duration.FromMinutes(random.Next(0, 9)) },
            SecondOven =
                random.Next(3) == 0
                    ? kitchen.Oven with
                    {
                        Shelves = random.Next(1, 3),
                        Hottest = Temperature.FromCelsius(random.Next(2) == 0 ? 250 : 195),
                        ShelfWidth = Length.FromMillimetres(random.Next(300, 500)),
                    }
                    : null,
            RackShelves = random.Next(2) == 0 ? random.Next(2, 5) : null,
            FridgeLitres = random.Next(2) == 0 ? random.Next(3, 12) : null,
            RoomByHour =
                random.Next(2) == 0
                    ?
                    [
                        new RoomHour(new LocalTime(9, 0), Temperature.FromCelsius(random.Next(19, 26))),
                        new RoomHour(new LocalTime(18, 0), Temperature.FromCelsius(random.Next(14, 19))),
                    ]
                    : [],
            Pans =
                random.Next(2) == 0
                    ? [new PanStock(Tray, random.Next(2, 5)), new PanStock(Loaf, random.Next(2, 4)), new PanStock(Round, random.Next(1, 3))]
                    : Plenty,
        };
        var wishes = Enumerable
            .Range(0, recipes)
            .Select(i =>
            {
                var recipe = RandomRecipe(random, i);
                var shelf = (ShelfWish)random.Next(4);
                return new BakeWish(
                    recipe with
                    {
                        Parts =
                        [
                            new Part(
                                "dough",
                                PartKind.Dough,
                                [new IngredientLine(null, Mass.FromGrams(random.Next(300, 1200)), "flour", "", "", false)]
                            ),
                        ],
                        Steps =
                        [
                            .. recipe.Steps.Select(s =>
                                s.Oven is { State: OvenState.Bake } use ? s with { Oven = use with { Shelf = shelf } } : s
                            ),
                        ],
                    },
                    random.Next(4) == 0 ? 2 : 1,
                    null,
                    null
                )
                {
                    Yeast = random.Next(4) == 0 ? 0.7 : 1,
                    Modes = System.Collections.Immutable.ImmutableDictionary<string, int>.Empty.Add(BakeWish.MixTogether, random.Next(2)),
                };
            })
            .ToImmutableArray();
        return TaskCompiler.Compile(kitchen, new DayWish(Start, Start.PlusHours(16), wishes)).Network;
    }

    // Pans are no matter on most of these days: those on which they are count them.
    private static readonly ImmutableArray<PanStock> Plenty = [new(Tray, 24), new(Loaf, 24), new(Round, 24)];

    public static Kitchen RandomKitchen(Random random, int people)
    {
        var kitchen = Kitchen.Ordinary("Test kitchen");
        return kitchen with
        {
            People = [.. Enumerable.Range(1, people).Select(i => new Person($"Baker {i}", null, null))],
            Oven = kitchen.Oven with
            {
                HeatUp = Duration.FromMinutes(random.Next(8, 20)),
                CoolAjar = Duration.FromMinutes(random.Next(18, 30)),
                Shelves = random.Next(2, 4),
            },
            MixerWash = Duration.FromMinutes(random.Next(2, 6)),
            Pans = Plenty,
        };
    }

    public static Recipe RandomRecipe(Random random, int number) =>
        random.Next(5) switch
        {
            0 => YeastDough(random, number),
            1 => QuickLoaf(random, number),
            2 => Cookies(random, number),
            3 => TwiceBaked(random, number),
            _ => RingCake(random, number),
        };

    private static Recipe YeastDough(Random random, int number)
    {
        var spell = random.Next(3) == 0;
        return Make(
            $"dough-{number}",
            [
                Hands("mix", StepKind.Mix, random.Next(10, 18)),
                Wait("rise", StepKind.BulkRise, random.Next(50, 80)),
                Hands("knock-back", StepKind.Work, 5),
                Wait("second-rise", StepKind.BulkRise, random.Next(35, 55)),
                Hands("shape", StepKind.Work, random.Next(12, 22)),
                spell
                    ? new Step(
                        "proof",
                        "proof",
                        "",
                        StepKind.Proof,
                        Around(random.Next(35, 50)),
                        0,
                        new OvenUse(OvenState.Proof, Temperature.FromCelsius(30), Tray, 2),
                        1,
                        [],
                        []
                    )
                    : Wait("proof", StepKind.Proof, random.Next(35, 60)),
                Bake("bake", random.Next(25, 40), Temperatures[random.Next(2, 5)], Tray, 2),
                Wait("cool", StepKind.Cool, 60),
            ],
            [
                Tie("mix", "rise", 0, 5),
                Tie("rise", "knock-back", 0, 25),
                Tie("knock-back", "second-rise", 0, 5),
                Tie("second-rise", "shape", 0, 20),
                Tie("shape", "proof", 0, 5),
                Tie("proof", "bake", 0, 45),
                Tie("bake", "cool", 0, 0),
            ]
        );
    }

    private static Recipe QuickLoaf(Random random, int number) =>
        Make(
            $"loaf-{number}",
            [
                Hands("weigh", StepKind.Work, random.Next(8, 14)),
                Hands("mix", StepKind.Mix, random.Next(6, 10)),
                Hands("fill", StepKind.Work, 5),
                Bake("bake", random.Next(45, 65), Temperatures[random.Next(1, 4)], Loaf, 2),
                Wait("cool-in-pan", StepKind.Cool, 10),
                Hands("turn-out", StepKind.Work, 3),
                Wait("cool", StepKind.Cool, 90),
            ],
            [
                Tie("weigh", "mix", 0, null),
                Tie("mix", "fill", 0, 10),
                Tie("fill", "bake", 0, 15),
                Tie("bake", "cool-in-pan", 0, 0),
                Tie("cool-in-pan", "turn-out", 0, 15),
                Tie("turn-out", "cool", 0, 0),
            ]
        );

    private static Recipe Cookies(Random random, int number)
    {
        var trays = random.Next(2, 5);
        return Make(
            $"cookies-{number}",
            [
                Hands("mix", StepKind.Mix, random.Next(8, 14)),
                Wait("chill", StepKind.Chill, random.Next(30, 90)),
                Hands("scoop", StepKind.Work, random.Next(6, 12), trays),
                Bake("bake", random.Next(9, 15), Temperatures[random.Next(2, 5)], Tray, 1, trays),
                Hands("lift", StepKind.Work, 2, trays),
            ],
            [Tie("mix", "chill", 0, 30), Tie("chill", "scoop", 0, null), Tie("scoop", "bake", 0, 60), Tie("bake", "lift", 4, 15)]
        );
    }

    private static Recipe TwiceBaked(Random random, int number) =>
        Make(
            $"slices-{number}",
            [
                Hands("mix", StepKind.Mix, random.Next(10, 15)),
                Hands("shape", StepKind.Work, 8),
                Bake("first-bake", random.Next(25, 35), 175, Tray, 1),
                Wait("cool", StepKind.Cool, 15),
                Hands("slice", StepKind.Work, random.Next(6, 10)),
                Bake("second-bake", random.Next(18, 28), 150, Tray, 2),
                Wait("cool-again", StepKind.Cool, 45),
            ],
            [
                Tie("mix", "shape", 0, 20),
                Tie("shape", "first-bake", 0, 60),
                Tie("first-bake", "cool", 0, 0),
                Tie("cool", "slice", 0, 30),
                Tie("slice", "second-bake", 0, null),
                Tie("second-bake", "cool-again", 0, 0),
            ]
        );

    private static Recipe RingCake(Random random, int number) =>
        Make(
            $"ring-{number}",
            [
                Hands("grease", StepKind.Work, 4),
                Hands("mix", StepKind.Mix, random.Next(12, 20)),
                Bake("bake", random.Next(40, 60), Temperatures[random.Next(1, 3)], Round, 1),
                Wait("stand", StepKind.Cool, 15),
                Hands("turn-out", StepKind.Work, 3),
                Wait("cool", StepKind.Cool, 80),
                Hands("glaze", StepKind.Work, random.Next(5, 12)),
            ],
            [
                Tie("grease", "bake", 0, null),
                Tie("mix", "bake", 0, 15),
                Tie("bake", "stand", 0, 0),
                Tie("stand", "turn-out", 0, 10),
                Tie("turn-out", "cool", 0, 0),
                Tie("cool", "glaze", 0, null),
            ]
        );

    public static Recipe Make(string key, ImmutableArray<Step> steps, ImmutableArray<Link> links) =>
        new(key, key, "", new Yield(1, "pieces"), [], steps, links, []);

    public static Step Hands(string key, StepKind kind, int minutes, int times = 1) =>
        new(key, key, "", kind, Around(minutes), 1, null, times, [], []);

    public static Step Wait(string key, StepKind kind, int minutes, int times = 1) =>
        new(key, key, "", kind, Around(minutes), 0, null, times, [], []);

    public static Step Bake(string key, int minutes, int celsius, Pan pan, int pans, int times = 1) =>
        new(
            key,
            key,
            "",
            StepKind.Bake,
            Around(minutes),
            0,
            new OvenUse(OvenState.Bake, Temperature.FromCelsius(celsius), pan, pans),
            times,
            [],
            []
        );

    public static Link Tie(string from, string to, int min, int? max, WindowKind window = WindowKind.Hard) =>
        new(from, to, Duration.FromMinutes(min), max is { } m ? Duration.FromMinutes(m) : null, window, "");

    public static DurationEstimate Around(int minutes) => DurationEstimate.Minutes(Math.Max(1, minutes * 4 / 5), minutes, minutes * 3 / 2);
}
