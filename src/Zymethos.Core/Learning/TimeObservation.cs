namespace Zymethos.Core.Learning;

/// <summary>How long something really took beside what its recipe says. A value without state.</summary>
/// <param name="Doer">The oven it was in, the person at it, the leaven that raised it; an oven that was changed is another one.</param>
/// <param name="Work">What was done: key of the recipe, or kind of work; empty for what is the doer's alone.</param>
/// <param name="PlannedMinutes">What the recipe says, for the amount, the room and the open doors of that day, and nothing learned in it;
/// above zero.</param>
/// <param name="ActualMinutes">From beginning to end; above zero.</param>
public readonly record struct TimeObservation(string Doer, string Work, double PlannedMinutes, double ActualMinutes)
{
    /// <summary>Shorter or longer than this share of what was planned is a slip of the pen, not a bake: a quarter to four times.</summary>
    public const double Widest = 4;

    /// <summary>The logarithm of how much longer it took; 0 for as long as planned.</summary>
    public double Log => Math.Log(ActualMinutes / PlannedMinutes);

    /// <summary>Whether it can be learned from.</summary>
    public bool IsSound =>
        double.IsFinite(PlannedMinutes)
        && double.IsFinite(ActualMinutes)
        && PlannedMinutes > 0
        && ActualMinutes > 0
        && Math.Abs(Log) <= Math.Log(Widest);
}
