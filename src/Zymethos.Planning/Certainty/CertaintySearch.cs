using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Certainty;

/// <summary>What a plan is worth on rehearsed days.</summary>
/// <param name="Together">Share of the days on which everything was well.</param>
/// <param name="DoneBy">The hour that nine of ten days keep, in minutes, smoothed over the days around it.</param>
/// <param name="Lean">What the baker leans toward, in minutes, on average; less is better.</param>
/// <param name="Cost">Less is better.</param>
internal readonly record struct Score(double Together, double DoneBy, double Lean, double Cost);

/// <summary>
/// Looks for a plan that survives: orders of the day's moments beside each other, each laid as a plan that obeys every rule, are lived
/// through the same drawn days, and what brings the chance that was asked for, and then the soonest hour that nine of ten days keep, is
/// gone on from (simulated annealing on common random numbers; Fu 2002, "Optimization for simulation: theory vs. practice"). Not for
/// several threads at once.
/// </summary>
internal sealed class CertaintySearch
{
    // A day dearer by so many minutes is kept with a chance of 1/e at first, and by a share of what it lacks in certainty.
    private const double Heat = 15;
    private const double HeatOfMissing = 0.12;

    // By how much later a plan's own finish may be than that of the plan it comes from, in minutes: what survives is seldom much longer.
    private const double Longer = 60;

    // What a hundredth of the days costs that is missing from what was asked for, and what it costs beyond that, in minutes.
    private const double Missing = 20;
    private const double Beyond = 0.7;

    // The nine-of-ten hour is taken from the days between these shares: one day more or less says little.
    private const double From = 0.82;
    private const double Until = 0.97;

    private const double BrokenWeight = 3;

    // So many plans of so many steps were lived through so many days a second when this was measured; it grows faster than the steps.
    private const double TriesASecond = 130;
    private const double StepsMeasured = 67;
    private const double DaysMeasured = 100;
    private const double Growth = 1.5;

    // A day of few moments has been looked through when as many tries as they have pairs brought nothing, or at least so many.
    private const int LeastPatience = 200;

    // After so many orders in a row that are none, or none that is new, there are no others beside the one that stands.
    private const int MostIdle = 20_000;

    // So many of the best are kept, to be looked at again on days they were not chosen by.
    private const int Kept = 5;
    private const int KeptOnTheWay = 10;

    // By so many minutes nine of ten days may end before the plan's own finish, since work is begun sooner where it can be.
    private const int Sooner = 20;

    // What went wrong counts less with every plan that is lived.
    private const float Forget = 0.95f;

    // A minute of what the baker leans toward beside one of the hour that nine of ten days keep.
    private const double LeanWeight = 3;

    private readonly DayLean _lean;
    private readonly double _leanWeight;
    private readonly DayStatics _of;
    private readonly DayDraws _draws;
    private readonly double _target;
    private readonly RehearsedDay _day;
    private readonly int[] _finishes;

    // Days that went wrong lately are lived first: a plan that is no good is seen sooner.
    private readonly int[] _order;
    private readonly float[] _wrong;

    /// <summary>Prepares.</summary>
    /// <param name="statics">The day.</param>
    /// <param name="draws">The days that every plan is lived through.</param>
    /// <param name="target">The share of days on which everything is to be well, 0 to 1.</param>
    public CertaintySearch(DayStatics statics, DayDraws draws, double target)
    {
        (_of, _draws, _target) = (statics, draws, target);
        _lean = statics.Network.Lean;
        _leanWeight = _lean == DayLean.DoneEarly ? 0 : LeanWeight;
        _day = new RehearsedDay(statics, new DispatchRule());
        _finishes = new int[draws.Days];
        _order = [.. Enumerable.Range(0, draws.Days)];
        _wrong = new float[draws.Days];
    }

    /// <summary>How many plans were lived.</summary>
    public int Tries { get; private set; }

    /// <summary>What a plan is worth; the cost is the largest number where it is above a limit.</summary>
    /// <param name="script">The plan.</param>
    /// <param name="finish">Its own finish: nine of ten days do not end much sooner.</param>
    /// <param name="limit">The highest cost that is of interest.</param>
    public Score Evaluate(DayScript script, int finish, double limit = double.MaxValue)
    {
        var days = _draws.Days;
        var least = _leanWeight == 0 ? finish - Sooner : 0;
        if (least > limit)
            return new(0, 0, 0, double.MaxValue);
        Tries++;
        var bad = 0;
        var lean = 0.0;
        for (var i = 0; i < days; i++)
        {
            var day = _order[i];
            _day.Live(script, _draws.Of(day));
            _finishes[i] = _day.Finish;
            lean += LeanMinutes();
            _wrong[day] *= Forget;
            if (_day.IsWell)
                continue;
            bad++;
            _wrong[day]++;
            if (least + Penalty(1 - ((double)bad / days)) <= limit)
                continue;
            Array.Sort(_order, (a, b) => _wrong[b].CompareTo(_wrong[a]));
            return new(1 - ((double)bad / days), 0, 0, double.MaxValue);
        }

        Array.Sort(_finishes);
        var (from, until) = ((int)(days * From), Math.Max((int)(days * From) + 1, (int)(days * Until)));
        var sum = 0.0;
        for (var i = from; i < until; i++)
            sum += _finishes[i];
        var together = 1 - ((double)bad / days);
        var done = sum / (until - from);
        lean /= days;
        return new(together, done, lean, done + (_leanWeight * lean) + Penalty(together));
    }

