using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>Where a bake wants to stand, in words: "180 C, middle shelf", "in the lower third of the oven".</summary>
internal static partial class ShelfWords
{
    /// <summary>The wish that words hold; <see cref="ShelfWish.Any"/> when they hold none.</summary>
    public static ShelfWish In(string words) =>
        Low().IsMatch(words) ? ShelfWish.Low
        : Middle().IsMatch(words) ? ShelfWish.Middle
        : High().IsMatch(words) ? ShelfWish.High
        : ShelfWish.Any;

    /// <summary>The wish as words behind a heat; empty for any shelf.</summary>
    public static string Of(ShelfWish wish) =>
        wish switch
        {
            ShelfWish.Low => ", low shelf",
            ShelfWish.Middle => ", middle shelf",
            ShelfWish.High => ", top shelf",
            _ => "",
        };

    [GeneratedRegex(
        @"\b(?:low|lower|lowest|bottom)\b.{0,12}\b(?:shelf|rack|third|position)\b|\b(?:shelf|rack)\b.{0,10}\blow",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Low();

    [GeneratedRegex(
        @"\b(?:middle|centre|center|central)\b.{0,12}\b(?:shelf|rack|third|position)\b|\b(?:middle|centre|center) of the oven\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Middle();

    [GeneratedRegex(@"\b(?:top|upper|high|highest)\b.{0,12}\b(?:shelf|rack|third|position)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex High();
}
