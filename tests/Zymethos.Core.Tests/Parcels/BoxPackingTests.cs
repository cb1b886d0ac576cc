using System.Collections.Immutable;
using Zymethos.Core.Parcels;

namespace Zymethos.Core.Tests.Parcels;

/// <summary>Packed boxes: nothing overlaps or stands out, known packings are reached, and none beats what area and height allow.</summary>
public sealed class BoxPackingTests
{
    private static int In(PackedBox packed) => packed.Layers.Sum(l => l.Pieces.Length);

    [Theory]
    // Ten by eight squares of 30 in a box of 300 by 240.
    [InlineData(300, 240, 30, 30, 80)]
    // Seven pieces of 2 by 3 in a sheet of 6 by 7: the area allows seven, rows along and across together reach it.
    [InlineData(60, 70, 20, 30, 7)]
    // A box smaller than a piece.
    [InlineData(40, 40, 50, 20, 0)]
    // One that fits only when it is turned.
    [InlineData(25, 60, 50, 20, 1)]
    public void A_layer_of_one_kind_holds_what_is_known_to_fit(double length, double width, double a, double b, int most)
    {
        var packed = BoxPacking.Pack(new BoxSize("box", length, width, 12), [new PackKind(new PieceSize(a, b, 10), 1000)]);
        Assert.Equal(most, In(packed));
    }

    [Fact]
    public void Rows_reach_what_trying_all_of_them_reaches()
    {
        var random = new Random(12);
        for (var round = 0; round < 200; round++)
        {
            var (l, w) = (random.Next(5, 25), random.Next(5, 25));
            var (a, b) = (random.Next(2, 8), random.Next(2, 8));
            var packed = BoxPacking.Pack(new BoxSize("box", l, w, 3), [new PackKind(new PieceSize(a, b, 1), 1000)]);
            var best = 0;
            for (var i = 0; i * b <= w; i++)
                best = Math.Max(best, (i * (l / a)) + ((w - (i * b)) / a * (l / b)));
            Assert.Equal(best, In(packed));
        }
    }

    [Fact]
    public void Several_kinds_in_a_layer_come_near_to_trying_every_place()
    {
        var random = new Random(31);
        var (fit, reached) = (0, 0);
        for (var round = 0; round < 4000; round++)
        {
            var (l, w) = (random.Next(3, 7), random.Next(3, 6));
            var sizes = Enumerable
                .Range(0, random.Next(2, 4))
                .Select(_ => (A: random.Next(1, 4), B: random.Next(1, 4), Count: random.Next(1, 4)))
                .ToList();
            var area = sizes.Sum(s => s.A * s.B * s.Count);
            // Only what is tight is worth trying.
            if (area > l * w || area < l * w * 0.7)
                continue;
            var packed = BoxPacking.Pack(
                new BoxSize("box", l, w, 2.5),
                [.. sizes.Select(s => new PackKind(new PieceSize(s.A, s.B, 1), s.Count))]
            );
            var oneLayer = packed.IsAllIn && packed.Layers.Length == 1;
            var exact = Places(
                new bool[l, w],
                [.. sizes.SelectMany(s => Enumerable.Repeat((s.A, s.B), s.Count)).OrderByDescending(s => s.A * s.B)],
                0
            );
            Assert.True(exact || !oneLayer, $"round {round}: more than is possible");
            (fit, reached) = (fit + (exact ? 1 : 0), reached + (exact && oneLayer ? 1 : 0));
        }

        Assert.True(fit > 100, $"{fit}");
        Assert.True(reached >= fit * 0.9, $"{reached} of {fit}");
    }

