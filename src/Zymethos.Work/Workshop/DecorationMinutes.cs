using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;

namespace Zymethos.Work.Workshop;

/// <summary>How long decorating a piece took, as the Daybook has it.</summary>
/// <param name="Name">Which bake.</param>
/// <param name="Minutes">Minutes of one pair of hands for a piece: the middle of all times.</param>
/// <param name="Times">How often it was timed.</param>
public sealed record DecorationMinutes(string Name, double Minutes, int Times)
{
    private static readonly string Work = Handwork.Of(StepKind.Work, "ice");
    private const int MostBakes = 400;

    /// <summary>Of every bake whose icing was timed and whose pieces were counted, the most often timed first.</summary>
    public static async Task<IReadOnlyList<DecorationMinutes>> OfAsync(ZymethosContext context, CancellationToken cancel)
    {
        var bakes = await context
            .PastBakes.AsNoTracking()
            .OrderByDescending(b => b.Date)
            .Take(MostBakes)
            .Select(b => b.Document)
            .ToListAsync(cancel);
        return Of(bakes);
    }

    /// <summary>The same from bakes at hand.</summary>
    public static IReadOnlyList<DecorationMinutes> Of(IEnumerable<PastBakeDocument> bakes) =>
        [
            .. bakes
                .Where(b => !b.LeftOut && b.Pieces is > 0)
                .Select(b => (b.Name, Minutes: (b.Hands ?? []).Where(h => h.Work == Work).Sum(h => h.Minutes), Pieces: b.Pieces!.Value))
                .Where(b => b.Minutes > 0)
                .GroupBy(b => b.Name, b => b.Minutes / b.Pieces)
                .Select(g => new DecorationMinutes(g.Key, Middle([.. g.Order()]), g.Count()))
                .OrderByDescending(d => d.Times)
                .ThenBy(d => d.Name, StringComparer.Ordinal),
        ];

    private static double Middle(List<double> sorted) =>
        sorted.Count % 2 == 1 ? sorted[sorted.Count / 2] : (sorted[(sorted.Count / 2) - 1] + sorted[sorted.Count / 2]) / 2;
}
