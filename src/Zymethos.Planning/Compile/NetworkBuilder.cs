using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Compile;

/// <summary>Lays the methods of a day out as tasks: one for each wave of each step of each batch.</summary>
internal sealed class NetworkBuilder
{
    /// <summary>Name of the resource that counts litres in the refrigerator.</summary>
    public const string Fridge = "refrigerator";

    /// <summary>Name of the resource that counts litres in the freezer.</summary>
    public const string Freezer = "freezer";

    private const string Rack = "cooling racks";

    /// <summary>Litres of refrigerator that a kilogram of dough in its bowl takes (common practice, no source).</summary>
    private const double LitresPerKilogram = 2;

    private readonly Kitchen _kitchen;
    private readonly LocalDateTime _origin;
    private readonly int _minutes;
    private readonly Dictionary<string, int> _named = new(StringComparer.OrdinalIgnoreCase);
    private Dictionary<string, RoomRise> _rises = [];
    private readonly Dictionary<string, LearnedUse> _learned = new(StringComparer.Ordinal);
    private MixPlan _mixing = MixPlan.Plain;
    private readonly double[] _mixed;
    private int _mixer;
    private double _kilograms;

    public NetworkBuilder(Kitchen kitchen, LocalDateTime origin, int minutes)
    {
        (_kitchen, _origin, _minutes) = (kitchen, origin, minutes);
        foreach (var (mixer, i) in kitchen.AllMixers.Select((m, i) => (m, i)))
            Resources.Add(new SharedResource(mixer.Name, i == 0 && kitchen.Mixers > 0 ? kitchen.Mixers : 1));
        _mixed = new double[kitchen.AllMixers.Length];
    }

    public List<PlanTask> Tasks { get; } = [];

    public List<TaskLink> Links { get; } = [];

    public List<(int First, int Second)> Orders { get; } = [];

    public List<Hold> Holds { get; } = [];

    public List<SharedResource> Resources { get; } = [];

    /// <summary>The tasks that were laid out, with the dials they share.</summary>
    public void ShareDials()
    {
        var shared = SharedDial.Of(_kitchen, Tasks);
        Tasks.Clear();
        Tasks.AddRange(shared);
    }

    /// <summary>The kinds of pan that meet at one setting and do not share a shelf.</summary>
    public ImmutableArray<UnmixedPans> Unmixed() =>
        [
            .. Enumerable
                .Range(0, _kitchen.Ovens.Length)
                .SelectMany(o =>
                    Tasks
                        .Where(t => t.Oven is not null && t.Oven.UnitsIn(o) > 0)
                        .GroupBy(t => t.Oven!.Setting)
                        .SelectMany(g => ShelfMix.Unmixed(o, _kitchen.Ovens[o], [.. g.Select(t => t.Oven!.Pan).Distinct()]))
                )
                .Distinct(),
        ];

    /// <summary>Adds a bake. A rise that never gets ready is a fault.</summary>
    public void Add(BakeWish wish, int bake, IReadOnlyDictionary<string, DurationEstimate> counter, List<Fault> faults)
    {
        _kilograms = RecipeFacts.Dough(wish.Recipe).Grams / 1000;
        // Doughs go round among the mixers that take them.
        var mixer = MixerChoice.Of(wish, _kitchen, _mixed);
        _mixer = mixer ?? 0;
        _mixing = MixPlan.Of(wish, _kitchen, mixer is { } index ? _kitchen.AllMixers[index] : null);
        if (mixer is { } taken)
            _mixed[taken] +=
                wish.Batches
                * wish.Recipe.Steps.Where(s => s.Kind == StepKind.Mix).Sum(s => s.Takes.Likely.TotalMinutes * _mixing.Times(s))
                / Resources[taken].Capacity;
        _rises = Rises(wish, bake, counter, faults);
        Dictionary<string, int[]>? previous = null;
        for (var batch = 0; batch < wish.Batches; batch++)
        {
            var tasks = AddBatch(wish, bake, batch, previous);
            if (previous is not null)
            {
                foreach (var (key, indexes) in tasks)
                {
                    if (previous[key][^1] != indexes[^1])
                        Orders.Add((previous[key][^1], indexes[0]));
                }
            }

            previous = tasks;
        }
    }

