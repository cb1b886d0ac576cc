namespace Zymethos.Core.Measures;

/// <summary>Lengths of time as a baker says them.</summary>
public static class SpokenTime
{
    /// <summary>Whole minutes as "35 min", "1 h 20", "2 h".</summary>
    /// <param name="minutes">0 or more.</param>
    public static string Of(int minutes) =>
        minutes < 60 ? $"{minutes} min"
        : minutes % 60 == 0 ? $"{minutes / 60} h"
        : $"{minutes / 60} h {minutes % 60:00}";
}
