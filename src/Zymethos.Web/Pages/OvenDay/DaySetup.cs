using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Interchange;
using Zymethos.Store.Books;
using Zymethos.Store.Days;

namespace Zymethos.Web.Pages.OvenDay;

/// <summary>
/// What the baker sets up: a date, a working span and how many batches of what. Everything is text as it was typed, so that a rejected form comes
/// back the way it was sent.
/// </summary>
public sealed class DaySetup
{
    private static readonly LocalTimePattern ClockPattern = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private List<int> _chosen = [];

    /// <summary>The date, "2026-12-05".</summary>
    public string? Date { get; set; }

    /// <summary>Start of the span, "08:00".</summary>
    public string? From { get; set; }

    /// <summary>End of the span, "18:00".</summary>
    public string? Until { get; set; }

    /// <summary>Start of a rest in between, "22:00"; empty for none.</summary>
    public string? RestFrom { get; set; }

    /// <summary>End of the rest, "07:00", on the next date when it is earlier than its start.</summary>
    public string? RestUntil { get; set; }

    /// <summary>One row for each recipe of the Book.</summary>
    public List<DaySetupRow> Rows { get; set; } = [];

    /// <summary>A fresh form.</summary>
    public static DaySetup Empty(LocalDate date, IReadOnlyList<RecipeRow> recipes) => new()
    {
        Date = LocalDatePattern.Iso.Format(date),
        From = "08:00",
        Until = "18:00",
        Rows = [.. recipes.Select(r => new DaySetupRow { Key = r.Key, Name = r.Name, Batches = "0" })],
    };

    /// <summary>The form as it was when a day was planned.</summary>
    public static DaySetup Of(OvenDayRow row, IReadOnlyList<RecipeRow> recipes)
    {
        var setup = Empty(row.Date, recipes);
        setup.From = row.Document.Day.From;
        setup.Until = ClockOf(row.Document.Day.Until);
        if (row.Document.Day.Rests is [var rest, ..]) (setup.RestFrom, setup.RestUntil) = (ClockOf(rest.From), ClockOf(rest.Until));
        foreach (var bake in row.Document.Bakes)
        {
            if (setup.Rows.Find(r => r.Key == bake.Recipe?.Key) is not { } own) continue;
            own.Batches = bake.Batches.ToString(CultureInfo.InvariantCulture);
            own.ReadyBy = bake.ReadyBy;
        }

        return setup;
    }

    /// <summary>Adds what a form does not carry: names, and rows of recipes that are new since it was shown.</summary>
    public void Complete(IReadOnlyList<RecipeRow> recipes)
    {
        Rows = [.. recipes.Select(r =>
        {
            var row = Rows.Find(x => x.Key == r.Key) ?? new DaySetupRow { Key = r.Key, Batches = "0" };
            row.Name = r.Name;
            return row;
        })];
    }

    /// <summary>Takes a way out that was offered: "until=18:35", "from=07:25" or "leave=key". Anything else changes nothing.</summary>
    public void Apply(string? way)
    {
        if (way?.Split('=', 2) is not [var what, var value]) return;
        if (what == "until" && ClockPattern.Parse(value).Success) Until = value;
        if (what == "from" && ClockPattern.Parse(value).Success) From = value;
        if (what == "leave" && Rows.Find(r => r.Key == value) is { } row) row.Batches = "0";
    }

