using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Books;
using Zymethos.Store.Days;
using Zymethos.Web.Setup;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>
/// What the baker sets up: a date, a working span and how many batches of what. Everything is text as it was typed, so that a rejected form
/// comes back the way it was sent.
/// </summary>
public sealed class DaySetup
{
    internal static readonly LocalTimePattern ClockPattern = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private List<string> _chosen = [];

    /// <summary>The date, "2026-12-05".</summary>
    public string? Date { get; set; }

    /// <summary>Start of the span, "08:00".</summary>
    [Hour]
    public string? From { get; set; }

    /// <summary>End of the span, "18:00".</summary>
    [Hour]
    public string? Until { get; set; }

    /// <summary>Start of a rest in between, "22:00"; empty for none.</summary>
    [Hour]
    public string? RestFrom { get; set; }

    /// <summary>End of the rest, "07:00", on the next date when it is earlier than its start.</summary>
    [Hour]
    public string? RestUntil { get; set; }

    /// <summary>Further rests after it, two rows; an empty row is none.</summary>
    public List<DayRestRow> MoreRests { get; set; } = [new(), new()];

    /// <summary>Further pairs of hands on this day, "1"; empty for none.</summary>
    public string? ExtraHands { get; set; }

    /// <summary>Whether a second oven like the first is there on this day.</summary>
    public bool SecondOven { get; set; }

    /// <summary>Whether the kitchen has one oven, so that a second may be borrowed; not read from the form.</summary>
    [BindNever]
    public bool HasOneOven { get; private set; }

    /// <summary>Minutes of a meal that may slide; empty for none.</summary>
    public string? MealMinutes { get; set; }

    /// <summary>The hour from which it may be.</summary>
    [Hour]
    public string? MealFrom { get; set; }

    /// <summary>The hour by which it is over.</summary>
    [Hour]
    public string? MealUntil { get; set; }

    /// <summary>How the kitchen says hours and heats.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>What is chosen from the Book, by the recipe's key.</summary>
    public Dictionary<string, DaySetupRow> Rows { get; set; } = [];

    /// <summary>The same in the Book's order, with what a form does not carry; not read from the form.</summary>
    [BindNever]
    public IReadOnlyList<DaySetupRow> Chosen { get; private set; } = [];

    /// <summary>The recipe that was added last, to go on typing at; empty for none. Not read from the form.</summary>
    [BindNever]
    public string Added { get; private set; } = "";

    /// <summary>A fresh form.</summary>
    public static DaySetup Empty(LocalDate date) =>
        new()
        {
            Date = LocalDatePattern.Iso.Format(date),
            From = "08:00",
            Until = "18:00",
        };

    /// <summary>The form as it was when a day was planned.</summary>
    public static DaySetup Of(OvenDayRow row)
    {
        var setup = Empty(row.Date);
        setup.From = row.Document.Day.From;
        setup.SecondOven = row.Document.Kitchen.SecondOven is not null;
        setup.Until = ClockOf(row.Document.Day.Until);
        var rests = row.Document.Day.Rests ?? [];
        if (rests is [var rest, ..])
            (setup.RestFrom, setup.RestUntil) = (ClockOf(rest.From), ClockOf(rest.Until));
        foreach (var (more, i) in rests.Skip(1).Take(2).Select((r, i) => (r, i)))
            setup.MoreRests[i] = new DayRestRow { From = ClockOf(more.From), Until = ClockOf(more.Until) };
        if (row.Document.Day.Meals is [var meal, ..])
            (setup.MealMinutes, setup.MealFrom, setup.MealUntil) = (
                meal.Minutes.ToString(CultureInfo.InvariantCulture),
                ClockOf(meal.From),
                ClockOf(meal.Until)
            );
        var extra = DayKitchen.Helpers(row.Document.Kitchen);
        if (extra > 0)
            setup.ExtraHands = extra.ToString(CultureInfo.InvariantCulture);
        foreach (var bake in row.Document.Bakes)
        {
            // Half a batch beside whole ones has no row of its own.
            if (bake.Recipe?.Key is { } key && !setup.Rows.ContainsKey(key))
                (setup.Rows[key] = new DaySetupRow()).Take(bake);
        }

        return setup;
    }

