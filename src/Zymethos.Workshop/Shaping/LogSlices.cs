namespace Zymethos.Workshop.Shaping;

/// <summary>
/// Slices of a log cut at an angle. Slices of one thickness stand closer on a straight cut than on a slanting one: along the log each takes
/// its thickness over the sine of the angle, and both ends lose a wedge.
/// </summary>
/// <param name="Count">Whole slices.</param>
/// <param name="Long">How long a slice is, in millimetres.</param>
/// <param name="EndLoss">Millimetres of the log that become ends, both together.</param>
public sealed record LogSlices(int Count, double Long, double EndLoss)
{
    /// <summary>The slices.</summary>
    /// <param name="length">Length of the log in millimetres.</param>
    /// <param name="width">Its width across.</param>
    /// <param name="thickness">Thickness of a slice, at a right angle to the cut.</param>
    /// <param name="degrees">Angle between the knife and the length of the log, 20 to 90; 90 is straight across.</param>
    public static LogSlices Of(double length, double width, double thickness, double degrees)
    {
        var angle = degrees * Math.PI / 180;
        var ends = width / Math.Tan(angle);
        ends = Math.Abs(ends) < 1e-9 ? 0 : ends;
        var along = thickness / Math.Sin(angle);
        return new LogSlices(
            Math.Max(0, (int)Math.Floor(((length - ends) / along) + 1e-9)),
            width / Math.Sin(angle),
            Math.Min(length, ends)
        );
    }
}
