using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Seasons;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>Spirit, honey, dairy and raw egg that stand elsewhere than in the name of a line are never taken for absent.</summary>
public sealed class NotKnownTests
{
    private static readonly IngredientKnowledge Known = IngredientKnowledge.Shipped;

    private static IngredientLine Field(string ingredient, string written = "", string note = "") =>
        new(null, Mass.FromGrams(100), ingredient, "", note, false) { Written = written };

    private static Step Does(string title, string instruction, StepKind kind = StepKind.Work) =>
        new(title, title, instruction, kind, DurationEstimate.Minutes(1, 2, 3), 1, null, 1, [], []);

    private static Recipe Of(Part[] parts, params Step[] steps) => new("x", "X", "", new Yield(1, "cakes"), [.. parts], [.. steps], [], []);

    private static AllergenStatement Stated(IngredientLine line, params Step[] steps) =>
        AllergenStatement.Of(Of([new Part("Batter", PartKind.Batter, [line])], steps), Known);

    private static AllergenStatement Lines(params string[] lines) =>
        AllergenStatement.OfLines([.. lines.Select(l => LineReader.Read(l, Known))], Known);

    [Theory]
    [InlineData("60 g walnuts, chopped (leave out if nut free)", Allergen.TreeNut)]
    [InlineData("200 g butter (omit for dairy-free)", Allergen.Milk)]
    [InlineData("2 eggs, or skip for egg-free", Allergen.Egg)]
    [InlineData("100 g peanut butter (swap if nut-free)", Allergen.Peanut)]
    public void Words_that_hang_on_a_condition_take_nothing_back(string line, Allergen allergen) =>
        Assert.Contains(
            allergen,
            LineAllergens.Of(LineReader.Read(line, IngredientKnowledge.Shipped), IngredientKnowledge.Shipped).Contains
        );

    [Theory]
    [InlineData("100 g gluten-free oats")]
    [InlineData("200 g dark chocolate (check it's gluten free)")]
    public void A_plain_claim_still_leaves_it_to_the_label(string line) =>
        Assert.Contains(
            LineAllergens.Of(LineReader.Read(line, IngredientKnowledge.Shipped), IngredientKnowledge.Shipped).Open,
            o => o.Why.Contains("label", StringComparison.Ordinal)
        );

