using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Daybooks;

namespace Zymethos.Work.Daybooks;

/// <summary>A cake that keeps and is fed, with what it was given.</summary>
/// <param name="Bake">The bake.</param>
/// <param name="Plan">How its recipe has it fed.</param>
/// <param name="Feeds">What it was given, the first first.</param>
public sealed record FedCake(PastBakeRow Bake, FedKeeping Plan, IReadOnlyList<CakeFeedDocument> Feeds)
{
    /// <summary>When it is to be fed next; null where it has had its feeds.</summary>
    public LocalDate? NextFeed =>
        Feeds.Count >= Plan.Feeds ? null
        : Last is { } last ? last.PlusDays((int)Math.Round(Plan.Between.TotalDays))
        : Bake.Date;

    /// <summary>When it has rested for as long as the recipe usually has it; null while feeds are due.</summary>
    public LocalDate? BestFrom => NextFeed is null && Last is { } last ? last.PlusDays((int)Math.Round(Plan.Rest.TotalDays)) : null;

    private LocalDate? Last => Feeds.Count == 0 ? null : LocalMoment.Pattern.Parse(Feeds[^1].At).Value.Date;
}

/// <summary>The diary of cakes that are fed with spirit while they keep.</summary>
public sealed class CakeDiary(ZymethosContext context)
{
    /// <summary>Most feeds that are listed.</summary>
    public const int MostFeeds = 2000;

    /// <summary>How long after its baking a cake is still looked after.</summary>
    public static readonly Period LookedAfter = Period.FromDays(200);

    /// <summary>Cakes that are fed, the last baked first: bakes of recipes that feed theirs.</summary>
    /// <param name="book">The Book.</param>
    /// <param name="since">Older bakes are left out.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<IReadOnlyList<FedCake>> CakesAsync(IEnumerable<Recipe> book, LocalDate since, CancellationToken cancel)
    {
        var plans = book.Select(r => (r.Key, Plan: FedKeeping.Of(ChosenRecipe.Of(r))))
            .Where(p => p.Plan is not null)
            .ToDictionary(p => p.Key, p => p.Plan!, StringComparer.Ordinal);
        var bakes = (
            await context.PastBakes.AsNoTracking().Where(b => b.Date >= since).OrderByDescending(b => b.Date).ToListAsync(cancel)
        ).Where(b => b.Document.Recipe is { } key && plans.ContainsKey(key));
        var feeds = (await context.CakeFeeds.AsNoTracking().OrderBy(f => f.At).Take(MostFeeds).ToListAsync(cancel)).ToLookup(
            f => f.BakeId,
            f => f.Document
        );
        return [.. bakes.Select(b => new FedCake(b, plans[b.Document.Recipe!], [.. feeds[b.Id]]))];
    }

    /// <summary>Writes a feed down.</summary>
    /// <returns>Whether it was: false where the bake is gone.</returns>
    public async Task<bool> KeepAsync(CakeFeedDocument feed, CancellationToken cancel)
    {
        var bake = Guid.Parse(feed.Bake);
        if (!await context.PastBakes.AnyAsync(b => b.Id == bake, cancel))
            return false;
        context.CakeFeeds.Add(RowOf(feed));
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Deletes a feed.</summary>
    /// <returns>Whether there was one.</returns>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancel)
    {
        if (await context.CakeFeeds.SingleOrDefaultAsync(f => f.Id == id, cancel) is not { } row)
            return false;
        context.CakeFeeds.Remove(row);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>A feed as a row.</summary>
    internal static CakeFeedRow RowOf(CakeFeedDocument feed) =>
        new()
        {
            Id = Guid.Parse(feed.Id),
            BakeId = Guid.Parse(feed.Bake),
            At = LocalMoment.Pattern.Parse(feed.At).Value,
            Document = feed,
        };

    /// <summary>What in a file's feed cannot be kept, with paths of the format.</summary>
    internal static IEnumerable<Fault> Faults(CakeFeedDocument feed, string at)
    {
        if (!Guid.TryParse(feed.Id, out _))
            yield return new Fault($"{at}.id", "An id is a UUID.");
        if (!Guid.TryParse(feed.Bake, out _))
            yield return new Fault($"{at}.bake", "The id of a bake is a UUID.");
        if (!LocalMoment.Pattern.Parse(feed.At).Success)
            yield return new Fault($"{at}.at", "A moment is written like 2026-11-29T21:00.");
        if (feed.Millilitres is not (null or (>= 0 and <= 10_000)))
            yield return new Fault($"{at}.millilitres", "A feed is 0 to 10,000 ml.");
        if ((feed.Spirit?.Length ?? 0) > 120 || (feed.Note?.Length ?? 0) > PastBakeCheck.LongestText)
            yield return new Fault(at, $"A spirit has up to 120 characters, a note {PastBakeCheck.LongestText}.");
    }
}
