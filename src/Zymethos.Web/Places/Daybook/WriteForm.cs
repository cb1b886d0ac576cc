using System.Collections.Immutable;
using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A load as it is typed.</summary>
public sealed class LoadFields
{
    /// <summary>When it went in.</summary>
    public string? In { get; set; }

    /// <summary>When it came out.</summary>
    public string? Out { get; set; }

    /// <summary>How long it was in, in minutes; instead of both hours.</summary>
    public string? Minutes { get; set; }

    /// <summary>Heat of the dial, in the kitchen's own degrees.</summary>
    public string? Heat { get; set; }

    /// <summary>Minutes until the first look.</summary>
    public string? Look { get; set; }

    /// <summary>Whether nothing is typed in it.</summary>
    public bool IsEmpty => new[] { In, Out, Minutes, Heat, Look }.All(string.IsNullOrWhiteSpace);
}

/// <summary>A bake from before as it is typed: date and times as far as they are known.</summary>
public sealed class WriteForm
{
    /// <summary>Most loads of a bake that is written by hand.</summary>
    public const int MostLoads = 6;

    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    // What comes out before it went in came out the next morning, if that makes a bake of it.
    private const int LongestOverMidnight = 6 * 60;

    /// <summary>Its date.</summary>
    public string? Date { get; set; }

    /// <summary>Key of the recipe; empty for one that is in no Book.</summary>
    public string? Recipe { get; set; }

    /// <summary>What to call it where it is in no Book.</summary>
    public string? Name { get; set; }

    /// <summary>How many batches.</summary>
    public string? Batches { get; set; } = "1";

    /// <summary>Which oven, 1 the first.</summary>
    public int Oven { get; set; } = 1;

    /// <summary>Loads.</summary>
    public List<LoadFields> Loads { get; set; } = [];

    /// <summary>What it was baked in.</summary>
    public string? Pan { get; set; }

    /// <summary>Dark, glass, stone or shiny.</summary>
    public string? Finish { get; set; }

    /// <summary>Whether a sheet was beneath.</summary>
    public bool Sheet { get; set; }

    /// <summary>Which shelf.</summary>
    public string? Shelf { get; set; }

    /// <summary>Who baked it.</summary>
    public string? Who { get; set; }

    /// <summary>Pieces that came out.</summary>
    public string? Pieces { get; set; }

    /// <summary>How it looked.</summary>
    public string? Looks { get; set; }

    /// <summary>Where it was darker.</summary>
    public List<string> Darker { get; set; } = [];

    /// <summary>What to change.</summary>
    public string? ToChange { get; set; }

    /// <summary>Anything else.</summary>
    public string? Note { get; set; }

    /// <summary>Words for how it looked.</summary>
    public static ImmutableArray<string> LooksNames { get; } = ["pale", "golden", "brown", "dark", "uneven"];

    /// <summary>Places where it may be darker.</summary>
    public static ImmutableArray<string> Places { get; } = ["back", "front", "left", "right", "edge", "base"];

    /// <summary>A bake as it can be typed again.</summary>
    public static WriteForm Of(PastBakeDocument bake, KitchenSays says)
    {
        static string? Number(double? value) => value?.ToString("0.##", CultureInfo.InvariantCulture);
        var first = bake.Loads?.FirstOrDefault();
        return new WriteForm
        {
            Date = bake.Date,
            Recipe = bake.Recipe,
            Name = bake.Name,
            Batches = bake.Batches.ToString(CultureInfo.InvariantCulture),
            Oven = first?.Oven ?? 1,
            Loads =
            [
                .. (bake.Loads ?? []).Select(l =>
                {
                    var at = Time.Parse(l.At ?? "");
                    return new LoadFields
                    {
                        In = at.Success ? at.Value.ToString("HH:mm", CultureInfo.InvariantCulture) : null,
                        Minutes = Number(l.Minutes),
                        Heat = l.Celsius is { } c ? says.DialNumber(c).ToString(CultureInfo.InvariantCulture) : null,
                        Look = Number(l.FirstLook),
                    };
                }),
            ],
            Pan = first?.Pan,
            Finish = first?.Finish,
            Sheet = first?.Sheet == true,
            Shelf = first?.Shelf,
            Who = first?.Who,
            Pieces = Number(bake.Pieces),
            Looks = bake.Looks,
            Darker = [.. bake.Darker ?? []],
            ToChange = bake.ToChange,
            Note = bake.Note,
        };
    }

