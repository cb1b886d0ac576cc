using System.Globalization;
using System.Text.RegularExpressions;
using CsCheck;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Measures;

/// <summary>Lines of our own writing, each with the reading a baker would give it (lines.csv).</summary>
public sealed class LineReaderTests
{
    private static readonly string[][] Corpus =
    [
        .. File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Measures", "lines.csv"))
            .Where(l => l.Length > 0 && l[0] != '#')
            .Select(l => l.Split('|')),
    ];

    [Fact]
    public void The_corpus_is_large_enough() => Assert.True(Corpus.Length >= 400, $"{Corpus.Length} lines");

    [Fact]
    public void At_least_98_percent_of_the_lines_are_read_right()
    {
        var wrong = Corpus.Select(row => (Line: row[0], Wrong: Difference(row))).Where(w => w.Wrong is not null).ToList();
        Assert.True(
            wrong.Count <= Corpus.Length * 0.02,
            $"{wrong.Count} of {Corpus.Length}:\n{string.Join("\n", wrong.Select(w => $"{w.Line}   ->   {w.Wrong}"))}"
        );
    }

    [Fact]
    public void No_word_of_any_line_is_dropped() =>
        Assert.All(Corpus, row => Assert.True(Lost(row[0]).Count == 0, $"{row[0]}   lost: {string.Join(" ", Lost(row[0]))}"));

    [Fact]
    public void What_is_not_known_is_asked()
    {
        Assert.NotEmpty(LineReader.Read("2 cups moon dust").Doubts);
        Assert.NotEmpty(LineReader.Read("cinnamon").Doubts);
        Assert.NotEmpty(LineReader.Read("3").Doubts);
        Assert.NotEmpty(LineReader.Read("0 g sugar").Doubts);
        Assert.Empty(LineReader.Read("2 cups flour").Doubts);
        Assert.Empty(LineReader.Read("salt to taste").Doubts);
    }

    [Fact]
    public void Two_measures_more_than_a_tenth_apart_are_reported_and_weight_wins()
    {
        var apart = LineReader.Read("1 cup (200 g) flour");
        Assert.Contains(apart.Doubts, d => d.Contains("By weight this is 200 g, by measure about 125 g", StringComparison.Ordinal));
        Assert.Equal(200, apart.Weight!.Value.Grams);
        Assert.Empty(LineReader.Read("1 cup (130 g) flour").Doubts);
    }

    [Fact]
    public void Alternatives_are_kept_as_lines_of_their_own()
    {
        var line = LineReader.Read("1 cup butter or margarine");
        Assert.Equal("margarine", Assert.Single(line.Alternatives).Ingredient!.Name);
        Assert.Equal(227, line.Alternatives[0].Weight!.Value.Grams);
        Assert.Equal(109, LineReader.Read("1 cup chopped walnuts or pecans").Alternatives[0].Weight!.Value.Grams);
    }

    /// <summary>Whatever is typed, reading ends, nothing is thrown and the line is kept as it was.</summary>
    [Fact]
    public void Nonsense_is_survived() =>
        Gen.String[Gen.Char[" 0123456789/.,-–½()[]+xX~:;abcdefgtspcupozlb&'\"<>\u00A0\t🍰"], 0, 120]
            .Sample(
                text =>
                {
                    var read = LineReader.Read(text);
                    Assert.Equal(text.Trim(), read.Text);
                    Assert.True(read.Weight is null || double.IsFinite(read.Weight.Value.Grams));
                },
                iter: 20_000
            );

    [Fact]
    public void A_very_long_line_is_kept_and_questioned()
    {
        var line = "1 cup flour " + new string('x', 5000);
        var read = LineReader.Read(line);
        Assert.Equal(line, read.Text);
        Assert.Contains(read.Doubts, d => d.Contains("very long", StringComparison.Ordinal));
        Assert.Contains(new string('x', 4500), read.Note, StringComparison.Ordinal);
    }

