using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Drawing;

/// <summary>Set temperatures in words.</summary>
public static class Heats
{
    /// <summary>Both scales as the dials have them, the kitchen's own first.</summary>
    public static string Say(Temperature temperature, MeasuringHabit habit) => habit == MeasuringHabit.Metric
        ? $"{temperature.CelsiusDial} °C / {temperature.FahrenheitDial} °F"
        : $"{temperature.FahrenheitDial} °F / {temperature.CelsiusDial} °C";
}
