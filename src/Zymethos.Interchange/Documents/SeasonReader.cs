using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Documents;

/// <summary>Reads a season from its document; all faults come back together with their paths.</summary>
public sealed class SeasonReader
{
    /// <summary>The most needs of a season.</summary>
    public const int MostNeeds = 120;

    /// <summary>Longest advice, in characters.</summary>
    public const int LongestAdvice = 300;

    private const int MostSessions = 400;
    private const int MostDays = 400;
    private const int MostBusy = 2000;
    private static readonly LocalDateTimePattern Moment = LocalMoment.Pattern;
    private static readonly LocalTimePattern Hour = LocalTimePattern.CreateWithInvariantCulture("HH:mm");

    private readonly Func<Recipe, IngredientKnowledge> _known;
    private readonly DocumentReader _reader = new();
    private Allergen? _clearOf;

    /// <summary>A reader for a kitchen that knows what is shipped.</summary>
    public SeasonReader()
        : this(_ => IngredientKnowledge.Shipped) { }

    /// <summary>A reader.</summary>
    /// <param name="known">What the kitchen knows of a recipe's ingredients.</param>
    public SeasonReader(Func<Recipe, IngredientKnowledge> known) => _known = known;

    private readonly List<Fault> _faults = [];

    /// <summary>What was wrong so far.</summary>
    public IReadOnlyList<Fault> Faults => [.. _reader.Faults, .. _faults];

    /// <summary>Reads a whole season. The faults decide whether the result may be used.</summary>
    public SeasonWish Read(SeasonDocument document)
    {
        if (document.Format != SeasonDocument.FormatName)
            Wrong("format", $"This should be \"{SeasonDocument.FormatName}\".");
        if (document.Version != 1)
            Wrong("version", "Only version 1 is known.");
        if (document.Solve is { } solve && !(solve.Seconds >= 0.2 && solve.Seconds <= 20))
            Wrong("solve.seconds", "The search may take 0.2 to 20 seconds.");
        var kitchen = _reader.Read(document.Kitchen, "kitchen");
        _faults.AddRange(KitchenCheck.Find(kitchen).Select(f => f.Under("kitchen")));
        var recipes = document.Recipes.Select((r, i) => Recipe(r, $"recipes[{i}]")).ToList();
        var now = Time(document.Now, "now");
        var occasions = document.Occasions.Select((o, i) => Read(o, $"occasions[{i}]")).ToImmutableArray();
        var sessions = document switch
        {
            { Sessions: { } given } => Sessions(given),
            { Hours: { } hours } => Sessions(Read(hours), document.Start is { } start ? Date(start, "start") : now.Date, occasions),
            _ => Missing(),
        };
        FindInOutcomes(document.Outcomes ?? []);
        _clearOf = ClearOf(document.ClearFirst);
        return Complete(kitchen, now, occasions, document.Needs, recipes, sessions, document.Done ?? []);
    }

    /// <summary>Reads what a baker said of a season, for a kitchen and its Book.</summary>
    /// <param name="sheet">What was said.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="book">Its recipes.</param>
    /// <param name="now">The time in the kitchen.</param>
    public SeasonWish Read(SeasonSheet sheet, Kitchen kitchen, IReadOnlyList<Recipe> book, LocalDateTime now)
    {
        var occasions = sheet.Occasions.Select((o, i) => Read(o, $"occasions[{i}]")).ToImmutableArray();
        FindInOutcomes(sheet.Outcomes ?? []);
        _clearOf = ClearOf(sheet.ClearFirst);
        return Complete(
            kitchen,
            now,
            occasions,
            sheet.Needs,
            [.. book],
            Sessions(Read(sheet.Hours), Date(sheet.Start, "start"), occasions),
            sheet.Done
        );
    }

