using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Reading;
using Zymethos.Store.Benches;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Places.Bench;

/// <summary>When a step is expected; moments in milliseconds of the Unix clock.</summary>
/// <param name="From">When it begins, or began.</param>
/// <param name="Until">When it ends, or ended.</param>
/// <param name="Begun">Whether it has begun, told or inferred.</param>
/// <param name="Over">Whether it is over.</param>
/// <param name="Due">When it is to be done, where it goes on: later than usual where the oven's door is opened for others.</param>
public sealed record ExpectedStep(long From, long Until, bool Begun, bool Over, long? Due);

/// <summary>What hands are at or do next.</summary>
/// <param name="Step">Id of the step.</param>
/// <param name="Need">Which of its needs of hands: 0 begins it.</param>
/// <param name="Who">Place of the person in the day.</param>
/// <param name="From">From when.</param>
/// <param name="Until">Until when.</param>
public sealed record ExpectedAct(string Step, int Need, int Who, long From, long Until);

/// <summary>What is to be done to a dial.</summary>
/// <param name="Oven">Which oven.</param>
/// <param name="At">When.</param>
/// <param name="Celsius">To what; 0 for off.</param>
/// <param name="Text">In words.</param>
public sealed record ExpectedDial(int Oven, long At, double Celsius, string Text);

/// <summary>How the day stands and goes on.</summary>
/// <param name="At">When it was looked at.</param>
/// <param name="Steps">Steps by their ids.</param>
/// <param name="Acts">What hands do, in order of time.</param>
/// <param name="Dials">What is to be done to dials, in order of time.</param>
/// <param name="Likely">When all is ready if everything takes its usual time.</param>
/// <param name="Missed">Windows that closed, in sentences.</param>
public sealed record ExpectedRest(
    long At,
    IReadOnlyDictionary<string, ExpectedStep> Steps,
    IReadOnlyList<ExpectedAct> Acts,
    IReadOnlyList<ExpectedDial> Dials,
    long Likely,
    IReadOnlyList<string> Missed
);

