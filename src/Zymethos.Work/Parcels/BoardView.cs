using System.Collections.Concurrent;
using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Parcels;
using Zymethos.Store.Parcels;
using Zymethos.Work.Books;

namespace Zymethos.Work.Parcels;

/// <summary>A board as its pages show it: with everybody and every bake as they are known today.</summary>
public sealed class BoardView
{
    private readonly Dictionary<(int Person, int Bake), BoardCell> _cells;
    private readonly GiftStand[,] _asked;
    private readonly ConcurrentDictionary<int, IReadOnlyList<BoxWay>> _ways = new();

    private BoardView(GiftBoardRow row, GiftBoard board, ImmutableArray<BoardBakeDocument> bakes, GiftStand[,] asked)
    {
        (Row, Board, Bakes, _asked) = (row, board, bakes, asked);
        _cells = board.Cells.ToDictionary(c => (c.Person, c.Bake));
        Faults = BoardCheck.Faults(board, board.Cells);
        Lacks = BoardCheck.Lacks(board, board.Cells);
    }

    /// <summary>Its row.</summary>
    public GiftBoardRow Row { get; }

    /// <summary>The board.</summary>
    public GiftBoard Board { get; }

    /// <summary>Its bakes as they are kept, in the order of <see cref="GiftBoard.Bakes"/>.</summary>
    public ImmutableArray<BoardBakeDocument> Bakes { get; }

    /// <summary>What lies in a box and must not, or must be looked at first.</summary>
    public ImmutableArray<BoxFault> Faults { get; }

    /// <summary>What boxes lack.</summary>
    public ImmutableArray<BoxLack> Lacks { get; }

    /// <summary>What is on the board and no longer in the kitchen, in sentences.</summary>
    public ImmutableArray<string> Gone { get; private init; } = [];

    /// <summary>Reads a row with people and Book as they are now.</summary>
    public static BoardView Of(GiftBoardRow row, IReadOnlyList<Recipient> everybody, BookShelf shelf)
    {
        var document = row.Document;
        var gone = new List<string>();
        var people = document.People.Select(id => everybody.FirstOrDefault(p => p.Id.ToString() == id)).ToList();
        if (people.Count(p => p is null) is > 0 and var lost)
            gone.Add(lost == 1 ? "Somebody on the board was deleted." : $"{lost} people on the board were deleted.");
        var here = people.OfType<Recipient>().ToImmutableArray();
        var (bakes, kept) = (ImmutableArray.CreateBuilder<BoardBake>(), ImmutableArray.CreateBuilder<BoardBakeDocument>());
        foreach (var own in document.Bakes)
        {
            if (Read(own, shelf) is not { } bake)
            {
                gone.Add($"“{own.Recipe}” is no longer in the Book.");
                continue;
            }

            bakes.Add(bake);
            kept.Add(own);
        }

        var asked = new GiftStand[here.Length, bakes.Count];
        for (var p = 0; p < here.Length; p++)
        {
            for (var b = 0; b < bakes.Count; b++)
                asked[p, b] = GiftCheck.Of(here[p], bakes[b].Bake);
        }

        int Person(string id) => here.IndexOf(here.FirstOrDefault(p => p.Id.ToString() == id)!);
        int Bake(string id) => kept.FindIndex(id);
        var rules = document.Rules;
        var board = new GiftBoard(
            here,
            bakes.ToImmutable(),
            new GiftRules(rules.Kinds, rules.Pieces)
            {
                MostOfAKind = rules.MostOfAKind,
                ColoursApart = rules.ColoursApart,
                Everybody = [.. (rules.Everybody ?? []).Select(e => (e.Words, e.Least))],
            }
        )
        {
            Cells =
            [
                .. document
                    .Cells.Select(c => new BoardCell(Person(c.Person), Bake(c.Bake), c.Pieces, c.Pinned))
                    .Where(c => c.Person >= 0 && c.Bake >= 0)
                    .DistinctBy(c => (c.Person, c.Bake)),
            ],
            OwnPieces = (document.OwnPieces ?? new Dictionary<string, int>())
                .Where(o => Person(o.Key) >= 0)
                .ToImmutableDictionary(o => Person(o.Key), o => o.Value),
            Looked =
            [
                .. (document.Looked ?? [])
                    .Select(l => (Person: Person(l.Person), Bake: Bake(l.Bake), l.What))
                    // What was looked at then is what is asked now, word for word; else it is asked again.
                    .Where(l => l.Person >= 0 && l.Bake >= 0 && asked[l.Person, l.Bake].Words == l.What)
                    .Select(l => (l.Person, l.Bake)),
            ],
        };
        return new BoardView(row, board, kept.ToImmutable(), asked) { Gone = [.. gone] };
    }

