using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// The least time from the start of one task to the start of another that links and equal-tray orders force, whatever the resources say.
/// </summary>
internal sealed class ReachTable
{
    private const int Unreached = int.MinValue / 4;
    private readonly int[,] _least;

    /// <summary>Works out the table: longest paths between all pairs that links tie together.</summary>
    public ReachTable(TaskNetwork network)
    {
        var n = network.Tasks.Length;
        _least = new int[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
                _least[i, j] = i == j ? 0 : Unreached;
        }

        foreach (var link in network.Links)
            _least[link.From, link.To] = Math.Max(_least[link.From, link.To], network.Tasks[link.From].Likely + link.MinLag);
        foreach (var (first, second) in network.Orders)
            _least[first, second] = Math.Max(_least[first, second], 0);
        // Links seldom leave a bake: then paths are closed bake by bake, which is quicker.
        var isWithin = network.Links.All(l => network.Tasks[l.From].Bake == network.Tasks[l.To].Bake);
        foreach (var tasks in network.Tasks.GroupBy(t => isWithin ? t.Bake : 0))
            Close([.. tasks.Select(t => t.Index)]);
    }

    /// <summary>Minutes from start to start; null when the one does not have to come before the other.</summary>
    public int? Least(int from, int to) => _least[from, to] == Unreached ? null : _least[from, to];

    private void Close(int[] tasks)
    {
        foreach (var k in tasks)
        {
            foreach (var i in tasks)
            {
                if (_least[i, k] == Unreached)
                    continue;
                foreach (var j in tasks)
                {
                    if (_least[k, j] != Unreached)
                        _least[i, j] = Math.Max(_least[i, j], _least[i, k] + _least[k, j]);
                }
            }
        }
    }
}
