using System.Collections.Immutable;
using System.Globalization;
using NetTopologySuite.Geometries;
using Zymethos.Paper;
using Zymethos.Web.Drawing;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>Cutting sheets, trays and house templates on paper.</summary>
public static class SheetPaper
{
    // A sheet of dough is shown up to so wide; its scale stands below it.
    private const double Widest = 175;
    private const double Tallest = 205;

    /// <summary>A cutting sheet: each roll and each tray.</summary>
    public static PaperPart Of(CuttingSheet sheet)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        var cut = sheet.Cut;
        blocks.Add(
            PaperText.Of(
                $"{cut.Counts.Sum()} pieces from {cut.Dough.Grams:0} g, rolled to {Cm(cut.Dough.Thickness * 10)} mm; about "
                    + $"{cut.HandsMinutes:0} min of rolling and cutting. {cut.LeftGrams:0} g of dough are left."
            )
        );
        blocks.Add(PaperText.Of("Raw dough is not eaten: its flour is raw, and its egg may be.", PaperTone.Caution));
        blocks.Add(
            new PaperTable(
                [new("Cutter", 3), new("Size", 2), new("A piece", 1), new("In all", 1)],
                [
                    .. cut.Wishes.Select(
                        (w, i) =>
                            PaperRow.Of(
                                $"{NestDrawing.Letter(i)}  {w.Outline.Name}",
                                $"{Cm(w.Outline.Width)} by {Cm(w.Outline.Height)} cm",
                                $"{cut.PieceGrams(i):0} g",
                                $"{cut.Counts[i]}"
                            )
                    ),
                ]
            )
        );
        foreach (var roll in cut.Rolls)
        foreach (var nest in roll.Sheets)
            blocks.Add(
                Kept(
                    $"Roll {roll.Number}: {Cm(nest.Width)} by {Cm(nest.Height)} cm",
                    nest,
                    $"{nest.Pieces.Length} pieces of roll {roll.Number}"
                )
            );
        for (var i = 0; i < sheet.Trays.Trays.Length; i++)
        {
            var tray = sheet.Trays.Trays[i];
            blocks.Add(Kept($"Tray {i + 1}: about {tray.Minutes} min", tray.Nest, $"{tray.Nest.Pieces.Length} pieces on tray {i + 1}"));
        }

