namespace Zymethos.Core.Measures;

/// <summary>The amounts of a line: in front, behind, in brackets, of fruit.</summary>
internal sealed partial class LineReading
{
    /// <summary>Takes out what stands in brackets: an amount in another measure, a remark, or a trait.</summary>
    private List<string> TakeBrackets(string[] tokens)
    {
        var rest = new List<string>();
        for (var i = 0; i < tokens.Length; i++)
        {
            if (tokens[i] is not ("(" or "["))
            {
                if (tokens[i] is not (")" or "]"))
                    rest.Add(tokens[i]);
                continue;
            }

            var end = Array.FindIndex(tokens, i, t => t is ")" or "]");
            if (end < 0)
                end = tokens.Length;
            TakeBracket([.. tokens[(i + 1)..end]], rest);
            i = end;
        }

        return rest;
    }

    private void TakeBracket(List<string> inside, List<string> before)
    {
        if (inside.Count == 0)
            return;
        var quantity = new QuantityReader(inside, _knowledge.Dialect);
        if (
            quantity.Amount() is { HasUnit: true } amount
            && inside
                .Skip(quantity.At)
                .All(t =>
                    t
                        is "each"
                            or "total"
                            or ","
                            or "/"
                            or "or"
                            or "in"
                            or "about"
                            or "weight"
                            or "altogether"
                            or "together"
                            or "all"
                            or "approx"
                            or "peeled"
                            or "drained"
                            or "shelled"
                            or "pitted"
                            or "stoned"
                            or "net"
                            or "cored"
                            or "prepared"
                            or "squeezed"
                    || IsAmountWord(t)
                )
        )
        {
            // "2 cans (15 oz)" and "2 (15 oz) cans": that much in each. "2 sticks (8 oz)", "1 cup (120 g)": the same again.
            var counts =
                before.Count == 1
                || (
                    before.Count > 1
                    && UnitWords.Find(before[^1]) is { } unit
                    && (unit == MeasureUnit.Can || unit == MeasureUnit.Packet || unit == MeasureUnit.Jar || unit == MeasureUnit.Sheet)
                );
            var each = inside.Contains("each") || (counts && !inside.Contains("total") && !IsFewer(before));
            _amounts.Add(new ReadAmount(amount.Amount, each ? AmountRole.Each : AmountRole.Also, amount.Fullness));
            while (quantity.At < inside.Count)
            {
                // "(2 sheets, 17 oz)": the weight is that of all of it.
                if (quantity.Amount() is { HasUnit: true } more)
                    _amounts.Add(
                        new ReadAmount(
                            more.Amount,
                            each && amount.Amount.Unit != MeasureUnit.Sheet ? AmountRole.Each : AmountRole.Also,
                            more.Fullness
                        )
                    );
                else
                    quantity.At++;
            }

            return;
        }

        if (Match(inside) is { } whole && whole.Count == inside.Count)
            _explained = whole.Ingredient;
        TakeRemark(inside);
    }

    /// <summary>"1/2 cube (21 g)": a part of a packet is given whole in the bracket.</summary>
    private static bool IsFewer(List<string> before) =>
        before.Count > 1 && before[0].Contains('/', StringComparison.Ordinal) && before.Count == 2;

    private static bool IsAmountWord(string token) => UnitWords.Find(token) is not null || token.Any(char.IsDigit);

    /// <summary>A share of the flour in a baker's table ("100 % 1000 g") is a remark beside the weight.</summary>
    private void TakeColumns(List<string> tokens)
    {
        var at = tokens.FindIndex(t => t == "%");
        if (at < 1 || !double.TryParse(tokens[at - 1], System.Globalization.CultureInfo.InvariantCulture, out _))
            return;
        if (at + 1 >= tokens.Count || !char.IsAsciiDigit(tokens[at + 1][0]))
            return;
        _notes.Add($"{tokens[at - 1]} %");
        tokens.RemoveRange(at - 1, 2);
    }

    /// <summary>"zest of 1 lemon", "juice of half an orange", "grated rind and juice of 2 limes", "grated zest 1 lemon".</summary>
    private static bool IsPartOfFruit(List<string> tokens, QuantityReader quantity)
    {
        var of = FruitAt(tokens);
        if (of < 0)
            return false;
        var at = quantity.At;
        quantity.At = of;
        var found = quantity.Amount() is { HasUnit: false };
        quantity.At = at;
        return found;
    }

