using System.Globalization;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Api;
using Zymethos.Work.OvenDays;
using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Cutting;
using Zymethos.Workshop.Svg;

namespace Zymethos.Web.Places.Workshop;

/// <summary>The JSON API of the Workshop. Stateless; nothing is kept.</summary>
public static class WorkshopApi
{
    /// <summary>Maps the calls below /api/v1/workshop.</summary>
    public static void MapWorkshopApi(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api/v1/workshop").AllowAnonymous().DisableAntiforgery().RequireRateLimiting(ApiLimits.Policy);
        api.MapGet("/calculators", () => Results.Json(CalculatorShelf.All.Select(CalculatorDocument.Of), OpenJson.Options))
            .WithName("ListCalculators")
            .WithSummary("Lists the calculators")
            .WithDescription("Each with what it asks, the limits of each field, its formula in words, its source and its limits.")
            .Produces<IEnumerable<CalculatorDocument>>();
        api.MapPost("/calculators/{address}", ReckonAsync)
            .Describe<ReckonRequest, ReckonAnswer>(
                "Reckon",
                "Asks a calculator",
                "Takes what stands in its fields as a baker types it, and answers in words and in figures. Division into strands and buns, "
                    + "layers and coats, doughs, pans, sugar and the others are each one of these."
            );
        api.MapPost("/cutting", CutAsync)
            .Describe<CuttingRequest, CuttingAnswer>(
                "CutDough",
                "Lays cutters on rolled dough",
                "Takes outlines and dough, or outlines and how many are wanted, and returns every piece of every roll and tray, with "
                    + "scraps, loss, minutes of hands and baking times."
            );
        api.MapPost("/house", BuildAsync)
            .Describe<HouseRequest, HouseAnswer>(
                "BuildHouse",
                "Reckons a built house",
                "Pieces that meet over their thickness, dough, icing, trays and baking times."
            );
    }

    private static async Task<IResult> ReckonAsync(string address, HttpRequest request, CancellationToken cancel)
    {
        if (CalculatorShelf.At(address) is not { } calculator)
            return Problems.Make(404, "no-calculator", "There is no such calculator.", "/api/v1/workshop/calculators lists them.");
        var (read, problem) = await ApiBody.ReadAsync<ReckonRequest>(request, cancel);
        if (read is not { } body)
            return problem!;
        var values = body.Values ?? new Dictionary<string, string>();
        var unknown = values.Keys.Where(k => calculator.Fields.All(f => f.Name != k)).ToList();
        if (unknown.Count > 0)
            return Problems.Faults([.. unknown.Take(5).Select(k => new Fault($"values.{k}", "There is no such field."))]);
        var (says, asked) = calculator.Answer(name => values.GetValueOrDefault(name));
        return asked.Wrong.Count > 0
            ? Problems.Faults([.. asked.Wrong.Select(w => new Fault($"values.{w.Key}", w.Value))])
            : Results.Json(ReckonAnswer.Of(calculator, says), OpenJson.Options);
    }

    private static async Task<IResult> CutAsync(HttpRequest request, SolverGate gate, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<CuttingRequest>(request, cancel);
        if (read is not { } body)
            return problem!;
        if (body.Shapes.IsDefaultOrEmpty || body.Shapes.Length > CuttingForm.MostShapes)
            return Problems.Faults([new Fault("shapes", $"One to {CuttingForm.MostShapes} shapes.")]);
        var form = FormOf(body);
        var wish = form.Read((name, size) => OutlineOf(body.Shapes[int.Parse(name, CultureInfo.InvariantCulture)], size));
        if (wish is null)
            return Problems.Faults([.. form.Wrong.Select(w => new Fault(PathOf(w.Key), w.Value))]);
        return await SearchedAsync(gate, () => Results.Json(CuttingAnswer.Of(CuttingSheet.Of(wish, cancel)), OpenJson.Options), cancel);
    }

    private static async Task<IResult> BuildAsync(HttpRequest request, SolverGate gate, CancellationToken cancel)
    {
        var (read, problem) = await ApiBody.ReadAsync<HouseRequest>(request, cancel);
        if (read is not { } body)
            return problem!;
        var form = FormOf(body);
        if (form.Read() is not { } asked)
            return Problems.Faults([.. form.Wrong.Select(w => new Fault(HousePaths.GetValueOrDefault(w.Key, w.Key), w.Value))]);
        return await SearchedAsync(gate, () => Results.Json(HouseAnswer.Of(asked, asked.Trays(cancel)), OpenJson.Options), cancel);
    }

    private static async Task<IResult> SearchedAsync(SolverGate gate, Func<IResult> search, CancellationToken cancel)
    {
        try
        {
            return await gate.RunForStrangerAsync(search, cancel);
        }
        catch (QueueFullException)
        {
            return Problems.Make(503, "busy", "Many people are asking at this moment.", "Ask again in a few seconds.");
        }
    }

    private static (Outline? Outline, string Wrong) OutlineOf(ShapeDocument shape, double size)
    {
        if (shape.Path is not { } path)
            return OwnShapes.Of(shape.Name ?? "", size);
        var escaped = System.Security.SecurityElement.Escape(path);
        var name = string.IsNullOrWhiteSpace(shape.Name) ? "shape" : shape.Name;
        var wrong = "";
        // Whatever the path is measured in: it gets its size afterwards, and must not be too small or too large to be read before.
        foreach (var scale in new[] { "1", "40", "1600", "0.02" })
        {
            var (read, fault) = SvgOutline.Read(
                name,
                $"<svg xmlns=\"http://www.w3.org/2000/svg\"><g transform=\"scale({scale})\"><path d=\"{escaped}\"/></g></svg>"
            );
            if (read is not null)
                return read.Sized(name, size);
            wrong = wrong.Length > 0 ? wrong : fault;
        }

        return (null, wrong);
    }

