using Zymethos.Core.Recipes;

namespace Zymethos.Core.Tests.Recipes;

/// <summary>Kinds of handwork and finishes of pans, as their names tell them.</summary>
public sealed class HandworkTests
{
    [Theory]
    [InlineData("Roll and cut walls and roof", "rolling and cutting")]
    [InlineData("Cut out the stars", "rolling and cutting")]
    [InlineData("Shape two loaves", "shaping")]
    [InlineData("Knead again, by hand", "kneading")]
    [InlineData("Pipe the crosses", "icing and filling")]
    [InlineData("Stir everything together, fill the pan", "mixing")]
    [InlineData("Line the loaf pan", "pans")]
    [InlineData("First feed, wrap the cake", "wrapping")]
    [InlineData("Weigh the dry things", "weighing")]
    [InlineData("Fetch the milk", "other handwork")]
    [InlineData("", "other handwork")]
    public void The_first_verb_decides(string title, string work)
    {
        Assert.Equal(work, Handwork.Of(StepKind.Work, title));
        Assert.Contains(Handwork.Of(StepKind.Work, title), Handwork.Names);
    }

    [Fact]
    public void The_mixer_mixes_whatever_it_is_called() => Assert.Equal("mixing", Handwork.Of(StepKind.Mix, "Make the dough"));

    [Theory]
    [InlineData("Nonstick loaf pan", "dark")]
    [InlineData("pie dish, glass, 24 cm", "glass")]
    [InlineData("baking stone", "stone")]
    [InlineData("bright half sheet", "shiny")]
    [InlineData("loaf pan 23 × 13 cm", "")]
    public void A_pan_says_how_it_takes_the_heat_or_nothing(string pan, string finish) => Assert.Equal(finish, PanFinish.Of(pan));
}
