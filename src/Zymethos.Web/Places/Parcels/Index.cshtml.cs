using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Parcels;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Parcels: is everybody's box full and safe for them?</summary>
public sealed class IndexModel(GiftDesk desk, ParcelPeople people, KitchenBook book) : PageModel
{
    private const int MostNeedy = 12;
    private Dictionary<(string, string), string> _typed = [];

    /// <summary>The board; null while there is none.</summary>
    public BoardView? View { get; private set; }

    /// <summary>All boards, the newest first.</summary>
    public IReadOnlyList<(Guid Id, string Name)> All { get; private set; } = [];

    /// <summary>Everybody of the kitchen.</summary>
    public IReadOnlyList<Recipient> Everybody { get; private set; } = [];

    /// <summary>How many people are written down.</summary>
    public int PeopleCount => Everybody.Count;

    /// <summary>Recipes and finishes that can be put on the board.</summary>
    public IReadOnlyList<(string Value, string Name)> Offered { get; private set; } = [];

    /// <summary>Boxes that lack something, with what would help.</summary>
    public IReadOnlyList<(int Person, string Lack, IReadOnlyList<BoxWay> Ways)> Needy { get; private set; } = [];

    /// <summary>Whose box traces may come near, a sentence each.</summary>
    public IReadOnlyList<string> Traces { get; private set; } = [];

    /// <summary>Rules, bakes and people as they stand or were typed.</summary>
    [BindProperty]
    public RulesForm Rules { get; set; } = new();

    /// <summary>What is wrong with them; empty where nothing is.</summary>
    public string RulesWrong { get; private set; } = "";

    /// <summary>Cells that were not changed as they were typed.</summary>
    public IReadOnlyList<CellFault> Wrong { get; private set; } = [];

    /// <summary>Whether what was asked was not done.</summary>
    public bool IsRefused { get; private set; }

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What became of the touch that this page answers itself: it is said here, and not once more on the next page.</summary>
    public string? Answered { get; private set; }

    /// <summary>How many boxes are full and safe, in a sentence.</summary>
    public string Answer
    {
        get
        {
            var (all, ready) = (View!.Board.People.Length, Enumerable.Range(0, View.Board.People.Length).Count(View.IsReady));
            var unsafeBoxes = View.Faults.Select(f => f.Person).Distinct().Count();
            return all == 0 ? "Nobody is on the board yet."
                : View.Board.Cells.IsEmpty ? $"{all} boxes, all empty. Fill them, or type who gets what."
                : unsafeBoxes > 0
                    ? $"Stop: {(unsafeBoxes == 1 ? "one box holds" : $"{unsafeBoxes} boxes hold")} something that is not for them, or that "
                        + "nobody has looked at."
                : ready == all ? $"All {all} boxes are full, and nothing in them is known to be wrong for anybody."
                : $"{ready} of {all} boxes are full and safe as far as is known.";
        }
    }