    private static CuttingForm FormOf(CuttingRequest body)
    {
        var form = new CuttingForm
        {
            Ask = body.DoughGrams is null ? "needs" : "gives",
            Shape = [.. body.Shapes.Select((_, i) => i.ToString(CultureInfo.InvariantCulture))],
            Size = [.. body.Shapes.Select(s => Text(s.Millimetres, 1) ?? "")],
            Wanted = [.. body.Shapes.Select(s => s.Wanted is { } w ? w.ToString(CultureInfo.InvariantCulture) : "")],
        };
        form.Dough = Text(body.DoughGrams, 1) ?? form.Dough;
        form.Thick = Text(body.Thickness, 1) ?? form.Thick;
        form.Wide = Text(body.BoardWidth, 10) ?? form.Wide;
        form.Long = Text(body.BoardLength, 10) ?? form.Long;
        form.Gap = Text(body.Gap, 1) ?? form.Gap;
        form.Rolls = Text(body.Rolls, 1) ?? form.Rolls;
        form.TrayWide = Text(body.TrayWidth, 10) ?? form.TrayWide;
        form.TrayLong = Text(body.TrayLength, 10) ?? form.TrayLong;
        form.Spread = Text(body.Spread, 1) ?? form.Spread;
        form.AtOnce = Text(body.AtOnce, 1) ?? form.AtOnce;
        form.Minutes = Text(body.Minutes, 1) ?? form.Minutes;
        return form;
    }

    private static HouseForm FormOf(HouseRequest body)
    {
        var form = new HouseForm { Bevel = body.IsBevelled ?? false };
        form.Wide = Text(body.Width, 10) ?? form.Wide;
        form.Deep = Text(body.Depth, 10) ?? form.Deep;
        form.High = Text(body.WallHeight, 10) ?? form.High;
        form.Pitch = Text(body.Pitch, 1) ?? form.Pitch;
        form.Over = Text(body.Overhang, 10) ?? form.Over;
        form.Thick = Text(body.Thickness, 1) ?? form.Thick;
        form.Door = Text(body.DoorWidth, 10) ?? form.Door;
        form.DoorHigh = Text(body.DoorHeight, 10) ?? form.DoorHigh;
        form.Windows = Text(body.Windows, 1) ?? form.Windows;
        form.Window = Text(body.WindowSize, 10) ?? form.Window;
        form.Chimney = Text(body.Chimney, 10) ?? form.Chimney;
        form.Base = Text(body.BaseMargin, 10) ?? form.Base;
        form.Houses = Text(body.Houses, 1) ?? form.Houses;
        form.TrayWide = Text(body.TrayWidth, 10) ?? form.TrayWide;
        form.TrayLong = Text(body.TrayLength, 10) ?? form.TrayLong;
        form.Minutes = Text(body.Minutes, 1) ?? form.Minutes;
        return form;
    }

    private static readonly Dictionary<string, string> HousePaths = new(StringComparer.Ordinal)
    {
        [nameof(HouseForm.Wide)] = "width",
        [nameof(HouseForm.Deep)] = "depth",
        [nameof(HouseForm.High)] = "wallHeight",
        [nameof(HouseForm.Pitch)] = "pitch",
        [nameof(HouseForm.Over)] = "overhang",
        [nameof(HouseForm.Thick)] = "thickness",
        [nameof(HouseForm.Door)] = "doorWidth",
        [nameof(HouseForm.DoorHigh)] = "doorHeight",
        [nameof(HouseForm.Windows)] = "windows",
        [nameof(HouseForm.Window)] = "windowSize",
        [nameof(HouseForm.Chimney)] = "chimney",
        [nameof(HouseForm.Base)] = "baseMargin",
        [nameof(HouseForm.Houses)] = "houses",
        [nameof(HouseForm.TrayWide)] = "trayWidth",
        [nameof(HouseForm.TrayLong)] = "trayLength",
        [nameof(HouseForm.Minutes)] = "minutes",
    };

    private static string PathOf(string field) =>
        field switch
        {
            nameof(CuttingForm.Dough) => "doughGrams",
            nameof(CuttingForm.Thick) => "thickness",
            nameof(CuttingForm.Wide) => "boardWidth",
            nameof(CuttingForm.Long) => "boardLength",
            nameof(CuttingForm.TrayWide) => "trayWidth",
            nameof(CuttingForm.TrayLong) => "trayLength",
            _ when field.StartsWith("Size", StringComparison.Ordinal) => $"shapes[{field[4..]}].millimetres",
            _ when field.StartsWith("Wanted", StringComparison.Ordinal) => $"shapes[{field[6..]}].wanted",
            _ when field.StartsWith("Shape", StringComparison.Ordinal) => $"shapes[{field[5..]}]",
            _ => char.ToLowerInvariant(field[0]) + field[1..],
        };

    private static string? Text(double? value, double part) =>
        value is { } v ? (v / part).ToString("R", CultureInfo.InvariantCulture) : null;
}
