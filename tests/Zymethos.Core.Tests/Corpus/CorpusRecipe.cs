using System.Runtime.CompilerServices;

namespace Zymethos.Core.Tests.Corpus;

/// <summary>A recipe as somebody would paste it, and what a baker would say it means.</summary>
/// <param name="Name">Name of its two files.</param>
/// <param name="Text">As pasted.</param>
/// <param name="Expected">One expectation a line, written from the text before the reader was.</param>
public sealed record CorpusRecipe(string Name, string Text, IReadOnlyList<string> Expected)
{
    /// <summary>Every recipe of the corpus, in order.</summary>
    public static IReadOnlyList<CorpusRecipe> All { get; } = Load("Recipes");

    /// <summary>Recipes written after the reader was tuned on the others, to see how it fares with what it never saw.</summary>
    public static IReadOnlyList<CorpusRecipe> Second { get; } = Load("Second");

    /// <summary>Twenty more, written after the reader was tuned on both others.</summary>
    public static IReadOnlyList<CorpusRecipe> Third { get; } = Load("Third");

    /// <summary>Twenty more, written after the reader was tuned on all of these.</summary>
    public static IReadOnlyList<CorpusRecipe> Fourth { get; } = Load("Fourth");

    /// <summary>And twenty more, written after the reader was tuned on those.</summary>
    public static IReadOnlyList<CorpusRecipe> Fifth { get; } = Load("Fifth");

    /// <summary>Twenty more, written after the reader was tuned on the five others.</summary>
    public static IReadOnlyList<CorpusRecipe> Sixth { get; } = Load("Sixth");

    /// <summary>Twenty more, written after the reader was tuned on the six others.</summary>
    public static IReadOnlyList<CorpusRecipe> Seventh { get; } = Load("Seventh");

    /// <summary>Twenty more, written after the reader was tuned on the seven others.</summary>
    public static IReadOnlyList<CorpusRecipe> Eighth { get; } = Load("Eighth");

    /// <summary>Twenty more, written after the reader was tuned on the eight others.</summary>
    public static IReadOnlyList<CorpusRecipe> Ninth { get; } = Load("Ninth");

    /// <summary>Twenty more, written after the reader was tuned on the nine others.</summary>
    public static IReadOnlyList<CorpusRecipe> Tenth { get; } = Load("Tenth");

    /// <summary>Twenty more, written after the reader was tuned on the ten others.</summary>
    public static IReadOnlyList<CorpusRecipe> Eleventh { get; } = Load("Eleventh");

    /// <summary>Twenty more, written after the reader was tuned on the eleven others.</summary>
    public static IReadOnlyList<CorpusRecipe> Twelfth { get; } = Load("Twelfth");

    /// <summary>Twenty of plain everyday wording, none of them made hard on purpose.</summary>
    public static IReadOnlyList<CorpusRecipe> Thirteenth { get; } = Load("Thirteenth");

    /// <summary>Twenty more of plain wording, written after the reader was tuned on the thirteen others.</summary>
    public static IReadOnlyList<CorpusRecipe> Fourteenth { get; } = Load("Fourteenth");

    /// <summary>Twenty more of plain wording, written after the reader was tuned on the fourteen others.</summary>
    public static IReadOnlyList<CorpusRecipe> Fifteenth { get; } = Load("Fifteenth");

    /// <summary>Twenty more of plain wording, written after the reader was tuned on the fifteen others.</summary>
    public static IReadOnlyList<CorpusRecipe> Sixteenth { get; } = Load("Sixteenth");

    /// <summary>All of them.</summary>
    public static IReadOnlyList<CorpusRecipe> Everything { get; } = [.. All, .. Second, .. Third, .. Fourth, .. Fifth, .. Sixth, .. Seventh, .. Eighth, .. Ninth, .. Tenth, .. Eleventh, .. Twelfth, .. Thirteenth, .. Fourteenth, .. Fifteenth, .. Sixteenth];

    private static List<CorpusRecipe> Load(string which) =>
        [.. Directory.GetFiles(Folder(which), "*.txt").Order(StringComparer.Ordinal).Select(file => new CorpusRecipe(
            Path.GetFileNameWithoutExtension(file),
            File.ReadAllText(file),
            [.. File.ReadAllLines(Path.ChangeExtension(file, ".expect")).Select(l => l.Trim()).Where(l => l.Length > 0)]))];

    private static string Folder(string which, [CallerFilePath] string here = "")
    {
        var built = Path.Combine(AppContext.BaseDirectory, "Corpus", which);
        return Directory.Exists(built) ? built : Path.Combine(Path.GetDirectoryName(here)!, which);
    }
}
