using System.Globalization;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Places.Season;

/// <summary>What is said of a season, as typed: dates, needs, hours.</summary>
public sealed class SeasonForm
{
    private static readonly LocalTimePattern Clock = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private readonly List<int> _occasionRows = [];
    private readonly List<int> _needRows = [];
    private readonly List<int> _weeklyRows = [];
    private readonly List<int> _exceptionRows = [];

    /// <summary>What the season is called.</summary>
    public string? Name { get; set; }

    /// <summary>Its first date.</summary>
    public string? Start { get; set; }

    /// <summary>The dates.</summary>
    public List<OccasionRow> Occasions { get; set; } = [];

    /// <summary>The needs.</summary>
    public List<NeedRow> Needs { get; set; } = [];

    /// <summary>Pasted needs.</summary>
    public string? Paste { get; set; }

    /// <summary>For which date they are: its row.</summary>
    public int PasteOccasion { get; set; }

    /// <summary>The allergen of which what is free comes first; empty for none.</summary>
    public string? ClearFirst { get; set; }

    /// <summary>The usual week as somebody says it ("Fri 18-22, Sat 9-17 with 2"); it takes the place of the rows of the days it
    /// names.</summary>
    public string? Week { get; set; }

    /// <summary>The usual week.</summary>
    public List<HoursRow> Weekly { get; set; } = [];

    /// <summary>The hour of the daily quarter of an hour; empty for none.</summary>
    [Hour]
    public string? Spell { get; set; }

    /// <summary>Dates that differ.</summary>
    public List<HoursRow> Exceptions { get; set; } = [];

    /// <summary>Whether times from a calendar are forgotten.</summary>
    public bool ForgetBusy { get; set; }

    /// <summary>An empty form for a first season.</summary>
    public static SeasonForm Empty(LocalDate today) =>
        new SeasonForm
        {
            Start = LocalDatePattern.Iso.Format(today),
            Spell = "20:30",
            Weekly =
            [
                .. Enum.GetValues<IsoDayOfWeek>()
                    .Where(d => d != IsoDayOfWeek.None)
                    .Select(d => new HoursRow { Day = d.ToString().ToLowerInvariant(), People = "1" }),
            ],
        }.WithSpare();

    /// <summary>The form of a sheet.</summary>
    public static SeasonForm Of(SeasonSheet sheet) =>
        new SeasonForm
        {
            Name = sheet.Name,
            Start = sheet.Start,
            Spell = sheet.Hours.Spell,
            ClearFirst = sheet.ClearFirst,
            Occasions =
            [
                .. sheet.Occasions.Select(o => new OccasionRow
                {
                    Name = o.Name,
                    Date = o.At.Split('T')[0],
                    Time = o.At.Split('T')[^1],
                    Handing = o.Handing,
                    Transit = o.TransitDays == 0 ? "" : Text(o.TransitDays),
                    HoursOut = o.HoursOut == 0 ? "" : o.HoursOut.ToString("0.##", CultureInfo.InvariantCulture),
                }),
            ],
            Needs =
            [
                .. sheet.Needs.Select(n => new NeedRow
                {
                    Id = n.Id,
                    Occasion = Math.Max(0, sheet.Occasions.ToList().FindIndex(o => o.Name == n.Occasion)),
                    Recipe = n.Recipe,
                    Pieces = $"{(n.Boxes > 0 ? $"{Text(n.Boxes)} x {Text(n.Pieces / n.Boxes)}" : Text(n.Pieces))} {n.Finish}".TrimEnd(),
                    For = n.For,
                }),
            ],
            Weekly =
            [
                .. sheet.Hours.Weekly.Select(w => new HoursRow
                {
                    Day = w.Day.ToLowerInvariant(),
                    From = w.From,
                    Until = w.Until,
                    People = Text(w.People),
                }),
            ],
            Exceptions =
            [
                .. (sheet.Hours.Exceptions ?? []).Select(e => new HoursRow
                {
                    Day = e.Date,
                    From = e.From,
                    Until = e.Until,
                    People = Text(e.People),
                }),
            ],
        }.WithSpare();

