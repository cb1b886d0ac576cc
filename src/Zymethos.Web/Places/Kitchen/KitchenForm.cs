using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The kitchen as typed. Everything is text, so that a rejected form comes back the way it was sent.</summary>
public sealed class KitchenForm : OvenFields
{
    /// <summary>Name of the kitchen.</summary>
    public string? Name { get; set; }

    /// <summary>metric or usCustomary.</summary>
    public string? Habit { get; set; }

    /// <summary>hours24 or hours12.</summary>
    public string? Clock { get; set; }

    /// <summary>In which measures the other fields were shown: metric or usCustomary.</summary>
    public string? MeasuredIn { get; set; }

    /// <summary>How its fields say things.</summary>
    public KitchenSays Says =>
        new(
            MeasuredIn == "usCustomary" ? MeasuringHabit.UsCustomary : MeasuringHabit.Metric,
            Clock == "hours12" ? ClockFace.Hours12 : ClockFace.Hours24
        );

    /// <summary>Room temperature in degrees Celsius.</summary>
    public string? RoomC { get; set; }

    /// <summary>The second oven; left empty when there is none.</summary>
    public OvenFields Second { get; set; } = new();

    /// <summary>The room by the hour ("07:00 21, 22:00 17"); empty when it is the same all day.</summary>
    public string? RoomByHour { get; set; }

    /// <summary>Room on the racks in shelves of the oven; empty when it is not counted.</summary>
    public string? RackShelves { get; set; }

    /// <summary>Litres free in the refrigerator; empty when they are not counted.</summary>
    public string? FridgeLitres { get; set; }

    /// <summary>Litres free in the freezer; empty when they are not counted.</summary>
    public string? FreezerLitres { get; set; }

    /// <summary>Time zone.</summary>
    public string? Zone { get; set; }

    /// <summary>Number of mixers.</summary>
    public string? Mixers { get; set; }

    /// <summary>Minutes to wash the bowl.</summary>
    public string? MixerWashMinutes { get; set; }

    /// <summary>Litres of the mixer's bowl.</summary>
    public string? MixerLitres { get; set; }

    /// <summary>Mixers of other kinds, a line each.</summary>
    public string? OtherMixers { get; set; }

    /// <summary>On how many of a hundred days everything is to go well.</summary>
    public string? CertaintyPercent { get; set; }

    /// <summary>Minutes of work at a stretch.</summary>
    public string? StretchMinutes { get; set; }

    /// <summary>Minutes of a pause; 0 for none.</summary>
    public string? PauseMinutes { get; set; }

    /// <summary>Metres above the sea.</summary>
    public string? ElevationMetres { get; set; }

    /// <summary>table, spooned or dipped.</summary>
    public string? FlourHabit { get; set; }

    /// <summary>Pans, a line for each kind.</summary>
    public string? Pans { get; set; }

    /// <summary>Children who help, with commas.</summary>
    public string? Children { get; set; }

    /// <summary>Four rows; a row without a name is nobody.</summary>
    public List<PersonForm> People { get; set; } = [];

    /// <summary>Version of the row the form was made from.</summary>
    public uint Version { get; set; }

