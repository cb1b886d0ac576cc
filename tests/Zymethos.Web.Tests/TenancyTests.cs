using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Larder;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Day;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Store.Books;
using Zymethos.Store.Daybooks;
using Zymethos.Store.Days;
using Zymethos.Store.Devices;
using Zymethos.Store.Kitchens;
using Zymethos.Store.Larder;
using Zymethos.Store.Parcels;
using Zymethos.Store.Seasons;
using Zymethos.Store.Tenancy;

namespace Zymethos.Web.Tests;

/// <summary>Every entity of the model, found by reflection: a kitchen neither reads nor writes what is another's.</summary>
public sealed class TenancyTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    // What belongs to no kitchen: accounts, and the keys that all instances share.
    // A sign-in belongs to an account and is only ever looked up by the id in its cookie.
    private static readonly HashSet<string> Shared =
    [
        "Baker",
        "SignInRow",
        "ClosingRow",
        "MemberRow",
        "InviteRow",
        "IdentityUserClaim`1",
        "IdentityUserLogin`1",
        "IdentityUserToken`1",
        "IdentityUserPasskey`1",
        "IdentityPasskeyData",
        "DataProtectionKey",
    ];

    // Events and passes are of a session that is there.
    private readonly Guid _session = Guid.NewGuid();

    private async Task<Guid> NewKitchenAsync()
    {
        kitchen.Visitor();
        var id = Guid.NewGuid();
        await using var context = kitchen.Context(id);
        context.Kitchens.Add(
            new KitchenRow
            {
                Id = id,
                Name = "K",
                Document = DemoKitchen.Kitchen(),
            }
        );
        await context.SaveChangesAsync();
        return id;
    }

    private static IEnumerable<Type> Owned(ZymethosContext context) =>
        context
            .Model.GetEntityTypes()
            .Select(t => t.ClrType)
            .Where(t => typeof(IKitchenOwned).IsAssignableFrom(t))
            .OrderBy(t => t == typeof(BenchSessionRow) || t == typeof(DeviceRow) ? 0 : 1);

    private static IQueryable<IKitchenOwned> Rows(ZymethosContext context, Type type) =>
        (IQueryable<IKitchenOwned>)
            typeof(DbContext).GetMethod(nameof(DbContext.Set), 1, [])!.MakeGenericMethod(type).Invoke(context, null)!;

    [Fact]
    public async Task Every_entity_belongs_to_a_kitchen_or_is_known_to_be_shared()
    {
        await using var context = kitchen.Context(null);
        var strays = context
            .Model.GetEntityTypes()
            .Where(t =>
                !typeof(IKitchenOwned).IsAssignableFrom(t.ClrType) && t.ClrType != typeof(KitchenRow) && !Shared.Contains(t.ClrType.Name)
            )
            .Select(t => t.ClrType.Name);
        Assert.Empty(strays);
        Assert.All(Owned(context), t => Assert.NotEmpty(context.Model.FindEntityType(t)!.GetDeclaredQueryFilters()));
    }

    [Fact]
    public async Task No_kitchen_reads_anothers_rows()
    {
        var (mine, other) = (await NewKitchenAsync(), await NewKitchenAsync());
        await using var own = kitchen.Context(mine);
        foreach (var type in Owned(own))
            own.Add(OwnedRows.New(type, _session));
        await own.SaveChangesAsync();
        await using var foreign = kitchen.Context(other);
        await using var nobody = kitchen.Context(null);
        foreach (var type in Owned(own))
        {
            Assert.Equal(1, await Rows(own, type).CountAsync());
            Assert.Equal(0, await Rows(foreign, type).CountAsync());
            Assert.Equal(0, await Rows(nobody, type).CountAsync());
        }

        Assert.Equal(mine, (await own.Kitchens.SingleAsync()).Id);
        Assert.Equal(other, (await foreign.Kitchens.SingleAsync()).Id);
        Assert.Empty(await nobody.Kitchens.ToListAsync());
    }

    [Fact]
    public async Task No_kitchen_writes_anothers_rows()
    {
        var (mine, other) = (await NewKitchenAsync(), await NewKitchenAsync());
        await using var probe = kitchen.Context(mine);
        foreach (var type in Owned(probe).ToList())
        {
            var row = (IKitchenOwned)OwnedRows.New(type, _session);
            await using (var own = kitchen.Context(mine))
            {
                own.Add(row);
                await own.SaveChangesAsync();
            }

            foreach (var state in new[] { EntityState.Modified, EntityState.Deleted })
            {
                await using var foreign = kitchen.Context(other);
                foreign.Attach(row).State = state;
                await Assert.ThrowsAsync<ForeignKitchenException>(() => foreign.SaveChangesAsync());
            }

            // Neither by naming the other kitchen in a new row, nor by handing a row over, nor without any kitchen at all.
            await using var smuggler = kitchen.Context(other);
            var forged = (IKitchenOwned)OwnedRows.New(type, _session);
            forged.KitchenId = mine;
            smuggler.Add(forged);
            await Assert.ThrowsAsync<ForeignKitchenException>(() => smuggler.SaveChangesAsync());
            await using var giver = kitchen.Context(mine);
            giver.Attach(row);
            row.KitchenId = other;
            // Where the kitchen is part of the key, the key itself refuses.
            await Assert.ThrowsAnyAsync<InvalidOperationException>(() => giver.SaveChangesAsync());
            await using var nobody = kitchen.Context(null);
            nobody.Add(OwnedRows.New(type, _session));
            await Assert.ThrowsAsync<ForeignKitchenException>(() => nobody.SaveChangesAsync());
        }
    }

    [Fact]
    public async Task No_kitchen_changes_another_kitchen()
    {
        var (mine, other) = (await NewKitchenAsync(), await NewKitchenAsync());
        await using var foreign = kitchen.Context(other);
        foreign
            .Attach(
                new KitchenRow
                {
                    Id = mine,
                    Name = "taken",
                    Document = DemoKitchen.Kitchen(),
                }
            )
            .State = EntityState.Modified;
        await Assert.ThrowsAsync<ForeignKitchenException>(() => foreign.SaveChangesAsync());
    }

    [Fact]
    public async Task Two_accounts_see_each_only_their_own_day()
    {
        var one = await kitchen.NewBakerAsync("see-one@home.invalid");
        await TestKitchen.PostAsync(one, "/oven-day", "#setup", new() { ["Setup.Rows[market-squash-loaf].Batches"] = "1" });
        Assert.Contains("Run sheet", await one.GetStringAsync("/oven-day"), StringComparison.Ordinal);
        var two = await kitchen.NewBakerAsync("see-two@home.invalid");
        Assert.DoesNotContain("Run sheet", await two.GetStringAsync("/oven-day"), StringComparison.Ordinal);
    }
}
