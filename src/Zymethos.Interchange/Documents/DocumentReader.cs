using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.WaysOut;

namespace Zymethos.Interchange.Documents;

/// <summary>
/// Turns documents of the open formats into the types of the core. Faults are collected with their paths; where one stands the value is
/// replaced by something harmless so that the rest can still be read and all faults come back together.
/// </summary>
public sealed class DocumentReader
{
    private const int MostSteps = 60;
    private const int MostBakes = 40;
    private const int MostByHand = 200;
    private const int LongestText = 4000;

    private readonly List<Fault> _faults = [];

    /// <summary>What was wrong so far.</summary>
    public IReadOnlyList<Fault> Faults => _faults;

    /// <summary>Reads a day to plan. The faults decide whether the result may be used.</summary>
    public (Kitchen Kitchen, DayWish Wish) Read(OvenDayDocument document)
    {
        if (document.Format != OvenDayDocument.FormatName)
            Wrong("format", $"This should be \"{OvenDayDocument.FormatName}\".");
        if (document.Version != 1)
            Wrong("version", "Only version 1 is known.");
        if (document.Solve is { } solve && !(solve.Seconds >= 0.2 && solve.Seconds <= 20))
            Wrong("solve.seconds", "The search may take 0.2 to 20 seconds.");
        var kitchen = Read(document.Kitchen, "kitchen");
        var date = Date(document.Day.Date, "day.date");
        var from = Moment(document.Day.From, date, "day.from");
        var until = Moment(document.Day.Until, date, "day.until");
        if (document.Bakes.Count > MostBakes)
            Wrong("bakes", $"At most {MostBakes} bakes fit in a day.");
        var bakes = document.Bakes.Take(MostBakes).Select((b, i) => Read(b, date, $"bakes[{i}]")).ToImmutableArray();
        return (
            kitchen,
            new DayWish(from, until, bakes)
            {
                Rests =
                [
                    .. (document.Day.Rests ?? [])
                        .Take(10)
                        .Select((r, i) => (Moment(r.From, date, $"day.rests[{i}].from"), Moment(r.Until, date, $"day.rests[{i}].until"))),
                ],
                Meals =
                [
                    .. (document.Day.Meals ?? [])
                        .Take(DayWish.MostMeals + 1)
                        .Select(
                            (m, i) =>
                                new MealWish(
                                    Moment(m.From, date, $"day.meals[{i}].from"),
                                    Moment(m.Until, date, $"day.meals[{i}].until"),
                                    m.Minutes
                                )
                        ),
                ],
                ByHand = document.ByHand is { } byHand ? Read(byHand, kitchen, date, from) : ByHand.Nothing,
                Lean = Choice(document.Lean, DayLean.DoneEarly, "lean"),
            }
        );
    }

    private ByHand Read(HandWishesDocument document, Kitchen kitchen, LocalDate date, LocalDateTime from) =>
        new(
            [
                .. (document.Pins ?? [])
                    .Take(MostByHand)
                    .Select(
                        (p, i) => new PinWish(new TaskId(p.Task), kitchen.MinutesBetween(from, Moment(p.At, date, $"byHand.pins[{i}].at")))
                    ),
            ],
            [.. (document.Orders ?? []).Take(MostByHand).Select(p => new PairWish(new TaskId(p.First), new TaskId(p.Second)))],
            [.. (document.Together ?? []).Take(MostByHand).Select(p => new PairWish(new TaskId(p.First), new TaskId(p.Second)))],
            [.. (document.Apart ?? []).Take(MostByHand).Select(p => new PairWish(new TaskId(p.First), new TaskId(p.Second)))],
            [
                .. (document.Allow ?? [])
                    .Take(MostByHand)
                    .Select((a, i) => new AllowWish(new TaskId(a.Task), a.Minutes) { Breaks = Breaks(a, i) }),
            ]
        )
        {
            After = [.. (document.After ?? []).Take(MostByHand).Select(p => new PairWish(new TaskId(p.First), new TaskId(p.Second)))],
            Since = document.Since is { } since ? Math.Max(0, kitchen.MinutesBetween(from, Moment(since, date, "byHand.since"))) : 0,
        };

