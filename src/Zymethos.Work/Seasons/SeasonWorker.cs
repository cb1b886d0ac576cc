using Hangfire;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Work.Seasons;

/// <summary>Looks for a better plan of a season in the background. Whatever it finds is written only while the season is still the one it
/// was asked for.</summary>
public sealed class SeasonWorker(DbContextOptions<ZymethosContext> options, SeasonSearch find, IClock clock)
{
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(300);

    /// <summary>Searches. Ends with an exception only when the instance is going down, so that another takes it up.</summary>
    /// <param name="id">The season.</param>
    /// <param name="kitchen">Whose it is.</param>
    /// <param name="goingDown">Set when this instance stops.</param>
    [AutomaticRetry(Attempts = 3, DelaysInSeconds = [1, 5, 15])]
    public async Task RunAsync(Guid id, Guid kitchen, CancellationToken goingDown)
    {
        var (row, wish) = await OpenAsync(id, kitchen, goingDown);
        if (row is null || wish is null)
            return;
        var asked = StoredJson.Text(row.Sheet);
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(goingDown);
        SeasonPlan? better = null;
        var settings = new SeasonSettings(SeasonDesk.LongLook)
        {
            Stood = row.Plan is { } before ? SeasonPlanReader.Stood(before) : new Dictionary<(string, int), LocalDateTime>(),
            OnBetter = p => Interlocked.Exchange(ref better, p),
        };
        var search = Task.Run(() => find(wish, settings, stop.Token), CancellationToken.None);
        SeasonPlan? written = null;
        while (await Task.WhenAny(search, Task.Delay(Look, CancellationToken.None)) != search)
        {
            var news = Volatile.Read(ref better);
            var goesOn =
                news is not null && news != written
                    ? await WriteAsync(id, kitchen, asked, wish, written = news, true, goingDown)
                    : await GoesOnAsync(id, kitchen, asked, goingDown);
            if (!goesOn)
                await stop.CancelAsync();
        }

        var plan = await search;
        goingDown.ThrowIfCancellationRequested();
        await WriteAsync(id, kitchen, asked, wish, plan, false, CancellationToken.None);
    }

    private ZymethosContext Open(Guid kitchen) => new(options, new FixedKitchen(kitchen));

    private async Task<(SeasonRow? Row, SeasonWish? Wish)> OpenAsync(Guid id, Guid kitchen, CancellationToken cancel)
    {
        await using var context = Open(kitchen);
        if (await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) is not { IsSearching: true } row)
            return (null, null);
        var own = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen();
        var book = (await context.Recipes.AsNoTracking().ToListAsync(cancel)).ConvertAll(r => r.ToRecipe());
        var known = new KnownKitchen(own, await KitchenBook.KnowledgeAsync(context, own.FlourHabit, cancel));
        var reader = new SeasonReader(known.For);
        var wish = reader.Read(row.Sheet, own, book, KitchenClock.At(own.Zone, clock.GetCurrentInstant()));
        return (row, reader.Faults.Count == 0 ? wish : null);
    }

    private async Task<bool> GoesOnAsync(Guid id, Guid kitchen, string asked, CancellationToken cancel)
    {
        await using var context = Open(kitchen);
        return await context.Seasons.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) is { StopAsked: false } row
            && StoredJson.Text(row.Sheet) == asked;
    }

    /// <summary>Writes a plan when it is better than the one that stands; says whether to go on.</summary>
    private async Task<bool> WriteAsync(
        Guid id,
        Guid kitchen,
        string asked,
        SeasonWish wish,
        SeasonPlan plan,
        bool goesOn,
        CancellationToken cancel
    )
    {
        await using var context = Open(kitchen);
        if (await context.Seasons.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row || StoredJson.Text(row.Sheet) != asked)
            return false;
        if (row.Plan is not { } stands || (plan.Unmet.Length, plan.Cost).CompareTo((stands.Unmet.Count, stands.Cost)) < 0)
        {
            row.Plan = SeasonWriter.Write(wish, plan);
            row.PlannedAt = clock.GetCurrentInstant();
        }
        else if (plan.Bound > stands.Bound)
        {
            row.Plan = stands with { Bound = Math.Min(plan.Bound, stands.Cost) };
        }

        row.IsSearching = goesOn && !row.StopAsked;
        try
        {
            await context.SaveChangesAsync(cancel);
            await Notices.SayAsync(context, Notices.OfSeason(id), cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            // Somebody changed the season in this very moment; what was found is for the one before.
            return await GoesOnAsync(id, kitchen, asked, cancel);
        }

        return row.IsSearching;
    }
}