    private void FindInOutcomes(IReadOnlyList<OutcomeDocument> outcomes)
    {
        if (outcomes.Count > MostNeeds)
            Wrong("outcomes", $"A season has up to {MostNeeds} outcomes.");
        for (var i = 0; i < Math.Min(outcomes.Count, MostNeeds); i++)
        {
            var one = outcomes[i];
            if (new[] { one.Made, one.Left, one.More }.Any(p => p is < 0 or > 10_000))
                Wrong($"outcomes[{i}]", "Pieces are 0 to 10,000.");
            if (one.WhoMore.Length > 80 || one.Advice.Length > LongestAdvice)
                Wrong($"outcomes[{i}]", $"Advice has up to {LongestAdvice} characters, and a name up to 80.");
        }
    }

    private SeasonWish Complete(
        Kitchen kitchen,
        LocalDateTime now,
        ImmutableArray<Occasion> occasions,
        IReadOnlyList<NeedDocument> needs,
        List<Recipe> recipes,
        ImmutableArray<SeasonSession> sessions,
        IReadOnlyList<DoneDocument> done
    )
    {
        if (needs.Count is 0 or > MostNeeds)
            Wrong("needs", $"A season has 1 to {MostNeeds} needs.");
        if (occasions.Select(o => o.Name).Distinct(StringComparer.Ordinal).Count() < occasions.Length)
            Wrong("occasions", "Two dates have the same name. Give each its own.");
        ImmutableArray<Need> read =
        [
            .. needs.Take(MostNeeds).Select((n, i) => Read(n, occasions, recipes, $"needs[{i}]", i)).OfType<Need>(),
        ];
        if (read.Select(n => n.Id).Distinct(StringComparer.Ordinal).Count() < read.Length)
            Wrong("needs", "Two needs have the same id. Give each its own, or none.");
        return new SeasonWish(kitchen, now, occasions, read, sessions)
        {
            Done = [.. done.Select((d, i) => Read(d, read, $"done[{i}]")).OfType<DoneWork>()],
            ClearOf = _clearOf,
        };
    }

    private Allergen? ClearOf(string? word)
    {
        if (word is null)
            return null;
        foreach (var allergen in Enum.GetValues<Allergen>())
        {
            if (DocumentWords.Of(allergen) == word)
                return allergen;
        }

        Wrong("clearFirst", $"“{word}” is not an allergen as these files name them.");
        return null;
    }

    private Recipe Recipe(RecipeDocument document, string at)
    {
        var recipe = _reader.Read(document, at);
        _faults.AddRange(RecipeCheck.Find(recipe).Select(f => f.Under(at)));
        return recipe;
    }

    private Occasion Read(OccasionDocument document, string at)
    {
        if (document.Name.Trim().Length is 0 or > 80)
            Wrong($"{at}.name", "Give the date a name of up to 80 characters.");
        if (document.TransitDays is < 0 or > 30)
            Wrong($"{at}.transitDays", "A parcel travels 0 to 30 days.");
        var handing = Enum.GetValues<Handing>()
            .Where(h => DocumentWords.Of(h) == document.Handing)
            .Select(h => (Handing?)h)
            .FirstOrDefault();
        if (handing is null)
            Wrong($"{at}.handing", $"\"{document.Handing}\" is not one of served, handedOver, posted.");
        if (document.HoursOut is not (>= 0 and <= Occasion.MostHoursOut))
            Wrong($"{at}.hoursOut", $"Out of the cold is 0 to {Occasion.MostHoursOut} hours.");
        return new Occasion(
            document.Name,
            Time(document.At, $"{at}.at"),
            handing ?? Handing.Served,
            Math.Clamp(document.TransitDays, 0, 30)
        )
        {
            HoursOut = document.HoursOut is >= 0 and <= Occasion.MostHoursOut ? document.HoursOut : 0,
        };
    }

