namespace Zymethos.Interchange.Parcels;

/// <summary>Tins and boxes of a kitchen, and how large pieces of its recipes are.</summary>
/// <param name="Boxes">Tins, boxes, bags and jars.</param>
/// <param name="Sizes">Sizes of pieces that somebody measured.</param>
/// <param name="From">From whom, as labels say it; left out for the kitchen's name.</param>
/// <param name="Words">Label words of the kitchen's own in another language; left out for none.</param>
public sealed record GiftShelfDocument(
    IReadOnlyList<GiftBoxDocument> Boxes,
    IReadOnlyList<PieceSizeDocument> Sizes,
    string? From = null,
    LabelWords? Words = null
);

/// <summary>A tin, box, bag or jar with its inner size.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Round">Whether it is round; then length and width are its diameter.</param>
/// <param name="Length">Inner length in millimetres.</param>
/// <param name="Width">Inner width in millimetres.</param>
/// <param name="Height">Inner height in millimetres.</param>
/// <param name="Count">How many there are.</param>
/// <param name="Grams">What it weighs empty, in grams; left out where nobody weighed it.</param>
public sealed record GiftBoxDocument(
    string Name,
    double Length,
    double Width,
    double Height,
    bool Round = false,
    int Count = 1,
    double? Grams = null
);

/// <summary>How large a piece of a recipe is.</summary>
/// <param name="Recipe">Key of the recipe.</param>
/// <param name="Length">Its length, or its diameter, in millimetres.</param>
/// <param name="Width">Its width in millimetres; its diameter for what is round.</param>
/// <param name="Height">Its height in millimetres.</param>
/// <param name="Round">Whether it is round.</param>
/// <param name="Grams">What it weighs, in grams; left out where nobody weighed it.</param>
public sealed record PieceSizeDocument(string Recipe, double Length, double Width, double Height, bool Round = false, double? Grams = null);
