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
        "IdentityUserClaim`1",
        "IdentityUserLogin`1",
        "IdentityUserToken`1",
        "IdentityUserPasskey`1",
        "DataProtectionKey",
    ];

    private static OvenDayDocument Day =>
        new(DemoKitchen.Kitchen(), new DayDocument("2026-12-05", "08:00", "18:00"), [new BakeDocument(DemoKitchen.Recipes()[0])]);

    // Events and passes are of a session that is there.
    private readonly Guid _session = Guid.NewGuid();

    private object NewRow(Type type) =>
        type.Name switch
        {
            nameof(RecipeRow) => new RecipeRow
            {
                Id = Guid.NewGuid(),
                Key = $"k-{Guid.NewGuid():N}",
                Name = "Mine",
                Document = DemoKitchen.Recipes()[0],
            },
            nameof(RecipeVersionRow) => new RecipeVersionRow
            {
                Id = Guid.NewGuid(),
                Key = $"k-{Guid.NewGuid():N}",
                Number = 1,
                Document = DemoKitchen.Recipes()[0],
            },
            nameof(RecipeDraftRow) => new RecipeDraftRow
            {
                Id = Guid.NewGuid(),
                Draft = new RecipeDraft { Name = "Mine" },
            },
            nameof(IngredientRow) => new IngredientRow
            {
                Id = Guid.NewGuid(),
                Name = $"n-{Guid.NewGuid():N}",
                Document = new IngredientDocument("mine", GramsPerCup: 100),
            },
            nameof(FlourTallyRow) => new FlourTallyRow
            {
                Id = Guid.NewGuid(),
                Key = "k",
                PlannedGrams = 1000,
                InGrams = 1000,
            },
            nameof(OvenDayRow) => new OvenDayRow
            {
                Id = Guid.NewGuid(),
                Date = new LocalDate(2030, 1, 1).PlusDays(Random.Shared.Next(3000)),
                Document = Day,
                Plan = new SavedPlan(1, 0, [], ""),
            },
            nameof(LongSearchRow) => new LongSearchRow
            {
                Id = Guid.NewGuid(),
                Date = new LocalDate(2030, 1, 1),
                Document = Day,
                Seconds = 1,
            },
            nameof(OvenDayStateRow) => new OvenDayStateRow
            {
                Id = Guid.NewGuid(),
                Date = new LocalDate(2030, 1, 1),
                Number = 1,
                Said = "Planned",
                Document = Day,
                Plan = new SavedPlan(1, 0, [], ""),
            },
            nameof(SeasonRow) => new SeasonRow
            {
                Id = Guid.NewGuid(),
                Name = "Mine",
                Sheet = new SeasonSheet("Mine", "2030-01-01", [], [], new HoursDocument([]), []),
            },
            nameof(MessageRow) => new MessageRow
            {
                Id = Guid.NewGuid(),
                Key = $"k-{Guid.NewGuid():N}",
                To = "a@example.invalid",
                Subject = "S",
                Text = "T",
            },
            nameof(BenchSessionRow) => new BenchSessionRow
            {
                Id = _session,
                Title = "Mine",
                Document = Day,
                Plan = new SavedPlan(1, 0, [], ""),
                Planned = new SavedPlan(1, 0, [], ""),
            },
            nameof(BenchEventRow) => new BenchEventRow
            {
                Id = Guid.NewGuid(),
                SessionId = _session,
                Document = new BenchEventDocument(Guid.NewGuid().ToString(), "ended", "2030-01-01T00:00:00Z"),
            },
            nameof(BenchPassRow) => new BenchPassRow
            {
                Id = Guid.NewGuid(),
                SessionId = _session,
                SecretHash = $"{Guid.NewGuid():N}",
            },
            nameof(BenchPhotoRow) => new BenchPhotoRow
            {
                Id = Guid.NewGuid(),
                SessionId = _session,
                Type = "image/jpeg",
            },
            nameof(PastBakeRow) => new PastBakeRow
            {
                Id = Guid.NewGuid(),
                Date = new LocalDate(2026, 1, 10),
                Document = new PastBakeDocument(Guid.NewGuid().ToString(), "2026-01-10", "Mine"),
            },
            nameof(StarterRefreshRow) => new StarterRefreshRow
            {
                Id = Guid.NewGuid(),
                At = new LocalDateTime(2026, 1, 10, 9, 0),
                Document = new StarterRefreshDocument(Guid.NewGuid().ToString(), "2026-01-10T09:00", 50, 50, 50),
            },
            nameof(CakeFeedRow) => new CakeFeedRow
            {
                Id = Guid.NewGuid(),
                BakeId = Guid.NewGuid(),
                At = new LocalDateTime(2026, 1, 10, 9, 0),
                Document = new CakeFeedDocument(Guid.NewGuid().ToString(), Guid.NewGuid().ToString(), "2026-01-10T09:00"),
            },
            nameof(RecipientRow) => new RecipientRow
            {
                Id = Guid.NewGuid(),
                Name = "Wren",
                Document = new RecipientDocument(Guid.NewGuid().ToString(), "Wren"),
            },
            nameof(GiftBoardRow) => new GiftBoardRow
            {
                Id = Guid.NewGuid(),
                Name = "Mine",
                Document = new BoardDocument("Mine", [], [], new BoardRulesDocument(), []),
            },
            nameof(GiftShelfRow) => new GiftShelfRow { Document = new GiftShelfDocument([], []) },
            nameof(StockRow) => new StockRow
            {
                Id = Guid.NewGuid(),
                Name = "butter",
                Document = new StockDocument(Guid.NewGuid().ToString(), "butter", Grams: 250),
            },
            nameof(ShopGoodRow) => new ShopGoodRow { Name = "butter", Document = new ShopGoodDocument("butter", "Corner shop") },
            nameof(ShopTickRow) => new ShopTickRow { Line = $"2026-12-03 {Guid.NewGuid():N}", IsIn = true },
            nameof(DeviceDoorRow) => new DeviceDoorRow { Address = $"{Guid.NewGuid():N}"[..10], SecretHash = "s" },
            nameof(DeviceRow) => new DeviceRow { Name = "oven-1" },
            nameof(DeviceReadingRow) => new DeviceReadingRow { Device = "oven-1", At = Instant.FromUtc(2030, 1, 1, 0, 0) },
            _ => throw new InvalidOperationException($"{type.Name} is new: say here how to make one, so that its tenancy is tested."),
        };

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
            own.Add(NewRow(type));
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
            var row = (IKitchenOwned)NewRow(type);
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
            var forged = (IKitchenOwned)NewRow(type);
            forged.KitchenId = mine;
            smuggler.Add(forged);
            await Assert.ThrowsAsync<ForeignKitchenException>(() => smuggler.SaveChangesAsync());
            await using var giver = kitchen.Context(mine);
            giver.Attach(row);
            row.KitchenId = other;
            // Where the kitchen is part of the key, the key itself refuses.
            await Assert.ThrowsAnyAsync<InvalidOperationException>(() => giver.SaveChangesAsync());
            await using var nobody = kitchen.Context(null);
            nobody.Add(NewRow(type));
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
