using System.Text.RegularExpressions;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Interchange.Texts;

/// <summary>Whether a pasted text is one recipe at all. What is none is said plainly, and nothing is planned from it.</summary>
internal static partial class RecipeSense
{
    private const int MostLines = 200;

    /// <summary>What to tell whoever pasted it; empty when it is a recipe, or half of one that can be completed.</summary>
    public static string Wrong(string text, RecipeDraft draft)
    {
        var lines = draft.Parts.Sum(p => p.Lines.Split('\n').Count(l => l.Length > 0));
        var rows = text.Split('\n').Count(r => r.Trim().Length > 0);
        if (rows > MostLines * 2 || lines > MostLines)
            return $"That is {rows} lines, more than one recipe has. Paste one recipe at a time; what you pasted is still here.";
        if (Ingredients().Count(text) > 1 && Method().Count(text) > 1)
            return "There are two recipes in this, or more. Paste one at a time; what you pasted is still here.";
        var (english, other) = (English().Count(text), Foreign().Count(text));
        if (other >= 4 && other > english)
            return "This looks like another language. Only English is read so far; put it into English, or type the recipe in. What "
                + "you pasted is still here.";
        if (draft.Steps.TrueForAll(s => s.Kind is "work" && s.Instruction.Length < 400) && draft.Steps.Count < 2 && Known(draft) == 0)
            return "I cannot find a recipe in this: no amounts of anything, and nothing to do with them. What you pasted is still here.";
        if (Known(draft) == 0 && !draft.Steps.Exists(s => s.Kind is "bake" or "bulkRise" or "proof" or "chill" or "mix"))
            return "I cannot find amounts of ingredients in this, nor work in a kitchen. If it is a recipe, paste the list of "
                + "ingredients with it. What you pasted is still here.";
        return "";
    }

    private static int Known(RecipeDraft draft) =>
        draft
            .Parts.SelectMany(p => p.Lines.Split('\n'))
            .Count(l => l.Any(char.IsAsciiDigit) || l.Contains('½', StringComparison.Ordinal) || l.Contains('¼', StringComparison.Ordinal));

    [GeneratedRegex(@"^\W*ingredients\b", RegexOptions.IgnoreCase | RegexOptions.Multiline, 900)]
    private static partial Regex Ingredients();

    [GeneratedRegex(@"^\W*(?:method|directions|instructions|preparation|steps)\W*$", RegexOptions.IgnoreCase | RegexOptions.Multiline, 900)]
    private static partial Regex Method();

    [GeneratedRegex(@"\b(?:the|and|with|into|until|flour|sugar|butter|bake|oven|add|mix|minutes|eggs?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex English();

    [GeneratedRegex(
        @"\b(?:und|mit|den|das|zucker|mehl|eier|minuten|ofen|backen|teig|et|avec|farine|sucre|beurre|oeufs|œufs|four|cuire|pâte|les|"
            + @"dans|con|harina|azúcar|mantequilla|huevos|horno|farina|zucchero|burro|uova|forno|och|med|mjöl|socker|smör|ugn|bloem|"
            + @"suiker|boter|eieren|een|het|met|mąka|cukier|masło|jajka)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Foreign();
}
