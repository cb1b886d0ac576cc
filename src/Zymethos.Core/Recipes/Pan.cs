using Zymethos.Core.Measures;

namespace Zymethos.Core.Recipes;

/// <summary>A pan or tray by its outer footprint, the room it takes on an oven shelf.</summary>
/// <param name="Name">What a baker calls it ("loaf pan 23 x 13 cm").</param>
/// <param name="Length">The longer side.</param>
/// <param name="Width">The shorter side; for a round pan equal to <paramref name="Length"/>.</param>
public sealed record Pan(string Name, Length Length, Length Width);
