using Zymethos.Core.Recipes;
using Zymethos.Planning.Certainty;

namespace Zymethos.Planning.Tests.Certainty;

public sealed class DayDrawsTests
{
    private const int Many = 20_000;

    /// <summary>Shared causes leave each step's own distribution what it is: mean and variance of the triangular distribution (Johnson,
    /// Kotz and Balakrishnan 1995, "Continuous Univariate Distributions" 2, 26.9).</summary>
    [Fact]
    public void Every_step_keeps_its_own_spread()
    {
        var network = RandomDays.Day(4, 3);
        var draws = new DayDraws(network, Many, 3);
        foreach (var task in network.Tasks.Where(t => t.High > t.Low))
        {
            var times = Times(draws, task.Index).Select(x => x * task.Likely).ToArray();
            double a = task.Low,
                c = task.Likely,
                b = task.High;
            Assert.Equal((a + b + c) / 3, times.Average(), 0.05 * (b - a));
            var variance = ((a * a) + (b * b) + (c * c) - (a * b) - (a * c) - (b * c)) / 18;
            Assert.Equal(1, times.Select(t => Math.Pow(t - times.Average(), 2)).Average() / variance, 0.08);
            Assert.InRange(times.Min(), a - 1e-3, b);
            Assert.InRange(times.Max(), a, b + 1e-3);
        }
    }

    [Fact]
    public void Rises_of_a_day_go_together_and_a_rise_and_a_bake_do_not()
    {
        var network = RandomDays.Day(2, 8);
        var draws = new DayDraws(network, Many, 9);
        var rises = network.Tasks.Where(t => t.Kind == StepKind.BulkRise).Take(2).Select(t => t.Index).ToArray();
        var bakes = network.Tasks.Where(t => t.Kind == StepKind.Bake).Take(2).Select(t => t.Index).ToArray();
        var works = network.Tasks.Where(t => t.Kind == StepKind.Work && t.High > t.Likely).Take(2).Select(t => t.Index).ToArray();
        Assert.Equal(0.7, Together(rises[0], rises[1]), 0.04);
        Assert.Equal(0.5, Together(bakes[0], bakes[1]), 0.04);
        Assert.Equal(0.3, Together(works[0], works[1]), 0.04);
        Assert.Equal(0, Together(rises[0], bakes[0]), 0.03);

        double Together(int one, int other)
        {
            var (x, y) = (Times(draws, one), Times(draws, other));
            var (mx, my) = (x.Average(), y.Average());
            var sum = x.Zip(y, (a, b) => (a - mx) * (b - my)).Sum();
            return sum / Math.Sqrt(x.Sum(a => (a - mx) * (a - mx)) * y.Sum(b => (b - my) * (b - my)));
        }
    }

    /// <summary>Values of the standard normal distribution: Abramowitz and Stegun 1964, table 26.1.</summary>
    [Theory]
    [InlineData(0, 0.5)]
    [InlineData(1, 0.8413447)]
    [InlineData(1.96, 0.9750021)]
    [InlineData(-1, 0.1586553)]
    [InlineData(-3, 0.0013499)]
    public void The_normal_distribution_is_the_tables(double z, double share) => Assert.Equal(share, DayDraws.Cumulative(z), 2e-7);

    private static double[] Times(DayDraws draws, int task) => [.. Enumerable.Range(0, draws.Days).Select(d => (double)draws.Of(d)[task])];
}
