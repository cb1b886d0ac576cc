using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Folds while a dough rises: they are read from the words, planned with somebody's hands, and stand on the run sheet.</summary>
public sealed class FoldTests
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    private static Recipe Loaf(string rise)
    {
        var draft = RecipeText.Read(
            "House loaf\nMakes 1 loaf\n\n500 g bread flour\n350 g water\n5 g instant yeast\n10 g salt\n\nMix everything for 5 "
                + $"minutes. {rise} Shape and put on a tray. Prove for 40 minutes. Bake at 230 C for 35 minutes. Cool on a rack.",
            IngredientKnowledge.Shipped,
            Pans
        );
        return DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans).Recipe;
    }

    [Theory]
    [InlineData("Leave to rise for 2 hours, folding every 30 minutes.", "30 60 90")]
    [InlineData("Let rise 3 hours, giving it a fold every hour.", "60 120")]
    [InlineData("Leave to ferment for 3 hours, folding the dough every 45 minutes for the first 2 hours.", "45 90")]
    [InlineData("Bulk ferment 4 hours; do a set of stretch and folds every 45 minutes, 4 times.", "45 90 135 180")]
    [InlineData("Let it rise for 2 hours, stretching and folding after 30, 60 and 90 minutes.", "30 60 90")]
    [InlineData("90 minutes bulk, with a fold after 30 and after 60 minutes.", "30 60")]
    [InlineData("Leave to rise 2 hours, knocking it back half-way.", "60")]
    [InlineData("Leave to rise for 90 minutes, folding once after 45 minutes.", "45")]
    [InlineData("Let rise for 2 hours. Fold the dough twice during this time.", "40 80")]
    [InlineData("Leave to rise for 2 hours.", "")]
    [InlineData("Leave to rise for 2 hours, then fold the dough.", "")]
    public void Folds_are_touches_of_the_rise(string words, string minutes)
    {
        var rise = Loaf(words).Steps.First(s => s.Kind == StepKind.BulkRise);
        Assert.Equal(minutes, string.Join(' ', rise.Touches.Select(t => Math.Round(t.At * rise.Takes.Likely.TotalMinutes))));
        Assert.All(rise.Touches, t => Assert.Equal(TouchKind.Fold, t.Kind));
    }

    [Fact]
    public void Hours_of_folding_are_part_of_the_rise()
    {
        var rises = Loaf("Fold every half hour for two hours, then leave to rise for 1 more hour.")
            .Steps.Where(s => s.Kind == StepKind.BulkRise)
            .ToList();
        Assert.Equal(180, rises.Sum(s => s.Takes.Likely.TotalMinutes));
        Assert.Equal(4, rises.Sum(s => s.Touches.Length + (s.Touches.IsEmpty ? 1 : 0)));
    }

    [Fact]
    public void A_fold_has_its_hands_and_its_line_on_the_sheet()
    {
        var recipe = Loaf("Leave to rise for 2 hours, folding every 30 minutes.");
        Assert.Empty(RecipeCheck.Find(recipe));
        var from = new LocalDateTime(2026, 12, 5, 8, 0);
        var compiled = TaskCompiler.Compile(
            Kitchen.Ordinary("Home"),
            new DayWish(
                from,
                from.PlusHours(10),
                [new BakeWish(recipe, 1, null, null), new BakeWish(recipe with { Key = "other", Name = "Other" }, 1, null, null)]
            )
        );
        Assert.Empty(compiled.Faults);
        var network = compiled.Network!;
        var rise = network.Tasks.First(t => t.Kind == StepKind.BulkRise);
        Assert.Equal(3, rise.Hands.Length);
        Assert.All(rise.Hands, h => Assert.Equal(TaskCompiler.FoldMinutes, h.Length));
        var plan = FirstPlan.Find(network, 1);
        Assert.NotNull(plan);
        Assert.Empty(PlanChecker.Check(network, plan));
        var folds = RunSheet.Of(network, plan, []).Where(l => l.Kind == RunSheetKind.Touch).ToList();
        Assert.Equal(6, folds.Count);
        Assert.Equal(6, folds.Select(f => f.Minute).Distinct().Count());
        Assert.All(folds, f => Assert.Contains("fold the dough", f.Text, StringComparison.Ordinal));
    }

    [Fact]
    public void A_longer_rise_keeps_its_folds_and_a_shorter_one_those_it_has_room_for()
    {
        var recipe = Loaf("Leave to rise for 2 hours, folding every 30 minutes.");
        var from = new LocalDateTime(2026, 12, 5, 8, 0);
        TaskNetwork Allowed(int minutes)
        {
            var wish = new DayWish(from, from.PlusHours(10), [new BakeWish(recipe, 1, null, null)]);
            var rise = TaskCompiler.Compile(Kitchen.Ordinary("Home"), wish).Network!.Tasks.First(t => t.Kind == StepKind.BulkRise);
            return TaskCompiler
                .Compile(Kitchen.Ordinary("Home"), wish with { ByHand = ByHand.Nothing with { Allow = [new AllowWish(rise.Id, minutes)] } })
                .Network!;
        }

        Assert.Equal(3, Allowed(150).Tasks.First(t => t.Kind == StepKind.BulkRise).Hands.Length);
        var usual = TaskCompiler
            .Compile(Kitchen.Ordinary("Home"), new DayWish(from, from.PlusHours(10), [new BakeWish(recipe, 1, null, null)]))
            .Network!.Tasks.First(t => t.Kind == StepKind.BulkRise);
        var least = Allowed(usual.Low);
        Assert.All(least.Tasks.First(t => t.Kind == StepKind.BulkRise).Hands, h => Assert.True(h.Offset + h.Length <= usual.Low));
        Assert.Empty(PlanChecker.Check(least, FirstPlan.Find(least, 1)!));
    }

    [Fact]
    public void In_the_refrigerator_nobody_folds()
    {
        var loaf = Loaf("Leave to rise for 2 hours, folding every 30 minutes.");
        var rise = loaf.Steps.First(s => s.Kind == StepKind.BulkRise);
        var recipe = loaf with
        {
            Steps =
            [
                .. loaf.Steps.Select(s =>
                    s.Key == rise.Key
                        ? s with
                        {
                            Modes = [new StepMode("refrigerator overnight", StepKind.Chill, DurationEstimate.Minutes(480, 600, 840), null)],
                        }
                        : s
                ),
            ],
        };
        var from = new LocalDateTime(2026, 12, 5, 8, 0);
        foreach (var (mode, folds) in new[] { (0, 3), (1, 0) })
        {
            var wish = new BakeWish(recipe, 1, null, null)
            {
                Modes = System.Collections.Immutable.ImmutableDictionary<string, int>.Empty.Add(rise.Key, mode),
            };
            var network = TaskCompiler.Compile(Kitchen.Ordinary("Home"), new DayWish(from, from.PlusHours(20), [wish])).Network!;
            Assert.Equal(folds, network.Tasks.First(t => t.Step?.Key == rise.Key).Hands.Length);
        }
    }

    [Theory]
    [InlineData(StepKind.Chill, TouchKind.Fold)]
    [InlineData(StepKind.BulkRise, TouchKind.Cover)]
    public void Only_what_rises_is_folded(StepKind kind, TouchKind touch)
    {
        var recipe = Loaf("Leave to rise for 2 hours.");
        var changed = recipe with
        {
            Steps =
            [
                .. recipe.Steps.Select(s =>
                    s.Kind == StepKind.BulkRise ? s with { Kind = kind, Touches = [new BakeTouch(touch, 0.5, "")] } : s
                ),
            ],
        };
        Assert.Contains(RecipeCheck.Find(changed), f => f.Path.EndsWith("touches", StringComparison.Ordinal));
    }
}
