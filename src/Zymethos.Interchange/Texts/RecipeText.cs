using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Lines;
using Zymethos.Interchange.Texts.Sentences;

namespace Zymethos.Interchange.Texts;

/// <summary>Reads a whole recipe pasted as text into a draft: title, yield, parts with their lines, method, keeping. What fits nowhere
/// stays in the notes.</summary>
internal static class RecipeText
{
    /// <summary>Longest text that is read, in characters.</summary>
    public const int Longest = 60_000;

    /// <summary>Reads a text.</summary>
    /// <param name="text">As pasted; what lies beyond <see cref="Longest"/> is refused by the caller.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    /// <param name="pans">Pans that may be meant.</param>
    /// <param name="dialect">Where its words come from; null to take it from the words.</param>
    public static RecipeDraft Read(string text, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans, Dialect? dialect = null)
    {
        var draft = PatientReading.Of(() =>
        {
            var known = knowledge.With(dialect ?? DialectWords.Of(text));
            return RecipeAssembly.Of(RowReader.Read(text, known), known, pans);
        });
        draft.Source = text.Length <= Longest ? text : "";
        return draft;
    }
}
