using System.Collections.Immutable;
using Google.OrTools.Sat;
using Zymethos.Core.Parcels;

namespace Zymethos.Planning.Parcels;

/// <summary>
/// Fills the boxes of a board by CP-SAT. What is not for somebody, or not known and not looked at, is never given: a hard limit. So
/// are what is pinned and how much there is. What the rules wish is bent where it cannot be, as little as can be: first pieces, then
/// what everybody
/// should have, then kinds; then what they would rather not have; then batches, even numbers, likes, and what stays over.
/// </summary>
public static class BoardFilling
{
    private const int PieceShort = 2000;
    private const int WordShort = 1500;
    private const int KindShort = 1000;
    private const int Disliked = 120;
    private const int ABatch = 60;
    private const int Uneven = 12;
    private const int Liked = 20;
    private const int ToShare = 1;

    /// <summary>Fills the boxes.</summary>
    /// <param name="board">The board.</param>
    /// <param name="limit">How long to look; what was found by then is given.</param>
    /// <param name="cancel">Stops the search.</param>
    /// <exception cref="OperationCanceledException">It was stopped before anything was found.</exception>
    public static FilledBoard Fill(GiftBoard board, TimeSpan limit, CancellationToken cancel)
    {
        var model = new CpModel();
        var pieces = new IntVar?[board.People.Length, board.Bakes.Length];
        var has = new BoolVar?[board.People.Length, board.Bakes.Length];
        var pins = board.Cells.Where(c => c.IsPinned).ToDictionary(c => (c.Person, c.Bake), c => c.Pieces);
        var cost = LinearExpr.NewBuilder();
        var lacks = new List<(IntVar Pieces, IntVar Kinds, List<(string Words, IntVar Short)> Words)>();
        for (var p = 0; p < board.People.Length; p++)
        {
            var size = board.PiecesFor(p);
            for (var b = 0; b < board.Bakes.Length; b++)
            {
                if (board.Stand(p, b).Verdict != GiftVerdict.Fine)
                    continue;
                var pinned = pins.TryGetValue((p, b), out var own);
                var most = pinned ? own : Math.Min(size, board.Rules.MostOfAKind ?? size);
                pieces[p, b] = model.NewIntVar(pinned ? own : 0, most, $"x{p}.{b}");
                has[p, b] = model.NewBoolVar($"y{p}.{b}");
                model.Add(pieces[p, b]! >= has[p, b]!);
                model.Add(pieces[p, b]! <= Math.Max(1, most) * has[p, b]!);
                if (!pinned)
                    Taste(model, board, p, b, pieces[p, b]!, has[p, b]!, size, cost);
            }

            lacks.Add(Person(model, board, p, size, pieces, has, pins, cost));
        }

        var batches = new Dictionary<int, IntVar>();
        for (var b = 0; b < board.Bakes.Length; b++)
            Supply(model, board, b, pieces, batches, cost);
        model.Minimize(cost);
        var solver = new CpSolver { StringParameters = $"num_workers:2 random_seed:1 max_time_in_seconds:{Seconds(limit)}" };
        using var stop = cancel.Register(solver.StopSearch);
        var status = solver.Solve(model);
        if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
        {
            cancel.ThrowIfCancellationRequested();
            // Every wish can be bent and every box may stay empty, so only time or more pinned than there is can end here.
            return Empty(board, pins);
        }

        return Read(board, solver, status, pieces, pins, lacks, batches);
    }

    private static string Seconds(TimeSpan limit) =>
        Math.Max(0.1, limit.TotalSeconds).ToString("0.###", System.Globalization.CultureInfo.InvariantCulture);

    private static void Taste(CpModel model, GiftBoard board, int p, int b, IntVar pieces, BoolVar has, int size, LinearExprBuilder cost)
    {
        var (to, bake) = (board.People[p], board.Bakes[b].Bake);
        if (to.Dislikes.Any(bake.Names))
            cost.AddTerm(has, Disliked);
        if (to.Likes.Any(bake.Names))
            cost.AddTerm(has, -Liked);
        // As near to the same number of each kind as whole pieces allow.
        var kinds = Math.Max(1, board.Rules.Kinds);
        var off = model.NewIntVar(0, size, $"d{p}.{b}");
        model.Add(off >= pieces - (int)Math.Ceiling((double)size / kinds));
        model.Add(off >= (size / kinds * has) - pieces);
        cost.AddTerm(off, Uneven);
    }

