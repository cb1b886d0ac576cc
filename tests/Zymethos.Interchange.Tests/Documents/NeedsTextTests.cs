using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Documents;

/// <summary>Needs as they are pasted from a spreadsheet or come as CSV.</summary>
public sealed class NeedsTextTests
{
    private static NeedsReading Read(string text) => NeedsText.Read(text, "Parcels", [.. Shipped.Keys.Select(Shipped.Recipe)]);

    [Theory]
    [InlineData("Wren\tginger rounds\t12\nPascoe\tAlmond slices\t8")]
    [InlineData("12,ginger rounds,Wren\n8,almond slices,Pascoe")]
    [InlineData("For whom;What;Pieces\nWren;Lamplight ginger rounds;12\nPascoe;orchard-almond-slices;8")]
    [InlineData("what,pieces,who\r\n\"ginger rounds\",12,Wren\r\n\r\nalmond,8,Pascoe\r\n")]
    public void Columns_are_found_with_headings_and_without(string text)
    {
        var reading = Read(text);
        Assert.Empty(reading.Trouble);
        Assert.Equal(
            [("lamplight-ginger-rounds", 12, "Wren"), ("orchard-almond-slices", 8, "Pascoe")],
            reading.Needs.Select(n => (n.Recipe, n.Pieces, n.For))
        );
        Assert.All(reading.Needs, n => Assert.Equal("Parcels", n.Occasion));
    }

    [Theory]
    [InlineData("3 dozen ginger rounds for the street", "lamplight-ginger-rounds", 36, 0, "the street")]
    [InlineData("half a dozen almond slices for Pascoe", "orchard-almond-slices", 6, 0, "Pascoe")]
    [InlineData("a dozen ginger rounds", "lamplight-ginger-rounds", 12, 0, "")]
    [InlineData("two lantern plaits for Gran and Ida", "lantern-plait", 2, 0, "Gran and Ida")]
    [InlineData("14 boxes of 3 ginger rounds for the library", "lamplight-ginger-rounds", 42, 14, "the library")]
    [InlineData("Twenty plum street butters for the fair.", "plum-street-butters", 20, 0, "the fair")]
    [InlineData("an allotment loaf for the neighbours", "allotment-loaf", 1, 0, "the neighbours")]
    public void A_line_can_be_said_in_words(string said, string recipe, int pieces, int boxes, string whom)
    {
        var reading = Read(said);
        Assert.Empty(reading.Trouble);
        var need = Assert.Single(reading.Needs);
        Assert.Equal((recipe, pieces, boxes, whom), (need.Recipe, need.Pieces, need.Boxes, need.For));
    }

    [Theory]
    [InlineData("a loaf for Ida")]
    [InlineData("many ginger rounds for Ida")]
    [InlineData("3 dozen sea biscuits")]
    public void What_is_said_and_not_known_is_told_and_not_guessed(string said)
    {
        var reading = Read(said);
        Assert.Empty(reading.Needs);
        Assert.Single(reading.Trouble);
    }

    [Fact]
    public void Every_line_that_cannot_be_meant_is_said_with_its_number()
    {
        var reading = Read("Wren\tginger rounds\t12\nPascoe\tsea biscuits\t8\nOlu\tginger rounds\tmany\nIda\tloaf\t2");
        Assert.Single(reading.Needs);
        Assert.Equal(3, reading.Trouble.Count);
        Assert.Contains("Line 2", reading.Trouble[0], StringComparison.Ordinal);
        // Several recipes are loaves; which one is not guessed.
        Assert.Contains("loaf", reading.Trouble[^1], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("42", 42, 0)]
    [InlineData("14 x 3", 42, 14)]
    [InlineData("14×3 cookies", 42, 14)]
    [InlineData(" 7 pieces", 7, 0)]
    [InlineData("0", null, 0)]
    [InlineData("14 x", null, 0)]
    [InlineData("2 x 3 x 4", null, 0)]
    [InlineData("200 x 200", null, 0)]
    [InlineData("-3", null, 0)]
    public void Pieces_are_counted_or_boxed(string text, int? pieces, int boxes) =>
        Assert.Equal(pieces is { } p ? (p, boxes) : null, NeedsText.Pieces(text));

    [Fact]
    public void A_name_and_a_bake_alone_are_one_piece() =>
        Assert.Equal(("copper-ring", 1, "Wren"), Read("Wren\tcopper ring").Needs.Select(n => (n.Recipe, n.Pieces, n.For)).Single());

    [Fact]
    public void Quotes_that_never_close_and_endless_lists_are_no_accident()
    {
        Assert.NotNull(Read("\"Wren,ginger rounds,12"));
        Assert.Contains(
            "400",
            Read(string.Join('\n', Enumerable.Repeat("a,copper ring,1", 500))).Trouble.Single(),
            StringComparison.Ordinal
        );
        Assert.Empty(Read("").Needs);
    }
}
