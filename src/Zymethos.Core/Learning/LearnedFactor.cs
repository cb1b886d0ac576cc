namespace Zymethos.Core.Learning;

/// <summary>Something learned, as a factor on a time, with how sure it is. A value without state.</summary>
/// <param name="Mean">The logarithm of the factor, its most likely value; 0 for no change.</param>
/// <param name="Spread">Its standard deviation.</param>
/// <param name="Bakes">How many bakes stand behind it.</param>
public readonly record struct LearnedFactor(double Mean, double Spread, int Bakes)
{
    /// <summary>Standard normal quantile of 0.95: nine of ten lie between both (Abramowitz and Stegun, table 26.5).</summary>
    public const double NineOfTen = 1.6448536;

    /// <summary>The factor of a value that is kept with its band.</summary>
    /// <param name="factor">Most likely value, above zero.</param>
    /// <param name="low">Lower end of the band of nine chances in ten, above zero.</param>
    /// <param name="high">Its upper end.</param>
    /// <param name="count">How many times it was seen.</param>
    public static LearnedFactor Of(double factor, double low, double high, int count) =>
        new(Math.Log(factor), Math.Log(high / low) / 2 / NineOfTen, count);

    /// <summary>The factor: 0.92 for 8 % sooner.</summary>
    public double Factor => Math.Exp(Mean);

    /// <summary>The lower end of the band in which it lies with nine chances of ten.</summary>
    public double Low => Math.Exp(Mean - (NineOfTen * Spread));

    /// <summary>Its upper end.</summary>
    public double High => Math.Exp(Mean + (NineOfTen * Spread));

    /// <summary>Whether the band leaves no doubt on which side of the plan it lies.</summary>
    public bool IsSure => Low > 1 || High < 1;
}
