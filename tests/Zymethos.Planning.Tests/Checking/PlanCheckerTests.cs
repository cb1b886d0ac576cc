using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.Tests.Search;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Checking;

/// <summary>A good plan deliberately broken, rule by rule: each break is caught and called by its name.</summary>
public sealed class PlanCheckerTests
{
    private static readonly TaskNetwork Network = MakeNetwork();
    private static readonly Plan Good = FirstPlan.Find(Network, 1)!;

    private static TaskNetwork MakeNetwork()
    {
        var tray = new Pan("tray", Length.FromMillimetres(490), Length.FromMillimetres(330));
        var dough = Make(
            "dough",
            [
                Hands("mix", StepKind.Mix, 10),
                Hands("shape", StepKind.Work, 10),
                new Step(
                    "proof",
                    "proof",
                    "",
                    StepKind.Proof,
                    Around(30),
                    0,
                    new OvenUse(OvenState.Proof, Temperature.FromCelsius(30), tray, 1),
                    1,
                    [],
                    []
                ),
                Bake("bake", 30, 200, tray, 1),
            ],
            [Tie("mix", "shape", 20, 60), Tie("shape", "proof", 0, 10), Tie("proof", "bake", 0, 40)]
        );
        var cookies = Make(
            "cookies",
            [Hands("mix", StepKind.Mix, 8), Hands("scoop", StepKind.Work, 5, 2), Bake("bake", 12, 160, tray, 1, 2)],
            [Tie("mix", "scoop", 0, null), Tie("scoop", "bake", 0, 60)]
        );
        var kitchen = Zymethos.Core.Kitchens.Kitchen.Ordinary("Check");
        var wish = new DayWish(
            Start,
            Start.PlusHours(8),
            [new BakeWish(dough, 1, Start.PlusHours(7), Start.PlusMinutes(5)), new BakeWish(cookies, 1, null, null)]
        );
        return TaskCompiler.Compile(kitchen with { Oven = kitchen.Oven with { Shelves = 2 } }, wish).Network!;
    }

    private static int Index(string end) => Network.Tasks.Single(t => t.Id.Value.EndsWith(end, StringComparison.Ordinal)).Index;

    private static Plan At(int task, int start) => PlannerPropertyTests.Moved(Good, task, start - Good.Tasks[task].Start);

    private static Plan Change(int task, Func<PlannedTask, PlannedTask> change) =>
        Good with
        {
            Tasks = Good.Tasks.SetItem(task, change(Good.Tasks[task])),
        };

    private static void Catches(PlanRule rule, Plan broken, TaskNetwork? network = null) =>
        Assert.Contains(PlanChecker.Check(network ?? Network, broken), b => b.Rule == rule);

    [Fact]
    public void The_good_plan_is_good() => Assert.Empty(PlanChecker.Check(Network, Good));

    [Fact]
    public void A_shortened_step() => Catches(PlanRule.Duration, Change(Index("1.1.mix.1"), t => t with { End = t.End - 1 }));

    [Fact]
    public void Work_after_hours() => Catches(PlanRule.Span, At(Index("1.1.bake.1"), Network.SpanEnd - 5));

    [Fact]
    public void Work_before_the_day() => Catches(PlanRule.Span, At(Index("2.1.mix.1"), -3));

    [Fact]
    public void Ready_too_late() => Catches(PlanRule.ReadyBy, At(Index("1.1.bake.1"), (7 * 60) - 29));

    [Fact]
    public void Begun_too_soon() => Catches(PlanRule.NotBefore, At(Index("1.1.mix.1"), 4));

    [Fact]
    public void A_rise_cut_short() => Catches(PlanRule.MinLag, At(Index("1.1.shape.1"), Good.Tasks[Index("1.1.mix.1")].End + 19));

    [Fact]
    public void A_window_missed() => Catches(PlanRule.MaxLag, At(Index("1.1.shape.1"), Good.Tasks[Index("1.1.mix.1")].End + 61));

    [Fact]
    public void Nobody_at_work() => Catches(PlanRule.Hands, Change(Index("1.1.shape.1"), t => t with { Hands = [] }));