    /// <summary>The form for a kitchen.</summary>
    public static KitchenForm Of(Zymethos.Core.Kitchens.Kitchen kitchen, uint version)
    {
        var says = kitchen.Says;
        var people = kitchen
            .People.Select(p => new PersonForm
            {
                Name = p.Name,
                From = p.From?.ToString("HH:mm", null),
                Until = p.Until?.ToString("HH:mm", null),
            })
            .ToList();
        while (people.Count < 4)
            people.Add(new PersonForm());
        var form = new KitchenForm
        {
            Name = kitchen.Name,
            Clock = DocumentWords.Of(kitchen.Clock),
            MeasuredIn = DocumentWords.Of(kitchen.Habit),
            MixerLitres = Text(says.LitresNumber(kitchen.MixerLitres)),
            OtherMixers = string.Join('\n', kitchen.OtherMixers.Select(m => MixerText.Say(m, says))),
            CertaintyPercent = Text(Math.Round(kitchen.Certainty * 100)),
            StretchMinutes = Text(kitchen.StretchMinutes),
            PauseMinutes = Text(kitchen.PauseMinutes),
            ElevationMetres = Text(Height(kitchen.ElevationMetres, says)),
            FlourHabit = DocumentWords.Of(kitchen.FlourHabit),
            Pans = string.Join('\n', kitchen.Cupboard.Select(p => PanText.Say(p, says))),
            Habit = kitchen.Habit == MeasuringHabit.Metric ? "metric" : "usCustomary",
            RoomC = Text(says.DegreesNumber(kitchen.Room.Celsius)),
            RoomByHour = RoomText.Say(kitchen.RoomByHour, says),
            RackShelves = kitchen.RackShelves is { } rack ? Text(rack) : "",
            FridgeLitres = kitchen.FridgeLitres is { } fridge ? Text(says.LitresNumber(fridge)) : "",
            FreezerLitres = kitchen.FreezerLitres is { } freezer ? Text(says.LitresNumber(freezer)) : "",
            Zone = kitchen.Zone,
            Mixers = Text(kitchen.Mixers),
            MixerWashMinutes = Text(kitchen.MixerWash.TotalMinutes),
            People = people,
            Children = string.Join(", ", kitchen.Children),
            Version = version,
        };
        form.Fill(kitchen.Oven, kitchen.Room.Celsius, says);
        if (kitchen.SecondOven is { } second)
            form.Second.Fill(second, kitchen.Room.Celsius, says);
        return form;
    }

