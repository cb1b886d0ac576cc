using System.Diagnostics;
using System.Globalization;
using System.Text;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Workshop.Tests.Svg;

/// <summary>Outlines read from SVG have the measures that the file gives them (SVG 1.1 §7 and §8, CSS 2.1 for lengths), come back the same,
/// and nothing in a file can do more than be refused.</summary>
public sealed class SvgOutlineTests
{
    private static string Drawing(string inside, string attributes = "width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\"") =>
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" {attributes}>{inside}</svg>";

    private static Outline Read(string svg)
    {
        var (outline, wrong) = SvgOutline.Read("own", svg);
        Assert.Equal("", wrong);
        return outline!;
    }

    [Theory]
    [InlineData("width=\"50mm\" height=\"50mm\" viewBox=\"0 0 100 100\"", 20)]
    [InlineData("width=\"5cm\" height=\"5cm\" viewBox=\"0 0 100 100\"", 20)]
    [InlineData("width=\"2in\" height=\"2in\" viewBox=\"0 0 100 100\"", 20.32)]
    [InlineData("width=\"72pt\" height=\"72pt\" viewBox=\"0 0 100 100\"", 10.16)]
    // Without a view box a unit is a pixel of 1/96 in; with one and no size it is, too.
    [InlineData("", 40 * 25.4 / 96)]
    [InlineData("viewBox=\"0 0 100 100\"", 40 * 25.4 / 96)]
    [InlineData("width=\"100%\" viewBox=\"0 0 100 100\"", 40 * 25.4 / 96)]
    // The smaller side decides: all of it is shown.
    [InlineData("width=\"100mm\" height=\"50mm\" viewBox=\"0 0 100 100\"", 20)]
    public void Units_and_view_box_give_the_true_size(string attributes, double side)
    {
        var outline = Read(Drawing("<rect x=\"10\" y=\"20\" width=\"40\" height=\"40\"/>", attributes));
        Assert.Equal(side, outline.Width, 1e-6);
        Assert.Equal(side, outline.Height, 1e-6);
    }

    [Theory]
    [InlineData("<rect x='0' y='0' width='80' height='50'/>", 4000)]
    [InlineData("<rect x='0' y='0' width='80' height='50' rx='10'/>", 4000 - (400 - (Math.PI * 100)))]
    [InlineData("<circle cx='50' cy='50' r='40'/>", Math.PI * 1600)]
    [InlineData("<ellipse cx='50' cy='50' rx='40' ry='20'/>", Math.PI * 800)]
    [InlineData("<polygon points='0,0 60,0 60,40 0,40'/>", 2400)]
    [InlineData("<path d='M10 10h60v40h-60z'/>", 2400)]
    [InlineData("<path d='M 10,10 L 70,10 70,50 10,50 Z'/>", 2400)]
    [InlineData("<path d='m10-10 60 0 0 40-60 0z'/>", 2400)]
    [InlineData("<path d='M10 50A40 40 0 0 1 90 50Z'/>", Math.PI * 800)]
    [InlineData("<path d='M10 50A40 40 0 1 1 10 50.001Z'/>", Math.PI * 1600)]
    [InlineData("<path d='M10 50a40 20 0 0180 0z'/>", Math.PI * 400)]
    // Under a parabola: two thirds of the box (Archimedes). A quadratic bow with its point 60 above the chord is 30 high.
    [InlineData("<path d='M0 60Q50 0 100 60Z'/>", 2.0 / 3 * 100 * 30)]
    [InlineData("<path d='M0 60Q25 0 50 60T100 60Z' />", 0)]
    // The same parabola as a cubic bow.
    [InlineData("<path d='M0 60C33.3333 20 66.6667 20 100 60Z'/>", 2.0 / 3 * 100 * 30)]
    [InlineData("<g transform='translate(5 5) scale(.5)'><rect width='80' height='50'/></g>", 1000)]
    [InlineData("<g transform='rotate(30)'><rect width='80' height='50' transform='translate(3,4)'/></g>", 4000)]
    [InlineData("<rect width='80' height='50' transform='skewX(20)'/>", 4000)]
    [InlineData("<rect width='80' height='50' transform='matrix(0 1 -1 0 0 0)'/>", 4000)]
    [InlineData("<path d='M0 0h80v80h-80z M20 20h20v20h-20z' fill-rule='evenodd'/>", 6000)]
    public void Shapes_have_the_areas_of_their_closed_forms(string inside, double area)
    {
        var (outline, wrong) = SvgOutline.Read("own", Drawing(inside));
        if (area == 0)
        {
            Assert.Contains("crosses itself", wrong, StringComparison.Ordinal);
            return;
        }

        Assert.Equal("", wrong);
        Assert.Equal(area, outline!.Area, area * 0.004);
    }