    /// <summary>Where the number of fruits stands behind the words for their zest or juice; -1 when there is none.</summary>
    private static int FruitAt(List<string> tokens)
    {
        for (var i = 1; i < Math.Min(tokens.Count - 1, 8); i++)
        {
            var before = tokens.Take(i).Where(t => t.ToLowerInvariant() is not ("of" or "from" or ",")).ToList();
            if (
                !before.TrueForAll(t =>
                    IsZest(t)
                    || IsJuice(t)
                    || IsPulp(t)
                    || t.ToLowerInvariant() is "the" or "and" or "&"
                    || LineWords.Forms.Contains(t.ToLowerInvariant())
                    || LineWords.Manner.Contains(t.ToLowerInvariant())
                )
            )
                return -1;
            if (
                before.Exists(t => IsZest(t) || IsJuice(t) || IsPulp(t))
                && (
                    char.IsAsciiDigit(tokens[i][0])
                    || tokens[i].ToLowerInvariant() is "one" or "two" or "three" or "four" or "half" or "a" or "an" or "quarter"
                )
            )
                return i;
        }

        return -1;
    }

    private static bool IsZest(string token) => token.ToLowerInvariant() is "zest" or "rind" or "peel" or "zests";

    private static bool IsJuice(string token) => token.ToLowerInvariant() is "juice" or "juices";

    private static bool IsPulp(string token) => token.ToLowerInvariant() is "pulp" or "flesh" or "seeds";

    private void TakeFruit(List<string> tokens, QuantityReader quantity)
    {
        var of = FruitAt(tokens);
        var before = tokens.Take(of).Where(t => t.ToLowerInvariant() is not ("of" or "from")).ToList();
        quantity.At = of;
        var numbers = quantity.Numbers()!.Value;
        if (quantity.At < tokens.Count && tokens[quantity.At].ToLowerInvariant() is "a" or "an")
            quantity.At++;
        _amounts.Insert(0, new ReadAmount(new Amount(numbers.Low, numbers.High, MeasureUnit.Piece), AmountRole.Main));
        _forms.AddRange(before.Where(t => LineWords.Forms.Contains(t.ToLowerInvariant())).Select(t => t.ToLowerInvariant()));
        _partOfFruit = [.. before.Where(t => IsZest(t) || IsJuice(t)).Select(t => IsZest(t) ? "zest" : "juice").Distinct()];
        // Words that are not repeated in the name: "finely", "rind".
        var said = string.Join(
            ' ',
            before.Where(t =>
                t.ToLowerInvariant() is not ("zest" or "juice" or "and" or "the" or "&") && !LineWords.Forms.Contains(t.ToLowerInvariant())
            )
        );
        if (said.Length > 0)
            _notes.Add(said);
    }

    private void NameFruit()
    {
        var fruit = _ingredient?.Name ?? _name.ToLowerInvariant();
        if (_name != fruit)
            _notes.Add(_name);
        _name = $"{fruit} {_partOfFruit[0]}";
        _ingredient = _knowledge.Find(_name);
        foreach (var part in _partOfFruit.Skip(1))
        {
            // Zest and juice of the same fruit are both wanted: the second is kept beside the first.
            _notes.Add($"and its {part}");
        }
    }

    /// <summary>Takes the amounts in front; false when there are none.</summary>
    private bool TakeAmounts(List<string> tokens, QuantityReader quantity)
    {
        if (quantity.Amount() is not { } main)
            return false;
        // "70 % chocolate", "180 °C": no count.
        if (!main.HasUnit && quantity.At < tokens.Count && tokens[quantity.At] is "%" or "°C" or "°F")
        {
            quantity.At = 0;
            return false;
        }

        var amount = main.Amount;
        var extra = _amounts.ToList();
        _amounts.Clear();
        // "2 x 400 g cans", "2 400 g cans", "1 14 oz can": how much is in each.
        var at = quantity.At;
        if (!main.HasUnit)
        {
            if (quantity.At < tokens.Count && tokens[quantity.At] is "x" or "X")
                quantity.At++;
            if (quantity.Amount() is { HasUnit: true } inner)
            {
                extra.Add(new ReadAmount(inner.Amount, AmountRole.Each, inner.Fullness));
                if (TakePackage(tokens, quantity) is { } package)
                    amount = amount with { Unit = package };
            }
            else
            {
                quantity.At = at;
            }
        }

        _amounts.Add(new ReadAmount(amount, AmountRole.Main, main.Fullness));
        _amounts.AddRange(extra);
        TakeMore(tokens, quantity);
        // "284 ml pot", "12 oz bag": the package only says how it is sold.
        if (
            main.HasUnit
            && amount.Unit.Dimension != UnitDimension.Count
            && quantity.At < tokens.Count - 1
            && TakePackage(tokens, quantity) is { } sold
        )
            _notes.Add($"one {sold.Singular}");
        return true;
    }

