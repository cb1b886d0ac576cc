namespace Zymethos.Planning.Day;

/// <summary>What the baker leans toward once the finishing hour stands.</summary>
public enum DayLean
{
    /// <summary>Done as early as can be, then a short presence.</summary>
    DoneEarly,

    /// <summary>As few hours in the kitchen as can be: the first touch late.</summary>
    ShortDay,

    /// <summary>As little time with a hot oven as can be.</summary>
    LessOven,

    /// <summary>Bakes do not lie about half done, and soft windows are kept.</summary>
    Fresher,

    /// <summary>Slack before what spoils.</summary>
    Calmer,
}

/// <summary>
/// What a minute of each thing counts in the second search, and how much later than the earliest finish it may end. Whole numbers, since
/// the solver reckons in them. Chosen by hand so that each lean gives its own thing up for nothing but a broken rule (no source).
/// </summary>
/// <param name="FinishAllowance">By how much of the day the finish may be later than the earliest, in percent.</param>
/// <param name="Finish">A minute of the finish.</param>
/// <param name="Presence">A minute from first touch to last.</param>
/// <param name="OvenSpan">A minute between the first hot load's start and the last one's end.</param>
/// <param name="SoftWindow">A minute beyond a soft window.</param>
/// <param name="BakeSpan">A minute between a bake's first step and its last.</param>
/// <param name="Tightness">A minute by which less than a quarter of an hour is left before a hard window closes.</param>
internal sealed record DayWeights(int FinishAllowance, int Finish, int Presence, int OvenSpan, int SoftWindow, int BakeSpan, int Tightness)
{
    /// <summary>The weights of a lean. The usual one follows the brief: a short presence first, then a short time with the oven hot, then
    /// soft windows. All leave room to breathe where it costs nothing dearer.</summary>
    public static DayWeights For(DayLean lean) =>
        lean switch
        {
            DayLean.ShortDay => new(10, 1, 40, 6, 4, 1, 2),
            DayLean.LessOven => new(10, 1, 6, 40, 4, 1, 2),
            DayLean.Fresher => new(5, 2, 6, 4, 30, 8, 2),
            DayLean.Calmer => new(10, 2, 6, 4, 6, 1, 30),
            _ => new(0, 0, 20, 12, 6, 1, 2),
        };
}
