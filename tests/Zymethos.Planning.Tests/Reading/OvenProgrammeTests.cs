using CsCheck;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Reading;

public sealed class OvenProgrammeTests
{
    private static readonly Pan Tray = new("tray", Length.FromMillimetres(490), Length.FromMillimetres(330));

    /// <summary>Bakes of half an hour at the given temperatures and starts.</summary>
    private static (TaskNetwork Network, OvenProgramme Programme) Loads(params (int Celsius, int Start)[] loads)
    {
        var recipe = Make("loads", [.. loads.Select((l, i) => Bake($"bake-{i}", 30, l.Celsius, Tray, 1))], []);
        var network = TaskCompiler
            .Compile(Kitchen.Ordinary("Oven"), new DayWish(Start, Start.PlusHours(12), [new BakeWish(recipe, 1, null, null)]))
            .Network!;
        var plan = new Plan([.. loads.Select(l => new PlannedTask(l.Start, l.Start + 30, [], [0]))]);
        return (network, OvenProgramme.Of(network, plan));
    }

    [Fact]
    public void It_is_heated_just_in_time()
    {
        var (network, programme) = Loads((180, 60));
        var thermal = new OvenThermal(network.Kitchen.Oven, network.Kitchen.Room);
        Assert.Equal([OvenPhase.Heating, OvenPhase.Holding], programme.Segments.Select(s => s.Phase));
        Assert.Equal(60 - thermal.MinutesToHeat(21, 180), programme.Segments[0].From, 9);
        Assert.Equal(30 + thermal.MinutesToHeat(21, 180), programme.OnMinutes, 9);
        Assert.Equal(0, programme.TemperatureChanges);
    }

    [Fact]
    public void A_short_wait_is_spent_hot_and_a_long_one_off()
    {
        Assert.DoesNotContain(Loads((180, 60), (180, 110)).Programme.Segments, s => s.Phase == OvenPhase.Off);
        Assert.Contains(Loads((180, 60), (180, 200)).Programme.Segments, s => s.Phase == OvenPhase.Off);
    }

    [Fact]
    public void Upward_it_holds_and_then_heats_downward_it_stands_ajar_and_then_holds()
    {
        Assert.Equal(
            [OvenPhase.Heating, OvenPhase.Holding, OvenPhase.Holding, OvenPhase.Heating, OvenPhase.Holding],
            Loads((150, 60), (200, 110)).Programme.Segments.Select(s => s.Phase)
        );
        Assert.Equal(
            [OvenPhase.Heating, OvenPhase.Holding, OvenPhase.CoolingAjar, OvenPhase.Holding, OvenPhase.Holding],
            Loads((200, 60), (150, 110)).Programme.Segments.Select(s => s.Phase)
        );
    }

    [Fact]
    public void Changes_are_counted_from_setting_to_setting() =>
        Assert.Equal(2, Loads((150, 60), (200, 110), (150, 170)).Programme.TemperatureChanges);

    [Fact]
    public void The_trace_has_no_gaps_and_no_jumps() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = RandomDays.Day(seed, 3);
                    var plan = FirstPlan.Find(network, 1)!;
                    var segments = OvenProgramme.Of(network, plan).Segments;
                    Assert.All(segments, s => Assert.True(s.Until > s.From));
                    foreach (var (a, b) in segments.Zip(segments.Skip(1)))
                    {
                        Assert.Equal(a.Until, b.From, 1e-6);
                        // An oven-proof spell is drawn at the temperature around the dough, up to eight degrees from the steel's.
                        var allowed = a.Phase == OvenPhase.Proofing || b.Phase == OvenPhase.Proofing ? 17 : 0.5;
                        Assert.InRange(Math.Abs(a.EndCelsius - b.StartCelsius), 0, allowed);
                    }

                    foreach (var task in network.Tasks.Where(t => t.Oven is { Setting.IsProof: false }))
                    {
                        var start = plan.Tasks[task.Index].Start;
                        Assert.Contains(
                            segments,
                            s => s.Phase == OvenPhase.Holding && s.From <= start && start < s.Until && s.Setting == task.Oven!.Setting
                        );
                    }
                },
                iter: 150,
                threads: 2
            );
}
