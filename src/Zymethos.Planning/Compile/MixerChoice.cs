using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>With which mixer a bake is mixed, or by hand.</summary>
internal static class MixerChoice
{
    /// <summary>Kneading by hand takes about so many times as long as the hook (common practice, no source).</summary>
    public const double KneadShare = 1.5;

    /// <summary>Beating with a whisk or spoon takes about so many times as long as the machine (common practice, no source).</summary>
    public const double BeatShare = 2;

    /// <summary>
    /// The place of the mixer among <see cref="Kitchen.AllMixers"/>: the one that was named, else the one that takes the batch in the
    /// fewest mixes, of these the least used so far; null for by hand.
    /// </summary>
    /// <param name="wish">The bake.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="used">Minutes each mixer is in use already, in the order of the mixers; empty when it does not matter.</param>
    public static int? Of(BakeWish wish, Kitchen kitchen, IReadOnlyList<double> used)
    {
        var named = wish.Modes.GetValueOrDefault(BakeWish.Mixing);
        var fit = kitchen.MixersFor(MixerFit.IsKneaded(wish.Recipe.Kind)).ToList();
        if (named == BakeWish.ByHand || fit.Count == 0)
            return null;
        if (named > 0 && fit.Exists(m => m.Index == named - 1))
            return named - 1;
        return fit.OrderBy(m => Fit(wish.Recipe, m.Mixer, 1).Mixes)
            .ThenBy(m => used.Count > m.Index ? used[m.Index] : 0)
            .ThenBy(m => m.Index)
            .First()
            .Index;
    }

    /// <summary>How batches go into the bowl of a mixer.</summary>
    public static MixerFit Fit(Recipe recipe, Mixer mixer, int batches) =>
        MixerFit.Of(
            recipe.Kind,
            RecipeFacts.Dough(recipe) * batches,
            RecipeFacts.Flour(recipe, IngredientKnowledge.Shipped) * batches,
            mixer.Litres
        );

    /// <summary>The recipe mixed by hand: as its own words say how long that takes, else longer by <see cref="KneadShare"/> or
    /// <see cref="BeatShare"/>.</summary>
    public static Recipe ByHand(Recipe recipe) =>
        recipe with
        {
            Steps =
            [
                .. recipe.Steps.Select(s =>
                    s.Kind != StepKind.Mix ? s
                    : s.Modes.FirstOrDefault(m => m.Kind == StepKind.Work) is { } told
                        ? s with
                        {
                            Title = $"{s.Title}: {told.Name}",
                            Kind = StepKind.Work,
                            Takes = told.Takes,
                            Modes = [],
                        }
                    : s with
                    {
                        Title = $"{s.Title}: by hand",
                        Kind = StepKind.Work,
                        Takes = Longer(s.Takes, MixerFit.IsKneaded(recipe.Kind) ? KneadShare : BeatShare),
                        Modes = [],
                    }
                ),
            ],
        };

    private static DurationEstimate Longer(DurationEstimate takes, double share) =>
        new(Times(takes.Low, share), Times(takes.Likely, share), Times(takes.High, share));

    private static Duration Times(Duration takes, double share) => Duration.FromMinutes(Math.Ceiling(takes.TotalMinutes * share));
}
