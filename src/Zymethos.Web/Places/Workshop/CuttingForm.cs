using System.Collections.Immutable;
using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>What is typed about a dough to be cut; it stands in the address, so that it can be sent.</summary>
public sealed class CuttingForm
{
    /// <summary>The most shapes of one sheet.</summary>
    public const int MostShapes = 6;

    // Six hundred pieces are laid in some seconds, twice as many in four times that.
    private const int MostPieces = 600;
    private const int MostBoards = 12;

    /// <summary>"gives" for what a dough gives, "needs" for the dough that pieces need.</summary>
    public string Ask { get; set; } = "gives";

    /// <summary>Grams of dough.</summary>
    public string Dough { get; set; } = "800";

    /// <summary>Thickness in millimetres.</summary>
    public string Thick { get; set; } = "4";

    /// <summary>Width of the board in centimetres.</summary>
    public string Wide { get; set; } = "40";

    /// <summary>Length of the board in centimetres.</summary>
    public string Long { get; set; } = "60";

    /// <summary>Room between two cuts in millimetres.</summary>
    public string Gap { get; set; } = "2";

    /// <summary>How often the dough is rolled.</summary>
    public string Rolls { get; set; } = "2";

    /// <summary>The shapes: names of our own outlines, or ids of the kitchen's cutters.</summary>
    public string[] Shape { get; set; } = ["star", "bell", "round"];

    /// <summary>The longer side of each in millimetres.</summary>
    public string[] Size { get; set; } = ["75", "70", "45"];

    /// <summary>How many of each; empty for as many as there is dough for.</summary>
    public string[] Wanted { get; set; } = ["18", "14", "20"];

    /// <summary>Width of a tray in centimetres.</summary>
    public string TrayWide { get; set; } = "24";

    /// <summary>Length of a tray in centimetres.</summary>
    public string TrayLong { get; set; } = "33";

    /// <summary>Room to spread in millimetres.</summary>
    public string Spread { get; set; } = "12";

    /// <summary>Trays in the oven at once.</summary>
    public string AtOnce { get; set; } = "2";

    /// <summary>Minutes that a piece of 6 cm bakes.</summary>
    public string Minutes { get; set; } = "10";

    /// <summary>Key of the recipe that the sheet is for; empty for none.</summary>
    public string Recipe { get; set; } = "";

    /// <summary>What is wrong, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = new(StringComparer.Ordinal);

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongOf(string field) => Wrong.GetValueOrDefault(field, "");

    /// <summary>Reads all of it; what is wrong stands in <see cref="Wrong"/> afterwards.</summary>
    /// <param name="find">The outline of a name at a size, or why there is none.</param>
    public CuttingWish? Read(Func<string, double, (Outline? Outline, string Wrong)> find)
    {
        var dough = new RolledDough(
            Ask == "needs" ? 1 : Number(nameof(Dough), Dough, 20, 20_000, "20 g to 20 kg of dough"),
            Number(nameof(Thick), Thick, 1, 40, "1 to 40 mm thick"),
            10 * Number(nameof(Wide), Wide, 5, 200, "A board is 5 to 200 cm wide"),
            10 * Number(nameof(Long), Long, 5, 200, "A board is 5 to 200 cm long")
        )
        {
            Gap = Number(nameof(Gap), Gap, 0, 30, "0 to 30 mm"),
            MostRolls = (int)Number(nameof(Rolls), Rolls, 1, 4, "Once to four times"),
        };
        var wishes = ImmutableArray.CreateBuilder<CutWish>();
        for (var i = 0; i < Math.Min(Shape.Length, MostShapes); i++)
        {
            if (string.IsNullOrWhiteSpace(Shape[i]))
                continue;
            var size = Number($"Size{i}", At(Size, i), Outline.Smallest, Outline.Largest, "5 mm to 1 m");
            var wanted = At(Wanted, i).Trim();
            int? count = wanted.Length == 0 ? null : (int)Number($"Wanted{i}", wanted, 1, 2000, "1 to 2,000 pieces");
            if (Ask == "needs" && count is null)
                Wrong[$"Wanted{i}"] = "Say how many, and you learn how much dough.";
            if (WrongOf($"Size{i}").Length > 0)
                continue;
            var (outline, wrong) = find(Shape[i], size);
            if (outline is null)
                Wrong[$"Shape{i}"] = wrong;
            else if (!Fits(outline, dough.BoardWidth, dough.BoardLength))
                Wrong[$"Size{i}"] = "This is larger than the board. Take a longer board or a smaller cutter.";
            else
                wishes.Add(new CutWish(outline, count));
        }

        if (wishes.Count == 0 && Wrong.Count == 0)
            Wrong["Shape0"] = "Choose at least one shape.";
        var tray = new TrayWish(
            10 * Number(nameof(TrayWide), TrayWide, 5, 100, "5 to 100 cm"),
            10 * Number(nameof(TrayLong), TrayLong, 5, 100, "5 to 100 cm"),
            Number(nameof(Spread), Spread, 0, 80, "0 to 80 mm"),
            (int)Number(nameof(AtOnce), AtOnce, 1, 8, "1 to 8 trays"),
            Number(nameof(Minutes), Minutes, 1, 120, "1 to 120 minutes")
        );
        if (Wrong.Count == 0)
            CheckMuch(dough, wishes);
        return Wrong.Count > 0 ? null : new CuttingWish(dough, wishes.ToImmutable(), tray, Ask == "needs");
    }

