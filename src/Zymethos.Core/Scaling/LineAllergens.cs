using System.Collections.Immutable;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>What one line contains, and what is not known of it.</summary>
/// <param name="Contains">What is in it, in order.</param>
/// <param name="Open">What is not known of it; empty when it is wholly known.</param>
/// <param name="Traits">Spirit, honey and the like.</param>
public sealed partial record LineAllergens(ImmutableArray<Allergen> Contains, ImmutableArray<NotKnown> Open, IngredientTraits Traits)
{
    /// <summary>Reads a line again with all its words: what was written where it still stands for itself, else its fields.</summary>
    public static LineAllergens Of(IngredientLine line, IngredientKnowledge knowledge)
    {
        // A line given in fields names its ingredient and nothing else; its note may still speak of an allergen.
        var written = line.Written.Length > 0 && line.InsteadOf.Length == 0;
        var words = written ? line.Written : line.Ingredient;
        var read = LineReader.Read(words, knowledge);
        if (
            !written
            && AllergenWords.In(line.Note.ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries)) is { Length: > 0 } noted
            && !NotInIt().IsMatch(line.Note)
        )
            read = read with { Named = [.. read.Named.Union(noted)] };
        var meant = knowledge.Meant(line.Ingredient);
        // Fields name an ingredient that the whole line may hide.
        if (read.Ingredient is null && meant is not null)
            read = read with { Ingredient = meant };
        var facts = Of(read, $"{words} {line.Form} {line.Note}".TrimEnd(), words, line.Alternatives, knowledge);
        if (!written || line.Ingredient.Length == 0)
            return facts;
        // The field may have been changed since the line was written: both count.
        if (meant is not null && meant != read.Ingredient)
            return facts with
            {
                Contains = [.. facts.Contains.Union(meant.Allergens.Except(read.Claimed)).Order()],
                Traits = facts.Traits | meant.Traits,
            };
        return
            meant is not null
            || read.Ingredient is null
            || line.Written.Contains(line.Ingredient, StringComparison.OrdinalIgnoreCase)
            || read.Name.Equals(line.Ingredient, StringComparison.OrdinalIgnoreCase)
            ? facts
            : facts with
            {
                Open = facts.Open.Add(new NotKnown(words, $"I do not know “{line.Ingredient}”", [])),
            };
    }

    /// <summary>Reads what a line says, as it was read.</summary>
    public static LineAllergens Of(ReadLine read, IngredientKnowledge knowledge) => Of(read, read.Text, read.Text, [], knowledge);

    private static LineAllergens Of(
        ReadLine read,
        string text,
        string words,
        ImmutableArray<string> alternatives,
        IngredientKnowledge knowledge
    )
    {
        if (read.Traits.HasFlag(LineTraits.Heading))
            return new LineAllergens([], [], IngredientTraits.None);
        var contains = new SortedSet<Allergen>(read.Ingredient?.Allergens ?? []);
        var open = new List<NotKnown>();
        var traits = read.Ingredient?.Traits ?? IngredientTraits.None;
        if (read.Ingredient is null)
            open.Add(new NotKnown(words, $"I do not know “{(read.Name.Length > 0 ? read.Name : words)}”", []));
        else if (read.IsGuessed)
            open.Add(new NotKnown(words, $"taken for {read.Ingredient.Name}, which is a guess", []));
        if (read.Left.Length > 0)
            open.Add(new NotKnown(words, $"I do not know “{string.Join(' ', read.Left)}”", []));
        foreach (var inside in read.Inside)
        {
            contains.UnionWith(inside.Allergens);
            traits |= inside.Traits;
        }

        var named = read.Named.Except(contains).ToImmutableArray();
        if (named.Length > 0)
            open.Add(new NotKnown(words, $"it speaks of {string.Join(", ", named.Select(AllergenNames.Of))}", named));
        contains.UnionWith(named);
        if (read.Claimed.Length > 0)
        {
            // A claim takes back what the ingredient usually holds, and leaves it open until somebody has looked.
            contains.ExceptWith(read.Claimed);
            open.Add(new NotKnown(words, "a claim that only the label can keep", read.Claimed));
        }

        // "Nuts" without a word which may be peanuts too.
        if (!contains.Contains(Allergen.Peanut) && AnyNuts().IsMatch(words))
            open.Add(new NotKnown(words, "which nuts? Peanuts are often among them", [Allergen.Peanut]));
        var label = (read.Ingredient?.OnLabels ?? []).Except(contains).ToImmutableArray();
        if (label.Length > 0)
            open.Add(new NotKnown(words, $"check the label for {string.Join(", ", label.Select(AllergenNames.Of))}", label));
        foreach (
            var (other, name) in read
                .Alternatives.Select(a => (a.Ingredient, a.Name))
                .Concat(alternatives.Where(_ => read.Alternatives.IsEmpty).Select(a => (knowledge.Meant(a), a)))
        )
        {
            if (other is null)
            {
                open.Add(new NotKnown(words, $"I do not know “{name}”, which may be taken instead", []));
                continue;
            }

            var (allergens, more) = (other.Allergens.Union(other.OnLabels).Except(contains).ToImmutableArray(), other.Traits & ~traits);
            if (allergens.Length > 0 || more != IngredientTraits.None)
                open.Add(new NotKnown(words, $"{other.Name} may be taken instead", allergens, more));
        }

        // "Raisins soaked in rum": what the words name beside the ingredient.
        var beside = NotInIt().IsMatch(text)
            ? IngredientTraits.None
            : TraitWords.In(text) & ~traits & ~open.Aggregate(IngredientTraits.None, (t, o) => t | o.Traits);
        if (beside != IngredientTraits.None)
            open.Add(new NotKnown(words, $"it speaks of {string.Join(" and ", TraitWords.Of(beside))}", [], beside));
        return new LineAllergens([.. contains], [.. open], traits);
    }

    [GeneratedRegex(@"(?<!\b(?:pine|brazil|macadamia|tiger|tree) )\bnuts\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex AnyNuts();

    // "in place of the ground almonds", "without nuts": what is spoken of is not in it.
    [GeneratedRegex(@"\b(?:in place of|instead of|without|not|no)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex NotInIt();
}
