using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>A network, or the list of what is wrong with what was asked for.</summary>
/// <param name="Network">Null when <paramref name="Faults"/> is not empty.</param>
/// <param name="Faults">What is wrong, with paths of the open format.</param>
public sealed record CompileResult(TaskNetwork? Network, IReadOnlyList<Fault> Faults);

/// <summary>
/// Turns recipes, a kitchen and a working span into a <see cref="TaskNetwork"/>. It is the only place that reads a recipe's method for
/// planning. What it adds of its own:
/// <list type="bullet">
/// <item>repeated steps become one task for each wave, and each batch its own set of tasks;</item>
/// <item>a minute of hands at the start and the end of every bake, and at the start of an oven-proof spell;</item>
/// <item>after an oven-proof spell the step "take dough, towel and water out of the oven", at once and still in the cold oven, so that no
/// heating can start before it;</item>
/// <item>washing time on the mixer after each mix; several mixes where the bowl does not take a batch, one for two batches where it
/// does;</item>
/// <item>pans of which the kitchen has a known number, from filling to washing, and room on racks, in the refrigerator and the freezer
/// where the kitchen counts it;</item>
/// <item>a minute of hands for whatever is done to a bake part-way, and three for each fold of a rise;</item>
/// <item>rises as long as the room at their hour, the oven-proof spell or the refrigerator makes them.</item>
/// </list>
/// </summary>
public static class TaskCompiler
{
    /// <summary>Longest working span, in hours.</summary>
    public const int LongestSpanHours = 24;

    /// <summary>Longest time from the first minute to the last of a day with rests in it, in hours.</summary>
    public const int LongestWithRestsHours = 60;

    /// <summary>Minutes of hands to put a load in, and as much to take it out (common practice, no source).</summary>
    public const int DoorMinutes = 1;

    /// <summary>Minutes of hands to fold a dough once while it rises (common practice, no source).</summary>
    public const int FoldMinutes = 3;

    /// <summary>Minutes to clear the oven after an oven-proof spell (common practice, no source).</summary>
    public const int ClearOvenMinutes = 2;

    /// <summary>Minutes until a pan that left the oven is emptied and washed (common practice, no source).</summary>
    public const int PanWashMinutes = 12;

    /// <summary>What a mixer's work warms a dough by, in degrees Celsius: the 24 F of Hamelman's worked example ("Bread").</summary>
    public const double MixerWarmsDegrees = 24 * 5.0 / 9;

    private const int MostTasks = 600;

    /// <summary>Compiles. Everything a user can get wrong comes back as a fault, all at once.</summary>
    public static CompileResult Compile(Kitchen kitchen, DayWish wish)
    {
        var faults = new List<Fault>();
        faults.AddRange(KitchenCheck.Find(kitchen).Select(f => f.Under("kitchen")));
        var span = kitchen.MinutesBetween(wish.From, wish.Until);
        if (span <= 0)
            faults.Add(new Fault("day.until", "The day must end after it starts."));
        else if (span > LongestSpanHours * 60 && wish.Rests.IsEmpty)
            faults.Add(new Fault("day.until", $"A working span is at most {LongestSpanHours} hours."));
        else if (span > LongestWithRestsHours * 60)
            faults.Add(new Fault("day.until", $"From the first minute to the last a day has at most {LongestWithRestsHours} hours."));
        FindInRests(wish, faults);
        FindInMeals(wish, faults);
        if (wish.Bakes.IsEmpty)
            faults.Add(new Fault("bakes", "Choose at least one bake."));
        for (var i = 0; i < wish.Bakes.Length; i++)
            FindInBake(kitchen, wish, wish.Bakes[i], $"bakes[{i}]", faults);
        if (faults.Count > 0)
            return new CompileResult(null, faults);

        var helpers = kitchen
            .People.Select(p => new Helper(
                p.Name,
                MinuteOf(kitchen, p.From, wish.From, 0, span),
                MinuteOf(kitchen, p.Until, wish.From, span, span)
            ))
            .ToImmutableArray();
        var counter = wish.Bakes.Select(b => RiseTimes.OnCounter(ChosenRecipe.Of(b.Recipe))).ToList();
        wish = wish with { Bakes = [.. wish.Bakes.Select(b => b with { Recipe = OfDay(kitchen, b) })] };
        for (var i = 0; i < wish.Bakes.Length; i++)
            FindPansThatLack(kitchen, wish.Bakes[i], $"bakes[{i}]", faults);
        for (var i = 0; i < wish.Bakes.Length; i++)
            FindTooLong(wish.Bakes[i], $"bakes[{i}]", faults);
        if (faults.Count > 0)
            return new CompileResult(null, faults);
        var build = new NetworkBuilder(kitchen, wish.From, span + TaskNetwork.AfterSpan);
        for (var i = 0; i < wish.Bakes.Length; i++)
            build.Add(wish.Bakes[i], i, counter[i], faults);
        build.ShareDials();
        FindInRoom(build, faults);
        if (faults.Count > 0)
            return new CompileResult(null, faults);
        if (build.Tasks.Count > MostTasks)
            return new CompileResult(
                null,
                [
                    new Fault(
                        "bakes",
                        $"That is {build.Tasks.Count} steps in one day; at most {MostTasks} can be planned. Take fewer batches."
                    ),
                ]
            );

        return ByHandCompiler.Apply(
            new TaskNetwork(
                wish.From,
                span,
                kitchen,
                helpers,
                [.. build.Resources],
                [
                    .. wish.Bakes.Select(b => new PlannedBake(
                        b.Recipe.Name,
                        b.Recipe.Key,
                        b.Batches,
                        Offset(kitchen, wish, b.ReadyBy),
                        Offset(kitchen, wish, b.NotBefore)
                    )),
                ],
                [.. build.Tasks],
                [.. build.Links],
                [.. build.Orders]
            )
            {
                Rests = [.. wish.Rests.Select(r => new Rest(Offset(kitchen, wish, r.From)!.Value, Offset(kitchen, wish, r.Until)!.Value))],
                Pauses = PausesOf(kitchen, wish),
                Lean = wish.Lean,
                Holds = [.. build.Holds],
                Unmixed = build.Unmixed(),
            },
            wish.ByHand
        );
    }