/// <summary>What is new on the Bench.</summary>
/// <param name="Seq">Up to which event.</param>
/// <param name="Plan">Which plan.</param>
/// <param name="Now">What time it is here; devices reckon with it.</param>
/// <param name="Speed">How much faster than the world time goes here: 1, but for trying out a day.</param>
/// <param name="IsAway">Whether the session is put away.</param>
/// <param name="Events">Events that were not seen yet.</param>
/// <param name="Rest">How the day goes on; null while that waits its turn.</param>
public sealed record BenchNews(
    long Seq,
    int Plan,
    long Now,
    double Speed,
    bool IsAway,
    IReadOnlyList<BenchEventDocument> Events,
    ExpectedRest? Rest
)
{
    /// <summary>The news.</summary>
    /// <param name="look">How the session stands.</param>
    /// <param name="rows">Events that were not seen yet.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="speed">How much faster than the world time goes here.</param>
    public static BenchNews Of(BenchLook look, IReadOnlyList<BenchEventRow> rows, NodaTime.Instant now, double speed = 1)
    {
        var seq = rows.Count > 0 ? Math.Max(look.Seq, rows[^1].Seq) : look.Seq;
        return new BenchNews(
            seq,
            look.Work.Row.PlanNumber,
            now.ToUnixTimeMilliseconds(),
            speed,
            look.Work.Row.EndedAt is not null,
            [.. rows.Select(r => r.Document)],
            RestOf(look)
        );
    }

    /// <summary>The news while how the day goes on waits its turn.</summary>
    /// <param name="work">The session.</param>
    /// <param name="rows">Events that were not seen yet.</param>
    /// <param name="after">Up to which event all were seen.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="speed">How much faster than the world time goes here.</param>
    public static BenchNews Waiting(BenchWork work, IReadOnlyList<BenchEventRow> rows, long after, NodaTime.Instant now, double speed) =>
        new(
            rows.Count > 0 ? rows[^1].Seq : after,
            work.Row.PlanNumber,
            now.ToUnixTimeMilliseconds(),
            speed,
            work.Row.EndedAt is not null,
            [.. rows.Select(r => r.Document)],
            null
        );

    private static ExpectedRest RestOf(BenchLook look)
    {
        var (network, rest, clock) = (look.Work.Day.Network, look.Rest, look.Work.Bench.Clock);
        long At(int minute) => clock.At(minute).ToUnixTimeMilliseconds();
        return new ExpectedRest(
            At(rest.Now),
            network.Tasks.ToDictionary(
                t => t.Id.Value,
                t =>
                {
                    var planned = rest.Plan.Tasks[t.Index];
                    var goesOn = rest.Begun[t.Index] >= 0 && rest.Over[t.Index] < 0;
                    return new ExpectedStep(
                        At(planned.Start),
                        At(planned.End),
                        rest.Begun[t.Index] >= 0,
                        rest.Over[t.Index] >= 0,
                        goesOn ? At(rest.Due[t.Index]) : null
                    );
                }
            ),
            [.. rest.Hands.Select(h => new ExpectedAct(network.Tasks[h.Task].Id.Value, h.Need, h.Helper, At(h.From), At(h.Until)))],
            [.. Enumerable.Range(0, network.Kitchen.Ovens.Length).SelectMany(o => Dials(look, o)).OrderBy(d => d.At)],
            At(rest.Chance.LikelyReady ?? rest.Chance.LikelyDone),
            [
                .. rest.Missed.Select(l =>
                    $"“{network.Tasks[l.To].Title}” came too late after “{network.Tasks[l.From].Title}”"
                    + (l.Why.Length > 0 ? $": {l.Why.TrimEnd('.')}." : ".")
                ),
            ]
        );
    }

    /// <summary>What is due at a dial and not told yet, and what comes next.</summary>
    internal static IEnumerable<ExpectedDial> Dials(BenchLook look, int oven)
    {
        var (network, rest) = (look.Work.Day.Network, look.Rest);
        var programme = OvenProgramme.Of(network, rest.Plan, oven);
        var told = look.State.DialOf(oven);
        var lines = RunSheet
            .Of(network, rest.Plan, [programme])
            .Where(l =>
                l.Kind == RunSheetKind.Dial
                && !l.Text.StartsWith("Shut the door", StringComparison.Ordinal)
                && !l.Text.StartsWith("Pan of", StringComparison.Ordinal)
            )
            .ToList();
        var last = lines.LastOrDefault(l => l.Minute <= rest.Now);
        var next = lines.FirstOrDefault(l => l.Minute > rest.Now);
        if (last is not null && IsDue(last))
            yield return Line(last);
        if (lines.FirstOrDefault(l => l.Minute > rest.Now && IsOpen(l)) is { } open)
            yield return Line(open);

        bool IsOpen(RunSheetLine line)
        {
            var wanted = line.Celsius ?? 0;
            if (told is null)
                return wanted > 0 && !IsBaking();
            return !IsToldAs(line);
        }

        bool IsToldAs(RunSheetLine line) =>
            line.Celsius is null or 0 ? told!.Celsius <= 0 : Math.Abs(told!.Celsius - line.Celsius.Value) <= OvenNow.SameDial;

        // What was told after a line was meant to be told is not taken back by it: the oven that was lit a little early for what comes is
        // not put out, nor is one put out under a bake that is still in it.
        bool IsDue(RunSheetLine line)
        {
            if (!IsOpen(line))
                return false;
            if (line.Celsius is null or 0 && IsBakingNow())
                return false;
            if (told is null || look.Work.Bench.Clock.Of(told.Said.At) < line.Minute)
                return true;
            return line.Celsius > 0 && !(next is not null && IsToldAs(next));
        }

        bool IsBakingNow() =>
            network.Tasks.Any(t =>
                t.Oven is { Setting.IsHot: true }
                && rest.Begun[t.Index] >= 0
                && rest.Over[t.Index] < 0
                && rest.Plan.Tasks[t.Index].Oven == oven
            );

        // Whoever has put something into a hot oven has lit it, though nobody said so.
        bool IsBaking() =>
            network.Tasks.Any(t => t.Oven is { Setting.IsHot: true } && rest.Begun[t.Index] >= 0 && rest.Plan.Tasks[t.Index].Oven == oven);

        ExpectedDial Line(RunSheetLine line) =>
            new(oven, look.Work.Bench.Clock.At(line.Minute).ToUnixTimeMilliseconds(), line.Celsius ?? 0, line.Text);
    }
}
