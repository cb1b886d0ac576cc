using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A value by which plans go.</summary>
/// <param name="Value">The value.</param>
/// <param name="Name">What it is of.</param>
/// <param name="Says">What it says, in words.</param>
public sealed record ShownValue(LearnedTime Value, string Name, string Says);

/// <summary>What an oven's thermometer showed beside what the kitchen takes it to be.</summary>
/// <param name="Name">Which oven.</param>
/// <param name="HeatUp">Minutes to 180 degrees as measured; null while no thermometer saw it.</param>
/// <param name="HeatUpWords">The same in words, with its band.</param>
/// <param name="HeatUpNow">Minutes that the kitchen takes it to be.</param>
/// <param name="DoorDrop">Degrees by which it falls when the door is opened, as measured; null likewise.</param>
/// <param name="DoorDropWords">The same in words.</param>
/// <param name="CoolShut">Newton's time constant of its cooling, shut, in minutes; null likewise.</param>
/// <param name="CoolAjar">The same with the door ajar.</param>
/// <param name="CoolWords">Both in words; empty while nobody saw it.</param>
/// <param name="DialWords">How far it is from its dial, in words; empty where no thermometer was in it.</param>
/// <param name="Number">Which oven, 0 the first.</param>
public sealed record MeasuredOven(
    string Name,
    int? HeatUp,
    string HeatUpWords,
    int HeatUpNow,
    double? DoorDrop,
    string DoorDropWords,
    int? CoolShut,
    int? CoolAjar,
    string CoolWords,
    string DialWords,
    int Number
);

/// <summary>What the Daybook has learned: every value by which plans go, with its band, its switch and what it comes from.</summary>
public sealed class LearnedModel(DaybookDesk desk, KitchenBook book, OpenDay days, NodaTime.IClock clock) : PageModel
{
    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What was learned.</summary>
    public Lessons Lessons { get; private set; } = null!;

    /// <summary>The kitchen.</summary>
    public Zymethos.Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>Values by which plans go, those that are switched off among them.</summary>
    public IReadOnlyList<ShownValue> Values { get; private set; } = [];

    /// <summary>The ovens as their thermometers showed them.</summary>
    public IReadOnlyList<MeasuredOven> Ovens { get; private set; } = [];

    /// <summary>Planned against real.</summary>
    public ScatterPlot PlannedAndReal { get; private set; } = new("", "", []);

    /// <summary>First look against done.</summary>
    public ScatterPlot LookAndDone { get; private set; } = new("", "", []);

