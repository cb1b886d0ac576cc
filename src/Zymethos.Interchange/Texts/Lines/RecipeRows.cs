using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Lines;

/// <summary>What a pasted text holds, row by row.</summary>
internal sealed class RecipeRows
{
    /// <summary>Its name; empty when no row can be one.</summary>
    public string Name { get; set; } = "";

    /// <summary>What stands between name and ingredients.</summary>
    public List<string> Summary { get; } = [];

    /// <summary>Parts and their lines; the first may have no name.</summary>
    public List<(string Name, List<string> Lines)> Parts { get; } = [];

    /// <summary>Paragraphs of the method.</summary>
    public List<string> Method { get; } = [];

    /// <summary>Notes, times and whatever fits nowhere.</summary>
    public List<string> Notes { get; } = [];

    /// <summary>What it says it makes, surest first when sorted by rank.</summary>
    public List<YieldWords> Yields { get; } = [];

    /// <summary>Rows and what each became.</summary>
    public List<SentenceDraft> Sentences { get; } = [];
}
