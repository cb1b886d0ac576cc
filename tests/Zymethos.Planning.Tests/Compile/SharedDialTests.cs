using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>Loads share the oven where one dial setting lies near enough to each of them.</summary>
public sealed class SharedDialTests
{
    private static readonly Pan Tin = new("tin", Length.FromMillimetres(200), Length.FromMillimetres(100));

    private static Recipe Cake(string key, double celsius, double? give = null) =>
        Make(key, [Hands("mix", StepKind.Work, 5), Bake("bake", 40, 180, Tin, 1)], [Tie("mix", "bake", 0, 30)]) is { } cake
            ? cake with
            {
                Steps =
                [
                    .. cake.Steps.Select(s =>
                        s.Oven is { } use
                            ? s with
                            {
                                Oven = use with { SetTemperature = Temperature.FromCelsius(celsius), Tolerance = give },
                            }
                            : s
                    ),
                ],
            }
            : null!;

    private static TaskNetwork Network(Kitchen kitchen, params Recipe[] recipes) =>
        TaskCompiler
            .Compile(kitchen, new DayWish(Start, Start.PlusHours(10), [.. recipes.Select(r => new BakeWish(r, 1, null, null))]))
            .Network!;

    private static List<int> Dials(TaskNetwork network) =>
        [.. network.Tasks.Where(t => t.Oven is not null).Select(t => t.Oven!.Setting.Celsius)];

    private static readonly Kitchen Metric = Kitchen.Ordinary("Home");
    private static readonly Kitchen Us = Metric with { Habit = MeasuringHabit.UsCustomary };

    [Fact]
    public void Three_hundred_and_fifty_Fahrenheit_and_a_hundred_and_eighty_Celsius_bake_together()
    {
        var fahrenheit = Temperature.FromFahrenheit(350).Celsius;
        var network = Network(Metric, Cake("a", fahrenheit), Cake("b", 180));
        var dial = Assert.Single(Dials(network).Distinct());
        Assert.InRange(Math.Abs(dial - fahrenheit), 0, SharedDial.Usual);
        Assert.InRange(Math.Abs(dial - 180), 0, SharedDial.Usual);
        // And so they are done sooner than one after the other with a change of heat between.
        var apart = Network(Metric, Cake("a", 170), Cake("b", 180));
        Assert.True(FirstPlan.Find(network, 1)!.Finish(network) < FirstPlan.Find(apart, 1)!.Finish(apart));
    }

    [Fact]
    public void The_plan_says_which_dial_and_what_the_recipe_says()
    {
        var network = Network(Metric, Cake("a", 176), Cake("b", 182));
        Assert.All(Dials(network), d => Assert.Equal(179, d));
        var said = network.Tasks.Where(t => t.Oven is not null).Select(t => t.Said).ToList();
        Assert.Contains("The recipe says 176 °C; at 179 °C", said[0], StringComparison.Ordinal);
        Assert.Contains("The recipe says 182 °C; at 179 °C", said[1], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(170, 176.5)]
    [InlineData(160, 190)]
    public void What_lies_further_apart_stays_apart(double one, double other) =>
        Assert.Equal(2, Dials(Network(Metric, Cake("a", one), Cake("b", other))).Distinct().Count());

    [Fact]
    public void One_alone_is_set_to_what_it_asks_for() => Assert.Equal([177], Dials(Network(Metric, Cake("a", 176.67))));

    [Fact]
    public void A_mark_of_the_dial_is_taken_where_there_is_one()
    {
        Assert.All(Dials(Network(Metric, Cake("a", 174), Cake("b", 176.67))), d => Assert.Equal(175, d));
        // 350 F is a mark there.
        Assert.All(Dials(Network(Us, Cake("a", 175), Cake("b", 178))), d => Assert.Equal(350, Us.Says.DialNumber(d)));
    }

    [Fact]
    public void A_recipe_that_bears_more_shares_more()
    {
        Assert.Single(Dials(Network(Metric, Cake("a", 180), Cake("b", 190, give: 10))).Distinct());
        Assert.Equal(2, Dials(Network(Metric, Cake("a", 180, give: 1), Cake("b", 183, give: 1))).Distinct().Count());
    }

    /// <summary>Every bake of many random heats lies within its tolerance of its dial, and no two dials could have been one.</summary>
    [Fact]
    public void No_bake_is_ever_further_from_its_dial_than_it_bears()
    {
        var random = new Random(5);
        for (var round = 0; round < Cases.Of(60); round++)
        {
            var heats = Enumerable.Range(0, 7).Select(_ => 150 + (random.NextDouble() * 40)).ToArray();
            var network = Network(Metric, [.. heats.Select((h, i) => Cake($"c{i}", h))]);
            foreach (var task in network.Tasks.Where(t => t.Oven is not null))
                // Half a degree is lost where no whole one lies between.
                Assert.InRange(Math.Abs(task.Oven!.Setting.Celsius - heats[task.Bake]), 0, SharedDial.Usual + 0.5);
            var dials = network.Tasks.Where(t => t.Oven is not null).GroupBy(t => t.Oven!.Setting).ToList();
            foreach (var one in dials)
            {
                foreach (var other in dials.Where(o => o.Key != one.Key))
                {
                    var all = one.Concat(other).Select(t => heats[t.Bake]).ToList();
                    Assert.True(all.Max() - all.Min() > SharedDial.Usual);
                }
            }
        }
    }

    [Fact]
    public void What_dries_in_the_oven_that_was_turned_off_finds_the_heat_of_its_bake()
    {
        var shells = Make(
            "shells",
            [
                Hands("pipe", StepKind.Work, 10),
                Bake("bake", 60, 100, Tin, 1),
                new Step(
                    "dry",
                    "dry",
                    "",
                    StepKind.Cool,
                    Around(60),
                    0,
                    new OvenUse(OvenState.Off, Temperature.FromCelsius(100), Tin, 1),
                    1,
                    [],
                    []
                ),
            ],
            [Tie("pipe", "bake", 0, 30), Tie("bake", "dry", 0, 0)]
        );
        var network = Network(Metric, shells, Cake("b", 102));
        var (bake, dry) = (
            network.Tasks.Single(t => t.Step?.Key == "bake" && t.Bake == 0),
            network.Tasks.Single(t => t.Step?.Key == "dry")
        );
        Assert.Equal(bake.Oven!.Setting.Celsius, dry.Oven!.Setting.Celsius);
        Assert.True(dry.Oven.Setting.IsOff);
    }
}