    private static MeasureUnit? TakePackage(List<string> tokens, QuantityReader quantity)
    {
        if (quantity.At >= tokens.Count || UnitWords.Find(tokens[quantity.At]) is not { Dimension: UnitDimension.Count } package)
            return null;
        if (
            package != MeasureUnit.Packet
            && package != MeasureUnit.Can
            && package != MeasureUnit.Jar
            && package != MeasureUnit.Punnet
            && package != MeasureUnit.Sheet
        )
            return null;
        quantity.At++;
        if (quantity.At < tokens.Count && tokens[quantity.At] is "of")
            quantity.At++;
        return package;
    }

    /// <summary>"Flour - 500 g", "cinnamon, 2 tsp", "Sugar 1 cup", "Eggs 6": the amount stands behind.</summary>
    private List<string> TakeTrailingAmount(List<string> tokens)
    {
        for (var i = 1; i < tokens.Count; i++)
        {
            var quantity = new QuantityReader(tokens, _knowledge.Dialect) { At = i };
            if (
                tokens[i] is "a" or "an" or "one"
                && !(i + 1 < tokens.Count && UnitWords.Find(tokens[i + 1]) is not null)
                && tokens[i - 1] is not ("," or "-")
            )
                continue;
            if (quantity.Amount() is not { } amount || amount.Amount.Low <= 0)
                continue;
            var name = tokens.Take(i).ToList();
            // A bare number counts only what comes in pieces: "type 550" and "T 45" are no counts.
            if (
                !amount.HasUnit
                && (
                    quantity.At < tokens.Count
                    || amount.Amount.High > 60
                    || Match(name) is not { } counted
                    || !counted.Ingredient.Pieces.Keys.Any(k => k is "piece" or "large" or "medium")
                )
            )
                continue;
            if (tokens[i - 1].ToLowerInvariant() is "type" or "no" or "in" or "to" or "plus" or "with" or "into")
                continue;
            if (Match(name) is null && CompoundIn(name) is null && amount.Amount.Unit.Dimension == UnitDimension.Count)
                continue;
            var extra = _amounts.ToList();
            _amounts.Clear();
            _amounts.Add(new ReadAmount(amount.Amount, AmountRole.Main, amount.Fullness));
            _amounts.AddRange(extra);
            TakeMore(tokens, quantity);
            while (name.Count > 0 && name[^1] is "," or "-" or ":" or "=" or ".")
                name.RemoveAt(name.Count - 1);
            var rest = tokens.Skip(quantity.At).ToList();
            if (rest.Count > 0 && rest[0] is not ("," or "-"))
                name.Add(",");
            return [.. name, .. rest];
        }

        return tokens;
    }

    /// <summary>Sums and second measures after the main amount.</summary>
    private void TakeMore(List<string> tokens, QuantityReader quantity)
    {
        while (quantity.At < tokens.Count)
        {
            var at = quantity.At;
            // "1 lb 4 oz" adds up; "225 g 8 oz" says the same again.
            if (
                char.IsAsciiDigit(tokens[at][0])
                && _amounts[^1].Amount.Unit is { Dimension: UnitDimension.Mass } heavy
                && quantity.Amount() is { HasUnit: true, Amount.Unit.Dimension: UnitDimension.Mass } light
            )
            {
                var sums =
                    (heavy == MeasureUnit.Pound && light.Amount.Unit == MeasureUnit.Ounce)
                    || (heavy == MeasureUnit.Kilogram && light.Amount.Unit == MeasureUnit.Gram);
                _amounts.Add(new ReadAmount(light.Amount, sums ? AmountRole.Plus : AmountRole.Also, light.Fullness));
                continue;
            }

            quantity.At = at;
            AmountRole? role = tokens[at].ToLowerInvariant() switch
            {
                "plus" or "+" or "and" or "&" => AmountRole.Plus,
                "minus" or "less" => AmountRole.Minus,
                "/" or "or" or "=" => AmountRole.Also,
                _ => null,
            };
            if (role is null)
                return;
            quantity.At++;
            if (quantity.Amount() is not { HasUnit: true } more)
            {
                quantity.At = at;
                return;
            }

            _amounts.Add(new ReadAmount(more.Amount, role.Value, more.Fullness));
        }
    }
}
