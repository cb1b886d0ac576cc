namespace Zymethos.Planning.Certainty;

/// <summary>What has happened to a step, in minutes of the plan.</summary>
/// <param name="Start">When it began; -1 while it has not.</param>
/// <param name="End">When it was done; -1 while it is not.</param>
/// <param name="Due">When it is to be done, where somebody said so or it is over; -1 for its usual time.</param>
/// <param name="Touches">How many of its touches were done.</param>
/// <param name="Helper">Who is or was at it; -1 for nobody in particular.</param>
internal readonly record struct StepFact(int Start, int End, int Due, int Touches, int Helper)
{
    /// <summary>Nothing has happened.</summary>
    public static readonly StepFact None = new(-1, -1, -1, 0, -1);
}

/// <summary>What has happened on a day until a minute of it, by task.</summary>
/// <param name="Now">The minute that it is.</param>
/// <param name="Steps">What has happened to each step, in the order of the network.</param>
/// <param name="HeatFrom">By oven and setting, the first minute at which its dial can have brought the heat; null where nobody spoke of a
/// dial, and in all ovens it is taken for granted.</param>
internal sealed record DayFacts(int Now, StepFact[] Steps, int[][]? HeatFrom)
{
    /// <summary>What has happened to a step.</summary>
    public StepFact this[int task] => Steps[task];
}
