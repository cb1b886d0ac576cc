using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Recipes;

/// <summary>How a cake is fed, as its recipe's own steps say.</summary>
public sealed class FedKeepingTests
{
    private static Recipe Cake(string soak) =>
        ChosenRecipe.Of(
            ChosenRecipe.Choose(
                new DocumentReader().Read(DemoKitchen.Recipes().First(r => r.Key == "cellar-fruit-cake"), "recipe"),
                "soak",
                soak
            )
        );

    [Fact]
    public void A_cake_soaked_in_spirit_is_fed_three_times_a_week_apart_and_rests_a_fortnight()
    {
        var fed = FedKeeping.Of(Cake("spirit"))!;
        Assert.Equal((3, 7.0, 14.0), (fed.Feeds, fed.Between.TotalDays, fed.Rest.TotalDays));
        // "75 ml, 25 ml a week, three times".
        Assert.Equal(("brandy", 25.0), (fed.Spirit, fed.Millilitres));
    }

    [Theory]
    [InlineData("juice")]
    [InlineData("tea")]
    public void Without_spirit_it_is_not_fed(string soak) => Assert.Null(FedKeeping.Of(Cake(soak)));

    [Fact]
    public void Nothing_else_of_the_Book_is_fed() =>
        Assert.All(
            DemoKitchen.Recipes().Where(r => r.Key != "cellar-fruit-cake"),
            r => Assert.Null(FedKeeping.Of(ChosenRecipe.Of(new DocumentReader().Read(r, "recipe"))))
        );
}