    [Theory]
    [InlineData("Brush the cake with brandy.", Diet.NoAlcohol)]
    [InlineData("Feed it with a little dark rum once a week.", Diet.NoAlcohol)]
    [InlineData("Drizzle with honey while hot.", Diet.NoHoney)]
    [InlineData("Stir in the dissolved gelatine.", Diet.Vegan)]
    public void What_only_the_method_pours_in_is_not_known(string instruction, Diet diet)
    {
        var statement = Stated(Field("rice flour"), Does("Finish it", instruction));
        Assert.Equal(DietStand.NotKnown, Diets.Stand(statement, diet));
        Assert.Equal(DietStand.Suits, Diets.Stand(statement, Diet.NoNuts));
        Assert.Contains("May contain", StatementWords.NotKnown(statement), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Bake until honey-coloured.")]
    [InlineData("Splash in the red wine vinegar.")]
    [InlineData("Top up with ginger beer.")]
    public void A_colour_a_vinegar_and_a_soft_drink_are_no_spirit_and_no_honey(string instruction)
    {
        var statement = Stated(Field("rice flour"), Does("Finish it", instruction));
        Assert.Equal(DietStand.Suits, Diets.Stand(statement, Diet.NoAlcohol));
        Assert.Equal(DietStand.Suits, Diets.Stand(statement, Diet.NoHoney));
    }

    [Theory]
    [InlineData("100 g raisins, soaked in rum", Diet.NoAlcohol)]
    [InlineData("2 tbsp orange juice or brandy", Diet.NoAlcohol)]
    [InlineData("100 g dried figs (plumped in port)", Diet.NoAlcohol)]
    [InlineData("2 tbsp maple syrup or honey", Diet.NoHoney)]
    public void What_stands_beside_the_ingredient_or_may_be_taken_instead_is_not_absent(string line, Diet diet) =>
        Assert.NotEqual(DietStand.Suits, Diets.Stand(Lines(line), diet));

    [Fact]
    public void The_note_of_a_line_in_fields_counts() =>
        Assert.NotEqual(DietStand.Suits, Diets.Stand(Stated(Field("raisins", note: "soaked in rum")), Diet.NoAlcohol));

    [Fact]
    public void A_field_that_was_changed_after_the_line_was_written_counts_beside_the_words()
    {
        var statement = Stated(Field("peanut butter", "100 g sunflower oil"));
        Assert.Contains(Allergen.Peanut, statement.Contains);
        Assert.Empty(Stated(Field("zorbat", "100 g sunflower oil")).FreeFrom);
    }

    // Milk from which the sugar was taken holds its protein still; wheat-free rye holds gluten.
    [Theory]
    [InlineData("200 ml lactose-free milk", Allergen.Milk)]
    [InlineData("200 g wheat-free rye flour", Allergen.Gluten)]
    public void A_claim_takes_back_no_more_than_it_says(string line, Allergen allergen) => Assert.Contains(allergen, Lines(line).Contains);

    [Theory]
    [InlineData("100 g fruit yogurt")]
    [InlineData("200 g pumpkin custard")]
    [InlineData("200 g almond custard")]
    [InlineData("100 g walnut cheese")]
    [InlineData("100 g pistachio cream")]
    [InlineData("2 tbsp almond spread")]
    public void Dairy_with_a_plant_before_it_may_be_dairy_still(string line) => Assert.True(Lines(line).MayContain(Allergen.Milk));

    [Theory]
    [InlineData("100 ml oat milk")]
    [InlineData("100 g apple butter")]
    [InlineData("100 g shea butter")]
    public void Milk_and_butter_of_a_plant_hold_none(string line) => Assert.DoesNotContain(Allergen.Milk, Lines(line).Contains);

    [Theory]
    [InlineData("Whip cream and sugar until soft.", true)]
    [InlineData("Fold in the whipped cream with a spatula.", true)]
    [InlineData("Cream the sugar and oil.", false)]
    [InlineData("Mix, then cream together with the sugar.", false)]
    public void To_cream_is_to_beat_and_cream_is_dairy(string instruction, bool dairy) =>
        Assert.Equal(dairy, Stated(Field("rice flour"), Does("Mix", instruction)).MayContain(Allergen.Milk));

    [Fact]
    public void A_syrup_that_boils_elsewhere_does_not_cook_the_egg_in_an_icing()
    {
        var icing = new Part("Icing", PartKind.Icing, [Field("egg white"), Field("icing sugar")]);
        var batter = new Part("Batter", PartKind.Batter, [Field("rice flour")]);
        var bake = Does("Bake", "Bake it.", StepKind.Bake);
        Assert.True(
            AllergenStatement
                .Of(
                    Of(
                        [batter, icing],
                        Does("Boil the fruit", "Boil the fruit with sugar."),
                        bake,
                        Does("Ice", "Beat the egg white with the icing sugar and spread.")
                    ),
                    Known
                )
                .HasRawEgg
        );
        Assert.False(
            AllergenStatement
                .Of(Of([batter, icing], bake, Does("Ice", "Whisk egg white and sugar over boiling water to 71 °C.")), Known)
                .HasRawEgg
        );
    }

    [Theory]
    [InlineData("Over boiling water, warm the cream. Beat the egg in at the end, off the heat.", true)]
    [InlineData("Cook the egg and sugar to 160 F.", false)]
    public void An_egg_in_what_never_bakes_is_raw_unless_its_own_sentence_heats_it(string instruction, bool raw) =>
        Assert.Equal(raw, Stated(Field("egg"), Does("Make it", instruction)).HasRawEgg);

    [Fact]
    public void A_mousse_with_egg_and_a_filling_of_milk_and_starch_are_kept_cold()
    {
        Assert.True(
            ColdFood.Is(
                Of([new Part("Mousse", PartKind.Batter, [Field("egg"), Field("dark chocolate")])], Does("Fold", "Fold and set.")),
                Known
            )
        );
        var filling = new Part(
            "Filling",
            PartKind.Filling,
            [
                Field("milk") with
                {
                    Weight = Mass.FromGrams(500),
                },
                Field("cornflour") with
                {
                    Weight = Mass.FromGrams(40),
                },
                Field("caster sugar") with
                {
                    Weight = Mass.FromGrams(80),
                },
            ]
        );
        var base_ = new Part("Batter", PartKind.Batter, [Field("plain flour")]);
        Assert.True(ColdFood.Is(Of([base_, filling], Does("Bake", "Bake.", StepKind.Bake)), Known));
        // A spoon of milk in a sugar icing is held by the sugar.
        var icing = new Part(
            "Icing",
            PartKind.Icing,
            [Field("milk") with { Weight = Mass.FromGrams(30) }, Field("icing sugar") with { Weight = Mass.FromGrams(300) }]
        );
        Assert.False(ColdFood.Is(Of([base_, icing], Does("Bake", "Bake.", StepKind.Bake)), Known));
    }

    // What the table does not hold is judged by its words: unknown is never shown as safe.
    [Theory]
    [InlineData("goat curd", true)]
    [InlineData("Farmhouse single cream from the market", true)]
    [InlineData("vanilla custard from a carton", true)]
    [InlineData("skyr", true)]
    [InlineData("cream of tartar", false)]
    [InlineData("custard powder", false)]
    [InlineData("apricot jam", false)]
    public void A_filling_with_cream_in_its_name_is_kept_cold(string ingredient, bool cold)
    {
        Recipe Filled(string name) =>
            Of(
                [
                    new Part("Batter", PartKind.Batter, [Field("plain flour")]),
                    new Part("Filling", PartKind.Filling, [Field(name) with { Weight = Mass.FromGrams(200) }]),
                ],
                Does("Bake", "Bake.", StepKind.Bake)
            );
        Assert.Equal(cold, ColdFood.Is(Filled(ingredient), Known));
        // A kitchen's own ingredient of that name is judged alike.
        var own = IngredientKnowledge.Shipped.Find("apricot jam")! with
        {
            Name = ingredient.ToLowerInvariant(),
            Aliases = [],
        };
        Assert.Equal(cold, ColdFood.Is(Filled(ingredient), new IngredientKnowledge([own], FlourHabit.Table)));
    }
}
