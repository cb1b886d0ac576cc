using System.Collections.Immutable;
using PdfSharp.Drawing;

namespace Zymethos.Paper.Setting;

/// <summary>Turns blocks into pieces of a width.</summary>
/// <param name="text">Sets the words.</param>
/// <param name="scale">Size of all letters against the usual.</param>
/// <param name="tallest">Height of a whole page in points: what is kept together and higher than that is torn apart.</param>
internal sealed class SetBlocks(SetText text, double scale, double tallest)
{
    /// <summary>Points of a millimetre.</summary>
    public const double Millimetre = 72 / 25.4;

    private const double Body = 10;
    private const double Small = 8.5;
    private const double Pad = 2.5;

    private static readonly XPen Hair = new(XColor.FromGrayScale(0.55), 0.5);
    private static readonly XPen Pencil = new(XColors.Black, 0.8);

    /// <summary>The pieces of some blocks.</summary>
    public List<SetPiece> Of(IEnumerable<PaperBlock> blocks, double width)
    {
        var pieces = new List<SetPiece>();
        var opens = false;
        foreach (var block in blocks)
        {
            if (block is PaperBreak)
            {
                opens = true;
                continue;
            }

            var more = Of(block, width);
            if (opens && more.Count > 0)
                more[0] = more[0] with { OpensPage = true };
            opens = opens && more.Count == 0;
            pieces.AddRange(more);
        }

        return pieces;
    }

    /// <summary>The height of pieces below each other.</summary>
    public static double HeightOf(IReadOnlyList<SetPiece> pieces) =>
        pieces.Select((p, i) => p.Height + (i == 0 ? 0 : p.Above)).DefaultIfEmpty(0).Sum();

    /// <summary>Draws pieces below each other.</summary>
    public static void DrawAll(XGraphics page, IReadOnlyList<SetPiece> pieces, double x, double y)
    {
        for (var i = 0; i < pieces.Count; i++)
        {
            y += i == 0 ? 0 : pieces[i].Above;
            pieces[i].Draw(page, x, y);
            y += pieces[i].Height;
        }
    }

    private List<SetPiece> Of(PaperBlock block, double width) =>
        block switch
        {
            PaperHeading heading =>
            [
                Paragraph([new PaperRun(heading.Text, true)], heading.Level == 2 ? 13 : 10.5, width) with
                {
                    Above = (heading.Level == 2 ? 12 : 8) * scale,
                    StaysWithNext = true,
                },
            ],
            PaperText { Tone: PaperTone.Caution } caution => [Caution(caution, width)],
            PaperText words => Lines(words, width),
            PaperTable table => Table(table, width),
            PaperDrawing drawing => [Drawing(drawing, width)],
            PaperKeep keep => Kept(Of(keep.Blocks, width)),
            PaperBeside beside => Beside(beside, width),
            _ => [],
        };

    private SetPiece Paragraph(ImmutableArray<PaperRun> runs, double size, double width)
    {
        var points = size * scale;
        var lines = text.Lines(runs, points, width);
        var high = points * SetText.Leading;
        return new SetPiece(
            lines.Count * high,
            (page, x, y) =>
            {
                for (var i = 0; i < lines.Count; i++)
                    SetText.Draw(page, lines[i], x, y + (i * high) + points);
            }
        );
    }

    // A long paragraph may go on over the page, but neither its first nor its last line stands alone.
    private List<SetPiece> Lines(PaperText words, double width)
    {
        var points = (words.Tone == PaperTone.Small ? Small : Body) * scale;
        var lines = text.Lines(words.Runs, points, width);
        var high = points * SetText.Leading;
        return
        [
            .. lines.Select(
                (line, i) =>
                    new SetPiece(high, (page, x, y) => SetText.Draw(page, line, x, y + points))
                    {
                        Above = i == 0 ? 4 * scale : 0,
                        StaysWithNext = i < lines.Count - 1 && (i == 0 || i == lines.Count - 2),
                    }
            ),
        ];
    }

