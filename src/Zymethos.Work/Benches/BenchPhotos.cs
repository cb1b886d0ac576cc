using Microsoft.EntityFrameworkCore;
using NodaTime;
using SkiaSharp;
using Zymethos.Store;
using Zymethos.Store.Benches;

namespace Zymethos.Work.Benches;

/// <summary>
/// Keeps pictures of bakes. A picture is drawn anew, upright and no larger than a screen: what a camera writes beside it, the place it was
/// taken at among it, is gone. JPEG, PNG and WebP are read; what is no picture, or would be too large to draw, is refused with a sentence.
/// </summary>
public sealed class BenchPhotos(ZymethosContext context, IClock clock)
{
    /// <summary>Most bytes of a picture as it comes.</summary>
    public const int MostBytes = 10_000_000;

    /// <summary>What is said of a larger one.</summary>
    public const string TooLarge = "A picture is at most 10 MB.";

    /// <summary>Longest side of a picture that is kept, in pixels.</summary>
    public const int LongestSide = 1600;

    /// <summary>Most pictures of a session.</summary>
    public const int MostInSession = 60;

    // A camera of fifty million pixels; more would fill the memory while it is drawn.
    private const long MostPixels = 50_000_000;
    private const int Quality = 84;

    /// <summary>Keeps a picture.</summary>
    /// <param name="session">The session; the caller has made sure that it belongs to the current kitchen.</param>
    /// <param name="id">Made by the device: told twice, it is there once.</param>
    /// <param name="bytes">As it came.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Why it is not kept, in a sentence; null when it is.</returns>
    public async Task<string?> KeepAsync(Guid session, Guid id, byte[] bytes, CancellationToken cancel)
    {
        if (await context.BenchPhotos.AnyAsync(p => p.Id == id, cancel))
            return null;
        if (await context.BenchPhotos.CountAsync(p => p.SessionId == session, cancel) >= MostInSession)
            return $"A day keeps at most {MostInSession} pictures.";
        if (Redrawn(bytes, out var wrong) is not { } clean)
            return wrong;
        context.BenchPhotos.Add(
            new BenchPhotoRow
            {
                Id = id,
                SessionId = session,
                KeptAt = clock.GetCurrentInstant(),
                Type = "image/jpeg",
                Bytes = clean,
            }
        );
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // The same picture, told twice at once.
            context.ChangeTracker.Clear();
        }

        return null;
    }

    /// <summary>A picture of a session; null when there is none of this id.</summary>
    public Task<BenchPhotoRow?> FindAsync(Guid session, Guid id, CancellationToken cancel) =>
        context.BenchPhotos.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id && p.SessionId == session, cancel);

    /// <summary>A picture drawn anew as JPEG.</summary>
    /// <param name="bytes">A JPEG, PNG or WebP.</param>
    /// <param name="wrong">Why it cannot be, in a sentence; empty when it can.</param>
    public static byte[]? Redrawn(byte[] bytes, out string wrong)
    {
        wrong = "That is no picture that can be read: JPEG, PNG and WebP can.";
        if (bytes.Length > MostBytes)
        {
            wrong = TooLarge;
            return null;
        }

        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is not { EncodedFormat: SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp })
            return null;
        var info = codec.Info;
        if ((long)info.Width * info.Height > MostPixels || info.Width < 1 || info.Height < 1)
        {
            wrong = "That picture has too many pixels: at most 50 million.";
            return null;
        }

        using var bitmap = new SKBitmap(new SKImageInfo(info.Width, info.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(bitmap.Info, bitmap.GetPixels()) is not (SKCodecResult.Success or SKCodecResult.IncompleteInput))
            return null;
        var isTurned = codec.EncodedOrigin >= SKEncodedOrigin.LeftTop;
        var scale = Math.Min(1.0, LongestSide / (double)Math.Max(info.Width, info.Height));
        var (width, height) = ((int)Math.Max(1, Math.Round(info.Width * scale)), (int)Math.Max(1, Math.Round(info.Height * scale)));
        using var surface = SKSurface.Create(
            new SKImageInfo(isTurned ? height : width, isTurned ? width : height, SKColorType.Rgba8888, SKAlphaType.Opaque)
        );
        if (surface is null)
            return null;
        surface.Canvas.Clear(SKColors.White);
        surface.Canvas.Concat(Upright(codec.EncodedOrigin, width, height));
        using var image = SKImage.FromBitmap(bitmap);
        surface.Canvas.DrawImage(image, new SKRect(0, 0, width, height), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var drawn = surface.Snapshot();
        using var encoded = drawn.Encode(SKEncodedImageFormat.Jpeg, Quality);
        wrong = encoded is null ? wrong : "";
        return encoded?.ToArray();
    }

    // How a camera was held, as its picture says (the eight orientations of Exif 2.3, tag 0x0112).
    private static SKMatrix Upright(SKEncodedOrigin origin, float w, float h) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
}
