using Zymethos.Core.Recipes;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>Methods cut where they wait long and where their recipe says that what is made so far keeps.</summary>
public sealed class SeasonMethodTests
{
    private static SeasonMethod Method(string key) => SeasonMethod.Of(ChosenRecipe.Of(Shipped.Recipe(key)));

    [Theory]
    [InlineData("copper-ring", "Bake the ring", "Glaze the ring")]
    [InlineData("midnight-ring", "Bake the midnight ring", "Pour the ganache")]
    public void What_freezes_unfinished_is_finished_in_a_stretch_of_its_own(string key, string bake, string finish)
    {
        var method = Method(key);
        Assert.Equal([bake, finish], method.Stretches.Select(s => s.Title));
        Assert.Equal((0, 1), (method.Bake, method.Finish));
        Assert.Contains(method.BeforeFinish, p => p.Store == KeepingStore.Freezer);
    }

    [Fact]
    public void A_part_that_keeps_is_made_ahead_within_its_days()
    {
        var grated = Method("allotment-loaf").Waits.Single();
        Assert.Equal("grated courgette", grated.Places.Single().Part);
        var curd = Method("parade-cake").Waits.Single(w => w.Places.Any(p => p.Part == "Curd"));
        // The recipe bears three days, its keeping four: the shorter holds for what needs the cold.
        Assert.Equal(3, curd.Most!.Value.TotalDays);
        Assert.False(curd.Forgives);
    }

    [Theory]
    [InlineData("orchard-almond-slices", "Toasted nuts", KeepingStore.Counter)]
    [InlineData("window-shapes", "Cut shapes", KeepingStore.Freezer)]
    [InlineData("plum-street-butters", "Dough", KeepingStore.Freezer)]
    public void Nuts_are_toasted_and_shapes_are_cut_on_another_day(string key, string part, KeepingStore store)
    {
        var method = Method(key);
        var wait = method.Waits.Single(w => w.Places.Any(p => p.Part == part));
        Assert.Equal(store, wait.Places[0].Store);
        Assert.Equal(method.Bake, wait.To);
        // Raw from the freezer they go straight into the oven.
        if (store == KeepingStore.Freezer)
            Assert.Equal(NodaTime.Duration.Zero, Keeping.Thaw(wait.Places[0]));
    }

    [Fact]
    public void Whatever_hangs_together_with_what_is_kept_stays_on_its_side_of_the_cut()
    {
        // The small pieces of the house go into the same building as its walls, and are no part of it.
        var method = Method("signal-house");
        Assert.Equal("Roof on", method.Stretches[method.Finish].Title);
        Assert.DoesNotContain(method.Stretches[method.Finish].Recipe.Steps, s => s.Kind == StepKind.Bake);
        Assert.Equal([0, 1, 2], method.Before(method.Finish).AsEnumerable());
    }

    [Fact]
    public void Every_shipped_recipe_is_cut_into_stretches_that_hold_all_its_work_once()
    {
        foreach (var key in Shipped.Keys)
        {
            var recipe = ChosenRecipe.Of(Shipped.Recipe(key));
            var method = SeasonMethod.Of(recipe);
            var work = method.Stretches.SelectMany(s => s.Recipe.Steps).Where(s => s.IsHandsOn).Select(s => s.Key).Order().ToList();
            Assert.Equal(recipe.Steps.Where(s => s.IsHandsOn).Select(s => s.Key).Order(), work);
            Assert.True(method.Bake >= 0, key);
            Assert.DoesNotContain(method.Waits, w => w.From == w.To || method.Before(w.From).Contains(w.To));
        }
    }

    [Theory]
    [InlineData("lamplight-ginger-rounds", 18)]
    [InlineData("market-squash-loaf", 1)]
    [InlineData("pocket-muffins", 6)]
    [InlineData("copper-ring", null)]
    [InlineData("parade-cake", null)]
    public void Halves_are_mixed_where_pieces_and_pans_go_in_two(string key, int? pieces)
    {
        var half = HalfBatch.Of(ChosenRecipe.Of(Shipped.Recipe(key)));
        Assert.Equal(pieces, half?.Yield.Pieces);
        if (half is null)
            return;
        Assert.Empty(RecipeCheck.Find(half));
        var whole = ChosenRecipe.Of(Shipped.Recipe(key));
        Assert.Equal(whole.Parts[0].Lines[0].Weight!.Value.Grams / 2, half.Parts[0].Lines[0].Weight!.Value.Grams, 6);
    }
}