    /// <summary>What alone is more than there is: a dough for which the refrigerator is too full, a cake for which the racks are.</summary>
    private static void FindInRoom(NetworkBuilder build, List<Fault> faults)
    {
        foreach (var task in build.Tasks)
        {
            foreach (var demand in task.Demands)
            {
                var there = build.Resources[demand.Resource];
                if (demand.Units <= there.Capacity)
                    continue;
                var way = task.Step?.Modes.IsEmpty == false ? "Let it rise another way, or make" : "Make";
                faults.Add(
                    new Fault(
                        $"bakes[{task.Bake}]",
                        there.Name switch
                        {
                            NetworkBuilder.Fridge =>
                                $"\"{task.Title}\" wants about {demand.Units} litres of the refrigerator; {there.Capacity} are free. "
                                    + $"{way} room there, or take fewer batches.",
                            NetworkBuilder.Freezer =>
                                $"\"{task.Title}\" wants about {demand.Units} litres of the freezer; {there.Capacity} are free. Make "
                                    + "room there, or take fewer batches.",
                            _ => $"\"{task.Title}\" wants more room on the {there.Name} than there is. Put up another, or say so in "
                                + "the kitchen.",
                        }
                    )
                );
            }
        }
    }

    private static Pauses? PausesOf(Kitchen kitchen, DayWish wish)
    {
        if (kitchen.PauseMinutes == 0 && wish.Meals.IsEmpty)
            return null;
        return new Pauses(kitchen.PauseMinutes == 0 ? Pauses.Unending : kitchen.StretchMinutes, Math.Max(1, kitchen.PauseMinutes))
        {
            Meals =
            [
                .. wish.Meals.Select(m => new Meal(Offset(kitchen, wish, m.From)!.Value, Offset(kitchen, wish, m.Until)!.Value, m.Minutes)),
            ],
        };
    }

    private static void FindInMeals(DayWish wish, List<Fault> faults)
    {
        if (wish.Meals.Length > DayWish.MostMeals)
            faults.Add(new Fault("day.meals", $"A day has at most {DayWish.MostMeals} meals."));
        for (var i = 0; i < wish.Meals.Length; i++)
        {
            var meal = wish.Meals[i];
            var room = NodaTime.Period.Between(meal.From, meal.Until, NodaTime.PeriodUnits.Minutes).Minutes;
            if (meal.Minutes is < 5 or > 180)
                faults.Add(new Fault($"day.meals[{i}].minutes", "A meal takes 5 minutes to 3 hours."));
            else if (room < meal.Minutes)
                faults.Add(new Fault($"day.meals[{i}].until", $"{meal.Minutes} minutes do not fit between those hours."));
            else if (meal.From < wish.From || meal.Until > wish.Until)
                faults.Add(new Fault($"day.meals[{i}].from", "A meal lies within the day."));
        }
    }

