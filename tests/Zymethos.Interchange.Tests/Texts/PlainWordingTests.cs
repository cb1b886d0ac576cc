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

/// <summary>Wording of everyday recipes that was misread once, as classes: each with ways of saying it that stand in no corpus.</summary>
public sealed class PlainWordingTests
{
    [Theory]
    [InlineData("Oat biscuits (about 36)", "36", "Oat biscuits")]
    [InlineData("Nut wafers - roughly 50", "50", "Nut wafers")]
    [InlineData("Cheese bites makes 28ish", "28", "Cheese bites")]
    [InlineData("Soft white rolls, 12 rolls", "12", "Soft white rolls, 12 rolls")]
    [InlineData("Date squares. Makes 16. Easy!", "16", "Date squares")]
    public void A_name_may_say_how_many(string name, string pieces, string kept)
    {
        var draft = Draft(
            $"{name}\n\n200 g plain flour\n100 g butter\n80 g sugar\n\nMix to a dough, put on a tray and bake at 180 C for 12 minutes."
        );
        Assert.Equal(pieces, draft.Pieces);
        Assert.Equal(kept, draft.Name);
    }

    [Theory]
    [InlineData("Make three long slashes across the top.")]
    [InlineData("Cut two deep slits in it with a sharp knife.")]
    [InlineData("With scissors make six small snips along the top.")]
    public void Cuts_in_the_crust_divide_nothing(string cut)
    {
        var loaf = Loaf(
            $"Mix and knead for 10 minutes. Rise for 1 hour. Shape into a loaf, put on a baking tray and prove for 40 minutes. {cut} "
                + "Bake at 220 C for 30 minutes."
        );
        Assert.InRange(loaf.DividedInto, 0, 1);
        Assert.Equal(1, loaf.Yield.Pieces);
    }

    [Theory]
    [InlineData(
        "Put an empty roasting tin in the bottom of the oven to heat. Put the loaf on a baking tray, pour a cup of hot water into the "
            + "roasting tin and bake at 220 C for 30 minutes."
    )]
    [InlineData("Stand a tin of boiling water on the oven floor. Put the loaf on a baking tray and bake at 220 C for 30 minutes.")]
    public void A_tin_for_steam_is_none_to_bake_in(string bake)
    {
        var loaf = Loaf($"Mix and knead for 10 minutes. Rise for 1 hour. Shape into a loaf and prove for 40 minutes. {bake}");
        Assert.Equal(PanShape.Tray, loaf.Steps.Single(s => s.Kind == StepKind.Bake).Oven!.Pan.Shape);
    }

    [Theory]
    [InlineData("prove for another hour", 60)]
    [InlineData("leave to prove for a further hour", 60)]
    [InlineData("prove for another half an hour", 30)]
    public void Another_hour_is_an_hour(string words, int minutes)
    {
        var loaf = Loaf(
            $"Mix and knead for 10 minutes. Rise for 2 hours. Shape and put in a loaf tin, then {words}. Bake at 220 C for 30 minutes."
        );
        Assert.Equal(minutes, loaf.Steps.Single(s => s.Kind == StepKind.Proof).Takes.Likely.TotalMinutes);
    }

    [Theory]
    [InlineData("Leave to rise for 50 minutes while the oven heats to 230 C.")]
    [InlineData("Cover and prove for 50 minutes while the oven warms up to 230 C.")]
    public void A_rise_while_the_oven_heats_is_no_bake(string rise)
    {
        var loaf = Loaf(
            $"Mix and knead for 10 minutes. Rise for 1 hour. Shape into a round and put on a baking tray. {rise} Bake for 30 minutes."
        );
        var bake = Assert.Single(loaf.Steps, s => s.Kind == StepKind.Bake);
        Assert.Equal(30, bake.Takes.Likely.TotalMinutes);
        Assert.Equal(230, bake.Oven!.SetTemperature.Celsius, 5);
        Assert.Contains(loaf.Steps, s => s.Kind == StepKind.Proof && s.Takes.Likely.TotalMinutes == 50);
    }

    [Fact]
    public void Turning_out_after_minutes_waits_for_them()
    {
        var cake = Cake(
            "Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. Turn out after 8 minutes and cool on a rack."
        );
        var bake = cake.Steps.Single(s => s.Kind == StepKind.Bake);
        var link = Assert.Single(cake.Links, l => l.From == bake.Key && l.MinLag.TotalMinutes == 8);
        Assert.True(link.MaxLag is { TotalMinutes: >= 8 and <= 60 });
    }

