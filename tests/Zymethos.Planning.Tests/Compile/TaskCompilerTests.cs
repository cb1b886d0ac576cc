using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Seasons;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

public sealed class TaskCompilerTests
{
    private static readonly Pan Tray = new("quarter sheet", Length.FromMillimetres(330), Length.FromMillimetres(240));
    private static readonly Kitchen Home = Kitchen.Ordinary("Home");

    private static CompileResult Compile(Recipe recipe, int batches = 1, Kitchen? kitchen = null, int hours = 10, int? readyHour = null) =>
        TaskCompiler.Compile(
            kitchen ?? Home,
            new DayWish(
                Start,
                Start.PlusHours(hours),
                [new BakeWish(recipe, batches, readyHour is { } h ? Start.PlusHours(h) : null, null)]
            )
        );

    private static Recipe Cookies(int trays) =>
        Make(
            "cookies",
            [
                Hands("mix", StepKind.Mix, 10),
                Hands("scoop", StepKind.Work, 5, trays),
                Bake("bake", 12, 175, Tray, 1, trays),
                Hands("pack", StepKind.Work, 8),
            ],
            [Tie("mix", "scoop", 0, null), Tie("scoop", "bake", 0, 20), Tie("bake", "pack", 10, null)]
        );

    [Fact]
    public void Waves_become_tasks_linked_wave_to_wave()
    {
        var network = Compile(Cookies(3)).Network!;
        Assert.Equal(1 + 3 + 3 + 1, network.Tasks.Length);
        Assert.Equal(3, network.Links.Count(l => network.Tasks[l.From].Step!.Key == "mix"));
        var scoopToBake = network.Links.Where(l => network.Tasks[l.From].Step!.Key == "scoop").ToList();
        Assert.All(scoopToBake, l => Assert.Equal(network.Tasks[l.From].Id.Value[^1], network.Tasks[l.To].Id.Value[^1]));
        Assert.Equal(3, network.Links.Count(l => network.Tasks[l.To].Step!.Key == "pack"));
    }

    [Fact]
    public void Batches_are_copies_in_order()
    {
        var network = Compile(Cookies(1), batches: 2).Network!;
        Assert.Equal(8, network.Tasks.Length);
        Assert.Equal(4, network.Orders.Length);
        Assert.DoesNotContain(network.Links, l => network.Tasks[l.From].Id.Value[2] != network.Tasks[l.To].Id.Value[2]);
    }

    [Fact]
    public void An_oven_proof_spell_brings_its_clearing_with_it()
    {
        var recipe = Make(
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
                    new OvenUse(OvenState.Proof, Temperature.FromCelsius(30), Tray, 1),
                    1,
                    [],
                    []
                ),
                Bake("bake", 30, 200, Tray, 1),
            ],
            [Tie("shape", "proof", 0, 5), Tie("proof", "bake", 0, 40)]
        );
        var network = Compile(recipe).Network!;
        var clearing = Assert.Single(network.Tasks, t => t.Id.Value.EndsWith(".clear", StringComparison.Ordinal));
        Assert.True(clearing.Oven!.Setting.IsProof);
        Assert.Contains(network.Links, l => l.To == clearing.Index && l.MaxLag == 0);
        Assert.Contains(network.Links, l => l.From == clearing.Index && network.Tasks[l.To].Step!.Key == "bake");
    }

    [Fact]
    public void A_bake_takes_a_hand_in_and_a_hand_out()
    {
        var bake = Compile(Cookies(1)).Network!.Tasks.Single(t => t.Kind == StepKind.Bake);
        Assert.Equal([0, 11], bake.Hands.Select(h => h.Offset));
        Assert.True(bake.NeedsPresence);
        Assert.False(bake.IsHandsOn);
    }

    [Fact]
    public void The_mixer_is_held_while_it_is_washed() =>
        Assert.Equal(4, Compile(Cookies(1)).Network!.Tasks.Single(t => t.Kind == StepKind.Mix).Demands.Single().HoldAfter);

    // The demo oven: "two quarter sheets or four loaf pans a shelf".
    [Theory]
    [InlineData(330, 240, 2)]
    [InlineData(230, 130, 4)]
    [InlineData(500, 340, 1)]
    [InlineData(600, 100, 0)]
    public void Pans_stand_on_a_shelf_in_rows(double length, double width, int fit) =>
        Assert.Equal(fit, ShelfRoom.PansPerShelf(Home.Oven, new Pan("pan", Length.FromMillimetres(length), Length.FromMillimetres(width))));

    [Fact]
    public void People_hours_become_minutes_of_the_span()
    {
        var kitchen = Home with { People = [new Person("A", null, new LocalTime(9, 30)), new Person("B", new LocalTime(8, 0), null)] };
        var helpers = Compile(Cookies(1), kitchen: kitchen).Network!.Helpers;
        Assert.Equal(new[] { new Helper("A", 0, 150), new Helper("B", 60, 600) }, helpers.AsEnumerable());
    }

    [Fact]
    public void What_cannot_be_is_said_with_its_path()
    {
        Assert.Contains(Compile(Cookies(1), hours: -2).Faults, f => f.Path == "day.until");
        Assert.Contains(Compile(Cookies(1), hours: 30).Faults, f => f.Path == "day.until");
        Assert.Contains(Compile(Cookies(1), batches: 0).Faults, f => f.Path == "bakes[0].batches");
        Assert.Contains(Compile(Cookies(1), readyHour: -1).Faults, f => f.Path == "bakes[0].readyBy");
        Assert.Contains(Compile(Cookies(1), kitchen: Home with { People = [] }).Faults, f => f.Path == "kitchen.people");
        Assert.Contains(TaskCompiler.Compile(Home, new DayWish(Start, Start.PlusHours(4), [])).Faults, f => f.Path == "bakes");
    }

    [Theory]
    [InlineData(400)]
    [InlineData(20)]
    public void A_temperature_no_oven_has_is_refused(int celsius)
    {
        var recipe = Make("odd", [Bake("bake", 20, celsius, Tray, 1)], []);
        Assert.Contains(Compile(recipe).Faults, f => f.Path == "bakes[0].recipe.steps[0].oven.setTemperatureC");
    }

    [Fact]
    public void A_pan_larger_than_the_oven_and_too_many_pans_are_refused()
    {
        var big = new Pan("roasting tin", Length.FromMillimetres(700), Length.FromMillimetres(400));
        Assert.Contains(
            Compile(Make("big", [Bake("bake", 20, 175, big, 1)], [])).Faults,
            f => f.Path.EndsWith("oven.pan", StringComparison.Ordinal)
        );
        Assert.Contains(
            Compile(Make("many", [Bake("bake", 20, 175, Tray, 7)], [])).Faults,
            f => f.Path.EndsWith("oven.pans", StringComparison.Ordinal)
        );
    }
}
