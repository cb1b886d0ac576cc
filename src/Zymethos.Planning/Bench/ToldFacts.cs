using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>
/// Works out what has happened on a day until a minute of it: what was said on the Bench, and what follows from it. Waits that need no hand
/// begin by themselves and are over when their time is; what goes before a step that has begun is over, though nobody said so.
/// </summary>
internal static class ToldFacts
{
    /// <summary>Works it out.</summary>
    /// <param name="statics">The day.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    /// <param name="now">The minute that it is; what was said of later minutes counts as now.</param>
    public static DayFacts Of(DayStatics statics, BenchState state, DayMinutes clock, int now)
    {
        var network = statics.Network;
        var steps = new StepFact[network.Tasks.Length];
        int At(Said said) => Math.Clamp(clock.Of(said.At), 0, now);
        foreach (var task in network.Tasks)
        {
            var stand = state.Of(task.Id);
            var end =
                stand.Done is { } done ? At(done)
                : stand.Skipped is { } left ? At(left)
                : -1;
            var start =
                stand.Started is { } begun ? At(begun)
                : end >= 0
                    ? stand.Skipped is not null ? end
                        : Math.Max(0, end - task.Likely)
                : -1;
            if (end >= 0)
                start = Math.Min(start, end);
            var due =
                end >= 0 ? end
                : stand is { WarmAt: { } warm, Started: not null } ? At(warm)
                : stand.DueAt is { } at ? clock.Of(at)
                // Who began before the first minute of the plan is done so much sooner.
                : stand.Started is { } early && clock.Of(early.At) < 0 ? Math.Max(0, clock.Of(early.At) + task.Likely)
                : start >= 0 && RisePace.Due(network, state, clock, task, start, now) is { } slower ? slower
                : stand.PausedFor > NodaTime.Duration.Zero || stand.PausedSince is not null ? start + task.Likely + Left(stand, clock, now)
                : -1;
            var who = stand.TakenBy.Length > 0 ? stand.TakenBy : stand.Started?.Who ?? stand.Done?.Who ?? "";
            steps[task.Index] = new(start, end, due, stand.Touches.Count, Helper(network, who));
        }

        StandsInOven(statics, state, steps);
        Infer(statics, state, clock, steps, now);
        return new DayFacts(now, steps, HeatOf(statics, state, clock, now));
    }

    // Dough that has risen in the cold oven stands there until it is taken out, whoever said that it is ready; what never went in need not
    // be taken out.
    private static void StandsInOven(DayStatics of, BenchState state, StepFact[] steps)
    {
        for (var clears = 0; clears < steps.Length; clears++)
        {
            if (of.SpellOf[clears] is not (>= 0 and var spell) || steps[clears].Start >= 0 || steps[spell].End < 0)
                continue;
            if (state.Of(of.Network.Tasks[spell].Id).Skipped is not null)
                steps[clears] = steps[clears] with { Start = steps[spell].End, End = steps[spell].End, Due = steps[spell].End };
            else
                steps[spell] = steps[spell] with { Due = steps[spell].End, End = -1 };
        }
    }

    private static int Left(StepStand stand, DayMinutes clock, int now) =>
        (int)stand.PausedFor.TotalMinutes + (stand.PausedSince is { } since ? Math.Max(0, now - clock.Of(since)) : 0);

    private static int Helper(TaskNetwork network, string who)
    {
        for (var h = 0; h < network.Helpers.Length; h++)
        {
            if (who.Length > 0 && network.Helpers[h].Name == who)
                return h;
        }

        return -1;
    }

    private static void Infer(DayStatics of, BenchState state, DayMinutes clock, StepFact[] steps, int now)
    {
        var order = Enumerable.Range(0, steps.Length).OrderBy(t => of.Depth[t]).ToArray();
        var inferred = new bool[steps.Length];
        // Backward: what lies before something that has begun is over.
        for (var i = order.Length - 1; i >= 0; i--)
        {
            var t = order[i];
            if (steps[t].Start < 0)
                continue;
            foreach (var l in of.In[t])
            {
                var before = of.LinkFrom[l];
                if (steps[before].End >= 0 && steps[before].Start >= 0)
                    continue;
                // Dough that is being taken out of the oven has risen until now.
                var end = Math.Max(0, steps[t].Start - (of.SpellOf[t] == before ? 0 : Math.Max(0, of.LinkLeast[l])));
                if (steps[before].Start >= 0)
                    end = Math.Max(end, steps[before].Start);
                inferred[before] |= steps[before].Start < 0;
                var start = steps[before].Start >= 0 ? steps[before].Start : Math.Max(0, end - of.Likely[before]);
                steps[before] = steps[before] with { Start = start, End = end, Due = end };
            }
        }

        // Forward: waits that nobody needs to begin or end go on by themselves.
        foreach (var t in order)
        {
            if (of.StartsByHand[t] || of.SettingOf[t] >= 0 || of.SpellOf[t] >= 0)
                continue;
            var from = of.Floor[t];
            var isOpen = of.In[t].Length > 0;
            foreach (var l in of.In[t])
            {
                isOpen &= steps[of.LinkFrom[l]].End >= 0;
                from = Math.Max(from, steps[of.LinkFrom[l]].End + of.LinkLeast[l]);
            }

            // What follows it has begun: it began itself when what is before it was over, and was over when its time was.
            if (inferred[t] && isOpen && from <= steps[t].End)
            {
                var over = Math.Min(
                    steps[t].End,
                    RisePace.Due(of.Network, state, clock, of.Network.Tasks[t], from, now) ?? from + of.Likely[t]
                );
                steps[t] = steps[t] with { Start = from, End = over, Due = over };
            }

            if (steps[t].Start < 0)
            {
                if (!isOpen || from > now)
                    continue;
                var paced = RisePace.Due(of.Network, state, clock, of.Network.Tasks[t], from, now);
                steps[t] = steps[t] with { Start = from, Due = paced ?? steps[t].Due };
            }

            var due = steps[t].Due >= 0 ? steps[t].Due : steps[t].Start + of.Likely[t];
            if (steps[t].End < 0 && due <= now && of.Needs[t].Length == 0)
                steps[t] = steps[t] with { End = Math.Max(steps[t].Start, due), Due = due };
        }
    }

    private static int[][]? HeatOf(DayStatics of, BenchState state, DayMinutes clock, int now)
    {
        if (state.Dials.Count == 0 && state.Heats.Count == 0)
            return null;
        var network = of.Network;
        var settings = of.Tables.Settings;
        var heat = new int[network.Kitchen.Ovens.Length][];
        for (var oven = 0; oven < heat.Length; oven++)
        {
            heat[oven] = new int[settings.Length];
            if (OvenNow.Of(network, state, clock, oven, now) is not { } there)
                continue;
            var thermal = network.Thermal(oven);
            for (var s = 0; s < settings.Length; s++)
            {
                if (!settings[s].IsHot)
                    continue;
                // What it is set to it has when it has it: its thermostat swings, and its dial may be wrong by some degrees.
                if (there.ReadyAt is { } ready && Math.Abs(settings[s].Celsius - there.Dial) <= OvenNow.SameDial)
                {
                    heat[oven][s] = Math.Max(0, ready);
                    continue;
                }

                var wait = OvenNow.Wait(thermal, there.Celsius, settings[s].Celsius);
                heat[oven][s] = double.IsPositiveInfinity(wait) ? 0 : now + (int)Math.Ceiling(wait - 1e-9);
            }
        }

        return heat;
    }
}
