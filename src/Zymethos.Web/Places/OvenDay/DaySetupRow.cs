using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.WaysOut;
using Zymethos.Store.Books;
using Zymethos.Web.Drawing;
using Zymethos.Web.Setup;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>A recipe in the set-up.</summary>
public sealed class DaySetupRow
{
    /// <summary>Key of the recipe; not read from the form.</summary>
    [BindNever]
    public string Key { get; private set; } = "";

    /// <summary>How many batches, as typed.</summary>
    public string? Batches { get; set; }

    /// <summary>How many pieces, as typed; empty where only batches were said.</summary>
    public string? Pieces { get; set; }

    /// <summary>Batches as the form showed them: whoever changed them means batches, whoever did not means pieces.</summary>
    public string? Was { get; set; }

    /// <summary>Pieces of a batch and what they are called; not read from the form.</summary>
    [BindNever]
    public (double OfABatch, string Name) Yield { get; private set; } = (1, "");

    /// <summary>Whether any of it is wanted, or something was typed that has to be put right.</summary>
    public bool IsWanted => (Batches ?? "").Trim() is not ("" or "0") || (Pieces ?? "").Trim() is not ("" or "0");

    /// <summary>When it must be ready, as typed; empty when any hour will do.</summary>
    [Hour]
    public string? ReadyBy { get; set; }

    /// <summary>Yeast as a multiple of the recipe's, as typed; empty for the recipe's own amount.</summary>
    public string? Yeast { get; set; }

    /// <summary>Whether two batches go into one mix: "1", "0", or empty when the planner may choose.</summary>
    public string? Mix { get; set; }

    /// <summary>With what it is mixed: the number of a mixer, "9" for by hand, or empty when the planner may choose.</summary>
    public string? Mixing { get; set; }

    /// <summary>The ways to mix it in this kitchen; empty where nothing is mixed. Not read from the form.</summary>
    [BindNever]
    public IReadOnlyList<(string Value, string Words)> MixingWays { get; private set; } = [];

    /// <summary>Windows that stay open longer on this day, each as "from;to;minutes"; one that is not ticked is not sent.</summary>
    public List<string> Wider { get; set; } = [];

    /// <summary>Keys of rises that have their time on the counter on this day; one that is not ticked is not sent.</summary>
    public List<string> OnCounter { get; set; } = [];

    /// <summary>The recipe's name; not read from the form.</summary>
    [BindNever]
    public string Name { get; private set; } = "";

    /// <summary>How much of the recipe was guessed and not looked at, in words; empty for nothing. Not read from the form.</summary>
    [BindNever]
    public string Guessed { get; private set; } = "";

    /// <summary>How the pieces are finished, where not all alike; not read from the form.</summary>
    [BindNever]
    public string Finished { get; private set; } = "";

    /// <summary>Whether there is yeast to take more or less of; not read from the form.</summary>
    [BindNever]
    public bool HasYeast { get; private set; }

    /// <summary>Whether the bowl takes two batches at once; not read from the form.</summary>
    [BindNever]
    public bool CanShareMix { get; private set; }

    /// <summary>The windows in words, as they are ticked; not read from the form.</summary>
    [BindNever]
    public IReadOnlyList<(string Value, string Words)> WiderWords { get; private set; } = [];

    /// <summary>The recipe's rises in the oven that could be on the counter; not read from the form.</summary>
    [BindNever]
    public IReadOnlyList<(string Key, string Title)> InSpell { get; private set; } = [];

    /// <summary>What can be said of it that is seldom wanted, in a word each; empty for nothing. Not read from the form.</summary>
    [BindNever]
    public string More =>
        string.Join(
            ", ",
            new[]
            {
                HasYeast ? "yeast" : "",
                CanShareMix || MixingWays.Count > 0 ? "mixing" : "",
                InSpell.Count > 0 ? "rise" : "",
                WiderWords.Count > 0 ? "waits" : "",
            }.Where(w => w.Length > 0)
        );

