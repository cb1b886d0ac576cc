using System.Net;

namespace Zymethos.Web.Tests;

/// <summary>Styles and scripts stand in the folders of their places, and nothing else of those folders is given out.</summary>
public sealed class ServedFileTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Theory]
    [InlineData("/places/Shared/house.css", "text/css")]
    [InlineData("/places/OvenDay/oven-day.css", "text/css")]
    [InlineData("/places/OvenDay/drag.js", "text/javascript")]
    public async Task A_place_brings_its_styles_and_scripts(string address, string type)
    {
        var answer = await kitchen.Visitor().GetAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal(type, answer.Content.Headers.ContentType!.MediaType);
    }

    [Theory]
    [InlineData("/places/OvenDay/Index.cshtml")]
    [InlineData("/Places/Account/common-passwords.txt")]
    [InlineData("/Served.places.Shared.house.css")]
    [InlineData("/places/../Setup/passwords.txt")]
    public async Task Nothing_else_is_given_out(string address) =>
        Assert.Equal(HttpStatusCode.NotFound, (await kitchen.Visitor().GetAsync(address)).StatusCode);
}
