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
/// <param name="SetTemperature">What the dial says; for <see cref="OvenState.Proof"/> the temperature wanted around the dough; for <see cref="OvenState.Off"/> what it said before.</param>
/// <param name="Pan">The pan or tray that goes in.</param>
/// <param name="Pans">How many of them go in together, at least 1.</param>
public sealed record OvenUse(OvenState State, Temperature SetTemperature, Pan Pan, int Pans)
{
    /// <summary>Where it wants to stand.</summary>
    public ShelfWish Shelf { get; init; }
}
