using System.Collections.Immutable;
using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Interchange;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Pages.Kitchen;

/// <summary>The kitchen as typed. Everything is text, so that a rejected form comes back the way it was sent.</summary>
public sealed class KitchenForm
{
    private static readonly LocalTimePattern ClockPattern = LocalTimePattern.CreateWithInvariantCulture("HH:mm");

    /// <summary>Name of the kitchen.</summary>
    public string? Name { get; set; }

    /// <summary>metric or usCustomary.</summary>
    public string? Habit { get; set; }

    /// <summary>Room temperature in degrees Celsius.</summary>
    public string? RoomC { get; set; }

    /// <summary>Minutes from cold to 180 C.</summary>
    public string? HeatUpMinutes { get; set; }

    /// <summary>Minutes from 180 to 100 C with the door shut: what a baker can measure of the time constant.</summary>
    public string? FallShutMinutes { get; set; }

    /// <summary>Minutes from 180 to 100 C with the door ajar.</summary>
    public string? FallAjarMinutes { get; set; }

    /// <summary>Hottest mark in degrees Celsius.</summary>
    public string? HottestC { get; set; }

    /// <summary>Degrees lost when the door is opened.</summary>
    public string? DoorDropC { get; set; }

    /// <summary>Shelves used together.</summary>
    public string? Shelves { get; set; }

    /// <summary>Width of a shelf in centimetres.</summary>
    public string? ShelfWidthCm { get; set; }

    /// <summary>Depth of a shelf in centimetres.</summary>
    public string? ShelfDepthCm { get; set; }

    /// <summary>Number of mixers.</summary>
    public string? Mixers { get; set; }

    /// <summary>Minutes to wash the bowl.</summary>
    public string? MixerWashMinutes { get; set; }

    /// <summary>Litres of the mixer's bowl.</summary>
    public string? MixerLitres { get; set; }

    /// <summary>Metres above the sea.</summary>
    public string? ElevationMetres { get; set; }

    /// <summary>table, spooned or dipped.</summary>
    public string? FlourHabit { get; set; }

    /// <summary>Pans, a line for each kind.</summary>
    public string? Pans { get; set; }

    /// <summary>Four rows; a row without a name is nobody.</summary>
    public List<PersonForm> People { get; set; } = [];

    /// <summary>Version of the row the form was made from.</summary>
    public uint Version { get; set; }

    /// <summary>The form for a kitchen.</summary>
    public static KitchenForm Of(Core.Kitchens.Kitchen kitchen, uint version)
    {
        var fall = FallFactor(kitchen.Room.Celsius);
        var people = kitchen.People.Select(p => new PersonForm { Name = p.Name, From = p.From?.ToString("HH:mm", null), Until = p.Until?.ToString("HH:mm", null) }).ToList();
        while (people.Count < 4) people.Add(new PersonForm());
        return new KitchenForm
        {
            Name = kitchen.Name,
            MixerLitres = Text(kitchen.MixerLitres),
            ElevationMetres = Text(kitchen.ElevationMetres),
            FlourHabit = Words.Of(kitchen.FlourHabit),
            Pans = string.Join('\n', kitchen.Cupboard.Select(PanText.Say)),
            Habit = kitchen.Habit == MeasuringHabit.Metric ? "metric" : "usCustomary",
            RoomC = Text(kitchen.Room.Celsius),
            HeatUpMinutes = Text(kitchen.Oven.HeatUp.TotalMinutes),
            FallShutMinutes = Text(Math.Round(kitchen.Oven.CoolShut.TotalMinutes * fall)),
            FallAjarMinutes = Text(Math.Round(kitchen.Oven.CoolAjar.TotalMinutes * fall)),
            HottestC = Text(kitchen.Oven.Hottest.Celsius),
            DoorDropC = Text(kitchen.Oven.DoorDrop),
            Shelves = Text(kitchen.Oven.Shelves),
            ShelfWidthCm = Text(kitchen.Oven.ShelfWidth.Millimetres / 10),
            ShelfDepthCm = Text(kitchen.Oven.ShelfDepth.Millimetres / 10),
            Mixers = Text(kitchen.Mixers),
            MixerWashMinutes = Text(kitchen.MixerWash.TotalMinutes),
            People = people,
            Version = version,
        };
    }

