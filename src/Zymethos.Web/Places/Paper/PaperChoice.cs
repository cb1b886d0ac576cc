using Microsoft.AspNetCore.WebUtilities;
using NodaTime;
using NodaTime.Text;
using Zymethos.Paper;

namespace Zymethos.Web.Places.Paper;

/// <summary>What is to be printed, and on what: the address of a page or a PDF says all of it.</summary>
public sealed class PaperChoice
{
    /// <summary>The season; null for the newest.</summary>
    public Guid? Season { get; set; }

    /// <summary>The board of parcels; null for the newest.</summary>
    public Guid? Board { get; set; }

    /// <summary>Date of the Oven Day ("2026-12-19"); empty for the next one.</summary>
    public string? Day { get; set; }

    /// <summary>The paper: a4 or letter; empty for the kitchen's habit.</summary>
    public string? Paper { get; set; }

    /// <summary>Code of the language of labels; empty for English.</summary>
    public string? Words { get; set; }

    /// <summary>Parts that are taken into the one PDF; empty for all of them.</summary>
    public List<string> Parts { get; set; } = [];

    /// <summary>The date of the Oven Day; null for the next one.</summary>
    public LocalDate? Date => LocalDatePattern.Iso.Parse(Day ?? "") is { Success: true } date ? date.Value : null;

    /// <summary>The paper that was chosen; null for none.</summary>
    public PaperSize? Size => PaperSize.Of(Paper);

    /// <summary>An address with this choice behind it.</summary>
    public string At(string address, bool withParts = false) =>
        QueryHelpers.AddQueryString(
            address,
            new Dictionary<string, string?>
            {
                ["season"] = Season?.ToString(),
                ["board"] = Board?.ToString(),
                ["day"] = Day,
                ["paper"] = Paper,
                ["words"] = Words,
            }
                .Where(p => !string.IsNullOrEmpty(p.Value))
                .Concat(withParts ? Parts.Select(p => KeyValuePair.Create<string, string?>("parts", p)) : [])
        );
}