    [Fact]
    public void One_pair_of_hands_at_two_things() =>
        Catches(PlanRule.Hands, At(Index("2.1.mix.1"), Good.Tasks[Index("1.1.mix.1")].Start + 2));

    [Fact]
    public void Somebody_who_is_not_there() =>
        Catches(PlanRule.Hands, Good, Network with { Helpers = [Network.Helpers[0] with { Until = 60 }] });

    [Fact]
    public void A_bowl_not_yet_washed() => Catches(PlanRule.Resource, At(Index("2.1.mix.1"), Good.Tasks[Index("1.1.mix.1")].End + 3));

    [Fact]
    public void A_cold_oven() => Catches(PlanRule.OvenState, At(Index("2.1.bake.1"), 3));

    [Fact]
    public void An_oven_asked_to_jump() => Catches(PlanRule.OvenState, At(Index("1.1.bake.1"), Good.Tasks[Index("2.1.bake.2")].End + 1));

    [Fact]
    public void Dough_left_in_the_oven()
    {
        var clear = Index(".clear");
        Catches(PlanRule.OvenCleared, At(clear, Good.Tasks[clear].Start + 1));
    }

    [Fact]
    public void Heat_before_the_oven_is_cleared() => Catches(PlanRule.OvenState, At(Index("1.1.bake.1"), Good.Tasks[Index(".clear")].End));

    [Fact]
    public void Work_without_a_pause() => Catches(PlanRule.Pause, Good, Network with { Pauses = new Pauses(15, 60) });

    [Fact]
    public void No_time_for_a_meal()
    {
        var mix = Good.Tasks[Index("1.1.mix.1")];
        var meal = new Meal(mix.Start - 10, mix.End + 10, 15);
        Catches(PlanRule.Pause, Good, Network with { Pauses = new Pauses(Pauses.Unending, 1) { Meals = [meal] } });
    }

    [Fact]
    public void An_overfull_shelf()
    {
        var (one, two) = (Index("2.1.bake.1"), Index("2.1.bake.2"));
        var start = Good.Tasks[one].Start;
        var together = PlannerPropertyTests.Moved(Good, two, start - Good.Tasks[two].Start);
        Catches(
            PlanRule.Shelf,
            together with
            {
                Tasks = together.Tasks.SetItem(two, together.Tasks[two] with { Shelves = together.Tasks[one].Shelves }),
            }
        );
    }

    [Fact]
    public void A_pan_without_a_shelf() => Catches(PlanRule.Shelf, Change(Index("2.1.bake.1"), t => t with { Shelves = [] }));

    [Fact]
    public void A_shelf_that_is_not_there() => Catches(PlanRule.Shelf, Change(Index("2.1.bake.1"), t => t with { Shelves = [2] }));

    [Fact]
    public void Trays_out_of_order() => Catches(PlanRule.Order, At(Index("2.1.bake.1"), Good.Tasks[Index("2.1.bake.2")].Start + 1));

    [Fact]
    public void Work_in_a_rest()
    {
        var mix = Good.Tasks[Index("2.1.mix.1")];
        Catches(PlanRule.Span, Good, Network with { Rests = [new Rest(mix.Start + 2, mix.Start + 3)] });
    }

    [Fact]
    public void A_pinned_step_moved() =>
        Catches(PlanRule.Pin, Good, Network with { Pins = [new Pin(Index("1.1.bake.1"), Good.Tasks[Index("1.1.bake.1")].Start + 1)] });

    [Fact]
    public void Loads_that_should_go_in_together() =>
        Catches(PlanRule.Together, Good, Network with { Together = [(Index("2.1.bake.1"), Index("1.1.bake.1"))] });

    [Fact]
    public void Loads_that_should_be_kept_apart()
    {
        var (one, two) = (Index("2.1.bake.1"), Index("2.1.bake.2"));
        Catches(PlanRule.Apart, At(two, Good.Tasks[one].Start + 1), Network with { Apart = [(one, two)] });
    }

