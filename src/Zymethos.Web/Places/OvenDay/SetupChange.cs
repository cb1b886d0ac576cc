using System.Globalization;
using NodaTime;
using Zymethos.Planning.WaysOut;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>A change to the set-up of a day, as a way out offers it and a button carries it: one of the records in here.</summary>
public abstract record SetupChange
{
    private SetupChange() { }

    /// <summary>The day begins at an hour.</summary>
    public sealed record From(LocalTime Hour) : SetupChange;

    /// <summary>The day ends at an hour.</summary>
    public sealed record Until(LocalTime Hour) : SetupChange;

    /// <summary>Both.</summary>
    public sealed record Span(LocalTime Start, LocalTime End) : SetupChange;

    /// <summary>So many helpers on this day.</summary>
    /// <param name="Count">How many, 1 or more.</param>
    public sealed record Helpers(int Count) : SetupChange;

    /// <summary>A second oven on this day.</summary>
    public sealed record SecondOven : SetupChange;

    /// <summary>A change to one recipe of the list.</summary>
    /// <param name="Recipe">Its key.</param>
    public abstract record OfRecipe(string Recipe) : SetupChange;

    /// <summary>The recipe waits for another day.</summary>
    public sealed record LeaveOut(string Recipe) : OfRecipe(Recipe);

    /// <summary>One batch fewer.</summary>
    public sealed record OneBatchFewer(string Recipe) : OfRecipe(Recipe);

    /// <summary>It is ready by another hour.</summary>
    public sealed record ReadyBy(string Recipe, LocalTime Hour) : OfRecipe(Recipe);

    /// <summary>Windows of recipes stay open longer on this day.</summary>
    public sealed record Wider(IReadOnlyList<WiderBy> Windows) : SetupChange;

    /// <summary>Rises have their time on the counter and not in the oven.</summary>
    public sealed record OnCounter(IReadOnlyList<RiseOf> Rises) : SetupChange;

    /// <summary>A window that stays open longer.</summary>
    /// <param name="Recipe">Key of the recipe.</param>
    /// <param name="Before">Key of the step before.</param>
    /// <param name="Step">Key of the step that may wait.</param>
    /// <param name="Minutes">How much longer, above 0.</param>
    public sealed record WiderBy(string Recipe, string Before, string Step, int Minutes);

    /// <summary>A rise.</summary>
    /// <param name="Recipe">Key of the recipe.</param>
    /// <param name="Step">Key of the step.</param>
    public sealed record RiseOf(string Recipe, string Step);

    /// <summary>The change that a way out asks for; null when a set-up cannot make it.</summary>
    /// <param name="way">The way out.</param>
    /// <param name="setup">The form that it is offered beside.</param>
    public static SetupChange? Of(WayOut way, DaySetup setup)
    {
        var keys = setup.Chosen.Where(r => r.Batches is not ("0" or "" or null)).Select(r => r.Key).ToList();
        LocalTime? Shift(string? clock, int minutes) =>
            DaySetup.ClockPattern.Parse(clock ?? "") is { Success: true } t ? t.Value.PlusMinutes(minutes) : null;
        string? Key(int? bake) => bake is { } b ? keys.ElementAtOrDefault(b) : null;
        var (before, after) = ClashFinder.BothEnds(way.Minutes);
        return way.Kind switch
        {
            WayOutKind.FinishLater when Shift(setup.Until, way.Minutes) is { } end => new Until(end),
            WayOutKind.StartEarlier when Shift(setup.From, -way.Minutes) is { } start => new From(start),
            WayOutKind.LongerAtBothEnds when Shift(setup.From, -before) is { } start && Shift(setup.Until, after) is { } end => new Span(
                start,
                end
            ),
            WayOutKind.LeaveOut when Key(way.Bake) is { } key => new LeaveOut(key),
            WayOutKind.FewerBatches when Key(way.Bake) is { } key => new OneBatchFewer(key),
            WayOutKind.ReadyLater when Key(way.Bake) is { } key && Shift(way.Ready, 0) is { } hour => new ReadyBy(key, hour),
            WayOutKind.MoreHands => new Helpers(int.TryParse(setup.ExtraHands, CultureInfo.InvariantCulture, out var has) ? has + 1 : 1),
            WayOutKind.SecondOven => new SecondOven(),
            WayOutKind.WiderWindow when !way.Windows.IsEmpty => new Wider(
                [.. from w in way.Windows let key = Key(w.Bake) where key is not null select new WiderBy(key, w.From, w.To, w.Minutes)]
            ),
            WayOutKind.OnCounter when !way.Rises.IsEmpty => new OnCounter(
                [.. from r in way.Rises let key = Key(r.Bake) where key is not null select new RiseOf(key, r.Step)]
            ),
            _ => null,
        };
    }
}