    private ImmutableArray<Span> Breaks(AllowDocument allow, int number)
    {
        var breaks = allow.Breaks ?? [];
        var at = 0;
        foreach (var (pause, i) in breaks.Take(MostByHand).Select((b, i) => (b, i)))
        {
            if (pause.From < at || pause.Until <= pause.From || pause.Until > 10_000)
                Wrong($"byHand.allow[{number}].breaks[{i}]", "Breaks of a step come one after another and end after they begin.");
            at = Math.Max(at, pause.Until);
        }

        // What is no break was found wrong above; the day is refused with it.
        return [.. breaks.Take(MostByHand).Where(b => b.From <= b.Until).Select(b => new Span(b.From, b.Until))];
    }

    /// <summary>Reads a kitchen.</summary>
    public Kitchen Read(KitchenDocument document, string at)
    {
        return new Kitchen(
            document.Name,
            Read(document.Oven, $"{at}.oven"),
            [
                .. document.People.Select(
                    (p, i) => new Person(p.Name, Hour(p.From, $"{at}.people[{i}].from"), Hour(p.Until, $"{at}.people[{i}].until"))
                ),
            ],
            document.Mixers,
            Duration.FromMinutes(document.MixerWashMinutes),
            Celsius(document.RoomC, $"{at}.roomC"),
            Choice(document.Habit, MeasuringHabit.Metric, $"{at}.habit")
        )
        {
            FlourHabit = Choice(document.FlourHabit, FlourHabit.Table, $"{at}.flourHabit"),
            MixerLitres = Number(document.MixerLitres, $"{at}.mixerLitres"),
            ElevationMetres = Number(document.ElevationMetres, $"{at}.elevationMetres"),
            Pans = [.. (document.Pans ?? []).Take(60).Select((p, i) => new PanStock(Read(p.Pan, $"{at}.pans[{i}].pan"), p.Count))],
            SecondOven = document.SecondOven is { } second ? Read(second, $"{at}.secondOven") : null,
            RackShelves = Number(document.RackShelves, $"{at}.rackShelves"),
            FridgeLitres = Number(document.FridgeLitres, $"{at}.fridgeLitres"),
            FreezerLitres = Number(document.FreezerLitres, $"{at}.freezerLitres"),
            RoomByHour =
            [
                .. (document.RoomByHour ?? [])
                    .Take(24)
                    .Select(
                        (h, i) =>
                            new RoomHour(
                                Hour(h.From, $"{at}.roomByHour[{i}].from") ?? LocalTime.Midnight,
                                Celsius(h.RoomC, $"{at}.roomByHour[{i}].roomC")
                            )
                    ),
            ],
            Zone = document.Zone,
            Certainty = document.CertaintyPercent / 100.0,
            StretchMinutes = document.StretchMinutes,
            PauseMinutes = document.PauseMinutes,
            Children = [.. (document.Children ?? []).Take(5).Select(c => c ?? "")],
            Clock = Choice(document.Clock, ClockFace.Hours24, $"{at}.clock"),
            OtherMixers =
            [
                .. (document.OtherMixers ?? [])
                    .Take(Kitchen.MostOtherMixers + 1)
                    .Select((m, i) => new Mixer(m.Name ?? "", Number(m.Litres, $"{at}.otherMixers[{i}].litres"), m.Kneads)),
            ],
            Learned =
            [
                .. (document.Learned ?? [])
                    .Take(Kitchen.MostLearned + 1)
                    .Select(
                        (l, i) =>
                            new LearnedTime(
                                Choice(l.Kind, LearnedKind.Oven, $"{at}.learned[{i}].kind"),
                                l.Of ?? "",
                                Number(l.Factor, $"{at}.learned[{i}].factor"),
                                Number(l.Low, $"{at}.learned[{i}].low"),
                                Number(l.High, $"{at}.learned[{i}].high"),
                                l.Count
                            )
                            {
                                Scatter = Number(l.Scatter, $"{at}.learned[{i}].scatter"),
                                IsOff = l.Off,
                            }
                    ),
            ],
        };
    }