    private Dictionary<string, RoomRise> Rises(
        BakeWish wish,
        int bake,
        IReadOnlyDictionary<string, DurationEstimate> counter,
        List<Fault> faults
    )
    {
        // A leaven that is a tenth slower wants a tenth more time for its dose, wherever it stands.
        var learned = LearnedUse.OfRise(_kitchen, wish.Recipe);
        var times = new RiseTimes(wish.Recipe, _kitchen, _origin, _minutes, wish.Yeast, learned.Factor);
        var plain = learned.Factor == 1 ? null : new RiseTimes(wish.Recipe, _kitchen, _origin, _minutes, wish.Yeast);
        var rises = new Dictionary<string, RoomRise>(StringComparer.Ordinal);
        _learned.Clear();
        foreach (var (step, i) in wish.Recipe.Steps.Select((s, i) => (s, i)))
        {
            if (!counter.TryGetValue(step.Key, out var written))
                continue;
            // A proof is the rise after shaping; what is retarded is shaped when something was shaped before it.
            var shaped =
                step.Kind == StepKind.Proof
                || (step.Kind == StepKind.Chill && wish.Recipe.Steps.Take(i).Any(s => s.Kind == StepKind.BulkRise));
            RoomRise? Of(RiseTimes by) =>
                step switch
                {
                    { Oven: { State: OvenState.Proof } spell } => by.InSpell(written, spell.SetTemperature, shaped),
                    { Kind: StepKind.Chill } => by.InCold(written, step.Takes, shaped),
                    _ => by.InRoom(written, shaped),
                };
            var rise = Of(times);
            if (rise is not null)
            {
                rises[step.Key] = rise;
                if (plain is not null && Of(plain) is { } without)
                    _learned[step.Key] = learned with { Factor = rise.Takes.Likely / without.Takes.Likely };
            }
            else
                faults.Add(
                    new Fault(
                        $"bakes[{bake}].recipe.steps[{i}].minutes",
                        $"\"{step.Title}\" is not ready within three days at "
                            + $"{_kitchen.Says.Degrees(_kitchen.RoomAt(_origin.TimeOfDay).Celsius)}: give "
                            + "the dough a warmer place, or let it rise in the oven-proof spell."
                    )
                );
        }

        return rises;
    }

    private Dictionary<string, int[]> AddBatch(BakeWish wish, int bake, int batch, Dictionary<string, int[]>? previous)
    {
        var tasks = new Dictionary<string, int[]>(StringComparer.Ordinal);
        var cleared = new Dictionary<string, int[]>(StringComparer.Ordinal);
        var shared = _mixing.IsSecondOfTwo(batch) && previous is not null;
        foreach (var step in wish.Recipe.Steps)
        {
            if (shared && _mixing.Together.Contains(step.Key))
            {
                tasks[step.Key] = previous![step.Key];
                continue;
            }

            var times = _mixing.Times(step);
            tasks[step.Key] = [.. Enumerable.Range(0, times).Select(wave => AddTask(wish, bake, batch, step, wave, times))];
            for (var wave = 1; wave < times; wave++)
                Orders.Add((tasks[step.Key][wave - 1], tasks[step.Key][wave]));
            if (step.Oven is { State: OvenState.Proof })
                cleared[step.Key] = [.. tasks[step.Key].Select(AddClearing)];
        }

        foreach (var link in wish.Recipe.Links)
        {
            // What two batches share is linked once.
            if (shared && _mixing.Together.Contains(link.From) && _mixing.Together.Contains(link.To))
                continue;
            AddLinks(tasks[link.From], tasks[link.To], link);
            if (cleared.TryGetValue(link.From, out var clearings))
                AddLinks(clearings, tasks[link.To], link with { MinLag = Duration.Zero, MaxLag = null, Why = "" });
        }

        foreach (var step in wish.Recipe.Steps.Where(s => s is { Kind: StepKind.Bake, Oven: not null }))
            AddPans(wish.Recipe, step, tasks);
        return tasks;
    }

    /// <summary>Pans of a known number are taken from filling to turning out, and away to be washed after.</summary>
    private void AddPans(Recipe recipe, Step bake, Dictionary<string, int[]> tasks)
    {
        if (PansThere.Of(_kitchen, bake.Oven!.Pan, bake.Oven.Pans) is not { } there)
            return;
        var resource = Named(there.Name, there.Count);
        var stay = PanStay.Of(recipe, bake);
        // A tray that one bake leaves and the next takes goes from hand to hand, unwashed.
        var others = recipe
            .Steps.Where(s => s != bake && s is { Kind: StepKind.Bake, Oven: { } use } && use.Pan == bake.Oven.Pan)
            .Select(s => PanStay.Of(recipe, s))
            .ToList();
        var filled = others.Exists(o => o.Emptied == stay.Filled) ? bake.Key : stay.Filled;
        var wash = others.Exists(o => o.Filled == stay.Emptied) ? 0 : TaskCompiler.PanWashMinutes;
        for (var wave = 0; wave < tasks[bake.Key].Length; wave++)
            Holds.Add(new Hold(resource, bake.Oven.Pans, tasks[filled][wave], tasks[stay.Emptied][wave], wash));
    }

