using System.Text.Json;
using NodaTime;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Tests.Bench;

/// <summary>The state of a session is a fold that does not care in which order, how often or by whom its events are told.</summary>
public sealed class BenchFoldTests
{
    private static readonly Instant Morning = Instant.FromUtc(2026, 12, 5, 8, 0);
    private static readonly BenchKind[] Kinds = Enum.GetValues<BenchKind>();

    [Fact]
    public void Any_interleaving_of_what_two_devices_told_gives_the_same_state()
    {
        for (var seed = 1; seed <= 300; seed++)
        {
            var random = new Random(seed);
            var (tablet, phone) = (Touches(random, 25, "tablet"), Touches(random, 25, "phone"));
            var told = Describe(BenchState.From([.. tablet, .. phone]));
            for (var i = 0; i < 5; i++)
                Assert.Equal(told, Describe(BenchState.From(Interleaved(random, tablet, phone))));
            Assert.Equal(told, Describe(BenchState.From(phone.Concat(tablet).Reverse())));
        }
    }

    [Fact]
    public void What_is_told_again_changes_nothing()
    {
        for (var seed = 1; seed <= 200; seed++)
        {
            var random = new Random(seed);
            var told = Touches(random, 40, "tablet");
            var twice = told.Concat(told.OrderBy(_ => random.Next())).Concat(told.Take(10));
            Assert.Equal(Describe(BenchState.From(told)), Describe(BenchState.From(twice)));
        }
    }

    [Fact]
    public void Taking_back_is_an_event_and_can_be_taken_back()
    {
        var begun = Touch(BenchKind.Started, "a", 0);
        var undo = Touch(BenchKind.Undone, "", 1) with { Target = begun.Id };
        var redo = Touch(BenchKind.Undone, "", 2) with { Target = undo.Id };
        var again = Touch(BenchKind.Undone, "", 3) with { Target = redo.Id };
        Assert.NotNull(BenchState.From([begun]).Of(new TaskId("a")).Started);
        Assert.Null(BenchState.From([begun, undo]).Of(new TaskId("a")).Started);
        Assert.NotNull(BenchState.From([begun, undo, redo]).Of(new TaskId("a")).Started);
        Assert.Null(BenchState.From([again, redo, begun, undo]).Of(new TaskId("a")).Started);
    }

    [Fact]
    public void Taking_back_everything_that_counts_leaves_nothing()
    {
        for (var seed = 1; seed <= 100; seed++)
        {
            var told = Touches(new Random(seed), 30, "tablet").Where(e => e.Kind is not (BenchKind.Undone or BenchKind.Corrected)).ToList();
            var undone = told.Select(e => Touch(BenchKind.Undone, "", 1000) with { Target = e.Id });
            Assert.Equal(Describe(BenchState.From([])), Describe(BenchState.From([.. told, .. undone])));
        }
    }

    [Fact]
    public void What_undoes_itself_in_a_circle_ends_nowhere_twice()
    {
        var (a, b) = (Touch(BenchKind.Undone, "", 1), Touch(BenchKind.Undone, "", 2));
        a = a with { Target = b.Id };
        b = b with { Target = a.Id };
        var begun = Touch(BenchKind.Started, "a", 0);
        Assert.NotNull(BenchState.From([a, b, begun]).Of(new TaskId("a")).Started);
    }

    [Fact]
    public void A_time_put_right_counts_and_what_was_said_first_stays_among_the_events()
    {
        var done = Touch(BenchKind.Done, "a", 10, "Ada");
        var earlier = Touch(BenchKind.Corrected, "", 20) with { Target = done.Id, NewAt = Morning + Duration.FromMinutes(4) };
        var later = Touch(BenchKind.Corrected, "", 30, "Ben") with { Target = done.Id, NewAt = Morning + Duration.FromMinutes(6) };
        var stand = BenchState.From([later, done, earlier]).Of(new TaskId("a"));
        Assert.Equal(Morning + Duration.FromMinutes(6), stand.Done!.At);
        Assert.Equal("Ben", stand.Done.Who);
        Assert.Equal(done.Id, stand.Done.Event);
        Assert.Equal(Morning + Duration.FromMinutes(10), done.At);
    }

