using System.Globalization;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Html;

namespace Zymethos.Web.Drawing;

/// <summary>Words in a drawing. Razor keeps the element <c>text</c> for itself, so they are written here, and always encoded: whatever a
/// name holds, it is read and never run.</summary>
public static class SvgText
{
    /// <summary>A text element.</summary>
    /// <param name="x">Where it stands, in the drawing's units.</param>
    /// <param name="y">Its base line.</param>
    /// <param name="words">What it says, as anybody wrote it.</param>
    /// <param name="anchor">"middle" or "end"; empty to begin at <paramref name="x"/>.</param>
    /// <param name="kind">Its class; may be empty.</param>
    /// <param name="isHidden">Whether screen readers pass over it, since it is said elsewhere.</param>
    public static IHtmlContent At(double x, double y, string words, string anchor = "", string kind = "", bool isHidden = false)
    {
        var attributes =
            $"{(kind.Length > 0 ? $" class=\"{HtmlEncoder.Default.Encode(kind)}\"" : "")}"
            + $"{(anchor.Length > 0 ? $" text-anchor=\"{HtmlEncoder.Default.Encode(anchor)}\"" : "")}"
            + $"{(isHidden ? " aria-hidden=\"true\"" : "")}";
        return new HtmlString(
            string.Create(
                CultureInfo.InvariantCulture,
                $"<text x=\"{x:0.##}\" y=\"{y:0.##}\"{attributes}>{HtmlEncoder.Default.Encode(words)}</text>"
            )
        );
    }
}
