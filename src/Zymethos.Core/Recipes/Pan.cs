using Zymethos.Core.Measures;

namespace Zymethos.Core.Recipes;

/// <summary>The inside of a pan.</summary>
public enum PanShape
{
    /// <summary>A flat tray: it holds no batter.</summary>
    Tray,

    /// <summary>A loaf pan: long, with leaning walls.</summary>
    Loaf,

    /// <summary>Square or oblong.</summary>
    Rectangle,

    /// <summary>Round.</summary>
    Round,

    /// <summary>Round, with a side that opens.</summary>
    Springform,

    /// <summary>A fluted ring with a tube in the middle.</summary>
    Ring,

    /// <summary>A tin of cups.</summary>
    Muffin,
}

/// <summary>A pan or tray: its outer footprint, the room it takes on an oven shelf, and its inside.</summary>
/// <param name="Name">What a baker calls it ("loaf pan 23 x 13 cm").</param>
/// <param name="Length">The longer side; for a tin of cups that of the whole tin.</param>
/// <param name="Width">The shorter side; for a round pan equal to <paramref name="Length"/>.</param>
public sealed record Pan(string Name, Length Length, Length Width)
{
    /// <summary>What its inside looks like.</summary>
    public PanShape Shape { get; init; } = PanShape.Tray;

    /// <summary>Inner depth; null when not known and for trays.</summary>
    public Length? Depth { get; init; }

    /// <summary>Cups in a tin; 1 for every other pan.</summary>
    public int Cups { get; init; } = 1;

    /// <summary>Width of a cup across its brim; null for every other pan.</summary>
    public Length? CupWidth { get; init; }
}
