using Zymethos.Core.Measures;

namespace Zymethos.Core.Heat;

/// <summary>The same heat as other ovens say it.</summary>
public static class OvenMarks
{
    /// <summary>A fan oven is set about so much lower (common practice, no source).</summary>
    public const double FanLowerCelsius = 20;

    /// <summary>The setting of a fan oven for a still oven's temperature.</summary>
    public static Temperature Fan(Temperature still) => Temperature.FromCelsius(still.Celsius - FanLowerCelsius);

    /// <summary>
    /// The gas mark nearest to a temperature, 1 to 10: mark 1 is 275 F and each mark 25 F more (from memory). Null for what lies below mark 1 by more than
    /// half a step, or above mark 10.
    /// </summary>
    public static int? GasMark(Temperature still)
    {
        var mark = (int)Math.Round((still.FahrenheitDial - 250) / 25.0, MidpointRounding.AwayFromZero);
        return mark is >= 1 and <= 10 ? mark : null;
    }
}
