namespace Zymethos.Paper;

/// <summary>A sheet of paper, upright.</summary>
/// <param name="Key">Its name in addresses.</param>
/// <param name="Name">Its name on the screen.</param>
/// <param name="Width">Width in millimetres.</param>
/// <param name="Height">Height in millimetres.</param>
public sealed record PaperSize(string Key, string Name, double Width, double Height)
{
    /// <summary>210 x 297 mm (ISO 216).</summary>
    public static PaperSize A4 { get; } = new("a4", "A4", 210, 297);

    /// <summary>8.5 x 11 in, 215.9 x 279.4 mm (ANSI/ASME Y14.1, size A).</summary>
    public static PaperSize Letter { get; } = new("letter", "US Letter", 215.9, 279.4);

    /// <summary>All sizes.</summary>
    public static IReadOnlyList<PaperSize> All { get; } = [A4, Letter];

    /// <summary>The size of that name; null for none.</summary>
    public static PaperSize? Of(string? key) => All.FirstOrDefault(s => s.Key == key);

    /// <summary>The same sheet on its side.</summary>
    public PaperSize OnItsSide() => this with { Width = Height, Height = Width };
}
