using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Interchange.Wording;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;
using static Zymethos.Interchange.Tests.Texts.Pasted;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Classes of wording, each with a few ways of saying it; the corpora hold them in whole recipes.</summary>
public sealed class ReadingClassTests
{
    private static RecipeDraft Cake(string method, string more = "") =>
        Draft($"Plain cake\n\n200 g plain flour\n150 g butter\n150 g caster sugar\n3 eggs\n1 tsp baking powder\n{more}\nMethod\n{method}");

    private static List<string> Lines(RecipeDraft draft) => [.. draft.Parts.SelectMany(p => p.Lines.Split('\n'))];

    [Theory]
    [InlineData("Knead for 8 minutes in a mixer, or 12 minutes by hand.", 8, 12)]
    [InlineData("Knead by hand for 12 minutes or 8 minutes in a stand mixer.", 8, 12)]
    [InlineData("Work in a mixer for 10 minutes (or 15 by hand).", 10, 15)]
    [InlineData("Knead 10 min (5-6 in the mixer).", 6, 10)]
    [InlineData("Knead on a floured board for 10 mins (or 6 mins in a stand mixer with a dough hook).", 6, 10)]
    public void Machine_and_hands_are_two_ways(string sentence, int machine, int hand)
    {
        var draft = Draft(
            $"Loaf\n\n500 g bread flour\n300 g water\n7 g instant yeast\n10 g salt\n\nMix everything. {sentence} Leave to rise for 1 "
                + "hour. Shape, put in a loaf tin. Prove 40 minutes. Bake at 220 C for 30 minutes."
        );
        var recipe = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe;
        var step = Assert.Single(recipe.Steps, s => s.Modes.Any(m => m.Kind == StepKind.Work));
        Assert.Equal(StepKind.Mix, step.Kind);
        Assert.InRange(step.Takes.Likely.TotalMinutes, machine - 1, machine);
        Assert.Equal(hand, step.Modes.Single().Takes.Likely.TotalMinutes);
    }

    // USDA FoodData Central: 23 almonds, 14 walnut halves and 19 pecan halves to the ounce of 28.35 g; 10 hazelnuts 14 g.
    [Theory]
    [InlineData("23 whole almonds", 28.35)]
    [InlineData("14 walnut halves", 28.35)]
    [InlineData("19 pecan halves", 28.35)]
    [InlineData("10 hazelnuts", 14)]
    public void Nuts_that_are_counted_weigh(string line, double grams) =>
        Assert.InRange(LineReader.Read(line, IngredientKnowledge.Shipped).Weight!.Value.Grams, grams * 0.97, grams * 1.03);

    [Theory]
    [InlineData("1 1/2 cups fresh or frozen blueberries", "blueberries")]
    [InlineData("200 g fresh or frozen raspberries", "raspberries")]
    [InlineData("4 cups flower", "flour")]
    [InlineData("2 tbsp orange flower water", "orange blossom water")]
    public void Either_state_is_the_same_thing_and_a_slip_is_seen_through(string line, string name) =>
        Assert.Contains(
            name,
            (
                LineReader.Read(line, IngredientKnowledge.Shipped).Ingredient?.Name ?? LineReader
                    .Read(line, IngredientKnowledge.Shipped)
                    .Name
            ),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData("Makes one 900g/2lb loaf, about 10 slices", 10, "slices")]
    [InlineData("Makes 1 large loaf", 1, "loaf")]
    [InlineData("Makes a 20 cm cake (12 slices)", 12, "slices")]
    public void Slices_count_before_the_loaf_they_are_cut_from(string line, int pieces, string name)
    {
        var draft = Draft(
            $"Plain cake\n{line}\n\n200 g plain flour\n150 g butter\n\nBeat everything. Bake in a loaf tin at 180 C for 40 minutes."
        );
        Assert.Equal(pieces.ToString(System.Globalization.CultureInfo.InvariantCulture), draft.Pieces);
        Assert.Equal(name, draft.PieceName);
    }

