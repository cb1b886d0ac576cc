namespace Zymethos.Interchange.Parcels;

/// <summary>Somebody to whom things are given, as files and rows keep them.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="Name">As the baker calls them.</param>
/// <param name="Group">"office", "street"; left out for none.</param>
/// <param name="Avoids">Allergens that must not be in it, by their names in camel case ("treeNut").</param>
/// <param name="AlsoAvoids">What else must not be in it, in the baker's own words.</param>
/// <param name="Diets">What they do not eat by choice ("noEgg", "vegan").</param>
/// <param name="Age">grown, smallChild or infant.</param>
/// <param name="Expecting">Whether somebody is expecting or nursing.</param>
/// <param name="Likes">What they would rather have.</param>
/// <param name="Dislikes">What they would rather not have.</param>
/// <param name="Address">Lines of their address label; left out for none.</param>
/// <param name="Note">What was noted in other years; left out for nothing.</param>
public sealed record RecipientDocument(
    string Id,
    string Name,
    string? Group = null,
    IReadOnlyList<string>? Avoids = null,
    IReadOnlyList<string>? AlsoAvoids = null,
    IReadOnlyList<string>? Diets = null,
    string Age = "grown",
    bool Expecting = false,
    IReadOnlyList<string>? Likes = null,
    IReadOnlyList<string>? Dislikes = null,
    string? Address = null,
    string? Note = null
);
