using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>How a pan takes the heat, as far as its name tells: dark metal browns a base sooner than bright metal, glass and stone are slow
/// to warm and slow to let go (common practice, no source).</summary>
public static class PanFinish
{
    private static readonly ImmutableArray<(string Finish, ImmutableArray<string> Words)> Known =
    [
        ("dark", ["dark", "black", "nonstick", "non-stick", "cast iron", "blued"]),
        ("glass", ["glass"]),
        ("stone", ["stone", "ceramic", "earthenware", "porcelain", "clay"]),
        ("shiny", ["shiny", "bright", "aluminium", "aluminum", "silver"]),
    ];

    /// <summary>All finishes, for choosing one by hand.</summary>
    public static ImmutableArray<string> Names { get; } = [.. Known.Select(k => k.Finish)];

    /// <summary>The finish that a pan's name tells; empty where it tells none.</summary>
    public static string Of(string pan) =>
        Known.FirstOrDefault(k => k.Words.Any(w => pan.Contains(w, StringComparison.OrdinalIgnoreCase))).Finish ?? "";
}
