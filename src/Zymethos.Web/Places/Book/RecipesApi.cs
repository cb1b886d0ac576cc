using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Web.Api;

namespace Zymethos.Web.Places.Book;

/// <summary>The JSON API for recipes and pans. Stateless; nothing is kept.</summary>
public static class RecipesApi
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    /// <summary>Maps POST /api/v1/recipes/scale, /api/v1/recipes/import and /api/v1/pans/fit.</summary>
    public static void MapRecipesApi(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/v1").AllowAnonymous().DisableAntiforgery().RequireRateLimiting(ApiLimits.Policy);
        api.MapPost("/recipes/scale", ScaleAsync)
            .Describe<ScaleRequest, ScaleAnswer>(
                "ScaleRecipe",
                "Scales a recipe",
                "Takes a recipe by value and a wish (times, pieces, grams of dough or flour, or pans) and returns weights, measures "
                    + "that exist, eggs, mixes, pans with fill and bake time, baker's percentages and what does not scale."
            );
        api.MapPost("/recipes/import", ImportAsync)
            .Describe<ImportRequest, ImportAnswer>(
                "ImportRecipes",
                "Reads recipes from text, JSON-LD or a saved page",
                "Takes plain text, schema.org JSON-LD or the source of a saved web page. Nothing is fetched or executed. Steps and "
                    + "links are proposed from the words and come with questions."
            );
        api.MapPost("/pans/fit", FitAsync)
            .Describe<PanFitRequest, PanFitAnswer>(
                "FitPans",
                "Fits a batter into pans",
                "How full, how high, how many pans, what the surplus makes, and, from a bake time that is known in another pan, how "
                    + "long it bakes here."
            );
    }

    private static async Task<IResult> ScaleAsync(HttpRequest request, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<ScaleRequest>(request, cancel);
        if (read is not { } asked)
            return problem!;
        var reader = new DocumentReader();
        var stored = reader.Read(asked.Recipe, "recipe");
        var kitchen = asked.Kitchen is { } document ? reader.Read(document, "kitchen") : Zymethos.Core.Kitchens.Kitchen.Ordinary("Kitchen");
        var pan = asked.Pan is { } given ? reader.Read(given, "pan") : null;
        var faults = reader.Faults.ToList();
        if (asked.Kitchen is not null)
            faults.AddRange(KitchenCheck.Find(kitchen).Select(f => f.Under("kitchen")));
        if (!Enum.TryParse<ScaleBy>(asked.By, ignoreCase: true, out var by) || !Enum.IsDefined(by))
            faults.Add(new Fault("by", $"\"{asked.By}\" is not one of multiple, pieces, dough, flour, pans."));
        if (!(asked.Value > 0 && asked.Value < 1e7))
            faults.Add(new Fault("value", "A value above zero."));
        if (faults.Count > 0)
            return Problems.Faults(faults);
        var knowledge = new IngredientKnowledge([], stored.FlourHabit ?? kitchen.FlourHabit);
        var recipe = RecipeFacts.AsBaked(stored, knowledge);
        var factor = ScaleWish.Factor(recipe, by, asked.Value, pan ?? RecipeFacts.OwnPan(recipe)?.Pan, knowledge);
        if (factor is null)
            return Problems.Faults(
                [new Fault("by", $"This recipe cannot be scaled by {asked.By}: it has no weights for that, or no pan that holds batter.")]
            );
        if (factor is not (>= ScaledRecipe.Smallest and <= ScaledRecipe.Largest))
            return Problems.Faults(
                [
                    new Fault(
                        "value",
                        $"That is {factor:0.####} times the recipe; {ScaledRecipe.Smallest} to {ScaledRecipe.Largest} times can be "
                            + "worked out."
                    ),
                ]
            );
        var sheet = ScaleSheet.Of(
            recipe,
            factor.Value,
            kitchen,
            knowledge,
            pan,
            by == ScaleBy.Pans ? Math.Max(1, (int)Math.Round(asked.Value)) : null,
            asked.CutBack
        );
        return Results.Json(Answer(sheet, knowledge), OpenJson.Options);
    }

    private static ScaleAnswer Answer(ScaleSheet sheet, IngredientKnowledge knowledge) =>
        new(
            Math.Round(sheet.Scaled.Factor, 6),
            sheet.Scaled.Pieces,
            Math.Round(sheet.Dough.Grams, 1),
            Math.Round(sheet.Flour.Grams, 1),
            [
                .. sheet.Scaled.Parts.Select(p => new ScaledPartDocument(
                    p.Part.Name,
                    Math.Round(p.Weight.Grams, 1),
                    [
                        .. p.Lines.Select(l => new ScaledLineDocument(
                            l.Line.Ingredient,
                            l.Weight is { } w ? Math.Round(w.Grams, 2) : null,
                            l.Measure,
                            l.Line.Form,
                            l.Line.InsteadOf
                        )),
                    ]
                )),
            ],
            sheet.Pans is { } plan ? Answer(plan.Fit, plan.Time) : null,
            sheet.Mixer?.Mixes,
            sheet.Division is { } d ? new DivisionDocument(d.Count, Math.Round(d.Each.Grams, 1), d.Name) : null,
            [.. sheet.Formula?.Lines.Select(l => new PercentDocument(l.Ingredient, Math.Round(l.Percent, 2))) ?? []],
            [.. sheet.Formula?.Bands.Where(b => !b.IsUsual).Select(b => b.Words) ?? []],
            [.. sheet.Elevation.Select(c => c.Words)],
            [.. sheet.Unchanged],
            [.. AllergenStatement.Of(sheet.Scaled.Recipe, knowledge).Contains.Select(a => DocumentWords.Of(a))]
        )
        {
            Statement = StatementDocument.Of(sheet.Scaled.Recipe, knowledge),
        };

    private static PanFitAnswer Answer(PanFit fit, BakeTime? time) =>
        new(
            fit.Pan.Name,
            fit.Count,
            Math.Round(PanVolume.Of(fit.Pan)!.Value.Millilitres, 0),
            Math.Round(fit.EachWeight.Grams, 1),
            Math.Round(fit.Fill * 100, 1),
            Math.Round(fit.Height.Millimetres / 10, 2),
            fit.SmallCakes,
            fit.Verdict,
            time is null
                ? null
                : new BakeTimeDocument(time.LowMinutes, time.LikelyMinutes, time.HighMinutes, time.FirstLookMinutes, time.Reason)
        );

    private static async Task<IResult> FitAsync(HttpRequest request, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<PanFitRequest>(request, cancel);
        if (read is not { } asked)
            return problem!;
        var reader = new DocumentReader();
        var pan = reader.Read(asked.Pan, "pan");
        var from = asked.From is { } known ? reader.Read(known.Pan, "from.pan") : null;
        var faults = reader.Faults.ToList();
        if (!Enum.TryParse<RecipeKind>(asked.Kind, ignoreCase: true, out var kind))
            faults.Add(new Fault("kind", $"\"{asked.Kind}\" is not a kind of bake."));
        if (!(asked.BatterGrams > 0 && asked.BatterGrams < 1e6))
            faults.Add(new Fault("batterGrams", "Batter weighs above zero grams."));
        if (asked.Count is < 1 or > 100)
            faults.Add(new Fault("count", "1 to 100 pans are filled."));
        if (PanVolume.Of(pan) is null)
            faults.Add(new Fault("pan", "This pan holds no batter: give a shape other than tray, and its depth."));
        if (
            asked.From is { } f
            && (
                !(f.BatterGrams > 0 && f.BatterGrams < 1e6)
                || f.Minutes is < 1 or > 1440
                || !(f.SetTemperatureC is >= 100 and <= 350)
                || PanVolume.Of(from!) is null
            )
        )
            faults.Add(new Fault("from", "A known bake has a pan that holds batter, its grams, 1 to 1440 minutes, and 100 to 350 °C."));
        if (faults.Count > 0)
            return Problems.Faults(faults);
        var fit = PanFit.Of(Mass.FromGrams(asked.BatterGrams), kind, pan, asked.Count)!;
        var time = asked.From is { } own
            ? BakeTime.In(
                PanFit.Of(Mass.FromGrams(own.BatterGrams), kind, from!, 1)!,
                DurationEstimate.Minutes(own.Minutes, own.Minutes, own.Minutes),
                fit,
                Temperature.FromCelsius(own.SetTemperatureC)
            )
            : null;
        return Results.Json(Answer(fit, time), OpenJson.Options);
    }

    private static async Task<IResult> ImportAsync(HttpRequest request, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<ImportRequest>(request, cancel);
        if (read is not { } asked)
            return problem!;
        var result = PageReader.Read(asked.Text, IngredientKnowledge.Shipped, Pans);
        if (result.Drafts.Count == 0)
            return Problems.Faults([new Fault("text", result.Message)]);
        return Results.Json(new ImportAnswer([.. result.Drafts.Select(Imported)]), OpenJson.Options);
    }

    private static ImportedRecipe Imported(RecipeDraft draft)
    {
        var read = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans);
        return new ImportedRecipe(
            DocumentWriter.Write(read.Recipe),
            [.. draft.Questions.Select(q => q.Text)],
            [.. read.Faults.Select(f => new FaultDocument(f.Path, f.Message))],
            read.Missing,
            draft.Notes
        )
        {
            Statement = StatementDocument.Of(read.Recipe, IngredientKnowledge.Shipped),
        };
    }
}
