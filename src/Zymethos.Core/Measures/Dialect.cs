namespace Zymethos.Core.Measures;

/// <summary>Where a recipe's words come from: decides what a pint, a cup, an egg and a bare oven heat are.</summary>
public enum Dialect
{
    /// <summary>North America: cups of 237 mL, pints of 473 mL, heats in Fahrenheit, US egg classes.</summary>
    American,

    /// <summary>Britain and Ireland: pints of 568 mL, heats in Celsius or gas marks, UK egg classes.</summary>
    British,

    /// <summary>The Continent: grams and decilitres, heats in Celsius, EU egg classes.</summary>
    Metric,

    /// <summary>Australia and New Zealand: cups of 250 mL, tablespoons of 20 mL, heats in Celsius.</summary>
    Australian,
}
