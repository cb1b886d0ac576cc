using System.Globalization;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Planning.Parcels;
using Zymethos.Store;
using Zymethos.Store.Parcels;
using Zymethos.Work.Books;

namespace Zymethos.Work.Parcels;

/// <summary>Parcels as files of open formats, out and in.</summary>
public sealed class ParcelFile(ZymethosContext context, ParcelPeople people, IClock clock)
{
    /// <summary>Most boards of a file.</summary>
    public const int MostBoards = 200;

    /// <summary>People, boards and boxes of a season; null where no board belongs to it.</summary>
    public async Task<ParcelsDocument?> WriteAsync(Guid season, CancellationToken cancel)
    {
        var all = await WriteAsync(cancel);
        var boards = (all.Boards ?? []).Where(b => b.Season == season.ToString()).ToList();
        var own = boards.SelectMany(b => b.People).ToHashSet(StringComparer.Ordinal);
        return boards.Count == 0 ? null : all with { Boards = boards, People = [.. all.People.Where(p => own.Contains(p.Id))] };
    }

    /// <summary>People, boards and boxes.</summary>
    public async Task<ParcelsDocument> WriteAsync(CancellationToken cancel)
    {
        var boards = await context
            .GiftBoards.AsNoTracking()
            .OrderBy(b => b.MadeAt)
            .Take(MostBoards)
            .Select(b => b.Document)
            .ToListAsync(cancel);
        return new ParcelsDocument(
            ParcelsDocument.Name,
            1,
            [.. (await people.AllAsync(cancel)).Select(RecipientText.Write)],
            boards.Count > 0 ? boards : null,
            (await context.GiftShelves.AsNoTracking().SingleOrDefaultAsync(cancel))?.Document
        );
    }

    /// <summary>Brings parcels in. Whoever is there already by name gets what the file says beside what is known: nothing that must be kept
    /// from them is ever taken away. A board of a name that is there already is left out; nothing comes in unless all of it can be
    /// read.</summary>
    /// <returns>What became of it in words, or what is wrong.</returns>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(ReadOnlyMemory<byte> json, CancellationToken cancel)
    {
        var (document, fault) = OpenJson.Read<ParcelsDocument>(json.Span);
        return document is null ? ("", [fault!]) : await BringInAsync(document, null, cancel);
    }

