using System.IO.Compression;
using System.Text.Encodings.Web;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Archive;
using Zymethos.Store.Benches;
using Zymethos.Store.Seasons;

namespace Zymethos.Work.Archive;

/// <summary>Everything of a kitchen as one ZIP: what it is, every row of it, and its pictures. Secrets of this house stay in it.</summary>
public sealed class KitchenArchive(ZymethosContext context, IClock clock)
{
    /// <summary>The file that says what the archive is.</summary>
    public const string Head = "kitchen.json";

    /// <summary>The folder of the pictures.</summary>
    public const string Photos = "photos/";

    private static readonly JsonSerializerOptions Readable = new(OpenJson.Options) { WriteIndented = true };

    // Words are read by people too: what needs no escape has none.
    private static readonly JsonSerializerOptions Lines = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Writes the archive.</summary>
    /// <param name="to">Where to; may be one that cannot be read or sought in.</param>
    /// <param name="cancel">Stops.</param>
    public async Task WriteAsync(Stream to, CancellationToken cancel)
    {
        var rows = new KitchenRows(context);
        var kitchen = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
        // One moment for all of it: what is written meanwhile is in none of the parts.
        await using var moment = await context.Database.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead, cancel);
        await using var zip = await ZipArchive.CreateAsync(to, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, cancel);
        var parts = new List<ArchivePartDocument>();
        foreach (var kind in RowKind.All(context))
        {
            var pictures = new List<Guid>();
            parts.Add(new ArchivePartDocument(kind.Name, await WriteAsync(zip, kind, rows, pictures, cancel)));
            foreach (var picture in pictures)
                await WritePictureAsync(zip, picture, cancel);
        }

        var head = new KitchenArchiveDocument(
            KitchenArchiveDocument.FormatName,
            1,
            InstantPattern.ExtendedIso.Format(clock.GetCurrentInstant()),
            kitchen.Document,
            parts
        );
        await using var file = await zip.CreateEntry(Head).OpenAsync(cancel);
        await JsonSerializer.SerializeAsync(file, head, Readable, cancel);
    }

    private static async Task<int> WriteAsync(ZipArchive zip, RowKind kind, KitchenRows rows, List<Guid> pictures, CancellationToken cancel)
    {
        await using var file = await zip.CreateEntry($"{kind.Name}.jsonl").OpenAsync(cancel);
        await using var lines = new StreamWriter(file);
        var count = 0;
        await foreach (var row in rows.ReadAsync(kind, cancel))
        {
            // A letter that has not gone out goes out from here, and not from wherever the archive comes in as well.
            if (row is MessageRow { SentAt: null })
                continue;
            if (row is BenchPhotoRow photo)
                pictures.Add(photo.Id);
            await lines.WriteLineAsync(RowJson.Write(kind, row).ToJsonString(Lines).AsMemory(), cancel);
            count++;
        }

        return count;
    }

    private async Task WritePictureAsync(ZipArchive zip, Guid id, CancellationToken cancel)
    {
        var bytes = await context.BenchPhotos.AsNoTracking().Where(p => p.Id == id).Select(p => p.Bytes).SingleAsync(cancel);
        await using var file = await zip.CreateEntry($"{Photos}{id}", CompressionLevel.NoCompression).OpenAsync(cancel);
        await file.WriteAsync(bytes, cancel);
    }
}
