using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Workshop.Calculators;

/// <summary>The fields of a pan, and the pan that is read from them.</summary>
internal static class PanFields
{
    private static readonly (string Word, string Says)[] Shapes =
    [
        ("round", "round"),
        ("springform", "springform"),
        ("rectangle", "square or oblong"),
        ("loaf", "loaf pan"),
        ("ring", "fluted ring"),
        ("muffin", "tin of cups"),
    ];

    private static readonly (string Word, string Says)[] Kinds =
    [
        ("LayerCake", "layer cake"),
        ("QuickLoaf", "quick loaf, butter cake"),
        ("RingCake", "ring cake"),
        ("FruitCake", "fruit cake"),
        ("Muffins", "muffins"),
        ("Bread", "bread"),
    ];

    /// <summary>What is baked.</summary>
    public static CalculatorField Kind => CalculatorField.Choice("kind", "It is a", Kinds);

    /// <summary>What is baked, as chosen.</summary>
    public static RecipeKind KindOf(AskedValues asked) => Enum.Parse<RecipeKind>(asked.Chosen("kind"));

    /// <summary>Fields of a pan whose names begin with a letter.</summary>
    /// <param name="letter">"a" or "b".</param>
    /// <param name="group">The heading above them.</param>
    /// <param name="shape">The shape that is chosen at first.</param>
    /// <param name="length">Length or width across at first.</param>
    /// <param name="width">Width at first.</param>
    /// <param name="depth">Depth at first.</param>
    public static IEnumerable<CalculatorField> Of(string letter, string group, string shape, string length, string width, string depth) =>
        [
            CalculatorField.Choice(
                $"{letter}shape",
                "Shape",
                [.. Shapes.Where(s => s.Word == shape), .. Shapes.Where(s => s.Word != shape)]
            ) with
            {
                Group = group,
            },
            CalculatorField.Length($"{letter}long", "Across, or long", length, 20, 900),
            CalculatorField.Length($"{letter}wide", "Wide", width, 20, 900) with
            {
                IsOptional = true,
                Hint = "empty where round or square",
            },
            CalculatorField.Length($"{letter}deep", "Deep", depth, 5, 400),
            CalculatorField.Count($"{letter}count", "Pans, or cups", "1", "", 1, 60),
        ];

    /// <summary>The pan, and how many of it are filled; a tin of cups counts its cups, each as wide as what is typed as across.</summary>
    public static (Pan Pan, int Count) Read(AskedValues asked, string letter)
    {
        var (across, wide, deep) = (asked.Value($"{letter}long"), asked.Maybe($"{letter}wide"), asked.Value($"{letter}deep"));
        var count = asked.Count($"{letter}count");
        var word = asked.Chosen($"{letter}shape");
        var shape = Enum.Parse<PanShape>(word, ignoreCase: true);
        var says = Shapes.First(s => s.Word == word).Says;
        var acrossIt = Length.FromMillimetres(across);
        if (shape == PanShape.Muffin)
            return (
                new Pan($"{says}, {Told.Number(across / 10)} cm", Length.FromMillimetres(across * count), acrossIt)
                {
                    Shape = shape,
                    Depth = Length.FromMillimetres(deep),
                    Cups = count,
                    CupWidth = acrossIt,
                },
                1
            );
        var other = shape is PanShape.Rectangle or PanShape.Loaf ? Length.FromMillimetres(wide ?? across) : acrossIt;
        var size = shape is PanShape.Rectangle or PanShape.Loaf
            ? $"{Told.Number(across / 10)} by {Told.Number(other.Millimetres / 10)} cm"
            : $"{Told.Number(across / 10)} cm";
        return (
            new Pan($"{says} pan {size}".Replace("loaf pan pan", "loaf pan", StringComparison.Ordinal), acrossIt, other)
            {
                Shape = shape,
                Depth = Length.FromMillimetres(deep),
            },
            count
        );
    }

    /// <summary>Pans cut through, to scale, with batter in them.</summary>
    /// <param name="says">What it shows.</param>
    /// <param name="fits">The pans.</param>
    public static PlanSketch Sketch(string says, params PanFit[] fits)
    {
        const double Apart = 30;
        var shapes = ImmutableArray.CreateBuilder<SketchShape>();
        var words = ImmutableArray.CreateBuilder<(double, double, string)>();
        var tall = fits.Max(f => f.Pan.Depth!.Value.Millimetres);
        var left = 0.0;
        foreach (var fit in fits)
        {
            var depth = fit.Pan.Depth!.Value.Millimetres;
            var brim = PanVolume.Across(fit.Pan, depth).Length;
            var middle = left + (brim / 2);
            shapes.Add(Cut(fit.Pan, middle, tall, fit.Height.Millimetres, SketchFill.Dough));
            shapes.Add(Cut(fit.Pan, middle, tall, depth, SketchFill.None) with { IsClosed = false });
            words.Add((middle, tall - Math.Max(4, fit.Height.Millimetres / 2), $"{Told.Number(fit.Height.Millimetres / 10)} cm"));
            left += brim + Apart;
        }

        return new PlanSketch(says, left - Apart, tall, shapes.ToImmutable()) { Words = words.ToImmutable() };
    }

    private static SketchShape Cut(Pan pan, double middle, double foot, double height, SketchFill fill)
    {
        var (top, bottom) = (PanVolume.Across(pan, height).Length / 2, PanVolume.Across(pan, 0).Length / 2);
        return new([(middle - top, foot - height), (middle - bottom, foot), (middle + bottom, foot), (middle + top, foot - height)], fill);
    }
}
