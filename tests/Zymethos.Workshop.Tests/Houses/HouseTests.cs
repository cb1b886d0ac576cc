using NetTopologySuite.Algorithm.Locate;
using NetTopologySuite.Geometries;
using Zymethos.Tests;
using Zymethos.Workshop.Houses;

namespace Zymethos.Workshop.Tests.Houses;

/// <summary>Pieces stand where they should: they close to a house within a millimetre, none goes through another, and they weigh what they
/// fill.</summary>
public sealed class HouseTests
{
    private static HouseWish Random(Random random, bool isBevelled)
    {
        while (true)
        {
            double Between(double a, double b) => a + (random.NextDouble() * (b - a));
            var wish = new HouseWish(Between(60, 300), Between(60, 300), Between(40, 200), Between(20, 65), Between(0, 30), Between(3, 8))
            {
                IsBevelled = isBevelled,
                DoorWidth = random.Next(2) * 25,
                DoorHeight = 35,
                Windows = random.Next(3),
                WindowSize = 14,
            };
            if (wish.Faults().Count == 0)
                return wish;
        }
    }

    private static HousePiece Piece(House house, string name) => house.Pieces.Single(p => p.Name == name);

    /// <summary>Height of the roof's underside over a place.</summary>
    private static double Underside(HouseWish wish, double x) =>
        wish.WallHeight + (Math.Min(x, wish.Width - x) * Math.Tan(wish.Pitch * Math.PI / 180));

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Roof_and_walls_meet_for_random_measures(bool isBevelled)
    {
        var random = new Random(5);
        for (var round = 0; round < 300; round++)
        {
            var wish = Random(random, isBevelled);
            var (house, t) = (House.Of(wish), wish.Thickness);
            // The upper edge of a gable lies in the underside of the roof all along.
            var gable = Piece(house, "back gable");
            foreach (var corner in gable.Shape.Coordinates.Where(c => c.Y > 0))
                Assert.Equal(Underside(wish, gable.At(corner.X, corner.Y).X), gable.At(corner.X, corner.Y).Z, 1e-6);
            // So does the upper edge of a side wall: its outer one where it is cut straight, and both where it is cut slanting.
            foreach (var name in new[] { "left wall", "right wall" })
            {
                var wall = Piece(house, name);
                var top = wall.Shape.EnvelopeInternal.MaxY;
                Assert.Equal(wish.Depth - (2 * t), wall.Shape.EnvelopeInternal.MaxX, 1e-9);
                var (outer, inner) = (wall.At(0, isBevelled ? wish.WallHeight : top), wall.At(0, top, t));
                Assert.Equal(Underside(wish, outer.X), outer.Z, 1e-6);
                if (isBevelled)
                    Assert.Equal(Underside(wish, inner.X), inner.Z, 1e-6);
                else
                    Assert.True(inner.Z <= Underside(wish, inner.X) + 1e-9);
                // Between the gables, no more and no less.
                Assert.Equal([t, wish.Depth - t], new[] { wall.At(0, 0).Y, wall.At(wall.Shape.EnvelopeInternal.MaxX, 0).Y }.Order(), Near);
            }

            // The undersides of both roof panels meet in the ridge, above the tip of the gable; cut slanting, their upper faces meet too.
            var (left, right) = (Piece(house, "left roof"), Piece(house, "right roof"));
            var up = ((wish.Width / 2) + wish.Overhang) / Math.Cos(wish.Pitch * Math.PI / 180);
            Assert.Equal(wish.Width / 2, left.At(0, up, t).X, 1e-6);
            Assert.Equal(wish.Height, left.At(0, up, t).Z, 1e-6);
            Assert.Equal(left.At(0, up, t).Z, right.At(0, up, t).Z, 1e-6);
            var top2 = left.Shape.EnvelopeInternal.MaxY;
            if (isBevelled)
                Assert.Equal(wish.Width / 2, left.At(0, top2).X, 1e-6);
            // It stands out as far as it was asked to.
            Assert.Equal(-wish.Overhang, left.At(0, 0, t).X, 1e-6);
            Assert.Equal(
                [-wish.Overhang, wish.Depth + wish.Overhang],
                new[] { left.At(0, 0).Y, left.At(left.Shape.EnvelopeInternal.MaxX, 0).Y }.Order(),
                Near
            );
        }
    }

    private static readonly IEqualityComparer<double> Near = EqualityComparer<double>.Create((a, b) => Math.Abs(a - b) < 1e-6, _ => 0);

