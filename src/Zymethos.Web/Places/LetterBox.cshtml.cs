using System.Security.Claims;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Kitchens;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Work.House;
using Zymethos.Work.Reminders;

namespace Zymethos.Web.Places;

/// <summary>The letter box: every message the application wrote to this kitchen, and what became of it.</summary>
public sealed class LetterBoxModel(ZymethosContext context, IPost post) : PageModel
{
    private const int Most = 100;

    /// <summary>The messages, the newest first.</summary>
    public IReadOnlyList<MessageRow> Messages { get; private set; } = [];

    /// <summary>Whether messages also leave the house.</summary>
    public bool GoesOut => post is not LetterBoxOnly;

    /// <summary>The kitchen's time zone.</summary>
    public string Zone { get; private set; } = "";

    private KitchenSays _says;

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var kitchen = context.Own.Of((await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen());
        (Zone, _says) = (kitchen.Zone, kitchen.Says);
        // A link for a new password is for whoever has the mail, not for whoever holds a device that is signed in; only a house without
        // mail has no other way to hand it over. Others of the household never see it.
        var (goesOut, baker) = (GoesOut, Guid.TryParse(User.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : Guid.Empty);
        var letters = context.Messages.AsNoTracking();
        var own = $"account password {baker:N} ";
        var address = $"account email {baker:N} ";
        Messages = await letters
            .Where(m => !m.Key.StartsWith("account ") || (!goesOut && (m.Key.StartsWith(own) || m.Key.StartsWith(address))))
            .OrderByDescending(m => m.WrittenAt)
            .Take(Most)
            .ToListAsync(cancel);
    }

    /// <summary>When it was written, in the kitchen's time.</summary>
    public string When(MessageRow message) => _says.DayAndHour(KitchenClock.At(Zone, message.WrittenAt));
}
