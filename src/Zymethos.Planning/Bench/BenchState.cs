using System.Collections.Immutable;
using NodaTime;

namespace Zymethos.Planning.Bench;

/// <summary>
/// How a session stands: a pure fold over its events. The same events give the same state in whatever order and however often they are
/// told. The rules, which the scripts of the Bench keep as well:
/// <list type="bullet">
/// <item>an event told twice is one;</item>
/// <item>an event that is taken back does not count. Taking back counts only for what was said before it, so that nothing goes round in a
/// circle, and may be taken back itself;</item>
/// <item>a time put right is the time that counts; of several the one said last. What was said first stays in the events;</item>
/// <item>events count in the order of their times, then of their ids;</item>
/// <item>of two who say that a step began, or that it is done, the first stands and the other is shown beside it;</item>
/// <item>"needs more" after "done" lets a step go on; "began" after "left out" brings it back.</item>
/// </list>
/// </summary>
public sealed class BenchState
{
    private readonly SortedDictionary<string, StepStand> _steps = new(StringComparer.Ordinal);
    private readonly SortedDictionary<int, BakeStand> _bakes = [];
    private readonly List<DialStand> _dials = [];
    private readonly SortedDictionary<int, Said> _empty = [];
    private readonly List<HeatStand> _heats = [];
    private readonly List<DoorStand> _doors = [];
    private readonly List<RoomStand> _rooms = [];
    private readonly SortedDictionary<string, ProbeStand> _probes = new(StringComparer.Ordinal);

    private BenchState() { }

    /// <summary>Steps of which something was said, by their id.</summary>
    public IReadOnlyDictionary<string, StepStand> Steps => _steps;

    /// <summary>Bakes of which something was said, by their place in the day.</summary>
    public IReadOnlyDictionary<int, BakeStand> Bakes => _bakes;

    /// <summary>Dials in the order in which they were set.</summary>
    public IReadOnlyList<DialStand> Dials => _dials;

    /// <summary>By oven, when somebody looked into it last before it was lit.</summary>
    public IReadOnlyDictionary<int, Said> LookedInto => _empty;

    /// <summary>What thermometers in ovens said, in the order of time.</summary>
    public IReadOnlyList<HeatStand> Heats => _heats;

    /// <summary>When doors of ovens were opened, in the order of time.</summary>
    public IReadOnlyList<DoorStand> Doors => _doors;

    /// <summary>How warm the kitchen was, in the order of time.</summary>
    public IReadOnlyList<RoomStand> Rooms => _rooms;

    /// <summary>By the name of a probe, in what it was put last.</summary>
    public IReadOnlyDictionary<string, ProbeStand> Probes => _probes;

    /// <summary>When the session was ended; null while it goes on.</summary>
    public Said? Ended { get; private set; }

    /// <summary>How a step stands; a stand without anything said for one nobody spoke of.</summary>
    public StepStand Of(Day.TaskId step) => _steps.GetValueOrDefault(step.ToString()) ?? new StepStand();

    /// <summary>The dial of an oven; null while nobody said anything of it.</summary>
    public DialStand? DialOf(int oven) => _dials.LastOrDefault(d => d.Oven == oven);

    /// <summary>Folds events.</summary>
    /// <param name="events">In any order, any of them more than once.</param>
    public static BenchState From(IEnumerable<BenchEvent> events)
    {
        // Two that share an id and differ cannot both stand: the first by the order of events does, told in whatever order.
        var known = events.GroupBy(e => e.Id).Select(g => g.Order(ByWorth.Instance).First()).ToDictionary(e => e.Id);
        var state = new BenchState();
        foreach (var (what, said) in Standing(known))
            state.Take(what, said);
        return state;
    }

    /// <summary>Ids of events that are taken back.</summary>
    internal static HashSet<Guid> TakenBack(IReadOnlyDictionary<Guid, BenchEvent> known)
    {
        var gone = new HashSet<Guid>();
        // From the last to the first: whether taking back counts is known before what it takes back is looked at.
        foreach (var e in known.Values.Where(e => e.Kind == BenchKind.Undone).OrderByDescending(e => e, ByTime.Instance))
        {
            if (
                !gone.Contains(e.Id)
                && e.Target is { } target
                && known.TryGetValue(target, out var what)
                && BenchEvent.Compare(what, e) < 0
            )
                gone.Add(target);
        }

        return gone;
    }

    private static IEnumerable<(BenchEvent Event, Said Said)> Standing(Dictionary<Guid, BenchEvent> known)
    {
        var gone = TakenBack(known);
        var right = known
            .Values.Where(e => e is { Kind: BenchKind.Corrected, Target: not null } && !gone.Contains(e.Id))
            .Order(ByTime.Instance)
            .ToLookup(e => e.Target!.Value);
        return known
            .Values.Where(e => e.Kind is not (BenchKind.Undone or BenchKind.Corrected) && !gone.Contains(e.Id))
            .Select(e =>
            {
                var (at, who) = (e.At, e.Who);
                foreach (var c in right[e.Id].Where(c => BenchEvent.Compare(e, c) < 0))
                    (at, who) = (c.NewAt ?? at, c.Who.Length > 0 ? c.Who : who);
                return (Event: e, Said: new Said(at, who, e.Id));
            })
            .Order(Comparer<(BenchEvent Event, Said Said)>.Create((a, b) => BenchEvent.Compare(a.Said.At, a.Event, b.Said.At, b.Event)));
    }

