using System.Collections.Immutable;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>One line on its way from words to meaning: amounts first (<c>LineReading.Amounts.cs</c>), then what is left names the
/// ingredient and how it is to be.</summary>
internal sealed partial class LineReading
{
    private const string HowMuch = "How much of it?";
    private static readonly string[] ToTaste =
    [
        "to taste",
        "as needed",
        "as required",
        "if needed",
        "q.s.",
        "as desired",
        "a little",
        "a bit of",
        "some ",
    ];
    private static readonly string[] Asides =
    [
        "for dusting",
        "for greasing",
        "for the pan",
        "for the tin",
        "for pan",
        "for tin",
        "for the board",
        "for rolling",
        "for brushing",
        "for sprinkling",
        "for the work surface",
        "for kneading",
        "for coating",
        "for serving",
        "to serve",
        "to decorate",
        "for decoration",
        "for decorating",
        "to finish",
        "to dust",
        "to grease",
        "to brush",
        "to glaze",
        "for glazing",
        "for the glaze",
        "for topping",
        "for frying",
        "for finishing",
    ];
    private static readonly string[] Optionals =
    [
        "optional",
        "(opt)",
        "if you like",
        "if liked",
        "if wished",
        "if using",
        "if desired",
        "if you want",
        "if wanted",
        "if you have",
        "if you fancy",
        "if nobody",
        "if everybody",
        "if available",
        "if you can get",
        "leave out if",
        "leave out for",
        "leave it out if",
        "leave them out if",
        "omit if",
    ];

    private readonly string _text;
    private readonly IngredientKnowledge _knowledge;
    private readonly List<ReadAmount> _amounts = [];
    private readonly List<string> _forms = [];
    private readonly List<string> _later = [];
    private readonly List<string> _notes = [];
    private readonly List<string> _doubts = [];
    private readonly List<ReadLine> _alternatives = [];
    private readonly List<string> _left = [];
    private readonly SortedSet<Allergen> _namedAllergens = [];
    private readonly SortedSet<Allergen> _claimed = [];
    private readonly List<Ingredient> _inside = [];
    private List<string> _partOfFruit = [];
    private List<string> _named = [];
    private LineTraits _traits;
    private bool _isGuess;
    private string _size = "";
    private string _name = "";
    private Ingredient? _ingredient;
    private Ingredient? _explained;

    public LineReading(string text, string[] tokens, IngredientKnowledge knowledge)
    {
        _text = text;
        _knowledge = knowledge;
        var rest = TakeBrackets(tokens);
        TakeColumns(rest);
        var quantity = new QuantityReader(rest, knowledge.Dialect);
        if (IsPartOfFruit(rest, quantity))
            TakeFruit(rest, quantity);
        else if (!TakeAmounts(rest, quantity))
            rest = TakeTrailingAmount(rest);
        if (quantity.Hedges.Count > 0)
            _notes.Add(string.Join(' ', quantity.Hedges));
        _forms.AddRange(quantity.Packing.Where(LineWords.Forms.Contains));
        TakeWords([.. rest.Skip(quantity.At)]);
    }