    private int LeanMinutes() =>
        _lean switch
        {
            DayLean.ShortDay => _day.Finish - _day.FirstTouch,
            DayLean.LessOven => _day.HotMinutes,
            DayLean.Fresher => _day.MakingMinutes,
            _ => 0,
        };

    private double Penalty(double together) => Penalty(together, _target);

    /// <summary>What days cost on which something is amiss, in minutes.</summary>
    /// <param name="together">Share of the days on which everything is well, 0 to 1.</param>
    /// <param name="target">The share that was asked for.</param>
    internal static double Penalty(double together, double target) =>
        100 * ((Missing * Math.Max(0, target - together)) + (Beyond * (1 - together)));

    /// <summary>Looks for better plans than one that obeys every rule.</summary>
    /// <param name="first">The plan to begin with.</param>
    /// <param name="seed">Seed of the changes.</param>
    /// <param name="time">How long it is meant to take: the number of tries follows from it and from the day, so that the same input gives
    /// the same plans unless the machine is so slow that time runs out.</param>
    /// <param name="left">The share of the time that is left by the clock, from 1 to 0; asked before every try.</param>
    /// <param name="onBetter">Told of every better plan.</param>
    /// <returns>The best that were found and those on the way to them that are surer than all that are done sooner, the best
    /// first.</returns>
    public IReadOnlyList<(Plan Plan, Score Score)> Improve(
        Plan first,
        int seed,
        TimeSpan time,
        Func<double> left,
        Action<Plan, Score> onBetter
    )
    {
        var score = Evaluate(DayScript.For(_of, first), first.Finish(_of.Network));
        var best = new List<(Plan Plan, Score Score)> { (first, score) };
        var front = new List<(Plan Plan, Score Score)>();
#pragma warning disable CA5394 // A search order is no secret.
        var random = new Random(seed);
        var walk = new OrderWalk(_of.Tables, first, random);
        if (walk.Moments < 2 || !walk.LayFirst(BrokenWeight))
            return best;
        walk.Accept();
        var laid = walk.Timetable.Cost;
        var most = time.TotalSeconds * TriesASecond * Math.Pow(StepsMeasured / _of.Likely.Length, Growth) * DaysMeasured / _draws.Days;
        var idle = 0;
        var (lastBest, patience) = (Tries, Math.Max(LeastPatience, walk.Moments * walk.Moments));
        while (true)
        {
            var share = Math.Min(left(), 1 - (Tries / most));
            if (share <= 0 || Tries - lastBest > patience || idle++ > MostIdle)
                break;
            if (!walk.Propose() || !walk.Lay(laid + Longer, BrokenWeight) || !walk.Timetable.IsSettled)
                continue;
            var heat = (Heat + (HeatOfMissing * Penalty(score.Together))) * share * share;
            var limit = score.Cost - (Math.Log(1 - random.NextDouble()) * heat);
            var script = new DayScript(_of, [.. walk.Timetable.Starts], [.. walk.Timetable.Oven]);
            var next = Evaluate(script, walk.Timetable.Finish, limit);
            idle = 0;
            if (next.Cost > limit)
                continue;
            walk.Accept();
            (score, laid) = (next, walk.Timetable.Cost);
            var isBest = best.Count < Kept || score.Cost < best[^1].Score.Cost;
            var isFront = front.TrueForAll(f => f.Score.Together < score.Together || f.Score.DoneBy > score.DoneBy);
            if (!isBest && !isFront)
                continue;
            var plan = walk.Timetable.ToPlan();
            if (isFront)
            {
                front.RemoveAll(f => f.Score.Together <= score.Together && f.Score.DoneBy >= score.DoneBy);
                front.Add((plan, score));
            }

            if (!isBest)
                continue;
            if (score.Cost < best[0].Score.Cost)
            {
                onBetter(plan, score);
                lastBest = Tries;
            }

            best.Add((plan, score));
            best.Sort((a, b) => a.Score.Cost.CompareTo(b.Score.Cost));
            if (best.Count > Kept)
                best.RemoveAt(Kept);
        }
#pragma warning restore CA5394
        return [.. best, .. front.OrderBy(f => f.Score.DoneBy).Where((_, i) => i % (1 + (front.Count / KeptOnTheWay)) == 0)];
    }
}