    [Fact]
    public void Of_two_who_end_one_step_the_first_stands_and_the_other_is_shown()
    {
        var ada = Touch(BenchKind.Done, "a", 10, "Ada");
        var ben = Touch(BenchKind.Done, "a", 11, "Ben");
        var stand = BenchState.From([ben, ada]).Of(new TaskId("a"));
        Assert.Equal("Ada", stand.Done!.Who);
        Assert.Equal("Ben", Assert.Single(stand.AlsoSaid).Who);
    }

    [Fact]
    public void Needing_more_counts_from_the_look_and_takes_done_back()
    {
        var told = new[]
        {
            Touch(BenchKind.Started, "a", 0),
            Touch(BenchKind.NeedsMore, "a", 30) with
            {
                Minutes = 5,
            },
            Touch(BenchKind.Done, "a", 35),
            Touch(BenchKind.NeedsMore, "a", 36) with
            {
                Minutes = 3,
            },
        };
        var stand = BenchState.From(told).Of(new TaskId("a"));
        Assert.True(stand.IsGoing);
        Assert.Equal(Morning + Duration.FromMinutes(39), stand.DueAt);
        Assert.Equal(2, stand.Looks);
    }

    [Fact]
    public void A_pause_is_not_counted_as_work_and_a_second_one_adds_to_it()
    {
        var told = new[]
        {
            Touch(BenchKind.Started, "a", 0),
            Touch(BenchKind.Paused, "a", 5),
            Touch(BenchKind.Resumed, "a", 9),
            Touch(BenchKind.Paused, "a", 20),
            Touch(BenchKind.Done, "a", 23),
        };
        var stand = BenchState.From(told).Of(new TaskId("a"));
        Assert.Equal(Duration.FromMinutes(7), stand.PausedFor);
        Assert.Null(stand.PausedSince);
    }

    [Fact]
    public void A_dial_stands_as_it_was_set_last_and_each_oven_has_its_own()
    {
        var told = new[]
        {
            Touch(BenchKind.Dial, "", 5) with
            {
                Number = 0,
                Value = 180,
            },
            Touch(BenchKind.Dial, "", 1) with
            {
                Number = 0,
                Value = 200,
            },
            Touch(BenchKind.Dial, "", 3) with
            {
                Number = 1,
                Value = 0,
            },
        };
        var state = BenchState.From(told);
        Assert.Equal(180, state.DialOf(0)!.Celsius);
        Assert.Equal(0, state.DialOf(1)!.Celsius);
        Assert.Null(state.DialOf(2));
    }

    [Fact]
    public void What_came_of_a_bake_is_the_last_word_on_it_and_a_second_touch_of_a_place_takes_it_off()
    {
        var told = new[]
        {
            Touch(BenchKind.Pieces, "", 1) with
            {
                Number = 0,
                Value = 23,
            },
            Touch(BenchKind.Pieces, "", 2) with
            {
                Number = 0,
                Value = 24,
            },
            Touch(BenchKind.Darker, "", 3) with
            {
                Number = 0,
                Text = "back left",
            },
            Touch(BenchKind.Darker, "", 4) with
            {
                Number = 0,
                Text = "edge",
            },
            Touch(BenchKind.Darker, "", 5) with
            {
                Number = 0,
                Text = "back left",
            },
            Touch(BenchKind.Used, "", 6) with
            {
                Number = 0,
                Text = "bread flour",
                Value = 512,
            },
        };
        var bake = BenchState.From(told).Bakes[0];
        Assert.Equal(24, bake.Pieces);
        Assert.Equal(["edge"], bake.Darker);
        Assert.Equal(512, bake.Used["bread flour"]);
    }

