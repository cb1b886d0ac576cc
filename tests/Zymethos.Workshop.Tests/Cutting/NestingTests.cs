using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using Zymethos.Tests;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Workshop.Tests.Cutting;

/// <summary>Pieces lie on the sheet, apart, and close. The check turns and moves outlines by itself and measures distances; it knows
/// nothing of no-fit polygons.</summary>
public sealed class NestingTests
{
    private static readonly GeometryFactory Factory = new();
    private static readonly NestSettings Quick = new(TimeSpan.Zero);
    private static readonly NestSettings Patient = new(TimeSpan.FromSeconds(3));

    private static Outline Shape(params double[] flat)
    {
        var corners = Enumerable.Range(0, flat.Length / 2).Select(i => new Coordinate(flat[2 * i], flat[(2 * i) + 1])).ToList();
        corners.Add(corners[0].Copy());
        var (outline, wrong) = Outline.Of("own", Factory.CreatePolygon([.. corners]));
        Assert.Equal("", wrong);
        return outline!;
    }

    private static Outline Rectangle(double width, double height) => Shape(0, 0, width, 0, width, height, 0, height);

    /// <summary>Where a piece lies, worked out from its numbers alone.</summary>
    private static Polygon Placed(Nest nest, NestedPiece piece)
    {
        var (sin, cos) = Math.SinCos(piece.Turn * Math.PI / 180);
        var shape = (Polygon)nest.Wishes[piece.Wish].Outline.Shape.Copy();
        Coordinate[] Turned(LineString ring) =>
            [.. ring.Coordinates.Select(c => new Coordinate((cos * c.X) - (sin * c.Y), (sin * c.X) + (cos * c.Y)))];
        var turned = Turned(shape.ExteriorRing);
        var (x, y) = (piece.X - turned.Min(c => c.X), piece.Y - turned.Min(c => c.Y));
        LinearRing Ring(Coordinate[] corners) => Factory.CreateLinearRing([.. corners.Select(c => new Coordinate(c.X + x, c.Y + y))]);
        return Factory.CreatePolygon(
            Ring(turned),
            [.. Enumerable.Range(0, shape.NumInteriorRings).Select(i => Ring(Turned(shape.GetInteriorRingN(i))))]
        );
    }

    private static void Check(Nest nest)
    {
        const double hair = 0.02;
        var placed = nest.Pieces.Select(p => Placed(nest, p)).ToList();
        foreach (var shape in placed)
        {
            var box = shape.EnvelopeInternal;
            Assert.True(
                box.MinX >= -hair && box.MinY >= -hair && box.MaxX <= nest.Width + hair && box.MaxY <= nest.Height + hair,
                $"{box}"
            );
        }

        for (var a = 0; a < placed.Count; a++)
        {
            for (var b = a + 1; b < placed.Count; b++)
            {
                if (placed[a].EnvelopeInternal.Distance(placed[b].EnvelopeInternal) > nest.Spacing)
                    continue;
                var distance = placed[a].Distance(placed[b]);
                Assert.True(distance >= nest.Spacing - hair, $"{a} and {b} are {distance} mm apart, not {nest.Spacing}");
                if (nest.Spacing == 0)
                    Assert.True(placed[a].Intersection(placed[b]).Area < hair * 200, $"{a} and {b} overlap");
            }
        }

        for (var w = 0; w < nest.Wishes.Length; w++)
            Assert.True(nest.Counts[w] <= nest.Wishes[w].Most);
    }

