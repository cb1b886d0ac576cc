using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>
/// When a rise in the room is ready, by how warm the room really is: the yeast's rate at what the room's thermometer says over its rate at
/// what the plan took it to be, minute by minute (<see cref="YeastRate"/>). The dough is taken to be as warm as the room, since nothing
/// better is known of it; what is looked at and said to need more goes by what was said.
/// </summary>
public static class RisePace
{
    /// <summary>How long a thermometer's word of the room holds, in minutes.</summary>
    public const int Holds = 180;

    // Beyond these the model is stretched too far (by judgement).
    private const double Slowest = 0.4;
    private const double Fastest = 2.5;

    /// <summary>When a rise is ready.</summary>
    /// <param name="network">The day.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    /// <param name="task">The step.</param>
    /// <param name="start">The minute at which it began.</param>
    /// <param name="now">The minute that it is; the room stays as it is from then on.</param>
    /// <returns>The minute; null for what does not rise in the room, and where no thermometer says anything of it.</returns>
    public static int? Due(TaskNetwork network, BenchState state, DayMinutes clock, PlanTask task, int start, int now)
    {
        if (!RisesInTheRoom(task) || state.Rooms.Count == 0)
            return null;
        var readings = state.Rooms.Select(r => (At: clock.Of(r.Said.At), r.Celsius)).ToList();
        if (!readings.Exists(r => r.At <= now && r.At > start - Holds))
            return null;
        var (done, next) = (0.0, 0);
        double? warm = null;
        var heard = int.MinValue;
        for (var minute = start; minute < start + (task.Likely * 3); minute++)
        {
            while (next < readings.Count && readings[next].At <= Math.Min(minute, now))
                (heard, warm, next) = (readings[next].At, readings[next].Celsius, next + 1);
            // What was said last holds on into what is to come.
            done += warm is { } celsius && Math.Min(minute, now) - heard <= Holds ? Pace(network, minute, celsius) : 1;
            if (done >= task.Likely - 1e-9)
                return minute + 1;
        }

        return start + (task.Likely * 3);
    }

    /// <summary>How fast dough rises in a room, as a multiple of how fast the plan took it to be at that minute.</summary>
    public static double Pace(TaskNetwork network, int minute, double celsius)
    {
        var planned = YeastRate.At(network.Kitchen.RoomAt(network.TimeOf(minute).TimeOfDay));
        return planned <= 0 ? 1 : Math.Clamp(YeastRate.At(Temperature.FromCelsius(celsius)) / planned, Slowest, Fastest);
    }

    private static bool RisesInTheRoom(PlanTask task) => task.Oven is null && task.Kind is StepKind.BulkRise or StepKind.Proof;
}
