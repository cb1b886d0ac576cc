using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Shaping;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>Ropes, plaits, slices and squares.</summary>
public sealed class ShapingTests
{
    [Theory]
    [InlineData(1500, 0, 3, 2)]
    [InlineData(1240, 40, 6, 1)]
    [InlineData(900, 25, 1, 12)]
    public void Pieces_and_what_is_set_aside_are_all_of_the_dough(double dough, double aside, int strands, int count)
    {
        var typed = new Dictionary<string, string>
        {
            ["dough"] = $"{dough}",
            ["aside"] = $"{aside}",
            ["into"] = $"{strands}",
            ["count"] = $"{count}",
        };
        var (says, asked) = CalculatorShelf.At("division")!.Answer(typed.GetValueOrDefault);
        Assert.Empty(asked.Wrong);
        Assert.Equal(dough - aside, says.Values.Single(v => v.Name == "each").Value * strands * count, 1.0);
    }

    [Fact]
    public void A_rope_holds_its_dough()
    {
        var across = Plait.RopeThickness(250, 400);
        Assert.Equal(250, Math.PI / 4 * across * across * 400 / 1000 * 1.1, 1e-6);
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void Each_move_keeps_all_strands_and_says_of_each_that_it_passes_whether_over_or_under(int strands)
    {
        var plait = Plait.Of(strands);
        Assert.All(plait.Round, m => Assert.Equal(Math.Abs(m.To - m.From), m.Over.Length));
        Assert.All(plait.Places(40), row => Assert.Equal(Enumerable.Range(0, strands), row.Order()));
        // Every strand comes to every side sooner or later: none hangs loose.
        var rows = plait.Places(8 * strands);
        Assert.All(Enumerable.Range(0, strands), s => Assert.Contains(rows, r => r[0] == s));
        Assert.All(Enumerable.Range(0, strands), s => Assert.Contains(rows, r => r[^1] == s));
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void No_strand_can_be_lifted_off_since_each_goes_over_some_and_under_others(int strands)
    {
        var plait = Plait.Of(strands);
        var places = plait.Places(12 * strands);
        var (over, under) = (new int[strands], new int[strands]);
        for (var i = 0; i + 1 < places.Length; i++)
        {
            var move = plait.Round[i % plait.Round.Length];
            var moved = places[i][move.From];
            var step = Math.Sign(move.To - move.From);
            for (var k = 0; k < move.Over.Length; k++)
            {
                var passed = places[i][move.From + ((k + 1) * step)];
                (move.Over[k] ? over : under)[moved]++;
                (move.Over[k] ? under : over)[passed]++;
            }
        }

        Assert.All(over, n => Assert.True(n > 3));
        Assert.All(under, n => Assert.True(n > 3));
    }

    [Fact]
    public void The_plait_of_three_alternates_over_and_under_for_every_strand()
    {
        var plait = Plait.Of(3);
        var places = plait.Places(24);
        var last = new bool?[3];
        for (var i = 0; i + 1 < places.Length; i++)
        {
            var move = plait.Round[i % 2];
            var (moved, passed) = (places[i][move.From], places[i][move.To]);
            Assert.NotEqual(true, last[moved]);
            Assert.NotEqual(false, last[passed]);
            (last[moved], last[passed]) = (true, false);
        }
    }

    [Fact]
    public void The_first_moves_of_six_strands() => Assert.Equal("501234", string.Concat(Plait.Of(6).Places(1)[1]));

    [Fact]
    public void The_most_even_cut_is_the_best_of_all_rows_and_columns()
    {
        var random = new Random(4);
        for (var run = 0; run < 300; run++)
        {
            var (length, width, pieces) = (100 + (random.NextDouble() * 400), 100 + (random.NextDouble() * 400), random.Next(1, 80));
            var cut = SquaresOfTin.Of(length, width, pieces);
            Assert.Equal(pieces, cut.Pieces);
            Assert.Equal(length * width, cut.Length * cut.Width * pieces, length * width * 1e-9);
            var worst = Math.Max(cut.Length / cut.Width, cut.Width / cut.Length);
            for (var a = 1; a <= pieces; a++)
            for (var b = 1; b <= pieces; b++)
                if (a * b == pieces)
                    Assert.True(worst <= Math.Max(length / a / (width / b), width / b / (length / a)) + 1e-9);
        }
    }

    [Theory]
    [InlineData(6, 4)]
    [InlineData(1, 5)]
    [InlineData(1, 1)]
    [InlineData(2, 2)]
    [InlineData(3, 3)]
    public void Corners_and_edges_are_those_that_one_counts(int across, int down)
    {
        var cut = new SquaresOfTin(across, down, 10, 10);
        var (corners, edge) = (0, 0);
        for (var x = 0; x < across; x++)
        for (var y = 0; y < down; y++)
        {
            var (side, end) = (x == 0 || x == across - 1, y == 0 || y == down - 1);
            corners += side && end ? 1 : 0;
            edge += side || end ? 1 : 0;
        }

        Assert.Equal(corners, cut.Corners);
        Assert.Equal(edge, cut.AtEdge);
    }

    [Fact]
    public void Slices_lie_within_the_log_and_one_more_would_not()
    {
        var random = new Random(9);
        for (var run = 0; run < 500; run++)
        {
            var (length, width) = (100 + (random.NextDouble() * 400), 20 + (random.NextDouble() * 80));
            var (thick, degrees) = (5 + (random.NextDouble() * 25), 25 + (random.NextDouble() * 65));
            var slices = LogSlices.Of(length, width, thick, degrees);
            // The last slice's far edge, on the side where it reaches furthest.
            double End(int count) => (count * thick / Math.Sin(degrees * Math.PI / 180)) + (width / Math.Tan(degrees * Math.PI / 180));
            Assert.True(slices.Count == 0 || End(slices.Count) <= length + 1e-6);
            Assert.True(End(slices.Count + 1) > length - 1e-6);
        }
    }

    [Fact]
    public void Straight_slices_lose_no_ends()
    {
        var slices = LogSlices.Of(300, 80, 15, 90);
        Assert.Equal(20, slices.Count);
        Assert.Equal(80, slices.Long, 1e-6);
        Assert.Equal(0, slices.EndLoss, 1e-6);
    }
}