    private Oven Read(OvenDocument oven, string at) =>
        new(
            Duration.FromMinutes(oven.HeatUpMinutes),
            Duration.FromMinutes(oven.CoolShutMinutes),
            Duration.FromMinutes(oven.CoolAjarMinutes),
            Celsius(oven.HottestC, $"{at}.hottestC"),
            Number(oven.DoorDropC, $"{at}.doorDropC"),
            oven.Shelves,
            Centimetres(oven.ShelfWidthCm, $"{at}.shelfWidthCm"),
            Centimetres(oven.ShelfDepthCm, $"{at}.shelfDepthCm")
        )
        {
            ColdLoad = Duration.FromMinutes(oven.ColdLoadMinutes),
            Since = oven.Since is { } since ? Date(since, $"{at}.since") : null,
        };

    /// <summary>Reads a recipe.</summary>
    public Recipe Read(RecipeDocument document, string at)
    {
        if (string.IsNullOrWhiteSpace(document.Name) || document.Name.Length > 120)
            Wrong($"{at}.name", "A recipe needs a name of up to 120 characters.");
        if (document.Key.Length is < 1 or > 80)
            Wrong($"{at}.key", "A key has 1 to 80 characters.");
        if (document.Steps.Count > MostSteps)
            Wrong($"{at}.steps", $"A recipe has at most {MostSteps} steps.");
        if (document.Questions?.Count > OpenQuestion.Most)
            Wrong($"{at}.questions", $"A recipe has at most {OpenQuestion.Most} open questions.");
        if (document.Yield is { Pieces: < 1 or > 10000 })
            Wrong($"{at}.yield.pieces", "A batch gives 1 to 10000 pieces.");
        return new Recipe(
            document.Key,
            document.Name,
            document.Summary,
            document.Yield is { } y ? new Yield(y.Pieces, y.PieceName) : new Yield(1, "batch"),
            [.. (document.Parts ?? []).Select((p, i) => Read(p, $"{at}.parts[{i}]"))],
            [.. document.Steps.Take(MostSteps).Select((s, i) => Read(s, $"{at}.steps[{i}]"))],
            [.. (document.Links ?? []).Take(MostSteps * MostSteps).Select((l, i) => Read(l, $"{at}.links[{i}]"))],
            [.. (document.Keeping ?? []).Select((k, i) => Read(k, $"{at}.keeping[{i}]"))]
        )
        {
            Kind = Choice(document.Kind, RecipeKind.Other, $"{at}.kind"),
            Choices =
            [
                .. (document.Choices ?? []).Select(c => new Choice(
                    c.Key,
                    c.Question,
                    [.. c.Options.Select(o => new ChoiceOption(o.Key, o.Name, o.Why))],
                    c.Chosen
                )),
            ],
            Swaps = [.. (document.Swaps ?? []).Select(s => new Swap(s.Rule, s.Ingredient))],
            FlourHabit = document.FlourHabit is { } habit ? Choice(habit, FlourHabit.Table, $"{at}.flourHabit") : null,
            Dialect = document.Dialect is { } dialect ? Choice(dialect, Dialect.American, $"{at}.dialect") : null,
            Questions = [.. (document.Questions ?? []).Take(OpenQuestion.Most).Select((q, i) => Read(q, $"{at}.questions[{i}]"))],
            Finishes = [.. (document.Finishes ?? []).Take(Finish.Most + 1).Select(f => new Finish(f.Name, f.Pieces, [.. f.Only ?? []]))],
            DividedInto = Math.Clamp(document.DividedInto, 0, 1000),
            DivisionName = document.DivisionName,
        };
    }

