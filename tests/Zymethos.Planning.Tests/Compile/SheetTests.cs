using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.Tests.Seasons;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>Tins that travel on a sheet: the sheet's footprint is what the shelf gives, and the door opens once.</summary>
public sealed class SheetTests
{
    private static readonly LocalDateTime From = new(2026, 12, 5, 9, 0);
    private static readonly Pan Sheet = new("sheet 40 x 30 cm", Length.FromMillimetres(400), Length.FromMillimetres(300));
    private static readonly Pan Mould = new("mould 10 cm", Length.FromMillimetres(100), Length.FromMillimetres(100))
    {
        Shape = PanShape.Round,
        Depth = Length.FromMillimetres(50),
    };

    private static Recipe Cakes(int pans, Pan? sheet, Pan? pan = null) =>
        new(
            "small-cakes",
            "Small cakes",
            "",
            new Yield(pans, "cakes"),
            [],
            [
                new Step("mix", "Mix", "", StepKind.Mix, DurationEstimate.Minutes(8, 10, 12), 1, null, 1, [], []),
                new Step(
                    "bake",
                    "Bake",
                    "",
                    StepKind.Bake,
                    DurationEstimate.Minutes(28, 30, 34),
                    0,
                    new OvenUse(OvenState.Bake, Temperature.FromCelsius(180), pan ?? Mould, pans) { Sheet = sheet },
                    1,
                    [],
                    []
                ),
            ],
            [new Link("mix", "bake", Duration.Zero, Duration.FromMinutes(20), WindowKind.Hard, "")],
            []
        );

    [Theory]
    // Three across and four deep stand on 40 x 30 cm.
    [InlineData(1, 1)]
    [InlineData(12, 1)]
    [InlineData(13, 2)]
    public void Pans_are_counted_by_the_sheet(int pans, int sheets)
    {
        Assert.Equal((Sheet, sheets), Cakes(pans, Sheet).Steps[1].Oven!.Load);
        Assert.Equal((Mould, pans), Cakes(pans, null).Steps[1].Oven!.Load);
    }

    [Fact]
    public void The_shelf_gives_the_room_of_the_sheet_and_the_door_opens_once()
    {
        var kitchen = Kitchen.Ordinary("Home");
        var network = TaskCompiler
            .Compile(
                kitchen,
                new DayWish(
                    From,
                    From.PlusHours(6),
                    [
                        new BakeWish(Cakes(12, Sheet), 1, null, null),
                        new BakeWish(
                            Cakes(
                                2,
                                null,
                                new Pan("loaf", Length.FromMillimetres(230), Length.FromMillimetres(130))
                                {
                                    Shape = PanShape.Loaf,
                                    Depth = Length.FromMillimetres(60),
                                }
                            ) with
                            {
                                Key = "loaf",
                                Name = "Loaf",
                            },
                            1,
                            null,
                            null
                        ),
                    ]
                )
            )
            .Network!;
        var load = network.Tasks.First(t => t.Kind == StepKind.Bake);
        Assert.Equal(1, load.Oven!.Items);
        Assert.Equal(Footprint.Of(Sheet), load.Oven.Pan);
        Assert.Equal(ShelfRoom.UnitsOf(kitchen.Oven, Footprint.Of(Sheet)), load.Oven.UnitsPerItem);
        var plan = FirstPlan.Find(network, 1)!;
        Assert.Empty(PlanChecker.Check(network, plan));
        Assert.Single(plan.Tasks[load.Index].Shelves);
        Assert.Single(RunSheet.Of(network, plan, []), l => l.Kind == RunSheetKind.In && l.Task == load.Index);
    }

