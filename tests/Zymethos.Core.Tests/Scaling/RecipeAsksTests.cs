using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>What is asked of a recipe as it stands, however it came into the Book.</summary>
public sealed class RecipeAsksTests
{
    private static readonly Pan[] Pans =
    [
        new Pan("quarter-sheet tray", Length.FromMillimetres(330), Length.FromMillimetres(240)),
        new Pan("loaf pan 15 × 8 cm", Length.FromMillimetres(150), Length.FromMillimetres(80))
        {
            Shape = PanShape.Loaf,
            Depth = Length.FromMillimetres(60),
        },
    ];

    private static readonly RecipeDraft Cookies = new()
    {
        Name = "Rounds",
        Kind = "cookies",
        Pieces = "24",
        PieceName = "cookies",
        Parts =
        [
            new PartDraft
            {
                Name = "Dough",
                Kind = "dough",
                Lines = "250 g plain flour\n150 g butter\n100 g sugar",
            },
        ],
        Steps =
        [
            new StepDraft
            {
                Title = "Mix",
                Kind = "mix",
                Takes = "10 min",
            },
            new StepDraft
            {
                Title = "Bake",
                Kind = "bake",
                Takes = "12 min",
                Oven = "180 C",
                Pan = "quarter-sheet tray",
                Times = "2",
            },
            new StepDraft
            {
                Title = "Brush",
                Kind = "work",
                Takes = "5 min",
            },
        ],
        Links =
        [
            new LinkDraft { From = "mix", To = "bake" },
            new LinkDraft
            {
                From = "bake",
                To = "brush",
                Most = "5 min",
                Why = "while hot",
            },
        ],
    };

    private static IReadOnlyList<OpenQuestion> Asks(RecipeDraft draft) =>
        RecipeAsks.Of(DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe);

    private static RecipeDraft With(int step, Func<StepDraft, StepDraft> change) =>
        Cookies with
        {
            Steps = [.. Cookies.Steps.Select((s, i) => i == step ? change(s with { }) : s)],
        };

    [Fact]
    public void A_sound_recipe_is_asked_nothing() => Assert.Empty(Asks(Cookies));

    public static TheoryData<string> Shipped() => [.. DemoKitchen.Recipes().Select(r => r.Key)];

    [Theory]
    [MemberData(nameof(Shipped))]
    public void None_of_the_shipped_recipes_leaves_anything_to_ask(string key) =>
        Assert.Empty(
            RecipeAsks.Of(new DocumentReader().Read(DemoKitchen.Recipes().First(r => r.Key == key), "recipe")).Select(q => q.Text)
        );

    [Fact]
    public void More_cookies_than_the_trays_hold_are_asked_about()
    {
        var ask = Assert.Single(Asks(Cookies with { Pieces = "96" }));
        Assert.Equal(QuestionAbout.Pan, ask.About);
        Assert.Contains("96 cookies do not fit on 2 trays", ask.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Hands_for_longer_than_half_an_hour_are_asked_about()
    {
        Assert.Empty(Asks(With(0, s => s with { Takes = "30 min" })));
        Assert.Contains("45 min", Assert.Single(Asks(With(0, s => s with { Takes = "45 min" }))).Text, StringComparison.Ordinal);
        // The same time as a wait is no work.
        Assert.Empty(Asks(With(0, s => s with { Takes = "45 min", Kind = "chill" })));
    }

    [Fact]
    public void A_rise_that_nothing_closes_is_asked_about()
    {
        var rising = With(0, s => s with { Kind = "proof", Takes = "45 min" });
        Assert.Contains("gone too far", Assert.Single(Asks(rising)).Text, StringComparison.Ordinal);
        Assert.Empty(
            Asks(
                rising with
                {
                    Links =
                    [
                        new LinkDraft
                        {
                            From = "mix",
                            To = "bake",
                            Most = "20 min",
                        },
                        Cookies.Links[1],
                    ],
                }
            )
        );
    }

    [Fact]
    public void What_is_said_to_be_hot_long_after_the_bake_is_asked_about()
    {
        var late = Cookies with
        {
            Links =
            [
                Cookies.Links[0],
                new LinkDraft
                {
                    From = "bake",
                    To = "brush",
                    Most = "2 h",
                    Why = "while hot",
                },
            ],
        };
        Assert.Contains("said to be hot", Assert.Single(Asks(late)).Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_batter_that_runs_over_is_asked_about_first()
    {
        var loaf = Cookies with
        {
            Kind = "quickLoaf",
            Pieces = "1",
            PieceName = "loaf",
            Parts =
            [
                new PartDraft
                {
                    Name = "Batter",
                    Kind = "batter",
                    Lines = "500 g plain flour\n400 g sugar\n300 g butter\n300 g milk",
                },
            ],
            Steps =
            [
                Cookies.Steps[0] with
                {
                    Takes = "40 min",
                },
                Cookies.Steps[1] with
                {
                    Pan = "loaf pan 15 × 8 cm",
                    Times = "",
                },
                Cookies.Steps[2],
            ],
        };
        var asks = Asks(loaf);
        Assert.Equal([QuestionAbout.Pan, QuestionAbout.Time], asks.Select(a => a.About));
        Assert.Contains("does not fit into loaf pan 15 × 8 cm", asks[0].Text, StringComparison.Ordinal);
    }
}