    [Theory]
    [InlineData("Bake at 170 C for 10 minutes on each side.", 20)]
    [InlineData("Bake at 170 C, 8 minutes a side.", 16)]
    public void Both_sides_take_twice_as_long(string bake, int minutes)
    {
        var cake = Cake($"Mix to a dough, roll out, cut into rounds and lay on a baking tray. {bake}");
        var step = cake.Steps.Single(s => s.Kind == StepKind.Bake);
        Assert.Equal(minutes, step.Takes.Likely.TotalMinutes);
        Assert.Contains(step.Touches, t => t.Kind == TouchKind.Turn && Math.Abs(t.At - 0.5) < 0.01);
    }

    [Fact]
    public void A_heat_that_changes_after_minutes_parts_the_bake_in_two()
    {
        var loaf = Loaf(
            "Mix and knead for 10 minutes. Rise for 1 hour. Shape and put in a loaf tin, prove for 40 minutes. Put into the oven at "
                + "240 C, lower to 190 C after 10 minutes and bake 50 minutes in all."
        );
        var bakes = loaf.Steps.Where(s => s.Kind == StepKind.Bake).ToList();
        Assert.Equal([10.0, 40.0], bakes.Select(b => b.Takes.Likely.TotalMinutes));
        Assert.Equal([240.0, 190.0], bakes.Select(b => Math.Round(b.Oven!.SetTemperature.Celsius / 5) * 5));
    }

    [Theory]
    [InlineData("Let cool and ice with the icing sugar.", "ice")]
    [InlineData("Leave to cool completely and dust with icing sugar.", "dust")]
    public void What_is_done_when_it_has_cooled_is_work_of_its_own(string words, string verb)
    {
        var cake = Cake($"Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. {words}");
        var cool = cake.Steps.Single(s => s.Kind == StepKind.Cool);
        var work = cake.Steps.Single(s => s.Kind == StepKind.Work && s.Title.StartsWith(verb, StringComparison.OrdinalIgnoreCase));
        Assert.Contains(cake.Links, l => l.From == cool.Key && l.To == work.Key);
    }

    [Fact]
    public void What_is_made_while_a_base_cools_is_made_beside_it()
    {
        var tart = Read(
            "Custard tart\n\n200 g plain flour\n100 g butter\n300 ml cream\n3 eggs\n\nRub the butter into the flour, press into a 23 "
                + "cm tart tin. Bake at 190 C for 15 minutes. Leave to cool while you make the filling. Whisk the eggs and cream. Pour "
                + "over the base and bake for 25 minutes more."
        );
        var cool = tart.Steps.Single(s => s.Kind == StepKind.Cool);
        var whisk = tart.Steps.Single(s => s.Instruction.Contains("Whisk the eggs", StringComparison.Ordinal));
        Assert.DoesNotContain(tart.Links, l => l.From == cool.Key && l.To == whisk.Key);
    }

    [Theory]
    [InlineData("Wrap in foil and keep for three days before cutting.", 3)]
    [InlineData("Leave wrapped for 2 days before slicing.", 2)]
    public void What_is_kept_before_it_is_cut_ripens(string words, int days)
    {
        var cake = Cake($"Beat everything. Spread in a 20 cm round tin. Bake at 180 C for 30 minutes. Cool in the tin. {words}");
        Assert.Equal(days, cake.Steps.Single(s => s.Kind == StepKind.Mature).Takes.Likely.TotalDays, 1);
    }

    [Theory]
    [InlineData(
        "40 g each sunflower seeds, pumpkin seeds and linseeds",
        new[] { "40 g sunflower seeds", "40 g pumpkin seeds", "40 g linseeds" }
    )]
    [InlineData(
        "the same weight of butter, caster sugar and plain flour (about 200g of each)",
        new[] { "200g butter", "200g caster sugar", "200g plain flour" }
    )]
    [InlineData("60 g melted butter, icing sugar", new[] { "60 g melted butter", "icing sugar" })]
    [InlineData("food colouring and sprinkles", new[] { "food colouring", "sprinkles" })]
    [InlineData("2 sheets puff pastry, 250 g each", new[] { "2 sheets puff pastry, 250 g each" })]
    [InlineData("salt and pepper", new[] { "salt and pepper" })]
    [InlineData("200 g flour, rye", new[] { "200 g flour, rye" })]
    public void A_row_is_as_many_lines_as_it_names(string row, string[] lines) =>
        Assert.Equal(lines, LineSplitter.Split(row, IngredientKnowledge.Shipped));

