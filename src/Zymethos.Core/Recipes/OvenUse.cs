using Zymethos.Core.Measures;

namespace Zymethos.Core.Recipes;

/// <summary>What state of the oven a step needs.</summary>
public enum OvenState
{
    /// <summary>Hot, at the set temperature.</summary>
    Bake,

    /// <summary>Cold with a pan of hot water: a warm, damp cupboard for dough (the oven-proof spell).</summary>
    Proof,

    /// <summary>Turned off after the bake, with what was baked left in it to dry or cool.</summary>
    Off,
}

/// <summary>Which shelf a bake wants.</summary>
public enum ShelfWish
{
    /// <summary>Any will do.</summary>
    Any,

    /// <summary>The lowest, for heat from below.</summary>
    Low,

    /// <summary>The middle one, or one of the two in the middle.</summary>
    Middle,

    /// <summary>The top one, for colour.</summary>
    High,
}

/// <summary>What a step wants of the oven.</summary>
/// <param name="State">Hot, as a cupboard for dough, or turned off with something left in it.</param>
/// <param name="SetTemperature">What the dial says; for <see cref="OvenState.Proof"/> the temperature wanted around the dough; for
/// <see cref="OvenState.Off"/> what it said before.</param>
/// <param name="Pan">The pan or tray that goes in.</param>
/// <param name="Pans">How many of them go in together, at least 1.</param>
public sealed record OvenUse(OvenState State, Temperature SetTemperature, Pan Pan, int Pans)
{
    /// <summary>Where it wants to stand.</summary>
    public ShelfWish Shelf { get; init; }

    /// <summary>How far from <see cref="SetTemperature"/> the dial may stand, in degrees Celsius, 0 to <see cref="MostTolerance"/>; null
    /// where the recipe does not say.</summary>
    public double? Tolerance { get; init; }

    /// <summary>A recipe that bears more than so many degrees has no set temperature.</summary>
    public const double MostTolerance = 30;

    /// <summary>The sheet or tray on which the pans go in and come out, several at a time; null when they stand on the shelf by
    /// themselves.</summary>
    public Pan? Sheet { get; init; }

    /// <summary>What is set on the shelf, and how many of it: the pans themselves, or the sheets they travel on.</summary>
    public (Pan Pan, int Count) Load =>
        Sheet is { } sheet ? (sheet, (int)Math.Ceiling((double)Pans / Math.Max(1, OnSheet(sheet, Pan)))) : (Pan, Pans);

    /// <summary>How many of a pan stand on a sheet, in straight rows one way or the other; 0 when not even one does.</summary>
    public static int OnSheet(Pan sheet, Pan pan)
    {
        int Rows(Length across, Length deep) =>
            across.Millimetres <= 0 || deep.Millimetres <= 0
                ? 0
                : (int)Math.Floor((sheet.Length.Millimetres + 1e-6) / across.Millimetres)
                    * (int)Math.Floor((sheet.Width.Millimetres + 1e-6) / deep.Millimetres);
        return Math.Max(Rows(pan.Length, pan.Width), Rows(pan.Width, pan.Length));
    }
}