    /// <summary>What a recipe is called.</summary>
    public Func<string, string> NameOf { get; private set; } = k => k;

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        await desk.RecordAsync(cancel);
        Lessons = await desk.LessonsAsync(cancel);
        var shelf = await book.ShelfAsync(cancel);
        Kitchen = shelf.Known.Kitchen;
        var names = Lessons
            .All.Where(b => b.Recipe is not null)
            .GroupBy(b => b.Recipe!, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.First().Name, StringComparer.Ordinal);
        foreach (var recipe in shelf.All)
            names[recipe.Key] = recipe.Name;
        NameOf = key => names.GetValueOrDefault(key, key);
        Values =
        [
            .. Kitchen.Learned.Select(l => new ShownValue(
                l,
                LearnedWords.NameOf(l.Kind, l.Of, NameOf, Kitchen.Ovens.Length),
                LearnedWords.Of(
                    LearnedFactor.Of(l.Factor, l.Low, l.High, l.Count),
                    l.Kind switch
                    {
                        LearnedKind.Oven or LearnedKind.Recipe => "bake",
                        LearnedKind.Person or LearnedKind.Handwork => "time",
                        _ => "rise",
                    }
                )
            )),
        ];
        Ovens = [.. Enumerable.Range(0, Kitchen.Ovens.Length).Select(Measured)];
        var odd = Lessons.Odd.Select(l => l.Seen).ToHashSet();
        PlannedAndReal = new ScatterPlot(
            "minutes the recipe says",
            "minutes it really took",
            Lessons.Loads.Union(Lessons.Odd).Select(l => (l.Seen.PlannedMinutes, l.Seen.ActualMinutes, Words(l), odd.Contains(l.Seen)))
        );
        LookAndDone = new ScatterPlot(
            "minutes until the first look",
            "minutes until it was done",
            Lessons.Loads.Where(l => l.Load.FirstLook is > 0).Select(l => (l.Load.FirstLook!.Value, l.Load.Minutes, Words(l), false))
        );
    }

    /// <summary>Has plans go by a value, or not.</summary>
    public async Task<IActionResult> OnPostSwitchAsync(string kind, string of, bool off, CancellationToken cancel)
    {
        if (!Enum.TryParse<LearnedKind>(kind, ignoreCase: true, out var value))
            return NotFound();
        Said =
            await desk.SwitchAsync(value, of ?? "", off, cancel) is null
                ? "The kitchen was changed from another page in the same moment. Look again."
            : off ? "Plans leave it out from now on. Days that are planned already stay as they are."
            : "Plans go by it from now on. Days that are planned already stay as they are.";
        return Redirect("/daybook/learned");
    }

    /// <summary>Plans the coming days again.</summary>
    public async Task<IActionResult> OnPostPlanAsync(CancellationToken cancel)
    {
        var kitchen = (await book.KitchenAsync(cancel)).Kitchen;
        var words = await days.ReplanAsync(kitchen, KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant()).Date, cancel);
        Said = words.Count == 0 ? "No day is planned from today on." : string.Join(" ", words);
        return Redirect("/daybook/learned");
    }

    /// <summary>Counts a bake that is unlike all others, or leaves it aside again.</summary>
    public async Task<IActionResult> OnPostCountAsync(Guid id, bool count, CancellationToken cancel)
    {
        if (await desk.BakeAsync(id, cancel) is not { } row)
            return NotFound();
        await desk.KeepAsync(row.Document with { Counted = count }, cancel);
        Said = $"{row.Document.Name} of {row.Document.Date} {(count ? "counts" : "is left aside")} from now on.";
        return Redirect("/daybook/learned");
    }

    /// <summary>Takes what thermometers showed into the kitchen.</summary>
    public async Task<IActionResult> OnPostTakeAsync(int oven, CancellationToken cancel)
    {
        Kitchen = (await book.KitchenAsync(cancel)).Kitchen;
        Lessons = await desk.LessonsAsync(cancel);
        if (oven < 0 || oven >= Kitchen.Ovens.Length)
            return NotFound();
        var measured = Measured(oven);
        Said = await desk.TakeMeasuredAsync(oven, measured.HeatUp, measured.DoorDrop, measured.CoolShut, measured.CoolAjar, cancel)
            ? $"The kitchen goes by it now: {measured.Name} as it was measured."
            : "The kitchen was changed from another page in the same moment. Look again.";
        return Redirect("/daybook/learned");
    }

    /// <summary>Another oven stands there from today on: what was learned of the one before is not for it.</summary>
    public async Task<IActionResult> OnPostNewOvenAsync(int oven, CancellationToken cancel)
    {
        Kitchen = (await book.KitchenAsync(cancel)).Kitchen;
        if (oven < 0 || oven >= Kitchen.Ovens.Length)
            return NotFound();
        var today = KitchenClock.At(Kitchen.Zone, clock.GetCurrentInstant()).Date;
        Said = await desk.BeginAnewAsync(oven, today, cancel)
            ? "It counts as another oven from today on. Measure how it heats up, or type its figures in the Kitchen."
            : "The kitchen was changed from another page in the same moment. Look again.";
        return Redirect("/daybook/learned");
    }

    private MeasuredOven Measured(int number)
    {
        var oven = Kitchen.Ovens[number];
        var key = LearnedTime.OvenName(number);
        var (now, factor) = ((int)oven.HeatUp.TotalMinutes, Lessons.Heating.Doer(key));
        var drops = Lessons.DoorDrops.Where(d => d.Oven == key).Select(d => d.Degrees).Order().ToList();
        var says = Kitchen.Says;
        string Degrees(double c) => $"{says.DifferenceNumber(c):0}";
        return new MeasuredOven(
            LearnedWords.OvenOf(key, Kitchen.Ovens.Length),
            factor.Bakes >= Lessons.FewestToUse ? Math.Clamp((int)Math.Round(now * factor.Factor), 3, 60) : null,
            factor.Bakes == 0
                ? "No thermometer has seen it heat up yet."
                : $"From cold to {says.Degrees(180)} in {now * factor.Factor:0} min "
                    + $"(between {now * factor.Low:0} and {now * factor.High:0}), "
                    + $"seen {(factor.Bakes == 1 ? "once" : $"{factor.Bakes} times")}; the kitchen says {now}.",
            now,
            drops.Count >= Lessons.FewestToUse ? Math.Clamp(Math.Round(drops[drops.Count / 2]), 0, 80) : null,
            drops.Count == 0
                ? "No thermometer has seen its door opened yet."
                : $"Its air falls by {Degrees(drops[drops.Count / 2])} degrees when the door is opened ({Degrees(drops[0])} to "
                    + $"{Degrees(drops[^1])}), seen {(drops.Count == 1 ? "once" : $"{drops.Count} times")}; the kitchen says "
                    + $"{Degrees(oven.DoorDrop)}.",
            Cool(key, false, oven.CoolShut.TotalMinutes).Value,
            Cool(key, true, oven.CoolAjar.TotalMinutes).Value,
            string.Join(
                " ",
                new[] { Cool(key, false, oven.CoolShut.TotalMinutes).Words, Cool(key, true, oven.CoolAjar.TotalMinutes).Words }.Where(w =>
                    w.Length > 0
                )
            ),
            DialWords([.. Lessons.DialOffsets.Where(d => d.Oven == key).Select(d => d.Degrees)], Degrees),
            number
        );
    }

    /// <summary>How it cools, as its thermometer showed: the middle of what was seen, and the same in words.</summary>
    private (int? Value, string Words) Cool(string oven, bool isAjar, double now)
    {
        var seen = Lessons.Coolings.Where(c => c.Oven == oven && c.IsAjar == isAjar).Select(c => c.Minutes).Order().ToList();
        if (seen.Count == 0)
            return (null, "");
        // Half of what it is above the room is gone after 0.69 of the time constant.
        string Half(double minutes) => $"{minutes * Math.Log(2):0}";
        var middle = seen[seen.Count / 2];
        return (
            seen.Count >= Lessons.FewestToUse ? Math.Clamp((int)Math.Round(middle), 2, 240) : null,
            $"{(isAjar ? "With its door ajar" : "Shut and turned down")} it loses half its heat in {Half(middle)} min ({Half(seen[0])} to "
                + $"{Half(seen[^1])}), seen {(seen.Count == 1 ? "once" : $"{seen.Count} times")}; the kitchen says {Half(now)}."
        );
    }

    private static string DialWords(List<double> off, Func<double, string> degrees)
    {
        if (off.Count < Lessons.FewestToUse)
            return "";
        var (mean, spread) = (off.Average(), Math.Sqrt(off.Sum(o => Math.Pow(o - off.Average(), 2)) / (off.Count - 1)));
        var band = LearnedFactor.NineOfTen * spread / Math.Sqrt(off.Count);
        return Math.Abs(mean) < Math.Max(1, band)
            ? $"It is as hot as its dial says, by {off.Count} loads with a thermometer."
            : $"It is {degrees(Math.Abs(mean))} degrees {(mean > 0 ? "hotter" : "cooler")} than its dial says (between "
                + $"{degrees(Math.Abs(mean) - band)} and {degrees(Math.Abs(mean) + band)}), by {off.Count} loads with a thermometer.";
    }

    /// <summary>A load in words.</summary>
    public string Words(TaughtLoad load) =>
        $"{NameOf(load.Seen.Work)}, {load.Bake.Date}: {load.Load.Minutes:0} min, {load.Seen.PlannedMinutes:0} by the recipe";
}
