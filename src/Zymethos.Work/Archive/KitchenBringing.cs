using System.Collections.Immutable;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using SkiaSharp;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Archive;
using Zymethos.Store.Benches;
using Zymethos.Store.Books;
using Zymethos.Store.Days;
using Zymethos.Store.Seasons;
using Zymethos.Work.Benches;
using Zymethos.Work.House;

namespace Zymethos.Work.Archive;

/// <summary>
/// Brings a kitchen's archive in, in the place of everything that the kitchen has. All of it is read before anything is changed, and all of
/// it is written in one transaction. What another kitchen of this house has under the same id gets an id of its own here, wherever it is
/// named.
/// </summary>
public sealed class KitchenBringing(ZymethosContext context)
{
    /// <summary>The most faults that are said at once.</summary>
    private const int MostFaults = 20;

    /// <summary>Brings an archive in.</summary>
    /// <param name="zip">The file; can be sought in.</param>
    /// <param name="cancel">Stops; then nothing has changed.</param>
    /// <returns>What became of it in words, or what is wrong; then nothing has changed.</returns>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(Stream zip, CancellationToken cancel)
    {
        var kitchen = await context.Kitchens.SingleAsync(cancel);
        if (kitchen.IsDemo)
            return ("", [new Fault("", "The demo kitchen is everybody's. Make a kitchen of your own and bring the archive in there.")]);
        var kinds = RowKind.All(context);
        var (text, fault) = await ArchiveText.OpenAsync(zip, kinds, cancel);
        if (text is null)
            return ("", [fault!]);
        var faults = new List<Fault>();
        var json = text.Rows(new Dictionary<Guid, Guid>(), faults);
        var ids = await OwnIdsAsync(kinds, json, cancel);
        if (ids.Count > 0)
            json = text.Rows(ids, faults);
        var rows = Read(kinds, json, faults);
        CheckPictures(rows, text, ids, faults);
        CheckTies(kinds, rows, faults);
        CheckDocuments(text.Head.Kitchen, rows, faults);
        if (faults.Count > 0)
            return ("", faults);
        await SettleAsync(rows, cancel);
        return await ReplaceAsync(kinds, rows, text.Head.Kitchen, cancel);
    }

    private async Task<(string Words, IReadOnlyList<Fault> Faults)> ReplaceAsync(
        ImmutableArray<RowKind> kinds,
        Dictionary<string, IReadOnlyList<object>> rows,
        KitchenDocument kitchen,
        CancellationToken cancel
    )
    {
        try
        {
            await using var whole = await context.Database.BeginTransactionAsync(cancel);
            await new KitchenRows(context).ReplaceAsync(kinds, rows, cancel);
            var row = await context.Kitchens.SingleAsync(cancel);
            (row.Document, row.Name) = (kitchen, kitchen.Name);
            await context.SaveChangesAsync(cancel);
            await whole.CommitAsync(cancel);
        }
        catch (DbUpdateException)
        {
            context.ChangeTracker.Clear();
            return (
                "",
                [new Fault("", "Two things of this archive do not go together, or somebody works in this kitchen now. Nothing changed.")]
            );
        }

        int Count<T>() => rows.Values.SelectMany(r => r).OfType<T>().Count();
        return (
            $"“{kitchen.Name}” is here: {Count<RecipeRow>()} recipes, {Count<OvenDayRow>()} planned days, {Count<SeasonRow>()} seasons, "
                + $"{Count<BenchSessionRow>()} days at the Bench, {Count<BenchPhotoRow>()} pictures.",
            []
        );
    }

    /// <summary>Where an id of the archive belongs to another kitchen here, all of them have one of this kitchen's own; else
    /// none.</summary>
    private async Task<Dictionary<Guid, Guid>> OwnIdsAsync(
        ImmutableArray<RowKind> kinds,
        Dictionary<string, List<JsonObject>> json,
        CancellationToken cancel
    )
    {
        var rows = new KitchenRows(context);
        var all = new HashSet<Guid>();
        var isTaken = false;
        foreach (var kind in kinds.Where(k => k.Id is not null))
        {
            var ids = json.GetValueOrDefault(kind.Name, [])
                .Select(r => r["id"] is JsonValue v && v.TryGetValue<Guid>(out var id) ? id : Guid.Empty)
                .ToHashSet();
            all.UnionWith(ids);
            // Ids of events are made by devices and count within their session.
            isTaken |= kind.Entity.FindPrimaryKey()!.Properties.Count == 1 && (await rows.TakenAsync(kind, ids, cancel)).Count > 0;
        }

        var own = context.KitchenId!.Value;
        return isTaken ? all.ToDictionary(id => id, id => OwnId.Of(own, id)) : [];
    }

    private static Dictionary<string, IReadOnlyList<object>> Read(
        ImmutableArray<RowKind> kinds,
        Dictionary<string, List<JsonObject>> json,
        List<Fault> faults
    )
    {
        var rows = new Dictionary<string, IReadOnlyList<object>>(StringComparer.Ordinal);
        foreach (var kind in kinds)
        {
            var some = new List<object>();
            foreach (var (line, i) in json.GetValueOrDefault(kind.Name, []).Select((l, i) => (l, i)))
            {
                try
                {
                    some.Add(RowJson.Read(kind, line));
                }
                catch (InvalidDataException e)
                {
                    if (faults.Count < MostFaults)
                        faults.Add(new Fault($"{kind.Name}.jsonl: {i + 1}", e.Message));
                }
            }

            rows[kind.Name] = some;
        }

        return rows;
    }

