using Zymethos.Workshop.Cutting;

namespace Zymethos.Workshop.Tests.Cutting;

/// <summary>Outlines by their corners.</summary>
public sealed class NumberedOutlineTests
{
    [Theory]
    [InlineData("0 0, 120 0, 120 90, 60 150, 0 90", 120, 150, (120 * 90) + (120 * 60 / 2))]
    [InlineData("0,0;80,0;80,60;0,60", 80, 60, 4800)]
    [InlineData("10 10\n90 10\n90 70.5\n10 70.5\n10 10", 80, 60.5, 80 * 60.5)]
    public void A_gable_a_square_and_one_that_is_closed_already(string typed, double width, double height, double area)
    {
        var (outline, wrong) = NumberedOutline.Read("gable", typed);
        Assert.Equal("", wrong);
        Assert.Equal(width, outline!.Width, 1e-9);
        Assert.Equal(height, outline.Height, 1e-9);
        Assert.Equal(area, outline.Area, 1e-6);
    }

    [Theory]
    [InlineData("", "3 to 200 corners")]
    [InlineData("0 0, 50 0", "3 to 200 corners")]
    [InlineData("0 0, 50 0, 50", "one of them is missing")]
    [InlineData("0 0, 90 90, 90 0, 0 90", "crosses itself")]
    [InlineData("0 0, 3 0, 3 3", "measures 5 mm")]
    [InlineData("0 0, 99999 0, 99999 99999", "to 1 m")]
    [InlineData("gable", "3 to 200 corners")]
    public void What_is_no_outline_says_why(string typed, string said)
    {
        var (outline, wrong) = NumberedOutline.Read("gable", typed);
        Assert.Null(outline);
        Assert.Contains(said, wrong, StringComparison.Ordinal);
    }
}
