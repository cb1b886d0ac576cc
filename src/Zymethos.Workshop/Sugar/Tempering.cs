using System.Collections.Immutable;

namespace Zymethos.Workshop.Sugar;

/// <summary>The windows of temperature in which a chocolate is melted, cooled and worked so that it sets with a snap and a shine. Common
/// practice, no source: the maker's own figures on the packet come first.</summary>
/// <param name="Name">What chocolate.</param>
/// <param name="MeltFrom">Melted well from here, in degrees Celsius.</param>
/// <param name="MeltTo">Not hotter than this.</param>
/// <param name="CoolFrom">Cooled to here.</param>
/// <param name="CoolTo">To here.</param>
/// <param name="WorkFrom">Worked from here.</param>
/// <param name="WorkTo">Above this it is out of temper and begins anew.</param>
public sealed record Tempering(string Name, double MeltFrom, double MeltTo, double CoolFrom, double CoolTo, double WorkFrom, double WorkTo)
{
    /// <summary>Share of the chocolate that is held back, chopped, and stirred in to cool the rest.</summary>
    public const double HeldBack = 0.25;

    /// <summary>Dark, milk and white.</summary>
    public static readonly ImmutableArray<Tempering> All =
    [
        new("dark", 45, 50, 27, 29, 31, 32),
        new("milk", 43, 47, 26, 28, 29, 30),
        new("white", 40, 45, 25, 27, 28, 29),
    ];
}
