using System.Collections.Concurrent;
using NodaTime;

namespace Zymethos.Web.Places.Account;

/// <summary>
/// Counts wrong passwords: so many from one address for one account, and so many from one address for any. Nobody can lock somebody else's
/// account with it, and it answers for an account that does not exist as for one that does. Kept in memory of one instance and bounded.
/// Safe for use from many threads.
/// </summary>
public sealed class SignInGuard(IClock clock)
{
    /// <summary>Wrong passwords for one account from one address before it has to wait.</summary>
    public const int MostForOne = 5;

    /// <summary>Wrong passwords from one address, for whatever accounts, before it has to wait.</summary>
    public const int MostFromOne = 40;

    /// <summary>How long it has to wait.</summary>
    public static readonly Duration Pause = Duration.FromMinutes(10);

    private const int MostKept = 20_000;
    private readonly ConcurrentDictionary<string, Tally> _wrong = new(StringComparer.Ordinal);

    /// <summary>Whether an address has to wait before it may try again.</summary>
    /// <param name="from">The address of whoever tries; empty where it is not known.</param>
    /// <param name="email">The account that is tried, as typed.</param>
    public bool MustWait(string from, string email) => Count(One(from, email)) >= MostForOne || Count(Any(from)) >= MostFromOne;

    /// <summary>Takes a wrong password down.</summary>
    public void Wrong(string from, string email)
    {
        if (_wrong.Count > MostKept)
            Forget();
        var now = clock.GetCurrentInstant();
        foreach (var key in new[] { One(from, email), Any(from) })
            _wrong.AddOrUpdate(
                key,
                new Tally(1, now + Pause),
                (_, t) => t.Until <= now ? new Tally(1, now + Pause) : t with { Count = t.Count + 1, Until = now + Pause }
            );
    }

    /// <summary>The right password forgets the wrong ones for this account from this address.</summary>
    public void Right(string from, string email) => _wrong.TryRemove(One(from, email), out _);

    private int Count(string key) => _wrong.TryGetValue(key, out var tally) && tally.Until > clock.GetCurrentInstant() ? tally.Count : 0;

    private void Forget()
    {
        var now = clock.GetCurrentInstant();
        foreach (var (key, tally) in _wrong)
        {
            if (tally.Until <= now)
                _wrong.TryRemove(key, out _);
        }

        // A flood of addresses: better to forget all than to hold on to any.
        if (_wrong.Count > MostKept)
            _wrong.Clear();
    }

    private static string One(string from, string email) => $"{from}|{email.Trim().ToUpperInvariant()}";

    private static string Any(string from) => $"{from}|";

    private sealed record Tally(int Count, Instant Until);
}
