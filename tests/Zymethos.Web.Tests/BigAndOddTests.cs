using System.Net;
using System.Text;

namespace Zymethos.Web.Tests;

/// <summary>What is too big, cut off, or holds nothing where something must be is refused with a sentence and never a failure of the
/// server's own.</summary>
public sealed class BigAndOddTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Theory]
    [InlineData("/book/weigh", "form#weigh", "Lines")]
    [InlineData("/book/import", "form.import", "Pasted")]
    [InlineData("/account/sign-in", "form.card-paper:not(.demo-door)", "Email")]
    [InlineData("/kitchen", "form#kitchen-form", "Form.Name")]
    public async Task A_form_of_ten_megabytes_is_refused(string page, string form, string field)
    {
        var baker = page.StartsWith("/account", StringComparison.Ordinal) ? kitchen.Visitor() : await kitchen.DemoBakerAsync();
        var answer = await TestKitchen.PostAsync(baker, page, form, new() { [field] = new string('a', 10_000_000) });
        Assert.InRange((int)answer.StatusCode, 200, 499);
        Assert.NotEqual(HttpStatusCode.InternalServerError, answer.StatusCode);
    }

    [Theory]
    [InlineData("{\"recipes\":[null]}")]
    [InlineData("{\"format\":\"zymethos.book\",\"version\":1,\"recipes\":[null],\"ingredients\":[null]}")]
    public async Task A_book_file_with_nothing_in_its_list_is_refused(string text)
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/book/import"));
        using var content = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("input[name='__RequestVerificationToken']")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new ByteArrayContent(Encoding.UTF8.GetBytes(text)), "Upload", "book.json" },
        };
        Assert.InRange((int)(await baker.PostAsync("/book/import", content)).StatusCode, 200, 499);
    }

    public static TheoryData<string, string> Bodies()
    {
        var data = new TheoryData<string, string>();
        foreach (
            var call in new[]
            {
                "/api/v1/oven-days/plan",
                "/api/v1/recipes/scale",
                "/api/v1/recipes/import",
                "/api/v1/pans/fit",
                "/api/v1/measures/parse",
                "/api/v1/measures/convert",
                "/api/v1/seasons/plan",
            }
        )
        {
            foreach (
                var body in new[]
                {
                    "null",
                    "[]",
                    "{}",
                    "{\"bakes\":[null]}",
                    "{\"text\":null}",
                    "{\"kitchen\":null,\"bakes\":[null],\"recipe\":null,\"lines\":[null],\"recipes\":[null]}",
                    "{\"a\":" + new string('[', 200) + new string(']', 200) + "}",
                    "\"\\u0000\"",
                    "{\"text\":\"\\u0000\"}",
                }
            )
                data.Add(call, body);
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Bodies))]
    public async Task A_call_with_nothing_where_something_must_be_is_refused(string call, string body)
    {
        var answer = await kitchen.Visitor().PostAsync(call, TestKitchen.Json(body));
        Assert.True((int)answer.StatusCode < 500, $"{call} {body}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
    }

    [Theory]
    [InlineData("1 or 2 or 3 or 4 or 5 or 6 or 7 or 8 cups flour or sugar or salt or oats or nuts or bran or rye or figs")]
    [InlineData("99999999999999999999999999 cups flour")]
    [InlineData("1e999 g flour")]
    [InlineData("½½½½½½ cup (((((((((((((((((((( flour")]
    public async Task Lines_that_go_on_and_on_are_read_or_asked_about(string line)
    {
        var baker = await kitchen.DemoBakerAsync();
        var read = await TestKitchen.PostAsync(baker, "/book/weigh", "form#weigh", new() { ["Lines"] = line });
        Assert.True((int)read.StatusCode < 500);
        var text =
            $"Odd loaf\n\n{line}\n500 g flour\n300 g water\n\nMix. Bake in a 99999999999 cm tin at 99999999 C for 999999999999 hours.\n";
        var pasted = await TestKitchen.PostAsync(baker, "/book/import", "form.import", new() { ["Pasted"] = text });
        Assert.True((int)pasted.StatusCode < 500);
        if (pasted.RequestMessage!.RequestUri!.AbsolutePath is var draft && draft.Contains("/edit/", StringComparison.Ordinal))
            Assert.True((int)(await baker.GetAsync(draft)).StatusCode < 500);
    }
}