    [Theory]
    [InlineData("2 tablspoons milk", 29, 32)]
    [InlineData("3 teaspooons salt", 17, 19)]
    [InlineData("1 tabelspoon sugar", 12, 13)]
    public void A_slip_in_a_spoon_is_seen_through(string line, double low, double high) =>
        Assert.InRange(LineReader.Read(line, IngredientKnowledge.Shipped).Weight!.Value.Grams, low, high);

    [Theory]
    [InlineData("100 g almand flour")]
    [InlineData("100 g coconot flour")]
    [InlineData("100 g buckweat flour")]
    public void A_slip_never_takes_wheat_away_without_asking(string line)
    {
        var read = LineReader.Read(line, IngredientKnowledge.Shipped);
        Assert.True(read.IsGuessed || !read.Left.IsEmpty || read.Ingredient is null, "It is taken for certain.");
        var statement = AllergenStatement.Of(
            Read($"Flat cake\n\n{line}\n100 g sugar\n\nMix and bake in a 20 cm round tin at 180 C for 20 minutes."),
            IngredientKnowledge.Shipped
        );
        Assert.DoesNotContain(Allergen.Wheat, statement.FreeFrom);
    }

    [Theory]
    [InlineData("Glaze with a little beaten egg.", true)]
    [InlineData("Brush with beaten egg.", true)]
    [InlineData("Keep back a little of the egg. Brush with beaten egg.", false)]
    public void An_egg_to_glaze_is_one_more_unless_some_is_kept_back(string words, bool more)
    {
        var lines = Lines(
            "Rich loaf\n\n400 g bread flour\n150 g milk\n2 eggs\n7 g instant yeast\n\nMix everything and knead for 10 minutes. Rise "
                + $"for 1 hour. Shape, put in a loaf tin and prove for 40 minutes. {words} Bake at 200 C for 30 minutes."
        );
        Assert.Equal(more ? 2 : 1, lines.Count(l => l.Contains("egg", StringComparison.OrdinalIgnoreCase)));
    }

    [Fact]
    public void A_pinch_told_in_the_method_goes_to_the_part_it_is_mixed_with()
    {
        var draft = Draft(
            "Cream tart\n\nBase: 200 g plain flour, 100 g butter\nFilling: 300 g cream cheese, 100 g caster sugar, 2 eggs\n\nRub the "
                + "butter into the flour and press into a 23 cm tart tin. Beat the cream cheese with the sugar, eggs and a pinch of salt. "
                + "Pour in and bake at 180 C for 30 minutes."
        );
        Assert.Contains("salt", draft.Parts.Single(p => p.Name == "Filling").Lines, StringComparison.Ordinal);
        Assert.DoesNotContain("salt", draft.Parts.Single(p => p.Name == "Base").Lines, StringComparison.Ordinal);
    }

    [Fact]
    public void Headings_among_the_lines_of_a_page_are_parts()
    {
        const string page =
            """<script type="application/ld+json">{"@type":"Recipe","name":"Iced cake","recipeIngredient":["200 g plain flour","150 g butter","3 eggs","For the icing:","200 g icing sugar","2 tbsp water"],"recipeInstructions":["Beat everything for the cake, spread in a 20 cm round tin and bake at 180 C for 30 minutes. Cool. Mix the icing and spread it on."]}</script>""";
        var draft = PageReader.Read(page, IngredientKnowledge.Shipped, Pans).Drafts.Single();
        Assert.Equal(2, draft.Parts.Count);
        Assert.Equal("Icing", draft.Parts[1].Name);
        Assert.Equal(2, draft.Parts[1].Lines.Split('\n').Length);
    }

