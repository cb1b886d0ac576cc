using Zymethos.Planning.Day;

namespace Zymethos.Planning.Rules;

/// <summary>Since when somebody works without a pause, and what they have eaten: enough to say when the next work may begin. Work is told
/// in order of time.</summary>
internal struct AtWork
{
    private int _since;
    private int _until;
    private int _eaten;

    /// <summary>The morning: rested.</summary>
    public static AtWork Rested => new() { _until = -Pauses.Unending, _since = -Pauses.Unending };

    /// <summary>The first minute not before one at which work may begin: after a pause where the stretch is long enough, and with a meal
    /// still possible.</summary>
    /// <param name="pauses">The rule.</param>
    /// <param name="from">The minute.</param>
    /// <param name="length">Minutes of the work.</param>
    public readonly int Next(Pauses pauses, int from, int length)
    {
        if (length <= Pauses.Touch)
            return from;
        if (from - _until < pauses.Length && from + length - _since > pauses.Stretch)
            from = _until + pauses.Length;
        for (var m = 0; m < pauses.Meals.Length; m++)
        {
            var meal = pauses.Meals[m];
            if ((_eaten & (1 << m)) != 0 || HasTime(meal, from) || from >= meal.Until)
                continue;
            var served = Math.Max(_until, meal.From) + meal.Length;
            // Late as it is, there is no meal to be had any more.
            if (served > meal.Until || Math.Max(from + length, meal.From) + meal.Length <= meal.Until)
                continue;
            from = Math.Max(from, served);
        }

        return from;
    }

    /// <summary>Work begins.</summary>
    public void Begin(Pauses pauses, int from, int length)
    {
        if (length <= Pauses.Touch)
            return;
        for (var m = 0; m < pauses.Meals.Length; m++)
        {
            if (HasTime(pauses.Meals[m], from))
                _eaten |= 1 << m;
        }

        if (from - _until >= pauses.Length)
            _since = from;
        _until = Math.Max(_until, from + length);
    }

    /// <summary>Work took until another minute than was thought.</summary>
    public void EndsAt(int minute) => _until = minute;

    private readonly bool HasTime(Meal meal, int from) => Math.Min(from, meal.Until) - Math.Max(_until, meal.From) >= meal.Length;
}