    /// <summary>Rows to go on with.</summary>
    public SeasonForm WithSpare()
    {
        while (Occasions.Count < 2 || !IsEmpty(Occasions[^1]))
            Occasions.Add(new OccasionRow { Time = "18:00" });
        var spare = Needs.AsEnumerable().Reverse().TakeWhile(IsEmpty).Count();
        for (; spare < 4; spare++)
            Needs.Add(new NeedRow());
        foreach (
            var day in Enum.GetValues<IsoDayOfWeek>()
                .Where(d => d != IsoDayOfWeek.None)
                .Select(d => d.ToString().ToLowerInvariant())
                .Where(d => !Weekly.Exists(w => w.Day == d))
        )
            Weekly.Add(new HoursRow { Day = day, People = "1" });
        Weekly = [.. Weekly.OrderBy(w => Enum.TryParse<IsoDayOfWeek>(w.Day, true, out var d) ? (int)d : 8)];
        spare = Exceptions.AsEnumerable().Reverse().TakeWhile(e => string.IsNullOrWhiteSpace(e.Day)).Count();
        for (; spare < 2; spare++)
            Exceptions.Add(new HoursRow { People = "1" });
        return this;
    }

    /// <summary>The sheet that was meant; null when a field cannot be read, with the reason at the field.</summary>
    /// <param name="before">The sheet that is changed; null for a new one.</param>
    /// <param name="busy">Times from a calendar that came with the form; null when none did.</param>
    /// <param name="book">The Book.</param>
    /// <param name="state">Takes the reasons.</param>
    public SeasonSheet? AsSheet(
        SeasonSheet? before,
        IReadOnlyList<BusyDocument>? busy,
        IReadOnlyList<Recipe> book,
        ModelStateDictionary state
    )
    {
        var name = (Name ?? "").Trim();
        if (name.Length is 0 or > 80)
            state.AddModelError("Form.Name", "Give the season a name of up to 80 characters.");
        if (!LocalDatePattern.Iso.Parse(Start ?? "").Success)
            state.AddModelError("Form.Start", "From which date on?");
        var occasions = ReadOccasions(state);
        var needs = ReadNeeds(before, book, state);
        var (weekly, exceptions) = (ReadWeekly(state), ReadExceptions(state));
        var spell = string.IsNullOrWhiteSpace(Spell) ? null : Spell.Trim();
        if (spell is not null && !Clock.Parse(spell).Success)
            state.AddModelError("Form.Spell", "Give the hour as 20:30, or leave it empty.");
        if (!state.IsValid)
            return null;
        var taken = ForgetBusy ? [] : before?.Hours.Busy ?? [];
        return new SeasonSheet(
            name,
            Start!,
            occasions,
            needs,
            // The same calendar brought in twice says everything twice.
            new HoursDocument(
                weekly,
                spell,
                exceptions,
                [.. taken.Concat(busy ?? []).Distinct().OrderBy(b => b.From, StringComparer.Ordinal)]
            ),
            before?.Done ?? [],
            before?.Outcomes,
            string.IsNullOrWhiteSpace(ClearFirst) ? null : ClearFirst.Trim()
        );
    }

    /// <summary>The form field that a fault's path is about.</summary>
    public string FieldOf(string path)
    {
        foreach (
            var (list, rows, name) in new[]
            {
                ("occasions", _occasionRows, "Occasions"),
                ("needs", _needRows, "Needs"),
                ("hours.weekly", _weeklyRows, "Weekly"),
                ("hours.exceptions", _exceptionRows, "Exceptions"),
            }
        )
        {
            for (var i = 0; i < rows.Count; i++)
            {
                if (path.StartsWith($"{list}[{i}]", StringComparison.Ordinal))
                    return $"Form.{name}[{rows[i]}]";
            }
        }

        return path switch
        {
            "start" => "Form.Start",
            "hours.spell" => "Form.Spell",
            "clearFirst" => "Form.ClearFirst",
            _ when path.StartsWith("needs", StringComparison.Ordinal) => "Form.Needs",
            _ => "Form.Name",
        };
    }

    private List<OccasionDocument> ReadOccasions(ModelStateDictionary state)
    {
        var read = new List<OccasionDocument>();
        _occasionRows.Clear();
        for (var i = 0; i < Occasions.Count; i++)
        {
            var row = Occasions[i];
            if (IsEmpty(row))
                continue;
            var transit = 0;
            var hours = 0.0;
            if (string.IsNullOrWhiteSpace(row.Name))
                state.AddModelError($"Form.Occasions[{i}]", "What is this date called?");
            else if (!LocalDatePattern.Iso.Parse(row.Date ?? "").Success)
                state.AddModelError($"Form.Occasions[{i}]", "Choose its date.");
            else if (!Clock.Parse(row.Time ?? "").Success)
                state.AddModelError($"Form.Occasions[{i}]", "Give its hour as 18:00.");
            else if (
                !string.IsNullOrWhiteSpace(row.Transit)
                && (!int.TryParse(row.Transit.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out transit) || transit > 30)
            )
                state.AddModelError($"Form.Occasions[{i}]", "A parcel travels 0 to 30 days.");
            else if (
                !string.IsNullOrWhiteSpace(row.HoursOut)
                && (
                    !double.TryParse(
                        row.HoursOut.Trim().Replace(',', '.'),
                        NumberStyles.AllowDecimalPoint,
                        CultureInfo.InvariantCulture,
                        out hours
                    ) || hours is not (>= 0 and <= Occasion.MostHoursOut)
                )
            )
                state.AddModelError($"Form.Occasions[{i}]", $"Out of the cold is 0 to {Occasion.MostHoursOut} hours.");
            _occasionRows.Add(i);
            read.Add(
                new OccasionDocument(
                    (row.Name ?? "").Trim(),
                    $"{row.Date}T{row.Time}",
                    row.Handing is { Length: > 0 } handing ? handing : "served",
                    row.Handing == "posted" ? transit : 0,
                    row.Handing == "posted" ? 0 : hours
                )
            );
        }

        return read;
    }