    public ReadLine Finish()
    {
        if (_ingredient is null && _name.Length > 0)
            _doubts.Add($"I do not know “{_name}”. What is it, and what does it weigh?");
        if (_name.Length == 0)
            _doubts.Add("No ingredient was found in this line.");
        if (_amounts.Count == 0 && (_traits & (LineTraits.ToTaste | LineTraits.Aside | LineTraits.Optional)) == LineTraits.None)
            _doubts.Add(HowMuch);
        if (_amounts.Exists(a => a.Amount.Low <= 0))
            _doubts.Add("An amount should be above zero.");
        if (_ingredient is { Asks.Length: > 0 } asked && !Weighed())
            _doubts.Add(asked.Asks);
        if (_left.Count > 0 && _ingredient is not null)
            _doubts.Add($"I know {_ingredient.Name} but not “{string.Join(' ', _left)}”. Does it change what is in it?");
        if (_claimed.Count > 0)
            _doubts.Add("A claim like this is for the packet to keep: look at the label before somebody relies on it.");
        var known = _ingredient?.Allergens ?? [];
        foreach (var alternative in _alternatives)
            known = known.AddRange(alternative.Ingredient?.Allergens ?? []);
        var news = _namedAllergens.Except(known).ToList();
        if (news.Count > 0)
            _doubts.Add($"“{_text}” speaks of {string.Join(" and ", news.Select(AllergenNames.Of))}: is it in there?");
        // "a good splash of milk (about 4 tbsp)": the measure counts, and not the habit.
        if (
            _amounts.Count > 1
            && _amounts[0].Amount.Unit.IsHabit
            && _amounts.FindIndex(
                1,
                a => a.Role == AmountRole.Also && a.Amount.Unit is { IsHabit: false, Dimension: UnitDimension.Mass or UnitDimension.Volume }
            )
                is > 0
                    and var measured
        )
        {
            (_amounts[0], _amounts[measured]) = (
                _amounts[measured] with
                {
                    Role = _amounts[0].Role,
                },
                _amounts[0] with
                {
                    Role = _amounts[measured].Role,
                }
            );
        }

        // A whole weight of what is sifted or chopped after it was measured is that of the unsifted cup.
        var weight = LineWeight.Of(_amounts, _ingredient, _forms, _size, _doubts, _knowledge.Dialect);
        if (
            weight is null
            && _amounts.Count > 0
            && _ingredient is not null
            && !_ingredient.Name.EndsWith("colouring", StringComparison.Ordinal)
        )
            _doubts.Add($"What does “{_amounts[0].Amount.ToText()}” of it weigh?".Replace("“”", "one", StringComparison.Ordinal));
        if (weight is not null && _amounts.Exists(a => a.Role == AmountRole.Main && a.Amount.Unit.IsHabit))
            _doubts.Add($"A {_amounts[0].Amount.Unit.Singular} is a habit, no measure: {weight} is a guess.");
        return new ReadLine(
            _text,
            [.. _amounts],
            _name,
            _ingredient,
            [.. _forms, .. _later.Where(f => !_forms.Contains(f))],
            _size,
            string.Join("; ", _notes),
            _traits,
            [.. _alternatives],
            [.. _doubts.Distinct()],
            weight
        )
        {
            IsGuessed = _isGuess,
            Left = [.. _left],
            Named = [.. _namedAllergens],
            Claimed = [.. _claimed],
            Inside = [.. _inside],
        };
    }

    private bool Weighed() => _amounts.Exists(a => a.Amount.Unit.Dimension == UnitDimension.Mass);

    /// <summary>What is left after the amounts: ingredient, forms and remarks, parted by commas.</summary>
    private void TakeWords(List<string> tokens)
    {
        var segments = new List<List<string>> { new() };
        foreach (var token in tokens)
        {
            if (token is "," or ";" or ":" || (token == "-" && segments[^1].Count > 0))
                segments.Add([]);
            else if (token is not ("." or "-" or "!" or "•"))
                segments[^1].Add(token);
        }

        segments.RemoveAll(s => s.Count == 0);
        // "flour, strong", "yeast, instant": the sort stands behind, and both together are the name.
        if (
            segments is [var first, { Count: 1 } sort, ..]
            && first.Count <= 2
            && LineWords.Forms.Contains(sort[0].ToLowerInvariant()) is false
            && _knowledge.Find($"{sort[0]} {string.Join(' ', first)}") is not null
        )
        {
            segments[0] = [sort[0], .. first];
            segments.RemoveAt(1);
        }

        var named = Longest(segments);
        for (var i = 0; i < segments.Count; i++)
        {
            if (i == named)
                TakeNamed(segments[i]);
            else if (i > named || !TakeLeading(segments[i]))
                TakeRemark(segments[i]);
        }
    }

    /// <summary>The segment that names the ingredient: the first in which one is known, else the first that is no mere form.</summary>
    private int Longest(List<List<string>> segments)
    {
        for (var i = 0; i < segments.Count; i++)
        {
            if (Match(segments[i]) is not null || CompoundIn(segments[i]) is not null)
                return i;
        }

        var first = segments.FindIndex(s =>
            !s.TrueForAll(w => LineWords.Forms.Contains(w.ToLowerInvariant()) || LineWords.Manner.Contains(w.ToLowerInvariant()))
        );
        return Math.Max(0, first);
    }

