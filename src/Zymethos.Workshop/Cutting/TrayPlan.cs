using System.Collections.Immutable;

namespace Zymethos.Workshop.Cutting;

/// <summary>A tray as it goes into the oven.</summary>
/// <param name="Nest">Its pieces with their room to spread.</param>
/// <param name="Minutes">How long it bakes.</param>
public sealed record BakingTray(Nest Nest, int Minutes);

/// <summary>
/// Cut pieces on trays: with room to spread, and large pieces apart from small ones, because they take longer. A value without state.
/// </summary>
/// <param name="Trays">The trays, those that bake longest last.</param>
/// <param name="AtOnce">How many bake at once.</param>
/// <param name="NoRoom">Shapes that are larger than a tray, by their place among the wishes.</param>
public sealed record TrayPlan(ImmutableArray<BakingTray> Trays, int AtOnce, ImmutableArray<int> NoRoom)
{
    // Pieces of one tray may differ by so much in their time before the small ones are dark (by judgement).
    private const double Together = 1.18;

    // A piece twice as long and wide takes about a quarter longer (common practice, no source: 9 min for 5 cm, 11 for 10, 14 for 20).
    private const double Growth = 0.32;

    // So few minutes nobody keeps apart.
    private const double AnyWay = 2;

    /// <summary>How often the oven is filled: trays of one time bake together.</summary>
    public int Waves => Trays.GroupBy(t => t.Minutes).Sum(g => (g.Count() + AtOnce - 1) / AtOnce);

    /// <summary>Minutes in the oven in all, one wave after another.</summary>
    public int OvenMinutes => Trays.GroupBy(t => t.Minutes).Sum(g => (g.Count() + AtOnce - 1) / AtOnce * g.Key);

    /// <summary>How long a piece bakes.</summary>
    /// <param name="outline">The piece.</param>
    /// <param name="minutes">How long a piece of another size does.</param>
    /// <param name="size">Its size: side of a square of the same area, in millimetres.</param>
    /// <returns>Minutes, not rounded.</returns>
    public static double MinutesOf(Outline outline, double minutes, double size) =>
        minutes * Math.Pow(Math.Sqrt(outline.Area) / size, Growth);

    /// <summary>Lays pieces on trays.</summary>
    /// <param name="pieces">The shapes with how many there are of each.</param>
    /// <param name="width">Width of a tray in millimetres.</param>
    /// <param name="length">Its length in millimetres.</param>
    /// <param name="spread">Room between two pieces in millimetres.</param>
    /// <param name="atOnce">How many trays bake at once, at least 1.</param>
    /// <param name="minutesOf">How long each shape bakes.</param>
    /// <param name="limit">Time for all of it.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    public static TrayPlan Of(
        ImmutableArray<NestWish> pieces,
        double width,
        double length,
        double spread,
        int atOnce,
        Func<int, double> minutesOf,
        TimeSpan limit,
        CancellationToken cancel = default
    )
    {
        var trays = ImmutableArray.CreateBuilder<BakingTray>();
        var noRoom = ImmutableArray.CreateBuilder<int>();
        // Those that take about as long lie together, from the quickest on.
        var groups = new List<List<int>>();
        foreach (var i in Enumerable.Range(0, pieces.Length).Where(i => pieces[i].Most > 0).OrderBy(minutesOf))
        {
            if (groups.Count > 0 && minutesOf(i) <= Math.Max(minutesOf(groups[^1][0]) * Together, minutesOf(groups[^1][0]) + AnyWay))
                groups[^1].Add(i);
            else
                groups.Add([i]);
        }

        // What lies against the rim browns at it: half the room is kept there too.
        var (across, along) = (width - spread, length - spread);
        foreach (var group in groups)
        {
            var open = group.ToDictionary(i => i, i => pieces[i].Most);
            var minutes = (int)Math.Round(group.Average(minutesOf));
            var expected = Math.Max(1, group.Sum(i => pieces[i].Most * pieces[i].Outline.Area) / (0.6 * width * length));
            while (open.Values.Any(o => o > 0))
            {
                var nest = Nesting.Lay(
                    [.. pieces.Select((p, i) => p with { Most = open.GetValueOrDefault(i) })],
                    along,
                    across,
                    spread,
                    new NestSettings(limit / (groups.Count * expected)),
                    cancel
                );
                if (nest.Pieces.IsEmpty)
                {
                    noRoom.AddRange(open.Where(o => o.Value > 0).Select(o => o.Key));
                    break;
                }

                foreach (var i in group)
                    open[i] -= nest.Counts[i];
                trays.Add(new BakingTray(Centred(nest, length, width), Math.Max(1, minutes)));
            }
        }

        return new TrayPlan(trays.ToImmutable(), atOnce, noRoom.ToImmutable());
    }

    private static Nest Centred(Nest nest, double width, double height)
    {
        var (right, below) = ((width - nest.Width) / 2, (height - nest.Height) / 2);
        return nest with
        {
            Width = width,
            Height = height,
            Pieces = [.. nest.Pieces.Select(p => p with { X = p.X + right, Y = p.Y + below })],
        };
    }
}