    [Fact]
    public void What_each_batch_took_adds_up_and_what_is_said_of_all_is_all()
    {
        BenchEvent Used(string mix, double minute, double grams) =>
            Touch(BenchKind.Used, mix, minute) with
            {
                Number = 0,
                Text = "bread flour",
                Value = grams,
            };
        double Flour(params BenchEvent[] told) => BenchState.From(told).Bakes[0].Used["bread flour"];
        Assert.Equal(1010, Flour(Used("1.1.mix.1", 1, 500), Used("1.2.mix.1", 2, 510)));
        // Weighed again, the same mix counts once.
        Assert.Equal(1008, Flour(Used("1.1.mix.1", 1, 500), Used("1.2.mix.1", 2, 510), Used("1.1.mix.1", 3, 498)));
        Assert.Equal(990, Flour(Used("1.1.mix.1", 1, 500), Used("1.2.mix.1", 2, 510), Used("", 3, 990)));
        Assert.Equal(505, Flour(Used("", 1, 990), Used("1.1.mix.1", 2, 505)));
    }

    internal static BenchEvent Touch(BenchKind kind, string step, double minute, string who = "") =>
        new(Guid.NewGuid(), kind, step.Length == 0 ? default : new TaskId(step), Morning + Duration.FromMinutes(minute), who, "tablet");

    /// <summary>Touches as two people with floury hands make them: any kind, often of the same step, some of them taken back.</summary>
    private static List<BenchEvent> Touches(Random random, int count, string device)
    {
        var told = new List<BenchEvent>();
        for (var i = 0; i < count; i++)
        {
            var kind = Kinds[random.Next(Kinds.Length)];
            var bytes = new byte[16];
            random.NextBytes(bytes);
            told.Add(
                new BenchEvent(
                    new Guid(bytes),
                    kind,
                    random.Next(5) == 0 ? default : new TaskId($"1.1.step-{random.Next(4)}.1"),
                    // Few moments, so that many touches share theirs.
                    Morning + Duration.FromMinutes(random.Next(20)),
                    random.Next(2) == 0 ? "Ada" : "Ben",
                    device
                )
                {
                    Minutes = random.Next(3) == 0 ? null : random.Next(1, 30),
                    Number = random.Next(3) == 0 ? null : random.Next(2),
                    Value = random.Next(3) == 0 ? null : random.Next(250),
                    Text = random.Next(3) == 0 ? null : $"word {random.Next(3)}",
                    Target = told.Count > 0 && random.Next(4) > 0 ? told[random.Next(told.Count)].Id : null,
                    NewAt = random.Next(2) == 0 ? null : Morning + Duration.FromMinutes(random.Next(20)),
                }
            );
        }

        return told;
    }

    private static List<BenchEvent> Interleaved(Random random, List<BenchEvent> one, List<BenchEvent> other)
    {
        var (a, b, all) = (0, 0, new List<BenchEvent>());
        while (a < one.Count || b < other.Count)
            all.Add(b == other.Count || (a < one.Count && random.Next(2) == 0) ? one[a++] : other[b++]);
        return all;
    }

    private static string Describe(BenchState state) =>
        JsonSerializer.Serialize(
            new
            {
                Steps = state.Steps.Select(s =>
                    $"{s.Key}: {s.Value} {string.Join(",", s.Value.Touches)} {string.Join(",", s.Value.AlsoSaid)} "
                    + string.Join(",", s.Value.Heights)
                ),
                Bakes = state.Bakes.Select(b =>
                    $"{b.Key}: {b.Value.Pieces} {b.Value.Looks} {b.Value.ToChange} {string.Join(",", b.Value.Darker)} "
                    + string.Join(",", b.Value.Used)
                    + string.Join(",", b.Value.Photos)
                ),
                Dials = state.Dials.Select(d => d.ToString()),
                Heats = state.Heats.Select(h => h.ToString()),
                Doors = state.Doors.Select(d => d.ToString()),
                Rooms = state.Rooms.Select(r => r.ToString()),
                Probes = state.Probes.Select(p => p.ToString()),
                Looked = state.LookedInto.Select(l => l.ToString()),
                Ended = state.Ended?.ToString(),
            }
        );
}