    private int Named(string name, int capacity)
    {
        if (_named.TryGetValue(name, out var resource))
        {
            // Where nobody counted the pans, there are as many as the recipe that takes most of them wants at once.
            if (Resources[resource].Capacity < capacity)
                Resources[resource] = Resources[resource] with { Capacity = capacity };
            return resource;
        }

        Resources.Add(new SharedResource(name, capacity));
        return _named[name] = Resources.Count - 1;
    }

    private void AddLinks(int[] from, int[] to, Link link)
    {
        var min = (int)Math.Ceiling(link.MinLag.TotalMinutes);
        // A dough that is ready in the refrigerator may wait there.
        var holds = _rises.GetValueOrDefault(link.From)?.Holds ?? Duration.Zero;
        var max = link.MaxLag is { } most ? (int?)Math.Floor((most + holds).TotalMinutes) : null;
        if (from.Length == to.Length)
        {
            for (var i = 0; i < from.Length; i++)
                Links.Add(new TaskLink(from[i], to[i], min, max, link.Window, link.Why));
            return;
        }

        // One to all, all to one, and every one to every one where both are several but not equally many.
        foreach (var a in from)
        {
            foreach (var b in to)
                Links.Add(new TaskLink(a, b, min, max, link.Window, link.Why));
        }
    }

    private int AddTask(BakeWish wish, int bake, int batch, Step step, int wave, int times)
    {
        var index = Tasks.Count;
        var rise = _rises.GetValueOrDefault(step.Key);
        var cooled = CoolTimes.Of(wish.Recipe, step, _kitchen, _origin.TimeOfDay);
        var takes = _mixing.Takes(step, rise?.Takes ?? cooled?.Takes ?? step.Takes, batch, wish.Batches);
        var learned = LearnedOf(wish.Recipe, step);
        var written = takes.Likely.TotalMinutes / (rise is null ? 1 : learned.Factor);
        if (rise is null)
            takes = learned.On(takes);
        var likely = Math.Max(1, (int)Math.Round(takes.Likely.TotalMinutes));
        if (rise is { ByHalfHour.IsEmpty: false })
            likely = rise.ByHalfHour.Min();
        var title = step.Title;
        if (times > 1)
            title += $", {wave + 1} of {times}";
        if (wish.Batches > 1)
            title += _mixing.TitleOf(step, batch, wish.Batches);
        Tasks.Add(
            new PlanTask(
                index,
                TaskId.Of(bake, batch, step.Key, wave),
                bake,
                title,
                step.Kind,
                Math.Max(1, (int)Math.Floor(takes.Low.TotalMinutes)),
                likely,
                (int)Math.Ceiling(takes.High.TotalMinutes),
                HandsOf(step, likely),
                DemandsOf(wish.Recipe, step),
                step.Oven is { } use ? NeedOf(use) : null,
                step
            )
            {
                Said = string.Join(" ", (
                        rise is not null ? new[] { rise.Said }
                        : cooled is not null ? [cooled.Said]
                        : [YeastFor(wish, step), WaterFor(wish.Recipe, step), _mixing.Said(step)]
                    ).Append(learned.Said(written, likely, rise is not null)).Where(w => w.Length > 0)),
                // What rounding to whole minutes left as it was, was not learned.
                Learned = likely == (int)Math.Round(written) ? 1 : likely / written,
                ByHalfHour = rise?.ByHalfHour ?? [],
                RiseShares = rise?.Shares ?? [],
            }
        );
        return index;
    }

    /// <summary>What was learned of a step's time in this kitchen. What is as long as it is so that food is safe is left as it
    /// is.</summary>
    private LearnedUse LearnedOf(Recipe recipe, Step step)
    {
        if (_learned.TryGetValue(step.Key, out var rise))
            return rise;
        if (step.Cautions.Any(c => c is CautionKind.EggFoam or CautionKind.TimeAndTemperature) && step.Hands == 0)
            return LearnedUse.Nothing;
        return step switch
        {
            { Kind: StepKind.Bake, Oven.State: OvenState.Bake } => LearnedUse.OfBake(_kitchen, recipe.Key),
            { Hands: > 0, Oven: null } => LearnedUse.OfHands(_kitchen, step.Kind, step.Title),
            _ => LearnedUse.Nothing,
        };
    }

    private static string YeastFor(BakeWish wish, Step step) =>
        step.Key == wish.Recipe.Steps.FirstOrDefault(s => s.Kind == StepKind.Mix)?.Key ? DayYeast.Words(wish.Recipe, wish.Yeast) : "";