    [Fact]
    public void What_is_turned_out_is_not_turned_round()
    {
        var recipe = DraftReader
            .Read(
                Cake(
                    "Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. Turn out onto a rack after 5 minutes "
                        + "and leave to go cold."
                ),
                IngredientKnowledge.Shipped,
                Pans
            )
            .Recipe;
        Assert.Empty(recipe.Steps.Single(s => s.Kind == StepKind.Bake).Touches);
        Assert.Contains(recipe.Steps, s => s.Kind == StepKind.Cool);
    }

    [Theory]
    [InlineData("Soak the fruit in the tea and leave overnight.")]
    [InlineData("Soak the raisins in the rum. Leave overnight.")]
    public void A_soak_has_the_night_that_is_told_behind_it(string words)
    {
        var recipe = DraftReader
            .Read(
                Cake($"{words} Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes.", "100 g raisins\n50 ml rum\n"),
                IngredientKnowledge.Shipped,
                Pans
            )
            .Recipe;
        var soak = Assert.Single(recipe.Steps, s => s.Kind == StepKind.Soak);
        Assert.True(soak.Takes.Low >= NodaTime.Duration.FromHours(8));
        Assert.DoesNotContain(recipe.Steps, s => s.Kind == StepKind.Rest && s.Takes.Likely > NodaTime.Duration.FromHours(4));
    }

    [Fact]
    public void What_is_poured_over_the_base_comes_after_it_was_baked()
    {
        var draft = Draft(
            "Caramel squares\nMakes 24 squares\n\nBase\n250 g plain flour\n175 g butter\n75 g sugar\n\nCaramel\n400 g condensed "
                + "milk\n100 g butter\n\nFor the base, rub everything together and press into a 33 x 23 cm tin. Bake at 180 C for 20 "
                + "minutes. Cool in the tin.\nFor the caramel, heat everything in a pan and simmer for 5 minutes. Pour over the base "
                + "and leave to cool. Cut into 24 squares."
        );
        var recipe = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe;
        var bake = recipe.Steps.Single(s => s.Kind == StepKind.Bake).Key;
        var pour = recipe.Steps.First(s => s.Instruction.Contains("Pour over", StringComparison.Ordinal)).Key;
        var after = new HashSet<string> { bake };
        for (var grew = true; grew; )
            grew = recipe.Links.Where(l => after.Contains(l.From)).ToList().Exists(l => after.Add(l.To));
        Assert.Contains(pour, after);
    }

    [Theory]
    [InlineData("Bake at 240 C for 25 min with the lid, 20 min without at 220 C.", "240 25, 220 20")]
    [InlineData("Bake at 240 C, 25 minutes covered, then 20 minutes uncovered at 220 C.", "240 25, 220 20")]
    [InlineData("Bake at 240 C for 25 min with lid on, then 20 min with the lid off.", "240 45 cover off at 25")]
    [InlineData("Bake at 240 C covered for 25 minutes, uncover and bake 20 minutes more.", "240 45 cover off at 25")]
    public void The_lid_comes_off_and_it_bakes_on(string sentence, string bakes)
    {
        var draft = Draft(
            "Pot loaf\nMakes 1 loaf\n\n500 g bread flour\n350 g water\n7 g instant yeast\n10 g salt\n\nMix everything. Leave to rise "
                + $"for 2 hours. Shape. {sentence} Cool on a rack."
        );
        var steps = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe.Steps.Where(s => s.Kind == StepKind.Bake);
        Assert.Equal(
            bakes,
            string.Join(
                ", ",
                steps.Select(s =>
                    $"{s.Oven!.SetTemperature.Celsius:0} {s.Takes.Likely.TotalMinutes:0}"
                    + string.Concat(s.Touches.Select(t => $" cover off at {t.At * s.Takes.Likely.TotalMinutes:0}"))
                )
            )
        );
    }

    [Theory]
    [InlineData("Brush with beaten egg before baking.", "beaten egg, for brushing")]
    [InlineData("Save a spoonful of the egg. Brush with beaten egg before baking.", "")]
    [InlineData("Drizzle with 50 g melted dark chocolate.", "50 g melted dark chocolate")]
    [InlineData("Spoon over 2 tablespoons of rum.", "2 tablespoons of rum")]
    [InlineData("Some people add a handful of chopped walnuts.", "a handful of chopped walnuts, optional")]
    [InlineData("Serve with 100 ml double cream.", "")]
    [InlineData("Roll into balls the size of a walnut.", "")]
    [InlineData("Spread with 100 g peanut butter.", "100 g peanut butter")]
    [InlineData("Sprinkle with 2 tbsp sugar.", "")]
    public void What_only_the_method_tells_is_a_line(string sentence, string line)
    {
        var lines = Lines(Cake($"Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. {sentence}"));
        if (line.Length == 0)
            Assert.Equal(5, lines.Count);
        else
            Assert.Contains(line, lines);
    }

