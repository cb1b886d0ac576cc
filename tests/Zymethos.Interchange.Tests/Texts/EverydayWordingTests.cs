using System.Globalization;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;
using static Zymethos.Interchange.Tests.Texts.Pasted;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>More wording of everyday recipes that was misread once, as classes: letters and messages, hours, tins, heats that take over,
/// and what is no bake at all. The sentences stand in no corpus.</summary>
public sealed class EverydayWordingTests
{
    private static Step The(Recipe recipe, StepKind kind) => Assert.Single(recipe.Steps, s => s.Kind == kind);

    [Theory]
    [InlineData("Dear Hilda,\n\nHere is the cherry slab.\n\n", "Cherry slab")]
    [InlineData("Hello love, ginger squares as promised xx\n\n", "Ginger squares")]
    [InlineData("Treacle slices (10 inch tin)\n\n", "Treacle slices (10 inch tin)")]
    public void A_letter_names_its_recipe(string head, string name)
    {
        var draft = Draft(
            $"{head}200 g plain flour\n100 g butter\n80 g sugar\n\nMix, press into a 20 cm square tin and bake at 180 C for 20 min."
        );
        Assert.Equal(name, draft.Name);
    }

    [Fact]
    public void A_name_may_stand_before_the_method_and_loses_no_line()
    {
        var draft = Draft(
            "Nan's seed loaf: soak 80 g oats in 300 g hot water for 20 minutes. Stir in 10 g fresh yeast, 400 g bread flour and 8 g "
                + "salt. Knead 8 minutes, let it rise 1 hour, put it into a loaf tin for 40 minutes and bake at 220 C for 35 minutes."
        );
        Assert.Equal("Nan's seed loaf", draft.Name);
        Assert.Contains(draft.Parts.SelectMany(p => p.Lines.Split('\n')), l => l.Contains("oats", StringComparison.Ordinal));
        Assert.Contains(draft.Steps, s => s.Kind == "soak");
    }

    [Theory]
    [InlineData("Rise 1h30 to 2h in the warm.", 90, 120)]
    [InlineData("Let rise for another half hour.", 26, 34)]
    [InlineData("Leave to rise, 1 hour to 1 hour and 20 minutes.", 60, 80)]
    public void Hours_are_read_however_they_are_written(string rise, int low, int high)
    {
        var takes = The(Loaf($"Mix and knead for 10 minutes. {rise} Bake at 220 C for 30 minutes on a tray."), StepKind.BulkRise).Takes;
        Assert.Equal((low, high), ((int)takes.Low.TotalMinutes, (int)takes.High.TotalMinutes));
    }

    [Fact]
    public void A_span_of_the_clock_says_how_long()
    {
        var loaf = Loaf(
            "4pm: Mix everything and knead for 8 minutes.\n4pm-6pm: leave to rise.\n6pm: shape and bake at 220 C for 30 minutes on a tray."
        );
        Assert.Equal(120, The(loaf, StepKind.BulkRise).Takes.Likely.TotalMinutes);
        Assert.DoesNotContain(loaf.Steps, s => s.Kind == StepKind.Bake && s.Takes.Likely.TotalMinutes > 40);
    }

    [Theory]
    [InlineData("Bake at 200C for 10 minutes, then at 160C for 25 minutes.", 200, 10, 160, 25)]
    [InlineData("Bake at 220C for 15 mins then 180 for 25-35.", 220, 15, 180, 30)]
    [InlineData("Bake covered 20 min, then uncovered at 200C for 15 min.", 180, 20, 200, 15)]
    public void Another_heat_takes_over_in_the_same_sentence(string bake, int first, int minutes, int second, int more)
    {
        var steps = Cake($"Heat oven to 180C. Mix all and pour into a 20 cm round tin. {bake}")
            .Steps.Where(s => s.Kind == StepKind.Bake)
            .ToList();
        Assert.Equal([first, second], steps.Select(s => (int)Math.Round(s.Oven!.SetTemperature.Celsius)));
        Assert.Equal([minutes, more], steps.Select(s => (int)s.Takes.Likely.TotalMinutes));
    }

    [Theory]
    [InlineData("Oven 170C fan 150. Mix, pour into a 20 cm round tin and bake 30 min.", 170)]
    [InlineData("Mix, pour into a 20 cm round tin. Hot oven, gas 7, 12-15 minutes.", 220)]
    [InlineData("Heat it as high as it goes (250 C). Mix, put on a tray and bake 6 min.", 250)]
    public void The_heat_is_the_one_that_was_meant(string method, int celsius) =>
        Assert.Equal(celsius, (int)Math.Round(The(Cake(method), StepKind.Bake).Oven!.SetTemperature.Celsius));

