using System.Text;
using System.Text.Json;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Tests.Documents;

public sealed class BookReaderTests
{
    private static readonly RecipeDocument Loaf = DemoKitchen.Recipes().First(r => r.Key == "allotment-loaf");

    private static string Written(int recipes, string more = "") =>
        JsonSerializer.Serialize(
            new BookDocument([.. Enumerable.Range(0, recipes).Select(i => Loaf with { Key = $"loaf-{i}", Name = $"Loaf {i}{more}" })]),
            OpenJson.Options
        );

    private static (BookDocument? Book, Zymethos.Core.Recipes.Fault? Fault) Read(string text, int atOnce = 100_000) =>
        BookReader.Read(new Trickle(Encoding.UTF8.GetBytes(text), atOnce));

    [Theory]
    [InlineData(1)]
    [InlineData(7)]
    [InlineData(4096)]
    [InlineData(1_000_000)]
    public void However_the_bytes_come_every_recipe_is_read(int atOnce)
    {
        var (book, fault) = Read(Written(12, " — ½ großes"), atOnce);
        Assert.Null(fault);
        Assert.Equal(12, book!.Recipes.Count);
        Assert.Equal("Loaf 11 — ½ großes", book.Recipes[11].Name);
        Assert.Equal(
            JsonSerializer.Serialize(Loaf.Steps, OpenJson.Options),
            JsonSerializer.Serialize(book.Recipes[5].Steps, OpenJson.Options)
        );
        Assert.Equal((BookDocument.FormatName, 1), (book.Format, book.Version));
    }

    [Fact]
    public void A_byte_order_mark_and_another_order_of_fields_do_no_harm()
    {
        var turned =
            $"\uFEFF {{\"version\": 1, \"format\": \"zymethos.book\", \"recipes\": [{JsonSerializer.Serialize(Loaf, OpenJson.Options)}] }}";
        var (book, fault) = Read(turned, 5);
        Assert.Null(fault);
        Assert.Single(book!.Recipes);
    }

    [Fact]
    public void What_is_wrong_is_said_with_its_recipe()
    {
        var text = Written(3);
        var broken = text.Replace("\"Loaf 2\"", "\"Loaf 2\", \"colour\": 1", StringComparison.Ordinal);
        Assert.StartsWith("recipes[2]", Read(broken).Fault!.Path, StringComparison.Ordinal);
        Assert.NotNull(Read(text[..^40]).Fault);
        Assert.NotNull(Read(text[..(text.Length / 2)]).Fault);
        Assert.Equal("recipes", Read("{\"format\": \"zymethos.book\"}").Fault!.Path);
        Assert.Equal("recipes", Read("{\"recipes\": 5}").Fault!.Path);
        Assert.Equal("recipes", Read("{\"recipes\": [], \"recipes\": []}").Fault!.Path);
        Assert.NotNull(Read("{\"recipes\": [], \"colour\": 1}").Fault);
        Assert.NotNull(Read("[]").Fault);
        Assert.NotNull(Read("").Fault);
        Assert.NotNull(Read("{\"recipes\": [null]}").Fault);
    }

    [Fact]
    public void A_recipe_and_a_Book_have_a_bound()
    {
        var huge = Written(1, new string('x', BookReader.LargestPiece));
        Assert.Equal("recipes[0]", Read(huge).Fault!.Path);
        Assert.Equal("recipes", Read(Written(BookReader.MostRecipes + 1)).Fault!.Path);
    }

    [Theory]
    [InlineData("{ \"recipes\": [", true)]
    [InlineData("\uFEFF\r\n{\"format\": \"zymethos.book\", \"recipes\": [", true)]
    [InlineData("{ \"@type\": \"Recipe\", \"recipes\": [", false)]
    [InlineData("{ \"key\": \"loaf\", \"steps\": [", false)]
    [InlineData("Loaf\n2 cups flour", false)]
    [InlineData("", false)]
    public void A_Book_is_known_by_how_it_begins(string beginning, bool isBook) => Assert.Equal(isBook, BookReader.IsBook(beginning));

    /// <summary>A stream that gives a few bytes at a time, as a slow line does.</summary>
    private sealed class Trickle(byte[] bytes, int atOnce) : MemoryStream(bytes)
    {
        public override int Read(byte[] buffer, int offset, int count) => base.Read(buffer, offset, Math.Min(count, atOnce));

        public override int Read(Span<byte> buffer) => base.Read(buffer[..Math.Min(buffer.Length, atOnce)]);
    }
}
