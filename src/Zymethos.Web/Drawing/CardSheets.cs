using Zymethos.Paper;

namespace Zymethos.Web.Drawing;

/// <summary>Sheets of cards as a page shows them.</summary>
/// <param name="Cards">The cards.</param>
/// <param name="Paper">The sheets.</param>
public sealed record CardSheets(PaperCards Cards, PaperSize Paper)
{
    // A browser breaks a line here and there otherwise than the PDF: a little room is kept for that.
    private const double Sure = 0.95;

    /// <summary>The sheets.</summary>
    public IReadOnlyList<CardSheet> Sheets => CardFit.Sheets(Cards, Paper, Sure);

    /// <summary>The class of a card's letters: their size in percent of ten points, in steps of five.</summary>
    public static string Fit(FittedCard card) => $"fit-{(int)Math.Round(card.Scale * 20) * 5}";
}
