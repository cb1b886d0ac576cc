using Zymethos.Planning.Day;

namespace Zymethos.Work.OvenDays;

/// <summary>What a baker leans toward, in a few words.</summary>
public static class LeanWords
{
    /// <summary>A lean in words.</summary>
    public static string Of(DayLean lean) =>
        lean switch
        {
            DayLean.ShortDay => "a short day",
            DayLean.LessOven => "less oven",
            DayLean.Fresher => "fresher",
            DayLean.Calmer => "calmer",
            _ => "done early",
        };

    /// <summary>What it brings and what it may cost.</summary>
    public static string Why(DayLean lean) =>
        lean switch
        {
            DayLean.ShortDay => "Fewest hours in the kitchen; may end up to a tenth later.",
            DayLean.LessOven => "Fewest minutes with a hot oven; may end up to a tenth later.",
            DayLean.Fresher => "Nothing lies about half done, wishes for freshness are kept; may end a little later.",
            DayLean.Calmer => "Goes well on as many days as can be; may end later.",
            _ => "The earliest end, then the shortest stay.",
        };
}
