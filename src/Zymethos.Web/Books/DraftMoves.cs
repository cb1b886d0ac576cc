using System.Globalization;
using Zymethos.Core.Drafts;

namespace Zymethos.Web.Books;

/// <summary>What the buttons of the editor do to a draft: "step-add", "step-up:3", "link-remove:1", "chain".</summary>
public static class DraftMoves
{
    /// <summary>Applies a move. What cannot be done is passed over.</summary>
    public static void Apply(RecipeDraft draft, string move)
    {
        var parts = move.Split(':');
        var at = parts.Length > 1 && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : -1;
        switch (parts[0])
        {
            case "part-add": draft.Parts.Add(new PartDraft()); break;
            case "part-remove": Remove(draft.Parts, at); break;
            case "step-add": draft.Steps.Insert(at >= 0 && at < draft.Steps.Count ? at + 1 : draft.Steps.Count, new StepDraft()); break;
            case "step-remove": RemoveStep(draft, at); break;
            case "step-up": Swap(draft.Steps, at, at - 1); break;
            case "step-down": Swap(draft.Steps, at, at + 1); break;
            case "link-add": draft.Links.Add(new LinkDraft()); break;
            case "link-remove": Remove(draft.Links, at); break;
            case "choice-add": draft.Choices.Add(new ChoiceDraft()); break;
            case "choice-remove": Remove(draft.Choices, at); break;
            case "keeping-add": draft.Keeping.Add(new KeepingDraft()); break;
            case "keeping-remove": Remove(draft.Keeping, at); break;
            case "question-done": Remove(draft.Questions, at); break;
            case "chain": Chain(draft); break;
        }
    }

    private static void Remove<T>(List<T> list, int at)
    {
        if (at >= 0 && at < list.Count) list.RemoveAt(at);
    }

    private static void Swap<T>(List<T> list, int one, int other)
    {
        if (one >= 0 && one < list.Count && other >= 0 && other < list.Count) (list[one], list[other]) = (list[other], list[one]);
    }

    /// <summary>A step that goes takes its links with it; what came before is tied to what came after.</summary>
    private static void RemoveStep(RecipeDraft draft, int at)
    {
        if (at < 0 || at >= draft.Steps.Count) return;
        var key = DraftReader.KeysOf(draft.Steps)[at];
        foreach (var into in draft.Links.Where(l => l.To == key).ToList())
        {
            foreach (var outOf in draft.Links.Where(l => l.From == key).ToList())
            {
                if (!draft.Links.Exists(l => l.From == into.From && l.To == outOf.To)) draft.Links.Add(new LinkDraft { From = into.From, To = outOf.To });
            }
        }

        draft.Links.RemoveAll(l => l.From == key || l.To == key);
        draft.Steps.RemoveAt(at);
    }

    /// <summary>Ties every step that nothing ties to the one before it in the list.</summary>
    private static void Chain(RecipeDraft draft)
    {
        var keys = DraftReader.KeysOf(draft.Steps);
        for (var i = 0; i < draft.Steps.Count; i++)
        {
            if (draft.Steps[i].Title.Length > 0) draft.Steps[i].Key = keys[i];
        }

        for (var i = 1; i < keys.Count; i++)
        {
            if (!draft.Links.Exists(l => l.To == keys[i])) draft.Links.Add(new LinkDraft { From = keys[i - 1], To = keys[i] });
        }
    }
}
