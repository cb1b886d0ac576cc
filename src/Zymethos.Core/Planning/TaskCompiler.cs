using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Planning;

/// <summary>A bake as it is asked for.</summary>
/// <param name="Recipe">What to bake.</param>
/// <param name="Batches">How many batches, 1 to 12; each is mixed on its own.</param>
/// <param name="ReadyBy">When all of it must be finished, cooling included; null when any hour will do.</param>
/// <param name="NotBefore">When the first of it may start; null when any.</param>
public sealed record BakeWish(Recipe Recipe, int Batches, LocalDateTime? ReadyBy, LocalDateTime? NotBefore)
{
    /// <summary>Which way each step with several is spent, by its key: 0 its own, 1 the first of its modes. What is not named goes its own way.</summary>
    public ImmutableDictionary<string, int> Modes { get; init; } = ImmutableDictionary<string, int>.Empty;
}

/// <summary>A day as it is asked for.</summary>
/// <param name="From">Start of the working span.</param>
/// <param name="Until">End of the working span: hands and hot oven rest from then on.</param>
/// <param name="Bakes">What to bake, at least one.</param>
public sealed record DayWish(LocalDateTime From, LocalDateTime Until, ImmutableArray<BakeWish> Bakes)
{
    /// <summary>Stretches within the span in which nobody is in the kitchen, in order and apart.</summary>
    public ImmutableArray<(LocalDateTime From, LocalDateTime Until)> Rests { get; init; } = [];

    /// <summary>What the baker decided by hand.</summary>
    public ByHand ByHand { get; init; } = ByHand.Nothing;

