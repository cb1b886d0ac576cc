using System.Linq.Expressions;
using System.Text.Json;
using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Zymethos.Core.Kitchens;
using Zymethos.Store.Accounts;
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
using Zymethos.Store.Workshop;

namespace Zymethos.Store;

/// <summary>
/// The database. Every row that implements <see cref="IKitchenOwned"/> is filtered by the current kitchen on reading and checked against it
/// on writing; a kitchen sees only itself.
/// </summary>
public sealed class ZymethosContext(DbContextOptions<ZymethosContext> options, ICurrentKitchen current)
    : IdentityUserContext<Baker, Guid>(options),
        IDataProtectionKeyContext
{
    /// <summary>Kitchens; only the current one is seen.</summary>
    public DbSet<KitchenRow> Kitchens => Set<KitchenRow>();

    /// <summary>Recipes of the current kitchen.</summary>
    public DbSet<RecipeRow> Recipes => Set<RecipeRow>();

    /// <summary>Every saved version of every recipe of the current kitchen.</summary>
    public DbSet<RecipeVersionRow> RecipeVersions => Set<RecipeVersionRow>();

    /// <summary>Recipes of the current kitchen that are being written.</summary>
    public DbSet<RecipeDraftRow> RecipeDrafts => Set<RecipeDraftRow>();

    /// <summary>Ingredients of the current kitchen's own.</summary>
    public DbSet<IngredientRow> Ingredients => Set<IngredientRow>();

    /// <summary>Flour that went into doughs of the current kitchen.</summary>
    public DbSet<FlourTallyRow> FlourTallies => Set<FlourTallyRow>();

    /// <summary>Planned days of the current kitchen.</summary>
    public DbSet<OvenDayRow> OvenDays => Set<OvenDayRow>();

    /// <summary>States that planned days of the current kitchen have been in, and alternatives kept aside.</summary>
    public DbSet<OvenDayStateRow> OvenDayStates => Set<OvenDayStateRow>();

    /// <summary>Long searches for better orders of days of the current kitchen.</summary>
    public DbSet<LongSearchRow> LongSearches => Set<LongSearchRow>();

    /// <summary>Days at work, of the current kitchen.</summary>
    public DbSet<BenchSessionRow> BenchSessions => Set<BenchSessionRow>();

    /// <summary>Touches on the Bench of the current kitchen.</summary>
    public DbSet<BenchEventRow> BenchEvents => Set<BenchEventRow>();

    /// <summary>Helpers' passes to sessions of the current kitchen.</summary>
    public DbSet<BenchPassRow> BenchPasses => Set<BenchPassRow>();

    /// <summary>Pictures of bakes of the current kitchen.</summary>
    public DbSet<BenchPhotoRow> BenchPhotos => Set<BenchPhotoRow>();

    /// <summary>Bakes of the current kitchen as they really were.</summary>
    public DbSet<PastBakeRow> PastBakes => Set<PastBakeRow>();

    /// <summary>What was done to the starter of the current kitchen.</summary>
    public DbSet<StarterRefreshRow> StarterRefreshes => Set<StarterRefreshRow>();

    /// <summary>Feeds of spirit that cakes of the current kitchen were given.</summary>
    public DbSet<CakeFeedRow> CakeFeeds => Set<CakeFeedRow>();

    /// <summary>People to whom the current kitchen gives things.</summary>
    public DbSet<RecipientRow> People => Set<RecipientRow>();

    /// <summary>Who gets what of the current kitchen.</summary>
    public DbSet<GiftBoardRow> GiftBoards => Set<GiftBoardRow>();

    /// <summary>Tins and boxes of the current kitchen.</summary>
    public DbSet<GiftShelfRow> GiftShelves => Set<GiftShelfRow>();

    /// <summary>What is in the house of the current kitchen.</summary>
    public DbSet<StockRow> Stock => Set<StockRow>();

    /// <summary>How the current kitchen buys.</summary>
    public DbSet<ShopGoodRow> ShopGoods => Set<ShopGoodRow>();

    /// <summary>What is in the basket of the current kitchen.</summary>
    public DbSet<ShopTickRow> ShopTicks => Set<ShopTickRow>();

    /// <summary>Pages of the Workshop that are kept with recipes of the current kitchen.</summary>
    public DbSet<SheetRow> Sheets => Set<SheetRow>();

    /// <summary>Kitchens of anybody that are about to be deleted.</summary>
    public DbSet<ClosingRow> Closing => Set<ClosingRow>();

    /// <summary>Cutters and templates of the current kitchen.</summary>
    public DbSet<CutterRow> Cutters => Set<CutterRow>();

    /// <summary>With what devices of the current kitchen come in.</summary>
    public DbSet<DeviceDoorRow> DeviceDoors => Set<DeviceDoorRow>();

    /// <summary>Devices of the current kitchen.</summary>
    public DbSet<DeviceRow> Devices => Set<DeviceRow>();

    /// <summary>What devices of the current kitchen said.</summary>
    public DbSet<DeviceReadingRow> DeviceReadings => Set<DeviceReadingRow>();

    /// <summary>Seasons of the current kitchen.</summary>
    public DbSet<SeasonRow> Seasons => Set<SeasonRow>();

    /// <summary>Messages to the bakers of the current kitchen.</summary>
    public DbSet<MessageRow> Messages => Set<MessageRow>();

    /// <summary>Who belongs to which kitchen, of all kitchens.</summary>
    public DbSet<MemberRow> Members => Set<MemberRow>();

    /// <summary>Invitations into kitchens, of all kitchens.</summary>
    public DbSet<InviteRow> Invites => Set<InviteRow>();

    /// <summary>Sign-ins of all bakers.</summary>
    public DbSet<SignInRow> SignIns => Set<SignInRow>();

    /// <summary>Keys that protect cookies and forms, shared by all instances of the application.</summary>
    public DbSet<DataProtectionKey> DataProtectionKeys => Set<DataProtectionKey>();

    /// <summary>The kitchen that is seen; null for none.</summary>
    public Guid? KitchenId => current.KitchenId;

    /// <summary>Measures and clock of whoever is signed in.</summary>
    public OwnSays Own => current.Own;

    private Guid? CurrentKitchen => current.KitchenId;

    /// <inheritdoc />
    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        GuardTenancy();
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    /// <inheritdoc />
    public override Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        GuardTenancy();
        return base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    /// <inheritdoc />
    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<KitchenRow>(e =>
        {
            e.ToTable("kitchens");
            e.Property(k => k.Name).HasMaxLength(80);
            Json(e.Property(k => k.Document));
            e.Property(k => k.Version).IsRowVersion();
            e.HasIndex(k => k.IsDemo).IsUnique().HasFilter("\"IsDemo\"");
            e.HasQueryFilter(k => k.Id == CurrentKitchen);
        });
        builder.Entity<RecipeRow>(e =>
        {
            e.ToTable("recipes");
            e.Property(r => r.Key).HasMaxLength(80);
            e.Property(r => r.Name).HasMaxLength(120);
            e.HasIndex(r => new { r.KitchenId, r.Key }).IsUnique();
            Json(e.Property(r => r.Document));
            e.Property(r => r.Version).IsRowVersion();
        });
        builder.Entity<RecipeVersionRow>(e =>
        {
            e.ToTable("recipe_versions");
            e.Property(r => r.Key).HasMaxLength(80);
            e.Property(r => r.Note).HasMaxLength(200);
            e.HasIndex(r => new
                {
                    r.KitchenId,
                    r.Key,
                    r.Number,
                })
                .IsUnique();
            Json(e.Property(r => r.Document));
        });
        builder.Entity<RecipeDraftRow>(e =>
        {
            e.ToTable("recipe_drafts");
            e.Property(r => r.Key).HasMaxLength(80);
            Json(e.Property(r => r.Draft));
            e.Property(r => r.Version).IsRowVersion();
            // A recipe is edited in one draft, however often somebody opens it.
            e.HasIndex(r => new { r.KitchenId, r.Key }).IsUnique().HasFilter("\"Key\" <> ''");
        });
        builder.Entity<IngredientRow>(e =>
        {
            e.ToTable("ingredients");
            e.Property(r => r.Name).HasMaxLength(80);
            e.HasIndex(r => new { r.KitchenId, r.Name }).IsUnique();
            Json(e.Property(r => r.Document));
        });
        builder.Entity<FlourTallyRow>(e =>
        {
            e.ToTable("flour_tallies");
            e.Property(r => r.Key).HasMaxLength(80);
            e.HasIndex(r => new
            {
                r.KitchenId,
                r.Key,
                r.StartedAt,
            });
            // Flour goes into one dough of a recipe at a time.
            e.HasIndex(r => new { r.KitchenId, r.Key }).IsUnique().HasFilter("\"DoneAt\" IS NULL");
            e.Property(r => r.Version).IsRowVersion();
        });
        builder.Entity<OvenDayRow>(e =>
        {
            e.ToTable("oven_days");
            e.HasIndex(d => new { d.KitchenId, d.Date }).IsUnique();
            Json(e.Property(d => d.Document));
            Json(e.Property(d => d.Plan));
            e.Property(d => d.Version).IsRowVersion();
        });
        builder.Entity<OvenDayStateRow>(e =>
        {
            e.ToTable("oven_day_states");
            e.HasIndex(d => new
            {
                d.KitchenId,
                d.Date,
                d.Number,
            });
            e.Property(d => d.Said).HasMaxLength(200);
            Json(e.Property(d => d.Document));
            Json(e.Property(d => d.Plan));
        });
        builder.Entity<LongSearchRow>(e =>
        {
            e.ToTable("long_searches");
            e.HasIndex(d => new
            {
                d.KitchenId,
                d.Date,
                d.AskedAt,
            });
            // One search goes on for a day, however many ask for it at once; one that was asked to stop makes way.
            e.HasIndex(d => new { d.KitchenId, d.Date }).IsUnique().HasFilter("\"State\" IN ('Waiting', 'Running') AND NOT \"StopAsked\"");
            e.Property(d => d.State).HasConversion<string>().HasMaxLength(20);
            e.Property(d => d.Said).HasMaxLength(400);
            e.Property(d => d.Worker).HasMaxLength(120);
            Json(e.Property(d => d.Document));
            Json(e.Property(d => d.Plan));
        });
        builder.Entity<BenchSessionRow>(e =>
        {
            e.ToTable("bench_sessions");
            e.Property(s => s.Title).HasMaxLength(120);
            e.Property(s => s.Recorded).HasMaxLength(60);
            e.HasIndex(s => new { s.KitchenId, s.StartedAt });
            // One oven, one session.
            e.HasIndex(s => s.KitchenId).IsUnique().HasFilter("\"EndedAt\" IS NULL");
            Json(e.Property(s => s.Document));
            Json(e.Property(s => s.Plan));
            Json(e.Property(s => s.Planned));
            e.Property(s => s.Version).IsRowVersion();
        });
        builder.Entity<BenchEventRow>(e =>
        {
            e.ToTable("bench_events");
            e.HasKey(b => new { b.SessionId, b.Id });
            e.Property(b => b.Seq).UseIdentityAlwaysColumn();
            e.HasIndex(b => new { b.SessionId, b.Seq });
            e.HasOne<BenchSessionRow>().WithMany().HasForeignKey(b => b.SessionId).OnDelete(DeleteBehavior.Cascade);
            Json(e.Property(b => b.Document));
        });
        builder.Entity<BenchPassRow>(e =>
        {
            e.ToTable("bench_passes");
            e.Property(p => p.Name).HasMaxLength(40);
            e.Property(p => p.SecretHash).HasMaxLength(64);
            e.HasIndex(p => p.SecretHash).IsUnique();
            e.HasIndex(p => p.SessionId);
            e.HasOne<BenchSessionRow>().WithMany().HasForeignKey(p => p.SessionId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<BenchPhotoRow>(e =>
        {
            e.ToTable("bench_photos");
            e.Property(p => p.Type).HasMaxLength(20);
            e.HasIndex(p => p.SessionId);
            e.HasOne<BenchSessionRow>().WithMany().HasForeignKey(p => p.SessionId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<PastBakeRow>(e =>
        {
            e.ToTable("past_bakes");
            e.HasIndex(b => new { b.KitchenId, b.Date });
            // A bake of a session is written down once, however many look into the Daybook at the same moment.
            e.HasIndex(b => new { b.SessionId, b.Place }).IsUnique().HasFilter("\"SessionId\" IS NOT NULL");
            e.HasOne<BenchSessionRow>().WithMany().HasForeignKey(b => b.SessionId).OnDelete(DeleteBehavior.SetNull);
            Json(e.Property(b => b.Document));
            e.Property(b => b.Version).IsRowVersion();
        });
        builder.Entity<StarterRefreshRow>(e =>
        {
            e.ToTable("starter_refreshes");
            e.HasIndex(f => new { f.KitchenId, f.At });
            Json(e.Property(f => f.Document));
        });
        builder.Entity<CakeFeedRow>(e =>
        {
            e.ToTable("cake_feeds");
            e.HasIndex(f => new { f.KitchenId, f.At });
            Json(e.Property(f => f.Document));
        });
        builder.Entity<RecipientRow>(e =>
        {
            e.ToTable("people");
            e.Property(p => p.Name).HasMaxLength(80);
            e.HasIndex(p => new { p.KitchenId, p.Name });
            Json(e.Property(p => p.Document));
            e.Property(p => p.Version).IsRowVersion();
        });
        builder.Entity<GiftBoardRow>(e =>
        {
            e.ToTable("gift_boards");
            e.Property(b => b.Name).HasMaxLength(120);
            e.HasIndex(b => new { b.KitchenId, b.MadeAt });
            Json(e.Property(b => b.Document));
            e.Property(b => b.Version).IsRowVersion();
        });
        builder.Entity<GiftShelfRow>(e =>
        {
            e.ToTable("gift_shelves");
            e.HasKey(s => s.KitchenId);
            Json(e.Property(s => s.Document));
            e.Property(s => s.Version).IsRowVersion();
        });
        builder.Entity<StockRow>(e =>
        {
            e.ToTable("stock");
            e.Property(s => s.Name).HasMaxLength(120);
            e.HasIndex(s => new { s.KitchenId, s.Name });
            Json(e.Property(s => s.Document));
            e.Property(s => s.Version).IsRowVersion();
        });
        builder.Entity<ShopGoodRow>(e =>
        {
            e.ToTable("shop_goods");
            e.Property(g => g.Name).HasMaxLength(120);
            e.HasKey(g => new { g.KitchenId, g.Name });
            Json(e.Property(g => g.Document));
        });
        builder.Entity<ShopTickRow>(e =>
        {
            e.ToTable("shop_ticks");
            e.Property(t => t.Line).HasMaxLength(200);
            e.HasKey(t => new { t.KitchenId, t.Line });
        });
        builder.Entity<CutterRow>(e =>
        {
            e.ToTable("cutters");
            e.Property(c => c.Name).HasMaxLength(60);
            e.HasIndex(c => new { c.KitchenId, c.Name }).IsUnique();
            Json(e.Property(c => c.Document));
        });
        builder.Entity<SheetRow>(e =>
        {
            e.ToTable("workshop_sheets");
            e.Property(s => s.Recipe).HasMaxLength(80);
            e.Property(s => s.Address).HasMaxLength(2000);
            e.Property(s => s.Title).HasMaxLength(120);
            e.Property(s => s.Says).HasMaxLength(400);
            e.HasIndex(s => new { s.KitchenId, s.Recipe });
        });
        builder.Entity<DeviceDoorRow>(e =>
        {
            e.ToTable("device_doors");
            e.HasKey(d => d.KitchenId);
            e.Property(d => d.Address).HasMaxLength(10);
            e.HasIndex(d => d.Address).IsUnique();
            e.Property(d => d.SecretHash).HasMaxLength(64);
        });
        builder.Entity<DeviceRow>(e =>
        {
            e.ToTable("devices");
            e.HasKey(d => new { d.KitchenId, d.Name });
            e.Property(d => d.Name).HasMaxLength(32);
            e.Property(d => d.Title).HasMaxLength(40);
            e.Property(d => d.Kind).HasConversion<string>().HasMaxLength(20);
            e.Property(d => d.Trouble).HasMaxLength(200);
        });
        builder.Entity<DeviceReadingRow>(e =>
        {
            e.ToTable("device_readings");
            e.HasKey(r => new
            {
                r.KitchenId,
                r.Device,
                r.At,
            });
            e.Property(r => r.Device).HasMaxLength(32);
            e.HasOne<DeviceRow>().WithMany().HasForeignKey(r => new { r.KitchenId, r.Device }).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<SeasonRow>(e =>
        {
            e.ToTable("seasons");
            e.Property(s => s.Name).HasMaxLength(80);
            // The column keeps the name of the first release: instances of it may still be at work beside this one.
            e.Property(s => s.CalendarKey).HasColumnName("FeedKey").HasMaxLength(64);
            e.Property(s => s.RemindTo).HasMaxLength(254);
            e.HasIndex(s => new { s.KitchenId, s.MadeAt });
            e.HasIndex(s => s.CalendarKey).IsUnique();
            Json(e.Property(s => s.Sheet));
            Json(e.Property(s => s.SheetBefore));
            Json(e.Property(s => s.Plan));
            e.Property(s => s.Version).IsRowVersion();
        });
        builder.Entity<MessageRow>(e =>
        {
            e.ToTable("messages");
            e.Property(m => m.Key).HasMaxLength(200);
            e.Property(m => m.To).HasMaxLength(254);
            e.Property(m => m.Subject).HasMaxLength(200);
            e.Property(m => m.Trouble).HasMaxLength(400);
            e.HasIndex(m => new { m.KitchenId, m.Key }).IsUnique();
            e.HasIndex(m => new { m.KitchenId, m.WrittenAt });
        });
        builder.Entity<ClosingRow>(e =>
        {
            e.ToTable("closing_kitchens");
            e.HasKey(c => c.KitchenId);
            e.HasOne<KitchenRow>().WithOne().HasForeignKey<ClosingRow>(c => c.KitchenId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<MemberRow>(e =>
        {
            e.ToTable("members");
            e.HasKey(m => new { m.BakerId, m.KitchenId });
            e.HasIndex(m => m.KitchenId);
            e.Property(m => m.Name).HasMaxLength(40);
            e.Property(m => m.Role).HasConversion<string>().HasMaxLength(20);
            e.Property(m => m.Habit).HasConversion<string>().HasMaxLength(20);
            e.Property(m => m.Clock).HasConversion<string>().HasMaxLength(20);
            e.HasOne<Baker>().WithMany().HasForeignKey(m => m.BakerId).OnDelete(DeleteBehavior.Cascade);
            e.HasOne<KitchenRow>().WithMany().HasForeignKey(m => m.KitchenId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<InviteRow>(e =>
        {
            e.ToTable("invites");
            e.Property(i => i.Role).HasConversion<string>().HasMaxLength(20);
            e.Property(i => i.SecretHash).HasMaxLength(64);
            e.Property(i => i.By).HasMaxLength(40);
            e.HasIndex(i => i.SecretHash).IsUnique();
            e.HasIndex(i => i.KitchenId);
            e.HasOne<KitchenRow>().WithMany().HasForeignKey(i => i.KitchenId).OnDelete(DeleteBehavior.Cascade);
        });
        // As the third version of Identity's own tables has it; set here, so that every context has it, whoever makes it.
        builder.Entity<IdentityUserPasskey<Guid>>(e =>
        {
            e.ToTable("AspNetUserPasskeys");
            e.HasKey(p => p.CredentialId);
            e.Property(p => p.CredentialId).HasMaxLength(1024);
            e.OwnsOne(p => p.Data).ToJson();
            e.HasOne<Baker>().WithMany().HasForeignKey(p => p.UserId).IsRequired().OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<SignInRow>(e =>
        {
            e.ToTable("sign_ins");
            e.HasIndex(s => new { s.BakerId, s.At });
            e.HasOne<Baker>().WithMany().HasForeignKey(s => s.BakerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<Baker>().HasOne<KitchenRow>().WithMany().HasForeignKey(b => b.KitchenId).OnDelete(DeleteBehavior.Cascade);
        foreach (
            var type in builder
                .Model.GetEntityTypes()
                .Where(t => typeof(IKitchenOwned).IsAssignableFrom(t.ClrType))
                .Select(t => t.ClrType)
                .ToList()
        )
        {
            builder.Entity(type).HasQueryFilter(OwnedFilter(type));
            builder
                .Entity(type)
                .HasOne(typeof(KitchenRow))
                .WithMany()
                .HasForeignKey(nameof(IKitchenOwned.KitchenId))
                .OnDelete(DeleteBehavior.Cascade);
        }
    }

    /// <summary>Null stays null: the database library does not ask a converter about it.</summary>
    private static void Json<T>(PropertyBuilder<T> property)
        where T : class?
    {
        property
            .HasColumnType("jsonb")
            .HasConversion(
                v => StoredJson.Write(v),
                v => StoredJson.Read<T>(v),
                new ValueComparer<T>(
                    (a, b) => JsonSerializer.Serialize(a, StoredJson.Options) == JsonSerializer.Serialize(b, StoredJson.Options),
                    v => JsonSerializer.Serialize(v, StoredJson.Options).GetHashCode(StringComparison.Ordinal),
                    v => v
                )
            );
    }

    private LambdaExpression OwnedFilter(Type type)
    {
        var row = Expression.Parameter(type, "row");
        var kitchen = Expression.Convert(Expression.Property(row, nameof(IKitchenOwned.KitchenId)), typeof(Guid?));
        var mine = Expression.Property(Expression.Constant(this), nameof(CurrentKitchen));
        return Expression.Lambda(Expression.Equal(kitchen, mine), row);
    }

    private void GuardTenancy()
    {
        foreach (var entry in ChangeTracker.Entries<IKitchenOwned>())
        {
            if (entry.State == EntityState.Added && entry.Entity.KitchenId == Guid.Empty && CurrentKitchen is { } own)
                entry.Entity.KitchenId = own;
            if (entry.State is EntityState.Added or EntityState.Modified or EntityState.Deleted)
            {
                var before = entry.State == EntityState.Added ? entry.Entity.KitchenId : entry.Property(r => r.KitchenId).OriginalValue;
                if (CurrentKitchen is null || entry.Entity.KitchenId != CurrentKitchen || before != CurrentKitchen)
                    throw new ForeignKitchenException(entry.Metadata.ClrType.Name);
            }
        }

        foreach (var entry in ChangeTracker.Entries<KitchenRow>())
        {
            if (entry.State is EntityState.Modified or EntityState.Deleted && entry.Entity.Id != CurrentKitchen)
                throw new ForeignKitchenException(nameof(KitchenRow));
        }
    }
}
