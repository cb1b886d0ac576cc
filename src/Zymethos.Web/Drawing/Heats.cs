using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Drawing;

/// <summary>Set temperatures in words.</summary>
public static class Heats
{
    /// <summary>Both scales as the dials have them, the kitchen's own first.</summary>
    public static string Say(Temperature temperature, MeasuringHabit habit) =>
        habit == MeasuringHabit.Metric
            ? $"{temperature.CelsiusDial} °C / {temperature.FahrenheitDial} °F"
            : $"{temperature.FahrenheitDial} °F / {temperature.CelsiusDial} °C";

    /// <summary>The same with what a fan oven and a gas oven are set to.</summary>
    public static string SayFully(Temperature temperature, MeasuringHabit habit)
    {
        var gas = OvenMarks.GasMark(temperature) is { } mark ? $", gas {mark}" : "";
        var fan = OvenMarks.Fan(temperature);
        return $"{Say(temperature, habit)} (fan "
            + $"{(habit == MeasuringHabit.Metric ? $"{fan.CelsiusDial} °C" : $"{OvenMarks.FanFahrenheitDial(temperature)} °F")}{gas})";
    }
}
