using Zymethos.Core.Recipes;
using static Zymethos.Interchange.Tests.Texts.Pasted;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>The wording of cards and notes: words cut short, parts and amounts in one row, what only the method tells, and what is advice
/// and no work. The sentences stand in no corpus.</summary>
public sealed class NotesAndCardsTests
{
    private static Step The(Recipe recipe, StepKind kind) => Assert.Single(recipe.Steps, s => s.Kind == kind);

    [Theory]
    [InlineData("Powd. sugar for rolling", "powdered sugar")]
    [InlineData("1/2 tsp. ea. mace, allspice, cloves", "allspice")]
    [InlineData("2 v. ripe pears, mashed", "pears")]
    [InlineData("1 egg white, sesame or poppy seeds", "sesame")]
    [InlineData("50 g raisins soaked in 2 tbsp dark rum", "rum")]
    [InlineData("To decorate: writing icing, hazelnuts", "hazelnuts")]
    [InlineData("2 tsp b.p.", "baking powder")]
    public void Words_that_a_card_cuts_short_lose_no_line(string line, string holds)
    {
        var lines = Lines(
            $"Spice drops\n\n1 C. flour\n1/2 C. butter\n{line}\n\nCream butter, add the rest. Drop on a tray. Bake 350° 10 min."
        );
        Assert.Contains(lines, l => l.Contains(holds, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void A_moderate_oven_is_a_bake_though_it_is_cut_short()
    {
        var bake = The(
            Read("Seed cake\n\n6 oz butter\n6 oz sugar\n3 eggs\n8 oz flour\n\nBeat all. Into a 7\" tin. Mod. oven, 350F, for 1 1/4 hrs."),
            StepKind.Bake
        );
        Assert.Equal((177, 75), ((int)Math.Round(bake.Oven!.SetTemperature.Celsius), (int)bake.Takes.Likely.TotalMinutes));
    }

    [Theory]
    [InlineData("filling 250 ml whipping cream")]
    [InlineData("Filling 250 ml whipping cream, 1 tbsp sugar")]
    public void A_part_and_its_first_amount_may_stand_in_one_row(string row)
    {
        var draft = Draft(
            $"Cream roll\n\n4 eggs\n100 g sugar\n100 g flour\n\n{row}\n\nWhisk eggs and sugar. Bake on a tray at 200 C for 9 min."
        );
        Assert.Contains("whipping cream", Assert.Single(draft.Parts, p => p.Name == "Filling").Lines, StringComparison.Ordinal);
    }

    [Fact]
    public void A_drizzle_is_a_part_and_no_measure_when_it_stands_alone()
    {
        var draft = Draft(
            "Orange slab\n\n200 g self-raising flour\n150 g butter\n3 eggs\n\nDrizzle\njuice of 1 orange\n60 g sugar\n\n"
                + "Beat all, bake in a 20 cm square tin at 180 C for 30 min. Pour over the drizzle while hot."
        );
        Assert.Equal(2, Assert.Single(draft.Parts, p => p.Name == "Drizzle").Lines.Split('\n').Length);
    }

    [Fact]
    public void What_is_soaked_before_stands_in_the_heading_of_its_list()
    {
        var draft = Draft(
            "Hello dear, here's that fruit plait you liked. I make two at a time.\n\nSoak overnight: 150 g currants, 3 tbsp dark rum.\n\n"
                + "Dough: 500 g bread flour, 7 g instant yeast, 250 ml milk, 1 tsp salt.\n\nKnead the dough 10 mins. Rise 1 hour. Knead "
                + "in the fruit, cut in half and plait each. Prove 40 mins on a tray. Bake at 190 C for 35 mins."
        );
        Assert.Equal("Fruit plait", draft.Name);
        Assert.Equal("2", draft.Pieces);
        Assert.Contains(draft.Steps, s => s.Kind == "soak");
        Assert.Contains(draft.Parts.SelectMany(p => p.Lines.Split('\n')), l => l.Contains("rum", StringComparison.Ordinal));
    }

    [Fact]
    public void The_same_weight_each_is_a_line_for_each()
    {
        var lines = Lines(
            "Sponge for the fair\n\nWeigh 3 eggs (about 180g). Take the same weight each of soft butter, caster sugar and self-raising "
                + "flour. Beat all together with 1 tsp baking powder. Bake in a 20 cm round tin at 180 C for 25 minutes."
        );
        Assert.Equal(4, lines.Count(l => l.Contains("180", StringComparison.Ordinal)));
        Assert.Contains(lines, l => l.Contains("flour", StringComparison.Ordinal));
    }

    [Fact]
    public void A_weight_for_each_is_a_line_for_each()
    {
        var lines = Lines(
            "Slab cake\n\nWeigh out 200g each soft butter, caster sugar and self-raising flour. Put in a bowl with 4 eggs and beat for 2 "
                + "minutes. Bake in a 30 x 20 cm tin at 180 C for 35 minutes."
        );
        Assert.Equal(3, lines.Count(l => l.Contains("200", StringComparison.Ordinal)));
    }

    [Fact]
    public void Spirit_that_fruit_is_soaked_in_is_told_of() =>
        Assert.Contains(
            Read(
                "Ring\n\n300 g flour\n40 g raisins soaked in 2 tbsp kirsch (overnight is best)\n2 eggs\n\nMix and bake in a tin at 180 "
                    + "C, 40 min."
            )
                .Parts.SelectMany(p => p.Lines),
            l => l.Ingredient.Contains("kirsch", StringComparison.OrdinalIgnoreCase)
        );

    [Fact]
    public void What_is_eaten_the_same_day_and_kept_cold_is_kept_cold()
    {
        var kept = Cake(
            "Mix all. Bake in a 20 cm round tin at 180 C for 30 minutes. Fill with cream. Eat the same day, keep in the fridge."
        ).Keeping;
        Assert.Contains(kept, k => k.Place == "refrigerator");
        Assert.DoesNotContain(kept, k => k.Place.StartsWith("counter", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("180C. 2 x 18cm tins, greased & lined.", 2)]
    [InlineData("Oven 180C. Two 18 cm tins, lined.", 2)]
    public void A_heat_and_tins_in_a_row_of_their_own_count(string row, int pans)
    {
        var bake = The(
            Read($"Two layers\n\n200 g flour\n200 g butter\n4 eggs\n\n{row}\nBeat all.\nInto tins, 25-30 mins until springy."),
            StepKind.Bake
        );
        Assert.Equal((180, pans), ((int)Math.Round(bake.Oven!.SetTemperature.Celsius), bake.Oven.Pans));
    }

    [Theory]
    [InlineData("Everything into the mixer bowl, 10 minutes on medium.", StepKind.Mix)]
    [InlineData("Put everything in the machine. Set to Dough (1 hr 30).", StepKind.BulkRise)]
    public void Orders_that_begin_with_a_thing_are_work(string order, StepKind kind) =>
        Assert.Contains(Loaf($"{order} Shape, prove 40 minutes in a loaf tin. Bake at 200 C for 35 min.").Steps, s => s.Kind == kind);

    [Theory]
    [InlineData("a good splash of milk (about 3 tbsp)", 45.8)]
    [InlineData("a knob of butter (30g)", 30)]
    public void A_measure_behind_a_habit_counts(string line, double grams)
    {
        var recipe = Read($"Small loaf\n\n300 g flour\n7 g yeast\n{line}\n\nKnead, bake in a loaf tin at 200 C for 30 min.");
        Assert.Contains(recipe.Parts.SelectMany(p => p.Lines), l => l.Weight is { } w && Math.Abs(w.Grams - grams) < 1);
    }

    [Theory]
    [InlineData("TIP: they freeze well for two months.")]
    [InlineData("Warm through before serving.")]
    [InlineData("Lovely warm with custard.")]
    public void Advice_is_no_work(string advice)
    {
        var with = Cake($"Mix all. Bake in a 20 cm round tin at 180 C for 30 minutes. Cool in the tin.\n{advice}");
        var without = Cake("Mix all. Bake in a 20 cm round tin at 180 C for 30 minutes. Cool in the tin.");
        Assert.Equal(without.Steps.Length, with.Steps.Length);
    }

    [Fact]
    public void What_follows_at_once_and_what_waits_for_the_cold_are_two_steps()
    {
        var steps = Cake(
            "Mix all. Bake in a 20 cm round tin at 180 C for 30 minutes. Straight away brush with the butter, and when cold dust with "
                + "sugar."
        ).Steps;
        var bake = steps.Single(s => s.Kind == StepKind.Bake).Key;
        var (brush, dust) = (
            steps.Single(s => s.Title.Contains("brush", StringComparison.OrdinalIgnoreCase)),
            steps.Single(s => s.Title.Contains("dust", StringComparison.OrdinalIgnoreCase))
        );
        Assert.NotEqual(brush.Key, dust.Key);
        Assert.NotEqual(bake, brush.Key);
    }

    [Fact]
    public void Folds_so_far_apart_are_a_rise_with_a_touch_for_each()
    {
        var rise = The(
            Loaf("Mix everything. 3 folds, 40 minutes apart. Into the fridge overnight. Shape and bake on a tray at 230 C for 30 min."),
            StepKind.BulkRise
        );
        Assert.Equal((120, 3), ((int)rise.Takes.Likely.TotalMinutes, rise.Touches.Length));
    }

    [Fact]
    public void Dough_on_the_counter_overnight_rises()
    {
        var loaf = Loaf(
            "Stir everything together. Leave on the counter 12-16 hours. Shape into a ball, let rise 1 hour. Put a lidded pot in the "
                + "oven at 230C. Turn the dough into the hot pot, lid on, 30 minutes."
        );
        Assert.Equal(840, The(loaf, StepKind.BulkRise).Takes.Likely.TotalMinutes);
        Assert.Equal(230, The(loaf, StepKind.Bake).Oven!.SetTemperature.Celsius, 1);
    }

    [Fact]
    public void Covered_in_its_tin_a_dough_proofs_and_does_not_bake()
    {
        var loaf = Loaf("Knead 10 min. Rise 1 hour. Shape, in a greased loaf tin, cover 40min. 220C 30min.");
        Assert.Equal(40, The(loaf, StepKind.Proof).Takes.Likely.TotalMinutes);
        Assert.Equal(30, The(loaf, StepKind.Bake).Takes.Likely.TotalMinutes);
    }

    [Theory]
    [InlineData("Cook on a dry hot griddle for 3 minutes each side.")]
    [InlineData("Dry fry in a frying pan 3 minutes each side.")]
    public void What_is_dry_is_not_left_to_dry(string cook)
    {
        var recipe = Read($"Flat cakes\n\n200 g flour\n100 g yogurt\n\nMix to a dough. Roll out 6 rounds. {cook}");
        Assert.DoesNotContain(recipe.Steps, s => s.Kind is StepKind.Rest or StepKind.Bake);
    }

    [Theory]
    [InlineData("Keeps a week in a jar, dough freezes well.", "counter", 7)]
    [InlineData("Keeps 4 days, slices freeze well.", "counter", 4)]
    [InlineData("Keeps 3 days, in the fridge after that.", "counter", 3)]
    [InlineData("They stay crunchy for 2 weeks in a tin.", "counter, in a tin", 14)]
    [InlineData("Fine for 10 days wrapped in foil.", "counter, wrapped", 10)]
    public void Keeping_belongs_to_what_it_is_said_of(string keeping, string place, int days)
    {
        var kept = Cake($"Mix all. Bake in a 20 cm round tin at 180 C for 30 minutes. Cool on a rack. {keeping}").Keeping;
        Assert.Contains(kept, k => k.Place == place && k.Part.Length == 0 && k.Days == days);
    }

    [Theory]
    [InlineData("Hearth buns - makes a dozen", 12)]
    [InlineData("Oat squares, 16 small squares", 16)]
    [InlineData("Hearth buns\nPrep: 20 mins   Bake: 15 mins   Makes: 9", 9)]
    [InlineData("Hearth buns\nmakes abt 2 doz", 24)]
    public void How_many_is_read_beside_the_name(string head, int pieces) =>
        Assert.Equal(
            pieces,
            Read($"{head}\n\n300 g flour\n100 g butter\n80 g sugar\n\nMix. Bake on a tray at 180 C for 15 min.").Yield.Pieces
        );

    [Fact]
    public void Logs_lie_on_one_sheet_before_they_are_sliced()
    {
        var bakes = Read(
            "Aniseed rusks\nmakes 40\n\n280 g flour\n150 g sugar\n3 eggs\n\nMix. Shape into two logs on a sheet. Bake at 175 C for 25 "
                + "min. Cool 10 min. Slice, lay cut side down and bake 8 minutes, flip, bake 8 more."
        )
            .Steps.Where(s => s.Kind == StepKind.Bake)
            .ToList();
        Assert.Equal(1, bakes[0].Times * bakes[0].Oven!.Pans);
        Assert.True(bakes[1].Times * bakes[1].Oven!.Pans > 1);
    }

    [Fact]
    public void Dry_things_that_are_sifted_first_start_no_window()
    {
        var recipe = Read(
            "Ring cake\n\n300 g flour\n1 tsp baking soda\n200 g butter\n200 g sugar\n3 eggs\n250 g sour cream\n\nSift flour and soda. "
                + "Cream butter and sugar for 5 minutes. Stir in the eggs. Add the flour mixture and the sour cream. Spoon into a 24 cm "
                + "tube pan. Bake at 175 C for 50 min."
        );
        var sift = recipe.Steps[0].Key;
        Assert.DoesNotContain(recipe.Links, l => l.From == sift && l.MaxLag is not null);
    }
}