    [Fact]
    public void Egg_that_is_only_brushed_on_is_in_it()
    {
        var draft = Draft(
            "Turnovers\nMakes 6\n\n320 g puff pastry\n200 g jam\n\nCut the pastry in 6 squares, fill with jam, fold. Brush with "
                + "beaten egg. Bake on a tray at 200 C for 20 minutes."
        );
        Assert.Contains(Lines(draft), l => l.StartsWith("beaten egg", StringComparison.Ordinal));
        var recipe = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe;
        Assert.Contains(Allergen.Egg, AllergenStatement.Of(recipe, IngredientKnowledge.Shipped).Contains);
    }

    [Theory]
    [InlineData("It should be pale gold and firm at the edges.", "pale gold")]
    [InlineData("Edges should be set and centres still soft.", "set and centres")]
    [InlineData("Test with a skewer.", "skewer")]
    [InlineData("Core 96 C.", "96 c")]
    public void A_remark_after_the_bake_is_a_done_test_and_no_step(string sentence, string test)
    {
        var draft = Cake($"Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. {sentence}");
        var bake = Assert.Single(draft.Steps, s => s.Kind == "bake");
        Assert.Contains(test, bake.Done, StringComparison.OrdinalIgnoreCase);
        Assert.Equal("bake", draft.Steps[^1].Kind);
    }

    [Theory]
    [InlineData("Bake 1 and a half hours.", 90, 90)]
    [InlineData("Bake an hour and a quarter.", 75, 75)]
    [InlineData("25 mins for chewy, 30 for crunchy.", 25, 30)]
    [InlineData("Bake blind 15 min with beans and 5 min without.", 20, 20)]
    [InlineData("Bake 40 min - if not done, give it another 5 minutes.", 40, 40)]
    [InlineData("Roast 30 minutes.", 30, 30)]
    public void Minutes_are_those_that_are_told(string sentence, int low, int high)
    {
        var draft = Cake($"Heat the oven to 180 C. Beat everything. Spread in a 20 cm round tin. {sentence}");
        var bake = draft.Steps.Single(s => s.Kind == "bake");
        var takes = TimeText.Exact(bake.Takes)!;
        if (low == high)
            Assert.Equal(low, takes.Likely.TotalMinutes);
        else
            Assert.Equal((low, high), ((int)takes.Low.TotalMinutes, (int)takes.High.TotalMinutes));
    }

    [Theory]
    [InlineData("Press into a 23 cm round tin.", 23)]
    [InlineData("Set the buns 3 by 5 in a 20 cm square tin.", 20)]
    public void A_size_before_a_tin_is_the_tins(string sentence, double cm)
    {
        var bake = Cake($"Beat everything. {sentence} Bake at 180 C for 30 minutes.").Steps.Single(s => s.Kind == "bake");
        Assert.Equal(cm * 10, (Pans.FirstOrDefault(p => p.Name == bake.Pan) ?? PanWords.Named(bake.Pan)!).Length.Millimetres, 16.0);
    }

