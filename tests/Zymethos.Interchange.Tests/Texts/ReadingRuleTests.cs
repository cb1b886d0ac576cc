using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Single rules of the reader, each with its examples; whole recipes are the corpus's.</summary>
public sealed class ReadingRuleTests
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    private static RecipeDraft Read(string method, string lines = "200 g plain flour\n100 g butter\n2 eggs", string name = "A thing") =>
        RecipeText.Read($"{name}\n\nIngredients\n{lines}\n\nMethod\n{method}", IngredientKnowledge.Shipped, Pans);

    private static Recipe Recipe(string method, string lines = "200 g plain flour\n100 g butter\n2 eggs") =>
        DraftReader.Read(Read(method, lines), IngredientKnowledge.Shipped, Pans).Recipe;

    private static Step Bake(string method) => Recipe(method).Steps.Single(s => s.Kind == StepKind.Bake);

    [Theory]
    [InlineData("Bake at 180C for 20 minutes on a tray.", 180)]
    [InlineData("Bake at 350 for 20 minutes on a tray.", 176.7)]
    [InlineData("Bake in a 375 degree oven for 20 minutes on a tray.", 190.6)]
    [InlineData("Bake at 180C/160C fan/gas 4 for 20 minutes on a tray.", 180)]
    [InlineData("Bake at 160C fan for 20 minutes on a tray.", 180)]
    [InlineData("Bake at gas mark 6 for 20 minutes on a tray.", 200)]
    [InlineData("Heat the oven to 200°C (fan 180°C). Bake for 20 minutes on a tray.", 200)]
    [InlineData("350 for 20 minutes on a tray.", 176.7)]
    [InlineData("Bake in a hot oven for 20 minutes on a tray.", 220)]
    [InlineData("Bake for 20 minutes at 170 °C to 94 °C in the core on a tray.", 170)]
    public void A_heat_is_read_the_way_people_write_it(string method, double celsius) =>
        Assert.Equal(celsius, Bake(method).Oven!.SetTemperature.Celsius, 1.0);

    [Theory]
    [InlineData("160 C fan", 180)]
    [InlineData("gas 4", 180)]
    [InlineData("350", 176.7)]
    [InlineData("180", 180)]
    [InlineData("180 C, middle shelf", 180)]
    public void A_field_takes_any_of_them(string typed, double celsius)
    {
        var draft = new RecipeDraft
        {
            Name = "x",
            Steps =
            [
                new StepDraft
                {
                    Title = "Bake",
                    Kind = "bake",
                    Takes = "20",
                    Oven = typed,
                    Pan = "quarter-sheet tray",
                },
            ],
        };
        var read = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans);
        Assert.Empty(read.Faults);
        Assert.Equal(celsius, read.Recipe.Steps[0].Oven!.SetTemperature.Celsius, 1.0);
    }

    [Theory]
    [InlineData("Pour into a 20cm round tin and bake at 180C for 30 minutes.", PanShape.Round, 200, 1)]
    [InlineData("Divide between two 20cm sandwich tins and bake at 180C for 25 minutes.", PanShape.Round, 200, 2)]
    [InlineData("Pour into 2 greased + floured 9 x 5 x 3 loaf pans and bake at 350 for 1 hour.", PanShape.Loaf, 230, 2)]
    [InlineData("Spread in a 9x13 pan and bake at 350 for 30 minutes.", PanShape.Rectangle, 330, 1)]
    [InlineData("Fill a 12-hole muffin tin and bake at 200C for 20 minutes.", PanShape.Muffin, 350, 1)]
    [InlineData("Turn into a greased springform (26 cm) and bake at 170C for 60 minutes.", PanShape.Springform, 260, 1)]
    [InlineData("Scrape into a 10-inch tube pan and bake at 325 for 55 minutes.", PanShape.Ring, 255, 1)]
    [InlineData("Bake at 200C for 20 minutes on two trays.", PanShape.Tray, 330, 2)]
    public void A_pan_is_read_with_its_size_and_number(string method, PanShape shape, double millimetres, int pans)
    {
        var oven = Bake(method).Oven!;
        Assert.Equal((shape, pans), (oven.Pan.Shape, oven.Pans));
        Assert.Equal(millimetres, oven.Pan.Length.Millimetres, 10.0);
    }

    [Theory]
    [InlineData("They keep for up to two weeks in an airtight tin.", KeepingStore.Counter, 14)]
    [InlineData("Freezes well for a month.", KeepingStore.Freezer, 30)]
    [InlineData("Keep in the fridge and eat within 2 days.", KeepingStore.Refrigerator, 2)]
    [InlineData("Best eaten the day it is made.", KeepingStore.Counter, 1)]
    [InlineData("Up to a week in a tin.", KeepingStore.Counter, 7)]
    [InlineData("Store airtight up to 1 month.", KeepingStore.Counter, 30)]
    [InlineData("Will keep a fortnight in a tin.", KeepingStore.Counter, 14)]
    public void Keeping_is_no_step(string sentence, KeepingStore store, int days)
    {
        var recipe = Recipe($"Mix. Bake at 180C for 20 minutes on a tray. {sentence}");
        Assert.Contains(recipe.Keeping, k => k.Store == store && k.Days == days);
        Assert.Equal(StepKind.Bake, recipe.Steps[^1].Kind);
        Assert.Contains(sentence.TrimEnd('.'), recipe.Steps[^1].Instruction, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Do not open the door for the first 20 minutes.")]
    [InlineData("The batter will be thick.")]
    [InlineData("Check at 18 minutes.")]
    [InlineData("Don't overmix.")]
    [InlineData("Some people add a pinch of salt.")]
    [InlineData("Each loaf cuts into 10 slices.")]
    [InlineData("They should be pale.")]
    public void A_remark_is_no_step_and_is_kept(string sentence)
    {
        var recipe = Recipe($"Mix everything. Bake at 180C for 20 minutes on a tray. {sentence}");
        Assert.Equal(2, recipe.Steps.Count(s => s.Title is not "Take out the butter to come to room temperature"));
        Assert.Contains(recipe.Steps, s => s.Instruction.Contains(sentence, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Chill for 1 h and up to 2 days.", 60, 2820)]
    [InlineData("Chill 2-24 hours.", 120, 1320)]
    [InlineData("Refrigerate overnight, up to 16 hours.", 480, 480)]
    public void A_wait_with_two_ends_is_ready_at_the_one_and_good_until_the_other(string sentence, int least, int more)
    {
        var recipe = Recipe($"Mix. {sentence} Roll out. Bake at 180C for 20 minutes on a tray.");
        var chill = recipe.Steps.Single(s => s.Kind == StepKind.Chill);
        Assert.Equal(least, chill.Takes.Likely.TotalMinutes);
        Assert.Equal(more, recipe.Links.Single(l => l.From == chill.Key).MaxLag!.Value.TotalMinutes);
    }

    [Theory]
    [InlineData("Brush the hot buns with syrup.", 5)]
    [InlineData("Brush with butter as soon as they come out.", 5)]
    [InlineData("While still warm, drizzle with icing.", 25)]
    public void What_must_be_hot_is_tied_to_the_oven(string sentence, int most)
    {
        var recipe = Recipe($"Mix. Bake at 180C for 20 minutes on a tray. {sentence}");
        var bake = recipe.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal(most, recipe.Links.Single(l => l.From == bake.Key).MaxLag!.Value.TotalMinutes);
    }

    [Fact]
    public void What_must_be_cold_waits()
    {
        var recipe = Recipe("Mix. Bake at 180C for 20 minutes on a tray. When completely cold, spread with jam.");
        var bake = recipe.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal(90, recipe.Links.Single(l => l.From == bake.Key && l.MinLag.TotalMinutes > 0).MinLag.TotalMinutes);
    }

    [Fact]
    public void Soda_and_beaten_egg_do_not_wait_for_the_oven()
    {
        var soda = Recipe(
            "Stir wet into dry. Pour into a loaf pan. Bake at 180C for 50 minutes.",
            "200 g plain flour\n1 tsp baking soda\n200 ml buttermilk"
        );
        Assert.Contains(
            soda.Links,
            l => l.MaxLag is { } most && most.TotalMinutes <= 20 && l.Why.Contains("soda", StringComparison.Ordinal)
        );
        var foam = Recipe("Whip the whites to stiff peaks and fold in. Pour into a springform. Bake at 180C for 50 minutes.");
        Assert.Contains(
            foam.Links,
            l => l.MaxLag is { } most && most.TotalMinutes <= 10 && l.Why.Contains("air", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_bake_that_goes_on_at_another_heat_stays_in()
    {
        var recipe = Recipe("Knead. Bake at 230C for 15 minutes then turn down to 200C for 20 minutes more on a tray.");
        var bakes = recipe.Steps.Where(s => s.Kind == StepKind.Bake).ToList();
        Assert.Equal([230, 200], bakes.Select(b => b.Oven!.SetTemperature.Celsius));
        Assert.NotNull(recipe.Links.Single(l => l.From == bakes[0].Key && l.To == bakes[1].Key).MaxLag);
    }

    [Fact]
    public void A_topping_part_way_is_a_touch_of_one_bake()
    {
        var bake = Bake("Mix. Bake at 180C for 15 minutes, scatter over the crumb and bake for another 45 minutes on a tray.");
        Assert.Equal(60, bake.Takes.Likely.TotalMinutes);
        Assert.Equal(0.25, bake.Touches.Single().At, 2);
    }

    [Fact]
    public void A_cold_oven_for_a_rise_is_no_bake_and_is_warned_of()
    {
        var rise = Recipe(
            "Knead. Set in the cold oven with a pan of hot water and let rise 1 hour. Bake at 200C for 20 minutes on a tray.",
            "500 g bread flour\n7 g instant yeast"
        )
            .Steps.Single(s => s.Kind == StepKind.BulkRise);
        Assert.Equal(OvenState.Proof, rise.Oven!.State);
        Assert.Contains(CautionKind.DoughInOven, rise.Cautions);
    }

    [Fact]
    public void Sixty_cookies_at_twelve_a_sheet_are_five_trays()
    {
        var oven = DraftReader
            .Read(
                Read("Drop by spoonfuls, 12 to a sheet. Bake at 190C for 10 minutes. Makes 60 cookies.", name: "Oat cookies"),
                IngredientKnowledge.Shipped,
                Pans
            )
            .Recipe.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal(5, oven.Times * oven.Oven!.Pans);
    }

    [Fact]
    public void No_wait_of_an_hour_is_work_by_hand() =>
        Assert.DoesNotContain(
            Recipe(
                "Mix. Put in the bread machine on the dough cycle (1 hour 30 minutes). Put somewhere warm for 1 hour. Bake at 200C "
                    + "for 20 minutes on a tray.",
                "500 g bread flour\n7 g instant yeast"
            ).Steps,
            s => s.IsHandsOn && s.Takes.Likely.TotalMinutes > 30
        );

    [Fact]
    public void Softened_butter_and_toasted_nuts_have_their_lead_time()
    {
        var recipe = Recipe(
            "Cream the butter and sugar. Fold in the nuts. Bake at 180C for 20 minutes on a tray.",
            "100 g butter, softened\n100 g sugar\n50 g walnuts, toasted"
        );
        Assert.Contains(recipe.Steps, s => s.Kind == StepKind.Rest && s.Title.Contains("butter", StringComparison.Ordinal));
        Assert.Contains(recipe.Steps, s => s.Kind == StepKind.Bake && s.Title.Contains("Toast", StringComparison.Ordinal));
    }

    public static TheoryData<string, string> NoRecipes() =>
        new()
        {
            {
                "Shall I compare thee to a summer's day?\nThou art more lovely and more temperate:\nRough winds do shake the darling "
                    + "buds of May,\nAnd summer's lease hath all too short a date.",
                "cannot find"
            },
            { "Monday: soup and bread\nTuesday: fish pie\nWednesday: pancakes\nThursday: stew", "cannot find" },
            {
                "Brot\n\n500 g Mehl\n300 ml Wasser\n10 g Salz\n\nDas Mehl mit dem Wasser und dem Salz mischen und den Teig kneten. "
                    + "Den Teig gehen lassen und im Ofen 40 Minuten backen.",
                "another language"
            },
            { string.Join('\n', Enumerable.Range(0, 500).Select(i => $"{i + 1} g sugar")), "one recipe" },
            {
                "One\n\nIngredients\n200 g flour\n\nMethod\nMix and bake.\n\nTwo\n\nIngredients\n100 g sugar\n\nMethod\nStir and bake.",
                "two recipes"
            },
        };

    [Theory]
    [MemberData(nameof(NoRecipes))]
    public void What_is_no_recipe_is_said_plainly_and_nothing_is_planned(string text, string words)
    {
        var read = PageReader.Read(text, IngredientKnowledge.Shipped, Pans);
        Assert.Empty(read.Drafts);
        Assert.Contains(words, read.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_answer_is_put_where_it_belongs_and_asked_no_more()
    {
        var draft = Read("Mix. Bake for 20 minutes.", "200 g plain flour\n1 zorbat");
        var heat = draft.Questions.FindIndex(q => q.About == "heat");
        draft = DraftAnswers.Apply(draft, heat, "190 C", IngredientKnowledge.Shipped, Pans);
        Assert.Equal("190 C", draft.Steps.Single(s => s.Kind == "bake").Oven);
        Assert.DoesNotContain(draft.Questions, q => q.About == "heat");
        var line = draft.Questions.FindIndex(q => q.Field.StartsWith("line/", StringComparison.Ordinal));
        draft = DraftAnswers.Apply(draft, line, "1 lemon", IngredientKnowledge.Shipped, Pans);
        Assert.Equal("200 g plain flour\n1 lemon", draft.Parts.Single().Lines);
        Assert.DoesNotContain(draft.Questions, q => q.Text.Contains("zorbat", StringComparison.Ordinal));
    }

    [Fact]
    public void Another_dialect_reads_the_same_words_anew()
    {
        var draft = Read("Bake at 250 for 20 minutes on a tray.", "1 pint milk\n2 eggs");
        Assert.Equal("250 F", draft.Steps.Single(s => s.Kind == "bake").Oven);
        var asked = draft.Questions.FindIndex(q => q.Field == "dialect");
        Assert.True(asked >= 0);
        Assert.Equal(
            "250 C",
            DraftAnswers.Apply(draft, asked, "british", IngredientKnowledge.Shipped, Pans).Steps.Single(s => s.Kind == "bake").Oven
        );
    }

    [Fact]
    public void The_most_harmful_question_stands_first()
    {
        var draft = Read("Mix. Bake for 20 minutes.", "200 g plain flour\n1 zorbat");
        Assert.Equal("allergen", draft.Questions[0].About);
        Assert.Equal(draft.Questions.Select(q => q.Harm).Order(), draft.Questions.Select(q => q.Harm));
    }

    [Fact]
    public void A_draft_kept_before_questions_had_answers_is_read() =>
        Assert.Equal(
            "How long?",
            System.Text.Json.JsonSerializer.Deserialize<RecipeDraft>("{\"Questions\":[\"How long?\"]}")!.Questions.Single().Text
        );
}
