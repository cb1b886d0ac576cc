using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Larder;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Larder;

namespace Zymethos.Work.Seasons;

/// <summary>Something in the larder from which a season can begin.</summary>
/// <param name="Stock">Id of what is there.</param>
/// <param name="Need">Id of the need it meets, in part or whole.</param>
/// <param name="Words">What it is, in a sentence.</param>
/// <param name="Button">What a touch does.</param>
/// <param name="Pieces">Finished pieces that are taken; 0 where work is done.</param>
/// <param name="Stretch">The piece of work that is done; -1 where pieces are taken.</param>
public sealed record StockOffer(Guid Stock, string Need, string Words, string Button, int Pieces, int Stretch = -1);

/// <summary>Lets a season begin from what is there: bakes in the freezer, dough, soaking fruit.</summary>
public sealed class SeasonStock(ZymethosContext context, SeasonDesk desk)
{
    /// <summary>What the note of something says that is spoken for.</summary>
    public const string PutAside = "put aside for ";

    /// <summary>What could be taken.</summary>
    public async Task<IReadOnlyList<StockOffer>> OffersAsync(SeasonView view, CancellationToken cancel)
    {
        if (view.Plan is not { } plan)
            return [];
        var rows = await context.Stock.AsNoTracking().ToListAsync(cancel);
        return
        [
            .. from row in rows
            where
                row.Document.Kind is "bake" or "dough" or "soak"
                && row.Document.Note?.StartsWith(PutAside, StringComparison.Ordinal) != true
            from l in Enumerable.Range(0, plan.Lots.Length)
            let need = view.Wish.Needs[plan.Lots[l].Need]
            where IsOf(row.Document, need.Recipe) && view.Wish.Occasions[need.Occasion].ReadyBy > view.Now
            let offer = row.Document.Kind == "bake" ? Finished(row, need, view, plan, l) : Begun(row, need, view, plan, l)
            where offer is not null
            select offer,
        ];
    }

    /// <summary>Takes one.</summary>
    /// <returns>What is wrong; empty when it was taken.</returns>
    public async Task<IReadOnlyList<Fault>> TakeAsync(SeasonView view, Guid stock, string need, string? seen, CancellationToken cancel)
    {
        if ((await OffersAsync(view, cancel)).FirstOrDefault(o => o.Stock == stock && o.Need == need) is not { } offer)
            return [new Fault("", "That is no longer there, or no longer wanted.")];
        var wanted = view.Wish.Needs.First(n => n.Id == need);
        var faults = await desk.ChangeAsync(
            view.Row.Id,
            sheet =>
                offer.Stretch >= 0
                    ? SeasonMoves.Done(sheet, need, offer.Stretch, Since(view, stock))
                    : sheet with
                    {
                        Needs =
                        [
                            .. sheet
                                .Needs.Select(n => n.Id == need ? n with { Pieces = n.Pieces - offer.Pieces, Boxes = 0 } : n)
                                .Where(n => n.Pieces > 0),
                        ],
                    },
            $"{offer.Words} It is counted in.",
            cancel,
            seen
        );
        if (faults.Count > 0)
            return faults;
        // A note says for what it is, so that nobody eats it and it is not counted twice.
        var row = await context.Stock.SingleAsync(s => s.Id == stock, cancel);
        var note = $"{PutAside}{view.Wish.Occasions[wanted.Occasion].Name}";
        var left = (row.Document.Pieces ?? 0) - offer.Pieces;
        if (offer.Stretch < 0 && left > 0)
        {
            var aside = Guid.CreateVersion7();
            context.Stock.Add(
                new StockRow
                {
                    Id = aside,
                    Name = row.Name,
                    Document = row.Document with { Id = aside.ToString(), Pieces = offer.Pieces, Note = note },
                }
            );
            row.Document = row.Document with { Pieces = left };
        }
        else
        {
            row.Document = row.Document with { Note = note };
        }

        await context.SaveChangesAsync(cancel);
        return [];
    }

    private static bool IsOf(StockDocument thing, Recipe recipe) =>
        thing.Recipe == recipe.Key || thing.Name.Trim().Equals(recipe.Name, StringComparison.OrdinalIgnoreCase);

    private static StockOffer? Finished(StockRow row, Need need, SeasonView view, SeasonPlan plan, int lot)
    {
        // What is begun for it is not thrown away: only a need of which nothing is done yet gives pieces up.
        if (row.Document.Pieces is not (> 0 and var pieces) || plan.Placed.Any(p => p.Lot == lot && p.IsDone))
            return null;
        var occasion = view.Wish.Occasions[need.Occasion];
        if (row.Document.BestBy is { } best && LocalDatePattern.Iso.Parse(best).Value < occasion.At.Date)
            return null;
        var take = Math.Min(pieces, need.Pieces);
        return new StockOffer(
            row.Id,
            need.Id,
            $"{take} {need.Recipe.Name} {(take == 1 ? "is" : "are")} there already for {occasion.Name}"
                + $"{(row.Document.BestBy is null ? ": look whether it keeps until then." : ".")}",
            take == need.Pieces ? "Take it, and bake none" : $"Take it, and bake {need.Pieces - take} more",
            take
        );
    }

    private static StockOffer? Begun(StockRow row, Need need, SeasonView view, SeasonPlan plan, int lot)
    {
        var stretches = plan.Lots[lot].Method.Stretches;
        var baked = Enumerable
            .Range(0, stretches.Length)
            .FirstOrDefault(s => stretches[s].Recipe.Steps.Any(x => x.Kind == StepKind.Bake), -1);
        var at =
            row.Document.Kind == "soak"
                ? Enumerable.Range(0, stretches.Length).FirstOrDefault(s => stretches[s].Recipe.Steps.Any(x => x.Kind == StepKind.Soak), -1)
                : baked - 1;
        // Where nothing is cut before the oven, there is no work that dough or fruit could stand for.
        if (at < 0 || (baked >= 0 && at >= baked) || plan.Placed.Any(p => p.Lot == lot && p.IsDone && p.Stretch >= at))
            return null;
        return new StockOffer(
            row.Id,
            need.Id,
            $"{row.Name} is there already for {view.Wish.Occasions[need.Occasion].Name}.",
            $"Count “{stretches[at].Title}” as done",
            0,
            at
        );
    }

    private LocalDateTime Since(SeasonView view, Guid stock) =>
        context.Stock.Where(s => s.Id == stock).Select(s => s.Document).AsEnumerable().First().Since is { } since
        && LocalDatePattern.Iso.Parse(since).Value.At(new LocalTime(12, 0)) is var noon
        && noon < view.Now
            ? noon
            : view.Now;
}