    /// <summary>The kitchen that was typed; null when a field cannot be, with the reason at the field.</summary>
    /// <param name="before">The kitchen as it is now: a cooling time that was not touched keeps its exact value.</param>
    /// <param name="state">Takes the messages.</param>
    public Core.Kitchens.Kitchen? ToKitchen(Core.Kitchens.Kitchen before, ModelStateDictionary state)
    {
        var shown = Of(before, Version);
        var room = Number(RoomC, nameof(RoomC), state);
        var fall = FallFactor(Math.Clamp(room, 5, 40));
        var people = ReadPeople(state);
        var heatUp = Whole(HeatUpMinutes, nameof(HeatUpMinutes), state);
        var shut = Cooling(FallShutMinutes, shown.FallShutMinutes, nameof(FallShutMinutes), before.Oven.CoolShut, room, before, fall, state);
        var ajar = Cooling(FallAjarMinutes, shown.FallAjarMinutes, nameof(FallAjarMinutes), before.Oven.CoolAjar, room, before, fall, state);
        var hottest = Number(HottestC, nameof(HottestC), state);
        var drop = Number(DoorDropC, nameof(DoorDropC), state);
        var shelves = Whole(Shelves, nameof(Shelves), state);
        var width = Number(ShelfWidthCm, nameof(ShelfWidthCm), state);
        var depth = Number(ShelfDepthCm, nameof(ShelfDepthCm), state);
        var mixers = Whole(Mixers, nameof(Mixers), state);
        var wash = Whole(MixerWashMinutes, nameof(MixerWashMinutes), state);
        var litres = Number(MixerLitres, nameof(MixerLitres), state);
        var elevation = string.IsNullOrWhiteSpace(ElevationMetres) ? 0 : Number(ElevationMetres.Replace('−', '-'), nameof(ElevationMetres), state);
        var pans = ReadPans(state);
        if (!state.IsValid) return null;

        var kitchen = new Core.Kitchens.Kitchen(
            (Name ?? "").Trim(),
            new Oven(
                Duration.FromMinutes(heatUp),
                shut,
                ajar,
                Temperature.FromCelsius(Math.Clamp(hottest, -200, 2000)),
                drop,
                shelves,
                Length.FromMillimetres(Math.Clamp(width, 0, 1000) * 10),
                Length.FromMillimetres(Math.Clamp(depth, 0, 1000) * 10)),
            people,
            mixers,
            Duration.FromMinutes(wash),
            Temperature.FromCelsius(Math.Clamp(room, -200, 2000)),
            Habit == "usCustomary" ? MeasuringHabit.UsCustomary : MeasuringHabit.Metric)
        {
            FlourHabit = Enum.TryParse<FlourHabit>(FlourHabit, ignoreCase: true, out var flour) ? flour : before.FlourHabit,
            MixerLitres = litres,
            ElevationMetres = elevation,
            Pans = pans,
        };
        foreach (var fault in KitchenCheck.Find(kitchen)) state.AddModelError(FieldOf(fault.Path), fault.Message);
        return state.IsValid ? kitchen : null;
    }

    /// <summary>ln((180 - room) / (100 - room)): how many time constants the fall from 180 to 100 C takes (Newton's law of cooling).</summary>
    private static double FallFactor(double room) => Math.Log((180 - room) / (100 - room));

    private static string Text(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);

