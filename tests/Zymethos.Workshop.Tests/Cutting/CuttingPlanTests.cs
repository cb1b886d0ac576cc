using Zymethos.Workshop.Cutting;

namespace Zymethos.Workshop.Tests.Cutting;

/// <summary>Dough is neither made nor lost between cut, re-rolled and left; trays hold all that was cut.</summary>
public sealed class CuttingPlanTests
{
    private static readonly TimeSpan Quick = TimeSpan.FromSeconds(0.3);

    private static Outline Own(string name, double size) => OwnShapes.Of(name, size).Outline!;

    [Fact]
    public void A_sheet_weighs_its_area_times_its_thickness()
    {
        // 500 g at 4 mm and 1.25 g/cm3: 500 / (0.4 x 1.25) = 1,000 cm2.
        var dough = new RolledDough(500, 4, 300, 500);
        var sheets = dough.Sheets(500).ToList();
        Assert.Equal(100_000, sheets.Sum(s => s.Width * s.Length), 1.0);
        Assert.Single(sheets);
        Assert.Equal(4.0 / 3, sheets[0].Length / sheets[0].Width, 0.001);
        // Twice the board and a half: two full boards, and the rest.
        Assert.Equal(3, dough.Sheets(1875).Count());
        Assert.All(dough.Sheets(1875), s => Assert.True(s.Width <= 300.001 && s.Length <= 500.001));
        Assert.Empty(dough.Sheets(0.05));
    }

    [Theory]
    [InlineData(300, 3, 1)]
    [InlineData(900, 5, 2)]
    [InlineData(1700, 4, 3)]
    [InlineData(60, 8, 3)]
    public void Dough_is_pieces_and_loss_and_what_is_left(double grams, double thick, int rolls)
    {
        var dough = new RolledDough(grams, thick, 350, 500) { MostRolls = rolls };
        var plan = CuttingPlan.Of(dough, [new CutWish(Own("bell", 60), null), new CutWish(Own("star", 80), 9)], Quick);
        Assert.Equal(grams, plan.Rolls.Sum(r => r.PieceGrams + r.LostGrams) + plan.LeftGrams, 1e-6);
        Assert.Equal(plan.Rolls.Sum(r => r.PieceGrams), Enumerable.Range(0, 2).Sum(w => plan.Counts[w] * plan.PieceGrams(w)), 1e-6);
        for (var i = 1; i < plan.Rolls.Length; i++)
            Assert.Equal(plan.Rolls[i - 1].ScrapGrams, plan.Rolls[i].Grams, 1e-9);
        Assert.True(plan.Counts[1] <= 9 && plan.Rolls.Length <= rolls);
        Assert.Equal(plan.Rolls.Select(r => r.Number >= 3), plan.Rolls.Select(r => r.IsTough));
        // No more than the area has room for.
        Assert.True(plan.Rolls.IsEmpty || plan.Rolls[0].Counts[0] <= plan.MostByArea(0));
    }

    [Fact]
    public void More_rolls_give_more_pieces_and_thinner_dough_more_still()
    {
        int Pieces(double thick, int rolls) =>
            CuttingPlan.Of(new RolledDough(600, thick, 350, 500) { MostRolls = rolls }, [new CutWish(Own("fir", 80), null)], Quick).Counts[
                0
            ];
        Assert.True(Pieces(4, 1) < Pieces(4, 2));
        Assert.True(Pieces(4, 2) < Pieces(3, 2));
    }

    [Fact]
    public void The_dough_that_is_asked_for_gives_all_that_is_wanted()
    {
        var plan = CuttingPlan.For(
            new RolledDough(1, 4, 350, 500),
            [new CutWish(Own("round", 50), 30), new CutWish(Own("hand", 80), 10)],
            TimeSpan.FromSeconds(3)
        );
        Assert.Equal([30, 10], plan.Counts.AsEnumerable());
        var net = (30 * plan.PieceGrams(0)) + (10 * plan.PieceGrams(1));
        Assert.InRange(plan.Dough.Grams, net, net / 0.6);
    }

    [Fact]
    public void Large_pieces_bake_apart_from_small_ones_and_all_have_a_place()
    {
        var shapes = new[] { Own("round", 40), Own("star", 70), Own("bell", 150) };
        double Minutes(int i) => TrayPlan.MinutesOf(shapes[i], 10, 60);
        Assert.Equal(10, TrayPlan.MinutesOf(Own("square", 60), 10, 60), 1e-9);
        // Twice as long and wide: a quarter longer.
        Assert.Equal(1.25, TrayPlan.MinutesOf(Own("square", 120), 10, 60) / 10, 0.01);
        var plan = TrayPlan.Of(
            [new(shapes[0], 40), new(shapes[1], 20), new(shapes[2], 5)],
            240,
            330,
            12,
            2,
            Minutes,
            TimeSpan.FromSeconds(1)
        );
        Assert.Equal([40, 20, 5], Enumerable.Range(0, 3).Select(i => plan.Trays.Sum(t => t.Nest.Counts[i])));
        Assert.Empty(plan.NoRoom);
        foreach (var tray in plan.Trays)
        {
            var there = Enumerable.Range(0, 3).Where(i => tray.Nest.Counts[i] > 0).Select(Minutes).ToList();
            Assert.True(there.Max() / there.Min() < 1.19);
            // Half the room to spread is kept to the rim as well.
            foreach (var piece in tray.Nest.Pieces.Select(tray.Nest.ShapeOf))
                Assert.True(new NetTopologySuite.Geometries.Envelope(5.9, 324.1, 5.9, 234.1).Contains(piece.EnvelopeInternal));
        }

        Assert.True(plan.Trays.Select(t => t.Minutes).Distinct().Count() >= 2);
        Assert.Equal(plan.Trays.GroupBy(t => t.Minutes).Sum(g => (g.Count() + 1) / 2), plan.Waves);
    }

    [Fact]
    public void What_is_larger_than_a_tray_is_named()
    {
        var plan = TrayPlan.Of([new(Own("square", 300), 2), new(Own("round", 50), 3)], 240, 330, 12, 1, _ => 10, Quick);
        Assert.Equal([0], plan.NoRoom.AsEnumerable());
        Assert.Equal(3, plan.Trays.Sum(t => t.Nest.Counts[1]));
    }
}