    /// <summary>A random outline round a middle: bays, necks and tips; now and then with a hole.</summary>
    private static Outline RandomShape(Random random)
    {
        while (true)
        {
            var count = random.Next(3, 26);
            var corners = new List<Coordinate>();
            for (var i = 0; i < count; i++)
            {
                var angle = (i + (random.NextDouble() * 0.9)) * 2 * Math.PI / count;
                var far = random.NextDouble() < 0.25 ? 4 + (random.NextDouble() * 8) : 12 + (random.NextDouble() * 34);
                corners.Add(new Coordinate(far * Math.Cos(angle), far * Math.Sin(angle)));
            }

            corners.Add(corners[0].Copy());
            Geometry shape = Factory.CreatePolygon([.. corners]);
            if (shape.IsValid && random.Next(4) == 0)
                shape = shape.Difference(Factory.CreatePoint(new Coordinate(0, 0)).Buffer(3));
            if (shape is Polygon { IsValid: true } whole && Outline.Of("random", whole).Outline is { } outline)
                return outline;
        }
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void Random_outlines_never_overlap_nor_leave_the_sheet_and_keep_their_spacing(int seed)
    {
        var random = new Random(seed);
        var pieces = 0;
        for (var round = 0; round < Cases.Of(40); round++)
        {
            var wishes = Enumerable
                .Range(0, random.Next(1, 4))
                .Select(_ => new NestWish(RandomShape(random), random.Next(1, 14)))
                .ToImmutableArray();
            var nest = Nesting.Lay(
                wishes,
                120 + (random.NextDouble() * 260),
                100 + (random.NextDouble() * 200),
                random.Next(3) * 1.7,
                Quick
            );
            Check(nest);
            pieces += nest.Pieces.Length;
        }

        Assert.True(pieces > 7 * Cases.Of(40), $"{pieces}");
    }

    [Fact]
    public void Our_own_shapes_lie_apart_at_every_way_of_laying()
    {
        foreach (var name in OwnShapes.Names)
        {
            var nest = Nesting.Lay(
                [new NestWish(OwnShapes.Of(name, 62).Outline!, 500)],
                330,
                240,
                2,
                new NestSettings(TimeSpan.FromSeconds(1))
            );
            Assert.True(nest.Pieces.Length >= 8, $"{name}: {nest.Pieces.Length}");
            Check(nest);
        }
    }

    [Fact]
    public void Squares_fill_a_sheet_of_their_measure_to_the_last_place()
    {
        var nest = Nesting.Lay([new NestWish(Rectangle(50, 50), 1000)], 500, 300, 0, Quick);
        Assert.Equal(60, nest.Pieces.Length);
        Check(nest);
        // With 3 mm between them 9 by 5 are left: 9 x 50 + 8 x 3 = 474, 5 x 50 + 4 x 3 = 262.
        Assert.Equal(45, Nesting.Lay([new NestWish(Rectangle(50, 50), 1000)], 500, 300, 3, Quick).Pieces.Length);
    }

    [Fact]
    public void Rounds_lie_in_the_honeycomb_where_it_holds_more_than_rows()
    {
        // Equal circles of diameter 1 in a square of side 10: straight rows hold 100, alternate rows of 10 and 9 hold 105 (11 rows are
        // 1 + 10 x 0.866 = 9.66 high), and 106 is the most that is known (Graham and Lubachevsky 1996, "Repeated patterns of dense
        // packings of equal disks in a square"; both numbers from memory).
        var nest = Nesting.Lay([new NestWish(OwnShapes.Of("round", 40).Outline!, 1000)], 400, 400, 0, Patient);
        Check(nest);
        Assert.InRange(nest.Pieces.Length, 105, 106);
    }

    [Fact]
    public void Angles_of_three_squares_fill_their_rectangle_as_trying_all_does()
    {
        // Two L-shaped trominoes make 2 by 3; four and more make 3 by 4: every cell is covered, and there is no better.
        var angle = Shape(0, 0, 40, 0, 40, 40, 80, 40, 80, 80, 0, 80);
        var two = Nesting.Lay([new NestWish(angle, 9)], 80, 120, 0, Patient);
        Check(two);
        Assert.Equal(2, two.Pieces.Length);
        // Four dominoes are the most in 3 by 3 (nine cells, one is left).
        var dominoes = Nesting.Lay([new NestWish(Rectangle(80, 40), 9)], 120, 120, 0, Patient);
        Check(dominoes);
        Assert.Equal(4, dominoes.Pieces.Length);
        // A right triangle of 60 by 40 twice in its rectangle: eight in 120 by 80, with a tenth of a millimetre to spare for slanted sides.
        var triangles = Nesting.Lay([new NestWish(Shape(0, 0, 60, 0, 0, 40), 99)], 120.1, 80.1, 0, Patient);
        Check(triangles);
        Assert.Equal(8, triangles.Pieces.Length);
    }

    [Fact]
    public void A_sheet_cut_at_random_is_laid_again_nearly_whole()
    {
        var shares = new List<double>();
        for (var seed = 1; seed <= 8; seed++)
        {
            var random = new Random(seed);
            var parts = new List<(double X, double Y, double W, double H)> { (0, 0, 400, 300) };
            while (parts.Count < 14)
            {
                var (part, place) = (parts[^1], parts.Count - 1);
                place = Enumerable.Range(0, parts.Count).MaxBy(i => parts[i].W * parts[i].H);
                part = parts[place];
                var at = 0.3 + (random.NextDouble() * 0.4);
                parts.RemoveAt(place);
                parts.AddRange(
                    part.W > part.H
                        ? [(part.X, part.Y, part.W * at, part.H), (part.X + (part.W * at), part.Y, part.W * (1 - at), part.H)]
                        : [(part.X, part.Y, part.W, part.H * at), (part.X, part.Y + (part.H * at), part.W, part.H * (1 - at))]
                );
            }

            var nest = Nesting.Lay(
                [.. parts.Select(p => new NestWish(Rectangle(p.W, p.H), 1))],
                400,
                300,
                0,
                new NestSettings(TimeSpan.FromSeconds(2)) { Turns = [0, 90] }
            );
            Check(nest);
            shares.Add(nest.Density);
        }

        Assert.True(shares.Average() > 0.8, $"{shares.Average():P1}: {string.Join(", ", shares.Select(s => $"{s:P0}"))}");
    }

    [Fact]
    public void What_is_larger_than_the_sheet_is_left_out_and_the_rest_is_laid()
    {
        var nest = Nesting.Lay([new NestWish(Rectangle(500, 200), 2), new NestWish(Rectangle(50, 50), 2)], 300, 200, 2, Quick);
        Assert.Equal([0, 2], nest.Counts.AsEnumerable());
        Assert.Empty(Nesting.Lay([new NestWish(Rectangle(500, 200), 2)], 300, 150, 0, Quick).Pieces);
    }

    [Fact]
    public void The_same_question_has_the_same_answer()
    {
        ImmutableArray<NestWish> wishes = [new(OwnShapes.Of("star", 70).Outline!, 12), new(OwnShapes.Of("moon", 50).Outline!, 12)];
        var (one, other) = (Nesting.Lay(wishes, 330, 240, 2, Quick), Nesting.Lay(wishes, 330, 240, 2, Quick));
        Assert.Equal(one.Pieces.AsEnumerable(), other.Pieces);
    }
}
