using Microsoft.EntityFrameworkCore;
using Zymethos.Interchange.Larder;
using Zymethos.Store;
using Zymethos.Store.Larder;

namespace Zymethos.Work.Stock;

/// <summary>Numbers under the bars of packages, as this kitchen has learned them: no list of others is asked.</summary>
public sealed class PackageCodes(ZymethosContext context)
{
    /// <summary>Most codes of a good.</summary>
    public const int MostOfAGood = 50;

    /// <summary>What a package is; null where the kitchen has not seen it yet.</summary>
    /// <param name="code">14 digits.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<(string Name, PackageCodeDocument Package)?> FindAsync(string code, CancellationToken cancel)
    {
        foreach (var good in await context.ShopGoods.AsNoTracking().Select(g => g.Document).ToListAsync(cancel))
        {
            if (good.Codes?.FirstOrDefault(c => c.Code == code) is { } known)
                return (good.Name, known);
        }

        return null;
    }

    /// <summary>Remembers what a package is; what was known of the code before is forgotten.</summary>
    public async Task LearnAsync(string name, PackageCodeDocument package, CancellationToken cancel)
    {
        var key = name.ToLowerInvariant();
        foreach (var row in await context.ShopGoods.ToListAsync(cancel))
        {
            if (row.Document.Codes?.Any(c => c.Code == package.Code) == true)
                row.Document = row.Document with { Codes = [.. row.Document.Codes.Where(c => c.Code != package.Code)] };
        }

        if (context.ShopGoods.Local.FirstOrDefault(g => g.Name == key) is { } own)
            own.Document = own.Document with { Codes = [.. (own.Document.Codes ?? []).TakeLast(MostOfAGood - 1), package] };
        else
            context.ShopGoods.Add(new ShopGoodRow { Name = key, Document = new ShopGoodDocument(name, Codes: [package]) });
        await context.SaveChangesAsync(cancel);
    }
}