    /// <summary>How warm the water should be so that a mixed yeast dough comes out as the recipe's rises take it to be; empty for what does
    /// not rise.</summary>
    private string WaterFor(Recipe recipe, Step step)
    {
        if (step.Kind != StepKind.Mix || !recipe.Steps.Any(s => s.Kind is StepKind.BulkRise or StepKind.Proof))
            return "";
        // A recipe that wants its liquid cold has its reasons, and one without any is not told of water.
        var line = RecipeFacts.DoughLines(recipe).FirstOrDefault(l => LiquidOf(l).Length > 0);
        if (line is null && RecipeFacts.DoughLines(recipe).Any())
            return "";
        if (
            line is not null
            && $"{line.Form} {line.Ingredient} {line.Note}".Split(' ', ',', ';').Any(w => w is "cold" or "ice" or "iced" or "chilled")
        )
            return "";
        var says = _kitchen.Says;
        var liquid = line is null ? "water" : LiquidOf(line);
        var room = _kitchen.RoomAt(_origin.TimeOfDay);
        var water = WaterTemperature.For(RiseTimes.RecipeRoom, room, room, TaskCompiler.MixerWarmsDegrees);
        var warm =
            $"For a dough of {says.Degrees(RiseTimes.RecipeRoom.Celsius)}, with flour and room at "
            + $"{says.Degrees(room.Celsius)} and a mixer that warms "
            + $"it by about {says.DifferenceNumber(TaskCompiler.MixerWarmsDegrees):0} degrees";
        if (water.Celsius < 2)
            return $"{warm}, {liquid} from the refrigerator is still a little warm.";
        return water > WaterTemperature.WarnAbove
            ? $"{warm}, the {liquid} would have to be {says.Degrees(water.Celsius)}: too hot for yeast. Take it at "
                + $"{says.Degrees(WaterTemperature.WarnAbove.Celsius)} at most and give the rise longer."
            : $"{warm}, take {liquid} of about {says.Degrees(water.Celsius)}.";
    }

    /// <summary>The liquid that a line is, as the hands are told of it; empty for none.</summary>
    private static string LiquidOf(IngredientLine line) =>
        // What the table knows as something else is none: milk powder, rose water. What it does not know is told by its words.
        IngredientTable.Find(line.Ingredient)
            is { Role: not IngredientRole.Liquid }
        || line.Ingredient.Contains("powder", StringComparison.OrdinalIgnoreCase)
            ? ""
            : new[] { "buttermilk", "milk", "water" }.FirstOrDefault(l => line.Ingredient.Contains(l, StringComparison.OrdinalIgnoreCase))
                ?? "";

    private ImmutableArray<Demand> DemandsOf(Recipe recipe, Step step)
    {
        switch (step.Kind)
        {
            case StepKind.Mix:
                return [new Demand(_mixer, 1, (int)_kitchen.MixerWash.TotalMinutes)];
            case StepKind.Bake when step.Oven is { Sheet: { } sheet } use && PansThere.Of(_kitchen, sheet, use.Load.Count) is { } sheets:
                // The sheet under the tins is taken while they bake, and is no dirtier after.
                return [new Demand(Named(sheets.Name, sheets.Count), use.Load.Count, 0)];
            case StepKind.Chill when _kitchen.FridgeLitres is { } fridge && _kilograms > 0:
                return [new Demand(Named(Fridge, (int)Math.Floor(fridge)), Litres(step), 0)];
            case StepKind.Freeze when _kitchen.FreezerLitres is { } freezer && _kilograms > 0:
                return [new Demand(Named(Freezer, (int)Math.Floor(freezer)), Litres(step), 0)];
            case StepKind.Cool when _kitchen.RackShelves is { } shelves && BakedBefore(recipe, step) is { } use:
                var units = ShelfRoom.UnitsOf(_kitchen.Oven, Footprint.Of(use.Pan));
                return units == 0 ? [] : [new Demand(Named(Rack, (int)Math.Floor(shelves * TaskNetwork.ShelfUnits)), units * use.Pans, 0)];
            default:
                return [];
        }
    }

    private int Litres(Step step) => Math.Max(1, (int)Math.Ceiling(_kilograms * LitresPerKilogram / step.Times));

    /// <summary>The bake whose pans stand there to cool; null when what cools was not baked.</summary>
    private static OvenUse? BakedBefore(Recipe recipe, Step step)
    {
        var (seen, next) = (new HashSet<string>(StringComparer.Ordinal), new Queue<string>([step.Key]));
        while (next.TryDequeue(out var key))
        {
            foreach (var before in recipe.Steps.Where(s => recipe.Links.Any(l => l.From == s.Key && l.To == key)))
            {
                if (before is { Kind: StepKind.Bake, Oven: { } use })
                    return use;
                if (seen.Add(before.Key))
                    next.Enqueue(before.Key);
            }
        }

        return null;
    }

