namespace Zymethos.Interchange.Parcels;

/// <summary>Who gets what, as files and rows keep it.</summary>
/// <param name="Name">What it is called ("Parcels for the library").</param>
/// <param name="People">Ids of those who get something.</param>
/// <param name="Bakes">Of what.</param>
/// <param name="Rules">How each box is filled.</param>
/// <param name="Cells">Who gets how many of what.</param>
/// <param name="Looked">What the baker has looked at.</param>
/// <param name="OwnPieces">Pieces of those whose box is of another size, by the id of the person.</param>
/// <param name="Season">Id of the season to which it belongs; left out for none.</param>
/// <param name="Occasion">Name of the season's date; left out for none.</param>
/// <param name="Promised">To whom what stays over is promised.</param>
/// <param name="Handing">When and how each box is handed over.</param>
public sealed record BoardDocument(
    string Name,
    IReadOnlyList<string> People,
    IReadOnlyList<BoardBakeDocument> Bakes,
    BoardRulesDocument Rules,
    IReadOnlyList<BoardCellDocument> Cells,
    IReadOnlyList<LookedDocument>? Looked = null,
    IReadOnlyDictionary<string, int>? OwnPieces = null,
    string? Season = null,
    string? Occasion = null,
    IReadOnlyList<PromiseDocument>? Promised = null,
    IReadOnlyList<HandingDocument>? Handing = null
);

/// <summary>A bake on the board.</summary>
/// <param name="Id">A name of its own on the board ("b1").</param>
/// <param name="Recipe">Key of the recipe.</param>
/// <param name="Finish">Name of the finish; left out for the batch as it comes.</param>
/// <param name="Choices">Which way the recipe goes where bakers differ.</param>
/// <param name="Made">How many pieces there are to give; left out for as many as are wanted.</param>
/// <param name="Colour">Its colour in a word; left out where nobody said.</param>
public sealed record BoardBakeDocument(
    string Id,
    string Recipe,
    string? Finish = null,
    IReadOnlyDictionary<string, string>? Choices = null,
    int? Made = null,
    string? Colour = null
);

/// <summary>How each box is filled.</summary>
/// <param name="Kinds">How many kinds.</param>
/// <param name="Pieces">How many pieces.</param>
/// <param name="MostOfAKind">Most pieces of one kind; left out for no limit.</param>
/// <param name="ColoursApart">Whether no two kinds of a box are alike in colour.</param>
/// <param name="Everybody">What everybody gets some of.</param>
public sealed record BoardRulesDocument(
    int Kinds = 4,
    int Pieces = 12,
    int? MostOfAKind = null,
    bool ColoursApart = false,
    IReadOnlyList<EverybodyDocument>? Everybody = null
);

/// <summary>Something of which everybody gets some.</summary>
/// <param name="Words">An ingredient, a recipe or a finish in the baker's words.</param>
/// <param name="Least">How many pieces at least.</param>
public sealed record EverybodyDocument(string Words, int Least = 1);

/// <summary>So many pieces of a bake for somebody.</summary>
/// <param name="Person">Id of the person.</param>
/// <param name="Bake">Id of the bake on the board.</param>
/// <param name="Pieces">How many.</param>
/// <param name="Pinned">Whether the baker put it there, so that it stays.</param>
public sealed record BoardCellDocument(string Person, string Bake, int Pieces, bool Pinned = false);

/// <summary>Something not known of a bake that the baker looked at for somebody.</summary>
/// <param name="Person">Id of the person.</param>
/// <param name="Bake">Id of the bake on the board.</param>
/// <param name="What">What was to be looked at, in the words in which it was asked: when they change, it is asked again.</param>
public sealed record LookedDocument(string Person, string Bake, string What);

/// <summary>What stays over of a bake is promised to somebody.</summary>
/// <param name="Bake">Id of the bake on the board.</param>
/// <param name="To">To whom.</param>
public sealed record PromiseDocument(string Bake, string To);

/// <summary>When and how a box is handed over.</summary>
/// <param name="Person">Id of the person.</param>
/// <param name="At">When ("2026-12-19T17:00"); left out where nobody said.</param>
/// <param name="Route">Which way it goes ("the walk round the square"); left out where nobody said.</param>
/// <param name="Wrapped">Whether it is wrapped.</param>
/// <param name="Given">When it was given; left out before.</param>
/// <param name="Wish">Thanks and wishes for next year; left out for none.</param>
/// <param name="PostDays">Days in the post; left out for what is given from hand to hand.</param>
public sealed record HandingDocument(
    string Person,
    string? At = null,
    string? Route = null,
    bool Wrapped = false,
    string? Given = null,
    string? Wish = null,
    int? PostDays = null
);
