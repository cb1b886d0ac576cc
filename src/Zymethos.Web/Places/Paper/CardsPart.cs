using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Paper;
using Zymethos.Web.Drawing;
using Zymethos.Web.Places.Book;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Paper;

/// <summary>Recipe cards at the scale at which they are baked, and cards that go along with a parcel.</summary>
internal static class CardsPart
{
    /// <summary>The cards of some bakes; null where there are none.</summary>
    /// <param name="bakes">Recipes as the Book keeps them, with how many batches are made.</param>
    /// <param name="known">What the kitchen knows.</param>
    public static PaperPart? Of(IReadOnlyList<(Recipe Recipe, double Batches)> bakes, KnownKitchen known) =>
        bakes.Count == 0
            ? null
            : new PaperPart("cards", "Recipe cards", [.. bakes.Select(b => new PaperKeep(Card(b.Recipe, b.Batches, known)))])
            {
                IsUntitled = true,
            };

    /// <summary>Cards for those who are given something, one batch each: two on a sheet; null where there are none.</summary>
    public static PaperPart? ForParcels(IReadOnlyList<Recipe> recipes, KnownKitchen known, PaperSize paper)
    {
        if (recipes.Count == 0)
            return null;
        var cards = recipes.Select(r => new PaperCard(Card(r, 1, known))).ToList();
        // What would be too small to read on half a sheet has a whole one.
        var half = cards.Where(c => CardFit.Of(c, paper.Width, paper.Height / 2) is >= 0.7).ToImmutableArray();
        var whole = cards.Where(c => !half.Contains(c)).ToImmutableArray();
        return new PaperPart(
            "gift-cards",
            "Recipe cards for the parcels",
            [
                .. half.IsEmpty ? Array.Empty<PaperBlock>() : [new PaperCards(1, 2, half)],
                .. whole.IsEmpty ? Array.Empty<PaperBlock>() : [new PaperCards(1, 1, whole)],
            ]
        )
        {
            IsBare = true,
        };
    }

    private static ImmutableArray<PaperBlock> Card(Recipe stored, double batches, KnownKitchen known)
    {
        var knowledge = known.For(stored);
        var recipe = RecipeFacts.AsBaked(stored, knowledge);
        var factor = Math.Clamp(batches, ScaledRecipe.Smallest, ScaledRecipe.Largest);
        var sheet = ScaleSheet.Of(recipe, factor, known.Kitchen, knowledge);
        var times = Math.Abs(factor - 1) > 1e-9 ? $", {factor.ToString("0.###", CultureInfo.InvariantCulture)} times the recipe" : "";
        var statement = AllergenStatement.Of(stored, knowledge);
        return
        [
            new PaperHeading(recipe.Name),
            PaperText.Of($"{Spoken.Pieces(sheet.Scaled.Pieces, recipe.Yield.PieceName)}{times}", PaperTone.Small),
            new PaperBeside(Lines(sheet), Method(recipe, sheet, known.Kitchen.Says), 0.38),
            .. recipe.Steps.SelectMany(s => s.Cautions).Distinct().Select(c => PaperText.Of(Caution.For(c).Text, PaperTone.Caution)),
            PaperText.Of(StatementWords.Whole(statement), PaperTone.Caution),
        ];
    }

    private static ImmutableArray<PaperBlock> Lines(ScaleSheet sheet) =>
        [
            .. sheet.Scaled.Parts.SelectMany(part =>
                new PaperBlock[]
                {
                    new PaperHeading(part.Part.Name, 3),
                    new PaperTable(
                        [new PaperColumn("", 30), new PaperColumn("", 70)],
                        [
                            .. part.Lines.Select(l =>
                                PaperRow.Of(
                                    l.BySpoon ? l.Measure : l.Weight?.ToString() ?? l.Measure,
                                    $"{l.Line.Ingredient}{(l.Line.Form.Length > 0 ? $", {l.Line.Form}" : "")}"
                                        + $"{(!l.BySpoon && l.Measure.Length > 0 && l.Weight is not null ? $" ({l.Measure})" : "")}"
                                        + (
                                            l.Line.IsHeldBack ? " (only if the dough wants it)"
                                            : l.Line.IsOptional ? " (if you like)"
                                            : ""
                                        )
                                )
                            ),
                        ]
                    ),
                }
            ),
        ];

    private static ImmutableArray<PaperBlock> Method(Recipe recipe, ScaleSheet sheet, KitchenSays says)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        if (sheet.Pans is { } plan)
        {
            blocks.Add(
                PaperText.Of(
                    $"{(plan.Fit.Count == 1 ? "" : $"{plan.Fit.Count} × ")}{plan.Fit.Pan.Name}, {plan.Fit.EachWeight} in each. Bakes "
                        + $"{ScaleModel.Say(plan.Time)}, first look after {plan.Time.FirstLookMinutes} min."
                )
            );
        }

        blocks.AddRange(
            recipe.Steps.Select(
                (step, i) =>
                    (PaperBlock)
                        new PaperText(
                            [
                                new PaperRun($"{i + 1}. {step.Title}", true),
                                new PaperRun(
                                    step.Oven is { State: OvenState.Bake } oven ? $", {says.Dial(oven.SetTemperature.Celsius)}" : ""
                                ),
                                new PaperRun($", {RecipeModel.Span(step.Takes)}. {step.Instruction}"),
                                new PaperRun(string.Concat(step.Touches.Select(t => $" {RecipeModel.Say(t, step)}."))),
                                new PaperRun(string.Concat(step.DoneTests.Select(t => $" {t.Text}"))),
                            ]
                        )
            )
        );
        if (recipe.Keeping.Length > 0)
            blocks.Add(
                PaperText.Of(
                    "Keeps: "
                        + string.Join(
                            "; ",
                            recipe.Keeping.Select(k =>
                                $"{(k.Part.Length > 0 ? k.Part + ", " : "")}{k.Place}, {Spoken.Count(k.Days, "day", "days")}"
                            )
                        )
                        + "."
                )
            );
        return blocks.ToImmutable();
    }
}
