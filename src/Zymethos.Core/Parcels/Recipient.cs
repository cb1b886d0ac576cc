using System.Collections.Immutable;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Parcels;

/// <summary>Ages that matter to what may be eaten.</summary>
public enum RecipientAge
{
    /// <summary>Five years and over.</summary>
    Grown,

    /// <summary>One to four years: chokes on whole nuts and small hard sweets.</summary>
    SmallChild,

    /// <summary>Under one year: no honey besides.</summary>
    Infant,
}

/// <summary>Somebody to whom things are given.</summary>
/// <param name="Id">Unique in the kitchen.</param>
/// <param name="Name">As the baker calls them; not empty.</param>
public sealed record Recipient(Guid Id, string Name)
{
    /// <summary>Longest name, in characters.</summary>
    public const int LongestName = 80;

    /// <summary>"office", "street"; empty for none.</summary>
    public string Group { get; init; } = "";

    /// <summary>Allergens that must not be in it.</summary>
    public ImmutableArray<Allergen> Avoids { get; init; } = [];

    /// <summary>What else must not be in it, in the baker's own words ("kiwi", "coconut").</summary>
    public ImmutableArray<string> AlsoAvoids { get; init; } = [];

    /// <summary>What they do not eat by choice.</summary>
    public ImmutableArray<Diet> Diets { get; init; } = [];

    /// <summary>How old they are, where that matters. Whoever shares the box counts: a household with an infant is one.</summary>
    public RecipientAge Age { get; init; }

    /// <summary>Whether somebody is expecting or nursing: no spirit, no raw egg.</summary>
    public bool IsExpecting { get; init; }

    /// <summary>What they would rather have, as words of ingredients, recipes or finishes.</summary>
    public ImmutableArray<string> Likes { get; init; } = [];

    /// <summary>What they would rather not have: no danger, only a pity.</summary>
    public ImmutableArray<string> Dislikes { get; init; } = [];

    /// <summary>Lines of their address label; may be empty.</summary>
    public string Address { get; init; } = "";

    /// <summary>What was noted in other years; may be empty.</summary>
    public string Note { get; init; } = "";
}
