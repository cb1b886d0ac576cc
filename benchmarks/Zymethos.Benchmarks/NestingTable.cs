using System.Diagnostics;
using System.Globalization;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Benchmarks;

/// <summary>How closely each of our own shapes is laid on a sheet, against the most that its area would allow, and how long that takes
/// against laying squares.</summary>
internal static class NestingTable
{
    /// <summary>Prints the table.</summary>
    /// <param name="seconds">Time for each shape.</param>
    public static void Print(double seconds)
    {
        const double width = 460;
        const double height = 340;
        const double gap = 2;
        Console.WriteLine("| shape of 65 mm | pieces | most by area | covered | first way / squares' |");
        Console.WriteLine("|---|---|---|---|---|");
        // Once before, so that no code is made ready while it is measured.
        foreach (var name in OwnShapes.Names)
            Timed(name, width, height, gap, 0);
        var squares = Timed("square", width, height, gap, 0).Elapsed;
        foreach (var name in OwnShapes.Names)
        {
            var first = Timed(name, width, height, gap, 0);
            var best = Timed(name, width, height, gap, seconds).Nest;
            var outline = OwnShapes.Of(name, 65).Outline!;
            var most = Math.Floor((width + gap) * (height + gap) / outline.Shape.Buffer(gap / 2).Area);
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {name} | {best.Pieces.Length} | {most} | {best.Density:P0} | {first.Elapsed / squares:0.0} |"
                )
            );
        }
    }

    private static (Nest Nest, TimeSpan Elapsed) Timed(string name, double width, double height, double gap, double seconds)
    {
        var outline = OwnShapes.Of(name, 65).Outline!;
        var clock = Stopwatch.StartNew();
        var nest = Nesting.Lay([new NestWish(outline, 1000)], width, height, gap, new NestSettings(TimeSpan.FromSeconds(seconds)));
        return (nest, clock.Elapsed);
    }
}
