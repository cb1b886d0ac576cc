namespace Zymethos.Core.Recipes;

/// <summary>Something wrong with what a user gave, at the place where it is wrong.</summary>
/// <param name="Path">Where, in the notation of the open formats: "bakes[2].recipe.links[0].maxLagMinutes".</param>
/// <param name="Message">What is wrong and what would be right, in a sentence for the person who gave it.</param>
public sealed record Fault(string Path, string Message)
{
    /// <summary>The same fault seen from further out.</summary>
    public Fault Under(string prefix) => this with { Path = Path.Length == 0 ? prefix : $"{prefix}.{Path}" };
}