    private KeepingPlace Read(KeepingDocument document, string at)
    {
        if (document.Days is < 1 or > 3650)
            Wrong($"{at}.days", "It keeps for 1 to 3650 days.");
        if (document.BestFromDays < 0 || document.BestFromDays > document.Days)
            Wrong($"{at}.bestFromDays", "It is at its best from a day on that lies within the days it keeps.");
        if (document.ThawHours is { } thaw && !(thaw >= 0 && thaw <= 240))
            Wrong($"{at}.thawHours", "Thawing takes 0 to 240 hours.");
        return new KeepingPlace(document.Place, document.Days)
        {
            BestFromDays = document.BestFromDays,
            ThawHours = document.ThawHours,
            Part = document.Part,
            After = document.After,
        };
    }

    private Condition? When(string? text, string at)
    {
        if (text is null)
            return null;
        var condition = Condition.Parse(text);
        if (condition is null)
            Wrong($"{at}.when", $"\"{text}\" is not a condition. Write it like soak=tea.");
        return condition;
    }

    private BakeWish Read(BakeDocument document, LocalDate date, string at)
    {
        if (document.Recipe is null == document.Steps is null)
            Wrong(at, "A bake has either a recipe or steps of its own.");
        var recipe = document.Recipe ?? new RecipeDocument("bake", document.Name ?? "Bake", document.Steps ?? [], document.Links);
        // Faults in bare steps carry the path the caller wrote, not the one of the recipe made of them.
        var read = Read(recipe, document.Recipe is null ? at : $"{at}.recipe");
        return new BakeWish(
            OnCounter(Widened(UsualWindows.Of(read), document.Wider ?? [], at), document.OnCounter ?? [], at),
            document.Batches,
            document.ReadyBy is { } ready ? Moment(ready, date, $"{at}.readyBy") : null,
            document.NotBefore is { } notBefore ? Moment(notBefore, date, $"{at}.notBefore") : null
        )
        {
            Modes = (document.Modes ?? new Dictionary<string, int>()).ToImmutableDictionary(),
            Yeast = Number(document.Yeast, $"{at}.yeast"),
        };
    }

    private Recipe Widened(Recipe recipe, IReadOnlyList<WiderDocument> wider, string at)
    {
        foreach (var (window, i) in wider.Select((w, i) => (w, i)))
        {
            var link = recipe.Links.FirstOrDefault(l => l.From == window.From && l.To == window.To && l.MaxLag is not null);
            if (link is null)
                Wrong($"{at}.wider[{i}]", $"No window closes between \"{window.From}\" and \"{window.To}\".");
            else if (window.Minutes is < 1 or > 1440)
                Wrong($"{at}.wider[{i}].minutes", "A window stays open 1 to 1440 minutes longer.");
            else
                recipe = recipe with
                {
                    Links = recipe.Links.Replace(link, link with { MaxLag = link.MaxLag + Duration.FromMinutes(window.Minutes) }),
                };
        }

        return recipe;
    }

    private Recipe OnCounter(Recipe recipe, IReadOnlyList<string> steps, string at)
    {
        foreach (var (step, i) in steps.Select((s, i) => (s, i)))
        {
            if (CounterRise.InSpell(recipe).All(s => s.Key != step))
                Wrong($"{at}.onCounter[{i}]", $"\"{step}\" is not a rise that the recipe gives to the oven alone.");
        }

        return CounterRise.Spend(recipe, steps);
    }

    private OpenQuestion Read(QuestionDocument document, string at)
    {
        if (string.IsNullOrWhiteSpace(document.Text) || document.Text.Length > OpenQuestion.Longest)
            Wrong($"{at}.text", $"A question has words, {OpenQuestion.Longest} characters at most.");
        return new OpenQuestion(Choice(document.About, QuestionAbout.Other, $"{at}.about"), document.Text ?? "");
    }

    private Part Read(PartDocument document, string at) =>
        new(
            document.Name,
            Choice(document.Kind, PartKind.Dough, $"{at}.kind"),
            [.. document.Lines.Select((l, i) => Read(l, $"{at}.lines[{i}]"))]
        );

