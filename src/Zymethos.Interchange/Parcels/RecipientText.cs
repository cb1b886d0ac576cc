using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Parcels;

/// <summary>Reads and writes people as documents. What cannot be read is a fault and never left out: it would be missing where it
/// matters.</summary>
public static class RecipientText
{
    /// <summary>Most words of one kind ("likes").</summary>
    public const int MostWords = 20;

    /// <summary>Longest note or address, in characters.</summary>
    public const int LongestText = 500;

    private static readonly Dictionary<string, Allergen> Allergens = Names<Allergen>();
    private static readonly Dictionary<string, Diet> DietNames = Names<Diet>();
    private static readonly Dictionary<string, RecipientAge> Ages = Names<RecipientAge>();

    /// <summary>Writes.</summary>
    public static RecipientDocument Write(Recipient person) =>
        new(
            person.Id.ToString(),
            person.Name,
            Said(person.Group),
            Few(person.Avoids.Select(DocumentWords.Of)),
            Few(person.AlsoAvoids),
            Few(person.Diets.Select(DocumentWords.Of)),
            DocumentWords.Of(person.Age),
            person.IsExpecting,
            Few(person.Likes),
            Few(person.Dislikes),
            Said(person.Address),
            Said(person.Note)
        );

    /// <summary>Reads.</summary>
    /// <param name="document">The document.</param>
    /// <param name="at">Where it stands, for the paths of faults; empty for itself.</param>
    /// <param name="faults">What is wrong with it is put here; then null is returned.</param>
    public static Recipient? Read(RecipientDocument document, string at, ICollection<Fault> faults)
    {
        var before = faults.Count;
        void Wrong(string field, string words) => faults.Add(new Fault(at.Length == 0 ? field : $"{at}.{field}", words));
        if (!Guid.TryParse(document.Id, out var id))
            Wrong("id", "An id is a UUID.");
        if (string.IsNullOrWhiteSpace(document.Name) || document.Name.Length > Recipient.LongestName)
            Wrong("name", $"A name has 1 to {Recipient.LongestName} characters.");
        ImmutableArray<T> Read<T>(IReadOnlyList<string>? words, Dictionary<string, T> names, string field, string what)
        {
            foreach (var word in (words ?? []).Where(w => !names.ContainsKey(w)))
                Wrong(field, $"“{word}” is none of {what}: {string.Join(", ", names.Keys)}.");
            return [.. (words ?? []).Where(names.ContainsKey).Select(w => names[w]).Distinct()];
        }
        ImmutableArray<string> Words(IReadOnlyList<string>? words, string field)
        {
            var own = (words ?? []).Select(w => w.Trim()).Where(w => w.Length > 0).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
            if (own.Count > MostWords || own.Exists(w => w.Length > 60))
                Wrong(field, $"At most {MostWords} words of up to 60 characters each.");
            return [.. own];
        }
        if (!Ages.TryGetValue(document.Age, out var age))
            Wrong("age", $"An age is {string.Join(", ", Ages.Keys)}.");
        if (
            (document.Address?.Length ?? 0) > LongestText
            || (document.Note?.Length ?? 0) > LongestText
            || (document.Group?.Length ?? 0) > 60
        )
            Wrong("note", $"A note or address has up to {LongestText} characters, a group 60.");
        var person = new Recipient(id, document.Name?.Trim() ?? "")
        {
            Group = document.Group?.Trim() ?? "",
            Avoids = Read(document.Avoids, Allergens, "avoids", "the allergens"),
            AlsoAvoids = Words(document.AlsoAvoids, "alsoAvoids"),
            Diets = Read(document.Diets, DietNames, "diets", "the diets"),
            Age = age,
            IsExpecting = document.Expecting,
            Likes = Words(document.Likes, "likes"),
            Dislikes = Words(document.Dislikes, "dislikes"),
            Address = document.Address?.Trim() ?? "",
            Note = document.Note?.Trim() ?? "",
        };
        return faults.Count == before ? person : null;
    }

    private static Dictionary<string, T> Names<T>()
        where T : struct, Enum => Enum.GetValues<T>().ToDictionary(DocumentWords.Of, StringComparer.OrdinalIgnoreCase);

    private static string? Said(string text) => text.Length > 0 ? text : null;

    private static IReadOnlyList<string>? Few(IEnumerable<string> words) => words.ToList() is { Count: > 0 } some ? some : null;
}
