using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Store;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Today;

/// <summary>The four things that a new kitchen is asked: measures and clock, oven, who bakes, and when.</summary>
public sealed class FirstModel(ZymethosContext context, IClock clock) : PageModel
{
    private const int MostPeople = 4;
    private readonly Dictionary<string, string> _wrong = new(StringComparer.Ordinal);

    /// <summary>"g24", "g12" or "c12".</summary>
    [BindProperty]
    public string? Measures { get; set; }

    /// <summary>Time zone, as the device says it or as it was typed.</summary>
    [BindProperty]
    public string? Zone { get; set; }

    /// <summary>Minutes from cold to 180 C (355 F); empty where nobody has looked yet.</summary>
    [BindProperty]
    public string? HeatUp { get; set; }

    /// <summary>Trays that bake at once.</summary>
    [BindProperty]
    public string? Shelves { get; set; }

    /// <summary>Who bakes, with commas.</summary>
    [BindProperty]
    public string? Who { get; set; }

    /// <summary>The first day of baking.</summary>
    [BindProperty]
    public string? Date { get; set; }

    /// <summary>From when.</summary>
    [BindProperty]
    public string? From { get; set; }

    /// <summary>Until when.</summary>
    [BindProperty]
    public string? Until { get; set; }

    /// <summary>How hours and heats are said here.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongOf(string field) => _wrong.GetValueOrDefault(field, "");

    /// <summary>The page, with what the kitchen says already.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var kitchen = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen();
        Says = kitchen.Says;
        Measures =
            kitchen.Habit == MeasuringHabit.UsCustomary ? "c12"
            : kitchen.Clock == ClockFace.Hours12 ? "g12"
            : "g24";
        Zone = kitchen.Zone == "Etc/UTC" ? "" : kitchen.Zone;
        HeatUp = kitchen.Oven.HeatUp.TotalMinutes.ToString("0", CultureInfo.InvariantCulture);
        Shelves = kitchen.Oven.Shelves.ToString(CultureInfo.InvariantCulture);
        Who = string.Join(", ", kitchen.People.Select(p => p.Name).Where(n => n != "Baker"));
        var today = KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant()).Date;
        Date = LocalDatePattern.Iso.Format(
            today.DayOfWeek == IsoDayOfWeek.Saturday ? today.PlusWeeks(1) : today.Next(IsoDayOfWeek.Saturday)
        );
        (From, Until) = ("09:00", "17:00");
    }

    /// <summary>Takes the answers and goes on to what is baked.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var row = await context.Kitchens.SingleAsync(cancel);
        var before = row.ToKitchen();
        Says = before.Says;
        var kitchen = Read(before);
        if (_wrong.Count == 0)
            foreach (var fault in KitchenCheck.Find(kitchen))
                _wrong[fault.Path.StartsWith("people", StringComparison.Ordinal) ? "who" : "oven"] = fault.Message;
        if (_wrong.Count > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        row.Take(kitchen);
        await context.SaveChangesAsync(cancel);
        return Redirect($"/today/make?First=true&Date={Date}&From={ClockText.Tidy(From)}&By={ClockText.Tidy(Until)}");
    }

    private Core.Kitchens.Kitchen Read(Core.Kitchens.Kitchen before)
    {
        var zone = (Zone ?? "").Trim() is { Length: > 0 } typed ? typed : before.Zone;
        if (DateTimeZoneProviders.Tzdb.GetZoneOrNull(zone) is null)
            _wrong["zone"] = "This time zone is not known. They are written like Europe/Lisbon or America/Denver.";
        if (WholeNumber.Read(HeatUp) is not (>= 3 and <= 60) || WholeNumber.Read(HeatUp) is not { } heatUp)
            (_wrong["oven"], heatUp) = ("Between 3 and 60 minutes; 14 is usual where nobody has looked.", 14);
        if (WholeNumber.Read(Shelves) is not (>= 1 and <= 6) || WholeNumber.Read(Shelves) is not { } shelves)
            (_wrong["shelves"], shelves) = ("Between 1 and 6.", 1);
        var names = (Who ?? "")
            .Split([',', ';', '\n', '&'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .SelectMany(n => n.Split(" and ", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .ToList();
        if (names.Count == 0)
            names.Add("Baker");
        if (names.Count > MostPeople)
            _wrong["who"] = $"Up to {MostPeople} people are planned for at once.";
        if (!LocalDatePattern.Iso.Parse(Date ?? "").Success)
            _wrong["date"] = "Choose a date.";
        var (from, until) = (ClockText.Read(From), ClockText.Read(Until));
        if (from is null || until is null)
            _wrong["hours"] = "From when until when? Like 9:00 and 17:00.";
        else if (until <= from)
            _wrong["hours"] = "The end has to come after the beginning.";
        return before with
        {
            Habit = Measures == "c12" ? MeasuringHabit.UsCustomary : MeasuringHabit.Metric,
            Clock = Measures is "c12" or "g12" ? ClockFace.Hours12 : ClockFace.Hours24,
            Zone = zone,
            Oven = before.Oven with { HeatUp = Duration.FromMinutes(heatUp), Shelves = shelves },
            People = [.. names.Take(MostPeople).Select(n => before.People.FirstOrDefault(p => p.Name == n) ?? new Person(n, null, null))],
        };
    }
}
