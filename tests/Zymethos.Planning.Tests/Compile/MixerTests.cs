using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.Tests.Seasons;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>Several mixers, each with its bowl and its use, and mixing by hand.</summary>
public sealed class MixerTests
{
    private static readonly LocalDateTime Morning = new(2026, 12, 5, 7, 0);
    private static readonly Kitchen Home = Kitchen.Ordinary("Home");
    private static readonly Mixer HandMixer = new("hand mixer", 3, false);

    private const string Loaf =
        "White loaf\nMakes 1 loaf\n\n500 g bread flour\n320 g water\n7 g instant yeast\n10 g salt\n\nMix everything and knead for 8 "
        + "minutes in a mixer, or 13 minutes by hand. Leave to rise for 1 hour. Shape and put into a 23 x 13 cm loaf tin. Prove for "
        + "45 minutes. Bake at 220 C for 30 minutes.";
    private const string Cookies =
        "Butter rounds\nMakes 24 cookies\n\n250 g plain flour\n200 g butter\n100 g sugar\n1 egg\n\nBeat butter and sugar with the "
        + "mixer for 6 minutes, add the egg and flour. Roll into 24 balls on a tray. Bake at 180 C for 12 minutes.";

    private static Recipe Read(string text)
    {
        var pans = PanCupboard.Ordinary.Select(p => p.Pan).ToList();
        return DraftReader.Read(RecipeText.Read(text, IngredientKnowledge.Shipped, pans), IngredientKnowledge.Shipped, pans).Recipe;
    }

    private static TaskNetwork Compile(Kitchen kitchen, params BakeWish[] bakes) =>
        TaskCompiler.Compile(kitchen, new DayWish(Morning, Morning.PlusHours(12), [.. bakes])).Network!;

    private static BakeWish Wish(string text, int mixing = 0) =>
        new(Read(text), 1, null, null) { Modes = mixing == 0 ? [] : ImmutableDictionary<string, int>.Empty.Add(BakeWish.Mixing, mixing) };

    private static string MixerOf(TaskNetwork network, string bake) =>
        network
            .Tasks.Where(t => t.Kind == StepKind.Mix && network.Bakes[t.Bake].Name == bake)
            .SelectMany(t => t.Demands)
            .Select(d => network.Resources[d.Resource].Name)
            .Distinct()
            .SingleOrDefault()
        ?? "";

    [Fact]
    public void A_text_that_offers_both_ways_has_both()
    {
        var mix = Read(Loaf).Steps.Single(s => s.Kind == StepKind.Mix);
        Assert.Equal(8, mix.Takes.Likely.TotalMinutes);
        var hand = Assert.Single(mix.Modes);
        Assert.Equal((StepKind.Work, 13.0), (hand.Kind, hand.Takes.Likely.TotalMinutes));
    }