    [Fact]
    public void The_first_transformation_that_is_written_is_the_last_one_done()
    {
        // Turned first, then moved: the box is 50 wide and 80 high wherever it lies; moved first it would lie elsewhere, as large.
        var outline = Read(Drawing("<g transform='translate(200 0) rotate(90)'><path d='M0 0h80v50h-80z'/></g>"));
        Assert.Equal((50, 80), (Math.Round(outline.Width, 6), Math.Round(outline.Height, 6)));
        var wide = Read(Drawing("<g transform='scale(2 1) rotate(90)'><path d='M0 0h80v50h-80z'/></g>"));
        Assert.Equal((100, 80), (Math.Round(wide.Width, 6), Math.Round(wide.Height, 6)));
    }

    [Fact]
    public void Every_own_shape_goes_out_and_comes_in_the_same()
    {
        foreach (var name in OwnShapes.Names)
        {
            var outline = OwnShapes.Of(name, 83).Outline!;
            var back = Read(SvgOutline.Write(outline));
            Assert.Equal(outline.Area, back.Area, outline.Area * 0.001);
            Assert.Equal(
                (Math.Round(outline.Width, 1), Math.Round(outline.Height, 1)),
                (Math.Round(back.Width, 1), Math.Round(back.Height, 1))
            );
            Assert.Equal(outline.Shape.NumInteriorRings, back.Shape.NumInteriorRings);
        }
    }

    [Fact]
    public void Scripts_links_pictures_and_words_are_passed_over_and_never_written()
    {
        var svg = Drawing(
            "<script>alert(1)</script><style>*{}</style><image href='http://example.invalid/x.png'/>"
                + "<text>hello</text><foreignObject><b/></foreignObject>"
                + "<use href='#x'/><a href='javascript:alert(1)'><rect width='80' height='50' onclick='alert(1)'/></a>"
                + "<g display='none'><rect width='100' height='100'/></g><defs><rect width='99' height='99'/></defs>"
        );
        var outline = Read(svg);
        Assert.Equal(4000, outline.Area, 0.1);
        var written = SvgOutline.Write(outline);
        foreach (var word in new[] { "script", "alert", "href", "image", "hello" })
            Assert.DoesNotContain(word, written, StringComparison.OrdinalIgnoreCase);
    }

