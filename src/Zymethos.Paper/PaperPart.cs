using System.Collections.Immutable;

namespace Zymethos.Paper;

/// <summary>A part of a pack to print: its pages follow one another, and no other part begins on them.</summary>
/// <param name="Key">Its name in addresses.</param>
/// <param name="Title">What stands at the head of its first page and at the foot of all.</param>
/// <param name="Blocks">What is on it, from above.</param>
public sealed record PaperPart(string Key, string Title, ImmutableArray<PaperBlock> Blocks)
{
    /// <summary>Whether the sheets lie on their side.</summary>
    public bool IsWide { get; init; }

    /// <summary>Whether the whole sheet is used to its edge and nothing stands at its head and foot: sheets of labels.</summary>
    public bool IsBare { get; init; }

    /// <summary>Whether its title stands at the foot alone: what is on the pages has headings of its own.</summary>
    public bool IsUntitled { get; init; }

    /// <summary>A line below the title; empty for none.</summary>
    public string Below { get; init; } = "";
}
