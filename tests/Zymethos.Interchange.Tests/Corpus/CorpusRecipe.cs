using System.Runtime.CompilerServices;
using Zymethos.Core.Measures;

namespace Zymethos.Interchange.Tests.Corpus;

/// <summary>A recipe as somebody would paste it, and what a baker would say it means.</summary>
/// <param name="Name">Name of its two files.</param>
/// <param name="Text">As pasted.</param>
/// <param name="Expected">One expectation a line, written from the text before the reader was.</param>
public sealed record CorpusRecipe(string Name, string Text, IReadOnlyList<string> Expected)
{
    /// <summary>Every recipe of the corpus, in order.</summary>
    public static IReadOnlyList<CorpusRecipe> All { get; } = Load("Recipes");

    /// <summary>Folders of the further rounds, oldest first: each was written after the reader was tuned on all before it; from the
    /// thirteenth on in plain everyday wording.</summary>
    public static IReadOnlyList<string> Rounds { get; } =
    [
        "Second",
        "Third",
        "Fourth",
        "Fifth",
        "Sixth",
        "Seventh",
        "Eighth",
        "Ninth",
        "Tenth",
        "Eleventh",
        "Twelfth",
        "Thirteenth",
        "Fourteenth",
        "Fifteenth",
        "Sixteenth",
        "Seventeenth",
        "Eighteenth",
        "Nineteenth",
        "Twentieth",
        "TwentyFirst",
        "TwentySecond",
        "TwentyThird",
        "TwentyFourth",
        "TwentyFifth",
        "TwentySixth",
        "TwentySeventh",
        "TwentyEighth",
    ];

    /// <summary>The recipes of one round.</summary>
    public static IReadOnlyList<CorpusRecipe> Round(string folder) => Load(folder);

    /// <summary>All of them.</summary>
    public static IReadOnlyList<CorpusRecipe> Everything { get; } = [.. All, .. Rounds.SelectMany(Load)];

    private static List<CorpusRecipe> Load(string which) =>
        [
            .. Directory
                .GetFiles(Folder(which), "*.txt")
                .Order(StringComparer.Ordinal)
                .Select(file => new CorpusRecipe(
                    Path.GetFileNameWithoutExtension(file),
                    File.ReadAllText(file),
                    [.. File.ReadAllLines(Path.ChangeExtension(file, ".expect")).Select(l => l.Trim()).Where(l => l.Length > 0)]
                )),
        ];

    private static string Folder(string which, [CallerFilePath] string here = "")
    {
        var built = Path.Combine(AppContext.BaseDirectory, "Corpus", which);
        return Directory.Exists(built) ? built : Path.Combine(Path.GetDirectoryName(here)!, which);
    }
}
