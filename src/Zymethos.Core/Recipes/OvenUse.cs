using Zymethos.Core.Measures;

namespace Zymethos.Core.Recipes;

/// <summary>What state of the oven a step needs.</summary>
public enum OvenState
{
    /// <summary>Hot, at the set temperature.</summary>
    Bake,

    /// <summary>Cold with a pan of hot water: a warm, damp cupboard for dough (the oven-proof spell).</summary>
    Proof,
}

/// <summary>What a step wants of the oven.</summary>
/// <param name="State">Hot, or as a cupboard for dough.</param>
/// <param name="SetTemperature">What the dial says; for <see cref="OvenState.Proof"/> the temperature wanted around the dough.</param>
/// <param name="Pan">The pan or tray that goes in.</param>
/// <param name="Pans">How many of them go in together, at least 1.</param>
public sealed record OvenUse(OvenState State, Temperature SetTemperature, Pan Pan, int Pans);
