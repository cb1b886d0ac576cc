using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Tests;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Tests;

/// <summary>What bakes teach a kitchen: the demo's invented truth is found again, and what is odd moves nothing by itself.</summary>
public sealed class LessonsTests
{
    private static readonly Kitchen Home = Shipped.Kitchen();
    private static readonly Recipe[] Book = [.. Shipped.Keys.Select(Shipped.Recipe)];

    private static Lessons Of(IEnumerable<PastBakeDocument> bakes) => Lessons.Of(Home, Book, bakes);

    private static PastBakeDocument Bake(double minutes, double recipe = 60, string who = "Marit") =>
        new(
            Guid.NewGuid().ToString(),
            "2026-11-01",
            "Loaf",
            "market-squash-loaf",
            Loads: [new PastLoadDocument("Bake", minutes, recipe, Who: who)]
        );

    [Theory]
    [InlineData(2026)]
    [InlineData(2027)]
    [InlineData(2028)]
    public void The_demos_oven_and_starter_are_found_out(int year)
    {
        var past = DemoDaybook.On(new LocalDate(year, 11, 29));
        Assert.True(past.Bakes.Count >= 25, $"{past.Bakes.Count} bakes");
        var lessons = Lessons.Of(Home, Book, past.Bakes, past.Refreshes);
        var oven = lessons.Bakes.Doer("oven 1");
        Assert.InRange(DemoDaybook.OvenFactor, oven.Low, oven.High);
        Assert.True(oven.High < 1.01, $"{oven}");
        var starter = lessons.Rises.Doer("starter");
        Assert.InRange(DemoDaybook.StarterFactor, starter.Low, starter.High);
        Assert.True(starter.Low > 1, $"{starter}");
        // Every plot has something to say.
        Assert.NotEmpty(lessons.Odd);
        Assert.Contains(lessons.Bases, b => b.Dark > 0);
        Assert.NotEmpty(lessons.DoorDrops);
        Assert.True(lessons.Heating.Doer("oven 1").IsSure);
        Assert.Equal("back", lessons.Sides[0].What);
        Assert.InRange(lessons.DialOffsets.Average(d => d.Degrees), 5.5, 8.5);
        // And none of it is more than a kitchen may keep.
        Assert.Empty(KitchenCheck.Find(Home with { Learned = lessons.Values() }));
    }

    [Fact]
    public void The_same_day_gives_the_same_Daybook() =>
        Assert.Equal(
            System.Text.Json.JsonSerializer.Serialize(DemoDaybook.On(new LocalDate(2026, 11, 29)).Bakes),
            System.Text.Json.JsonSerializer.Serialize(DemoDaybook.On(new LocalDate(2026, 11, 29)).Bakes)
        );

    [Fact]
    public void One_forgotten_load_is_set_aside_and_its_neighbours_are_not()
    {
        var bakes = Enumerable.Range(0, 6).Select(i => Bake(58 + (i % 3))).Append(Bake(115)).ToList();
        var lessons = Of(bakes);
        Assert.Equal(115, Assert.Single(lessons.Odd).Load.Minutes);
        Assert.Equal(6, lessons.Loads.Length);
        var counted = Of(bakes.Select(b => b with { Counted = true }));
        Assert.Equal(7, counted.Loads.Length);
        Assert.True(counted.Bakes.Doer("oven 1").Factor > lessons.Bakes.Doer("oven 1").Factor);
    }

    [Fact]
    public void Seen_once_moves_no_plan_and_switched_off_stays_off()
    {
        Assert.Empty(Of([Bake(50)]).Values());
        var values = Of([Bake(50), Bake(51)]).Values();
        Assert.Equal(["Oven oven 1", "Recipe market-squash-loaf"], values.Select(v => $"{v.Kind} {v.Of}"));
        Assert.All(values, v => Assert.InRange(v.Factor, 0.8, 0.999));
        var off = Home with { Learned = [values[0] with { IsOff = true }, values[1]] };
        var again = Lessons.Of(off, Book, [Bake(50), Bake(51), Bake(52)]).Values();
        Assert.Equal([true, false], again.Select(v => v.IsOff));
        Assert.All(again, v => Assert.Equal(3, v.Count));
    }

