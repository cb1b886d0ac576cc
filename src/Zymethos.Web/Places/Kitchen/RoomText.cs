using System.Collections.Immutable;
using System.Globalization;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The room's temperature by the hour as a line of text: "07:00 21, 22:00 17".</summary>
public static class RoomText
{
    private static readonly LocalTimePattern Clock = LocalTimePattern.CreateWithInvariantCulture("H:mm");

    /// <summary>Writes it.</summary>
    public static string Say(ImmutableArray<RoomHour> hours) =>
        string.Join(
            ", ",
            hours.Select(h => $"{h.From.ToString("HH:mm", null)} {h.Warm.Celsius.ToString("0.#", CultureInfo.InvariantCulture)}")
        );

    /// <summary>Reads it; null when a part cannot be read.</summary>
    public static ImmutableArray<RoomHour>? Read(string? text)
    {
        var hours = ImmutableArray.CreateBuilder<RoomHour>();
        foreach (var part in (text ?? "").Split([';', '\n', ','], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
            if (words.Length < 2 || Clock.Parse(words[0]) is not { Success: true } at)
                return null;
            if (
                !double.TryParse(words[1].TrimEnd('°', 'C'), NumberStyles.Float, CultureInfo.InvariantCulture, out var celsius)
                || Math.Abs(celsius) > 1000
            )
                return null;
            hours.Add(new RoomHour(at.Value, Temperature.FromCelsius(celsius)));
        }

        return hours.ToImmutable();
    }
}
