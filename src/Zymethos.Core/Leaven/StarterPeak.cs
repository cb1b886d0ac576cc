using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>
/// When a starter that was fed stands at its highest. A starter fed one to one to one peaks after about five hours at 25 degrees (common
/// practice, no source); what it was given more takes it longer by the logarithm of how much it grew, as anything does that multiplies;
/// warmth by <see cref="YeastRate"/>. The starter's own vigour is learned.
/// </summary>
public static class StarterPeak
{
    /// <summary>One to one to one, at <see cref="BaseRoom"/> (common practice, no source).</summary>
    public const double BaseMinutes = 300;

    /// <summary>The room for which <see cref="BaseMinutes"/> holds.</summary>
    public static readonly Temperature BaseRoom = Temperature.FromCelsius(25);

    /// <summary>Minutes from the feed to the peak; infinite where it is too cold or too hot to rise at all.</summary>
    /// <param name="kept">What was kept of the old one, above zero.</param>
    /// <param name="given">Flour and water together, above zero.</param>
    /// <param name="room">How warm it stands.</param>
    /// <param name="vigour">How much longer this starter takes than others; 1 for as long.</param>
    public static double Minutes(Mass kept, Mass given, Temperature room, double vigour = 1)
    {
        var rate = YeastRate.At(room);
        return rate <= 0 || kept.Grams <= 0 || given.Grams <= 0
            ? double.PositiveInfinity
            : vigour * BaseMinutes * (Math.Log(1 + (given.Grams / kept.Grams)) / Math.Log(3)) * (YeastRate.At(BaseRoom) / rate);
    }
}