    private bool TakeLeading(List<string> words)
    {
        if (!words.TrueForAll(w => LineWords.Forms.Contains(w.ToLowerInvariant()) || LineWords.Manner.Contains(w.ToLowerInvariant())))
            return false;
        _forms.AddRange(words.Select(w => w.ToLowerInvariant()).Where(LineWords.Forms.Contains));
        return true;
    }

    private void TakeNamed(List<string> words)
    {
        words = TakeTrailing(words);
        words = TakeClaims(words);
        if (words.Count == 0)
            return;
        _named = words;
        words = TakeOr(Slashed(words));
        words = TakeSecond(words);
        while (words.Count > 1 && LineWords.Sizes.Contains(words[0].ToLowerInvariant()))
        {
            _size = words[0].ToLowerInvariant();
            words = words[1..];
        }

        if (CompoundIn(words) is { } compound && (Match(words) is not { } plain || plain.Count < 2))
        {
            _ingredient = compound.Ingredient;
            _name = compound.Ingredient.Name;
            Around(words[..compound.From]);
            Around(words[(compound.From + 2)..]);
        }
        else if (Match(words) is { Count: 1 } part && NearWhole(words, part.Ingredient) is { } whole)
        {
            (_ingredient, _isGuess, _name) = (whole.Ingredient, true, whole.Name);
            _notes.Add(string.Join(' ', words));
            _doubts.Add($"I took “{string.Join(' ', words)}” for {whole.Name}. Is it?");
        }
        else if (Match(words) is { } m)
        {
            _ingredient = m.Ingredient;
            _name = string.Join(' ', words.Skip(m.From).Take(m.Count));
            Around(words[..m.From]);
            Around(words[(m.From + m.Count)..]);
        }
        else if (Near(words) is { } near)
        {
            _ingredient = near.Ingredient;
            _isGuess = true;
            _name = near.Name;
            _notes.Add(string.Join(' ', words));
            _doubts.Add($"I took “{string.Join(' ', words)}” for {near.Name}. Is it?");
        }
        else
        {
            var left = words.Where(w => !Sort(w)).ToList();
            _name = string.Join(' ', left);
            Name(left);
            // "Mehl (plain flour)": the bracket says what it is; the unknown word is asked about all the same.
            if (_explained is { } explained)
            {
                _ingredient = explained;
                _name = explained.Name;
                _left.AddRange(left);
                _notes.Add(string.Join(' ', left));
            }
        }

        if (_partOfFruit.Count > 0)
            NameFruit();
    }

    /// <summary>"gluten-free", "vegan": the words stay with the name when a row bears them, else they take allergens back into
    /// question.</summary>
    private List<string> TakeClaims(List<string> words)
    {
        var whole = Match(words);
        var kept = new List<string>();
        for (var i = 0; i < words.Count; i++)
        {
            var claim = ClaimOf(words, i);
            if (claim.Length == 0)
            {
                kept.Add(words[i]);
                continue;
            }

            foreach (var allergen in FreeFromWords.Of(claim))
                _claimed.Add(allergen);
            var inside = whole is { } m && i >= m.From && i < m.From + m.Count;
            if (inside)
                kept.Add(words[i]);
            else
                _notes.Add(claim);
            if (!inside && claim.Contains('-', StringComparison.Ordinal) && !words[i].Contains('-', StringComparison.Ordinal))
                i++;
        }

        return kept;
    }

    private static string ClaimOf(List<string> words, int at)
    {
        var low = words[at].ToLowerInvariant();
        if (FreeFromWords.IsClaim(low))
            return low;
        return
            at + 1 < words.Count && words[at + 1].Equals("free", StringComparison.OrdinalIgnoreCase) && FreeFromWords.IsClaim($"{low}-free")
            ? $"{low}-free"
            : "";
    }

