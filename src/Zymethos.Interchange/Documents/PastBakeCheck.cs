using System.Globalization;
using Zymethos.Core.Learning;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Documents;

/// <summary>What in a bake that was written down cannot have been. It is named and kept, and nothing is learned from it.</summary>
public static class PastBakeCheck
{
    /// <summary>Longest time in the oven that is taken for a bake, in minutes.</summary>
    public const double LongestLoad = 24 * 60;

    /// <summary>Whether a load can have been: it says nothing of whether its recipe is known.</summary>
    public static bool IsSound(PastLoadDocument load) => Trouble(load).Length == 0;

    /// <summary>What is wrong with a load, in a sentence; empty where nothing is.</summary>
    public static string Trouble(PastLoadDocument load) =>
        !double.IsFinite(load.Minutes) ? $"“{load.Title}” has no time that can be read."
        : load.Minutes < 0 ? $"“{load.Title}” came out before it went in."
        : load.Minutes == 0 ? $"“{load.Title}” came out in the minute in which it went in."
        : load.Minutes > LongestLoad
            ? $"“{load.Title}” was in for {(load.Minutes / 60).ToString("0.#", CultureInfo.InvariantCulture)} hours: that is no bake."
        : load.RecipeMinutes is { } recipe && !new TimeObservation("", "", recipe, load.Minutes).IsSound
            ? $"“{load.Title}” took {load.Minutes:0} min where the recipe says {recipe:0}: it is taken for a slip of the pen."
        : "";

    /// <summary>Everything that cannot have been, in sentences.</summary>
    public static IReadOnlyList<string> Troubles(PastBakeDocument bake) => [.. (bake.Loads ?? []).Select(Trouble).Where(t => t.Length > 0)];

    /// <summary>What in a file's bake cannot be kept at all, with paths of the format.</summary>
    /// <param name="bake">The bake.</param>
    /// <param name="at">Where it stands.</param>
    public static IEnumerable<Fault> Faults(PastBakeDocument bake, string at)
    {
        if (!Guid.TryParse(bake.Id, out _))
            yield return new Fault($"{at}.id", "An id is a UUID.");
        if (!NodaTime.Text.LocalDatePattern.Iso.Parse(bake.Date).Success)
            yield return new Fault($"{at}.date", $"“{Short(bake.Date)}” is no date like 2026-11-29.");
        if (string.IsNullOrWhiteSpace(bake.Name) || bake.Name.Length > 120)
            yield return new Fault($"{at}.name", "A bake has a name of up to 120 characters.");
        if (bake.Batches is < 1 or > 99)
            yield return new Fault($"{at}.batches", "One to 99 batches.");
        if ((bake.Recipe?.Length ?? 0) > 80)
            yield return new Fault($"{at}.recipe", "A key has up to 80 characters.");
        if ((bake.Loads?.Count ?? 0) + (bake.Hands?.Count ?? 0) + (bake.Rises?.Count ?? 0) + (bake.Heats?.Count ?? 0) > MostParts)
            yield return new Fault(at, $"A bake has up to {MostParts} loads, rises and pieces of handwork.");
        if (Texts(bake).Any(t => t?.Length > LongestText))
            yield return new Fault(at, $"A text has up to {LongestText} characters.");
        if ((bake.Loads ?? []).Any(l => l.Oven is < 1 or > 2))
            yield return new Fault($"{at}.loads", "An oven is 1 or 2.");
        if ((bake.Heats ?? []).Any(h => h.Oven is < 1 or > 2))
            yield return new Fault($"{at}.heats", "An oven is 1 or 2.");
        if (bake.Place is < 0 or > 999)
            yield return new Fault($"{at}.place", "A place is 0 to 999.");
        if ((bake.Used ?? new Dictionary<string, double>()).Keys.Any(k => k.Length > LongestText))
            yield return new Fault($"{at}.used", $"A text has up to {LongestText} characters.");
    }

    /// <summary>Most loads, rises and pieces of handwork of a bake.</summary>
    public const int MostParts = 400;

    /// <summary>Longest text.</summary>
    public const int LongestText = 1000;

    private static IEnumerable<string?> Texts(PastBakeDocument bake) =>
        new[] { bake.Note, bake.ToChange, bake.Changed, bake.Looks }
            .Concat((bake.Loads ?? []).SelectMany(l => new[] { l.Title, l.Who, l.Pan, l.Finish, l.Shelf }))
            .Concat((bake.Hands ?? []).SelectMany(l => new[] { l.Title, l.Work, l.Who }))
            .Concat((bake.Rises ?? []).SelectMany(l => new[] { l.Title, l.Leaven }))
            .Concat(bake.Darker ?? [])
            .Concat(bake.Photos ?? []);

    private static string Short(string text) => text.Length <= 20 ? text : text[..20] + "…";
}
