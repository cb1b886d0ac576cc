using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Parcels;
using Zymethos.Paper;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A label as a card to cut out; screen and PDF show the same.</summary>
public static class LabelCard
{
    /// <summary>The card.</summary>
    public static PaperCard Of(GiftLabel label, LabelWords words)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        blocks.Add(new PaperHeading(label.Title));
        if (label.From.Length > 0)
            blocks.Add(PaperText.Of(label.From));
        foreach (var part in label.Parts)
        {
            blocks.Add(new PaperText([new PaperRun(part.Name, true), new PaperRun(part.Kept.Length > 0 ? $". {part.Kept}" : "")]));
            blocks.Add(new PaperText([.. part.Ingredients.SelectMany((one, i) => Runs(one, i == part.Ingredients.Length - 1, words))]));
        }

        foreach (var said in new[] { label.Contains, label.NotKnown }.Where(s => s.Length > 0))
            blocks.Add(new PaperText([new PaperRun(said, true)]));
        foreach (var said in label.ForWhom.Prepend(label.Kitchen).Where(s => s.Length > 0))
            blocks.Add(PaperText.Of(said));
        return new PaperCard(blocks.ToImmutable());
    }

    private static IEnumerable<PaperRun> Runs(LabelIngredient one, bool isLast, LabelWords words)
    {
        var end = $"{(one.IsKnown ? "" : $" ({words.Packet})")}{(isLast ? "." : ", ")}";
        if (one.Allergens.IsEmpty)
        {
            yield return new PaperRun(one.Name + end);
            yield break;
        }

        yield return new PaperRun(one.Name + GiftLabels.Said(one, words), true);
        yield return new PaperRun(end);
    }
}
