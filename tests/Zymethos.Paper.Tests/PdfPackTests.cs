using System.Collections.Immutable;
using PdfSharp.Pdf;
using PdfSharp.Pdf.IO;

namespace Zymethos.Paper.Tests;

/// <summary>PDFs are true to size, whole, and break their pages where a baker would.</summary>
public sealed class PdfPackTests
{
    private const double Millimetre = 72 / 25.4;
    private static readonly DateTime Made = new(2026, 12, 1, 9, 0, 0, DateTimeKind.Utc);

    private static List<ReadPage> Pages(PaperSize paper, params PaperPart[] parts) =>
        ReadPage.Of(PdfPack.Write(parts, paper, "A pack", Made));

    private static PaperPart Part(params PaperBlock[] blocks) => new("part", "Part", [.. blocks]);

    [Fact]
    public void Sheets_have_the_sizes_of_their_standards()
    {
        // ISO 216: A4 is 210 x 297 mm. ANSI/ASME Y14.1: size A is 8.5 x 11 in.
        var a4 = Pages(PaperSize.A4, Part(PaperText.Of("one")), Part(PaperText.Of("two")) with { IsWide = true });
        Assert.Equal(2, a4.Count);
        Assert.Equal(595.276, a4[0].Width, 0.01);
        Assert.Equal(841.890, a4[0].Height, 0.01);
        Assert.Equal(841.890, a4[1].Width, 0.01);
        Assert.Equal(595.276, a4[1].Height, 0.01);
        var letter = Pages(PaperSize.Letter, Part(PaperText.Of("one")));
        Assert.Equal(8.5 * 72, letter[0].Width, 0.01);
        Assert.Equal(11 * 72, letter[0].Height, 0.01);
    }