    /// <summary>The day to plan; null when a field cannot be read, with the reason at the field.</summary>
    public OvenDayDocument? AsDocument(IReadOnlyList<RecipeRow> recipes, KitchenDocument kitchen, ModelStateDictionary state)
    {
        if (!LocalDatePattern.Iso.Parse(Date ?? "").Success) state.AddModelError(FieldOf("day.date"), "Choose a date.");
        if (!ClockPattern.Parse(From ?? "").Success) state.AddModelError(FieldOf("day.from"), "Give the hour as 08:00.");
        if (!ClockPattern.Parse(Until ?? "").Success) state.AddModelError(FieldOf("day.until"), "Give the hour as 18:00.");
        var rests = Rests(state);
        var bakes = new List<BakeDocument>();
        _chosen = [];
        for (var i = 0; i < Rows.Count; i++)
        {
            var row = Rows[i];
            var text = (row.Batches ?? "").Trim();
            if (text is "" or "0") continue;
            if (!int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var batches) || batches > 12)
            {
                state.AddModelError($"Setup.Rows[{i}].Batches", "Batches are a whole number from 0 to 12.");
                continue;
            }

            var ready = string.IsNullOrWhiteSpace(row.ReadyBy) ? null : row.ReadyBy.Trim();
            if (ready is not null && !ClockPattern.Parse(ready).Success)
            {
                state.AddModelError($"Setup.Rows[{i}].ReadyBy", "Give the hour as 17:00, or leave it empty.");
                continue;
            }

            _chosen.Add(i);
            bakes.Add(new BakeDocument(recipes[i].Document, Batches: batches, ReadyBy: ready));
        }

        if (bakes.Count == 0 && state.IsValid) state.AddModelError(FieldOf("bakes"), "Choose at least one recipe: put a 1 beside it.");
        return state.IsValid ? new OvenDayDocument(kitchen, rests is null ? new DayDocument(Date!, From!, Until!) : new DayDocument(Date!, From!, rests.Value.Until, [rests.Value.Away]), bakes) : null;
    }

    /// <summary>The rest with its dates, and the end of the day after it; null when there is none or it cannot be read.</summary>
    private (RestDocument Away, string Until)? Rests(ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(RestFrom) && string.IsNullOrWhiteSpace(RestUntil)) return null;
        if (!ClockPattern.Parse(RestFrom ?? "").Success) state.AddModelError("Setup.RestFrom", "From when is nobody there? Give the hour as 22:00, or leave both empty.");
        if (!ClockPattern.Parse(RestUntil ?? "").Success) state.AddModelError("Setup.RestUntil", "Until when is nobody there? Give the hour as 07:00.");
        if (!state.IsValid) return null;
        var date = LocalDatePattern.Iso.Parse(Date!).Value;
        var times = new[] { From!, RestFrom!, RestUntil!, Until! }.Select(t => ClockPattern.Parse(t).Value).ToArray();
        var moments = new LocalDateTime[4];
        for (var i = 0; i < 4; i++)
        {
            moments[i] = date.At(times[i]);
            // An hour no later than the one before it is one of the next date.
            if (i > 0 && moments[i] <= moments[i - 1]) moments[i] = (date = date.PlusDays(1)).At(times[i]);
        }

        string Text(LocalDateTime moment) => moment.ToString("uuuu-MM-dd'T'HH:mm", CultureInfo.InvariantCulture);
        return (new RestDocument(Text(moments[1]), Text(moments[2])), Text(moments[3]));
    }

    private static string ClockOf(string moment) => moment.Contains('T', StringComparison.Ordinal) ? moment[(moment.IndexOf('T', StringComparison.Ordinal) + 1)..] : moment;

    /// <summary>The form field that a fault's path is about; the list of recipes when there is none.</summary>
    public string FieldOf(string path)
    {
        if (path.StartsWith("day.", StringComparison.Ordinal))
            return path switch { "day.date" => "Setup.Date", "day.from" => "Setup.From", "day.until" => "Setup.Until", _ => "Setup.RestFrom" };
        for (var i = 0; i < _chosen.Count; i++)
        {
            if (!path.StartsWith($"bakes[{i}]", StringComparison.Ordinal)) continue;
            return path.EndsWith("readyBy", StringComparison.Ordinal) ? $"Setup.Rows[{_chosen[i]}].ReadyBy" : $"Setup.Rows[{_chosen[i]}].Batches";
        }

        return "Setup.Rows";
    }
}

/// <summary>A recipe in the set-up.</summary>
public sealed class DaySetupRow
{
    /// <summary>Key of the recipe.</summary>
    public string Key { get; set; } = "";

    /// <summary>Its name; not read from the form.</summary>
    public string Name { get; set; } = "";

    /// <summary>How many batches, as typed.</summary>
    public string? Batches { get; set; }

    /// <summary>When it must be ready, as typed; empty when any hour will do.</summary>
    public string? ReadyBy { get; set; }
}
