using Zymethos.Core.Measures;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Tests.Measures;

public sealed class IngredientRoleTests
{
    [Theory]
    [InlineData("rye flour", IngredientRole.Flour)]
    [InlineData("almond flour", IngredientRole.Inclusion)]
    [InlineData("rolled oats", IngredientRole.Cereal)]
    [InlineData("honey", IngredientRole.Sweetener)]
    [InlineData("baker's ammonia", IngredientRole.Leavener)]
    [InlineData("levain", IngredientRole.Starter)]
    [InlineData("fresh yeast", IngredientRole.Yeast)]
    [InlineData("nutmeg", IngredientRole.Spice)]
    [InlineData("hazelnut oil", IngredientRole.Fat)]
    [InlineData("rose water", IngredientRole.None)]
    [InlineData("vanilla extract", IngredientRole.Extract)]
    [InlineData("brandy", IngredientRole.Spirit)]
    public void The_table_says_what_an_ingredient_does(string name, IngredientRole role) =>
        Assert.Equal(role, IngredientTable.Find(name)!.Role);

    [Fact]
    public void What_a_role_promises_holds_of_every_row_that_has_it()
    {
        foreach (var row in IngredientTable.All)
        {
            var composition = row.Composition;
            var holds = row.Role switch
            {
                IngredientRole.Flour => composition.Water < 20 && composition.Sugar < 30 && !row.Allergens.Contains(Allergen.TreeNut),
                IngredientRole.Sweetener => composition.Sugar >= 50,
                IngredientRole.Liquid => composition.Water > 50,
                IngredientRole.Fat => composition.Fat >= 70,
                IngredientRole.Spirit => row.Traits.HasFlag(IngredientTraits.Alcohol),
                IngredientRole.Egg => row.Allergens.Contains(Allergen.Egg),
                IngredientRole.Extract => row.Name.EndsWith("extract", StringComparison.Ordinal),
                _ => true,
            };
            Assert.True(holds, $"{row.Name} is no {row.Role}.");
        }
    }

    [Theory]
    [InlineData("our strong flour", false, IngredientRole.Flour)]
    [InlineData("our nut flour", true, IngredientRole.Inclusion)]
    [InlineData("birch syrup", false, IngredientRole.Sweetener)]
    [InlineData("butter", false, IngredientRole.Fat)]
    [InlineData("our secret", false, IngredientRole.None)]
    public void A_kitchens_own_ingredient_has_the_role_of_its_name(string name, bool ofNuts, IngredientRole role) =>
        Assert.Equal(role, IngredientRoles.OfOwn(name, ofNuts ? [Allergen.TreeNut] : []));
}
