using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>A dough that lies in one place after the other, followed until it is ready.</summary>
public sealed class RiseCourse
{
    private const double Tick = 5;

    private readonly List<(double Minute, double Celsius, double Share)> _points = [];

    /// <summary>Follows it.</summary>
    /// <param name="dose">How much rising it needs.</param>
    /// <param name="start">Its temperature at first, in degrees Celsius.</param>
    /// <param name="mass">What the piece weighs, in grams.</param>
    /// <param name="yeast">Yeast as a multiple of what the dose is for.</param>
    /// <param name="places">How warm it is around it, and for how many minutes; the last one lasts as long as it takes.</param>
    public RiseCourse(RiseDose dose, double start, double mass, double yeast, params (double Celsius, double Minutes)[] places)
    {
        var constant = DoughCourse.TimeConstantOfBall(Mass.FromGrams(mass));
        var (minute, celsius, sum) = (0.0, start, 0.0);
        _points.Add((0, start, 0));
        for (var place = 0; place < places.Length; place++)
        {
            var last = place == places.Length - 1;
            var until = last ? RiseDose.Longest.TotalMinutes : minute + places[place].Minutes;
            while (minute < until - 1e-9 && !(last && sum >= RiseDose.ReadyUntil * 1.06 * dose.Hours))
            {
                var step = Math.Min(Tick, until - minute);
                var next = new DoughCourse(Temperature.FromCelsius(celsius), Temperature.FromCelsius(places[place].Celsius), constant)
                    .At(Duration.FromMinutes(step))
                    .Celsius;
                sum += step / 60 * yeast * YeastRate.At(Temperature.FromCelsius((celsius + next) / 2));
                (celsius, minute) = (next, minute + step);
                _points.Add((minute, celsius, sum / dose.Hours));
            }
        }
    }

    /// <summary>Minute from which on it has come so far; null where it does not come that far in three days.</summary>
    /// <param name="share">Share of the dose: 1 is ready.</param>
    public double? ReachedAt(double share)
    {
        var i = _points.FindIndex(p => p.Share >= share);
        if (i < 0)
            return null;
        if (i == 0)
            return 0;
        var (from, to) = (_points[i - 1], _points[i]);
        return from.Minute + ((share - from.Share) / (to.Share - from.Share) * (to.Minute - from.Minute));
    }

    /// <summary>How far it has come at a minute, as a share of the dose.</summary>
    public double ShareAt(double minute) => PointAt(minute).Share;

    /// <summary>How warm it is at a minute, in degrees Celsius.</summary>
    public double CelsiusAt(double minute) => PointAt(minute).Celsius;

    /// <summary>Drawn, with the band in which it is ready.</summary>
    public CurveSketch Sketch(string says, params (double Minute, string Says)[] marks)
    {
        // Two hundred points are as good as a thousand.
        var every = Math.Max(1, _points.Count / 200);
        var shown = _points.Where((_, i) => i % every == 0 || i == _points.Count - 1).ToList();
        var hottest = Math.Max(30, shown.Max(p => p.Celsius));
        return new CurveSketch(
            says,
            "hours",
            [
                new("how far it has come, %", 0, 135, [.. shown.Select(p => (p.Minute / 60, Math.Min(135, 100 * p.Share)))]),
                new("dough, °C", 0, Math.Ceiling(hottest / 10) * 10, [.. shown.Select(p => (p.Minute / 60, Math.Max(0, p.Celsius)))]),
            ]
        )
        {
            Band = ReachedAt(RiseDose.ReadyFrom) is { } first
                ? (first / 60, (ReachedAt(RiseDose.ReadyUntil) ?? shown[^1].Minute) / 60)
                : null,
            Marks = [.. marks.Select(m => (m.Minute / 60, m.Says))],
        };
    }

    private (double Minute, double Celsius, double Share) PointAt(double minute)
    {
        var i = _points.FindIndex(p => p.Minute >= minute - 1e-9);
        return i < 0 ? _points[^1] : _points[i];
    }
}
