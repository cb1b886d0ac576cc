using System.Globalization;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Interchange;
using Zymethos.Core.Seasons;

namespace Zymethos.Web.Seasons;

/// <summary>Changes to what was said of a season, one touch each.</summary>
public static class SeasonMoves
{
    /// <summary>A change as a form carries it.</summary>
    public static string Write(SeasonChange change) => change switch
    {
        SeasonChange.Session s => $"session|{SeasonWriter.At(s.From)}|{SeasonWriter.At(s.Until)}",
        SeasonChange.Way w => $"way|{w.Choice}|{w.Option}",
        SeasonChange.Fewer f => $"fewer|{f.Pieces.ToString(CultureInfo.InvariantCulture)}",
        SeasonChange.UsualKeeping => "usual",
        SeasonChange.Other o => $"other|{o.Recipe}|{o.Pieces.ToString(CultureInfo.InvariantCulture)}",
        _ => "bought",
    };

    /// <summary>The sheet with a change made to a need; unchanged when the change cannot be meant.</summary>
    public static SeasonSheet Apply(SeasonSheet sheet, string need, string change)
    {
        SeasonSheet With(Func<NeedDocument, NeedDocument> to) => sheet with { Needs = [.. sheet.Needs.Select(n => n.Id == need ? to(n) : n)] };
        return change.Split('|') switch
        {
            ["session", var from, var until] => WithSession(sheet, from, until),
            ["way", var choice, var option] => With(n => n with { Choices = new Dictionary<string, string>(n.Choices ?? new Dictionary<string, string>()) { [choice] = option } }),
            ["fewer", var pieces] when int.TryParse(pieces, NumberStyles.None, CultureInfo.InvariantCulture, out var p) => With(n => n with { Pieces = p }),
            ["usual"] => With(n => n with { UsualKeeping = true }),
            ["other", var recipe, var pieces] when int.TryParse(pieces, NumberStyles.None, CultureInfo.InvariantCulture, out var p) => With(n => n with { Recipe = recipe, Pieces = p, Choices = null, UsualKeeping = false }),
            ["bought"] => sheet with { Needs = [.. sheet.Needs.Where(n => n.Id != need)] },
            _ => sheet,
        };
    }

    /// <summary>A session more on a date. A date that differs from its weekday says all its hours, so those of the usual week are said again.</summary>
    public static SeasonSheet WithSession(SeasonSheet sheet, string from, string until)
    {
        var moment = LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm");
        if (moment.Parse(from) is not { Success: true } start || moment.Parse(until) is not { Success: true } end) return sheet;
        var date = LocalDatePattern.Iso.Format(start.Value.Date);
        var own = sheet.Hours.Exceptions ?? [];
        var usual = own.Any(e => e.Date == date) ? [] : sheet.Hours.Weekly.Where(w => w.Day.Equals(start.Value.DayOfWeek.ToString(), StringComparison.OrdinalIgnoreCase)).Select(w => new ExceptionDocument(date, w.From, w.Until, w.People));
        return sheet with { Hours = sheet.Hours with { Exceptions = [.. own, .. usual, new ExceptionDocument(date, Hour(start.Value), Hour(end.Value))] } };
    }

    /// <summary>Work said to be done; what was said of it before no longer counts.</summary>
    public static SeasonSheet Done(SeasonSheet sheet, string need, int stretch, LocalDateTime at) =>
        sheet with { Done = [.. sheet.Done.Where(d => d.Need != need || d.Stretch != stretch), new DoneDocument(need, stretch, SeasonWriter.At(at))] };

    /// <summary>Work said not to be done after all, and whatever came after it.</summary>
    public static SeasonSheet NotDone(SeasonSheet sheet, string need, int stretch) =>
        sheet with { Done = [.. sheet.Done.Where(d => d.Need != need || d.Stretch < stretch)] };

    private static string Hour(LocalDateTime time) => time.ToString("HH:mm", CultureInfo.InvariantCulture);
}
