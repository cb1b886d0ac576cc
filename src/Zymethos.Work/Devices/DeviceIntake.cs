using System.Collections.Concurrent;
using System.Threading.Channels;
using NodaTime;
using Zymethos.Core.Devices;

namespace Zymethos.Work.Devices;

/// <summary>A reading that has come in.</summary>
/// <param name="Kitchen">Of which kitchen.</param>
/// <param name="Device">Of which device.</param>
/// <param name="Reading">What it says.</param>
public readonly record struct ArrivedReading(Guid Kitchen, string Device, Reading Reading);

/// <summary>
/// Where readings come in, from whichever side, and wait their turn. Those of one kitchen are worked on one after the other. What comes
/// faster than it can be worked on drives the oldest out: the newest is what counts. Safe for any number of threads.
/// </summary>
public sealed class DeviceIntake
{
    private const int Lanes = 4;
    private const int MostWaiting = 2000;

    private readonly Channel<ArrivedReading>[] _lanes =
    [
        .. Enumerable
            .Range(0, Lanes)
            .Select(_ =>
                Channel.CreateBounded<ArrivedReading>(
                    new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true }
                )
            ),
    ];

    private readonly ConcurrentDictionary<(Guid, string), (Instant From, int Count)> _paces = new();

    /// <summary>Most readings of one device in ten seconds; a device that chatters is heard no more often.</summary>
    public const int MostInTenSeconds = 60;

    /// <summary>Takes a reading; never waits.</summary>
    /// <returns>Whether it is taken: a device that chatters is not.</returns>
    public bool Take(ArrivedReading arrived, Instant now)
    {
        var pace = _paces.AddOrUpdate(
            (arrived.Kitchen, arrived.Device),
            _ => (now, 1),
            (_, p) => now - p.From > Duration.FromSeconds(10) ? (now, 1) : (p.From, p.Count + 1)
        );
        if (pace.Count > MostInTenSeconds)
            return false;
        if (_paces.Count > 20_000)
            _paces.Clear();
        return _lanes[(int)((uint)arrived.Kitchen.GetHashCode() % Lanes)].Writer.TryWrite(arrived);
    }

    /// <summary>Works on readings until it is stopped; one that cannot be worked on is said and left.</summary>
    public Task WorkAsync(Func<ArrivedReading, Task> work, Action<Exception> failed, CancellationToken cancel) =>
        Task.WhenAll(
            _lanes.Select(async lane =>
            {
                await foreach (var arrived in lane.Reader.ReadAllAsync(cancel))
                {
                    try
                    {
                        await work(arrived);
                    }
                    catch (Exception e) when (e is not OperationCanceledException || !cancel.IsCancellationRequested)
                    {
                        failed(e);
                    }
                }
            })
        );
}
