using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Changes to an order of moments, by moving them in time: one moment, a task, a piece or a bake, all of it or what lies after or before a
/// moment; a load to another of its heat; two pieces or bakes in each other's place; two stretches of one heat each.
/// </summary>
internal sealed class OrderChanges
{
    private const double BigShare = 0.25;
    private const double ExchangeShare = 0.5;
    private const double OvenShare = 0.125;
    private const double TwoShare = 0.25;
    private const double ToAnotherShare = 0.25;
    private const double WholeBakeShare = 1.0 / 3;

    // Most moves are short: their length is exponential with this mean, in minutes.
    private const double MeanMove = 40;

    // Beside another moment, not at it.
    private const double Beside = 0.5;

    private readonly MomentTable _table;
    private readonly TaskNetwork _network;
    private readonly int[] _settingOf;
    private readonly Random _random;
    private readonly int[][] _ofTask;
    private readonly int[][] _ofPiece;
    private readonly int[][] _ofBake;
    private readonly int[] _ins;
    private readonly int[][] _alike;
    private readonly int[] _movable;
    private readonly int[] _spells;

    public OrderChanges(DayTables day, MomentTable table, Random random)
    {
        (_table, _network, _settingOf, _random) = (table, day.Network, day.SettingOf, random);
        var pieceOf = new int[_network.Tasks.Length];
        foreach (var (tasks, piece) in new ListScheduler(_network).Pieces.Select((p, i) => (p, i)))
        {
            foreach (var t in tasks)
                pieceOf[t] = piece;
        }

        _ofTask = Group(t => t);
        _ofPiece = Group(t => pieceOf[t]);
        _ofBake = Group(t => _network.Tasks[t].Bake);
        _ins = [.. Enumerable.Range(0, table.Moments.Length).Where(i => table.Moments[i].Starts && _settingOf[table.Moments[i].Task] >= 0)];
        _alike = [.. _ins.Select(i => _ins.Where(j => Setting(i) == Setting(j) && _ofPiece[i] != _ofPiece[j]).ToArray())];
        // What takes dough out of an oven after a spell goes with the spell.
        var spellOf = day.StandsWith;
        _movable =
        [
            .. _network.Tasks.Where(t => t.Oven is { UnitsPerItem: > 0, InSecond: > 0 } && spellOf[t.Index] < 0).Select(t => t.Index),
        ];
        _spells = [.. _network.Tasks.Select(t => Array.IndexOf(spellOf, t.Index))];
    }

    /// <summary>Changes the times by which moments are put in order, or the oven of a load.</summary>
    /// <param name="times">The time of each moment as laid.</param>
    /// <param name="wanted">The same times, to be changed.</param>
    /// <param name="oven">The oven of each load, to be changed.</param>
    public void Change(double[] times, double[] wanted, int[] oven)
    {
        if (Chance(BigShare) && MoveMuch(times, wanted))
            return;
        if (_movable.Length > 0 && Chance(OvenShare))
        {
            var load = _movable[Next(_movable.Length)];
            oven[load] = 1 - oven[load];
            if (_spells[load] >= 0)
                oven[_spells[load]] = oven[load];
            return;
        }

        MoveLittle(times, wanted);
        if (Chance(TwoShare))
            MoveLittle(times, wanted);
    }

    private int[][] Group(Func<int, int> by)
    {
        var groups = Enumerable
            .Range(0, _table.Moments.Length)
            .GroupBy(i => by(_table.Moments[i].Task))
            .ToDictionary(g => g.Key, g => g.ToArray());
        return [.. _table.Moments.Select(m => groups[by(m.Task)])];
    }

