using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Web.Drawing;

/// <summary>Figures the way a baker says them.</summary>
public static class Spoken
{
    /// <summary>A duration: to the minute up to 20 minutes, in steps of 5 beyond.</summary>
    public static string Minutes(int minutes) => SpokenTime.Of(minutes <= 20 ? minutes : (int)Math.Round(minutes / 5.0) * 5);

    /// <summary>"1 change", "3 changes", "no changes".</summary>
    public static string Count(int count, string one, string many) =>
        count switch
        {
            0 => $"no {many}",
            1 => $"1 {one}",
            _ => $"{count} {many}",
        };

    /// <summary>So many pieces: "1 loaf", "3 loaves", whichever of the two the recipe writes.</summary>
    public static string Pieces(double count, string name)
    {
        if (count <= 0)
            return $"less than one {One(name)}";
        var number = count.ToString("0.#", System.Globalization.CultureInfo.InvariantCulture);
        return $"{number} {(Math.Abs(count - 1) < 1e-9 ? One(name) : Many(name))}";
    }

    /// <summary>Everything that is open in a recipe: what reading left, and what a look at it as it stands asks; the gravest first, each
    /// once.</summary>
    public static IReadOnlyList<OpenQuestion> Open(Recipe recipe) =>
        [.. recipe.Questions.Concat(RecipeAsks.Of(recipe)).DistinctBy(q => q.Text).OrderBy(q => q.About)];

    /// <summary>That something in a recipe was guessed and nobody looked at it, the gravest first, or that it is worth a look; empty when
    /// neither is.</summary>
    public static string Guessed(Recipe recipe)
    {
        var gravest = recipe.Questions.MinBy(q => q.About);
        var guessed = gravest is null
            ? ""
            : $"{Count(recipe.Questions.Length, "thing", "things")} guessed and not looked at "
                + $"yet{(gravest.About <= QuestionAbout.Safety ? $": {gravest.Text}" : ".")}";
        var asks = Open(recipe).Count - recipe.Questions.DistinctBy(q => q.Text).Count();
        return $"{guessed} {(asks > 0 ? $"{Count(asks, "thing", "things")} worth a look before it is planned." : "")}".Trim();
    }

    /// <summary>The word for several of them.</summary>
    public static string Many(string name) =>
        name switch
        {
            _ when name.EndsWith('s') => name,
            _ when name.EndsWith("oaf", StringComparison.Ordinal) => $"{name[..^1]}ves",
            _ when name.EndsWith("ch", StringComparison.Ordinal) || name.EndsWith("sh", StringComparison.Ordinal) => $"{name}es",
            _ => $"{name}s",
        };

    private static string One(string name) =>
        name switch
        {
            _ when name.EndsWith("oaves", StringComparison.Ordinal) => $"{name[..^3]}f",
            _ when name.EndsWith("ches", StringComparison.Ordinal) || name.EndsWith("shes", StringComparison.Ordinal) => name[..^2],
            _ when name.EndsWith('s') && !name.EndsWith("ss", StringComparison.Ordinal) => name[..^1],
            _ => name,
        };
}