    private static (IntVar Pieces, IntVar Kinds, List<(string, IntVar)> Words) Person(
        CpModel model,
        GiftBoard board,
        int p,
        int size,
        IntVar?[,] pieces,
        BoolVar?[,] has,
        Dictionary<(int Person, int Bake), int> pins,
        LinearExprBuilder cost
    )
    {
        var mine = Enumerable.Range(0, board.Bakes.Length).Where(b => pieces[p, b] is not null).ToList();
        var all = LinearExpr.Sum(mine.Select(b => pieces[p, b]!));
        var kinds = LinearExpr.Sum(mine.Select(b => has[p, b]!));
        var pinned = mine.Where(b => pins.TryGetValue((p, b), out var n) && n > 0).ToList();
        var pinnedPieces = pinned.Sum(b => pins[(p, b)]);
        var piecesShort = model.NewIntVar(0, size, $"s{p}");
        model.Add(all + piecesShort >= size);
        // What is pinned stays, even if it is more than the rules want.
        model.Add(all <= Math.Max(size, pinnedPieces));
        var kindsShort = model.NewIntVar(0, board.Rules.Kinds, $"k{p}");
        model.Add(kinds + kindsShort >= board.Rules.Kinds);
        model.Add(kinds <= Math.Max(board.Rules.Kinds, pinned.Count));
        cost.AddTerm(piecesShort, PieceShort);
        cost.AddTerm(kindsShort, KindShort);
        if (board.Rules.ColoursApart)
        {
            foreach (
                var colour in mine.Where(b => board.Bakes[b].Colour.Length > 0)
                    .GroupBy(b => board.Bakes[b].Colour, StringComparer.OrdinalIgnoreCase)
            )
                model.Add(LinearExpr.Sum(colour.Select(b => has[p, b]!)) <= Math.Max(1, colour.Count(pinned.Contains)));
        }

        var words = new List<(string, IntVar)>();
        foreach (var (wanted, least) in board.Rules.Everybody)
        {
            var lack = model.NewIntVar(0, least, $"w{p}.{words.Count}");
            model.Add(LinearExpr.Sum(mine.Where(b => board.Bakes[b].Bake.Names(wanted)).Select(b => pieces[p, b]!)) + lack >= least);
            cost.AddTerm(lack, WordShort);
            words.Add((wanted, lack));
        }

        return (piecesShort, kindsShort, words);
    }

    private static void Supply(
        CpModel model,
        GiftBoard board,
        int b,
        IntVar?[,] pieces,
        Dictionary<int, IntVar> batches,
        LinearExprBuilder cost
    )
    {
        var given = LinearExpr.Sum(
            Enumerable.Range(0, board.People.Length).Where(p => pieces[p, b] is not null).Select(p => pieces[p, b]!)
        );
        if (board.Bakes[b].Made is { } made)
        {
            // What is pinned stays even where it is more than there is; the board says so.
            var pinned = board.Cells.Where(c => c.IsPinned && c.Bake == b).Sum(c => c.Pieces);
            model.Add(given <= Math.Max(made, pinned));
            return;
        }

        var most = board.People.Select((_, p) => board.PiecesFor(p)).Sum();
        var aBatch = Math.Max(1, board.Bakes[b].ABatch);
        var count = model.NewIntVar(0, (most / aBatch) + 1, $"n{b}");
        var over = model.NewIntVar(0, aBatch, $"o{b}");
        model.Add(given + over >= aBatch * count);
        model.Add(given <= aBatch * count);
        cost.AddTerm(count, ABatch);
        cost.AddTerm(over, ToShare);
        batches[b] = count;
    }

    private static FilledBoard Read(
        GiftBoard board,
        CpSolver solver,
        CpSolverStatus status,
        IntVar?[,] pieces,
        Dictionary<(int Person, int Bake), int> pins,
        List<(IntVar Pieces, IntVar Kinds, List<(string Words, IntVar Short)> Words)> lacks,
        Dictionary<int, IntVar> batches
    )
    {
        var cells = ImmutableArray.CreateBuilder<BoardCell>();
        for (var p = 0; p < board.People.Length; p++)
        {
            for (var b = 0; b < board.Bakes.Length; b++)
            {
                var isPinned = pins.ContainsKey((p, b)) && pieces[p, b] is not null;
                var count = pieces[p, b] is { } some ? (int)solver.Value(some) : 0;
                if (count > 0 || isPinned)
                    cells.Add(new BoardCell(p, b, count, isPinned));
            }
        }

        return new FilledBoard(
            cells.ToImmutable(),
            [
                .. lacks
                    .Select(
                        (l, p) =>
                            new BoxLack(
                                p,
                                (int)solver.Value(l.Pieces),
                                (int)solver.Value(l.Kinds),
                                [.. l.Words.Where(w => solver.Value(w.Short) > 0).Select(w => w.Words)]
                            )
                    )
                    .Where(l => l.Pieces > 0 || l.Kinds > 0 || !l.Words.IsEmpty),
            ],
            batches.ToImmutableDictionary(b => b.Key, b => (int)solver.Value(b.Value)),
            status == CpSolverStatus.Optimal
        );
    }

    /// <summary>Nothing but what is pinned and may be given.</summary>
    private static FilledBoard Empty(GiftBoard board, Dictionary<(int Person, int Bake), int> pins)
    {
        var cells = pins.Where(c => board.Stand(c.Key.Person, c.Key.Bake).Verdict == GiftVerdict.Fine)
            .Select(c => new BoardCell(c.Key.Person, c.Key.Bake, c.Value, true))
            .ToImmutableArray();
        return new FilledBoard(cells, BoardCheck.Lacks(board, cells), ImmutableDictionary<int, int>.Empty, false);
    }
}
