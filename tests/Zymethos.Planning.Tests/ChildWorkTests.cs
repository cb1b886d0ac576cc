using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Reading;

namespace Zymethos.Planning.Tests;

/// <summary>What a child is given beside a grown-up, and what never.</summary>
public sealed class ChildWorkTests
{
    private static IEnumerable<Step> Steps() =>
        DemoKitchen.Recipes().Select(r => new DocumentReader().Read(r, "recipe")).SelectMany(r => r.Steps);

    private static Step Titled(string title) => Steps().First(s => s.Title == title);

    [Theory]
    [InlineData("Boil the syrup")]
    [InlineData("Melt the chocolate")]
    [InlineData("Melt butter, sugar and syrup")]
    [InlineData("Cook the curd")]
    [InlineData("Whites and sugar over steam")]
    [InlineData("Glaze while hot")]
    [InlineData("Make the ganache")]
    [InlineData("Slice the logs")]
    [InlineData("Grate and press the courgette")]
    [InlineData("Snip the crosses")]
    [InlineData("Trim the edges while warm")]
    [InlineData("Roll and cut walls and roof")]
    [InlineData("Cut, sauce over")]
    [InlineData("First feed, wrap the cake")]
    [InlineData("Turn the loaf out")]
    [InlineData("Lift the muffins out")]
    public void Nothing_hot_or_sharp_or_with_spirit_is_a_childs(string title) => Assert.False(ChildWork.Fits(Titled(title)), title);

    [Theory]
    [InlineData("Weigh the dry things")]
    [InlineData("Shape a tray of butters")]
    [InlineData("Press the tray flat with a fork")]
    [InlineData("Stir the icing")]
    [InlineData("Ice the shapes")]
    [InlineData("Stir the muffin batter")]
    public void Simple_handwork_is(string title) => Assert.True(ChildWork.Fits(Titled(title)), $"{title}: {Titled(title).Instruction}");

    [Fact]
    public void No_step_with_the_mixer_at_the_oven_or_with_a_grave_caution_is_ever_given()
    {
        foreach (var step in Steps().Where(ChildWork.Fits))
        {
            Assert.Equal(StepKind.Work, step.Kind);
            Assert.Null(step.Oven);
            Assert.DoesNotContain(step.Cautions, c => c is Core.Safety.CautionKind.Burns or Core.Safety.CautionKind.Spirit);
        }
    }

    [Theory]
    [InlineData("Arrange it nicely", "Take your time.")]
    [InlineData("Fill the jars", "Ladle the boiling jam in.")]
    [InlineData("Shape the rolls", "Divide with a sharp knife.")]
    [InlineData("Stir the glaze", "Add the rum.")]
    [InlineData("Brush the tops", "As soon as they come from the oven.")]
    public void What_nobody_knows_to_be_simple_or_what_hides_something_is_not(string title, string instruction) =>
        Assert.False(ChildWork.Fits(Titled("Stir the icing") with { Title = title, Instruction = instruction }));
}
