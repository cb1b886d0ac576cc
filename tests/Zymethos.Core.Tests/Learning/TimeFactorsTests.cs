using Xunit.Abstractions;
using Zymethos.Core.Learning;

namespace Zymethos.Core.Tests.Learning;

/// <summary>What is learned of ovens and recipes is true as often as it says.</summary>
public sealed class TimeFactorsTests(ITestOutputHelper output)
{
    /// <summary>A kitchen whose ovens and recipes are off by what the priors say, and bakes in it.</summary>
    private sealed record Kitchen(Dictionary<string, double> Ovens, Dictionary<string, double> Recipes, List<TimeObservation> Bakes)
    {
        public static Kitchen Draw(Random random, int ovens, int recipes, int bakes)
        {
            double Normal(double spread) =>
                spread * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
            var own = new Kitchen(
                Enumerable.Range(0, ovens).ToDictionary(i => $"oven {i}", _ => Normal(FactorPriors.Bakes.Doer)),
                Enumerable.Range(0, recipes).ToDictionary(i => $"recipe {i}", _ => Normal(FactorPriors.Bakes.Work)),
                []
            );
            for (var i = 0; i < bakes; i++)
            {
                var (oven, recipe) = ($"oven {random.Next(ovens)}", $"recipe {random.Next(recipes)}");
                var planned = random.Next(10, 80);
                own.Bakes.Add(
                    new(oven, recipe, planned, planned * Math.Exp(own.Ovens[oven] + own.Recipes[recipe] + Normal(FactorPriors.Bakes.Noise)))
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
            var learned = TimeFactors.Of(kitchen.Bakes);
            foreach (var (oven, truth) in kitchen.Ovens)
                Count(learned.Doer(oven), truth);
            foreach (var (recipe, truth) in kitchen.Recipes)
                Count(learned.Work(recipe), truth);
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
            var factors = TimeFactors.Of(bakes.Take(30));
            foreach (var b in bakes.Skip(30))
            {
                own += Math.Abs(b.ActualMinutes - b.PlannedMinutes);
                learned += Math.Abs(b.ActualMinutes - (b.PlannedMinutes * factors.Of(b.Doer, b.Work).Factor));
            }
        }

        output.WriteLine($"mean absolute error {own / 2000:0.00} min by the recipe, {learned / 2000:0.00} learned");
        Assert.True(learned < 0.6 * own, $"{learned} {own}");
    }

    [Fact]
    public void It_agrees_with_the_normal_equations_solved_by_hand()
    {
        var bakes = Kitchen.Draw(new Random(4), 2, 3, 15).Bakes;
        var learned = TimeFactors.Of(bakes);
        string[] names = [.. learned.Doers, .. learned.Works];
        // (X'X / noise² + D) beta = X'y / noise², by Gaussian elimination.
        var n = names.Length;
        var a = new double[n, n + 1];
        for (var i = 0; i < n; i++)
            a[i, i] = 1 / Math.Pow(i < learned.Doers.Count ? FactorPriors.Bakes.Doer : FactorPriors.Bakes.Work, 2);
        foreach (var b in bakes)
        {
            var x = names.Select(name => name == b.Doer || name == b.Work ? 1.0 : 0).ToArray();
            for (var i = 0; i < n; i++)
            {
                for (var j = 0; j < n; j++)
                    a[i, j] += x[i] * x[j] / (FactorPriors.Bakes.Noise * FactorPriors.Bakes.Noise);
                a[i, n] += x[i] * Math.Log(b.ActualMinutes / b.PlannedMinutes) / (FactorPriors.Bakes.Noise * FactorPriors.Bakes.Noise);
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
            var mean = i < learned.Doers.Count ? learned.Doer(names[i]).Mean : learned.Work(names[i]).Mean;
            Assert.Equal(a[i, n] / a[i, i], mean, 9);
        }
    }

    [Fact]
    public void Without_bakes_nothing_moves_and_one_bake_moves_little()
    {
        var nothing = TimeFactors.Of([]);
        Assert.Equal(1, nothing.Of("oven", "loaf").Factor);
        Assert.False(nothing.Doer("oven").IsSure);
        // One bake that took a fifth longer: the oven is believed to be off by much less.
        var one = TimeFactors.Of([new("oven", "loaf", 50, 60)]);
        Assert.InRange(one.Doer("oven").Factor, 1.01, 1.10);
        Assert.Equal(1, one.Doer("oven").Bakes);
        Assert.Equal(1, one.Of("another", "cake").Factor);
    }

    [Fact]
    public void An_oven_that_is_fast_with_everything_is_told_from_a_recipe_that_is_slow()
    {
        var bakes = new List<TimeObservation>();
        for (var i = 0; i < 24; i++)
        {
            var recipe = $"recipe {i % 6}";
            bakes.Add(new("oven", recipe, 50, 50 * 0.92 * (recipe == "recipe 3" ? 1.25 : 1)));
        }

        var learned = TimeFactors.Of(bakes);
        Assert.InRange(learned.Doer("oven").Factor, 0.90, 0.99);
        Assert.True(learned.Work("recipe 3").IsSure);
        Assert.InRange(learned.Work("recipe 3").Factor, 1.1, 1.3);
        Assert.InRange(learned.Of("oven", "recipe 0").Factor, 0.90, 0.94);
    }

    [Fact]
    public void A_bake_that_was_forgotten_in_the_oven_is_named()
    {
        var bakes = Enumerable.Range(0, 12).Select(i => new TimeObservation("oven", $"recipe {i % 3}", 40, 40 + (i % 2))).ToList();
        var forgotten = new TimeObservation("oven", "recipe 1", 40, 75);
        Assert.Equal(forgotten, Assert.Single(TimeFactors.Of([.. bakes, forgotten]).OddOnes()));
        Assert.Empty(TimeFactors.Of(bakes).OddOnes());
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
                var others = TimeFactors.Of(bakes.Where(o => o != b)).Next(b.Doer, b.Work);
                return Math.Abs(b.Log - others.Mean) / others.Spread > TimeFactors.Odd;
            });
            Assert.Equal(anew.OrderBy(b => b.ActualMinutes), TimeFactors.Of(bakes).OddOnes().OrderBy(b => b.ActualMinutes));
        }
    }

