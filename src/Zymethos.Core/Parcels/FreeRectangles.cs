using System.Collections.Immutable;

namespace Zymethos.Core.Parcels;

/// <summary>
/// Lays pieces of several kinds into a rectangular layer one by one, each into the free rectangle in which it leaves the shortest side
/// over; the free rectangles are the largest that are left and may overlap (maximal rectangles, best short side fit; J. Jylänki, A
/// Thousand Ways to Pack the Bin, 2010, from memory).
/// </summary>
internal sealed class FreeRectangles
{
    private const double Hair = 1e-6;
    private readonly List<(double X, double Y, double Length, double Width)> _free;

    private FreeRectangles(double length, double width) => _free = [(0, 0, length, width)];

    /// <summary>Lays as much of the pieces as goes in, in their order.</summary>
    /// <param name="length">Length of the layer.</param>
    /// <param name="width">Its width.</param>
    /// <param name="pieces">The pieces, each with its kind.</param>
    public static ImmutableArray<PackedPiece> Lay(double length, double width, IEnumerable<(int Kind, PieceSize Size)> pieces)
    {
        var layer = new FreeRectangles(length, width);
        var laid = ImmutableArray.CreateBuilder<PackedPiece>();
        // What did not go in once does not go in later: the room only shrinks.
        var tooLarge = new HashSet<int>();
        foreach (var (kind, size) in pieces)
        {
            if (tooLarge.Contains(kind))
                continue;
            if (layer.Place(size) is var (x, y, l, w))
                laid.Add(new PackedPiece(kind, x, y, l, w));
            else
                tooLarge.Add(kind);
        }

        return laid.ToImmutable();
    }

    private (double X, double Y, double Length, double Width)? Place(PieceSize size)
    {
        (double X, double Y, double Length, double Width)? best = null;
        var (bestShort, bestLong) = (double.PositiveInfinity, double.PositiveInfinity);
        foreach (var (l, w) in new[] { (size.Length, size.Width), (size.Width, size.Length) })
        {
            foreach (var free in _free.Where(f => l <= f.Length + Hair && w <= f.Width + Hair))
            {
                var (a, b) = (free.Length - l, free.Width - w);
                var (small, large) = (Math.Min(a, b), Math.Max(a, b));
                if (small > bestShort + Hair || (small > bestShort - Hair && large >= bestLong - Hair))
                    continue;
                (best, bestShort, bestLong) = ((free.X, free.Y, l, w), small, large);
            }
        }

        if (best is { } placed)
            Take(placed);
        return best;
    }

    private void Take((double X, double Y, double Length, double Width) p)
    {
        foreach (var f in _free.ToList())
        {
            if (p.X >= f.X + f.Length - Hair || p.X + p.Length <= f.X + Hair || p.Y >= f.Y + f.Width - Hair || p.Y + p.Width <= f.Y + Hair)
                continue;
            _free.Remove(f);
            Add((f.X, f.Y, p.X - f.X, f.Width));
            Add((p.X + p.Length, f.Y, f.X + f.Length - p.X - p.Length, f.Width));
            Add((f.X, f.Y, f.Length, p.Y - f.Y));
            Add((f.X, p.Y + p.Width, f.Length, f.Y + f.Width - p.Y - p.Width));
        }

        _free.RemoveAll(f => _free.Exists(o => o != f && Holds(o, f)));
    }

    private void Add((double X, double Y, double Length, double Width) rest)
    {
        if (rest.Length > Hair && rest.Width > Hair && !_free.Contains(rest))
            _free.Add(rest);
    }

    private static bool Holds(
        (double X, double Y, double Length, double Width) large,
        (double X, double Y, double Length, double Width) small
    ) =>
        small.X >= large.X - Hair
        && small.Y >= large.Y - Hair
        && small.X + small.Length <= large.X + large.Length + Hair
        && small.Y + small.Width <= large.Y + large.Width + Hair;
}
