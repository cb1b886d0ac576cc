using System.Collections.Immutable;
using CsCheck;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Live;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.WaysOut;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>What a kitchen has room for: ovens, shelves, pans, racks, the cold, the bowl.</summary>
public sealed class KitchenRoomTests
{
    private static readonly SolveSettings Settings = new(TimeSpan.FromSeconds(5), 1, 2);
    private static readonly Pan Sheet = new("sheet", Length.FromMillimetres(330), Length.FromMillimetres(240));
    private static readonly Pan Full = new("full sheet", Length.FromMillimetres(490), Length.FromMillimetres(330));

    private static Kitchen Home() =>
        Kitchen.Ordinary("Home") with
        {
            People = [new Person("One", null, null), new Person("Two", null, null)],
            Pans = [new PanStock(Sheet, 24), new PanStock(Full, 24)],
        };

    private static Recipe Loaf(string key, int celsius, int pans = 3) =>
        Make(key, [Hands("mix", StepKind.Work, 10), Bake("bake", 40, celsius, Full, pans)], [Tie("mix", "bake", 0, 15)]);

    private static DayWish Day(params Recipe[] recipes) =>
        new(Start, Start.PlusHours(12), [.. recipes.Select(r => new BakeWish(r, 1, null, null))]);

    private static (TaskNetwork Network, Plan Plan) Planned(Kitchen kitchen, DayWish wish)
    {
        var moded = ModeChooser.Plan(kitchen, wish, Settings);
        Assert.Empty(moded.Faults);
        Assert.NotNull(moded.Outcome!.Plan);
        Assert.Empty(PlanChecker.Check(moded.Network!, moded.Outcome.Plan));
        return (moded.Network!, moded.Outcome.Plan);
    }

    [Fact]
    public void Two_ovens_bake_two_heats_at_once()
    {
        var one = Planned(Home(), Day(Loaf("a", 160), Loaf("b", 220)));
        var two = Planned(Home() with { SecondOven = Home().Oven }, Day(Loaf("a", 160), Loaf("b", 220)));
        Assert.True(two.Plan.Finish(two.Network) <= one.Plan.Finish(one.Network) - 20);
        var loads = two.Network.Tasks.Where(t => t.Oven is not null).Select(t => two.Plan.Tasks[t.Index]).ToList();
        Assert.Equal([0, 1], loads.Select(l => l.Oven).Order());
        // Each oven has a programme of its own, and the day counts both.
        var day = PlannedDay.Of(two.Network, two.Plan, 0);
        Assert.All(day.Programmes, p => Assert.False(p.Segments.IsEmpty));
        Assert.Equal((int)Math.Round(day.Programmes.Sum(p => p.OnMinutes)), day.Figures.OvenOnMinutes);
        Assert.Contains(day.Sheet, l => l.Text.StartsWith("Second oven: oven on", StringComparison.Ordinal));
    }

    [Fact]
    public void What_the_second_oven_cannot_hold_or_heat_goes_into_the_first()
    {
        var small = Home().Oven with { ShelfWidth = Length.FromMillimetres(400) };
        var weak = Home().Oven with { Hottest = Temperature.FromCelsius(180) };
        foreach (var second in new[] { small, weak })
        {
            var (network, plan) = Planned(Home() with { SecondOven = second }, Day(Loaf("a", 220), Loaf("b", 220)));
            Assert.All(network.Tasks.Where(t => t.Oven is not null), t => Assert.Equal(0, plan.Tasks[t.Index].Oven));
        }
    }

