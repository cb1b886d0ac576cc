using System.Globalization;
using System.Text.RegularExpressions;
using NetTopologySuite.Geometries.Utilities;

namespace Zymethos.Workshop.Svg;

/// <summary>What stands in "transform" of an SVG (SVG 1.1 §7.6).</summary>
internal static partial class SvgTransform
{
    /// <summary>The transformation.</summary>
    /// <exception cref="FormatException">It is none.</exception>
    public static AffineTransformation Read(string text)
    {
        var all = new AffineTransformation();
        var rest = text;
        foreach (Match match in Step().Matches(text))
        {
            rest = rest.Replace(match.Value, "", StringComparison.Ordinal);
            var n = match
                .Groups["numbers"]
                .Value.Split([' ', ',', '\t', '\r', '\n'], StringSplitOptions.RemoveEmptyEntries)
                .Select(p =>
                    double.TryParse(p, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) && double.IsFinite(v)
                        ? v
                        : throw new FormatException("A number of a transformation cannot be read.")
                )
                .ToArray();
            double At(int i, double otherwise) => i < n.Length ? n[i] : otherwise;
            var step = (match.Groups["what"].Value, n.Length) switch
            {
                ("matrix", 6) => new AffineTransformation(n[0], n[2], n[4], n[1], n[3], n[5]),
                ("translate", 1 or 2) => AffineTransformation.TranslationInstance(n[0], At(1, 0)),
                ("scale", 1 or 2) => AffineTransformation.ScaleInstance(n[0], At(1, n[0])),
                ("rotate", 1 or 3) => AffineTransformation.RotationInstance(n[0] * Math.PI / 180, At(1, 0), At(2, 0)),
                ("skewX", 1) => new AffineTransformation(1, Math.Tan(n[0] * Math.PI / 180), 0, 0, 1, 0),
                ("skewY", 1) => new AffineTransformation(1, 0, 0, Math.Tan(n[0] * Math.PI / 180), 1, 0),
                _ => throw new FormatException($"“{match.Value}” is no transformation."),
            };
            // The first one written is the outermost.
            all.ComposeBefore(step);
        }

        return rest.Trim([' ', ',', '\t', '\r', '\n']).Length == 0 ? all : throw new FormatException("This transformation cannot be read.");
    }

    [GeneratedRegex(@"(?<what>matrix|translate|scale|rotate|skewX|skewY)\s*\((?<numbers>[^()]*)\)", RegexOptions.ExplicitCapture, 900)]
    private static partial Regex Step();
}
