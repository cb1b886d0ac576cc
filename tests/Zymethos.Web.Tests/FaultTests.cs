using System.Net;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Web.Places.Account;
using Zymethos.Web.Setup;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Tests;

/// <summary>Input that no page sends, and what the server makes of trouble of its own: always an answer that says what it is, never a
/// failure.</summary>
public sealed class FaultTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Theory]
    [InlineData("a[b", "x")]
    [InlineData("a[b]c[", "x")]
    [InlineData("[0", "x")]
    [InlineData("Form.Needs[999999999999].Recipe", "x")]
    [InlineData("Setup.Rows[-1].Batches", "1")]
    public async Task A_form_with_an_odd_name_is_answered(string name, string value)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        foreach (
            var (page, form) in new[]
            {
                ("/oven-day", "#setup"),
                ("/kitchen", "#kitchen-form"),
                ("/season/new", "#season-form"),
                ("/book/weigh", "#weigh"),
            }
        )
        {
            var answer = await TestKitchen.PostAsync(baker, page, form, new() { [name] = value });
            Assert.True((int)answer.StatusCode < 500, $"{page} answered {name} with {(int)answer.StatusCode}.");
            var asked = await baker.GetAsync($"{page}?{Uri.EscapeDataString(name)}={value}");
            Assert.True((int)asked.StatusCode < 500, $"{page}?{name} was answered with {(int)asked.StatusCode}.");
        }
    }

    [Theory]
    [InlineData("/kitchen", "#kitchen-form", "Form.Name")]
    [InlineData("/season/new", "#season-form", "Form.Name")]
    [InlineData("/book/ingredients", "#own", "Form.Name")]
    public async Task A_sign_that_cannot_be_stored_is_said(string page, string form, string field)
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var answer = await TestKitchen.PostAsync(baker, page, form, new() { [field] = "Ha\0y" });
        Assert.InRange((int)answer.StatusCode, 200, 499);
    }

    [Theory]
    [InlineData("TRACE", "/")]
    [InlineData("TRACE", "/api/v1/plans")]
    [InlineData("PUT", "/oven-day")]
    [InlineData("DELETE", "/book")]
    public async Task A_method_that_nobody_takes_is_refused(string method, string page)
    {
        var answer = await kitchen.Visitor(follow: false).SendAsync(new HttpRequestMessage(new HttpMethod(method), page));
        Assert.InRange((int)answer.StatusCode, 300, 499);
    }

    [Theory]
    [InlineData("GET", "/api/nowhere")]
    [InlineData("GET", "/api/v1/plans/nowhere")]
    public async Task A_fault_at_the_api_is_never_a_page(string method, string address)
    {
        var answer = await kitchen.Visitor(follow: false).SendAsync(new HttpRequestMessage(new HttpMethod(method), address));
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task A_done_mark_that_names_no_work_stores_nothing()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var typed = SeasonKitchen.Typed(("market-squash-loaf", 2));
        typed["Form.Occasions[0].Date"] = DateTime.UtcNow.AddDays(30).ToString("yyyy-MM-dd");
        var made = await TestKitchen.PostAsync(baker, "/season/new", "#season-form", typed);
        var season = made.RequestMessage!.RequestUri!.AbsolutePath;
        var answer = await SeasonKitchen.PressAsync(baker, season, "Done", new() { ["stretch"] = "0" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync(season)).StatusCode);
    }

    [Fact]
    public void What_could_not_be_read_back_is_not_written()
    {
        Assert.Throws<UnreadableDocumentException>(() => StoredJson.Write(new DoneDocument(null!, 0, "2031-08-02T09:00")));
        Assert.Contains("n1", StoredJson.Write(new DoneDocument("n1", 0, "2031-08-02T09:00")), StringComparison.Ordinal);
    }

    [Fact]
    public void A_stored_document_of_another_day_is_read_and_one_from_outside_is_not()
    {
        const string later = """{"need":"n1","stretch":0,"at":"2031-08-02T09:00","who":"Wren"}""";
        Assert.Equal("n1", StoredJson.Read<DoneDocument>(later).Need);
        Assert.Throws<JsonException>(() => JsonSerializer.Deserialize<DoneDocument>(later, OpenJson.Options));
    }

    public static TheoryData<Exception, int> Failures =>
        new()
        {
            { new DbUpdateConcurrencyException("stale"), 409 },
            { new DbUpdateException("twice", new PostgresException("twice", "ERROR", "ERROR", PostgresErrorCodes.UniqueViolation)), 409 },
            {
                new DbUpdateException("odd", new PostgresException("odd", "ERROR", "ERROR", PostgresErrorCodes.UntranslatableCharacter)),
                400
            },
            { new PostgresException("full", "FATAL", "FATAL", PostgresErrorCodes.TooManyConnections), 503 },
            { new NpgsqlException("away"), 503 },
            { new QueueFullException(), 503 },
            { new UnreadableDocumentException("SeasonSheet", null), 400 },
            { new Microsoft.AspNetCore.Http.BadHttpRequestException("slow", 408), 408 },
            { new InvalidOperationException("own"), 500 },
        };

    [Theory]
    [MemberData(nameof(Failures))]
    public void Trouble_has_a_status_and_a_sentence(Exception trouble, int status)
    {
        var failure = Failure.Of(trouble);
        Assert.Equal(status, failure.Status);
        Assert.EndsWith(".", failure.Words, StringComparison.Ordinal);
        Assert.Equal(status == 503, failure.RetryAfter is > 0);
    }

    [Fact]
    public async Task Strangers_wait_in_a_line_of_their_own_and_a_full_one_is_said()
    {
        using var gate = new SolverGate();
        using var hold = new ManualResetEventSlim();
        var strangers = Enumerable
            .Range(0, SolverGate.MostStrangers + 1)
            .Select(_ =>
                gate.RunForStrangerAsync(
                    () =>
                    {
                        hold.Wait(TimeSpan.FromSeconds(30));
                        return 1;
                    },
                    CancellationToken.None
                )
            )
            .ToList();
        // One runs and the line behind it is full.
        await Assert.ThrowsAsync<QueueFullException>(() => gate.RunForStrangerAsync(() => 1, CancellationToken.None));
        // A baker does not wait for any of them.
        Assert.Equal(2, await gate.RunAsync(() => 2, CancellationToken.None).WaitAsync(TimeSpan.FromSeconds(10)));
        hold.Set();
        Assert.Equal(SolverGate.MostStrangers + 1, (await Task.WhenAll(strangers)).Sum());
        Assert.Equal(3, await gate.RunForStrangerAsync(() => 3, CancellationToken.None));
    }

    [Fact]
    public async Task Who_gives_up_waiting_leaves_the_line()
    {
        using var gate = new SolverGate();
        using var hold = new ManualResetEventSlim();
        var first = gate.RunForStrangerAsync(
            () =>
            {
                hold.Wait(TimeSpan.FromSeconds(30));
                return 1;
            },
            CancellationToken.None
        );
        for (var i = 0; i < 3 * SolverGate.MostStrangers; i++)
        {
            using var gone = new CancellationTokenSource(TimeSpan.FromMilliseconds(5));
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => gate.RunForStrangerAsync(() => 1, gone.Token));
        }

        hold.Set();
        Assert.Equal(1, await first);
    }
}
