namespace Zymethos.Interchange.Documents;

/// <summary>A cutter or template of a kitchen.</summary>
/// <param name="Name">What the baker calls it.</param>
/// <param name="Path">Its outline as the path of an SVG in millimetres, holes and all.</param>
public sealed record CutterDocument(string Name, string Path);
