using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Drafts;

/// <summary>Reads a whole recipe pasted as text into a draft: title, yield, parts with their lines, method. What fits nowhere stays in the notes.</summary>
public static partial class RecipeText
{
    /// <summary>Longest text that is read, in characters.</summary>
    public const int Longest = 60_000;

    private enum Section
    {
        Head,
        Ingredients,
        Method,
        Notes,
    }

    /// <summary>Reads a text.</summary>
    /// <param name="text">As pasted; what lies beyond <see cref="Longest"/> is refused by the caller.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    /// <param name="pans">Pans that may be meant.</param>
    public static RecipeDraft Read(string text, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        var draft = new RecipeDraft();
        var part = new PartDraft { Name = "", Kind = "" };
        var method = new List<string>();
        var section = Section.Head;
        var headed = false;
        var rows = text.Replace("\r", "", StringComparison.Ordinal).Split('\n');
        // Where the ingredients have a heading of their own, nothing above it is one ("a plain loaf for old bananas").
        var announced = rows.Any(r => HeadingOf(r.Trim()) == Section.Ingredients);
        foreach (var raw in rows)
        {
            var line = raw.Trim();
            if (line.Length == 0) continue;
            if (HeadingOf(line) is { } next)
            {
                section = next;
                headed = true;
                continue;
            }

            if (TakeYield(line, draft)) continue;
            if (section == Section.Head && draft.Name.Length == 0 && !IsIngredient(line, knowledge, false))
            {
                draft.Name = Clip(line.TrimStart('#', '*', ' ').TrimEnd('*', ' '), 120);
                continue;
            }

            if (section != Section.Notes && IsPartHeading(line))
            {
                Close(draft, part);
                part = new PartDraft { Name = Clip(PartName(line), 80), Kind = "" };
                if (section == Section.Head) section = Section.Ingredients;
                continue;
            }

            switch (section)
            {
                case Section.Head when announced:
                    draft.Summary = Clip($"{draft.Summary} {line}".Trim(), 600);
                    break;
                case Section.Notes:
                    draft.Notes = Joined(draft.Notes, line);
                    break;
                case Section.Method when headed || !IsIngredient(line, knowledge, true):
                    method.Add(line);
                    break;
                case Section.Ingredients when headed && !IsMethod(line, knowledge):
                case Section.Head or Section.Ingredients or Section.Method when IsIngredient(line, knowledge, true):
                    section = Section.Ingredients;
                    part.Lines = Joined(part.Lines, line);
                    break;
                case Section.Head when part.Lines.Length == 0 && !IsMethod(line, knowledge):
                    draft.Summary = Clip($"{draft.Summary} {line}".Trim(), 600);
                    break;
                default:
                    section = Section.Method;
                    method.Add(line);
                    break;
            }
        }

        Close(draft, part);
        (draft.Steps, draft.Links, draft.Questions) = MethodReader.Read(method, pans);
        Finish(draft, knowledge);
        return draft;
    }

    /// <summary>Kind of bake and doubts, for a draft that was read from text or a page.</summary>
    internal static void Finish(RecipeDraft draft, IngredientKnowledge knowledge)
    {
        if (draft.Parts.Count == 0) draft.Questions.Insert(0, "No ingredients were found in this.");
        if (draft.Steps.Count == 0) draft.Questions.Add("No method was found in this: add the steps.");
        if (draft.Pieces.Length == 0) draft.Questions.Add("How many does it make?");
        var lines = draft.Parts.SelectMany(p => p.Lines.Split('\n')).Where(l => l.Length > 0).Select(l => LineReader.Read(l, knowledge)).ToList();
        foreach (var line in lines.Where(l => !l.Doubts.IsEmpty)) draft.Questions.Add($"“{line.Text}”: {line.Doubts[0]}");
        draft.Kind = KindOf(draft, lines);
        foreach (var part in draft.Parts.Where(p => p.Kind.Length == 0)) part.Kind = PartKindOf(part, draft.Kind);
        foreach (var part in draft.Parts.Where(p => p.Name.Length == 0)) part.Name = part.Kind == "batter" ? "Batter" : part.Kind == "dough" ? "Dough" : "To mix";
    }

