using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What is known of a recipe before its method is read.</summary>
/// <param name="Dialect">Where its words come from.</param>
/// <param name="Pans">Pans that may be meant.</param>
/// <param name="Parts">Names of its parts, as headings gave them.</param>
/// <param name="Title">Its name, for what it is.</param>
internal sealed record MethodContext(Dialect Dialect, IReadOnlyList<Pan> Pans, IReadOnlyList<string> Parts, string Title)
{
    /// <summary>Whether yeast is among its lines.</summary>
    public bool HasYeast { get; init; }

    /// <summary>The pan that something beside the method names with its size; null when nothing does.</summary>
    public MeantPan? PanElsewhere { get; init; }
}

/// <summary>What became of a method.</summary>
internal sealed class MethodReading
{
    /// <summary>Its steps, in order of the words.</summary>
    public List<MethodStep> Steps { get; } = [];

    /// <summary>What follows what.</summary>
    public List<LinkDraft> Links { get; } = [];

    /// <summary>What it says of keeping.</summary>
    public List<KeepingDraft> Keeping { get; } = [];

    /// <summary>How many it serves, where it is divided into other pieces; null when it does not say.</summary>
    public YieldWords? Serves { get; set; }

    /// <summary>What it says it makes, or is divided into; null when it does not.</summary>
    public YieldWords? Yield { get; set; }

    /// <summary>Into how many pieces the dough is divided before it bakes; 0 when it is not.</summary>
    public int DividedInto { get; set; }

    /// <summary>The word for several of these pieces.</summary>
    public string DivisionName { get; set; } = "";

    /// <summary>How many pieces a tray takes; 0 when it is not said.</summary>
    public int PerTray { get; set; }

    /// <summary>Whether trays are baked one after the other.</summary>
    public bool IsOneByOne { get; set; }

    /// <summary>
    /// What keeps without its icing or filling is kept after the cooling, or the bake, that comes before the last work by hand; where none
    /// comes after, all is done by then.
    /// </summary>
    public void Settle(IEnumerable<KeepingDraft> keeping)
    {
        var bake = Steps.FindLastIndex(s => s.Kind == StepKind.Bake && s.Strand >= 0);
        var at = Math.Max(bake, Steps.FindLastIndex(s => s.Kind == StepKind.Cool && (bake < 0 || s.Strand == Steps[bake].Strand)));
        foreach (var bare in keeping.Where(k => k.After == KeepingWords.BeforeFinish))
            bare.After = at >= 0 && Steps.Skip(at + 1).Any(s => s.IsHands) ? Steps[at].Draft.Key : "";
    }

    /// <summary>What is left to ask of it.</summary>
    public List<string> Asks { get; } = [];

    /// <summary>Sentences and what each became.</summary>
    public List<SentenceDraft> Sentences { get; } = [];

    /// <summary>Remarks that belong to no step.</summary>
    public List<string> Remarks { get; } = [];
}
