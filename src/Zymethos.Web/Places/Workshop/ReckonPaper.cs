using System.Collections.Immutable;
using Zymethos.Paper;
using Zymethos.Web.Drawing;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A calculator's answer on paper.</summary>
public static class ReckonPaper
{
    /// <summary>The page.</summary>
    /// <param name="calculator">The calculator.</param>
    /// <param name="asked">What was typed.</param>
    /// <param name="says">The answer.</param>
    public static PaperPart Of(Calculator calculator, AskedValues asked, Reckoning says)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        blocks.Add(new PaperText([new PaperRun(says.Says, true)]));
        foreach (var caution in says.Cautions)
            blocks.Add(PaperText.Of(caution, PaperTone.Caution));
        foreach (var sketch in says.Sketches)
            blocks.Add(SketchPaper.Of(sketch));
        foreach (var note in says.Notes)
            blocks.Add(PaperText.Of(note));
        foreach (var table in says.Tables)
        {
            if (table.Title.Length > 0)
                blocks.Add(new PaperHeading(table.Title));
            blocks.Add(
                new PaperTable(
                    [.. table.Heads.Select((h, i) => new PaperColumn(h, i == 0 ? 2 : 1.5))],
                    [.. table.Rows.Select(r => PaperRow.Of([.. r]))]
                )
            );
        }

        blocks.Add(new PaperHeading("Asked"));
        blocks.Add(
            new PaperTable(
                [new PaperColumn("", 2), new PaperColumn("", 3)],
                [
                    .. calculator
                        .Fields.Where(f => asked.Typed(f.Name).Trim().Length > 0)
                        .Select(f => PaperRow.Of(f.Label, Typed(f, asked.Typed(f.Name)))),
                ]
            )
        );
        foreach (var words in new[] { calculator.Formula, calculator.Source, calculator.Limits })
            blocks.Add(PaperText.Of(words, PaperTone.Small));
        return new PaperPart(calculator.Address, calculator.Name, blocks.ToImmutable());
    }

    private static string Typed(CalculatorField field, string typed) =>
        field.Kind == FieldKind.Choice ? field.Choices.FirstOrDefault(c => c.Word == typed).Says ?? typed
        : field.Unit.Contains(" or ", StringComparison.Ordinal) ? typed
        : $"{typed} {field.Unit}".Trim();
}
