using Zymethos.Interchange.Drafts;

namespace Zymethos.Work.Books;

/// <summary>What the buttons of the editor do to a draft.</summary>
public static class DraftMoves
{
    /// <summary>Makes a move. A row that is not there any more is passed over.</summary>
    public static void Apply(RecipeDraft draft, DraftMove move)
    {
        switch (move)
        {
            case DraftMove.Add add:
                AddRow(draft, add.Row);
                break;
            case DraftMove.AddStep step:
                var after = step.After is { } a && a < draft.Steps.Count ? a + 1 : draft.Steps.Count;
                draft.Steps.Insert(after, new StepDraft());
                break;
            case DraftMove.RemoveStep step:
                RemoveStep(draft, step.At);
                break;
            case DraftMove.Remove remove:
                RemoveRow(draft, remove.Row, remove.At);
                break;
            case DraftMove.StepUp up:
                Swap(draft.Steps, up.At, up.At - 1);
                break;
            case DraftMove.StepDown down:
                Swap(draft.Steps, down.At, down.At + 1);
                break;
            case DraftMove.TieInOrder:
                Chain(draft);
                break;
        }
    }

    private static void AddRow(RecipeDraft draft, DraftRow row)
    {
        switch (row)
        {
            case DraftRow.Part:
                draft.Parts.Add(new PartDraft());
                break;
            case DraftRow.Link:
                draft.Links.Add(new LinkDraft());
                break;
            case DraftRow.Choice:
                draft.Choices.Add(new ChoiceDraft());
                break;
            case DraftRow.Keeping:
                draft.Keeping.Add(new KeepingDraft());
                break;
        }
    }

    private static void RemoveRow(RecipeDraft draft, DraftRow row, int at)
    {
        switch (row)
        {
            case DraftRow.Part:
                Remove(draft.Parts, at);
                break;
            case DraftRow.Link:
                Remove(draft.Links, at);
                break;
            case DraftRow.Choice:
                Remove(draft.Choices, at);
                break;
            case DraftRow.Keeping:
                Remove(draft.Keeping, at);
                break;
            case DraftRow.Question:
                Remove(draft.Questions, at);
                break;
        }
    }

    private static void Remove<T>(List<T> list, int at)
    {
        if (at >= 0 && at < list.Count)
            list.RemoveAt(at);
    }

    private static void Swap<T>(List<T> list, int one, int other)
    {
        if (one >= 0 && one < list.Count && other >= 0 && other < list.Count)
            (list[one], list[other]) = (list[other], list[one]);
    }

    /// <summary>A step that goes takes its links with it; what came before is tied to what came after.</summary>
    private static void RemoveStep(RecipeDraft draft, int at)
    {
        if (at < 0 || at >= draft.Steps.Count)
            return;
        var key = DraftReader.KeysOf(draft.Steps)[at];
        foreach (var into in draft.Links.Where(l => l.To == key).ToList())
        {
            foreach (var outOf in draft.Links.Where(l => l.From == key).ToList())
            {
                if (!draft.Links.Exists(l => l.From == into.From && l.To == outOf.To))
                    draft.Links.Add(new LinkDraft { From = into.From, To = outOf.To });
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
            if (draft.Steps[i].Title.Length > 0)
                draft.Steps[i].Key = keys[i];
        }

        for (var i = 1; i < keys.Count; i++)
        {
            if (!draft.Links.Exists(l => l.To == keys[i]))
                draft.Links.Add(new LinkDraft { From = keys[i - 1], To = keys[i] });
        }
    }
}