    [Fact]
    public void A_recipe_that_was_changed_is_seen_as_it_is_now()
    {
        var step = Shipped.Recipe("market-squash-loaf").Steps.First(s => s.Kind == StepKind.Bake);
        var now = step.Takes.Likely.TotalMinutes;
        PastBakeDocument By(double stepMinutes, double stepC) =>
            Bake(50) with
            {
                Loads = [new PastLoadDocument("Bake", 50, 62, Step: step.Key, StepMinutes: stepMinutes, StepC: stepC)],
            };
        var meant = step.Oven!.SetTemperature.Celsius;
        // It said twice as much then: half of what it said for this load counts now.
        Assert.Equal(31, Assert.Single(Of([By(now * 2, meant)]).Loads).Seen.PlannedMinutes, 9);
        // At another heat it says nothing of the time.
        Assert.Empty(Of([By(now, meant + 15)]).Loads);
        // A step that the recipe no longer has, or a recipe that left the Book, stays as it was.
        var gone = By(now * 2, meant) with
        {
            Recipe = "gone",
        };
        Assert.Equal(62, Assert.Single(Of([gone]).Loads).Seen.PlannedMinutes);
    }

    [Fact]
    public void Another_oven_is_another_and_the_one_before_is_still_told()
    {
        var anew = Home with { Oven = Home.Oven with { Since = new LocalDate(2026, 11, 15) } };
        var lessons = Lessons.Of(anew, Book, [Bake(50), Bake(50), Bake(50) with { Date = "2026-11-20" }]);
        Assert.Equal(1, lessons.Bakes.Doer("oven 1").Bakes);
        Assert.Equal(2, lessons.Bakes.Doer("oven 1, the one before").Bakes);
        Assert.DoesNotContain(lessons.Values(), v => v.Kind == LearnedKind.Oven);
    }

    [Fact]
    public void A_measured_heating_up_is_not_learned_twice_when_it_is_taken_into_the_kitchen()
    {
        var model = Home.Oven.HeatUp.TotalMinutes;
        PastBakeDocument Heated() => Bake(60) with { Heats = [new PastHeatDocument(1, model * 1.5, model, KitchenMinutes: model)] };
        var bakes = Enumerable.Range(0, 8).Select(_ => Heated()).ToList();
        var before = Of(bakes).Heating.Doer("oven 1").Factor;
        Assert.InRange(before, 1.4, 1.5);
        var taken = Home with { Oven = Home.Oven with { HeatUp = Home.Oven.HeatUp * 1.5 } };
        Assert.InRange(Lessons.Of(taken, Book, bakes).Heating.Doer("oven 1").Factor, 0.97, 1.03);
    }

    [Fact]
    public void Bases_are_counted_by_pan_and_sheet_with_an_honest_band()
    {
        PastBakeDocument Based(bool dark, bool sheet) =>
            Bake(60) with
            {
                Loads = [new PastLoadDocument("Bake", 60, 60, Finish: "dark", Sheet: sheet)],
                Looks = "brown",
                Darker = dark ? ["base"] : null,
            };
        var bases = Of(
            [Based(true, false), Based(true, false), Based(true, false), Based(false, false), Based(false, true), Bake(60)]
        ).Bases;
        var bare = bases.Single(b => b.What == "dark pan");
        Assert.Equal((3, 4), (bare.Dark, bare.Bakes));
        // Jeffreys: Beta(3.5, 1.5) at 0.05 and 0.95, by an independent quantile search on the regularised incomplete beta function.
        Assert.Equal(0.05, MathNet.Numerics.SpecialFunctions.BetaRegularized(3.5, 1.5, bare.Low), 9);
        Assert.Equal(0.95, MathNet.Numerics.SpecialFunctions.BetaRegularized(3.5, 1.5, bare.High), 9);
        var sheet = bases.Single(b => b.What == "dark pan, sheet beneath");
        Assert.Equal((0, 1, 0.0), (sheet.Dark, sheet.Bakes, sheet.Low));
        Assert.InRange(sheet.High, 0.6, 0.9);
    }
}
