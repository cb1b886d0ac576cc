using System.Collections.Immutable;
using NodaTime;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>
/// A plan at work: tells how the day goes on from what has really happened, by the same rule that the rehearsed baker follows
/// (<c>DispatchRule</c>). It works out once what goes for every look and may be shared by any number of threads.
/// </summary>
public sealed class BenchDay
{
    /// <summary>Days that the rest is lived through for its chance.</summary>
    internal const int Days = 200;

    // The same days that a rehearsal lives when nobody says otherwise.
    private const int Seed = 1;

    private readonly DayStatics _statics;
    private readonly DayScript _script;
    private readonly DayDraws _usual;
    private readonly Lazy<DayDraws> _draws;

    /// <summary>Prepares.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">Its plan; it has passed the checker once.</param>
    public BenchDay(TaskNetwork network, Plan plan)
    {
        (Network, Plan) = (network, plan);
        _statics = new DayStatics(network);
        _script = DayScript.For(_statics, plan);
        _usual = DayDraws.Usual(network);
        _draws = new(() => new DayDraws(network, Days, Seed));
        Clock = DayMinutes.Of(network);
    }

    /// <summary>The day.</summary>
    public TaskNetwork Network { get; }

    /// <summary>Its plan.</summary>
    public Plan Plan { get; }

    /// <summary>Its clock.</summary>
    public DayMinutes Clock { get; }

    /// <summary>How the day stands and goes on. Some milliseconds; with the chance some tens.</summary>
    /// <param name="state">What was said.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="withChance">Whether the rest is rehearsed; else its chance is that of no days.</param>
    public RestOfDay Look(BenchState state, Instant now, bool withChance = true)
    {
        var facts = ToldFacts.Of(_statics, state, Clock, Math.Max(0, Clock.Of(now)));
        return Look(_script, facts, withChance);
    }

    /// <summary>How sure the rest is, and an order of it that goes better than the one that stands. Where the rest is as sure as was asked
    /// for and little later than planned, nothing is looked for; else it takes the time it is given.</summary>
    /// <param name="state">What was said.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="limit">How long.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>How the day stands, with its chance; and what is better by enough to be worth a word, null where nothing is.</returns>
    public (RestOfDay Stands, OtherOrder? Other) Weigh(BenchState state, Instant now, TimeSpan limit, CancellationToken cancel = default)
    {
        var facts = ToldFacts.Of(_statics, state, Clock, Math.Max(0, Clock.Of(now)));
        var stands = Look(_script, facts, withChance: true);
        var late = (stands.Chance.LikelyReady ?? 0) - Plan.Tasks.Max(t => t.End);
        if (!stands.IsComplete || (stands.Chance.Missing(Network.Kitchen.Certainty) == 0 && late < RestSearch.WorthSooner))
            return (stands, null);
        if (new RestSearch(_statics, facts).Run(stands, _script, limit, cancel) is not { } script)
            return (stands, null);
        var other = Look(script, facts, withChance: true);
        return !other.IsComplete || !RestSearch.IsWorthIt(stands.Chance, other.Chance, Network.Kitchen.Certainty)
            ? (stands, null)
            : (stands, new OtherOrder(other.Plan, other.Chance, Moved(stands, other)));
    }

    private ImmutableArray<MovedStep> Moved(RestOfDay stands, RestOfDay other) =>
        [
            .. Network
                .Tasks.Where(t => stands.Begun[t.Index] < 0)
                .Select(t => new MovedStep(t.Index, stands.Plan.Tasks[t.Index].Start, other.Plan.Tasks[t.Index].Start))
                .Where(m => Math.Abs(m.To - m.From) > TaskNetwork.TogetherMinutes)
                .OrderBy(m => m.To),
        ];

    private RestOfDay Look(DayScript script, DayFacts facts, bool withChance)
    {
        var day = new RehearsedDay(_statics, new DispatchRule(), isKept: true);
        day.LiveOn(script, _usual.Of(0), facts);
        var plan = day.ToPlan();
        return new RestOfDay(
            facts.Now,
            plan,
            [.. day.Hands(facts).Select(h => new ExpectedHands(h.Task, h.Need, h.Block.Helper, h.Block.From, h.Block.Until))],
            withChance
                ? Rehearsal.Run(_statics, script, _draws.Value, facts: facts).Chance
                : new PlanChance(0, 0, day.Finish, day.Finish, []) { ReadyBy = day.Ready, LikelyReady = day.Ready },
            [.. day.MissedBefore.Distinct().Select(l => _statics.Links[l])],
            day.IsDone
        )
        {
            Begun = [.. Network.Tasks.Select(t => facts[t.Index].Start)],
            Due = [.. Network.Tasks.Select(t => day.Due(t.Index))],
            Over = [.. Network.Tasks.Select(t => facts[t.Index].End)],
        };
    }
}