    /// <summary>The bake that was typed; null when a field cannot be read, with the reason at the field. What cannot have been is kept all
    /// the same.</summary>
    /// <param name="before">The bake that it replaces; null for a new one.</param>
    /// <param name="book">The recipes.</param>
    /// <param name="says">How the kitchen says hours and heats.</param>
    /// <param name="today">Today's date.</param>
    /// <param name="state">Takes the messages.</param>
    public PastBakeDocument? Read(
        PastBakeDocument? before,
        IReadOnlyList<Recipe> book,
        KitchenSays says,
        LocalDate today,
        ModelStateDictionary state
    )
    {
        var recipe = book.FirstOrDefault(r => r.Key == Recipe);
        var name = recipe?.Name ?? (Name ?? "").Trim();
        if (name.Length is 0 or > 120)
            state.AddModelError("Form.Name", "Choose a recipe, or say what it was, in up to 120 characters.");
        var date = LocalDatePattern.Iso.Parse((Date ?? "").Trim());
        if (!date.Success)
            state.AddModelError("Form.Date", "A date like 2025-12-20.");
        else if (date.Value > today)
            state.AddModelError("Form.Date", "That day has not come yet. Plan it on an Oven Day instead.");
        var batches = Whole(Batches, "Form.Batches", 1, 99, "1 to 99 batches.", state) ?? 1;
        var pieces = Number(Pieces, "Form.Pieces", 0, 5000, "0 to 5000 pieces.", state);
        var step = recipe?.Steps.FirstOrDefault(s => s is { Kind: StepKind.Bake, Oven.State: OvenState.Bake });
        var loads = new List<PastLoadDocument>();
        for (var i = 0; i < Math.Min(Loads.Count, MostLoads); i++)
        {
            if (!Loads[i].IsEmpty && ReadLoad(Loads[i], i, step, date.Success ? date.Value : today, says, state) is { } load)
                loads.Add(load);
        }

        foreach (var (field, text) in new[] { ("ToChange", ToChange), ("Note", Note), ("Pan", Pan), ("Who", Who) })
        {
            if ((text?.Length ?? 0) > PastBakeCheck.LongestText)
                state.AddModelError($"Form.{field}", $"Up to {PastBakeCheck.LongestText} characters.");
        }

        if (!state.IsValid)
            return null;
        return (before ?? new PastBakeDocument(Guid.CreateVersion7().ToString(), "", "")) with
        {
            Date = LocalDatePattern.Iso.Format(date.Value),
            Name = name,
            Recipe = recipe?.Key,
            Batches = batches,
            Source = "hand",
            Loads = loads.Count > 0 ? loads : null,
            Pieces = pieces,
            Looks = Said(Looks),
            Darker = Darker.Where(Places.Contains).Distinct().ToList() is { Count: > 0 } darker ? darker : null,
            ToChange = Said(ToChange),
            Note = Said(Note),
        };
    }

    private PastLoadDocument? ReadLoad(
        LoadFields load,
        int number,
        Step? step,
        LocalDate date,
        KitchenSays says,
        ModelStateDictionary state
    )
    {
        var at = $"Form.Loads[{number}]";
        var from = Hour(load.In, $"{at}.In", state);
        var until = Hour(load.Out, $"{at}.Out", state);
        var minutes = Number(load.Minutes, $"{at}.Minutes", -100_000, 100_000, "Minutes, like 45.", state);
        var heat = Number(load.Heat, $"{at}.Heat", 0, 600, $"A heat in {says.Unit}, like {says.DialNumber(180)}.", state);
        var look = Number(load.Look, $"{at}.Look", 0, 1440, "Minutes, like 40.", state);
        if (minutes is null && from is { } begun && until is { } out_)
        {
            minutes = Period.Between(begun, out_, PeriodUnits.Minutes).Minutes;
            if (minutes < 0 && minutes + (24 * 60) <= LongestOverMidnight)
                minutes += 24 * 60;
        }

        if (minutes is null)
        {
            if (state.GetFieldValidationState($"{at}.Minutes") != ModelValidationState.Invalid)
                state.AddModelError($"{at}.Minutes", "Say how long it was in: minutes, or when it went in and came out.");
            return null;
        }

        return new PastLoadDocument(
            step?.Title ?? "Load",
            minutes.Value,
            step?.Takes.Likely.TotalMinutes,
            At: from is { } hour ? Time.Format(date.At(hour)) : null,
            Oven: Math.Clamp(Oven, 1, 2),
            Celsius: heat is { } own ? Math.Round(says.ToCelsius(own), 1) : step?.Oven?.SetTemperature.Celsius,
            FirstLook: look,
            Looks: look is not null ? 1 : 0,
            Who: Said(Who),
            Pan: Said(Pan) ?? step?.Oven?.Pan.Name,
            Finish: Said(Finish) ?? (PanFinish.Of(Pan ?? "") is { Length: > 0 } told ? told : null),
            Sheet: Sheet,
            Shelf: Said(Shelf),
            Step: step?.Key,
            StepMinutes: step?.Takes.Likely.TotalMinutes,
            // At another heat than the recipe's, its time says nothing of the recipe's time.
            StepC: heat is { } set ? Math.Round(says.ToCelsius(set), 1) : step?.Oven?.SetTemperature.Celsius
        );
    }

    private static LocalTime? Hour(string? text, string field, ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (ClockText.Read(text) is { } hour)
            return hour;
        state.AddModelError(field, "An hour like 17:30 or 5:30 pm.");
        return null;
    }

    private static double? Number(string? text, string field, double least, double most, string wrong, ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (
            double.TryParse(text.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
            && value >= least
            && value <= most
        )
            return value;
        state.AddModelError(field, wrong);
        return null;
    }

    private static int? Whole(string? text, string field, int least, int most, string wrong, ModelStateDictionary state)
    {
        if (
            int.TryParse((text ?? "").Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var value)
            && value >= least
            && value <= most
        )
            return value;
        state.AddModelError(field, wrong);
        return null;
    }

    private static string? Said(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
}
