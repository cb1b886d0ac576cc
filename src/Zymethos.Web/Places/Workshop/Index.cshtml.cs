using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>The Workshop: what can be reckoned there, and a tray of three shapes.</summary>
public sealed class IndexModel : PageModel
{
    /// <summary>The sheet that is shown.</summary>
    public static CuttingSheet Sheet => CuttingSheet.First.Value;

    /// <summary>Its fullest tray.</summary>
    public static Nest Tray => Sheet.Trays.Trays.Select(t => t.Nest).MaxBy(n => n.Counts.Count(c => c > 0))!;
}
