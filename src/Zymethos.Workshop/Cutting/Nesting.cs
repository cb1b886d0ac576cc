using System.Collections.Immutable;
using System.Diagnostics;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.OverlayNG;

namespace Zymethos.Workshop.Cutting;

/// <summary>How a sheet is searched.</summary>
/// <param name="Limit">Time in all; the first way of laying has eight seconds more, and is ended in them but for very many pieces.</param>
public sealed record NestSettings(TimeSpan Limit)
{
    /// <summary>At which turns an outline may lie, in degrees.</summary>
    public ImmutableArray<double> Turns { get; init; } = [0, 180, 90, 270, 45, 225, 135, 315];
}

/// <summary>
/// Lays pieces on a sheet, edges first: each goes where it lies lowest of all places at which it touches the edge or what lies there
/// already (bottom-left filling over no-fit polygons: Burke, Hellier, Kendall and Whitwell 2006). Several ways of laying are tried, by
/// rows and by columns, with all turns and with few; the one with most pieces counts. Large pieces go first.
/// </summary>
public static class Nesting
{
    private const double Hair = NestVariant.Hair;
    private const int MostMixed = 60;
    private static readonly TimeSpan FirstWay = TimeSpan.FromSeconds(8);
    private const double Level = 0.25;

    /// <summary>Lays as many pieces of what is wanted as a sheet has room for.</summary>
    /// <param name="wishes">What is wanted.</param>
    /// <param name="width">Width of the sheet in millimetres, above 0.</param>
    /// <param name="height">Height of the sheet in millimetres, above 0.</param>
    /// <param name="spacing">The least room between two pieces in millimetres, 0 or more.</param>
    /// <param name="settings">How long to look.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    public static Nest Lay(
        ImmutableArray<NestWish> wishes,
        double width,
        double height,
        double spacing,
        NestSettings settings,
        CancellationToken cancel = default
    )
    {
        var clock = Stopwatch.StartNew();
        var search = new Search(wishes, width, height, spacing, settings.Turns);
        Nest? best = null;
        foreach (var way in search.Ways())
        {
            if (best is not null && (clock.Elapsed > settings.Limit || cancel.IsCancellationRequested || IsAll(best)))
                break;
            // A sheet of very many pieces is left as full as it is by then: nobody waits for a minute.
            var until = best is null ? settings.Limit + FirstWay : settings.Limit;
            var laid = search.Lay(way, () => clock.Elapsed > until || cancel.IsCancellationRequested);
            if (best is null || Better(laid, best))
                best = laid;
        }

        return best!;
    }

    private static bool IsAll(Nest nest) => nest.Pieces.Length == nest.Wishes.Sum(w => (long)w.Most);

    private static bool Better(Nest one, Nest other) =>
        one.PieceArea > other.PieceArea + 1e-6
        || (Math.Abs(one.PieceArea - other.PieceArea) <= 1e-6 && one.Pieces.Length > other.Pieces.Length);

    /// <summary>A way of laying: by rows or columns, and at which turns.</summary>
    /// <param name="IsByRows">Whether rows are filled from above, or columns from the left.</param>
    /// <param name="Slant">How much the other direction counts: 0 for straight rows, 1 for a heap in the corner.</param>
    /// <param name="Turns">The turns that are used.</param>
    /// <param name="Seed">Above 0: pieces of all shapes mixed at random, large ones sooner.</param>
    private sealed record Way(bool IsByRows, double Slant, ImmutableHashSet<double> Turns, int Seed = 0);

    private sealed class Search(ImmutableArray<NestWish> wishes, double width, double height, double spacing, ImmutableArray<double> turns)
    {
        private static readonly GeometryFactory Factory = new();

        private readonly NestVariant[] _variants =
        [
            .. wishes
                .SelectMany((w, i) => NestVariant.Of(i, w.Outline, spacing, turns))
                .Where(v => v.Width <= width + 1e-6 && v.Height <= height + 1e-6),
        ];

        private readonly Dictionary<(int Fixed, int Moved), Geometry> _noFit = [];

        public IEnumerable<Way> Ways()
        {
            ImmutableHashSet<double>[] some =
            [
                [.. turns],
                [0, 180],
                [90, 270],
                [0],
                [90],
                [0, 180, 90, 270],
                [45, 225],
            ];
            var seen = new HashSet<string>(StringComparer.Ordinal);
            var slanted = new List<Way>();
            foreach (var set in some)
            {
                // Turns at which nothing looks another way are no way of their own.
                var used = Enumerable.Range(0, _variants.Length).Where(v => set.Contains(_variants[v].Turn)).ToList();
                if (wishes.Select((_, i) => i).Any(w => _variants.Any(v => v.Wish == w) && !used.Exists(v => _variants[v].Wish == w)))
                    continue;
                if (used.Count == 0 || !seen.Add(string.Join(',', used)))
                    continue;
                yield return new Way(true, 0, set);
                yield return new Way(false, 0, set);
                foreach (var slant in new[] { 0.15, 0.5, 1 })
                    slanted.AddRange([new Way(true, slant, set), new Way(false, slant, set)]);
            }

            if (seen.Count == 0)
                yield return new Way(true, 0, [.. turns]);
            foreach (var way in slanted)
                yield return way;
            for (var seed = 1; wishes.Length > 1 && seed <= MostMixed; seed++)
                yield return new Way(seed % 2 == 0, seed % 3 * 0.2, [.. turns], seed);
        }

        public Nest Lay(Way way, Func<bool> isOver)
        {
            var pieces = ImmutableArray.CreateBuilder<NestedPiece>();
            var laid = new List<(int Variant, double X, double Y)>();
            var used = Enumerable.Range(0, _variants.Length).Where(v => way.Turns.Contains(_variants[v].Turn)).ToArray();
            var free = new Geometry[_variants.Length];
            var seen = new int[_variants.Length];
            foreach (var v in used)
                free[v] = Inside(_variants[v]);
            var full = new HashSet<int>();
            foreach (var wish in InTurn(way.Seed))
            {
                if (full.Contains(wish))
                    continue;
                if (isOver())
                    break;
                var own = used.Where(v => _variants[v].Wish == wish).ToArray();
                (int Variant, double X, double Y, double First, double Then)? best = null;
                foreach (var v in own)
                {
                    for (; seen[v] < laid.Count; seen[v]++)
                        free[v] = Without(free[v], NoFitOf(laid[seen[v]].Variant, v), laid[seen[v]].X, laid[seen[v]].Y);
                    foreach (var at in free[v].Coordinates)
                    {
                        var (right, below) = (at.X + _variants[v].Width, at.Y + _variants[v].Height);
                        var (low, then) = way.IsByRows ? (below + (way.Slant * right), at.X) : (right + (way.Slant * below), at.Y);
                        // A row is a row though one of it lies a tenth of a millimetre higher.
                        var first = Math.Round(low / Level);
                        if (best is null || (first, then).CompareTo((best.Value.First, best.Value.Then)) < 0)
                            best = (v, at.X, at.Y, first, then);
                    }
                }

                if (best is not { } found)
                {
                    full.Add(wish);
                    continue;
                }

                laid.Add((found.Variant, found.X, found.Y));
                var shape = _variants[found.Variant];
                pieces.Add(
                    new NestedPiece(
                        wish,
                        Math.Clamp(found.X, 0, Math.Max(0, width - shape.Width)),
                        Math.Clamp(found.Y, 0, Math.Max(0, height - shape.Height)),
                        shape.Turn
                    )
                );
            }

            return new Nest(wishes, width, height, spacing, pieces.ToImmutable());
        }

        /// <summary>The shapes in the order in which their pieces are laid: the large ones first, or mixed.</summary>
        private IEnumerable<int> InTurn(int seed)
        {
            // No sheet has room for more of a shape than its area says.
            var counts = wishes.Select(w => Math.Min(w.Most, (int)(width * height / w.Outline.Area) + 1)).ToArray();
            var largest = Enumerable.Range(0, wishes.Length).OrderByDescending(w => wishes[w].Outline.Area).ToList();
            if (seed == 0)
                return largest.SelectMany(w => Enumerable.Repeat(w, counts[w]));
#pragma warning disable CA5394 // A search order is no secret.
            var random = new Random(seed);
            var most = wishes.Max(w => w.Outline.Area);
            return largest
                .SelectMany(w => Enumerable.Repeat(w, counts[w]))
                .Select(w => (Wish: w, Key: (wishes[w].Outline.Area / most) + random.NextDouble()))
                .OrderByDescending(w => w.Key)
                .Select(w => w.Wish);
#pragma warning restore CA5394
        }

        /// <summary>Where a piece lies within the sheet.</summary>
        private Geometry Inside(NestVariant variant) =>
            Factory.ToGeometry(
                new Envelope(-Hair, Math.Max(0, width - variant.Width) + Hair, -Hair, Math.Max(0, height - variant.Height) + Hair)
            );

        private Geometry NoFitOf(int one, int other)
        {
            if (!_noFit.TryGetValue((one, other), out var noFit))
                noFit = _noFit[(one, other)] = NoFit.Of(_variants[one].Parts, _variants[other].Parts);
            return noFit;
        }

        private static Geometry Without(Geometry free, Geometry noFit, double x, double y)
        {
            var box = noFit.EnvelopeInternal;
            if (!new Envelope(box.MinX + x, box.MaxX + x, box.MinY + y, box.MaxY + y).Intersects(free.EnvelopeInternal))
                return free;
            var there = noFit.Copy();
            there.Apply(AffineTransformation.TranslationInstance(x, y));
            return NoFit.Areas(OverlayNGRobust.Overlay(free, there, NetTopologySuite.Operation.Overlay.SpatialFunction.Difference));
        }
    }
}
