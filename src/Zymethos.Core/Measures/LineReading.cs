using System.Collections.Immutable;

namespace Zymethos.Core.Measures;

/// <summary>One line on its way from words to meaning.</summary>
internal sealed class LineReading
{
    private const string HowMuch = "How much of it?";
    private static readonly string[] ToTaste = ["to taste", "as needed", "as required", "if needed", "q.s.", "as desired"];
    private static readonly string[] Asides = ["for dusting", "for greasing", "for the pan", "for the tin", "for the board", "for rolling", "for brushing", "for sprinkling", "for the work surface", "for kneading", "for coating", "for serving", "to serve", "to decorate", "for decoration", "for decorating", "to finish", "to dust", "to grease", "to brush", "for topping", "for frying"];
    private static readonly string[] Optionals = ["optional", "if you like", "if liked", "if wished", "if using"];

    private readonly string _text;
    private readonly IngredientKnowledge _knowledge;
    private readonly List<ReadAmount> _amounts = [];
    private readonly List<string> _forms = [];
    private readonly List<string> _notes = [];
    private readonly List<string> _doubts = [];
    private readonly List<ReadLine> _alternatives = [];
    private List<string> _partOfFruit = [];
    private List<string> _named = [];
    private LineTraits _traits;
    private string _size = "";
    private string _name = "";
    private Ingredient? _ingredient;

    public LineReading(string text, string[] tokens, IngredientKnowledge knowledge)
    {
        _text = text;
        _knowledge = knowledge;
        var rest = TakeBrackets(tokens);
        var quantity = new QuantityReader(rest);
        if (IsPartOfFruit(rest, quantity)) TakeFruit(rest, quantity);
        else TakeAmounts(rest, quantity);
        if (quantity.Hedges.Count > 0) _notes.Add(string.Join(' ', quantity.Hedges));
        _forms.AddRange(quantity.Packing.Where(LineWords.Forms.Contains));
        TakeWords([.. rest.Skip(quantity.At)]);
    }

    public ReadLine Finish()
    {
        if (_ingredient is null && _name.Length > 0) _doubts.Add($"I do not know “{_name}”. What is it, and what does it weigh?");
        if (_name.Length == 0) _doubts.Add("No ingredient was found in this line.");
        if (_amounts.Count == 0 && (_traits & (LineTraits.ToTaste | LineTraits.Aside | LineTraits.Optional)) == LineTraits.None) _doubts.Add(HowMuch);
        if (_amounts.Exists(a => a.Amount.Low <= 0)) _doubts.Add("An amount should be above zero.");
        var weight = LineWeight.Of(_amounts, _ingredient, _forms, _size, _doubts);
        return new ReadLine(_text, [.. _amounts], _name, _ingredient, [.. _forms], _size, string.Join("; ", _notes), _traits, [.. _alternatives], [.. _doubts], weight);
    }

    /// <summary>Takes out what stands in brackets: an amount in another measure, a remark, or a trait.</summary>
    private List<string> TakeBrackets(string[] tokens)
    {
        var rest = new List<string>();
        for (var i = 0; i < tokens.Length; i++)
        {
            if (tokens[i] is not ("(" or "["))
            {
                if (tokens[i] is not (")" or "]")) rest.Add(tokens[i]);
                continue;
            }

            var end = Array.FindIndex(tokens, i, t => t is ")" or "]");
            if (end < 0) end = tokens.Length;
            TakeBracket([.. tokens[(i + 1)..end]], rest);
            i = end;
        }

        return rest;
    }

    private void TakeBracket(List<string> inside, List<string> before)
    {
        if (inside.Count == 0) return;
        var quantity = new QuantityReader(inside);
        if (quantity.Amount() is { HasUnit: true } amount && inside.Skip(quantity.At).All(t => t is "each" or "total" or "," or "/" or "or" or "in" or "about" || IsAmountWord(t)))
        {
            // "2 cans (15 oz)" and "2 (15 oz) cans": that much in each. "2 sticks (8 oz)", "1 cup (120 g)": the same again.
            var counts = before.Count == 1 || (before.Count > 1 && UnitWords.Find(before[^1]) is { } unit && (unit == MeasureUnit.Can || unit == MeasureUnit.Packet || unit == MeasureUnit.Jar));
            var each = inside.Contains("each") || (counts && !inside.Contains("total"));
            _amounts.Add(new ReadAmount(amount.Amount, each ? AmountRole.Each : AmountRole.Also, amount.Fullness));
            while (quantity.At < inside.Count)
            {
                if (quantity.Amount() is { HasUnit: true } more) _amounts.Add(new ReadAmount(more.Amount, each ? AmountRole.Each : AmountRole.Also, more.Fullness));
                else quantity.At++;
            }

            return;
        }

        TakeRemark(string.Join(' ', inside).Replace(" ,", ",", StringComparison.Ordinal));
    }

