using CsCheck;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Tests.Day;

public sealed class SpanTests
{
    private static readonly Gen<Span> Any = Gen.Int[-50, 50].SelectMany(f => Gen.Int[0, 40].Select(l => new Span(f, f + l)));

    [Fact]
    public void It_cannot_end_before_it_begins() => Assert.Throws<ArgumentOutOfRangeException>(() => new Span(10, 9));

    [Fact]
    public void Its_first_minute_belongs_to_it_and_its_end_does_not()
    {
        var span = new Span(480, 495);
        Assert.Equal((15, true, true, false), (span.Length, span.Contains(480), span.Contains(494), span.Contains(495)));
        Assert.Equal("480..495", span.ToString());
        Assert.True(default(Span).IsEmpty);
    }

    [Fact]
    public void Spans_that_follow_each_other_do_not_overlap() => Assert.False(new Span(0, 10).Overlaps(new Span(10, 20)));

    // An independent way to say it: two spans overlap when some minute lies in both.
    [Fact]
    public void They_overlap_just_when_a_minute_lies_in_both() =>
        Gen.Select(Any, Any)
            .Sample(
                (a, b) =>
                    a.Overlaps(b) == Enumerable.Range(-60, 160).Any(m => a.Contains(m) && b.Contains(m)) && a.Overlaps(b) == b.Overlaps(a)
            );

    [Fact]
    public void Moving_it_keeps_its_length() =>
        Gen.Select(Any, Gen.Int[-30, 30]).Sample((a, by) => a.Later(by).Length == a.Length && a.Later(by).From == a.From + by);
}
