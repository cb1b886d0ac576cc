using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Store.Kitchens;
using Zymethos.Store.Tenancy;

namespace Zymethos.Work.Accounts;

/// <summary>What an invitation says to whoever opens it.</summary>
/// <param name="KitchenId">The kitchen.</param>
/// <param name="Kitchen">What it is called.</param>
/// <param name="By">Who invites.</param>
/// <param name="Role">As what.</param>
public sealed record Invitation(Guid KitchenId, string Kitchen, string By, HouseRole Role);

/// <summary>A kitchen of somebody's.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Role">What the member may do in it.</param>
public sealed record OwnKitchen(Guid Id, string Name, HouseRole Role);

/// <summary>
/// Who belongs to which kitchen: inviting, joining, leaving, and kitchens beside the first. A kitchen always keeps one who may do
/// everything, and an account always has a kitchen to go to.
/// </summary>
public sealed class Household(DbContextOptions<ZymethosContext> options, IClock clock)
{
    /// <summary>How long an invitation lets in.</summary>
    public static readonly Duration Open = Duration.FromDays(7);

    /// <summary>Longest name of a member, in characters.</summary>
    public const int LongestName = 40;

    private const int MostMembers = 20;
    private const int MostInvites = 20;
    private const int MostKitchens = 12;

    /// <summary>Everybody in a kitchen, those who came first first.</summary>
    public async Task<IReadOnlyList<MemberRow>> MembersAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var all = All();
        return await all
            .Members.AsNoTracking()
            .Where(m => m.KitchenId == kitchen)
            .OrderBy(m => m.JoinedAt)
            .ThenBy(m => m.BakerId)
            .ToListAsync(cancel);
    }

    /// <summary>The kitchens of an account, by name.</summary>
    public async Task<IReadOnlyList<OwnKitchen>> KitchensAsync(Guid baker, CancellationToken cancel)
    {
        await using var all = All();
        return await (
            from m in all.Members.AsNoTracking()
            join k in all.Kitchens.IgnoreQueryFilters() on m.KitchenId equals k.Id
            where m.BakerId == baker
            orderby k.Name, k.Id
            select new OwnKitchen(k.Id, k.Name, m.Role)
        ).ToListAsync(cancel);
    }

    /// <summary>Makes an invitation for one person.</summary>
    /// <returns>Its secret, which is told once; null where as many stand open as may.</returns>
    public async Task<string?> InviteAsync(Guid kitchen, Guid by, HouseRole role, CancellationToken cancel)
    {
        await using var all = All();
        var now = clock.GetCurrentInstant();
        await all.Invites.Where(i => i.KitchenId == kitchen && i.Until < now).ExecuteDeleteAsync(cancel);
        if (await all.Invites.CountAsync(i => i.KitchenId == kitchen, cancel) >= MostInvites)
            return null;
        var name = await all.Members.Where(m => m.KitchenId == kitchen && m.BakerId == by).Select(m => m.Name).SingleAsync(cancel);
        var secret = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(20));
        all.Invites.Add(
            new InviteRow
            {
                Id = Guid.CreateVersion7(),
                KitchenId = kitchen,
                Role = role,
                SecretHash = HashOf(secret),
                By = name,
                MadeAt = now,
                Until = now + Open,
            }
        );
        await all.SaveChangesAsync(cancel);
        return secret;
    }

    /// <summary>Invitations of a kitchen that let in, the newest first.</summary>
    public async Task<IReadOnlyList<InviteRow>> InvitesAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var all = All();
        var now = clock.GetCurrentInstant();
        return await all
            .Invites.AsNoTracking()
            .Where(i => i.KitchenId == kitchen && i.Until >= now)
            .OrderByDescending(i => i.MadeAt)
            .ToListAsync(cancel);
    }

    /// <summary>Takes an invitation back; false where there is none of this id in the kitchen.</summary>
    public async Task<bool> WithdrawAsync(Guid kitchen, Guid invite, CancellationToken cancel)
    {
        await using var all = All();
        return await all.Invites.Where(i => i.KitchenId == kitchen && i.Id == invite).ExecuteDeleteAsync(cancel) > 0;
    }

    /// <summary>What a secret invites to; null where it does not let in (any more).</summary>
    public async Task<Invitation?> FindAsync(string secret, CancellationToken cancel)
    {
        await using var all = All();
        var (hash, now) = (HashOf(secret), clock.GetCurrentInstant());
        return await (
            from i in all.Invites.AsNoTracking()
            join k in all.Kitchens.IgnoreQueryFilters() on i.KitchenId equals k.Id
            where i.SecretHash == hash && i.Until >= now
            select new Invitation(k.Id, k.Name, i.By, i.Role)
        ).SingleOrDefaultAsync(cancel);
    }

    /// <summary>Takes up an invitation: it is used up, and the account belongs to the kitchen. Whoever is in it already stays what they
    /// are, and the invitation stays open for somebody else.</summary>
    /// <returns>The kitchen; null where the secret does not let in, or the kitchen or the account is full.</returns>
    public async Task<Guid?> JoinAsync(Guid baker, string secret, string name, CancellationToken cancel)
    {
        await using var all = All();
        await using var both = await all.Database.BeginTransactionAsync(cancel);
        var (hash, now) = (HashOf(secret), clock.GetCurrentInstant());
        if (await all.Invites.SingleOrDefaultAsync(i => i.SecretHash == hash && i.Until >= now, cancel) is not { } invite)
            return null;
        await LockAsync(all, invite.KitchenId, cancel);
        if (await all.Members.AnyAsync(m => m.KitchenId == invite.KitchenId && m.BakerId == baker, cancel))
            return invite.KitchenId;
        if (
            await all.Members.CountAsync(m => m.KitchenId == invite.KitchenId, cancel) >= MostMembers
            || await all.Members.CountAsync(m => m.BakerId == baker, cancel) >= MostKitchens
            // Of two who open one link at the same moment, the kitchen lets in the first.
            || await all.Invites.Where(i => i.Id == invite.Id).ExecuteDeleteAsync(cancel) == 0
        )
            return null;
        all.Members.Add(
            new MemberRow
            {
                BakerId = baker,
                KitchenId = invite.KitchenId,
                Name = Cut(name),
                Role = invite.Role,
                JoinedAt = now,
            }
        );
        all.Entry(invite).State = EntityState.Detached;
        await all.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
        return invite.KitchenId;
    }

    /// <summary>Changes what a member may do.</summary>
    /// <returns>False where there is no such member, or nobody would be left who may do everything.</returns>
    public async Task<bool> SetRoleAsync(Guid kitchen, Guid member, HouseRole role, CancellationToken cancel)
    {
        await using var all = All();
        await using var both = await all.Database.BeginTransactionAsync(cancel);
        await LockAsync(all, kitchen, cancel);
        if (role == HouseRole.Helper && await IsLastBakerAsync(all, kitchen, member, cancel))
            return false;
        var changed = await all
            .Members.Where(m => m.KitchenId == kitchen && m.BakerId == member)
            .ExecuteUpdateAsync(m => m.SetProperty(r => r.Role, role), cancel);
        await both.CommitAsync(cancel);
        return changed > 0;
    }

    /// <summary>How a member is called here, and which measures and clock are hers; null for the kitchen's.</summary>
    public async Task SetOwnAsync(Guid kitchen, Guid member, string name, MeasuringHabit? habit, ClockFace? face, CancellationToken cancel)
    {
        await using var all = All();
        var called = Cut(name);
        await all
            .Members.Where(m => m.KitchenId == kitchen && m.BakerId == member)
            .ExecuteUpdateAsync(
                m => m.SetProperty(r => r.Name, called).SetProperty(r => r.Habit, habit).SetProperty(r => r.Clock, face),
                cancel
            );
    }

    /// <summary>
    /// Takes a member out of a kitchen, be it by somebody else or by their own wish. Whoever has no other kitchen gets a new one, so that
    /// the account still opens something.
    /// </summary>
    /// <returns>False where there is no such member, or nobody would be left who may do everything.</returns>
    public async Task<bool> RemoveAsync(Guid kitchen, Guid member, CancellationToken cancel)
    {
        await using var all = All();
        await using var both = await all.Database.BeginTransactionAsync(cancel);
        await LockAsync(all, kitchen, cancel);
        if (
            await IsLastBakerAsync(all, kitchen, member, cancel)
            || await all.Members.Where(m => m.KitchenId == kitchen && m.BakerId == member).ExecuteDeleteAsync(cancel) == 0
        )
            return false;
        var other = await all
            .Members.Where(m => m.BakerId == member)
            .OrderBy(m => m.JoinedAt)
            .Select(m => (Guid?)m.KitchenId)
            .FirstOrDefaultAsync(cancel);
        await both.CommitAsync(cancel);
        if ((other ?? await NewKitchenAsync(member, "My kitchen", cancel)) is not { } to)
            return true;
        await all.Set<Baker>()
            .Where(b => b.Id == member && b.KitchenId == kitchen)
            .ExecuteUpdateAsync(b => b.SetProperty(r => r.KitchenId, to), cancel);
        return true;
    }

    /// <summary>A new kitchen for an account, with the house recipes in its Book; null where it has as many as it may.</summary>
    public async Task<Guid?> NewKitchenAsync(Guid baker, string name, CancellationToken cancel)
    {
        await using (var all = All())
            if (await all.Members.CountAsync(m => m.BakerId == baker, cancel) >= MostKitchens)
                return null;
        var id = Guid.CreateVersion7();
        await using var own = new ZymethosContext(options, new FixedKitchen(id));
        var called = await own.Set<Baker>().Where(b => b.Id == baker).Select(b => b.Email).SingleAsync(cancel);
        own.Kitchens.Add(Furnish(own, id, name));
        own.Members.Add(Member(baker, id, NameFrom(called ?? "")));
        await own.SaveChangesAsync(cancel);
        return id;
    }

    /// <summary>Opens a kitchen for an account that is made at the same moment: both are there, or neither.</summary>
    /// <exception cref="DbUpdateException">Somebody has this address already.</exception>
    public async Task OpenAsync(Baker baker, string name, CancellationToken cancel)
    {
        await using var own = new ZymethosContext(options, new FixedKitchen(baker.KitchenId));
        own.Kitchens.Add(Furnish(own, baker.KitchenId, name));
        own.Set<Baker>().Add(baker);
        own.Members.Add(Member(baker.Id, baker.KitchenId, NameFrom(baker.Email ?? "")));
        await own.SaveChangesAsync(cancel);
    }

    /// <summary>
    /// Where an account goes whose device stands in a kitchen that is none of its own (any more). An account of the time before households
    /// is written down as the baker of its kitchen.
    /// </summary>
    /// <returns>The membership; null where there is no such account.</returns>
    public async Task<MemberRow?> HomeAsync(Guid baker, CancellationToken cancel)
    {
        await using var all = All();
        if (await all.Set<Baker>().AsNoTracking().SingleOrDefaultAsync(b => b.Id == baker, cancel) is not { } account)
            return null;
        var own = await all.Members.AsNoTracking().Where(m => m.BakerId == baker).OrderBy(m => m.JoinedAt).ToListAsync(cancel);
        if (own.Count > 0)
            return own.Find(m => m.KitchenId == account.KitchenId) ?? own[0];
        var row = Member(baker, account.KitchenId, NameFrom(account.Email ?? ""));
        all.Members.Add(row);
        try
        {
            await all.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Another request of the same account was first.
        }

        return row;
    }

    /// <summary>What somebody is called before they say otherwise: what stands before the @ of their address.</summary>
    public static string NameFrom(string email) => Cut(email.Split('@')[0] is { Length: > 0 } name ? name : "Baker");

    private MemberRow Member(Guid baker, Guid kitchen, string name) =>
        new()
        {
            BakerId = baker,
            KitchenId = kitchen,
            Name = name,
            Role = HouseRole.Baker,
            JoinedAt = clock.GetCurrentInstant(),
        };

    private static KitchenRow Furnish(ZymethosContext own, Guid id, string name)
    {
        var document = DocumentWriter.Write(Kitchen.Ordinary(name.Trim()));
        own.Recipes.AddRange(DemoSeed.Book(DemoKitchen.Recipes()));
        return new KitchenRow
        {
            Id = id,
            Name = document.Name,
            Document = document,
        };
    }

    // One change at a time to who belongs to a kitchen: two who leave at once must not leave it without a baker.
    private static Task LockAsync(ZymethosContext all, Guid kitchen, CancellationToken cancel) =>
        all.Database.ExecuteSqlAsync($"""SELECT 1 FROM kitchens WHERE "Id" = {kitchen} FOR UPDATE""", cancel);

    private static async Task<bool> IsLastBakerAsync(ZymethosContext all, Guid kitchen, Guid member, CancellationToken cancel) =>
        await all.Members.AnyAsync(m => m.KitchenId == kitchen && m.BakerId == member && m.Role == HouseRole.Baker, cancel)
        && !await all.Members.AnyAsync(m => m.KitchenId == kitchen && m.BakerId != member && m.Role == HouseRole.Baker, cancel);

    private static string Cut(string name) => name.Trim() is var said && said.Length > LongestName ? said[..LongestName] : said;

    private static string HashOf(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));

    private ZymethosContext All() => new(options, new FixedKitchen(null));
}