    private static bool IsAmountWord(string token) => UnitWords.Find(token) is not null || token.Any(char.IsDigit);

    /// <summary>"zest of 1 lemon", "juice of half an orange", "grated rind and juice of 2 limes".</summary>
    private static bool IsPartOfFruit(List<string> tokens, QuantityReader quantity)
    {
        var of = tokens.FindIndex(t => t.Equals("of", StringComparison.OrdinalIgnoreCase) || t.Equals("from", StringComparison.OrdinalIgnoreCase));
        if (of < 1 || of > 5) return false;
        if (!tokens.Take(of).All(t => IsZest(t) || IsJuice(t) || t.ToLowerInvariant() is "the" or "and" or "&" || LineWords.Forms.Contains(t.ToLowerInvariant()) || LineWords.Manner.Contains(t.ToLowerInvariant()))) return false;
        if (!tokens.Take(of).Any(t => IsZest(t) || IsJuice(t))) return false;
        var at = quantity.At;
        quantity.At = of + 1;
        var found = quantity.Numbers() is not null;
        quantity.At = at;
        return found;
    }

    private static bool IsZest(string token) => token.ToLowerInvariant() is "zest" or "rind" or "peel";

    private static bool IsJuice(string token) => token.ToLowerInvariant() is "juice";

    private void TakeFruit(List<string> tokens, QuantityReader quantity)
    {
        var of = tokens.FindIndex(t => t.ToLowerInvariant() is "of" or "from");
        var before = tokens.Take(of).ToList();
        quantity.At = of + 1;
        var numbers = quantity.Numbers()!.Value;
        if (quantity.At < tokens.Count && tokens[quantity.At].ToLowerInvariant() is "a" or "an") quantity.At++;
        _amounts.Insert(0, new ReadAmount(new Amount(numbers.Low, numbers.High, MeasureUnit.Piece), AmountRole.Main));
        _forms.AddRange(before.Where(t => LineWords.Forms.Contains(t.ToLowerInvariant())).Select(t => t.ToLowerInvariant()));
        var parts = before.Where(t => IsZest(t) || IsJuice(t)).Select(t => IsZest(t) ? "zest" : "juice").Distinct().ToList();
        _partOfFruit = parts;
        // Words that are not repeated in the name: "finely", "rind".
        var said = string.Join(' ', before.Where(t => t.ToLowerInvariant() is not ("zest" or "juice" or "and" or "the" or "&") && !LineWords.Forms.Contains(t.ToLowerInvariant())));
        if (said.Length > 0) _notes.Add(said);
    }

    private void TakeAmounts(List<string> tokens, QuantityReader quantity)
    {
        if (quantity.Amount() is not { } main) return;
        var amount = main.Amount;
        var extra = _amounts.ToList();
        _amounts.Clear();
        // "2 x 400 g cans", "2 400 g cans", "1 14 oz can": how much is in each.
        var at = quantity.At;
        if (!main.HasUnit)
        {
            if (quantity.At < tokens.Count && tokens[quantity.At] is "x" or "X") quantity.At++;
            if (quantity.Amount() is { HasUnit: true } inner)
            {
                extra.Add(new ReadAmount(inner.Amount, AmountRole.Each, inner.Fullness));
                if (quantity.At < tokens.Count && UnitWords.Find(tokens[quantity.At]) is { Dimension: UnitDimension.Count } package)
                {
                    quantity.At++;
                    if (quantity.At < tokens.Count && tokens[quantity.At] is "of") quantity.At++;
                    amount = amount with { Unit = package };
                }
            }
            else
            {
                quantity.At = at;
            }
        }

        _amounts.Add(new ReadAmount(amount, AmountRole.Main, main.Fullness));
        _amounts.AddRange(extra);
        TakeMore(tokens, quantity);
    }

