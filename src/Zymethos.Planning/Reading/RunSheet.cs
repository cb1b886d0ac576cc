using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>What a line of the run sheet asks for.</summary>
public enum RunSheetKind
{
    /// <summary>Hands at work.</summary>
    Work,

    /// <summary>Something goes into the oven.</summary>
    In,

    /// <summary>Something comes out of the oven.</summary>
    Out,

    /// <summary>Something is done to what bakes: turned, swapped, topped.</summary>
    Touch,

    /// <summary>The dial or the door.</summary>
    Dial,

    /// <summary>A wait begins that needs no hands.</summary>
    Wait,

    /// <summary>Time to wash up, sit down or eat.</summary>
    Pause,
}

/// <summary>A line of the run sheet.</summary>
/// <param name="Minute">When.</param>
/// <param name="Minutes">How long it takes; 0 for a moment.</param>
/// <param name="Kind">What it asks for.</param>
/// <param name="Text">What to do, in a few words.</param>
/// <param name="Task">Index of the task it belongs to; null for the dial.</param>
/// <param name="Who">Names of those who do it; empty when nobody in particular.</param>
/// <param name="Celsius">The set temperature it is about; null when it is about none.</param>
public sealed record RunSheetLine(
    int Minute,
    int Minutes,
    RunSheetKind Kind,
    string Text,
    int? Task,
    ImmutableArray<string> Who,
    int? Celsius
);

/// <summary>The day as a list to work from: every step, every load in and out, every turn of the dial, in order of time.</summary>
public static class RunSheet
{
    /// <summary>The lines of a plan.</summary>
    public static ImmutableArray<RunSheetLine> Of(TaskNetwork network, Plan plan, ImmutableArray<OvenProgramme> programmes) =>
        [
            .. Steps(network, plan)
                .Concat(PauseLines.Of(network, plan))
                .Concat(
                    programmes.SelectMany(
                        (p, oven) =>
                            Dials(
                                p,
                                programmes.Length == 1 ? ""
                                    : oven == 0 ? "first oven: "
                                    : "second oven: ",
                                network.Kitchen.Says
                            )
                    )
                )
                .OrderBy(l => l.Minute)
                .ThenBy(l => Rank(l.Kind))
                .ThenBy(l => l.Task ?? -1),
        ];

    // At the same minute: out before the dial before in before work.
    private static int Rank(RunSheetKind kind) =>
        kind switch
        {
            RunSheetKind.Out => 0,
            RunSheetKind.Dial => 1,
            RunSheetKind.In => 2,
            RunSheetKind.Touch => 3,
            RunSheetKind.Work => 4,
            RunSheetKind.Pause => 6,
            _ => 5,
        };

