namespace Zymethos.Core.Kitchens;

/// <summary>The measures and the clock of one person in a kitchen; null where they are the kitchen's.</summary>
/// <param name="Habit">Measures.</param>
/// <param name="Clock">Clock.</param>
public readonly record struct OwnSays(MeasuringHabit? Habit, ClockFace? Clock)
{
    /// <summary>Whether nothing is of one's own.</summary>
    public bool IsNone => Habit is null && Clock is null;

    /// <summary>The kitchen as this person reads it. Nothing that is computed changes; only never write it back.</summary>
    public Kitchen Of(Kitchen kitchen) =>
        IsNone ? kitchen : kitchen with { Habit = Habit ?? kitchen.Habit, Clock = Clock ?? kitchen.Clock };

    /// <summary>For what is kept of a person's reading: "", "m24", "u12" or a part of it.</summary>
    public string Key =>
        (
            Habit switch
            {
                MeasuringHabit.Metric => "m",
                MeasuringHabit.UsCustomary => "u",
                _ => "",
            }
        )
        + Clock switch
        {
            ClockFace.Hours24 => "24",
            ClockFace.Hours12 => "12",
            _ => "",
        };
}
