using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Larder;

/// <summary>Baking paper for what lies on trays: one sheet a tray each time it goes into the oven. Pans are lined or greased as their
/// recipe says, which needs little of it.</summary>
/// <param name="Sheets">Trays that are lined.</param>
/// <param name="Metres">Paper of a roll for all of them, each as long as its tray.</param>
public sealed record BakingPaper(int Sheets, double Metres)
{
    /// <summary>Nothing.</summary>
    public static BakingPaper None { get; } = new(0, 0);

    /// <summary>Paper of both.</summary>
    public static BakingPaper operator +(BakingPaper left, BakingPaper right) =>
        new(left.Sheets + right.Sheets, left.Metres + right.Metres);

    /// <summary>What some batches of a recipe take.</summary>
    public static BakingPaper Of(Recipe recipe, double batches)
    {
        var all = None;
        foreach (var step in recipe.Steps.Where(s => s is { Kind: StepKind.Bake, Oven.Pan.Shape: PanShape.Tray }))
        {
            var trays = (int)Math.Ceiling(step.Oven!.Pans * Math.Max(1, step.Times) * batches);
            all += new BakingPaper(trays, trays * step.Oven.Pan.Length.Millimetres / 1000);
        }

        return all;
    }

    /// <summary>In a sentence; empty for nothing.</summary>
    public string Words =>
        Sheets == 0
            ? ""
            : FormattableString.Invariant(
                $"Baking paper for {Sheets} {(Sheets == 1 ? "tray" : "trays")}: {Math.Ceiling(Metres * 2) / 2:0.#} m "
            ) + $"of a roll, or {Sheets} {(Sheets == 1 ? "sheet" : "sheets")}. A sheet that is not burnt does for a second tray.";
}