    private static IEnumerable<RunSheetLine> Steps(TaskNetwork network, Plan plan)
    {
        foreach (var task in network.Tasks)
        {
            var planned = plan.Tasks[task.Index];
            if (task.IsHandsOn || task.Oven is null)
            {
                var kind = task.IsWait ? RunSheetKind.Wait : RunSheetKind.Work;
                yield return new RunSheetLine(
                    planned.Start,
                    planned.End - planned.Start,
                    kind,
                    task.Title,
                    task.Index,
                    Who(network, planned, planned.Start),
                    null
                );
                if (!task.IsWait)
                    continue;
                foreach (var (fold, touch) in task.Hands.Zip((task.Step?.Touches ?? []).OrderBy(t => t.At)))
                    yield return new RunSheetLine(
                        planned.Start + fold.Offset,
                        fold.Length,
                        RunSheetKind.Touch,
                        $"{touch.Title} ({task.Title})",
                        task.Index,
                        Who(network, planned, planned.Start + fold.Offset),
                        null
                    );
                continue;
            }

            if (task.Oven.Setting.IsOff)
            {
                yield return new RunSheetLine(
                    planned.Start,
                    planned.End - planned.Start,
                    RunSheetKind.Wait,
                    task.Title,
                    task.Index,
                    Who(network, planned, planned.Start),
                    null
                );
                // Where something else is to bake after it, it must be out before the oven is heated; nobody gets up for it at night.
                var taken = network
                    .Rests.Where(r => r.From <= planned.End && planned.End < r.Until)
                    .Select(r => r.Until)
                    .DefaultIfEmpty(planned.End)
                    .Max();
                if (
                    network.Tasks.Any(t =>
                        t.Oven is not null
                        && plan.Tasks[t.Index].Oven == planned.Oven
                        && plan.Tasks[t.Index].Start >= planned.End
                        && t.Index != task.Index
                    )
                )
                    yield return new RunSheetLine(taken, 0, RunSheetKind.Out, task.Title, task.Index, [], null);
                continue;
            }

            var celsius = task.Oven.Setting.Celsius;
            yield return new RunSheetLine(
                planned.Start,
                planned.End - planned.Start,
                RunSheetKind.In,
                task.Title,
                task.Index,
                Who(network, planned, planned.Start),
                celsius
            );
            foreach (var (touch, i) in (task.Step?.Touches ?? []).OrderBy(t => t.At).Select((t, i) => (t, i)))
            {
                // The hands between putting in and taking out are those of the touches, in their order.
                if (i + 1 >= task.Hands.Length - 1)
                    break;
                var minute = planned.Start + task.Hands[i + 1].Offset;
                yield return new RunSheetLine(
                    minute,
                    0,
                    RunSheetKind.Touch,
                    $"{touch.Title} ({task.Title})",
                    task.Index,
                    Who(network, planned, minute),
                    celsius
                );
            }

            // What stays in the oven when it is turned off is not taken out.
            if (
                !task.Oven.Setting.IsProof
                && !network.Tasks.Any(t =>
                    t.Bake == task.Bake
                    && t.Oven is { Setting.IsOff: true }
                    && plan.Tasks[t.Index] is var off
                    && off.Oven == planned.Oven
                    && off.Start == planned.End
                )
            )
                yield return new RunSheetLine(
                    planned.End,
                    0,
                    RunSheetKind.Out,
                    task.Title,
                    task.Index,
                    Who(network, planned, planned.End - 1),
                    celsius
                );
        }
    }

    private static IEnumerable<RunSheetLine> Dials(OvenProgramme programme, string which, KitchenSays says)
    {
        OvenPhase? before = null;
        foreach (var segment in programme.Segments)
        {
            var minute = (int)Math.Floor(segment.From + 1e-6);
            var celsius = segment.Setting?.Celsius;
            string Dial(int? degrees) => says.Dial(degrees ?? 0);
            switch (segment.Phase)
            {
                case OvenPhase.Heating:
                    var cold = before is null or OvenPhase.Off or OvenPhase.Proofing;
                    yield return Line(which, minute, cold ? $"Oven on, dial to {Dial(celsius)}" : $"Dial up to {Dial(celsius)}", celsius);
                    break;
                case OvenPhase.CoolingAjar when segment.Setting is { IsProof: true }:
                    yield return Line(which, minute, "Oven off, door ajar: dough goes in when it is cold", null);
                    break;
                case OvenPhase.CoolingAjar:
                    yield return Line(which, minute, $"Dial down to {Dial(celsius)}, door ajar", celsius);
                    break;
                case OvenPhase.Holding when before == OvenPhase.CoolingAjar:
                    yield return Line(which, minute, $"Shut the door: {Dial(celsius)} reached", celsius);
                    break;
                case OvenPhase.Proofing:
                    yield return Line(which, minute, "Pan of hot water into the cold oven", null);
                    break;
                case OvenPhase.Off when before != OvenPhase.Off:
                    yield return Line(which, minute, "Oven off", null);
                    break;
            }

            before = segment.Phase;
        }

        if (before is OvenPhase.Holding or OvenPhase.Heating)
            yield return Line(which, (int)Math.Ceiling(programme.Segments[^1].Until), "Oven off, the last load is out", null);
    }

    private static RunSheetLine Line(string which, int minute, string text, int? celsius) =>
        new(
            minute,
            0,
            RunSheetKind.Dial,
            which.Length == 0 ? text : $"{char.ToUpperInvariant(which[0])}{which[1..]}{char.ToLowerInvariant(text[0])}{text[1..]}",
            null,
            [],
            celsius
        );

    private static ImmutableArray<string> Who(TaskNetwork network, PlannedTask planned, int minute) =>
        [.. planned.Hands.Where(b => b.From <= minute && minute < b.Until).Select(b => network.Helpers[b.Helper].Name)];
}
