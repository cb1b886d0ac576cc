using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>
/// One dial setting for bakes whose heats lie close together, so that 350 F and 180 C go in side by side. Every bake is within its
/// recipe's own <see cref="OvenUse.Tolerance"/> of the dial, or within <see cref="Usual"/> where the recipe says nothing.
/// </summary>
internal static class SharedDial
{
    /// <summary>How far a dial may stand from what a recipe asks for, in degrees Celsius: less than a thermostat swings by (common
    /// practice, no source).</summary>
    public const double Usual = 3;

    private const double Hair = 1e-6;

    /// <summary>The tasks with the dials that they share; what the dial does to a bake is said with it.</summary>
    /// <param name="kitchen">Whose dial it is: a mark that it has is chosen where one lies within.</param>
    /// <param name="tasks">The tasks of a day.</param>
    public static List<PlanTask> Of(Kitchen kitchen, IReadOnlyList<PlanTask> tasks)
    {
        var bakes = tasks.Where(t => t.Oven is { Setting.IsHot: true } && t.Step?.Oven is not null).ToList();
        var wanted = bakes.Select(t => Band(t.Step!.Oven!)).Distinct().OrderBy(b => b.To).ThenBy(b => b.From).ToList();
        var dials = new Dictionary<(double From, double To, double Asked), int>();
        for (var i = 0; i < wanted.Count; )
        {
            // As many as one dial can serve: all that reach down to where the first of them ends.
            var together = wanted.Skip(i).Where(b => !dials.ContainsKey(b) && b.From <= wanted[i].To + Hair).ToList();
            var dial =
                together.Select(b => b.Asked).Distinct().Count() == 1 ? (int)Math.Round(together[0].Asked) : Dial(kitchen.Says, together);
            foreach (var band in together)
                dials[band] = dial;
            while (i < wanted.Count && dials.ContainsKey(wanted[i]))
                i++;
        }

        return [.. tasks.Select(t => Set(kitchen.Says, t, bakes, dials))];
    }

    private static (double From, double To, double Asked) Band(OvenUse use)
    {
        var (asked, give) = (use.SetTemperature.Celsius, use.Tolerance ?? Usual);
        return (asked - give, asked + give, asked);
    }

    /// <summary>The whole degree that all can live with: a mark of the dial if there is one, else the one that is off by least.</summary>
    private static int Dial(KitchenSays says, List<(double From, double To, double Asked)> bands)
    {
        var (from, to) = (bands.Max(b => b.From), bands.Min(b => b.To));
        var (least, most) = ((int)Math.Ceiling(from - Hair), (int)Math.Floor(to + Hair));
        if (most < least)
            return (int)Math.Round((from + to) / 2);
        return Enumerable
            .Range(least, most - least + 1)
            .OrderBy(c => IsMark(says, c) ? 0 : 1)
            .ThenBy(c => bands.Max(b => Math.Abs(b.Asked - c)))
            .First();
    }

    private static bool IsMark(KitchenSays says, int celsius) =>
        says.Habit == MeasuringHabit.Metric ? celsius % 5 == 0 : says.DialNumber(celsius) % 25 == 0;

    private static PlanTask Set(
        KitchenSays says,
        PlanTask task,
        List<PlanTask> bakes,
        Dictionary<(double From, double To, double Asked), int> dials
    )
    {
        if (task.Oven is not { Setting.IsProof: false } need || task.Step?.Oven is not { } use)
            return task;
        // What stays in an oven that was turned off finds the heat that its bake left.
        var band = need.Setting.IsOff
            ? bakes
                .Where(b => b.Bake == task.Bake && b.Step!.Oven!.SetTemperature == use.SetTemperature)
                .Select(b => Band(b.Step!.Oven!))
                .FirstOrDefault()
            : Band(use);
        if (!dials.TryGetValue(band, out var dial) || dial == need.Setting.Celsius)
            return task;
        var moved = task with { Oven = need with { Setting = need.Setting with { Celsius = dial } } };
        if (need.Setting.IsOff || says.DialNumber(dial) == says.DialNumber(use.SetTemperature.Celsius))
            return moved;
        var said =
            $"The recipe says {says.Dial(use.SetTemperature.Celsius)}; at {says.Dial(dial)} it shares the oven with what wants nearly "
            + "the same heat.";
        return moved with { Said = task.Said.Length == 0 ? said : $"{task.Said} {said}" };
    }
}