    /// <summary>Sums and second measures after the main amount.</summary>
    private void TakeMore(List<string> tokens, QuantityReader quantity)
    {
        while (quantity.At < tokens.Count)
        {
            var at = quantity.At;
            AmountRole? role = tokens[at].ToLowerInvariant() switch
            {
                "plus" or "+" or "and" or "&" => AmountRole.Plus,
                "minus" or "less" => AmountRole.Minus,
                "/" or "or" or "=" => AmountRole.Also,
                _ => null,
            };
            if (role is null) return;
            quantity.At++;
            if (quantity.Amount() is not { HasUnit: true } more)
            {
                quantity.At = at;
                return;
            }

            _amounts.Add(new ReadAmount(more.Amount, role.Value, more.Fullness));
        }
    }

    /// <summary>What is left after the amounts: ingredient, forms and remarks, parted by commas.</summary>
    private void TakeWords(List<string> tokens)
    {
        var segments = new List<List<string>> { new() };
        foreach (var token in tokens)
        {
            if (token is "," or ";" || (token == "-" && segments[^1].Count > 0)) segments.Add([]);
            else if (token is not ("." or "-")) segments[^1].Add(token);
        }

        segments.RemoveAll(s => s.Count == 0);
        var named = Longest(segments);
        for (var i = 0; i < segments.Count; i++)
        {
            if (i == named) TakeNamed(segments[i]);
            else if (i > named || !TakeLeading(segments[i])) TakeRemark(string.Join(' ', segments[i]));
        }
    }

    /// <summary>The segment that names the ingredient: the first in which one is known, else the first that is no mere form.</summary>
    private int Longest(List<List<string>> segments)
    {
        for (var i = 0; i < segments.Count; i++)
        {
            if (Match(segments[i]) is not null) return i;
        }

        var first = segments.FindIndex(s => !s.TrueForAll(w => LineWords.Forms.Contains(w.ToLowerInvariant()) || LineWords.Manner.Contains(w.ToLowerInvariant())));
        return Math.Max(0, first);
    }

    private bool TakeLeading(List<string> words)
    {
        if (!words.TrueForAll(w => LineWords.Forms.Contains(w.ToLowerInvariant()) || LineWords.Manner.Contains(w.ToLowerInvariant()))) return false;
        _forms.AddRange(words.Select(w => w.ToLowerInvariant()).Where(LineWords.Forms.Contains));
        return true;
    }

    private void TakeNamed(List<string> words)
    {
        words = TakeTrailing(words);
        if (words.Count == 0) return;
        _named = words;
        // "butter or margarine": the second is an alternative. "to" after it starts a remark.
        var or = words.FindIndex(1, Math.Max(0, words.Count - 1), w => w.Equals("or", StringComparison.OrdinalIgnoreCase));
        if (or > 0 && or < words.Count - 1)
        {
            var other = LineReader.Read(string.Join(' ', words.Skip(or + 1)), _knowledge);
            if (other.Amounts.IsEmpty) other = WithOwnAmounts(other);
            _alternatives.Add(other);
            words = words[..or];
            // "light or dark brown sugar": the first half borrows its noun from the second.
            if (Match(words) is null && other.Ingredient is not null && words.Count <= 2 && Match([.. words, .. other.Name.Split(' ').Skip(1)]) is not null) words = [.. words, .. other.Name.Split(' ').Skip(1)];
        }

        words = TakeSecond(words);
        while (words.Count > 1 && LineWords.Sizes.Contains(words[0].ToLowerInvariant()))
        {
            _size = words[0].ToLowerInvariant();
            words = words[1..];
        }

        var match = Match(words);
        if (match is { } m)
        {
            _ingredient = m.Ingredient;
            _name = string.Join(' ', words.Skip(m.From).Take(m.Count));
            Around(words[..m.From]);
            Around(words[(m.From + m.Count)..]);
        }
        else
        {
            var plain = words.Where(w => !Sort(w)).ToList();
            _name = string.Join(' ', plain);
        }

        if (_partOfFruit.Count > 0) NameFruit();
    }

    /// <summary>An alternative without an amount is meant in the same amount and form.</summary>
    private ReadLine WithOwnAmounts(ReadLine other) => other with
    {
        Amounts = [.. _amounts],
        Doubts = [.. other.Doubts.Where(d => d != HowMuch)],
        Weight = LineWeight.Of(_amounts, other.Ingredient, [.. _forms, .. other.Forms, .. _named.Select(w => w.ToLowerInvariant()).Where(LineWords.Forms.Contains)], _size, []),
    };

