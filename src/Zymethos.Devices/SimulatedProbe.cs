namespace Zymethos.Devices;

/// <summary>
/// A probe and what it is in: the kitchen's air; a bowl that is stirred over steam, all of one warmth; or the middle of a long loaf, into
/// which heat goes by conduction (a cylinder in rings, each step solved implicitly, the surface meeting the oven's air by a heat transfer
/// coefficient; water leaving the crumb holds it just below boiling). Not safe for several threads.
/// </summary>
/// <param name="room">Degrees Celsius of the kitchen, with which it begins.</param>
public sealed class SimulatedProbe(double room)
{
    // The metal of the probe itself, in seconds.
    private const double Metal = 4;
    private const double Steam = 96;
    private const double SteamMinutes = 4;
    private const double Boils = 98.5;

    private double _says = room;
    private double _bowl = room;
    private CylinderRings? _loaf;
    private Func<double>? _oven;
    private bool _isOverSteam;

    /// <summary>What it says, in degrees Celsius.</summary>
    public double Celsius => _says;

    /// <summary>Takes it out.</summary>
    public void TakeOut() => (_loaf, _oven, _isOverSteam) = (null, null, false);

    /// <summary>Puts it into a bowl over steam.</summary>
    /// <param name="from">How warm the bowl is, in degrees Celsius.</param>
    public void IntoBowl(double from)
    {
        TakeOut();
        (_bowl, _isOverSteam) = (from, true);
    }

    /// <summary>Puts it into the middle of a loaf in an oven.</summary>
    /// <param name="from">How warm the dough is, in degrees Celsius.</param>
    /// <param name="radius">Half its thickness, in metres.</param>
    /// <param name="oven">How hot the oven is, in degrees Celsius.</param>
    public void IntoLoaf(double from, double radius, Func<double> oven)
    {
        TakeOut();
        (_loaf, _oven) = (new CylinderRings(radius, CylinderRings.Diffusivity, CylinderRings.CoefficientOverConductivity, from), oven);
    }

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much; above zero.</param>
    /// <param name="around">Degrees Celsius of the kitchen.</param>
    public void Step(double seconds, double around)
    {
        var there = around;
        if (_isOverSteam)
        {
            _bowl = Steam + ((_bowl - Steam) * Math.Exp(-seconds / (60 * SteamMinutes)));
            there = _bowl;
        }
        else if (_loaf is { } loaf)
        {
            loaf.Step(seconds, _oven!());
            there = Math.Min(Boils, loaf.Middle);
        }

        _says = there + ((_says - there) * Math.Exp(-seconds / Metal));
    }
}
