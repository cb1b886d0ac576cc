using System.Collections.Immutable;
using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A field of a calculator, as the API describes it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Label">What it is.</param>
/// <param name="Kind">number, heat, weight, volume, length, time, clock, choice or lines.</param>
/// <param name="Unit">What a bare number counts: "g", "ml", "cm", "min", "h", "°C"; empty for none.</param>
/// <param name="First">What is taken where nothing is given.</param>
/// <param name="Least">Least, in g, ml, mm, minutes or °C; null for none.</param>
/// <param name="Most">Most, in the same; null for none.</param>
/// <param name="IsWhole">Whether only whole numbers are taken.</param>
/// <param name="IsOptional">Whether it may stay empty.</param>
/// <param name="Choices">Words to choose from; empty unless a choice.</param>
public sealed record FieldDocument(
    string Name,
    string Label,
    string Kind,
    string Unit,
    string First,
    double? Least,
    double? Most,
    bool IsWhole,
    bool IsOptional,
    ImmutableArray<string> Choices
);

/// <summary>A calculator, as the API describes it.</summary>
/// <param name="Address">Its name in addresses.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Promise">What it answers.</param>
/// <param name="Formula">How it is reckoned.</param>
/// <param name="Source">Who says so.</param>
/// <param name="Limits">Where it ends to be true.</param>
/// <param name="Fields">What it asks.</param>
public sealed record CalculatorDocument(
    string Address,
    string Name,
    string Promise,
    string Formula,
    string Source,
    string Limits,
    ImmutableArray<FieldDocument> Fields
)
{
    /// <summary>Describes a calculator.</summary>
    public static CalculatorDocument Of(Calculator c) =>
        new(
            c.Address,
            c.Name,
            c.Promise,
            c.Formula,
            c.Source,
            c.Limits,
            [
                .. c.Fields.Select(f => new FieldDocument(
                    f.Name,
                    f.Label,
                    f.Kind.ToString().ToLowerInvariant(),
                    Bare(f),
                    f.First,
                    f.Kind is FieldKind.Choice or FieldKind.Lines or FieldKind.Clock ? null : f.Least,
                    f.Kind is FieldKind.Choice or FieldKind.Lines or FieldKind.Clock ? null : f.Most,
                    f.IsWhole,
                    f.IsOptional,
                    [.. f.Choices.Select(x => x.Word)]
                )),
            ]
        );

    private static string Bare(CalculatorField field) =>
        field.Kind switch
        {
            FieldKind.Heat => "°C",
            FieldKind.Weight => "g",
            FieldKind.Volume => "ml",
            FieldKind.Length => "cm",
            _ => field.Unit,
        };
}

/// <summary>What a calculator is asked.</summary>
/// <param name="Values">What stands in its fields, as it is typed ("500 g", "75 F"), by their names; what is left out is as at
/// first.</param>
public sealed record ReckonRequest(IReadOnlyDictionary<string, string>? Values = null);

/// <summary>What a calculator answers.</summary>
/// <param name="Calculator">Its address.</param>
/// <param name="Says">The answer in words.</param>
/// <param name="Values">The answer in figures.</param>
/// <param name="Tables">Tables below it.</param>
/// <param name="Cautions">What can hurt somebody.</param>
/// <param name="Notes">What else is worth knowing.</param>
/// <param name="Recipe">A recipe of it in words; empty for none.</param>
/// <param name="Source">Who says so.</param>
/// <param name="Limits">Where it ends to be true.</param>
public sealed record ReckonAnswer(
    string Calculator,
    string Says,
    ImmutableArray<ReckonedValue> Values,
    ImmutableArray<ReckonedTable> Tables,
    ImmutableArray<string> Cautions,
    ImmutableArray<string> Notes,
    string Recipe,
    string Source,
    string Limits
)
{
    /// <summary>The answer of a calculator.</summary>
    public static ReckonAnswer Of(Calculator calculator, Reckoning says) =>
        new(
            calculator.Address,
            says.Says,
            says.Values,
            says.Tables,
            says.Cautions,
            says.Notes,
            says.Recipe,
            calculator.Source,
            calculator.Limits
        );
}

/// <summary>A shape to be cut.</summary>
/// <param name="Name">One of our own shapes ("round", "star"), or a name for the path.</param>
/// <param name="Millimetres">Its longer side.</param>
/// <param name="Wanted">How many; null for as many as there is dough for.</param>
/// <param name="Path">An SVG path, scaled to the longer side; null for one of our own shapes.</param>
public sealed record ShapeDocument(string Name, double Millimetres, int? Wanted = null, string? Path = null);

