using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Cold;
using Zymethos.Workshop.Drink;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>Figures against published ones. Whoever wrote them down did not have the publications at hand, unless it is said.</summary>
public sealed class PublishedValueTests
{
    private static double Value(string address, string name, params (string Field, string Typed)[] typed)
    {
        var (says, asked) = CalculatorShelf.At(address)!.Answer(f => typed.FirstOrDefault(t => t.Field == f).Typed);
        Assert.Empty(asked.Wrong);
        return says.Values.Single(v => v.Name == name).Value;
    }

    // USDA, "High Altitude Cooking": water boils at 212 F at the sea, 203 at 5000 ft, 198 at 7500 ft, 194 at 10000 ft (from memory).
    [Theory]
    [InlineData(0, 212)]
    [InlineData(5000, 203)]
    [InlineData(7500, 198)]
    [InlineData(10_000, 194)]
    public void Water_boils_lower_up_high(double feet, double fahrenheit) =>
        Assert.Equal(fahrenheit, (BoilingWater.At(feet * 0.3048) * 9 / 5) + 32, 0.6);

    // McGee, "On Food and Cooking" (2004), sugar syrups (from memory).
    [Theory]
    [InlineData(50, 102)]
    [InlineData(70, 106)]
    [InlineData(80, 112)]
    [InlineData(90, 123)]
    [InlineData(95, 140)]
    [InlineData(98.2, 160)]
    public void Syrup_boils_hotter_the_more_sugar_is_in_it(double percent, double celsius)
    {
        Assert.Equal(celsius, SugarSyrup.BoilsAt(percent), 1e-6);
        Assert.Equal(percent, SugarSyrup.PercentAt(celsius), 1e-6);
    }

    // United States extension tables of candy stages, in Fahrenheit (from memory): 235 to 240, 245 to 250, 250 to 265, 270 to 290, 300
    // to 310.
    [Theory]
    [InlineData(237, "soft ball")]
    [InlineData(246, "firm ball")]
    [InlineData(258, "hard ball")]
    [InlineData(280, "soft crack")]
    [InlineData(305, "hard crack")]
    [InlineData(340, "caramel")]
    public void Stages_of_boiled_sugar(double fahrenheit, string stage) =>
        Assert.Equal(stage, SugarSyrup.StageAt((fahrenheit - 32) * 5 / 9)!.Name);

    // Tables of tempering in textbooks of pastry (from memory): dark melted to 45 to 50, cooled to 27 to 28, worked at 31 to 32 degrees
    // Celsius; milk 40 to 45 (or 45 to 48), 26 to 28, 29 to 30; white 40 to 45, 25 to 27, 28 to 29. Cocoa butter's wanted crystal melts
    // at 33.8 (Wille and Lutton, 1966, from memory), the next below it at 27.5: worked between the two.
    [Theory]
    [InlineData("dark", 47, 27.5, 31.5)]
    [InlineData("milk", 45, 27, 29.5)]
    [InlineData("white", 43, 26, 28.5)]
    public void Windows_of_tempering(string chocolate, double melt, double cool, double work)
    {
        var t = Tempering.All.Single(c => c.Name == chocolate);
        Assert.InRange(melt, t.MeltFrom, t.MeltTo);
        Assert.InRange(cool, t.CoolFrom, t.CoolTo);
        Assert.InRange(work, t.WorkFrom, t.WorkTo);
        Assert.True(t.WorkTo < 33.8 && t.WorkFrom > 27.5 && t.CoolTo < t.WorkFrom && t.WorkTo < t.MeltFrom);
    }

    [Fact]
    public void What_boils_away_is_the_water_that_the_syrup_has_no_more()
    {
        // 80 % sugar boils at 112: 400 g of sugar then weigh 500 g with their water.
        Assert.Equal(200 + 400 - 500, Value("sugar-syrup", "boiledAway", ("heat", "112 C"), ("sugar", "400"), ("water", "200")), 0.11);
    }

    // Singh and Heldman, "Introduction to Food Engineering", worked example of Plank's equation (from memory): a ball of 7 cm, 1000 kg/m3,
    // freezing at -1.25 C in air of -40, 1.2 W/mK frozen, 250 kJ/kg, 50 W/m2K: 2.6 thousand seconds, 0.72 h.
    [Fact]
    public void Plank_s_worked_example() =>
        Assert.Equal(0.72, FrozenBake.Plank(1000, 250_000, 38.75, 0.07, PlankShape.Ball, 50, 1.2) / 3600, 0.005);