    private static string KindOf(RecipeDraft draft, List<ReadLine> lines)
    {
        var words = $"{draft.Name} {draft.PieceName} {string.Join(' ', draft.Steps.Select(s => s.Pan))}".ToLowerInvariant();
        var yeast = lines.Any(l => l.Ingredient?.Name is { } n && (n.EndsWith("yeast", StringComparison.Ordinal) || n == "sourdough starter"));
        return words switch
        {
            _ when yeast && (words.Contains("bun", StringComparison.Ordinal) || words.Contains("roll", StringComparison.Ordinal)) => "buns",
            _ when yeast => "bread",
            _ when words.Contains("muffin", StringComparison.Ordinal) || words.Contains("cupcake", StringComparison.Ordinal) => "muffins",
            _ when words.Contains("cookie", StringComparison.Ordinal) || words.Contains("biscuit", StringComparison.Ordinal) => draft.Steps.Any(s => s.Instruction.Contains("cutter", StringComparison.OrdinalIgnoreCase) || s.Instruction.Contains("roll out", StringComparison.OrdinalIgnoreCase)) ? "rolledCookies" : "cookies",
            _ when words.Contains("ring", StringComparison.Ordinal) => "ringCake",
            _ when words.Contains("fruit cake", StringComparison.Ordinal) || words.Contains("fruitcake", StringComparison.Ordinal) => "fruitCake",
            _ when words.Contains("loaf", StringComparison.Ordinal) => "quickLoaf",
            _ when words.Contains("round pan", StringComparison.Ordinal) || words.Contains("layer", StringComparison.Ordinal) => "layerCake",
            _ => "other",
        };
    }

    private static string PartKindOf(PartDraft part, string kind)
    {
        var name = part.Name.ToLowerInvariant();
        foreach (var word in new[] { "glaze", "filling", "syrup", "icing", "topping", "soak", "batter", "dough" })
        {
            if (name.Contains(word, StringComparison.Ordinal)) return word;
        }

        if (name.Contains("frosting", StringComparison.Ordinal) || name.Contains("buttercream", StringComparison.Ordinal)) return "icing";
        if (name.Contains("crumb", StringComparison.Ordinal) || name.Contains("streusel", StringComparison.Ordinal)) return "topping";
        if (name.Contains("sauce", StringComparison.Ordinal)) return "syrup";
        return kind is "bread" or "buns" or "cookies" or "rolledCookies" or "twiceBaked" or "built" ? "dough" : "batter";
    }

    private static void Close(RecipeDraft draft, PartDraft part)
    {
        if (part.Lines.Length > 0) draft.Parts.Add(part);
    }

    private static bool TakeYield(string line, RecipeDraft draft)
    {
        var match = Yield().Match(line);
        if (!match.Success || draft.Pieces.Length > 0) return false;
        var digits = Digits().Match(match.Groups["what"].Value);
        draft.Pieces = digits.Success ? digits.Value : match.Groups["what"].Value.Contains("dozen", StringComparison.OrdinalIgnoreCase) ? "12" : "1";
        if (digits.Success && match.Groups["what"].Value.Contains("dozen", StringComparison.OrdinalIgnoreCase)) draft.Pieces = (int.Parse(digits.Value, System.Globalization.CultureInfo.InvariantCulture) * 12).ToString(System.Globalization.CultureInfo.InvariantCulture);
        var name = NotName().Replace(match.Groups["what"].Value, " ").Trim();
        draft.PieceName = name.Length is > 1 and < 40 ? name : "pieces";
        return true;
    }