    [Theory]
    [InlineData("Turn the oven off. Let the cake cool in the oven with the door closed for 5 hours.")]
    [InlineData("Turn off the oven and leave it inside with the door ajar for 5 hours.")]
    public void What_is_left_in_an_oven_that_was_turned_off_does_not_bake(string off)
    {
        var cake = Cake($"Heat oven to 160C. Mix and pour into a 23 cm springform tin. Bake for 1 hour. {off}");
        Assert.Equal(60, The(cake, StepKind.Bake).Takes.Likely.TotalMinutes);
        Assert.Equal(300, cake.Steps.Single(s => s.Kind == StepKind.Cool).Takes.Likely.TotalMinutes);
    }

    [Theory]
    [InlineData("Fry in oil at 180C for 2 minutes each side.")]
    [InlineData("Cook on a greased griddle for 3 minutes each side.")]
    [InlineData("Bake on a hot waffle iron for 3 minutes.")]
    [InlineData("Bake as needed.")]
    public void Fat_griddles_and_irons_are_no_oven(string cook) =>
        Assert.DoesNotContain(Cake($"Mix all to a batter. {cook}").Steps, s => s.Kind == StepKind.Bake);

    [Theory]
    [InlineData("Leave a hollow in the middle to allow for the cake to rise.")]
    [InlineData("Smooth the top, leaving room for rising.")]
    public void Room_to_rise_is_no_rise(string room) =>
        Assert.DoesNotContain(
            Cake($"Mix and pour into a 20 cm round tin. {room} Bake at 170 C for 50 minutes.").Steps,
            s => s.Kind is StepKind.Proof or StepKind.BulkRise
        );

    [Theory]
    [InlineData("Shape each half into a log 12 inches long and 2 inches wide on a baking sheet.")]
    [InlineData("Draw a 20 cm circle on baking paper, pile it on and put it on a baking sheet.")]
    public void A_tray_is_not_as_long_as_what_lies_on_it(string laid)
    {
        var pan = The(Cake($"Mix to a stiff paste. {laid} Bake at 160 C for 30 minutes."), StepKind.Bake).Oven!.Pan;
        Assert.Contains(Pans, p => p == pan);
    }

    [Theory]
    [InlineData("Roll out and fit into a 9 inch pie plate.", PanShape.Round, 23, 1)]
    [InlineData("Divide between 2 x 8\" tins.", PanShape.Round, 20, 2)]
    [InlineData("Spoon into two 12-hole fairy cake tins.", PanShape.Muffin, 0, 2)]
    [InlineData("Butter a bundt pan and scrape it in.", PanShape.Ring, 0, 1)]
    public void Tins_are_found_in_passing(string into, PanShape shape, int centimetres, int count)
    {
        var oven = The(Cake($"Mix all. {into} Bake at 180 C for 25 minutes."), StepKind.Bake).Oven!;
        Assert.Equal((shape, count), (oven.Pan.Shape, oven.Pans));
        if (centimetres > 0)
            Assert.InRange(oven.Pan.Length.Millimetres / 10, centimetres - 1, centimetres + 1);
    }

    [Theory]
    [InlineData("Makes one 9x5 loaf", "Put into a greased 9x5 pan.", PanShape.Loaf)]
    [InlineData("1 x 26cm ready-made shortcrust pastry case", "Pour it into the case.", PanShape.Round)]
    public void A_tin_may_stand_above_the_method(string row, string into, PanShape shape)
    {
        var cake = Cake($"Mix all. {into} Bake at 180 C for 25 minutes.", $"\n{row}\n");
        Assert.Equal(shape, The(cake, StepKind.Bake).Oven!.Pan.Shape);
        Assert.DoesNotContain("x5", cake.Yield.PieceName, StringComparison.Ordinal);
    }

    [Fact]
    public void Little_pictures_and_numbers_on_keys_carry_no_words()
    {
        var draft = Draft(
            "\U0001F967 PLUM PIE (serves 6)\n\n\U0001F449 Crust\n160 g flour\n110 g butter\n\n\U0001F525 Directions\n"
                + "1\uFE0F\u20E3 Mix the crust and chill 30 min.\n2\uFE0F\u20E3 Line a 23 cm pie dish and bake at 180 C for 40 min."
        );
        Assert.StartsWith("PLUM PIE", draft.Name, StringComparison.Ordinal);
        Assert.Equal("Crust", Assert.Single(draft.Parts).Name);
        Assert.Equal(["chill", "bake"], draft.Steps.Where(s => s.Kind is "chill" or "bake").Select(s => s.Kind));
    }

