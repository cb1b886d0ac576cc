using System.Globalization;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;
using Zymethos.Work.House;

namespace Zymethos.Work.Seasons;

/// <summary>Changes to what was said of a season, one touch each.</summary>
public static class SeasonMoves
{
    private static readonly LocalDateTimePattern Moment = LocalMoment.Pattern;

    /// <summary>A change as a form carries it. What this writes, <see cref="Read"/> reads, but for the need, which goes beside
    /// it.</summary>
    public static string Write(SeasonChange change) =>
        change switch
        {
            SeasonChange.Session s => $"session|{SeasonWriter.At(s.From)}|{SeasonWriter.At(s.Until)}",
            SeasonChange.Way w => $"way|{w.Choice}|{w.Option}",
            SeasonChange.Fewer f => $"fewer|{f.Pieces.ToString(CultureInfo.InvariantCulture)}",
            SeasonChange.UsualKeeping => "usual",
            SeasonChange.Other o => $"other|{o.Recipe}|{o.Pieces.ToString(CultureInfo.InvariantCulture)}",
            SeasonChange.Bought => "bought",
            _ => throw new InvalidOperationException($"A change that nobody makes: {change}."),
        };

    /// <summary>The change that a form carries; null when it is none.</summary>
    /// <param name="text">The change as <see cref="Write"/> wrote it.</param>
    /// <param name="need">Index of the need that it is about.</param>
    public static SeasonChange? Read(string? text, int need) =>
        (text ?? "").Split('|') switch
        {
            ["session", var from, var until] when Moment.Parse(from) is { Success: true } f && Moment.Parse(until) is { Success: true } u =>
                new SeasonChange.Session(need, f.Value, u.Value),
            ["way", var choice, var option] => new SeasonChange.Way(need, choice, option),
            ["fewer", var pieces] when WholeNumber.Read(pieces) is { } p => new SeasonChange.Fewer(need, p),
            ["usual"] => new SeasonChange.UsualKeeping(need),
            ["other", var recipe, var pieces] when WholeNumber.Read(pieces) is { } p => new SeasonChange.Other(need, recipe, p),
            ["bought"] => new SeasonChange.Bought(need),
            _ => null,
        };

    /// <summary>The sheet with a change made to the need that it is about; unchanged when there is no such need.</summary>
    public static SeasonSheet Apply(SeasonSheet sheet, SeasonChange change)
    {
        if (change.Need < 0 || change.Need >= sheet.Needs.Count)
            return sheet;
        SeasonSheet With(Func<NeedDocument, NeedDocument> to) =>
            sheet with
            {
                Needs = [.. sheet.Needs.Select((n, i) => i == change.Need ? to(n) : n)],
            };
        return change switch
        {
            SeasonChange.Session s => WithSession(sheet, s.From, s.Until),
            SeasonChange.Way w => With(n =>
                n with
                {
                    Choices = new Dictionary<string, string>(n.Choices ?? new Dictionary<string, string>()) { [w.Choice] = w.Option },
                }
            ),
            SeasonChange.Fewer f => With(n => n with { Pieces = f.Pieces }),
            SeasonChange.UsualKeeping => With(n => n with { UsualKeeping = true }),
            SeasonChange.Other o => With(n => n with { Recipe = o.Recipe, Pieces = o.Pieces, Choices = null, UsualKeeping = false }),
            SeasonChange.Bought => sheet with { Needs = [.. sheet.Needs.Where((_, i) => i != change.Need)] },
            _ => throw new InvalidOperationException($"A change that nobody makes: {change}."),
        };
    }

    /// <summary>Index of a need by its id; -1 when there is none.</summary>
    public static int IndexOf(SeasonSheet sheet, string need)
    {
        for (var i = 0; i < sheet.Needs.Count; i++)
        {
            if (sheet.Needs[i].Id == need)
                return i;
        }

        return -1;
    }

    /// <summary>A session more on a date. A date that differs from its weekday says all its hours, so those of the usual week are said
    /// again.</summary>
    public static SeasonSheet WithSession(SeasonSheet sheet, LocalDateTime from, LocalDateTime until)
    {
        var date = LocalDatePattern.Iso.Format(from.Date);
        var own = sheet.Hours.Exceptions ?? [];
        var usual = own.Any(e => e.Date == date)
            ? []
            : sheet
                .Hours.Weekly.Where(w => w.Day.Equals(from.DayOfWeek.ToString(), StringComparison.OrdinalIgnoreCase))
                .Select(w => new ExceptionDocument(date, w.From, w.Until, w.People));
        return sheet with
        {
            Hours = sheet.Hours with { Exceptions = [.. own, .. usual, new ExceptionDocument(date, Hour(from), Hour(until))] },
        };
    }

    /// <summary>Work said to be done; what was said of it before no longer counts.</summary>
    public static SeasonSheet Done(SeasonSheet sheet, string need, int stretch, LocalDateTime at) =>
        sheet with
        {
            Done = [.. sheet.Done.Where(d => d.Need != need || d.Stretch != stretch), new DoneDocument(need, stretch, SeasonWriter.At(at))],
        };

    /// <summary>Work said not to be done after all, and whatever came after it.</summary>
    public static SeasonSheet NotDone(SeasonSheet sheet, string need, int stretch) =>
        sheet with
        {
            Done = [.. sheet.Done.Where(d => d.Need != need || d.Stretch < stretch)],
        };

    private static string Hour(LocalDateTime time) => time.ToString("HH:mm", CultureInfo.InvariantCulture);
}
