using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Parcels;

/// <summary>Pieces of a recipe as they are given, one finish of it where it has several, with all that is known of them.
/// Immutable.</summary>
public sealed class GiftBake
{
    private readonly ImmutableHashSet<string> _words;

    private GiftBake(Recipe recipe, Finish? finish, AllergenStatement statement, ImmutableArray<IngredientLine> lines, bool hasChoking)
    {
        (Recipe, Finish, Statement, Lines, HasChoking) = (recipe, finish, statement, lines, hasChoking);
        _words = [.. lines.SelectMany(l => Split($"{l.Ingredient} {l.InsteadOf} {l.Form} {l.Note} {l.Written}"))];
    }

    /// <summary>The recipe, its choices made and swaps taken.</summary>
    public Recipe Recipe { get; }

    /// <summary>Which of its finishes; null for pieces that none takes, or where it has none.</summary>
    public Finish? Finish { get; }

    /// <summary>What is in them, may be, and is not.</summary>
    public AllergenStatement Statement { get; }

    /// <summary>The lines that go into these pieces.</summary>
    public ImmutableArray<IngredientLine> Lines { get; }

    /// <summary>Whether a small child can choke on them: whole nuts, small hard sweets.</summary>
    public bool HasChoking { get; }

    /// <summary>Ingredients that the kitchen does not know, in one line; empty when it knows all.</summary>
    public string Unknown { get; private init; } = "";

    /// <summary>What they are called.</summary>
    public string Name => Finish is { } own ? $"{Recipe.Name}, {own.Name}" : Recipe.Name;

    /// <summary>The bake as a kitchen knows its ingredients.</summary>
    /// <param name="recipe">The recipe; its own choices and swaps count.</param>
    /// <param name="finish">Name of a finish; empty for the batch as it comes, or for the pieces that no finish takes.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static GiftBake Of(Recipe recipe, string finish, IngredientKnowledge knowledge)
    {
        var own = recipe.Finishes.FirstOrDefault(f => f.Name.Equals(finish, StringComparison.OrdinalIgnoreCase));
        var baked = RecipeFacts.AsBaked(recipe, knowledge);
        var others = baked
            .Finishes.Where(f => own is not null && f.Name != own.Name)
            .SelectMany(f => f.LinesOf(baked))
            .ToHashSet<IngredientLine>(ReferenceEqualityComparer.Instance);
        if (own is not null)
            others.ExceptWith(own.LinesOf(baked));
        var lines = baked.Parts.SelectMany(p => p.Lines).Where(l => !others.Contains(l)).ToImmutableArray();
        var chokes = recipe.Steps.Any(s => s.Cautions.Contains(Safety.CautionKind.Choking)) || lines.Any(l => IsWholeNut(l, knowledge));
        return new GiftBake(
            recipe,
            own,
            own is null ? AllergenStatement.Of(recipe, knowledge) : AllergenStatement.OfFinish(recipe, own, knowledge),
            lines,
            chokes
        )
        {
            Unknown = string.Join(", ", lines.Where(l => knowledge.Meant(l.Ingredient) is null).Select(l => l.Ingredient).Distinct()),
        };
    }

    /// <summary>Whether a word of the baker's names something that goes in, or the recipe or its finish itself.</summary>
    /// <param name="words">One word or several that stand together ("icing sugar").</param>
    public bool Names(string words)
    {
        var wanted = Split(words).ToList();
        return wanted.Count > 0
            && (
                wanted.All(_words.Contains)
                || wanted.TrueForAll(w => Split($"{Recipe.Name} {Recipe.Summary} {Finish?.Name}").Contains(w, StringComparer.Ordinal))
            );
    }

    private static bool IsWholeNut(IngredientLine line, IngredientKnowledge knowledge) =>
        knowledge.Meant(line.Ingredient) is { } known
        && (known.Allergens.Contains(Safety.Allergen.TreeNut) || known.Allergens.Contains(Safety.Allergen.Peanut))
        && known.Role is IngredientRole.Inclusion
        && !Split($"{line.Ingredient} {line.Form} {line.Note}")
            .Any(w => w is "ground" or "flour" or "meal" or "powdered" or "butter" or "paste" or "milled");

    /// <summary>Words in lower case and, as far as an s tells, in the singular.</summary>
    private static IEnumerable<string> Split(string text) =>
        text.ToLowerInvariant()
            .Split([' ', ',', '.', ';', ':', '(', ')', '/', '"', '“', '”', '\t', '\n', '-'], StringSplitOptions.RemoveEmptyEntries)
            .Select(w => w.Length > 3 && w.EndsWith('s') && !w.EndsWith("ss", StringComparison.Ordinal) ? w[..^1] : w);
}
