using Zymethos.Core.Measures;

namespace Zymethos.Interchange.Documents;

/// <summary>Lines to read.</summary>
/// <param name="Text">Ingredient lines, one under the other; at most 20 000 characters.</param>
public sealed record ParseRequest(string Text);

/// <summary>Lines as read, in the order they stood.</summary>
/// <param name="Lines">One for each line that is not empty.</param>
/// <param name="Grams">What all of them weigh together; lines of unknown weight are left out.</param>
public sealed record ParseAnswer(IReadOnlyList<ReadLineDocument> Lines, double Grams);

/// <summary>A line as read.</summary>
/// <param name="Text">As written.</param>
/// <param name="Amounts">Its amounts, the main one first.</param>
/// <param name="Ingredient">What was recognised; null when nothing was.</param>
/// <param name="Name">The words for it.</param>
/// <param name="Forms">How it is to be.</param>
/// <param name="Note">Everything else.</param>
/// <param name="Traits">optional, toTaste, divided, aside, plusMore or heading.</param>
/// <param name="Grams">Its weight; null when it cannot be known.</param>
/// <param name="Measure">The weight in cups and spoons that exist; null when it is not measured so.</param>
/// <param name="Allergens">What must be declared.</param>
/// <param name="Alternatives">What may be taken instead.</param>
/// <param name="Doubts">Questions for the baker.</param>
public sealed record ReadLineDocument(
    string Text,
    IReadOnlyList<ReadAmountDocument> Amounts,
    string? Ingredient,
    string Name,
    IReadOnlyList<string> Forms,
    string Note,
    IReadOnlyList<string> Traits,
    double? Grams,
    string? Measure,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<ReadLineDocument> Alternatives,
    IReadOnlyList<string> Doubts
)
{
    /// <summary>A reading as a document.</summary>
    public static ReadLineDocument Of(ReadLine line) =>
        new(
            line.Text,
            [
                .. line.Amounts.Select(a => new ReadAmountDocument(
                    a.Amount.Low,
                    a.Amount.High,
                    a.Amount.Unit.Code,
                    DocumentWords.Of(a.Role),
                    a.Fullness
                )),
            ],
            line.Ingredient?.Name,
            line.Name,
            line.Forms,
            line.Note,
            [.. Enum.GetValues<LineTraits>().Where(t => t != LineTraits.None && line.Traits.HasFlag(t)).Select(t => DocumentWords.Of(t))],
            line.Weight is { } w ? Math.Round(w.Grams, 2) : null,
            line is { Weight: { } mass, Ingredient: { } ingredient } ? SpoonsAndCups.For(mass, ingredient, line.Forms)?.WithError : null,
            [.. (line.Ingredient?.Allergens ?? []).Select(a => DocumentWords.Of(a))],
            [.. line.Alternatives.Select(Of)],
            line.Doubts
        );
}

/// <summary>An amount as read.</summary>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end; equal to the lower when it is no range.</param>
/// <param name="Unit">Code of the unit.</param>
/// <param name="Role">main, plus, minus, also or each.</param>
/// <param name="Fullness">1 when level.</param>
public sealed record ReadAmountDocument(double Low, double High, string Unit, string Role, double Fullness);

/// <summary>An amount to convert.</summary>
/// <param name="Ingredient">Name or alias of the ingredient.</param>
/// <param name="Amount">How many; above 0, at most 100 000.</param>
/// <param name="Unit">Code of the unit it is in.</param>
/// <param name="To">Code of the unit it is wanted in.</param>
/// <param name="Form">"packed", "sifted", "chopped" and the like; left out for the usual.</param>
public sealed record ConvertRequest(string Ingredient, double Amount, string Unit, string To, string Form = "");

/// <summary>A converted amount.</summary>
/// <param name="Amount">How many of the wanted unit.</param>
/// <param name="Unit">Code of the wanted unit.</param>
/// <param name="Grams">What it weighs.</param>
/// <param name="Measure">In cups and spoons that exist; null when it is not measured so.</param>
/// <param name="Ingredient">What was recognised.</param>
/// <param name="Source">Where the weight comes from.</param>
public sealed record ConvertAnswer(double Amount, string Unit, double Grams, string? Measure, string Ingredient, string Source);