    // Every piece in every place, turned and unturned.
    private static bool Places(bool[,] taken, List<(int A, int B)> pieces, int next)
    {
        if (next == pieces.Count)
            return true;
        var (a, b) = pieces[next];
        foreach (var (l, w) in a == b ? [(a, b)] : new[] { (a, b), (b, a) })
        {
            for (var x = 0; x + l <= taken.GetLength(0); x++)
            {
                for (var y = 0; y + w <= taken.GetLength(1); y++)
                {
                    if (!Set(x, y, l, w, from: false))
                        continue;
                    if (Places(taken, pieces, next + 1))
                        return true;
                    Set(x, y, l, w, from: true);
                }
            }
        }

        return false;

        bool Set(int x, int y, int l, int w, bool from)
        {
            for (var i = x; i < x + l; i++)
            {
                for (var j = y; j < y + w; j++)
                {
                    if (taken[i, j] != from)
                        return false;
                }
            }

            for (var i = x; i < x + l; i++)
            {
                for (var j = y; j < y + w; j++)
                    taken[i, j] = !from;
            }

            return true;
        }
    }

    [Fact]
    public void Nothing_overlaps_or_stands_out_and_nothing_is_lost()
    {
        var random = new Random(77);
        for (var round = 0; round < 300; round++)
        {
            var isRound = random.NextDouble() < 0.5;
            var (l, w) = (random.Next(60, 300), random.Next(60, 300));
            var box = new BoxSize("box", l, isRound ? l : w, random.Next(20, 120), isRound);
            var kinds = Enumerable
                .Range(0, random.Next(1, 5))
                .Select(_ =>
                {
                    var (a, b, round) = (random.Next(15, 90), random.Next(15, 90), random.NextDouble() < 0.4);
                    return new PackKind(
                        new PieceSize(a, round ? a : b, random.Next(5, 40), round, random.Next(5, 60)),
                        random.Next(0, 30),
                        random.NextDouble() < 0.3
                    );
                })
                .ToImmutableArray();
            var packed = BoxPacking.Pack(box, kinds);
            for (var k = 0; k < kinds.Length; k++)
                Assert.Equal(kinds[k].Count, packed.Left[k] + packed.Layers.Sum(y => y.Pieces.Count(p => p.Kind == k)));
            Assert.True(packed.Layers.Sum(y => y.Height) <= box.Height + BoxPacking.Paper + 1e-6);
            foreach (var layer in packed.Layers)
            {
                Assert.Single(layer.Pieces.Select(p => kinds[p.Kind].IsSoft).Distinct());
                foreach (var (p, i) in layer.Pieces.Select((p, i) => (p, i)))
                {
                    Assert.True(Inside(box, p), $"round {round}");
                    Assert.DoesNotContain(
                        layer.Pieces.Skip(i + 1),
                        q =>
                            p.X + p.Length > q.X + 1e-6
                            && q.X + q.Length > p.X + 1e-6
                            && p.Y + p.Width > q.Y + 1e-6
                            && q.Y + q.Width > p.Y + 1e-6
                    );
                }
            }
        }
    }

    private static bool Inside(BoxSize box, PackedPiece p)
    {
        if (!box.IsRound)
            return p.X >= -1e-6 && p.Y >= -1e-6 && p.X + p.Length <= box.Length + 1e-6 && p.Y + p.Width <= box.Width + 1e-6;
        var r = box.Length / 2;
        return new[] { (p.X, p.Y), (p.X + p.Length, p.Y), (p.X, p.Y + p.Width), (p.X + p.Length, p.Y + p.Width) }.All(c =>
            Math.Sqrt(((c.Item1 - r) * (c.Item1 - r)) + ((c.Item2 - r) * (c.Item2 - r))) <= r + 1e-6
        );
    }

    [Fact]
    public void The_heavy_lie_below_and_soft_apart_from_crisp()
    {
        var packed = BoxPacking.Pack(
            new BoxSize("tin", 100, 100, 60),
            [
                new PackKind(new PieceSize(50, 50, 10, false, 10), 4),
                new PackKind(new PieceSize(50, 50, 10, false, 40), 4),
                new PackKind(new PieceSize(50, 50, 10, false, 90), 2, true),
            ]
        );
        Assert.True(packed.IsAllIn);
        Assert.Equal([2, 1, 0], packed.Layers.Select(l => l.Pieces[0].Kind));
    }
}
