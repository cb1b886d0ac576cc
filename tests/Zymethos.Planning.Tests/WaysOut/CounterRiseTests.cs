using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.WaysOut;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.WaysOut;

/// <summary>A rise that moves from the oven to the counter.</summary>
public sealed class CounterRiseTests
{
    private static readonly Pan Sheet = new("sheet", Length.FromMillimetres(400), Length.FromMillimetres(300));
    private static readonly TimeSpan Limit = TimeSpan.FromSeconds(3);

    private static Recipe Dough(int spellCelsius, int window) =>
        Make(
            "dough",
            [
                Hands("shape", StepKind.Work, 10),
                new Step(
                    "proof",
                    "Proof",
                    "",
                    StepKind.Proof,
                    Around(40),
                    0,
                    new OvenUse(OvenState.Proof, Temperature.FromCelsius(spellCelsius), Sheet, 1),
                    1,
                    [],
                    [CautionKind.DoughInOven]
                ),
                Bake("bake", 30, 220, Sheet, 1),
            ],
            [Tie("shape", "proof", 0, 5), Tie("proof", "bake", 0, window)]
        );

    private static DayWish Day(params Recipe[] recipes) =>
        new(Start, Start.PlusHours(10), [.. recipes.Select(r => new BakeWish(r, 1, null, null))]);

    [Theory]
    [InlineData(24)]
    [InlineData(28)]
    [InlineData(32)]
    public void The_counter_gathers_the_dose_of_the_spell(int celsius)
    {
        // The dose is the yeast's rate times the time (see RiseTests for the rate's own sources), so times go as one over the rates.
        var spell = Temperature.FromCelsius(celsius);
        var moved = CounterRise.Spend(Dough(celsius, 10), ["proof"]).Steps.Single(s => s.Key == "proof");
        Assert.Null(moved.Oven);
        Assert.Equal("Proof: on the counter", moved.Title);
        Assert.DoesNotContain(CautionKind.DoughInOven, moved.Cautions);
        Assert.Equal(RiseDose.Of(Duration.FromMinutes(40), spell).Hours, RiseDose.Of(moved.Takes.Likely, RiseTimes.RecipeRoom).Hours, 9);
        if (celsius == 24)
            Assert.Equal(40, moved.Takes.Likely.TotalMinutes, 6);
        else
            Assert.True(
                moved.Takes.Likely.TotalMinutes > 40 && moved.Takes.Low < moved.Takes.Likely && moved.Takes.Likely < moved.Takes.High
            );
    }

    [Fact]
    public void Only_a_rise_that_the_recipe_gives_to_the_oven_alone_moves()
    {
        var dough = Dough(30, 10);
        Assert.Equal(["proof"], CounterRise.InSpell(dough).Select(s => s.Key));
        Assert.Equal(dough.Steps.Select(s => s.Oven), CounterRise.Spend(dough, ["bake", "shape", "rise"]).Steps.Select(s => s.Oven));
        var withWay = dough with
        {
            Steps =
            [
                .. dough.Steps.Select(s =>
                    s.Key == "proof" ? s with { Modes = [new StepMode("on the counter", StepKind.Proof, Around(60), null)] } : s
                ),
            ],
        };
        Assert.Empty(CounterRise.InSpell(withWay));
        var cold = dough with
        {
            Steps =
            [
                .. dough.Steps.Select(s =>
                    s.Key == "proof" ? s with { Oven = s.Oven! with { SetTemperature = Temperature.FromCelsius(-5) } } : s
                ),
            ],
        };
        Assert.Empty(CounterRise.InSpell(cold));
    }