    [Fact]
    public void A_second_oven_lets_a_proofed_dough_go_straight_into_heat()
    {
        // In one oven nothing can be hot fifteen minutes after a spell; with two it can.
        var dough = Make(
            "dough",
            [
                Hands("shape", StepKind.Work, 10),
                new Step(
                    "proof",
                    "proof",
                    "",
                    StepKind.Proof,
                    Around(40),
                    0,
                    new OvenUse(OvenState.Proof, Temperature.FromCelsius(30), Sheet, 1),
                    1,
                    [],
                    []
                ),
                Bake("bake", 30, 220, Sheet, 1),
            ],
            [Tie("shape", "proof", 0, 5), Tie("proof", "bake", 0, 10)]
        );
        Assert.Null(ModeChooser.Plan(Home(), Day(dough), Settings).Outcome!.Plan);
        var report = ClashFinder.Report(TaskCompiler.Compile(Home(), Day(dough)).Network!, true, TimeSpan.FromSeconds(3), 1);
        Assert.Contains(report.WaysOut, w => w.Kind == WayOutKind.SecondOven);
        Assert.Contains(report.WaysOut, w => w.Kind == WayOutKind.WiderWindow && w.Minutes > 0);
        var (network, plan) = Planned(Home() with { SecondOven = Home().Oven }, Day(dough));
        var (proof, clear, bake) = (
            plan.Tasks[1],
            plan.Tasks[network.Tasks.Single(t => t.Id.Value.EndsWith(".clear", StringComparison.Ordinal)).Index],
            plan.Tasks[network.Tasks.Single(t => t.Kind == StepKind.Bake).Index]
        );
        Assert.Equal((proof.Oven, 1 - proof.Oven), (clear.Oven, bake.Oven));
    }

    [Fact]
    public void Pans_are_taken_from_filling_to_washing()
    {
        var cookies = Make(
            "cookies",
            [
                Hands("mix", StepKind.Mix, 8),
                Hands("scoop", StepKind.Work, 6, 4),
                Bake("bake", 12, 180, Sheet, 1, 4),
                Wait("stand", StepKind.Cool, 5, 4),
                Hands("lift", StepKind.Work, 2, 4),
            ],
            [Tie("mix", "scoop", 0, null), Tie("scoop", "bake", 0, 30), Tie("bake", "stand", 0, 0), Tie("stand", "lift", 0, 10)]
        );
        var (network, plan) = Planned(Home() with { Pans = [new PanStock(Sheet, 2)] }, Day(cookies));
        var taken = Enumerable
            .Range(0, 4)
            .Select(w => (From: Of("scoop", w).Start, Until: Of("lift", w).End + TaskCompiler.PanWashMinutes))
            .ToList();
        for (var m = 0; m < network.SpanEnd; m++)
            Assert.True(taken.Count(t => t.From <= m && m < t.Until) <= 2, $"minute {m}");
        // With trays enough nothing waits.
        var many = Planned(Home() with { Pans = [new PanStock(Sheet, 4)] }, Day(cookies));
        Assert.True(many.Plan.Finish(many.Network) < plan.Finish(network));
        PlannedTask Of(string key, int wave) => plan.Tasks[network.Tasks.Single(t => t.Id.Value == $"1.1.{key}.{wave + 1}").Index];
    }

    [Fact]
    public void Racks_that_are_full_make_the_next_bake_wait()
    {
        Recipe Cake(string key) =>
            Make(
                key,
                [Hands("mix", StepKind.Work, 5), Bake("bake", 30, 180, Full, 1), Wait("cool", StepKind.Cool, 60)],
                [Tie("mix", "bake", 0, 15), Tie("bake", "cool", 0, 0)]
            );
        var (network, plan) = Planned(Home() with { RackShelves = 1 }, Day(Cake("a"), Cake("b")));
        var cools = network.Tasks.Where(t => t.Kind == StepKind.Cool).Select(t => plan.Tasks[t.Index]).OrderBy(t => t.Start).ToList();
        Assert.True(cools[1].Start >= cools[0].End);
        Assert.Contains(
            "cooling racks",
            TaskCompiler.Compile(Home() with { RackShelves = 0.5 }, Day(Cake("a"))).Faults.Single().Message,
            StringComparison.Ordinal
        );
    }

    private static Recipe Dough(double kilograms, bool withModes = true) =>
        Make(
            "dough",
            [
                Hands("mix", StepKind.Mix, 12),
                new Step("rise", "rise", "", StepKind.BulkRise, DurationEstimate.Minutes(50, 60, 80), 0, null, 1, [], [])
                {
                    Modes = withModes
                        ? [new StepMode("overnight in the cold", StepKind.Chill, DurationEstimate.Minutes(480, 600, 960), null)]
                        : [],
                },
                Hands("shape", StepKind.Work, 10),
                Bake("bake", 30, 200, Sheet, 1),
            ],
            [Tie("mix", "rise", 0, 5), Tie("rise", "shape", 0, 20), Tie("shape", "bake", 0, 60)]
        ) with
        {
            Kind = RecipeKind.Bread,
            Parts =
            [
                new Part("dough", PartKind.Dough, [new IngredientLine(null, Mass.FromGrams(kilograms * 1000), "flour", "", "", false)]),
            ],
        };