    [Theory]
    [InlineData("From the kitchen of: Aunt May\nOat rounds     Makes: 18     Oven: 170C", "Oat rounds", "18")]
    [InlineData("Oat rounds\nCut into 18 rounds. Can be frozen.", "Oat rounds", "18")]
    [InlineData("Oat rounds\n18 x 40 g", "Oat rounds", "18")]
    public void What_stands_around_the_name_is_read(string head, string name, string pieces)
    {
        var draft = Draft($"{head}\n\n200 g rolled oats\n100 g butter\n80 g sugar\n\nMix, put on a tray and bake at 170 C for 15 minutes.");
        Assert.Equal(name, draft.Name);
        Assert.Equal(pieces, draft.Pieces);
    }

    [Fact]
    public void A_greeting_is_no_name_and_no_ingredient_goes_with_it()
    {
        var draft = Draft(
            "Hello everybody! Here is the one you all asked for.\n\nSeed rounds\n\n200 g rolled oats\n100 g butter\n80 g "
                + "sugar\n\nMix, put on a tray and bake at 170 C for 15 minutes."
        );
        Assert.Equal("Seed rounds", draft.Name);
        Assert.Equal(3, draft.Parts.Sum(p => p.Lines.Split('\n').Length));
    }

    [Fact]
    public void An_hour_before_a_step_is_no_amount()
    {
        var loaf = Read(
            "Slow loaf\n\n500 g bread flour\n330 g water\n10 g salt\n5 g instant yeast\n\n8:00 mix everything, knead for 10 "
                + "minutes.\n8:15 cover and rise for 3 hours.\n11:30 shape and put in a loaf tin, prove for 1 hour.\n12:30 bake at 220 C "
                + "for 35 minutes."
        );
        Assert.Equal(4, loaf.Parts.Sum(p => p.Lines.Length));
        Assert.Contains(loaf.Steps, s => s.Kind == StepKind.BulkRise && s.Takes.Likely.TotalHours == 3);
        Assert.Contains(loaf.Steps, s => s.Kind == StepKind.Bake && s.Takes.Likely.TotalMinutes == 35);
    }

    [Fact]
    public void Many_small_pieces_in_one_ring_are_what_it_serves()
    {
        var ring = Read(
            "Pull-apart ring\n\n500 g bread flour\n300 ml milk\n7 g instant yeast\n80 g butter, melted\n\nMix and knead for 8 "
                + "minutes. Rise for 1 hour. Divide into 40 small pieces and roll into balls. Dip in the butter and layer in a fluted "
                + "ring tin. Prove for 40 minutes. Bake at 180 C for 30 minutes. Serves 8."
        );
        Assert.Equal(8, ring.Yield.Pieces);
    }

    [Fact]
    public void Rye_starter_brings_no_wheat_but_gluten()
    {
        var starter = LineReader.Read("100 g ripe rye starter", IngredientKnowledge.Shipped).Ingredient!;
        Assert.Contains(Allergen.Gluten, starter.Allergens);
        Assert.DoesNotContain(Allergen.Wheat, starter.Allergens);
        Assert.Contains(Allergen.Wheat, LineReader.Read("100 g sourdough starter", IngredientKnowledge.Shipped).Ingredient!.Allergens);
    }

    [Theory]
    [InlineData("Stir in the flour and oats.")]
    [InlineData("Fold in flour and oats.")]
    [InlineData("Dust the tin with flour, then stir in the oats.")]
    public void Flour_that_only_the_method_names_is_not_known(string words)
    {
        var statement = AllergenStatement.Of(
            Read(
                $"Oat rounds\n\n100 g porridge oats\n100 g butter\n80 g sugar\n\nMelt the butter and sugar. {words} Put on a baking "
                    + "tray and bake at 180 C for 12 minutes."
            ),
            IngredientKnowledge.Shipped
        );
        Assert.DoesNotContain(Allergen.Wheat, statement.FreeFrom);
        Assert.True(statement.MayContain(Allergen.Wheat));
    }

    [Theory]
    [InlineData("Roll into balls the size of a small walnut.")]
    [InlineData("Shape balls about the size of hazelnuts.")]
    public void A_size_is_no_nut(string words)
    {
        var statement = AllergenStatement.Of(
            Cake($"Mix to a dough. {words} Put on a baking tray and bake at 180 C for 12 minutes."),
            IngredientKnowledge.Shipped
        );
        Assert.DoesNotContain(statement.Open, o => o.MayBe.Contains(Allergen.TreeNut));
    }
}
