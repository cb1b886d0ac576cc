namespace Zymethos.Workshop.Houses;

/// <summary>A house of dough by its measures, in millimetres and degrees.</summary>
/// <param name="Width">Width of the gable wall, outside.</param>
/// <param name="Depth">From the front of one gable to the back of the other.</param>
/// <param name="WallHeight">Height of the side walls where the roof touches them, outside.</param>
/// <param name="Pitch">Slope of the roof against the ground in degrees.</param>
/// <param name="Overhang">How far the roof stands out at the eaves, measured level, and at the gables.</param>
/// <param name="Thickness">Thickness of the baked pieces.</param>
public sealed record HouseWish(double Width, double Depth, double WallHeight, double Pitch, double Overhang, double Thickness)
{
    /// <summary>Whether edges are cut slanting while warm, so that roof and walls meet over the whole edge; else they are cut straight and
    /// icing fills the wedge.</summary>
    public bool IsBevelled { get; init; }

    /// <summary>Width of the door in the front gable; 0 for none.</summary>
    public double DoorWidth { get; init; }

    /// <summary>Height of the door.</summary>
    public double DoorHeight { get; init; }

    /// <summary>Windows in each side wall, 0 to 6.</summary>
    public int Windows { get; init; }

    /// <summary>Width and height of a window.</summary>
    public double WindowSize { get; init; }

    /// <summary>Side of the chimney, seen from above; 0 for none.</summary>
    public double Chimney { get; init; }

    /// <summary>Room around the house on its base; below 0 for no base.</summary>
    public double BaseMargin { get; init; } = -1;

    /// <summary>How high the gable is in all.</summary>
    public double Height => WallHeight + (Width / 2 * Slope);

    /// <summary>Rise of the roof for each millimetre inward.</summary>
    internal double Slope => Math.Tan(Pitch * Math.PI / 180);

    /// <summary>What cannot be, each with the measure that it is about; empty when the house can be built.</summary>
    public IReadOnlyList<(string Of, string Wrong)> Faults()
    {
        var faults = new List<(string, string)>();
        void Check(bool holds, string of, string wrong)
        {
            if (!holds)
                faults.Add((of, wrong));
        }

        Check(Width is >= 30 and <= 600, nameof(Width), "A gable is 3 to 60 cm wide.");
        Check(Depth is >= 30 and <= 600, nameof(Depth), "A house is 3 to 60 cm deep.");
        Check(WallHeight is >= 10 and <= 500, nameof(WallHeight), "A side wall is 1 to 50 cm high.");
        Check(Pitch is >= 10 and <= 75, nameof(Pitch), "A roof slopes 10 to 75 degrees.");
        Check(Overhang is >= 0 and <= 100, nameof(Overhang), "A roof stands out 0 to 10 cm.");
        Check(Thickness is >= 2 and <= 20, nameof(Thickness), "Baked pieces are 2 to 20 mm thick.");
        if (faults.Count > 0)
            return faults;
        Check(
            Width / 2 * Slope > 2 * Thickness,
            nameof(Pitch),
            $"This roof rises {Width / 2 * Slope:0} mm and its dough is {Thickness:0.#} mm thick: it would lie flat. Make it steeper."
        );
        Check(Math.Min(Width, Depth) > 6 * Thickness, nameof(Thickness), "Two walls of this dough leave no room inside. Roll it thinner.");
        Check(Overhang * Slope < WallHeight, nameof(Overhang), "The eaves would reach the ground. Let the roof stand out less.");
        if (DoorWidth > 0)
        {
            Check(DoorWidth <= Width - (4 * Thickness), nameof(DoorWidth), "The door leaves no wall beside it. Make it narrower.");
            Check(
                DoorHeight is >= 5 && DoorHeight <= WallHeight * 0.95,
                nameof(DoorHeight),
                "The door is as high as the wall. Make it lower."
            );
        }

        if (Windows > 0)
        {
            Check(Windows <= 6, nameof(Windows), "Up to six windows in a wall.");
            Check(
                WindowSize >= 5 && Windows * (WindowSize + (2 * Thickness)) <= Depth - (2 * Thickness),
                nameof(WindowSize),
                "So many windows of this size leave no wall between them."
            );
            Check(WindowSize <= WallHeight * 0.7, nameof(WindowSize), "The windows are nearly as high as the wall. Make them smaller.");
        }

        if (Chimney > 0)
            Check(
                Chimney >= 4 * Thickness && Chimney <= Math.Min(Depth, Width / 2) * 0.6,
                nameof(Chimney),
                "A chimney is at least four times as wide as its dough is thick, and fits on one side of the roof."
            );
        return faults;
    }
}
