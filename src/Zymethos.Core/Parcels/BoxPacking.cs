using System.Collections.Immutable;

namespace Zymethos.Core.Parcels;

/// <summary>A tin, box, bag or jar as it is inside. Lengths in millimetres, above zero.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Length">Its length, or its diameter where it is round.</param>
/// <param name="Width">Its width, or its diameter where it is round.</param>
/// <param name="Height">Its height.</param>
/// <param name="IsRound">Whether it is round.</param>
public sealed record BoxSize(string Name, double Length, double Width, double Height, bool IsRound = false);

/// <summary>A piece as it lies. Lengths in millimetres, above zero.</summary>
/// <param name="Length">Its length, or its diameter where it is round.</param>
/// <param name="Width">Its width, or its diameter where it is round.</param>
/// <param name="Height">Its height.</param>
/// <param name="IsRound">Whether it is round.</param>
/// <param name="Grams">What it weighs; null where nobody weighed it.</param>
public sealed record PieceSize(double Length, double Width, double Height, bool IsRound = false, double? Grams = null);

/// <summary>So many pieces of a kind that are to go into a box.</summary>
/// <param name="Size">How large each is.</param>
/// <param name="Count">How many, zero or more.</param>
/// <param name="IsSoft">Whether it is soft: it makes what is crisp soft, and lies in no layer with it.</param>
public sealed record PackKind(PieceSize Size, int Count, bool IsSoft = false);

/// <summary>A piece in its place, seen from above.</summary>
/// <param name="Kind">Index of its kind.</param>
/// <param name="X">Its left edge, in millimetres from the box's own.</param>
/// <param name="Y">Its upper edge likewise.</param>
/// <param name="Length">What it takes to the right.</param>
/// <param name="Width">What it takes downward.</param>
public sealed record PackedPiece(int Kind, double X, double Y, double Length, double Width);

/// <summary>A layer of a box.</summary>
/// <param name="Pieces">What lies in it.</param>
/// <param name="Height">How high it is, its sheet of paper counted in.</param>
public sealed record PackLayer(ImmutableArray<PackedPiece> Pieces, double Height);

/// <summary>A packed box.</summary>
/// <param name="Layers">Layers, the lowest first.</param>
/// <param name="Left">How many of each kind did not go in, in the order of the kinds.</param>
public sealed record PackedBox(ImmutableArray<PackLayer> Layers, ImmutableArray<int> Left)
{
    /// <summary>Whether everything went in.</summary>
    public bool IsAllIn => Left.All(l => l == 0);
}

/// <summary>
/// Packs pieces into a box in layers with paper between. The heavy lie below; a soft kind shares no layer with a crisp one. A layer is
/// laid in rows of one kind each (where pieces are not square along or across, in the mix that holds most), or piece by piece where that
/// holds more. A round tin is packed in rows as long as the circle lets them be. Neither is a proof of the best packing; nothing ever
/// overlaps or stands out.
/// </summary>
public static class BoxPacking
{
    /// <summary>A sheet of paper between layers, and the air that nobody can pack, in millimetres (common practice, no source).</summary>
    public const double Paper = 2;

    /// <summary>Most layers.</summary>
    public const int MostLayers = 40;

    // Nothing that is baked lies in hundreds beside each other.
    private const int MostOfALayer = 200;

    /// <summary>Packs.</summary>
    /// <param name="box">The box.</param>
    /// <param name="kinds">What is to go in.</param>
    public static PackedBox Pack(BoxSize box, ImmutableArray<PackKind> kinds)
    {
        var left = kinds.Select(k => Math.Max(0, k.Count)).ToArray();
        // The heavy first; of one weight the taller, so that layers are even. What nobody weighed is taken by its size.
        var order = Enumerable
            .Range(0, kinds.Length)
            .OrderByDescending(k => kinds[k].Size.Grams ?? (kinds[k].Size.Length * kinds[k].Size.Width * kinds[k].Size.Height / 2000))
            .ThenByDescending(k => kinds[k].Size.Height)
            .ToList();
        var layers = ImmutableArray.CreateBuilder<PackLayer>();
        var room = box.Height;
        while (layers.Count < MostLayers && order.Exists(k => left[k] > 0 && kinds[k].Size.Height <= room))
        {
            var first = order.First(k => left[k] > 0 && kinds[k].Size.Height <= room);
            var together = order.Where(k => kinds[k].IsSoft == kinds[first].IsSoft && kinds[k].Size.Height <= room && left[k] > 0).ToList();
            var layer = Ways(box, kinds, together, left, room)
                // Rows are neat: they stand unless another way holds more.
                .MaxBy(w => Math.Round(w.Pieces.Sum(p => p.Length * p.Width), 3))!;
            if (layer.Pieces.IsEmpty)
                break;
            foreach (var piece in layer.Pieces)
                left[piece.Kind]--;
            layers.Add(layer);
            room -= layer.Height;
        }

        return new PackedBox(layers.ToImmutable(), [.. left]);
    }