    /// <summary>The kitchen that was typed; null when a field cannot be, with the reason at the field.</summary>
    /// <param name="before">The kitchen as it is now: a cooling time that was not touched keeps its exact value.</param>
    /// <param name="state">Takes the messages.</param>
    public Zymethos.Core.Kitchens.Kitchen? ToKitchen(Zymethos.Core.Kitchens.Kitchen before, ModelStateDictionary state)
    {
        var says = Says;
        var shown = Of(before with { Habit = says.Habit }, 0);
        // What was not touched keeps its exact value, whatever its digits say in other measures.
        double? Same(string? typed, string? was, double? exact, string field, Func<double, double> toPlain) =>
            (typed ?? "").Trim() == (was ?? "") ? exact
            : Optional(typed, field, state) is { } own ? toPlain(own)
            : null;
        if (string.IsNullOrWhiteSpace(RoomC))
            Number(RoomC, nameof(RoomC), state);
        if (string.IsNullOrWhiteSpace(MixerLitres))
            Number(MixerLitres, nameof(MixerLitres), state);
        var room = Same(RoomC, shown.RoomC, before.Room.Celsius, nameof(RoomC), says.ToCelsius) ?? 0;
        var people = ReadPeople(state);
        var oven = ReadOven("", room, before.Oven, before.Room.Celsius, says, state);
        var second = Second.IsEmpty ? null : Second.ReadOven("Second.", room, before.SecondOven, before.Room.Celsius, says, state);
        var mixers = Whole(Mixers, nameof(Mixers), state);
        var wash = Whole(MixerWashMinutes, nameof(MixerWashMinutes), state);
        var litres = Same(MixerLitres, shown.MixerLitres, before.MixerLitres, nameof(MixerLitres), says.ToLitres) ?? 0;
        var elevation =
            Same(ElevationMetres, shown.ElevationMetres, before.ElevationMetres, nameof(ElevationMetres), own => Metres(own, says)) ?? 0;
        var (rack, fridge, freezer) = (
            Optional(RackShelves, nameof(RackShelves), state),
            Same(FridgeLitres, shown.FridgeLitres, before.FridgeLitres, nameof(FridgeLitres), says.ToLitres),
            Same(FreezerLitres, shown.FreezerLitres, before.FreezerLitres, nameof(FreezerLitres), says.ToLitres)
        );
        var byHour = (RoomByHour ?? "").Trim() == shown.RoomByHour ? before.RoomByHour : RoomText.Read(RoomByHour, says);
        var others = ReadMixers(state);
        if (byHour is null)
            state.AddModelError(
                "Form.RoomByHour",
                says.Habit == MeasuringHabit.UsCustomary
                    ? "Write hours and degrees like 7:00 am 70, 10:00 pm 62."
                    : "Write hours and degrees like 07:00 21, 22:00 17."
            );
        var pans = ReadPans(before, shown, says, state);
        if (!state.IsValid)
            return null;

        var kitchen = new Zymethos.Core.Kitchens.Kitchen(
            (Name ?? "").Trim(),
            oven,
            people,
            mixers,
            Duration.FromMinutes(wash),
            Temperature.FromCelsius(Math.Clamp(room, -200, 2000)),
            Habit == "usCustomary" ? MeasuringHabit.UsCustomary : MeasuringHabit.Metric
        )
        {
            Clock = Clock is null ? before.Clock : says.Clock,
            FlourHabit = Enum.TryParse<FlourHabit>(FlourHabit, ignoreCase: true, out var flour) ? flour : before.FlourHabit,
            MixerLitres = litres,
            OtherMixers = others,
            ElevationMetres = elevation,
            Certainty = CertaintyPercent is null ? before.Certainty : Whole(CertaintyPercent, nameof(CertaintyPercent), state) / 100.0,
            StretchMinutes = StretchMinutes is null ? before.StretchMinutes : Whole(StretchMinutes, nameof(StretchMinutes), state),
            PauseMinutes = PauseMinutes is null ? before.PauseMinutes : Whole(PauseMinutes, nameof(PauseMinutes), state),
            Children = Children is null ? before.Children : Names(Children),
            Pans = pans,
            SecondOven = second,
            RackShelves = rack,
            FridgeLitres = fridge,
            FreezerLitres = freezer,
            RoomByHour = byHour!.Value,
            Zone = string.IsNullOrWhiteSpace(Zone) ? before.Zone : Zone.Trim(),
            Learned = before.Learned,
        };
        foreach (var fault in KitchenCheck.Find(kitchen))
            state.AddModelError(FieldOf(fault.Path), fault.Message);
        return state.IsValid ? kitchen : null;
    }

    private static double Height(double metres, KitchenSays says) =>
        says.Habit == MeasuringHabit.UsCustomary ? metres / MetresPerFoot : metres;

    private static double Metres(double own, KitchenSays says) => says.Habit == MeasuringHabit.UsCustomary ? own * MetresPerFoot : own;

    /// <summary>Metres in an international foot, exact by definition.</summary>
    private const double MetresPerFoot = 0.3048;

    private static double? Optional(string? text, string field, ModelStateDictionary state) =>
        string.IsNullOrWhiteSpace(text) ? null : Number(text, field, state);

