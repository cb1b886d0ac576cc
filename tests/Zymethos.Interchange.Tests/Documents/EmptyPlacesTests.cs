using System.Text;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Tests.Documents;

public sealed class EmptyPlacesTests
{
    [Theory]
    [InlineData("""{"recipes":[null]}""", "recipes[0]")]
    [InlineData("""{"a":[1,{"b":null,"c":[[2],[3,null]]}]}""", "a[1].c[1][1]")]
    [InlineData("[null]", "[0]")]
    public void A_null_in_a_list_is_found_where_it_stands(string json, string path) =>
        Assert.Equal(path, EmptyPlaces.First(Encoding.UTF8.GetBytes(json)));

    [Fact]
    public void No_document_is_read_that_holds_one()
    {
        var (book, fault) = OpenJson.Read<BookDocument>("""{"format":"zymethos.book","version":1,"recipes":[null],"ingredients":[]}"""u8);
        Assert.Null(book);
        Assert.Equal("recipes[0]", fault!.Path);
    }

    [Theory]
    [InlineData("""{"a":null,"b":{"c":null}}""")]
    [InlineData("""{"a":[1,2,{"b":null}],"c":[]}""")]
    [InlineData("null")]
    [InlineData("3")]
    public void A_field_that_is_null_is_left_to_the_format(string json) => Assert.Null(EmptyPlaces.First(Encoding.UTF8.GetBytes(json)));
}
