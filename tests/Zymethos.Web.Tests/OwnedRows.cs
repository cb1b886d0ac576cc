using NodaTime;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Larder;
using Zymethos.Interchange.Parcels;
using Zymethos.Store.Benches;
using Zymethos.Store.Books;
using Zymethos.Store.Daybooks;
using Zymethos.Store.Days;
using Zymethos.Store.Devices;
using Zymethos.Store.Larder;
using Zymethos.Store.Parcels;
using Zymethos.Store.Seasons;
using Zymethos.Store.Workshop;

namespace Zymethos.Web.Tests;

/// <summary>One row of every kind that a kitchen owns; a kind that is new has to be put here.</summary>
public static class OwnedRows
{
    private static OvenDayDocument Day =>
        new(DemoKitchen.Kitchen(), new DayDocument("2026-12-05", "08:00", "18:00"), [new BakeDocument(DemoKitchen.Recipes()[0])]);

    /// <summary>A row of a type, without a kitchen.</summary>
    /// <param name="type">The type.</param>
    /// <param name="session">The session that events and passes are of.</param>
    public static object New(Type type, Guid session) =>
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
                Id = session,
                Title = "Mine",
                Document = Day,
                Plan = new SavedPlan(1, 0, [], ""),
                Planned = new SavedPlan(1, 0, [], ""),
            },
            nameof(BenchEventRow) => new BenchEventRow
            {
                Id = Guid.NewGuid(),
                SessionId = session,
                Document = new BenchEventDocument(Guid.NewGuid().ToString(), "ended", "2030-01-01T00:00:00Z"),
            },
            nameof(BenchPassRow) => new BenchPassRow
            {
                Id = Guid.NewGuid(),
                SessionId = session,
                SecretHash = $"{Guid.NewGuid():N}",
            },
            nameof(BenchPhotoRow) => new BenchPhotoRow
            {
                Id = Guid.NewGuid(),
                SessionId = session,
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
            nameof(CutterRow) => new CutterRow
            {
                Id = Guid.NewGuid(),
                Name = "moon",
                Document = new CutterDocument("moon", "M0 0L50 0L50 50Z"),
            },
            nameof(SheetRow) => new SheetRow
            {
                Id = Guid.NewGuid(),
                Recipe = "moon-buns",
                Address = "/workshop/division?dough=900",
                Title = "Dividing and plaiting",
                Says = "6 ropes of 150 g.",
                KeptAt = Instant.FromUtc(2030, 1, 1, 0, 0),
            },
            nameof(ShopTickRow) => new ShopTickRow { Line = $"2026-12-03 {Guid.NewGuid():N}", IsIn = true },
            nameof(DeviceDoorRow) => new DeviceDoorRow { Address = $"{Guid.NewGuid():N}"[..10], SecretHash = "s" },
            nameof(DeviceRow) => new DeviceRow { Name = "oven-1" },
            nameof(DeviceReadingRow) => new DeviceReadingRow { Device = "oven-1", At = Instant.FromUtc(2030, 1, 1, 0, 0) },
            _ => throw new InvalidOperationException($"{type.Name} is new: say here how to make one, so that its tenancy is tested."),
        };
}
