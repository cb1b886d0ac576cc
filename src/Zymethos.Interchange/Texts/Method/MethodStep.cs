using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>A step on its way from words to a draft.</summary>
internal sealed class MethodStep
{
    /// <summary>The draft it becomes.</summary>
    public required StepDraft Draft { get; init; }

    /// <summary>What it is.</summary>
    public required StepKind Kind { get; set; }

    /// <summary>The words it was made of, in lower case.</summary>
    public string Low { get; set; } = "";

    /// <summary>The time the words gave; null when none did and the time is a guess.</summary>
    public TimePhrase? Time { get; set; }

    /// <summary>Which chain of work it belongs to: 0 for what is baked, others for what is made beside it.</summary>
    public int Strand { get; init; }

    /// <summary>The paragraph it stands in.</summary>
    public int Paragraph { get; init; }

    /// <summary>Whether something was shaped by then, so that a rise is the last one.</summary>
    public bool IsShaped { get; init; }

    /// <summary>Whether its heat was only named in words or not at all.</summary>
    public bool IsHeatGuessed { get; set; }

    /// <summary>Whether its pan is a guess.</summary>
    public bool IsPanGuessed { get; set; }

    /// <summary>Whether it is done tray by tray, so that its time is that of one tray.</summary>
    public bool IsByWave { get; set; }

    /// <summary>Which offer it belongs to ("if you like"), counted from 1; 0 for what is always done.</summary>
    public int Offer { get; init; }

    /// <summary>Whether only others do it ("some people"), so that it is left out unless somebody wants it.</summary>
    public bool IsUnusual { get; init; }

    /// <summary>Whether hands are at work in it.</summary>
    public bool IsHands => Kind is StepKind.Work or StepKind.Mix;
}
