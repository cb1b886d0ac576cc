using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What is only offered: "if you like, ice them", "brush with rum (optional)", "some people dip the ends". It is work like any
/// other, and the baker may leave it out.</summary>
internal sealed partial class MethodReader
{
    private int _offer;
    private int _offers;
    private bool _isUnusual;

    /// <summary>A whole sentence that is offered; null when it is none, else what it became.</summary>
    private string? TakeOffer(string piece)
    {
        var start = OfferStart().Match(piece);
        if (!start.Success || start.Length >= piece.Length || Steps.Count == 0)
            return null;
        var rest = piece[start.Length..];
        var low = rest.ToLowerInvariant();
        // "Optional: 1 egg", "if you like a darker crust, bake on", "some people add walnuts": lines and remarks, no work of its own.
        if (OnlyAdds().IsMatch(low) || !StartsWithVerb([.. FirstWords().Matches(low).Select(m => m.Value)], 0))
            return null;
        _offer = ++_offers;
        _isUnusual = OthersDo().IsMatch(start.Value);
        var from = Steps.Count;
        var became = TakePiece(char.ToUpperInvariant(rest[0]) + rest[1..]);
        (_offer, _isUnusual) = (0, false);
        // The words that offer it stay with it.
        if (
            Steps.Count > from
            && Steps[from].Draft is var first
            && first.Instruction.StartsWith(rest[..1], StringComparison.OrdinalIgnoreCase)
        )
            first.Instruction = start.Value.TrimStart() + char.ToLowerInvariant(first.Instruction[0]) + first.Instruction[1..];
        return became;
    }

    /// <summary>Whether a clause is offered by its own last words, or only goes on with what was.</summary>
    private int OfferOf(string low)
    {
        if (_offer > 0)
            return _offer;
        if (OfferEnd().IsMatch(low))
            return ++_offers;
        return Steps.Count > 0 && Steps[^1].Offer > 0 && (LeftToSet().IsMatch(low) || (_sameSentence && LeftAfter().IsMatch(low)))
            ? Steps[^1].Offer
            : 0;
    }

    [GeneratedRegex(
        @"^\W*(?:if (?:you(?:'d| would|’d)? (?:like|wish|want|prefer|fancy)|liked|desired|wished|preferred)(?: to)?\s*[,:;–—-]\s*|"
            + @"if (?:you(?:'d| would|’d)? (?:like|wish|want)) to |optional(?:ly)?(?: extra)?\s*[,:;–—-]\s*|(?:some (?:people|bakers|"
            + @"families|folk)|others) (?:also |then |like to |prefer to |even )*|you (?:can|could|may|might) (?:also|even) )",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex OfferStart();

    [GeneratedRegex(@"^\W*(?:some|others|you)\b", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex OthersDo();

    [GeneratedRegex(
        @"^adds?\b|^(?:use|swap|replace|substitute|make|do|double|halve|leave out|omit|freeze|keep|store|serve|skip|try|buy|eat|have|"
            + @"put more|let|leave|bake|cook|wait|prepare|go)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OnlyAdds();

    /// <summary>What says at the end of a clause that it is only offered: ", if you like", "(optional)".</summary>
    [GeneratedRegex(
        @"[,(\s-]+(?:if (?:you(?:'d| would|’d)? (?:like|wish|want|prefer|fancy)|liked|desired|wished)|optional(?:ly)?)\s*\)?[.!]?$",
        RegexOptions.IgnoreCase,
        Patience
    )]
    internal static partial Regex OfferEnd();

    [GeneratedRegex(@"^(?:then |and )*(?:leave|let|allow)\b[^.;]{0,40}\b(?:set|dry|harden)\b", RegexOptions.None, Patience)]
    private static partial Regex LeftToSet();
}
