namespace Zymethos.Core.Learning;

/// <summary>Something learned, as a factor on a time, with how sure it is. A value without state.</summary>
/// <param name="Mean">The logarithm of the factor, its most likely value; 0 for no change.</param>
/// <param name="Spread">Its standard deviation.</param>
/// <param name="Bakes">How many bakes stand behind it.</param>
public readonly record struct LearnedFactor(double Mean, double Spread, int Bakes)
{
    // Standard normal quantile of 0.95: nine of ten lie between both (Abramowitz and Stegun, table 26.5).
    private const double NineOfTen = 1.6448536;

    /// <summary>The factor: 0.92 for 8 % sooner.</summary>
    public double Factor => Math.Exp(Mean);

    /// <summary>The lower end of the band in which it lies with nine chances of ten.</summary>
    public double Low => Math.Exp(Mean - (NineOfTen * Spread));

    /// <summary>Its upper end.</summary>
    public double High => Math.Exp(Mean + (NineOfTen * Spread));

    /// <summary>Whether the band leaves no doubt on which side of the plan it lies.</summary>
    public bool IsSure => Low > 1 || High < 1;
}
