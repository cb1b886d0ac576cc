using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Larder;

namespace Zymethos.Planning.Seasons;

/// <summary>How what was baked reaches those it is for.</summary>
public enum Handing
{
    /// <summary>Eaten there and then.</summary>
    Served,

    /// <summary>Given from hand to hand.</summary>
    HandedOver,

    /// <summary>Sent; it travels for some days.</summary>
    Posted,
}

/// <summary>A date for which things are baked.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="At">When it is served, handed over or arrives.</param>
/// <param name="Handing">How it gets there.</param>
/// <param name="TransitDays">Days it travels, 0 to 30; 0 unless it is posted.</param>
public sealed record Occasion(string Name, LocalDateTime At, Handing Handing, int TransitDays = 0)
{
    /// <summary>How long what was baked is out of the cold after that, until it is eaten or cold again, in hours, 0 to
    /// <see cref="MostHoursOut"/>: a buffet, a drive home.</summary>
    public double HoursOut { get; init; }

    /// <summary>The longest <see cref="HoursOut"/>.</summary>
    public const int MostHoursOut = 72;

    /// <summary>When everything must be done and packed.</summary>
    public LocalDateTime ReadyBy => At.PlusDays(-TransitDays);
}

/// <summary>So many pieces of a recipe for an occasion.</summary>
/// <param name="Id">Unique in the season.</param>
/// <param name="Occasion">Index of the occasion.</param>
/// <param name="Recipe">What is baked.</param>
/// <param name="Pieces">How many are wanted, at least 1.</param>
/// <param name="For">Whom it is for; may be empty.</param>
public sealed record Need(string Id, int Occasion, Recipe Recipe, int Pieces, string For = "")
{
    /// <summary>Into how many boxes the pieces go, evenly; 0 when they are not boxed.</summary>
    public int Boxes { get; init; }

    /// <summary>Name of the finish that is wanted, one of the recipe's; empty for the batch as it comes.</summary>
    public string Finish { get; init; } = "";

    /// <summary>Whether its ingredients are certainly free of what the season keeps apart (<see cref="SeasonWish.ClearOf"/>).</summary>
    public bool IsClear { get; init; }

    /// <summary>What last season taught about it; empty for nothing.</summary>
    public string Advice { get; init; } = "";

    /// <summary>How many, in words: "42 cookies", "14 boxes of 3 cookies".</summary>
    public string Amount =>
        Boxes > 1
            ? $"{Boxes} boxes of {Pieces / Boxes} {Recipe.Yield.PieceName}{Finished}"
            : $"{Pieces} {Recipe.Yield.PieceName}{Finished}";

    private string Finished => Finish.Length > 0 ? $", {Finish}" : "";
}

/// <summary>A span in which somebody is free to bake.</summary>
/// <param name="From">Start.</param>
/// <param name="Until">End, after the start and within a day of it.</param>
/// <param name="People">How many of the kitchen's people, at least 1.</param>
public sealed record SeasonSession(LocalDateTime From, LocalDateTime Until, int People)
{
    /// <summary>Whether it is only a quarter of an hour for what is done by the way, a cake to feed; the oven stays cold.</summary>
    public bool IsOddMoment { get; init; }

    /// <summary>Its length in minutes.</summary>
    public int Minutes => (int)Period.Between(From, Until, PeriodUnits.Minutes).Minutes;
}

/// <summary>A piece of work that is done.</summary>
/// <param name="Need">Id of the need.</param>
/// <param name="Stretch">Index of the stretch in its method.</param>
/// <param name="At">When it was done with.</param>
public sealed record DoneWork(string Need, int Stretch, LocalDateTime At);

/// <summary>A season as it is asked for.</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Now">What lies before it cannot be used any more.</param>
/// <param name="Occasions">The dates.</param>
/// <param name="Needs">What is wanted for them.</param>
/// <param name="Sessions">When there is time, in order and apart.</param>
public sealed record SeasonWish(
    Kitchen Kitchen,
    LocalDateTime Now,
    ImmutableArray<Occasion> Occasions,
    ImmutableArray<Need> Needs,
    ImmutableArray<SeasonSession> Sessions
)
{
    /// <summary>What is done already; whatever comes before it in the method counts as done with it.</summary>
    public ImmutableArray<DoneWork> Done { get; init; } = [];

    /// <summary>The allergen of which what is free comes first in every session; null where nothing is kept apart.</summary>
    public Allergen? ClearOf { get; init; }

    /// <summary>Boxes that are still to be given, where a board of parcels says so. May be empty.</summary>
    public ImmutableArray<HandOver> HandOvers { get; init; } = [];

    /// <summary>What is there and how goods are bought; an empty larder, where nobody says.</summary>
    public ShopKnown Shop { get; init; } = ShopKnown.Nothing;
}
