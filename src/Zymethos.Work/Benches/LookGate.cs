namespace Zymethos.Work.Benches;

/// <summary>
/// Lets only so many days be worked out anew at once: a touch is kept and answered at once however many kitchens are at work, and what
/// follows from it waits its turn. Safe for any number of threads.
/// </summary>
public sealed class LookGate : IDisposable
{
    /// <summary>How long a day may wait for its turn before whoever asks is told that it waits.</summary>
    public static readonly TimeSpan Patience = TimeSpan.FromSeconds(2);

    private readonly SemaphoreSlim _free = new(Math.Max(1, Environment.ProcessorCount / 2));

    /// <summary>Works something out when its turn has come.</summary>
    /// <exception cref="LookWaitsException">Its turn has not come in time.</exception>
    /// <exception cref="OperationCanceledException">It was given up before its turn.</exception>
    public async Task<T> RunAsync<T>(Func<T> work, CancellationToken cancel)
    {
        if (!await _free.WaitAsync(Patience, cancel))
            throw new LookWaitsException();
        try
        {
            return await Task.Run(work, cancel);
        }
        finally
        {
            _free.Release();
        }
    }

    /// <inheritdoc />
    public void Dispose() => _free.Dispose();
}

/// <summary>Many days are worked out just now, and this one waits: what was touched is kept, and how the day goes on is said in a
/// moment.</summary>
public sealed class LookWaitsException : Exception
{
    /// <summary>Says so.</summary>
    public LookWaitsException()
        : base("Many are at work; how this day goes on is said in a moment.") { }
}