    /// <summary>Adds what a form does not carry: names, and rows of recipes that are new since it was shown.</summary>
    public void Complete(IReadOnlyList<RecipeRow> recipes, Zymethos.Core.Kitchens.Kitchen kitchen)
    {
        (HasOneOven, Says) = (kitchen.SecondOven is null, kitchen.Says);
        while (MoreRests.Count < 2)
            MoreRests.Add(new DayRestRow());
        var known = recipes.Where(r => Rows.TryGetValue(r.Key, out var row) && row.IsWanted).ToList();
        foreach (var recipe in known)
            Rows[recipe.Key].Complete(recipe, kitchen);
        Chosen = [.. known.Select(r => Rows[r.Key])];
    }

    /// <summary>Makes a change that a way out offered. What it is about and is not in the list any more stays as it is.</summary>
    public void Apply(SetupChange change)
    {
        switch (change)
        {
            case SetupChange.From from:
                From = ClockPattern.Format(from.Hour);
                break;
            case SetupChange.Until until:
                Until = ClockPattern.Format(until.Hour);
                break;
            case SetupChange.Span span:
                (From, Until) = (ClockPattern.Format(span.Start), ClockPattern.Format(span.End));
                break;
            case SetupChange.Helpers helpers:
                ExtraHands = helpers.Count.ToString(CultureInfo.InvariantCulture);
                break;
            case SetupChange.SecondOven:
                SecondOven = true;
                break;
            case SetupChange.Wider wider:
                foreach (var window in wider.Windows)
                    RowOf(window.Recipe)?.Widen(window.Before, window.Step, window.Minutes);
                break;
            case SetupChange.OnCounter counter:
                foreach (var rise in counter.Rises)
                {
                    if (RowOf(rise.Recipe) is { } rising && !rising.OnCounter.Contains(rise.Step))
                        rising.OnCounter.Add(rise.Step);
                }

                break;
            case SetupChange.OfRecipe about when RowOf(about.Recipe) is { } row:
                row.Apply(about);
                break;
        }
    }

    private DaySetupRow? RowOf(string key) => Rows.GetValueOrDefault(key);

    /// <summary>Puts a recipe into the day, a batch of it; nothing where it is there already.</summary>
    public void Add(string key)
    {
        if (Rows.TryAdd(key, new DaySetupRow { Batches = "1" }))
            Added = key;
        else if (Rows[key] is { Batches: "0" or "" or null } none)
            (none.Batches, Added) = ("1", key);
    }

    /// <summary>Takes a recipe out again.</summary>
    public void Drop(string key) => Rows.Remove(key);

    /// <summary>The day to plan; null when a field cannot be read, with the reason at the field.</summary>
    public OvenDayDocument? AsDocument(IReadOnlyList<RecipeRow> recipes, KitchenDocument kitchen, ModelStateDictionary state)
    {
        if (!LocalDatePattern.Iso.Parse(Date ?? "").Success)
            state.AddModelError(FieldOf("day.date"), "Choose a date.");
        if (!ClockPattern.Parse(From ?? "").Success)
            state.AddModelError(FieldOf("day.from"), "Give the hour as 08:00.");
        if (!ClockPattern.Parse(Until ?? "").Success)
            state.AddModelError(FieldOf("day.until"), "Give the hour as 18:00.");
        var rests = Rests(state);
        var meals = Meals(state);
        kitchen = WithExtraHands(kitchen, state);
        if (SecondOven)
            kitchen = DayKitchen.WithBorrowedOven(kitchen);
        var bakes = new List<BakeDocument>();
        _chosen = [];
        foreach (var row in Chosen)
        {
            var recipe = recipes.First(r => r.Key == row.Key);
            if (row.AsBake(recipe.Document, $"Setup.Rows[{row.Key}]", state) is not { } bake)
                continue;
            _chosen.Add(row.Key);
            bakes.Add(bake);
        }

        if (bakes.Count == 0 && state.IsValid)
            state.AddModelError(FieldOf("bakes"), "Choose at least one recipe from the Book.");
        return state.IsValid
            ? new OvenDayDocument(kitchen, new DayDocument(Date!, From!, rests?.Until ?? Until!, rests?.Away, meals), bakes)
            : null;
    }

    private IReadOnlyList<MealDocument>? Meals(ModelStateDictionary state)
    {
        var typed = new[] { MealMinutes, MealFrom, MealUntil };
        if (typed.All(string.IsNullOrWhiteSpace))
            return null;
        if (WholeNumber.Read((MealMinutes ?? "").Trim()) is not (>= 5 and <= 180 and var minutes))
        {
            state.AddModelError("Setup.MealMinutes", "How many minutes does the meal take? 5 to 180; leave all three empty for none.");
            return null;
        }

        if (!ClockPattern.Parse(MealFrom ?? "").Success || !ClockPattern.Parse(MealUntil ?? "").Success)
        {
            state.AddModelError("Setup.MealMinutes", $"Between which hours? Write them like {Says.Hour(LocalTime.Noon)}.");
            return null;
        }

        return [new MealDocument(MealFrom!, MealUntil!, minutes)];
    }

