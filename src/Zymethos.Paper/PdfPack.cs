using PdfSharp.Drawing;
using PdfSharp.Pdf;
using Zymethos.Paper.Setting;

namespace Zymethos.Paper;

/// <summary>
/// Writes parts of a pack as one PDF: true to size, black on white, fonts embedded. A page breaks where a baker would break it: no row,
/// drawing or card is torn, a heading stands with what it heads, and a table that goes on has its head again.
/// </summary>
public static class PdfPack
{
    private const double Side = 14;
    private const double Top = 13;
    private const double Foot = 16;

    /// <summary>The PDF.</summary>
    /// <param name="parts">The parts, in order.</param>
    /// <param name="paper">The sheets.</param>
    /// <param name="title">What the whole is called.</param>
    /// <param name="made">When it is made, for the file.</param>
    /// <returns>The file. A pack without anything on it has one empty page that says so.</returns>
    public static byte[] Write(IReadOnlyList<PaperPart> parts, PaperSize paper, string title, DateTime made)
    {
        using var text = new SetText();
        using var document = new PdfDocument();
        document.Info.Title = title;
        document.Info.Creator = "Zymethos";
        document.Info.CreationDate = made;
        document.Language = "en";
        foreach (var part in parts)
            Write(document, part, part.IsWide ? paper.OnItsSide() : paper, text);
        if (document.PageCount == 0)
            Write(document, new PaperPart("empty", "There is nothing to print yet", []), paper, text);
        using var file = new MemoryStream();
        document.Save(file, closeStream: false);
        return file.ToArray();
    }

    private static void Write(PdfDocument document, PaperPart part, PaperSize paper, SetText text)
    {
        var first = document.PageCount;
        var flow = new Flow(document, part, paper, text);
        flow.Write();
        for (var i = first; i < document.PageCount && !part.IsBare; i++)
            flow.Footer(document.Pages[i], i - first + 1, document.PageCount - first);
        if (document.PageCount > first)
            document.Outlines.Add(part.Title, document.Pages[first], opened: true);
    }

    private sealed class Flow(PdfDocument document, PaperPart part, PaperSize paper, SetText text)
    {
        private const double Unit = SetBlocks.Millimetre;
        private readonly double _left = Side * Unit;
        private readonly double _width = (paper.Width - (2 * Side)) * Unit;
        private readonly double _bottom = (paper.Height - Foot) * Unit;
        private XGraphics? _page;
        private double _y;

        public void Write()
        {
            if (!part.IsBare)
            {
                NewPage();
                if (!part.IsUntitled)
                    Title();
            }

            var set = new SetBlocks(text, 1, _bottom - (Top * Unit));
            foreach (var run in Runs(part.Blocks))
            {
                if (run is [PaperCards cards])
                    Cards(cards);
                else
                    Place(set.Of(run, _width));
            }

            _page?.Dispose();
        }

        public void Footer(PdfPage page, int number, int of)
        {
            using var graphics = XGraphics.FromPdfPage(page);
            var baseline = (paper.Height - 9) * Unit;
            SetText.Draw(graphics, text.Spans(part.Title, 8, isBold: false), _left, baseline);
            var count = text.Spans($"{number} of {of}", 8, isBold: false).ToList();
            SetText.Draw(graphics, count, _left + _width - count.Sum(s => s.Width), baseline);
        }

        /// <summary>Cards fill sheets by themselves; what is between them flows.</summary>
        private static IEnumerable<IReadOnlyList<PaperBlock>> Runs(IEnumerable<PaperBlock> blocks)
        {
            var run = new List<PaperBlock>();
            foreach (var block in blocks)
            {
                if (block is not PaperCards)
                {
                    run.Add(block);
                    continue;
                }

                if (run.Count > 0)
                    yield return run;
                yield return [block];
                run = [];
            }

            if (run.Count > 0)
                yield return run;
        }

        private void NewPage()
        {
            _page?.Dispose();
            var page = document.AddPage();
            page.Width = XUnit.FromMillimeter(paper.Width);
            page.Height = XUnit.FromMillimeter(paper.Height);
            _page = XGraphics.FromPdfPage(page);
            _y = Top * Unit;
        }

        private void Title()
        {
            foreach (var line in text.Lines([new PaperRun(part.Title, true)], 18, _width))
            {
                SetText.Draw(_page!, line, _left, _y + 18);
                _y += 18 * SetText.Leading;
            }

            foreach (var line in part.Below.Length > 0 ? text.Lines([new PaperRun(part.Below)], 10, _width) : [])
            {
                SetText.Draw(_page!, line, _left, _y + 10);
                _y += 10 * SetText.Leading;
            }

            _y += 4;
        }

        private void Place(List<SetPiece> pieces)
        {
            if (_page is null)
                NewPage();
            for (var i = 0; i < pieces.Count; i++)
            {
                var atTop = _y <= Top * Unit;
                var need = pieces[i].Height + (atTop ? 0 : pieces[i].Above);
                for (var j = i; j < pieces.Count - 1 && pieces[j].StaysWithNext; j++)
                    need += pieces[j + 1].Above + pieces[j + 1].Height;
                // What belongs together and is higher than a page is torn where it must be.
                var chain = need <= _bottom - (Top * Unit) ? need : pieces[i].Height + (atTop ? 0 : pieces[i].Above);
                if (!atTop && (pieces[i].OpensPage || _y + chain > _bottom))
                {
                    NewPage();
                    if (pieces[i].Again is { } again)
                    {
                        again.Draw(_page!, _left, _y);
                        _y += again.Height;
                    }
                }

                _y += _y <= Top * Unit ? 0 : pieces[i].Above;
                pieces[i].Draw(_page!, _left, _y);
                _y += pieces[i].Height;
            }
        }

        private void Cards(PaperCards cards)
        {
            foreach (var sheet in CardFit.Sheets(cards, paper))
            {
                var (wide, high) = (paper.Width / sheet.Across, paper.Height / sheet.Down);
                NewPage();
                for (var i = 0; i < sheet.Cards.Length; i++)
                    Card(sheet.Cards[i], i % sheet.Across * wide, i / sheet.Across * high, wide, high);
                var cut = new XPen(XColor.FromGrayScale(0.6), 0.4) { DashStyle = XDashStyle.Dot };
                for (var c = 1; c < sheet.Across; c++)
                    _page!.DrawLine(cut, c * wide * Unit, 0, c * wide * Unit, paper.Height * Unit);
                for (var r = 1; r < sheet.Down; r++)
                    _page!.DrawLine(cut, 0, r * high * Unit, paper.Width * Unit, r * high * Unit);
            }

            // What follows cards stands on a sheet of its own.
            _y = double.MaxValue;
        }

        private void Card(FittedCard fitted, double x, double y, double wide, double high)
        {
            var (card, scale) = fitted;
            var hole = card.HasHole ? CardFit.HoleRoom : 0;
            var pieces = new SetBlocks(text, scale, high * Unit).Of(card.Blocks, (wide - (2 * CardFit.Inset)) * Unit);
            SetBlocks.DrawAll(_page!, pieces, (x + CardFit.Inset) * Unit, (y + CardFit.Inset + hole) * Unit);
            if (card.HasHole)
                _page!.DrawEllipse(
                    new XPen(XColor.FromGrayScale(0.5), 0.5),
                    (x + (wide / 2) - 2.5) * Unit,
                    (y + 4) * Unit,
                    5 * Unit,
                    5 * Unit
                );
        }
    }
}
