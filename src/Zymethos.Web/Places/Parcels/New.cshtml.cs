using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Parcels;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A new board.</summary>
public sealed class NewModel(GiftDesk desk, ParcelPeople people, SeasonDesk seasons) : PageModel
{
    /// <summary>What it is called.</summary>
    [BindProperty]
    public string? Name { get; set; }

    /// <summary>Of which date of which season: "id|name"; empty for none.</summary>
    [BindProperty]
    public string? Date { get; set; }

    /// <summary>For whom.</summary>
    [BindProperty]
    public List<Guid> People { get; set; } = [];

    /// <summary>Everybody.</summary>
    public IReadOnlyList<Recipient> Everybody { get; private set; } = [];

    /// <summary>Dates of seasons.</summary>
    public IReadOnlyList<(string Value, string Name)> Occasions { get; private set; } = [];

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The page.</summary>
    public Task OnGetAsync(CancellationToken cancel) => FillAsync(cancel);

    /// <summary>Makes it.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        if (string.IsNullOrWhiteSpace(Name) || Name.Trim().Length > 120)
        {
            Wrong = "A board has a name of up to 120 characters.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var date = (Date ?? "").Split('|', 2);
        var season = date.Length == 2 && Guid.TryParse(date[0], out var own) ? own : (Guid?)null;
        var id = await desk.MakeAsync(Name.Trim(), season, season is null ? null : date[1], People, cancel);
        return Redirect($"/parcels/{id}");
    }

    private async Task FillAsync(CancellationToken cancel)
    {
        Everybody = await people.AllAsync(cancel);
        var found = new List<(string, string)>();
        foreach (var (id, name) in (await seasons.ListAsync(cancel)).Take(5))
        {
            if (await seasons.RowAsync(id, cancel) is { } row)
                found.AddRange(row.Sheet.Occasions.Select(o => ($"{id}|{o.Name}", $"{o.Name} ({name})")));
        }

        Occasions = found;
    }
}
