namespace Zymethos.Web.Setup;

/// <summary>Settings of the application, read once at start.</summary>
/// <param name="WithDemo">Whether the demo kitchen is seeded and its door stands open.</param>
/// <param name="PlanTime">How long a plan asked for on a page may be searched.</param>
/// <param name="LongSearch">How long a search in the background may take.</param>
public sealed record AppSettings(bool WithDemo, TimeSpan PlanTime, TimeSpan LongSearch)
{
    /// <summary>
    /// Reads ZYMETHOS_EMPTY (set to 1 for no demo data) and ZYMETHOS_PLAN_SECONDS (0.3 to 30, default 4), ZYMETHOS_SEARCH_SECONDS (1 to 600, default 60).
    /// </summary>
    public static AppSettings From(IConfiguration configuration)
    {
        var seconds = double.TryParse(configuration["ZYMETHOS_PLAN_SECONDS"], System.Globalization.CultureInfo.InvariantCulture, out var s) ? s : 4;
        var search = double.TryParse(configuration["ZYMETHOS_SEARCH_SECONDS"], System.Globalization.CultureInfo.InvariantCulture, out var l) ? l : 60;
        return new AppSettings(configuration["ZYMETHOS_EMPTY"] != "1", TimeSpan.FromSeconds(Math.Clamp(seconds, 0.3, 30)), TimeSpan.FromSeconds(Math.Clamp(search, 1, 600)));
    }
}
