using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>The temperature of a dough that lies somewhere: it goes toward what is around it by Newton's law of cooling.</summary>
/// <param name="Start">Its temperature when it is laid there.</param>
/// <param name="Around">The temperature around it.</param>
/// <param name="TimeConstant">After so long the difference is down to 37 %; above zero.</param>
public sealed record DoughCourse(Temperature Start, Temperature Around, Duration TimeConstant)
{
    // A ball's surface passes heat at about 16.9 W/m2K and dough conducts about 0.35 W/mK, stores about 3.1 MJ/m3K: chosen so that a ball
    // of one kilogram has a little over 1.5 hours, and a dough of 75 min set cold is ready in about 5 h, as bakers find (common practice,
    // no source).
    private const double Surface = 16.9;
    private const double Conductivity = 0.35;
    private const double StoredPerCubicMetre = 3.08e6;
    private const double KilogramsPerCubicMetre = 1100;

    /// <summary>Its temperature after a while.</summary>
    public Temperature At(Duration after) =>
        Temperature.FromCelsius(Around.Celsius + ((Start.Celsius - Around.Celsius) * Math.Exp(-(after / TimeConstant))));

    /// <summary>
    /// The time constant of a ball of dough: stored heat over the resistance of its surface and a fifth of its radius of dough (the lumped
    /// form of conduction in a sphere, Incropera and DeWitt, ch. 5). About 1.6 h for 1 kg; half that for a bun of a few hundred grams.
    /// </summary>
    /// <param name="mass">What the piece weighs; above zero.</param>
    public static Duration TimeConstantOfBall(Mass mass)
    {
        var radius = Math.Cbrt(3 * (Math.Max(1, mass.Grams) / 1000 / KilogramsPerCubicMetre) / (4 * Math.PI));
        return Duration.FromSeconds(StoredPerCubicMetre * radius / 3 * ((1 / Surface) + (radius / (5 * Conductivity))));
    }
}
