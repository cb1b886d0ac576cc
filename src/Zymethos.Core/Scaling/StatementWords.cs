using Zymethos.Core.Measures;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>An allergen statement in words, the same on every page, card, file and label.</summary>
public static class StatementWords
{
    /// <summary>Stands with every statement.</summary>
    public const string Traces = "Labels of what you buy have the last word, and shared trays, boards and bowls carry traces.";

    /// <summary>"Contains milk, egg and wheat."; says so when nothing is known to be in it.</summary>
    public static string Contains(AllergenStatement statement) =>
        statement.Contains.IsEmpty
            ? "None of the allergens that must be declared is known to be in it."
            : $"Contains {And(statement.Contains.Select(AllergenNames.Of))}.";

    /// <summary>"May contain, or not known: ..."; empty when everything is known.</summary>
    public static string NotKnown(AllergenStatement statement)
    {
        if (statement.IsWhollyKnown)
            return "";
        var any = statement.Open.Where(o => o.IsAnything).ToList();
        var may = statement
            .Open.SelectMany(o => o.MayBe)
            .Except(statement.Contains)
            .Distinct()
            .Order()
            .Select(AllergenNames.Of)
            .Concat(TraitWords.Of(statement.Open.Aggregate(IngredientTraits.None, (t, o) => t | o.Traits) & ~statement.Traits))
            .ToList();
        var words =
            any.Count > 0
                ? $"Not known: {string.Join("; ", any.Select(o => o.Why).Distinct())}. It may contain anything until that is clear."
                : "";
        return may.Count == 0 ? words : $"{words} May contain, or not known: {And(may)}.".Trim();
    }

    /// <summary>"Its ingredients are free from fish and shellfish."; empty when that cannot be said. Traces are told by
    /// <see cref="Traces"/>.</summary>
    public static string FreeFrom(AllergenStatement statement) =>
        statement.FreeFrom.IsEmpty ? "" : $"Its ingredients are free from {And(statement.FreeFrom.Select(AllergenNames.Of))}.";

    /// <summary>Why a line or step is open, one sentence each.</summary>
    public static IEnumerable<string> Why(AllergenStatement statement) =>
        statement.Open.Select(o => o.Line.Length == 0 ? $"{char.ToUpperInvariant(o.Why[0])}{o.Why[1..]}." : $"{o.Line}: {o.Why}.");

    /// <summary>What is in it for children, in pregnancy, for abstainers and for infants; empty when there is nothing to say.</summary>
    public static IEnumerable<string> ForWhom(AllergenStatement statement)
    {
        if (statement.HasSpirit)
            yield return "Contains alcohol, which does not all bake off: not for children, in pregnancy, or for anyone who does without.";
        else if (statement.Traits.HasFlag(IngredientTraits.Alcohol))
            yield return "An extract in it is made with alcohol: say so to anyone who takes none at all.";
        if (statement.Traits.HasFlag(IngredientTraits.Honey))
            yield return "Contains honey: not for infants under 12 months, baked or not.";
        if (statement.HasRawEgg)
            yield return "Egg in it stays raw or nearly raw: not for small children, in pregnancy, for the old or the ill, unless it "
                + "is heated to 71 °C (160 °F).";
    }

    /// <summary>The whole statement in one paragraph.</summary>
    public static string Whole(AllergenStatement statement) =>
        string.Join(
            ' ',
            new[] { Contains(statement), NotKnown(statement), FreeFrom(statement) }
                .Concat(ForWhom(statement))
                .Append(Traces)
                .Where(t => t.Length > 0)
        );

    private static string And(IEnumerable<string> words)
    {
        var list = words.ToList();
        return list.Count switch
        {
            0 => "",
            1 => list[0],
            _ => $"{string.Join(", ", list.Take(list.Count - 1))} and {list[^1]}",
        };
    }
}
