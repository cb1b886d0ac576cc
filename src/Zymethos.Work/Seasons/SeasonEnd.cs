using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Documents;

namespace Zymethos.Work.Seasons;

/// <summary>A need when its season is over.</summary>
/// <param name="Need">The need as it was said.</param>
/// <param name="Name">What it is.</param>
/// <param name="Baked">Pieces that the Daybook has of it in the season's weeks; null where nobody counted.</param>
/// <param name="Outcome">What was said of it; null while nothing was.</param>
/// <param name="ToChange">What was to be changed about its bakes.</param>
public sealed record EndedNeed(NeedDocument Need, string Name, int? Baked, OutcomeDocument? Outcome, string ToChange)
{
    /// <summary>Pieces that were eaten or given; null where nobody counted.</summary>
    public int? Eaten => (Outcome?.Made ?? Baked) is { } made ? Math.Max(0, made - (Outcome?.Left ?? 0)) : null;
}

/// <summary>A season that is over: what came of each need, and what it took.</summary>
/// <param name="Needs">The needs in their order.</param>
/// <param name="HandsMinutes">Minutes of handwork that were timed.</param>
/// <param name="OvenMinutes">Minutes in the oven that were timed.</param>
/// <param name="Bakes">How many bakes the Daybook has of its weeks.</param>
/// <param name="Late">Loads that took longer than planned by more than a quarter, in words.</param>
public sealed record SeasonEnd(
    IReadOnlyList<EndedNeed> Needs,
    double HandsMinutes,
    double OvenMinutes,
    int Bakes,
    IReadOnlyList<string> Late
)
{
    /// <summary>So much longer than planned is a slip worth naming.</summary>
    public const double WorthNaming = 1.25;

    /// <summary>A year of whole weeks, so that a Saturday stays one.</summary>
    public const int YearDays = 364;

    /// <summary>From its first date to the day after its last occasion.</summary>
    public static (LocalDate From, LocalDate Until) Weeks(SeasonSheet sheet)
    {
        var start = LocalDatePattern.Iso.Parse(sheet.Start).Value;
        var last = sheet.Occasions.Select(o => DateOf(o.At)).DefaultIfEmpty(start).Max();
        return (start, last.PlusDays(1));
    }

    /// <summary>How it ended.</summary>
    /// <param name="sheet">What was said of the season.</param>
    /// <param name="names">Names of recipes by key.</param>
    /// <param name="bakes">The Daybook's bakes, of whatever weeks.</param>
    public static SeasonEnd Of(SeasonSheet sheet, IReadOnlyDictionary<string, string> names, IEnumerable<PastBakeDocument> bakes)
    {
        var (from, until) = Weeks(sheet);
        var within = bakes.Where(b => LocalDatePattern.Iso.Parse(b.Date).Value is var date && date >= from && date <= until).ToList();
        var loads = within.SelectMany(b => (b.Loads ?? []).Where(PastBakeCheck.IsSound).Select(l => (Bake: b, Load: l))).ToList();
        return new SeasonEnd(
            [
                .. sheet.Needs.Select(n =>
                {
                    var own = within.Where(b => b.Recipe == n.Recipe).ToList();
                    return new EndedNeed(
                        n,
                        names.GetValueOrDefault(n.Recipe, n.Recipe),
                        // Two needs of one recipe share its bakes: nobody can say whose they were.
                        sheet.Needs.Count(o => o.Recipe == n.Recipe) == 1
                        && own.Any(b => b.Pieces is not null)
                            ? (int)Math.Round(own.Sum(b => b.Pieces ?? 0))
                            : null,
                        sheet.Outcomes?.FirstOrDefault(o => o.Need == n.Id),
                        string.Join("; ", own.Select(b => b.ToChange).OfType<string>().Distinct())
                    );
                }),
            ],
            within.Sum(b => (b.Hands ?? []).Sum(h => h.Minutes)),
            loads.Sum(l => l.Load.Minutes),
            within.Count,
            [
                .. loads
                    .Where(l => l.Load.PlannedMinutes is > 0 and { } planned && l.Load.Minutes > planned * WorthNaming)
                    .Select(l => $"{l.Bake.Name}, {l.Load.Title}: {l.Load.Minutes:0} min instead of {l.Load.PlannedMinutes:0}"),
            ]
        );
    }

    /// <summary>Next year's season: the same weekdays a year later, as many of each as were eaten and wanted, none of what nobody ate, and
    /// what was learned beside each.</summary>
    public SeasonSheet NextYear(SeasonSheet sheet)
    {
        string Later(string at)
        {
            var parts = at.Split('T');
            var date = LocalDatePattern.Iso.Format(LocalDatePattern.Iso.Parse(parts[0]).Value.PlusDays(YearDays));
            return parts.Length > 1 ? $"{date}T{parts[1]}" : date;
        }

        return new SeasonSheet(
            $"{(sheet.Name.Length <= 68 ? sheet.Name : sheet.Name[..68])}, next year",
            Later(sheet.Start),
            [.. sheet.Occasions.Select(o => o with { At = Later(o.At) })],
            [.. Needs.Select(n => n.Need with { Pieces = PiecesOf(n), Advice = AdviceOf(n) }).Where(n => n.Pieces > 0)],
            sheet.Hours with
            {
                Exceptions = sheet.Hours.Exceptions?.Select(e => e with { Date = Later(e.Date) }).ToList(),
                // Nobody knows yet what else next year holds.
                Busy = null,
            },
            [],
            ClearFirst: sheet.ClearFirst
        );
    }

    private static int PiecesOf(EndedNeed need)
    {
        var pieces = need.Outcome is null ? need.Need.Pieces : (need.Eaten ?? need.Need.Pieces) + (need.Outcome.More ?? 0);
        // What goes into boxes evenly goes into them evenly next year.
        var boxes = need.Need.Boxes;
        return boxes <= 1 || pieces == 0 ? pieces : (int)Math.Ceiling(pieces / (double)boxes) * boxes;
    }

    private static string AdviceOf(EndedNeed need)
    {
        var words = new[] { need.Outcome?.Advice ?? "", need.Outcome is null ? need.ToChange : "" }.Where(w => w.Length > 0).ToList();
        if (need.Outcome is { More: > 0 } outcome)
            words.Add($"{(outcome.WhoMore.Length > 0 ? outcome.WhoMore : "Somebody")} wanted {outcome.More} more");
        else if (need.Outcome is { Left: > 0 } left)
            words.Add(left.Left == 1 ? "1 was left over" : $"{left.Left} were left over");
        var all = string.Join("; ", words);
        return all.Length <= 300 ? all : all[..299] + "…";
    }

    private static LocalDate DateOf(string at) => LocalDatePattern.Iso.Parse(at.Split('T')[0]).Value;
}
