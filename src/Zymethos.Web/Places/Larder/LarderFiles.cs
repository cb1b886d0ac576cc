using System.Globalization;
using System.Text;
using System.Text.Json;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Books;
using Zymethos.Work.Larder;
using Zymethos.Work.Stock;

namespace Zymethos.Web.Places.Larder;

/// <summary>The larder and the list as files: plain text, CSV, and to-dos for a calendar.</summary>
public static class LarderFiles
{
    private static readonly JsonSerializerOptions Readable = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>Their addresses.</summary>
    public static void MapLarderFiles(this IEndpointRouteBuilder app)
    {
        var larder = app.MapGroup("/larder").RequireAuthorization();
        larder.MapGet(
            "/shopping.txt",
            async (ShopDesk desk, CancellationToken cancel) =>
                Results.Text(Plain(await desk.ListAsync(cancel)), "text/plain", Encoding.UTF8)
        );
        larder.MapGet(
            "/shopping.csv",
            async (ShopDesk desk, CancellationToken cancel) =>
                Results.File(Encoding.UTF8.GetBytes(Csv(await desk.ListAsync(cancel))), "text/csv", "shopping.csv")
        );
        larder.MapGet(
            "/shopping.ics",
            async (ShopDesk desk, IClock clock, CancellationToken cancel) =>
                Results.File(
                    Encoding.UTF8.GetBytes(ToDos(await desk.ListAsync(cancel), clock.GetCurrentInstant())),
                    "text/calendar",
                    "shopping.ics"
                )
        );
        app.MapGet(
                "/larder.json",
                async (LarderFile file, CancellationToken cancel) =>
                    Results.File(
                        JsonSerializer.SerializeToUtf8Bytes(await file.WriteAsync(cancel), Readable),
                        "application/json",
                        "larder.json"
                    )
            )
            .RequireAuthorization()
            .ExcludeFromDescription();
        larder.MapGet(
            "/stock.csv",
            async (StockShelf stock, KitchenBook book, CancellationToken cancel) =>
                Results.File(
                    Encoding.UTF8.GetBytes(Csv(await stock.AllAsync(await book.ShelfAsync(cancel), cancel))),
                    "text/csv",
                    "larder.csv"
                )
        );
    }

    private static string Plain(Basket basket)
    {
        var text = new StringBuilder();
        foreach (var trip in basket.Trips.Where(t => t.Lines.Length > 0))
        {
            text.AppendLine(trip.Date.ToString("dddd d MMMM", CultureInfo.InvariantCulture));
            foreach (var line in trip.Lines)
                text.AppendLine(CultureInfo.InvariantCulture, $"- {line.Line.Good.Name}: {line.Line.Words}");
            text.AppendLine();
        }

        foreach (var (_, words, _, _) in basket.Also)
            text.AppendLine(CultureInfo.InvariantCulture, $"- {words}");
        foreach (var besides in basket.Besides)
            text.AppendLine(CultureInfo.InvariantCulture, $"- {besides}");
        return text.ToString();
    }

    private static string Csv(Basket basket)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvHelper.CsvWriter(text, CultureInfo.InvariantCulture))
        {
            Row(csv, "date", "shop", "aisle", "good", "take", "need", "there", "over", "in_basket", "cost", "for");
            foreach (var trip in basket.Trips)
            {
                foreach (var l in trip.Lines)
                    Row(
                        csv,
                        LocalDatePattern.Iso.Format(trip.Date),
                        l.Shop,
                        l.Aisle,
                        l.Line.Good.Name,
                        l.Line.Words,
                        l.Line.Need,
                        l.Line.Have,
                        l.Line.Over,
                        l.IsIn,
                        l.Cost,
                        string.Join("; ", l.Line.Why)
                    );
            }
        }

        return text.ToString();
    }

    private static string Csv(IReadOnlyList<StockLeft> stock)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvHelper.CsvWriter(text, CultureInfo.InvariantCulture))
        {
            Row(csv, "name", "kind", "grams_left", "pieces", "opened", "best_by", "place");
            foreach (var s in stock)
                Row(
                    csv,
                    s.Row.Name,
                    s.Row.Document.Kind,
                    s.Left,
                    s.Row.Document.Pieces,
                    s.Row.Document.Opened,
                    s.Row.Document.BestBy,
                    s.Row.Document.Place
                );
        }

        return text.ToString();
    }

    private static void Row(CsvHelper.CsvWriter csv, params object?[] cells)
    {
        foreach (var cell in cells)
            csv.WriteField(cell is string words ? CsvCell.Of(words) : Convert.ToString(cell, CultureInfo.InvariantCulture));
        csv.NextRecord();
    }

    /// <summary>One to-do a trip (VTODO, RFC 5545, 3.6.2), due on its day.</summary>
    private static string ToDos(Basket basket, Instant stamp)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Zymethos//Larder//EN" };
        foreach (var trip in basket.Trips.Where(t => t.Lines.Length > 0))
        {
            calendar.Todos.Add(
                new Todo
                {
                    Uid = $"trip-{LocalDatePattern.Iso.Format(trip.Date)}@larder.zymethos.invalid",
                    Summary = $"Shopping: {(trip.Lines.Length == 1 ? "one thing" : $"{trip.Lines.Length} things")}",
                    Description = string.Join("\n", trip.Lines.Select(l => $"{l.Line.Good.Name}: {l.Line.Words}")),
                    Due = new CalDateTime(trip.Date.Year, trip.Date.Month, trip.Date.Day),
                    DtStamp = new CalDateTime(stamp.ToDateTimeUtc(), "UTC"),
                }
            );
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }
}