/// <summary>What is to be cut. Lengths in millimetres; what is left out is as the page has it at first.</summary>
/// <param name="Shapes">The shapes, one to six.</param>
/// <param name="DoughGrams">Dough, 20 to 20000 g; null asks how much dough the wanted pieces need.</param>
/// <param name="Thickness">How thick it is rolled.</param>
/// <param name="BoardWidth">Width of the board.</param>
/// <param name="BoardLength">Its length.</param>
/// <param name="Gap">Room between two cuts.</param>
/// <param name="Rolls">How often it is rolled at most.</param>
/// <param name="TrayWidth">Width of a tray.</param>
/// <param name="TrayLength">Its length.</param>
/// <param name="Spread">Room to spread.</param>
/// <param name="AtOnce">Trays in the oven at once.</param>
/// <param name="Minutes">Minutes that a piece of 6 cm bakes.</param>
public sealed record CuttingRequest(
    ImmutableArray<ShapeDocument> Shapes,
    double? DoughGrams = null,
    double? Thickness = null,
    double? BoardWidth = null,
    double? BoardLength = null,
    double? Gap = null,
    int? Rolls = null,
    double? TrayWidth = null,
    double? TrayLength = null,
    double? Spread = null,
    int? AtOnce = null,
    double? Minutes = null
);

/// <summary>A piece where it lies: its box begins at x, y, in millimetres, turned by so many degrees clockwise.</summary>
/// <param name="Shape">Which shape, counted from 0.</param>
/// <param name="X">From the left edge.</param>
/// <param name="Y">From the upper edge.</param>
/// <param name="Turn">Degrees.</param>
public sealed record PieceDocument(int Shape, double X, double Y, double Turn);

/// <summary>A sheet of dough or a tray with its pieces.</summary>
/// <param name="Width">Its width in millimetres.</param>
/// <param name="Height">Its height.</param>
/// <param name="Covered">Which part of it the pieces cover, 0 to 1.</param>
/// <param name="Pieces">The pieces.</param>
public sealed record NestDocument(double Width, double Height, double Covered, ImmutableArray<PieceDocument> Pieces)
{
    /// <summary>A sheet as the API gives it.</summary>
    public static NestDocument Of(Nest nest) =>
        new(
            Math.Round(nest.Width, 2),
            Math.Round(nest.Height, 2),
            Math.Round(nest.Density, 4),
            [.. nest.Pieces.Select(p => new PieceDocument(p.Wish, Math.Round(p.X, 2), Math.Round(p.Y, 2), Math.Round(p.Turn, 2)))]
        );
}

/// <summary>One rolling.</summary>
/// <param name="Number">1 the first.</param>
/// <param name="Grams">What is rolled.</param>
/// <param name="PieceGrams">What becomes pieces.</param>
/// <param name="LostGrams">What stays on board and pin.</param>
/// <param name="ScrapGrams">What is left to gather.</param>
/// <param name="IsTough">Whether its pieces are tough.</param>
/// <param name="Sheets">Its sheets.</param>
public sealed record RollDocument(
    int Number,
    double Grams,
    double PieceGrams,
    double LostGrams,
    double ScrapGrams,
    bool IsTough,
    ImmutableArray<NestDocument> Sheets
);

/// <summary>A tray.</summary>
/// <param name="Minutes">How long it bakes.</param>
/// <param name="Sheet">Its pieces.</param>
public sealed record TrayDocument(int Minutes, NestDocument Sheet);

/// <summary>How it is cut.</summary>
/// <param name="DoughGrams">Dough in all.</param>
/// <param name="Counts">Pieces of each shape.</param>
/// <param name="LeftGrams">Dough that is left.</param>
/// <param name="HandsMinutes">Minutes of hands.</param>
/// <param name="OvenMinutes">Minutes in the oven, one filling after the other.</param>
/// <param name="Waves">How often the oven is filled.</param>
/// <param name="Outlines">The outlines as SVG paths, in millimetres.</param>
/// <param name="Rolls">The rollings.</param>
/// <param name="Trays">The trays.</param>
public sealed record CuttingAnswer(
    double DoughGrams,
    ImmutableArray<int> Counts,
    double LeftGrams,
    double HandsMinutes,
    int OvenMinutes,
    int Waves,
    ImmutableArray<string> Outlines,
    ImmutableArray<RollDocument> Rolls,
    ImmutableArray<TrayDocument> Trays
)
{
    /// <summary>A sheet as the API gives it.</summary>
    public static CuttingAnswer Of(CuttingSheet sheet) =>
        new(
            Math.Round(sheet.Cut.Dough.Grams, 1),
            sheet.Cut.Counts,
            Math.Round(sheet.Cut.LeftGrams, 1),
            Math.Round(sheet.Cut.HandsMinutes, 1),
            sheet.Trays.OvenMinutes,
            sheet.Trays.Waves,
            [.. sheet.Cut.Wishes.Select(w => SvgOutline.PathOf(w.Outline.Shape))],
            [
                .. sheet.Cut.Rolls.Select(r => new RollDocument(
                    r.Number,
                    Math.Round(r.Grams, 1),
                    Math.Round(r.PieceGrams, 1),
                    Math.Round(r.LostGrams, 1),
                    Math.Round(r.ScrapGrams, 1),
                    r.IsTough,
                    [.. r.Sheets.Select(NestDocument.Of)]
                )),
            ],
            [.. sheet.Trays.Trays.Select(t => new TrayDocument(t.Minutes, NestDocument.Of(t.Nest)))]
        );
}

