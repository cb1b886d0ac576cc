using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>Finishes as an editor writes them, a line each: "12 with chocolate: dark chocolate; flaked almonds".</summary>
internal static partial class FinishText
{
    /// <summary>Finishes as text.</summary>
    public static string Say(IEnumerable<Finish> finishes) =>
        string.Join(
            '\n',
            finishes.Select(f =>
                $"{f.Pieces.ToString(CultureInfo.InvariantCulture)} {f.Name}{(f.Only.IsEmpty ? "" : $": {string.Join("; ", f.Only)}")}"
            )
        );

    /// <summary>Reads one line; null when it is not written so.</summary>
    /// <param name="line">The line as typed.</param>
    /// <param name="parts">The recipe's parts, whose lines the finish may name.</param>
    public static Finish? Read(string line, IReadOnlyList<Part> parts)
    {
        var match = Written().Match(line.Trim());
        if (!match.Success || !int.TryParse(match.Groups["n"].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var pieces))
            return null;
        return new Finish(match.Groups["name"].Value.Trim(), pieces, Names(match.Groups["only"].Value, parts));
    }

    /// <summary>A line of the recipe may hold a comma in its own name ("eggs, large"): the whole is tried before it is parted.</summary>
    private static ImmutableArray<string> Names(string text, IReadOnlyList<Part> parts)
    {
        // The last line of a name: what finishes is listed last. "Flaked almonds" is the line of almonds that are flaked.
        string? Meant(string name) =>
            parts
                .SelectMany(p => p.Lines)
                .Reverse()
                .FirstOrDefault(l =>
                    l.Ingredient.Equals(name, StringComparison.OrdinalIgnoreCase)
                    || $"{l.Form} {l.Ingredient}".Equals(name, StringComparison.OrdinalIgnoreCase)
                )
                ?.Ingredient;
        var pieces = text.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return
        [
            .. pieces.SelectMany(p =>
                Meant(p) is { } whole
                    ? [whole]
                    : p.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(n => Meant(n) ?? n)
            ),
        ];
    }

    [GeneratedRegex(
        @"^(?<n>\d{1,5})(?!\d)\s*(?:x\s+|×\s*|:\s*)?(?<name>[^:]{1,80}?)\s*(?::\s*(?<only>.{0,300}))?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Written();
}