    /// <summary>"cinnamon and ginger", "eggs + 1 yolk": the first is read, the second kept and asked about.</summary>
    private List<string> TakeSecond(List<string> words)
    {
        var and = words.FindIndex(1, Math.Max(0, words.Count - 1), w => w is "and" or "&" or "+");
        if (and < 1 || and >= words.Count - 1) return words;
        if (words[and] is not "+" && (Match(words[..and]) is null || Match(words[(and + 1)..]) is null)) return words;
        var second = string.Join(' ', words.Skip(and + 1));
        _notes.Add($"{words[and]} {second}");
        _doubts.Add($"Two ingredients stand in one line. Give “{second}” a line of its own.");
        return words[..and];
    }

    private void NameFruit()
    {
        var fruit = _ingredient?.Name ?? _name.ToLowerInvariant();
        if (_name != fruit) _notes.Add(_name);
        _name = $"{fruit} {_partOfFruit[0]}";
        _ingredient = _knowledge.Find(_name);
        foreach (var part in _partOfFruit.Skip(1))
        {
            // Zest and juice of the same fruit are both wanted: the second is kept beside the first.
            _notes.Add($"and its {part}");
        }
    }

    /// <summary>Remarks that follow without a comma: "salt to taste", "butter for greasing", "flour plus more for dusting".</summary>
    private List<string> TakeTrailing(List<string> words)
    {
        for (var i = 1; i < words.Count; i++)
        {
            var starts = words[i].ToLowerInvariant() is "for" or "to" or "as" or "if" or "at" or "plus" or "with" or "from" or "until" or "such" or "without" or "in" or "cut" or "optional" or "divided";
            if (!starts) continue;
            TakeRemark(string.Join(' ', words.Skip(i)));
            return words[..i];
        }

        return words;
    }

    /// <summary>Words before and after the ingredient.</summary>
    private void Around(List<string> words)
    {
        var left = words.Where(w => !Sort(w)).ToList();
        if (left.Count > 0) _notes.Add(string.Join(' ', left));
    }

    /// <summary>Puts a single word where it belongs; false when it belongs nowhere.</summary>
    private bool Sort(string word)
    {
        var low = word.ToLowerInvariant();
        if (LineWords.Forms.Contains(low))
        {
            _forms.Add(low);
            return true;
        }

        if (LineWords.Sizes.Contains(low))
        {
            _size = low;
            return true;
        }

        if (!LineWords.Manner.Contains(low) && !LineWords.Quality.Contains(low)) return false;
        if (low is not "of" and not "the" and not "some") _notes.Add(low);
        return true;
    }

    private void TakeRemark(string remark)
    {
        var low = remark.ToLowerInvariant();
        if (Optionals.Any(o => low.Contains(o, StringComparison.Ordinal))) _traits |= LineTraits.Optional;
        if (ToTaste.Any(o => low.Contains(o, StringComparison.Ordinal))) _traits |= LineTraits.ToTaste;
        if (low.Contains("divided", StringComparison.Ordinal)) _traits |= LineTraits.Divided;
        var aside = Asides.Any(o => low.Contains(o, StringComparison.Ordinal));
        if (low.StartsWith("plus", StringComparison.Ordinal) || low.Contains("more ", StringComparison.Ordinal) || low.Contains("extra ", StringComparison.Ordinal)) _traits |= LineTraits.PlusMore;
        else if (aside) _traits |= LineTraits.Aside;
        _forms.AddRange(low.Split(' ', ',').Where(w => LineWords.Forms.Contains(w) && !_forms.Contains(w)));
        _notes.Add(remark);
    }

    /// <summary>The longest run of words that is an ingredient; of equal ones the last, since nouns stand last.</summary>
    private (int From, int Count, Ingredient Ingredient)? Match(List<string> words)
    {
        for (var count = Math.Min(IngredientTable.LongestAlias, words.Count); count > 0; count--)
        {
            for (var from = words.Count - count; from >= 0; from--)
            {
                if (_knowledge.Find(string.Join(' ', words.Skip(from).Take(count))) is { } found) return (from, count, found);
            }
        }

        return null;
    }
}
