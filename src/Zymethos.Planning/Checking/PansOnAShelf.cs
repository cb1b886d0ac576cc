using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Checking;

/// <summary>
/// Whether pans stand side by side on a shelf, told by the checker's own means: counted in rows, put into corners in several orders, and at
/// last by relations: of every two, one is left of, right of, before or behind the other, and for each way of saying so the longest chain
/// from left to right and from front to back must fit (two pans that do not overlap are always apart along one side, so that with time
/// enough nothing is missed).
/// </summary>
internal sealed class PansOnAShelf
{
    // A shelf holds a few pans, for which a few hundred steps do; what needs more than this is taken not to fit.
    private const int MostSteps = 60_000;

    private readonly Footprint[] _pans;
    private readonly int _width;
    private readonly int _depth;
    private readonly int[] _across;
    private readonly int[] _deep;
    private readonly List<(int First, int Then)> _sideways = [];
    private readonly List<(int First, int Then)> _lengthways = [];
    private int _steps;

    private PansOnAShelf(Oven oven, IEnumerable<Footprint> pans)
    {
        _pans = [.. pans.OrderByDescending(p => (long)p.Long * p.Wide)];
        (_width, _depth) = ((int)Math.Floor(oven.ShelfWidth.Millimetres + 1e-6), (int)Math.Floor(oven.ShelfDepth.Millimetres + 1e-6));
        (_across, _deep) = (new int[_pans.Length], new int[_pans.Length]);
    }

    /// <summary>Whether they do; pans of one kind are counted in rows first.</summary>
    public static bool Fit(Oven oven, IReadOnlyList<Footprint> pans)
    {
        var shelf = new PansOnAShelf(oven, pans);
        if (shelf.StandInRows() || shelf.StandAtCorners())
            return true;
        shelf._steps = 0;
        return shelf.Put(0);
    }

    private bool StandInRows()
    {
        if (_pans.Length == 0)
            return true;
        var one = _pans[0];
        if (Array.Exists(_pans, p => p != one))
            return false;
        return _pans.Length <= Math.Max(_width / one.Long * (_depth / one.Wide), _width / one.Wide * (_depth / one.Long));
    }

    /// <summary>
    /// One after another into a free corner, turned either way, with second thoughts, in several orders: finds nearly all that there is to
    /// find, and quickly. What it does not find may still be there.
    /// </summary>
    private bool StandAtCorners()
    {
        if (_pans.Sum(p => (long)p.Long * p.Wide) > (long)_width * _depth)
            return false;
        Footprint[][] orders =
        [
            _pans,
            [.. _pans.OrderByDescending(p => p.Long).ThenBy(p => p.Wide)],
            [.. _pans.OrderByDescending(p => p.Wide).ThenBy(p => p.Long)],
            [.. _pans.Reverse()],
        ];
        return Array.Exists(
            orders,
            order =>
            {
                _steps = 0;
                return StandAtCorners(order, []);
            }
        );
    }

    private bool StandAtCorners(Footprint[] order, ImmutableArray<(int Left, int Front, int Right, int Back)> stand)
    {
        if (stand.Length == order.Length)
            return true;
        var pan = order[stand.Length];
        // Of two alike that follow each other, the second stands no further to the left.
        var least = stand.Length > 0 && order[stand.Length - 1] == pan ? stand[^1].Left : 0;
        foreach (var left in stand.Select(s => s.Right).Append(0).Where(l => l >= least).Distinct().Order())
        {
            foreach (var front in stand.Select(s => s.Back).Append(0).Distinct().Order())
            {
                foreach (var (across, deep) in Turned(pan))
                {
                    if (left + across > _width || front + deep > _depth)
                        continue;
                    if (++_steps > MostSteps)
                        return false;
                    if (stand.Any(s => left < s.Right && s.Left < left + across && front < s.Back && s.Front < front + deep))
                        continue;
                    if (StandAtCorners(order, stand.Add((left, front, left + across, front + deep))))
                        return true;
                }
            }
        }

        return false;
    }

    private static (int Across, int Deep)[] Turned(Footprint pan) =>
        pan.Long == pan.Wide ? [(pan.Long, pan.Wide)] : [(pan.Long, pan.Wide), (pan.Wide, pan.Long)];

    /// <summary>Puts pan <paramref name="n"/> and all after it beside those that stand.</summary>
    private bool Put(int n)
    {
        if (n == _pans.Length)
            return true;
        foreach (var (across, deep) in Turned(_pans[n]))
        {
            (_across[n], _deep[n]) = (across, deep);
            if (_across[n] <= _width && _deep[n] <= _depth && Relate(n, 0))
                return true;
        }

        return false;
    }

    /// <summary>Of two alike the later is never left of the earlier. Says for pan <paramref name="n"/> on which side of pan
    /// <paramref name="other"/> and of all after it up to itself it stands.</summary>
    private bool Relate(int n, int other)
    {
        if (other == n)
            return Put(n + 1);
        return Try(_sideways, (other, n), _across, _width, n, other)
            || Try(_lengthways, (other, n), _deep, _depth, n, other)
            || (_pans[n] != _pans[other] && Try(_sideways, (n, other), _across, _width, n, other))
            || Try(_lengthways, (n, other), _deep, _depth, n, other);
    }

    private bool Try(List<(int First, int Then)> chain, (int First, int Then) pair, int[] size, int room, int n, int other)
    {
        if (++_steps > MostSteps)
            return false;
        chain.Add(pair);
        if (Longest(chain, size, n + 1) <= room && Relate(n, other + 1))
            return true;
        chain.RemoveAt(chain.Count - 1);
        return false;
    }

    /// <summary>The longest chain of the first <paramref name="count"/> pans, in millimetres; the largest number when it runs in a
    /// circle.</summary>
    private static int Longest(List<(int First, int Then)> chain, int[] size, int count)
    {
        Span<int> from = stackalloc int[count];
        for (var round = 0; round <= count; round++)
        {
            var moved = false;
            foreach (var (first, then) in chain)
            {
                if (from[first] + size[first] <= from[then])
                    continue;
                from[then] = from[first] + size[first];
                moved = true;
            }

            if (moved)
                continue;
            var longest = 0;
            for (var i = 0; i < count; i++)
                longest = Math.Max(longest, from[i] + size[i]);
            return longest;
        }

        return int.MaxValue;
    }
}