    [Fact]
    public void Without_a_mixer_it_is_kneaded_by_hand_as_the_recipe_says()
    {
        var network = Compile(Home with { Mixers = 0 }, Wish(Loaf));
        Assert.DoesNotContain(network.Tasks, t => t.Kind == StepKind.Mix);
        var knead = Assert.Single(network.Tasks, t => t.Title.EndsWith("by hand", StringComparison.Ordinal));
        Assert.Equal(13, knead.Likely);
        Assert.Empty(knead.Demands);
        var plan = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(2), 1, 2)).Plan!;
        Assert.Empty(PlanChecker.Check(network, plan));
    }

    [Fact]
    public void What_no_words_say_takes_longer_by_hand()
    {
        var machine = Compile(Home, Wish(Cookies)).Tasks.Where(t => t.Kind == StepKind.Mix).Sum(t => t.Likely);
        var hand = Compile(Home, Wish(Cookies, BakeWish.ByHand))
            .Tasks.Where(t => t.Title.EndsWith("by hand", StringComparison.Ordinal))
            .Sum(t => t.Likely);
        Assert.InRange(hand, (int)(machine * MixerChoice.BeatShare), (int)(machine * MixerChoice.BeatShare) + 2);
    }

    [Fact]
    public void A_hand_mixer_never_kneads_bread_and_takes_what_the_other_leaves()
    {
        var kitchen = Home with { OtherMixers = [HandMixer] };
        var network = Compile(kitchen, Wish(Loaf), Wish(Cookies));
        Assert.Equal("mixer", MixerOf(network, "White loaf"));
        Assert.Equal("hand mixer", MixerOf(network, "Butter rounds"));
        // Two people mix at the same time, and each mixer is taken once.
        var two = kitchen with
        {
            People = [new Person("Ana", null, null), new Person("Bo", null, null)],
        };
        var day = Compile(two, Wish(Loaf), Wish(Cookies));
        Assert.Empty(PlanChecker.Check(day, DayPlanner.Plan(day, new SolveSettings(TimeSpan.FromSeconds(2), 1, 2)).Plan!));
        // Only the hand mixer: the bread goes by hand, the cookies do not.
        var only = Compile(Home with { Mixers = 0, OtherMixers = [HandMixer] }, Wish(Loaf), Wish(Cookies));
        Assert.Equal("", MixerOf(only, "White loaf"));
        Assert.Equal("hand mixer", MixerOf(only, "Butter rounds"));
    }

    [Fact]
    public void A_small_bowl_splits_what_a_large_one_takes_at_once()
    {
        var kitchen = Home with { MixerLitres = 1, OtherMixers = [new Mixer("big mixer", 7, true)] };
        var large = Cookies
            .Replace("250 g plain", "500 g plain", StringComparison.Ordinal)
            .Replace("200 g butter", "400 g butter", StringComparison.Ordinal);
        var wish = Wish(large);
        Assert.Equal("big mixer", MixerOf(Compile(kitchen, wish), "Butter rounds"));
        var named = Compile(kitchen, Wish(large, 1));
        Assert.Equal("mixer", MixerOf(named, "Butter rounds"));
        Assert.True(named.Tasks.Count(t => t.Kind == StepKind.Mix) > Compile(kitchen, wish).Tasks.Count(t => t.Kind == StepKind.Mix));
    }

    [Theory]
    [InlineData("hand mixer, 3 L, no bread dough", "hand mixer", 3, false)]
    [InlineData("Old beater; 2,5 litres; batter only", "Old beater", 2.5, false)]
    [InlineData("big one, 6.9 l", "big one", 6.9, true)]
    public void A_mixer_is_typed_as_a_line(string line, string name, double litres, bool kneads)
    {
        var mixer = MixerText.Read(line);
        Assert.Equal(new Mixer(name, litres, kneads), mixer);
        Assert.Equal(mixer, MixerText.Read(MixerText.Say(mixer!)));
    }

    [Theory]
    [InlineData("hand mixer")]
    [InlineData(", 3 L")]
    [InlineData("hand mixer, big, 3 L")]
    [InlineData("hand mixer, 3 cups")]
    public void A_line_without_a_name_or_litres_is_none(string line) => Assert.Null(MixerText.Read(line));

    [Fact]
    public void Mixers_that_cannot_be_are_said_and_those_that_can_travel()
    {
        Assert.Contains(
            KitchenCheck.Find(Home with { OtherMixers = [new Mixer("refrigerator", 3, true)] }),
            f => f.Path == "otherMixers[0].name"
        );
        Assert.Contains(KitchenCheck.Find(Home with { OtherMixers = [HandMixer, HandMixer] }), f => f.Path == "otherMixers[1].name");
        Assert.Contains(
            KitchenCheck.Find(Home with { OtherMixers = [HandMixer with { Litres = 0.2 }] }),
            f => f.Path == "otherMixers[0].litres"
        );
        var kitchen = Home with { OtherMixers = [HandMixer] };
        Assert.Empty(KitchenCheck.Find(kitchen));
        Assert.Equal(
            kitchen.OtherMixers.AsEnumerable(),
            new DocumentReader().Read(DocumentWriter.Write(kitchen), "kitchen").OtherMixers.AsEnumerable()
        );
    }
}
