using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Places.Daybook;

/// <summary>What was learned, in words.</summary>
internal static class LearnedWords
{
    /// <summary>"Bakes 7 % sooner than planned (4 to 10 %), by 11 bakes."</summary>
    public static string Of(LearnedFactor factor, string seen = "bake", string than = "the recipes say")
    {
        if (factor.Bakes == 0)
            return "Nothing is known of it yet.";
        var by = factor.Bakes == 1 ? $"one {seen} shows" : $"{factor.Bakes} {seen}s show";
        if (!factor.IsSure)
            return $"As {than}, as far as {by}: between {Off(factor.Low)} and {Off(factor.High)}.";
        return $"{Off(factor.Factor)} than {than}, between {Off(factor.Low)} and {Off(factor.High)}, as {by}.";
    }

    /// <summary>The oven in one sentence, as a baker would say it.</summary>
    /// <param name="oven">"Your oven", "Your second oven".</param>
    /// <param name="factor">What was learned of it.</param>
    public static string OfOven(string oven, LearnedFactor factor)
    {
        if (factor.Bakes == 0)
            return $"{oven}: no bake has been timed yet.";
        var by = factor.Bakes == 1 ? "one bake" : $"{factor.Bakes} bakes";
        if (!factor.IsSure)
            return $"{oven} bakes as the recipes say, as far as {by} can show: between {Off(factor.Low)} and {Off(factor.High)}.";
        var percent = (int)Math.Round(Math.Abs(factor.Factor - 1) * 100);
        return $"{oven} runs {percent} % {(factor.Factor < 1 ? "fast" : "slow")}: what a recipe says takes 60 min is done after about "
            + $"{60 * factor.Factor:0}, by {by}.";
    }

    /// <summary>"7 % sooner", "3 % later".</summary>
    public static string Off(double factor)
    {
        var percent = (int)Math.Round(Math.Abs(factor - 1) * 100);
        return percent == 0 ? "as planned"
            : factor < 1 ? $"{percent} % sooner"
            : $"{percent} % later";
    }

    /// <summary>What a value is of, in words.</summary>
    /// <param name="kind">Of what it was learned.</param>
    /// <param name="of">Which.</param>
    /// <param name="recipe">Name of a recipe by its key.</param>
    /// <param name="ovens">How many ovens there are.</param>
    public static string NameOf(LearnedKind kind, string of, Func<string, string> recipe, int ovens) =>
        kind switch
        {
            LearnedKind.Oven => OvenOf(of, ovens),
            LearnedKind.Recipe => $"{recipe(of)} in the oven",
            LearnedKind.Person => $"{of} at work",
            LearnedKind.Handwork => $"{char.ToUpperInvariant(of[0])}{of[1..]}",
            LearnedKind.Leaven => of == LearnedTime.Starter ? "Your starter" : "Yeast in this kitchen",
            _ => $"{recipe(of)} rising",
        };

    /// <summary>When a load went in, in the kitchen's own words; empty where nobody said.</summary>
    public static string HourOf(PastLoadDocument load, KitchenSays says) =>
        LocalMoment.Pattern.Parse(load.At ?? "").TryGetValue(default, out var at) ? says.Hour(at) : "";

    /// <summary>Under what a value stands on the page.</summary>
    public static string GroupOf(LearnedKind kind) =>
        kind switch
        {
            LearnedKind.Oven or LearnedKind.Recipe => "In the oven",
            LearnedKind.Person or LearnedKind.Handwork => "Hands",
            _ => "Rises",
        };

    /// <summary>What an oven is called on the page.</summary>
    public static string OvenOf(string oven, int ovens) =>
        oven.EndsWith("the one before", StringComparison.Ordinal) ? "The oven before"
        : ovens == 1 ? "Your oven"
        : oven == LearnedTime.OvenName(0) ? "Your first oven"
        : "Your second oven";
}
