using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>How a bake's batches go through the bowl: each in one mix, a batch split into several because the bowl does not take it, or two
/// batches in one.</summary>
/// <param name="Mixes">Into how many mixes a batch is split, at least 1.</param>
/// <param name="Together">Keys of the steps that two batches share; empty when each has its own.</param>
/// <param name="Split">Keys of the mixes that are split.</param>
/// <param name="Reason">Why, in a sentence; empty when there is nothing to say.</param>
public sealed record MixPlan(int Mixes, ImmutableHashSet<string> Together, ImmutableHashSet<string> Split, string Reason)
{
    /// <summary>Weighing and mixing twice as much takes so much longer (common practice, no source).</summary>
    private const double DoubleTakes = 1.4;

    /// <summary>One mix for each batch.</summary>
    public static readonly MixPlan Plain = new(1, [], [], "");

    /// <summary>How a bake is mixed in a kitchen.</summary>
    /// <param name="wish">The bake.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="mixer">The mixer it is mixed with; null for by hand, where nothing is split.</param>
    public static MixPlan Of(BakeWish wish, Kitchen kitchen, Mixer? mixer)
    {
        var first = FirstMixes(wish.Recipe);
        if (first.IsEmpty || mixer is null)
            return Plain;
        var fit = MixerChoice.Fit(wish.Recipe, mixer, 1);
        if (fit.Mixes > 1)
            return new MixPlan(fit.Mixes, [], [.. first.Where(k => wish.Recipe.Steps.First(s => s.Key == k).Times == 1)], fit.Reason);
        if (wish.Modes.GetValueOrDefault(BakeWish.MixTogether) != 1 || !CanShare(wish, kitchen))
            return Plain;
        return new MixPlan(
            1,
            [.. first, .. first.SelectMany(k => Ancestors(wish.Recipe, k))],
            [],
            "Two batches in one mix, divided after it."
        );
    }

    /// <summary>Whether two batches go into the bowl at once.</summary>
    public static bool CanShare(BakeWish wish, Kitchen kitchen)
    {
        if (wish.Batches < 2 || RecipeFacts.Dough(wish.Recipe).Grams <= 0)
            return false;
        var first = FirstMixes(wish.Recipe);
        return !first.IsEmpty
            && first.All(k => wish.Recipe.Steps.First(s => s.Key == k).Times == 1)
            && MixerChoice.Of(wish, kitchen, []) is { } index
            && MixerChoice.Fit(wish.Recipe, kitchen.AllMixers[index], 2).Mixes == 1;
    }

    /// <summary>Whether a batch has its early steps from the one before it.</summary>
    public bool IsSecondOfTwo(int batch) => !Together.IsEmpty && batch % 2 == 1;

    /// <summary>How many times a step is done for a batch.</summary>
    public int Times(Step step) => Split.Contains(step.Key) ? Mixes : step.Times;

    /// <summary>How long a step takes: for two batches longer, and less than twice as long.</summary>
    public DurationEstimate Takes(Step step, DurationEstimate takes, int batch, int batches) =>
        Together.Contains(step.Key) && batch + 1 < batches && step.IsHandsOn
            ? new DurationEstimate(takes.Low * DoubleTakes, takes.Likely * DoubleTakes, takes.High * DoubleTakes)
            : takes;

    /// <summary>Which batch a step is for, to be put behind its title.</summary>
    public string TitleOf(Step step, int batch, int batches) =>
        Together.Contains(step.Key) && batch + 1 < batches ? $" (batches {batch + 1} and {batch + 2})" : $" (batch {batch + 1})";

    /// <summary>What there is to say at a step.</summary>
    public string Said(Step step) => step.Kind == StepKind.Mix && (Split.Contains(step.Key) || Together.Contains(step.Key)) ? Reason : "";

    /// <summary>The mixes of the dough itself: those before any bake.</summary>
    private static ImmutableArray<string> FirstMixes(Recipe recipe) =>
        [
            .. recipe
                .Steps.Where(s =>
                    s.Kind == StepKind.Mix
                    && !Ancestors(recipe, s.Key).Any(k => recipe.Steps.First(x => x.Key == k).Kind == StepKind.Bake)
                    && Descends(recipe, s.Key)
                )
                .Select(s => s.Key),
        ];

    private static bool Descends(Recipe recipe, string key) =>
        recipe.Steps.Any(s => s.Kind == StepKind.Bake && Ancestors(recipe, s.Key).Contains(key));

    private static HashSet<string> Ancestors(Recipe recipe, string key)
    {
        var (found, next) = (new HashSet<string>(StringComparer.Ordinal), new Queue<string>([key]));
        while (next.TryDequeue(out var at))
        {
            foreach (var link in recipe.Links.Where(l => l.To == at && found.Add(l.From)))
                next.Enqueue(link.From);
        }

        return found;
    }
}
