using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Larder;

/// <summary>What a shop sells for what bakes use: never less, never in grams of eggs.</summary>
public sealed class ShoppingListTests
{
    private static readonly LocalDate Day = new(2026, 12, 5);

    private static ShopWant Want(string what, double? grams, string note = "") => new(what, grams, Day, "a cake", note);

    private static ShopLine One(params ShopWant[] wants) => Assert.Single(ShoppingList.Of(wants, [], IngredientKnowledge.Shipped));

    [Fact]
    public void Eggs_are_bought_by_the_box_with_whites_and_yolks_out_of_the_same_ones()
    {
        // Seven eggs, four whites and six yolks: thirteen eggs.
        var line = One(Want("eggs", 350), Want("egg whites", 132), Want("egg yolks", 102));
        Assert.Equal(("eggs", 13.0), (line.Good.Name, line.Need!.Value));
        Assert.DoesNotContain(" g", line.Words, StringComparison.Ordinal);
        Assert.True(line.Packages.Sum(p => p.Size * p.Count) >= 13);
        Assert.Equal("a dozen", One(Want("egg", 600)).Words);
        Assert.Equal("2 dozen", One(Want("egg", 1200)).Words);
    }

    [Fact]
    public void Zest_and_juice_share_their_fruit()
    {
        var line = One(Want("orange zest", 6), Want("orange juice", 75));
        Assert.Equal(("oranges", "1"), (line.Good.Name, line.Words));
        // Two oranges' zest and three oranges' juice: three; one to slice besides: four.
        Assert.Equal("4", One(Want("orange zest", 12), Want("orange juice", 240), Want("orange", 131)).Words);
    }

    [Fact]
    public void Butter_comes_in_its_packages_with_what_stays_over()
    {
        var own = new Dictionary<string, ImmutableArray<double>> { ["butter"] = [250] };
        var line = Assert.Single(
            ShoppingList.Of(
                [Want("butter", 400), Want("unsalted butter", 280)],
                [new OnHand("butter", 60, null, null)],
                IngredientKnowledge.Shipped,
                own
            )
        );
        Assert.Equal("3 x 250 g", line.Words);
        Assert.Equal((680.0, 60.0, 130.0), (line.Need!.Value, line.Have, line.Over));
    }

    [Fact]
    public void What_is_there_is_not_bought_and_what_is_past_its_date_is_not_there()
    {
        ShopLine With(LocalDate? bestBy) =>
            Assert.Single(ShoppingList.Of([Want("butter", 200)], [new OnHand("butter", 250, null, bestBy)], IngredientKnowledge.Shipped));
        Assert.Equal("is there", With(null).Words);
        Assert.Equal("is there", With(Day).Words);
        Assert.False(With(Day.PlusDays(-1)).IsThere);
    }

    [Fact]
    public void Lines_without_a_weight_stand_as_themselves_and_water_and_discard_are_not_bought()
    {
        Assert.Equal("for dusting", One(Want("icing sugar", null, "for dusting")).Words);
        Assert.Empty(
            ShoppingList.Of([Want("water", 300), Want("sourdough discard", 200), Want("warm water", 100)], [], IngredientKnowledge.Shipped)
        );
    }

