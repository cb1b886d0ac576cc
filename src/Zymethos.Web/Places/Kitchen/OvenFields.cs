using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>An oven as typed: by what a baker can measure. Everything is text, so that a rejected form comes back the way it was
/// sent.</summary>
public class OvenFields
{
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

    /// <summary>Minutes by which a full oven of cold dough keeps back what bakes; empty when it is not counted.</summary>
    public string? ColdLoadMinutes { get; set; }

    /// <summary>Shelves used together.</summary>
    public string? Shelves { get; set; }

    /// <summary>Width of a shelf in centimetres.</summary>
    public string? ShelfWidthCm { get; set; }

    /// <summary>Depth of a shelf in centimetres.</summary>
    public string? ShelfDepthCm { get; set; }

    /// <summary>Whether nothing was typed at all.</summary>
    public bool IsEmpty =>
        new[]
        {
            HeatUpMinutes,
            FallShutMinutes,
            FallAjarMinutes,
            HottestC,
            DoorDropC,
            ColdLoadMinutes,
            Shelves,
            ShelfWidthCm,
            ShelfDepthCm,
        }.All(string.IsNullOrWhiteSpace);

    /// <summary>Fills the fields from an oven.</summary>
    /// <param name="oven">The oven.</param>
    /// <param name="room">The room it stands in, in degrees Celsius.</param>
    /// <param name="says">In whose measures.</param>
    protected internal void Fill(Oven oven, double room, KitchenSays says)
    {
        var fall = FallFactor(room);
        HeatUpMinutes = Text(oven.HeatUp.TotalMinutes);
        FallShutMinutes = Text(Math.Round(oven.CoolShut.TotalMinutes * fall));
        FallAjarMinutes = Text(Math.Round(oven.CoolAjar.TotalMinutes * fall));
        HottestC = Text(says.DialNumber(oven.Hottest.Celsius));
        DoorDropC = Text(says.DifferenceNumber(oven.DoorDrop));
        ColdLoadMinutes = oven.ColdLoad == Duration.Zero ? null : Text(oven.ColdLoad.TotalMinutes);
        Shelves = Text(oven.Shelves);
        ShelfWidthCm = Text(says.LengthNumber(oven.ShelfWidth));
        ShelfDepthCm = Text(says.LengthNumber(oven.ShelfDepth));
    }

    /// <summary>The oven that was typed; what cannot be read is reported at its field.</summary>
    /// <param name="prefix">What stands before the names of its fields.</param>
    /// <param name="room">The room as typed, in degrees Celsius.</param>
    /// <param name="before">The oven as it was: a cooling time that was not touched keeps its exact value. Null when there was
    /// none.</param>
    /// <param name="roomBefore">The room as it was.</param>
    /// <param name="says">In whose measures it was typed.</param>
    /// <param name="state">Takes the messages.</param>
    protected internal Oven ReadOven(
        string prefix,
        double room,
        Oven? before,
        double roomBefore,
        KitchenSays says,
        ModelStateDictionary state
    )
    {
        var shown = new OvenFields();
        if (before is not null)
            shown.Fill(before, roomBefore, says);
        var fall = FallFactor(Math.Clamp(room, 5, 40));
        Duration Cooling(string? typed, string? was, string field, Duration? exact) =>
            exact is { } same && typed?.Trim() == was && Math.Abs(room - roomBefore) < 1e-9
                ? same
                : Duration.FromMinutes((long)Math.Round(Math.Clamp(Number(typed, prefix + field, state), 0, 10_000) / fall));
        // What was not touched keeps its exact value, whatever its digits say in other measures.
        double Same(string? typed, string? was, string field, double? exact, Func<double, double> toPlain, double least, double most) =>
            exact is { } same && typed?.Trim() == was ? same : Math.Clamp(toPlain(Number(typed, prefix + field, state)), least, most);
        Length Side(string? typed, string? was, string field, Length? exact) =>
            Length.FromMillimetres(
                Same(typed, was, field, exact?.Millimetres, own => says.ToLength(Math.Clamp(own, 0, 1000)).Millimetres, 0, 10_000)
            );
        return new Oven(
            Duration.FromMinutes(Whole(HeatUpMinutes, prefix + nameof(HeatUpMinutes), state)),
            Cooling(FallShutMinutes, shown.FallShutMinutes, nameof(FallShutMinutes), before?.CoolShut),
            Cooling(FallAjarMinutes, shown.FallAjarMinutes, nameof(FallAjarMinutes), before?.CoolAjar),
            Temperature.FromCelsius(Same(HottestC, shown.HottestC, nameof(HottestC), before?.Hottest.Celsius, says.ToCelsius, -200, 2000)),
            Same(DoorDropC, shown.DoorDropC, nameof(DoorDropC), before?.DoorDrop, says.ToCelsiusDifference, -200, 2000),
            Whole(Shelves, prefix + nameof(Shelves), state),
            Side(ShelfWidthCm, shown.ShelfWidthCm, nameof(ShelfWidthCm), before?.ShelfWidth),
            Side(ShelfDepthCm, shown.ShelfDepthCm, nameof(ShelfDepthCm), before?.ShelfDepth)
        )
        {
            Since = before?.Since,
            ColdLoad = string.IsNullOrWhiteSpace(ColdLoadMinutes)
                ? Duration.Zero
                : Duration.FromMinutes(Whole(ColdLoadMinutes, prefix + nameof(ColdLoadMinutes), state)),
        };
    }

    /// <summary>ln((180 - room) / (100 - room)): how many time constants the fall from 180 to 100 C takes (Newton's law of
    /// cooling).</summary>
    private static double FallFactor(double room) => Math.Log((180 - room) / (100 - room));

    /// <summary>A number as a field shows it.</summary>
    protected static string Text(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>A number that was typed; 0, and a message at the field, when it is none.</summary>
    protected static double Number(string? text, string field, ModelStateDictionary state)
    {
        // A decimal comma is as good as a point.
        if (
            double.TryParse(
                (text ?? "").Trim().Replace(',', '.').Replace('−', '-'),
                NumberStyles.Float,
                CultureInfo.InvariantCulture,
                out var value
            )
            && Math.Abs(value) < 1e6
        )
            return value;
        state.AddModelError($"Form.{field}", "This should be a number.");
        return 0;
    }

    /// <summary>A whole number that was typed; 0, and a message at the field, when it is none.</summary>
    protected static int Whole(string? text, string field, ModelStateDictionary state)
    {
        if (
            int.TryParse((text ?? "").Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value)
            && Math.Abs(value) < 1_000_000
        )
            return value;
        state.AddModelError($"Form.{field}", "This should be a whole number.");
        return 0;
    }
}
