using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Safety;
using Zymethos.Paper;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Web.Drawing;

namespace Zymethos.Web.Places.Paper;

/// <summary>The run sheet of an Oven Day.</summary>
internal static class RunSheetPart
{
    /// <summary>The part.</summary>
    public static PaperPart Of(PlannedDay day, LocalDate date)
    {
        var network = day.Network;
        var says = network.Kitchen.Says;
        var alone = network.Helpers.Length == 1;
        ImmutableArray<PaperColumn> columns =
        [
            new("", 4, true),
            new("When", 10),
            new("", 5),
            new("", 13),
            new("What", 52),
            new("How long", 20),
            .. alone ? Array.Empty<PaperColumn>() : [new("Who", 12)],
        ];
        var rows = day
            .Sheet.Where(l => l.Kind != RunSheetKind.Wait)
            .Select(l =>
            {
                var task = l.Task is { } index ? network.Tasks[index] : null;
                var beware = Beware(task, l);
                var test = l.Kind == RunSheetKind.Out && task?.Step?.DoneTests is [var first, ..] ? first.Text : "";
                ImmutableArray<PaperRun> what =
                [
                    new(l.Text, l.Kind is RunSheetKind.In or RunSheetKind.Out),
                    new(beware.Length > 0 ? $" ! {beware}" : "", true),
                    new(test.Length > 0 ? $" {test}" : ""),
                    new(
                        l.Kind == RunSheetKind.Work && task is not null && ChildWork.Says(network, task) is { Length: > 0 } child
                            ? $" {child}."
                            : ""
                    ),
                ];
                return new PaperRow(
                    [
                        [],
                        [new PaperRun(network.HourOf(l.Minute))],
                        [new PaperRun(task is null ? "" : BakeLetter.Of(task.Bake), true)],
                        [new PaperRun(Word(l.Kind))],
                        what,
                        [new PaperRun(HowLong(l, task, says))],
                        .. alone
                            ? Array.Empty<ImmutableArray<PaperRun>>()
                            :
                            [
                                [new PaperRun(string.Join(", ", l.Who))],
                            ],
                    ]
                );
            });
        return new PaperPart(
            "sheet",
            $"Run sheet, {date.ToString("dddd d MMMM", CultureInfo.InvariantCulture)}",
            [
                PaperText.Of(string.Join("   ", network.Bakes.Select((b, i) => $"{BakeLetter.Of(i)} {b.Name}")), PaperTone.Small),
                new PaperTable(columns, [.. rows]),
            ]
        );
    }

    private static string HowLong(RunSheetLine line, PlanTask? task, Core.Kitchens.KitchenSays says) =>
        line.Kind == RunSheetKind.In && task is not null
            ? $"{Spoken.Minutes(task.Likely)}{(task.Oven!.Setting.IsProof ? "" : $" at {says.Dial(line.Celsius ?? 0)}")}"
        : line.Minutes > 0 ? Spoken.Minutes(line.Minutes)
        : "";

    private static string Word(RunSheetKind kind) =>
        kind switch
        {
            RunSheetKind.In => "goes in",
            RunSheetKind.Out => "comes out",
            RunSheetKind.Dial => "oven",
            RunSheetKind.Touch => "part-way",
            RunSheetKind.Pause => "pause",
            _ => "",
        };

    // What hurts or spoils stands where it is done.
    private static string Beware(PlanTask? task, RunSheetLine line) =>
        line.Kind is RunSheetKind.Out || task?.Step is not { } step
            ? ""
            : string.Join(
                " ",
                step.Cautions.Where(c =>
                        c is CautionKind.DoughInOven or CautionKind.EggFoam or CautionKind.TimeAndTemperature
                        || (c is CautionKind.Burns or CautionKind.SharedNuts && line.Kind is RunSheetKind.Work)
                    )
                    .Select(c => Caution.For(c).Text)
            );
}
