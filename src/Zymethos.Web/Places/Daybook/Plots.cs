using Zymethos.Core.Kitchens;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>Lays what was learned out for drawing.</summary>
internal static class Plots
{
    /// <summary>Ovens first, then so many of the recipes that were baked most.</summary>
    public static BiasPlot OfBakes(Lessons lessons, Zymethos.Core.Kitchens.Kitchen kitchen, Func<string, string> name, int recipes) =>
        new(
            lessons
                .Bakes.Doers.Order(StringComparer.Ordinal)
                .Select(o => (LearnedWords.OvenOf(o, kitchen.Ovens.Length), lessons.Bakes.Doer(o)))
                .Concat(
                    lessons
                        .Bakes.Works.Select(r => (name(r), lessons.Bakes.Work(r)))
                        .OrderByDescending(r => r.Item2.Bakes)
                        .ThenBy(r => r.Item1, StringComparer.Ordinal)
                        .Take(recipes)
                )
        );

    /// <summary>People first, then kinds of handwork.</summary>
    public static BiasPlot OfHands(Lessons lessons) =>
        new(
            lessons
                .Hands.Doers.Order(StringComparer.OrdinalIgnoreCase)
                .Select(p => (p, lessons.Hands.Doer(p)))
                .Concat(lessons.Hands.Works.Order(StringComparer.Ordinal).Select(w => (w, lessons.Hands.Work(w))))
        );

    /// <summary>Leavens first, then doughs.</summary>
    public static BiasPlot OfRises(Lessons lessons, Func<string, string> name) =>
        new(
            lessons
                .Rises.Doers.Order(StringComparer.Ordinal)
                .Select(l => (l == LearnedTime.Starter ? "your starter" : l, lessons.Rises.Doer(l)))
                .Concat(lessons.Rises.Works.Select(w => (name(w), lessons.Rises.Work(w))).OrderBy(w => w.Item1))
        );
}
