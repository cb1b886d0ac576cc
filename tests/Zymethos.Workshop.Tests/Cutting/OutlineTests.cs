using NetTopologySuite.Geometries;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Workshop.Tests.Cutting;

/// <summary>Areas, sides and necks of outlines against closed forms.</summary>
public sealed class OutlineTests
{
    private static Polygon Ring(params double[] flat) =>
        new GeometryFactory().CreatePolygon(
            [
                .. Enumerable
                    .Range(0, (flat.Length / 2) + 1)
                    .Select(i => new Coordinate(flat[2 * i % flat.Length], flat[((2 * i) + 1) % flat.Length])),
            ]
        );

    [Fact]
    public void Areas_are_those_of_the_closed_forms()
    {
        // A regular polygon of n corners in a circle: n/2 r2 sin(2 pi / n); the circle's own area within 2 in 1,000.
        Assert.Equal(32 * 2500 * Math.Sin(2 * Math.PI / 64), OwnShapes.Of("round", 100).Outline!.Area, 0.01);
        Assert.Equal(1, OwnShapes.Of("round", 100).Outline!.Area / (Math.PI * 2500), 0.002);
        Assert.Equal(3600, OwnShapes.Of("square", 60).Outline!.Area, 1e-6);
        Assert.Equal(60 * 60 * 0.62, OwnShapes.Of("rectangle", 60).Outline!.Area, 1e-6);
        Assert.Equal(1, OwnShapes.Of("oval", 100).Outline!.Area / (Math.PI * 50 * 34), 0.002);
        // A ring is the larger disk without the smaller one.
        Assert.Equal(1, OwnShapes.Of("ring", 100).Outline!.Area / (Math.PI * (2500 - (24 * 24))), 0.003);
    }

    [Fact]
    public void Every_own_shape_has_the_size_that_was_asked_for_and_one_line()
    {
        foreach (var name in OwnShapes.Names)
        {
            foreach (var size in new[] { 5.0, 38, 120, 1000 })
            {
                var (outline, wrong) = OwnShapes.Of(name, size);
                if (size == 5 && outline is null)
                {
                    Assert.Contains("5 mm to 1 m", wrong, StringComparison.Ordinal);
                    continue;
                }

                Assert.Equal(size, Math.Max(outline!.Width, outline.Height), 1e-6);
                Assert.True(outline.Shape.IsValid && outline.Shape.EnvelopeInternal.MinX == 0 && outline.Shape.EnvelopeInternal.MinY == 0);
                Assert.InRange(outline.Longest, size - 1e-6, size * Math.Sqrt(2) + 1e-6);
            }
        }

        Assert.Equal(Math.Sqrt(2) * 60, OwnShapes.Of("square", 60).Outline!.Longest, 1e-6);
    }

    [Theory]
    [InlineData("heart", 60, "There is no outline “heart”")]
    [InlineData("round", 4, "5 mm to 1 m")]
    [InlineData("round", 1001, "5 mm to 1 m")]
    [InlineData("round", double.NaN, "5 mm to 1 m")]
    public void What_is_no_outline_is_said(string name, double size, string said)
    {
        var (outline, wrong) = OwnShapes.Of(name, size);
        Assert.Null(outline);
        Assert.Contains(said, wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_that_crosses_itself_is_refused()
    {
        Assert.Contains("crosses itself", Outline.Of("bow", Ring(0, 0, 50, 50, 50, 0, 0, 50)).Wrong, StringComparison.Ordinal);
        Assert.Contains("measures 5 mm to 1 m", Outline.Of("flat", Ring(0, 0, 50, 0, 50, 2, 0, 2)).Wrong, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(3)]
    [InlineData(6.5)]
    [InlineData(11)]
    public void A_neck_is_as_wide_as_it_is(double wide)
    {
        var (from, until) = (20 - (wide / 2), 20 + (wide / 2));
        var dumbbell = Outline
            .Of("dumbbell", Ring(0, 0, 40, 0, 40, from, 70, from, 70, 0, 110, 0, 110, 40, 70, 40, 70, until, 40, until, 40, 40, 0, 40))
            .Outline!;
        Assert.Equal(wide, dumbbell.NarrowestNeck()!.Value, 0.1);
    }

    [Theory]
    [InlineData("round")]
    [InlineData("square")]
    [InlineData("moon")]
    [InlineData("leaf")]
    public void What_only_tapers_has_no_neck(string name) => Assert.Null(OwnShapes.Of(name, 70).Outline!.NarrowestNeck());
}
