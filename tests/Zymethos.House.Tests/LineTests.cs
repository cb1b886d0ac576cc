namespace Zymethos.House.Tests;

/// <summary>
/// Lines have at most 140 characters, in code, templates, styles, scripts and docs. The formatter breaks what it can; this finds the rest:
/// long words in quotes, comments, and what the formatter does not read.
/// </summary>
public sealed class LineTests
{
    private const int Longest = 140;

    private static readonly string[] Kinds = [".cs", ".cshtml", ".css", ".js", ".sh", ".md"];

    [Fact]
    public void No_line_is_longer_than_140_characters()
    {
        var files = Files().ToList();
        Assert.True(files.Count > 400, $"Only {files.Count} files were looked at.");
        var tooLong = files.SelectMany(Long).ToList();
        Assert.True(tooLong.Count == 0, $"{tooLong.Count} lines are too long:\n{string.Join('\n', tooLong.Take(20))}");
    }

    private static IEnumerable<string> Files() =>
        new[] { "src", "tests", "benchmarks", "docs", "scripts" }
            .SelectMany(d => Directory.EnumerateFiles(Path.Combine(Root(), d), "*", SearchOption.AllDirectories))
            .Append(Path.Combine(Root(), "README.md"))
            .Select(f => Path.GetRelativePath(Root(), f))
            .Where(n => Kinds.Contains(Path.GetExtension(n)) && !IsSomebodyElses(n));

    private static bool IsSomebodyElses(string name) =>
        name.Contains("/wwwroot/lib/", StringComparison.Ordinal)
        || name.Contains("/Vendor/", StringComparison.Ordinal)
        || name.Contains("/Migrations/", StringComparison.Ordinal)
        || name.Contains("/obj/", StringComparison.Ordinal)
        || name.Contains("/bin/", StringComparison.Ordinal)
        || name.StartsWith("THIRD-PARTY", StringComparison.Ordinal);

    private static IEnumerable<string> Long(string name)
    {
        var (isRaw, number) = (false, 0);
        foreach (var line in File.ReadLines(Path.Combine(Root(), name)))
        {
            number++;
            var quotes = line.Split("\"\"\"").Length - 1;
            // What stands between three quotes is data: a recipe as somebody would paste it has lines of any length.
            var isData = isRaw || quotes > 0;
            if (quotes % 2 == 1)
                isRaw = !isRaw;
            if (line.Length > Longest && !(name.EndsWith(".cs", StringComparison.Ordinal) && isData) && !IsOnePiece(line))
                yield return $"{name}:{number}: {line.Length}";
        }
    }

    /// <summary>What cannot be broken: a table's row, a picture or a heading in Markdown, a drawing's path, a picture within a
    /// style.</summary>
    private static bool IsOnePiece(string line)
    {
        var text = line.TrimStart();
        return text.StartsWith('|')
            || text.StartsWith('#')
            || text.Contains("](", StringComparison.Ordinal)
            || text.StartsWith("d=\"M", StringComparison.Ordinal)
            || text.Contains("url(\"data:", StringComparison.Ordinal);
    }

    private static string Root()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Zymethos.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
