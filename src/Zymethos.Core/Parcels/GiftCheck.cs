using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Parcels;

/// <summary>Whether somebody may have something.</summary>
public enum GiftVerdict
{
    /// <summary>Nothing stands against it, and everything in it is known.</summary>
    Fine,

    /// <summary>Something in it is not known and matters to them: a label has to be looked at first.</summary>
    Look,

    /// <summary>Something in it is not for them.</summary>
    Never,
}

/// <summary>Whether somebody may have something, and why not.</summary>
/// <param name="Verdict">Whether they may.</param>
/// <param name="Reasons">Why not, or what has to be looked at, in sentences without a full stop at the end; empty for
/// <see cref="GiftVerdict.Fine"/>.</param>
public sealed record GiftStand(GiftVerdict Verdict, ImmutableArray<string> Reasons)
{
    /// <summary>All reasons in one line.</summary>
    public string Words => string.Join("; ", Reasons);
}

/// <summary>
/// Checks what is given against whom it is given to. What is not known is never let through: it asks. The general rules for infants, small
/// children and in pregnancy are those of public-health advice (from memory); whoever looks after somebody has the last word.
/// </summary>
public static class GiftCheck
{
    /// <summary>Whether somebody may have a bake.</summary>
    public static GiftStand Of(Recipient to, GiftBake bake)
    {
        var (never, look) = (new List<string>(), new List<string>());
        foreach (var allergen in to.Avoids)
            Allergens(bake.Statement, allergen, never, look);
        foreach (var words in to.AlsoAvoids)
        {
            if (bake.Names(words))
                never.Add($"it holds {words}");
            else if (Unsure(bake) is { Length: > 0 } what)
                look.Add($"look whether there is {words} in {what}");
            else
                look.Add($"nobody but you can say that no {words} comes near it");
        }

        foreach (var diet in to.Diets)
        {
            switch (Diets.Stand(bake.Statement, diet))
            {
                case DietStand.Against:
                    never.Add($"it holds {Of(diet)}");
                    break;
                case DietStand.NotKnown:
                    look.AddRange(Diets.Open(bake.Statement, diet).Select(o => $"{Of(diet)}? {Told(o)}"));
                    break;
            }
        }

        if (to.Age != RecipientAge.Grown || to.IsExpecting)
            Frail(to, bake, never, look);
        return never.Count > 0 ? new GiftStand(GiftVerdict.Never, [.. never.Distinct()])
            : look.Count > 0 ? new GiftStand(GiftVerdict.Look, [.. look.Distinct()])
            : new GiftStand(GiftVerdict.Fine, []);
    }

    private static void Allergens(AllergenStatement statement, Allergen allergen, List<string> never, List<string> look)
    {
        var name = AllergenNames.Of(allergen);
        // Whoever avoids gluten avoids wheat; wheat is in what holds gluten of a kind that nobody named.
        if (statement.Contains.Contains(allergen) || (allergen == Allergen.Gluten && statement.Contains.Contains(Allergen.Wheat)))
            never.Add($"it contains {name}");
        else if (statement.MayContain(allergen))
            look.AddRange(statement.Open.Where(o => o.IsAnything || o.MayBe.Contains(allergen)).Select(o => $"{name}? {Told(o)}"));
        else if (!statement.FreeFrom.Contains(allergen))
            look.Add($"{name}? Nobody can say that it is free from it");
    }

    /// <summary>Infants, small children, and whoever is expecting or nursing.</summary>
    private static void Frail(Recipient to, GiftBake bake, List<string> never, List<string> look)
    {
        var statement = bake.Statement;
        var open = statement.Open.Aggregate(IngredientTraits.None, (t, o) => t | o.Traits);
        var anything = statement.Open.Any(o => o.IsAnything);
        if (statement.HasSpirit)
            never.Add("it holds spirit that does not all bake off");
        else if (open.HasFlag(IngredientTraits.Alcohol) || anything)
            look.Add("there may be spirit in what is not known of it");
        if (statement.HasRawEgg)
            never.Add("egg in it stays raw or nearly raw");
        if (to.Age == RecipientAge.Infant)
        {
            if (statement.Traits.HasFlag(IngredientTraits.Honey))
                never.Add("it contains honey: not under 12 months, baked or not");
            else if (open.HasFlag(IngredientTraits.Honey) || anything)
                look.Add("there may be honey in what is not known of it");
        }

        if (to.Age == RecipientAge.Grown)
            return;
        if (bake.HasChoking)
            never.Add("whole nuts or hard pieces: a child under five can choke on them");
        else if (bake.Unknown.Length > 0)
            look.Add($"is it soft all through? {bake.Unknown} may be hard or whole");
    }

    private static string Unsure(GiftBake bake) =>
        string.Join(", ", bake.Statement.Open.Where(o => o.Line.Length > 0).Select(o => o.Line).Distinct().Take(3));

    private static string Told(NotKnown open) => open.Line.Length > 0 ? $"{open.Line}: {open.Why}" : open.Why;

    private static string Of(Diet diet) =>
        diet switch
        {
            Diet.NoEgg => "egg",
            Diet.NoMilk => "milk",
            Diet.NoNuts => "nuts",
            Diet.NoAlcohol => "alcohol",
            Diet.NoGluten => "gluten",
            Diet.NoHoney => "honey",
            _ => "something from animals",
        };
}
