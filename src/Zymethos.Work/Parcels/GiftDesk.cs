using System.Globalization;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Parcels;
using Zymethos.Store;
using Zymethos.Store.Parcels;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Seasons;

namespace Zymethos.Work.Parcels;

/// <summary>What became of a change to a board.</summary>
/// <param name="Words">What was done, or why nothing was, in a sentence.</param>
/// <param name="IsDone">Whether it was.</param>
public sealed record BoardAnswer(string Words, bool IsDone);

/// <summary>A cell of a board that was not changed as it was typed.</summary>
/// <param name="Person">Whose.</param>
/// <param name="Bake">Of which bake.</param>
/// <param name="Words">Why not, in a sentence.</param>
public sealed record CellFault(string Person, string Bake, string Words);

/// <summary>The boards of a kitchen: who gets what.</summary>
public sealed class GiftDesk(
    ZymethosContext context,
    KitchenBook book,
    ParcelPeople people,
    SeasonDesk seasons,
    SolverGate gate,
    WorkedOut worked,
    IClock clock
)
{
    /// <summary>How long boxes are filled; tiny boards are proven in a blink.</summary>
    public static readonly TimeSpan FillTime = TimeSpan.FromSeconds(3);

    /// <summary>All boards, the newest first.</summary>
    public async Task<IReadOnlyList<(Guid Id, string Name)>> ListAsync(CancellationToken cancel) =>
        [
            .. (
                await context
                    .GiftBoards.AsNoTracking()
                    .OrderByDescending(b => b.MadeAt)
                    .Select(b => new { b.Id, b.Name })
                    .ToListAsync(cancel)
            ).Select(b => (b.Id, b.Name)),
        ];

    /// <summary>A board, or the newest; null when there is none. Shared between those who look at it, and never changed.</summary>
    public async Task<BoardView?> OpenAsync(Guid? id, CancellationToken cancel)
    {
        var row = await context
            .GiftBoards.AsNoTracking()
            .Where(b => id == null || b.Id == id)
            .OrderByDescending(b => b.MadeAt)
            .FirstOrDefaultAsync(cancel);
        if (row is null)
            return null;
        // Who may have what is worked out anew whenever the board, anybody on it or anything of the Book was changed.
        var (everybody, shelf) = (await people.KnownAsync(cancel), await book.ShelfAsync(cancel));
        return await worked.GetAsync<BoardView>(
            row.KitchenId,
            $"board {row.Id:N}{context.Own.Key}",
            $"{row.Version} {everybody.Stamp} {shelf.Stamp}",
            v => 2 + (v.Board.People.Length * v.Board.Bakes.Length / 20),
            () => Task.FromResult<BoardView?>(BoardView.Of(row, everybody.All, shelf)),
            cancel
        );
    }

    /// <summary>Makes a board of everybody chosen and of what a season wants for one of its dates, or of nothing yet.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="season">The season; null for none.</param>
    /// <param name="occasion">Name of its date; null for none.</param>
    /// <param name="chosen">Who gets something.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<Guid> MakeAsync(string name, Guid? season, string? occasion, IEnumerable<Guid> chosen, CancellationToken cancel)
    {
        var bakes = new List<BoardBakeDocument>();
        if (season is { } own && occasion is not null && await seasons.RowAsync(own, cancel) is { } row)
        {
            bakes.AddRange(
                row.Sheet.Needs.Where(n => n.Occasion == occasion)
                    .GroupBy(n => (n.Recipe, n.Finish))
                    .Take(GiftBoard.MostBakes)
                    .Select(
                        (g, i) =>
                            new BoardBakeDocument(
                                $"b{i + 1}",
                                g.Key.Recipe,
                                g.Key.Finish.Length > 0 ? g.Key.Finish : null,
                                g.First().Choices,
                                g.Sum(n => n.Pieces)
                            )
                    )
            );
        }

        var board = new GiftBoardRow
        {
            Id = Guid.CreateVersion7(),
            Name = name,
            MadeAt = clock.GetCurrentInstant(),
            Document = new BoardDocument(
                name,
                [.. chosen.Distinct().Take(GiftBoard.MostPeople).Select(c => c.ToString())],
                bakes,
                new BoardRulesDocument(Math.Clamp(bakes.Count, 1, 4)),
                [],
                Season: bakes.Count > 0 ? season?.ToString() : null,
                Occasion: bakes.Count > 0 ? occasion : null
            ),
        };
        context.GiftBoards.Add(board);
        await context.SaveChangesAsync(cancel);
        return board.Id;
    }

    /// <summary>Changes a board, unless somebody was quicker.</summary>
    /// <param name="id">The board.</param>
    /// <param name="seen">What was shown to whoever asks (<see cref="Seen"/>); null when nobody was shown one.</param>
    /// <param name="change">What is changed.</param>
    /// <param name="said">What is done, in a sentence.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<BoardAnswer> ChangeAsync(
        Guid id,
        string? seen,
        Func<BoardDocument, BoardDocument> change,
        string said,
        CancellationToken cancel
    )
    {
        if (await context.GiftBoards.SingleOrDefaultAsync(b => b.Id == id, cancel) is not { } row)
            return new BoardAnswer("There is no such board any more.", false);
        if (Seen.IsStale(seen, Seen.Of(row)))
            return Quicker;
        row.Document = change(row.Document);
        row.Name = row.Document.Name;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new BoardAnswer(said, true);
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return Quicker;
        }
    }

    /// <summary>Fills the boxes around what is pinned.</summary>
    public async Task<BoardAnswer> FillAsync(Guid id, string? seen, CancellationToken cancel)
    {
        if (await OpenAsync(id, cancel) is not { } view)
            return new BoardAnswer("There is no such board any more.", false);
        if (Seen.IsStale(seen, Seen.Of(view.Row)))
            return Quicker;
        if (view.Board.People.IsEmpty || view.Board.Bakes.IsEmpty)
            return new BoardAnswer("Put people and bakes on the board first.", false);
        var filled = await gate.RunAsync(() => BoardFilling.Fill(view.Board, FillTime, cancel), cancel);
        var answer = await ChangeAsync(id, Seen.Of(view.Row), d => d with { Cells = Write(view, filled.Cells) }, "", cancel);
        if (!answer.IsDone)
            return answer;
        var full = view.Board.People.Length - filled.Lacks.Length;
        return new BoardAnswer(
            filled.Lacks.IsEmpty
                ? "Every box is full."
                : $"{full} of {view.Board.People.Length} boxes are full. What the others lack stands below.",
            true
        );
    }

    /// <summary>Puts pieces into boxes and pins them; a cell left empty is open again.</summary>
    /// <param name="id">The board.</param>
    /// <param name="seen">What was shown to whoever asks.</param>
    /// <param name="typed">What was typed, by ids of person and bake; only what differs from what stands is changed.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>What was done, and what was refused, a sentence for each cell.</returns>
    public async Task<(BoardAnswer Answer, IReadOnlyList<CellFault> Faults)> PutAsync(
        Guid id,
        string? seen,
        IReadOnlyDictionary<(string Person, string Bake), string> typed,
        CancellationToken cancel
    )
    {
        if (await OpenAsync(id, cancel) is not { } view)
            return (new BoardAnswer("There is no such board any more.", false), []);
        var (faults, said) = (new List<CellFault>(), new List<string>());
        var cells = view.Board.Cells.ToDictionary(c => (c.Person, c.Bake));
        for (var p = 0; p < view.Board.People.Length; p++)
        {
            for (var b = 0; b < view.Bakes.Length; b++)
            {
                var (who, what) = (view.Board.People[p], view.Board.Bakes[b].Bake);
                if (!typed.TryGetValue((who.Id.ToString(), view.Bakes[b].Id), out var text))
                    continue;
                text = text.Trim();
                var stands = cells.GetValueOrDefault((p, b));
                if (text == (stands?.Pieces.ToString(CultureInfo.InvariantCulture) ?? ""))
                    continue;
                if (text.Length == 0)
                {
                    cells.Remove((p, b));
                    said.Add($"{who.Name}: {what.Name} is open again.");
                }
                else if (WholeNumber.Read(text) is not { } count || count is < 0 or > GiftRules.MostPieces)
                    faults.Add(new CellFault(who.Name, what.Name, $"“{text}” is no number of pieces from 0 to {GiftRules.MostPieces}."));
                else if (count > 0 && view.Stand(p, b) is { Verdict: not GiftVerdict.Fine } stand)
                    faults.Add(
                        new CellFault(
                            who.Name,
                            what.Name,
                            stand.Verdict == GiftVerdict.Never ? $"not for {who.Name}: {stand.Words}." : $"first {stand.Words}."
                        )
                    );
                else
                {
                    cells[(p, b)] = new BoardCell(p, b, count, true);
                    said.Add($"{who.Name}: {count} of {what.Name}, pinned.");
                }
            }
        }

        var answer =
            said.Count == 0
                ? new BoardAnswer("", faults.Count == 0)
                : await ChangeAsync(
                    id,
                    seen,
                    d => d with { Cells = Write(view, cells.Values) },
                    said.Count > 3 ? $"{said.Count} cells are changed and pinned." : string.Join(" ", said),
                    cancel
                );
        return (answer, faults);
    }

    /// <summary>The baker has looked at what was not known of a bake for somebody, and it is fine.</summary>
    public async Task<BoardAnswer> LookedAsync(Guid id, string? seen, int person, int bake, CancellationToken cancel)
    {
        if (
            await OpenAsync(id, cancel) is not { } view
            || person < 0
            || person >= view.Board.People.Length
            || bake < 0
            || bake >= view.Board.Bakes.Length
            || view.Asked(person, bake) is not { Verdict: GiftVerdict.Look } asked
        )
            return new BoardAnswer("There is nothing to look at there any more.", false);
        var (who, what) = (view.Board.People[person], view.Bakes[bake].Id);
        return await ChangeAsync(
            id,
            seen,
            d =>
                d with
                {
                    Looked =
                    [
                        .. (d.Looked ?? []).Where(l => (l.Person, l.Bake) != (who.Id.ToString(), what)),
                        new LookedDocument(who.Id.ToString(), what, asked.Words),
                    ],
                },
            $"{view.Board.Bakes[bake].Bake.Name} counts as fine for {who.Name}, as long as nothing in it changes.",
            cancel
        );
    }

    /// <summary>Gives the season the numbers of the board: what its date wants follows who gets what.</summary>
    public async Task<BoardAnswer> ToSeasonAsync(Guid id, CancellationToken cancel)
    {
        if (
            await OpenAsync(id, cancel) is not { } view
            || !Guid.TryParse(view.Row.Document.Season, out var season)
            || view.Row.Document.Occasion is not { } occasion
        )
            return new BoardAnswer("This board belongs to no season.", false);
        var wanted = view.Bakes.Select((b, i) => (Bake: b, Pieces: view.Given(i))).ToList();
        var faults = await seasons.ChangeAsync(
            season,
            sheet => sheet with { Needs = Needs(sheet, occasion, wanted) },
            "The season wants what the boxes hold.",
            cancel
        );
        return faults.Count > 0
            ? new BoardAnswer($"The season was not changed: {faults[0].Message}", false)
            : await ChangeAsync(
                id,
                null,
                d => d with { Bakes = [.. d.Bakes.Select(b => b with { Made = wanted.Find(w => w.Bake.Id == b.Id).Pieces })] },
                "The season wants what the boxes hold now.",
                cancel
            );
    }

    private static List<NeedDocument> Needs(SeasonSheet sheet, string occasion, List<(BoardBakeDocument Bake, int Pieces)> wanted)
    {
        var needs = new List<NeedDocument>();
        var told = new HashSet<string>(StringComparer.Ordinal);
        foreach (var need in sheet.Needs)
        {
            var bake = wanted.Find(w => w.Bake.Recipe == need.Recipe && (w.Bake.Finish ?? "") == need.Finish);
            if (need.Occasion != occasion || bake.Bake is null)
                needs.Add(need);
            // Several needs of one thing become one: the board says how many in all.
            else if (told.Add(bake.Bake.Id) && bake.Pieces > 0)
                needs.Add(need with { Pieces = bake.Pieces, Boxes = 0, Choices = bake.Bake.Choices ?? need.Choices });
        }

        needs.AddRange(
            wanted
                .Where(w => w.Pieces > 0 && !told.Contains(w.Bake.Id))
                .Select(w => new NeedDocument(occasion, w.Bake.Recipe, w.Pieces, "parcels", w.Bake.Choices, Finish: w.Bake.Finish ?? ""))
        );
        return needs;
    }

    /// <summary>Deletes a board.</summary>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancel) =>
        await context.GiftBoards.Where(b => b.Id == id).ExecuteDeleteAsync(cancel) > 0;

    private static List<BoardCellDocument> Write(BoardView view, IEnumerable<BoardCell> cells) =>
        [
            .. cells.Select(c => new BoardCellDocument(
                view.Board.People[c.Person].Id.ToString(),
                view.Bakes[c.Bake].Id,
                c.Pieces,
                c.IsPinned
            )),
        ];

    private static BoardAnswer Quicker =>
        new(
            "This board was changed a moment ago from another page, and theirs stands. Look at it, and do yours again if it still fits.",
            false
        );
}
