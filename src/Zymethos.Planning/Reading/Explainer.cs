using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Reading;

/// <summary>Why a task stands where it stands.</summary>
/// <param name="NotEarlier">Why not a minute earlier, in a sentence.</param>
/// <param name="NotLater">Why not later, in a sentence.</param>
/// <param name="SlackMinutes">How much later it may start with nothing else late.</param>
/// <param name="IsCritical">Whether it has no slack and so carries the finishing hour or a need.</param>
public sealed record Explanation(string NotEarlier, string NotLater, int SlackMinutes, bool IsCritical);

/// <summary>Reads the reasons out of a plan's own order, without asking the solver.</summary>
public static class Explainer
{
    /// <summary>The explanation of every task, in the order of the network.</summary>
    public static IReadOnlyList<Explanation> Explain(TaskNetwork network, Plan plan)
    {
        var graph = new PlanGraph(network, plan);
        return
        [
            .. network.Tasks.Select(t => new Explanation(
                NotEarlier(network, graph, t),
                NotLater(network, plan, graph, t),
                graph.Slack(t.Index),
                graph.Slack(t.Index) == 0
            )),
        ];
    }

    private static string NotEarlier(TaskNetwork network, PlanGraph graph, PlanTask task)
    {
        if (graph.IsPinned(task.Index))
            return "You pinned it here.";
        var holding = graph.HoldingBack(task.Index).ToList();
        // A window or an order only passes on what holds another step; where something of its own holds the step, that is the reason.
        if (holding.Exists(IsOwn))
            holding.RemoveAll(t => !IsOwn(t));
        if (holding.Count > 0)
            return string.Join(" ", holding.DistinctBy(t => t.From).Take(2).Select(t => Back(network, graph, t)));
        if (graph.Floor(task.Index) == graph.Start(task.Index))
            return Floor(network, task, graph);
        var room = graph.Start(task.Index) - graph.EarliestAlone(task.Index);
        // What begins a chain that cannot wait is kept back for the sake of its end.
        if (network.Links.FirstOrDefault(l => l.From == task.Index && l is { MaxLag: not null, Window: WindowKind.Hard }) is { } window)
            return $"Kept back {SpokenTime.Of(room)} so that {Named(network, window.To, task.Bake)} can follow in time on a slow day "
                + $"too{Because(window)}.";
        return $"It could start {SpokenTime.Of(room)} earlier, but nothing would be done sooner for it: the wait would only move "
            + "behind it.";
    }

    private static bool IsOwn(Tie tie) => tie.Kind is not (TieKind.Window or TieKind.Order or TieKind.Together or TieKind.Door);

    private static string Floor(TaskNetwork network, PlanTask task, PlanGraph graph)
    {
        if (task.NeedsPresence && network.Rests.Any(r => r.Until == graph.Start(task.Index)))
            return "Nobody is in the kitchen before.";
        if (network.Bakes[task.Bake].NotBefore == graph.Start(task.Index))
            return $"You asked for {network.Bakes[task.Bake].Name} not before this time.";
        if (task.Oven is { Setting.IsHot: true } oven)
            return $"The oven is heated from cold and needs until now to reach {network.Kitchen.Says.Dial(oven.Setting.Celsius)}.";
        return graph.Start(task.Index) == 0 ? "The day starts here." : "Whoever does it is not free before.";
    }

    private static string Back(TaskNetwork network, PlanGraph graph, Tie tie)
    {
        var from = network.Tasks[tie.From];
        var other = Named(network, tie.From, network.Tasks[tie.To].Bake);
        return tie.Kind switch
        {
            TieKind.StepBefore when tie.Link!.MinLag > 0 => $"At least {SpokenTime.Of(tie.Link.MinLag)} after {other}{Because(tie.Link)}.",
            TieKind.StepBefore when from.IsWait || from.Oven is not null => $"{other} must be over first{BecauseOfOrder(tie.Link!)}.",
            TieKind.StepBefore => $"{other} must be done first{BecauseOfOrder(tie.Link!)}.",
            TieKind.Window => $"Sooner, and {other} could not follow in time{Because(tie.Link!)}.",
            TieKind.Hands => $"The hands for it are at {other} until then.",
            TieKind.Pause => $"After {other} it is time to wash up and sit down for {SpokenTime.Of(network.Pauses!.Length)}.",
            TieKind.Resource => Taken(network, tie, other),
            TieKind.OvenState => OvenBack(network, graph, tie, other),
            TieKind.Shelf => $"The oven is full until {other} comes out.",
            TieKind.Order => $"It goes no earlier than {other}.",
            TieKind.Together => $"It goes in together with {other}.",
            TieKind.Apart => $"You keep it apart from {other}.",
            TieKind.Door => $"The door is opened for it while {other} bakes; sooner or later, and that would stay in for a different time.",
            _ => throw new InvalidOperationException("An unknown kind of tie."),
        };
    }

