using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Drafts;

/// <summary>Turns a line as read into a line of a recipe, and a line of a recipe back into words that read the same.</summary>
internal static partial class LineOfRecipe
{
    /// <summary>Reads a line of a draft. What was written stays with it. A line that belongs to a choice ends in "[soak=tea]".</summary>
    /// <param name="text">The line as typed.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    /// <returns>The line, and how it was read; the line is null for a heading.</returns>
    public static (IngredientLine? Line, ReadLine Read) Of(string text, IngredientKnowledge knowledge)
    {
        var (words, when) = Split(text);
        var read = LineReader.Read(words, knowledge);
        if (read.Traits.HasFlag(LineTraits.Heading))
            return (null, read);
        var main = read.Amounts.FirstOrDefault(a => a.Role == AmountRole.Main);
        var name =
            read.Ingredient is { } known
            && !string.Equals(known.Name, read.Name, StringComparison.OrdinalIgnoreCase)
            && read.Name.Length == 0
                ? known.Name
                : read.Name;
        if (read.Size.Length > 0)
            name = $"{name}, {read.Size}";
        var note = read.Note;
        var held =
            note.Contains("held back", StringComparison.OrdinalIgnoreCase)
            || note.Contains("until it feels right", StringComparison.OrdinalIgnoreCase);
        var line = new IngredientLine(
            main is null ? null : Together(read, main),
            read.Weight,
            name.Length > 0 ? name : words.Trim(),
            string.Join(", ", read.Forms.Distinct()),
            note,
            read.Traits.HasFlag(LineTraits.Optional) || held
        )
        {
            Written = words.Trim(),
            IsHeldBack = held,
            IsAside = read.Traits.HasFlag(LineTraits.Aside),
            Alternatives = [.. read.Alternatives.Select(a => a.Ingredient?.Name ?? a.Name)],
            When = when,
        };
        return (line, read);
    }

    /// <summary>A line in words that read the same again: what was written, or amounts, weight, ingredient and the rest.</summary>
    public static string Say(IngredientLine line)
    {
        var words = line.Written.Length > 0 ? line.Written : Spell(line);
        return line.When is { } when ? $"{words} [{when}]" : words;
    }

    private static string Spell(IngredientLine line)
    {
        var weight = line.Weight is { } w ? $"{Grams(w.Grams)} g" : "";
        var amount = line.Amount?.ToText() ?? "";
        var counted = line.Amount is { Unit.Dimension: UnitDimension.Count };
        var head =
            line.Amount is { Unit.Dimension: UnitDimension.Mass } || amount.Length == 0 ? (weight.Length > 0 ? weight : amount)
            : weight.Length > 0 && !counted ? $"{amount} ({weight})"
            : counted && weight.Length > 0 && line.Amount!.Unit != MeasureUnit.Piece ? $"{amount} ({weight} total)"
            : amount;
        var tail = new List<string>();
        if (line.Form.Length > 0)
            tail.Add(line.Form);
        if (line.Note.Length > 0)
            tail.Add(line.Note);
        else if (line.IsAside)
            tail.Add("for the pan");
        if (
            line.IsHeldBack
            && !line.Note.Contains("held back", StringComparison.OrdinalIgnoreCase)
            && !line.Note.Contains("feels right", StringComparison.OrdinalIgnoreCase)
        )
            tail.Add("held back");
        var text = string.Join(", ", new[] { $"{head} {line.Ingredient}".Trim() }.Concat(tail));
        return line.IsOptional && !line.IsHeldBack ? $"{text} (optional)" : text;
    }

    private static string Grams(double grams) =>
        grams.ToString(grams < 20 ? "0.##" : "0.#", System.Globalization.CultureInfo.InvariantCulture);

    private static (string Words, Condition? When) Split(string text)
    {
        var match = ChoiceMark().Match(text);
        return match.Success && Condition.Parse(match.Groups["when"].Value) is { } when
            ? (text[..match.Index].Trim(), when)
            : (text.Trim(), null);
    }

    /// <summary>Sums and differences in one unit: "1 cup plus 2 tbsp" becomes 1.125 cups. Other second measures say the same again and add
    /// nothing.</summary>
    private static Amount Together(ReadLine read, ReadAmount main)
    {
        var amount = main.Amount with { Low = main.Amount.Low * main.Fullness, High = main.Amount.High * main.Fullness };
        foreach (
            var more in read.Amounts.Where(a =>
                a.Role is AmountRole.Plus or AmountRole.Minus
                && a.Amount.Unit.Dimension == amount.Unit.Dimension
                && amount.Unit.Dimension != UnitDimension.Count
            )
        )
        {
            var sign = more.Role == AmountRole.Plus ? 1 : -1;
            var ratio = more.Amount.Unit.Size / amount.Unit.Size * more.Fullness * sign;
            amount = amount with { Low = amount.Low + (more.Amount.Low * ratio), High = amount.High + (more.Amount.High * ratio) };
        }

        return amount.Low > 0 ? amount : main.Amount;
    }

    [GeneratedRegex(@"\[(?<when>[a-z0-9-]+=[a-z0-9|-]+)\]\s*$", RegexOptions.None, 900)]
    private static partial Regex ChoiceMark();
}
