using MathNet.Numerics;
using MathNet.Numerics.RootFinding;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Heat;

/// <summary>
/// Transient conduction, one-term solution: theta = C1 exp(-zeta1^2 Fo) for a plane wall and for an infinite cylinder; bodies with several
/// paths are their product. Source: Incropera and DeWitt, "Fundamentals of Heat and Mass Transfer", ch. 5 and table 5.1. The one term holds
/// for Fo above 0.2, which the long bakes of pans are.
/// </summary>
internal static class Conduction
{
    /// <summary>
    /// Heat transfer coefficient over conductivity of batter, per metre: about 14 W/m2K against 0.35 W/mK. Chosen so that a loaf of 55 min
    /// gives about 30 min in a shallow round and about 28 min in a mini loaf (common practice, no source).
    /// </summary>
    public const double CoefficientOverConductivity = 40;

    /// <summary>Where a crumb is set in its middle (common practice, no source).</summary>
    public const double DoneCelsius = 96;

    private const double StartCelsius = 22;

    /// <summary>First eigenvalue and coefficient of a plane wall: zeta tan zeta = Bi.</summary>
    /// <param name="biot">Biot number on the half thickness; above 0.</param>
    public static (double Zeta, double C) PlaneWall(double biot)
    {
        var zeta = Brent.FindRoot(z => (z * Math.Sin(z)) - (biot * Math.Cos(z)), 1e-9, Math.PI / 2, 1e-12);
        return (zeta, 4 * Math.Sin(zeta) / ((2 * zeta) + Math.Sin(2 * zeta)));
    }

    /// <summary>First eigenvalue and coefficient of an infinite cylinder: zeta J1(zeta) / J0(zeta) = Bi.</summary>
    /// <param name="biot">Biot number on the radius; above 0.</param>
    public static (double Zeta, double C) Cylinder(double biot)
    {
        // The first zero of J0 bounds the root from above.
        var zeta = Brent.FindRoot(
            z => (z * SpecialFunctions.BesselJ(1, z)) - (biot * SpecialFunctions.BesselJ(0, z)),
            1e-9,
            2.404825557695773,
            1e-12
        );
        var (j0, j1) = (SpecialFunctions.BesselJ(0, zeta), SpecialFunctions.BesselJ(1, zeta));
        return (zeta, 2 / zeta * j1 / ((j0 * j0) + (j1 * j1)));
    }

    /// <summary>How many times as long a body bakes as another in the same oven. The diffusivity of the batter cancels out.</summary>
    public static double Ratio(BatterBody own, BatterBody other, Temperature oven)
    {
        var theta = Math.Clamp((oven.Celsius - DoneCelsius) / (oven.Celsius - StartCelsius), 0.05, 0.95);
        return Seconds(other, theta) / Seconds(own, theta);
    }

    /// <summary>Time until the middle is done, in units of a square metre over the diffusivity.</summary>
    private static double Seconds(BatterBody body, double theta)
    {
        var (product, rate) = (1.0, 0.0);
        foreach (var path in body.Paths)
        {
            var biot = CoefficientOverConductivity * path.HalfMetres;
            var (zeta, c) = path.IsCylinder ? Cylinder(biot) : PlaneWall(biot);
            product *= c;
            rate += zeta * zeta / (path.HalfMetres * path.HalfMetres);
        }

        return Math.Log(product / theta) / rate;
    }
}
