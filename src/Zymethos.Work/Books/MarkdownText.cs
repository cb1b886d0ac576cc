using System.Text;

namespace Zymethos.Work.Books;

/// <summary>Words as Markdown that means only these words (CommonMark 0.31, 2.4 backslash escapes and 2.5 entities).</summary>
internal static class MarkdownText
{
    private const string Marks = "\\`*_[]|~";

    /// <summary>The text in one line, with every mark that Markdown or HTML would act on written so that it is only read.</summary>
    public static string Of(string text)
    {
        var plain = new StringBuilder(text.Length + 16);
        foreach (var c in text.ReplaceLineEndings(" "))
        {
            switch (c)
            {
                case '<':
                    plain.Append("&lt;");
                    break;
                case '>':
                    plain.Append("&gt;");
                    break;
                case '&':
                    plain.Append("&amp;");
                    break;
                case var mark when Marks.Contains(mark):
                    plain.Append('\\').Append(mark);
                    break;
                default:
                    plain.Append(c);
                    break;
            }
        }

        // "# ", "- " and "1. " at the beginning would start a heading or a list.
        if (plain.Length > 0 && plain[0] is '-' or '#' or '+')
            plain.Insert(0, '\\');
        var dot = plain.ToString().IndexOf('.', StringComparison.Ordinal);
        if (dot > 0 && plain.ToString()[..dot].All(char.IsAsciiDigit))
            plain.Insert(dot, '\\');
        return plain.ToString();
    }
}
