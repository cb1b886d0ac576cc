using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>A rise in one place and in several, against the core's own rise and against small steps.</summary>
public sealed class RiseCourseTests
{
    private static readonly RiseDose Dose = RiseDose.Of(Duration.FromMinutes(90), Temperature.FromCelsius(24));

    [Theory]
    [InlineData(24, 24, 1000)]
    [InlineData(24, 20, 1000)]
    [InlineData(18, 30, 400)]
    [InlineData(26, 12, 1500)]
    public void In_one_place_it_is_ready_when_the_planner_says(double start, double place, double grams)
    {
        var course = new RiseCourse(Dose, start, grams, 1, (place, 0));
        var planned = Dose.Ready(
            new DoughCourse(
                Temperature.FromCelsius(start),
                Temperature.FromCelsius(place),
                DoughCourse.TimeConstantOfBall(Mass.FromGrams(grams))
            )
        )!;
        Assert.Equal(planned.First.TotalMinutes, course.ReachedAt(0.85)!.Value, 3.0);
        Assert.Equal(planned.Likely.TotalMinutes, course.ReachedAt(1)!.Value, 3.0);
    }

    [Fact]
    public void Through_three_places_as_small_steps_go()
    {
        var course = new RiseCourse(Dose, 23, 900, 1, (21, 30), (4, 480), (21, 0));
        var constant = DoughCourse.TimeConstantOfBall(Mass.FromGrams(900)).TotalSeconds;
        var (warm, sum) = (23.0, 0.0);
        for (var second = 0; second < 600 * 60; second++)
        {
            var around = second is >= 30 * 60 and < 510 * 60 ? 4.0 : 21.0;
            warm += (around - warm) / constant;
            sum += YeastRate.At(Temperature.FromCelsius(warm)) / 3600;
            if (second == (510 * 60) - 1)
                Assert.Equal(sum / Dose.Hours, course.ShareAt(510), 0.01);
        }

        Assert.Equal(sum / Dose.Hours, course.ShareAt(600), 0.015);
    }

    [Fact]
    public void The_yeast_that_is_told_makes_it_ready_when_it_comes_out()
    {
        var calculator = CalculatorShelf.At("retard")!;
        var (says, _) = calculator.Answer(f =>
            f == "hours" ? "14 h"
            : f == "cold" ? "3"
            : f == "weight" ? "300"
            : null
        );
        var times = says.Values.Single(v => v.Name == "yeastToBeReady").Value;
        var course = new RiseCourse(Dose, 23, 300, times, (21, 0.0001), (3, 14 * 60), (21, 0));
        Assert.Equal(1, course.ShareAt(14 * 60), 0.02);
    }

    [Fact]
    public void Colder_takes_longer_and_more_yeast_less()
    {
        double At(double place, double yeast) => new RiseCourse(Dose, 22, 800, yeast, (place, 0)).ReachedAt(1) ?? double.MaxValue;
        for (var place = 6.0; place < 32; place += 2)
            Assert.True(At(place, 1) > At(place + 2, 1), $"{place}");
        Assert.True(At(20, 1) > At(20, 1.5));
    }

    [Fact]
    public void A_starter_fed_as_told_is_as_much_as_was_wanted()
    {
        var (says, asked) = CalculatorShelf
            .At("starter")!
            .Answer(f =>
                f == "have" ? "10"
                : f == "wanted" ? "400"
                : null
            );
        Assert.Empty(asked.Wrong);
        var last = says.Tables[0].Rows[^1];
        double Grams(string cell) => double.Parse(cell.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(400, Grams(last[1]) + Grams(last[2]) + Grams(last[3]), 2.0);
    }

    [Fact]
    public void An_hour_that_has_passed_is_said_at_its_field()
    {
        var (_, asked) = CalculatorShelf
            .At("starter")!
            .Answer(f =>
                f == "day" ? "0"
                : f == "ripe" ? "7:00"
                : null
            );
        Assert.Contains("passed", asked.Wrong["ripe"], StringComparison.Ordinal);
    }
}
