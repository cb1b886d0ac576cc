namespace Zymethos.Core.Measures;

/// <summary>What kind of thing a unit counts.</summary>
public enum UnitDimension
{
    /// <summary>Weighed: convertible to grams.</summary>
    Mass,

    /// <summary>Measured by volume: convertible to millilitres.</summary>
    Volume,

    /// <summary>Counted: eggs, lemons, packets.</summary>
    Count,
}

/// <summary>
/// A unit that a recipe line may use, with its exact size. US customary volumes are those of NIST Handbook 44, appendix C (the US gallon is
/// 231 cubic inches; a cup is a sixteenth of it).
/// </summary>
public sealed record MeasureUnit
{
    private MeasureUnit(string code, string singular, string plural, UnitDimension dimension, double size)
    {
        Code = code;
        Singular = singular;
        Plural = plural;
        Dimension = dimension;
        Size = size;
    }

    /// <summary>Gram.</summary>
    public static readonly MeasureUnit Gram = new("g", "g", "g", UnitDimension.Mass, 1);

    /// <summary>Kilogram, 1000 g.</summary>
    public static readonly MeasureUnit Kilogram = new("kg", "kg", "kg", UnitDimension.Mass, 1000);

    /// <summary>Avoirdupois ounce, 28.349523125 g.</summary>
    public static readonly MeasureUnit Ounce = new("oz", "oz", "oz", UnitDimension.Mass, Mass.GramsPerOunce);

    /// <summary>Avoirdupois pound, 453.59237 g.</summary>
    public static readonly MeasureUnit Pound = new("lb", "lb", "lb", UnitDimension.Mass, Mass.GramsPerPound);

    /// <summary>Millilitre.</summary>
    public static readonly MeasureUnit Millilitre = new("ml", "mL", "mL", UnitDimension.Volume, 1);

    /// <summary>US teaspoon, 4.92892159375 mL.</summary>
    public static readonly MeasureUnit Teaspoon = new("tsp", "tsp", "tsp", UnitDimension.Volume, 4.92892159375);

    /// <summary>US tablespoon, three teaspoons, 14.78676478125 mL.</summary>
    public static readonly MeasureUnit Tablespoon = new("tbsp", "tbsp", "tbsp", UnitDimension.Volume, 14.78676478125);

    /// <summary>US fluid ounce, 29.5735295625 mL.</summary>
    public static readonly MeasureUnit FluidOunce = new("fl-oz", "fl oz", "fl oz", UnitDimension.Volume, 29.5735295625);

    /// <summary>US cup, 236.5882365 mL.</summary>
    public static readonly MeasureUnit Cup = new("cup", "cup", "cups", UnitDimension.Volume, 236.5882365);

    /// <summary>A pinch, taken as a sixteenth of a teaspoon (common practice, no source).</summary>
    public static readonly MeasureUnit Pinch = new("pinch", "pinch", "pinches", UnitDimension.Volume, 4.92892159375 / 16);

    /// <summary>Litre, 1000 mL.</summary>
    public static readonly MeasureUnit Litre = new("l", "L", "L", UnitDimension.Volume, 1000);

    /// <summary>Decilitre, 100 mL.</summary>
    public static readonly MeasureUnit Decilitre = new("dl", "dL", "dL", UnitDimension.Volume, 100);

    /// <summary>Centilitre, 10 mL.</summary>
    public static readonly MeasureUnit Centilitre = new("cl", "cL", "cL", UnitDimension.Volume, 10);

    /// <summary>US pint, two cups, 473.176473 mL.</summary>
    public static readonly MeasureUnit Pint = new("pint", "pint", "pints", UnitDimension.Volume, 473.176473);

    /// <summary>US quart, four cups, 946.352946 mL.</summary>
    public static readonly MeasureUnit Quart = new("quart", "quart", "quarts", UnitDimension.Volume, 946.352946);

    /// <summary>Stick of butter, half a US cup by volume and four ounces by weight; its weight is taken from the ingredient.</summary>
    public static readonly MeasureUnit Stick = new("stick", "stick", "sticks", UnitDimension.Count, 1);

    /// <summary>A dash, taken as an eighth of a teaspoon (common practice, no source).</summary>
    public static readonly MeasureUnit Dash = new("dash", "dash", "dashes", UnitDimension.Volume, 4.92892159375 / 8);

    /// <summary>A smidgen, taken as a thirty-second of a teaspoon (common practice, no source).</summary>
    public static readonly MeasureUnit Smidgen = new("smidgen", "smidgen", "smidgens", UnitDimension.Volume, 4.92892159375 / 32);

    /// <summary>A handful, taken as 80 mL (a habit, no source).</summary>
    public static readonly MeasureUnit Handful = new("handful", "handful", "handfuls", UnitDimension.Volume, 80);

    /// <summary>Imperial fluid ounce, 28.4130625 mL (NIST SP 811, from memory).</summary>
    public static readonly MeasureUnit ImperialFluidOunce = new("fl-oz-uk", "UK fl oz", "UK fl oz", UnitDimension.Volume, 28.4130625);

    /// <summary>Imperial pint, 568.26125 mL.</summary>
    public static readonly MeasureUnit ImperialPint = new("pint-uk", "UK pint", "UK pints", UnitDimension.Volume, 568.26125);

    /// <summary>Metric cup, 250 mL.</summary>
    public static readonly MeasureUnit MetricCup = new("cup-metric", "metric cup", "metric cups", UnitDimension.Volume, 250);

