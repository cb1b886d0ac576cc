namespace Zymethos.Interchange.Larder;

/// <summary>Something that is in the house.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="Name">What it is: an ingredient, or a recipe's name for what is baked.</param>
/// <param name="Kind">ingredient, bake, dough, soak or starter.</param>
/// <param name="Grams">How much of it; left out for what is counted.</param>
/// <param name="Pieces">How many; left out for what is weighed.</param>
/// <param name="Opened">Whether its package is opened.</param>
/// <param name="BestBy">Its date ("2026-12-24"); left out where it has none.</param>
/// <param name="Place">Where it stands; left out where nobody said.</param>
/// <param name="Recipe">Key of the recipe of a bake, dough or soak; left out for an ingredient.</param>
/// <param name="Since">Since when it is counted so ("2026-11-29"): what was used at the Bench before is no longer in it.</param>
/// <param name="Note">What else was written.</param>
public sealed record StockDocument(
    string Id,
    string Name,
    string Kind = "ingredient",
    double? Grams = null,
    int? Pieces = null,
    bool Opened = false,
    string? BestBy = null,
    string? Place = null,
    string? Recipe = null,
    string? Since = null,
    string? Note = null
);

/// <summary>How a kitchen buys something.</summary>
/// <param name="Name">The ingredient.</param>
/// <param name="Shop">Where; left out where nobody said.</param>
/// <param name="Aisle">In which aisle; left out where nobody said.</param>
/// <param name="Packages">What its packages weigh, in grams; left out for the usual ones.</param>
/// <param name="Price">What one package costs, the first of them, in the baker's own money; left out where nobody said.</param>
/// <param name="Codes">Numbers under the bars of its packages, as far as they were scanned or typed; left out for none.</param>
public sealed record ShopGoodDocument(
    string Name,
    string? Shop = null,
    string? Aisle = null,
    IReadOnlyList<double>? Packages = null,
    decimal? Price = null,
    IReadOnlyList<PackageCodeDocument>? Codes = null
);

/// <summary>The number under a package's bars, and what is in it.</summary>
/// <param name="Code">14 digits, zeros in front.</param>
/// <param name="Grams">What it holds; left out for what is counted.</param>
/// <param name="Pieces">How many it holds; left out for what is weighed.</param>
public sealed record PackageCodeDocument(string Code, double? Grams = null, int? Pieces = null);
