using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Html;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Web.Drawing;

/// <summary>Draws a sheet of dough or a tray with its pieces, to scale, with a ruler below.</summary>
public static class NestDrawing
{
    private const double Edge = 4;
    private const double Foot = 10;

    /// <summary>The drawing. A letter in each piece says which shape it is.</summary>
    /// <param name="nest">The sheet.</param>
    /// <param name="kind">"dough" or "tray".</param>
    /// <param name="says">What it shows, for those who do not see it.</param>
    public static IHtmlContent Of(Nest nest, string kind, string says) => new HtmlString(Write(nest, kind, says, ""));

    /// <summary>The drawing as a file that stands alone, in black and white and true to size.</summary>
    /// <param name="nest">The sheet.</param>
    /// <param name="says">What it shows.</param>
    public static string File(Nest nest, string says) => Write(nest, "dough", says, "http://www.w3.org/2000/svg");

    private static string Write(Nest nest, string kind, string says, string space)
    {
        var svg = new StringBuilder();
        // Letters as large on a small drawing as on a large one.
        var letter = Math.Clamp(nest.Width / 32, 8, 16);
        var foot = Foot + letter;
        var (width, height) = (nest.Width + (2 * Edge), nest.Height + (2 * Edge) + foot);
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<svg {Alone(space, width, height)}class="nest is-{kind}" viewBox="0 0 {width:0.#} {height:0.#}" role="img" """
        );
        svg.Append(CultureInfo.InvariantCulture, $"""aria-label="{Text(says)}">{(space.Length > 0 ? Style : "")}""");
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<rect class="sheet" x="{Edge}" y="{Edge}" width="{nest.Width:0.#}" height="{nest.Height:0.#}" rx="3"/>"""
        );
        svg.Append(CultureInfo.InvariantCulture, $"""<g transform="translate({Edge} {Edge})">""");
        foreach (var piece in nest.Pieces)
        {
            var shape = nest.ShapeOf(piece);
            var at = shape.InteriorPoint;
            svg.Append(CultureInfo.InvariantCulture, $"""<path class="piece" fill-rule="evenodd" d="{SvgOutline.PathOf(shape)}"/>""");
            if (nest.Wishes.Length > 1)
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<text font-size=\"{letter:0.#}\" x=\"{at.X:0.#}\" y=\"{at.Y + (letter / 3):0.#}\" "
                        + $"text-anchor=\"middle\">{Letter(piece.Wish)}</text>"
                );
        }

        svg.Append("</g>");
        Ruler(svg, nest, letter);
        return svg.Append("</svg>").ToString();
    }

    // A file has no style sheet of the page, and a size of its own.
    private const string Style =
        "<style>.nest path,.nest rect{fill:none;stroke:#000;stroke-width:.5}.nest text{font-family:sans-serif}</style>";

    private static string Alone(string space, double width, double height) =>
        space.Length == 0
            ? ""
            : string.Create(CultureInfo.InvariantCulture, $"xmlns=\"{space}\" width=\"{width:0.#}mm\" height=\"{height:0.#}mm\" ");

    /// <summary>The letter of a shape.</summary>
    public static char Letter(int wish) => (char)('A' + (wish % 26));

    private static void Ruler(StringBuilder svg, Nest nest, double letter)
    {
        var y = nest.Height + (2 * Edge) + 2 + (letter / 2);
        var length = nest.Width >= 100 ? 100 : 50;
        svg.Append(CultureInfo.InvariantCulture, $"""<path class="ruler" d="M{Edge} {y:0.#}h{length}""");
        for (var mark = 0; mark <= length; mark += 10)
            svg.Append(CultureInfo.InvariantCulture, $"M{Edge + mark} {y - (mark % 50 == 0 ? 4 : 2):0.#}v{(mark % 50 == 0 ? 8 : 4)}");
        svg.Append(
            CultureInfo.InvariantCulture,
            $"\"/><text class=\"scale\" font-size=\"{letter:0.#}\" x=\"{Edge + length + 5}\" y=\"{y + (letter / 3):0.#}\">"
        );
        svg.Append(CultureInfo.InvariantCulture, $"{length / 10} cm of {nest.Width / 10:0.#} by {nest.Height / 10:0.#}</text>");
    }

    private static string Text(string text) => System.Net.WebUtility.HtmlEncode(text);
}
