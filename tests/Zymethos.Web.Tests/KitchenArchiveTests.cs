using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using SkiaSharp;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Store;
using Zymethos.Store.Archive;
using Zymethos.Store.Benches;
using Zymethos.Store.Kitchens;
using Zymethos.Store.Seasons;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Archive;

namespace Zymethos.Web.Tests;

/// <summary>A kitchen goes out as one file and comes in again, with nothing lost on the way and nothing half brought in.</summary>
public sealed partial class KitchenArchiveTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly FixedClock Clock = new();

    private async Task<Guid> NewKitchenAsync(string name = "K")
    {
        kitchen.Visitor();
        var id = Guid.NewGuid();
        await using var context = kitchen.Context(id);
        context.Kitchens.Add(
            new KitchenRow
            {
                Id = id,
                Name = name,
                Document = DemoKitchen.Kitchen() with { Name = name },
            }
        );
        await context.SaveChangesAsync();
        return id;
    }

    /// <summary>A kitchen with a row of every kind, a picture and a letter that has gone out among them.</summary>
    private async Task<Guid> FullKitchenAsync()
    {
        var id = await NewKitchenAsync("Full");
        var session = Guid.NewGuid();
        await using var context = kitchen.Context(id);
        foreach (var kind in RowKind.All(context))
        {
            var row = OwnedRows.New(kind.Entity.ClrType, session);
            if (row is BenchPhotoRow photo)
                photo.Bytes = Picture();
            if (row is MessageRow letter)
                letter.SentAt = Instant.FromUtc(2026, 12, 1, 8, 0);
            if (row is SeasonRow season)
                season.CalendarKey = $"{Guid.NewGuid():N}";
            context.Add(row);
            await context.SaveChangesAsync();
        }

        return id;
    }

    private static byte[] Picture()
    {
        using var bitmap = new SKBitmap(8, 8);
        bitmap.Erase(SKColors.SaddleBrown);
        using var data = bitmap.Encode(SKEncodedImageFormat.Jpeg, 90);
        return data.ToArray();
    }

    private async Task<byte[]> OutAsync(Guid id)
    {
        await using var context = kitchen.Context(id);
        using var zip = new MemoryStream();
        await new KitchenArchive(context, Clock).WriteAsync(zip, default);
        return zip.ToArray();
    }

    private async Task<(string Words, IReadOnlyList<Fault> Faults)> InAsync(Guid id, byte[] zip)
    {
        await using var context = kitchen.Context(id);
        using var file = new MemoryStream(zip);
        return await new KitchenBringing(context).BringInAsync(file, default);
    }

    /// <summary>The files of an archive; pictures as numbers.</summary>
    private static SortedDictionary<string, string> Files(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        var files = new SortedDictionary<string, string>(StringComparer.Ordinal);
        foreach (var entry in archive.Entries)
        {
            using var bytes = new MemoryStream();
            using (var from = entry.Open())
                from.CopyTo(bytes);
            files[entry.FullName] = entry.FullName.StartsWith("photos/", StringComparison.Ordinal)
                ? Convert.ToHexString(bytes.ToArray())
                : Encoding.UTF8.GetString(bytes.ToArray());
        }

        return files;
    }

    /// <summary>The same, ids left out and lines in the order of what is left.</summary>
    private static List<string> WithoutIds(byte[] zip) =>
        [
            .. Files(zip)
                .Select(f => (Name: Id().Replace(f.Key, "id"), Text: Id().Replace(f.Value, "id")))
                .Select(f => $"{f.Name}\n{string.Join('\n', f.Text.Split('\n').OrderBy(l => l, StringComparer.Ordinal))}")
                .OrderBy(f => f, StringComparer.Ordinal),
        ];

    private static byte[] Changed(byte[] zip, Action<Dictionary<string, string>> change)
    {
        var photos = new Dictionary<string, byte[]>(StringComparer.Ordinal);
        var files = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (name, text) in Files(zip))
        {
            if (name.StartsWith("photos/", StringComparison.Ordinal))
                photos[name] = Convert.FromHexString(text);
            else
                files[name] = text;
        }

        change(files);
        using var made = new MemoryStream();
        using (var archive = new ZipArchive(made, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (
                var (name, bytes) in files
                    .Select(f => (f.Key, Encoding.UTF8.GetBytes(f.Value)))
                    .Concat(photos.Select(p => (p.Key, p.Value)))
            )
            {
                using var to = archive.CreateEntry(name).Open();
                to.Write(bytes);
            }
        }

        return made.ToArray();
    }

    [Fact]
    public async Task Everything_that_a_kitchen_owns_travels_or_is_known_to_stay()
    {
        kitchen.Visitor();
        await using var context = kitchen.Context(null);
        var owned = context
            .Model.GetEntityTypes()
            .Where(t => typeof(IKitchenOwned).IsAssignableFrom(t.ClrType))
            .Select(t => t.GetTableName()!);
        Assert.Equal(owned.Order(), RowKind.All(context).Select(k => k.Table).Concat(RowKind.Staying(context)).Order());
        Assert.Equal(["bench_passes", "device_doors", "long_searches"], RowKind.Staying(context).Order());
        // Every column travels, but for the kitchen's id, row versions, and numbers that the database gives.
        foreach (var kind in RowKind.All(context))
        {
            var left = kind.Entity.GetProperties().Except(kind.Fields).Where(p => p != kind.Bytes).Select(p => p.Name);
            Assert.Subset(new HashSet<string> { "KitchenId", "Version", "Seq" }, left.ToHashSet());
        }
    }

    [Fact]
    public async Task A_kitchen_that_has_lost_everything_is_as_it_was()
    {
        var id = await FullKitchenAsync();
        var before = await OutAsync(id);
        await using (var context = kitchen.Context(id))
        {
            Assert.All(Files(before).Where(f => f.Key.EndsWith(".jsonl", StringComparison.Ordinal)), f => Assert.NotEqual("", f.Value));
            await context.BenchSessions.ExecuteDeleteAsync();
            await context.Recipes.ExecuteDeleteAsync();
            context.Add(OwnedRows.New(typeof(SeasonRow), Guid.Empty));
            (await context.Kitchens.SingleAsync()).Name = "Other";
            await context.SaveChangesAsync();
        }

        Assert.NotEqual(Files(before), Files(await OutAsync(id)));
        var (words, faults) = await InAsync(id, before);
        Assert.Empty(faults);
        Assert.Contains(
            "“Full” is here: 1 recipes, 1 planned days, 1 seasons, 1 days at the Bench, 1 pictures.",
            words,
            StringComparison.Ordinal
        );
        Assert.Equal(Files(before), Files(await OutAsync(id)));
        await using var after = kitchen.Context(id);
        Assert.Equal("Full", (await after.Kitchens.SingleAsync()).Name);
    }

    [Fact]
    public async Task In_another_kitchen_of_the_same_house_everything_has_ids_of_its_own()
    {
        var id = await FullKitchenAsync();
        var before = await OutAsync(id);
        var other = await NewKitchenAsync();
        Assert.Empty((await InAsync(other, before)).Faults);
        var there = await OutAsync(other);
        // All but the season's calendar address, which is a secret of the kitchen that had it first.
        static byte[] Open(byte[] zip) =>
            Changed(zip, f => f["seasons.jsonl"] = CalendarKey().Replace(f["seasons.jsonl"], "\"calendarKey\":null"));
        Assert.Equal(WithoutIds(Open(before)), WithoutIds(there));
        var ids = Id().Matches(Files(before)["bench-photos.jsonl"]).Select(m => m.Value).ToList();
        Assert.DoesNotContain(ids, i => Files(there)["bench-photos.jsonl"].Contains(i, StringComparison.Ordinal));
        // What was named by its old id is named by its new one.
        var session = JsonNode.Parse(Files(there)["bench-sessions.jsonl"])!["id"]!.GetValue<string>();
        Assert.Equal(session, JsonNode.Parse(Files(there)["bench-events.jsonl"])!["sessionId"]!.GetValue<string>());
        // The first kitchen is as it was, and the same again changes nothing.
        Assert.Equal(Files(before), Files(await OutAsync(id)));
        Assert.Empty((await InAsync(other, before)).Faults);
        Assert.Equal(Files(there), Files(await OutAsync(other)));
    }

    [Fact]
    public async Task The_demo_kitchen_moves_house_by_its_pages()
    {
        var demo = await kitchen.DemoBakerAsync();
        var zip = await demo.GetByteArrayAsync("/kitchen/archive.zip");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await PostAsync(demo, zip, "true")).Status);
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var (refused, why) = await PostAsync(baker, zip, "");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused);
        Assert.Contains("Tick that what is here now may go", why, StringComparison.Ordinal);
        var (status, text) = await PostAsync(baker, zip, "true");
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Contains("is here:", text, StringComparison.Ordinal);
        var back = await baker.GetByteArrayAsync("/kitchen/archive.zip");
        Assert.Equal(
            WithoutIds(zip).Where(f => !f.StartsWith("kitchen.json", StringComparison.Ordinal)),
            WithoutIds(back).Where(f => !f.StartsWith("kitchen.json", StringComparison.Ordinal))
        );
        foreach (var page in new[] { "/book", "/season", "/daybook", "/daybook/learned", "/parcels", "/larder", "/kitchen", "/paper" })
            Assert.Equal(HttpStatusCode.OK, (await baker.GetAsync(page)).StatusCode);
        Assert.Contains("Wren", await baker.GetStringAsync("/parcels/people"), StringComparison.Ordinal);
    }

    private static async Task<(HttpStatusCode Status, string Text)> PostAsync(HttpClient baker, byte[] zip, string replace)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen/archive"));
        using var form = new MultipartFormDataContent
        {
            {
                new StringContent(page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!),
                "__RequestVerificationToken"
            },
            { new ByteArrayContent(zip), "file", "kitchen.zip" },
        };
        if (replace.Length > 0)
            form.Add(new StringContent(replace), "replace");
        var answer = await baker.PostAsync("/kitchen/archive", form);
        return (answer.StatusCode, WebUtility.HtmlDecode(await answer.Content.ReadAsStringAsync()));
    }

    public static TheoryData<string, string> Broken() =>
        new()
        {
            { "no zip", "no ZIP file" },
            { "cut off", "no ZIP file" },
            { "no head", "it has no “kitchen.json”" },
            { "another format", "says “zymethos-kitchen” here" },
            { "newer", "newer Zymethos" },
            { "unknown part", "“ovens” is not known here" },
            { "part missing", "This file is missing" },
            { "part cut off", "It has 0 lines and should have 1" },
            { "no object", "no JSON object" },
            { "wrong kind", "“number” cannot be read" },
            { "nothing where something is", "“document” is missing" },
            { "too long", "“key” is longer than 80 characters" },
            { "foreign session", "belong to something that the archive does not have" },
            { "picture gone", "This picture is missing, or is none" },
            { "kitchen that is none", "kitchen.json: " },
            { "twice the same", "1 of its lines is there twice" },
            { "bomb", "An archive holds up to" },
        };

    [Theory]
    [MemberData(nameof(Broken))]
    public async Task What_is_wrong_is_said_and_nothing_changes(string what, string said)
    {
        var id = await FullKitchenAsync();
        var before = await OutAsync(id);
        var broken = what switch
        {
            "no zip" => Encoding.UTF8.GetBytes("{}"),
            "cut off" => before[..(before.Length / 2)],
            _ => Changed(before, files => Break(files, what)),
        };
        if (what == "picture gone")
            broken = Changed(before, f => f["bench-photos.jsonl"] = Id().Replace(f["bench-photos.jsonl"], Guid.NewGuid().ToString(), 1));
        var (words, faults) = await InAsync(id, broken);
        Assert.Equal("", words);
        Assert.Contains(faults, f => $"{f.Path}: {f.Message}".Contains(said, StringComparison.Ordinal));
        Assert.Equal(Files(before), Files(await OutAsync(id)));
    }

    private static void Break(Dictionary<string, string> files, string what)
    {
        void Replace(string file, string from, string to)
        {
            Assert.Contains(from, files[file], StringComparison.Ordinal);
            files[file] = files[file].Replace(from, to, StringComparison.Ordinal);
        }

        switch (what)
        {
            case "no head":
                files.Remove("kitchen.json");
                break;
            case "another format":
                Replace("kitchen.json", "zymethos-kitchen", "zymethos-book");
                break;
            case "newer":
                Replace("kitchen.json", "\"version\": 1", "\"version\": 2");
                break;
            case "unknown part":
                Replace("kitchen.json", "\"stock\"", "\"ovens\"");
                break;
            case "part missing":
                files.Remove("stock.jsonl");
                break;
            case "part cut off":
                files["stock.jsonl"] = "";
                break;
            case "no object":
                files["stock.jsonl"] = "[1]\n";
                break;
            case "wrong kind":
                Replace("recipe-versions.jsonl", "\"number\":1", "\"number\":\"one\"");
                break;
            case "nothing where something is":
                Replace("recipes.jsonl", "\"document\":", "\"doc\":");
                break;
            case "too long":
                files["recipes.jsonl"] = Key().Replace(files["recipes.jsonl"], $"\"key\":\"{new string('k', 81)}\"");
                break;
            case "foreign session":
                files["bench-events.jsonl"] = Session().Replace(files["bench-events.jsonl"], $"\"sessionId\":\"{Guid.NewGuid()}\"");
                break;
            case "kitchen that is none":
                Replace("kitchen.json", "\"name\": \"Full\"", "\"name\": \"\"");
                break;
            case "twice the same":
                files["stock.jsonl"] += files["stock.jsonl"];
                files["kitchen.json"] = StockRows().Replace(files["kitchen.json"], "${before}2");
                break;
            case "bomb":
                files["kitchen.json"] = new string(' ', 20_000_001);
                break;
        }
    }

    private sealed class FixedClock : IClock
    {
        public Instant GetCurrentInstant() => Instant.FromUtc(2026, 12, 6, 9, 0);
    }

    [GeneratedRegex("[0-9a-fA-F]{8}(?:-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}", RegexOptions.ExplicitCapture, 5000)]
    private static partial Regex Id();

    [GeneratedRegex("\"calendarKey\":(?:null|\"\\w+\")", RegexOptions.ExplicitCapture, 5000)]
    private static partial Regex CalendarKey();

    [GeneratedRegex("\"key\":\"[^\"]*\"", RegexOptions.ExplicitCapture, 5000)]
    private static partial Regex Key();

    [GeneratedRegex("\"sessionId\":\"[^\"]*\"", RegexOptions.ExplicitCapture, 5000)]
    private static partial Regex Session();

    [GeneratedRegex("(?<before>\"name\": \"stock\",\\s*\"rows\": )1", RegexOptions.ExplicitCapture, 5000)]
    private static partial Regex StockRows();
}