    private IngredientLine Read(LineDocument document, string at)
    {
        var unit = MeasureUnit.Find(document.Unit);
        if (unit is null)
            Wrong($"{at}.unit", $"\"{document.Unit}\" is not a unit of the format.");
        if (document.Amount is { } low && !(low > 0 && low < 1e6))
            Wrong($"{at}.amount", "An amount is above zero.");
        if (document.AmountTo < document.Amount || document.AmountTo >= 1e6)
            Wrong($"{at}.amountTo", "A range goes from the smaller to the larger amount.");
        if (document.Grams is { } grams && !(grams >= 0 && grams < 1e6))
            Wrong($"{at}.grams", "A weight is zero or more grams.");
        return new IngredientLine(
            document.Amount is { } amount ? new Amount(amount, document.AmountTo ?? amount, unit ?? MeasureUnit.Piece) : null,
            document.Grams is { } g && g is >= 0 and < 1e6 ? Mass.FromGrams(g) : null,
            document.Ingredient,
            document.Form,
            document.Note,
            document.Optional
        )
        {
            Written = document.Written,
            IsHeldBack = document.HeldBack,
            IsAside = document.Aside,
            Alternatives = [.. document.Alternatives ?? []],
            When = When(document.When, at),
        };
    }

    private Step Read(StepDocument document, string at)
    {
        var kind = Choice(document.Kind, StepKind.Work, $"{at}.kind");
        if (string.IsNullOrWhiteSpace(document.Title) || document.Title.Length > 120)
            Wrong($"{at}.title", "A step needs a title of up to 120 characters.");
        if (document.Instruction.Length > LongestText)
            Wrong($"{at}.instruction", $"An instruction has at most {LongestText} characters.");
        if (document.Minutes.Count != 3)
            Wrong($"{at}.minutes", "Give three times in minutes: shortest, usual, longest.");
        var minutes = document.Minutes.Count == 3 ? document.Minutes : [1, 1, 1];
        return new Step(
            document.Key,
            document.Title,
            document.Instruction,
            kind,
            DurationEstimate.Minutes(minutes[0], minutes[1], minutes[2]),
            document.Hands ?? (kind is StepKind.Work or StepKind.Mix ? 1 : 0),
            document.Oven is { } oven ? Read(oven, $"{at}.oven") : null,
            document.Times,
            [.. (document.DoneTests ?? []).Select(t => new DoneTest(t))],
            [.. (document.Cautions ?? []).Select((c, i) => Choice(c, CautionKind.Burns, $"{at}.cautions[{i}]"))]
        )
        {
            Modes = [.. (document.Modes ?? []).Select((m, i) => Read(m, $"{at}.modes[{i}]"))],
            Touches = [.. (document.Touches ?? []).Select((t, i) => Read(t, $"{at}.touches[{i}]"))],
            When = When(document.When, at),
        };
    }

    private StepMode Read(ModeDocument document, string at)
    {
        if (document.Minutes.Count != 3)
            Wrong($"{at}.minutes", "Give three times in minutes: shortest, usual, longest.");
        var minutes = document.Minutes.Count == 3 ? document.Minutes : [1, 1, 1];
        return new StepMode(
            document.Name,
            Choice(document.Kind, StepKind.Proof, $"{at}.kind"),
            DurationEstimate.Minutes(minutes[0], minutes[1], minutes[2]),
            document.Oven is { } oven ? Read(oven, $"{at}.oven") : null
        );
    }

    private BakeTouch Read(TouchDocument document, string at)
    {
        if (!(document.At > 0 && document.At < 1))
            Wrong($"{at}.at", "A touch comes between the start and the end of the bake: above 0 and below 1.");
        return new BakeTouch(Choice(document.Kind, TouchKind.Turn, $"{at}.kind"), document.At, document.Title);
    }

    private OvenUse Read(OvenUseDocument document, string at) =>
        new(
            Choice(document.State, OvenState.Bake, $"{at}.state"),
            Celsius(document.SetTemperatureC, $"{at}.setTemperatureC"),
            Read(document.Pan, $"{at}.pan"),
            document.Pans
        )
        {
            Shelf = Choice(document.Shelf, ShelfWish.Any, $"{at}.shelf"),
            Sheet = document.Sheet is { } sheet ? Read(sheet, $"{at}.sheet") : null,
            Tolerance = Number(document.ToleranceC, $"{at}.toleranceC"),
        };