    [Fact]
    public void Two_loads_do_not_use_the_one_sheet_at_once()
    {
        var kitchen = Kitchen.Ordinary("Home") with { Pans = [new PanStock(Sheet, 1), new PanStock(Mould, 24)] };
        var wish = new DayWish(
            From,
            From.PlusHours(6),
            [
                new BakeWish(Cakes(8, Sheet), 1, null, null),
                new BakeWish(Cakes(8, Sheet) with { Key = "others", Name = "Others" }, 1, null, null),
            ]
        );
        var network = TaskCompiler.Compile(kitchen, wish).Network!;
        var plan = FirstPlan.Find(network, 1)!;
        Assert.Empty(PlanChecker.Check(network, plan));
        var bakes = network.Tasks.Where(t => t.Kind == StepKind.Bake).Select(t => plan.Tasks[t.Index]).OrderBy(t => t.Start).ToList();
        Assert.True(bakes[1].Start >= bakes[0].End);
        var many = TaskCompiler.Compile(kitchen, wish with { Bakes = [new BakeWish(Cakes(13, Sheet), 1, null, null)] });
        Assert.Contains(many.Faults, f => f.Path.EndsWith("oven.sheet", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("mould 10 cm", false)]
    [InlineData("sheet 40 x 30 cm", true)]
    public void Only_a_flat_tray_carries(string name, bool carries) =>
        Assert.Equal(
            !carries,
            RecipeCheck.Find(Cakes(2, name == Sheet.Name ? Sheet : Mould)).Any(f => f.Path.EndsWith("sheet", StringComparison.Ordinal))
        );

    [Fact]
    public void A_pan_larger_than_the_sheet_does_not_stand_on_it() =>
        Assert.Contains(
            RecipeCheck.Find(Cakes(1, Sheet, Mould with { Length = Length.FromMillimetres(450), Width = Length.FromMillimetres(450) })),
            f => f.Path.EndsWith("sheet", StringComparison.Ordinal)
        );

    [Fact]
    public void It_goes_out_and_comes_back_in_the_open_format()
    {
        var recipe = Cakes(6, Sheet);
        var back = new DocumentReader().Read(DocumentWriter.Write(recipe), "recipe");
        Assert.Equal(Sheet, back.Steps[1].Oven!.Sheet);
        var draft = DraftOf.Recipe(recipe);
        Assert.Equal(Sheet.Name, draft.Steps[1].Sheet);
        Assert.Equal(Sheet, DraftReader.Read(draft, IngredientKnowledge.Shipped, [Sheet, Mould]).Recipe.Steps[1].Oven!.Sheet);
        draft.Steps[1].Sheet = "the moon";
        Assert.Contains(DraftReader.Read(draft, IngredientKnowledge.Shipped, [Sheet, Mould]).Faults, f => f.Path == "steps[1].sheet");
    }

    [Theory]
    [InlineData("Divide between 6 ramekins. Stand the ramekins on a baking tray. Bake at 180 C for 20 minutes.", true)]
    [InlineData("Pour into a 20 cm tart tin. Put the tin on a baking sheet and bake at 180 C for 30 minutes.", true)]
    [InlineData("Pour into a 20 cm round tin. Bake at 180 C for 30 minutes. Cool on a tray.", false)]
    [InlineData("Drop spoonfuls on a baking sheet. Bake at 180 C for 12 minutes.", false)]
    public void The_words_say_that_tins_travel_on_a_sheet(string method, bool travels)
    {
        var pans = PanCupboard.Ordinary.Select(p => p.Pan).ToList();
        var recipe = DraftReader
            .Read(
                RecipeText.Read(
                    $"Puddings\nMakes 6\n\n200 g plain flour\n150 g butter\n150 g sugar\n3 eggs\n\nBeat everything. {method}",
                    IngredientKnowledge.Shipped,
                    pans
                ),
                IngredientKnowledge.Shipped,
                pans
            )
            .Recipe;
        var bake = recipe.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal(travels, bake.Oven!.Sheet is not null);
        if (travels)
            Assert.NotEqual(PanShape.Tray, bake.Oven.Pan.Shape);
    }
}
