using System.Globalization;
using PdfSharp.Pdf;
using PdfSharp.Pdf.Content;
using PdfSharp.Pdf.Content.Objects;
using PdfSharp.Pdf.IO;

namespace Zymethos.Paper.Tests;

/// <summary>A piece of text as a page of a PDF places it, in points from its upper left corner.</summary>
internal sealed record PlacedText(string Text, double X, double Y);

/// <summary>What stands on a page of a PDF, read back from its operators (ISO 32000-1, 8 and 9).</summary>
internal sealed class ReadPage
{
    private ReadPage(double width, double height) => (Width, Height) = (width, height);

    public double Width { get; }

    public double Height { get; }

    public List<PlacedText> Texts { get; } = [];

    public List<(double X1, double Y1, double X2, double Y2)> Lines { get; } = [];

    public string All => string.Join(' ', Texts.Select(t => t.Text));

    public static List<ReadPage> Of(byte[] file)
    {
        using var stream = new MemoryStream(file);
        using var document = PdfReader.Open(stream, PdfDocumentOpenMode.Import);
        return [.. document.Pages.Cast<PdfPage>().Select(Of)];
    }

    private static ReadPage Of(PdfPage page)
    {
        var read = new ReadPage(page.MediaBox.Width, page.MediaBox.Height);
        var saved = new Stack<double[]>();
        double[] matrix = [1, 0, 0, 1, 0, 0];
        (double X, double Y) at = (0, 0);
        (double X, double Y) line = (0, 0);
        foreach (var item in ContentReader.ReadContent(page).OfType<COperator>())
        {
            var numbers = item.Operands.OfType<CNumber>().Select(Number).ToArray();
            switch (item.Name)
            {
                case "q":
                    saved.Push(matrix);
                    break;
                case "Q":
                    matrix = saved.Pop();
                    break;
                case "cm":
                    matrix = Times(numbers, matrix);
                    break;
                case "BT":
                    line = (0, 0);
                    break;
                case "Td":
                    line = (line.X + numbers[0], line.Y + numbers[1]);
                    break;
                case "Tm":
                    line = (numbers[4], numbers[5]);
                    break;
                case "Tj":
                    var where = Through(matrix, line);
                    read.Texts.Add(new PlacedText(item.Operands.OfType<CString>().First().Value, where.X, read.Height - where.Y));
                    break;
                case "m":
                    at = Through(matrix, (numbers[0], numbers[1]));
                    break;
                case "l":
                    var to = Through(matrix, (numbers[0], numbers[1]));
                    read.Lines.Add((at.X, read.Height - at.Y, to.X, read.Height - to.Y));
                    at = to;
                    break;
            }
        }

        return read;
    }

    private static double Number(CNumber number) =>
        number switch
        {
            CInteger whole => whole.Value,
            CReal real => real.Value,
            _ => double.Parse(number.ToString()!, CultureInfo.InvariantCulture),
        };

    private static (double X, double Y) Through(double[] m, (double X, double Y) p) =>
        ((m[0] * p.X) + (m[2] * p.Y) + m[4], (m[1] * p.X) + (m[3] * p.Y) + m[5]);

    private static double[] Times(double[] a, double[] b) =>
        [
            (a[0] * b[0]) + (a[1] * b[2]),
            (a[0] * b[1]) + (a[1] * b[3]),
            (a[2] * b[0]) + (a[3] * b[2]),
            (a[2] * b[1]) + (a[3] * b[3]),
            (a[4] * b[0]) + (a[5] * b[2]) + b[4],
            (a[4] * b[1]) + (a[5] * b[3]) + b[5],
        ];
}