    [Fact]
    public void A_whole_list_is_read_line_by_line() =>
        Assert.Equal(
            ["plain flour", "sugar", "egg"],
            LineReader.ReadAll("2 cups flour\n\n1 cup sugar\r\n2 eggs\n").Select(l => l.Ingredient!.Name)
        );

    private static string? Difference(string[] row)
    {
        var read = LineReader.Read(row[0]);
        var (amount, ingredient, forms, traits, grams) = (row[1], row[2], row[3], row[4], row[5]);
        var main = read.Amounts.FirstOrDefault();
        var said = main is null
            ? ""
            : $"{Say(main.Amount.Low)}{(main.Amount.High > main.Amount.Low ? $"-{Say(main.Amount.High)}" : "")} {main.Amount.Unit.Code}";
        if (traits == "?")
            return read.Doubts.Length > 0 ? null : "no doubt";
        if (amount.Length > 0 && said != amount)
            return $"amount {said}";
        if (amount.Length == 0 && traits.Length > 0 && main is not null)
            return $"amount {said}";
        if (ingredient.Length > 0 && read.Ingredient?.Name != ingredient)
            return $"ingredient {read.Ingredient?.Name ?? read.Name}";
        if (forms.Length > 0 && !read.Forms.Contains(forms))
            return $"forms {string.Join(",", read.Forms)}";
        if (traits.Length > 0 && !read.Traits.ToString().Contains(traits, StringComparison.Ordinal))
            return $"traits {read.Traits}";
        if (grams == "-")
            return read.Weight is null ? null : $"weight {read.Weight}";
        if (grams.Length == 0)
            return null;
        var wanted = double.Parse(grams, CultureInfo.InvariantCulture);
        if (read.Weight is not { } weight)
            return "no weight";
        return Math.Abs(weight.Grams - wanted) <= Math.Max(0.6, wanted * 0.01) ? null : $"weight {weight.Grams:0.0}";
    }

    private static string Say(double value) => Math.Round(value, 3).ToString("0.###", CultureInfo.InvariantCulture);

    /// <summary>Words of a line that reappear nowhere in its reading. Numbers, units and little words are what amounts are made
    /// of.</summary>
    private static List<string> Lost(string line)
    {
        var read = LineReader.Read(line);
        var kept = string.Join(' ', Words(read)).ToLowerInvariant();
        return
        [
            .. Regex
                .Matches(
                    line.ToLowerInvariant()
                        .Replace("table spoon", "tablespoon", StringComparison.Ordinal)
                        .Replace("tea spoon", "teaspoon", StringComparison.Ordinal),
                    @"[\p{L}'-]{2,}",
                    RegexOptions.None,
                    TimeSpan.FromSeconds(1)
                )
                .Select(m => m.Value.Trim('-', '\''))
                .Where(w => w.Length > 1 && !IsAmountWord(w) && !kept.Contains(w, StringComparison.Ordinal)),
        ];
    }

    private static IEnumerable<string> Words(ReadLine read) =>
        new[] { read.Name, read.Size, read.Note, read.Ingredient?.Name ?? "" }
            .Concat(read.Forms)
            .Concat(read.Alternatives.SelectMany(Words));

    private static bool IsAmountWord(string word) =>
        UnitWords.Find(word) is not null
        || word
            is "tb"
                or "fl"
                or "oz"
                or "and"
                or "or"
                or "of"
                or "to"
                or "the"
                or "an"
                or "one"
                or "two"
                or "three"
                or "four"
                or "five"
                or "half"
                or "quarter"
                or "third"
                or "dozen"
                or "couple"
                or "plus"
                or "minus"
                or "less"
                or "each"
                or "ounce"
                or "heaped"
                or "heaping"
                or "rounded"
                or "scant"
                or "level"
                or "generous"
                or "lightly"
                or "firmly"
                or "from"
                or "about";
}