    [Fact]
    public void A_refrigerator_that_is_full_is_named_and_another_way_is_taken()
    {
        var wish = Day(Dough(1));
        var cold = wish with { Bakes = [wish.Bakes[0] with { Modes = ImmutableDictionary<string, int>.Empty.Add("rise", 1) }] };
        var fault = Assert.Single(TaskCompiler.Compile(Home() with { FridgeLitres = 1 }, cold).Faults);
        Assert.Equal("bakes[0]", fault.Path);
        Assert.Contains("refrigerator; 1 are free", fault.Message, StringComparison.Ordinal);
        // A night between: with room the dough goes into the cold, without it does not.
        var night = wish with
        {
            Until = Start.PlusHours(14),
            Rests = [(Start.PlusMinutes(20), Start.PlusMinutes(620))],
        };
        Assert.Contains(Planned(Home() with { FridgeLitres = 10 }, night).Network.Tasks, t => t.Kind == StepKind.Chill);
        Assert.DoesNotContain(Planned(Home() with { FridgeLitres = 1 }, night).Network.Tasks, t => t.Kind == StepKind.Chill);
    }

    [Fact]
    public void A_retarded_dough_is_ready_early_and_holds()
    {
        var wish = Day(Dough(1));
        var cold = wish with { Bakes = [wish.Bakes[0] with { Modes = ImmutableDictionary<string, int>.Empty.Add("rise", 1) }] };
        var network = TaskCompiler.Compile(Home(), cold).Network!;
        var rise = network.Tasks.Single(t => t.Kind == StepKind.Chill);
        // Sixty minutes at 24 degrees are a good three hours in the cold for a kilogram, not the ten that the recipe writes.
        Assert.InRange(rise.Likely, 120, 420);
        var window = network.Links.Single(l => l.From == rise.Index);
        Assert.Equal(960 + 20, rise.Likely + window.MaxLag!.Value, 1.0);
        Assert.Contains("then holds", rise.Said, StringComparison.Ordinal);
    }

    [Fact]
    public void Rises_go_by_the_hour_and_by_the_yeast()
    {
        var kitchen = Home() with
        {
            RoomByHour =
            [
                new RoomHour(new LocalTime(7, 0), Temperature.FromCelsius(24)),
                new RoomHour(new LocalTime(12, 0), Temperature.FromCelsius(16)),
            ],
        };
        var rise = TaskCompiler.Compile(kitchen, Day(Dough(1, false))).Network!.Tasks.Single(t => t.Kind == StepKind.BulkRise);
        Assert.Equal(rise.Likely, rise.ByHalfHour.Min());
        Assert.InRange(rise.TakesFrom(0), 58, 62);
        Assert.True(rise.TakesFrom(6 * 60) > rise.TakesFrom(0) + 8, $"{rise.TakesFrom(6 * 60)}");
        // It slows down as the room does, not at a stroke.
        for (var h = 1; h < 16; h++)
            Assert.True(rise.ByHalfHour[h] + 30 >= rise.ByHalfHour[h - 1]);
        var wish = Day(Dough(1, false));
        int With(double yeast) =>
            TaskCompiler
                .Compile(Home() with { Room = Temperature.FromCelsius(24) }, wish with { Bakes = [wish.Bakes[0] with { Yeast = yeast }] })
                .Network!.Tasks.Single(t => t.Kind == StepKind.BulkRise)
                .Likely;
        Assert.Equal((60, 120), (With(1), With(0.5)));
        Assert.InRange(With(2), 30, 31);
        Assert.Equal(
            "bakes[0].yeast",
            TaskCompiler.Compile(Home(), wish with { Bakes = [wish.Bakes[0] with { Yeast = 9 }] }).Faults.Single().Path
        );
    }