    private Need? Read(NeedDocument document, ImmutableArray<Occasion> occasions, List<Recipe> recipes, string at, int index)
    {
        var occasion = occasions
            .Select((o, i) => (o, i))
            .Where(p => p.o.Name == document.Occasion)
            .Select(p => p.i)
            .DefaultIfEmpty(-1)
            .First();
        if (occasion < 0)
            Wrong($"{at}.occasion", $"There is no occasion \"{document.Occasion}\" in this season.");
        var recipe = recipes.Find(r => r.Key == document.Recipe);
        if (recipe is null)
            Wrong($"{at}.recipe", $"There is no recipe \"{document.Recipe}\" in this season.");
        if (document.Pieces is < 1 or > 10_000)
            Wrong($"{at}.pieces", "1 to 10000 pieces are wanted.");
        if (document.For.Length > 200)
            Wrong($"{at}.for", "At most 200 characters.");
        if (occasion < 0 || recipe is null || document.Pieces < 1)
            return null;
        if (RecipeCheck.Missing(recipe) is { Count: > 0 } missing)
            Wrong($"{at}.recipe", $"{recipe.Name} cannot be planned yet: {missing[0]}");
        foreach (var (choice, option) in document.Choices ?? new Dictionary<string, string>())
        {
            var chosen = ChosenRecipe.Choose(recipe, choice, option);
            if (!recipe.Choices.Any(c => c.Key == choice && c.Options.Any(o => o.Key == option)))
                Wrong($"{at}.choices.{choice}", $"{recipe.Name} has no such choice as {choice}={option}.");
            recipe = chosen;
        }

        if (document.UsualKeeping)
            recipe = KeepingDefaults.Added(recipe);
        if (document.Boxes < 0 || (document.Boxes > 0 && document.Pieces % document.Boxes != 0))
            Wrong($"{at}.boxes", "The pieces must go evenly into the boxes.");
        return new Need(document.Id.Length > 0 ? document.Id : $"n{index + 1}", occasion, recipe, document.Pieces, document.For)
        {
            Boxes = Math.Max(0, document.Boxes),
            Finish = FinishOf(document, recipe, at),
            // Unknown is never free.
            IsClear = _clearOf is { } of && AllergenStatement.Of(recipe, _known(recipe)).FreeFrom.Contains(of),
            Advice = document.Advice.Length <= LongestAdvice ? document.Advice : document.Advice[..LongestAdvice],
        };
    }

    private string FinishOf(NeedDocument document, Recipe recipe, string at)
    {
        if (document.Finish.Length == 0)
            return "";
        if (recipe.Finishes.FirstOrDefault(f => f.Name.Equals(document.Finish, StringComparison.OrdinalIgnoreCase)) is { } finish)
            return finish.Name;
        Wrong($"{at}.finish", $"{NeedsText.WaysOf(recipe)} “{document.Finish}” is none of them.");
        return "";
    }

    private DoneWork? Read(DoneDocument document, ImmutableArray<Need> needs, string at)
    {
        // What was done for a need that was taken out since is no fault; it is only of no use.
        if (!needs.Any(n => n.Id == document.Need))
            return null;
        if (document.Stretch < 0)
            Wrong($"{at}.stretch", "The pieces of work are counted from 0.");
        return new DoneWork(document.Need, document.Stretch, Time(document.At, $"{at}.at"));
    }

    /// <summary>Reads hours.</summary>
    public FreeHours Read(HoursDocument document)
    {
        var busy = document.Busy ?? [];
        if (busy.Count > MostBusy)
            Wrong("hours.busy", $"At most {MostBusy} busy spans.");
        return new FreeHours(
            [
                .. document.Weekly.Select(
                    (w, i) =>
                        new WeeklyHours(
                            Day(w.Day, $"hours.weekly[{i}].day"),
                            Clock(w.From, $"hours.weekly[{i}].from"),
                            Clock(w.Until, $"hours.weekly[{i}].until"),
                            Math.Clamp(w.People, 1, 4)
                        )
                ),
            ],
            document.Spell is { } spell ? Clock(spell, "hours.spell") : null,
            [
                .. (document.Exceptions ?? []).Select(
                    (e, i) =>
                        new HoursException(
                            Date(e.Date, $"hours.exceptions[{i}].date"),
                            e.From is { } from ? Clock(from, $"hours.exceptions[{i}].from") : null,
                            e.Until is { } until ? Clock(until, $"hours.exceptions[{i}].until") : null,
                            Math.Clamp(e.People, 1, 4)
                        )
                ),
            ],
            [
                .. busy.Take(MostBusy)
                    .Select(
                        (b, i) => new BusyTime(Time(b.From, $"hours.busy[{i}].from"), Time(b.Until, $"hours.busy[{i}].until"), b.Title)
                    ),
            ]
        );
    }

