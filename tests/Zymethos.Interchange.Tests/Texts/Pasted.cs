using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Texts as somebody pastes them, and what is read of them with the shipped ingredients and the ordinary pans.</summary>
internal static class Pasted
{
    /// <summary>Pans that a text may mean.</summary>
    public static Pan[] Pans { get; } = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    /// <summary>The draft of a text.</summary>
    public static RecipeDraft Draft(string text) => RecipeText.Read(text, IngredientKnowledge.Shipped, Pans);

    /// <summary>The recipe of a text.</summary>
    public static Recipe Read(string text) => DraftReader.Read(Draft(text), IngredientKnowledge.Shipped, Pans).Recipe;

    /// <summary>A plain loaf with a method of one's own.</summary>
    public static Recipe Loaf(string method) =>
        Read($"Plain loaf\n\n500 g bread flour\n330 g water\n7 g instant yeast\n10 g salt\n\nMethod\n{method}");

    /// <summary>A plain cake with a method of one's own, and rows between its name and its list.</summary>
    public static Recipe Cake(string method, string above = "") =>
        Read($"Plain cake\n{above}\n200 g plain flour\n150 g butter\n150 g caster sugar\n3 eggs\n1 tsp baking powder\n\nMethod\n{method}");

    /// <summary>The lines of all parts of a text.</summary>
    public static List<string> Lines(string text) => [.. Draft(text).Parts.SelectMany(p => p.Lines.Split('\n'))];
}
