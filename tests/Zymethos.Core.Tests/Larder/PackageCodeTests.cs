using NodaTime;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Larder;

/// <summary>Numbers under bars, and what bakes cost.</summary>
public sealed class PackageCodeTests
{
    [Theory]
    // The worked example of GS1's page on check digits: 629104150021 has the check digit 3 (from memory).
    [InlineData("6291041500213", "06291041500213")]
    // The usual example of an EAN-8 and of a UPC-A in textbooks (from memory).
    [InlineData("73513537", "00000073513537")]
    [InlineData("036000291452", "00036000291452")]
    [InlineData("0 36000-29145 2", "00036000291452")]
    [InlineData("6291041500214", null)]
    [InlineData("629104150021", null)]
    [InlineData("12", null)]
    [InlineData("62910415002ab", null)]
    [InlineData("", null)]
    [InlineData(null, null)]
    public void A_code_fits_its_check_digit(string? typed, string? read) => Assert.Equal(read, PackageCode.Read(typed));

    [Fact]
    public void One_wrong_digit_is_always_noticed()
    {
        const string right = "6291041500213";
        for (var at = 0; at < right.Length; at++)
        {
            for (var digit = '0'; digit <= '9'; digit++)
            {
                if (digit != right[at])
                    Assert.Null(PackageCode.Read($"{right[..at]}{digit}{right[(at + 1)..]}"));
            }
        }
    }

    [Fact]
    public void A_bake_costs_what_it_uses_and_says_what_has_no_price()
    {
        var day = new LocalDate(2026, 12, 1);
        ShopWant Want(string name, double grams) => new(name, grams, day, "Rounds");
        var prices = new Dictionary<string, GoodPrice>(StringComparer.OrdinalIgnoreCase)
        {
            // 250 g cost 2.50: a gram costs a cent. A dozen costs 3.60: an egg costs 30 cents.
            ["butter"] = new(2.50m, 250),
            ["eggs"] = new(3.60m, 12),
        };
        var cost = BakeCost.Of(
            [Want("butter", 120), Want("egg", 100), Want("water", 500), Want("sugar", 80)],
            prices,
            IngredientKnowledge.Shipped
        );
        Assert.Equal(1.20m + 0.60m, cost.Known);
        Assert.Equal("sugar", Assert.Single(cost.Unpriced));
        Assert.Equal(0.60m, new GoodPrice(3m, 1000).For(200));
        // What is bought loose has its price by the kilogram, what is bought by the piece by the piece.
        Assert.Equal(1000, GoodPrice.Of(new ShopGood("hazelnuts", ShopUnit.Weight, 0, []), null, 9m).Size);
        Assert.Equal(1, GoodPrice.Of(new ShopGood("lemons", ShopUnit.Pieces, 100, []), [], 0.5m).Size);
        Assert.Equal(200, GoodPrice.Of(new ShopGood("butter", ShopUnit.Packages, 0, [250]), [200], 2m).Size);
    }
}
