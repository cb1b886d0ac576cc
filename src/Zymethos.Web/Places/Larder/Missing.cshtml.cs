using System.Globalization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Work.Books;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Larder;

/// <summary>Something is not there while baking: what it touches, and what to take instead.</summary>
public sealed class MissingModel(ShopDesk desk, KitchenBook book) : PageModel
{
    /// <summary>What is missing; empty before anything was asked.</summary>
    public string Of { get; private set; } = "";

    /// <summary>The bakes it touches.</summary>
    public IReadOnlyList<TouchedBake> Bakes { get; private set; } = [];

    /// <summary>Names that the kitchen knows.</summary>
    public IReadOnlyList<string> Names { get; private set; } = [];

    /// <summary>How much it touches, in a sentence.</summary>
    public string Answer
    {
        get
        {
            var planned = Bakes.Count(b => b.By is not null);
            return planned == 0
                ? $"Nothing planned wants {Of}."
                : $"{(planned == 1 ? "One planned bake wants" : $"{planned} planned bakes want")} {Of}, the first on "
                    + $"{Day(Bakes[0].By!.Value)}.";
        }
    }

    /// <summary>The page.</summary>
    public async Task OnGetAsync(string? of, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        Names = [.. shelf.Known.Knowledge.All.Select(i => i.Name)];
        Of = (of ?? "").Trim();
        if (Of.Length is > 0 and <= 120)
            Bakes = MissingGood.Of(Of, await desk.WantsAsync(cancel), shelf);
    }

    /// <summary>A day in words.</summary>
    public string Day(LocalDate date) => date.ToString("dddd d MMMM", CultureInfo.InvariantCulture);
}
