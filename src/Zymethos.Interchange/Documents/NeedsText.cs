using System.Globalization;
using System.Text.RegularExpressions;
using CsvHelper;
using CsvHelper.Configuration;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Documents;

/// <summary>Needs read from pasted text.</summary>
/// <param name="Needs">What could be read.</param>
/// <param name="Trouble">What could not, a sentence for each line.</param>
public sealed record NeedsReading(IReadOnlyList<NeedDocument> Needs, IReadOnlyList<string> Trouble);

/// <summary>
/// Reads needs from a spreadsheet's cells as they are copied, or from CSV: columns for whom, what and how many, in any order. A line of
/// headings decides which is which; without one, the number is how many, what the Book knows is what, and the rest is for whom.
/// </summary>
public static partial class NeedsText
{
    private const int MostLines = 400;

    /// <summary>Reads.</summary>
    /// <param name="text">The cells: tabs, semicolons or commas between them.</param>
    /// <param name="occasion">Name of the date they are for.</param>
    /// <param name="book">The recipes that can be meant.</param>
    public static NeedsReading Read(string text, string occasion, IReadOnlyList<Recipe> book)
    {
        var lines = Cells(text);
        if (lines.Count > MostLines)
            return new([], [$"At most {MostLines} lines at a time."]);
        var (needs, trouble) = (new List<NeedDocument>(), new List<string>());
        var columns = lines.Count > 0 ? Headings(lines[0].Cells) : null;
        foreach (var (number, cells) in columns is null ? lines : lines.Skip(1))
        {
            var (forWhom, what, pieces) =
                columns is var (w, h, p) ? (Cell(cells, w), Cell(cells, h), Cell(cells, p))
                : cells is [var said] && SaidNeed.Cells(said) is [var whom, var thing, var many] && Meant(thing, book) is not null
                    ? (whom, thing, many)
                : Guess(cells, book);
            var (count, boxes) = pieces.Length == 0 ? (1, 0) : Pieces(pieces) ?? (0, 0);
            if (count == 0)
                trouble.Add($"Line {number}: “{pieces}” is not a number of pieces.");
            else if (what.Length == 0)
                trouble.Add($"Line {number}: it does not say what is wanted.");
            else if (Meant(what, book) is not { } recipe)
                trouble.Add($"Line {number}: the Book has nothing like “{what}”.");
            else if (FinishIn(pieces, recipe) is not { } finish)
                trouble.Add($"Line {number}: {WaysOf(recipe)} “{pieces}” is none of them.");
            else
                needs.Add(new NeedDocument(occasion, recipe.Key, count, forWhom, Boxes: boxes, Finish: finish));
        }

        return new(needs, trouble);
    }

    /// <summary>Pieces as they are written: "42", or "14 x 3" for fourteen boxes of three; null when it is neither, or not 1 to
    /// 10000.</summary>
    public static (int Pieces, int Boxes)? Pieces(string text)
    {
        var match = Count().Match(text);
        if (
            !match.Success
            || !int.TryParse(match.Groups["a"].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var first)
            || first is < 1 or > 10_000
        )
            return null;
        if (!match.Groups["b"].Success)
            return (first, 0);
        return
            int.TryParse(match.Groups["b"].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var each)
            && each is >= 1 and <= 10_000
            && (long)first * each <= 10_000
            ? (first * each, first)
            : null;
    }

    /// <summary>"Shortbread is finished in these ways: with sugar; dipped in chocolate.": what may stand behind a number of
    /// pieces.</summary>
    public static string WaysOf(Recipe recipe) =>
        recipe.Finishes.IsEmpty
            ? $"{recipe.Name} is finished in one way only."
            : $"{recipe.Name} is finished in these ways: {string.Join("; ", recipe.Finishes.Select(f => f.Name))}.";

