using System.Globalization;
using System.Text.Json;
using NodaTime;
using OpenQA.Selenium;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;

namespace Zymethos.Browser.Tests;

/// <summary>The Bench as somebody with floury hands finds it: by touch and keyboard, on two devices, with and without the server.</summary>
[Collection(nameof(Site))]
public sealed class BenchTests(Site site) : BenchAtWork(site)
{
    [Fact]
    public void A_step_is_begun_done_and_taken_back_by_one_touch_each()
    {
        var baker = AtWork();
        Clear(baker);
        var first = Words(baker, ".bench-card:not(.is-dial) .bench-title");
        Press(baker, ".bench-card:not(.is-dial) .main-touch");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "it is in hand");
        Assert.Equal(first, Words(baker, ".bench-card.is-at .bench-title"));
        Press(baker, ".bench-card.is-at .main-touch");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 0, "it is done");
        Assert.NotEqual(first, Words(baker, ".bench-card:not(.is-dial) .bench-title"));
        Press(baker, "[data-key=undo]");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "it is not done after all");
        baker.Until(() => Told(baker) >= 3, "all of it is told, the taking back as well");
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void The_oven_is_lit_only_after_somebody_has_looked_into_it()
    {
        var baker = AtWork();
        Tell(baker, "1.1.beat.1", "done", 0);
        baker.Until(() => baker.All(".bench-card.is-dial").Count == 1, "the dial is asked for");
        Assert.Contains("Look inside first", Words(baker, ".bench-card.is-dial"), StringComparison.Ordinal);
        Assert.Empty(baker.All("[data-key=dial-0]"));
        Press(baker, "[data-key=empty-0]");
        Press(baker, "[data-key=dial-0]");
        baker.Until(() => baker.All(".bench-card.is-dial").Count == 0, "the oven is on");
        Assert.Contains("there", Words(baker, ".bench-oven"), StringComparison.Ordinal);
    }

    [Fact]
    public void What_one_does_is_on_the_other_device_within_a_moment_and_two_who_end_a_step_are_both_told_of()
    {
        var tablet = AtWork();
        Clear(tablet);
        var phone = Come(360, 780);
        phone.SignIn();
        phone.Go("/bench");
        phone.Until(() => phone.All(".bench-now .touch").Count > 0, "the phone has the same day");
        Press(tablet, ".bench-card:not(.is-dial) .main-touch");
        phone.Until(() => phone.All(".bench-card.is-at").Count == 1, "the phone shows what was begun", 5);
        Assert.Equal(0L, phone.Window.ExecuteScript("return Math.max(0, document.documentElement.scrollWidth - innerWidth)"));

        // Both say that it is done, the phone in the cellar.
        Online(phone, false);
        Press(phone, ".bench-card.is-at .main-touch");
        phone.Until(() => phone.All(".bench-line-state").Any(l => l.Text.Contains("waits", StringComparison.Ordinal)), "the touch waits");
        Assert.Empty(phone.All(".bench-card.is-at"));
        Press(tablet, ".bench-card.is-at .main-touch");
        tablet.Until(() => tablet.All(".bench-card.is-at").Count == 0, "the tablet says so as well");
        Online(phone, true);
        phone.Until(() => phone.All(".bench-line-state").Count == 0, "the phone is back", 30);
        var state = BenchState.From(Events(tablet));
        var stand = Assert.Single(state.Steps.Values, s => s.Done is not null);
        Assert.Single(stand.AlsoSaid);
    }

    [Fact]
    public void In_a_cellar_the_day_goes_on_also_through_a_reload_and_is_told_once_afterwards()
    {
        var baker = AtWork();
        Clear(baker);
        baker.Until(
            () =>
                Json<bool>(baker, "return (await caches.keys()).length > 0 && (await (await caches.open('bench-1')).keys()).length > 12;"),
            "the page is kept"
        );
        var before = Told(baker);
        Online(baker, false);
        Press(baker, ".bench-card:not(.is-dial) .main-touch");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "it is begun without the server");
        baker.Window.Navigate().Refresh();
        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "it is begun after a reload as well");
        Assert.Contains("Without the server", Words(baker, ".bench-line-state"), StringComparison.Ordinal);
        Press(baker, ".bench-card.is-at .main-touch");
        baker.Until(() => Words(baker, ".bench-line-state").Contains("2 touches wait", StringComparison.Ordinal), "two touches wait");
        Online(baker, true);
        baker.Until(() => baker.All(".bench-line-state").Count == 0, "they are told", 30);
        Assert.Equal(before + 2, Told(baker));
    }

    [Fact]
    public void A_device_whose_clock_is_seven_minutes_fast_shows_the_kitchens_time_and_tells_right_times()
    {
        var baker = AtWork();
        Clear(baker);
        baker.Window.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?>
            {
                ["source"] =
                    "const D = Date; const off = 420000; globalThis.Date = class extends D { "
                    + "constructor(...a) { a.length ? super(...a) : super(D.now() + off); } static now() { return D.now() + off; } };",
            }
        );
        baker.Window.Navigate().Refresh();
        baker.Until(() => baker.All(".bench-card:not(.is-dial) .main-touch").Count > 0, "the Bench is there again");
        baker.Until(() => ShownMinutesOff(baker) is <= 1 and >= -1, "the hour is the kitchen's");
        Press(baker, ".bench-card:not(.is-dial) .main-touch");
        baker.Until(() => baker.All(".note").Any(n => n.Text.Contains("7 min fast", StringComparison.Ordinal)), "the clock is spoken of");
        var began = Events(baker).Where(e => e.Kind == BenchKind.Started).Max(e => e.At);
        Assert.InRange((SystemClock.Instance.GetCurrentInstant() - began).TotalSeconds, -2, 30);
    }

    [Fact]
    public void What_rings_stays_loud_until_somebody_answers_and_needs_five_more_when_it_is_pale()
    {
        var baker = AtWork();
        Clear(baker);
        // The loaves went in an hour and a half ago.
        Tell(baker, "1.1.bake.1", "started", -90);
        baker.Until(() => baker.All(".bench-card.is-ringing").Count == 1, "it rings", 30);
        Assert.Contains("then it bakes too long", Words(baker, ".bench-card.is-ringing"), StringComparison.Ordinal);
        Press(baker, ".bench-card.is-ringing [data-key^=soon-]");
        baker.Until(() => baker.All(".bench-card.is-ringing").Count == 0, "somebody comes in a minute");
        Assert.Contains("Somebody comes by", Words(baker, ".bench-clocks"), StringComparison.Ordinal);
        Press(baker, ".bench-clock summary");
        Press(baker, ".bench-clock [data-key^=c-more5]");
        baker.Until(() => Words(baker, ".bench-clock .clock-run").StartsWith("4:", StringComparison.Ordinal), "it has five minutes more");
        Assert.Empty(baker.All(".bench-card.is-ringing"));
    }

    [Fact]
    public void No_heat_is_given_while_dough_stands_in_the_oven_and_its_taking_out_is_not_ticked()
    {
        var baker = AtWork();
        // A rise in the cold oven, the step that takes the dough out, and the bake after it; told: begun an hour ago, risen since.
        var found = Json<JsonElement>(
            baker,
            """
            const { entries, hands, inside } = await import("/places/Bench/day.js");
            const { fold } = await import("/places/Bench/fold.js");
            const now = 1e12, minute = 60000;
            const step = (id, more) => ({ id, bake: 0, title: id, links: [], touches: [], amounts: [], low: 40, likely: 45, high: 50, stay: 10, ...more });
            const sheet = { people: ["Ada"], ovens: [{}], bakes: [{}], steps: [
              step("proof", { load: { index: 0, isProof: true }, links: [{ to: "proof.clear", least: 0, most: 10 }] }),
              step("proof.clear", { byHand: true, isWork: true, clears: "proof", likely: 2, links: [{ to: "bake", least: 0 }] }),
              step("bake", { byHand: true, load: { index: 0, isProof: false, isOff: false } }) ] };
            const told = [{ id: "a", kind: "started", step: "proof", at: now - 60 * minute }];
            const look = (events) => { const state = fold(events), all = entries(sheet, state, null, now);
              return [inside(all, 0).cold.length, hands(sheet, all, null, 0, now).next[0]?.step.id]; };
            const risen = [...told, { id: "b", kind: "done", step: "proof", at: now - minute }];
            return [look([]), look(told), look(risen), look([...risen, { id: "c", kind: "done", step: "proof.clear", at: now }]),
              look([...risen, { id: "d", kind: "skipped", step: "proof.clear", at: now }])];
            """
        );
        // Leaving it out takes no dough out.
        Assert.Equal("""[[0,"proof"],[1,"proof.clear"],[1,"proof.clear"],[0,"bake"],[1,"bake"]]""", found.ToString());
    }

    [Fact]
    public void What_makes_food_safe_is_waited_for_before_its_next_step_can_be_begun()
    {
        var baker = AtWork();
        var open = Json<int[]>(
            baker,
            """
            const { entries, unsafe } = await import("/places/Bench/day.js");
            const { fold } = await import("/places/Bench/fold.js");
            const now = 1e12, minute = 60000;
            const step = (id, more) => ({ id, bake: 0, title: id, links: [], touches: [], amounts: [], low: 20, likely: 25, high: 30, stay: 60, ...more });
            const sheet = { people: ["Ada"], ovens: [{}], bakes: [{}], steps: [
              step("heat", { byHand: true, isSafety: true, load: { index: 0 }, links: [{ to: "fill", least: 0 }] }), step("fill", { byHand: true, isWork: true }) ] };
            const waits = (events) => unsafe(entries(sheet, fold(events), null, now), entries(sheet, fold(events), null, now).get("fill"), now).length;
            const begun = (ago) => [{ id: "a", kind: "started", step: "heat", at: now - ago * minute }];
            return [waits([]), waits(begun(10)), waits(begun(21)), waits([...begun(26), { id: "b", kind: "done", step: "heat", at: now }])];
            """
        );
        Assert.Equal([1, 1, 0, 0], open);
    }

    [Fact]
    public void A_dough_that_is_seen_to_rise_slowly_is_ready_later_and_the_model_has_its_say()
    {
        var baker = AtWork();
        var ready = Json<double[]>(
            baker,
            """
            const { readyBySight } = await import("/places/Bench/rise.js");
            const step = { likely: 60, rise: [...Array(12).keys()].map((i) => (i + 1) / 12) };
            const at = (...seen) => readyBySight(step, 0, seen.map(([m, height]) => ({ at: m * 60000, height }))) / 60000;
            return [at(), at([30, 1.5]), at([30, 1.25]), at([20, 1.5]), at([30, 1.25], [40, 1.33]), at([1, 1.9])];
            """
        );
        Assert.Equal([60, 60], ready[..2].Select(m => Math.Round(m, 6)));
        // Half as fast as the model: between the model's hour and what was seen alone, which is two hours.
        Assert.InRange(ready[2], 80, 115);
        Assert.InRange(ready[3], 40, 50);
        Assert.InRange(ready[4], ready[2], 120);
        // A minute after the beginning nobody can tell.
        Assert.Equal(60, ready[5], 6);
    }

    [Fact]
    public void What_is_being_typed_stays_under_the_fingers_while_others_touch_the_Bench()
    {
        var baker = AtWork();
        Press(baker, "[data-key=closing-sum]");
        var field = baker.Find("[data-key=change-0]");
        field.SendKeys("two minutes le");
        Tell(baker, "1.1.line.1", "done", 0);
        baker.Until(() => Words(baker, "[data-key=said-sum]").Length > 0 && Told(baker) == 1, "somebody else has touched it");
        Thread.Sleep(500);
        field.SendKeys("ss" + Keys.Tab);
        baker.Until(() => BenchState.From(Events(baker)).Bakes.Count == 1, "it is told");
        Assert.Equal("two minutes less", BenchState.From(Events(baker)).Bakes[0].ToChange);
    }

    [Fact]
    public void The_keyboard_is_enough_and_says_what_it_can()
    {
        var baker = AtWork();
        Clear(baker);
        var page = baker.Find("body");
        page.SendKeys("?");
        Assert.Contains("what the big button says", Words(baker, "dialog"), StringComparison.Ordinal);
        Press(baker, "dialog button");
        baker.Until(() => baker.All("dialog").Count == 0, "the list is gone");
        // The first card may be the oven's dial: what it asks is answered first, with the same key.
        for (var press = 0; press < 4 && baker.All(".bench-card.is-at").Count == 0; press++)
        {
            baker.Until(() => baker.All(".bench-now .main-touch").Count > 0, "something can be touched");
            page.SendKeys(Keys.Enter);
            Thread.Sleep(1500);
        }

        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "begun");
        page.SendKeys("p");
        baker.Until(() => Words(baker, ".bench-card.is-at").Contains("Left for a while", StringComparison.Ordinal), "left");
        page.SendKeys("p");
        baker.Until(() => !Words(baker, ".bench-card.is-at").Contains("Left for a while", StringComparison.Ordinal), "gone on with");
        page.SendKeys("d");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 0, "done");
        page.SendKeys("u");
        baker.Until(() => baker.All(".bench-card.is-at").Count == 1, "taken back");
    }

    [Theory]
    [InlineData(1024, 768, "light")]
    [InlineData(360, 780, "low")]
    public void Everybody_can_read_and_reach_it(int width, int height, string theme)
    {
        var baker = AtWork();
        Tell(baker, "1.1.bake.1", "started", -90);
        baker.Window.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );
        baker.Window.ExecuteScript($"document.documentElement.dataset.theme = '{theme}'");
        baker.Until(() => baker.All(".bench-card.is-ringing").Count == 1, "something rings", 30);
        Assert.Empty(baker.Violations());
        var small =
            (IReadOnlyCollection<object>)
                baker.Window.ExecuteScript(
                    "return [...document.querySelectorAll('#bench .touch')]"
                        + ".filter((t) => t.offsetParent && (t.offsetHeight < 48 || t.offsetWidth < 48)).map((t) => t.textContent)"
                )!;
        Assert.Empty(small);
        Assert.True((long)baker.Window.ExecuteScript("return document.documentElement.scrollWidth")! <= width);
    }

    [Fact]
    public void Without_a_server_what_is_late_puts_back_what_waits_for_it()
    {
        var baker = Come();
        baker.SignIn();
        var minutes = Json<double[]>(
            baker,
            """
            const { outlook } = await import("/places/Bench/day.js");
            const [now, m] = [1e12, 60000];
            const sheet = { ovens: [{ room: 20, ceiling: 320, shut: 20, ajar: 8 }] };
            const step = (id, likely, celsius, more) => [id, { step: { id, likely, load: celsius ? { index: 0, celsius } : null }, stand: {},
              before: [], over: false, going: false, ...more }];
            const all = new Map([
              // In the oven, and twenty minutes longer than it was expected to be.
              step("loaf", 40, 180, { going: true, from: now - 30 * m, due: now + 20 * m, expected: { from: now - 30 * m } }),
              // Wanted a hotter oven in five minutes.
              step("buns", 15, 220, { expected: { from: now + 5 * m } }),
              // Wanted the same heat as the loaf, and may go in beside it.
              step("tart", 25, 180, { expected: { from: now + 2 * m } }),
              step("ice", 10, null, { before: [{ from: "buns", least: 10 }], expected: { from: now + 30 * m } }),
              step("wash", 5, null, { expected: { from: now + 45 * m } }),
            ]);
            const starts = outlook(sheet, all, now);
            return ["buns", "tart", "ice", "wash"].map((id) => (starts.get(id) - now) / m);
            """
        );
        // From 180 to 220 degrees at full power: 20 min times ln((320 - 180) / (320 - 220)) = 6.7 min, after the tart is out.
        Assert.Equal(2, minutes[1], 3);
        Assert.InRange(minutes[0], 27 + 6.6, 27 + 6.8);
        Assert.Equal(minutes[0] + 15 + 10, minutes[2], 3);
        Assert.Equal(45, minutes[3], 3);
    }

    [Fact]
    public void The_scripts_reckon_as_the_server_does_whatever_was_told()
    {
        var baker = AtWork();
        var random = new Random(5);
        for (var round = 0; round < 40; round++)
        {
            var events = Enumerable.Range(0, 40).Select(_ => Random(random)).ToList();
            for (var i = 1; i < events.Count; i++)
            {
                if (random.Next(3) > 0)
                    events[i] = events[i] with { Target = events[random.Next(i)].Id };
            }

            var json = JsonSerializer.Serialize(events.Select(BenchEventText.Write), OpenJson.Options);
            var theirs = Json<string[]>(
                baker,
                $$"""
                const { fold, read } = await import("/places/Bench/fold.js");
                const s = fold({{json}}.map(read));
                const said = (x) => x ? `${x.at} ${x.who} ${x.event}` : "-";
                return [
                  ...Object.entries(s.steps).map(([id, x]) => [id, said(x.started), said(x.done), said(x.skipped), x.dueAt ?? "-", said(x.warmAt), x.looks,
                    Object.keys(x.touches).join("+"), x.pausedSince ?? "-", Math.round(x.pausedFor), x.takenBy, x.answeredUntil ?? "-",
                    x.heights.map((h) => h.height).join("+"), x.alsoSaid.map((a) => a.event).join("+")].join("|")),
                  ...Object.entries(s.bakes).map(([id, x]) => [id, x.pieces ?? "-", x.looks, x.darker.join("+"), x.toChange, Object.keys(x.used).sort().join("+"),
                    x.photos.join("+")].join("|")),
                  ...s.heats.map((d) => `heat ${d.oven} ${d.celsius} ${d.isSteady ? "steady" : "-"} ${said(d.said)}`),
                  ...s.doors.map((d) => `door ${d.oven} ${said(d.said)}`), ...s.rooms.map((d) => `room ${d.celsius} ${said(d.said)}`),
                  ...Object.entries(s.probes).map(([p, x]) => `probe ${p} ${x.step} ${said(x.said)}`),
                  ...s.dials.map((d) => `${d.oven} ${d.celsius} ${said(d.said)}`), ...Object.entries(s.lookedInto).map(([o, x]) => `${o} ${said(x)}`), said(s.ended),
                ].sort();
                """
            );
            Assert.Equal(Ours(BenchState.From(events)), theirs);
        }
    }

    private static string[] Ours(BenchState state)
    {
        static string Said(Said? said) => said is null ? "-" : $"{said.At.ToUnixTimeMilliseconds()} {said.Who} {said.Event:D}";
        static string At(Instant? at) => at is { } moment ? moment.ToUnixTimeMilliseconds().ToString(CultureInfo.InvariantCulture) : "-";
        string[] all =
        [
            .. state.Steps.Select(s =>
                string.Join(
                    '|',
                    s.Key,
                    Said(s.Value.Started),
                    Said(s.Value.Done),
                    Said(s.Value.Skipped),
                    At(s.Value.DueAt),
                    Said(s.Value.WarmAt),
                    s.Value.Looks,
                    string.Join('+', s.Value.Touches.Keys),
                    At(s.Value.PausedSince),
                    s.Value.PausedFor.TotalMilliseconds,
                    s.Value.TakenBy,
                    At(s.Value.AnsweredUntil),
                    string.Join('+', s.Value.Heights.Select(h => h.Height)),
                    string.Join('+', s.Value.AlsoSaid.Select(a => a.Event.ToString("D")))
                )
            ),
            .. state.Bakes.Select(b =>
                string.Join(
                    '|',
                    b.Key,
                    b.Value.Pieces?.ToString(CultureInfo.InvariantCulture) ?? "-",
                    b.Value.Looks,
                    string.Join('+', b.Value.Darker),
                    b.Value.ToChange,
                    string.Join('+', b.Value.Used.Keys),
                    string.Join('+', b.Value.Photos)
                )
            ),
            .. state.Heats.Select(h => $"heat {h.Oven} {h.Celsius} {(h.IsSteady ? "steady" : "-")} {Said(h.Said)}"),
            .. state.Doors.Select(d => $"door {d.Oven} {Said(d.Said)}"),
            .. state.Rooms.Select(r => $"room {r.Celsius} {Said(r.Said)}"),
            .. state.Probes.Select(p => $"probe {p.Key} {p.Value.Step} {Said(p.Value.Said)}"),
            .. state.Dials.Select(d => $"{d.Oven} {d.Celsius} {Said(d.Said)}"),
            .. state.LookedInto.Select(l => $"{l.Key} {Said(l.Value)}"),
            Said(state.Ended),
        ];
        Array.Sort(all, string.CompareOrdinal);
        return all;
    }

    private static BenchEvent Random(Random random)
    {
        var kinds = Enum.GetValues<BenchKind>();
        var bytes = new byte[16];
        random.NextBytes(bytes);
        return new BenchEvent(
            new Guid(bytes),
            kinds[random.Next(kinds.Length)],
            random.Next(5) == 0 ? default : new TaskId($"1.1.step-{random.Next(4)}.1"),
            Instant.FromUtc(2026, 12, 5, 8, 0) + Duration.FromMinutes(random.Next(20)),
            random.Next(2) == 0 ? "Ada" : "Ben",
            "tablet"
        )
        {
            Minutes = random.Next(3) == 0 ? null : random.Next(1, 30),
            Number = random.Next(3) == 0 ? null : random.Next(2),
            Value = random.Next(3) == 0 ? null : random.Next(250),
            Text = random.Next(4) switch
            {
                0 => null,
                1 => BenchEvent.Steady,
                _ => $"word {random.Next(3)}",
            },
            NewAt = random.Next(2) == 0 ? null : Instant.FromUtc(2026, 12, 5, 8, 0) + Duration.FromMinutes(random.Next(20)),
        };
    }

    private static double ShownMinutesOff(Baker baker)
    {
        var shown = TimeSpan.Parse(Words(baker, ".bench-hour"), CultureInfo.InvariantCulture);
        // Minutes of the hour are the same in every whole zone.
        var off = shown.Minutes - DateTime.UtcNow.Minute;
        return off > 30 ? off - 60
            : off < -30 ? off + 60
            : off;
    }
}
