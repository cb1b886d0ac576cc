using System.Net;
using System.Text.Json.Nodes;

namespace Zymethos.Web.Tests;

/// <summary>Parcels and larder as files of open formats, out and in.</summary>
public sealed class GivingFileTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string People = """
        {"format":"zymethos-parcels","version":1,"people":[
          {"id":"7a11ce00-0000-4000-8000-000000000001","name":"Wren","avoids":["treeNut"],"likes":["ginger"],"group":"library"},
          {"id":"7a11ce00-0000-4000-8000-000000000002","name":"Fen"}],
         "boards":[{"name":"Parcels","people":["7a11ce00-0000-4000-8000-000000000001","7a11ce00-0000-4000-8000-000000000002"],
          "bakes":[{"id":"b1","recipe":"plum-street-butters","made":24}],"rules":{"kinds":1,"pieces":6},
          "cells":[{"person":"7a11ce00-0000-4000-8000-000000000001","bake":"b1","pieces":6,"pinned":true}]}],
         "shelf":{"boxes":[{"name":"flat box","length":240,"width":160,"height":60,"count":12}],"sizes":[]}}
        """;

    private const string Larder = """
        {"format":"zymethos-larder","version":1,"stock":[
          {"id":"7a11ce00-0000-4000-8000-000000000011","name":"butter","grams":500,"bestBy":"2026-12-24"},
          {"id":"7a11ce00-0000-4000-8000-000000000012","name":"egg","pieces":8}],
         "goods":[{"name":"butter","shop":"Dairy","packages":[250],"price":2.5}]}
        """;

    private Task<HttpClient> BakerAsync() => kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");

    private static async Task<(HttpStatusCode Status, string Text)> BringAsync(
        HttpClient baker,
        string path,
        string json,
        string field = "file"
    )
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync(path));
        using var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("main form input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new StringContent(json), field, "file.json" },
        };
        var answer = await baker.PostAsync(path, form);
        return (answer.StatusCode, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()));
    }

    /// <summary>A file without its ids, which are each kitchen's own.</summary>
    private static string Plain(string json) =>
        System.Text.RegularExpressions.Regex.Replace(
            JsonNode.Parse(json)!.ToJsonString(),
            "[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}",
            "id",
            System.Text.RegularExpressions.RegexOptions.ExplicitCapture,
            TimeSpan.FromSeconds(1)
        );

    [Fact]
    public async Task A_season_takes_its_people_and_boxes_along()
    {
        var demo = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await demo.GetAsync("/season"));
        var season = page.QuerySelector("a[href$='/calendar']")!.GetAttribute("href")!.Replace("/calendar", "", StringComparison.Ordinal);
        var file = await demo.GetStringAsync($"{season}/season.json");
        var parcels = JsonNode.Parse(file)!["parcels"]!;
        Assert.Equal(14, parcels["people"]!.AsArray().Count);
        var other = await BakerAsync();
        var (status, text) = await BringAsync(other, "/season/bring", file, "Upload");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("14 people and 1 board came in", text, StringComparison.Ordinal);
        // The board belongs to the season here as it did there, and its boxes are handed over on the season's date.
        var board = await TestKitchen.ParseAsync(await other.GetAsync("/parcels"));
        var give = board.QuerySelector("a[href$='/give']")!.GetAttribute("href")!;
        var rows = await TestKitchen.ParseAsync(await other.GetAsync(give));
        var at = JsonNode.Parse(file)!["occasions"]!
            .AsArray()
            .Single(o => (string)o!["name"]! == (string)parcels["boards"]![0]!["occasion"]!)!["at"]!.GetValue<string>();
        Assert.All(rows.QuerySelectorAll("input[name$='.Day']"), i => Assert.Equal(at.Split('T')[0], i.GetAttribute("value")));
        // What is wrong with the parcels does not keep the season away.
        var broken = file.Replace("\"zymethos-parcels\"", "\"something\"", StringComparison.Ordinal);
        Assert.NotEqual(file, broken);
        Assert.Contains(
            "Its parcels were left out",
            (await BringAsync(await BakerAsync(), "/season/bring", broken, "Upload")).Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Parcels_come_in_go_out_and_are_the_same_elsewhere()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        Assert.Contains("2 people and 1 board came in", (await BringAsync(baker, "/parcels/file", People)).Text, StringComparison.Ordinal);
        var file = await baker.GetStringAsync("/parcels.json");
        await BringAsync(other, "/parcels/file", file);
        Assert.Equal(Plain(file), Plain(await other.GetStringAsync("/parcels.json")));
        // Twice is as once.
        Assert.Contains("0 people and 0 boards came in", (await BringAsync(other, "/parcels/file", file)).Text, StringComparison.Ordinal);
        Assert.Equal(Plain(file), Plain(await other.GetStringAsync("/parcels.json")));
        Assert.Contains("6 of 6", await NormalAsync(other), StringComparison.Ordinal);
        // What must be kept from somebody grows by a file and never shrinks.
        await BringAsync(other, "/parcels/file", People.Replace("treeNut", "egg", StringComparison.Ordinal));
        var wren = JsonNode.Parse(await other.GetStringAsync("/parcels.json"))!["people"]!
            .AsArray()
            .Single(p => (string)p!["name"]! == "Wren")!;
        Assert.Equal(["treeNut", "egg"], wren["avoids"]!.AsArray().Select(a => (string)a!));
    }

    private static async Task<string> NormalAsync(HttpClient baker) =>
        string.Join(
            ' ',
            (await TestKitchen.ParseAsync(await baker.GetAsync("/parcels"))).Body!.TextContent.Split(
                [' ', '\n'],
                StringSplitOptions.RemoveEmptyEntries
            )
        );

    [Fact]
    public async Task People_go_out_as_a_table_and_come_in_again_as_a_list()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        await BringAsync(
            baker,
            "/parcels/file",
            """
            {"format":"zymethos-parcels","version":1,"people":[
              {"id":"7a11ce00-0000-4000-8000-000000000001","name":"Wren","avoids":["egg","treeNut","peanut"],"alsoAvoids":["kiwi"],
               "diets":["noAlcohol","vegan"],"age":"infant","expecting":true,"likes":["figs"],"dislikes":["icing sugar"],"group":"street"}]}
            """
        );
        var table = await baker.GetStringAsync("/parcels/people.csv");
        var page = await TestKitchen.ParseAsync(await other.GetAsync("/parcels/people/bring"));
        using var form = new FormUrlEncodedContent(
            new Dictionary<string, string>
            {
                ["__RequestVerificationToken"] = page.QuerySelector("main form input[name=__RequestVerificationToken]")!
                    .GetAttribute("value")!,
                ["Text"] = table,
                ["keep"] = "true",
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await other.PostAsync("/parcels/people/bring", form)).StatusCode);
        JsonNode Sorted(string json)
        {
            var person = JsonNode.Parse(json)!["people"]![0]!;
            person["id"] = "";
            person["avoids"] = string.Join(",", person["avoids"]!.AsArray().Select(a => (string)a!).Order(StringComparer.Ordinal));
            person["diets"] = string.Join(",", person["diets"]!.AsArray().Select(a => (string)a!).Order(StringComparer.Ordinal));
            return person;
        }
        Assert.Equal(
            Sorted(await baker.GetStringAsync("/parcels.json")).ToJsonString(),
            Sorted(await other.GetStringAsync("/parcels.json")).ToJsonString()
        );
    }

    [Theory]
    [InlineData("\"treeNut\"", "\"nutz\"", "people[0].avoids")]
    [InlineData("\"pieces\":6,\"pinned\"", "\"pieces\":-6,\"pinned\"", "boards[0].cells")]
    [InlineData("\"kinds\":1,\"pieces\":6", "\"kinds\":9,\"pieces\":6", "boards[0].rules")]
    [InlineData("\"length\":240", "\"length\":0", "shelf.boxes")]
    [InlineData("zymethos-parcels", "zymethos-season", "format")]
    [InlineData("\"made\":24", "\"mode\":24", "There is no field of this name")]
    public async Task What_is_wrong_in_a_file_of_parcels_is_named_and_nothing_comes_in(string right, string wrong, string words)
    {
        var baker = await BakerAsync();
        Assert.Contains(right, People, StringComparison.Ordinal);
        var (status, text) = await BringAsync(baker, "/parcels/file", People.Replace(right, wrong, StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(words, text, StringComparison.Ordinal);
        Assert.Empty(JsonNode.Parse(await baker.GetStringAsync("/parcels.json"))!["people"]!.AsArray());
    }

    [Fact]
    public async Task A_larder_comes_in_goes_out_and_twice_is_as_once()
    {
        var (baker, other) = (await BakerAsync(), await BakerAsync());
        Assert.Contains("2 things came", (await BringAsync(baker, "/larder/file", Larder)).Text, StringComparison.Ordinal);
        Assert.Contains("0 things came", (await BringAsync(baker, "/larder/file", Larder)).Text, StringComparison.Ordinal);
        var file = await baker.GetStringAsync("/larder.json");
        var butter = JsonNode.Parse(file)!["stock"]!.AsArray().Single(t => (string)t!["name"]! == "butter")!;
        Assert.Equal((500.0, "2026-12-24"), ((double)butter["grams"]!, (string)butter["bestBy"]!));
        Assert.Equal(2.5m, (decimal)JsonNode.Parse(file)!["goods"]![0]!["price"]!);
        await BringAsync(other, "/larder/file", file);
        Assert.Equal(Plain(file), Plain(await other.GetStringAsync("/larder.json")));
        // A file that comes back into the kitchen it is from adds nothing.
        Assert.Contains("0 things came", (await BringAsync(baker, "/larder/file", file)).Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"grams\":500", "\"grams\":-1", "stock[0]")]
    [InlineData("2026-12-24", "Christmas", "stock[0]")]
    [InlineData("\"packages\":[250]", "\"packages\":[0]", "goods[0]")]
    public async Task What_is_wrong_in_a_larders_file_is_named_and_nothing_comes_in(string right, string wrong, string words)
    {
        var baker = await BakerAsync();
        var (status, text) = await BringAsync(baker, "/larder/file", Larder.Replace(right, wrong, StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(words, text, StringComparison.Ordinal);
        Assert.Empty(JsonNode.Parse(await baker.GetStringAsync("/larder.json"))!["stock"]!.AsArray());
    }
}