    /// <summary>The finish that the words behind a number of pieces mean ("12 with sugar"); empty when they name none, null when they name
    /// one that the recipe does not have.</summary>
    public static string? FinishIn(string pieces, Recipe recipe)
    {
        var words = pieces.Trim().TrimStart('0', '1', '2', '3', '4', '5', '6', '7', '8', '9', ' ', 'x', 'X', '×', '*').Trim(' ', ',', ':');
        if (words.Length == 0 || recipe.Finishes.IsEmpty)
            return "";
        if (recipe.Finishes.FirstOrDefault(f => f.Name.Equals(words, StringComparison.OrdinalIgnoreCase)) is { } exact)
            return exact.Name;
        var found = recipe
            .Finishes.Where(f =>
                words.Contains(f.Name, StringComparison.OrdinalIgnoreCase) || f.Name.Contains(words, StringComparison.OrdinalIgnoreCase)
            )
            .ToList();
        if (found.Count == 1)
            return found[0].Name;
        return recipe.Yield.PieceName.Contains(words, StringComparison.OrdinalIgnoreCase) || words is "pieces" or "pcs" ? "" : null;
    }

    /// <summary>The recipe that a few words mean: its name or key, or the only one whose name holds them all; null when none or
    /// several.</summary>
    public static Recipe? Meant(string words, IReadOnlyList<Recipe> book)
    {
        if (
            book.FirstOrDefault(r =>
                r.Name.Equals(words, StringComparison.OrdinalIgnoreCase) || r.Key.Equals(words, StringComparison.OrdinalIgnoreCase)
            ) is
            { } own
        )
            return own;
        var parts = words.Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Stem).ToList();
        var found = book.Where(r => parts.Count > 0 && parts.TrueForAll(p => r.Name.Contains(p, StringComparison.OrdinalIgnoreCase)))
            .ToList();
        return found.Count == 1 ? found[0] : null;
    }

    private static string Stem(string word) => word.Length > 3 && word.EndsWith('s') ? word[..^1] : word;

    private static string Cell(string[] cells, int at) => at >= 0 && at < cells.Length ? cells[at].Trim() : "";

    private static (int Who, int What, int Pieces)? Headings(string[] cells)
    {
        int Find(params string[] words) =>
            Array.FindIndex(cells, c => words.Any(w => c.Trim().Equals(w, StringComparison.OrdinalIgnoreCase)));
        var what = Find("what", "item", "recipe", "bake", "cake");
        return what < 0
            ? null
            : (Find("who", "for", "for whom", "name", "to"), what, Find("pieces", "how many", "number", "count", "amount", "quantity"));
    }

    private static (string Who, string What, string Pieces) Guess(string[] cells, IReadOnlyList<Recipe> book)
    {
        var trimmed = cells.Select(c => c.Trim()).Where(c => c.Length > 0).ToList();
        // Where three things stand and none is a number, one of them was meant as one.
        var pieces =
            trimmed.Find(c => char.IsAsciiDigit(c[0])) ?? (trimmed.Count > 2 ? trimmed.FindLast(c => Meant(c, book) is null) : null) ?? "";
        trimmed.Remove(pieces);
        var what = trimmed.Find(c => Meant(c, book) is not null) ?? trimmed.LastOrDefault() ?? "";
        trimmed.Remove(what);
        return (string.Join(", ", trimmed), what, pieces);
    }

    private static List<(int Number, string[] Cells)> Cells(string text)
    {
        var first = text.Split('\n', 2)[0];
        var delimiter =
            first.Contains('\t') ? "\t"
            : first.Contains(';') ? ";"
            : ",";
        using var reader = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                BadDataFound = null,
                IgnoreBlankLines = true,
            }
        );
        var lines = new List<(int, string[])>();
        while (reader.Read() && lines.Count <= MostLines)
        {
            if (reader.Record is { } record && record.Any(c => !string.IsNullOrWhiteSpace(c)))
                lines.Add((reader.RawRow, record));
        }

        return lines;
    }

    // "42", "42 pieces", "14 x 3", "12 with extra sugar".
    [GeneratedRegex(@"^\s*(?<a>\d{1,9})(?:\s*[xX×*]\s*(?<b>\d{1,9}))?(?:,?\s+(?![xX×*](?:\s|$|\d))\D.*)?\s*$", RegexOptions.None, 900)]
    private static partial Regex Count();
}
