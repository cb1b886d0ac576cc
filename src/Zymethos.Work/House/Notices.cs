using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;

namespace Zymethos.Work.House;

/// <summary>
/// Word that something has changed, from whichever instance changed it to everybody who waits for it. The database carries it (NOTIFY), one
/// line an instance listens, and however many pages wait cost it nothing. A notice says only that there is something to look at; it may
/// come twice, or be lost with the line, so whoever waits also looks by the clock.
/// </summary>
public sealed class Notices
{
    /// <summary>The channel in the database.</summary>
    public const string Channel = "zymethos";

    private const int MostTopics = 5000;

    private readonly ConcurrentDictionary<string, Topic> _topics = new(StringComparer.Ordinal);

    /// <summary>What is said of a long search.</summary>
    public static string OfSearch(Guid id) => $"search {id:N}";

    /// <summary>What is said of a season.</summary>
    public static string OfSeason(Guid id) => $"season {id:N}";

    /// <summary>Tells everybody, in every instance. What was written must be committed before, or they look too early.</summary>
    /// <param name="context">Any context of the database.</param>
    /// <param name="topic">Of what.</param>
    /// <param name="cancel">Stops.</param>
    public static Task SayAsync(ZymethosContext context, string topic, CancellationToken cancel) =>
        context.Database.ExecuteSqlAsync($"SELECT pg_notify({Channel}, {topic})", cancel);

    /// <summary>How often a topic was spoken of, so that nothing is missed between looking and waiting.</summary>
    public long Heard(string topic) => Of(topic).Count;

    private Topic Of(string topic)
    {
        // Topics nobody waits for are forgotten now and then; whoever looked just before looks again by the clock.
        if (_topics.Count > MostTopics)
        {
            foreach (var idle in _topics.Where(t => Volatile.Read(ref t.Value.Waiting) == 0))
                _topics.TryRemove(idle);
        }

        return _topics.GetOrAdd(topic, _ => new Topic());
    }

    /// <summary>Waits until a topic is spoken of, or the time is over; returns at once when that has happened since.</summary>
    /// <param name="topic">Of what.</param>
    /// <param name="since">What <see cref="Heard"/> said before the caller looked.</param>
    /// <param name="atMost">How long; look again then.</param>
    /// <param name="cancel">Ends the wait at once, without an exception.</param>
    public async Task WaitAsync(string topic, long since, TimeSpan atMost, CancellationToken cancel)
    {
        var waiting = Of(topic);
        Interlocked.Increment(ref waiting.Waiting);
        try
        {
            var next = Volatile.Read(ref waiting.Next);
            if (Interlocked.Read(ref waiting.Count) != since)
                return;
            await Task.WhenAny(next.Task, Task.Delay(atMost, cancel));
        }
        finally
        {
            Interlocked.Decrement(ref waiting.Waiting);
        }
    }

    /// <summary>Wakes whoever waits in this instance; called by the line to the database.</summary>
    public void Wake(string topic)
    {
        if (!_topics.TryGetValue(topic, out var waiting))
            return;
        Interlocked.Increment(ref waiting.Count);
        Interlocked.Exchange(ref waiting.Next, Topic.Fresh()).TrySetResult();
    }

    /// <summary>Wakes everybody: the line was away, and nobody knows what was said meanwhile.</summary>
    public void WakeAll()
    {
        foreach (var topic in _topics.Keys)
            Wake(topic);
    }

    private sealed class Topic
    {
        public long Count;
        public int Waiting;
        public TaskCompletionSource Next = Fresh();

        public static TaskCompletionSource Fresh() => new(TaskCreationOptions.RunContinuationsAsynchronously);
    }
}