    [Fact]
    public void A_plate_freezes_in_the_closed_form_of_a_front_that_walks_inward()
    {
        // Half of the plate, stepped through: each layer's heat goes through the frozen layers before it and the surface.
        var (rho, heat, dt, a, h, k) = (900.0, 150_000.0, 15.0, 0.06, 8.0, 0.5);
        var seconds = 0.0;
        const int layers = 20_000;
        for (var i = 0; i < layers; i++)
        {
            var depth = (i + 0.5) / layers * a / 2;
            seconds += rho * heat * (a / 2 / layers) / (dt / ((1 / h) + (depth / k)));
        }

        Assert.Equal(seconds, FrozenBake.Plank(rho, heat, dt, a, PlankShape.Plate, h, k), seconds * 1e-4);
    }

    [Fact]
    public void A_loaf_thaws_in_the_hours_that_people_count_with()
    {
        // Common practice, no source: a loaf 3 to 5 hours on the counter, cookies within the hour, a large fruit cake most
        // of a day.
        var kinds = FrozenBake.Kinds.ToDictionary(k => k.Word);
        Assert.InRange(FrozenBake.ThawMinutes(kinds["bread"], 0.10, PlankShape.Bar, -18, 21), 150, 330);
        Assert.InRange(FrozenBake.ThawMinutes(kinds["cookies"], 0.01, PlankShape.Plate, -18, 21), 5, 60);
        Assert.InRange(FrozenBake.ThawMinutes(kinds["fruit-cake"], 0.20, PlankShape.Ball, -18, 21), 480, 1800);
    }

    // Hamelman, "Bread": wanted 76 F, flour 70, room 72, friction 24 gives water of 62 F (from memory).
    [Fact]
    public void The_water_of_a_dough_by_its_factor() =>
        Assert.Equal(
            (62 - 32) * 5 / 9.0,
            Value(
                "dough-temperature",
                "water",
                ("wanted", "76 F"),
                ("flour", "70 F"),
                ("room", "72 F"),
                ("friction", $"{24 * 5 / 9.0:0.####}"),
                ("tap", "5")
            ),
            0.06
        );

    [Fact]
    public void Ice_and_tap_water_come_to_the_temperature_that_is_wanted()
    {
        (string, string)[] warm = [("wanted", "22"), ("flour", "26"), ("room", "27"), ("friction", "12"), ("water", "1000"), ("tap", "18")];
        var at = Value("dough-temperature", "water", warm);
        var ice = Value("dough-temperature", "ice", warm);
        Assert.Equal((3 * 22) - 26 - 27 - 12, at, 1e-6);
        // Heat in kJ: ice melts and warms, water cools (333.55 kJ/kg, 4.186 kJ/kg K).
        var mixed = ((1000 - ice) / 1000 * 4.186 * 18) - (ice / 1000 * 333.55);
        Assert.Equal(at, mixed / 4.186, 0.05);
    }

    // USDA Table of Nutrient Retention Factors, release 6 (2007): alcohol, stirred in and baked (from memory).
    [Theory]
    [InlineData(15, 40)]
    [InlineData(30, 35)]
    [InlineData(60, 25)]
    [InlineData(90, 20)]
    [InlineData(120, 10)]
    [InlineData(150, 5)]
    [InlineData(600, 5)]
    public void Alcohol_that_stays_after_baking(double minutes, double percent) =>
        Assert.Equal(percent, 100 * SpiritLeft.AfterBaking(minutes), 1e-6);

    [Fact]
    public void A_small_glass_of_wine() => Assert.Equal(9.5, SpiritLeft.Grams(100, 12), 0.05);

    [Fact]
    public void Alcohol_is_never_none_where_any_was_poured_in()
    {
        for (var minutes = 0.0; minutes < 1000; minutes += 7)
            Assert.True(SpiritLeft.AfterBaking(minutes) >= 0.05);
        var (says, _) = CalculatorShelf
            .At("spirit")!
            .Answer(f =>
                f is "inside" ? "1"
                : f is "feeds" ? "0"
                : null
            );
        Assert.Contains(says.Cautions, c => c.Contains("not for children", StringComparison.Ordinal));
    }

