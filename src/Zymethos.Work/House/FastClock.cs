using System.Diagnostics;
using NodaTime;

namespace Zymethos.Work.House;

/// <summary>
/// A clock that goes faster than the world from the moment it is made on, for trying out a day in a few minutes. What is told then lies in
/// the world's future: only for a state folder that is thrown away. Safe for any number of threads.
/// </summary>
/// <param name="speed">How much faster; above zero.</param>
public sealed class FastClock(double speed) : IClock
{
    /// <summary>Most times faster.</summary>
    public const double Fastest = 500;

    private readonly Instant _from = SystemClock.Instance.GetCurrentInstant();
    private readonly long _began = Stopwatch.GetTimestamp();

    /// <summary>How much faster than the world it goes.</summary>
    public double Speed => speed;

    /// <inheritdoc />
    public Instant GetCurrentInstant() => _from + Duration.FromSeconds(Stopwatch.GetElapsedTime(_began).TotalSeconds * speed);

    /// <summary>The clock that a setting asks for: nothing or 1 is the world's.</summary>
    /// <exception cref="InvalidOperationException">The setting is no number from 1 to <see cref="Fastest"/>.</exception>
    public static IClock For(string? setting)
    {
        if (setting is null or "" or "1")
            return SystemClock.Instance;
        return double.TryParse(setting, System.Globalization.CultureInfo.InvariantCulture, out var speed) && speed is >= 1 and <= Fastest
            ? new FastClock(speed)
            : throw new InvalidOperationException($"ZYMETHOS_SPEED must be a number from 1 to {Fastest:0}.");
    }
}
