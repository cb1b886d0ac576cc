using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>People from a pasted list, looked over before they are written down.</summary>
public sealed class BringModel(ParcelPeople people) : PageModel
{
    /// <summary>What was pasted.</summary>
    [BindProperty]
    public string? Text { get; set; }

    /// <summary>What was read of it; null before anything was pasted.</summary>
    public PeopleReading? Reading { get; private set; }

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What became of it; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Reads, and keeps where that was asked.</summary>
    public async Task<IActionResult> OnPostAsync(bool keep, CancellationToken cancel)
    {
        Reading = PeopleText.Read(Text ?? "");
        if (Reading.People.Count == 0)
        {
            Wrong = Reading.Trouble.Count > 0 ? "" : "There is nobody in it yet.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        if (!keep)
            return Page();
        var (fresh, known) = await people.BringInAsync(Reading.People, cancel);
        Said =
            $"{(fresh == 1 ? "One person is" : $"{fresh} people are")} new."
            + (known > 0 ? $" {known} {(known == 1 ? "was" : "were")} there already; what the list says was added." : "");
        return Redirect("/parcels/people");
    }
}
