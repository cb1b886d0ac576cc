using System.Runtime.CompilerServices;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Benches;
using Zymethos.Work.Devices;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Bench;

/// <summary>That a session has something new.</summary>
/// <param name="Seq">Up to which event.</param>
/// <param name="Plan">Which plan.</param>
/// <param name="Readings">What the kitchen's devices say now; null where that is not what is new.</param>
public sealed record BenchStir(long Seq, int Plan, IReadOnlyList<LiveReading>? Readings = null);

/// <summary>What a Bench hears from the server for as long as it is open: that there is something new, and what devices say.</summary>
public sealed class BenchStream(
    BenchDesk desk,
    BenchPasses passes,
    Notices notices,
    LiveReadings live,
    ICurrentKitchen kitchen,
    IHostApplicationLifetime lifetime
)
{
    // Told again though nothing is new: whoever hears nothing for a while knows that the line is dead.
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(5);

    // Devices speak every second, several of them; the eye needs no more.
    private static readonly TimeSpan Breath = TimeSpan.FromMilliseconds(300);

    /// <summary>Goes on until the session, the pass, the page or the application ends.</summary>
    /// <param name="id">The session.</param>
    /// <param name="pass">The pass of a helper; null for a baker.</param>
    /// <param name="cancel">The page is gone.</param>
    public async IAsyncEnumerable<BenchStir> ListenAsync(Guid id, Guid? pass, [EnumeratorCancellation] CancellationToken cancel)
    {
        if (kitchen.KitchenId is not { } own)
            yield break;
        var stopping = lifetime.ApplicationStopping;
        var (topic, readings) = (BenchTelling.Topic(id), LiveReadings.Topic(own));
        var (seen, seenReadings, looked) = (-1L, -1L, 0L);
        var last = new BenchStir(0, 0);
        while (!stopping.IsCancellationRequested)
        {
            var (heard, heardReadings) = (notices.Heard(topic), notices.Heard(readings));
            var now = Environment.TickCount64;
            if (heard != seen || now - looked >= Look.TotalMilliseconds)
            {
                if (pass is { } mine && !await passes.LetsInAsync(mine, cancel))
                    yield break;
                if (await desk.StirAsync(id, cancel) is not var (seq, plan))
                    yield break;
                (seen, looked) = (heard, now);
                yield return last = new BenchStir(seq, plan);
            }

            if (heardReadings != seenReadings)
            {
                seenReadings = heardReadings;
                if (live.Of(own) is { Count: > 0 } said)
                    yield return last with
                    {
                        Readings = said,
                    };
                await Task.Delay(Breath, cancel);
            }

            using var waiting = CancellationTokenSource.CreateLinkedTokenSource(cancel, stopping);
            await Task.WhenAny(
                notices.WaitAsync(topic, heard, Look, waiting.Token),
                notices.WaitAsync(readings, heardReadings, Look, waiting.Token)
            );
            await waiting.CancelAsync();
            cancel.ThrowIfCancellationRequested();
        }
    }
}
