using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Parcels;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Everybody to whom the kitchen gives things.</summary>
public sealed class PeopleModel(ParcelPeople people) : PageModel
{
    /// <summary>Everybody, by name.</summary>
    public IReadOnlyList<Recipient> People { get; private set; } = [];

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => People = await people.AllAsync(cancel);
}
