namespace Zymethos.Interchange.Documents;

/// <summary>
/// What stands in `kitchen.json` of a kitchen's archive, version 1: the kitchen itself, and which files the archive has beside it. The
/// archive is a ZIP; every other file has one row a line as JSON, pictures stand in `photos/`.
/// </summary>
/// <param name="Format">Always "zymethos-kitchen".</param>
/// <param name="Version">Always 1.</param>
/// <param name="MadeAt">When it was made, an instant ("2026-12-06T09:00:00Z").</param>
/// <param name="Kitchen">Oven, people, mixer, and what bakes have taught.</param>
/// <param name="Parts">The files with their rows.</param>
public sealed record KitchenArchiveDocument(
    string Format,
    int Version,
    string MadeAt,
    KitchenDocument Kitchen,
    IReadOnlyList<ArchivePartDocument> Parts
)
{
    /// <summary>What every archive says of itself.</summary>
    public const string FormatName = "zymethos-kitchen";
}

/// <summary>One file of an archive.</summary>
/// <param name="Name">The kind of rows ("bench-events"); the file is called so, with ".jsonl".</param>
/// <param name="Rows">How many lines it has, so that a file that was cut off is seen.</param>
public sealed record ArchivePartDocument(string Name, int Rows);
