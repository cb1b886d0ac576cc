using Xunit.Abstractions;
using Zymethos.Core.Learning;

namespace Zymethos.Core.Tests.Learning;

/// <summary>What is learned of ovens and recipes is true as often as it says.</summary>
public sealed class BakeFactorsTests(ITestOutputHelper output)
{
    /// <summary>A kitchen whose ovens and recipes are off by what the priors say, and bakes in it.</summary>
    private sealed record Kitchen(Dictionary<string, double> Ovens, Dictionary<string, double> Recipes, List<BakeObservation> Bakes)
    {
        public static Kitchen Draw(Random random, int ovens, int recipes, int bakes)
        {
            double Normal(double spread) =>
                spread * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
            var own = new Kitchen(
                Enumerable.Range(0, ovens).ToDictionary(i => $"oven {i}", _ => Normal(BakeFactors.OvenSpread)),
                Enumerable.Range(0, recipes).ToDictionary(i => $"recipe {i}", _ => Normal(BakeFactors.RecipeSpread)),
                []
            );
            for (var i = 0; i < bakes; i++)
            {
                var (oven, recipe) = ($"oven {random.Next(ovens)}", $"recipe {random.Next(recipes)}");
                var planned = random.Next(10, 80);
                own.Bakes.Add(
                    new(oven, recipe, planned, planned * Math.Exp(own.Ovens[oven] + own.Recipes[recipe] + Normal(BakeFactors.Noise)))
                );
            }

            return own;
        }
    }

    [Theory]
    [InlineData(1, 6, 20)]
    [InlineData(2, 4, 12)]
    [InlineData(1, 12, 60)]
    public void The_band_holds_the_truth_nine_times_of_ten(int ovens, int recipes, int bakes)
    {
        var (held, all) = (0, 0);
        for (var seed = 1; seed <= 300; seed++)
        {
            var kitchen = Kitchen.Draw(new Random(seed), ovens, recipes, bakes);
            var learned = BakeFactors.Of(kitchen.Bakes);
            foreach (var (oven, truth) in kitchen.Ovens)
                Count(learned.Oven(oven), truth);
            foreach (var (recipe, truth) in kitchen.Recipes)
                Count(learned.Recipe(recipe), truth);
            foreach (var (oven, o) in kitchen.Ovens)
            {
                foreach (var (recipe, r) in kitchen.Recipes)
                    Count(learned.Of(oven, recipe), o + r);
            }
        }

        var share = (double)held / all;
        output.WriteLine($"{ovens} ovens, {recipes} recipes, {bakes} bakes: {share:0.000} of {all} inside");
        Assert.InRange(share, 0.88, 0.92);

        void Count(LearnedFactor factor, double truth)
        {
            all++;
            held += Math.Exp(truth) >= factor.Low && Math.Exp(truth) <= factor.High ? 1 : 0;
        }
    }

    [Fact]
    public void It_foretells_bakes_it_has_not_seen_better_than_the_recipe_does()
    {
        var (own, learned) = (0.0, 0.0);
        for (var seed = 1; seed <= 200; seed++)
        {
            var bakes = Kitchen.Draw(new Random(seed), 1, 6, 40).Bakes;
            var factors = BakeFactors.Of(bakes.Take(30));
            foreach (var b in bakes.Skip(30))
            {
                own += Math.Abs(b.ActualMinutes - b.PlannedMinutes);
                learned += Math.Abs(b.ActualMinutes - (b.PlannedMinutes * factors.Of(b.Oven, b.Recipe).Factor));
            }
        }

        output.WriteLine($"mean absolute error {own / 2000:0.00} min by the recipe, {learned / 2000:0.00} learned");
        Assert.True(learned < 0.6 * own, $"{learned} {own}");
    }

