namespace Zymethos.Core.Measures;

/// <summary>
/// Reads an ingredient line the way a baker would: amounts, ingredient, how it is to be, remarks. It never throws and never drops a word;
/// what it is unsure of it says in <see cref="ReadLine.Doubts"/> instead of guessing in silence.
/// </summary>
public static class LineReader
{
    /// <summary>Longest line that is read, in characters; the rest of a longer one is kept as a note.</summary>
    public const int LongestLine = 400;

    /// <summary>Reads one line with the table that ships.</summary>
    public static ReadLine Read(string line) => Read(line, IngredientKnowledge.Shipped);

    /// <summary>Reads one line with what a kitchen knows.</summary>
    public static ReadLine Read(string line, IngredientKnowledge knowledge)
    {
        var text = Digits.Plain(line.Trim());
        if (text.Length > LongestLine)
        {
            var head = Read(text[..LongestLine], knowledge);
            return head with
            {
                Text = line.Trim(),
                Note = Join(head.Note, text[LongestLine..]),
                Doubts = head.Doubts.Add("This line is very long. Is it an ingredient, or part of the method?"),
            };
        }

        var plain = LineText.Plain(FruitWords.InFront(text));
        if (plain.Length == 0)
            return Empty(text, LineTraits.None);
        if (plain.EndsWith(':') && !plain.Any(char.IsDigit))
            return Empty(text, LineTraits.Heading) with { Note = plain.TrimEnd(':').Trim() };
        var read = new LineReading(text, plain.Split(' '), knowledge).Finish();
        // A slip is read as what it must mean, and asked about all the same.
        return LineText.Slip(text) is { } slip
            ? read with
            {
                IsGuessed = true,
                Doubts = read.Doubts.Add($"I took “{slip.Wrong}” for {slip.Right}. Is it?"),
            }
            : read;
    }

    /// <summary>Reads every line of a text; empty lines are left out.</summary>
    public static IReadOnlyList<ReadLine> ReadAll(string text) => ReadAll(text, IngredientKnowledge.Shipped);

    /// <summary>Reads every line of a text with what a kitchen knows; empty lines are left out.</summary>
    public static IReadOnlyList<ReadLine> ReadAll(string text, IngredientKnowledge knowledge) =>
        [
            .. text.Split('\n')
                .Where(l => !string.IsNullOrWhiteSpace(l))
                .SelectMany(l => LineSplitter.Split(l, knowledge))
                .Select(l => Read(l, knowledge)),
        ];

    private static ReadLine Empty(string text, LineTraits traits) => new(text, [], "", null, [], "", "", traits, [], [], null);

    private static string Join(string one, string other) =>
        one.Length == 0 ? other.Trim()
        : other.Length == 0 ? one
        : $"{one}; {other.Trim()}";
}
