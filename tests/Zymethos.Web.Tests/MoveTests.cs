using NodaTime;
using Zymethos.Interchange.Drafts;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;
using Zymethos.Web.Places.OvenDay;
using Zymethos.Work.Books;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Tests;

/// <summary>Moves as forms and buttons carry them, read into what they mean.</summary>
public sealed class MoveTests
{
    public static TheoryData<string, string, HandMove> Moves() =>
        new()
        {
            { "pin", "2031-05-03T14:10", new HandMove.Hold(new TaskId("a"), new LocalDateTime(2031, 5, 3, 14, 10)) },
            { "pin", " 14:10 ", new HandMove.HoldAtHour(new TaskId("a"), new LocalTime(14, 10)) },
            { "free", "", new HandMove.LetMove(new TaskId("a")) },
            { "more", "35", new HandMove.PlanFor(new TaskId("a"), 35) },
            { "over", "0", new HandMove.NeedsMore(new TaskId("a"), 0) },
            { "usual", "", new HandMove.UsualTime(new TaskId("a")) },
            { "together", "", new HandMove.Together(new TaskId("a"), new TaskId("b")) },
            { "apart", "", new HandMove.Apart(new TaskId("a"), new TaskId("b")) },
            { "before", "", new HandMove.Before(new TaskId("a"), new TaskId("b")) },
            { "unpair", "", new HandMove.Untie(new TaskId("a")) },
            { "lean", "calmer", new HandMove.LeanTo(DayLean.Calmer) },
            { "mode", "1", new HandMove.SpendIt(new TaskId("a"), 1) },
            { "mode", "", new HandMove.SpendIt(new TaskId("a"), null) },
        };

    [Theory]
    [MemberData(nameof(Moves))]
    public void A_hands_move_is_read(string what, string value, HandMove meant)
    {
        var form = new HandForm
        {
            Do = what,
            Step = "a",
            Other = "b",
            Value = value,
        };
        Assert.Equal(meant, form.Read(out var wrong));
        Assert.Empty(wrong);
    }

    [Theory]
    [InlineData("pin", "25:00", "14:10")]
    [InlineData("pin", "2031-02-30T10:00", "14:10")]
    [InlineData("more", "0", "whole number")]
    [InlineData("more", "1440", "whole number")]
    [InlineData("over", "601", "whole number")]
    [InlineData("over", "-3", "whole number")]
    [InlineData("lean", "7", "lean toward")]
    [InlineData("jump", "", "cannot be done")]
    [InlineData(null, null, "cannot be done")]
    public void A_move_that_means_nothing_is_said_to(string? what, string? value, string words)
    {
        Assert.Null(new HandForm { Do = what, Value = value }.Read(out var wrong));
        Assert.Contains(words, wrong, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("until=18:35")]
    [InlineData("from=07:25")]
    [InlineData("span=06:30=19:30")]
    [InlineData("hands=2")]
    [InlineData("oven=2")]
    [InlineData("leave=plait")]
    [InlineData("fewer=plait")]
    [InlineData("ready=plait=17:30")]
    [InlineData("wider=plait;knead;shape;35|loaf;mix;bake;5")]
    [InlineData("counter=plait;rise|loaf;proof")]
    public void A_change_of_the_set_up_comes_back_as_it_was_written(string text) =>
        Assert.Equal(text, SetupChangeText.Write(SetupChangeText.Read(text)!));

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("until")]
    [InlineData("until=25:00")]
    [InlineData("span=06:30")]
    [InlineData("hands=0")]
    [InlineData("hands=-1")]
    [InlineData("ready=plait")]
    [InlineData("burn=plait")]
    public void What_changes_nothing_is_no_change(string? text) => Assert.Null(SetupChangeText.Read(text));

    [Fact]
    public void A_window_that_cannot_be_read_is_left_out()
    {
        var wider = Assert.IsType<SetupChange.Wider>(SetupChangeText.Read("wider=plait;knead;shape;soon|loaf;mix;bake;5|;;;-4|x"));
        Assert.Equal(new SetupChange.WiderBy("loaf", "mix", "bake", 5), Assert.Single(wider.Windows));
    }

    [Fact]
    public void A_change_of_a_season_comes_back_as_it_was_written()
    {
        SeasonChange[] changes =
        [
            new SeasonChange.Session(3, new LocalDateTime(2031, 8, 2, 18, 0), new LocalDateTime(2031, 8, 3, 0, 30)),
            new SeasonChange.Way(3, "soak", "spirit"),
            new SeasonChange.Fewer(3, 24),
            new SeasonChange.UsualKeeping(3),
            new SeasonChange.Other(3, "oat-loaf", 2),
            new SeasonChange.Bought(3),
        ];
        Assert.All(changes, c => Assert.Equal(c, SeasonMoves.Read(SeasonMoves.Write(c), 3)));
        Assert.All(new[] { null, "", "fewer|many", "other|x", "session|now|then", "give" }, t => Assert.Null(SeasonMoves.Read(t, 3)));
    }

    [Fact]
    public void Rows_come_and_go_and_what_is_not_there_is_passed_over()
    {
        var draft = new RecipeDraft();
        void Do(string text) => DraftMoves.Apply(draft, DraftMove.Read(text)!);
        foreach (var row in new[] { "part", "link", "choice", "keeping" })
        {
            var before = Counts(draft);
            Do($"{row}-add");
            Assert.Equal(before.Sum() + 1, Counts(draft).Sum());
            Do($"{row}-remove:99");
            Assert.Equal(before.Sum() + 1, Counts(draft).Sum());
            Do($"{row}-remove:{Counts(draft)[Array.IndexOf(Names, row)] - 1}");
            Assert.Equal(before, Counts(draft));
        }

        Do("step-add");
        Do("step-add");
        (draft.Steps[^2].Title, draft.Steps[^1].Title) = ("one", "two");
        Do("step-add:0");
        Assert.Equal(["one", "", "two"], draft.Steps.TakeLast(3).Select(s => s.Title));
        Do($"step-up:{draft.Steps.Count - 1}");
        Assert.Equal(["one", "two", ""], draft.Steps.TakeLast(3).Select(s => s.Title));
        Do("step-up:0");
        Do($"step-down:{draft.Steps.Count - 1}");
        Assert.Equal(["one", "two", ""], draft.Steps.TakeLast(3).Select(s => s.Title));
        Do("chain");
        Assert.Contains(draft.Links, l => (l.From, l.To) == ("one", "two"));
        Assert.All(new[] { null, "", "save", "step-up", "step-up:x", "discard" }, t => Assert.Null(DraftMove.Read(t)));
    }

    private static readonly string[] Names = ["part", "link", "choice", "keeping"];

    private static int[] Counts(RecipeDraft draft) => [draft.Parts.Count, draft.Links.Count, draft.Choices.Count, draft.Keeping.Count];
}
