using System.Collections.Immutable;

namespace Zymethos.Paper;

/// <summary>Something that stands on a page: printed and shown on the screen from the same words.</summary>
public abstract record PaperBlock;

/// <summary>Words of one weight.</summary>
/// <param name="Text">The words.</param>
/// <param name="IsBold">Whether they are bold.</param>
public sealed record PaperRun(string Text, bool IsBold = false);

/// <summary>A heading; what follows it stands on the same page.</summary>
/// <param name="Text">The words.</param>
/// <param name="Level">2 for a section, 3 for one below.</param>
public sealed record PaperHeading(string Text, int Level = 2) : PaperBlock;

/// <summary>How a paragraph is set.</summary>
public enum PaperTone
{
    /// <summary>As most are.</summary>
    Usual,

    /// <summary>In smaller letters.</summary>
    Small,

    /// <summary>With a bar beside it: something that can hurt or spoil.</summary>
    Caution,
}

/// <summary>A paragraph.</summary>
/// <param name="Runs">Its words.</param>
/// <param name="Tone">How it is set.</param>
public sealed record PaperText(ImmutableArray<PaperRun> Runs, PaperTone Tone = PaperTone.Usual) : PaperBlock
{
    /// <summary>A paragraph of plain words.</summary>
    public static PaperText Of(string words, PaperTone tone = PaperTone.Usual) => new([new PaperRun(words)], tone);
}

/// <summary>A column of a table.</summary>
/// <param name="Head">What stands above it; may be empty.</param>
/// <param name="Share">Its share of the width, against those of the others.</param>
/// <param name="IsTick">Whether it is a box to tick; its cells stay empty.</param>
public sealed record PaperColumn(string Head, double Share, bool IsTick = false);

/// <summary>A row of a table.</summary>
/// <param name="Cells">Its cells, one a column; a cell may have bold words.</param>
/// <param name="IsHead">Whether it opens a group: across the whole width, bold, together with the next.</param>
public sealed record PaperRow(ImmutableArray<ImmutableArray<PaperRun>> Cells, bool IsHead = false)
{
    /// <summary>A row of plain words.</summary>
    public static PaperRow Of(params string[] cells) => new([.. cells.Select(c => ImmutableArray.Create(new PaperRun(c)))]);

    /// <summary>A row that opens a group.</summary>
    public static PaperRow Head(string words) =>
        new(
            [
                [new PaperRun(words, true)],
            ],
            true
        );
}

/// <summary>A table; its head stands again on each page on which it goes on, and no row is torn apart.</summary>
/// <param name="Columns">Its columns.</param>
/// <param name="Rows">Its rows.</param>
public sealed record PaperTable(ImmutableArray<PaperColumn> Columns, ImmutableArray<PaperRow> Rows) : PaperBlock;

/// <summary>A drawing, never torn apart.</summary>
/// <param name="Width">Its width in millimetres.</param>
/// <param name="Height">Its height in millimetres.</param>
/// <param name="Shapes">What is drawn, the lowest first.</param>
/// <param name="Says">What it shows, for those who do not see it.</param>
public sealed record PaperDrawing(double Width, double Height, ImmutableArray<PaperShape> Shapes, string Says) : PaperBlock
{
    /// <summary>Whether it is drawn in millimetres of the thing itself, or of a scale that is told, so that nothing shrinks it.</summary>
    public bool IsToScale { get; init; }
}

/// <summary>Blocks that stand on one page as long as a page can hold them.</summary>
/// <param name="Blocks">The blocks.</param>
public sealed record PaperKeep(ImmutableArray<PaperBlock> Blocks) : PaperBlock;

/// <summary>Two columns beside each other; one below the other where a page cannot hold them so.</summary>
/// <param name="Left">The left one.</param>
/// <param name="Right">The right one.</param>
/// <param name="Share">The left one's share of the width, 0.2 to 0.8.</param>
public sealed record PaperBeside(ImmutableArray<PaperBlock> Left, ImmutableArray<PaperBlock> Right, double Share = 0.4) : PaperBlock;

/// <summary>What follows begins on a new page.</summary>
public sealed record PaperBreak : PaperBlock;

/// <summary>Cards that fill whole sheets, to be cut apart: their letters are as large as each card allows.</summary>
/// <param name="Across">How many stand beside each other.</param>
/// <param name="Down">How many below each other.</param>
/// <param name="Cards">The cards.</param>
public sealed record PaperCards(int Across, int Down, ImmutableArray<PaperCard> Cards) : PaperBlock;

/// <summary>A card.</summary>
/// <param name="Blocks">What is on it.</param>
/// <param name="HasHole">Whether the hole for a ribbon is marked.</param>
public sealed record PaperCard(ImmutableArray<PaperBlock> Blocks, bool HasHole = false);