    // USDA FoodData Central, portions of whole raw egg without shell: jumbo 63 g, extra large 56, large 50, medium 44, small 38 (from
    // memory).
    [Theory]
    [InlineData("us-jumbo", 63)]
    [InlineData("us-extra-large", 56)]
    [InlineData("us-large", 50)]
    [InlineData("us-medium", 44)]
    [InlineData("us-small", 38)]
    public void Eggs_of_the_United_States_without_their_shell(string size, double grams) =>
        Assert.Equal(grams, EggsCalculator.Of(size, "whole"), 0.7);

    // Regulation (EC) 589/2008: M 53 to 63 g with shell, L 63 to 73, XL 73 and more (from memory).
    [Theory]
    [InlineData("eu-m", 53, 63)]
    [InlineData("eu-l", 63, 73)]
    [InlineData("eu-xl", 73, 80)]
    public void European_eggs_as_well(string size, double least, double most) =>
        Assert.InRange(EggsCalculator.Of(size, "whole") / 0.88, least, most);

    // USDA FoodData Central: a large egg 50 g, its white 33 g, its yolk 17 g without shell (from memory).
    [Fact]
    public void A_large_egg_without_its_shell()
    {
        Assert.Equal(50, EggsCalculator.Of("us-large", "whole"), 0.5);
        Assert.Equal(33, EggsCalculator.Of("us-large", "white"), 0.5);
        Assert.Equal(17, EggsCalculator.Of("us-large", "yolk"), 0.5);
    }

    // Common tables of oven heats (from memory), which round to ten degrees: 350 F is 180 C, fan 160, gas mark 4; 425 F is 220 C, fan 200,
    // gas mark 7.
    [Theory]
    [InlineData("350 F", 180, 160, "gas mark 4")]
    [InlineData("425 F", 220, 200, "gas mark 7")]
    public void Oven_heats(string typed, double still, double fan, string gas)
    {
        var (says, _) = CalculatorShelf.At("oven-heats")!.Answer(f => f == "heat" ? typed : null);
        Assert.Equal(still, says.Values.Single(v => v.Name == "still").Value, 5.0);
        Assert.Equal(fan, says.Values.Single(v => v.Name == "fan").Value, 5.0);
        Assert.Contains(gas, says.Says, StringComparison.Ordinal);
    }

    // Colorado State University Extension (from memory): at 5000 ft an eighth to a quarter less leavener, up to 2 tbsp less sugar a cup,
    // 2 to 4 tbsp more liquid a cup.
    [Fact]
    public void A_cake_at_five_thousand_feet()
    {
        (string, string)[] high = [("metres", "1524"), ("leavener", "16"), ("sugar", "160"), ("liquid", "160")];
        Assert.InRange(Value("elevation", "leavener", high), 12, 14);
        Assert.InRange(Value("elevation", "sugar", high), 140, 160);
        Assert.InRange(Value("elevation", "liquid", high), 180, 200);
    }

    [Fact]
    public void Below_three_thousand_feet_nothing_changes() =>
        Assert.Equal(16, Value("elevation", "leavener", ("metres", "700"), ("leavener", "16")), 1e-9);

    // A round pan of 8 in and a square one of 8 in: pi/4 against 1, walls leaning alike.
    [Fact]
    public void A_square_pan_for_a_round_one() =>
        Assert.Equal(
            4 / Math.PI,
            Value(
                "pan-for-pan",
                "times",
                ("ashape", "round"),
                ("along", "8 in"),
                ("bshape", "rectangle"),
                ("blong", "8 in"),
                ("bwide", "8 in")
            ),
            0.02
        );

    // Arithmetic: a can of 14.5 oz for one of 15.
    [Fact]
    public void Cans()
    {
        Assert.Equal(1, Value("cans", "cans", ("each", "15 oz"), ("sold", "14.5 oz")));
        Assert.Equal(2, Value("cans", "cans", ("each", "15 oz"), ("sold", "14.5 oz"), ("play", "0")));
        Assert.Equal(10, Value("cans", "cans", ("cans", "10"), ("each", "400"), ("sold", "400"), ("play", "0")));
    }
}
