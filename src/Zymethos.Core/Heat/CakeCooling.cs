using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Heat;

/// <summary>
/// How a cake, loaf or tray cools after the oven: Newton's law of cooling toward the room. The recipe's own time until it is cold, in the
/// room it was written for, fixes the time constant; another room gives another time.
/// </summary>
/// <param name="TimeConstant">After so long the difference to the room is down to 37 %; above zero.</param>
/// <param name="Room">The air around it.</param>
public sealed record CakeCooling(Duration TimeConstant, Temperature Room)
{
    /// <summary>The middle of a cake or loaf that is done (common practice: 93 to 98 C, no source).</summary>
    public static readonly Temperature OutOfOven = Temperature.FromCelsius(95);

    /// <summary>Below this icing and buttercream hold (common practice, no source).</summary>
    public static readonly Temperature ColdEnoughToIce = Temperature.FromCelsius(27);

    /// <summary>Below this it comes out of its pan without breaking (common practice, no source).</summary>
    public static readonly Temperature FirmEnoughToTurnOut = Temperature.FromCelsius(70);

    /// <summary>From here down a syrup or glaze is no longer drunk in (common practice, no source).</summary>
    public static readonly Temperature TooColdToSoakUp = Temperature.FromCelsius(60);

    /// <summary>The room for which recipes give their cooling times (common practice, no source).</summary>
    public static readonly Temperature RecipeRoom = Temperature.FromCelsius(21);

    /// <summary>The course that a recipe's own time fixes, in another room.</summary>
    /// <param name="untilCold">The recipe's time from the oven until cold enough to ice, in a room of <see cref="RecipeRoom"/>; above
    /// zero.</param>
    /// <param name="room">The room it really cools in.</param>
    public static CakeCooling Of(Duration untilCold, Temperature room) =>
        new(untilCold / Math.Log((OutOfOven.Celsius - RecipeRoom.Celsius) / (ColdEnoughToIce.Celsius - RecipeRoom.Celsius)), room);

    /// <summary>The temperature of its middle so long after the oven.</summary>
    public Temperature At(Duration after) =>
        Temperature.FromCelsius(Room.Celsius + ((OutOfOven.Celsius - Room.Celsius) * Math.Exp(-(after / TimeConstant))));

    /// <summary>How long after the oven it has come down to a temperature; zero when it is there already, null when the room is too warm
    /// for it.</summary>
    public Duration? Until(Temperature wanted)
    {
        if (wanted >= OutOfOven)
            return Duration.Zero;
        if (wanted.Celsius <= Room.Celsius + 0.25)
            return null;
        return TimeConstant * Math.Log((OutOfOven.Celsius - Room.Celsius) / (wanted.Celsius - Room.Celsius));
    }
}