    /// <summary>The same of what is read already.</summary>
    /// <param name="document">The parcels.</param>
    /// <param name="season">The season to which its boards belong here; null for none.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(
        ParcelsDocument document,
        Guid? season,
        CancellationToken cancel
    )
    {
        var faults = new List<Fault>();
        if (document.Format != ParcelsDocument.Name || document.Version != 1)
            faults.Add(new Fault("format", $"Parcels say “{ParcelsDocument.Name}”, version 1, here."));
        if (document.People.Count > ParcelPeople.Most || (document.Boards?.Count ?? 0) > MostBoards)
            faults.Add(new Fault("people", $"A file has up to {ParcelPeople.Most} people and {MostBoards} boards."));
        var read = document.People.Select((p, i) => RecipientText.Read(p, $"people[{i}]", faults)).OfType<Recipient>().ToList();
        faults.AddRange((document.Boards ?? []).SelectMany((b, i) => BoardFaults(b, $"boards[{i}]")));
        faults.AddRange(ShelfFaults(document.Shelf));
        if (faults.Count > 0)
            return ("", [.. faults.Take(20)]);
        // Ids of another kitchen stay there: here everybody has one of their own, and boards follow.
        var own = new Dictionary<string, Recipient>(StringComparer.Ordinal);
        var here = (await people.AllAsync(cancel)).ToDictionary(p => p.Name, StringComparer.OrdinalIgnoreCase);
        foreach (var person in read)
            own[person.Id.ToString()] = here.TryGetValue(person.Name, out var known) ? known : person with { Id = Guid.CreateVersion7() };
        var (fresh, there) = await people.BringInAsync([.. own.Values.Zip(read, (o, r) => r with { Id = o.Id })], cancel);
        var names = await context.GiftBoards.Select(b => b.Name).ToListAsync(cancel);
        var boards = 0;
        foreach (var board in (document.Boards ?? []).Where(b => !names.Contains(b.Name)))
        {
            context.GiftBoards.Add(
                new GiftBoardRow
                {
                    Id = Guid.CreateVersion7(),
                    Name = board.Name,
                    MadeAt = clock.GetCurrentInstant(),
                    Document = Moved(board, id => own.TryGetValue(id, out var person) ? person.Id.ToString() : null) with
                    {
                        Season = season?.ToString(),
                        Occasion = season is null ? null : board.Occasion,
                    },
                }
            );
            boards++;
        }

        if (document.Shelf is { } shelf && !await context.GiftShelves.AnyAsync(cancel))
            context.GiftShelves.Add(new GiftShelfRow { Document = shelf });
        await context.SaveChangesAsync(cancel);
        return (
            $"{Count(fresh, "person", "people")} and {Count(boards, "board", "boards")} came in."
                + (there > 0 ? $" {Count(there, "person was", "people were")} here already and got what the file says beside." : ""),
            []
        );
    }

    private static BoardDocument Moved(BoardDocument board, Func<string, string?> own) =>
        board with
        {
            People = [.. board.People.Select(own).OfType<string>()],
            Cells = [.. board.Cells.Where(c => own(c.Person) is not null).Select(c => c with { Person = own(c.Person)! })],
            Looked = board.Looked is null
                ? null
                : [.. board.Looked.Where(l => own(l.Person) is not null).Select(l => l with { Person = own(l.Person)! })],
            OwnPieces = board.OwnPieces?.Where(o => own(o.Key) is not null).ToDictionary(o => own(o.Key)!, o => o.Value),
            Handing = board.Handing is null
                ? null
                : [.. board.Handing.Where(h => own(h.Person) is not null).Select(h => h with { Person = own(h.Person)! })],
        };

    private static IEnumerable<Fault> BoardFaults(BoardDocument board, string at)
    {
        if (string.IsNullOrWhiteSpace(board.Name) || board.Name.Length > 120)
            yield return new Fault($"{at}.name", "A board has a name of up to 120 characters.");
        if (board.People.Count > GiftBoard.MostPeople || board.Bakes.Count > GiftBoard.MostBakes)
            yield return new Fault(at, $"A board has up to {GiftBoard.MostPeople} people and {GiftBoard.MostBakes} bakes.");
        if (
            board.Rules.Kinds is < 1 or > 20
            || board.Rules.Pieces < board.Rules.Kinds
            || board.Rules.Pieces > GiftRules.MostPieces
            || board.Rules.MostOfAKind is < 1
        )
            yield return new Fault($"{at}.rules", $"1 to 20 kinds, and at least as many pieces, up to {GiftRules.MostPieces}.");
        if (board.Bakes.Select(b => b.Id).Distinct().Count() != board.Bakes.Count)
            yield return new Fault($"{at}.bakes", "Two bakes of a board have one id.");
        if (board.Bakes.Any(b => b.Made is < 0 or > 10_000 || b.Id.Length is 0 or > 20))
            yield return new Fault($"{at}.bakes", "A bake has an id of up to 20 characters and 0 to 10,000 pieces.");
        if (board.Cells.Any(c => c.Pieces is < 0 or > GiftRules.MostPieces))
            yield return new Fault($"{at}.cells", $"A cell holds 0 to {GiftRules.MostPieces} pieces.");
        if ((board.OwnPieces ?? new Dictionary<string, int>()).Any(o => o.Value is < 1 or > GiftRules.MostPieces))
            yield return new Fault($"{at}.ownPieces", $"A box holds 1 to {GiftRules.MostPieces} pieces.");
        if (
            (board.Handing ?? []).Any(h =>
                (h.At is { } when && !LocalMoment.Pattern.Parse(when).Success)
                || h.PostDays is < 0 or > PostCheck.MostDays
                || (h.Given is { } given && !LocalMoment.Pattern.Parse(given).Success)
            )
        )
            yield return new Fault(
                $"{at}.handing",
                $"A moment is written like 2026-12-19T17:00, and the post takes 0 to {PostCheck.MostDays} days."
            );
    }

    private static IEnumerable<Fault> ShelfFaults(GiftShelfDocument? shelf)
    {
        static bool IsLength(double mm) => mm is > 0 and <= 1500;
        if (shelf is null)
            yield break;
        if (shelf.Boxes.Any(b => !IsLength(b.Length) || !IsLength(b.Width) || !IsLength(b.Height) || b.Count is < 0 or > 1000))
            yield return new Fault("shelf.boxes", "Lengths are above 0 and up to 1500 mm, and there are up to 1000 of a box.");
        if (shelf.Words is { } words && LabelWords.Read(words.Write()) is { Wrong: { Length: > 0 } wrong })
            yield return new Fault("shelf.words", wrong);
        if (shelf.Sizes.Any(s => !IsLength(s.Length) || !IsLength(s.Width) || !IsLength(s.Height) || s.Grams is <= 0 or > 50_000))
            yield return new Fault("shelf.sizes", "Lengths are above 0 and up to 1500 mm, weights above 0 and up to 50,000 g.");
    }

    /// <summary>One row a person, in words that <see cref="PeopleText"/> reads again.</summary>
    public static string Csv(IEnumerable<Recipient> people)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvHelper.CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var head in new[] { "name", "group", "allergies and diets", "likes", "dislikes", "address", "note" })
                csv.WriteField(head);
            csv.NextRecord();
            foreach (var p in people)
            {
                string[] cells =
                [
                    p.Name,
                    p.Group,
                    CareWords.Write(p),
                    string.Join(", ", p.Likes),
                    string.Join(", ", p.Dislikes),
                    p.Address.Replace("\n", "|", StringComparison.Ordinal),
                    p.Note,
                ];
                foreach (var cell in cells)
                    csv.WriteField(CsvCell.Of(cell));
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    private static string Count(int count, string one, string many) => count == 1 ? $"1 {one}" : $"{count} {many}";
}