    private ImmutableArray<SeasonSession> Sessions(FreeHours hours, LocalDate start, ImmutableArray<Occasion> occasions)
    {
        if (occasions.IsEmpty)
            return [];
        var end = occasions.Max(o => o.At).Date;
        if (Period.Between(start, end, PeriodUnits.Days).Days > MostDays)
        {
            Wrong("start", $"A season is at most {MostDays} days long.");
            return [];
        }

        return hours.Sessions(start, end);
    }

    private ImmutableArray<SeasonSession> Missing()
    {
        Wrong("sessions", "Say when there is time: sessions one by one, or hours of a usual week.");
        return [];
    }

    private ImmutableArray<SeasonSession> Sessions(IReadOnlyList<SessionDocument> documents)
    {
        if (documents.Count > MostSessions)
            Wrong("sessions", $"A season has at most {MostSessions} sessions.");
        var sessions = ImmutableArray.CreateBuilder<SeasonSession>();
        for (var i = 0; i < Math.Min(MostSessions, documents.Count); i++)
        {
            var session = new SeasonSession(
                Time(documents[i].From, $"sessions[{i}].from"),
                Time(documents[i].Until, $"sessions[{i}].until"),
                Math.Clamp(documents[i].People, 1, 4)
            )
            {
                IsOddMoment = documents[i].Spell,
            };
            if (session.Minutes is <= 0 or > 24 * 60)
                Wrong($"sessions[{i}].until", "A session ends after it starts and within a day of it.");
            else if (sessions.Count > 0 && session.From < sessions[^1].Until)
                Wrong($"sessions[{i}].from", "Sessions stand in order and apart.");
            else
                sessions.Add(session);
        }

        return sessions.ToImmutable();
    }

    private LocalDateTime Time(string text, string at)
    {
        if (Moment.Parse(text) is { Success: true } time && time.Value.Year is > 1900 and < 2200)
            return time.Value;
        Wrong(at, $"\"{text}\" is not a time. Write it like 2026-12-13T17:00.");
        return new LocalDateTime(2000, 1, 1, 0, 0);
    }

    private LocalDate Date(string text, string at)
    {
        if (LocalDatePattern.Iso.Parse(text) is { Success: true } date && date.Value.Year is > 1900 and < 2200)
            return date.Value;
        Wrong(at, $"\"{text}\" is not a date. Write it like 2026-12-13.");
        return new LocalDate(2000, 1, 1);
    }

    private LocalTime Clock(string text, string at)
    {
        if (Hour.Parse(text) is { Success: true } time)
            return time.Value;
        Wrong(at, $"\"{text}\" is not an hour. Write it like 18:00.");
        return LocalTime.Midnight;
    }

    private IsoDayOfWeek Day(string text, string at)
    {
        var day = Enum.GetValues<IsoDayOfWeek>()
            .Where(d => d != IsoDayOfWeek.None && d.ToString().Equals(text, StringComparison.OrdinalIgnoreCase))
            .FirstOrDefault(IsoDayOfWeek.None);
        if (day == IsoDayOfWeek.None)
            Wrong(at, $"\"{text}\" is not a weekday: monday to sunday.");
        return day == IsoDayOfWeek.None ? IsoDayOfWeek.Monday : day;
    }

    private void Wrong(string path, string message) => _faults.Add(new Fault(path, message));
}
