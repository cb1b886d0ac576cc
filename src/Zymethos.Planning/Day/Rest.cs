namespace Zymethos.Planning.Day;

/// <summary>A stretch of the day in which nobody is in the kitchen: no hands, no hot oven. What is only waited for goes on.</summary>
/// <param name="From">First minute.</param>
/// <param name="Until">Minute after the last, later than <paramref name="From"/>.</param>
public readonly record struct Rest(int From, int Until)
{
    /// <summary>Whether a task from one minute to another would reach into it.</summary>
    public bool Meets(int from, int until) => from < Until && From < until;
}