    [Fact]
    public void It_agrees_with_the_normal_equations_solved_by_hand()
    {
        var bakes = Kitchen.Draw(new Random(4), 2, 3, 15).Bakes;
        var learned = BakeFactors.Of(bakes);
        string[] names = [.. learned.Ovens, .. learned.Recipes];
        // (X'X / noise² + D) beta = X'y / noise², by Gaussian elimination.
        var n = names.Length;
        var a = new double[n, n + 1];
        for (var i = 0; i < n; i++)
            a[i, i] = 1 / Math.Pow(i < learned.Ovens.Count ? BakeFactors.OvenSpread : BakeFactors.RecipeSpread, 2);
        foreach (var b in bakes)
        {
            var x = names.Select(name => name == b.Oven || name == b.Recipe ? 1.0 : 0).ToArray();
            for (var i = 0; i < n; i++)
            {
                for (var j = 0; j < n; j++)
                    a[i, j] += x[i] * x[j] / (BakeFactors.Noise * BakeFactors.Noise);
                a[i, n] += x[i] * Math.Log(b.ActualMinutes / b.PlannedMinutes) / (BakeFactors.Noise * BakeFactors.Noise);
            }
        }

        for (var p = 0; p < n; p++)
        {
            for (var i = 0; i < n; i++)
            {
                if (i == p)
                    continue;
                var factor = a[i, p] / a[p, p];
                for (var j = p; j <= n; j++)
                    a[i, j] -= factor * a[p, j];
            }
        }

        for (var i = 0; i < n; i++)
        {
            var mean = i < learned.Ovens.Count ? learned.Oven(names[i]).Mean : learned.Recipe(names[i]).Mean;
            Assert.Equal(a[i, n] / a[i, i], mean, 9);
        }
    }

    [Fact]
    public void Without_bakes_nothing_moves_and_one_bake_moves_little()
    {
        var nothing = BakeFactors.Of([]);
        Assert.Equal(1, nothing.Of("oven", "loaf").Factor);
        Assert.False(nothing.Oven("oven").IsSure);
        // One bake that took a fifth longer: the oven is believed to be off by much less.
        var one = BakeFactors.Of([new("oven", "loaf", 50, 60)]);
        Assert.InRange(one.Oven("oven").Factor, 1.01, 1.10);
        Assert.Equal(1, one.Oven("oven").Bakes);
        Assert.Equal(1, one.Of("another", "cake").Factor);
    }

    [Fact]
    public void An_oven_that_is_fast_with_everything_is_told_from_a_recipe_that_is_slow()
    {
        var bakes = new List<BakeObservation>();
        for (var i = 0; i < 24; i++)
        {
            var recipe = $"recipe {i % 6}";
            bakes.Add(new("oven", recipe, 50, 50 * 0.92 * (recipe == "recipe 3" ? 1.25 : 1)));
        }

        var learned = BakeFactors.Of(bakes);
        Assert.InRange(learned.Oven("oven").Factor, 0.90, 0.99);
        Assert.True(learned.Recipe("recipe 3").IsSure);
        Assert.InRange(learned.Recipe("recipe 3").Factor, 1.1, 1.3);
        Assert.InRange(learned.Of("oven", "recipe 0").Factor, 0.90, 0.94);
    }

    [Fact]
    public void A_bake_that_was_forgotten_in_the_oven_is_named()
    {
        var bakes = Enumerable.Range(0, 12).Select(i => new BakeObservation("oven", $"recipe {i % 3}", 40, 40 + (i % 2))).ToList();
        var forgotten = new BakeObservation("oven", "recipe 1", 40, 75);
        Assert.Equal(forgotten, Assert.Single(BakeFactors.Of([.. bakes, forgotten]).OddOnes()));
        Assert.Empty(BakeFactors.Of(bakes).OddOnes());
    }

    [Fact]
    public void What_is_odd_is_what_learning_from_all_others_finds_odd()
    {
        for (var seed = 1; seed <= 20; seed++)
        {
            var random = new Random(seed);
            var bakes = Kitchen.Draw(random, 2, 4, 25).Bakes;
            // Some were forgotten, by little and by much.
            for (var i = 0; i < 4; i++)
                bakes[i] = bakes[i] with { ActualMinutes = bakes[i].ActualMinutes * (1.1 + (0.15 * i)) };
            var anew = bakes.Where(b =>
            {
                var others = BakeFactors.Of(bakes.Where(o => o != b)).Next(b.Oven, b.Recipe);
                return Math.Abs(b.Log - others.Mean) / others.Spread > BakeFactors.Odd;
            });
            Assert.Equal(anew.OrderBy(b => b.ActualMinutes), BakeFactors.Of(bakes).OddOnes().OrderBy(b => b.ActualMinutes));
        }
    }

    [Theory]
    [InlineData(0, 30)]
    [InlineData(40, 0)]
    [InlineData(40, -5)]
    [InlineData(40, double.NaN)]
    [InlineData(40, double.PositiveInfinity)]
    [InlineData(30, 2400)]
    public void What_cannot_have_been_is_left_out(double planned, double actual) =>
        Assert.Empty(BakeFactors.Of([new("oven", "loaf", planned, actual)]).Bakes);
}
