using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;

namespace Zymethos.Interchange.Tests.Documents;

/// <summary>Windows of a recipe that stay open longer on one day.</summary>
public sealed class WiderWindowTests
{
    private static (DocumentReader Reader, DayWish Wish) Read(WiderDocument wider)
    {
        var bake = new BakeDocument(
            Name: "Rolls",
            Steps:
            [
                new StepDocument("shape", "Shape", "work", [5, 6, 7]),
                new StepDocument("fry", "Fry", "work", [5, 6, 7]),
                new StepDocument("eat", "Eat", "work", [5, 6, 7]),
            ],
            Links: [new LinkDocument("shape", "fry", 0, 10), new LinkDocument("fry", "eat")],
            Wider: [wider]
        );
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(
            new OvenDayDocument(
                new KitchenDocument(new OvenDocument(), [new PersonDocument("Ada")]),
                new DayDocument("2030-01-05", "08:00", "12:00"),
                [bake]
            )
        );
        return (reader, wish);
    }

    [Fact]
    public void A_window_stays_open_longer()
    {
        var (reader, wish) = Read(new WiderDocument("shape", "fry", 25));
        Assert.Empty(reader.Faults);
        Assert.Equal(Duration.FromMinutes(35), wish.Bakes[0].Recipe.Links.Single(l => l.To == "fry").MaxLag);
    }

    [Theory]
    [InlineData("shape", "eat", 10, "bakes[0].wider[0]")]
    [InlineData("fry", "eat", 10, "bakes[0].wider[0]")]
    [InlineData("shape", "fry", 0, "bakes[0].wider[0].minutes")]
    [InlineData("shape", "fry", 2000, "bakes[0].wider[0].minutes")]
    public void What_is_no_window_or_no_time_is_told_at_its_place(string from, string to, int minutes, string path) =>
        Assert.Equal(path, Assert.Single(Read(new WiderDocument(from, to, minutes)).Reader.Faults).Path);

    [Fact]
    public void Minutes_of_one_window_add_up_and_leave_the_others_alone()
    {
        var bake = new BakeDocument().Widened("a", "b", 10).Widened("b", "c", 5).Widened("a", "b", 20);
        Assert.Equal([new WiderDocument("b", "c", 5), new WiderDocument("a", "b", 30)], bake.Wider);
    }
}