    private List<NeedDocument> ReadNeeds(SeasonSheet? before, IReadOnlyList<Recipe> book, ModelStateDictionary state)
    {
        var read = new List<NeedDocument>();
        _needRows.Clear();
        for (var i = 0; i < Needs.Count; i++)
        {
            var row = Needs[i];
            if (IsEmpty(row) || (row.Pieces ?? "").Trim() == "0")
                continue;
            if (string.IsNullOrWhiteSpace(row.Recipe))
                state.AddModelError($"Form.Needs[{i}]", "What shall it be?");
            else if (NeedsText.Pieces(row.Pieces ?? "") is not var (pieces, boxes))
                state.AddModelError(
                    $"Form.Needs[{i}]",
                    "How many pieces? A whole number from 1 to 10000, or 14 x 3 for boxes; 0 takes the line out."
                );
            else if (book.FirstOrDefault(r => r.Key == row.Recipe) is { } meant && NeedsText.FinishIn(row.Pieces ?? "", meant) is null)
                state.AddModelError(
                    $"Form.Needs[{i}]",
                    $"{NeedsText.WaysOf(meant)} Write 12 {meant.Finishes[0].Name}, or the number alone."
                );
            else if (OccasionOf(row.Occasion) is not { } occasion)
                state.AddModelError($"Form.Needs[{i}]", "For which date? The one it was for has no name any more.");
            else
            {
                _needRows.Add(i);
                var own = before?.Needs.FirstOrDefault(n => n.Id == row.Id);
                // Another recipe goes its own ways, and nothing of it is done yet.
                read.Add(
                    new NeedDocument(
                        occasion,
                        row.Recipe,
                        pieces,
                        (row.For ?? "").Trim(),
                        own?.Recipe == row.Recipe ? own.Choices : null,
                        own?.Recipe == row.Recipe ? own.Id : "",
                        own?.Recipe == row.Recipe && own.UsualKeeping,
                        boxes,
                        book.FirstOrDefault(r => r.Key == row.Recipe) is { } finished
                            ? NeedsText.FinishIn(row.Pieces ?? "", finished) ?? ""
                            : "",
                        own?.Recipe == row.Recipe ? own.Advice : ""
                    )
                );
            }
        }

        if (string.IsNullOrWhiteSpace(Paste))
            return read;
        if (OccasionOf(PasteOccasion) is not { } forDate)
        {
            state.AddModelError("Form.Paste", "For which date? Name it above first.");
            return read;
        }

        var pasted = NeedsText.Read(Paste, forDate, book);
        foreach (var trouble in pasted.Trouble)
            state.AddModelError("Form.Paste", trouble);
        if (pasted.Trouble.Count == 0)
            read.AddRange(pasted.Needs);
        return read;
    }

    /// <summary>Puts what was said of the week into its rows: the days that are named get these hours and no others.</summary>
    private void TakeWeek(ModelStateDictionary state)
    {
        var said = WeekText.Read(Week);
        if (said.Wrong.Length > 0)
        {
            state.AddModelError("Form.Week", $"“{said.Wrong}” could not be read. Say it like: Fri 18-22, Sat and Sun 9-17 with 2.");
            return;
        }

        foreach (var day in said.Hours.GroupBy(h => h.Day))
        {
            var name = day.Key.ToString().ToLowerInvariant();
            Weekly.RemoveAll(w => string.Equals(w.Day, name, StringComparison.OrdinalIgnoreCase));
            Weekly.AddRange(
                day.Select(h => new HoursRow
                {
                    Day = name,
                    From = Clock.Format(h.From),
                    Until = Clock.Format(h.Until),
                    People = Text(h.People),
                })
            );
        }

        Week = "";
    }

