using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Zymethos.Core.Parcels;

namespace Zymethos.Interchange.Parcels;

/// <summary>People read from pasted text.</summary>
/// <param name="People">Who could be read, in the order in which they stand.</param>
/// <param name="Trouble">What could not, a sentence for each line.</param>
public sealed record PeopleReading(IReadOnlyList<Recipient> People, IReadOnlyList<string> Trouble);

/// <summary>
/// Reads people from the cells of a spreadsheet as they are copied, from CSV, or one a line. A line of headings says which column is which;
/// without one the first is the name and all others are words about them. The same name twice is one person: what both lines say counts.
/// </summary>
public static class PeopleText
{
    /// <summary>Most people at a time.</summary>
    public const int Most = 300;

    private static readonly string[] Totals = ["total", "totals", "sum", "all", "count"];

    /// <summary>Reads.</summary>
    /// <param name="text">The cells: tabs, semicolons or commas between them.</param>
    public static PeopleReading Read(string text)
    {
        var rows = Cells(text);
        if (rows.Count > Most + 1)
            return new PeopleReading([], [$"At most {Most} people at a time."]);
        var heads = rows.Count > 0 ? Heads(rows[0].Cells) : null;
        var (people, trouble) = (new List<Recipient>(), new List<string>());
        foreach (var (number, cells) in heads is null ? rows : rows.Skip(1))
        {
            var person = heads is null ? Plain(cells) : Headed(cells, heads);
            // A cell that was merged over several lines stands in the first of them only, and a line of totals is nobody.
            if (person.Name.Length == 0)
                trouble.Add($"Line {number}: there is no name in it.");
            else if (Totals.Contains(person.Name.TrimEnd(':'), StringComparer.OrdinalIgnoreCase) || !person.Name.Any(char.IsLetter))
                trouble.Add($"Line {number}: “{person.Name}” is taken for a total and left out.");
            else if (person.Name.Length > Recipient.LongestName)
                trouble.Add($"Line {number}: a name has up to {Recipient.LongestName} characters.");
            else if (people.FindIndex(p => p.Name.Equals(person.Name, StringComparison.OrdinalIgnoreCase)) is >= 0 and var at)
            {
                people[at] = Both(people[at], person);
                trouble.Add($"Line {number}: {person.Name} stands there twice and is one person now; what both lines say counts.");
            }
            else
                people.Add(person);
        }

        return new PeopleReading(people, trouble);
    }

    /// <summary>Two lines about one person: everything that either says must be kept from them.</summary>
    public static Recipient Both(Recipient one, Recipient other) =>
        one with
        {
            Group = one.Group.Length > 0 ? one.Group : other.Group,
            Avoids = [.. one.Avoids.Union(other.Avoids)],
            AlsoAvoids = [.. one.AlsoAvoids.Union(other.AlsoAvoids, StringComparer.OrdinalIgnoreCase)],
            Diets = [.. one.Diets.Union(other.Diets)],
            Age = (RecipientAge)Math.Max((int)one.Age, (int)other.Age),
            IsExpecting = one.IsExpecting || other.IsExpecting,
            Likes = [.. one.Likes.Union(other.Likes, StringComparer.OrdinalIgnoreCase)],
            Dislikes = [.. one.Dislikes.Union(other.Dislikes, StringComparer.OrdinalIgnoreCase)],
            Address = one.Address.Length > 0 ? one.Address : other.Address,
            Note = string.Join(" ", new[] { one.Note, other.Note }.Where(n => n.Length > 0)),
        };

    private static Recipient Plain(string[] cells)
    {
        var filled = cells.Select(c => c.Trim()).ToList();
        var name = filled.FirstOrDefault() ?? "";
        // "Wren: no nuts, small baby" on one line.
        if (name.Split([':', '–', '—'], 2) is [var who, var about])
            (name, filled[0]) = (who.Trim(), about);
        else if (filled.Count > 0)
            filled[0] = "";
        return CareWords.Read(New(name), string.Join(", ", filled.Where(c => c.Length > 0)));
    }

    private static Recipient Headed(string[] cells, Dictionary<string, int> heads)
    {
        string Cell(string head) => heads.TryGetValue(head, out var at) && at < cells.Length ? cells[at].Trim() : "";
        var person = New(Cell("name")) with
        {
            Group = Cell("group"),
            Address = Cell("address").Replace("|", "\n", StringComparison.Ordinal),
            Note = Cell("note"),
        };
        person = CareWords.Read(person, Cell("care"));
        if (Cell("likes") is { Length: > 0 } likes)
            person = CareWords.Read(person, $"likes {likes}");
        return Cell("dislikes") is { Length: > 0 } dislikes ? CareWords.Read(person, $"dislikes {dislikes}") : person;
    }

    private static Recipient New(string name) => new(Guid.CreateVersion7(), name);

    private static Dictionary<string, int>? Heads(string[] cells)
    {
        var heads = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var (cell, i) in cells.Select((c, i) => (c.Trim().ToLowerInvariant(), i)))
        {
            var head = cell switch
            {
                "name" or "who" or "person" or "people" or "for" or "to" => "name",
                "group" or "where" or "team" or "household" => "group",
                "allergies"
                or "allergy"
                or "diet"
                or "diets"
                or "care"
                or "must not"
                or "avoids"
                or "cannot eat"
                or "can't eat"
                or "allergies and diets" => "care",
                "likes" or "loves" or "wishes" or "wish" => "likes",
                "dislikes" or "not keen" or "rather not" => "dislikes",
                "address" => "address",
                "note" or "notes" or "remarks" => "note",
                _ => "",
            };
            if (head.Length > 0)
                heads.TryAdd(head, i);
        }

        return heads.ContainsKey("name") ? heads : null;
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
        while (reader.Read() && lines.Count <= Most + 1)
        {
            if (reader.Record is { } record && record.Any(c => !string.IsNullOrWhiteSpace(c)))
                lines.Add((reader.RawRow, record));
        }

        return lines;
    }
}
