using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Looks for a better order of a day's moments, from which its times follow (<see cref="Timetable"/>): some moments are moved in time
/// (<see cref="OrderChanges"/>), and the new order is kept when it is no worse, or now and then when it is a little worse, ever less so
/// (simulated annealing, Kirkpatrick, Gelatt and Vecchi 1983). Orders that break a window may be kept on the way, at a price. Ten thousands
/// of days are laid a second, so that the solver, which is better at the last tenth and slow at the first, begins from a good plan. The
/// number of tries follows from the day and the limit, not from the clock: the same input gives the same plan, unless the machine is so
/// slow that time runs out.
/// </summary>
internal sealed class OrderSearch
{
    /// <summary>Share of the limit that the tries are meant to take.</summary>
    private const double Share = 0.08;

    // So many days of so many steps were laid a second when this was measured, and what it takes grows somewhat faster than the steps.
    private const double TriesASecond = 60_000;
    private const double StepsMeasured = 67;
    private const double Growth = 1.6;

    // A day dearer by this share of the finish is kept with a chance of 1/e at first.
    private const double Heat = 0.03;

    // A minute by which a window is broken costs little at first, so that days far from here can be reached, and more and more.
    private const double BrokenWeightAtFirst = 0.5;
    private const double BrokenWeightAtLast = 3;

    // Checking a plan takes as long as laying dozens: one that is better by less than this share is checked when a better one is found, or
    // at the end.
    private const double Step = 0.01;

    private readonly TaskNetwork _network;
    private readonly OrderWalk _walk;
    private readonly Random _random;
    private Plan _best;
    private int _bestFinish;
    private (Plan Plan, int Finish)? _unchecked;

    private OrderSearch(TaskNetwork network, Plan first, int seed)
    {
        (_network, _best, _bestFinish) = (network, first, first.Finish(network));
        _random = new Random(seed);
        _walk = new OrderWalk(new DayTables(network), first, _random);
    }

    /// <summary>So many tries as a search of a limit is meant to spend on a day.</summary>
    public static int Tries(TaskNetwork network, TimeSpan limit) =>
        (int)(limit.TotalSeconds * Share * TriesASecond * Math.Pow(StepsMeasured / Math.Max(1, network.Tasks.Length), Growth));

    /// <summary>Looks for a better plan than one that obeys every rule. What it finds obeys every rule too and finishes sooner; the plan
    /// itself where it finds none.</summary>
    /// <param name="network">The day.</param>
    /// <param name="first">The plan to begin from.</param>
    /// <param name="seed">Seed of the tries.</param>
    /// <param name="tries">How many days to lay.</param>
    /// <param name="isOver">Asked before every try; true ends the search. Null for never.</param>
    /// <param name="onBetter">Told of every better plan; null when nobody listens.</param>
    public static Plan Improve(
        TaskNetwork network,
        Plan first,
        int seed,
        int tries,
        Func<bool>? isOver = null,
        Action<Plan>? onBetter = null
    )
    {
        var search = new OrderSearch(network, first, seed);
        if (search._walk.Moments > 1)
            search.Anneal(tries, isOver ?? (() => false), onBetter ?? (_ => { }));
        return search._best;
    }

    /// <summary>
    /// The day in an order in which it stood: when something takes longer than it was planned to, the rest follows in its old order. Null
    /// when a step has no place in that order, or a rule is broken by keeping it.
    /// </summary>
    /// <param name="network">The day as it is now.</param>
    /// <param name="stood">Where steps stood, by their ids.</param>
    public static Plan? InOrder(TaskNetwork network, IReadOnlyDictionary<TaskId, int> stood)
    {
        if (!network.Tasks.All(t => stood.ContainsKey(t.Id)))
            return null;
        var old = new Plan(
            [
                .. network.Tasks.Select(t => new PlannedTask(stood[t.Id], stood[t.Id] + t.TakesFrom(stood[t.Id]), [], [])
                {
                    Oven = t.Oven is { UnitsPerItem: 0 } ? 1 : 0,
                }),
            ]
        );
        return InOrder(network, old);
    }

    /// <summary>The day laid in the order of a plan that need not obey the rules; null where that order is none.</summary>
    internal static Plan? InOrder(TaskNetwork network, Plan old)
    {
        var search = new OrderSearch(network, old, 0);
        return
            search._walk.LayFirst(BrokenWeightAtFirst)
            && search._walk.Timetable is { IsSettled: true } day
            && day.ToPlan() is var plan
            && PlanChecker.Check(network, plan).Count == 0
            ? plan
            : null;
    }

    private void Anneal(int tries, Func<bool> isOver, Action<Plan> onBetter)
    {
        var cost = _walk.LayFirst(BrokenWeightAtFirst) ? Keep(onBetter) : double.MaxValue;
        for (var i = 0; i < tries && !isOver(); i++)
        {
            if (!_walk.Propose())
                continue;
            var left = 1 - ((double)i / tries);
#pragma warning disable CA5394 // A search order is no secret.
            if (
                _walk.Lay(
                    cost - (Math.Log(1 - _random.NextDouble()) * Heat * _bestFinish * left * left),
                    BrokenWeightAtLast - ((BrokenWeightAtLast - BrokenWeightAtFirst) * left)
                )
            )
                cost = Keep(onBetter);
#pragma warning restore CA5394
        }

        Check(onBetter);
    }

    /// <summary>Goes on from the day that was laid last; its cost.</summary>
    private double Keep(Action<Plan> onBetter)
    {
        _walk.Accept();
        var day = _walk.Timetable;
        if (day.IsSettled && day.Finish < (_unchecked?.Finish ?? _bestFinish))
        {
            _unchecked = (day.ToPlan(), day.Finish);
            if (day.Finish < _bestFinish * (1 - Step))
                Check(onBetter);
        }

        return day.Cost;
    }

    /// <summary>Takes the best plan so far when the checker finds nothing against it.</summary>
    private void Check(Action<Plan> onBetter)
    {
        if (_unchecked is not var (plan, finish))
            return;
        _unchecked = null;
        if (PlanChecker.Check(_network, plan).Count > 0)
            return;
        (_best, _bestFinish) = (plan, finish);
        onBetter(plan);
    }
}