    /// <summary>What would take minutes to lay is refused, with what would do.</summary>
    private void CheckMuch(RolledDough dough, IReadOnlyList<CutWish> wishes)
    {
        var area = dough.Grams / dough.GramsOfSquareMillimetre;
        if (Ask != "needs" && area > MostBoards * dough.BoardWidth * dough.BoardLength)
            Wrong[nameof(Long)] = $"So much dough fills more than {MostBoards} boards of this size. Take a larger board or less dough.";
        var open = wishes.Where(w => w.Wanted is null).Sum(w => w.Outline.Area);
        var pieces = wishes.Sum(w => w.Wanted ?? 0) + (open > 0 ? wishes.Count(w => w.Wanted is null) * area / open : 0);
        var most = Ask == "needs" ? MostPieces / 2 : MostPieces;
        if (pieces > most)
            Wrong["Size0"] = $"A sheet lays up to {most} pieces, and these are about {pieces:0}. Take less dough or fewer pieces.";
    }

    private static bool Fits(Outline outline, double width, double length) =>
        Math.Min(outline.Width, outline.Height) <= Math.Min(width, length)
        && Math.Max(outline.Width, outline.Height) <= Math.Max(width, length);

    private static string At(string[] all, int i) => i < all.Length ? all[i] ?? "" : "";

    /// <summary>A number as it is typed, with a point, a comma or a fraction; null where it is none.</summary>
    public static double? NumberOf(string? text) => WrittenQuantity.Number(text ?? "");

    private double Number(string field, string text, double least, double most, string says)
    {
        if (NumberOf(text) is { } value && value >= least && value <= most)
            return value;
        Wrong[field] = $"{says}.";
        return least;
    }
}

/// <summary>What a cutting sheet is asked for.</summary>
/// <param name="Dough">The dough; its mass does not count where it is asked for.</param>
/// <param name="Shapes">The shapes.</param>
/// <param name="Tray">How it is baked.</param>
/// <param name="AsksForDough">Whether the dough is what is asked for.</param>
public sealed record CuttingWish(RolledDough Dough, ImmutableArray<CutWish> Shapes, TrayWish Tray, bool AsksForDough);

/// <summary>Trays and how long a piece bakes.</summary>
/// <param name="Width">Width in millimetres.</param>
/// <param name="Length">Length in millimetres.</param>
/// <param name="Spread">Room between two pieces in millimetres.</param>
/// <param name="AtOnce">Trays in the oven at once.</param>
/// <param name="Minutes">Minutes that a piece of 6 cm bakes.</param>
public sealed record TrayWish(double Width, double Length, double Spread, int AtOnce, double Minutes);
