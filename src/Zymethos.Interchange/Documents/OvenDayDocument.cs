using System.Text.Json.Serialization;
using NodaTime;
using NodaTime.Text;

namespace Zymethos.Interchange.Documents;

/// <summary>A whole day to plan, self-contained: the open format "zymethos.oven-day", version 1.</summary>
/// <param name="Kitchen">The kitchen it is planned for.</param>
/// <param name="Day">Which day, from when to when.</param>
/// <param name="Bakes">What to bake.</param>
/// <param name="Format">Always "zymethos.oven-day".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Solve">How to search; left out for the usual.</param>
/// <param name="ByHand">What the baker decided by hand; left out for nothing.</param>
/// <param name="Lean">What the baker leans toward: doneEarly, shortDay, lessOven, fresher or calmer.</param>
public sealed record OvenDayDocument(
    KitchenDocument Kitchen,
    DayDocument Day,
    IReadOnlyList<BakeDocument> Bakes,
    string Format = OvenDayDocument.FormatName,
    int Version = 1,
    SolveDocument? Solve = null,
    HandWishesDocument? ByHand = null,
    string Lean = "doneEarly"
)
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "zymethos.oven-day";
}

/// <summary>A kitchen.</summary>
/// <param name="Oven">Its oven.</param>
/// <param name="People">Who bakes.</param>
/// <param name="Name">What to call it.</param>
/// <param name="Mixers">How many mixers.</param>
/// <param name="MixerWashMinutes">How long the bowl is away to be washed.</param>
/// <param name="RoomC">Temperature of the room.</param>
/// <param name="Habit">metric or usCustomary.</param>
/// <param name="FlourHabit">How a cup of flour is filled: table, spooned or dipped.</param>
/// <param name="MixerLitres">What the mixer's bowl holds to the brim.</param>
/// <param name="ElevationMetres">How high the kitchen lies above the sea.</param>
/// <param name="Pans">What pans there are; left out for an ordinary cupboard.</param>
/// <param name="SecondOven">A second oven; left out when there is one.</param>
/// <param name="RackShelves">Room on the cooling racks in shelves of the first oven; left out when it is not counted.</param>
/// <param name="FridgeLitres">Litres free in the refrigerator; left out when they are not counted.</param>
/// <param name="FreezerLitres">Litres free in the freezer; left out when they are not counted.</param>
/// <param name="RoomByHour">How warm the room is from which hour on; left out when roomC holds all day.</param>
/// <param name="Zone">Time zone of the IANA list.</param>
/// <param name="OtherMixers">Mixers of other kinds beside those that are counted; left out when there are none.</param>
/// <param name="CertaintyPercent">On how many of a hundred days a plan is to go well altogether: 80, 90, 95 or 99.</param>
/// <param name="StretchMinutes">Minutes of work at a stretch after which a pause is due, 30 to 480.</param>
/// <param name="PauseMinutes">Minutes of a pause, 0 to 60; 0 for none.</param>
/// <param name="Clock">How hours are shown: hours24 or hours12. The formats themselves always write 24.</param>
/// <param name="Learned">What the Daybook taught about times; left out while nothing was.</param>
/// <param name="Children">Children who help beside a grown-up; no plan counts on them. Left out for none.</param>
public sealed record KitchenDocument(
    OvenDocument Oven,
    IReadOnlyList<PersonDocument> People,
    string Name = "Kitchen",
    int Mixers = 1,
    int MixerWashMinutes = 4,
    double RoomC = 21,
    string Habit = "metric",
    string FlourHabit = "table",
    double MixerLitres = 4.5,
    double ElevationMetres = 0,
    IReadOnlyList<PanStockDocument>? Pans = null,
    OvenDocument? SecondOven = null,
    double? RackShelves = null,
    double? FridgeLitres = null,
    double? FreezerLitres = null,
    IReadOnlyList<RoomHourDocument>? RoomByHour = null,
    string Zone = "Etc/UTC",
    IReadOnlyList<MixerDocument>? OtherMixers = null,
    int CertaintyPercent = 95,
    string Clock = "hours24",
    int StretchMinutes = 120,
    int PauseMinutes = 15,
    IReadOnlyList<LearnedTimeDocument>? Learned = null,
    IReadOnlyList<string>? Children = null
);

