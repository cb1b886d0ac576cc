using Zymethos.Paper.Setting;

namespace Zymethos.Paper;

/// <summary>How large the letters of a card can be.</summary>
public static class CardFit
{
    /// <summary>Room between a card's edge and its words, in millimetres.</summary>
    public const double Inset = 6;

    private const double Largest = 1.15;
    private const double Smallest = 0.4;

    /// <summary>The size of a card's letters against the usual 10 points, as large as all of it still stands on the card.</summary>
    /// <param name="card">The card.</param>
    /// <param name="width">Its width in millimetres.</param>
    /// <param name="height">Its height in millimetres.</param>
    /// <returns>0.4 to 1.15; null where even the smallest letters do not fit.</returns>
    public static double? Of(PaperCard card, double width, double height)
    {
        using var text = new SetText();
        return Of(card, width, height, text);
    }

    /// <summary>The sheets of some cards. What does not fit its card even in the smallest letters has a sheet of its own at the end: it is
    /// never cut off or printed over its neighbour.</summary>
    /// <param name="cards">The cards.</param>
    /// <param name="paper">The sheets.</param>
    /// <param name="sure">The part of a card's height that is used, above 0 and up to 1.</param>
    public static IReadOnlyList<CardSheet> Sheets(PaperCards cards, PaperSize paper, double sure = 1)
    {
        using var text = new SetText();
        List<FittedCard> Fitted(IEnumerable<PaperCard> some, int across, int down) =>
            [
                .. some.Select(c => new FittedCard(
                    c,
                    Of(c, paper.Width / across, paper.Height / down * sure, text) ?? (across * down == 1 ? Smallest : 0)
                )),
            ];
        var all = Fitted(cards.Cards, cards.Across, cards.Down);
        var alone = Fitted(all.Where(c => c.Scale <= 0).Select(c => c.Card), 1, 1);
        return
        [
            .. all.Where(c => c.Scale > 0).Chunk(cards.Across * cards.Down).Select(c => new CardSheet(cards.Across, cards.Down, [.. c])),
            .. alone.Select(c => new CardSheet(1, 1, [c])),
        ];
    }

    /// <summary>The same with something that measures words already.</summary>
    internal static double? Of(PaperCard card, double width, double height, SetText text)
    {
        var room = (height - (2 * Inset) - (card.HasHole ? HoleRoom : 0)) * SetBlocks.Millimetre;
        for (var scale = Largest; scale >= Smallest - 1e-9; scale -= 0.05)
        {
            var pieces = new SetBlocks(text, scale, room).Of(card.Blocks, (width - (2 * Inset)) * SetBlocks.Millimetre);
            if (SetBlocks.HeightOf(pieces) <= room)
                return scale;
        }

        return null;
    }

    /// <summary>Room for the hole of a ribbon, in millimetres.</summary>
    internal const double HoleRoom = 8;
}
