using System.Globalization;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Kitchens;

/// <summary>How a kitchen reads the hours of the day.</summary>
public enum ClockFace
{
    /// <summary>17:30.</summary>
    Hours24,

    /// <summary>5:30 pm.</summary>
    Hours12,
}

/// <summary>Hours, heats and sizes as one kitchen says them. A value without state: any number of threads may use it.</summary>
/// <param name="Habit">Its measures.</param>
/// <param name="Clock">Its clock.</param>
public readonly record struct KitchenSays(MeasuringHabit Habit, ClockFace Clock)
{
    /// <summary>Grams, Celsius and 24 hours: how the open formats and the house's own notes say it.</summary>
    public static readonly KitchenSays Plain = new(MeasuringHabit.Metric, ClockFace.Hours24);

    private const double MillimetresPerInch = 25.4;

    /// <summary>Litres in a US quart, exact by definition (57.75 cubic inches).</summary>
    private const double LitresPerQuart = 0.946352946;

    private bool IsUs => Habit == MeasuringHabit.UsCustomary;

    /// <summary>An hour of the day: "17:30", "5:30 pm".</summary>
    public string Hour(LocalTime time) =>
        Clock == ClockFace.Hours24
            ? time.ToString("HH:mm", CultureInfo.InvariantCulture)
            : $"{(time.Hour + 11) % 12 + 1}:{time.Minute:00} {(time.Hour < 12 ? "am" : "pm")}";

    /// <summary>The hour of a moment.</summary>
    public string Hour(LocalDateTime moment) => Hour(moment.TimeOfDay);

    /// <summary>The full hour alone, for the axis of a drawing: "17:00", "5 pm".</summary>
    public string AxisHour(LocalDateTime moment) =>
        Clock == ClockFace.Hours12 && moment.Minute == 0
            ? $"{(moment.Hour + 11) % 12 + 1} {(moment.Hour < 12 ? "am" : "pm")}"
            : Hour(moment);

    /// <summary>Weekday and hour: "Sat 17:30".</summary>
    public string WeekdayAndHour(LocalDateTime moment) => $"{moment.ToString("ddd", CultureInfo.InvariantCulture)} {Hour(moment)}";

    /// <summary>Day and hour: "Sat 5 Dec 17:30".</summary>
    public string DayAndHour(LocalDateTime moment) => $"{moment.ToString("ddd d MMM", CultureInfo.InvariantCulture)} {Hour(moment)}";

    /// <summary>Day in full and hour: "Saturday 5 December, 17:30".</summary>
    public string FullDayAndHour(LocalDateTime moment) => $"{moment.ToString("dddd d MMMM", CultureInfo.InvariantCulture)}, {Hour(moment)}";

    /// <summary>What to set the dial to: "180 °C", "355 °F". Fahrenheit dials are set in steps of 5, and a heat within 4 degrees of one of
    /// their marks of 25 is set to the mark (common practice, no source).</summary>
    public string Dial(double celsius) => $"{DialNumber(celsius).ToString(CultureInfo.InvariantCulture)} {Unit}";

    /// <summary>The number alone of <see cref="Dial"/>.</summary>
    public int DialNumber(double celsius)
    {
        if (!IsUs)
            return (int)Math.Round(celsius, MidpointRounding.AwayFromZero);
        var fahrenheit = Temperature.FromCelsius(celsius).Fahrenheit;
        var mark = (int)Math.Round(fahrenheit / 25) * 25;
        return Math.Abs(fahrenheit - mark) <= 4 ? mark : (int)Math.Round(fahrenheit / 5) * 5;
    }

    /// <summary>"°C" or "°F".</summary>
    public string Unit => IsUs ? "°F" : "°C";

    /// <summary>A temperature to the degree: "21 °C", "70 °F".</summary>
    public string Degrees(double celsius) => $"{Number(DegreesNumber(celsius), 0)} {Unit}";

    /// <summary>The number alone of <see cref="Degrees"/>, not rounded.</summary>
    public double DegreesNumber(double celsius) => IsUs ? Temperature.FromCelsius(celsius).Fahrenheit : celsius;

    /// <summary>Degrees Celsius from a number in the kitchen's own.</summary>
    public double ToCelsius(double own) => IsUs ? (own - 32) * 5 / 9 : own;

    /// <summary>By how much warmer or colder, in the kitchen's own degrees.</summary>
    public double DifferenceNumber(double celsius) => IsUs ? celsius * 9 / 5 : celsius;

    /// <summary>A difference in degrees Celsius from one in the kitchen's own.</summary>
    public double ToCelsiusDifference(double own) => IsUs ? own * 5 / 9 : own;

    /// <summary>"cm" or "in".</summary>
    public string LengthUnit => IsUs ? "in" : "cm";

    /// <summary>A length in centimetres or inches.</summary>
    public double LengthNumber(Length length) => IsUs ? length.Millimetres / MillimetresPerInch : length.Millimetres / 10;

    /// <summary>A length from a number in centimetres or inches.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a length.</exception>
    public Length ToLength(double own) => Length.FromMillimetres(IsUs ? own * MillimetresPerInch : own * 10);

    /// <summary>"L" or "qt".</summary>
    public string LitreUnit => IsUs ? "qt" : "L";

    /// <summary>Litres or quarts.</summary>
    public double LitresNumber(double litres) => IsUs ? litres / LitresPerQuart : litres;

    /// <summary>Litres from a number in litres or quarts.</summary>
    public double ToLitres(double own) => IsUs ? own * LitresPerQuart : own;

    /// <summary>A volume: "4.5 L", "4.8 qt".</summary>
    public string Litres(double litres) => $"{Number(LitresNumber(litres), 1)} {LitreUnit}";

    /// <summary>A number with at most so many decimals and a point.</summary>
    private static string Number(double value, int decimals) =>
        Math.Round(value, decimals, MidpointRounding.AwayFromZero).ToString("0.##", CultureInfo.InvariantCulture);
}