    /// <summary>Australian tablespoon, 20 mL.</summary>
    public static readonly MeasureUnit AustralianTablespoon = new("tbsp-au", "AU tbsp", "AU tbsp", UnitDimension.Volume, 20);

    /// <summary>US gill, a quarter of a pint, 118.29411825 mL.</summary>
    public static readonly MeasureUnit Gill = new("gill", "gill", "gills", UnitDimension.Volume, 473.176473 / 4);

    /// <summary>Imperial gill, a quarter of an imperial pint, 142.0653125 mL.</summary>
    public static readonly MeasureUnit ImperialGill = new("gill-uk", "UK gill", "UK gills", UnitDimension.Volume, 568.26125 / 4);

    /// <summary>Dessertspoon, two teaspoons, 10 mL (a habit, no source).</summary>
    public static readonly MeasureUnit Dessertspoon = new("dessertspoon", "dessertspoon", "dessertspoons", UnitDimension.Volume, 10);

    /// <summary>Mug, taken as 300 ml (a habit, no source).</summary>
    public static readonly MeasureUnit Mug = new("mug", "mug", "mugs", UnitDimension.Volume, 300);

    /// <summary>Teacup, taken as an imperial gill (a habit, no source).</summary>
    public static readonly MeasureUnit Teacup = new("teacup", "teacup", "teacups", UnitDimension.Volume, 568.26125 / 4);

    /// <summary>Wineglass, taken as 60 mL (a habit, no source).</summary>
    public static readonly MeasureUnit Wineglass = new("wineglass", "wineglass", "wineglasses", UnitDimension.Volume, 60);

    /// <summary>A splash or drizzle, taken as a teaspoon (a habit, no source).</summary>
    public static readonly MeasureUnit Splash = new("splash", "splash", "splashes", UnitDimension.Volume, 5);

    /// <summary>A knob of butter; its weight is taken from the ingredient.</summary>
    public static readonly MeasureUnit Knob = new("knob", "knob", "knobs", UnitDimension.Count, 1);

    /// <summary>A pod, stick or sprig of a spice or herb; its weight is taken from the ingredient.</summary>
    public static readonly MeasureUnit Sprig = new("sprig", "sprig", "sprigs", UnitDimension.Count, 1);

    /// <summary>A punnet of berries as it is sold; its weight is taken from the ingredient.</summary>
    public static readonly MeasureUnit Punnet = new("punnet", "punnet", "punnets", UnitDimension.Count, 1);

    /// <summary>Measures that are a habit rather than a measure: what they weigh is shown as a guess.</summary>
    public bool IsHabit =>
        this == Handful || this == Mug || this == Teacup || this == Wineglass || this == Splash || this == Knob || this == Dessertspoon;

    /// <summary>A piece: an egg, a lemon.</summary>
    public static readonly MeasureUnit Piece = new("piece", "", "", UnitDimension.Count, 1);

    /// <summary>A packet as it is sold.</summary>
    public static readonly MeasureUnit Packet = new("packet", "packet", "packets", UnitDimension.Count, 1);

    /// <summary>A can as it is sold.</summary>
    public static readonly MeasureUnit Can = new("can", "can", "cans", UnitDimension.Count, 1);

    /// <summary>A jar as it is sold.</summary>
    public static readonly MeasureUnit Jar = new("jar", "jar", "jars", UnitDimension.Count, 1);

    /// <summary>A slice.</summary>
    public static readonly MeasureUnit Slice = new("slice", "slice", "slices", UnitDimension.Count, 1);

    /// <summary>A sheet or leaf (gelatine, pastry).</summary>
    public static readonly MeasureUnit Sheet = new("sheet", "sheet", "sheets", UnitDimension.Count, 1);

    /// <summary>A drop, taken as a twentieth of a millilitre (a habit, no source).</summary>
    public static readonly MeasureUnit Drop = new("drop", "drop", "drops", UnitDimension.Volume, 0.05);

    /// <summary>Every unit.</summary>
    public static IReadOnlyList<MeasureUnit> All { get; } =
    [
        Gram,
        Kilogram,
        Ounce,
        Pound,
        Millilitre,
        Centilitre,
        Decilitre,
        Litre,
        Teaspoon,
        Tablespoon,
        FluidOunce,
        Cup,
        Pint,
        Quart,
        Pinch,
        Dash,
        Smidgen,
        Stick,
        Piece,
        Packet,
        Can,
        Jar,
        Slice,
        Sheet,
        Drop,
        Handful,
        ImperialFluidOunce,
        ImperialPint,
        MetricCup,
        AustralianTablespoon,
        Gill,
        ImperialGill,
        Dessertspoon,
        Mug,
        Teacup,
        Wineglass,
        Splash,
        Knob,
        Sprig,
        Punnet,
    ];

    /// <summary>The name used in documents: lower case, never empty.</summary>
    public string Code { get; }

    /// <summary>The word for one of them; empty for pieces.</summary>
    public string Singular { get; }

    /// <summary>The word for several; empty for pieces.</summary>
    public string Plural { get; }

    /// <summary>What it counts.</summary>
    public UnitDimension Dimension { get; }

    /// <summary>Grams or millilitres in one unit; 1 for counts.</summary>
    public double Size { get; }

    /// <summary>Finds a unit by its code. Null when there is none.</summary>
    public static MeasureUnit? Find(string code) => All.FirstOrDefault(u => string.Equals(u.Code, code, StringComparison.Ordinal));
}
