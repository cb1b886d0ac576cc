using System.Net;
using System.Net.Http.Headers;
using System.Text;
using SkiaSharp;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Tests;

/// <summary>Pictures of bakes: drawn anew, upright, small, and without the place they were taken at.</summary>
public sealed class PhotoTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static byte[] Picture(SKEncodedImageFormat format, int width = 60, int height = 40)
    {
        using var surface = SKSurface.Create(new SKImageInfo(width, height));
        surface.Canvas.Clear(SKColors.SaddleBrown);
        // Red on the left, so that one sees how it is turned.
        using var red = new SKPaint { Color = SKColors.Red };
        surface.Canvas.DrawRect(0, 0, width / 4f, height, red);
        using var image = surface.Snapshot();
        using var data = image.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>An Exif segment (Exif 2.3, 4.5 and 4.6.6): turned a quarter clockwise, and a place by GPS.</summary>
    private static byte[] WithExif(byte[] jpeg)
    {
        var tiff = new List<byte>();
        void Short(int v) => tiff.AddRange([(byte)(v >> 8), (byte)v]);
        void Long(int v) => tiff.AddRange([(byte)(v >> 24), (byte)(v >> 16), (byte)(v >> 8), (byte)v]);
        tiff.AddRange(Encoding.ASCII.GetBytes("MM"));
        Short(42);
        Long(8);
        Short(2);
        // Orientation 6: the top of the scene is at the right.
        Short(0x0112);
        Short(3);
        Long(1);
        Short(6);
        Short(0);
        // A pointer to the GPS directory.
        Short(0x8825);
        Short(4);
        Long(1);
        Long(38);
        Long(0);
        // GPSLatitudeRef "N".
        Short(1);
        Short(1);
        Short(2);
        Long(2);
        tiff.AddRange("N\0\0\0"u8.ToArray());
        Long(0);
        tiff.AddRange("SECRET-PLACE"u8.ToArray());
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        var length = body.Length + 2;
        return [jpeg[0], jpeg[1], 0xFF, 0xE1, (byte)(length >> 8), (byte)length, .. body, .. jpeg[2..]];
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public void Each_kind_of_picture_becomes_a_picture(SKEncodedImageFormat format)
    {
        var drawn = BenchPhotos.Redrawn(Picture(format), out var wrong);
        Assert.Equal("", wrong);
        using var bitmap = SKBitmap.Decode(drawn);
        Assert.Equal((60, 40), (bitmap.Width, bitmap.Height));
        Assert.True(bitmap.GetPixel(4, 20).Red > 200);
    }

    [Fact]
    public void Where_it_was_taken_is_gone_and_it_stands_upright()
    {
        var taken = WithExif(Picture(SKEncodedImageFormat.Jpeg));
        Assert.Contains("SECRET-PLACE", Encoding.Latin1.GetString(taken), StringComparison.Ordinal);
        var drawn = BenchPhotos.Redrawn(taken, out _)!;
        var text = Encoding.Latin1.GetString(drawn);
        Assert.DoesNotContain("SECRET-PLACE", text, StringComparison.Ordinal);
        Assert.DoesNotContain("Exif", text, StringComparison.Ordinal);
        using var bitmap = SKBitmap.Decode(drawn);
        Assert.Equal((40, 60), (bitmap.Width, bitmap.Height));
        // What was on the left is at the top when it is turned clockwise.
        Assert.True(bitmap.GetPixel(20, 4) is { Red: > 200, Green: < 80 });
        Assert.True(bitmap.GetPixel(20, 50).Red < 180);
    }

    [Fact]
    public void A_large_one_is_made_smaller()
    {
        using var bitmap = SKBitmap.Decode(BenchPhotos.Redrawn(Picture(SKEncodedImageFormat.Jpeg, 4000, 1000), out _));
        Assert.Equal((BenchPhotos.LongestSide, 400), (bitmap.Width, bitmap.Height));
    }

    [Theory]
    [InlineData("no picture at all")]
    [InlineData("GIF89a, which is none that is read")]
    [InlineData("")]
    public void What_is_no_picture_is_refused(string text)
    {
        Assert.Null(BenchPhotos.Redrawn(Encoding.ASCII.GetBytes(text), out var wrong));
        Assert.Contains("JPEG, PNG and WebP", wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void More_pixels_than_can_be_drawn_are_refused_before_they_are()
    {
        // A PNG that says it is 60,000 pixels wide and high, in 33 bytes.
        byte[] header = [0, 0, 0, 13, .. "IHDR"u8, 0, 0, 0xEA, 0x60, 0, 0, 0xEA, 0x60, 8, 2, 0, 0, 0];
        byte[] png = [0x89, .. "PNG\r\n"u8, 0x1A, 0x0A, .. header, .. Crc(header.AsSpan(4)), 0, 0, 0, 0, .. "IDAT"u8, .. Crc("IDAT"u8)];
        Assert.Null(BenchPhotos.Redrawn(png, out var wrong));
        Assert.NotEmpty(wrong);
    }

    // CRC-32 of PNG (ISO/IEC 15948, annex D).
    private static byte[] Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = 0xFFFFFFFFu;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var i = 0; i < 8; i++)
                crc = (crc & 1) == 1 ? (crc >> 1) ^ 0xEDB88320u : crc >> 1;
        }

        crc = ~crc;
        return [(byte)(crc >> 24), (byte)(crc >> 16), (byte)(crc >> 8), (byte)crc];
    }

    [Fact]
    public void Whatever_bytes_come_nothing_throws()
    {
        var random = new Random(3);
        var pictures = new[] { SKEncodedImageFormat.Jpeg, SKEncodedImageFormat.Png, SKEncodedImageFormat.Webp }
            .Select(f => Picture(f))
            .ToArray();
        for (var i = 0; i < 3000; i++)
        {
            var bytes = pictures[random.Next(3)].ToArray();
            for (var n = random.Next(1, 8); n > 0; n--)
                bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
            var drawn = BenchPhotos.Redrawn(bytes[..random.Next(1, bytes.Length + 1)], out var wrong);
            Assert.Equal(drawn is null, wrong.Length > 0);
        }
    }

    [Fact]
    public async Task A_picture_is_kept_once_shown_to_its_own_kitchen_and_to_no_other()
    {
        var (baker, session) = await AtWorkAsync();
        var id = Guid.NewGuid();
        Assert.Equal(HttpStatusCode.NoContent, (await PutAsync(baker, session, id, Picture(SKEncodedImageFormat.Jpeg))).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await PutAsync(baker, session, id, Picture(SKEncodedImageFormat.Png))).StatusCode);
        var shown = await baker.GetAsync($"/bench/{session}/photos/{id}");
        Assert.Equal("image/jpeg", shown.Content.Headers.ContentType!.MediaType);
        var other = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/bench/{session}/photos/{id}")).StatusCode);
        var refused = await PutAsync(baker, session, Guid.NewGuid(), "no picture"u8.ToArray());
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("JPEG, PNG and WebP", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var large = await PutAsync(baker, session, Guid.NewGuid(), new byte[BenchPhotos.MostBytes + 1000]);
        Assert.Contains("10 MB", await large.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    private static async Task<HttpResponseMessage> PutAsync(HttpClient baker, string session, Guid id, byte[] bytes)
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/bench/{session}/photos/{id}")
        {
            Content = new ByteArrayContent(bytes),
        };
        request.Content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        request.Headers.Add("X-Bench", "1");
        return await baker.SendAsync(request);
    }

    private async Task<(HttpClient Baker, string Session)> AtWorkAsync()
    {
        var baker = await kitchen.NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        return (baker, await TestKitchen.BeginAsync(baker, "market-squash-loaf"));
    }
}
