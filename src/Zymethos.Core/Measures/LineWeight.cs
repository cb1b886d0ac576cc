namespace Zymethos.Core.Measures;

/// <summary>
/// What a line weighs. A weight that is given wins; a volume is weighed by ingredient and form; pieces by their size. Where a line gives
/// both a weight and a volume they are compared, and more than 10 % apart is reported.
/// </summary>
public static class LineWeight
{
    /// <summary>How far a weight and a volume of the same line may lie apart before it is said.</summary>
    public const double Tolerance = 0.10;

    /// <summary>The weight; null when it cannot be known. Adds what is doubtful to <paramref name="doubts"/>.</summary>
    public static Mass? Of(
        IReadOnlyList<ReadAmount> amounts,
        Ingredient? ingredient,
        IReadOnlyList<string> forms,
        string size,
        List<string> doubts,
        Dialect dialect = Dialect.American
    )
    {
        if (amounts.Count == 0)
            return null;
        var each = amounts.FirstOrDefault(a => a.Role == AmountRole.Each);
        // "2 packets (4 1/2 tsp) yeast": where packets of a known weight come to the same, the bracket says what they are together.
        if (
            each is not null
            && amounts[0] is { Role: AmountRole.Main } packs
            && Grams(packs, ingredient, forms, size, dialect) is { } packed
            && Grams(each, ingredient, forms, size, dialect) is { } whole
            && Math.Abs(whole - packed) < 0.15 * packed
        )
            each = null;
        var also = amounts.Where(a => a.Role == AmountRole.Also).Select(a => Grams(a, ingredient, forms, size, dialect)).ToList();
        double? main = amounts.Any(a => a.Role is AmountRole.Main or AmountRole.Plus or AmountRole.Minus) ? 0 : null;
        foreach (var amount in amounts.Where(a => a.Role is AmountRole.Main or AmountRole.Plus or AmountRole.Minus))
        {
            var grams =
                each is not null && amount.Role == AmountRole.Main
                    ? Grams(each, ingredient, forms, size, dialect) * Middle(amount)
                    : Grams(amount, ingredient, forms, size, dialect);
            main = amount.Role == AmountRole.Minus ? main - grams : main + grams;
        }

        var weighed = Weighed(amounts);
        // "juice of 1 orange (4 tbsp)": how much a fruit gives differs, and the bracket says it.
        if (
            weighed is null
            && amounts[0] is { Role: AmountRole.Main } whole1
            && whole1.Amount.Unit == MeasureUnit.Piece
            && amounts.FirstOrDefault(a => a.Role == AmountRole.Also && a.Amount.Unit.Dimension == UnitDimension.Volume) is { } poured
        )
            weighed = Grams(poured, ingredient, forms, size, dialect);
        if (weighed is { } w && Measured(amounts, ingredient, forms, size, dialect) is { } m && m > 0 && Math.Abs(w - m) / w > Tolerance)
            doubts.Add($"By weight this is {w:0} g, by measure about {m:0} g. The weight counts; is it right?");
        var result = weighed ?? main ?? also.FirstOrDefault(g => g is not null);
        return result is { } grams2 && grams2 >= 0 && double.IsFinite(grams2) ? Mass.FromGrams(grams2) : null;
    }

    /// <summary>Grams of one amount; null when they cannot be known.</summary>
    public static double? Grams(
        ReadAmount read,
        Ingredient? ingredient,
        IReadOnlyList<string> forms,
        string size,
        Dialect dialect = Dialect.American
    )
    {
        var count = Middle(read);
        var unit = read.Amount.Unit;
        switch (unit.Dimension)
        {
            case UnitDimension.Mass:
                return count * unit.Size;
            case UnitDimension.Volume:
                // Water weighs a gram the millilitre; what is unknown is not weighed as if it were water.
                return ingredient?.CupIn(forms) is { } cup ? count * unit.Size / MeasureUnit.Cup.Size * cup : null;
            default:
                // "10 walnut halves": 14 to the ounce, and 19 of pecans (USDA FoodData Central).
                if (unit == MeasureUnit.Piece && ingredient?.Pieces.TryGetValue("half", out var half) == true && forms.Contains("halves"))
                    return half * count;
                return ingredient is null ? null : PieceGrams(ingredient, unit, size, dialect) * count;
        }
    }

    private static double Middle(ReadAmount read) => (read.Amount.Low + read.Amount.High) / 2 * read.Fullness;

    private static double? PieceGrams(Ingredient ingredient, MeasureUnit unit, string size, Dialect dialect)
    {
        if (unit == MeasureUnit.Piece)
        {
            // An egg without a size is a large one in America and a medium one in Europe (common practice, no source).
            if (dialect != Dialect.American && ingredient.Pieces.TryGetValue($"uk-{(size.Length > 0 ? size : "medium")}", out var european))
                return european;
            if (size.Length > 0 && ingredient.Pieces.TryGetValue(size, out var sized))
                return sized;
            return ingredient.Pieces.TryGetValue("piece", out var piece) ? piece
                : ingredient.Pieces.TryGetValue("large", out var large) ? large
                : null;
        }

        if (ingredient.Pieces.TryGetValue(unit.Code, out var named))
            return named;
        if (
            unit == MeasureUnit.Packet
            && (
                ingredient.Pieces.TryGetValue("sachet", out var packed)
                || ingredient.Pieces.TryGetValue("cube", out packed)
                || ingredient.Pieces.TryGetValue("square", out packed)
                || ingredient.Pieces.TryGetValue("block", out packed)
            )
        )
            return packed;
        if (unit == MeasureUnit.Sheet && ingredient.Pieces.TryGetValue("leaf", out var leaf))
            return leaf;
        if (
            unit == MeasureUnit.Sprig
            && (ingredient.Pieces.TryGetValue("pod", out var pod) || ingredient.Pieces.TryGetValue("piece", out pod))
        )
            return pod;
        if (unit == MeasureUnit.Stick && ingredient.Pieces.TryGetValue("piece", out var stick))
            return stick;
        return null;
    }

    private static double? Weighed(IReadOnlyList<ReadAmount> amounts)
    {
        var main = amounts.FirstOrDefault(a => a.Role == AmountRole.Main);
        if (main is null)
            return null;
        if (main.Amount.Unit.Dimension == UnitDimension.Mass && amounts.All(a => a.Role is not (AmountRole.Plus or AmountRole.Minus)))
            return Middle(main) * main.Amount.Unit.Size;
        var also = amounts.FirstOrDefault(a => a.Role == AmountRole.Also && a.Amount.Unit.Dimension == UnitDimension.Mass);
        return also is null ? null : Middle(also) * also.Amount.Unit.Size;
    }

    private static double? Measured(
        IReadOnlyList<ReadAmount> amounts,
        Ingredient? ingredient,
        IReadOnlyList<string> forms,
        string size,
        Dialect dialect = Dialect.American
    )
    {
        var measured =
            amounts.FirstOrDefault(a => a.Role is AmountRole.Main or AmountRole.Also && a.Amount.Unit.Dimension == UnitDimension.Volume)
            ?? amounts.FirstOrDefault(a => a.Role == AmountRole.Main && a.Amount.Unit == MeasureUnit.Stick);
        return measured is null ? null : Grams(measured, ingredient, forms, size, dialect);
    }
}
