using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Learning;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A session in the list.</summary>
/// <param name="Session">The session.</param>
/// <param name="When">Its day and hour.</param>
/// <param name="Bakes">Its bakes, in words.</param>
/// <param name="Took">How it went against its plan, in words.</param>
public sealed record ListedSession(DaybookSession Session, string When, string Bakes, string Took);

/// <summary>The Daybook: what was baked, and what it says of the oven.</summary>
public sealed class IndexModel(DaybookDesk desk, KitchenClock kitchenClock) : PageModel
{
    private const int FewestForOdd = 6;

    /// <summary>A recipe, a person or a word that is looked for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Q { get; set; }

    /// <summary>Sessions that were found, the last first.</summary>
    public IReadOnlyList<ListedSession> Sessions { get; private set; } = [];

    /// <summary>Whether there is any at all.</summary>
    public bool IsEmpty { get; private set; }

    /// <summary>What was learned.</summary>
    public BakeFactors Learned { get; private set; } = BakeFactors.Of([]);

    /// <summary>The drawing of it.</summary>
    public BiasPlot Plot { get; private set; } = new([]);

    /// <summary>Bakes that are unlike all others, in words.</summary>
    public IReadOnlyList<string> Odd { get; private set; } = [];

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var all = await desk.SessionsAsync(cancel);
        IsEmpty = all.Count == 0;
        var (zone, says) = (await kitchenClock.ZoneAsync(cancel), await kitchenClock.SaysAsync(cancel));
        var found = all.Where(s => Finds(s, (Q ?? "").Trim()));
        Sessions =
        [
            .. found.Select(s => new ListedSession(s, says.DayAndHour(s.Row.StartedAt.InZone(zone).LocalDateTime), BakesOf(s), TookOf(s))),
        ];
        Learned = DaybookDesk.Learn(all);
        var names = all.SelectMany(s => s.Planned.Network.Bakes).DistinctBy(b => b.RecipeKey).ToDictionary(b => b.RecipeKey, b => b.Name);
        var ovens = Learned.Ovens.Order(StringComparer.Ordinal).ToList();
        Plot = new BiasPlot(
            ovens
                .Select(o =>
                    (
                        ovens.Count == 1 ? "The oven"
                        : o == "oven 1" ? "First oven"
                        : "Second oven",
                        Learned.Oven(o)
                    )
                )
                .Concat(
                    Learned
                        .Recipes.Select(r => (names.GetValueOrDefault(r, r), Learned.Recipe(r)))
                        .OrderByDescending(r => r.Item2.Bakes)
                        .ThenBy(r => r.Item1, StringComparer.Ordinal)
                )
        );
        Odd =
        [
            // Among a few bakes nothing is odd.
            .. (Learned.Bakes.Length < FewestForOdd ? [] : Learned.OddOnes()).Select(b =>
                $"{names.GetValueOrDefault(b.Recipe, b.Recipe)}: {b.ActualMinutes:0} min, {b.PlannedMinutes:0} planned"
            ),
        ];
    }

    private static bool Finds(DaybookSession session, string words) =>
        words.Length == 0
        || session.Row.Title.Contains(words, StringComparison.OrdinalIgnoreCase)
        || session.Planned.Network.Bakes.Any(b => b.Name.Contains(words, StringComparison.OrdinalIgnoreCase))
        || session.State.Steps.Values.Any(s =>
            s.Started?.Who.Contains(words, StringComparison.OrdinalIgnoreCase) == true
            || s.Done?.Who.Contains(words, StringComparison.OrdinalIgnoreCase) == true
        )
        || session.State.Bakes.Values.Any(b => b.ToChange.Contains(words, StringComparison.OrdinalIgnoreCase));

    private static string BakesOf(DaybookSession session) =>
        string.Join(", ", session.Planned.Network.Bakes.Select(b => b.Name).Distinct());

    private static string TookOf(DaybookSession session)
    {
        var (done, all) = (session.State.Steps.Values.Count(s => s.Done is not null), session.Planned.Network.Tasks.Length);
        if (session.Loads.Count == 0)
            return done == 0 ? "Nothing was told" : $"{done} of {all} steps were told";
        var late = session.Loads[^1].End - session.Planned.Plan.Tasks[session.Loads[^1].Task].End;
        return Math.Abs(late) <= 5 ? "The last load came out as planned"
            : late > 0 ? $"The last load came out {late} min later than planned"
            : $"The last load came out {-late} min sooner than planned";
    }
}