    [Fact]
    public void What_stands_on_the_tray_dries_and_does_not_bake() =>
        Assert.Equal(
            25,
            The(
                Cake("Heat oven to 150C. Spread on wafers on a tray. Let dry on the tray for 2-3 hours. Bake for 25 minutes."),
                StepKind.Bake
            ).Takes.Likely.TotalMinutes
        );

    [Fact]
    public void A_row_for_the_tin_tells_the_tin()
    {
        var cake = Cake(
            "Heat oven to 180C. Mix, divide between the pans and bake for 30 minutes.",
            "\nSpecial equipment: two 10- by 2-inch round cake pans\n"
        );
        var oven = The(cake, StepKind.Bake).Oven!;
        Assert.InRange(oven.Pan.Length.Millimetres, 250, 258);
        Assert.DoesNotContain(cake.Parts.SelectMany(p => p.Lines), l => l.Ingredient.Contains("quipment", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Shape into little balls (I got 18), put on a tray", 18)]
    [InlineData("Heap into 9 rough mounds on a tray", 9)]
    [InlineData("Roll out, cut rings with a cutter, 14 of them, and lay on a tray", 14)]
    [InlineData("Put on a tray. To serve, cut each quarter in half to give 8 wedges", 8)]
    public void How_many_stands_in_the_middle_of_the_work(string work, int pieces) =>
        Assert.Equal(pieces, Cake($"Mix to a dough. {work}. Bake at 180 C for 15 minutes.").Yield.Pieces);

    [Fact]
    public void Quarters_that_are_cut_again_are_multiplied() =>
        Assert.Equal(
            32,
            Cake(
                "Mix to a dough, quarter it and chill for 1 hour. Roll each ball into a circle. Cut into 8 wedges, roll up, put on a "
                    + "tray. Bake at 180 C for 18 minutes."
            ).Yield.Pieces
        );

    [Theory]
    [InlineData("200g flour / pinch salt / 90g butter / 60g sugar", 4)]
    [InlineData("the zest of one lemon and one orange", 2)]
    [InlineData("1 cup butter/margarine", 1)]
    public void A_row_may_hold_several(string row, int lines) =>
        Assert.Equal(
            lines,
            Read($"Test biscuits\n\n{row}\n\nMethod\nMix, put on a tray and bake at 180 C for 12 minutes.").Parts.Sum(p => p.Lines.Length)
        );

    [Fact]
    public void Two_names_with_a_stroke_tell_the_allergens_of_both()
    {
        var recipe = Read(
            "Test biscuits\n\n2 tbsp suji/semolina\n100 g butter/margarine\n\nMethod\nMix, put on a tray and bake at 180 C for 12 minutes."
        );
        var statement = AllergenStatement.Of(recipe, IngredientKnowledge.Shipped);
        Assert.Contains(Allergen.Wheat, statement.Contains);
        Assert.Contains(Allergen.Milk, statement.Contains);
    }

    [Theory]
    [InlineData("- 4 eggs\n- 1 cup sour cream\n- 200 g sugar\n- 150 g flour", 4)]
    [InlineData("> 2 eggs\n> 200 g sugar\n> 150 g flour", 3)]
    [InlineData("oil for deep frying\n250 g flour\n2 eggs\n100 g sugar", 4)]
    public void Marks_before_rows_and_rows_without_amounts_are_lines(string rows, int lines) =>
        Assert.Equal(lines, Lines($"Test buns\n\n{rows}\n\nMethod\nMix, put on a tray and bake at 180 C for 12 minutes.").Count);

    [Theory]
    [InlineData("Form balls the size of a walnut (about 15 g each).", "walnut")]
    [InlineData("Roll into balls the size of a hazelnut, 5 g each.", "hazelnut")]
    public void The_size_of_a_nut_is_no_nut(string sentence, string nut) =>
        Assert.DoesNotContain(
            Lines(
                $"Test buns\n\n250 g flour\n2 eggs\n100 g sugar\n\nMethod\nMix. {sentence} Put on a tray and bake at 180 C for 12 minutes."
            ),
            l => l.Contains(nut, StringComparison.Ordinal)
        );

    [Fact]
    public void Eggs_beside_the_size_of_an_egg_stay()
    {
        var lines = Lines(
            "Test buns\n\n250 g flour\n80 g butter\n100 g sugar\n\nMethod\nMix and beat in 3 eggs, then form balls the size of an egg. "
                + "Put on a tray and bake at 180 C for 15 minutes."
        );
        Assert.Contains(lines, l => l.Contains("3 eggs", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("125 g mini chocolate fingers")]
    [InlineData("1 pack (114 g) chocolate fingers, to decorate")]
    public void Chocolate_fingers_are_biscuits(string row)
    {
        var recipe = Read($"Test cake\n\n200 g sugar\n{row}\n\nMethod\nMix, put in a 20 cm round tin and bake at 180 C for 30 minutes.");
        Assert.Contains(Allergen.Wheat, AllergenStatement.Of(recipe, IngredientKnowledge.Shipped).Contains);
    }

    [Theory]
    [InlineData("150 g butter, leave out to soften", false)]
    [InlineData("50 g walnuts, leave out if you like", true)]
    [InlineData("50 g walnuts - leave out for small children", true)]
    public void Only_what_may_be_left_out_is_optional(string row, bool optional)
    {
        var recipe = Read($"Test cake\n\n200 g sugar\n{row}\n\nMethod\nMix, put in a 20 cm round tin and bake at 180 C for 30 minutes.");
        Assert.Equal(optional, recipe.Parts.SelectMany(x => x.Lines).Last().IsOptional);
    }

    [Fact]
    public void Honey_that_only_the_method_names_is_a_line()
    {
        var lines = Lines(
            "Test loaf\n\n250 g flour\n2 eggs\n100 g sugar\n\nMethod\nMix, put in a loaf tin, bake at 180 C for 40 minutes. Brush with "
                + "honey."
        );
        Assert.Contains(lines, l => l.Contains("honey", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Store tightly covered for up to a week.", "counter", 7)]
    [InlineData("They keep at room temperature for 3 days or in the fridge up to 1 week.", "counter", 3)]
    [InlineData("The batter will keep 5 days.", "refrigerator", 5)]
    [InlineData("Keep it cold in a tin for 2 days.", "refrigerator", 2)]
    [InlineData("Eat today.", "counter", 1)]
    public void How_it_keeps_is_read_and_raw_batter_keeps_cold(string sentence, string place, int days) =>
        Assert.Contains(
            Draft(
                "Plain cake\n\n200 g plain flour\n150 g sugar\n3 eggs\n\nMethod\nMix, pour into a 20 cm round tin and bake at 180 C for "
                    + "30 minutes. "
                    + sentence
            ).Keeping,
            k => k.Place.StartsWith(place, StringComparison.Ordinal) && k.Days == days.ToString(CultureInfo.InvariantCulture)
        );

    [Fact]
    public void Steps_that_are_counted_on_are_no_lines()
    {
        var draft = Draft(
            "Test buns\n\n250 g flour\n2 eggs\n100 g sugar\n\n1 Mix all to a dough.\n2 Bake on a tray at 180 C for 12 minutes.\n3 Best "
                + "eaten on the day."
        );
        Assert.Equal(3, draft.Parts.SelectMany(p => p.Lines.Split('\n')).Count());
        Assert.Contains(draft.Keeping, k => k.Days == "1");
    }

    [Fact]
    public void The_night_before_takes_a_night()
    {
        var recipe = Read(
            "Test loaf\n\n300 g mixed fruit\n250 ml hot tea\n250 g self-raising flour\n1 egg\n\nMethod\nNight before put the fruit in a "
                + "bowl and pour over the tea. Next day beat in flour and egg, put in a loaf tin and bake at 160 C for 1 hour."
        );
        Assert.InRange(The(recipe, StepKind.Soak).Takes.Likely.TotalMinutes, 480, 840);
    }

    [Fact]
    public void Bread_that_must_not_be_cut_waits()
    {
        var loaf = Loaf(
            "Mix and knead for 10 minutes. Rise for 1 hour. Bake at 220 C for 40 minutes on a tray. Don't cut it for 24 hours."
        );
        Assert.Contains(loaf.Steps, s => s.Kind == StepKind.Mature && s.Takes.Likely.TotalMinutes == 1440);
        Assert.DoesNotContain(loaf.Steps, s => s.Title.StartsWith("Don", StringComparison.Ordinal));
    }
}
