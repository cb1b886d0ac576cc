using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Places.Kitchen;

namespace Zymethos.Web.Tests;

/// <summary>The kitchen drawn from its figures, and drawn anew while they are typed.</summary>
public sealed partial class KitchenDrawingTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static Kitchen Demo() => new DocumentReader().Read(DemoKitchen.Kitchen(), "kitchen");

    [Fact]
    public void The_curve_says_the_minutes_that_plans_reckon_with()
    {
        var demo = Demo();
        var thermal = new OvenThermal(demo.Oven, demo.Room);
        var svg = KitchenDrawing.Svg(demo);
        Assert.Contains(
            $"From cold to 180 °C in {thermal.MinutesToHeat(demo.Room.Celsius, 180):0} minutes",
            Plain(svg),
            StringComparison.Ordinal
        );
        // Hotter is higher: the climb never falls, and ends where the dial ends.
        var heights = Climb()
            .Match(svg)
            .Groups["points"]
            .Value.Split(' ')
            .Select(p => double.Parse(p.Split(',')[1], CultureInfo.InvariantCulture))
            .ToList();
        Assert.All(heights.Zip(heights.Skip(1)), pair => Assert.True(pair.Second <= pair.First + 0.01));
        Assert.Equal(heights[^1], heights[^2]);
    }

    [Fact]
    public void Pans_are_drawn_to_the_scale_of_the_shelf_and_what_does_not_fit_is_marked()
    {
        var demo = Demo();
        var svg = KitchenDrawing.Svg(demo);
        var shelf = Rect().Matches(svg).First(m => m.Groups["kind"].Value == "shelf-room");
        var scale = demo.Oven.ShelfWidth.Millimetres / double.Parse(shelf.Groups["width"].Value, CultureInfo.InvariantCulture);
        var largest = demo.Cupboard.MaxBy(p => p.Pan.Length.Millimetres * p.Pan.Width.Millimetres)!.Pan;
        var pan = Rect().Matches(svg).First(m => m.Groups["kind"].Value == "pan");
        Assert.Equal(largest.Length.Millimetres / scale, double.Parse(pan.Groups["width"].Value, CultureInfo.InvariantCulture), 0.5);
        Assert.DoesNotContain("too-large", svg, StringComparison.Ordinal);
        var narrow = demo with { Oven = demo.Oven with { ShelfWidth = Zymethos.Core.Measures.Length.FromMillimetres(250) } };
        Assert.Contains("too-large", KitchenDrawing.Svg(narrow), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_is_typed_is_drawn_and_not_kept_and_what_cannot_be_read_leaves_the_drawing_alone()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Contains("in 14 minutes", page.QuerySelector(".oven-curve")!.GetAttribute("aria-label"), StringComparison.Ordinal);
        async Task<HttpResponseMessage> DrawAsync(string minutes)
        {
            var form = (AngleSharp.Html.Dom.IHtmlFormElement)page.QuerySelector("#kitchen-form")!;
            using var typed = new FormUrlEncodedContent(
                TestKitchen.FieldsOf(form).Where(f => f.Key != "Form.HeatUpMinutes").Append(new("Form.HeatUpMinutes", minutes))
            );
            return await baker.PostAsync("/kitchen?handler=Draw", typed);
        }

        Assert.Contains("in 30 minutes", await (await DrawAsync("30")).Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(System.Net.HttpStatusCode.NoContent, (await DrawAsync("soon")).StatusCode);
        page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"));
        Assert.Equal("14", page.QuerySelector("#k-HeatUpMinutes")!.GetAttribute("value"));
    }

    private static string Plain(string svg) => System.Net.WebUtility.HtmlDecode(svg);

    [GeneratedRegex("class=\"oven-climb\" points=\"(?<points>[^\"]+)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Climb();

    [GeneratedRegex("<rect class=\"(?<kind>shelf-room|pan)\"[^>]* width=\"(?<width>[0-9.]+)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Rect();
}
