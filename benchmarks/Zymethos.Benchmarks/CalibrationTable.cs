using System.Globalization;
using System.Text;
using MathNet.Numerics.Distributions;
using Zymethos.Core.Learning;

namespace Zymethos.Benchmarks;

/// <summary>Draws kitchens whose ovens and recipes are off by what the priors say, has them learned from their bakes, and counts how often
/// the truth lies within the band, for bands of every width.</summary>
internal static class CalibrationTable
{
    private const string File = "docs/calibration.svg";
    private static readonly double[] Widths = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95];

    /// <summary>Prints the table and draws it.</summary>
    public static void Print(int kitchens)
    {
        var held = new int[Widths.Length];
        var all = 0;
        var half = Widths.Select(w => Normal.InvCDF(0, 1, (1 + w) / 2)).ToArray();
        for (var seed = 1; seed <= kitchens; seed++)
        {
#pragma warning disable CA5394 // A drawn kitchen is no secret.
            var random = new Random(seed);
            double Draw(double spread) => Normal.Sample(random, 0, spread);
            var prior = FactorPriors.Bakes;
            var ovens = Enumerable.Range(0, random.Next(1, 3)).ToDictionary(i => $"oven {i}", _ => Draw(prior.Doer));
            var recipes = Enumerable.Range(0, random.Next(3, 14)).ToDictionary(i => $"recipe {i}", _ => Draw(prior.Work));
            var bakes = new List<TimeObservation>();
            for (var i = random.Next(5, 70); i > 0; i--)
            {
                var (oven, recipe) = (ovens.ElementAt(random.Next(ovens.Count)), recipes.ElementAt(random.Next(recipes.Count)));
                bakes.Add(new(oven.Key, recipe.Key, 40, 40 * Math.Exp(oven.Value + recipe.Value + Draw(prior.Noise))));
            }
#pragma warning restore CA5394
            var learned = TimeFactors.Of(bakes);
            foreach (var (oven, truth) in ovens)
                Count(learned.Doer(oven), truth);
            foreach (var (recipe, truth) in recipes)
                Count(learned.Work(recipe), truth);
        }

        for (var w = 0; w < Widths.Length; w++)
            Console.WriteLine(
                string.Create(CultureInfo.InvariantCulture, $"{Widths[w]:0.00} said, {(double)held[w] / all:0.000} held, of {all}")
            );
        System.IO.File.WriteAllText(File, Drawn(held, all, kitchens));
        Console.WriteLine(File);

        void Count(LearnedFactor factor, double truth)
        {
            all++;
            for (var w = 0; w < Widths.Length; w++)
                held[w] += Math.Abs(truth - factor.Mean) <= half[w] * factor.Spread ? 1 : 0;
        }
    }

    private static string Drawn(int[] held, int all, int kitchens)
    {
        const int size = 360;
        const int edge = 46;
        string X(double share) => (edge + (share * (size - edge - 14))).ToString("0.#", CultureInfo.InvariantCulture);
        string Y(double share) => (size - edge - (share * (size - edge - 14))).ToString("0.#", CultureInfo.InvariantCulture);
        var svg = new StringBuilder();
        svg.AppendLine(
            CultureInfo.InvariantCulture,
            $"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {size} {size}" font-family="sans-serif" font-size="12">"""
        );
        svg.AppendLine(
            CultureInfo.InvariantCulture,
            $"<title>How often a band holds the truth: {kitchens} drawn kitchens, {all} values</title>"
        );
        svg.AppendLine("""<rect width="100%" height="100%" fill="#fdf9f0"/>""");
        foreach (var share in new[] { 0, 0.25, 0.5, 0.75, 1 })
        {
            svg.AppendLine(
                CultureInfo.InvariantCulture,
                $"""<path d="M{X(share)} {Y(0)}V{Y(1)}M{X(0)} {Y(share)}H{X(1)}" stroke="#d8c7a6" fill="none"/>"""
            );
            svg.AppendLine(
                CultureInfo.InvariantCulture,
                $"""<text x="{X(share)}" y="{size - 28}" text-anchor="middle">{share:0.##}</text>"""
            );
            svg.AppendLine(CultureInfo.InvariantCulture, $"""<text x="{edge - 6}" y="{Y(share)}" text-anchor="end">{share:0.##}</text>""");
        }

        svg.AppendLine(CultureInfo.InvariantCulture, $"""<path d="M{X(0)} {Y(0)}L{X(1)} {Y(1)}" stroke="#2a1a10" fill="none"/>""");
        for (var w = 0; w < Widths.Length; w++)
            svg.AppendLine(
                CultureInfo.InvariantCulture,
                $"""<circle cx="{X(Widths[w])}" cy="{Y((double)held[w] / all)}" r="5" fill="#7c3c14"/>"""
            );
        svg.AppendLine(
            CultureInfo.InvariantCulture,
            $"""<text x="{size / 2}" y="{size - 8}" text-anchor="middle">chance that the band says</text>"""
        );
        svg.AppendLine("""<text x="10" y="12">share of bands that held the truth</text>""");
        return svg.Append("</svg>\n").ToString();
    }
}
