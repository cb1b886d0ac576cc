using System.Text;

namespace Zymethos.Interchange.Tests.Fuzz;

/// <summary>
/// Texts as nobody would write them: something sound, cut, doubled, crossed with another, sown with signs that readers trip over. The same
/// number always makes the same text.
/// </summary>
internal sealed class Garbled(int seed)
{
    private static readonly string[] Odd =
    [
        "\0",
        "\uFEFF",
        "\u200D",
        "\u202E",
        "\uD83D",
        "½",
        "⅞",
        "１２",
        "٣",
        "−",
        "–",
        "’",
        "\"",
        "\\",
        "{",
        "}",
        "[",
        "]",
        ",",
        ":",
        ";",
        "(",
        "((((((((",
        "<script>",
        "&amp;",
        "&#0;",
        "%00",
        "null",
        "true",
        "1e999",
        "-1",
        "0",
        "99999999999999999999",
        "1/0",
        "0/0",
        "NaN",
        "\r",
        "\n",
        "\r\n",
        "\t",
        " ",
        "or ",
        " to ",
        "x",
        "°",
        "min",
        "cups",
        "=",
        "=cmd|'/c'!A1",
        "..",
        "../..",
        "@",
        "é",
        "ß",
        "I\u0307",
        "RRULE:FREQ=SECONDLY;COUNT=999999999",
        "DTSTART:99991231T235959Z",
        "2031-02-30T25:61",
        "T",
        "Z",
        "PT1M",
        "$",
        "\u001F",
    ];

    private readonly Random _random = new(seed);

    /// <summary>One of a list.</summary>
    public T One<T>(IReadOnlyList<T> of) => of[_random.Next(of.Count)];

    /// <summary>A whole number below a bound.</summary>
    public int Below(int bound) => _random.Next(bound);

    /// <summary>A sound text made unsound, at most so long.</summary>
    public string Of(IReadOnlyList<string> sound, int longest)
    {
        var text = new StringBuilder(One(sound));
        for (var i = _random.Next(1, 6); i > 0; i--)
            Turn(text, sound);
        return text.Length <= longest ? text.ToString() : text.ToString(0, longest);
    }

    private void Turn(StringBuilder text, IReadOnlyList<string> sound)
    {
        var at = _random.Next(text.Length + 1);
        switch (_random.Next(8))
        {
            case 0:
                text.Insert(at, One(Odd));
                break;
            case 1 when text.Length > 0:
                text.Remove(at % text.Length, Math.Min(_random.Next(1, 12), text.Length - (at % text.Length)));
                break;
            case 2 when text.Length > 0:
                text[at % text.Length] = (char)_random.Next(1, 0x2FF);
                break;
            case 3:
                var other = One(sound);
                text.Insert(at, other[_random.Next(other.Length + 1)..]);
                break;
            case 4 when text.Length > 0:
                var piece = text.ToString(at % text.Length, Math.Min(_random.Next(1, 20), text.Length - (at % text.Length)));
                for (var n = _random.Next(1, 30); n > 0; n--)
                    text.Insert(at, piece);
                break;
            case 5:
                text.Length = at;
                break;
            case 6:
                text.Insert(at, new string(One(Odd)[0], _random.Next(1, 200)));
                break;
            default:
                text.Replace(One(Digits), One(Odd));
                break;
        }
    }

    private static readonly string[] Digits = ["0", "1", "2", "3", "5", "8", " ", "\"", ":"];
}