    /// <summary>"butter/margarine", "suji/semolina": two names parted by a stroke are read as one or the other.</summary>
    private List<string> Slashed(List<string> words)
    {
        var at = words.FindIndex(w => Stroke().IsMatch(w));
        if (at < 0 || words.Contains("or") || (Match([words[at]]) is { } whole && whole.Count == 1))
            return words;
        var sides = words[at].Split('/');
        return [.. words[..at], sides[0], "or", .. sides[1..], .. words[(at + 1)..]];
    }

    [System.Text.RegularExpressions.GeneratedRegex(
        @"^\p{L}[\p{L}-]{2,}/\p{L}[\p{L}-]{2,}$",
        System.Text.RegularExpressions.RegexOptions.None,
        900
    )]
    private static partial System.Text.RegularExpressions.Regex Stroke();

    /// <summary>"butter or margarine": the second is an alternative.</summary>
    private List<string> TakeOr(List<string> words)
    {
        var or = words.FindIndex(1, Math.Max(0, words.Count - 1), w => w.Equals("or", StringComparison.OrdinalIgnoreCase));
        if (or < 1 || or >= words.Count - 1)
            return words;
        var other = LineReader.Read(string.Join(' ', words.Skip(or + 1)), _knowledge);
        if (other.Amounts.IsEmpty)
            other = WithOwnAmounts(other);
        _alternatives.Add(other);
        words = words[..or];
        // "light or dark brown sugar", "sesame or poppy seeds": the first half borrows its noun from the second.
        var noun = other.Name.Split(' ').Skip(1).ToList();
        if (
            other.Ingredient is not null
            && words.Count <= 2
            && noun.Count > 0
            && Match([.. words, .. noun]) is { } borrowed
            && borrowed.Count > 1
            && (Match(words) is null || borrowed.Count > words.Count)
        )
            words = [.. words, .. noun];
        return words;
    }

    /// <summary>An alternative without an amount is meant in the same amount and form.</summary>
    private ReadLine WithOwnAmounts(ReadLine other) =>
        other with
        {
            Amounts = [.. _amounts],
            Doubts = [.. other.Doubts.Where(d => d != HowMuch)],
            Weight = LineWeight.Of(
                _amounts,
                other.Ingredient,
                [.. _forms, .. other.Forms, .. _named.Select(w => w.ToLowerInvariant()).Where(LineWords.Forms.Contains)],
                _size,
                [],
                _knowledge.Dialect
            ),
        };

    /// <summary>"cinnamon and ginger", "eggs + 1 yolk": the first is read, the second kept and asked about.</summary>
    private List<string> TakeSecond(List<string> words)
    {
        var and = words.FindIndex(1, Math.Max(0, words.Count - 1), w => w is "and" or "&" or "+");
        if (and < 1 || and >= words.Count - 1)
            return words;
        if (words[and] is not "+" && (Match(words[..and]) is null || Match(words[(and + 1)..]) is null))
            return words;
        if (Match(words) is { } whole && whole.From < and && whole.From + whole.Count > and)
            return words;
        var second = string.Join(' ', words.Skip(and + 1));
        if (Match(words[(and + 1)..]) is { } inside)
            _inside.Add(inside.Ingredient);
        _notes.Add($"{words[and]} {second}");
        _doubts.Add($"Two ingredients stand in one line. Give “{second}” a line of its own.");
        return words[..and];
    }

    /// <summary>Remarks that follow without a comma: "salt to taste", "butter for greasing", "flour plus more for dusting".</summary>
    private List<string> TakeTrailing(List<string> words)
    {
        for (var i = 1; i < words.Count; i++)
        {
            var starts =
                words[i].ToLowerInvariant()
                    is "for"
                        or "to"
                        or "as"
                        or "if"
                        or "at"
                        or "plus"
                        or "with"
                        or "from"
                        or "until"
                        or "such"
                        or "without"
                        or "in"
                        or "cut"
                        or "optional"
                        or "divided"
                || (words[i] == "+" && i + 1 < words.Count && words[i + 1].ToLowerInvariant() is "more" or "extra");
            if (!starts)
                continue;
            TakeRemark(words[i..]);
            return words[..i];
        }

        return words;
    }