    private static Section? HeadingOf(string line)
    {
        var plain = line.TrimStart('#', '*', ' ').TrimEnd(':', '*', ' ').ToLowerInvariant();
        return plain switch
        {
            "ingredients" or "you need" or "you will need" or "what you need" => Section.Ingredients,
            "method" or "directions" or "instructions" or "preparation" or "steps" or "how to make it" or "procedure" => Section.Method,
            "notes" or "note" or "tips" or "storage" or "nutrition" or "nutrition facts" => Section.Notes,
            _ => null,
        };
    }

    private static bool IsPartHeading(string line) =>
        line.Length < 60 && ((line.EndsWith(':') && !line.Any(char.IsDigit)) || ForThe().IsMatch(line));

    private static string PartName(string line)
    {
        var name = ForThe().Replace(line.TrimEnd(':', ' '), "").Trim(' ', '#', '*');
        return name.Length == 0 ? line.TrimEnd(':') : char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static bool IsIngredient(string line, IngredientKnowledge knowledge, bool loose)
    {
        if (line.Length > 160 || Numbered().IsMatch(line)) return false;
        var read = LineReader.Read(line, knowledge);
        if (read.Traits.HasFlag(LineTraits.Heading)) return false;
        if (read.Amounts.Length > 0 && read.Ingredient is not null && !IsSentence(line)) return true;
        return loose && !IsSentence(line) && (read.Amounts.Length > 0 || (read.Ingredient is not null && line.Length < 60));
    }

    private static bool IsMethod(string line, IngredientKnowledge knowledge) => Numbered().IsMatch(line) || (IsSentence(line) && !IsIngredient(line, knowledge, false));

    private static bool IsSentence(string line) => Verb().IsMatch(line) || (line.Length > 70 && line.EndsWith('.')) || SentenceInside().IsMatch(line);

    private static string Joined(string text, string line) => text.Length == 0 ? line : $"{text}\n{line}";

    private static string Clip(string text, int most) => text.Length <= most ? text : text[..most];

    [GeneratedRegex(@"^\s*(?:yields?|makes|serves|servings|for)\b\s*:?\s*(?:about |approx\.? )?(?<what>(?:\d|a |one |two ).{0,60})$", RegexOptions.IgnoreCase, 200)]
    private static partial Regex Yield();

    [GeneratedRegex(@"\d{1,4}", RegexOptions.None, 200)]
    private static partial Regex Digits();

    [GeneratedRegex(@"\d+(?:\s*(?:-|to)\s*\d+)?|\bdozen\b|\(.*?\)|\b(?:about|a|one|two)\b|[.,:].*$", RegexOptions.IgnoreCase, 200)]
    private static partial Regex NotName();

    [GeneratedRegex(@"^for the\s+", RegexOptions.IgnoreCase, 200)]
    private static partial Regex ForThe();

    [GeneratedRegex(@"^\s*(?:step\s*\d+|\d{1,2}[.)])\s", RegexOptions.IgnoreCase, 200)]
    private static partial Regex Numbered();

    [GeneratedRegex(@"^(?:pre-?heat|heat|mix|stir|beat|cream|whisk|combine|add|bake|chill|let|knead|roll|cut|shape|divide|place|put|pour|fold|sift|cover|brush|remove|cool|turn|meanwhile|in a|in the|grease|line|melt|cook|boil|sprinkle|spread|drop|scoop|leave|soak|drain|spoon|serve|store|dust|frost|ice|glaze|wrap|freeze|thaw|refrigerate|rub|set|once|when|while|after|transfer|press|form|punch|return|toast|drizzle)\b(?!\w)(?! (?:sugar|cheese|water)\b)", RegexOptions.IgnoreCase, 200)]
    private static partial Regex Verb();

    [GeneratedRegex(@"[a-z]{3,}\.\s+[A-Z]", RegexOptions.None, 200)]
    private static partial Regex SentenceInside();
}
