namespace Zymethos.Work.Books;

/// <summary>A cell of a CSV file that no spreadsheet takes for a formula.</summary>
public static class CsvCell
{
    // Spreadsheets run a cell that begins with one of these, also in their full width.
    private const string Starts = "=+-@＝＋－＠";

    /// <summary>The text, with an apostrophe before it where a spreadsheet would run it: also behind spaces, tabs and line ends, which it
    /// passes over. Null stays null.</summary>
    public static string? Of(string? text)
    {
        if (string.IsNullOrEmpty(text))
            return text;
        var first = text.TrimStart();
        return text[0] is '\t' or '\r' or '\n' || (first.Length > 0 && Starts.Contains(first[0])) ? $"'{text}" : text;
    }
}
