namespace Zymethos.Workshop.Sugar;

/// <summary>
/// At how many degrees water boils at an elevation: the pressure of the ISO standard atmosphere (ISO 2533) put into the Antoine equation of
/// water (A 8.07131, B 1730.63, C 233.426 for mmHg and degrees Celsius, 1 to 100 degrees; from memory). The day's weather moves it by about
/// a degree.
/// </summary>
public static class BoilingWater
{
    /// <summary>Highest elevation that is reckoned, in metres: nobody bakes above.</summary>
    public const double Highest = 5500;

    /// <summary>Degrees Celsius at which water boils.</summary>
    /// <param name="metres">Elevation, -430 to <see cref="Highest"/>.</param>
    public static double At(double metres)
    {
        var pascal = 101_325 * Math.Pow(1 - (2.25577e-5 * metres), 5.25588);
        var mercury = pascal / 133.322_387_415;
        return (1730.63 / (8.07131 - Math.Log10(mercury))) - 233.426;
    }
}
