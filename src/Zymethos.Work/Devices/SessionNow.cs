using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Planning.Bench;
using Zymethos.Store;
using Zymethos.Work.Benches;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Devices;

/// <summary>The session that a kitchen works through, as devices see it: looked at again at most once in <see cref="Fresh"/>. Used by one
/// reading after the other.</summary>
internal sealed class SessionNow(WorkedOut worked, SolverGate gate, LookGate looks, IClock clock)
{
    private static readonly Duration Fresh = Duration.FromMilliseconds(800);

    private Instant _looked = Instant.MinValue;
    private Guid _session;
    private long _seq = -1;

    /// <summary>The session; null while none is at work.</summary>
    public BenchWork? Work { get; private set; }

    /// <summary>How it stands.</summary>
    public BenchState State { get; private set; } = BenchState.From([]);

    /// <summary>Looks again, if it is time.</summary>
    public async Task LookAsync(ZymethosContext context, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        if (now - _looked < Fresh && now >= _looked)
            return;
        _looked = now;
        var session = await context
            .BenchSessions.AsNoTracking()
            .Where(s => s.EndedAt == null)
            .Select(s => (Guid?)s.Id)
            .SingleOrDefaultAsync(cancel);
        if (session is not { } id)
        {
            Work = null;
            return;
        }

        var desk = new BenchDesk(context, worked, gate, looks, clock);
        Work = await desk.OpenAsync(id, cancel);
        var seq = await context.BenchEvents.Where(e => e.SessionId == id).MaxAsync(e => (long?)e.Seq, cancel) ?? 0;
        if (id == _session && seq == _seq)
            return;
        State = BenchState.From(await desk.EventsAsync(id, cancel));
        (_session, _seq) = (id, seq);
    }

    /// <summary>Something was told just now: it is looked at again before the next reading counts.</summary>
    public void Stale() => _looked = Instant.MinValue;
}