/// <summary>What the Daybook taught about times: a factor on the recipes' own.</summary>
/// <param name="Kind">oven, recipe, person, handwork, leaven or rise.</param>
/// <param name="Of">Which ("oven 1", a recipe's key, a name, a kind of work, yeast or starter).</param>
/// <param name="Factor">Most likely value.</param>
/// <param name="Low">Lower end of the band of nine chances in ten.</param>
/// <param name="High">Its upper end.</param>
/// <param name="Count">How many times it was seen.</param>
/// <param name="Scatter">How far one time lies from another, as a spread of the logarithm; 0 where it was not learned.</param>
/// <param name="Off">Whether plans leave it out.</param>
public sealed record LearnedTimeDocument(
    string Kind,
    string Of,
    double Factor,
    double Low,
    double High,
    int Count,
    double Scatter = 0,
    bool Off = false
);

/// <summary>A mixer of another kind.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Litres">What its bowl holds to the brim.</param>
/// <param name="Kneads">Whether it can knead a bread dough.</param>
public sealed record MixerDocument(string Name, double Litres, bool Kneads = false);

/// <summary>From an hour on the room is so warm.</summary>
/// <param name="From">The hour ("22:00").</param>
/// <param name="RoomC">The temperature.</param>
public sealed record RoomHourDocument(string From, double RoomC);

/// <summary>So many of a pan.</summary>
/// <param name="Pan">The pan.</param>
/// <param name="Count">How many there are.</param>
public sealed record PanStockDocument(PanDocument Pan, int Count = 1);

/// <summary>An oven by what can be measured with a thermometer and a clock.</summary>
/// <param name="HeatUpMinutes">From cold (20 C) to 180 C.</param>
/// <param name="CoolShutMinutes">Time constant of cooling with the door shut.</param>
/// <param name="CoolAjarMinutes">Time constant of cooling with the door ajar.</param>
/// <param name="HottestC">The highest mark of the dial.</param>
/// <param name="DoorDropC">How far the air falls when the door is opened.</param>
/// <param name="Shelves">Shelf positions that can be used together.</param>
/// <param name="ShelfWidthCm">Usable width of a shelf.</param>
/// <param name="ShelfDepthCm">Usable depth of a shelf.</param>
/// <param name="ColdLoadMinutes">By how much cold dough that fills the oven keeps back what bakes already; 0 when it is not
/// counted.</param>
/// <param name="Since">Since when it stands there ("2026-11-01"); left out when it always did.</param>
public sealed record OvenDocument(
    int HeatUpMinutes = 14,
    int CoolShutMinutes = 60,
    int CoolAjarMinutes = 25,
    double HottestC = 250,
    double DoorDropC = 25,
    int Shelves = 3,
    double ShelfWidthCm = 50,
    double ShelfDepthCm = 34,
    int ColdLoadMinutes = 0,
    string? Since = null
);

/// <summary>Someone who bakes.</summary>
/// <param name="Name">What to call them.</param>
/// <param name="From">From when they are free ("08:30"); left out for the whole span.</param>
/// <param name="Until">Until when they are free; left out for the whole span.</param>
public sealed record PersonDocument(string Name, string? From = null, string? Until = null);

/// <summary>A working span.</summary>
/// <param name="Date">The date ("2026-12-05").</param>
/// <param name="From">When it starts ("08:00").</param>
/// <param name="Until">When it ends ("18:30"), on the same date unless a date stands before it ("2026-12-06T01:00").</param>
/// <param name="Rests">Stretches in between in which nobody is in the kitchen; left out for none.</param>
/// <param name="Meals">Meals, each some time within its hours; left out for none.</param>
public sealed record DayDocument(
    string Date,
    string From,
    string Until,
    IReadOnlyList<RestDocument>? Rests = null,
    IReadOnlyList<MealDocument>? Meals = null
)
{
    private static readonly LocalDateTimePattern Pattern = LocalMoment.Pattern;

    /// <summary>When it starts, local time; null where that is not written as a date and an hour.</summary>
    [JsonIgnore]
    public LocalDateTime? Start => Pattern.Parse($"{Date}T{From}") is { Success: true } start ? start.Value : null;
}

/// <summary>A meal that may slide.</summary>
/// <param name="From">The hour from which it may be ("12:00").</param>
/// <param name="Until">The hour by which it must be over ("14:00").</param>
/// <param name="Minutes">How long it takes, 5 to 180.</param>
public sealed record MealDocument(string From, string Until, int Minutes = 30);

/// <summary>A stretch in which nobody is in the kitchen.</summary>
/// <param name="From">When it starts ("22:00").</param>
/// <param name="Until">When it ends ("2026-12-06T07:00").</param>
public sealed record RestDocument(string From, string Until);