    /// <summary>The rests with their dates, and the end of the day after them; null when there are none or they cannot be read.</summary>
    private (IReadOnlyList<RestDocument> Away, string Until)? Rests(ModelStateDictionary state)
    {
        var typed = MoreRests
            .Select((r, i) => (r.From, r.Until, Field: $"Setup.MoreRests[{i}].From"))
            .Prepend((RestFrom, RestUntil, "Setup.RestFrom"))
            .Where(r => !string.IsNullOrWhiteSpace(r.Item1) || !string.IsNullOrWhiteSpace(r.Item2))
            .ToList();
        if (typed.Count == 0)
            return null;
        foreach (var (from, until, field) in typed)
        {
            if (!ClockPattern.Parse(from ?? "").Success)
                state.AddModelError(field, "From when is nobody there? Give the hour as 22:00, or leave both empty.");
            else if (!ClockPattern.Parse(until ?? "").Success)
                state.AddModelError(field, "Until when is nobody there? Give the hour as 07:00.");
        }

        if (!state.IsValid)
            return null;
        var date = LocalDatePattern.Iso.Parse(Date!).Value;
        var times = new[] { From! }
            .Concat(typed.SelectMany(t => new[] { t.Item1!, t.Item2! }))
            .Append(Until!)
            .Select(t => ClockPattern.Parse(t).Value)
            .ToArray();
        var moments = new LocalDateTime[times.Length];
        for (var i = 0; i < times.Length; i++)
        {
            moments[i] = date.At(times[i]);
            // An hour no later than the one before it is one of the next date.
            if (i > 0 && moments[i] <= moments[i - 1])
                moments[i] = (date = date.PlusDays(1)).At(times[i]);
        }

        string Text(LocalDateTime moment) => moment.ToString("uuuu-MM-dd'T'HH:mm", CultureInfo.InvariantCulture);
        return (
            [.. Enumerable.Range(0, typed.Count).Select(r => new RestDocument(Text(moments[(2 * r) + 1]), Text(moments[(2 * r) + 2])))],
            Text(moments[^1])
        );
    }

    /// <summary>The kitchen with whoever helps on this day alone.</summary>
    private KitchenDocument WithExtraHands(KitchenDocument kitchen, ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(ExtraHands) || ExtraHands.Trim() == "0")
            return kitchen;
        if (
            int.TryParse(ExtraHands.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var more)
            && kitchen.People.Count + more <= DayKitchen.MostPeople
        )
            return DayKitchen.WithHelpers(kitchen, more);
        state.AddModelError(
            "Setup.ExtraHands",
            $"Helpers are a whole number; at most four people bake, and {kitchen.People.Count} do already."
        );
        return kitchen;
    }

    private static string ClockOf(string moment) =>
        moment.Contains('T', StringComparison.Ordinal) ? moment[(moment.IndexOf('T', StringComparison.Ordinal) + 1)..] : moment;

    /// <summary>The form field that a fault's path is about; the list of recipes when there is none.</summary>
    public string FieldOf(string path)
    {
        if (path.StartsWith("day.", StringComparison.Ordinal))
            return path switch
            {
                "day.date" => "Setup.Date",
                "day.from" => "Setup.From",
                "day.until" => "Setup.Until",
                _ when path.StartsWith("day.meals", StringComparison.Ordinal) => "Setup.MealMinutes",
                _ => "Setup.RestFrom",
            };
        for (var i = 0; i < _chosen.Count; i++)
        {
            if (!path.StartsWith($"bakes[{i}]", StringComparison.Ordinal))
                continue;
            var field =
                path.EndsWith("readyBy", StringComparison.Ordinal) ? "ReadyBy"
                : path.EndsWith("yeast", StringComparison.Ordinal) ? "Yeast"
                : "Batches";
            return $"Setup.Rows[{_chosen[i]}].{field}";
        }

        return "Setup.Rows";
    }
}

/// <summary>A stretch in which nobody is there, as typed.</summary>
public sealed class DayRestRow
{
    /// <summary>From when.</summary>
    [Hour]
    public string? From { get; set; }

    /// <summary>Until when.</summary>
    [Hour]
    public string? Until { get; set; }
}
