using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Interchange;

/// <summary>Needs read from pasted text.</summary>
/// <param name="Needs">What could be read.</param>
/// <param name="Trouble">What could not, a sentence for each line.</param>
public sealed record NeedsReading(IReadOnlyList<NeedDocument> Needs, IReadOnlyList<string> Trouble);

/// <summary>
/// Reads needs from a spreadsheet's cells as they are copied, or from CSV: columns for whom, what and how many, in any order. A line of headings decides which is which; without
/// one, the number is how many, what the Book knows is what, and the rest is for whom.
/// </summary>
public static class NeedsText
{
    private const int MostLines = 400;

    /// <summary>Reads.</summary>
    /// <param name="text">The cells: tabs, semicolons or commas between them.</param>
    /// <param name="occasion">Name of the date they are for.</param>
    /// <param name="book">The recipes that can be meant.</param>
    public static NeedsReading Read(string text, string occasion, IReadOnlyList<Recipe> book)
    {
        var lines = Cells(text);
        if (lines.Count > MostLines) return new([], [$"At most {MostLines} lines at a time."]);
        var (needs, trouble) = (new List<NeedDocument>(), new List<string>());
        var columns = lines.Count > 0 ? Headings(lines[0].Cells) : null;
        foreach (var (number, cells) in columns is null ? lines : lines.Skip(1))
        {
            var (forWhom, what, pieces) = columns is var (w, h, p) ? (Cell(cells, w), Cell(cells, h), Cell(cells, p)) : Guess(cells, book);
            var count = 1;
            if (pieces.Length > 0 && (!int.TryParse(pieces.Split(' ')[0], NumberStyles.None, CultureInfo.InvariantCulture, out count) || count is < 1 or > 10_000)) trouble.Add($"Line {number}: “{pieces}” is not a number of pieces.");
            else if (what.Length == 0) trouble.Add($"Line {number}: it does not say what is wanted.");
            else if (Meant(what, book) is not { } recipe) trouble.Add($"Line {number}: the Book has nothing like “{what}”.");
            else needs.Add(new NeedDocument(occasion, recipe.Key, count, forWhom));
        }

        return new(needs, trouble);
    }

    /// <summary>The recipe that a few words mean: its name or key, or the only one whose name holds them all; null when none or several.</summary>
    public static Recipe? Meant(string words, IReadOnlyList<Recipe> book)
    {
        if (book.FirstOrDefault(r => r.Name.Equals(words, StringComparison.OrdinalIgnoreCase) || r.Key.Equals(words, StringComparison.OrdinalIgnoreCase)) is { } own) return own;
        var parts = words.Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Stem).ToList();
        var found = book.Where(r => parts.Count > 0 && parts.TrueForAll(p => r.Name.Contains(p, StringComparison.OrdinalIgnoreCase))).ToList();
        return found.Count == 1 ? found[0] : null;
    }

    private static string Stem(string word) => word.Length > 3 && word.EndsWith('s') ? word[..^1] : word;

    private static string Cell(string[] cells, int at) => at >= 0 && at < cells.Length ? cells[at].Trim() : "";

    private static (int Who, int What, int Pieces)? Headings(string[] cells)
    {
        int Find(params string[] words) => Array.FindIndex(cells, c => words.Any(w => c.Trim().Equals(w, StringComparison.OrdinalIgnoreCase)));
        var what = Find("what", "item", "recipe", "bake", "cake");
        return what < 0 ? null : (Find("who", "for", "for whom", "name", "to"), what, Find("pieces", "how many", "number", "count", "amount", "quantity"));
    }

    private static (string Who, string What, string Pieces) Guess(string[] cells, IReadOnlyList<Recipe> book)
    {
        var trimmed = cells.Select(c => c.Trim()).Where(c => c.Length > 0).ToList();
        // Where three things stand and none is a number, one of them was meant as one.
        var pieces = trimmed.Find(c => char.IsAsciiDigit(c[0])) ?? (trimmed.Count > 2 ? trimmed.FindLast(c => Meant(c, book) is null) : null) ?? "";
        trimmed.Remove(pieces);
        var what = trimmed.Find(c => Meant(c, book) is not null) ?? trimmed.LastOrDefault() ?? "";
        trimmed.Remove(what);
        return (string.Join(", ", trimmed), what, pieces);
    }

    private static List<(int Number, string[] Cells)> Cells(string text)
    {
        var first = text.Split('\n', 2)[0];
        var delimiter = first.Contains('\t') ? "\t" : first.Contains(';') ? ";" : ",";
        using var reader = new CsvParser(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = delimiter, BadDataFound = null, IgnoreBlankLines = true });
        var lines = new List<(int, string[])>();
        while (reader.Read() && lines.Count <= MostLines)
        {
            if (reader.Record is { } record && record.Any(c => !string.IsNullOrWhiteSpace(c))) lines.Add((reader.RawRow, record));
        }

        return lines;
    }
}