    private static void CheckPictures(
        Dictionary<string, IReadOnlyList<object>> rows,
        ArchiveText text,
        Dictionary<Guid, Guid> ids,
        List<Fault> faults
    )
    {
        var pictures = text.Pictures.ToDictionary(p => ids.GetValueOrDefault(p.Key, p.Key), p => p.Value);
        foreach (var photo in rows.Values.SelectMany(r => r).OfType<BenchPhotoRow>())
        {
            if (!pictures.TryGetValue(photo.Id, out var bytes) || bytes.Length > BenchPhotos.MostBytes || TypeOf(bytes) != photo.Type)
                faults.Add(new Fault($"{KitchenArchive.Photos}{photo.Id}", "This picture is missing, or is none."));
            else
                photo.Bytes = bytes;
        }
    }

    private static string? TypeOf(byte[] bytes)
    {
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        return codec?.EncodedFormat switch
        {
            SKEncodedImageFormat.Jpeg => "image/jpeg",
            SKEncodedImageFormat.Png => "image/png",
            SKEncodedImageFormat.Webp => "image/webp",
            _ => null,
        };
    }

    /// <summary>No row is there twice, and what it refers to stands in the archive too: nothing may tie itself to another
    /// kitchen.</summary>
    private static void CheckTies(ImmutableArray<RowKind> kinds, Dictionary<string, IReadOnlyList<object>> rows, List<Fault> faults)
    {
        foreach (var kind in kinds)
        {
            var own = kind.Entity.FindPrimaryKey()!.Properties.Where(p => p.Name != "KitchenId").ToList();
            var twice =
                rows[kind.Name].Count
                - rows[kind.Name].Select(r => string.Join('|', own.Select(p => p.PropertyInfo!.GetValue(r)))).Distinct().Count();
            if (twice > 0)
                faults.Add(new Fault($"{kind.Name}.jsonl", $"{twice} of its lines {(twice == 1 ? "is" : "are")} there twice."));
            foreach (var key in kind.Entity.GetForeignKeys())
            {
                if (kinds.FirstOrDefault(k => k.Entity == key.PrincipalEntityType) is not { } principal)
                    continue;
                var at = Enumerable.Range(0, key.Properties.Count).Where(i => key.Properties[i].Name != "KitchenId").ToList();
                string? Of(object row, Func<int, object?> value) =>
                    at.Exists(i => value(i) is null) ? null : string.Join('|', at.Select(i => value(i)!.ToString()));
                var there = rows[principal.Name]
                    .Select(r => Of(r, i => key.PrincipalKey.Properties[i].PropertyInfo!.GetValue(r)))
                    .ToHashSet(StringComparer.Ordinal);
                var lost = rows[kind.Name]
                    .Count(r => Of(r, i => key.Properties[i].PropertyInfo!.GetValue(r)) is { } tie && !there.Contains(tie));
                if (lost > 0)
                    faults.Add(new Fault($"{kind.Name}.jsonl", $"{lost} of its lines belong to something that the archive does not have."));
            }
        }
    }

    private static void CheckDocuments(KitchenDocument kitchen, Dictionary<string, IReadOnlyList<object>> rows, List<Fault> faults)
    {
        void Check(string place, Action<DocumentReader> read)
        {
            var reader = new DocumentReader();
            read(reader);
            faults.AddRange(reader.Faults.Take(1).Select(f => new Fault($"{place}: {f.Path}", f.Message)));
        }

        Check(
            KitchenArchive.Head,
            r =>
            {
                var read = r.Read(kitchen, "kitchen");
                if (r.Faults.Count == 0)
                    faults.AddRange(KitchenCheck.Find(read).Select(f => f.Under($"{KitchenArchive.Head}: kitchen")));
            }
        );
        foreach (var recipe in rows.Values.SelectMany(r => r).OfType<RecipeRow>().TakeWhile(_ => faults.Count < MostFaults))
            Check($"recipes.jsonl: {recipe.Key}", r => r.Read(recipe.Document, "document"));
        foreach (var version in rows.Values.SelectMany(r => r).OfType<RecipeVersionRow>().TakeWhile(_ => faults.Count < MostFaults))
            Check($"recipe-versions.jsonl: {version.Key} {version.Number}", r => r.Read(version.Document, "document"));
        foreach (var day in rows.Values.SelectMany(r => r).OfType<OvenDayRow>().TakeWhile(_ => faults.Count < MostFaults))
            Check($"oven-days.jsonl: {day.Date}", r => r.Read(day.Document));
    }

    /// <summary>Nothing is being searched for here yet, and an address that another kitchen has already is made anew when it is asked
    /// for.</summary>
    private async Task SettleAsync(Dictionary<string, IReadOnlyList<object>> rows, CancellationToken cancel)
    {
        var seasons = rows.Values.SelectMany(r => r).OfType<SeasonRow>().ToList();
        var keys = seasons.Select(s => s.CalendarKey).OfType<string>().ToList();
        var taken = await context
            .Seasons.IgnoreQueryFilters()
            .Where(s => s.KitchenId != context.KitchenId && s.CalendarKey != null && keys.Contains(s.CalendarKey))
            .Select(s => s.CalendarKey)
            .ToListAsync(cancel);
        foreach (var season in seasons)
        {
            (season.IsSearching, season.StopAsked) = (false, false);
            if (taken.Contains(season.CalendarKey))
                season.CalendarKey = null;
        }
    }
}