    /// <summary>Ways to fill a layer: in rows of one kind each, and, in a box with corners, piece by piece in several orders.</summary>
    private static IEnumerable<PackLayer> Ways(BoxSize box, ImmutableArray<PackKind> kinds, List<int> order, int[] left, double room)
    {
        yield return Rows(box, kinds, order, [.. left], room);
        if (box.IsRound || order.Count < 2)
            yield break;
        var wide = order.OrderByDescending(k => kinds[k].Size.Length * kinds[k].Size.Width).ToList();
        var longest = order.OrderByDescending(k => Math.Max(kinds[k].Size.Length, kinds[k].Size.Width)).ToList();
        foreach (var way in new[] { order, wide, longest })
        {
            var pieces = FreeRectangles.Lay(
                box.Length,
                box.Width,
                way.SelectMany(k => Enumerable.Repeat((k, kinds[k].Size), Math.Min(left[k], MostOfALayer)))
            );
            if (!pieces.IsEmpty)
                yield return new PackLayer(pieces, pieces.Max(p => kinds[p.Kind].Size.Height) + Paper);
        }
    }

    private static PackLayer Rows(BoxSize box, ImmutableArray<PackKind> kinds, List<int> order, int[] left, double room)
    {
        var pieces = ImmutableArray.CreateBuilder<PackedPiece>();
        var (y, height) = (0.0, 0.0);
        foreach (var kind in order.Where(k => kinds[k].Size.Height <= room))
        {
            var size = kinds[kind].Size;
            while (left[kind] > 0)
            {
                var (length, width) = BestRow(box, size, y, left[kind]);
                var (from, to) = Chord(box, y, y + width);
                var count = Math.Min(left[kind], Fits(to - from, length));
                if (width > box.Width - y + 1e-9 || count == 0)
                {
                    // A round tin is narrow at its rim: further in there may be room.
                    if (!box.IsRound || y + width > box.Width / 2)
                        break;
                    y += 2;
                    continue;
                }

                var start = from + ((to - from - (count * length)) / 2);
                for (var i = 0; i < count; i++)
                    pieces.Add(new PackedPiece(kind, start + (i * length), y, length, width));
                left[kind] -= count;
                height = Math.Max(height, size.Height);
                y += width;
            }
        }

        return new PackLayer(pieces.ToImmutable(), height + Paper);
    }

    /// <summary>How the next row lies: the first of the mix of rows along and across that holds most in what is left.</summary>
    private static (double Length, double Width) BestRow(BoxSize box, PieceSize size, double y, int wanted)
    {
        var along = (size.Length, size.Width);
        var across = (Length: size.Width, Width: size.Length);
        if (size.IsRound || Math.Abs(size.Length - size.Width) < 0.01)
            return along;
        if (box.IsRound)
            return Row(box, along, y) * along.Width >= Row(box, across, y) * across.Width ? along : across;
        var best = (Count: 0, Rows: 0, Way: along);
        var rest = box.Width - y;
        for (var rows = 0; rows * along.Width <= rest + 1e-9; rows++)
        {
            var others = (int)Math.Floor(((rest - (rows * along.Width)) / across.Width) + 1e-9);
            var count = Math.Min(wanted, (rows * Fits(box.Length, along.Length)) + (others * Fits(box.Length, across.Length)));
            // Of two that hold as many, the fewer rows.
            if (count > best.Count || (count == best.Count && count > 0 && rows + others < best.Rows))
                best = (count, rows + others, rows > 0 && Fits(box.Length, along.Length) > 0 ? along : across);
        }

        return best.Way;
    }

    private static int Row(BoxSize box, (double Length, double Width) piece, double y)
    {
        var (from, to) = Chord(box, y, y + piece.Width);
        return Fits(to - from, piece.Length);
    }

    private static int Fits(double room, double length) => room <= 0 ? 0 : (int)Math.Floor((room / length) + 1e-9);

    /// <summary>From where to where a row between two heights may reach.</summary>
    private static (double From, double To) Chord(BoxSize box, double top, double bottom)
    {
        if (!box.IsRound)
            return (0, box.Length);
        var radius = box.Length / 2;
        var far = Math.Max(Math.Abs(top - radius), Math.Abs(bottom - radius));
        if (far >= radius)
            return (radius, radius);
        var half = Math.Sqrt((radius * radius) - (far * far));
        return (radius - half, radius + half);
    }
}
