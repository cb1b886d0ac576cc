namespace Zymethos.Interchange.Parcels;

/// <summary>Parcels to take along, version 1: people, who gets what, tins and boxes.</summary>
/// <param name="Format">Always "zymethos-parcels".</param>
/// <param name="Version">Always 1.</param>
/// <param name="People">People.</param>
/// <param name="Boards">Who gets what; left out for none. Their seasons stay where they are: brought in elsewhere a board belongs to
/// none.</param>
/// <param name="Shelf">Tins, boxes and sizes of pieces; left out for none.</param>
public sealed record ParcelsDocument(
    string Format,
    int Version,
    IReadOnlyList<RecipientDocument> People,
    IReadOnlyList<BoardDocument>? Boards = null,
    GiftShelfDocument? Shelf = null
)
{
    /// <summary>What every file says of itself.</summary>
    public const string Name = "zymethos-parcels";
}
