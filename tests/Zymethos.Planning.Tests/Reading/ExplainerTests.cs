using CsCheck;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Reading;

public sealed class ExplainerTests
{
    private static readonly Pan Tray = new("tray", Length.FromMillimetres(490), Length.FromMillimetres(330));

    private static PlannedDay Plan(params Recipe[] recipes)
    {
        var network = TaskCompiler
            .Compile(
                Kitchen.Ordinary("Why") with
                {
                    Pans = [new PanStock(Tray, 24)],
                },
                new DayWish(Start, Start.PlusHours(10), [.. recipes.Select(r => new BakeWish(r, 1, null, null))])
            )
            .Network!;
        var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(5), 1, 1));
        return PlannedDay.Of(network, outcome.Plan!, outcome.BoundFinish);
    }

    private static Explanation Reason(PlannedDay day, string id) => day.Reasons[day.Network.Tasks.Single(t => t.Id.Value == id).Index];

    private static Recipe Chain =>
        Make(
            "chain",
            [Hands("mix", StepKind.Mix, 10), Wait("rise", StepKind.BulkRise, 60), Bake("bake", 30, 200, Tray, 1)],
            [Tie("mix", "rise", 0, 5), Tie("rise", "bake", 0, 20)]
        );

    [Fact]
    public void A_chain_explains_itself_link_by_link()
    {
        var day = Plan(Chain);
        Assert.Equal("The day starts here.", Reason(day, "1.1.mix.1").NotEarlier);
        Assert.Equal("“mix” must be done first.", Reason(day, "1.1.rise.1").NotEarlier);
        Assert.Equal("“rise” must be over first.", Reason(day, "1.1.bake.1").NotEarlier);
        Assert.Contains("ends the day", Reason(day, "1.1.bake.1").NotLater, StringComparison.Ordinal);
        Assert.All(day.Reasons, r => Assert.True(r.IsCritical));
        Assert.Equal("No order can finish sooner: proven.", day.BoundWords);
    }

    [Fact]
    public void The_oven_is_named_with_its_minutes()
    {
        var day = Plan(Make("hot", [Bake("one", 30, 220, Tray, 3), Bake("two", 30, 150, Tray, 3)], [Tie("one", "two", 0, null)]));
        Assert.Matches(@"After “one” the oven needs \d+ min to come down from 220 to 150 °C\.", Reason(day, "1.1.two.1").NotEarlier);
        Assert.Contains("heated from cold", Reason(day, "1.1.one.1").NotEarlier, StringComparison.Ordinal);
    }

    [Fact]
    public void Hands_and_mixer_are_named_with_the_bake_that_has_them()
    {
        var day = Plan(Make("first", [Hands("mix", StepKind.Mix, 20)], []), Make("second", [Hands("mix", StepKind.Mix, 20)], []));
        var second = day.Network.Tasks.MaxBy(t => day.Plan.Tasks[t.Index].Start)!;
        Assert.Matches("The mixer is in use or being washed after “mix” of (first|second)\\.", day.Reasons[second.Index].NotEarlier);
    }

    [Fact]
    public void A_free_step_says_how_long_it_may_slip()
    {
        var day = Plan(Chain, Make("free", [Hands("sort", StepKind.Work, 5)], []));
        var free = Reason(day, "2.1.sort.1");
        Assert.InRange(free.SlackMinutes, 1, 120);
        Assert.Contains(SpokenTime.Of(free.SlackMinutes), free.NotLater, StringComparison.Ordinal);
        Assert.False(free.IsCritical);
    }

    [Theory]
    [InlineData(5, "5 min")]
    [InlineData(60, "1 h")]
    [InlineData(65, "1 h 05")]
    [InlineData(140, "2 h 20")]
    public void Minutes_are_said_as_bakers_say_them(int minutes, string words) => Assert.Equal(words, SpokenTime.Of(minutes));

    [Fact]
    public void Everything_has_both_reasons_and_none_is_a_key() =>
        Gen.Int[0, 100_000]
            .Sample(
                seed =>
                {
                    var network = RandomDays.Day(seed, 4);
                    var plan = FirstPlan.Find(network, 1)!;
                    Assert.All(
                        Explainer.Explain(network, plan),
                        r =>
                        {
                            Assert.EndsWith(".", r.NotEarlier, StringComparison.Ordinal);
                            Assert.EndsWith(".", r.NotLater, StringComparison.Ordinal);
                            Assert.DoesNotContain("TieKind", r.NotEarlier, StringComparison.Ordinal);
                        }
                    );
                },
                iter: 60,
                threads: 2
            );
}
