using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>What is typed into a field.</summary>
public enum FieldKind
{
    /// <summary>A plain number.</summary>
    Number,

    /// <summary>A temperature, read in degrees Celsius; Fahrenheit with its letter, or where only that can be meant.</summary>
    Heat,

    /// <summary>A weight, read in grams.</summary>
    Weight,

    /// <summary>A volume, read in millilitres.</summary>
    Volume,

    /// <summary>A length, read in millimetres; a bare number is in centimetres.</summary>
    Length,

    /// <summary>A length of time, read in minutes; a bare number is in the field's own unit.</summary>
    Time,

    /// <summary>A time of day, read in minutes after midnight.</summary>
    Clock,

    /// <summary>One of several.</summary>
    Choice,

    /// <summary>Several lines of words.</summary>
    Lines,
}

/// <summary>A thing that is asked for.</summary>
/// <param name="Name">Its name in the address: lower case letters and digits.</param>
/// <param name="Label">What stands beside it.</param>
/// <param name="Kind">How it is read.</param>
/// <param name="First">What stands in it at first; empty for a field that may stay empty.</param>
public sealed record CalculatorField(string Name, string Label, FieldKind Kind, string First)
{
    /// <summary>Unit that stands behind it; empty for none.</summary>
    public string Unit { get; init; } = "";

    /// <summary>Least that is taken, in the unit of its kind.</summary>
    public double Least { get; init; }

    /// <summary>Most that is taken, in the unit of its kind.</summary>
    public double Most { get; init; } = double.MaxValue;

    /// <summary>Whether only whole numbers are taken.</summary>
    public bool IsWhole { get; init; }

    /// <summary>What can be chosen: the word in the address and what is read on the screen. Empty unless a choice.</summary>
    public ImmutableArray<(string Word, string Says)> Choices { get; init; } = [];

    /// <summary>Heading above it where a new group of fields begins; else empty.</summary>
    public string Group { get; init; } = "";

    /// <summary>A few words below it; empty for none.</summary>
    public string Hint { get; init; } = "";

    /// <summary>Whether it may stay empty.</summary>
    public bool IsOptional { get; init; }

    /// <summary>A number between two limits.</summary>
    public static CalculatorField Number(string name, string label, string first, string unit, double least, double most) =>
        new(name, label, FieldKind.Number, first)
        {
            Unit = unit,
            Least = least,
            Most = most,
        };

    /// <summary>A whole number between two limits.</summary>
    public static CalculatorField Count(string name, string label, string first, string unit, int least, int most) =>
        Number(name, label, first, unit, least, most) with
        {
            IsWhole = true,
        };

    /// <summary>A temperature between two limits in degrees Celsius.</summary>
    public static CalculatorField Heat(string name, string label, string first, double least, double most) =>
        new(name, label, FieldKind.Heat, first)
        {
            Unit = "°C or F",
            Least = least,
            Most = most,
        };

    /// <summary>A weight between two limits in grams.</summary>
    public static CalculatorField Weight(string name, string label, string first, double least, double most) =>
        new(name, label, FieldKind.Weight, first)
        {
            Unit = "g or oz",
            Least = least,
            Most = most,
        };

    /// <summary>A volume between two limits in millilitres.</summary>
    public static CalculatorField Volume(string name, string label, string first, double least, double most) =>
        new(name, label, FieldKind.Volume, first)
        {
            Unit = "ml or cups",
            Least = least,
            Most = most,
        };

    /// <summary>A length between two limits in millimetres.</summary>
    public static CalculatorField Length(string name, string label, string first, double least, double most) =>
        new(name, label, FieldKind.Length, first)
        {
            Unit = "cm or in",
            Least = least,
            Most = most,
        };

    /// <summary>A length of time between two limits in minutes.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="label">What stands beside it.</param>
    /// <param name="first">What stands in it at first.</param>
    /// <param name="unit">"min", "h" or "days": what a bare number counts.</param>
    /// <param name="least">Least minutes.</param>
    /// <param name="most">Most minutes.</param>
    public static CalculatorField Time(string name, string label, string first, string unit, double least, double most) =>
        new(name, label, FieldKind.Time, first)
        {
            Unit = unit,
            Least = least,
            Most = most,
        };

    /// <summary>One of several; the first is chosen at first.</summary>
    public static CalculatorField Choice(string name, string label, params (string Word, string Says)[] choices) =>
        new(name, label, FieldKind.Choice, choices[0].Word) { Choices = [.. choices] };
}