    [Fact]
    public void A_batch_too_large_for_the_bowl_is_mixed_twice_and_two_small_ones_at_once()
    {
        var big = TaskCompiler.Compile(Home(), Day(Dough(2.5, false))).Network!;
        Assert.True(big.Tasks.Count(t => t.Kind == StepKind.Mix) >= 2);
        Assert.All(big.Tasks.Where(t => t.Kind == StepKind.Mix), t => Assert.Contains("equal mixes", t.Said, StringComparison.Ordinal));
        var two = Day(Dough(0.4, false));
        two = two with { Bakes = [two.Bakes[0] with { Batches = 2 }] };
        var (network, plan) = Planned(Home() with { People = [new Person("One", null, null)] }, two);
        // One mix and one wash save hands: the planner takes it.
        Assert.Single(network.Tasks, t => t.Kind == StepKind.Mix);
        Assert.Equal(2, network.Tasks.Count(t => t.Kind == StepKind.Bake));
        Assert.Equal(1, network.Modes.Single(m => m.Step == BakeWish.MixTogether).Mode);
        Assert.Contains("(batches 1 and 2)", network.Tasks.Single(t => t.Kind == StepKind.Mix).Title, StringComparison.Ordinal);
        Assert.NotEmpty(plan.Tasks);
    }

    [Theory]
    [InlineData(ShelfWish.Low, 0)]
    [InlineData(ShelfWish.Middle, 1)]
    [InlineData(ShelfWish.High, 2)]
    public void A_bake_stands_on_the_shelf_it_wants(ShelfWish wish, int shelf)
    {
        var recipe = Loaf("a", 180, 1);
        recipe = recipe with { Steps = [.. recipe.Steps.Select(s => s.Oven is { } use ? s with { Oven = use with { Shelf = wish } } : s)] };
        var (network, plan) = Planned(Home(), Day(recipe, Loaf("b", 180, 1)));
        Assert.Equal([shelf], plan.Tasks[network.Tasks.First(t => t.Oven is not null).Index].Shelves.AsEnumerable());
        // More pans than the shelf holds: the wish cannot be kept, and the bake is planned all the same.
        var three = recipe with
        {
            Steps = [.. recipe.Steps.Select(s => s.Oven is { } use ? s with { Oven = use with { Pans = 3 } } : s)],
        };
        Assert.Equal([0, 1, 2], Planned(Home(), Day(three)) is var full ? full.Plan.Tasks[1].Shelves.Order() : []);
    }

    [Fact]
    public void Pans_set_out_on_a_shelf_lie_inside_it_and_apart() =>
        Gen.Select(Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[1, 4], Gen.Int[0, 3])
            .Sample(
                (a, b, c, d, n, m) =>
                {
                    var oven = Home().Oven;
                    var pans = Enumerable
                        .Repeat(new Footprint(Math.Max(a, b), Math.Min(a, b)), n)
                        .Concat(Enumerable.Repeat(new Footprint(Math.Max(c, d), Math.Min(c, d)), m))
                        .ToList();
                    if (ShelfPacking.Place(oven, pans) is not { } places)
                        return;
                    for (var i = 0; i < pans.Count; i++)
                    {
                        var p = places[i];
                        Assert.True(p.Left >= 0 && p.Front >= 0 && p.Left + p.Across <= 500 && p.Front + p.Deep <= 340);
                        Assert.Equal((pans[i].Long, pans[i].Wide), (Math.Max(p.Across, p.Deep), Math.Min(p.Across, p.Deep)));
                        for (var j = 0; j < i; j++)
                            Assert.False(
                                p.Left < places[j].Left + places[j].Across
                                    && places[j].Left < p.Left + p.Across
                                    && p.Front < places[j].Front + places[j].Deep
                                    && places[j].Front < p.Front + p.Deep
                            );
                    }
                },
                iter: Cases.Of(2000)
            );

    [Fact]
    public void What_the_planner_sets_out_the_checker_finds_room_for() =>
        Gen.Select(Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[80, 350], Gen.Int[1, 4], Gen.Int[0, 3])
            .Sample(
                (a, b, c, d, n, m) =>
                {
                    var oven = Home().Oven;
                    var pans = Enumerable
                        .Repeat(new Footprint(Math.Max(a, b), Math.Min(a, b)), n)
                        .Concat(Enumerable.Repeat(new Footprint(Math.Max(c, d), Math.Min(c, d)), m))
                        .ToList();
                    var fits = PansOnAShelf.Fit(oven, pans);
                    if (ShelfPacking.Place(oven, pans) is not null)
                        Assert.True(fits);
                    if (fits)
                        Assert.True(pans.Sum(p => p.Long * p.Wide) <= 500 * 340);
                },
                iter: Cases.Of(3000)
            );

