namespace Zymethos.Work.House;

/// <summary>Settings of the application, read once at start.</summary>
/// <param name="WithDemo">Whether the demo kitchen is seeded and its door stands open.</param>
/// <param name="PlanTime">How long a plan asked for on a page may be searched.</param>
/// <param name="LongSearch">How long a search in the background may take.</param>
public sealed record AppSettings(bool WithDemo, TimeSpan PlanTime, TimeSpan LongSearch)
{
    /// <summary>Whether the search goes on in the background by itself when a day is planned and not proven.</summary>
    public bool SearchesOn { get; init; }

    /// <summary>How long it goes on by itself where nobody else waits.</summary>
    public TimeSpan OnTime { get; init; } = TimeSpan.FromSeconds(20);

    /// <summary>
    /// Reads ZYMETHOS_EMPTY (set to 1 for no demo data) and ZYMETHOS_PLAN_SECONDS (0.3 to 30, default 2), ZYMETHOS_SEARCH_SECONDS (1 to
    /// 600, default 60), ZYMETHOS_SEARCH_ON (set to 0 for no search that goes on by itself), ZYMETHOS_SEARCH_ON_SECONDS (1 to 600, default
    /// 20).
    /// </summary>
    public static AppSettings From(IConfiguration configuration)
    {
        var seconds = double.TryParse(configuration["ZYMETHOS_PLAN_SECONDS"], System.Globalization.CultureInfo.InvariantCulture, out var s)
            ? s
            : 2;
        var search = double.TryParse(configuration["ZYMETHOS_SEARCH_SECONDS"], System.Globalization.CultureInfo.InvariantCulture, out var l)
            ? l
            : 60;
        var on = double.TryParse(configuration["ZYMETHOS_SEARCH_ON_SECONDS"], System.Globalization.CultureInfo.InvariantCulture, out var o)
            ? o
            : 20;
        return new AppSettings(
            configuration["ZYMETHOS_EMPTY"] != "1",
            TimeSpan.FromSeconds(Math.Clamp(seconds, 0.3, 30)),
            TimeSpan.FromSeconds(Math.Clamp(search, 1, 600))
        )
        {
            SearchesOn = configuration["ZYMETHOS_SEARCH_ON"] != "0",
            OnTime = TimeSpan.FromSeconds(Math.Clamp(on, 1, 600)),
        };
    }
}