    [Theory]
    [InlineData(0.05)]
    [InlineData(0.3)]
    public void How_far_times_lie_apart_is_learned_slowly_from_what_was_taken_to_be_so(double truth)
    {
        var random = new Random(5);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        List<TimeObservation> Times(int count) =>
            [.. Enumerable.Range(0, count).Select(_ => new TimeObservation("Ada", "rolling", 20, 20 * Math.Exp(truth * Normal())))];
        var prior = FactorPriors.Hands.Noise;
        Assert.Equal(prior, TimeFactors.Of([], FactorPriors.Hands).ScatterOf("rolling"), 9);
        var many = TimeFactors.Of(Times(200), FactorPriors.Hands).ScatterOf("rolling");
        Assert.InRange(many, truth * 0.85, truth < prior ? truth * 1.6 : truth * 1.15);
        // Three times move it a part of the way.
        var few = TimeFactors.Of(Times(3), FactorPriors.Hands).ScatterOf("rolling");
        Assert.InRange(few, Math.Min(prior, truth) * 0.7, Math.Max(prior, truth) * 1.2);
    }

    [Fact]
    public void Hands_that_are_slow_at_everything_are_told_from_work_that_is_slow_for_everybody()
    {
        var times = new List<TimeObservation>();
        for (var i = 0; i < 40; i++)
        {
            var (who, work) = (i % 2 == 0 ? "Ada" : "Ben", i % 4 < 2 ? "rolling" : "icing");
            times.Add(new(who, work, 20, 20 * (who == "Ben" ? 1.4 : 1) * (work == "icing" ? 1.3 : 1)));
        }

        var hands = TimeFactors.Of(times, FactorPriors.Hands);
        Assert.InRange(hands.Doer("Ben").Factor / hands.Doer("Ada").Factor, 1.3, 1.45);
        Assert.InRange(hands.Work("icing").Factor / hands.Work("rolling").Factor, 1.2, 1.35);
        Assert.InRange(hands.Of("Ben", "icing").Factor, 1.7, 1.85);
    }

    [Fact]
    public void What_is_the_doers_alone_is_all_the_doers()
    {
        var feeds = Enumerable.Range(0, 12).Select(_ => new TimeObservation("starter", "", 300, 375)).ToList();
        var rises = TimeFactors.Of(feeds, FactorPriors.Rises);
        Assert.InRange(rises.Doer("starter").Factor, 1.22, 1.25);
        Assert.True(rises.Doer("starter").IsSure);
        Assert.Empty(rises.Works);
        Assert.Empty(rises.OddOnes());
        // Beside a dough that it raises, it stays so, and the dough is told apart.
        var both = TimeFactors.Of(
            [.. feeds, .. Enumerable.Range(0, 6).Select(_ => new TimeObservation("starter", "loaf", 100, 100))],
            FactorPriors.Rises
        );
        Assert.InRange(both.Doer("starter").Factor, 1.15, 1.25);
        Assert.True(both.Work("loaf").High < 1);
    }

    [Theory]
    [InlineData(0, 30)]
    [InlineData(40, 0)]
    [InlineData(40, -5)]
    [InlineData(40, double.NaN)]
    [InlineData(40, double.PositiveInfinity)]
    [InlineData(30, 2400)]
    public void What_cannot_have_been_is_left_out(double planned, double actual) =>
        Assert.Empty(TimeFactors.Of([new("oven", "loaf", planned, actual)]).Bakes);
}
