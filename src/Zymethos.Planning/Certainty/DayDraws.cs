using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Certainty;

/// <summary>
/// How long each step takes on each of many days, as a multiple of its usual time. A step's own times are spread between its shortest,
/// usual and longest (triangular). What slows one rise slows the others, a slow oven lengthens all of its bakes, and hands have good days
/// and bad ones: days share causes, in the measure of <see cref="SharedBy"/>, and each step's own spread stays what it is (a Gaussian
/// copula; Nelsen 2006, "An Introduction to Copulas", section 2.3). The same network and seed give the same days, whatever plan is lived
/// through them.
/// </summary>
internal sealed class DayDraws
{
    private const int Room = 0;
    private const int Oven = 1;
    private const int Hands = 2;
    private const int Causes = 3;

    private readonly float[] _times;
    private readonly int _tasks;

    /// <summary>Draws.</summary>
    /// <param name="network">The day.</param>
    /// <param name="days">How many days, at least 1.</param>
    /// <param name="seed">Seed of the draws.</param>
    public DayDraws(TaskNetwork network, int days, int seed)
    {
        (Days, _tasks) = (days, network.Tasks.Length);
        _times = new float[days * _tasks];
        var causes = network.Tasks.Select(t => CauseOf(t)).ToArray();
        var shares = causes.Select(SharedBy).ToArray();
#pragma warning disable CA5394 // A rehearsal is no secret.
        var random = new Random(seed);
        Span<double> shared = stackalloc double[Causes];
        for (var day = 0; day < days; day++)
        {
            for (var c = 0; c < Causes; c++)
                shared[c] = Normal(random);
            for (var t = 0; t < _tasks; t++)
            {
                var own = Normal(random);
                var z = causes[t] < 0 ? own : (Math.Sqrt(shares[t]) * shared[causes[t]]) + (Math.Sqrt(1 - shares[t]) * own);
                _times[(day * _tasks) + t] = (float)(Triangular(network.Tasks[t], Cumulative(z)) / network.Tasks[t].Likely);
            }
        }
#pragma warning restore CA5394
    }

    private DayDraws(int tasks)
    {
        (Days, _tasks) = (1, tasks);
        _times = new float[tasks];
        Array.Fill(_times, 1f);
    }

    /// <summary>How many days.</summary>
    public int Days { get; }

    /// <summary>One day on which everything takes its usual time.</summary>
    public static DayDraws Usual(TaskNetwork network) => new(network.Tasks.Length);

    /// <summary>The times of one day, by task, as multiples of the usual ones.</summary>
    public ReadOnlySpan<float> Of(int day) => _times.AsSpan(day * _tasks, _tasks);

    /// <summary>
    /// The share of a step's spread that it has in common with others of its cause, 0 to 1: seven tenths for rises, which stand in one room
    /// with one flour; half for bakes in one oven; three tenths for hands. Not confirmed by measurement (by judgement, no source).
    /// </summary>
    private static double SharedBy(int cause) =>
        cause switch
        {
            Room => 0.7,
            Oven => 0.5,
            Hands => 0.3,
            _ => 0,
        };

    private static int CauseOf(PlanTask task) =>
        task.Kind is StepKind.BulkRise or StepKind.Proof || !task.RiseShares.IsEmpty ? Room
        : task.Kind == StepKind.Bake ? Oven
        : task.IsHandsOn ? Hands
        : -1;

    /// <summary>Minutes between the shortest and the longest with their peak at the usual, by the inverse of the distribution.</summary>
    internal static double Triangular(PlanTask task, double u)
    {
        double low = Math.Min(task.Low, task.Likely),
            mode = task.Likely,
            high = Math.Max(task.High, task.Likely);
        if (high <= low)
            return mode;
        var split = (mode - low) / (high - low);
        return u < split ? low + Math.Sqrt(u * (high - low) * (mode - low)) : high - Math.Sqrt((1 - u) * (high - low) * (high - mode));
    }

#pragma warning disable CA5394
    /// <summary>A standard normal number (Box and Muller 1958).</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
#pragma warning restore CA5394

    /// <summary>The standard normal distribution (Abramowitz and Stegun 1964, 26.2.17; off by less than 7.5e-8).</summary>
    internal static double Cumulative(double z)
    {
        var x = Math.Abs(z);
        var k = 1 / (1 + (0.2316419 * x));
        var tail =
            Math.Exp(-x * x / 2)
            / Math.Sqrt(2 * Math.PI)
            * k
            * (0.319381530 + (k * (-0.356563782 + (k * (1.781477937 + (k * (-1.821255978 + (k * 1.330274429))))))));
        return z >= 0 ? 1 - tail : tail;
    }
}
