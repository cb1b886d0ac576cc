using System.Collections.Immutable;
using MathNet.Numerics.Distributions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;

namespace Zymethos.Work.Daybooks;

/// <summary>
/// How often bases came out darker, of bakes that somebody looked at when they were done. The band is that of nine chances in ten by
/// Jeffreys' prior (Brown, Cai and DasGupta 2001, "Interval Estimation for a Binomial Proportion", 3.1.2).
/// </summary>
/// <param name="What">What they stood in and on: "dark pan", "dark pan, sheet beneath", "low shelf".</param>
/// <param name="Dark">How many bases were darker.</param>
/// <param name="Bakes">Of how many.</param>
public sealed record BaseLesson(string What, int Dark, int Bakes)
{
    /// <summary>Lower end of the band, as a share.</summary>
    public double Low => Dark == 0 ? 0 : Beta.InvCDF(Dark + 0.5, Bakes - Dark + 0.5, 0.05);

    /// <summary>Its upper end.</summary>
    public double High => Dark == Bakes ? 1 : Beta.InvCDF(Dark + 0.5, Bakes - Dark + 0.5, 0.95);
}

/// <summary>Sorts bakes by pan, sheet and shelf.</summary>
internal static class BaseLessons
{
    /// <summary>By finish of the pan with and without a sheet beneath, and by shelf. Bakes that nobody looked at say nothing.</summary>
    public static ImmutableArray<BaseLesson> Of(IEnumerable<PastBakeDocument> bakes)
    {
        var seen = bakes
            .Where(b => b.Looks is { Length: > 0 } || b.Darker is { Count: > 0 })
            .SelectMany(b => (b.Loads ?? []).DistinctBy(l => (l.Pan, l.Sheet, l.Shelf)).Select(l => (Load: l, IsDark: IsDark(b))))
            .ToList();
        return
        [
            .. seen.Select(s => (What: PanOf(s.Load), s.IsDark))
                .Concat(seen.Where(s => s.Load.Shelf is { Length: > 0 }).Select(s => (What: $"{s.Load.Shelf} shelf", s.IsDark)))
                .Where(s => s.What.Length > 0)
                .GroupBy(s => s.What, StringComparer.Ordinal)
                .Select(g => new BaseLesson(g.Key, g.Count(s => s.IsDark), g.Count()))
                .OrderByDescending(l => (double)l.Dark / l.Bakes)
                .ThenBy(l => l.What, StringComparer.Ordinal),
        ];
    }

    /// <summary>By side of the tray; a side at which nothing was ever darker is left out.</summary>
    public static ImmutableArray<BaseLesson> SidesOf(IEnumerable<PastBakeDocument> bakes)
    {
        var seen = bakes.Where(b => b.Looks is { Length: > 0 } || b.Darker is { Count: > 0 }).ToList();
        return
        [
            .. new[] { "back", "front", "left", "right" }
                .Select(s => new BaseLesson(s, seen.Count(b => b.Darker?.Contains(s) == true), seen.Count))
                .Where(l => l.Dark > 0)
                .OrderByDescending(l => l.Dark),
        ];
    }

    private static bool IsDark(PastBakeDocument bake) => bake.Darker?.Contains("base") == true;

    private static string PanOf(PastLoadDocument load)
    {
        var finish = load.Finish is { Length: > 0 } said ? said : PanFinish.Of(load.Pan ?? "");
        var pan = finish.Length > 0 ? $"{finish} pan" : load.Pan ?? "";
        return pan.Length == 0 ? ""
            : load.Sheet ? $"{pan}, sheet beneath"
            : pan;
    }
}
