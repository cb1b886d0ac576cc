using Zymethos.Core.Learning;

namespace Zymethos.Web.Places.Daybook;

/// <summary>What was learned, in words.</summary>
internal static class LearnedWords
{
    /// <summary>"Bakes 7 % sooner than planned (4 to 10 %), by 11 bakes."</summary>
    public static string Of(LearnedFactor factor)
    {
        if (factor.Bakes == 0)
            return "Nothing is known of it yet.";
        var by = Spoken(factor.Bakes);
        if (!factor.IsSure)
            return $"As planned, as far as {by}: between {Off(factor.Low)} and {Off(factor.High)}.";
        return $"{Off(factor.Factor)} than planned, between {Off(factor.Low)} and {Off(factor.High)}, as {by}.";
    }

    /// <summary>"7 % sooner", "3 % later".</summary>
    public static string Off(double factor)
    {
        var percent = (int)Math.Round(Math.Abs(factor - 1) * 100);
        return percent == 0 ? "as planned"
            : factor < 1 ? $"{percent} % sooner"
            : $"{percent} % later";
    }

    private static string Spoken(int bakes) => bakes == 1 ? "one bake shows" : $"{bakes} bakes show";
}