    private static void FindInRests(DayWish wish, List<Fault> faults)
    {
        var before = wish.From;
        for (var i = 0; i < wish.Rests.Length; i++)
        {
            var rest = wish.Rests[i];
            if (rest.From <= before || rest.Until <= rest.From || rest.Until >= wish.Until)
                faults.Add(new Fault($"day.rests[{i}]", "A rest lies within the day, after the one before it, and ends after it begins."));
            before = rest.Until;
        }
    }

    /// <summary>
    /// The steps that a bake has on its day, by key, those that the compiler puts in included: for a network that was kept, whose tasks
    /// name their steps.
    /// </summary>
    public static IReadOnlyDictionary<string, Step> StepsOf(Kitchen kitchen, BakeWish bake)
    {
        var steps = OfDay(kitchen, bake).Steps;
        return steps
            .Concat(steps.Where(s => s.Oven?.State == OvenState.Proof).Select(NetworkBuilder.Clearing))
            .ToDictionary(s => s.Key, StringComparer.Ordinal);
    }

    /// <summary>The recipe as it is baked on the day: choices made, waits spent, mixed by what mixes it, and only what belongs to the
    /// day.</summary>
    private static Recipe OfDay(Kitchen kitchen, BakeWish bake) =>
        DayStretch.Of(InHands(InMode(UsualWindows.Of(ChosenRecipe.Of(bake.Recipe)), bake.Modes), bake, kitchen));

    /// <summary>The recipe with its waits spent the chosen way.</summary>
    private static Recipe InMode(Recipe recipe, ImmutableDictionary<string, int> modes) =>
        modes.IsEmpty
            ? recipe
            : recipe with
            {
                Steps =
                [
                    .. recipe.Steps.Select(s =>
                        modes.TryGetValue(s.Key, out var mode) && mode > 0 && mode <= s.Modes.Length ? Spent(s, s.Modes[mode - 1]) : s
                    ),
                ],
            };

    /// <summary>The recipe as it is mixed without a machine, where that was asked for or no mixer can take it.</summary>
    private static Recipe InHands(Recipe recipe, BakeWish wish, Kitchen kitchen) =>
        MixerChoice.Of(wish with { Recipe = recipe }, kitchen, []) is null ? MixerChoice.ByHand(recipe) : recipe;

