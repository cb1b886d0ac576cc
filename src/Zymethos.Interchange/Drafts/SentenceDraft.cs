namespace Zymethos.Interchange.Drafts;

/// <summary>A sentence of a pasted text and what became of it.</summary>
public sealed record SentenceDraft
{
    /// <summary>As written.</summary>
    public string Text { get; set; } = "";

    /// <summary>What it became: "name", "summary", "line", "part", "step", "touch", "heat", "remark", "keeping", "yield", "note" or
    /// "nothing".</summary>
    public string Became { get; set; } = "nothing";

    /// <summary>Keys of the steps it became or stands with.</summary>
    public List<string> Steps { get; set; } = [];
}
