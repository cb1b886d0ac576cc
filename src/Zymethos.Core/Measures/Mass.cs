namespace Zymethos.Core.Measures;

/// <summary>A mass. Stored in grams; never negative.</summary>
public readonly record struct Mass
{
    /// <summary>Grams in an avoirdupois pound, exact (NIST Handbook 44, appendix C).</summary>
    public const double GramsPerPound = 453.59237;

    /// <summary>Grams in an avoirdupois ounce, exact: a sixteenth of a pound.</summary>
    public const double GramsPerOunce = GramsPerPound / 16;

    private Mass(double grams) => Grams = grams;

    /// <summary>Grams.</summary>
    public double Grams { get; }

    /// <summary>Makes a mass from grams.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Negative, or not a finite number.</exception>
    public static Mass FromGrams(double grams) =>
        double.IsFinite(grams) && grams >= 0
            ? new Mass(grams)
            : throw new ArgumentOutOfRangeException(nameof(grams), grams, "A mass is zero or more.");

    /// <summary>Sum of two masses.</summary>
    public static Mass operator +(Mass left, Mass right) => new(left.Grams + right.Grams);

    /// <summary>A mass taken so many times.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The factor is negative or not finite.</exception>
    public static Mass operator *(Mass mass, double factor) => FromGrams(mass.Grams * factor);

    /// <inheritdoc />
    public override string ToString() => Grams < 10 ? $"{Grams:0.#} g" : $"{Grams:0} g";
}
