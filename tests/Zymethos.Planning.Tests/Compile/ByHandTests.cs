using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.Tests.Seasons;
using Zymethos.Planning.WaysOut;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>What the baker decides by hand is kept or refused in words; ways to wait are chosen; rises follow the room.</summary>
public sealed class ByHandTests
{
    private static readonly Pan Tray = new("tray", Length.FromMillimetres(330), Length.FromMillimetres(240));

    private static Recipe Cookies(string key, int celsius = 175) =>
        Make(
            key,
            [Hands("mix", StepKind.Mix, 10), Hands("scoop", StepKind.Work, 8), Bake("bake", 12, celsius, Tray, 1)],
            [Tie("mix", "scoop", 0, null), Tie("scoop", "bake", 0, 60)]
        );

    private static Recipe Dough() =>
        Make(
            "dough",
            [
                Hands("mix", StepKind.Mix, 10),
                new Step("rise", "Rise", "", StepKind.BulkRise, Around(60), 0, null, 1, [], [])
                {
                    Modes =
                    [
                        new StepMode(
                            "oven-proof spell",
                            StepKind.Proof,
                            Around(35),
                            new OvenUse(OvenState.Proof, Temperature.FromCelsius(30), Tray, 1)
                        ),
                        new StepMode("overnight", StepKind.Chill, Around(600), null),
                    ],
                },
                Hands("shape", StepKind.Work, 10),
                Bake("bake", 25, 200, Tray, 1),
            ],
            [Tie("mix", "rise", 0, 5), Tie("rise", "shape", 0, 20), Tie("shape", "bake", 0, 40)]
        );

    private static DayWish Wish(ByHand byHand, params Recipe[] recipes) =>
        new(Start, Start.PlusHours(8), [.. recipes.Select(r => new BakeWish(r, 1, null, null))]) { ByHand = byHand };

    private static Kitchen Home(double room = 24) => Kitchen.Ordinary("Home") with { Room = Temperature.FromCelsius(room) };

