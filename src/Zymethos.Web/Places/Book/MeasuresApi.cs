using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Api;

namespace Zymethos.Web.Places.Book;

/// <summary>The JSON API for measures. Stateless; nothing is kept.</summary>
public static class MeasuresApi
{
    /// <summary>Longest text that is read, in characters.</summary>
    public const int LongestText = 20_000;

    /// <summary>Maps POST /api/v1/measures/parse and /api/v1/measures/convert.</summary>
    public static void MapMeasuresApi(this IEndpointRouteBuilder app)
    {
        var measures = app.MapGroup("/api/v1/measures").AllowAnonymous().DisableAntiforgery().RequireRateLimiting(ApiLimits.Policy);
        measures
            .MapPost("/parse", ParseAsync)
            .Describe<ParseRequest, ParseAnswer>(
                "ParseIngredientLines",
                "Reads ingredient lines",
                "Takes lines as people write them and returns amounts, ingredient, forms, weight in grams, the same in cups and "
                    + "spoons that exist, allergens, and what is doubtful. No word is dropped."
            );
        measures
            .MapPost("/convert", ConvertAsync)
            .Describe<ConvertRequest, ConvertAnswer>(
                "ConvertMeasure",
                "Converts an amount of an ingredient",
                "Between weights, volumes and pieces, by the weight of the ingredient in its form."
            );
    }

    private static async Task<IResult> ParseAsync(HttpRequest request, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<ParseRequest>(request, cancel);
        if (read is not { } asked)
            return problem!;
        if (asked.Text.Length > LongestText)
            return Problems.Faults(
                [new Fault("text", $"At most {LongestText} characters are read at once; this has {asked.Text.Length}.")]
            );
        var lines = LineReader.ReadAll(asked.Text);
        return Results.Json(
            new ParseAnswer([.. lines.Select(ReadLineDocument.Of)], Math.Round(lines.Sum(l => l.Weight?.Grams ?? 0), 1)),
            OpenJson.Options
        );
    }

    private static async Task<IResult> ConvertAsync(HttpRequest request, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<ConvertRequest>(request, cancel);
        if (read is not { } asked)
            return problem!;
        var faults = new List<Fault>();
        var ingredient = IngredientTable.Find(asked.Ingredient);
        var from = MeasureUnit.Find(asked.Unit);
        var to = MeasureUnit.Find(asked.To);
        var units = string.Join(", ", MeasureUnit.All.Select(u => u.Code));
        if (ingredient is null)
            faults.Add(new Fault("ingredient", $"\"{asked.Ingredient}\" is not in the table of ingredients."));
        if (from is null)
            faults.Add(new Fault("unit", $"\"{asked.Unit}\" is not a unit. There are: {units}."));
        if (to is null)
            faults.Add(new Fault("to", $"\"{asked.To}\" is not a unit. There are: {units}."));
        if (!(asked.Amount > 0 && asked.Amount <= 100_000))
            faults.Add(new Fault("amount", "An amount is above 0 and at most 100 000."));
        if (faults.Count > 0)
            return Problems.Faults(faults);

        string[] forms = asked.Form.Length > 0 ? [asked.Form] : [];
        var grams = Grams(asked.Amount, from!, ingredient!, forms);
        var one = Grams(1, to!, ingredient!, forms);
        if (grams is null)
            faults.Add(new Fault("unit", $"What {asked.Unit} of {ingredient!.Name} weighs is not known."));
        if (one is null)
            faults.Add(new Fault("to", $"What {asked.To} of {ingredient!.Name} weighs is not known."));
        if (faults.Count > 0)
            return Problems.Faults(faults);
        return Results.Json(
            new ConvertAnswer(
                Math.Round(grams!.Value / one!.Value, 3),
                to!.Code,
                Math.Round(grams.Value, 2),
                SpoonsAndCups.For(Mass.FromGrams(grams.Value), ingredient!, forms)?.WithError,
                ingredient!.Name,
                ingredient.Source
            ),
            OpenJson.Options
        );
    }

    private static double? Grams(double amount, MeasureUnit unit, Ingredient ingredient, string[] forms) =>
        LineWeight.Grams(new ReadAmount(Amount.Of(amount, unit), AmountRole.Main), ingredient, forms, "");
}