    private static string FieldOf(string path) => path switch
    {
        "name" => "Form.Name",
        "people" => "Form.People[0].Name",
        "mixers" => "Form.Mixers",
        "mixerWashMinutes" => "Form.MixerWashMinutes",
        "roomC" => "Form.RoomC",
        "mixerLitres" => "Form.MixerLitres",
        "elevationMetres" => "Form.ElevationMetres",
        _ when path.StartsWith("pans[", StringComparison.Ordinal) => "Form.Pans",
        "oven.coolShutMinutes" => "Form.FallShutMinutes",
        "oven.coolAjarMinutes" => "Form.FallAjarMinutes",
        _ when path.StartsWith("oven.", StringComparison.Ordinal) => $"Form.{char.ToUpperInvariant(path[5])}{path[6..]}",
        _ when path.StartsWith("people[", StringComparison.Ordinal) => $"Form.People{path[6..path.IndexOf('.', StringComparison.Ordinal)]}.{(path.EndsWith("name", StringComparison.Ordinal) ? "Name" : "Until")}",
        _ => "",
    };

    private static Duration Cooling(
        string? typed, string? shown, string field, Duration exact, double room, Core.Kitchens.Kitchen before, double fall, ModelStateDictionary state)
    {
        if (typed?.Trim() == shown && Math.Abs(room - before.Room.Celsius) < 1e-9) return exact;
        var minutes = Number(typed, field, state);
        return Duration.FromMinutes((long)Math.Round(Math.Clamp(minutes, 0, 10_000) / fall));
    }

    private static double Number(string? text, string field, ModelStateDictionary state)
    {
        // A decimal comma is as good as a point.
        if (double.TryParse((text ?? "").Trim().Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && Math.Abs(value) < 1e6) return value;
        state.AddModelError($"Form.{field}", "This should be a number.");
        return 0;
    }

    private static int Whole(string? text, string field, ModelStateDictionary state)
    {
        if (int.TryParse((text ?? "").Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value) && Math.Abs(value) < 1_000_000) return value;
        state.AddModelError($"Form.{field}", "This should be a whole number.");
        return 0;
    }

    /// <summary>The pans; an empty field, or one that says what an ordinary cupboard holds, keeps the ordinary cupboard.</summary>
    private ImmutableArray<PanStock> ReadPans(ModelStateDictionary state)
    {
        var pans = ImmutableArray.CreateBuilder<PanStock>();
        foreach (var line in (Pans ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(60))
        {
            var (stock, wrong) = PanText.Read(line);
            if (stock is null) state.AddModelError("Form.Pans", wrong);
            else pans.Add(stock);
        }

        return pans.SequenceEqual(PanCupboard.Ordinary) ? [] : pans.ToImmutable();
    }

    private ImmutableArray<Person> ReadPeople(ModelStateDictionary state)
    {
        var people = ImmutableArray.CreateBuilder<Person>();
        for (var i = 0; i < People.Count && i < 4; i++)
        {
            var row = People[i];
            if (string.IsNullOrWhiteSpace(row.Name)) continue;
            people.Add(new Person(row.Name.Trim(), Hour(row.From, $"Form.People[{i}].From", state), Hour(row.Until, $"Form.People[{i}].Until", state)));
        }

        if (people.Count == 0) state.AddModelError("Form.People[0].Name", "At least one person bakes.");
        return people.ToImmutable();
    }

    private static LocalTime? Hour(string? text, string field, ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(text)) return null;
        var parsed = ClockPattern.Parse(text.Trim());
        if (parsed.Success) return parsed.Value;
        state.AddModelError(field, "Give the hour as 10:00, or leave it empty.");
        return null;
    }
}

/// <summary>A person as typed.</summary>
public sealed class PersonForm
{
    /// <summary>Name; empty for nobody.</summary>
    public string? Name { get; set; }

    /// <summary>Free from; empty for the whole day.</summary>
    public string? From { get; set; }

    /// <summary>Free until; empty for the whole day.</summary>
    public string? Until { get; set; }
}
