using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>A feed of a sourdough starter.</summary>
/// <param name="At">When.</param>
/// <param name="Keep">How much starter is kept and fed.</param>
/// <param name="Flour">Flour to feed it.</param>
/// <param name="Water">Water to feed it.</param>
/// <param name="Discard">What is taken off before and put by.</param>
public sealed record StarterRefresh(LocalDateTime At, Mass Keep, Mass Flour, Mass Water, Mass Discard);

/// <summary>
/// Feeds toward an hour at which so much discard is wanted, so that all of it is used up. Fed by equal weights of starter, flour and water
/// once a day, a starter trebles; what is taken off before the next feed is two thirds of it (common practice, no source).
/// </summary>
public static class StarterRefreshing
{
    /// <summary>How much may be taken off at one feed without keeping an awkward crock of it (common practice, no source).</summary>
    public static readonly Mass MostAtOnce = Mass.FromGrams(200);

    /// <summary>How many days of feeding at most: discard keeps about a week in the refrigerator (common practice, no source).</summary>
    public const int MostDays = 7;

    /// <summary>The feeds, the first one first; the last is when the discard is wanted.</summary>
    /// <param name="wanted">Discard wanted, above zero.</param>
    /// <param name="at">When it is wanted.</param>
    public static ImmutableArray<StarterRefresh> Toward(Mass wanted, LocalDateTime at)
    {
        var times = Math.Clamp((int)Math.Ceiling(wanted.Grams / MostAtOnce.Grams), 1, MostDays);
        var seed = Mass.FromGrams(wanted.Grams / times / 2);
        // One feed more at the beginning makes the first of what is taken off later.
        return
        [
            .. Enumerable
                .Range(0, times + 1)
                .Select(i => new StarterRefresh(at.PlusDays(i - times), seed, seed, seed, i == 0 ? Mass.FromGrams(0) : seed * 2)),
        ];
    }
}
