using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>
/// The temperature of the water for a wanted dough temperature: so many times the wanted temperature as there are things that bring heat,
/// less what the others bring (Hamelman, "Bread": wanted 76 F, flour 70, room 72, friction 24 gives water of 62 F).
/// </summary>
public static class WaterTemperature
{
    /// <summary>Liquid hotter than this on the yeast is warned of (common practice, no source).</summary>
    public static readonly Temperature WarnAbove = Temperature.FromCelsius(46);

    /// <summary>Yeast is dead from about here (common practice, no source).</summary>
    public static readonly Temperature Deadly = Temperature.FromCelsius(60);

    /// <summary>The water's temperature. May come out below freezing or above boiling: then the wish cannot be met.</summary>
    /// <param name="wanted">Wanted dough temperature.</param>
    /// <param name="flour">The flour's temperature.</param>
    /// <param name="room">The room's temperature.</param>
    /// <param name="frictionDegrees">What the mixer's work warms the dough by, in Celsius degrees.</param>
    /// <param name="preferment">The preferment's temperature; null when there is none.</param>
    public static Temperature For(
        Temperature wanted,
        Temperature flour,
        Temperature room,
        double frictionDegrees,
        Temperature? preferment = null
    )
    {
        var brings = preferment is null ? 3 : 4;
        return Temperature.FromCelsius(
            (brings * wanted.Celsius) - flour.Celsius - room.Celsius - frictionDegrees - (preferment?.Celsius ?? 0)
        );
    }
}
