using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Parcels;

/// <summary>What may travel in the post: days on the way against keeping, and nothing that wants the cold.</summary>
public sealed class PostCheckTests
{
    private static GiftBake Bake(string key, params KeepingPlace[] keeping)
    {
        var recipe = new DocumentReader().Read(DemoKitchen.Recipes().First(r => r.Key == key), "recipe");
        return GiftBake.Of(keeping.Length > 0 ? recipe with { Keeping = [.. keeping] } : recipe, "", IngredientKnowledge.Shipped);
    }

    [Theory]
    [InlineData(28, 5, true)]
    [InlineData(7, 5, true)]
    [InlineData(6, 5, false)]
    [InlineData(1, 0, true)]
    public void It_must_still_be_good_for_two_days_when_it_is_there(int keeps, int days, bool travels) =>
        Assert.Equal(travels, PostCheck.Of(Bake("orchard-almond-slices", new KeepingPlace("counter, in a tin", keeps)), days).Length == 0);

    [Fact]
    public void What_wants_the_cold_or_of_which_nobody_knows_how_long_it_keeps_stays_at_home()
    {
        Assert.Contains(
            "kept cold",
            PostCheck.Of(Bake("orchard-almond-slices", new KeepingPlace("refrigerator", 20)), 2),
            StringComparison.Ordinal
        );
        // The parade cake is filled with cream: however long it keeps, it is not posted.
        Assert.Contains("kept cold", PostCheck.Of(Bake("parade-cake", new KeepingPlace("counter", 20)), 1), StringComparison.Ordinal);
        var known = Bake("orchard-almond-slices");
        var unknown = GiftBake.Of(known.Recipe with { Keeping = ImmutableArray<KeepingPlace>.Empty }, "", IngredientKnowledge.Shipped);
        Assert.Contains("Nothing says how long", PostCheck.Of(unknown, 1), StringComparison.Ordinal);
        // A freezer does not travel along, and what is kept before the work is done is not the bake.
        Assert.NotEmpty(PostCheck.Of(Bake("orchard-almond-slices", new KeepingPlace("freezer", 90)), 1));
        Assert.NotEmpty(PostCheck.Of(Bake("orchard-almond-slices", new KeepingPlace("counter", 30) { Part = "Nuts" }), 1));
        Assert.Equal("", PostCheck.Of(unknown, 0));
    }
}
