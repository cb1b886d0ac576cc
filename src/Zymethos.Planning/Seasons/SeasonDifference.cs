using System.Globalization;

namespace Zymethos.Planning.Seasons;

/// <summary>What a plan made again does otherwise than the one before, in sentences.</summary>
public static class SeasonDifference
{
    /// <summary>The differences; empty when everything stays where it was.</summary>
    /// <param name="wish">The season as it is now.</param>
    /// <param name="before">Where each piece of work was, by the id of its need and its stretch.</param>
    /// <param name="unmetBefore">Ids of needs that were not met.</param>
    /// <param name="after">The plan now.</param>
    public static IReadOnlyList<string> Of(
        SeasonWish wish,
        IReadOnlyDictionary<(string Need, int Stretch), NodaTime.LocalDateTime> before,
        IReadOnlySet<string> unmetBefore,
        SeasonPlan after
    )
    {
        var words = new List<string>();
        foreach (var placed in after.Placed.Where(p => !p.IsDone))
        {
            var need = wish.Needs[after.Lots[placed.Lot].Need];
            var title = after.Lots[placed.Lot].Method.Stretches[placed.Stretch].Title;
            if (!before.TryGetValue((need.Id, placed.Stretch), out var was))
                continue;
            if (was.Date != placed.Start.Date)
                words.Add($"“{title}” ({need.Recipe.Name}) moves from {Day(was.Date)} to {Day(placed.Start.Date)}.");
        }

        foreach (var unmet in after.Unmet.Where(u => !unmetBefore.Contains(wish.Needs[u.Need].Id)))
            words.Add($"{wish.Needs[unmet.Need].Recipe.Name} is not met any more. {unmet.Why}");
        var now = after.Unmet.Select(u => wish.Needs[u.Need].Id).ToHashSet(StringComparer.Ordinal);
        foreach (var met in wish.Needs.Where(n => unmetBefore.Contains(n.Id) && !now.Contains(n.Id)))
            words.Add($"{met.Recipe.Name} is met now.");
        return words;
    }

    private static string Day(NodaTime.LocalDate date) => date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
}
