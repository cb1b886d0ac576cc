using System.Globalization;
using System.Text.RegularExpressions;
using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Cutting;

/// <summary>An outline by numbers: its corners one after the other, across and down, in millimetres. A template for a gable is five of
/// them.</summary>
public static partial class NumberedOutline
{
    /// <summary>The most corners that are typed.</summary>
    public const int MostCorners = 200;

    /// <summary>The outline, or why there is none, in a sentence.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="text">As "0 0, 120 0, 120 90, 60 150, 0 90": two numbers a corner, parted by anything that is no number.</param>
    public static (Outline? Outline, string Wrong) Read(string name, string text)
    {
        var numbers = Number()
            .Matches(text ?? "")
            .Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture))
            .Take((2 * MostCorners) + 1)
            .ToList();
        if (numbers.Count % 2 != 0 && numbers.Count <= 2 * MostCorners)
            return (null, "Each corner has two numbers, across and down; one of them is missing.");
        if (numbers.Count is < 6 or > 2 * MostCorners)
            return (null, $"Type 3 to {MostCorners} corners, like: 0 0, 120 0, 120 90, 60 150, 0 90.");
        var corners = numbers.Chunk(2).Select(c => new Coordinate(c[0], c[1])).ToList();
        if (!corners[0].Equals2D(corners[^1]))
            corners.Add(corners[0].Copy());
        return corners.Count < 4
            ? (null, $"Type 3 to {MostCorners} corners, like: 0 0, 120 0, 120 90, 60 150, 0 90.")
            : Outline.Of(name, new Polygon(new LinearRing([.. corners])));
    }

    [GeneratedRegex(@"-?\d{1,5}(\.\d{1,4})?", RegexOptions.ExplicitCapture, 900)]
    private static partial Regex Number();
}
