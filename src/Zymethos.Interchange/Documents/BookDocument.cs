namespace Zymethos.Interchange.Documents;

/// <summary>A whole Book as one file: the open format "zymethos.book", version 1.</summary>
/// <param name="Recipes">Every recipe.</param>
/// <param name="Ingredients">The kitchen's own ingredients.</param>
/// <param name="Format">Always "zymethos.book".</param>
/// <param name="Version">Always 1.</param>
public sealed record BookDocument(
    IReadOnlyList<RecipeDocument> Recipes,
    IReadOnlyList<IngredientDocument>? Ingredients = null,
    string Format = BookDocument.FormatName,
    int Version = 1
)
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "zymethos.book";
}
