using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Work.OvenDays;

/// <summary>The bakes of a day by an allergen.</summary>
/// <param name="Free">Indexes of those whose ingredients are certainly free of it.</param>
/// <param name="Holding">Indexes of all others: they hold it, or nobody knows.</param>
public sealed record AllergenSides(ImmutableArray<int> Free, ImmutableArray<int> Holding)
{
    /// <summary>Whether there is anything to put in order: some of either.</summary>
    public bool HaveBoth => !Free.IsEmpty && !Holding.IsEmpty;
}

/// <summary>
/// Puts what is free of an allergen before what holds it or may: it is mixed and shaped before anything of the others is begun, so that its
/// board, bowl and trays are clean of them. What is finished after the bake is not ordered: the page says to do that on clean boards.
/// </summary>
public static class ClearFirst
{
    /// <summary>Most pairs that a day may carry; more would be read only in part.</summary>
    public const int MostPairs = 200;

    /// <summary>What each bake of a day is certainly free of, in their order; nothing for one without a recipe.</summary>
    public static ImmutableArray<ImmutableArray<Allergen>> FreeFrom(OvenDayDocument document, IngredientKnowledge knowledge) =>
        [
            .. document.Bakes.Select(b =>
                b.Recipe is { } recipe ? AllergenStatement.Of(new DocumentReader().Read(recipe, "recipe"), knowledge).FreeFrom : []
            ),
        ];

    /// <summary>Which bakes are free of an allergen. Unknown is never free.</summary>
    /// <param name="freeFrom">What each bake is free of.</param>
    /// <param name="allergen">The allergen.</param>
    public static AllergenSides Sides(ImmutableArray<ImmutableArray<Allergen>> freeFrom, Allergen allergen) =>
        new(
            [.. Enumerable.Range(0, freeFrom.Length).Where(b => freeFrom[b].Contains(allergen))],
            [.. Enumerable.Range(0, freeFrom.Length).Where(b => !freeFrom[b].Contains(allergen))]
        );

    /// <summary>The day with that order asked for, or why it cannot be.</summary>
    /// <param name="document">The day.</param>
    /// <param name="day">Its plan, for the names of steps.</param>
    /// <param name="allergen">Of what the first shall be free.</param>
    /// <param name="freeFrom">What each bake is free of.</param>
    public static MovedDay Apply(
        OvenDayDocument document,
        PlannedDay day,
        Allergen allergen,
        ImmutableArray<ImmutableArray<Allergen>> freeFrom
    )
    {
        var (name, sides) = (AllergenNames.Of(allergen), Sides(freeFrom, allergen));
        if (!sides.HaveBoth)
            return new MovedDay(null, $"There is nothing to put in order: not some bakes with {name} and some without.");
        var hands = document.ByHand ?? new HandWishesDocument();
        var after = (hands.After ?? [])
            .Concat(
                ClearOrder
                    .Of(day.Network, sides.Free, sides.Holding)
                    .Select(p => new PairDocument(day.Network.Tasks[p.First].Id.Value, day.Network.Tasks[p.Second].Id.Value))
            )
            .Distinct()
            .ToList();
        return after.Count > MostPairs
            ? new MovedDay(null, "There are too many bakes to put all of them in order: take fewer into the day.")
            : new MovedDay(
                document with
                {
                    ByHand = hands with { After = after },
                },
                $"What is free of {name} is mixed and shaped before anything else is begun"
            );
    }

    /// <summary>Whether the day carries that order already.</summary>
    public static bool IsSet(
        OvenDayDocument document,
        PlannedDay day,
        Allergen allergen,
        ImmutableArray<ImmutableArray<Allergen>> freeFrom
    ) =>
        document.ByHand?.After is { Count: > 0 }
        && Apply(document with { ByHand = null }, day, allergen, freeFrom).Document?.ByHand?.After is { Count: > 0 } wanted
        && wanted.All(w => document.ByHand?.After?.Contains(w) == true);
}

/// <summary>What each bake of a day is free of by its ingredients.</summary>
/// <param name="Bakes">For each bake, in their order.</param>
public sealed record FreeOfDay(ImmutableArray<ImmutableArray<Allergen>> Bakes);