    private static string FieldOf(string path) =>
        path switch
        {
            "name" => "Form.Name",
            "people" => "Form.People[0].Name",
            "children" => "Form.Children",
            "mixers" => "Form.Mixers",
            "mixerWashMinutes" => "Form.MixerWashMinutes",
            "roomC" => "Form.RoomC",
            "mixerLitres" => "Form.MixerLitres",
            _ when path.StartsWith("otherMixers", StringComparison.Ordinal) => "Form.OtherMixers",
            "elevationMetres" => "Form.ElevationMetres",
            "certaintyPercent" => "Form.CertaintyPercent",
            "stretchMinutes" => "Form.StretchMinutes",
            "pauseMinutes" => "Form.PauseMinutes",
            _ when path.StartsWith("pans[", StringComparison.Ordinal) => "Form.Pans",
            "zone" => "Form.Zone",
            _ when path.StartsWith("roomByHour", StringComparison.Ordinal) => "Form.RoomByHour",
            "rackShelves" or "fridgeLitres" or "freezerLitres" => $"Form.{char.ToUpperInvariant(path[0])}{path[1..]}",
            _ when path.StartsWith("oven.", StringComparison.Ordinal) => $"Form.{OvenField(path[5..])}",
            _ when path.StartsWith("secondOven.", StringComparison.Ordinal) => $"Form.Second.{OvenField(path[11..])}",
            _ when path.StartsWith("people[", StringComparison.Ordinal) =>
                $"Form.People{path[6..path.IndexOf('.', StringComparison.Ordinal)]}"
                    + $".{(path.EndsWith("name", StringComparison.Ordinal) ? "Name" : "Until")}",
            _ => "",
        };

    private static string OvenField(string name) =>
        name switch
        {
            "coolShutMinutes" => "FallShutMinutes",
            "coolAjarMinutes" => "FallAjarMinutes",
            _ => char.ToUpperInvariant(name[0]) + name[1..],
        };

    private ImmutableArray<Mixer> ReadMixers(ModelStateDictionary state)
    {
        var mixers = ImmutableArray.CreateBuilder<Mixer>();
        foreach (
            var line in (OtherMixers ?? "")
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Take(Zymethos.Core.Kitchens.Kitchen.MostOtherMixers + 1)
        )
        {
            if (MixerText.Read(line) is { } mixer)
                mixers.Add(mixer);
            else
                state.AddModelError("Form.OtherMixers", $"“{line}”: write it like: hand mixer, 3 L, no bread dough");
        }

        return mixers.ToImmutable();
    }

    /// <summary>The pans; an empty field, or one that says what an ordinary cupboard holds, keeps the ordinary cupboard.</summary>
    private ImmutableArray<PanStock> ReadPans(
        Zymethos.Core.Kitchens.Kitchen before,
        KitchenForm shown,
        KitchenSays says,
        ModelStateDictionary state
    )
    {
        static string[] Lines(string? text) =>
            (text ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (Lines(Pans).SequenceEqual(Lines(shown.Pans)))
            return before.Pans;
        var pans = ImmutableArray.CreateBuilder<PanStock>();
        foreach (var line in Lines(Pans).Take(60))
        {
            var same = before.Cupboard.FirstOrDefault(s => PanText.Say(s, says) == line);
            var (stock, wrong) = same is null ? PanText.Read(line, says) : (same, "");
            if (stock is null)
                state.AddModelError("Form.Pans", wrong);
            else
                pans.Add(stock);
        }

        return pans.SequenceEqual(PanCupboard.For(before.Habit)) ? [] : pans.ToImmutable();
    }

    private static ImmutableArray<string> Names(string typed) =>
        [.. typed.Split([',', ';', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Distinct()];

    private ImmutableArray<Person> ReadPeople(ModelStateDictionary state)
    {
        var people = ImmutableArray.CreateBuilder<Person>();
        for (var i = 0; i < People.Count && i < 4; i++)
        {
            var row = People[i];
            if (string.IsNullOrWhiteSpace(row.Name))
                continue;
            people.Add(
                new Person(
                    row.Name.Trim(),
                    Hour(row.From, $"Form.People[{i}].From", state),
                    Hour(row.Until, $"Form.People[{i}].Until", state)
                )
            );
        }

        if (people.Count == 0)
            state.AddModelError("Form.People[0].Name", "At least one person bakes.");
        return people.ToImmutable();
    }

    private static LocalTime? Hour(string? text, string field, ModelStateDictionary state)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (ClockText.Read(text) is { } hour)
            return hour;
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
    [Hour]
    public string? From { get; set; }

    /// <summary>Free until; empty for the whole day.</summary>
    [Hour]
    public string? Until { get; set; }
}
