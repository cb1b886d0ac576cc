using System.Diagnostics;
using Zymethos.Work.House;

namespace Zymethos.Work.OvenDays;

/// <summary>
/// Lets only so many searches run at once, so that pages stay quick while somebody plans. Bakers who are signed in and strangers at the API
/// wait in lines of their own: strangers never hold more than one place, and never a baker's turn. A line has an end; who finds it full is
/// told so instead of waiting for ever. Safe for use from many threads.
/// </summary>
public sealed class SolverGate : IDisposable
{
    /// <summary>How many may wait in the line of bakers.</summary>
    public const int MostBakers = 40;

    /// <summary>How many may wait in the line of strangers.</summary>
    public const int MostStrangers = 4;

    private readonly Line _bakers = new("bakers", Math.Max(1, Environment.ProcessorCount / 2), MostBakers);
    private readonly Line _strangers = new("strangers", 1, MostStrangers);

    /// <summary>Runs a baker's search when its turn has come.</summary>
    /// <exception cref="QueueFullException">Too many wait already.</exception>
    /// <exception cref="OperationCanceledException">It was given up before its turn.</exception>
    public Task<T> RunAsync<T>(Func<T> search, CancellationToken cancel) => _bakers.RunAsync(search, cancel);

    /// <summary>Runs a stranger's search when its turn has come: one at a time.</summary>
    /// <exception cref="QueueFullException">Too many wait already.</exception>
    /// <exception cref="OperationCanceledException">It was given up before its turn.</exception>
    public Task<T> RunForStrangerAsync<T>(Func<T> search, CancellationToken cancel) => _strangers.RunAsync(search, cancel);

    /// <inheritdoc />
    public void Dispose()
    {
        _bakers.Dispose();
        _strangers.Dispose();
    }

    private sealed class Line(string name, int places, int most) : IDisposable
    {
        private readonly SemaphoreSlim _free = new(places);
        private readonly KeyValuePair<string, object?> _tag = new("line", name);
        private int _here;

        public async Task<T> RunAsync<T>(Func<T> search, CancellationToken cancel)
        {
            // Counted with those who are at it, so that nobody has to know who waits.
            if (Interlocked.Increment(ref _here) > places + most)
            {
                Interlocked.Decrement(ref _here);
                HouseFigures.TurnedAway.Add(1, _tag);
                throw new QueueFullException();
            }

            HouseFigures.Searching.Add(1, _tag);
            try
            {
                await _free.WaitAsync(cancel);
                var began = Stopwatch.GetTimestamp();
                try
                {
                    return await Task.Run(search, cancel);
                }
                finally
                {
                    HouseFigures.Searched.Record(Stopwatch.GetElapsedTime(began).TotalSeconds, _tag);
                    _free.Release();
                }
            }
            finally
            {
                Interlocked.Decrement(ref _here);
                HouseFigures.Searching.Add(-1, _tag);
            }
        }

        public void Dispose() => _free.Dispose();
    }
}

/// <summary>So many wait for a search already that another would only wait in vain.</summary>
public sealed class QueueFullException() : Exception("Too many searches are waiting.");
