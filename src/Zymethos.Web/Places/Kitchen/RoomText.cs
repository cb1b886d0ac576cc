using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The room's temperature by the hour as a line of text: "07:00 21, 22:00 17".</summary>
public static class RoomText
{
    /// <summary>Writes it.</summary>
    public static string Say(ImmutableArray<RoomHour> hours, KitchenSays says) =>
        string.Join(
            ", ",
            hours.Select(h => $"{says.Hour(h.From)} {says.DegreesNumber(h.Warm.Celsius).ToString("0.#", CultureInfo.InvariantCulture)}")
        );

    /// <summary>Reads it; null when a part cannot be read.</summary>
    public static ImmutableArray<RoomHour>? Read(string? text, KitchenSays says)
    {
        var hours = ImmutableArray.CreateBuilder<RoomHour>();
        foreach (var part in (text ?? "").Split([';', '\n', ','], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            // "7:00 am 70" and "07:00 21": the last word is how warm, all before it the hour.
            if (words.Length < 2 || ClockText.Read(string.Join(' ', words[..^1])) is not { } at)
                return null;
            if (
                !double.TryParse(words[^1].TrimEnd('°', 'C', 'F'), NumberStyles.Float, CultureInfo.InvariantCulture, out var degrees)
                || Math.Abs(degrees) > 200
            )
                return null;
            hours.Add(new RoomHour(at, Temperature.FromCelsius(says.ToCelsius(degrees))));
        }

        return hours.ToImmutable();
    }
}
