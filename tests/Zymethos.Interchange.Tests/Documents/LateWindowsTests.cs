using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;

namespace Zymethos.Interchange.Tests.Documents;

/// <summary>Windows that close while a step runs over.</summary>
public sealed class LateWindowsTests
{
    private static OvenDayDocument Document(
        IReadOnlyList<string>? cautions = null,
        IReadOnlyList<string>? begun = null,
        string since = "08:15"
    ) =>
        new(
            new KitchenDocument(new OvenDocument(), [new PersonDocument("Ada")]),
            new DayDocument("2030-01-05", "08:00", "18:00"),
            [
                new BakeDocument(
                    new RecipeDocument(
                        "rolls",
                        "Rolls",
                        [
                            new StepDocument("mix", "Mix", "work", [10, 10, 10]),
                            new StepDocument("rise", "Rise", "rest", [30, 30, 30], Hands: 0),
                            new StepDocument("shape", "Shape", "work", [10, 10, 10], Cautions: cautions),
                            new StepDocument("fill", "Fill", "work", [10, 10, 10]),
                        ],
                        [new LinkDocument("mix", "rise", 0, 0), new LinkDocument("rise", "shape", 0, 20), new LinkDocument("shape", "fill")]
                    )
                ),
            ],
            ByHand: new HandWishesDocument(
                Pins: [.. (begun ?? ["1.1.mix.1", "1.1.rise.1"]).Select((id, i) => new PinDocument(id, i == 0 ? "08:00" : "08:10"))],
                Since: since
            )
        );

    private static PlannedDay Planned(OvenDayDocument document)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        Assert.Empty(reader.Faults);
        var network = TaskCompiler.Compile(kitchen, wish).Network!;
        var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(3)));
        return PlannedDay.Of(network, outcome.Plan!, outcome.BoundFinish);
    }

    [Fact]
    public void What_has_begun_and_still_waits_may_wait_longer()
    {
        var document = Document();
        var wide = LateWindows.Widened(document, Planned(document), 15)!;
        Assert.Equal([new WiderDocument("rise", "shape", 15)], wide.Bakes[0].Wider);
        // Minutes come on top of those that were given before.
        Assert.Equal([new WiderDocument("rise", "shape", 25)], LateWindows.Widened(wide, Planned(document), 10)!.Bakes[0].Wider);
    }

    [Fact]
    public void What_has_not_begun_is_planned_and_not_missed()
    {
        var document = Document(begun: ["1.1.mix.1"], since: "08:05");
        // The rise follows the mixing at once, so that window is open; the one after it is not.
        Assert.Equal([("mix", "rise")], LateWindows.Widened(document, Planned(document), 15)!.Bakes[0].Wider!.Select(w => (w.From, w.To)));
        var still = Document(begun: []) with { ByHand = null };
        Assert.Null(LateWindows.Widened(still, Planned(still), 15));
    }

    [Theory]
    [InlineData("timeAndTemperature", false)]
    [InlineData("burns", true)]
    [InlineData("rawFlourAndEgg", true)]
    public void What_must_stay_cold_never_waits_longer(string caution, bool may)
    {
        var document = Document([caution]);
        Assert.Equal(may, LateWindows.Widened(document, Planned(document), 15) is not null);
    }

    [Fact]
    public void Only_what_was_missed_stays_open_and_by_no_more_than_that_in_steps_of_five_minutes()
    {
        var document = Document();
        var before = Planned(document);
        Assert.Equal((null, ""), LateWindows.Needed(document, before, before));

        // The dough is seen to at 09:07 when its window closed at 09:00.
        var shape = before.Network.Tasks.Single(t => t.Step!.Key == "shape").Index;
        var late = PlannedDay.Kept(
            before.Network,
            before.Plan with
            {
                Tasks = before.Plan.Tasks.SetItem(shape, before.Plan.Tasks[shape] with { Start = 67, End = 77 }),
            },
            before.BoundFinish
        );
        var (needed, said) = LateWindows.Needed(document, before, late);
        Assert.Equal([new WiderDocument("rise", "shape", 10)], needed!.Bakes[0].Wider);
        Assert.Equal("“Shape” of Rolls comes 7 min too late: look at it meanwhile, and keep it cool if it hurries.", said);
    }
}
