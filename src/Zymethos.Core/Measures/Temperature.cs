namespace Zymethos.Core.Measures;

/// <summary>A temperature. Stored in degrees Celsius; absolute zero is the lowest value that can be made.</summary>
public readonly record struct Temperature : IComparable<Temperature>
{
    /// <summary>Absolute zero in degrees Celsius (definition of the Celsius scale, SI Brochure).</summary>
    public const double AbsoluteZeroCelsius = -273.15;

    private Temperature(double celsius) => Celsius = celsius;

    /// <summary>Degrees Celsius.</summary>
    public double Celsius { get; }

    /// <summary>Degrees Fahrenheit: C * 9/5 + 32, exact by definition.</summary>
    public double Fahrenheit => (Celsius * 9 / 5) + 32;

    /// <summary>Makes a temperature from degrees Celsius.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Below absolute zero, or not a finite number.</exception>
    public static Temperature FromCelsius(double celsius) =>
        double.IsFinite(celsius) && celsius >= AbsoluteZeroCelsius
            ? new Temperature(celsius)
            : throw new ArgumentOutOfRangeException(nameof(celsius), celsius, "A temperature lies at or above absolute zero.");

    /// <summary>Makes a temperature from degrees Fahrenheit.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Below absolute zero, or not a finite number.</exception>
    public static Temperature FromFahrenheit(double fahrenheit) => FromCelsius((fahrenheit - 32) * 5 / 9);

    /// <summary>
    /// The mark on a Fahrenheit dial nearest to this temperature. Dials are marked in steps of 25 F (common practice, no source).
    /// </summary>
    public int FahrenheitDial => (int)Math.Round(Fahrenheit / 25) * 25;

    /// <summary>The mark on a Celsius dial nearest to this temperature, in steps of 5 C (common practice, no source).</summary>
    public int CelsiusDial => (int)Math.Round(Celsius / 5) * 5;

    /// <inheritdoc />
    public int CompareTo(Temperature other) => Celsius.CompareTo(other.Celsius);

    /// <summary>Whether <paramref name="left"/> is colder.</summary>
    public static bool operator <(Temperature left, Temperature right) => left.Celsius < right.Celsius;

    /// <summary>Whether <paramref name="left"/> is hotter.</summary>
    public static bool operator >(Temperature left, Temperature right) => left.Celsius > right.Celsius;

    /// <summary>Whether <paramref name="left"/> is colder or equal.</summary>
    public static bool operator <=(Temperature left, Temperature right) => left.Celsius <= right.Celsius;

    /// <summary>Whether <paramref name="left"/> is hotter or equal.</summary>
    public static bool operator >=(Temperature left, Temperature right) => left.Celsius >= right.Celsius;

    /// <inheritdoc />
    public override string ToString() => $"{Celsius:0.#} °C";
}