    [Fact]
    public void A_pan_that_only_the_list_names_is_the_pan()
    {
        var draft = Draft(
            "Custard pie\n\n1 unbaked 9-inch pie shell\n500 ml milk\n4 eggs\n100 g sugar\n\nWhisk milk, eggs and sugar. Pour into the "
                + "shell. Bake at 160 C for 45 minutes."
        );
        Assert.Contains("23", draft.Steps.Single(s => s.Kind == "bake").Pan, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_made_before_is_no_line_again()
    {
        var draft = Draft(
            "Rye\n\nSour\n30 g rye starter\n300 g rye flour\n300 g water\n\nMain dough\n630 g sour\n400 g bread flour\n10 g "
                + "salt\n\nFerment 14 h. Mix all. Leave to rise 45 min. Put into two greased tins. Prove 60 min. Bake at 230 C for 50 min."
        );
        Assert.Equal(5, Lines(draft).Count);
        Assert.Contains("630 g sour", draft.Notes, StringComparison.Ordinal);
        Assert.Equal("2", draft.Steps.Single(s => s.Kind == "bake").Pans);
    }

    [Fact]
    public void The_cream_is_a_line_though_a_part_begins_with_its_name()
    {
        var draft = Draft(
            "Cake\n\nCream cheese frosting\n100 g coconut oil\n100 g icing sugar\n\nTo serve\n100 g raspberries\nthe cream\n\nBeat "
                + "everything. Bake in a 20 cm round tin at 180 C for 30 minutes."
        );
        Assert.Contains("the cream", Lines(draft));
    }

    [Theory]
    [InlineData("4 egs", "eggs")]
    [InlineData("225 g self raisng flour", "self-raising flour")]
    [InlineData("100 g plain flower", "plain flour")]
    [InlineData("50 g hazlenuts", "hazelnuts")]
    public void A_slip_is_read_and_asked(string line, string meant)
    {
        var read = LineReader.Read(line);
        Assert.Equal(IngredientKnowledge.Shipped.Meant(meant)!.Name, read.Ingredient!.Name);
        Assert.Contains(read.Doubts, d => d.StartsWith("I took", StringComparison.Ordinal));
    }

    [Fact]
    public void A_flower_is_none_where_it_may_be_one()
    {
        Assert.DoesNotContain(LineReader.Read("1 tsp orange flower water").Doubts, d => d.Contains("flour", StringComparison.Ordinal));
        Assert.NotEqual("plain flour", LineReader.Read("1 tsp orange flower water").Ingredient?.Name);
    }

    [Theory]
    [InlineData(
        "Pretzel buns\nMakes 10\n\n500 g plain flour\n280 g milk\n7 g instant yeast\n\nKnead 8 min, rise 30 min. Form 10 balls. Prove "
            + "30 minutes. Bake on a tray at 200 C for 20 min.",
        "mix",
        8
    )]
    [InlineData(
        "Focaccia\n\n500 g bread flour\n380 g water\n7 g instant yeast\n\nMix everything. Rest 30 min at room temperature, then into "
            + "the refrigerator for 12 h. Put in an oiled 20 cm square tin. Leave to rise 1 h. Bake at 220 C for 25 min.",
        "chill",
        720
    )]
    [InlineData(
        "Tea loaf\n\n300 ml hot tea\n350 g raisins\n250 g self-raising flour\n1 egg\n\nPour the tea over the raisins, leave "
            + "overnight. Stir in flour and egg. Put in a loaf tin. Bake at 170 C for 1 hour. Wrap and leave for a day before you cut it.",
        "mature",
        1440
    )]
    public void Waits_and_work_part_where_they_differ(string text, string kind, int minutes)
    {
        var step = Draft(text).Steps.First(s => s.Kind == kind);
        Assert.Equal(minutes, TimeText.Exact(step.Takes)!.Likely.TotalMinutes);
    }

    [Theory]
    [InlineData("Makes one 9x13 pan (24 bars)", "24")]
    [InlineData("12 muffins - 20 min prep - 25 min bake", "12")]
    public void A_yield_is_found_where_it_stands(string row, string pieces) =>
        Assert.Equal(
            pieces,
            Draft(
                $"Plain bake\n{row}\n\n200 g plain flour\n150 g butter\n2 eggs\n\nBeat everything. Bake in a 23 x 33 cm tin at 180 C "
                    + "for 30 minutes."
            ).Pieces
        );

    [Fact]
    public void The_same_weight_is_the_weight_before()
    {
        var lines = Lines(
            Draft(
                "Buns\n\n450 g plain flour\n100 g butter\nsame weight of brown sugar\n7 g instant yeast\n\nMix everything. Leave to "
                    + "rise 1 hour. Cut 12 strips, knot them. Prove 30 min on a tray. Bake at 220 C for 10 minutes."
            )
        );
        Assert.Contains(
            lines,
            l => l.StartsWith("100 g brown sugar", StringComparison.Ordinal) && l.Contains("same weight", StringComparison.Ordinal)
        );
    }
}
