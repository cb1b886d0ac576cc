namespace Zymethos.Web.OvenDays;

/// <summary>Lets only so many searches run at once, so that pages stay quick while somebody plans.</summary>
public sealed class SolverGate : IDisposable
{
    private readonly SemaphoreSlim _free = new(Math.Max(1, Environment.ProcessorCount / 2));

    /// <summary>Runs a search when its turn has come.</summary>
    public async Task<T> RunAsync<T>(Func<T> search, CancellationToken cancel)
    {
        await _free.WaitAsync(cancel);
        try
        {
            return await Task.Run(search, cancel);
        }
        finally
        {
            _free.Release();
        }
    }

    /// <inheritdoc />
    public void Dispose() => _free.Dispose();
}
