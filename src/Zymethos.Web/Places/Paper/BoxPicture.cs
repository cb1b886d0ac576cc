using System.Collections.Immutable;
using Zymethos.Core.Parcels;
using Zymethos.Interchange.Parcels;
using Zymethos.Paper;

namespace Zymethos.Web.Places.Paper;

/// <summary>A packed box on paper, one layer beside the other.</summary>
/// <param name="Drawing">The drawing.</param>
/// <param name="Scale">Its scale, in words ("1 : 2").</param>
internal sealed record BoxPicture(PaperDrawing Drawing, string Scale)
{
    private const double Gap = 6;
    private const double Widest = 180;
    private const double Tallest = 62;
    private const double Head = 6;

    /// <summary>The letter by which a kind is known.</summary>
    public static string Letter(int bake) => ((char)('A' + (bake % 26))).ToString();

    /// <summary>Draws a box as large as the sheet allows, at a scale without a fraction.</summary>
    /// <param name="box">The box.</param>
    /// <param name="packed">How it is packed.</param>
    /// <param name="kinds">Index of the bake of each kind.</param>
    /// <param name="round">Whether pieces of each kind are round.</param>
    public static BoxPicture Of(GiftBoxDocument box, PackedBox packed, ImmutableArray<int> kinds, ImmutableArray<bool> round)
    {
        var (across, down) = (box.Length, box.Round ? box.Length : box.Width);
        var layers = packed.Layers.Length;
        var scale = 1;
        while (layers * across / scale + ((layers - 1) * Gap) > Widest || down / scale > Tallest)
            scale++;
        var shapes = ImmutableArray.CreateBuilder<PaperShape>();
        for (var l = 0; l < layers; l++)
        {
            var x = l * ((across / scale) + Gap);
            shapes.Add(new PaperWords(x, 4, l == 0 ? "at the bottom" : $"layer {l + 1}", 7.5));
            shapes.Add(
                box.Round
                    ? new PaperEllipse(x + (across / scale / 2), Head + (down / scale / 2), across / scale / 2, down / scale / 2)
                    : new PaperRectangle(x, Head, across / scale, down / scale)
            );
            foreach (var piece in packed.Layers[l].Pieces)
            {
                var (left, top, wide, high) = (x + (piece.X / scale), Head + (piece.Y / scale), piece.Length / scale, piece.Width / scale);
                shapes.Add(
                    round[piece.Kind]
                        ? new PaperEllipse(left + (wide / 2), top + (high / 2), wide / 2, high / 2, 0.06)
                        : new PaperRectangle(left, top, wide, high, 0.06)
                );
                shapes.Add(
                    new PaperWords(left + (wide / 2), top + (high / 2) + 1.2, Letter(kinds[piece.Kind]), 9, PaperAnchor.Middle, true)
                );
            }
        }

        return new BoxPicture(
            new PaperDrawing(
                (layers * across / scale) + ((layers - 1) * Gap),
                Head + (down / scale),
                shapes.ToImmutable(),
                $"{box.Name} in {(layers == 1 ? "one layer" : $"{layers} layers")}, seen from above"
            )
            {
                IsToScale = true,
            },
            $"1 : {scale}"
        );
    }
}