    [Fact]
    public void A_drawing_to_scale_is_as_long_as_it_says()
    {
        var drawing = new PaperDrawing(150, 40, [new PaperLine(10, 5, 110, 5), new PaperLine(10, 5, 10, 35)], "A ruler")
        {
            IsToScale = true,
        };
        var page = Assert.Single(Pages(PaperSize.A4, Part(drawing)));
        Assert.Contains(page.Lines, l => Math.Abs(l.X2 - l.X1 - (100 * Millimetre)) < 0.01 && Math.Abs(l.Y1 - l.Y2) < 0.01);
        Assert.Contains(page.Lines, l => Math.Abs(l.Y2 - l.Y1 - (30 * Millimetre)) < 0.01 && Math.Abs(l.X1 - l.X2) < 0.01);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void Nothing_is_lost_or_leaves_the_sheet_and_no_row_is_torn(int seed)
    {
        var random = new Random(seed);
        var words = new List<string>();
        string Word()
        {
            words.Add($"w{words.Count}w");
            return words[^1];
        }

        PaperRow Row() => PaperRow.Of(Word(), string.Join(' ', Enumerable.Range(0, random.Next(1, 30)).Select(_ => Word())));
        var blocks = new List<PaperBlock>();
        for (var i = 0; i < 25; i++)
        {
            blocks.Add(
                random.Next(6) switch
                {
                    0 => new PaperHeading(Word(), random.Next(2, 4)),
                    1 => PaperText.Of(string.Join(' ', Enumerable.Range(0, random.Next(1, 120)).Select(_ => Word()))),
                    2 => PaperText.Of(Word(), PaperTone.Caution),
                    3 => new PaperKeep([new PaperHeading(Word()), PaperText.Of(Word()), PaperText.Of(Word())]),
                    4 => new PaperBeside([PaperText.Of(Word())], [PaperText.Of(Word()), PaperText.Of(Word())]),
                    _ => new PaperTable(
                        [new PaperColumn("Head", 1), new PaperColumn("", 3)],
                        [.. Enumerable.Range(0, random.Next(1, 40)).Select(_ => Row())]
                    ),
                }
            );
        }

        blocks.Add(PaperText.Of(Word()));
        var pages = Pages(seed % 2 == 0 ? PaperSize.A4 : PaperSize.Letter, Part([.. blocks]));
        var read = pages.SelectMany((p, i) => p.Texts.Select(t => (t.Text, Page: i))).GroupBy(t => t.Text).ToDictionary(g => g.Key);
        Assert.All(words, w => Assert.Single(read[w]));
        foreach (var page in pages)
        {
            Assert.All(page.Texts, t => Assert.InRange(t.X, 14 * Millimetre - 0.1, page.Width - (14 * Millimetre)));
            Assert.All(page.Texts, t => Assert.InRange(t.Y, 13 * Millimetre, page.Height - (8 * Millimetre)));
        }

        // Both cells of a row stand on one page.
        foreach (var row in blocks.OfType<PaperTable>().SelectMany(t => t.Rows))
        {
            var all = row.Cells.SelectMany(c => c).SelectMany(r => r.Text.Split(' ')).Select(w => read[w].Single().Page).Distinct();
            Assert.Single(all);
        }
    }

    [Fact]
    public void A_table_that_goes_on_has_its_head_again_and_a_heading_stands_with_what_it_heads()
    {
        for (var lines = 30; lines < 62; lines++)
        {
            var pages = Pages(
                PaperSize.A4,
                Part(
                    [
                        .. Enumerable.Range(0, lines).Select(i => PaperText.Of($"line{i}")),
                        new PaperHeading("Heading"),
                        new PaperTable([new PaperColumn("Good", 1)], [.. Enumerable.Range(0, 60).Select(i => PaperRow.Of($"row{i}"))]),
                    ]
                )
            );
            var heading = pages.FindIndex(p => p.Texts.Exists(t => t.Text == "Heading"));
            Assert.Contains(pages[heading].Texts, t => t.Text == "row0");
            Assert.All(pages.Skip(heading), p => Assert.Single(p.Texts, t => t.Text == "Good"));
        }
    }

    [Fact]
    public void What_is_kept_together_stands_on_one_page_and_a_break_opens_one()
    {
        var kept = new PaperKeep([.. Enumerable.Range(0, 20).Select(i => PaperText.Of($"kept{i}"))]);
        var pages = Pages(
            PaperSize.A4,
            Part([.. Enumerable.Range(0, 40).Select(i => PaperText.Of($"line{i}")), kept, new PaperBreak(), PaperText.Of("after")])
        );
        Assert.Single(pages, p => p.Texts.Exists(t => t.Text.StartsWith("kept", StringComparison.Ordinal)));
        Assert.Equal(20, pages.SelectMany(p => p.Texts).Count(t => t.Text.StartsWith("kept", StringComparison.Ordinal)));
        Assert.DoesNotContain(pages[^1].Texts, t => t.Text.StartsWith("kept", StringComparison.Ordinal));
        // The title of the page's own, the line, and the foot.
        Assert.Contains(pages[^1].Texts, t => t.Text == "after");
    }

    [Fact]
    public void Cards_stay_within_their_cut_lines_and_use_the_room_they_have()
    {
        var cards = Enumerable
            .Range(0, 9)
            .Select(i => new PaperCard(
                [new PaperHeading($"card{i}"), PaperText.Of(string.Join(' ', Enumerable.Range(0, 30 + (i * 40)).Select(w => $"c{i}x{w}")))]
            ))
            .ToImmutableArray();
        var pages = Pages(PaperSize.A4, Part(new PaperCards(2, 2, cards)) with { IsBare = true });
        Assert.Equal(3, pages.Count);
        for (var i = 0; i < cards.Length; i++)
        {
            var (page, left, top) = (pages[i / 4], i % 2 * 105 * Millimetre, i % 4 / 2 * 148.5 * Millimetre);
            var own = page.Texts.Where(t => t.Text.StartsWith($"c{i}x", StringComparison.Ordinal)).ToList();
            Assert.Equal(30 + (i * 40), own.Count);
            Assert.All(own, t => Assert.InRange(t.X, left + (5 * Millimetre), left + (100 * Millimetre)));
            Assert.All(own, t => Assert.InRange(t.Y, top, top + (148.5 * Millimetre)));
        }

        var sizes = cards.Select(c => CardFit.Of(c, 105, 148.5)!.Value).ToList();
        Assert.Equal(sizes.OrderDescending(), sizes);
        Assert.True(sizes[^1] < sizes[0]);
        Assert.Null(CardFit.Of(new PaperCard([PaperText.Of(new string('m', 9000))]), 40, 20));
    }

    [Fact]
    public void A_card_that_fits_no_card_has_a_sheet_of_its_own()
    {
        PaperCard Card(string name, int words) =>
            new([PaperText.Of(string.Join(' ', Enumerable.Range(0, words).Select(w => $"{name}x{w}")))]);
        var pages = Pages(PaperSize.A4, Part(new PaperCards(2, 5, [Card("a", 5), Card("b", 700), Card("c", 5)])) with { IsBare = true });
        Assert.Equal(2, pages.Count);
        Assert.Equal(10, pages[0].Texts.Count(t => t.Text.Contains('x', StringComparison.Ordinal)));
        Assert.Equal(700, pages[1].Texts.Count(t => t.Text.StartsWith("bx", StringComparison.Ordinal)));
        Assert.All(pages[1].Texts, t => Assert.InRange(t.Y, 0, pages[1].Height));
        var sheets = CardFit.Sheets(new PaperCards(2, 5, [Card("a", 5), Card("b", 700), Card("c", 5)]), PaperSize.A4);
        Assert.Equal([(2, 5, 2), (1, 1, 1)], sheets.Select(s => (s.Across, s.Down, s.Cards.Length)));
    }

    [Fact]
    public void Many_are_written_at_once()
    {
        var parts = new[] { Part([.. Enumerable.Range(0, 200).Select(i => PaperText.Of($"line{i} ½ → Мария"))]) };
        var expected = ReadPage.Of(PdfPack.Write(parts, PaperSize.A4, "One", Made)).Sum(p => p.Texts.Count);
        var counts = new System.Collections.Concurrent.ConcurrentBag<int>();
        Parallel.For(
            0,
            24,
            new ParallelOptions { MaxDegreeOfParallelism = 8 },
            _ => counts.Add(ReadPage.Of(PdfPack.Write(parts, PaperSize.A4, "One", Made)).Sum(p => p.Texts.Count))
        );
        Assert.Equal(24, counts.Count);
        Assert.All(counts, c => Assert.Equal(expected, c));
    }

    [Fact]
    public void All_letters_are_embedded_and_no_name_becomes_boxes()
    {
        var file = PdfPack.Write(
            [Part(PaperText.Of("Zoë Łukasz Ağa Åse œuf 1⅓ Ελένη Мария → ✓"), new PaperText([new PaperRun("bold", true)]))],
            PaperSize.A4,
            "Names",
            Made
        );
        using var stream = new MemoryStream(file);
        using var document = PdfReader.Open(stream, PdfDocumentOpenMode.Import);
        var descriptors = document
            .Internals.GetAllObjects()
            .OfType<PdfDictionary>()
            .Where(d => d.Elements.GetName("/Type") == "/FontDescriptor")
            .ToList();
        // The house's own in two weights, and the second font.
        Assert.Equal(3, descriptors.Select(d => d.Elements.GetName("/FontName")).Distinct().Count());
        Assert.All(descriptors, d => Assert.NotNull(d.Elements["/FontFile2"]));
        Assert.DoesNotContain("?", string.Concat(Setting.PaperFonts.Cut("Zoë Łukasz Ağa Åse œuf 1⅓ Ελένη Мария → ✓").Select(p => p.Text)));
        // What neither font has is said to be missing, not left out.
        Assert.Equal("a?b", string.Concat(Setting.PaperFonts.Cut("a\U0001F383b").Select(p => p.Text)));
    }

    [Fact]
    public void A_pack_without_anything_says_so_and_each_part_begins_on_its_own_sheet()
    {
        var page = Assert.Single(Pages(PaperSize.A4));
        Assert.Contains("There is nothing to print yet", page.All, StringComparison.Ordinal);
        var pages = Pages(PaperSize.A4, Part(PaperText.Of("one")), Part(PaperText.Of("two")) with { Title = "Second" });
        Assert.Equal(2, pages.Count);
        Assert.Contains("1 of 1", pages[1].All, StringComparison.Ordinal);
        Assert.Contains("Second", pages[1].All, StringComparison.Ordinal);
    }
}