    private void MoveLittle(double[] times, double[] wanted)
    {
        var moment = Next(times.Length);
        var at = times[moment];
        var by = Chance(ToAnotherShare)
            ? times[Next(times.Length)] - at + (Chance(0.5) ? Beside : -Beside)
            : (1 - (Math.Log(1 - _random.NextDouble()) * MeanMove)) * (Chance(0.5) ? 1 : -1);
        switch (Next(7))
        {
            case 0:
                wanted[moment] += by;
                break;
            case 1:
                Shift(_ofTask[moment], _ => true);
                break;
            case 2:
                Shift(_ofPiece[moment], _ => true);
                break;
            case 3:
                Shift(_ofPiece[moment], t => t >= at);
                break;
            case 4:
                Shift(_ofPiece[moment], t => t <= at);
                break;
            case 5:
                Shift(_ofBake[moment], t => t >= at);
                break;
            default:
                Shift(_ofBake[moment], t => t <= at);
                break;
        }

        void Shift(int[] moments, Func<double, bool> which)
        {
            foreach (var i in moments)
            {
                if (which(times[i]))
                    wanted[i] += by;
            }
        }
    }

    private bool MoveMuch(double[] times, double[] wanted)
    {
        if (_ins.Length == 0)
            return false;
        return Next(3) switch
        {
            0 => MoveToHeat(times, wanted),
            1 => Exchange(times, wanted),
            _ => ExchangeHeats(times, wanted),
        };
    }

    /// <summary>A load to another of its heat: with it, just before or just after.</summary>
    private bool MoveToHeat(double[] times, double[] wanted)
    {
        var pick = Next(_ins.Length);
        if (_alike[pick].Length == 0)
            return false;
        var (load, other) = (_ins[pick], _alike[pick][Next(_alike[pick].Length)]);
        var to = Next(3) switch
        {
            0 => Beside,
            1 => -Likely(load),
            _ => Likely(other),
        };
        foreach (var i in Chance(WholeBakeShare) ? _ofBake[load] : _ofPiece[load])
            wanted[i] += times[other] + to - times[load];
        return true;
    }

    /// <summary>Two pieces, or two bakes, in each other's place.</summary>
    private bool Exchange(double[] times, double[] wanted)
    {
        var groups = Chance(ExchangeShare) ? _ofBake : _ofPiece;
        var (one, other) = (groups[Next(times.Length)], groups[Next(times.Length)]);
        if (one == other)
            return false;
        var by = First(other) - First(one);
        foreach (var i in one)
            wanted[i] += by;
        foreach (var i in other)
            wanted[i] -= by;
        return true;

        double First(int[] moments)
        {
            var first = double.MaxValue;
            foreach (var i in moments)
                first = Math.Min(first, times[i]);
            return first;
        }
    }

    /// <summary>A stretch in which the oven keeps one setting and the next one in each other's place, with all that belongs to their
    /// loads.</summary>
    private bool ExchangeHeats(double[] times, double[] wanted)
    {
        var inTime = (int[])_ins.Clone();
        Array.Sort(inTime, (a, b) => times[a].CompareTo(times[b]));
        var (from, until) = StretchAround(Next(inTime.Length));
        if (until == inTime.Length)
            return false;
        var (_, last) = StretchAround(until);
        var end = last < inTime.Length ? times[inTime[last]] : times[inTime[last - 1]] + Likely(inTime[last - 1]);
        var (later, sooner) = (end - times[inTime[until]], times[inTime[from]] - times[inTime[until]]);
        for (var k = from; k < last; k++)
        {
            foreach (var i in _ofPiece[inTime[k]])
                wanted[i] = times[i] + (k < until ? later : sooner);
        }

        return true;

        (int From, int Until) StretchAround(int place)
        {
            var (first, beyond) = (place, place + 1);
            while (first > 0 && Setting(inTime[first - 1]) == Setting(inTime[place]))
                first--;
            while (beyond < inTime.Length && Setting(inTime[beyond]) == Setting(inTime[place]))
                beyond++;
            return (first, beyond);
        }
    }

    private int Setting(int moment) => _settingOf[_table.Moments[moment].Task];

    private int Likely(int moment) => _network.Tasks[_table.Moments[moment].Task].Likely;

#pragma warning disable CA5394 // A search order is no secret.
    private bool Chance(double share) => _random.NextDouble() < share;

    private int Next(int below) => _random.Next(below);
#pragma warning restore CA5394
}