        return new PaperPart("cutting", "Cutting", blocks.ToImmutable());
    }

    /// <summary>A house: what it takes, and its trays.</summary>
    /// <param name="asked">The house.</param>
    /// <param name="trays">Its trays; null where they were not laid.</param>
    public static PaperPart Of(HouseAsked asked, TrayPlan? trays)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        blocks.Add(
            PaperText.Of(
                $"{asked.DoughGrams:0} g of dough and {asked.IcingGrams:0} g of icing for {asked.Count} "
                    + $"{(asked.Count == 1 ? "house" : "houses")}."
            )
        );
        blocks.Add(
            new PaperTable(
                [new("Piece", 3), new("How many", 1), new("Size", 2), new("Bakes", 1)],
                [
                    .. asked.Kinds.Select(
                        (k, i) =>
                            PaperRow.Of(
                                $"{NestDrawing.Letter(i)}  {k.Name}",
                                $"{k.Count}",
                                $"{Cm(k.Outline.Width)} by {Cm(k.Outline.Height)} cm",
                                $"about {asked.MinutesOf(i):0} min"
                            )
                    ),
                ]
            )
        );
        for (var i = 0; i < (trays?.Trays.Length ?? 0); i++)
        {
            var tray = trays!.Trays[i];
            blocks.Add(Kept($"Tray {i + 1}: about {tray.Minutes} min", tray.Nest, $"{tray.Nest.Pieces.Length} pieces on tray {i + 1}"));
        }

        return new PaperPart("house", "A built house", blocks.ToImmutable());
    }

    /// <summary>Templates true to size, one sheet of paper each.</summary>
    public static PaperPart Templates(HouseAsked asked)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        foreach (var sheet in asked.Kinds.SelectMany(k => TemplatesModel.Of($"{k.Name}, cut {k.Count}", k.Outline)))
        {
            if (blocks.Count > 0)
                blocks.Add(new PaperBreak());
            blocks.Add(new PaperHeading(sheet.Of == 1 ? sheet.Name : $"{sheet.Name}: sheet {sheet.Number} of {sheet.Of}", 3));
            blocks.Add(Template(sheet));
        }

        return new PaperPart("templates", "Templates, true to size", blocks.ToImmutable()) { IsUntitled = true };
    }

    private static PaperDrawing Template(TemplateSheet sheet)
    {
        var shapes = ImmutableArray.CreateBuilder<PaperShape>();
        var room = new Envelope(sheet.X, sheet.X + TemplatesModel.Width, sheet.Y, sheet.Y + TemplatesModel.Height);
        var frame = sheet.Outline.Shape.Factory.ToGeometry(room);
        // Only the line itself, never the edge of the sheet.
        foreach (var line in Lines(sheet.Outline.Shape.Boundary.Intersection(frame)))
        {
            for (var i = 1; i < line.NumPoints; i++)
                shapes.Add(
                    new PaperLine(
                        line.GetCoordinateN(i - 1).X - sheet.X,
                        line.GetCoordinateN(i - 1).Y - sheet.Y,
                        line.GetCoordinateN(i).X - sheet.X,
                        line.GetCoordinateN(i).Y - sheet.Y,
                        0.4
                    )
                );
        }

        foreach (var (x, y) in TemplatesModel.Marks)
        {
            shapes.Add(new PaperLine(x - 3, y, x + 3, y, 0.2));
            shapes.Add(new PaperLine(x, y - 3, x, y + 3, 0.2));
        }

        // A ruler to lay a real one against.
        var foot = TemplatesModel.Height - 2;
        for (var mark = 0; mark <= 100; mark += 10)
            shapes.Add(new PaperLine(40 + mark, foot - (mark % 50 == 0 ? 4 : 2), 40 + mark, foot, 0.2));
        shapes.Add(new PaperLine(40, foot, 140, foot, 0.2));
        shapes.Add(new PaperWords(142, foot, "10 cm"));
        return new PaperDrawing(TemplatesModel.Width, TemplatesModel.Height, shapes.ToImmutable(), sheet.Name) { IsToScale = true };
    }

    private static IEnumerable<LineString> Lines(Geometry geometry) =>
        geometry switch
        {
            LineString line => [line],
            GeometryCollection many => many.Geometries.SelectMany(Lines),
            _ => [],
        };

    private static PaperKeep Kept(string heading, Nest nest, string says) => new([new PaperHeading(heading, 3), Drawing(nest, says)]);

    private static PaperDrawing Drawing(Nest nest, string says)
    {
        var scale = Math.Min(1, Math.Min(Widest / nest.Width, Tallest / nest.Height));
        var shapes = ImmutableArray.CreateBuilder<PaperShape>();
        shapes.Add(new PaperRectangle(0, 0, nest.Width * scale, nest.Height * scale));
        foreach (var piece in nest.Pieces)
        {
            var shape = nest.ShapeOf(piece);
            foreach (var (ring, grey) in new[] { (shape.ExteriorRing, 0.08) }.Concat(shape.InteriorRings.Select(r => (r, 0.0))))
                shapes.Add(new PaperPolygon([.. ring.Coordinates.Select(c => (c.X * scale, c.Y * scale))], grey));
            if (nest.Wishes.Length > 1)
                shapes.Add(
                    new PaperWords(
                        shape.InteriorPoint.X * scale,
                        (shape.InteriorPoint.Y * scale) + 1,
                        NestDrawing.Letter(piece.Wish).ToString(),
                        7,
                        PaperAnchor.Middle
                    )
                );
        }

        var foot = (nest.Height * scale) + 4;
        shapes.Add(new PaperLine(0, foot, 100 * scale, foot, 0.4));
        shapes.Add(new PaperWords((100 * scale) + 2, foot + 1, "10 cm"));
        return new PaperDrawing(nest.Width * scale, foot + 2, shapes.ToImmutable(), says);
    }

    private static string Cm(double millimetres) => (millimetres / 10).ToString("0.#", CultureInfo.InvariantCulture);
}