    [Fact]
    public void What_is_bought_and_there_always_covers_what_is_used()
    {
        var random = new Random(31);
        var names = IngredientTable.All.Select(i => i.Name).ToArray();
        for (var round = 0; round < 400; round++)
        {
            var wants = Enumerable
                .Range(0, random.Next(1, 40))
                .Select(_ => Want(names[random.Next(names.Length)], Math.Round(random.NextDouble() * 1500, 1)))
                .ToList();
            var there = wants
                .Where(_ => random.NextDouble() < 0.3)
                .Select(w => new OnHand(w.Ingredient, Math.Round(random.NextDouble() * 900, 1), null, null))
                .ToList();
            var list = ShoppingList.Of(wants, there, IngredientKnowledge.Shipped);
            foreach (var line in list)
            {
                var bought = line.Good.Unit switch
                {
                    ShopUnit.Weight => Math.Ceiling(line.Buy / 5) * 5,
                    ShopUnit.Pieces when line.Packages.IsEmpty => Math.Ceiling(line.Buy - 1e-6),
                    _ => line.Packages.Sum(p => p.Size * p.Count),
                };
                Assert.True(line.Have + bought >= line.Need - 1e-6, $"{line.Good.Name}: {line.Have} + {bought} < {line.Need}");
            }

            // Back through the other way of reckoning: every want finds its good on the list, in grams.
            foreach (var want in wants.Where(w => ShopGood.Of(w.Ingredient, IngredientKnowledge.Shipped)?.Unit == ShopUnit.Packages))
            {
                var line = list.Single(l => l.Good.Name == ShopGood.Of(want.Ingredient, IngredientKnowledge.Shipped)!.Name);
                var used = wants.Where(w => IngredientTable.Find(w.Ingredient)!.Name == line.Good.Name).Sum(w => w.Grams!.Value);
                Assert.True(line.Have + line.Packages.Sum(p => p.Size * p.Count) >= used - 1e-6, line.Good.Name);
            }

            Assert.DoesNotContain(list, l => l.Good.Name == ShopGood.Eggs && l.Words.Contains(" g", StringComparison.Ordinal));
        }
    }

    [Theory]
    [InlineData(680, new double[] { 250 }, "3x250")]
    [InlineData(680, new double[] { 250, 500 }, "1x500 1x250")]
    [InlineData(2600, new double[] { 250, 1000 }, "2x1000 3x250")]
    [InlineData(1230, new double[] { 113, 250, 454 }, "5x250")]
    [InlineData(300, new double[] { 113, 454 }, "3x113")]
    [InlineData(13, new double[] { 6, 10, 12 }, "1x10 1x6")]
    [InlineData(18, new double[] { 6, 10, 12 }, "1x12 1x6")]
    [InlineData(0, new double[] { 250 }, "")]
    [InlineData(1160, new double[] { 113, 250 }, "5x250")]
    [InlineData(1160, new double[] { 113, 250, 500 }, "2x500 1x250")]
    public void Packages_are_few_and_leave_little_over(double wanted, double[] sizes, string taken) =>
        Assert.Equal(
            taken,
            string.Join(
                " ",
                PackageChoice
                    .For(wanted, sizes)
                    .Select(p => $"{p.Count}x{p.Size.ToString(System.Globalization.CultureInfo.InvariantCulture)}")
            )
        );

    [Fact]
    public void No_fewer_packages_leave_as_little_over()
    {
        var random = new Random(8);
        for (var round = 0; round < 300; round++)
        {
            var sizes = Enumerable.Range(0, random.Next(1, 4)).Select(_ => (double)random.Next(20, 400)).Distinct().ToArray();
            var wanted = random.Next(1, 1500);
            var taken = PackageChoice.For(wanted, sizes);
            // What making up each total counts, for each set of sizes by itself, reckoned from below; int.MaxValue for none.
            var fewest = Enumerable.Repeat(int.MaxValue, 2000).ToArray();
            for (var set = 1; set < 1 << sizes.Length; set++)
            {
                var own = sizes.Where((_, i) => (set & (1 << i)) != 0).ToArray();
                var reach = Enumerable.Repeat(int.MaxValue, 2000).ToArray();
                reach[0] = 0;
                for (var i = 0; i < reach.Length; i++)
                {
                    foreach (var size in own.Where(s => i >= s && reach[i - (int)s] < int.MaxValue))
                        reach[i] = Math.Min(reach[i], reach[i - (int)size] + 1);
                    if (reach[i] < int.MaxValue)
                        fewest[i] = Math.Min(fewest[i], reach[i] + (PackageChoice.MixedCounts * own.Count(o => o % own.Min() != 0)));
                }
            }

            var least = Array.FindIndex(fewest, wanted, f => f < int.MaxValue);
            var bears = Math.Max(least, (int)Math.Floor((wanted * 1.1) + 1e-6));
            Assert.InRange((int)taken.Sum(p => p.Size * p.Count), wanted, bears);
            Assert.Equal(
                fewest[wanted..(bears + 1)].Min(),
                taken.Sum(p => p.Count) + (PackageChoice.MixedCounts * taken.Count(p => p.Size % taken.Min(o => o.Size) != 0))
            );
        }
    }
}