    /// <summary>A step spent another way: its name says how, and what only holds in the oven is not said of it.</summary>
    internal static Step Spent(Step step, StepMode mode) =>
        step with
        {
            Title = $"{step.Title}: {mode.Name}",
            Kind = mode.Kind,
            Takes = mode.Takes,
            Oven = mode.Oven,
            // What is folded on the counter is not folded in the refrigerator.
            Touches = mode is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: null } or { Kind: StepKind.Bake } ? step.Touches : [],
            Cautions = mode.Oven is { State: OvenState.Proof } ? step.Cautions : step.Cautions.Remove(CautionKind.DoughInOven),
        };

    private static void FindPansThatLack(Kitchen kitchen, BakeWish bake, string at, List<Fault> faults)
    {
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            if (bake.Recipe.Steps[i] is not { Kind: StepKind.Bake, Oven: { } use } step)
                continue;
            if (PansThere.Stated(kitchen, use.Pan) is { } there && use.Pans > there)
                faults.Add(
                    new Fault(
                        $"{at}.recipe.steps[{i}].oven.pans",
                        $"\"{step.Title}\" fills {use.Pans} of {use.Pan.Name} at once; the kitchen has {there}."
                    )
                );
            if (use.Sheet is { } sheet && PansThere.Stated(kitchen, sheet) is { } sheets && use.Load.Count > sheets)
                faults.Add(
                    new Fault(
                        $"{at}.recipe.steps[{i}].oven.sheet",
                        $"\"{step.Title}\" travels on {use.Load.Count} of {sheet.Name} at once; the kitchen has {sheets}."
                    )
                );
        }
    }

    private static int? Offset(Kitchen kitchen, DayWish wish, LocalDateTime? time) =>
        time is { } t ? kitchen.MinutesBetween(wish.From, t) : null;

    /// <summary>A person's hour as a minute of the span. An hour earlier than the start of a span over midnight belongs to the next
    /// day.</summary>
    private static int MinuteOf(Kitchen kitchen, LocalTime? time, LocalDateTime from, int whenNull, int span)
    {
        if (time is not { } t)
            return whenNull;
        var minute = kitchen.MinutesBetween(from, from.Date.At(t));
        if (minute < 0 && kitchen.MinutesBetween(from, from.Date.PlusDays(1).At(t)) is var next && next <= span)
            minute = next;
        return Math.Clamp(minute, 0, span);
    }

    private static void FindTooLong(BakeWish bake, string at, List<Fault> faults)
    {
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            if (bake.Recipe.Steps[i].Takes.Likely > Duration.FromMinutes(TaskNetwork.AfterSpan))
                faults.Add(
                    new Fault(
                        $"{at}.recipe.steps[{i}].minutes",
                        $"\"{bake.Recipe.Steps[i].Title}\" is longer than a day can hold ({TaskNetwork.AfterSpan / 60} hours)."
                    )
                );
        }
    }

    private static void FindInBake(Kitchen kitchen, DayWish wish, BakeWish bake, string at, List<Fault> faults)
    {
        if (!(bake.Yeast >= 0.25 && bake.Yeast <= 3))
            faults.Add(new Fault($"{at}.yeast", "Take a quarter to three times the recipe's yeast."));
        if (bake.Batches is < 1 or > 12)
            faults.Add(new Fault($"{at}.batches", "Bake 1 to 12 batches of a recipe in a day."));
        if (bake.ReadyBy <= wish.From)
            faults.Add(new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\" cannot be ready before the day starts."));
        if (bake.NotBefore >= wish.Until)
            faults.Add(new Fault($"{at}.notBefore", $"\"{bake.Recipe.Name}\" cannot start after the day has ended."));
        if (bake.ReadyBy <= bake.NotBefore)
            faults.Add(new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\" must be ready after it may start."));
        if (bake.ReadyBy > wish.Until.PlusMinutes(TaskNetwork.AfterSpan))
            faults.Add(
                new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\": leave the hour out when it lies more than a day after the work.")
            );
        faults.AddRange(RecipeCheck.Find(bake.Recipe).Select(f => f.Under($"{at}.recipe")));
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            var step = bake.Recipe.Steps[i];
            var here = $"{at}.recipe.steps[{i}]";
            if (step.Hands > kitchen.People.Length)
                faults.Add(
                    new Fault($"{here}.hands", $"\"{step.Title}\" needs {step.Hands} people; the kitchen has {kitchen.People.Length}.")
                );
            if (step.Oven is { } use)
                FindInOvenUse(kitchen, step, use, here, faults);
        }
    }

    private static void FindInOvenUse(Kitchen kitchen, Step step, OvenUse use, string here, List<Fault> faults)
    {
        var says = kitchen.Says;
        if (use.State == OvenState.Bake && (use.SetTemperature.Celsius < 50 || kitchen.Ovens.All(o => use.SetTemperature > o.Hottest)))
        {
            faults.Add(
                new Fault(
                    $"{here}.oven.setTemperatureC",
                    $"\"{step.Title}\" asks for {says.Dial(use.SetTemperature.Celsius)}; this oven can be set from "
                        + $"{says.DialNumber(50)} to {says.Dial(kitchen.Ovens.Max(o => o.Hottest.Celsius))}."
                )
            );
        }

        if (use.State == OvenState.Proof && (use.SetTemperature <= kitchen.Room || use.SetTemperature > OvenThermal.ColdEnoughForDough))
        {
            faults.Add(
                new Fault(
                    $"{here}.oven.setTemperatureC",
                    $"\"{step.Title}\": an oven-proof spell is warmer than the room ({says.Degrees(kitchen.Room.Celsius)}) and at most "
                        + $"{says.Degrees(OvenThermal.ColdEnoughForDough.Celsius)}."
                )
            );
        }

        var (pan, count) = use.Load;
        var fits = kitchen.Ovens.Max(o => ShelfRoom.PansPerShelf(o, pan));
        var most = kitchen.Ovens.Max(o => ShelfRoom.PansPerShelf(o, pan) * o.Shelves);
        if (fits == 0)
            faults.Add(new Fault($"{here}.oven.pan", $"\"{step.Title}\": {pan.Name} is larger than the oven's shelf."));
        else if (count > most)
            faults.Add(new Fault($"{here}.oven.pans", $"\"{step.Title}\": {count} of {pan.Name} do not go in together; {most} do."));
    }
}