    [Fact]
    public void Pans_that_only_add_up_do_not_share_a_shelf()
    {
        // Two of the long ones fill a shelf, or six of the square ones; one long and three square add up and fit. With the shorter, wider
        // one they add up and do not.
        var oven = Home().Oven with
        {
            ShelfWidth = Length.FromMillimetres(480),
            ShelfDepth = Length.FromMillimetres(320),
        };
        var (longs, squares) = (new Footprint(470, 155), new Footprint(158, 158));
        Assert.Equal((2, 6), (ShelfRoom.PansPerShelf(oven, longs), ShelfRoom.PansPerShelf(oven, squares)));
        Assert.NotNull(ShelfPacking.Place(oven, [longs, squares, squares, squares]));
        Assert.Empty(ShelfMix.Unmixed(0, oven, [longs, squares]));
        var tight = new Footprint(300, 170);
        Assert.Equal(2, ShelfRoom.PansPerShelf(oven, tight));
        Assert.NotNull(ShelfPacking.Place(oven, [tight, squares, squares]));
        Assert.Null(ShelfPacking.Place(oven, [tight, squares, squares, squares]));
        Assert.True(PansOnAShelf.Fit(oven, [longs, squares, squares, squares]));
        Assert.True(PansOnAShelf.Fit(oven, [tight, squares, squares]));
        Assert.False(PansOnAShelf.Fit(oven, [tight, squares, squares, squares]));
        Assert.Equal(new UnmixedPans(0, tight, squares), Assert.Single(ShelfMix.Unmixed(0, oven, [tight, squares])));
    }

    [Fact]
    public void Cooling_is_newtons_law_through_the_recipes_own_time()
    {
        var course = CakeCooling.Of(Duration.FromMinutes(100), CakeCooling.RecipeRoom);
        Assert.Equal(27, course.At(Duration.FromMinutes(100)).Celsius, 6);
        Assert.Equal(100, course.Until(CakeCooling.ColdEnoughToIce)!.Value.TotalMinutes, 6);
        // ln((95 - 21) / (70 - 21)) / ln((95 - 21) / (27 - 21)) of it (reckoned by hand): 16.4 min until firm.
        Assert.Equal(16.4, course.Until(CakeCooling.FirmEnoughToTurnOut)!.Value.TotalMinutes, 1);
        Assert.Null(CakeCooling.Of(Duration.FromMinutes(100), Temperature.FromCelsius(27)).Until(CakeCooling.ColdEnoughToIce));
        Assert.True(
            CakeCooling.Of(Duration.FromMinutes(100), Temperature.FromCelsius(16)).Until(CakeCooling.ColdEnoughToIce)
                < Duration.FromMinutes(80)
        );
    }

    [Theory]
    [InlineData(21, 90, "")]
    [InlineData(16, 66, "instead of the recipe's 1 h 30")]
    [InlineData(30, 270, "never gets cold enough")]
    public void A_cake_cools_as_the_room_lets_it(double room, int minutes, string said)
    {
        var cake = Make(
            "cake",
            [
                Hands("mix", StepKind.Work, 5),
                Bake("bake", 30, 180, Sheet, 1),
                Wait("stand", StepKind.Cool, 10),
                Hands("turn-out", StepKind.Work, 2),
                Wait("cool", StepKind.Cool, 90),
                Hands("ice", StepKind.Work, 10),
            ],
            [
                Tie("mix", "bake", 0, 15),
                Tie("bake", "stand", 0, 0),
                Tie("stand", "turn-out", 0, 10),
                Tie("turn-out", "cool", 0, 0),
                Tie("cool", "ice", 0, null),
            ]
        );
        var network = TaskCompiler.Compile(Home() with { Room = Temperature.FromCelsius(room) }, Day(cake)).Network!;
        var cool = network.Tasks.Single(t => t.Step!.Key == "cool");
        Assert.InRange(cool.Likely, minutes - 4, minutes + 4);
        Assert.Contains(said, cool.Said, StringComparison.Ordinal);
        Assert.Equal(10, network.Tasks.Single(t => t.Step!.Key == "stand").Likely);
    }

