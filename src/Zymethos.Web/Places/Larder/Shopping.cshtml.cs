using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Larder;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Larder;

/// <summary>A tick as a phone tells it.</summary>
/// <param name="Line">Which line.</param>
/// <param name="In">Whether it is in the basket.</param>
/// <param name="At">When, in milliseconds since 1970, by the phone's clock.</param>
public sealed record TickMessage(string Line, bool In, long At);

/// <summary>The shopping list: what must I buy, by when?</summary>
public sealed class ShoppingModel(ShopDesk desk, Store.ZymethosContext context) : PageModel
{
    /// <summary>Whose list it is: ticks that wait on a phone are kept apart by it.</summary>
    public string Kitchen => context.KitchenId?.ToString("N", CultureInfo.InvariantCulture) ?? "";

    /// <summary>The list.</summary>
    public Basket Basket { get; private set; } = new([], []);

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What is next, in a sentence.</summary>
    public string Answer
    {
        get
        {
            var open = Basket.Trips.SelectMany(t => t.Lines).Count(l => !l.IsIn) + Basket.Also.Count(a => !a.IsIn);
            var cost = Basket.Trips.SelectMany(t => t.Lines).Sum(l => l.Cost ?? 0);
            return open == 0 ? "Nothing is missing for what is planned."
                : Basket.Trips.FirstOrDefault(t => t.Lines.Any(l => !l.IsIn)) is { } next
                    ? $"{Day(next.Date)}: {Count(next.Lines.Count(l => !l.IsIn), "thing")}, in "
                        + $"{Count(Basket.Trips.Count(t => t.Lines.Length > 0), "trip")} in all"
                        + (cost > 0 ? $", about {cost.ToString("0.00", CultureInfo.InvariantCulture)} as far as prices are known." : ".")
                : $"{Count(open, "thing")}.";
        }
    }

    private static string Count(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";

    /// <summary>What parcels want besides, in a sentence; empty for nothing.</summary>
    public string Wrapping { get; private set; } = "";

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        Basket = await desk.ListAsync(cancel);
        Wrapping = await desk.WrappingAsync(cancel);
    }

    /// <summary>What is in the basket now, for the other phone.</summary>
    public async Task<IActionResult> OnGetTicksAsync(CancellationToken cancel) => new JsonResult(await desk.TicksAsync(cancel));

    /// <summary>Ticks, several at once where a phone was out of the net.</summary>
    public async Task<IActionResult> OnPostTicksAsync([FromBody] IReadOnlyList<TickMessage>? ticks, CancellationToken cancel)
    {
        if (ticks is null || ticks.Count > 2000 || ticks.Any(t => t?.Line is null))
            return BadRequest();
        await desk.TickAsync(
            [.. ticks.Select(t => (t.Line, t.In, Instant.FromUnixTimeMilliseconds(Math.Clamp(t.At, 0, 4_102_444_800_000))))],
            cancel
        );
        return await OnGetTicksAsync(cancel);
    }

    /// <summary>What is ticked comes home.</summary>
    public async Task<IActionResult> OnPostHomeAsync(CancellationToken cancel)
    {
        var home = await desk.HomeAsync(cancel);
        Said = home switch
        {
            0 => "Nothing is ticked.",
            1 => "One thing is home and on the shelf.",
            _ => $"{home} things are home and on the shelf.",
        };
        return Redirect("/larder/shopping");
    }

    /// <summary>A date as addresses and ids write it.</summary>
    public string Iso(LocalDate date) => LocalDatePattern.Iso.Format(date);

    /// <summary>A date in words.</summary>
    public string Day(LocalDate date) => date.ToString("dddd d MMMM", CultureInfo.InvariantCulture);

    /// <summary>For what a line is, and what stays over, in words.</summary>
    public static string Why(ShopLine line)
    {
        var unit = line.Good.Unit == ShopUnit.Pieces;
        var over =
            line.Over < 0.5 ? ""
            : unit ? $"{line.Over:0} over; "
            : $"{ShopLine.Weight(Math.Round(line.Over))} over; ";
        var have =
            line.Have < 0.5 ? ""
            : unit ? $"{line.Have:0} there; "
            : $"{ShopLine.Weight(Math.Round(line.Have))} there; ";
        return $"{have}{over}for {string.Join(", ", line.Why.Take(3))}{(line.Why.Length > 3 ? $" and {line.Why.Length - 3} more" : "")}";
    }
}
