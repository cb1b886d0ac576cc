namespace Zymethos.Core.Measures;

/// <summary>A volume. Stored in millilitres; never negative.</summary>
public readonly record struct Volume
{
    private Volume(double millilitres) => Millilitres = millilitres;

    /// <summary>Millilitres.</summary>
    public double Millilitres { get; }

    /// <summary>Makes a volume from millilitres.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Negative, or not a finite number.</exception>
    public static Volume FromMillilitres(double millilitres) =>
        double.IsFinite(millilitres) && millilitres >= 0
            ? new Volume(millilitres)
            : throw new ArgumentOutOfRangeException(nameof(millilitres), millilitres, "A volume is zero or more.");

    /// <inheritdoc />
    public override string ToString() => $"{Millilitres:0.#} mL";
}
