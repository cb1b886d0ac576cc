using System.Globalization;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Parcels;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A bake of the board as it is typed.</summary>
public sealed class RulesBakeRow
{
    /// <summary>Its id on the board.</summary>
    public string Id { get; set; } = "";

    /// <summary>What it is called.</summary>
    public string? Name { get; set; }

    /// <summary>How many there are.</summary>
    public string? Made { get; set; }

    /// <summary>Its colour.</summary>
    public string? Colour { get; set; }

    /// <summary>To whom what stays over goes.</summary>
    public string? Promised { get; set; }

    /// <summary>Whether it is taken off.</summary>
    public bool Off { get; set; }
}

/// <summary>Rules, bakes and people of a board as they are typed.</summary>
public sealed class RulesForm
{
    /// <summary>Its name.</summary>
    public string? Name { get; set; }

    /// <summary>Kinds in a box.</summary>
    public string? Kinds { get; set; }

    /// <summary>Pieces in a box.</summary>
    public string? Pieces { get; set; }

    /// <summary>Most of a kind.</summary>
    public string? Most { get; set; }

    /// <summary>What everybody gets some of.</summary>
    public string? Everybody { get; set; }

    /// <summary>Whether colours stay apart.</summary>
    public bool ColoursApart { get; set; }

    /// <summary>Its bakes.</summary>
    public List<RulesBakeRow> Bakes { get; set; } = [];

    /// <summary>A bake to put on it: "key|finish".</summary>
    public string? Add { get; set; }

    /// <summary>Who gets something.</summary>
    public List<Guid> People { get; set; } = [];

    /// <summary>Pieces of those whose box is of another size, by id.</summary>
    public Dictionary<string, string?> Own { get; set; } = [];

    /// <summary>The form of a board.</summary>
    public static RulesForm Of(BoardView view)
    {
        var document = view.Row.Document;
        return new RulesForm
        {
            Name = document.Name,
            Kinds = Text(document.Rules.Kinds),
            Pieces = Text(document.Rules.Pieces),
            Most = document.Rules.MostOfAKind is { } most ? Text(most) : "",
            Everybody = string.Join(", ", (document.Rules.Everybody ?? []).Select(e => e.Least > 1 ? $"{e.Least} {e.Words}" : e.Words)),
            ColoursApart = document.Rules.ColoursApart,
            Bakes =
            [
                .. view.Bakes.Select(
                    (b, i) =>
                        new RulesBakeRow
                        {
                            Id = b.Id,
                            Name = view.Board.Bakes[i].Bake.Name,
                            Made = b.Made is { } made ? Text(made) : "",
                            Colour = b.Colour,
                            Promised = document.Promised?.FirstOrDefault(p => p.Bake == b.Id)?.To,
                        }
                ),
            ],
            People = [.. view.Board.People.Select(p => p.Id)],
        };
    }

    /// <summary>The board with what was typed; what is wrong, in a sentence, where it cannot be.</summary>
    public (BoardDocument? Document, string Wrong) Apply(BoardDocument board)
    {
        if (string.IsNullOrWhiteSpace(Name) || Name.Trim().Length > 120)
            return (null, "A board has a name of up to 120 characters.");
        if (WholeNumber.Read(Kinds ?? "") is not { } kinds || kinds is < 1 or > 20)
            return (null, "Kinds in a box: a number from 1 to 20.");
        if (WholeNumber.Read(Pieces ?? "") is not { } pieces || pieces < kinds || pieces > GiftRules.MostPieces)
            return (null, $"Pieces in a box: at least as many as kinds, and up to {GiftRules.MostPieces}.");
        int? most = null;
        if (!string.IsNullOrWhiteSpace(Most))
        {
            if (WholeNumber.Read(Most) is not { } own || own < 1)
                return (null, "At most of a kind: a number of pieces, or nothing for any.");
            most = own;
        }

        var bakes = new List<BoardBakeDocument>();
        foreach (var bake in board.Bakes)
        {
            if (Bakes.Find(b => b.Id == bake.Id) is not { } row)
            {
                bakes.Add(bake);
                continue;
            }

            if (row.Off)
                continue;
            int? made = null;
            if (!string.IsNullOrWhiteSpace(row.Made))
            {
                if (WholeNumber.Read(row.Made) is not { } count || count > 10_000)
                    return (null, $"{row.Name}: “{row.Made}” is no number of pieces.");
                made = count;
            }

            bakes.Add(bake with { Made = made, Colour = string.IsNullOrWhiteSpace(row.Colour) ? null : row.Colour.Trim() });
        }

        if ((Add ?? "").Split('|', 2) is [{ Length: > 0 } key, var finish])
            bakes.Add(new BoardBakeDocument(FreeId(bakes), key, finish.Length > 0 ? finish : null));
        if (bakes.Count > GiftBoard.MostBakes || People.Count > GiftBoard.MostPeople)
            return (null, $"A board has up to {GiftBoard.MostBakes} bakes and {GiftBoard.MostPeople} people.");
        var ownPieces = new Dictionary<string, int>();
        foreach (var (person, text) in Own.Where(o => !string.IsNullOrWhiteSpace(o.Value)))
        {
            if (WholeNumber.Read(text!) is not { } count || count is < 1 or > GiftRules.MostPieces)
                return (null, $"A box of another size: “{text}” is no number from 1 to {GiftRules.MostPieces}.");
            if (count != pieces)
                ownPieces[person] = count;
        }

        // In the order in which they stood; whoever is new comes last.
        var people = board
            .People.Where(p => People.Exists(o => o.ToString() == p))
            .Concat(People.Select(p => p.ToString()).Where(p => !board.People.Contains(p)))
            .ToList();
        return (
            board with
            {
                Name = Name.Trim(),
                Rules = new BoardRulesDocument(kinds, pieces, most, ColoursApart, EverybodyOf(Everybody)),
                Bakes = bakes,
                People = people,
                Cells = [.. board.Cells.Where(c => people.Contains(c.Person) && bakes.Exists(b => b.Id == c.Bake))],
                OwnPieces = ownPieces.Count > 0 ? ownPieces : null,
                Promised =
                [
                    .. Bakes
                        .Where(b => !b.Off && !string.IsNullOrWhiteSpace(b.Promised))
                        .Select(b => new PromiseDocument(b.Id, b.Promised!.Trim())),
                ],
            },
            ""
        );
    }

    /// <summary>An id that no bake of the board has.</summary>
    public static string FreeId(IReadOnlyCollection<BoardBakeDocument> bakes)
    {
        var next = bakes.Count + 1;
        while (bakes.Any(b => b.Id == $"b{next}"))
            next++;
        return $"b{next}";
    }

    // "chocolate, 2 ginger": a number before a word says how many at least.
    private static IReadOnlyList<EverybodyDocument>? EverybodyOf(string? text)
    {
        var wishes = (text ?? "")
            .Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Take(10)
            .Select(w =>
                w.Split(' ', 2) is [var number, var words] && WholeNumber.Read(number) is { } least and >= 1 and <= 50
                    ? new EverybodyDocument(words.Trim(), least)
                    : new EverybodyDocument(w)
            )
            .ToList();
        return wishes.Count > 0 ? wishes : null;
    }

    private static string Text(int number) => number.ToString(CultureInfo.InvariantCulture);
}