    private static string Resource(TaskNetwork network, Tie tie) =>
        tie.Resource is { } r ? $"the {network.Resources[r].Name}" : "what it needs";

    private static string Taken(TaskNetwork network, Tie tie, string other) =>
        tie.Resource == 0
            ? $"The mixer is in use or being washed after {other}."
            : $"{Capital(Resource(network, tie))} is taken until {other} is over and it is free again.";

    private static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];

    private static string OvenBack(TaskNetwork network, PlanGraph graph, Tie tie, string other)
    {
        var (a, b) = (network.Tasks[tie.From], network.Tasks[tie.To]);
        var needs = graph.LagBeyondEnd(tie);
        var says = network.Kitchen.Says;
        if (a.Oven!.Setting.IsOff)
            return $"{other} stays in the oven until then.";
        if (b.Oven!.Setting.IsProof)
            return $"After {other} the oven needs {SpokenTime.Of(needs)} with its door ajar before dough may stand in it.";
        return a.Oven!.Setting.Celsius > b.Oven.Setting.Celsius && !a.Oven.Setting.IsProof
            ? $"After {other} the oven needs {SpokenTime.Of(needs)} to come down from "
                + $"{says.DialNumber(a.Oven.Setting.Celsius)} to {says.Dial(b.Oven.Setting.Celsius)}."
            : $"After {other} the oven needs {SpokenTime.Of(needs)} to come up to {says.Dial(b.Oven.Setting.Celsius)}.";
    }

    private static string NotLater(TaskNetwork network, Plan plan, PlanGraph graph, PlanTask task)
    {
        if (graph.IsPinned(task.Index))
            return "You pinned it here.";
        var slack = graph.Slack(task.Index);
        if (slack > 0)
            return $"It may slip by {SpokenTime.Of(slack)} with nothing "
                + $"late{(graph.LatestAlone(task.Index) >= graph.Start(task.Index) + slack ? "" : ", if what follows moves along")}.";
        var holding = graph.HoldingOn(task.Index).Where(t => graph.Slack(t.To) == 0).OrderBy(t => t.Kind).ToList();
        if (holding.Count > 0)
            return string.Join(" ", holding.DistinctBy(t => t.To).Take(2).Select(t => On(network, t)));
        if (task.NeedsPresence && network.Rests.Any(r => r.From == plan.Tasks[task.Index].End))
            return "Nobody is in the kitchen after it.";
        if (network.Bakes[task.Bake].ReadyBy == plan.Tasks[task.Index].End)
            return $"{network.Bakes[task.Bake].Name} must be ready by then.";
        return "It ends the day: any later and the finishing hour moves with it.";
    }

    private static string On(TaskNetwork network, Tie tie)
    {
        var other = Named(network, tie.To, network.Tasks[tie.From].Bake);
        return tie.Kind switch
        {
            TieKind.StepBefore => $"{other} follows and cannot wait.",
            TieKind.Window => $"It must start within {SpokenTime.Of(tie.Link!.MaxLag!.Value)} of the end of {other}{Because(tie.Link)}.",
            TieKind.Hands => $"The same hands are needed for {other} right after.",
            TieKind.Pause => $"It is followed by a pause of {SpokenTime.Of(network.Pauses!.Length)}, and then {other}.",
            TieKind.Resource => $"{Capital(Resource(network, tie))} is wanted for {other} right after.",
            TieKind.OvenState => $"The oven must be made ready for {other} right after.",
            TieKind.Shelf => $"Its place in the oven is wanted for {other} right after.",
            TieKind.Order => $"{other} goes after it.",
            TieKind.Together => $"{other} goes in with it.",
            TieKind.Apart => $"You keep it apart from {other}, which follows.",
            TieKind.Door => $"The door is opened for it and for {other} in this order.",
            _ => throw new InvalidOperationException("An unknown kind of tie."),
        };
    }

    private static string Named(TaskNetwork network, int task, int fromBake)
    {
        var other = network.Tasks[task];
        return other.Bake == fromBake ? $"“{other.Title}”" : $"“{other.Title}” of {network.Bakes[other.Bake].Name}";
    }

    /// <summary>Where a link has a window, its reason speaks of waiting too long and says nothing about the order.</summary>
    private static string BecauseOfOrder(TaskLink link) => link.MaxLag is null ? Because(link) : "";

    private static string Because(TaskLink link) => link.Why.Length == 0 ? "" : $": {link.Why}";
}
