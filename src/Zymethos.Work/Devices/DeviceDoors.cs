using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Devices;
using Zymethos.Store;
using Zymethos.Store.Devices;
using Zymethos.Store.Tenancy;

namespace Zymethos.Work.Devices;

/// <summary>With what devices come in: each kitchen's address and password.</summary>
public sealed class DeviceDoors(DbContextOptions<ZymethosContext> options, IClock clock)
{
    private const string Letters = "abcdefghjkmnpqrstuvwxyz23456789";
    private const int SecretBytes = 20;
    private const int LongestSecret = 200;

    /// <summary>The address of a kitchen; null while it has none.</summary>
    public async Task<string?> AddressAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(kitchen));
        return await context.DeviceDoors.AsNoTracking().Select(d => d.Address).SingleOrDefaultAsync(cancel);
    }

    /// <summary>Makes a password, which is told once; the one before lets nobody in any more. The address stays.</summary>
    public async Task<(string Address, string Secret)> MakeAsync(Guid kitchen, CancellationToken cancel)
    {
        var secret = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(SecretBytes));
        return (await PutAsync(kitchen, RandomNumberGenerator.GetString(Letters, 10), secret, cancel), secret);
    }

    /// <summary>Lets devices of a kitchen in with a password that is known already.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="address">Its address, where it has none yet.</param>
    /// <param name="secret">The password.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Its address.</returns>
    public async Task<string> PutAsync(Guid kitchen, string address, string secret, CancellationToken cancel)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(kitchen));
        var row = await context.DeviceDoors.SingleOrDefaultAsync(cancel);
        if (row is null)
            context.DeviceDoors.Add(row = new DeviceDoorRow { Address = address });
        (row.SecretHash, row.MadeAt) = (HashOf(secret), clock.GetCurrentInstant());
        await context.SaveChangesAsync(cancel);
        return row.Address;
    }

    /// <summary>Lets no device in any more.</summary>
    public async Task ShutAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(kitchen));
        await context.DeviceDoors.ExecuteDeleteAsync(cancel);
    }

    /// <summary>The kitchen that an address and its password let in to; null where they do not fit.</summary>
    public async Task<Guid?> OpenAsync(string? address, string? secret, CancellationToken cancel)
    {
        if (!DeviceTopic.IsKitchen(address) || secret is not { Length: > 0 and <= LongestSecret })
            return null;
        await using var all = new ZymethosContext(options, new FixedKitchen(null));
        var hash = HashOf(secret);
        // The one place that looks over all kitchens' devices, by an unguessable secret.
        var found = await all
            .DeviceDoors.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(d => d.Address == address && d.SecretHash == hash)
            .Select(d => (Guid?)d.KitchenId)
            .SingleOrDefaultAsync(cancel);
        return found;
    }

    /// <summary>The kitchen of an address, for a broker that has asked for the password itself; null for an unknown one.</summary>
    public async Task<Guid?> KitchenOfAsync(string address, CancellationToken cancel)
    {
        await using var all = new ZymethosContext(options, new FixedKitchen(null));
        return await all
            .DeviceDoors.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(d => d.Address == address)
            .Select(d => (Guid?)d.KitchenId)
            .SingleOrDefaultAsync(cancel);
    }

    private static string HashOf(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
