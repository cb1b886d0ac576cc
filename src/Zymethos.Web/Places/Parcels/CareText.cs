using Zymethos.Core.Parcels;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Web.Places.Parcels;

/// <summary>What must be kept from somebody, in a few words.</summary>
internal static class CareText
{
    /// <summary>"no egg, no kiwi, vegan, small child"; empty where nothing must.</summary>
    public static string Of(Recipient person)
    {
        var nuts = person.Avoids.Contains(Allergen.TreeNut) && person.Avoids.Contains(Allergen.Peanut);
        return string.Join(
            ", ",
            person
                .Avoids.Where(a => !nuts || a is not (Allergen.TreeNut or Allergen.Peanut))
                .Select(a => $"no {AllergenNames.Of(a)}")
                .Prepend(nuts ? "no nuts" : "")
                .Concat(person.AlsoAvoids.Select(w => $"no {w}"))
                .Concat(person.Diets.Select(d => d == Diet.Vegan ? "vegan" : Diets.Name(d)))
                .Append(
                    person.Age switch
                    {
                        RecipientAge.Infant => "a baby under one",
                        RecipientAge.SmallChild => "a small child",
                        _ => "",
                    }
                )
                .Append(person.IsExpecting ? "expecting" : "")
                .Where(w => w.Length > 0)
        );
    }

    /// <summary>What they would rather have or not; empty where nothing is known.</summary>
    public static string Taste(Recipient person) =>
        string.Join(
            "; ",
            new[]
            {
                person.Likes.IsEmpty ? "" : $"likes {string.Join(", ", person.Likes)}",
                person.Dislikes.IsEmpty ? "" : $"rather not {string.Join(", ", person.Dislikes)}",
            }.Where(w => w.Length > 0)
        );
}