/// <summary>A house to be built, in millimetres; what is left out is as the page has it at first.</summary>
/// <param name="Width">Width of the gable.</param>
/// <param name="Depth">From gable to gable.</param>
/// <param name="WallHeight">Height of the side walls.</param>
/// <param name="Pitch">Slope of the roof in degrees.</param>
/// <param name="Overhang">How far the roof stands out.</param>
/// <param name="Thickness">Thickness of the pieces.</param>
/// <param name="IsBevelled">Whether edges are cut slanting.</param>
/// <param name="DoorWidth">Width of the door; 0 for none.</param>
/// <param name="DoorHeight">Its height.</param>
/// <param name="Windows">Windows in each side wall.</param>
/// <param name="WindowSize">Side of a window.</param>
/// <param name="Chimney">Side of the chimney; 0 for none.</param>
/// <param name="BaseMargin">Room around the house on its base; null for no base.</param>
/// <param name="Houses">How many houses.</param>
/// <param name="TrayWidth">Width of a tray.</param>
/// <param name="TrayLength">Its length.</param>
/// <param name="Minutes">Minutes that a piece of 10 cm bakes.</param>
public sealed record HouseRequest(
    double? Width = null,
    double? Depth = null,
    double? WallHeight = null,
    double? Pitch = null,
    double? Overhang = null,
    double? Thickness = null,
    bool? IsBevelled = null,
    double? DoorWidth = null,
    double? DoorHeight = null,
    int? Windows = null,
    double? WindowSize = null,
    double? Chimney = null,
    double? BaseMargin = null,
    int? Houses = null,
    double? TrayWidth = null,
    double? TrayLength = null,
    double? Minutes = null
);

/// <summary>A piece of a house.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Count">How many of it for all houses.</param>
/// <param name="Width">Width of its box in millimetres.</param>
/// <param name="Height">Its height.</param>
/// <param name="Outline">Its outline as an SVG path, in millimetres.</param>
/// <param name="Minutes">How long it bakes.</param>
public sealed record HousePieceDocument(string Name, int Count, double Width, double Height, string Outline, double Minutes);

/// <summary>A house.</summary>
/// <param name="DoughGrams">Dough in all, with what becomes scraps.</param>
/// <param name="IcingGrams">Icing in all.</param>
/// <param name="Height">How high it stands, in millimetres.</param>
/// <param name="Pieces">Its pieces.</param>
/// <param name="Trays">Its trays.</param>
public sealed record HouseAnswer(
    double DoughGrams,
    double IcingGrams,
    double Height,
    ImmutableArray<HousePieceDocument> Pieces,
    ImmutableArray<TrayDocument> Trays
)
{
    /// <summary>A house as the API gives it.</summary>
    public static HouseAnswer Of(HouseAsked asked, TrayPlan? trays) =>
        new(
            Math.Round(asked.DoughGrams, 1),
            Math.Round(asked.IcingGrams, 1),
            Math.Round(asked.House.Wish.Height, 1),
            [
                .. asked.Kinds.Select(
                    (k, i) =>
                        new HousePieceDocument(
                            k.Name,
                            k.Count,
                            Math.Round(k.Outline.Width, 2),
                            Math.Round(k.Outline.Height, 2),
                            SvgOutline.PathOf(k.Outline.Shape),
                            Math.Round(asked.MinutesOf(i), 1)
                        )
                ),
            ],
            trays is null ? [] : [.. trays.Trays.Select(t => new TrayDocument(t.Minutes, NestDocument.Of(t.Nest)))]
        );
}
