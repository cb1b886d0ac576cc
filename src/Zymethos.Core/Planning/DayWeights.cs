namespace Zymethos.Core.Planning;

/// <summary>
/// What a minute of each thing counts, once the finishing hour stands. Whole numbers, since the solver reckons in them. The order follows
/// the brief: a short presence first, then a short time with the oven hot, then soft windows, then bakes that do not lie about half done.
/// </summary>
public static class DayWeights
{
    /// <summary>A minute from first touch to last.</summary>
    public const int Presence = 20;

    /// <summary>A minute between the first hot load's start and the last one's end.</summary>
    public const int OvenSpan = 12;

    /// <summary>A minute beyond a soft window.</summary>
    public const int SoftWindow = 6;

    /// <summary>A minute between a bake's first step and its last.</summary>
    public const int BakeSpan = 1;
}
