using Zymethos.Core.Measures;

namespace Zymethos.Core.Scaling;

/// <summary>Eggs for a weight of beaten egg. A large egg without its shell weighs 50 g, the white 33 g, the yolk 17 g (USDA FoodData
/// Central, from memory).</summary>
/// <param name="Whole">Whole large eggs.</param>
/// <param name="Yolks">Yolks besides.</param>
/// <param name="Whites">Whites besides.</param>
/// <param name="ErrorPercent">How far these lie from the weight wanted; negative when they weigh less.</param>
internal sealed record EggMeasure(int Whole, int Yolks, int Whites, double ErrorPercent)
{
    /// <summary>Grams of a large egg without its shell.</summary>
    public const double Egg = 50;

    /// <summary>Grams of its white.</summary>
    public const double White = 33;

    /// <summary>Grams of its yolk.</summary>
    public const double Yolk = 17;

    /// <summary>Eggs come out whole when whole ones lie this close, in percent.</summary>
    public const double WholeWithin = 5;

    /// <summary>The nearest eggs for a weight: whole ones within 5 %, else the nearest mix with up to two yolks or whites.</summary>
    public static EggMeasure For(Mass beaten)
    {
        var wanted = Math.Max(1, beaten.Grams);
        var whole = (int)Math.Round(wanted / Egg);
        if (whole > 0 && Math.Abs(Error(whole, 0, 0, wanted)) <= WholeWithin)
            return new EggMeasure(whole, 0, 0, Error(whole, 0, 0, wanted));
        return (
            from eggs in Enumerable.Range(Math.Max(0, whole - 1), 3)
            from extra in new (int Yolks, int Whites)[] { (0, 0), (1, 0), (2, 0), (0, 1), (0, 2), (1, 1) }
            where eggs + extra.Yolks + extra.Whites > 0
            let error = Error(eggs, extra.Yolks, extra.Whites, wanted)
            orderby Math.Abs(error) + (1.5 * (extra.Yolks + extra.Whites))
            select new EggMeasure(eggs, extra.Yolks, extra.Whites, error)
        ).First();
    }

    /// <summary>In words: "3 eggs", "1 egg + 1 yolk".</summary>
    public string ToText()
    {
        var words = new List<string>();
        if (Whole > 0)
            words.Add($"{Whole} {(Whole == 1 ? "egg" : "eggs")}");
        if (Yolks > 0)
            words.Add($"{Yolks} {(Yolks == 1 ? "yolk" : "yolks")}");
        if (Whites > 0)
            words.Add($"{Whites} {(Whites == 1 ? "white" : "whites")}");
        return string.Join(" + ", words);
    }

    private static double Error(int whole, int yolks, int whites, double wanted) =>
        100 * ((whole * Egg) + (yolks * Yolk) + (whites * White) - wanted) / wanted;
}