    /// <summary>The order in which bakes keep clear of traces; empty where it does not matter.</summary>
    public string FirstBakes { get; private set; } = "";

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid? id, CancellationToken cancel)
    {
        await FillAsync(id, cancel);
        return id is not null && View is null ? NotFound() : Page();
    }

    /// <summary>Fills the boxes.</summary>
    public async Task<IActionResult> OnPostFillAsync(Guid id, [FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel) =>
        await ShowAsync(id, await desk.FillAsync(id, seen, cancel), cancel);

    /// <summary>Puts what was typed into the boxes.</summary>
    public async Task<IActionResult> OnPostPutAsync(Guid id, [FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel)
    {
        var typed = Request
            .Form.Where(f => f.Key.StartsWith("c.", StringComparison.Ordinal))
            .Select(f => (Key: f.Key.Split('.', 3), Text: f.Value.ToString()))
            .Where(f => f.Key.Length == 3)
            .ToDictionary(f => (f.Key[1], f.Key[2]), f => f.Text);
        var (answer, faults) = await desk.PutAsync(id, seen, typed, cancel);
        Wrong = faults;
        if (faults.Count > 0)
            _typed = typed;
        return await ShowAsync(id, answer, cancel);
    }

    /// <summary>The baker has looked at what was not known.</summary>
    public async Task<IActionResult> OnPostLookedAsync(
        Guid id,
        [FromForm(Name = Seen.Field)] string? seen,
        int person,
        int bake,
        CancellationToken cancel
    ) => await ShowAsync(id, await desk.LookedAsync(id, seen, person, bake, cancel), cancel);

    /// <summary>Puts a bake on the board.</summary>
    public async Task<IActionResult> OnPostAddAsync(
        Guid id,
        [FromForm(Name = Seen.Field)] string? seen,
        string recipe,
        string? finish,
        Dictionary<string, string>? choices,
        CancellationToken cancel
    )
    {
        var name = (await book.ShelfAsync(cancel)).All.FirstOrDefault(r => r.Key == recipe)?.Name;
        return await ShowAsync(
            id,
            name is null
                ? new BoardAnswer("That recipe is no longer in the Book.", false)
                : await desk.ChangeAsync(
                    id,
                    seen,
                    d =>
                        d with
                        {
                            Bakes =
                            [
                                .. d.Bakes,
                                new BoardBakeDocument(
                                    RulesForm.FreeId([.. d.Bakes]),
                                    recipe,
                                    string.IsNullOrEmpty(finish) ? null : finish,
                                    choices is { Count: > 0 } ? choices : null
                                ),
                            ],
                        },
                    $"{name} is on the board.",
                    cancel
                ),
            cancel
        );
    }

    /// <summary>Keeps rules, bakes and people.</summary>
    public async Task<IActionResult> OnPostRulesAsync(Guid id, [FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } view)
            return NotFound();
        var (document, wrong) = Rules.Apply(view.Row.Document);
        if (document is null)
        {
            var typed = Rules;
            await FillAsync(id, cancel);
            (Rules, RulesWrong) = (typed, wrong);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        return await ShowAsync(id, await desk.ChangeAsync(id, seen, _ => document, "The board is changed.", cancel), cancel);
    }

    /// <summary>Gives the season the numbers of the board.</summary>
    public async Task<IActionResult> OnPostSeasonAsync(Guid id, CancellationToken cancel) =>
        await ShowAsync(id, await desk.ToSeasonAsync(id, cancel), cancel);

    /// <summary>Deletes the board.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        Said = await desk.DeleteAsync(id, cancel) ? "The board is deleted. The people stay." : "That board is gone already.";
        return Redirect("/parcels");
    }

    /// <summary>What stands in the field of a cell: what was typed where it was refused, else what is kept.</summary>
    public string Typed(int person, int bake) =>
        _typed.TryGetValue((View!.Board.People[person].Id.ToString(), View.Bakes[bake].Id), out var text)
            ? text
            : View.Cell(person, bake)?.Pieces.ToString(CultureInfo.InvariantCulture) ?? "";

    /// <summary>How a cell looks.</summary>
    public string Class(int person, int bake) =>
        View!.Stand(person, bake).Verdict switch
        {
            GiftVerdict.Never => View.Cell(person, bake) is { Pieces: > 0 } ? "is-never is-in" : "is-never",
            GiftVerdict.Look => View.Cell(person, bake) is { Pieces: > 0 } ? "is-look is-in" : "is-look",
            _ => View.Cell(person, bake) is { IsPinned: true } ? "is-pinned" : "",
        };

    /// <summary>"no: egg", "look first: tree nuts".</summary>
    public static string Told(GiftStand stand) => $"{(stand.Verdict == GiftVerdict.Never ? "no" : "look first")}: {Short(stand)}";

    /// <summary>The first reason, as short as a cell wants it.</summary>
    private static string Short(GiftStand stand)
    {
        var first = stand.Reasons[0];
        foreach (var start in new[] { "it contains ", "it holds ", "there may be " })
        {
            if (first.StartsWith(start, StringComparison.Ordinal))
                first = first[start.Length..];
        }

        var end = first.IndexOfAny(['?', ':', ',']);
        first = end > 0 ? first[..end] : first;
        foreach (var more in new[] { " that ", " or " })
            first = first.Split(more, 2)[0];
        return first.Length > 24 ? $"{first[..23]}…" : first;
    }

    /// <summary>How a box stands, in a few words.</summary>
    public string BoxWords(int person)
    {
        if (View!.Faults.Any(f => f.Person == person))
            return "not safe";
        if (View.Lacks.FirstOrDefault(l => l.Person == person) is not { } lack)
            return "full";
        return lack.Pieces > 0 ? $"{lack.Pieces} short"
            : lack.Kinds > 0 ? $"{View.Kinds(person)} kinds"
            : $"no {lack.Words[0]}";
    }

    /// <summary>What there is of a bake, in a few words.</summary>
    public string SupplyWords(int bake)
    {
        var own = View!.Board.Bakes[bake];
        var over = View.Over(bake);
        var promised = View.Row.Document.Promised?.FirstOrDefault(p => p.Bake == View.Bakes[bake].Id)?.To;
        var left = over > 0 ? $"{over} over{(promised is null ? "" : $", for {promised}")}" : "";
        var (batches, most) = (View.Batches(bake), own.Made ?? 0);
        return own.Made is not null
            ? over < 0
                ? $"of {most}: {-over} too many"
                : $"of {most}{(left.Length > 0 ? $", {left}" : "")}"
            : $"{(batches == 1 ? "1 batch" : $"{batches} batches")}{(left.Length > 0 ? $", {left}" : "")}";
    }

    private async Task<IActionResult> ShowAsync(Guid id, BoardAnswer answer, CancellationToken cancel)
    {
        var isHtmx = Request.Headers.ContainsKey("HX-Request");
        if (answer.IsDone && !isHtmx && Wrong.Count == 0)
        {
            Said = answer.Words;
            return Redirect($"/parcels/{id}");
        }

        ModelState.Clear();
        await FillAsync(id, cancel);
        (Answered, IsRefused) = (answer.Words, !answer.IsDone);
        TempData.Clear();
        if (Wrong.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        else if (!answer.IsDone)
            Response.StatusCode = StatusCodes.Status409Conflict;
        return View is null ? NotFound()
            : isHtmx ? Partial("_Board", this)
            : Page();
    }

    private async Task FillAsync(Guid? id, CancellationToken cancel)
    {
        All = await desk.ListAsync(cancel);
        Everybody = await people.AllAsync(cancel);
        View = await desk.OpenAsync(id, cancel);
        if (View is null)
            return;
        ViewData[Seen.Field] = Seen.Of(View.Row);
        Rules = RulesForm.Of(View);
        var shelf = await book.ShelfAsync(cancel);
        Offered =
        [
            .. shelf
                .All.SelectMany(r => r.Finishes.Select(f => ($"{r.Key}|{f.Name}", $"{r.Name}, {f.Name}")).Prepend(($"{r.Key}|", r.Name)))
                .Where(o => !View.Bakes.Any(b => $"{b.Recipe}|{b.Finish}" == o.Item1)),
        ];
        var lacking = View
            .Lacks.Select(l => l.Person)
            .Concat(View.Faults.Select(f => f.Person))
            .Distinct()
            .Where(p => View.Board.Cells.Length > 0 && !View.Bakes.IsEmpty)
            .Order()
            .Take(MostNeedy);
        Needy = [.. lacking.Select(p => (p, Lack(p), View.WaysFor(p, shelf)))];
        Traces =
        [
            .. Enumerable
                .Range(0, View.Board.People.Length)
                .Where(p => !View.Traces(p).IsEmpty)
                .Select(p =>
                    $"{View.Board.People[p].Name} avoids {string.Join(" and ", View.Traces(p).Select(AllergenNames.Of))}, which "
                    + "bakes on this board hold or may hold."
                ),
        ];
        FirstBakes = Order();
    }

    private string Lack(int person)
    {
        var said = View!
            .Faults.Where(f => f.Person == person)
            .Select(f => $"{View.Board.Bakes[f.Bake].Bake.Name} lies in this box: {f.Stand.Words}.");
        if (View.Lacks.FirstOrDefault(l => l.Person == person) is { } lack)
        {
            said = said.Concat(
                new[]
                {
                    lack.Pieces > 0 ? $"{lack.Pieces} pieces short of {View.Board.PiecesFor(person)}." : "",
                    lack.Kinds > 0 ? $"{View.Kinds(person)} kinds instead of {View.Board.Rules.Kinds}." : "",
                    lack.Words.IsEmpty ? "" : $"Nothing of {string.Join(", ", lack.Words)}.",
                }.Where(w => w.Length > 0)
            );
        }

        return string.Join(" ", said);
    }

    // What somebody with an allergy gets is baked before anything that holds what they avoid.
    private string Order()
    {
        if (Traces.Count == 0)
            return "";
        var careful = View!.Board.People.SelectMany(p => p.Avoids).Distinct().ToHashSet();
        return string.Join(
            ", then ",
            View.Board.Bakes.Where((_, b) => View.Given(b) > 0)
                .OrderBy(b => careful.Count(b.Bake.Statement.MayContain))
                .ThenBy(b => b.Bake.Name, StringComparer.OrdinalIgnoreCase)
                .Select(b => b.Bake.Name)
        );
    }
}