    public static TheoryData<string, string> Bad()
    {
        var deep = new StringBuilder();
        for (var i = 0; i < 3000; i++)
            deep.Append("<g>");
        var million = new StringBuilder("<path d='M0 0");
        for (var i = 0; i < 200_000; i++)
            million.Append(CultureInfo.InvariantCulture, $"L{i % 97} {i % 89}");
        var many = string.Concat(Enumerable.Repeat("<rect width='9' height='9'/>", 3000));
        return new()
        {
            { "not a drawing", "no SVG drawing" },
            { "<html/>", "no SVG drawing" },
            { "<svg", "no SVG drawing" },
            { "<!DOCTYPE svg [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;&a;\">]><svg>&b;</svg>", "Entities and document types are not read" },
            { "<!DOCTYPE svg SYSTEM \"file:///etc/passwd\"><svg/>", "Entities and document types are not read" },
            { Drawing(deep + string.Concat(Enumerable.Repeat("</g>", 3000))), "nested too deeply" },
            { Drawing(million + "Z'/>"), "up to 60,000 points" },
            { Drawing(many), "up to 2,000 shapes" },
            { new string(' ', SvgOutline.MostCharacters + 1), "up to 2 MB" },
            { Drawing(""), "no closed line" },
            { Drawing("<text>A</text>"), "no closed line" },
            { Drawing("<path d='M0 0L50 50'/>"), "no closed line" },
            { Drawing("<path d='L50 50'/>"), "begins with “move to”" },
            { Drawing("<path d='5 5'/>"), "begins with a command" },
            { Drawing("<path d='M0 0 X 5'/>"), "“X” is no command" },
            { Drawing("<path d='M0 0 L 5'/>"), "A number is missing" },
            { Drawing("<path d='M0 0 A5 5 0 2 0 9 9'/>"), "0 or 1" },
            { Drawing("<path d='M0 0L1e999 5L5 5Z'/>"), "lies nowhere" },
            { Drawing("<rect width='9' height='9' transform='wobble(3)'/>"), "cannot be read" },
            { Drawing("<rect width='9' height='9' transform='rotate(a)'/>"), "cannot be read" },
            { Drawing("<path d='M0 0L50 50L50 0L0 50Z'/>"), "crosses itself about 25 mm from the left and 25 mm from the top" },
            { Drawing("<rect width='3' height='3'/>"), "measures 5 mm to 1 m" },
            { Drawing("<rect width='5000' height='50'/>"), "measures 5 mm to 1 m" },
        };
    }

    [Theory]
    [MemberData(nameof(Bad))]
    public void What_cannot_be_read_is_said_in_a_sentence(string svg, string said)
    {
        var (outline, wrong) = SvgOutline.Read("own", svg);
        Assert.Null(outline);
        Assert.Contains(said, wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void Thousands_of_broken_drawings_are_read_or_refused_and_never_fail()
    {
        var random = new Random(7);
        string[] seeds =
        [
            Drawing("<path d='M10 10C20 0 40 0 50 10S80 30 90 10L90 80 10 80Z' transform='rotate(10 5 5)'/>"),
            Drawing("<g transform='matrix(1 0 0 1 5 5)'><path d='m1 1a40 20 30 0 1 60 30q5 5 10 0t-5 9z'/></g><circle r='30'/>"),
            Drawing("<polygon points='1,1 90,5 60,70'/><rect x='1' y='2' width='30' height='40' rx='5' ry='3'/>"),
        ];
        const string letters = "MmLlHhVvCcSsQqTtAaZz0123456789.,-+eE <>/'\"=()&;#% \n";
        var (read, refused) = (0, 0);
        for (var i = 0; i < 6000; i++)
        {
            var text = new StringBuilder(seeds[random.Next(seeds.Length)]);
            for (var change = random.Next(1, 8); change > 0; change--)
            {
                var at = random.Next(text.Length);
                switch (random.Next(3))
                {
                    case 0:
                        text.Remove(at, Math.Min(text.Length - at, random.Next(1, 9)));
                        break;
                    case 1:
                        text.Insert(at, letters[random.Next(letters.Length)]);
                        break;
                    default:
                        text[at] = letters[random.Next(letters.Length)];
                        break;
                }

                if (text.Length == 0)
                    text.Append('<');
            }

            var clock = Stopwatch.StartNew();
            var (outline, wrong) = SvgOutline.Read("own", text.ToString());
            Assert.True(clock.Elapsed < TimeSpan.FromSeconds(5), text.ToString());
            Assert.True(outline is null == wrong.Length > 0, text.ToString());
            if (outline is null)
                refused++;
            else
                read++;
        }

        Assert.True(read > 500 && refused > 500, $"{read} read, {refused} refused");
    }
}
