using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Benches;

/// <summary>An oven's heat through a day, as it was planned and as its thermometer says.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="Planned">Moments in milliseconds of the Unix clock with degrees Celsius, in order of time.</param>
/// <param name="Real">The same as it was; empty without a thermometer.</param>
public sealed record OvenTraces(int Oven, IReadOnlyList<double[]> Planned, IReadOnlyList<double[]> Real);

/// <summary>Draws out what ovens did on a day.</summary>
public sealed class BenchTraces(ZymethosContext context, BenchDesk desk)
{
    private const int MostPoints = 500;
    private static readonly Duration Before = Duration.FromHours(1);
    private static readonly Duration Longest = Duration.FromHours(36);

    /// <summary>The ovens of a session; null when there is none of this id.</summary>
    public async Task<IReadOnlyList<OvenTraces>?> OfAsync(Guid session, CancellationToken cancel)
    {
        if (await desk.OpenAsync(session, cancel) is not { } work)
            return null;
        var planned = SavedPlans.Restore(work.Row.Document, work.Row.Planned) ?? work.Day;
        var network = planned.Network;
        var (from, until) = (work.Row.StartedAt - Before, (work.Row.EndedAt ?? work.Row.StartedAt) + Longest);
        var real = await (
            from r in context.DeviceReadings.AsNoTracking()
            join d in context.Devices on r.Device equals d.Name
            where d.Kind == DeviceKind.Oven && r.At >= @from && r.At <= until
            orderby r.At
            select new
            {
                d.Oven,
                r.At,
                r.Value,
            }
        ).ToListAsync(cancel);
        return
        [
            .. network.Kitchen.Ovens.Select(
                (_, oven) =>
                    new OvenTraces(
                        oven,
                        Planned(planned, oven, work.Bench.Clock),
                        Thinned(
                            [
                                .. real.Where(r => r.Oven == oven)
                                    .Select(r => new[] { r.At.ToUnixTimeMilliseconds(), Math.Round(r.Value, 1) }),
                            ]
                        )
                    )
            ),
        ];
    }

    private static List<double[]> Planned(PlannedDay day, int oven, Planning.Bench.DayMinutes clock)
    {
        var thermal = day.Network.Thermal(oven);
        var points = new List<double[]>();
        void Add(double minute, double celsius) =>
            points.Add([(clock.Start + Duration.FromMinutes(minute)).ToUnixTimeMilliseconds(), Math.Round(celsius, 1)]);
        foreach (var s in day.Programmes[oven].Segments)
        {
            for (var m = s.From; m < s.Until; m += 3)
            {
                Add(
                    m,
                    s.Phase switch
                    {
                        OvenPhase.Heating => Math.Min(s.EndCelsius, thermal.Heated(s.StartCelsius, m - s.From)),
                        OvenPhase.CoolingAjar => thermal.Cooled(s.StartCelsius, m - s.From, ajar: true),
                        OvenPhase.Off => thermal.Cooled(s.StartCelsius, m - s.From, ajar: false),
                        _ => s.StartCelsius,
                    }
                );
            }

            Add(s.Until, s.EndCelsius);
        }

        return points;
    }

    // As many as a drawing needs; tops and bottoms stay, since an open door is one.
    private static List<double[]> Thinned(List<double[]> points)
    {
        if (points.Count <= MostPoints)
            return points;
        var size = (int)Math.Ceiling(points.Count / (MostPoints / 2.0));
        return [.. points.Chunk(size).SelectMany(c => new[] { c.MinBy(p => p[1])!, c.MaxBy(p => p[1])! }.Distinct().OrderBy(p => p[0]))];
    }
}
