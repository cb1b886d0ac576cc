using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Feeding once a week: a few minutes by hand again and again, with the weeks between as waits, and never weeks of somebody's
/// hands.</summary>
internal sealed partial class MethodReader
{
    // Most feeds that are laid out; beyond it nobody tastes a difference, and the plan would be all feeding.
    private const int MostFeeds = 8;

    // Weeks where nobody says for how long (common practice, no source); it is asked.
    private const int UsualWeeks = 4;

    /// <summary>Lays out the feeds that a sentence tells of; false when it tells of none.</summary>
    private bool TakeFeeds(string piece, string low)
    {
        if (Steps.Count == 0 || FeedsIn(low) is not { } told)
            return false;
        var (every, feeds) = (told.Every, told.Feeds);
        var wait =
            every % 7 == 0
                ? every == 7
                    ? "a week"
                    : $"{every / 7} weeks"
                : $"{every} days";
        // "Feed weekly if you like": the weeks between go with the feeding.
        var before = _offer;
        if (_offer == 0 && OfferEnd().IsMatch(low))
            _offer = ++_offers;
        for (var i = 0; i < feeds; i++)
        {
            Add(
                $"Leave it for {wait}, wrapped",
                $"leave it for {wait}, wrapped",
                StepKind.Mature,
                new TimePhrase(every * 1440, every * 1440, 0, 0)
            );
            // The last week it is left alone.
            if (i == feeds - 1 && feeds > 1)
                break;
            Add(i == 0 ? piece : "Feed it again", i == 0 ? low : "feed it again", StepKind.Work, new TimePhrase(5, 5, 0, 0));
            Steps[^1].Draft.Title = i == 0 ? "Feed it" : "Feed it again";
        }

        _offer = before;
        if (!told.IsTold)
            _reading.Asks.Add($"For how many weeks is it fed? {UsualWeeks} is a guess.");
        return true;
    }

    /// <summary>How many waits a sentence lays out and how many days each is; null when it tells of no feeding again and again. Fed it is
    /// once less than it waits, since the last stretch it is left alone, but once at least.</summary>
    internal static (int Every, int Feeds, bool IsTold)? FeedsIn(string low)
    {
        var match = FeedWords().Match(low);
        if (!match.Success)
            return null;
        var every =
            match.Groups["days"].Success ? Math.Max(1, int.Parse(match.Groups["days"].Value, CultureInfo.InvariantCulture))
            : match.Groups["two"].Success ? 14
            : 7;
        var told = ForWeeks().Match(low);
        var weeks = told.Success
            ? (int)(NumberWords.Of(told.Groups["n"].Value) ?? double.Parse(told.Groups["n"].Value, CultureInfo.InvariantCulture))
            : UsualWeeks;
        return (every, Math.Clamp(weeks * 7 / every, 1, MostFeeds), told.Success);
    }

    [GeneratedRegex(
        @"\b(?:feed|drizzle|douse|sprinkle|brush|spoon|trickle)\b[^.;]{0,80}\b(?:once a week|once weekly|weekly|every week|each week|"
            + @"every (?<days>\d{1,2}) days|every (?<two>two weeks|2 weeks|fortnight|second week))\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex FeedWords();

    [GeneratedRegex(
        @"\b(?:for|over|during)(?: the)?(?: next| about| at least)? (?<n>\d{1,2}|two|three|four|five|six|seven|eight|ten|"
            + @"twelve)(?: or \w+)? weeks?\b|\b(?<n>\d{1,2}|two|three|four|five|six|eight) weeks? (?:before|ahead)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex ForWeeks();
}