    private static ImmutableArray<HandsNeed> HandsOf(Step step, int likely)
    {
        const int door = TaskCompiler.DoorMinutes;
        if (step.Hands > 0)
            return [new HandsNeed(0, likely, step.Hands)];
        if (step.Oven is null)
            return [.. TouchesOf(step, likely, TaskCompiler.FoldMinutes)];
        if (step.Oven.State == OvenState.Proof)
            return [new HandsNeed(0, door, 1)];
        // The hands at the end of the bake turn it off, and it waits for whoever takes it out.
        if (step.Oven.State == OvenState.Off)
            return [];
        if (likely < (2 * door) + 1)
            return [new HandsNeed(0, likely, 1)];
        return [new HandsNeed(0, door, 1), .. TouchesOf(step, likely, door), new HandsNeed(likely - door, door, 1)];
    }

    /// <summary>Some minutes for each thing done part-way, each its own, between the first minute and the last; its share of the time is
    /// kept when the room makes a rise longer.</summary>
    private static IEnumerable<HandsNeed> TouchesOf(Step step, int likely, int minutes)
    {
        const int door = TaskCompiler.DoorMinutes;
        var next = door;
        foreach (var touch in step.Touches.OrderBy(t => t.At))
        {
            var at = Math.Max(next, (int)Math.Round(touch.At * likely));
            if (at + minutes > likely - door)
                yield break;
            yield return new HandsNeed(at, minutes, 1);
            next = at + minutes;
        }
    }

    private OvenNeed NeedOf(OvenUse use)
    {
        var (load, count) = use.Load;
        var pan = Footprint.Of(load);
        int Units(Oven oven)
        {
            var units = ShelfRoom.UnitsOf(oven, pan);
            // It must go in whole, and the dial must reach.
            return
                units > 0
                && count <= TaskNetwork.ShelfUnits / units * oven.Shelves
                && (use.State != OvenState.Bake || use.SetTemperature <= oven.Hottest)
                ? units
                : 0;
        }

        var ovens = _kitchen.Ovens;
        var need = new OvenNeed(
            new OvenSetting((int)Math.Round(use.SetTemperature.Celsius), use.State == OvenState.Proof)
            {
                IsOff = use.State == OvenState.Off,
            },
            count,
            Units(ovens[0])
        )
        {
            InSecond = ovens.Length > 1 ? Units(ovens[1]) : 0,
            Pan = pan,
        };
        // A wish for a shelf holds where all of its pans have room on that shelf, in every oven they may go into.
        var kept = Enumerable
            .Range(0, ovens.Length)
            .Where(o => need.UnitsIn(o) > 0)
            .All(o =>
                Enumerable.Range(0, ovens[o].Shelves).Count(s => (need with { Shelf = use.Shelf }).MayStandOn(s, ovens[o].Shelves))
                    * (TaskNetwork.ShelfUnits / need.UnitsIn(o))
                >= count
            );
        return need with { Shelf = kept ? use.Shelf : ShelfWish.Any };
    }

    /// <summary>The step that takes the dough out of the oven after a spell in it.</summary>
    internal static Step Clearing(Step spell) =>
        new(
            spell.Key + "-clear",
            "Take dough, towel and water out of the oven",
            "Everything comes out before the dial is touched.",
            StepKind.Work,
            DurationEstimate.Minutes(1, TaskCompiler.ClearOvenMinutes, 2 * TaskCompiler.ClearOvenMinutes),
            1,
            null,
            1,
            [new DoneTest("The oven is empty; someone has looked.")],
            [CautionKind.DoughInOven]
        );

    private int AddClearing(int proof)
    {
        var index = Tasks.Count;
        var of = Tasks[proof];
        Tasks.Add(
            new PlanTask(
                index,
                of.Id.OfItsClearing,
                of.Bake,
                Clearing(of.Step!).Title,
                StepKind.Work,
                1,
                TaskCompiler.ClearOvenMinutes,
                2 * TaskCompiler.ClearOvenMinutes,
                [new HandsNeed(0, TaskCompiler.ClearOvenMinutes, 1)],
                [],
                of.Oven,
                Clearing(of.Step!)
            )
        );
        Links.Add(new TaskLink(proof, index, 0, 0, WindowKind.Hard, "the oven is cleared as soon as the dough has risen"));
        return index;
    }
}
