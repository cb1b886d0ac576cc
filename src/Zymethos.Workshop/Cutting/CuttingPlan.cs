using System.Collections.Immutable;

namespace Zymethos.Workshop.Cutting;

/// <summary>One rolling of the dough.</summary>
/// <param name="Number">1 the first.</param>
/// <param name="Grams">What is rolled.</param>
/// <param name="Sheets">The sheets, with what is cut of each.</param>
/// <param name="PieceGrams">What becomes pieces.</param>
/// <param name="LostGrams">What stays on board and pin.</param>
/// <param name="ScrapGrams">What is left to gather.</param>
public sealed record DoughRoll(
    int Number,
    double Grams,
    ImmutableArray<Nest> Sheets,
    double PieceGrams,
    double LostGrams,
    double ScrapGrams
)
{
    /// <summary>Whether pieces of it will be tough: from the third rolling on (common practice, no source).</summary>
    public bool IsTough => Number >= 3;

    /// <summary>How many pieces of each shape.</summary>
    public ImmutableArray<int> Counts =>
        Sheets.Length == 0 ? [] : [.. Enumerable.Range(0, Sheets[0].Wishes.Length).Select(w => Sheets.Sum(s => s.Counts[w]))];
}

/// <summary>How a dough is cut: roll after roll, and what is left. A value without state.</summary>
/// <param name="Dough">The dough.</param>
/// <param name="Wishes">What is wanted.</param>
/// <param name="Rolls">The rollings.</param>
public sealed record CuttingPlan(RolledDough Dough, ImmutableArray<CutWish> Wishes, ImmutableArray<DoughRoll> Rolls)
{
    // A board is floured and rolled, scraps are pressed together first, a piece is cut and lifted (by judgement; the Daybook learns them).
    private const double SheetMinutes = 4;
    private const double GatherMinutes = 2;
    private const double PieceMinutes = 0.2;

    /// <summary>How many pieces of each shape there are in the end.</summary>
    public ImmutableArray<int> Counts =>
        [.. Enumerable.Range(0, Wishes.Length).Select(w => Rolls.Sum(r => r.Counts.IsEmpty ? 0 : r.Counts[w]))];

    /// <summary>Grams of dough that are left when the last roll is cut.</summary>
    public double LeftGrams => Rolls.IsEmpty ? Dough.Grams : Rolls[^1].ScrapGrams;

    /// <summary>Grams of one piece of a shape.</summary>
    public double PieceGrams(int wish) => Wishes[wish].Outline.Area * Dough.GramsOfSquareMillimetre;

    /// <summary>Minutes of hands: rolling, gathering, cutting, lifting.</summary>
    public double HandsMinutes =>
        Rolls.Sum(r => (r.Sheets.Length * SheetMinutes) + (r.Number > 1 ? GatherMinutes : 0)) + (Counts.Sum() * PieceMinutes);

    /// <summary>The most pieces that the first roll could have, whatever the way of laying: by area, with half the gap around
    /// each.</summary>
    /// <param name="wish">Which shape, were it alone.</param>
    public int MostByArea(int wish)
    {
        var outline = Wishes[wish].Outline.Shape;
        var each = Dough.Gap > 0 ? outline.Buffer(Dough.Gap / 2).Area : outline.Area;
        var room = Dough.Sheets(Dough.Grams).Sum(s => (s.Width + Dough.Gap) * (s.Length + Dough.Gap));
        return (int)Math.Floor(room / each);
    }

    /// <summary>Plans.</summary>
    /// <param name="dough">The dough.</param>
    /// <param name="wishes">What is wanted; at least one shape.</param>
    /// <param name="limit">Time for all of it; every sheet is laid at least one way.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    public static CuttingPlan Of(RolledDough dough, ImmutableArray<CutWish> wishes, TimeSpan limit, CancellationToken cancel = default)
    {
        var grams = wishes.Select(w => w.Outline.Area * dough.GramsOfSquareMillimetre).ToArray();
        var open = wishes
            .Select((w, i) => w.Wanted ?? (int)Math.Ceiling(dough.Grams / grams.Where((_, j) => wishes[j].Wanted is null).Sum()))
            .ToArray();
        var rolls = ImmutableArray.CreateBuilder<DoughRoll>();
        var rest = dough.Grams;
        for (var number = 1; number <= dough.MostRolls && rest > grams.Min() && open.Any(o => o > 0); number++)
        {
            // Most of the dough is in the first roll; so is most of the time.
            var time = limit * Math.Pow(0.35, number - 1) * 0.65;
            var lost = rest * dough.LossARoll;
            var sheets = ImmutableArray.CreateBuilder<Nest>();
            var sizes = dough.Sheets(rest - lost).ToList();
            foreach (var (width, length) in sizes)
            {
                var nest = Nesting.Lay(
                    [.. wishes.Select((w, i) => new NestWish(w.Outline, open[i]))],
                    length,
                    width,
                    dough.Gap,
                    new NestSettings(time / sizes.Count),
                    cancel
                );
                for (var i = 0; i < open.Length; i++)
                    open[i] -= nest.Counts[i];
                sheets.Add(nest);
            }

            var cut = sheets.Sum(s => s.PieceArea) * dough.GramsOfSquareMillimetre;
            if (cut <= 0 && number > 1)
                break;
            rolls.Add(new DoughRoll(number, rest, sheets.ToImmutable(), cut, lost, rest - lost - cut));
            rest -= lost + cut;
            if (cut <= 0)
                break;
        }

        return new CuttingPlan(dough, wishes, rolls.ToImmutable());
    }

    /// <summary>The least dough of which all that is wanted is cut, to five in a hundred.</summary>
    /// <param name="dough">How it is rolled; its mass does not count.</param>
    /// <param name="wishes">What is wanted, all with numbers above 0.</param>
    /// <param name="limit">Time for all of it.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    /// <returns>The plan for that dough.</returns>
    public static CuttingPlan For(RolledDough dough, ImmutableArray<CutWish> wishes, TimeSpan limit, CancellationToken cancel = default)
    {
        var net = wishes.Sum(w => w.Outline.Area * dough.GramsOfSquareMillimetre * (w.Wanted ?? 0));
        CuttingPlan? best = null;
        for (var share = 0.92; share > 0.2; share -= share > 0.5 ? 0.06 : 0.03)
        {
            var plan = Of(dough with { Grams = net / share }, wishes, limit / 8, cancel);
            best = plan;
            if (plan.Counts.Select((c, i) => c >= wishes[i].Wanted).All(x => x))
                break;
        }

        return best!;
    }
}
