using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Houses;

namespace Zymethos.Web.Places.Workshop;

/// <summary>What is typed about a house of dough, in centimetres where nothing else is said; it stands in the address.</summary>
public sealed class HouseForm
{
    /// <summary>Width of the gable.</summary>
    public string Wide { get; set; } = "14";

    /// <summary>Depth from gable to gable.</summary>
    public string Deep { get; set; } = "18";

    /// <summary>Height of the side walls.</summary>
    public string High { get; set; } = "9";

    /// <summary>Slope of the roof in degrees.</summary>
    public string Pitch { get; set; } = "45";

    /// <summary>How far the roof stands out.</summary>
    public string Over { get; set; } = "1.5";

    /// <summary>Thickness of the pieces in millimetres.</summary>
    public string Thick { get; set; } = "6";

    /// <summary>Whether edges are cut slanting.</summary>
    public bool Bevel { get; set; }

    /// <summary>Width of the door; 0 for none.</summary>
    public string Door { get; set; } = "4";

    /// <summary>Height of the door.</summary>
    public string DoorHigh { get; set; } = "6";

    /// <summary>Windows in each side wall.</summary>
    public string Windows { get; set; } = "2";

    /// <summary>Side of a window.</summary>
    public string Window { get; set; } = "2.5";

    /// <summary>Side of the chimney; 0 for none.</summary>
    public string Chimney { get; set; } = "3";

    /// <summary>Room around the house on its base; empty for no base.</summary>
    public string Base { get; set; } = "";

    /// <summary>How many houses.</summary>
    public string Houses { get; set; } = "1";

    /// <summary>Width of a tray.</summary>
    public string TrayWide { get; set; } = "24";

    /// <summary>Length of a tray.</summary>
    public string TrayLong { get; set; } = "33";

    /// <summary>Minutes that a piece of 10 cm bakes.</summary>
    public string Minutes { get; set; } = "14";

    /// <summary>The most kinds of other pieces.</summary>
    public const int MostExtras = 4;

    /// <summary>Other pieces that belong to it (trees, a fence, a template of one's own): names of our own outlines, or ids of the
    /// kitchen's cutters.</summary>
    public string[] Extra { get; set; } = [];

    /// <summary>The longer side of each in millimetres.</summary>
    public string[] ExtraSize { get; set; } = [];

    /// <summary>How many of each for one house.</summary>
    public string[] ExtraCount { get; set; } = [];

    /// <summary>What is wrong, by field.</summary>
    public Dictionary<string, string> Wrong { get; } = new(StringComparer.Ordinal);

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongOf(string field) => Wrong.GetValueOrDefault(field, "");

    private static readonly Dictionary<string, string> Fields = new(StringComparer.Ordinal)
    {
        [nameof(HouseWish.Width)] = nameof(Wide),
        [nameof(HouseWish.Depth)] = nameof(Deep),
        [nameof(HouseWish.WallHeight)] = nameof(High),
        [nameof(HouseWish.Overhang)] = nameof(Over),
        [nameof(HouseWish.Thickness)] = nameof(Thick),
        [nameof(HouseWish.DoorWidth)] = nameof(Door),
        [nameof(HouseWish.DoorHeight)] = nameof(DoorHigh),
        [nameof(HouseWish.WindowSize)] = nameof(Window),
    };

    /// <summary>Reads all of it; what is wrong stands in <see cref="Wrong"/> afterwards.</summary>
    /// <param name="find">The outline of a name at a size, or why there is none; our own shapes where it is left out.</param>
    public HouseAsked? Read(Func<string, double, (Outline? Outline, string Wrong)>? find = null)
    {
        var wish = new HouseWish(
            10 * Number(nameof(Wide), Wide),
            10 * Number(nameof(Deep), Deep),
            10 * Number(nameof(High), High),
            Number(nameof(Pitch), Pitch),
            10 * Number(nameof(Over), Over),
            Number(nameof(Thick), Thick)
        )
        {
            IsBevelled = Bevel,
            DoorWidth = 10 * Number(nameof(Door), Door),
            DoorHeight = 10 * Number(nameof(DoorHigh), DoorHigh),
            Windows = (int)Number(nameof(Windows), Windows),
            WindowSize = 10 * Number(nameof(Window), Window),
            Chimney = 10 * Number(nameof(Chimney), Chimney),
            BaseMargin = string.IsNullOrWhiteSpace(Base) ? -1 : 10 * Number(nameof(Base), Base),
        };
        var (houses, wide, @long, minutes) = (
            Number(nameof(Houses), Houses),
            10 * Number(nameof(TrayWide), TrayWide),
            10 * Number(nameof(TrayLong), TrayLong),
            Number(nameof(Minutes), Minutes)
        );
        Check(houses is >= 1 and <= 40, nameof(Houses), "1 to 40 houses.");
        Check(wide is >= 50 and <= 1000, nameof(TrayWide), "A tray is 5 to 100 cm wide.");
        Check(@long is >= 50 and <= 1000, nameof(TrayLong), "A tray is 5 to 100 cm long.");
        Check(minutes is >= 1 and <= 120, nameof(Minutes), "1 to 120 minutes.");
        foreach (var (of, wrong) in Wrong.Count == 0 ? wish.Faults() : [])
            Wrong.TryAdd(Fields.GetValueOrDefault(of, of), wrong);
        var extras = Extras(find ?? OwnShapes.Of);
        return Wrong.Count > 0 ? null : new HouseAsked(House.Of(wish), (int)houses, wide, @long, minutes, extras);
    }

