using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Heat;

/// <summary>
/// The oven as one lumped body: C dT/dt = P - h (T - room). Heating runs at full power toward an asymptote far above the dial; cooling is
/// Newton's law with one time constant for the door shut and a shorter one for the door ajar. Everything is in closed form.
/// <list type="bullet">
/// <item>heating: T(t) = room + A - (room + A - T0) e^(-t/shut), where A = P/h is fixed by the measured minutes from 20 C to 180 C;</item>
/// <item>cooling: T(t) = room + (T0 - room) e^(-t/tau).</item>
/// </list>
/// Source: lumped-capacitance method, Incropera and DeWitt, "Fundamentals of Heat and Mass Transfer", ch. 5.
/// </summary>
public sealed class OvenThermal
{
    /// <summary>Below this, dough may stand in the oven. Common practice, no source (yeast suffers above about 45 C).</summary>
    public static readonly Temperature ColdEnoughForDough = Temperature.FromCelsius(38);

    private const double MeasuredFrom = 20;
    private const double MeasuredTo = 180;

    private readonly double _room;
    private readonly double _shut;
    private readonly double _ajar;
    private readonly double _ceiling;
    private readonly double _drop;

    /// <summary>Fits the model to an oven standing in a room.</summary>
    /// <param name="oven">The measured oven; assumed to pass <see cref="KitchenCheck"/>.</param>
    /// <param name="room">The air around it.</param>
    public OvenThermal(Oven oven, Temperature room)
    {
        _room = room.Celsius;
        _shut = oven.CoolShut.TotalMinutes;
        _ajar = oven.CoolAjar.TotalMinutes;
        _drop = oven.DoorDrop;
        var left = Math.Exp(-oven.HeatUp.TotalMinutes / _shut);
        _ceiling = (MeasuredTo - (MeasuredFrom * left)) / (1 - left);
    }

    /// <summary>The temperature that full power would reach in the end, in degrees Celsius; no thermostat lets it come to that.</summary>
    public double CeilingCelsius => _ceiling;

    /// <summary>Degrees Celsius after heating at full power for <paramref name="minutes"/>.</summary>
    public double Heated(double fromCelsius, double minutes) => _ceiling - ((_ceiling - fromCelsius) * Math.Exp(-minutes / _shut));

    /// <summary>Degrees Celsius after standing switched off for <paramref name="minutes"/>.</summary>
    public double Cooled(double fromCelsius, double minutes, bool ajar) =>
        _room + ((fromCelsius - _room) * Math.Exp(-minutes / (ajar ? _ajar : _shut)));

    /// <summary>Minutes to heat from one temperature to a higher one; 0 when it is already there. Infinite at or above the
    /// ceiling.</summary>
    public double MinutesToHeat(double fromCelsius, double toCelsius)
    {
        if (toCelsius <= fromCelsius)
            return 0;
        return toCelsius >= _ceiling ? double.PositiveInfinity : _shut * Math.Log((_ceiling - fromCelsius) / (_ceiling - toCelsius));
    }

    /// <summary>Minutes to cool to a lower temperature; 0 when it is already there. Infinite at or below the room's.</summary>
    public double MinutesToCool(double fromCelsius, double toCelsius, bool ajar)
    {
        if (toCelsius >= fromCelsius)
            return 0;
        return toCelsius <= _room
            ? double.PositiveInfinity
            : (ajar ? _ajar : _shut) * Math.Log((fromCelsius - _room) / (toCelsius - _room));
    }

    /// <summary>
    /// Whole minutes, rounded up, from one oven state to another, the quickest way: full power upward, door ajar downward.
    /// Down to an oven-proof spell counts to <see cref="ColdEnoughForDough"/>.
    /// </summary>
    public int Transition(OvenSetting from, OvenSetting to)
    {
        // What is turned off is off at once. Afterwards nobody knows how warm it still is: as hot as it was for dough, as cold as the room
        // for what bakes next.
        if (from == to || to.IsOff)
            return 0;
        var start = (double)from.Celsius;
        var minutes = to.IsProof
            ? MinutesToCool(start, Math.Max(ColdEnoughForDough.Celsius, to.Celsius), ajar: true)
            : MinutesToHeat(from.IsOff ? _room : start, to.Celsius) + MinutesToCool(start, to.Celsius, ajar: true);
        return double.IsPositiveInfinity(minutes) ? int.MaxValue / 4 : (int)Math.Ceiling(minutes - 1e-9);
    }

    /// <summary>
    /// Whole minutes, rounded to the nearest, until the oven is back at its setting after the door was opened: by so much an opening
    /// lengthens what bakes. 0 for a spell.
    /// </summary>
    public int DoorRecovery(OvenSetting at) =>
        !at.IsHot
            ? 0
            : (int)Math.Round(Math.Min(MinutesToHeat(Math.Max(_room, at.Celsius - _drop), at.Celsius), 60), MidpointRounding.AwayFromZero);

    /// <summary>Whole minutes, rounded up, from a cold oven (at room temperature) to a state; 0 for an oven-proof spell.</summary>
    public int FromCold(OvenSetting to) =>
        !to.IsHot ? 0 : (int)Math.Ceiling(Math.Min(MinutesToHeat(_room, to.Celsius), int.MaxValue / 4) - 1e-9);
}

/// <summary>A state the oven can be asked to hold.</summary>
/// <param name="Celsius">Set temperature in whole degrees Celsius; for a spell the temperature wanted around the dough.</param>
/// <param name="IsProof">Whether it stands cold as a cupboard for dough.</param>
public readonly record struct OvenSetting(int Celsius, bool IsProof)
{
    /// <summary>Whether it is turned off at this heat, with what baked before still in it: nothing else goes in until that is
    /// out.</summary>
    public bool IsOff { get; init; }

    /// <summary>Whether the thermostat holds a heat: neither a cupboard for dough nor turned off.</summary>
    public bool IsHot => !IsProof && !IsOff;
}