    /// <summary>Whether a point lies in a piece, its slanting edge cut off.</summary>
    private static bool Holds(HouseWish wish, HousePiece piece, IndexedPointInAreaLocator inside, Point3 at)
    {
        var from = at - piece.Corner;
        double Dot(Point3 a, Point3 b) => (a.X * b.X) + (a.Y * b.Y) + (a.Z * b.Z);
        var behind = -Dot(from, piece.Out);
        if (behind < 0 || behind > wish.Thickness)
            return false;
        if (inside.Locate(new Coordinate(Dot(from, piece.Along), Dot(from, piece.Up))) != Location.Interior)
            return false;
        return piece.Bevel == 0
            || (
                piece.Name.EndsWith("wall", StringComparison.Ordinal) ? at.Z <= Underside(wish, at.X)
                : piece.Name == "left roof" ? at.X <= wish.Width / 2
                : at.X >= wish.Width / 2
            );
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_piece_goes_through_another_and_they_weigh_what_they_fill(bool isBevelled)
    {
        var random = new Random(9);
        for (var round = 0; round < Cases.Of(8); round++)
        {
            var wish = Random(random, isBevelled) with { Chimney = 0 };
            var house = House.Of(wish);
            var pieces = house.Pieces.Select(p => (Piece: p, Inside: new IndexedPointInAreaLocator(p.Shape))).ToList();
            var (filled, shots) = (0, 150_000);
            var (w, d, h) = (wish.Width + 80, wish.Depth + 80, wish.Height + 40);
            for (var i = 0; i < shots; i++)
            {
                var at = new Point3((random.NextDouble() * w) - 40, (random.NextDouble() * d) - 40, (random.NextDouble() * h) - 10);
                var holding = pieces.Count(p => Holds(wish, p.Piece, p.Inside, at));
                Assert.True(holding <= 1, $"{holding} pieces at {at}");
                filled += holding;
            }

            // Counted points against areas times thickness; what the slanting edges take away is little.
            var share = filled / (double)shots * w * d * h / house.Volume;
            Assert.InRange(share, isBevelled ? 0.9 : 0.95, 1.05);
        }
    }

    [Fact]
    public void A_house_of_round_numbers_has_the_measures_that_a_ruler_finds()
    {
        // 120 wide, 45 degrees: the tip is 60 above the wall; the roof is (60 + 15) x 1.4142 = 106.07 long and 180 + 30 deep.
        var house = House.Of(new HouseWish(120, 180, 80, 45, 15, 5));
        Assert.Equal(
            (120, 140),
            (
                Piece(house, "front gable").Shape.EnvelopeInternal.MaxX,
                Math.Round(Piece(house, "front gable").Shape.EnvelopeInternal.MaxY, 9)
            )
        );
        Assert.Equal(
            (170, 80),
            (Piece(house, "left wall").Shape.EnvelopeInternal.MaxX, Piece(house, "left wall").Shape.EnvelopeInternal.MaxY)
        );
        var roof = Piece(house, "left roof").Shape.EnvelopeInternal;
        Assert.Equal((210, 106.07), (roof.MaxX, Math.Round(roof.MaxY, 2)));
        // Areas: gables 2 x (120 x 80 + 120 x 60 / 2), walls 2 x 170 x 80, roof 2 x 210 x 106.07.
        var area = (2 * 13_200) + (2 * 13_600) + (2 * 210 * 75 * Math.Sqrt(2));
        Assert.Equal(area * 5, house.Volume, 0.01);
        Assert.Equal(area * 5 / 1000 * 1.25, house.DoughGrams(1.25), 0.001);
        // Cut slanting: 5 mm x tan 45 more.
        var bevelled = House.Of(new HouseWish(120, 180, 80, 45, 15, 5) { IsBevelled = true });
        Assert.Equal(85, Piece(bevelled, "left wall").Shape.EnvelopeInternal.MaxY, 1e-9);
        Assert.Equal(roof.MaxY + 5, Piece(bevelled, "left roof").Shape.EnvelopeInternal.MaxY, 1e-9);
        Assert.True(bevelled.IcingGrams < house.IcingGrams);
    }

    [Fact]
    public void Door_windows_base_and_chimney_are_cut_and_counted()
    {
        var plain = House.Of(new HouseWish(150, 150, 100, 40, 10, 5));
        var full = House.Of(
            new HouseWish(150, 150, 100, 40, 10, 5)
            {
                DoorWidth = 40,
                DoorHeight = 60,
                Windows = 2,
                WindowSize = 20,
                Chimney = 30,
                BaseMargin = 25,
            }
        );
        Assert.Equal(2400, Piece(plain, "front gable").Shape.Area - Piece(full, "front gable").Shape.Area, 1e-6);
        Assert.Equal(800, Piece(plain, "left wall").Shape.Area - Piece(full, "left wall").Shape.Area, 1e-6);
        Assert.Equal(200 * 200, Piece(full, "base").Shape.Area, 1e-6);
        Assert.Equal(4, full.Pieces.Count(p => p.Name.StartsWith("chimney", StringComparison.Ordinal)));
        Assert.All(full.Pieces, p => Assert.True(p.Shape.IsValid && p.Shape.Area > 0, p.Name));
        // The foot of the chimney stands on the roof's upper face.
        var cheek = Piece(full, "chimney, front");
        var slope = Math.Tan(40 * Math.PI / 180);
        foreach (var foot in cheek.Shape.Coordinates.Where(c => c.Y < 27))
        {
            var at = cheek.At(foot.X, foot.Y);
            Assert.Equal(Underside(full.Wish, at.X) + (5 / Math.Cos(40 * Math.PI / 180)), at.Z, 1e-6);
        }

        Assert.True(slope > 0);
    }

    [Theory]
    [InlineData(120, 180, 80, 5, 15, 5, "slopes 10 to 75")]
    [InlineData(120, 180, 80, 11, 15, 12, "it would lie flat")]
    [InlineData(40, 180, 80, 60, 5, 8, "no room inside")]
    [InlineData(120, 180, 20, 60, 30, 5, "reach the ground")]
    [InlineData(5, 180, 80, 45, 5, 5, "3 to 60 cm wide")]
    [InlineData(120, 180, 80, 45, 5, double.NaN, "2 to 20 mm thick")]
    [InlineData(120, 180, 80, 45, 5, 0, "2 to 20 mm thick")]
    public void A_house_that_cannot_be_says_why(
        double width,
        double depth,
        double high,
        double pitch,
        double over,
        double thick,
        string said
    )
    {
        var wish = new HouseWish(width, depth, high, pitch, over, thick);
        Assert.Contains(wish.Faults(), f => f.Wrong.Contains(said, StringComparison.Ordinal));
        Assert.Throws<ArgumentException>(() => House.Of(wish));
    }
}