    [Fact]
    public void A_bake_not_lengthened_for_the_open_door()
    {
        // A short bake goes in and out on the other shelf while a long one bakes: both stay as long as if nobody had opened the door.
        var network = MakeShared();
        var (loaf, rolls) = (network.Tasks.Single(t => t.Id.Value == "1.1.bake.1"), network.Tasks.Single(t => t.Id.Value == "2.1.bake.1"));
        var plan = new Plan([Baked(loaf, 60, 0), Baked(rolls, 75, 1)]);
        Assert.Equal(PlanRule.Door, Assert.Single(PlanChecker.Check(network, plan)).Rule);
        // In and out are two openings of two minutes each: 25 degrees at about ten a minute.
        Assert.Equal(2, network.Thermal(0).DoorRecovery(loaf.Oven!.Setting));
        var right = plan with { Tasks = plan.Tasks.SetItem(0, Baked(loaf, 60, 0, 4)) };
        Assert.Empty(PlanChecker.Check(network, right));
        Catches(PlanRule.Door, plan with { Tasks = plan.Tasks.SetItem(0, Baked(loaf, 60, 0, 6)) }, network);
        // Together through one open door it costs nothing.
        Assert.Empty(PlanChecker.Check(network, new Plan([Baked(loaf, 60, 0, 2), Baked(rolls, 61, 1)])));
    }

    [Fact]
    public void A_bake_not_lengthened_for_the_cold_of_what_goes_in()
    {
        // The rolls' tray takes one shelf of three: a third of the six minutes that a full oven of cold dough costs, once, when it goes in;
        // each opening costs two besides.
        var network = MakeShared(coldLoad: 6);
        var (loaf, rolls) = (network.Tasks.Single(t => t.Id.Value == "1.1.bake.1"), network.Tasks.Single(t => t.Id.Value == "2.1.bake.1"));
        Plan Longer(int minutes) => new([Baked(loaf, 60, 0, minutes), Baked(rolls, 75, 1)]);
        Assert.Empty(PlanChecker.Check(network, Longer(6)));
        Catches(PlanRule.Door, Longer(4), network);
        Catches(PlanRule.Door, Longer(8), network);
        // The search finds nothing sooner than doing one after the other or both together, and all it finds is right.
        var best = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(20)));
        Assert.Equal(PlanStatus.Proven, best.Status);
        Assert.Empty(PlanChecker.Check(network, best.Plan!));
    }

    private static TaskNetwork MakeShared(int coldLoad = 0)
    {
        var tray = new Pan("tray", Length.FromMillimetres(490), Length.FromMillimetres(330));
        var kitchen = Zymethos.Core.Kitchens.Kitchen.Ordinary("Two") with
        {
            People = [new Person("One", null, null), new Person("Two", null, null)],
        };
        kitchen = kitchen with { Oven = kitchen.Oven with { ColdLoad = Duration.FromMinutes(coldLoad) } };
        return TaskCompiler
            .Compile(
                kitchen,
                new DayWish(
                    Start,
                    Start.PlusHours(8),
                    [
                        new BakeWish(Make("loaf", [Bake("bake", 50, 180, tray, 1)], []), 1, null, null),
                        new BakeWish(Make("rolls", [Bake("bake", 15, 180, tray, 1)], []), 1, null, null),
                    ]
                )
            )
            .Network!;
    }

    private static PlannedTask Baked(PlanTask task, int start, int shelf, int longer = 0)
    {
        var end = start + task.Likely + longer;
        return new PlannedTask(
            start,
            end,
            [.. task.Hands.Select(h => task.HandsAt(h, start, end)).Select(h => new HandsBlock(task.Bake, h.From, h.Until))],
            [shelf]
        );
    }

    public static TheoryData<PlanRule> Rules => [.. Enum.GetValues<PlanRule>()];

    [Theory]
    [MemberData(nameof(Rules))]
    public void Every_rule_is_caught_somewhere_above(PlanRule rule) =>
        Assert.Contains($"Catches(PlanRule.{rule},", Source(), StringComparison.Ordinal);

    private static string Source([System.Runtime.CompilerServices.CallerFilePath] string path = "") => File.ReadAllText(path);

    [Fact]
    public void A_plan_of_another_day_is_refused() => Assert.Throws<ArgumentException>(() => PlanChecker.Check(Network, new Plan([])));
}
