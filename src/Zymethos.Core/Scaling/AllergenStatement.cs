using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Scaling;

/// <summary>Something in a recipe of which nobody knows what it holds.</summary>
/// <param name="Line">The line, or the step, as written.</param>
/// <param name="Why">What is not understood or wants a look at the label, in a few words.</param>
/// <param name="MayBe">The allergens it may hold; empty for any at all, unless only <paramref name="Traits"/> are in question.</param>
/// <param name="Traits">Spirit, honey and the like that it may hold.</param>
public sealed record NotKnown(string Line, string Why, ImmutableArray<Allergen> MayBe, IngredientTraits Traits = IngredientTraits.None)
{
    /// <summary>Whether it may hold anything at all.</summary>
    public bool IsAnything => MayBe.IsEmpty && Traits == IngredientTraits.None;
}

/// <summary>
/// What a recipe as it is baked contains, what it may contain or nobody knows, and what it is free from. Never less than the truth: a line
/// or a word that was not understood takes "free from" away, and a recipe without lines is free from nothing.
/// </summary>
public sealed record AllergenStatement
{
    private AllergenStatement(ImmutableArray<Allergen> contains, ImmutableArray<NotKnown> open, IngredientTraits traits, bool hasRawEgg)
    {
        Contains = contains;
        Open = open;
        Traits = traits;
        HasRawEgg = hasRawEgg;
        FreeFrom = open.Any(o => o.IsAnything)
            ? []
            :
            [
                .. Enum.GetValues<Allergen>()
                    .Where(a =>
                        !contains.Contains(a)
                        && !open.Any(o => o.MayBe.Contains(a))
                        && !(a == Allergen.Gluten && contains.Contains(Allergen.Wheat))
                    ),
            ];
    }

    /// <summary>What is certainly in it, in the order of <see cref="Allergen"/>.</summary>
    public ImmutableArray<Allergen> Contains { get; }

    /// <summary>What may be in it or is not known, with the line; empty when every line is wholly known.</summary>
    public ImmutableArray<NotKnown> Open { get; }

    /// <summary>What is certainly not in it; empty unless every line is known. Traces of shared trays and boards are not spoken
    /// of.</summary>
    public ImmutableArray<Allergen> FreeFrom { get; }

    /// <summary>What else matters: spirit, honey, what comes from animals.</summary>
    public IngredientTraits Traits { get; }

    /// <summary>Whether there is more alcohol in it than that of an extract.</summary>
    public bool HasSpirit { get; private init; }

    /// <summary>Whether egg stays raw or nearly so as far as the method tells.</summary>
    public bool HasRawEgg { get; }

    /// <summary>Whether every line and every word of it was understood.</summary>
    public bool IsWhollyKnown => Open.IsEmpty;

    /// <summary>Whether an allergen is in it, may be, or nobody knows: everything but certainly not.</summary>
    public bool MayContain(Allergen allergen) => Contains.Contains(allergen) || Open.Any(o => o.IsAnything || o.MayBe.Contains(allergen));

    /// <summary>The statement of a recipe as it is baked: choices made, swaps taken, optional lines in until they are left out.</summary>
    /// <param name="recipe">The recipe; its own choices and swaps count.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static AllergenStatement Of(Recipe recipe, IngredientKnowledge knowledge)
    {
        var baked = RecipeFacts.AsBaked(recipe, knowledge);
        var contains = new SortedSet<Allergen>();
        var open = new List<NotKnown>();
        var traits = IngredientTraits.None;
        var lines = baked.Parts.SelectMany(p => p.Lines).ToList();
        if (lines.Count == 0)
            open.Add(new NotKnown(recipe.Name, "it has no ingredients, so nobody can say", []));
        foreach (var line in lines)
        {
            var facts = LineAllergens.Of(line, knowledge);
            contains.UnionWith(facts.Contains);
            open.AddRange(facts.Open);
            traits |= facts.Traits;
        }

        open.AddRange(MethodAllergens.Beyond(baked, contains, traits, lines));
        return new AllergenStatement([.. contains], [.. open.DistinctBy(o => (o.Line, o.Why))], traits, RawEgg.IsIn(baked, knowledge))
        {
            HasSpirit = lines.Exists(l => knowledge.Meant(l.Ingredient) is { } i && IsSpirit(i)),
        };
    }

    /// <summary>The statement of a list that is no recipe yet.</summary>
    /// <param name="lines">Its lines, as read.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static AllergenStatement OfLines(IReadOnlyList<ReadLine> lines, IngredientKnowledge knowledge)
    {
        var facts = lines.Select(l => LineAllergens.Of(l, knowledge)).ToList();
        var open = facts.SelectMany(f => f.Open).ToList();
        if (lines.All(l => l.Traits.HasFlag(LineTraits.Heading)))
            open.Add(new NotKnown("", "there are no lines, so nobody can say", []));
        return new AllergenStatement(
            [.. facts.SelectMany(f => f.Contains).Distinct().Order()],
            [.. open.DistinctBy(o => (o.Line, o.Why))],
            facts.Aggregate(IngredientTraits.None, (t, f) => t | f.Traits),
            false
        )
        {
            HasSpirit = lines.Any(l => l.Ingredient is { } i && IsSpirit(i)),
        };
    }

    /// <summary>The statement of the pieces of one finish. What the other pieces of the batch hold beyond them is not known of these: they
    /// share board, bowl and hands.</summary>
    /// <param name="recipe">The recipe; its own choices and swaps count.</param>
    /// <param name="finish">One of its finishes; null for the pieces that none takes.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static AllergenStatement OfFinish(Recipe recipe, Finish? finish, IngredientKnowledge knowledge)
    {
        var whole = Of(recipe, knowledge);
        var baked = RecipeFacts.AsBaked(recipe, knowledge);
        var mine = (finish?.LinesOf(baked) ?? []).ToHashSet<IngredientLine>(ReferenceEqualityComparer.Instance);
        var theirs = baked
            .Finishes.Where(f => f != finish)
            .SelectMany(f => f.LinesOf(baked))
            .ToHashSet<IngredientLine>(ReferenceEqualityComparer.Instance);
        // What a line of the others says is open stays open here: it is made beside.
        var own = Of(
            baked with
            {
                Parts = [.. baked.Parts.Select(p => p with { Lines = [.. p.Lines.Where(l => mine.Contains(l) || !theirs.Contains(l))] })],
                Choices = [],
                Swaps = [],
                Finishes = [],
            },
            knowledge
        );
        var beside = whole.Contains.Except(own.Contains).ToImmutableArray();
        var traits = whole.Traits & ~own.Traits;
        var open = own
            .Open.Where(o => whole.Open.Any(w => w.Line == o.Line))
            .Concat(whole.Open.Where(w => !own.Open.Any(o => o.Line == w.Line)))
            .ToList();
        if (beside.Length > 0 || traits != IngredientTraits.None)
            open.Add(new NotKnown("", "made beside pieces that contain it", beside, traits));
        return new AllergenStatement(own.Contains, [.. open], own.Traits, whole.HasRawEgg) { HasSpirit = own.HasSpirit };
    }

    private static bool IsSpirit(Ingredient ingredient) => ingredient.Traits.HasFlag(IngredientTraits.Alcohol) && !ingredient.IsExtract;
}
