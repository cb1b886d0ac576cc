using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Measures;

public sealed class DigitsTests
{
    // Unicode's decimal digits (general category Nd): Arabic-Indic U+0660, Devanagari U+0966, fullwidth U+FF10.
    [Theory]
    [InlineData("２００ g flour", "200 g flour")]
    [InlineData("٣ eggs", "3 eggs")]
    [InlineData("१२५ g", "125 g")]
    [InlineData("1½ cups, ② and x²", "1½ cups, ② and x²")]
    [InlineData("", "")]
    public void Digits_of_every_script_are_plain_ones(string typed, string plain) => Assert.Equal(plain, Digits.Plain(typed));

    [Fact]
    public void A_text_without_any_is_the_same_text()
    {
        const string Text = "200 g Größe";
        Assert.Same(Text, Digits.Plain(Text));
    }

    [Fact]
    public void A_line_with_them_weighs_what_it_says() =>
        Assert.Equal(LineReader.Read("250 g rye flour").Weight, LineReader.Read("２５０ g rye flour").Weight);
}