    private SetPiece Caution(PaperText words, double width)
    {
        var inner = Paragraph(words.Runs, Body, width - (8 * scale));
        return new SetPiece(
            inner.Height + (2 * Pad * scale),
            (page, x, y) =>
            {
                page.DrawLine(
                    new XPen(XColors.Black, 2.2 * scale),
                    x + (1.1 * scale),
                    y,
                    x + (1.1 * scale),
                    y + inner.Height + (2 * Pad * scale)
                );
                inner.Draw(page, x + (8 * scale), y + (Pad * scale));
            }
        )
        {
            Above = 5 * scale,
        };
    }

    private List<SetPiece> Table(PaperTable table, double width)
    {
        var all = table.Columns.Sum(c => c.Share);
        var wide = table.Columns.Select(c => c.Share / all * width).ToArray();
        var hasHead = table.Columns.Any(c => c.Head.Length > 0);
        var head = hasHead
            ? Row(table, new PaperRow([.. table.Columns.Select(c => ImmutableArray.Create(new PaperRun(c.Head, true)))]), wide, Small) with
            {
                StaysWithNext = true,
                Above = 5 * scale,
            }
            : null;
        var pieces = new List<SetPiece>();
        if (head is not null)
            pieces.Add(head);
        foreach (var row in table.Rows)
        {
            var piece = row.IsHead
                ? Paragraph(row.Cells[0], 10.5, width) with
                {
                    Above = 7 * scale,
                    StaysWithNext = true,
                }
                : Row(table, row, wide, Body);
            pieces.Add(piece with { Again = head });
        }

        return pieces;
    }

    private SetPiece Row(PaperTable table, PaperRow row, double[] wide, double size)
    {
        var cells = row
            .Cells.Select(
                (c, i) => table.Columns[i].IsTick && size >= Body ? null : Paragraph(c, size, Math.Max(8, wide[i] - (2 * Pad * scale)))
            )
            .ToList();
        var isHead = size < Body;
        var high = Math.Max(cells.Max(c => c?.Height ?? 0), isHead ? 0 : Body * scale * SetText.Leading) + (2 * Pad * scale);
        return new SetPiece(
            high,
            (page, x, y) =>
            {
                var at = x;
                for (var i = 0; i < cells.Count; i++)
                {
                    if (cells[i] is { } cell)
                        cell.Draw(page, at + (Pad * scale), y + (Pad * scale));
                    else if (!isHead)
                        page.DrawRectangle(Pencil, at + (Pad * scale), y + (Pad * scale) + 1, 9 * scale, 9 * scale);
                    at += wide[i];
                }

                page.DrawLine(isHead ? Pencil : Hair, x, y + high, x + wide.Sum(), y + high);
            }
        );
    }

    private SetPiece Drawing(PaperDrawing drawing, double width)
    {
        var wanted = drawing.Width * Millimetre;
        // What is to scale is never shrunk: whoever makes it sees that it fits.
        var shrink = drawing.IsToScale ? 1 : Math.Min(1, Math.Min(width / wanted, tallest * 0.92 / (drawing.Height * Millimetre)));
        return new SetPiece(
            drawing.Height * Millimetre * shrink,
            (page, x, y) => SetDrawing.Draw(page, drawing, x, y, Millimetre * shrink, text)
        )
        {
            Above = 6 * scale,
        };
    }

    private List<SetPiece> Kept(List<SetPiece> pieces) =>
        HeightOf(pieces) > tallest
            ? pieces
            : [.. pieces.Select((p, i) => p with { StaysWithNext = p.StaysWithNext || i < pieces.Count - 1 })];

    private List<SetPiece> Beside(PaperBeside beside, double width)
    {
        var gap = 14 * scale;
        var share = Math.Clamp(beside.Share, 0.2, 0.8);
        var (one, other) = ((width - gap) * share, (width - gap) * (1 - share));
        var (left, right) = (Of(beside.Left, one), Of(beside.Right, other));
        var high = Math.Max(HeightOf(left), HeightOf(right));
        if (high > tallest)
            return [.. Of(beside.Left, width), .. Of(beside.Right, width)];
        return
        [
            new SetPiece(
                high,
                (page, x, y) =>
                {
                    DrawAll(page, left, x, y);
                    DrawAll(page, right, x + one + gap, y);
                }
            )
            {
                Above = 6 * scale,
            },
        ];
    }
}
