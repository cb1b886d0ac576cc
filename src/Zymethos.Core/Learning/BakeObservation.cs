namespace Zymethos.Core.Learning;

/// <summary>How long one bake really took beside what was planned for it. A value without state.</summary>
/// <param name="Oven">Which oven; an oven that was changed is another one.</param>
/// <param name="Recipe">Key of the recipe.</param>
/// <param name="PlannedMinutes">What was planned for it, door and pan counted in; above zero.</param>
/// <param name="ActualMinutes">From in to out; above zero.</param>
public readonly record struct BakeObservation(string Oven, string Recipe, double PlannedMinutes, double ActualMinutes)
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
