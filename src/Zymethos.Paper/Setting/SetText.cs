using PdfSharp.Drawing;

namespace Zymethos.Paper.Setting;

/// <summary>Words of one font on a line.</summary>
/// <param name="Text">The words.</param>
/// <param name="Font">Their font.</param>
/// <param name="Width">Their width in points.</param>
internal readonly record struct SetSpan(string Text, XFont Font, double Width);

/// <summary>Sets words in lines. One of it serves one thread.</summary>
internal sealed class SetText : IDisposable
{
    /// <summary>Height of a line against its letters.</summary>
    public const double Leading = 1.28;

    private readonly XGraphics _measure = XGraphics.CreateMeasureContext(
        new XSize(2000, 2000),
        XGraphicsUnit.Point,
        XPageDirection.Downwards
    );
    private readonly Dictionary<(double Size, bool Bold, bool Second), XFont> _fonts = [];
    private readonly Dictionary<(XFont Font, string Text), double> _widths = [];

    /// <summary>The lines of some words.</summary>
    /// <param name="runs">The words.</param>
    /// <param name="size">Size of the letters in points.</param>
    /// <param name="width">Width of the lines in points.</param>
    public List<List<SetSpan>> Lines(IEnumerable<PaperRun> runs, double size, double width)
    {
        var lines = new List<List<SetSpan>> { new() };
        var used = 0.0;
        foreach (var (word, hasSpace) in Words(runs, size))
        {
            var space = hasSpace && used > 0 ? Width(" ", Font(size, isBold: false)) : 0;
            var wide = word.Sum(s => s.Width);
            if (used > 0 && used + space + wide > width)
            {
                lines.Add([]);
                (used, space) = (0, 0);
            }

            if (space > 0)
                lines[^1].Add(new SetSpan(" ", Font(size, isBold: false), space));
            used += space;
            foreach (var span in wide > width ? word.SelectMany(Letters) : word)
            {
                if (used > 0 && used + span.Width > width && wide > width)
                {
                    lines.Add([]);
                    used = 0;
                }

                lines[^1].Add(span);
                used += span.Width;
            }
        }

        return lines;
    }

    /// <summary>The width of words on one line, in points.</summary>
    public double Width(string words, double size, bool isBold) => Spans(words, size, isBold).Sum(s => s.Width);

    /// <summary>Words as spans of one font each.</summary>
    public IEnumerable<SetSpan> Spans(string words, double size, bool isBold) =>
        PaperFonts
            .Cut(words)
            .Select(p =>
            {
                var font = Font(size, isBold, p.IsSecond);
                return new SetSpan(p.Text, font, Width(p.Text, font));
            });

    /// <summary>Draws a line of spans.</summary>
    /// <param name="page">Where to.</param>
    /// <param name="line">The spans.</param>
    /// <param name="x">Where it begins, in points.</param>
    /// <param name="baseline">Its baseline, in points.</param>
    public static void Draw(XGraphics page, IEnumerable<SetSpan> line, double x, double baseline)
    {
        foreach (var span in line)
        {
            page.DrawString(span.Text, span.Font, XBrushes.Black, x, baseline);
            x += span.Width;
        }
    }

    /// <inheritdoc />
    public void Dispose() => _measure.Dispose();

    // A word may change its weight in the middle ("spelt flour" with only the first half bold and a comma behind).
    private IEnumerable<(List<SetSpan> Word, bool HasSpace)> Words(IEnumerable<PaperRun> runs, double size)
    {
        var word = new List<SetSpan>();
        var (space, wordSpace) = (false, false);
        foreach (var run in runs)
        {
            foreach (var piece in run.Text.Split([' ', '\n', '\t', '\r']).Select((text, i) => (text, i)))
            {
                if (piece.i > 0)
                {
                    if (word.Count > 0)
                        yield return (word, wordSpace);
                    (word, space) = ([], true);
                }

                if (piece.text.Length == 0)
                    continue;
                if (word.Count == 0)
                    (wordSpace, space) = (space, false);
                word.AddRange(Spans(piece.text, size, run.IsBold));
            }
        }

        if (word.Count > 0)
            yield return (word, wordSpace);
    }

    private IEnumerable<SetSpan> Letters(SetSpan span) =>
        span.Text.EnumerateRunes().Select(r => new SetSpan(r.ToString(), span.Font, Width(r.ToString(), span.Font)));

    private XFont Font(double size, bool isBold, bool isSecond = false)
    {
        if (!_fonts.TryGetValue((size, isBold, isSecond), out var font))
            _fonts[(size, isBold, isSecond)] = font = PaperFonts.Of(size, isBold, isSecond);
        return font;
    }

    private double Width(string text, XFont font)
    {
        if (!_widths.TryGetValue((font, text), out var width))
            _widths[(font, text)] = width = _measure.MeasureString(text, font, XStringFormats.Default).Width;
        return width;
    }
}
