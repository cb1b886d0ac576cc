using Zymethos.Core.Measures;

namespace Zymethos.Core.Heat;

/// <summary>The same heat as other ovens say it.</summary>
public static class OvenMarks
{
    /// <summary>A fan oven is set about so much lower (common practice, no source).</summary>
    public const double FanLowerCelsius = 20;

    /// <summary>The setting of a fan oven for a still oven's temperature.</summary>
    public static Temperature Fan(Temperature still) => Temperature.FromCelsius(still.Celsius - FanLowerCelsius);

    /// <summary>A fan oven with a Fahrenheit dial is set about so much lower (common practice, no source).</summary>
    public const int FanLowerFahrenheit = 25;

    /// <summary>The mark on the Fahrenheit dial of a fan oven for a still oven's temperature.</summary>
    public static int FanFahrenheitDial(Temperature still) => still.FahrenheitDial - FanLowerFahrenheit;

    /// <summary>
    /// The gas mark nearest to a temperature, "¼" to "9": a quarter is 225 F, a half 250 F, mark 1 is 275 F and each mark 25 F more (from
    /// memory). Null for what lies outside the dial by more than half a step.
    /// </summary>
    public static string? GasMark(Temperature still)
    {
        var dial = still.FahrenheitDial;
        if (dial == 225)
            return "¼";
        if (dial == 250)
            return "½";
        var mark = (dial - 250) / 25;
        return mark is >= 1 and <= 9 ? mark.ToString(System.Globalization.CultureInfo.InvariantCulture) : null;
    }
}