    /// <summary>Whether something is typed that is seldom wanted.</summary>
    public bool HasMore =>
        !string.IsNullOrWhiteSpace(Yeast)
        || !string.IsNullOrEmpty(Mix)
        || !string.IsNullOrEmpty(Mixing)
        || Wider.Count > 0
        || OnCounter.Count > 0;

    /// <summary>Fills in what a form does not carry.</summary>
    public void Complete(RecipeRow row, Zymethos.Core.Kitchens.Kitchen kitchen)
    {
        var recipe = ChosenRecipe.Of(row.ToRecipe());
        (Key, Name) = (row.Key, row.Name);
        Reckon(recipe);
        Guessed = Spoken.Guessed(recipe);
        Finished = FinishSplit.Words(
            recipe,
            recipe.Yield.Pieces
                * (
                    int.TryParse(Batches, NumberStyles.None, CultureInfo.InvariantCulture, out var batches) && batches is > 0 and < 100
                        ? batches
                        : 1
                )
        );
        HasYeast = RecipeFacts.DoughLines(recipe).Any(DayYeast.IsYeast);
        CanShareMix = MixPlan.CanShare(new BakeWish(DayStretch.Of(recipe), 2, null, null), kitchen);
        MixingWays = recipe.Steps.Any(s => s.Kind == StepKind.Mix)
            ?
            [
                .. kitchen
                    .MixersFor(MixerFit.IsKneaded(recipe.Kind))
                    .Select(m => ((m.Index + 1).ToString(CultureInfo.InvariantCulture), $"with the {m.Mixer.Name}")),
                (BakeWish.ByHand.ToString(CultureInfo.InvariantCulture), "by hand"),
            ]
            : [];
        InSpell = [.. CounterRise.InSpell(recipe).Select(s => (s.Key, s.Title))];
        OnCounter.RemoveAll(key => InSpell.All(s => s.Key != key));
        WiderWords =
        [
            .. Wider
                .Select(w => (w, Window(w)))
                .Where(w => w.Item2 is not null)
                .Select(w =>
                    (
                        w.w,
                        $"“{recipe.Steps.FirstOrDefault(s => s.Key == w.Item2!.To)?.Title}” may wait {w.Item2!.Minutes} min longer on "
                            + "this day"
                    )
                ),
        ];
    }

    /// <summary>Pieces and batches follow each other.</summary>
    private void Reckon(Recipe recipe)
    {
        Yield = (Math.Max(recipe.Yield.Pieces, 0.01), recipe.Yield.PieceName);
        var isOfPieces = !string.IsNullOrWhiteSpace(Pieces) && (Batches ?? "").Trim() == (Was ?? "").Trim();
        if (isOfPieces && WholeNumber.Read(Pieces!.Trim()) is > 0 and < 100_000 and var pieces)
            Batches = ((int)Math.Ceiling((pieces / Yield.OfABatch) - 1e-9)).ToString(CultureInfo.InvariantCulture);
        else if (!isOfPieces && WholeNumber.Read((Batches ?? "").Trim()) is > 0 and <= 12 and var batches)
            Pieces = ((int)Math.Floor((batches * Yield.OfABatch) + 1e-9)).ToString(CultureInfo.InvariantCulture);
        Was = Batches;
    }

    /// <summary>Takes over what was asked for of a bake.</summary>
    public void Take(BakeDocument bake)
    {
        Batches = bake.Batches.ToString(CultureInfo.InvariantCulture);
        ReadyBy = bake.ReadyBy;
        Yeast = bake.Yeast == 1 ? null : bake.Yeast.ToString("0.###", CultureInfo.InvariantCulture);
        Mix = bake.Modes?.TryGetValue(BakeWish.MixTogether, out var mix) == true ? mix.ToString(CultureInfo.InvariantCulture) : null;
        Mixing = bake.Modes?.TryGetValue(BakeWish.Mixing, out var mixing) == true ? mixing.ToString(CultureInfo.InvariantCulture) : null;
        Wider = Written(bake.Wider);
        OnCounter = [.. bake.OnCounter ?? []];
    }

