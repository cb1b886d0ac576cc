namespace Zymethos.Devices;

/// <summary>Where in an oven something is measured.</summary>
public enum OvenPlace
{
    /// <summary>In the middle.</summary>
    Middle,

    /// <summary>At the back, on the left, where it is hotter.</summary>
    BackLeft,

    /// <summary>At the door, on the right, where it is cooler.</summary>
    FrontRight,
}

/// <summary>
/// An oven: full power takes its air toward a ceiling, without power it falls toward the room, both by Newton's law with one time constant;
/// a thermostat with a band switches between them, and is wrong by a bias. An opened door takes the air down at once, and it comes back
/// when the door is shut. Not safe for several threads.
/// </summary>
/// <param name="room">Degrees Celsius around it, with which it begins.</param>
/// <param name="minutesShut">Minutes of its time constant with the door shut; above zero.</param>
/// <param name="ceiling">Degrees Celsius that full power would reach in the end.</param>
/// <param name="bias">How much hotter it is than its dial says, in degrees Celsius; below zero for cooler.</param>
public sealed class SimulatedOven(double room, double minutesShut, double ceiling, double bias)
{
    // How far to either side of its setting the thermostat lets it go, and what an open door costs (by judgement).
    private const double Band = 3;
    private const double DoorDrop = 45;
    private const double DoorSeconds = 8;
    private const double BackSeconds = 75;

    private double _air = room;
    private double _drop;
    private double _open;
    private bool _isOn;

    /// <summary>What it is set to, in degrees Celsius; 0 for off.</summary>
    public double Dial { get; private set; }

    /// <summary>Degrees Celsius around it.</summary>
    public double Room { get; set; } = room;

    /// <summary>Whether the elements are on.</summary>
    public bool IsHeating => _isOn;

    /// <summary>Sets the dial.</summary>
    public void Set(double celsius) => Dial = Math.Clamp(celsius, 0, 300);

    /// <summary>Opens the door for a while.</summary>
    public void Open(double seconds) => _open = Math.Max(_open, seconds);

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much; above zero.</param>
    public void Step(double seconds)
    {
        // The thermostat looks every two seconds; between two looks the law is followed exactly.
        for (var left = seconds; left > 1e-9; left -= 2)
        {
            var now = Math.Min(2, left);
            var wanted = Dial + bias;
            _isOn = Dial > 0 && (_isOn ? _air < wanted + Band : _air < wanted - Band);
            var toward = _isOn ? ceiling : Room;
            _air = toward + ((_air - toward) * Math.Exp(-now / (60 * minutesShut)));
            if (_open > 0)
            {
                var full = DoorDrop * Math.Clamp((_air - Room) / 180, 0, 1);
                _drop = full + ((_drop - full) * Math.Exp(-now / DoorSeconds));
                _open -= now;
            }
            else
            {
                _drop *= Math.Exp(-now / BackSeconds);
            }
        }
    }

    /// <summary>How hot it is.</summary>
    /// <param name="place">Where.</param>
    /// <returns>Degrees Celsius.</returns>
    public double Celsius(OvenPlace place = OvenPlace.Middle)
    {
        var share = Math.Clamp((_air - Room) / 160, 0, 2);
        return _air
            - _drop
            + place switch
            {
                OvenPlace.BackLeft => 9 * share,
                OvenPlace.FrontRight => -7 * share,
                _ => 0,
            };
    }
}