    private List<WeeklyDocument> ReadWeekly(ModelStateDictionary state)
    {
        var read = new List<WeeklyDocument>();
        _weeklyRows.Clear();
        TakeWeek(state);
        for (var i = 0; i < Weekly.Count; i++)
        {
            var row = Weekly[i];
            if (string.IsNullOrWhiteSpace(row.From) && string.IsNullOrWhiteSpace(row.Until))
                continue;
            if (Span(row, $"Form.Weekly[{i}]", state) is not { } people)
                continue;
            _weeklyRows.Add(i);
            read.Add(new WeeklyDocument(row.Day ?? "", row.From!, row.Until!, people));
        }

        return read;
    }

    private List<ExceptionDocument> ReadExceptions(ModelStateDictionary state)
    {
        var read = new List<ExceptionDocument>();
        _exceptionRows.Clear();
        for (var i = 0; i < Exceptions.Count; i++)
        {
            var row = Exceptions[i];
            var hours = !string.IsNullOrWhiteSpace(row.From) || !string.IsNullOrWhiteSpace(row.Until);
            if (string.IsNullOrWhiteSpace(row.Day))
            {
                if (hours)
                    state.AddModelError($"Form.Exceptions[{i}]", "On which date?");
                continue;
            }

            if (!LocalDatePattern.Iso.Parse(row.Day).Success)
            {
                state.AddModelError($"Form.Exceptions[{i}]", "Choose its date.");
                continue;
            }

            var people = 1;
            if (hours)
            {
                if (Span(row, $"Form.Exceptions[{i}]", state) is not { } p)
                    continue;
                people = p;
            }

            _exceptionRows.Add(i);
            read.Add(new ExceptionDocument(row.Day, hours ? row.From : null, hours ? row.Until : null, people));
        }

        return read;
    }

    private static int? Span(HoursRow row, string field, ModelStateDictionary state)
    {
        if (!Clock.Parse(row.From ?? "").Success || !Clock.Parse(row.Until ?? "").Success)
            state.AddModelError(field, "From when until when? As 18:00 and 21:30, or both empty.");
        else if (row.From == row.Until)
            state.AddModelError(field, "It ends when it begins.");
        else if (
            !int.TryParse(
                string.IsNullOrWhiteSpace(row.People) ? "1" : row.People.Trim(),
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var people
            ) || people is < 1 or > 4
        )
            state.AddModelError(field, "One to four people.");
        else
            return people;
        return null;
    }

    private string? OccasionOf(int row) =>
        row >= 0 && row < Occasions.Count && !string.IsNullOrWhiteSpace(Occasions[row].Name) ? Occasions[row].Name!.Trim() : null;

    private static bool IsEmpty(OccasionRow row) => string.IsNullOrWhiteSpace(row.Name) && string.IsNullOrWhiteSpace(row.Date);

    private static bool IsEmpty(NeedRow row) => string.IsNullOrWhiteSpace(row.Recipe) && string.IsNullOrWhiteSpace(row.Pieces);

    private static string Text(int number) => number.ToString(CultureInfo.InvariantCulture);
}

/// <summary>A date as typed.</summary>
public sealed class OccasionRow
{
    /// <summary>What it is called.</summary>
    public string? Name { get; set; }

    /// <summary>Its date.</summary>
    public string? Date { get; set; }

    /// <summary>Its hour.</summary>
    [Hour]
    public string? Time { get; set; }

    /// <summary>served, handedOver or posted.</summary>
    public string? Handing { get; set; }

    /// <summary>Days on the way.</summary>
    public string? Transit { get; set; }

    /// <summary>Hours out of the cold after it was handed over or served.</summary>
    public string? HoursOut { get; set; }
}

/// <summary>A need as typed.</summary>
public sealed class NeedRow
{
    /// <summary>Its id; empty for a new one.</summary>
    public string? Id { get; set; }

    /// <summary>Row of its date.</summary>
    public int Occasion { get; set; }

    /// <summary>Key of the recipe.</summary>
    public string? Recipe { get; set; }

    /// <summary>How many.</summary>
    public string? Pieces { get; set; }

    /// <summary>For whom.</summary>
    public string? For { get; set; }
}

/// <summary>Hours as typed, of a weekday or a date.</summary>
public sealed class HoursRow
{
    /// <summary>The weekday, or the date.</summary>
    public string? Day { get; set; }

    /// <summary>From when.</summary>
    [Hour]
    public string? From { get; set; }

    /// <summary>Until when.</summary>
    [Hour]
    public string? Until { get; set; }

    /// <summary>How many people.</summary>
    public string? People { get; set; }
}
