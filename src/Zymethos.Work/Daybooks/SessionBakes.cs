using System.Collections.Immutable;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Work.Daybooks;

/// <summary>Draws the bakes of a session, as they really were, from what was said.</summary>
public static class SessionBakes
{
    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    /// <summary>The bakes, in the order of the day; their ids are made anew.</summary>
    /// <param name="session">Id of the session.</param>
    /// <param name="planned">The plan with which it began.</param>
    /// <param name="went">The plan that was gone by in the end.</param>
    /// <param name="wishes">The bakes with their recipes, as they were asked for.</param>
    /// <param name="state">What was said.</param>
    public static ImmutableArray<PastBakeDocument> Of(
        Guid session,
        PlannedDay planned,
        PlannedDay went,
        IReadOnlyList<BakeWish> wishes,
        BenchState state
    )
    {
        var network = planned.Network;
        var clock = DayMinutes.Of(network);
        var loads = LoadRecord.Of(network, planned.Plan, went.Plan, state, clock);
        var hands = HandRecord.Of(network, state);
        var rises = RiseRecord.Of(network, [.. wishes.Select(w => LearnedUse.LeavenOf(w.Recipe))], state, clock);
        var heats = HeatRecord
            .Of(network, state)
            .Select(h => new PastHeatDocument(
                h.Oven + 1,
                Math.Round(h.Minutes, 1),
                Math.Round(h.ModelMinutes, 1),
                KitchenMinutes: network.Kitchen.Ovens[h.Oven].HeatUp.TotalMinutes
            ))
            .Concat(HeatRecord.DoorDrops(state).Select(d => new PastHeatDocument(d.Oven + 1, DoorDrop: Math.Round(d.Degrees, 1))))
            .Concat(
                CoolRecord
                    .Of(network, state)
                    .Select(c => new PastHeatDocument(c.Oven + 1, CoolMinutes: Math.Round(c.TimeConstant, 1), Ajar: c.IsAjar))
            )
            .ToList();
        return
        [
            .. network.Bakes.Select(
                (bake, i) =>
                {
                    var came = state.Bakes.GetValueOrDefault(i);
                    return new PastBakeDocument(
                        Guid.CreateVersion7().ToString(),
                        LocalDatePattern.Iso.Format(network.Origin.Date),
                        bake.Name,
                        bake.RecipeKey,
                        bake.Batches,
                        "bench",
                        session.ToString(),
                        i,
                        Few(loads.Where(l => l.Bake == i).Select(l => Write(l, network))),
                        Few(hands.Where(h => h.Bake == i).Select(Write)),
                        Few(rises.Where(r => r.Bake == i).Select(Write)),
                        // An oven heats for the day, not for one bake: it is told with the first.
                        i == 0
                            ? Few(heats)
                            : null,
                        came?.Pieces,
                        Said(came?.Looks),
                        Few(came?.Darker ?? []),
                        Said(came?.ToChange),
                        Used: came is { Used.Count: > 0 } ? came.Used : null,
                        Photos: Few(came?.Photos ?? [])
                    );
                }
            ),
        ];
    }

    /// <summary>Whether anything at all was said of a bake.</summary>
    public static bool HasAnything(PastBakeDocument bake) =>
        bake.Loads is not null
        || bake.Hands is not null
        || bake.Rises is not null
        || bake.Pieces is not null
        || bake.Looks is not null
        || bake.Darker is not null
        || bake.ToChange is not null
        || bake.Used is not null
        || bake.Photos is not null;

    private static PastLoadDocument Write(LoadRecord load, TaskNetwork network) =>
        new(
            load.Title,
            load.Minutes,
            Math.Round(load.RecipeMinutes, 1),
            load.PlannedMinutes,
            Time.Format(network.TimeOf(load.Start)),
            load.Oven + 1,
            load.Celsius,
            load.RealCelsius is { } real ? Math.Round(real, 1) : null,
            load.FirstLook,
            load.PlannedLook,
            load.Looks,
            load.Turns,
            load.Doors,
            Said(load.Who),
            Said(load.Pan),
            Said(load.Finish),
            load.HasSheet,
            Said(load.Shelf),
            network.Tasks[load.Task].Step?.Key,
            network.Tasks[load.Task].Step?.Takes.Likely.TotalMinutes,
            network.Tasks[load.Task].Step?.Oven?.SetTemperature.Celsius is { } meant ? Math.Round(meant, 1) : null
        );

    private static PastHandDocument Write(HandRecord hand) =>
        new(hand.Title, hand.Work, Math.Round(hand.RecipeMinutes, 1), Math.Round(hand.Minutes, 1), Said(hand.Who));

    private static PastRiseDocument Write(RiseRecord rise) =>
        new(
            rise.Title,
            rise.Leaven,
            Math.Round(rise.RecipeMinutes, 1),
            Math.Round(rise.Minutes, 1),
            Few(rise.Heights.Select(h => (IReadOnlyList<double>)[Math.Round(h.Minutes, 1), Math.Round(h.Height, 3)]))
        );

    private static string? Said(string? words) => string.IsNullOrEmpty(words) ? null : words;

    private static IReadOnlyList<T>? Few<T>(IEnumerable<T> items) => items.ToList() is { Count: > 0 } list ? list : null;
}