    /// <summary>Words before and after the ingredient.</summary>
    private void Around(List<string> words)
    {
        var left = words.Where(w => !Sort(w)).ToList();
        if (left.Count == 0)
            return;
        _notes.Add(string.Join(' ', left));
        Name(left);
        _left.AddRange(left.Where(w => !LineWords.IsHarmless(w) && !AllergenWords.Names(w)));
    }

    private void Name(List<string> words)
    {
        foreach (var allergen in AllergenWords.In([.. words.Select(w => w.ToLowerInvariant())]))
            _namedAllergens.Add(allergen);
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

        if (!LineWords.Manner.Contains(low) && !LineWords.Quality.Contains(low))
            return false;
        if (low is not "of" and not "the" and not "some")
            _notes.Add(low);
        return true;
    }

    private void TakeRemark(List<string> words)
    {
        var remark = string.Join(' ', words).Replace(" ,", ",", StringComparison.Ordinal);
        var low = remark.ToLowerInvariant();
        if (Optionals.Any(o => low.Contains(o, StringComparison.Ordinal)) || low is "opt" or "opt.")
            _traits |= LineTraits.Optional;
        if (ToTaste.Any(o => low.Contains(o, StringComparison.Ordinal)))
            _traits |= LineTraits.ToTaste;
        if (low.Contains("divided", StringComparison.Ordinal))
            _traits |= LineTraits.Divided;
        var aside = Asides.Any(o => low.Contains(o, StringComparison.Ordinal));
        if (
            low.StartsWith("plus", StringComparison.Ordinal)
            || low.Contains("more ", StringComparison.Ordinal)
            || low.Contains("extra ", StringComparison.Ordinal)
        )
            _traits |= LineTraits.PlusMore;
        else if (aside)
            _traits |= LineTraits.Aside;
        foreach (var form in low.Split(' ', ',').Where(w => LineWords.Forms.Contains(w) && !_forms.Contains(w)))
        {
            // What is sifted after the comma is measured first.
            if (form is "sifted" or "ground")
                _later.Add(form);
            else
                _forms.Add(form);
        }

        // "leave out if nut free" claims nothing of what is in the line.
        if (!Conditional(words))
            foreach (var allergen in FreeFromClaims(words))
                _claimed.Add(allergen);
        // "in place of the ground almonds" speaks of what is not in it.
        var not =
            words.FindIndex(w => w.ToLowerInvariant() is "without" or "instead" or "not" or "no") is var at && at >= 0 ? at
            : low.StartsWith("in place of", StringComparison.Ordinal) ? 0
            : -1;
        if (not >= 0)
        {
            _notes.Add(remark);
            return;
        }

        if (
            Match(words) is { } inside
            && inside.Ingredient != _ingredient
            && !LineWords.Harmless.Contains(string.Join(' ', words.Skip(inside.From).Take(inside.Count)).ToLowerInvariant())
        )
            _inside.AddRange(AllIn(words));
        Name(
            [
                .. words.Where(
                    (_, i) =>
                        ClaimOf(words, i).Length == 0
                        && (
                            i == 0
                            || ClaimOf(words, i - 1) is var claim
                                && (
                                    claim.Length == 0
                                    || words[i - 1].Contains('-', StringComparison.Ordinal)
                                    || !claim.Contains('-', StringComparison.Ordinal)
                                )
                        )
                ),
            ]
        );
        var spoken = words
            .Where(w => !LineWords.IsHarmless(w) && !AllergenWords.Names(w) && !FreeFromWords.IsClaim(w.ToLowerInvariant()))
            .ToList();
        // Words of other known ingredients are understood.
        // What only says on which condition it is added names nothing else.
        if (low.StartsWith("if ", StringComparison.Ordinal) && _traits.HasFlag(LineTraits.Optional))
            spoken.Clear();
        _left.AddRange(
            spoken.Where(w => _knowledge.Find(w) is null && !_inside.Exists(i => i.Name.Contains(w, StringComparison.OrdinalIgnoreCase)))
        );
        _notes.Add(remark);
    }

