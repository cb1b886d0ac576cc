using System.Diagnostics.Metrics;

namespace Zymethos.Work.House;

/// <summary>
/// Figures for whoever runs the house: how long searches take and how many wait, touches on the Bench, letters sent. Nothing of them names
/// a kitchen, a person or a recipe. Safe for use from many threads; where nobody listens they cost next to nothing.
/// </summary>
public static class HouseFigures
{
    /// <summary>Name of the meter.</summary>
    public const string Meter = "Zymethos";

    private static readonly Meter Own = new(Meter);

    /// <summary>Seconds that a search took once its turn had come; tag "line": bakers or strangers.</summary>
    public static readonly Histogram<double> Searched = Own.CreateHistogram<double>("zymethos.search.duration", "s");

    /// <summary>Searches that run or wait; tag "line".</summary>
    public static readonly UpDownCounter<int> Searching = Own.CreateUpDownCounter<int>("zymethos.search.here", "{search}");

    /// <summary>Searches that were turned away because too many waited.</summary>
    public static readonly Counter<int> TurnedAway = Own.CreateCounter<int>("zymethos.search.turned_away", "{search}");

    /// <summary>Touches that came in from the Bench and were new.</summary>
    public static readonly Counter<int> Touches = Own.CreateCounter<int>("zymethos.bench.touches", "{touch}");

    /// <summary>Letters that were handed on.</summary>
    public static readonly Counter<int> Letters = Own.CreateCounter<int>("zymethos.letters.sent", "{letter}");
}
