using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>
/// How fast baker's yeast makes gas at a dough temperature, as a share of its fastest: the cardinal temperature model with inflection
/// (Rosso, Lobry, Flandrois, J. Theor. Biol. 162, 1993). The three temperatures are for dough and from memory; growth of yeast is fastest
/// near 32 and ends near
/// 45 degrees in Salvado et al., Appl. Environ. Microbiol. 77, 2011.
/// </summary>
public static class YeastRate
{
    /// <summary>Below this the dough stands still.</summary>
    public static readonly Temperature Least = Temperature.FromCelsius(1);

    /// <summary>Here it rises fastest.</summary>
    public static readonly Temperature Best = Temperature.FromCelsius(33);

    /// <summary>Above this it stands still; from about 60 degrees the yeast is dead.</summary>
    public static readonly Temperature Most = Temperature.FromCelsius(45);

    /// <summary>The rate as a share of the fastest, 0 to 1; 0 outside <see cref="Least"/> to <see cref="Most"/>.</summary>
    public static double At(Temperature dough)
    {
        var (t, min, best, max) = (dough.Celsius, Least.Celsius, Best.Celsius, Most.Celsius);
        if (t <= min || t >= max)
            return 0;
        return (t - max) * (t - min) * (t - min) / ((best - min) * (((best - min) * (t - best)) - ((best - max) * (best + min - (2 * t)))));
    }
}