    /// <summary>A bake of the board with what the kitchen knows; null when its recipe is no longer in the Book.</summary>
    public static BoardBake? Read(BoardBakeDocument bake, BookShelf shelf)
    {
        if (shelf.All.FirstOrDefault(r => r.Key == bake.Recipe) is not { } recipe)
            return null;
        foreach (var (choice, way) in bake.Choices ?? new Dictionary<string, string>())
            recipe = Core.Recipes.ChosenRecipe.Choose(recipe, choice, way);
        var gift = GiftBake.Of(recipe, bake.Finish ?? "", shelf.Known.For(recipe));
        return new BoardBake(gift, bake.Made, Math.Max(1, gift.Finish?.Pieces ?? recipe.Yield.Pieces), bake.Colour ?? "");
    }

    /// <summary>What would help somebody whose box lacks something; worked out once.</summary>
    /// <param name="person">Whose box, by their place on the board.</param>
    /// <param name="shelf">The Book that this board was read with.</param>
    public IReadOnlyList<BoxWay> WaysFor(int person, BookShelf shelf) => _ways.GetOrAdd(person, p => BoxWays.For(this, p, shelf));

    /// <summary>The cell of a person and a bake; null where nothing stands.</summary>
    public BoardCell? Cell(int person, int bake) => _cells.GetValueOrDefault((person, bake));

    /// <summary>How a bake stands to a person, before anybody looked.</summary>
    public GiftStand Asked(int person, int bake) => _asked[person, bake];

    /// <summary>How it stands now that what was looked at counts.</summary>
    public GiftStand Stand(int person, int bake) =>
        _asked[person, bake].Verdict == GiftVerdict.Look && Board.Looked.Contains((person, bake))
            ? new GiftStand(GiftVerdict.Fine, [])
            : _asked[person, bake];

    /// <summary>Whether what was not known of it was looked at.</summary>
    public bool WasLooked(int person, int bake) => Board.Looked.Contains((person, bake));

    /// <summary>How many of a bake are given.</summary>
    public int Given(int bake) => Board.Cells.Where(c => c.Bake == bake).Sum(c => c.Pieces);

    /// <summary>How many are in somebody's box.</summary>
    public int In(int person) => Board.Cells.Where(c => c.Person == person).Sum(c => c.Pieces);

    /// <summary>Kinds in somebody's box.</summary>
    public int Kinds(int person) => Board.Cells.Count(c => c.Person == person && c.Pieces > 0);

    /// <summary>Batches that are wanted of a bake.</summary>
    public int Batches(int bake) => (int)Math.Ceiling((double)Given(bake) / Board.Bakes[bake].ABatch);

    /// <summary>What stays over of a bake: of those that are made, or of whole batches.</summary>
    public int Over(int bake) => (Board.Bakes[bake].Made ?? (Batches(bake) * Board.Bakes[bake].ABatch)) - Given(bake);

    /// <summary>Whether somebody's box is full and holds nothing that it must not.</summary>
    public bool IsReady(int person) => !Lacks.Any(l => l.Person == person) && !Faults.Any(f => f.Person == person);

    /// <summary>What is against sending somebody's box by post, in sentences; empty where nothing is, or where it is not sent.</summary>
    /// <param name="person">Index of the person.</param>
    /// <param name="days">Days in the post; null for what the board says.</param>
    public IEnumerable<string> Post(int person, int? days = null)
    {
        var id = Board.People[person].Id.ToString();
        var way = days ?? Row.Document.Handing?.FirstOrDefault(h => h.Person == id)?.PostDays ?? 0;
        return Board
            .Cells.Where(c => c.Person == person && c.Pieces > 0)
            .Select(c => PostCheck.Of(Board.Bakes[c.Bake].Bake, way))
            .Where(w => w.Length > 0);
    }

    /// <summary>What traces may come near a person's box: allergens they avoid and that a bake of the board holds or may hold.</summary>
    public ImmutableArray<Core.Safety.Allergen> Traces(int person) =>
        [.. Board.People[person].Avoids.Where(a => Board.Bakes.Any(b => b.Bake.Statement.MayContain(a))).Order()];
}

/// <summary>Finds a bake of a board by its id.</summary>
internal static class BoardBakeList
{
    /// <summary>Its index; -1 when there is none.</summary>
    public static int FindIndex(this ImmutableArray<BoardBakeDocument>.Builder bakes, string id)
    {
        for (var i = 0; i < bakes.Count; i++)
        {
            if (bakes[i].Id == id)
                return i;
        }

        return -1;
    }
}
