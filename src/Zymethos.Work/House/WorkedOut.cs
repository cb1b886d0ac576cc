using System.Collections.Concurrent;
using Microsoft.Extensions.Caching.Memory;

namespace Zymethos.Work.House;

/// <summary>
/// What was worked out of rows of the database and holds until they change: a plan brought back to life, a Book read into recipes. Whoever
/// asks brings the stamp of the rows as they are now; what was worked out of others is forgotten. Values are shared between requests and
/// threads and must never be changed. Nothing depends on this: with an empty one everything is only slower.
/// </summary>
public sealed class WorkedOut : IDisposable
{
    // So many pages of text, a recipe or a planned day counting as a few, fit into some hundred megabytes.
    private const long Room = 20_000;

    private readonly MemoryCache _kept = new(new MemoryCacheOptions { SizeLimit = Room, CompactionPercentage = 0.2 });
    private readonly ConcurrentDictionary<(Guid Kitchen, string What), SemaphoreSlim> _making = new();

    /// <summary>The value, worked out when it is not there or was made of other rows. Of several who ask at once one works it
    /// out.</summary>
    /// <param name="kitchen">Whose it is: one kitchen never gets what belongs to another.</param>
    /// <param name="what">Which of its values.</param>
    /// <param name="stamp">The state of the rows that it is made of.</param>
    /// <param name="weight">How much room it takes, in pages of text, 1 or more.</param>
    /// <param name="make">Works it out; null when there is nothing any more. What it throws is thrown on; in both cases nothing is
    /// kept.</param>
    /// <param name="cancel">Stops waiting for another who works it out.</param>
    public async Task<T?> GetAsync<T>(
        Guid kitchen,
        string what,
        string stamp,
        Func<T, long> weight,
        Func<Task<T?>> make,
        CancellationToken cancel
    )
        where T : class
    {
        var key = (kitchen, what);
        if (Find<T>(key, stamp) is { } there)
            return there;
        var one = _making.GetOrAdd(key, _ => new SemaphoreSlim(1, 1));
        await one.WaitAsync(cancel);
        try
        {
            if (Find<T>(key, stamp) is { } made)
                return made;
            if (await make() is not { } value)
                return null;
            _kept.Set(key, (stamp, (object)value), new MemoryCacheEntryOptions { Size = Math.Max(1, weight(value)) });
            return value;
        }
        finally
        {
            one.Release();
            if (_making.Count > 5000)
                _making.Clear();
        }
    }

    private T? Find<T>((Guid, string) key, string stamp)
        where T : class => _kept.TryGetValue(key, out (string Stamp, object Value) kept) && kept.Stamp == stamp ? (T)kept.Value : null;

    /// <inheritdoc />
    public void Dispose() => _kept.Dispose();
}