    [Fact]
    public void A_single_bake_in_a_window_the_oven_cannot_keep_has_three_ways_out()
    {
        var kitchen = Kitchen.Ordinary("Home");
        var wish = Day(Dough(30, 10));
        var report = ClashFinder.Report(TaskCompiler.Compile(kitchen, wish).Network!, true, Limit, 1, wish);
        Assert.Equal([WayOutKind.OnCounter, WayOutKind.WiderWindow, WayOutKind.SecondOven], report.WaysOut.Select(w => w.Kind));
        var counter = report.WaysOut[0];
        Assert.Equal(new RiseMoved(0, "proof"), Assert.Single(counter.Rises));
        Assert.Matches("^Let dough rise on the counter and not in the oven \\(“Proof”\\): .* instead of 40 min\\.$", counter.Text);

        // It is worked out: the day changed so has a plan, and takes as much longer as the way out says.
        var changed = TaskCompiler.Compile(kitchen, Day(CounterRise.Spend(Dough(30, 10), ["proof"]))).Network!;
        Assert.Equal(counter.Minutes, changed.Tasks.Single(t => t.Step?.Key == "proof").Likely - 40);
        Assert.DoesNotContain(changed.Tasks, t => t.Id.Value.EndsWith(".clear", StringComparison.Ordinal));
        Assert.Empty(PlanChecker.Check(changed, DayPlanner.Plan(changed, new SolveSettings(Limit)).Plan!));
    }

    [Fact]
    public void The_counter_is_no_way_out_of_a_day_that_is_too_short_for_it()
    {
        var wish = Day(Dough(30, 10));
        wish = wish with { Until = wish.From.PlusMinutes(85) };
        var report = ClashFinder.Report(TaskCompiler.Compile(Kitchen.Ordinary("Home"), wish).Network!, true, Limit, 1, wish);
        Assert.DoesNotContain(report.WaysOut, w => w.Kind == WayOutKind.OnCounter);
    }

    [Fact]
    public void A_day_in_which_dough_keeps_the_oven_cold_too_long_offers_the_counter()
    {
        // Three cakes and a spell do not go into four hours of one oven; on the counter the dough is in nobody's way.
        var cakes = Enumerable
            .Range(0, 3)
            .Select(i =>
                Make(
                    $"cake{i}",
                    [
                        Hands("mix", StepKind.Mix, 8),
                        Bake("bake", 50, 200, new Pan("big", Length.FromMillimetres(480), Length.FromMillimetres(330)), 3),
                    ],
                    [Tie("mix", "bake", 0, null)]
                )
            );
        var wish = Day([Dough(30, 90), .. cakes]);
        wish = wish with { Until = wish.From.PlusMinutes(245) };
        var network = TaskCompiler.Compile(Kitchen.Ordinary("Home"), wish).Network!;
        Assert.Null(DayPlanner.Plan(network, new SolveSettings(Limit)).Plan);
        Assert.Contains(ClashFinder.Report(network, true, Limit, 1, wish).WaysOut, w => w is { Kind: WayOutKind.OnCounter, Bake: 0 });
    }

    [Fact]
    public void A_document_names_rises_for_the_counter_and_is_told_of_any_other()
    {
        OvenDayDocument Document(string step) =>
            new(
                new KitchenDocument(new OvenDocument(), [new PersonDocument("Ada")]),
                new DayDocument("2030-01-05", "08:00", "18:00"),
                [
                    new BakeDocument(
                        Name: "Rolls",
                        Steps:
                        [
                            new StepDocument("shape", "Shape", "work", [5, 6, 7]),
                            new StepDocument(
                                "proof",
                                "Proof",
                                "proof",
                                [30, 40, 60],
                                Oven: new OvenUseDocument(30, new PanDocument("sheet", 40, 30), State: "proof")
                            ),
                            new StepDocument(
                                "bake",
                                "Bake",
                                "bake",
                                [20, 20, 25],
                                Oven: new OvenUseDocument(220, new PanDocument("sheet", 40, 30))
                            ),
                        ],
                        Links: [new LinkDocument("shape", "proof", 0, 5), new LinkDocument("proof", "bake", 0, 10)],
                        OnCounter: [step]
                    ),
                ]
            );
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(Document("proof"));
        Assert.Empty(reader.Faults);
        Assert.Null(wish.Bakes[0].Recipe.Steps.Single(s => s.Key == "proof").Oven);
        reader = new DocumentReader();
        reader.Read(Document("bake"));
        Assert.Equal("bakes[0].onCounter[0]", Assert.Single(reader.Faults).Path);
    }
}
