using System.Collections.Concurrent;
using NodaTime;

namespace Zymethos.Work.Devices;

/// <summary>
/// Who may come in as a device, asked of the database at most once in ten seconds for each password, so that one that was replaced lets in
/// no longer than that. Safe for any number of threads.
/// </summary>
public sealed class OpenDoors(DeviceDoors doors, IClock clock)
{
    private static readonly Duration Fresh = Duration.FromSeconds(10);
    private const int MostKept = 5000;

    private readonly ConcurrentDictionary<(string, string), (Guid? Kitchen, Instant At)> _known = new();

    private readonly ConcurrentDictionary<Guid, (string? Address, Instant At)> _addresses = new();

    /// <summary>The kitchen that an address and its password let in to; null where they do not fit.</summary>
    public async Task<Guid?> OpenAsync(string? address, string? secret, CancellationToken cancel)
    {
        if (address is not { Length: <= 20 } || secret is not { Length: > 0 and <= 200 })
            return null;
        var now = clock.GetCurrentInstant();
        if (_known.TryGetValue((address, secret), out var known) && now - known.At < Fresh && known.At <= now)
            return known.Kitchen;
        if (_known.Count > MostKept)
            _known.Clear();
        var kitchen = await doors.OpenAsync(address, secret, cancel);
        _known[(address, secret)] = (kitchen, now);
        return kitchen;
    }

    /// <summary>The address of a kitchen; null while it has none.</summary>
    public async Task<string?> AddressAsync(Guid kitchen, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        if (_addresses.TryGetValue(kitchen, out var known) && now - known.At < Fresh && known.At <= now)
            return known.Address;
        if (_addresses.Count > MostKept)
            _addresses.Clear();
        var address = await doors.AddressAsync(kitchen, cancel);
        _addresses[kitchen] = (address, now);
        return address;
    }

    /// <summary>Asks again next time: a password was replaced in this instance.</summary>
    public void Forget()
    {
        _known.Clear();
        _addresses.Clear();
    }
}