    private static Plan Planned(TaskNetwork network)
    {
        var plan = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(1), 1, 2)).Plan!;
        Assert.Empty(PlanChecker.Check(network, plan));
        return plan;
    }

    [Fact]
    public void A_pin_is_kept_and_named_as_the_reason()
    {
        var network = TaskCompiler
            .Compile(Home(), Wish(ByHand.Nothing with { Pins = [new PinWish(new TaskId("1.1.bake.1"), 200)] }, Cookies("a"), Cookies("b")))
            .Network!;
        var plan = Planned(network);
        var bake = network.Tasks.Single(t => t.Id.Value == "1.1.bake.1").Index;
        Assert.Equal(200, plan.Tasks[bake].Start);
        Assert.Equal("You pinned it here.", Explainer.Explain(network, plan)[bake].NotEarlier);
    }

    [Fact]
    public void Loads_go_in_together_stay_apart_and_keep_an_order()
    {
        var pair = new PairWish(new TaskId("1.1.bake.1"), new TaskId("2.1.bake.1"));
        int Start(TaskNetwork network, Plan plan, string id) => plan.Tasks[network.Tasks.Single(t => t.Id.Value == id).Index].Start;
        var together = TaskCompiler.Compile(Home(), Wish(ByHand.Nothing with { Together = [pair] }, Cookies("a"), Cookies("b"))).Network!;
        var plan = Planned(together);
        Assert.InRange(
            Start(together, plan, pair.First.Value) - Start(together, plan, pair.Second.Value),
            -TaskNetwork.TogetherMinutes,
            TaskNetwork.TogetherMinutes
        );
        var apart = TaskCompiler.Compile(Home(), Wish(ByHand.Nothing with { Apart = [pair] }, Cookies("a"), Cookies("b"))).Network!;
        plan = Planned(apart);
        Assert.True(Math.Abs(Start(apart, plan, pair.First.Value) - Start(apart, plan, pair.Second.Value)) >= 12);
        var order = TaskCompiler
            .Compile(
                Home(),
                Wish(
                    ByHand.Nothing with
                    {
                        Orders = [new PairWish(new TaskId("2.1.mix.1"), new TaskId("1.1.mix.1"))],
                    },
                    Cookies("a"),
                    Cookies("b")
                )
            )
            .Network!;
        plan = Planned(order);
        Assert.True(Start(order, plan, "2.1.mix.1") <= Start(order, plan, "1.1.mix.1"));
    }

    [Theory]
    [InlineData("9.9.nothing.1", 100, "byHand.pins[0].task", "no step")]
    [InlineData("1.1.bake.1", -30, "byHand.pins[0].at", "before the day starts")]
    [InlineData("1.1.bake.1", 475, "byHand.pins[0].at", "so late")]
    public void A_pin_that_cannot_be_is_refused_in_words(string task, int start, string path, string words)
    {
        var fault = TaskCompiler
            .Compile(Home(), Wish(ByHand.Nothing with { Pins = [new PinWish(new TaskId(task), start)] }, Cookies("a")))
            .Faults.Single();
        Assert.Equal(path, fault.Path);
        Assert.Contains(words, fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Pairs_that_cannot_share_are_refused_in_words()
    {
        var different = Wish(
            ByHand.Nothing with
            {
                Together = [new PairWish(new TaskId("1.1.bake.1"), new TaskId("2.1.bake.1"))],
            },
            Cookies("a"),
            Cookies("b", 200)
        );
        Assert.Contains("different heats", TaskCompiler.Compile(Home(), different).Faults.Single().Message, StringComparison.Ordinal);
        var hands = Wish(
            ByHand.Nothing with
            {
                Apart = [new PairWish(new TaskId("1.1.mix.1"), new TaskId("2.1.mix.1"))],
            },
            Cookies("a"),
            Cookies("b")
        );
        Assert.Contains("Only loads", TaskCompiler.Compile(Home(), hands).Faults.Single().Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Contradicting_pins_are_a_clash_whose_way_out_lets_one_move()
    {
        var byHand = ByHand.Nothing with { Pins = [new PinWish(new TaskId("1.1.mix.1"), 60), new PinWish(new TaskId("2.1.mix.1"), 64)] };
        var network = TaskCompiler.Compile(Home(), Wish(byHand, Cookies("a"), Cookies("b"))).Network!;
        Assert.Equal(PlanStatus.Impossible, DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(1), 1, 2)).Status);
        var report = ClashFinder.Report(network, true, TimeSpan.FromSeconds(2), 1);
        Assert.Contains(report.Clash, c => c.Contains("pinned", StringComparison.Ordinal));
        Assert.Equal(2, report.WaysOut.Count(w => w.Kind == WayOutKind.LetMove));
    }

    [Fact]
    public void More_time_for_a_step_is_planned_and_its_hands_go_along()
    {
        var network = TaskCompiler
            .Compile(
                Home(),
                Wish(
                    ByHand.Nothing with
                    {
                        Allow = [new AllowWish(new TaskId("1.1.bake.1"), 20), new AllowWish(new TaskId("1.1.scoop.1"), 15)],
                    },
                    Cookies("a")
                )
            )
            .Network!;
        var (bake, scoop) = (network.Tasks.Single(t => t.Id.Value == "1.1.bake.1"), network.Tasks.Single(t => t.Id.Value == "1.1.scoop.1"));
        Assert.Equal((20, 19), (bake.Likely, bake.Hands[^1].Offset));
        Assert.True(scoop is { Likely: 15, IsHandsOn: true });
        Planned(network);
    }

    [Fact]
    public void Nobody_works_in_a_rest_and_what_rises_goes_on_through_it()
    {
        var wish = Wish(ByHand.Nothing, Dough()) with
        {
            Until = Start.PlusHours(14),
            Rests = [(Start.PlusMinutes(20), Start.PlusMinutes(620))],
        };
        var moded = ModeChooser.Plan(Home(), wish, new SolveSettings(TimeSpan.FromSeconds(20), 1, 2));
        Assert.Empty(PlanChecker.Check(moded.Network!, moded.Outcome!.Plan!));
        // Only the night in the cold lets the dough be mixed before the rest and baked after it; mixing after it would finish later.
        Assert.Equal(new ChosenMode(0, "rise", 2), moded.Network!.Modes.Single());
        Assert.Equal(PlanStatus.Proven, moded.Outcome.Status);
    }

    [Fact]
    public void The_way_to_rise_is_chosen_by_what_the_oven_has_to_do()
    {
        var settings = new SolveSettings(TimeSpan.FromSeconds(2), 1, 2);
        // A cold room and an empty oven: the spell is quicker.
        var alone = ModeChooser.Plan(Home(14), Wish(ByHand.Nothing, Dough()), settings);
        Assert.Equal(1, alone.Network!.Modes.Single().Mode);
        Assert.Empty(PlanChecker.Check(alone.Network!, alone.Outcome!.Plan!));
        // A named way is taken.
        var named = Wish(ByHand.Nothing, Dough());
        named = named with { Bakes = [named.Bakes[0] with { Modes = named.Bakes[0].Modes.Add("rise", 0) }] };
        var counter = ModeChooser.Plan(Home(14), named, settings);
        Assert.Empty(counter.Network!.Modes);
        Assert.DoesNotContain(counter.Network!.Tasks, t => t.Oven is { Setting.IsProof: true });
        Assert.True(counter.Outcome!.Plan!.Finish(counter.Network) > alone.Outcome.Plan!.Finish(alone.Network!));
    }

    [Fact]
    public void Rises_take_longer_in_a_cool_room_and_say_so()
    {
        PlanTask Rise(double room)
        {
            var wish = Wish(ByHand.Nothing, Dough());
            return TaskCompiler.Compile(Home(room), wish).Network!.Tasks.Single(t => t.Kind == StepKind.BulkRise);
        }

        Assert.Equal((60, ""), (Rise(24).Likely, Rise(24).Said));
        Assert.True(
            Rise(14).Likely > Rise(18).Likely && Rise(18).Likely > 64 && Rise(33).Likely < 57,
            $"{Rise(14).Likely} {Rise(18).Likely} {Rise(33).Likely}"
        );
        Assert.Contains("instead of the recipe's 1 h", Rise(18).Said, StringComparison.Ordinal);
        Assert.True(Rise(18).Low < Rise(18).Likely && Rise(18).High > Rise(18).Likely);
    }

    // Three times the wanted 24 degrees, less flour, room and 13.3 for the mixer (Hamelman's rule).
    [Theory]
    [InlineData(24, "water of about 11 °C")]
    [InlineData(18, "water of about 23 °C")]
    [InlineData(6, "too hot for yeast")]
    [InlineData(30, "from the refrigerator")]
    public void A_mixed_dough_is_told_its_water(double room, string words)
    {
        var said = TaskCompiler.Compile(Home(room), Wish(ByHand.Nothing, Dough())).Network!.Tasks.Single(t => t.Kind == StepKind.Mix).Said;
        Assert.Contains(words, said, StringComparison.Ordinal);
        Assert.Empty(
            TaskCompiler.Compile(Home(room), Wish(ByHand.Nothing, Cookies("a"))).Network!.Tasks.Single(t => t.Kind == StepKind.Mix).Said
        );
    }

    [Theory]
    [InlineData("300 g milk", "take milk of about 23 °C")]
    [InlineData("300 g buttermilk", "take buttermilk of about 23 °C")]
    [InlineData("300 g cold milk", "")]
    [InlineData("300 g ice water", "")]
    [InlineData("150 g eggs", "")]
    public void The_liquid_is_the_recipes_own_and_cold_stays_cold(string line, string words)
    {
        var lines = new[] { "500 g bread flour", line }.Select(l => LineOfRecipe.Of(l, IngredientKnowledge.Shipped).Line!);
        var recipe = Dough() with { Parts = [new Part("Dough", PartKind.Dough, [.. lines])] };
        var said = TaskCompiler.Compile(Home(18), Wish(ByHand.Nothing, recipe)).Network!.Tasks.Single(t => t.Kind == StepKind.Mix).Said;
        if (words.Length == 0)
            Assert.DoesNotContain("°C", said, StringComparison.Ordinal);
        else
            Assert.Contains(words, said, StringComparison.Ordinal);
    }

    [Fact]
    public void Few_pans_are_used_in_waves_and_washed_between()
    {
        var kitchen = Home() with { Pans = [new PanStock(Tray, 1)] };
        var network = TaskCompiler.Compile(kitchen, Wish(ByHand.Nothing, Cookies("a"), Cookies("b"))).Network!;
        var plan = Planned(network);
        var bakes = network.Tasks.Where(t => t.Kind == StepKind.Bake).Select(t => plan.Tasks[t.Index]).OrderBy(p => p.Start).ToList();
        Assert.True(bakes[1].Start >= bakes[0].End + TaskCompiler.PanWashMinutes);
        var two = Make("two", [Bake("bake", 12, 175, Tray, 2)], []);
        Assert.Contains(
            "the kitchen has 1",
            TaskCompiler.Compile(kitchen, Wish(ByHand.Nothing, two)).Faults.Single().Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_lean_gives_its_own_thing_up_last()
    {
        var network = RandomDays.Day(5, 2);
        Figures With(DayLean lean) =>
            Figures.Of(network, DayPlanner.Plan(network with { Lean = lean }, new SolveSettings(TimeSpan.FromSeconds(5), 1, 2)).Plan!);
        var early = With(DayLean.DoneEarly);
        // Presence weighs most and not alone: a few minutes may go for an oven that is off sooner.
        Assert.True(With(DayLean.ShortDay).KitchenMinutes <= early.KitchenMinutes + 5);
        Assert.True(With(DayLean.Fresher).SoftWindowMinutes <= early.SoftWindowMinutes);
        Assert.True(With(DayLean.LessOven).FinishMinute >= early.FinishMinute);
    }
}