    private void Take(BenchEvent e, Said said)
    {
        switch (e.Kind)
        {
            case BenchKind.Dial when e is { Number: { } oven, Value: { } celsius }:
                _dials.Add(new DialStand(oven, celsius, said));
                break;
            case BenchKind.OvenEmpty when e.Number is { } oven:
                _empty[oven] = said;
                break;
            case BenchKind.Ended:
                Ended ??= said;
                break;
            case BenchKind.Heat when e is { Number: { } oven, Value: { } celsius }:
                _heats.Add(new HeatStand(oven, celsius, e.Text == BenchEvent.Steady, said));
                break;
            case BenchKind.Door when e.Number is { } oven:
                _doors.Add(new DoorStand(oven, said));
                break;
            case BenchKind.Room when e.Value is { } celsius:
                _rooms.Add(new RoomStand(celsius, said));
                break;
            case BenchKind.ProbeIn when e is { Text: { Length: > 0 } probe } && e.Step.ToString().Length > 0:
                _probes[probe] = new ProbeStand(e.Step, said);
                break;
            case BenchKind.Heat or BenchKind.Door or BenchKind.Room or BenchKind.ProbeIn:
                break;
            case BenchKind.Pieces
            or BenchKind.Looks
            or BenchKind.Darker
            or BenchKind.ToChange
            or BenchKind.Used
            or BenchKind.Photo when e.Number is { } bake:
                _bakes[bake] = Told(_bakes.GetValueOrDefault(bake) ?? new BakeStand(), e);
                break;
            case var _ when e.Step.ToString().Length > 0:
                _steps[e.Step.ToString()] = Moved(Of(e.Step), e, said);
                break;
        }
    }

    private static BakeStand Told(BakeStand stand, BenchEvent e) =>
        e.Kind switch
        {
            BenchKind.Pieces => stand with { Pieces = e.Value },
            BenchKind.Looks => stand with { Looks = e.Text ?? "" },
            BenchKind.ToChange => stand with { ToChange = e.Text ?? "" },
            // A second touch of the same place takes it off.
            BenchKind.Darker when e.Text is { Length: > 0 } place => stand with
            {
                Darker = stand.Darker.Contains(place) ? stand.Darker.Remove(place) : stand.Darker.Add(place),
            },
            BenchKind.Photo when e.Text is { Length: > 0 } photo => stand with { Photos = stand.Photos.Add(photo) },
            BenchKind.Used when e is { Text: { Length: > 0 } what, Value: { } grams } => stand.With(what, e.Step.ToString(), grams),
            _ => stand,
        };

    private static StepStand Moved(StepStand stand, BenchEvent e, Said said)
    {
        switch (e.Kind)
        {
            case BenchKind.Started when stand.Started is null || stand.Skipped is not null:
                return stand with { Started = said, Skipped = null };
            case BenchKind.Done when !stand.IsOver:
                return stand with { Done = said, PausedSince = null, PausedFor = Paused(stand, said.At), AnsweredUntil = null };
            case BenchKind.Started or BenchKind.Done:
                return stand with { AlsoSaid = stand.AlsoSaid.Add(said) };
            case BenchKind.NeedsMore when e.Minutes is { } minutes:
                return stand with
                {
                    DueAt = said.At + Duration.FromMinutes(minutes),
                    WarmAt = null,
                    FirstLookAt = stand.FirstLookAt ?? said.At,
                    Looks = stand.Looks + 1,
                    Done = null,
                    AnsweredUntil = null,
                };
            case BenchKind.Touched when e.Number is { } number:
                return stand.Touches.ContainsKey(number)
                    ? stand with
                    {
                        AlsoSaid = stand.AlsoSaid.Add(said),
                    }
                    : stand with
                    {
                        Touches = stand.Touches.Add(number, said),
                        AnsweredUntil = null,
                    };
            case BenchKind.Skipped when !stand.IsOver:
                return stand with { Skipped = said };
            case BenchKind.Paused when stand.IsGoing && stand.PausedSince is null:
                return stand with { PausedSince = said.At };
            case BenchKind.Resumed when stand.PausedSince is not null:
                return stand with { PausedSince = null, PausedFor = Paused(stand, said.At) };
            case BenchKind.Taken:
                return stand with { TakenBy = said.Who };
            case BenchKind.Answered when e.Minutes is { } minutes:
                return stand with { AnsweredUntil = said.At + Duration.FromMinutes(minutes) };
            case BenchKind.Warm when !stand.IsOver:
                return stand with { WarmAt = said, AnsweredUntil = null };
            case BenchKind.Height when e.Value is { } height:
                return stand with { Heights = stand.Heights.Add((said, height)) };
            default:
                return stand;
        }
    }

    private static Duration Paused(StepStand stand, Instant until) =>
        stand.PausedSince is { } since && until > since ? stand.PausedFor + (until - since) : stand.PausedFor;

    private sealed class ByTime : IComparer<BenchEvent>
    {
        public static readonly ByTime Instance = new();

        public int Compare(BenchEvent? x, BenchEvent? y) => BenchEvent.Compare(x!, y!);
    }

    /// <summary>An order that tells any two events apart, also two that share time and id.</summary>
    private sealed class ByWorth : IComparer<BenchEvent>
    {
        public static readonly ByWorth Instance = new();

        public int Compare(BenchEvent? x, BenchEvent? y) =>
            BenchEvent.Compare(x!, y!) is var order && order != 0 ? order : string.CompareOrdinal(x!.ToString(), y!.ToString());
    }
}