    private Dictionary<string, int>? Ways()
    {
        var ways = new Dictionary<string, int>();
        if (Mix is "0" or "1")
            ways[BakeWish.MixTogether] = Mix == "1" ? 1 : 0;
        if (int.TryParse(Mixing, NumberStyles.None, CultureInfo.InvariantCulture, out var with) && with is >= 1 and <= BakeWish.ByHand)
            ways[BakeWish.Mixing] = with;
        return ways.Count == 0 ? null : ways;
    }

    /// <summary>The bake that is asked for; null for no batch, and when a field cannot be read, with the reason at the field.</summary>
    public BakeDocument? AsBake(RecipeDocument recipe, string field, ModelStateDictionary state)
    {
        var text = (Batches ?? "").Trim();
        if (text is "" or "0")
            return null;
        if (!int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var batches) || batches > 12)
        {
            state.AddModelError(
                $"{field}.Batches",
                $"Batches are a whole number from 0 to 12: at most {12 * Yield.OfABatch:0} pieces a day."
            );
            return null;
        }

        if (!string.IsNullOrWhiteSpace(Pieces) && WholeNumber.Read(Pieces.Trim()) is not > 0)
        {
            state.AddModelError($"{field}.Pieces", "How many pieces? A whole number, like 48.");
            return null;
        }

        var ready = string.IsNullOrWhiteSpace(ReadyBy) ? null : ReadyBy.Trim();
        if (ready is not null && !DaySetup.ClockPattern.Parse(ready).Success)
        {
            state.AddModelError($"{field}.ReadyBy", "Give the hour as 17:00, or leave it empty.");
            return null;
        }

        var yeast = 1.0;
        if (
            !string.IsNullOrWhiteSpace(Yeast)
            && !(
                double.TryParse(Yeast.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out yeast)
                && yeast is >= 0.25 and <= 3
            )
        )
        {
            state.AddModelError($"{field}.Yeast", "Yeast is a number from 0.25 to 3 times the recipe's, or empty for the recipe's own.");
            return null;
        }

        var windows = Wider.Select(Window).OfType<WiderDocument>().ToList();
        return new BakeDocument(
            recipe,
            Batches: batches,
            ReadyBy: ready,
            Modes: Ways(),
            Yeast: yeast,
            Wider: windows.Count == 0 ? null : windows,
            OnCounter: OnCounter.Count == 0 ? null : OnCounter
        );
    }

    /// <summary>Lets a window stay open longer, on top of what it does already.</summary>
    public void Widen(string from, string to, int minutes) =>
        Wider = Written(new BakeDocument(Wider: [.. Wider.Select(Window).OfType<WiderDocument>()]).Widened(from, to, minutes).Wider);

    /// <summary>Makes a change to this recipe; of one batch, none is fewer.</summary>
    public void Apply(SetupChange.OfRecipe change)
    {
        switch (change)
        {
            case SetupChange.LeaveOut:
                Batches = "0";
                break;
            case SetupChange.OneBatchFewer
                when int.TryParse(Batches, NumberStyles.None, CultureInfo.InvariantCulture, out var batches) && batches > 1:
                Batches = (batches - 1).ToString(CultureInfo.InvariantCulture);
                break;
            case SetupChange.ReadyBy by:
                ReadyBy = DaySetup.ClockPattern.Format(by.Hour);
                break;
        }
    }

    private static List<string> Written(IReadOnlyList<WiderDocument>? windows) =>
        [.. (windows ?? []).Select(w => $"{w.From};{w.To};{w.Minutes}")];

    private static WiderDocument? Window(string text) =>
        text.Split(';') is [var from, var to, var minutes]
        && int.TryParse(minutes, NumberStyles.None, CultureInfo.InvariantCulture, out var m)
            ? new WiderDocument(from, to, m)
            : null;
}
