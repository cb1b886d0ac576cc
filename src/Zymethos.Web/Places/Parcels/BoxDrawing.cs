using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Html;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Draws the layers of a box from above, all to one scale.</summary>
internal static class BoxDrawing
{
    private const double Gap = 14;
    private const double Edge = 6;

    /// <summary>The drawing: one layer beside the other, the lowest first. A letter on each piece says which kind it is.</summary>
    /// <param name="box">The box.</param>
    /// <param name="packed">How it is packed.</param>
    /// <param name="letters">The letter of each kind.</param>
    /// <param name="kinds">The kinds, for what is round.</param>
    /// <param name="says">What it shows, for those who do not see it.</param>
    public static IHtmlContent Of(
        GiftBoxDocument box,
        PackedBox packed,
        IReadOnlyList<string> letters,
        IReadOnlyList<bool> kinds,
        string says
    )
    {
        var svg = new StringBuilder();
        var (across, down) = (box.Length, box.Round ? box.Length : box.Width);
        var width = (packed.Layers.Length * (across + Gap)) - Gap + (2 * Edge);
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<svg class="box-plan" viewBox="0 0 {width:0.#} {down + (2 * Edge) + 22:0.#}" role="img" aria-label="{Text(says)}">"""
        );
        for (var l = 0; l < packed.Layers.Length; l++)
        {
            var x = Edge + (l * (across + Gap));
            svg.Append(
                CultureInfo.InvariantCulture,
                $"""<text class="scale" x="{x:0.#}" y="14">{(l == 0 ? "at the bottom" : $"layer {l + 1}")}</text>"""
            );
            if (box.Round)
                Circle(svg, "box", x + (across / 2), 22 + Edge + (across / 2), across / 2);
            else
                Rectangle(svg, "box", x, 22 + Edge, across, down);
            foreach (var piece in packed.Layers[l].Pieces)
                Piece(svg, piece, x, 22 + Edge, letters[piece.Kind], kinds[piece.Kind]);
        }

        svg.Append("</svg>");
        return new HtmlString(svg.ToString());
    }

    private static void Piece(StringBuilder svg, PackedPiece piece, double left, double top, string letter, bool isRound)
    {
        var (x, y) = (left + piece.X, top + piece.Y);
        if (isRound)
            Circle(svg, "piece", x + (piece.Length / 2), y + (piece.Width / 2), piece.Length / 2);
        else
            Rectangle(svg, "piece", x, y, piece.Length, piece.Width);
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<text x="{x + (piece.Length / 2):0.#}" y="{y + (piece.Width / 2) + 5:0.#}" text-anchor="middle">{Text(letter)}</text>"""
        );
    }

    private static void Circle(StringBuilder svg, string kind, double x, double y, double radius) =>
        svg.Append(CultureInfo.InvariantCulture, $"""<circle class="{kind}" cx="{x:0.#}" cy="{y:0.#}" r="{radius:0.#}"/>""");

    private static void Rectangle(StringBuilder svg, string kind, double x, double y, double width, double height) =>
        svg.Append(
            CultureInfo.InvariantCulture,
            $"""<rect class="{kind}" x="{x:0.#}" y="{y:0.#}" width="{width:0.#}" height="{height:0.#}"/>"""
        );

    private static string Text(string text) => System.Net.WebUtility.HtmlEncode(text);
}
