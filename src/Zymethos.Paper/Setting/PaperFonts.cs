using PdfSharp.Drawing;
using PdfSharp.Fonts;

namespace Zymethos.Paper.Setting;

/// <summary>The letters of everything that is printed: the house's own, and a second font for characters that it lacks.</summary>
internal sealed class PaperFonts : IFontResolver
{
    private const string House = "Paper";
    private const string Second = "Paper second";

    private static readonly Lazy<PaperFonts> All = new(() => new PaperFonts(), LazyThreadSafetyMode.ExecutionAndPublication);
    private readonly Dictionary<string, byte[]> _files = new(StringComparer.Ordinal);
    private readonly FontCoverage _house;
    private readonly FontCoverage _second;

    private PaperFonts()
    {
        foreach (var name in new[] { "atkinson-hyperlegible-next-regular", "atkinson-hyperlegible-next-bold", "dejavu-sans" })
        {
            using var stream = typeof(PaperFonts).Assembly.GetManifestResourceStream($"Fonts.{name}")!;
            using var copy = new MemoryStream();
            stream.CopyTo(copy);
            _files[name] = copy.ToArray();
        }

        _house = new FontCoverage(_files["atkinson-hyperlegible-next-regular"]);
        _second = new FontCoverage(_files["dejavu-sans"]);
        GlobalFontSettings.FontResolver = this;
    }

    /// <summary>A font of a size.</summary>
    /// <param name="points">Size in points.</param>
    /// <param name="isBold">Whether it is bold.</param>
    /// <param name="isSecond">Whether it is the second font, which has no bold of its own.</param>
    public static XFont Of(double points, bool isBold, bool isSecond = false)
    {
        _ = All.Value;
        return new XFont(isSecond ? Second : House, points, isBold && !isSecond ? XFontStyleEx.Bold : XFontStyleEx.Regular);
    }

    /// <summary>Cuts words into pieces of one font each; what neither font can draw becomes a question mark.</summary>
    public static IEnumerable<(string Text, bool IsSecond)> Cut(string words)
    {
        var fonts = All.Value;
        var piece = new System.Text.StringBuilder();
        var isSecond = false;
        foreach (var rune in words.EnumerateRunes())
        {
            var second = !fonts._house.Has(rune.Value) && fonts._second.Has(rune.Value);
            if (second != isSecond && piece.Length > 0)
            {
                yield return (piece.ToString(), isSecond);
                piece.Clear();
            }

            isSecond = second;
            piece.Append(second || fonts._house.Has(rune.Value) ? rune.ToString() : "?");
        }

        if (piece.Length > 0)
            yield return (piece.ToString(), isSecond);
    }

    /// <inheritdoc />
    public FontResolverInfo? ResolveTypeface(string familyName, bool isBold, bool isItalic) =>
        new(
            familyName == Second ? "dejavu-sans"
            : isBold ? "atkinson-hyperlegible-next-bold"
            : "atkinson-hyperlegible-next-regular"
        );

    /// <inheritdoc />
    public byte[]? GetFont(string faceName) => _files.GetValueOrDefault(faceName);
}
