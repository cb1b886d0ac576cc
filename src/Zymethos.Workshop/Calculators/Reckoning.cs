using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>An answer.</summary>
/// <param name="Says">The answer in a sentence or two; empty where nothing can be reckoned.</param>
public sealed record Reckoning(string Says)
{
    /// <summary>The figures of the answer for machines, with their units.</summary>
    public ImmutableArray<ReckonedValue> Values { get; init; } = [];

    /// <summary>What stands in tables below it.</summary>
    public ImmutableArray<ReckonedTable> Tables { get; init; } = [];

    /// <summary>What can hurt somebody, or does not work; each a sentence.</summary>
    public ImmutableArray<string> Cautions { get; init; } = [];

    /// <summary>What else is worth knowing; each a sentence.</summary>
    public ImmutableArray<string> Notes { get; init; } = [];

    /// <summary>Its drawings.</summary>
    public ImmutableArray<Sketch> Sketches { get; init; } = [];

    /// <summary>A recipe of it, in words that the Book reads; empty where it makes none.</summary>
    public string Recipe { get; init; } = "";

    /// <summary>Grams of filling and of coat for a cake; null where none are reckoned.</summary>
    public (double Filling, double Coat)? Coat { get; init; }

    /// <summary>How many times a recipe is to be taken; null where it does not say.</summary>
    public double? Times { get; init; }
}

/// <summary>A figure.</summary>
/// <param name="Name">Its name in camel case.</param>
/// <param name="Value">Its value.</param>
/// <param name="Unit">Its unit: "g", "ml", "mm", "min", "°C", "%" or "" for a count or a ratio.</param>
public sealed record ReckonedValue(string Name, double Value, string Unit);

/// <summary>A table.</summary>
/// <param name="Title">What it lists; may be empty.</param>
/// <param name="Heads">Its columns.</param>
/// <param name="Rows">Its rows, each with as many cells as there are columns.</param>
public sealed record ReckonedTable(string Title, ImmutableArray<string> Heads, ImmutableArray<ImmutableArray<string>> Rows);
