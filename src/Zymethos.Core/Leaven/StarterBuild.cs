using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>One feed on the way to a wanted amount.</summary>
/// <param name="At">When.</param>
/// <param name="Kept">How much of the old one is kept.</param>
/// <param name="Flour">Flour to give.</param>
/// <param name="Water">Water to give.</param>
/// <param name="Discard">What is taken off before.</param>
/// <param name="RipeAt">When it stands at its highest.</param>
public sealed record StarterBuildStep(LocalDateTime At, Mass Kept, Mass Flour, Mass Water, Mass Discard, LocalDateTime RipeAt);

/// <summary>
/// Refreshes that bring a starter to a wanted amount, ripe at a wanted hour: as few as can be, each of equal weights of flour and water, no
/// feed of more than five of each to one of starter (common practice, no source), by day where that can be.
/// </summary>
public static class StarterBuild
{
    /// <summary>Most flour to one part of starter.</summary>
    public const int MostParts = 5;

    /// <summary>Most feeds: a spoonful becomes buckets in four.</summary>
    public const int MostRefreshes = 4;

    private static readonly LocalTime Morning = new(7, 0);
    private static readonly LocalTime Night = new(22, 30);

    /// <summary>The feeds, the first first; empty where no feeds get it there in time.</summary>
    /// <param name="have">What there is, above zero.</param>
    /// <param name="wanted">What is wanted, what is kept to go on with counted in; above zero.</param>
    /// <param name="at">When it is to be ripe.</param>
    /// <param name="now">From when on it can be fed.</param>
    /// <param name="room">How warm it stands.</param>
    /// <param name="vigour">How much longer this starter takes than others.</param>
    public static ImmutableArray<StarterBuildStep> Toward(
        Mass have,
        Mass wanted,
        LocalDateTime at,
        LocalDateTime now,
        Temperature room,
        double vigour = 1
    )
    {
        // By day first; a feed in the night only where nothing else gets it there.
        foreach (var byDay in new[] { true, false })
        {
            for (var feeds = 1; feeds <= MostRefreshes; feeds++)
            {
                if (Try(have, wanted, at, now, room, vigour, feeds, byDay) is { } found)
                    return found;
            }
        }

        return [];
    }

    private static ImmutableArray<StarterBuildStep>? Try(
        Mass have,
        Mass wanted,
        LocalDateTime at,
        LocalDateTime now,
        Temperature room,
        double vigour,
        int feeds,
        bool byDay
    )
    {
        for (var parts = 1; parts <= MostParts; parts++)
        {
            var kept = wanted * (1.0 / (1 + (2 * parts)));
            var minutes = StarterPeak.Minutes(kept, kept * (2 * parts), room, vigour);
            if (!double.IsFinite(minutes))
                return null;
            var when = at.PlusMinutes(-(long)Math.Round(minutes));
            if (when < now || (byDay && (when.TimeOfDay < Morning || when.TimeOfDay > Night)))
                continue;
            if (feeds == 1)
            {
                if (kept.Grams <= have.Grams + 1e-9)
                    return
                    [
                        new StarterBuildStep(
                            when,
                            kept,
                            kept * parts,
                            kept * parts,
                            Mass.FromGrams(Math.Max(0, have.Grams - kept.Grams)),
                            at
                        ),
                    ];
                continue;
            }

            if (Try(have, kept, when, now, room, vigour, feeds - 1, byDay) is { } before)
                return before.Add(new StarterBuildStep(when, kept, kept * parts, kept * parts, Mass.FromGrams(0), at));
        }

        return null;
    }
}
