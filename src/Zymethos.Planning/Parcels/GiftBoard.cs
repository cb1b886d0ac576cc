using System.Collections.Immutable;
using Zymethos.Core.Parcels;

namespace Zymethos.Planning.Parcels;

/// <summary>How a box is filled.</summary>
/// <param name="Kinds">How many kinds, 1 to 20.</param>
/// <param name="Pieces">How many pieces in all, at least <paramref name="Kinds"/> and up to <see cref="MostPieces"/>.</param>
public sealed record GiftRules(int Kinds, int Pieces)
{
    /// <summary>Most pieces of a box.</summary>
    public const int MostPieces = 200;

    /// <summary>Most pieces of one kind in a box; null for as many as fit the rest.</summary>
    public int? MostOfAKind { get; init; }

    /// <summary>Whether no two kinds of a box may have the same colour, as far as colours are said.</summary>
    public bool ColoursApart { get; init; }

    /// <summary>What everybody gets at least so many pieces of: a word of an ingredient, recipe or finish.</summary>
    public ImmutableArray<(string Words, int Least)> Everybody { get; init; } = [];
}

/// <summary>A bake on the board.</summary>
/// <param name="Bake">What it is.</param>
/// <param name="Made">How many pieces there are to give away; null for as many as are wanted, in whole batches.</param>
/// <param name="ABatch">How many a batch gives, at least 1.</param>
/// <param name="Colour">What colour it has, in a word; empty where nobody said.</param>
public sealed record BoardBake(GiftBake Bake, int? Made, int ABatch, string Colour = "");

/// <summary>So many pieces of a bake for somebody.</summary>
/// <param name="Person">Index of the person.</param>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Pieces">How many, zero or more.</param>
/// <param name="IsPinned">Whether the baker put it there, so that it stays.</param>
public sealed record BoardCell(int Person, int Bake, int Pieces, bool IsPinned = false);

/// <summary>Who is to get something, of what, and how.</summary>
/// <param name="People">Who.</param>
/// <param name="Bakes">Of what.</param>
/// <param name="Rules">How each box is filled.</param>
public sealed record GiftBoard(ImmutableArray<Recipient> People, ImmutableArray<BoardBake> Bakes, GiftRules Rules)
{
    /// <summary>Most people of a board.</summary>
    public const int MostPeople = 100;

    /// <summary>Most bakes of a board.</summary>
    public const int MostBakes = 30;

    /// <summary>What stands already. Only what is pinned stays.</summary>
    public ImmutableArray<BoardCell> Cells { get; init; } = [];

    /// <summary>Pieces for those whose box is of another size, by the index of the person.</summary>
    public ImmutableDictionary<int, int> OwnPieces { get; init; } = ImmutableDictionary<int, int>.Empty;

    /// <summary>Persons and bakes for which the baker has looked at what was not known, and it is fine.</summary>
    public ImmutableHashSet<(int Person, int Bake)> Looked { get; init; } = [];

    /// <summary>How many pieces somebody is to get.</summary>
    public int PiecesFor(int person) => OwnPieces.TryGetValue(person, out var own) ? own : Rules.Pieces;

    /// <summary>How a bake stands to a person: what was looked at counts as fine, what is not for them never does.</summary>
    public GiftStand Stand(int person, int bake)
    {
        var stand = GiftCheck.Of(People[person], Bakes[bake].Bake);
        return stand.Verdict == GiftVerdict.Look && Looked.Contains((person, bake)) ? new GiftStand(GiftVerdict.Fine, []) : stand;
    }
}
