using System.Collections.Immutable;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A cutting sheet: how the dough is cut and how the pieces lie on their trays.</summary>
/// <param name="Cut">How the dough is cut.</param>
/// <param name="Trays">How the pieces are baked.</param>
public sealed record CuttingSheet(CuttingPlan Cut, TrayPlan Trays)
{
    private static readonly TimeSpan ForDough = TimeSpan.FromSeconds(1.2);
    private static readonly TimeSpan ForTrays = TimeSpan.FromSeconds(0.7);

    // The size that the typed baking time is meant for: a square of 6 cm.
    private const double Size = 60;

    /// <summary>The sheet that every visitor sees first, worked out once.</summary>
    public static Lazy<CuttingSheet> First { get; } = new(() => Of(new CuttingForm().Read(OwnShapes.Of)!, CancellationToken.None));

    /// <summary>Works it out; a second or two.</summary>
    public static CuttingSheet Of(CuttingWish wish, CancellationToken cancel)
    {
        var cut = wish.AsksForDough
            ? CuttingPlan.For(wish.Dough, wish.Shapes, ForDough * 2, cancel)
            : CuttingPlan.Of(wish.Dough, wish.Shapes, ForDough, cancel);
        ImmutableArray<NestWish> pieces = [.. wish.Shapes.Select((s, i) => new NestWish(s.Outline, cut.Counts[i]))];
        return new CuttingSheet(
            cut,
            TrayPlan.Of(
                pieces,
                wish.Tray.Width,
                wish.Tray.Length,
                wish.Tray.Spread,
                wish.Tray.AtOnce,
                i => TrayPlan.MinutesOf(wish.Shapes[i].Outline, wish.Tray.Minutes, Size),
                ForTrays,
                cancel
            )
        );
    }
}
