using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>Something on which bakers differ: the recipe holds the ways, one is chosen, and lines and steps follow.</summary>
/// <param name="Key">Short name, unique in the recipe.</param>
/// <param name="Question">What is asked ("How is the fruit soaked?").</param>
/// <param name="Options">The ways, at least two.</param>
/// <param name="Chosen">Key of the way taken.</param>
public sealed record Choice(string Key, string Question, ImmutableArray<ChoiceOption> Options, string Chosen);

/// <summary>One way of a <see cref="Choice"/>.</summary>
/// <param name="Key">Short name, unique in the choice.</param>
/// <param name="Name">A few words.</param>
/// <param name="Why">What it changes. May be empty.</param>
public sealed record ChoiceOption(string Key, string Name, string Why);

/// <summary>Says that something stands only when a choice went one of several ways.</summary>
/// <param name="Choice">Key of the choice.</param>
/// <param name="Options">Keys of the ways, at least one.</param>
public sealed record Condition(string Choice, ImmutableArray<string> Options)
{
    /// <summary>Two conditions are equal when they say the same.</summary>
    public bool Equals(Condition? other) => other is not null && Choice == other.Choice && Options.SequenceEqual(other.Options);

    /// <inheritdoc />
    public override int GetHashCode() => ToString().GetHashCode(StringComparison.Ordinal);

    /// <summary>As documents write it: "soak=tea|juice".</summary>
    public override string ToString() => $"{Choice}={string.Join('|', Options)}";

    /// <summary>Reads what <see cref="ToString"/> writes; null when the text is no condition.</summary>
    public static Condition? Parse(string text)
    {
        var at = text.IndexOf('=', StringComparison.Ordinal);
        if (at <= 0 || at == text.Length - 1)
            return null;
        return new Condition(
            text[..at].Trim(),
            [.. text[(at + 1)..].Split('|', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)]
        );
    }
}

/// <summary>An ingredient taken instead of another.</summary>
/// <param name="Rule">Key of the rule it follows.</param>
/// <param name="Ingredient">What is replaced, as the recipe's lines name it.</param>
public sealed record Swap(string Rule, string Ingredient);