    /// <summary>Reads a pan.</summary>
    public Pan Read(PanDocument document, string at)
    {
        if (document.Cups is < 1 or > 48)
            Wrong($"{at}.cups", "A tin has 1 to 48 cups.");
        return new Pan(document.Name, Centimetres(document.LengthCm, $"{at}.lengthCm"), Centimetres(document.WidthCm, $"{at}.widthCm"))
        {
            Shape = Choice(document.Shape, PanShape.Tray, $"{at}.shape"),
            Depth = document.DepthCm is { } depth ? Centimetres(depth, $"{at}.depthCm") : null,
            Cups = Math.Clamp(document.Cups, 1, 48),
            CupWidth = document.CupCm is { } cup ? Centimetres(cup, $"{at}.cupCm") : null,
        };
    }

    private Link Read(LinkDocument document, string at) =>
        new(
            document.From,
            document.To,
            Duration.FromMinutes(document.MinLagMinutes),
            document.MaxLagMinutes is { } most ? Duration.FromMinutes(most) : null,
            Choice(document.Window, WindowKind.Hard, $"{at}.window"),
            document.Why
        )
        {
            When = When(document.When, at),
        };

    private void Wrong(string path, string message) => _faults.Add(new Fault(path, message));

    private double Number(double value, string at)
    {
        if (double.IsFinite(value))
            return value;
        Wrong(at, "This is not a number that can be used.");
        return 0;
    }

    private double? Number(double? value, string at) => value is { } given ? Number(given, at) : null;

    private Temperature Celsius(double value, string at)
    {
        if (double.IsFinite(value) && value is >= Temperature.AbsoluteZeroCelsius and <= 2000)
            return Temperature.FromCelsius(value);
        Wrong(at, "No oven and no room has this temperature. Give degrees Celsius.");
        return Temperature.FromCelsius(20);
    }

    private Length Centimetres(double value, string at)
    {
        if (double.IsFinite(value) && value is > 0 and <= 1000)
            return Length.FromMillimetres(value * 10);
        Wrong(at, "A length is above zero and given in centimetres.");
        return Length.FromMillimetres(1);
    }

    private LocalDate Date(string text, string at)
    {
        var parsed = LocalDatePattern.Iso.Parse(text);
        if (parsed.Success)
            return parsed.Value;
        Wrong(at, $"\"{text}\" is not a date. Write it like 2026-12-05.");
        return new LocalDate(2000, 1, 1);
    }

    private LocalTime? Hour(string? text, string at)
    {
        if (text is null)
            return null;
        var parsed = ClockPattern.Parse(text);
        if (parsed.Success)
            return parsed.Value;
        Wrong(at, $"\"{text}\" is not a time of day. Write it like 08:30.");
        return null;
    }

    private LocalDateTime Moment(string text, LocalDate date, string at)
    {
        var hour = ClockPattern.Parse(text);
        if (hour.Success)
            return date.At(hour.Value);
        var moment = MomentPattern.Parse(text);
        if (moment.Success)
            return moment.Value;
        Wrong(at, $"\"{text}\" is not a time. Write it like 08:30, or 2026-12-06T01:00 on another date.");
        return date.AtMidnight();
    }

    private T Choice<T>(string text, T fallback, string at)
        where T : struct, Enum
    {
        foreach (var value in Enum.GetValues<T>())
        {
            if (string.Equals(DocumentWords.Of(value), text, StringComparison.Ordinal))
                return value;
        }

        Wrong(at, $"\"{text}\" is not one of {string.Join(", ", Enum.GetValues<T>().Select(v => DocumentWords.Of(v)))}.");
        return fallback;
    }

    private static readonly LocalTimePattern ClockPattern = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private static readonly LocalDateTimePattern MomentPattern = LocalMoment.Pattern;
}
