using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Larder;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Larder;
using Zymethos.Store;
using Zymethos.Store.Larder;
using Zymethos.Work.House;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Larder;

/// <summary>The larder as a file of an open format, out and in.</summary>
public sealed class LarderFile(ZymethosContext context)
{
    /// <summary>What is there, and how things are bought.</summary>
    public async Task<LarderDocument> WriteAsync(CancellationToken cancel)
    {
        var goods = await context.ShopGoods.AsNoTracking().OrderBy(g => g.Name).Select(g => g.Document).ToListAsync(cancel);
        return new LarderDocument(
            LarderDocument.FormatName,
            1,
            await context.Stock.AsNoTracking().OrderBy(s => s.Name).Take(StockShelf.Most).Select(s => s.Document).ToListAsync(cancel),
            goods.Count > 0 ? goods : null
        );
    }

    /// <summary>Brings a larder in: what stands there already, by its id, is left as it is, and so is how a good is bought here; nothing
    /// comes in unless all of it can be read.</summary>
    /// <returns>What became of it in words, or what is wrong.</returns>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(ReadOnlyMemory<byte> json, CancellationToken cancel)
    {
        var (document, fault) = OpenJson.Read<LarderDocument>(json.Span);
        if (document is null)
            return ("", [fault!]);
        var faults = new List<Fault>();
        if (document.Format != LarderDocument.FormatName || document.Version != 1)
            faults.Add(new Fault("format", $"A larder says “{LarderDocument.FormatName}”, version 1, here."));
        if (document.Stock.Count > StockShelf.Most || (document.Goods?.Count ?? 0) > StockShelf.Most)
            faults.Add(new Fault("stock", $"A larder holds up to {StockShelf.Most} things."));
        faults.AddRange(
            document.Stock.Select((s, i) => new Fault($"stock[{i}]", StockShelf.Wrong(s))).Where(f => f.Message.Length > 0).Take(20)
        );
        faults.AddRange(
            (document.Goods ?? [])
                .Select((g, i) => (Good: g, At: $"goods[{i}]"))
                .Where(g =>
                    string.IsNullOrWhiteSpace(g.Good.Name)
                    || g.Good.Name.Length > 120
                    || (g.Good.Packages ?? []).Any(p => p is not (> 0 and <= 1_000_000))
                    || g.Good.Price is < 0 or > 100_000
                    || (g.Good.Codes ?? []).Any(c => PackageCode.Read(c.Code) != c.Code)
                )
                .Select(g => new Fault(g.At, "A good has a name, packages above 0, a price of 0 to 100,000, and codes of 14 digits."))
        );
        if (faults.Count > 0)
            return ("", faults);
        var own = context.KitchenId!.Value;
        // Ids of another kitchen of this house stay there: here each thing has one of its own, always the same.
        Guid Here(Guid id) => OwnId.Of(own, id);
        var known = (await context.Stock.Select(s => s.Id).ToListAsync(cancel)).ToHashSet();
        var goods = (await context.ShopGoods.Select(g => g.Name).ToListAsync(cancel)).ToHashSet(StringComparer.Ordinal);
        var came = 0;
        foreach (var thing in document.Stock)
        {
            var id = Guid.Parse(thing.Id);
            if (known.Contains(id) || !known.Add(Here(id)))
                continue;
            context.Stock.Add(
                new StockRow
                {
                    Id = Here(id),
                    Name = thing.Name,
                    Document = thing with { Id = Here(id).ToString() },
                }
            );
            came++;
        }

        foreach (var good in (document.Goods ?? []).Where(g => goods.Add(g.Name.ToLowerInvariant())))
            context.ShopGoods.Add(new ShopGoodRow { Name = good.Name.ToLowerInvariant(), Document = good });
        await context.SaveChangesAsync(cancel);
        return ($"{(came == 1 ? "1 thing" : $"{came} things")} came onto the shelf.", []);
    }
}