/// <summary>What the baker decided by hand. Steps are named by their ids in the plan ("1.1.bake.1": bake, batch, step, wave).</summary>
/// <param name="Pins">Steps held at their hour.</param>
/// <param name="Orders">Pairs of steps of which the first starts no later than the second.</param>
/// <param name="Together">Pairs of loads that go in through the same open door, at most two minutes apart.</param>
/// <param name="Apart">Pairs of loads that never share the oven.</param>
/// <param name="Allow">Steps that are given more time.</param>
/// <param name="Since">While the day goes on, the hour that it is: nothing that is not pinned starts before. Left out for a day that lies
/// ahead.</param>
/// <param name="After">Pairs of which the second starts only when the first has ended.</param>
public sealed record HandWishesDocument(
    IReadOnlyList<PinDocument>? Pins = null,
    IReadOnlyList<PairDocument>? Orders = null,
    IReadOnlyList<PairDocument>? Together = null,
    IReadOnlyList<PairDocument>? Apart = null,
    IReadOnlyList<AllowDocument>? Allow = null,
    string? Since = null,
    IReadOnlyList<PairDocument>? After = null
);

/// <summary>A pinned step.</summary>
/// <param name="Task">Its id.</param>
/// <param name="At">When it starts ("14:10" or with a date).</param>
public sealed record PinDocument(string Task, string At);

/// <summary>Two steps.</summary>
/// <param name="First">Id of the one.</param>
/// <param name="Second">Id of the other.</param>
public sealed record PairDocument(string First, string Second);

/// <summary>More time for a step.</summary>
/// <param name="Task">Its id.</param>
/// <param name="Minutes">What to plan for it.</param>
/// <param name="Breaks">Stretches of it in which it is left alone for something else; left out for none.</param>
public sealed record AllowDocument(string Task, int Minutes, IReadOnlyList<BreakDocument>? Breaks = null);

/// <summary>A stretch of a step in which it is left alone.</summary>
/// <param name="From">Minutes from its start.</param>
/// <param name="Until">Minutes from its start, later.</param>
public sealed record BreakDocument(int From, int Until);

/// <summary>A bake: a recipe by value, or just a name with steps and links.</summary>
/// <param name="Recipe">The recipe. Left out when <paramref name="Steps"/> are given.</param>
/// <param name="Name">A name for bare steps.</param>
/// <param name="Steps">Bare steps, for whoever wants only the time planned.</param>
/// <param name="Links">Links between them.</param>
/// <param name="Batches">How many batches.</param>
/// <param name="ReadyBy">When it must be ready ("17:00" or with a date); left out when any hour will do.</param>
/// <param name="NotBefore">When it may start; left out when any hour will do.</param>
/// <param name="Modes">Which way a step with several is spent, by its key: 0 its own, 1 the first of its modes; "mix-together" 1 for two
/// batches in one mix; "mixing" the number of the mixer, or 9 for by hand. What is not named the planner chooses.</param>
/// <param name="Yeast">Yeast as a multiple of what the recipe takes, 0.25 to 3.</param>
/// <param name="Wider">Windows of the recipe that may stay open longer on this day; left out for none.</param>
/// <param name="OnCounter">Keys of rises that have their time on the counter on this day and not in the oven, as long as the rise model
/// says; left out for none.</param>
public sealed record BakeDocument(
    RecipeDocument? Recipe = null,
    string? Name = null,
    IReadOnlyList<StepDocument>? Steps = null,
    IReadOnlyList<LinkDocument>? Links = null,
    int Batches = 1,
    string? ReadyBy = null,
    string? NotBefore = null,
    IReadOnlyDictionary<string, int>? Modes = null,
    double Yeast = 1,
    IReadOnlyList<WiderDocument>? Wider = null,
    IReadOnlyList<string>? OnCounter = null
)
{
    /// <summary>The bake with a window that stays open so many minutes longer, on top of what it does already.</summary>
    public BakeDocument Widened(string from, string to, int minutes)
    {
        var had = Wider ?? [];
        var rest = had.Where(w => w.From != from || w.To != to).ToList();
        return this with { Wider = [.. rest, new WiderDocument(from, to, minutes + had.Except(rest).Sum(w => w.Minutes))] };
    }
}

/// <summary>A window that may stay open longer.</summary>
/// <param name="From">Key of the step before.</param>
/// <param name="To">Key of the step after, which may wait longer.</param>
/// <param name="Minutes">How much longer, 1 to 1440.</param>
public sealed record WiderDocument(string From, string To, int Minutes);

/// <summary>How to search.</summary>
/// <param name="Seconds">Time for the search, 0.2 to 20.</param>
/// <param name="Seed">Seed of the search.</param>
public sealed record SolveDocument(double Seconds = 5, int Seed = 1);
