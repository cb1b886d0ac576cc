namespace Zymethos.Core.Measures;

/// <summary>A length. Stored in millimetres; never negative.</summary>
public readonly record struct Length
{
    /// <summary>Millimetres in an inch, exact (international inch, NIST Handbook 44).</summary>
    public const double MillimetresPerInch = 25.4;

    private Length(double millimetres) => Millimetres = millimetres;

    /// <summary>Millimetres.</summary>
    public double Millimetres { get; }

    /// <summary>Inches.</summary>
    public double Inches => Millimetres / MillimetresPerInch;

    /// <summary>Makes a length from millimetres.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Negative, or not a finite number.</exception>
    public static Length FromMillimetres(double millimetres) =>
        double.IsFinite(millimetres) && millimetres >= 0
            ? new Length(millimetres)
            : throw new ArgumentOutOfRangeException(nameof(millimetres), millimetres, "A length is zero or more.");

    /// <summary>Makes a length from inches.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Negative, or not a finite number.</exception>
    public static Length FromInches(double inches) => FromMillimetres(inches * MillimetresPerInch);

    /// <inheritdoc />
    public override string ToString() => $"{Millimetres / 10:0.#} cm";
}
