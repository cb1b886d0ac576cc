using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Tests;

/// <summary>The search for a better season in the background: what it writes, and when it writes nothing.</summary>
public sealed class SeasonWorkerTests(SeasonKitchen kitchen) : IClassFixture<SeasonKitchen>
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    /// <summary>A planned season that waits for its search, and whose plan is dearer than what is found again.</summary>
    private async Task<(Guid Id, Guid Owner)> WaitingAsync(int dearer = 1000)
    {
        var (_, season, _) = await kitchen.BegunAsync(("orchard-almond-slices", 36));
        var id = Guid.Parse(season.Split('/')[^1]);
        await using var all = kitchen.Context(null);
        var owner = (await all.Seasons.IgnoreQueryFilters().AsNoTracking().SingleAsync(s => s.Id == id)).KitchenId;
        await ChangeAsync(
            (id, owner),
            row =>
            {
                row.IsSearching = true;
                row.Plan = row.Plan! with { Cost = row.Plan.Cost + dearer, Bound = 0 };
            }
        );
        return (id, owner);
    }

    private async Task ChangeAsync((Guid Id, Guid Owner) season, Action<SeasonRow> change)
    {
        await using var context = kitchen.Context(season.Owner);
        change(await context.Seasons.SingleAsync(s => s.Id == season.Id));
        await context.SaveChangesAsync();
    }

    private async Task<SeasonRow> RowAsync((Guid Id, Guid Owner) season)
    {
        await using var context = kitchen.Context(season.Owner);
        return await context.Seasons.AsNoTracking().SingleAsync(s => s.Id == season.Id);
    }

    private async Task UntilAsync((Guid Id, Guid Owner) season, Predicate<SeasonRow> holds)
    {
        for (var end = DateTime.UtcNow + Patience; DateTime.UtcNow < end; await Task.Delay(100))
        {
            if (holds(await RowAsync(season)))
                return;
        }

        Assert.Fail("Waited in vain.");
    }

    private SeasonWorker Worker(SeasonSearch find) => new(StoreSetup.Options(kitchen.Connection), find, kitchen.Clock);

    private static SeasonPlan Find(SeasonWish wish) => SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(1)));

    /// <summary>Finds a plan at once, tells of it, and goes on until it is stopped.</summary>
    private static SeasonPlan Patient(SeasonWish wish, SeasonSettings settings, CancellationToken cancel)
    {
        var plan = Find(wish);
        settings.OnBetter?.Invoke(plan);
        cancel.WaitHandle.WaitOne(Patience);
        return plan;
    }

    [Fact]
    public async Task A_better_plan_is_kept_and_the_search_is_over()
    {
        var season = await WaitingAsync();
        var before = await RowAsync(season);
        await Worker((wish, _, _) => Find(wish)).RunAsync(season.Id, season.Owner, CancellationToken.None);
        var after = await RowAsync(season);
        Assert.False(after.IsSearching);
        Assert.True(after.Plan!.Cost < before.Plan!.Cost);
        Assert.Equal(kitchen.Clock.Now, after.PlannedAt);
    }

    [Fact]
    public async Task A_plan_that_is_no_better_is_not_kept_but_what_it_proves_is()
    {
        var season = await WaitingAsync(dearer: 0);
        var before = await RowAsync(season);
        await Worker(
                (wish, _, _) => Find(wish) is var plan ? plan with { Cost = before.Plan!.Cost + 7, Bound = before.Plan.Cost - 1 } : plan
            )
            .RunAsync(season.Id, season.Owner, CancellationToken.None);
        var after = await RowAsync(season);
        Assert.Equal((before.Plan!.Cost, before.Plan.Cost - 1, false), (after.Plan!.Cost, after.Plan.Bound, after.IsSearching));
        Assert.Equal(SeasonPlanReader.Stood(before.Plan), SeasonPlanReader.Stood(after.Plan));
    }

    [Fact]
    public async Task A_bound_is_never_above_the_plan_that_stands()
    {
        var season = await WaitingAsync(dearer: 0);
        var cost = (await RowAsync(season)).Plan!.Cost;
        await Worker((wish, _, _) => Find(wish) with { Cost = cost + 500, Bound = cost + 400 })
            .RunAsync(season.Id, season.Owner, CancellationToken.None);
        Assert.Equal(cost, (await RowAsync(season)).Plan!.Bound);
    }

    [Fact]
    public async Task What_is_found_on_the_way_is_there_before_the_search_ends_and_stopping_keeps_it()
    {
        var season = await WaitingAsync();
        var dear = (await RowAsync(season)).Plan!.Cost;
        var run = Worker(Patient).RunAsync(season.Id, season.Owner, CancellationToken.None);
        await UntilAsync(season, row => row.Plan!.Cost < dear);
        Assert.False(run.IsCompleted);
        Assert.True((await RowAsync(season)).IsSearching);
        await ChangeAsync(season, row => row.StopAsked = true);
        await run.WaitAsync(Patience / 2);
        var after = await RowAsync(season);
        Assert.False(after.IsSearching);
        Assert.True(after.Plan!.Cost < dear);
    }

    [Fact]
    public async Task A_season_changed_meanwhile_keeps_its_own_plan()
    {
        var season = await WaitingAsync();
        var run = Worker(
                (wish, settings, cancel) =>
                {
                    cancel.WaitHandle.WaitOne(Patience);
                    return Find(wish);
                }
            )
            .RunAsync(season.Id, season.Owner, CancellationToken.None);
        await ChangeAsync(season, row => row.Sheet = row.Sheet with { Name = "Another harvest" });
        var before = await RowAsync(season);
        await run.WaitAsync(Patience / 2);
        var after = await RowAsync(season);
        Assert.Equal((before.Plan!.Cost, before.PlannedAt), (after.Plan!.Cost, after.PlannedAt));
        // Whoever changed it began a search of its own, which is not ended by this one.
        Assert.True(after.IsSearching);
    }

    [Fact]
    public async Task A_season_taken_away_meanwhile_ends_the_search_quietly()
    {
        var season = await WaitingAsync();
        var run = Worker(Patient).RunAsync(season.Id, season.Owner, CancellationToken.None);
        await using (var context = kitchen.Context(season.Owner))
            await context.Seasons.Where(s => s.Id == season.Id).ExecuteDeleteAsync();
        await run.WaitAsync(Patience / 2);
        await using var look = kitchen.Context(season.Owner);
        Assert.Empty(await look.Seasons.ToListAsync());
    }

    [Fact]
    public async Task A_search_whose_instance_goes_down_is_left_for_another()
    {
        var season = await WaitingAsync();
        using var down = new CancellationTokenSource();
        var run = Worker(Patient).RunAsync(season.Id, season.Owner, down.Token);
        await down.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => run);
        Assert.True((await RowAsync(season)).IsSearching);
        await Worker((wish, _, _) => Find(wish)).RunAsync(season.Id, season.Owner, CancellationToken.None);
        Assert.False((await RowAsync(season)).IsSearching);
    }

    [Fact]
    public async Task Nothing_is_searched_for_a_season_that_waits_for_nothing()
    {
        var season = await WaitingAsync();
        await ChangeAsync(season, row => row.IsSearching = false);
        var asked = 0;
        SeasonSearch never = (wish, _, _) =>
        {
            asked++;
            return Find(wish);
        };
        await Worker(never).RunAsync(season.Id, season.Owner, CancellationToken.None);
        await Worker(never).RunAsync(Guid.NewGuid(), season.Owner, CancellationToken.None);
        // Nobody searches in another's kitchen.
        await ChangeAsync(season, row => row.IsSearching = true);
        await Worker(never).RunAsync(season.Id, Guid.NewGuid(), CancellationToken.None);
        Assert.Equal(0, asked);
    }
}