    private ImmutableArray<(string Name, Outline Outline, int Count)> Extras(Func<string, double, (Outline? Outline, string Wrong)> find)
    {
        var extras = ImmutableArray.CreateBuilder<(string Name, Outline Outline, int Count)>();
        for (var i = 0; i < Math.Min(Extra.Length, MostExtras); i++)
        {
            if (string.IsNullOrWhiteSpace(Extra[i]))
                continue;
            var size = CuttingForm.NumberOf(At(ExtraSize, i)) ?? 0;
            var count = CuttingForm.NumberOf(At(ExtraCount, i)) ?? 0;
            Check(size is >= Outline.Smallest and <= Outline.Largest, $"ExtraSize{i}", "5 mm to 1 m.");
            Check(count is >= 1 and <= 60 && count % 1 == 0, $"ExtraCount{i}", "1 to 60 pieces.");
            if (WrongOf($"ExtraSize{i}").Length > 0 || WrongOf($"ExtraCount{i}").Length > 0)
                continue;
            var (outline, wrong) = find(Extra[i], size);
            Check(outline is not null, $"Extra{i}", wrong);
            if (outline is not null)
                extras.Add((outline.Name, outline, (int)count));
        }

        return extras.ToImmutable();
    }

    private static string At(string[] all, int i) => i < all.Length ? all[i] ?? "" : "";

    private void Check(bool holds, string field, string wrong)
    {
        if (!holds)
            Wrong.TryAdd(field, wrong);
    }

    private double Number(string field, string text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return 0;
        if (CuttingForm.NumberOf(text) is { } value && double.IsFinite(value) && value >= 0)
            return value;
        Wrong[field] = "A number, like 12 or 2.5.";
        return 0;
    }
}

/// <summary>A house that is asked for.</summary>
/// <param name="House">One of them.</param>
/// <param name="Count">How many.</param>
/// <param name="TrayWidth">Width of a tray in millimetres.</param>
/// <param name="TrayLength">Its length in millimetres.</param>
/// <param name="Minutes">Minutes that a piece of 10 cm bakes.</param>
/// <param name="Extras">Other pieces of one house.</param>
public sealed record HouseAsked(
    House House,
    int Count,
    double TrayWidth,
    double TrayLength,
    double Minutes,
    ImmutableArray<(string Name, Outline Outline, int Count)> Extras
)
{
    private const double Size = 100;
    private const double Apart = 10;

    // Of rolled dough about four fifths become pieces, scraps gathered once (by judgement).
    private const double Used = 0.8;

    /// <summary>Pieces that are cut alike, with how many of all houses.</summary>
    public ImmutableArray<(string Name, Outline Outline, int Count)> Kinds { get; } =
    [.. KindsOf(House, Count), .. Extras.Select(e => (e.Name, e.Outline, e.Count * Count))];

    /// <summary>Dough in grams, with what becomes scraps.</summary>
    public double DoughGrams =>
        (
            House.DoughGrams(RolledDough.UsualDensity)
            + (Extras.Sum(e => e.Outline.Area * e.Count) * House.Wish.Thickness / 1000 * RolledDough.UsualDensity)
        )
        * Count
        / Used;

    /// <summary>Icing in grams.</summary>
    public double IcingGrams => House.IcingGrams * Count;

    /// <summary>How long a kind bakes, in minutes.</summary>
    public double MinutesOf(int kind) => TrayPlan.MinutesOf(Kinds[kind].Outline, Minutes, Size);

    /// <summary>All pieces on trays.</summary>
    public TrayPlan Trays(CancellationToken cancel) =>
        TrayPlan.Of(
            [.. Kinds.Select(k => new NestWish(k.Outline, k.Count))],
            TrayWidth,
            TrayLength,
            Apart,
            2,
            MinutesOf,
            TimeSpan.FromSeconds(1.2),
            cancel
        );

    private static ImmutableArray<(string Name, Outline Outline, int Count)> KindsOf(House house, int count)
    {
        var kinds = new List<(string Name, Outline Outline, int Count)>();
        foreach (var piece in house.Pieces)
        {
            // On paper and on the board y runs down: gables point up there, too.
            var shape = (Polygon)piece.Shape.Copy();
            shape.Apply(AffineTransformation.ScaleInstance(1, -1));
            var outline = Outline.Of(piece.Name, shape).Outline!;
            var same = kinds.FindIndex(k =>
                Math.Abs(k.Outline.Area - outline.Area) < 0.01
                && Math.Abs(k.Outline.Width - outline.Width) < 0.01
                && k.Outline.Shape.SymmetricDifference(outline.Shape).Area < 1
            );
            if (same < 0)
                kinds.Add((piece.Name, outline, count));
            else
                kinds[same] = (Both(kinds[same].Name, piece.Name), kinds[same].Outline, kinds[same].Count + count);
        }

        return [.. kinds];
    }

    // "left wall" and "right wall" are walls.
    private static string Both(string one, string other)
    {
        var (a, b) = (one.Split(' ')[^1], other.Split(' ')[^1]);
        return a == b ? $"{a} (left and right)" : $"{one}, {other}";
    }
}