    [Fact]
    public void Whoever_is_alone_leaves_a_step_that_runs_over_for_a_bake_that_is_done()
    {
        // The loaf comes out at 40 and must not wait; the kneading beside it was to end at 35 and needs 15 minutes more.
        var home = Kitchen.Ordinary("Home");
        var knead = Make("knead", [Hands("knead", StepKind.Work, 30)], []);
        var wish = Day(Loaf("loaf", 180), knead);
        var network = TaskCompiler.Compile(home, wish).Network!;
        var loaf = network.Tasks.Single(t => t.Kind == StepKind.Bake);
        var late = network.Tasks.Single(t => t.Step!.Key == "knead");
        var pins = ByHand.Nothing with
        {
            Pins = [new PinWish(late.Id, network.Thermal(0).FromCold(loaf.Oven!.Setting) + loaf.Likely + 15 - 35)],
        };
        var held = TaskCompiler.Compile(home, wish with { ByHand = pins }).Network!;
        var first = DayPlanner.Plan(held, new SolveSettings(TimeSpan.FromSeconds(5))).Plan!;
        var out1 = first.Tasks[loaf.Index].End;
        var now = first.Tasks[late.Index].End - 1;
        Assert.InRange(out1, now + 1, now + 14);

        var byHand = LiveDay.From(PlannedDay.Of(held, first, 0), ByHand.Nothing, late, 15, now);
        var again = TaskCompiler.Compile(home, wish with { ByHand = byHand }).Network!;
        var plan = DayPlanner.Plan(again, new SolveSettings(TimeSpan.FromSeconds(5))).Plan!;
        Assert.Empty(PlanChecker.Check(again, plan));
        Assert.Equal(out1, plan.Tasks[loaf.Index].End);
        // A minute longer than asked for: the minute at the oven.
        Assert.Equal(late.Likely + 16, again.Tasks[late.Index].Likely);
        Assert.DoesNotContain(plan.Tasks[late.Index].Hands, h => h.From < out1 && h.Until > out1 - 1);
        // With somebody to help nobody has to leave anything.
        var two = held with
        {
            Helpers = [.. held.Helpers, held.Helpers[0]],
        };
        Assert.Empty(LiveDay.From(PlannedDay.Of(two, first, 0), ByHand.Nothing, late, 15, now).Allow.Single().Breaks);
    }

    [Fact]
    public void When_a_step_runs_over_what_has_begun_stays_and_the_rest_moves_as_little_as_can_be()
    {
        var wish = Day(Loaf("a", 180, 1), Loaf("b", 180, 1), Loaf("c", 200, 1));
        var (network, plan) = Planned(Home(), wish);
        var day = PlannedDay.Of(network, plan, 0);
        var late = network.Tasks.Where(t => t.Kind == StepKind.Bake).MinBy(t => plan.Tasks[t.Index].Start)!;
        var now = plan.Tasks[late.Index].End - 1;
        var byHand = LiveDay.From(day, ByHand.Nothing, late, 7, now);
        Assert.All(byHand.Pins, p => Assert.True(p.Start < now));
        var again = TaskCompiler.Compile(Home(), wish with { ByHand = byHand }).Network!;
        var keep = network.Tasks.ToDictionary(t => t.Id, t => plan.Tasks[t.Index].Start);
        var outcome = DayPlanner.Plan(again, new SolveSettings(TimeSpan.FromSeconds(5), 1, 2) { Keep = keep });
        Assert.Empty(PlanChecker.Check(again, outcome.Plan!));
        foreach (var task in again.Tasks)
        {
            var start = outcome.Plan!.Tasks[task.Index].Start;
            if (keep[task.Id] < now && task.Id != late.Id && byHand.Pins.Any(p => p.Task == task.Id))
                Assert.Equal(keep[task.Id], start);
            if (!byHand.Pins.Any(p => p.Task == task.Id))
                Assert.True(start >= now);
        }

        Assert.Equal(late.Likely + 7, again.Tasks[late.Index].Likely);
        Assert.Contains(PlanChecker.Check(again with { Since = now + 1, Pins = [] }, outcome.Plan!), b => b.Rule == PlanRule.NotBefore);
    }
}
