using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Recipes;

/// <summary>How a recipe's cake is fed with spirit while it keeps, as its own steps say it.</summary>
/// <param name="Feeds">How many feeds, at least 1, the one before it is wrapped counted in.</param>
/// <param name="Between">The usual time from one feed to the next; that of the last rest where there is one feed only.</param>
/// <param name="Rest">The usual rest from the last feed to the day it is cut.</param>
/// <param name="Spirit">What it is fed with, as the recipe's line names it; empty where no line does.</param>
/// <param name="Millilitres">How much at a time, the recipe's line shared evenly; null where the recipe has no such line in
/// volume.</param>
public sealed record FedKeeping(int Feeds, Duration Between, Duration Rest, string Spirit, double? Millilitres)
{
    /// <summary>How a cake is fed; null for a recipe that feeds nothing.</summary>
    /// <param name="recipe">The recipe, with its choices made: soaked in juice it is not fed.</param>
    public static FedKeeping? Of(Recipe recipe)
    {
        var feeds = recipe
            .Steps.Where(s => s.IsHandsOn && s.Cautions.Contains(CautionKind.Spirit) && After(recipe, s) is not null)
            .ToList();
        if (feeds.Count == 0)
            return null;
        var rests = feeds.ConvertAll(f => After(recipe, f)!.Takes.Likely);
        var line = recipe
            .Parts.Where(p => p.Name.Contains("feed", StringComparison.OrdinalIgnoreCase))
            .SelectMany(p => p.Lines)
            .FirstOrDefault();
        double? all = line?.Amount is { Unit.Dimension: UnitDimension.Volume } amount ? amount.High * amount.Unit.Size : null;
        return new FedKeeping(feeds.Count, rests[0], rests[^1], line?.Ingredient ?? "", all / feeds.Count);
    }

    private static Step? After(Recipe recipe, Step feed) =>
        recipe
            .Links.Where(l => l.From == feed.Key)
            .Select(l => recipe.Steps.FirstOrDefault(s => s.Key == l.To))
            .FirstOrDefault(s => s?.Kind == StepKind.Mature);
}
