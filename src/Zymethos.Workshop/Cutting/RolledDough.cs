namespace Zymethos.Workshop.Cutting;

/// <summary>Dough and how it is rolled.</summary>
/// <param name="Grams">Mass of the dough in grams, above 0.</param>
/// <param name="Thickness">Thickness in millimetres, as dough strips give it, above 0.</param>
/// <param name="BoardWidth">Width of the board or the paper in millimetres, above 0.</param>
/// <param name="BoardLength">Its length in millimetres, above 0.</param>
public sealed record RolledDough(double Grams, double Thickness, double BoardWidth, double BoardLength)
{
    /// <summary>Grams of a cubic centimetre of rolled dough, usually (common practice, no source; butter and ginger doughs of the shipped
    /// Book lie between 1.2 and 1.3).</summary>
    public const double UsualDensity = 1.25;

    /// <summary>Grams of a cubic centimetre.</summary>
    public double Density { get; init; } = UsualDensity;

    /// <summary>The least room between two cuts in millimetres: the walls of the cutters.</summary>
    public double Gap { get; init; } = 2;

    /// <summary>How often scraps are gathered and rolled, the first rolling among them. The third is tough (common practice, no
    /// source).</summary>
    public int MostRolls { get; init; } = 2;

    /// <summary>Which part of what is rolled stays on board, pin and fingers each time (by judgement).</summary>
    public double LossARoll { get; init; } = 0.015;

    /// <summary>Grams of a square millimetre of the sheet.</summary>
    public double GramsOfSquareMillimetre => Thickness * Density / 1000;

    /// <summary>The sheets that so much dough gives: as many full boards as there are, and the rest about as long as it is wide.</summary>
    /// <param name="grams">The dough in grams.</param>
    /// <returns>Width and length of each in millimetres; none for crumbs.</returns>
    public IEnumerable<(double Width, double Length)> Sheets(double grams)
    {
        var area = grams / GramsOfSquareMillimetre;
        for (; area >= BoardWidth * BoardLength; area -= BoardWidth * BoardLength)
            yield return (BoardWidth, BoardLength);
        if (area < Outline.Smallest * Outline.Smallest)
            yield break;
        var (shorter, longer) = (Math.Min(BoardWidth, BoardLength), Math.Max(BoardWidth, BoardLength));
        // A pin rolls to and fro and then across: a third longer than wide, as far as the board allows.
        var width = Math.Min(shorter, Math.Sqrt(area * 3 / 4));
        if (area / width > longer)
            width = area / longer;
        yield return (width, area / width);
    }
}

/// <summary>Pieces of one shape that are wanted.</summary>
/// <param name="Outline">The cutter.</param>
/// <param name="Wanted">How many; null for as many as there is dough for.</param>
public sealed record CutWish(Outline Outline, int? Wanted);
