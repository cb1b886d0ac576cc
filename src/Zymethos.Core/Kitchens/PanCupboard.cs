using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Kitchens;

/// <summary>So many of a pan.</summary>
/// <param name="Pan">The pan.</param>
/// <param name="Count">How many there are, 1 to 24.</param>
public sealed record PanStock(Pan Pan, int Count);

/// <summary>The pans a kitchen is taken to have until it says otherwise. Sizes are those that are sold everywhere (common practice, no
/// source).</summary>
public static class PanCupboard
{
    /// <summary>Ordinary pans, not many of each.</summary>
    public static ImmutableArray<PanStock> Ordinary { get; } =
    [
        new(Loaf(23, 13, 7.5), 2),
        new(Loaf(21.5, 11.5, 6.5), 2),
        new(Loaf(14.5, 8, 5.5), 4),
        new(Square(20), 1),
        new(Square(23), 1),
        new(new Pan("oblong pan 33 × 23 cm", Cm(33), Cm(23)) { Shape = PanShape.Rectangle, Depth = Cm(5) }, 1),
        new(Round(20), 3),
        new(Round(23), 2),
        new(new Pan("springform 23 cm", Cm(23), Cm(23)) { Shape = PanShape.Springform, Depth = Cm(6.5) }, 1),
        new(new Pan("fluted ring 22 cm", Cm(22), Cm(22)) { Shape = PanShape.Ring, Depth = Cm(8) }, 1),
        new(new Pan("fluted ring 25 cm", Cm(25.5), Cm(25.5)) { Shape = PanShape.Ring, Depth = Cm(9) }, 1),
        new(
            new Pan("muffin tin, 12 cups", Cm(35), Cm(27))
            {
                Shape = PanShape.Muffin,
                Depth = Cm(3.5),
                Cups = 12,
                CupWidth = Cm(7),
            },
            1
        ),
        new(
            new Pan("muffin tin, 6 large cups", Cm(32), Cm(22))
            {
                Shape = PanShape.Muffin,
                Depth = Cm(4.5),
                Cups = 6,
                CupWidth = Cm(9.5),
            },
            1
        ),
        new(new Pan("quarter-sheet tray", Cm(33), Cm(24)), 2),
    ];

    /// <summary>The same pans named by the inches they are sold in, for a kitchen of cups and Fahrenheit.</summary>
    private static ImmutableArray<PanStock> InInches { get; } =
    [
        .. Ordinary.Zip(
            (string[])
                [
                    "loaf pan 9 × 5 in",
                    "loaf pan 8½ × 4½ in",
                    "loaf pan 5¾ × 3¼ in",
                    "square pan 8 in",
                    "square pan 9 in",
                    "oblong pan 13 × 9 in",
                    "round pan 8 in",
                    "round pan 9 in",
                    "springform 9 in",
                    "fluted ring 8¾ in",
                    "fluted ring 10 in",
                    "muffin tin, 12 cups",
                    "muffin tin, 6 large cups",
                    "quarter-sheet tray",
                ],
            (stock, name) => stock with { Pan = stock.Pan with { Name = name } }
        ),
    ];

    /// <summary>An ordinary cupboard as a kitchen of those measures names it.</summary>
    public static ImmutableArray<PanStock> For(MeasuringHabit habit) => habit == MeasuringHabit.UsCustomary ? InInches : Ordinary;

    private static Length Cm(double centimetres) => Length.FromMillimetres(centimetres * 10);

    private static Pan Loaf(double length, double width, double depth) =>
        new($"loaf pan {Short(length)} × {Short(width)} cm", Cm(length), Cm(width)) { Shape = PanShape.Loaf, Depth = Cm(depth) };

    private static Pan Square(double side) =>
        new($"square pan {Short(side)} cm", Cm(side), Cm(side)) { Shape = PanShape.Rectangle, Depth = Cm(5) };

    private static Pan Round(double across) =>
        new($"round pan {Short(across)} cm", Cm(across), Cm(across)) { Shape = PanShape.Round, Depth = Cm(5) };

    private static string Short(double value) => value.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture);
}