    /// <summary>What the baker leans toward.</summary>
    public DayLean Lean { get; init; }
}

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
/// <item>washing time on the mixer after each mix, and on every pan of which the kitchen has a known number after each bake;</item>
/// <item>a minute of hands for whatever is done to a bake part-way;</item>
/// <item>rises as long as the room's temperature makes them.</item>
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
        var span = Period.Between(wish.From, wish.Until, PeriodUnits.Minutes).Minutes;
        if (span <= 0) faults.Add(new Fault("day.until", "The day must end after it starts."));
        else if (span > LongestSpanHours * 60 && wish.Rests.IsEmpty) faults.Add(new Fault("day.until", $"A working span is at most {LongestSpanHours} hours."));
        else if (span > LongestWithRestsHours * 60) faults.Add(new Fault("day.until", $"From the first minute to the last a day has at most {LongestWithRestsHours} hours."));
        FindInRests(wish, faults);
        if (wish.Bakes.IsEmpty) faults.Add(new Fault("bakes", "Choose at least one bake."));
        for (var i = 0; i < wish.Bakes.Length; i++) FindInBake(kitchen, wish, wish.Bakes[i], $"bakes[{i}]", faults);
        if (faults.Count > 0) return new CompileResult(null, faults);

        var helpers = kitchen.People
            .Select(p => new Helper(p.Name, MinuteOf(p.From, wish.From, 0, (int)span), MinuteOf(p.Until, wish.From, (int)span, (int)span)))
            .ToImmutableArray();
        wish = wish with { Bakes = [.. wish.Bakes.Select(b => b with { Recipe = DayStretch.Of(InMode(ChosenRecipe.Of(b.Recipe), b.Modes)) })] };
        for (var i = 0; i < wish.Bakes.Length; i++) FindPansThatLack(kitchen, wish.Bakes[i], $"bakes[{i}]", faults);
        for (var i = 0; i < wish.Bakes.Length; i++) FindTooLong(wish.Bakes[i], $"bakes[{i}]", faults);
        if (faults.Count > 0) return new CompileResult(null, faults);
        var build = new Builder(kitchen);
        for (var i = 0; i < wish.Bakes.Length; i++) build.Add(wish.Bakes[i], i, faults);
        if (faults.Count > 0) return new CompileResult(null, faults);
        if (build.Tasks.Count > MostTasks)
            return new CompileResult(null, [new Fault("bakes", $"That is {build.Tasks.Count} steps in one day; at most {MostTasks} can be planned. Take fewer batches.")]);

        return ByHandCompiler.Apply(
            new TaskNetwork(
                wish.From,
                (int)span,
                kitchen,
                helpers,
                [.. build.Resources],
                [.. wish.Bakes.Select(b => new PlannedBake(b.Recipe.Name, b.Recipe.Key, b.Batches, Offset(wish, b.ReadyBy), Offset(wish, b.NotBefore)))],
                [.. build.Tasks],
                [.. build.Links],
                [.. build.Orders])
            {
                Rests = [.. wish.Rests.Select(r => new Rest(Offset(wish, r.From)!.Value, Offset(wish, r.Until)!.Value))],
                Lean = wish.Lean,
            },
            wish.ByHand);
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

    /// <summary>The recipe with its waits spent the chosen way.</summary>
    public static Recipe InMode(Recipe recipe, ImmutableDictionary<string, int> modes) => modes.IsEmpty ? recipe : recipe with
    {
        Steps = [.. recipe.Steps.Select(s => modes.TryGetValue(s.Key, out var mode) && mode > 0 && mode <= s.Modes.Length ? Spent(s, s.Modes[mode - 1]) : s)],
    };

    private static Step Spent(Step step, StepMode mode) => step with
    {
        Title = $"{step.Title}: {mode.Name}",
        Kind = mode.Kind,
        Takes = mode.Takes,
        Oven = mode.Oven,
        Cautions = mode.Oven is { State: OvenState.Proof } ? step.Cautions : step.Cautions.Remove(CautionKind.DoughInOven),
    };

    private static void FindPansThatLack(Kitchen kitchen, BakeWish bake, string at, List<Fault> faults)
    {
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            if (bake.Recipe.Steps[i] is not { Kind: StepKind.Bake, Oven: { } use } step) continue;
            if (PansOf(kitchen, use.Pan) is { } there && use.Pans > there)
                faults.Add(new Fault($"{at}.recipe.steps[{i}].oven.pans", $"\"{step.Title}\" fills {use.Pans} of {use.Pan.Name} at once; the kitchen has {there}."));
        }
    }

    /// <summary>How many of a pan the kitchen says it has; null when it does not say.</summary>
    private static int? PansOf(Kitchen kitchen, Pan pan) =>
        kitchen.Pans.Where(s => string.Equals(s.Pan.Name, pan.Name, StringComparison.OrdinalIgnoreCase)).Select(s => (int?)s.Count).FirstOrDefault();

    private static int? Offset(DayWish wish, LocalDateTime? time) =>
        time is { } t ? (int)Period.Between(wish.From, t, PeriodUnits.Minutes).Minutes : null;

    /// <summary>A person's hour as a minute of the span. An hour earlier than the start of a span over midnight belongs to the next day.</summary>
    private static int MinuteOf(LocalTime? time, LocalDateTime from, int whenNull, int span)
    {
        if (time is not { } t) return whenNull;
        var minute = (int)Period.Between(from, from.Date.At(t), PeriodUnits.Minutes).Minutes;
        if (minute < 0 && minute + (24 * 60) <= span) minute += 24 * 60;
        return Math.Clamp(minute, 0, span);
    }

    private static void FindTooLong(BakeWish bake, string at, List<Fault> faults)
    {
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            if (bake.Recipe.Steps[i].Takes.Likely > Duration.FromMinutes(TaskNetwork.AfterSpan))
                faults.Add(new Fault($"{at}.recipe.steps[{i}].minutes", $"\"{bake.Recipe.Steps[i].Title}\" is longer than a day can hold ({TaskNetwork.AfterSpan / 60} hours)."));
        }
    }

    private static void FindInBake(Kitchen kitchen, DayWish wish, BakeWish bake, string at, List<Fault> faults)
    {
        if (bake.Batches is < 1 or > 12) faults.Add(new Fault($"{at}.batches", "Bake 1 to 12 batches of a recipe in a day."));
        if (bake.ReadyBy <= wish.From) faults.Add(new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\" cannot be ready before the day starts."));
        if (bake.NotBefore >= wish.Until) faults.Add(new Fault($"{at}.notBefore", $"\"{bake.Recipe.Name}\" cannot start after the day has ended."));
        if (bake.ReadyBy <= bake.NotBefore) faults.Add(new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\" must be ready after it may start."));
        if (bake.ReadyBy > wish.Until.PlusMinutes(TaskNetwork.AfterSpan))
            faults.Add(new Fault($"{at}.readyBy", $"\"{bake.Recipe.Name}\": leave the hour out when it lies more than a day after the work."));
        faults.AddRange(RecipeCheck.Find(bake.Recipe).Select(f => f.Under($"{at}.recipe")));
        for (var i = 0; i < bake.Recipe.Steps.Length; i++)
        {
            var step = bake.Recipe.Steps[i];
            var here = $"{at}.recipe.steps[{i}]";
            if (step.Hands > kitchen.People.Length)
                faults.Add(new Fault($"{here}.hands", $"\"{step.Title}\" needs {step.Hands} people; the kitchen has {kitchen.People.Length}."));
            if (step.Kind == StepKind.Mix && kitchen.Mixers == 0)
                faults.Add(new Fault($"{here}.kind", $"\"{step.Title}\" needs a mixer, and the kitchen has none."));
            if (step.Oven is { } use) FindInOvenUse(kitchen, step, use, here, faults);
        }
    }

    private static void FindInOvenUse(Kitchen kitchen, Step step, OvenUse use, string here, List<Fault> faults)
    {
        if (use.State == OvenState.Bake && (use.SetTemperature.Celsius < 50 || use.SetTemperature > kitchen.Oven.Hottest))
        {
            faults.Add(new Fault(
                $"{here}.oven.setTemperatureC",
                $"\"{step.Title}\" asks for {use.SetTemperature.Celsius:0} °C; this oven can be set from 50 to {kitchen.Oven.Hottest.Celsius:0} °C."));
        }

        if (use.State == OvenState.Proof && (use.SetTemperature <= kitchen.Room || use.SetTemperature > OvenThermal.ColdEnoughForDough))
        {
            faults.Add(new Fault(
                $"{here}.oven.setTemperatureC",
                $"\"{step.Title}\": an oven-proof spell is warmer than the room ({kitchen.Room.Celsius:0} °C) and at most {OvenThermal.ColdEnoughForDough.Celsius:0} °C."));
        }

        var fits = ShelfRoom.PansPerShelf(kitchen.Oven, use.Pan);
        if (fits == 0)
            faults.Add(new Fault($"{here}.oven.pan", $"\"{step.Title}\": {use.Pan.Name} is larger than the oven's shelf."));
        else if (use.Pans > fits * kitchen.Oven.Shelves)
            faults.Add(new Fault($"{here}.oven.pans", $"\"{step.Title}\": {use.Pans} of {use.Pan.Name} do not go in together; {fits * kitchen.Oven.Shelves} do."));
    }

    private sealed class Builder(Kitchen kitchen)
    {
        private Dictionary<string, RoomRise> _rises = [];

        public List<PlanTask> Tasks { get; } = [];

        public List<TaskLink> Links { get; } = [];

        public List<(int First, int Second)> Orders { get; } = [];

        private readonly Dictionary<string, int> _pans = new(StringComparer.OrdinalIgnoreCase);

        public List<SharedResource> Resources { get; } = [new SharedResource(kitchen.Mixers == 1 ? "mixer" : "mixers", kitchen.Mixers)];

        public void Add(BakeWish wish, int bake, List<Fault> faults)
        {
            var rises = new RiseTimes(wish.Recipe, kitchen);
            _rises = [];
            foreach (var (step, i) in wish.Recipe.Steps.Select((s, i) => (s, i)))
            {
                if (step.Kind is not (StepKind.BulkRise or StepKind.Proof) || step.Oven is not null) continue;
                if (rises.Next(step.Takes) is { } rise) _rises[step.Key] = rise;
                else faults.Add(new Fault($"bakes[{bake}].recipe.steps[{i}].minutes", $"\"{step.Title}\" is not ready within three days at {kitchen.Room.Celsius:0} °C: give the dough a warmer place, or let it rise in the oven-proof spell."));
            }

            Dictionary<string, int[]>? previous = null;
            for (var batch = 0; batch < wish.Batches; batch++)
            {
                var tasks = AddBatch(wish, bake, batch);
                if (previous is not null)
                {
                    foreach (var (key, indexes) in tasks) Orders.Add((previous[key][^1], indexes[0]));
                }

                previous = tasks;
            }
        }

        private Dictionary<string, int[]> AddBatch(BakeWish wish, int bake, int batch)
        {
            var tasks = new Dictionary<string, int[]>(StringComparer.Ordinal);
            var cleared = new Dictionary<string, int[]>(StringComparer.Ordinal);
            foreach (var step in wish.Recipe.Steps)
            {
                tasks[step.Key] = [.. Enumerable.Range(0, step.Times).Select(wave => AddTask(wish, bake, batch, step, wave))];
                for (var wave = 1; wave < step.Times; wave++) Orders.Add((tasks[step.Key][wave - 1], tasks[step.Key][wave]));
                if (step.Oven is { State: OvenState.Proof })
                    cleared[step.Key] = [.. tasks[step.Key].Select(proof => AddClearing(proof))];
            }

            foreach (var link in wish.Recipe.Links)
            {
                AddLinks(tasks[link.From], tasks[link.To], link);
                if (cleared.TryGetValue(link.From, out var clearings))
                    AddLinks(clearings, tasks[link.To], link with { MinLag = Duration.Zero, MaxLag = null, Why = "" });
            }

            return tasks;
        }

        private void AddLinks(int[] from, int[] to, Link link)
        {
            var min = (int)Math.Ceiling(link.MinLag.TotalMinutes);
            var max = link.MaxLag is { } most ? (int?)Math.Floor(most.TotalMinutes) : null;
            // Wave to the same wave; one to all; all to one.
            for (var i = 0; i < Math.Max(from.Length, to.Length); i++)
                Links.Add(new TaskLink(from[Math.Min(i, from.Length - 1)], to[Math.Min(i, to.Length - 1)], min, max, link.Window, link.Why));
        }

        private int AddTask(BakeWish wish, int bake, int batch, Step step, int wave)
        {
            var index = Tasks.Count;
            var rise = _rises.GetValueOrDefault(step.Key);
            var takes = rise?.Takes ?? step.Takes;
            var likely = Math.Max(1, (int)Math.Round(takes.Likely.TotalMinutes));
            var title = step.Title;
            if (step.Times > 1) title += $", {wave + 1} of {step.Times}";
            if (wish.Batches > 1) title += $" (batch {batch + 1})";
            Tasks.Add(new PlanTask(
                index,
                $"{bake + 1}.{batch + 1}.{step.Key}.{wave + 1}",
                bake,
                title,
                step.Kind,
                Math.Max(1, (int)Math.Floor(takes.Low.TotalMinutes)),
                likely,
                (int)Math.Ceiling(takes.High.TotalMinutes),
                HandsOf(step, likely),
                DemandsOf(step),
                step.Oven is { } use ? NeedOf(use) : null,
                step)
            { Said = rise?.Said ?? WaterFor(wish.Recipe, step) });
            return index;
        }

        /// <summary>How warm the water should be so that a mixed yeast dough comes out as the recipe's rises take it to be; empty for what does not rise.</summary>
        private string WaterFor(Recipe recipe, Step step)
        {
            if (step.Kind != StepKind.Mix || !recipe.Steps.Any(s => s.Kind is StepKind.BulkRise or StepKind.Proof)) return "";
            var water = WaterTemperature.For(RiseTimes.RecipeRoom, kitchen.Room, kitchen.Room, MixerWarmsDegrees);
            var warm = $"For a dough of {RiseTimes.RecipeRoom.Celsius:0} °C, with flour and room at {kitchen.Room.Celsius:0} °C and a mixer that warms it by about {MixerWarmsDegrees:0} degrees";
            if (water.Celsius < 2) return $"{warm}, water from the refrigerator is still a little warm.";
            return water > WaterTemperature.WarnAbove
                ? $"{warm}, the water would have to be {water.Celsius:0} °C: too hot for yeast. Take it at {WaterTemperature.WarnAbove.Celsius:0} °C at most and give the rise longer."
                : $"{warm}, take water of about {water.Celsius:0} °C.";
        }

        private ImmutableArray<Demand> DemandsOf(Step step)
        {
            if (step.Kind == StepKind.Mix) return [new Demand(0, 1, (int)kitchen.MixerWash.TotalMinutes)];
            if (step is not { Kind: StepKind.Bake, Oven: { } use } || PansOf(kitchen, use.Pan) is not { } there) return [];
            if (!_pans.TryGetValue(use.Pan.Name, out var resource))
            {
                _pans[use.Pan.Name] = resource = Resources.Count;
                Resources.Add(new SharedResource(use.Pan.Name, there));
            }

            return [new Demand(resource, use.Pans, PanWashMinutes)];
        }

        private static ImmutableArray<HandsNeed> HandsOf(Step step, int likely)
        {
            if (step.Hands > 0) return [new HandsNeed(0, likely, step.Hands)];
            if (step.Oven is null) return [];
            if (step.Oven.State == OvenState.Proof) return [new HandsNeed(0, DoorMinutes, 1)];
            if (likely < (2 * DoorMinutes) + 1) return [new HandsNeed(0, likely, 1)];
            return [new HandsNeed(0, DoorMinutes, 1), .. TouchesOf(step, likely), new HandsNeed(likely - DoorMinutes, DoorMinutes, 1)];
        }

        /// <summary>A minute for each thing done part-way, each its own, between putting in and taking out.</summary>
        private static IEnumerable<HandsNeed> TouchesOf(Step step, int likely)
        {
            var next = DoorMinutes;
            foreach (var touch in step.Touches.OrderBy(t => t.At))
            {
                var at = Math.Max(next, (int)Math.Round(touch.At * likely));
                if (at + DoorMinutes > likely - DoorMinutes) yield break;
                yield return new HandsNeed(at, DoorMinutes, 1);
                next = at + DoorMinutes;
            }
        }

        private OvenNeed NeedOf(OvenUse use) => new(
            new OvenSetting((int)Math.Round(use.SetTemperature.Celsius), use.State == OvenState.Proof),
            use.Pans,
            ShelfRoom.UnitsOf(kitchen.Oven, use.Pan));

        private int AddClearing(int proof)
        {
            var index = Tasks.Count;
            var of = Tasks[proof];
            Tasks.Add(new PlanTask(
                index,
                of.Id + ".clear",
                of.Bake,
                "Take dough, towel and water out of the oven",
                StepKind.Work,
                1,
                ClearOvenMinutes,
                2 * ClearOvenMinutes,
                [new HandsNeed(0, ClearOvenMinutes, 1)],
                [],
                of.Oven,
                new Step(
                    of.Step!.Key + "-clear",
                    "Take dough, towel and water out of the oven",
                    "Everything comes out before the dial is touched.",
                    StepKind.Work,
                    DurationEstimate.Minutes(1, ClearOvenMinutes, 2 * ClearOvenMinutes),
                    1,
                    null,
                    1,
                    [new DoneTest("The oven is empty; someone has looked.")],
                    [CautionKind.DoughInOven])));
            Links.Add(new TaskLink(proof, index, 0, 0, WindowKind.Hard, "the oven is cleared as soon as the dough has risen"));
            return index;
        }
    }
}
