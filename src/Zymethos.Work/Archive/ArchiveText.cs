using System.Collections.Immutable;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Archive;

namespace Zymethos.Work.Archive;

/// <summary>The text of an archive, unpacked within bounds: its head, the lines of each part, its pictures. Nothing of it is believed
/// yet.</summary>
internal sealed partial class ArchiveText
{
    /// <summary>The most bytes that an archive may hold, unpacked.</summary>
    public const long MostBytes = 600_000_000;

    private const int MostFiles = 20_000;

    private readonly Dictionary<string, ZipArchiveEntry> _files = new(StringComparer.Ordinal);
    private long _left = MostBytes;

    private ArchiveText(KitchenArchiveDocument head) => Head = head;

    /// <summary>What the archive says of itself.</summary>
    public KitchenArchiveDocument Head { get; }

    /// <summary>The lines of each part, by its name.</summary>
    public Dictionary<string, IReadOnlyList<string>> Lines { get; } = new(StringComparer.Ordinal);

    /// <summary>Its pictures, by id.</summary>
    public Dictionary<Guid, byte[]> Pictures { get; } = [];

    /// <summary>Unpacks an archive.</summary>
    /// <param name="zip">The file; can be sought in.</param>
    /// <param name="kinds">The kinds of rows that are known here.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>The text, or what is wrong.</returns>
    public static async Task<(ArchiveText? Text, Fault? Fault)> OpenAsync(
        Stream zip,
        ImmutableArray<RowKind> kinds,
        CancellationToken cancel
    )
    {
        try
        {
            await using var archive = await ZipArchive.CreateAsync(
                zip,
                ZipArchiveMode.Read,
                leaveOpen: true,
                entryNameEncoding: null,
                cancel
            );
            if (archive.Entries.Count > MostFiles)
                return (null, new Fault("", $"An archive has up to {MostFiles:N0} files."));
            if (archive.Entries.FirstOrDefault(e => e.FullName == KitchenArchive.Head) is not { } first)
                return (null, new Fault("", $"This is no kitchen's archive: it has no “{KitchenArchive.Head}”."));
            var (head, fault) = OpenJson.Read<KitchenArchiveDocument>(await new Budget(20_000_000).ReadAsync(first, cancel));
            if (head is null)
                return (null, fault! with { Path = $"{KitchenArchive.Head}: {fault.Path}" });
            if (Wrong(head, kinds) is { } wrong)
                return (null, wrong);
            var text = new ArchiveText(head);
            return await text.UnpackAsync(archive, cancel) is { } bad ? (null, bad) : (text, null);
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException or TooMuchException)
        {
            return (null, new Fault("", e is TooMuchException ? e.Message : "This is no ZIP file, or a part of it is missing."));
        }
    }

    /// <summary>The rows of each part as JSON, ids put in the place of others where they are named.</summary>
    /// <param name="ids">For each old id the one that it has here; empty where all stay.</param>
    /// <param name="faults">What is wrong goes here.</param>
    public Dictionary<string, List<JsonObject>> Rows(IReadOnlyDictionary<Guid, Guid> ids, List<Fault> faults)
    {
        var rows = new Dictionary<string, List<JsonObject>>(StringComparer.Ordinal);
        foreach (var (name, lines) in Lines)
        {
            var part = rows[name] = [];
            for (var i = 0; i < lines.Count; i++)
            {
                if (Parsed(ids.Count == 0 ? lines[i] : Renamed(lines[i], ids)) is { } row)
                    part.Add(row);
                else if (faults.Count < 20)
                    faults.Add(new Fault($"{name}.jsonl: {i + 1}", "This line is no JSON object."));
            }
        }

        return rows;
    }

    private static Fault? Wrong(KitchenArchiveDocument head, ImmutableArray<RowKind> kinds)
    {
        if (head.Format != KitchenArchiveDocument.FormatName)
            return new Fault($"{KitchenArchive.Head}: format", $"A kitchen's archive says “{KitchenArchiveDocument.FormatName}” here.");
        if (head.Version != 1)
            return new Fault($"{KitchenArchive.Head}: version", "This archive is of a newer Zymethos. Bring this one up to date first.");
        var unknown = head.Parts.FirstOrDefault(p => !kinds.Any(k => k.Name == p.Name));
        return unknown is null
            ? null
            : new Fault($"{KitchenArchive.Head}: parts", $"“{unknown.Name}” is not known here: the archive is of a newer Zymethos.");
    }

    private async Task<Fault?> UnpackAsync(ZipArchive archive, CancellationToken cancel)
    {
        foreach (var entry in archive.Entries)
            _files[entry.FullName] = entry;
        var budget = new Budget(_left);
        foreach (var part in Head.Parts)
        {
            if (!_files.TryGetValue($"{part.Name}.jsonl", out var file))
                return new Fault($"{part.Name}.jsonl", "This file is missing.");
            var text = Encoding.UTF8.GetString(await budget.ReadAsync(file, cancel));
            var lines = text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
            if (lines.Length != part.Rows)
                return new Fault($"{part.Name}.jsonl", $"It has {lines.Length} lines and should have {part.Rows}.");
            Lines[part.Name] = lines;
        }

        foreach (var (name, file) in _files.Where(f => f.Key.StartsWith(KitchenArchive.Photos, StringComparison.Ordinal)))
        {
            if (Guid.TryParse(name[KitchenArchive.Photos.Length..], out var id))
                Pictures[id] = await budget.ReadAsync(file, cancel);
        }

        _left = budget.Left;
        return null;
    }

    private static JsonObject? Parsed(string line)
    {
        try
        {
            return JsonNode.Parse(line, documentOptions: new JsonDocumentOptions { MaxDepth = 64 }) as JsonObject;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static string Renamed(string line, IReadOnlyDictionary<Guid, Guid> ids) =>
        Ids().Replace(line, m => ids.TryGetValue(Guid.Parse(m.ValueSpan), out var own) ? own.ToString() : m.Value);

    [GeneratedRegex("[0-9a-fA-F]{8}(?:-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}", RegexOptions.ExplicitCapture, 900)]
    private static partial Regex Ids();

    /// <summary>How much may still be unpacked: what a file says of its own size is not believed.</summary>
    private sealed class Budget(long left)
    {
        public long Left { get; private set; } = left;

        public async Task<byte[]> ReadAsync(ZipArchiveEntry file, CancellationToken cancel)
        {
            await using var from = await file.OpenAsync(cancel);
            using var to = new MemoryStream();
            var some = new byte[81_920];
            while (await from.ReadAsync(some, cancel) is > 0 and var count)
            {
                Left -= count;
                if (Left < 0)
                    throw new TooMuchException($"An archive holds up to {MostBytes / 1_000_000} MB, unpacked.");
                to.Write(some, 0, count);
            }

            return to.ToArray();
        }
    }

    private sealed class TooMuchException(string message) : IOException(message);
}