    private static bool Conditional(List<string> words) =>
        words.Exists(w =>
            w.ToLowerInvariant()
                is "if"
                    or "leave"
                    or "omit"
                    or "skip"
                    or "unless"
                    or "for"
                    or "make"
                    or "without"
                    or "replace"
                    or "swap"
                    or "instead"
        );

    private static IEnumerable<Allergen> FreeFromClaims(List<string> words) =>
        Enumerable.Range(0, words.Count).Select(i => ClaimOf(words, i)).Where(c => c.Length > 0).SelectMany(c => FreeFromWords.Of(c));

    private IEnumerable<Ingredient> AllIn(List<string> words)
    {
        var at = 0;
        while (at < words.Count)
        {
            if (StartAt(words, at) is { } found)
            {
                if (!LineWords.Harmless.Contains(string.Join(' ', words.Skip(at).Take(found.Count)).ToLowerInvariant()))
                    yield return found.Ingredient;
                at += found.Count;
            }
            else
            {
                at++;
            }
        }
    }

    private (int Count, Ingredient Ingredient)? StartAt(List<string> words, int from)
    {
        for (var count = Math.Min(IngredientTable.LongestAlias, words.Count - from); count > 0; count--)
        {
            if (_knowledge.Find(string.Join(' ', words.Skip(from).Take(count)).Trim(',', '.')) is { } found)
                return (count, found);
        }

        return null;
    }

    /// <summary>"iceing sugar": two words that are a slip away from a name of two, where one of them alone would be something else. Only
    /// what brings every allergen of that other.</summary>
    private (string Name, Ingredient Ingredient)? NearWhole(List<string> words, Ingredient part)
    {
        if (words.Count != 2 || words.TrueForAll(w => LineWords.IsHarmless(w) || _knowledge.Find(w) is not null || AllergenWords.Names(w)))
            return null;
        if (
            words.Exists(w =>
                _knowledge.Find(w) is null && (LineWords.IsHarmless(w) || AllergenWords.Names(w) || AllergenWords.SourceOf(w) is not null)
            )
        )
            return null;
        return
            NearWord.Of(string.Join(' ', words)) is { } near
            && near.Name.Contains(' ', StringComparison.Ordinal)
            && near.Ingredient != part
            && part.Allergens.All(near.Ingredient.Allergens.Contains)
            ? near
            : null;
    }

    private (string Name, Ingredient Ingredient)? Near(List<string> words)
    {
        var plain = words
            .Where(w =>
                !LineWords.Forms.Contains(w.ToLowerInvariant())
                && !LineWords.Manner.Contains(w.ToLowerInvariant())
                && !LineWords.Sizes.Contains(w.ToLowerInvariant())
            )
            .ToList();
        // A word that is one already, or names an allergen, is no slip: "spelt flakes" are no salt flakes.
        if (plain.Count is 0 or > 3 || plain.Exists(w => AllergenWords.Names(w) || AllergenWords.SourceOf(w) is not null))
            return null;
        return NearWord.Of(string.Join(' ', plain));
    }

    /// <summary>"cashew cream": a plant and what is made of it.</summary>
    private (int From, Ingredient Ingredient)? CompoundIn(List<string> words)
    {
        for (var i = 0; i + 1 < words.Count; i++)
        {
            if (
                _knowledge.Find($"{words[i]} {words[i + 1]}") is null
                && CompoundIngredient.Of(words[i].Trim(','), words[i + 1]) is { } found
            )
                return (i, found);
        }

        return null;
    }

    /// <summary>The longest run of words that is an ingredient; of equal ones the last, since nouns stand last.</summary>
    private (int From, int Count, Ingredient Ingredient)? Match(List<string> words)
    {
        for (var count = Math.Min(IngredientTable.LongestAlias, words.Count); count > 0; count--)
        {
            for (var from = words.Count - count; from >= 0; from--)
            {
                if (_knowledge.Find(string.Join(' ', words.Skip(from).Take(count)).TrimEnd('.', ',')) is { } found)
                    return (from, count, found);
            }
        }

        return null;
    }
}
