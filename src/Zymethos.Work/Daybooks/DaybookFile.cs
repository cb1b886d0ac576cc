using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Store.Daybooks;
using Zymethos.Store.Days;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Daybooks;

/// <summary>The Daybook as files of open formats, out and in.</summary>
public sealed class DaybookFile(ZymethosContext context, DaybookDesk desk, IClock clock)
{
    /// <summary>Most days at the Bench in a file.</summary>
    public const int MostSessions = 1000;

    private static readonly InstantPattern Moment = InstantPattern.ExtendedIso;

    /// <summary>The whole Daybook: bakes, days with all that was said, and what was done to the starter.</summary>
    public async Task<DaybookDocument> WriteAsync(CancellationToken cancel)
    {
        var bakes = await desk.BakesAsync(cancel);
        bakes.Reverse();
        var sessions = new List<PastSessionDocument>();
        foreach (var row in await context.BenchSessions.AsNoTracking().OrderBy(s => s.StartedAt).Take(MostSessions).ToListAsync(cancel))
        {
            var events = await context
                .BenchEvents.AsNoTracking()
                .Where(e => e.SessionId == row.Id)
                .OrderBy(e => e.Seq)
                .Select(e => e.Document)
                .ToListAsync(cancel);
            sessions.Add(
                new PastSessionDocument(
                    row.Id.ToString(),
                    row.Title,
                    Moment.Format(row.StartedAt),
                    row.EndedAt is { } ended ? Moment.Format(ended) : null,
                    row.Document,
                    JsonSerializer.SerializeToElement(row.Planned, OpenJson.Options),
                    JsonSerializer.SerializeToElement(row.Plan, OpenJson.Options),
                    events
                )
            );
        }

        var feeds = await context.StarterRefreshes.AsNoTracking().OrderBy(f => f.At).Select(f => f.Document).ToListAsync(cancel);
        var cakeFeeds = await context.CakeFeeds.AsNoTracking().OrderBy(f => f.At).Select(f => f.Document).ToListAsync(cancel);
        return new DaybookDocument(
            DaybookDocument.Name,
            1,
            bakes.ConvertAll(b => b.Document),
            sessions.Count > 0 ? sessions : null,
            feeds.Count > 0 ? feeds : null,
            cakeFeeds.Count > 0 ? cakeFeeds : null
        );
    }

    /// <summary>Brings a Daybook in. What is there already, by its id, is left as it is, so that the same file twice is the same as once;
    /// nothing is brought in unless all of it can be read.</summary>
    /// <param name="json">The file.</param>
    /// <param name="cancel">Stops; then nothing was brought in.</param>
    /// <returns>What became of it in words, or what is wrong.</returns>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(ReadOnlyMemory<byte> json, CancellationToken cancel)
    {
        var (document, fault) = OpenJson.Read<DaybookDocument>(json.Span);
        return document is null ? ("", [fault!]) : await BringInAsync(document, cancel);
    }

    /// <summary>Brings in a Daybook that was read.</summary>
    /// <param name="document">The Daybook.</param>
    /// <param name="cancel">Stops; then nothing was brought in.</param>
    /// <returns>What became of it in words, or what is wrong.</returns>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(DaybookDocument document, CancellationToken cancel)
    {
        var faults = FaultsOf(document);
        if (faults.Count > 0)
            return ("", faults);
        var (sessions, sessionFaults) = ReadSessions(document);
        if (sessionFaults.Count > 0)
            return ("", sessionFaults);
        // A Daybook of another kitchen of this house keeps its ids there and gets ids of its own here, always the same ones.
        var words = await PutAsync(document, sessions, id => id, cancel) ?? await PutAsync(document, sessions, Own, cancel);
        if (words is null)
            return ("", [new Fault("", "It is being brought in from another page at this moment. Nothing was kept from here.")]);
        await desk.LearnAsync(cancel);
        return (words, []);
    }

    private Guid Own(Guid id) => OwnId.Of(context.KitchenId!.Value, id);

    private async Task<string?> PutAsync(
        DaybookDocument document,
        List<(BenchSessionRow Row, List<BenchEventRow> Events)> sessions,
        Func<Guid, Guid> own,
        CancellationToken cancel
    )
    {
        var known = (await context.PastBakes.Select(b => b.Id).ToListAsync(cancel)).ToHashSet();
        var taken = (
            await context.PastBakes.Where(b => b.SessionId != null).Select(b => new { b.SessionId, b.Place }).ToListAsync(cancel)
        ).ToHashSet();
        var knownSessions = (await context.BenchSessions.Select(s => s.Id).ToListAsync(cancel)).ToHashSet();
        var knownFeeds = (await context.StarterRefreshes.Select(f => f.Id).ToListAsync(cancel)).ToHashSet();
        var (bakesIn, sessionsIn, feedsIn) = (0, 0, 0);
        bool IsNew(HashSet<Guid> there, Guid id) => !there.Contains(id) && !there.Contains(Own(id)) && there.Add(own(id));
        foreach (var (row, events) in sessions.Where(s => IsNew(knownSessions, s.Row.Id)))
        {
            context.BenchSessions.Add(Copy(row, own(row.Id)));
            context.BenchEvents.AddRange(
                events.Select(e => new BenchEventRow
                {
                    SessionId = own(row.Id),
                    Id = e.Id,
                    ToldAt = e.ToldAt,
                    Document = e.Document,
                })
            );
            sessionsIn++;
        }

        foreach (var bake in document.Bakes)
        {
            Guid? session =
                !Guid.TryParse(bake.Session, out var of) ? null
                : knownSessions.Contains(own(of)) ? own(of)
                : knownSessions.Contains(of) ? of
                : null;
            // A bake of a day that is here already was drawn from it here.
            if ((session is not null && !taken.Add(new { SessionId = session, bake.Place })) || !IsNew(known, Guid.Parse(bake.Id)))
                continue;
            var id = own(Guid.Parse(bake.Id));
            context.PastBakes.Add(
                new PastBakeRow
                {
                    Id = id,
                    SessionId = session,
                    Place = session is null ? 0 : bake.Place,
                    Date = LocalDatePattern.Iso.Parse(bake.Date).Value,
                    Document = bake with { Id = id.ToString(), Session = session?.ToString() ?? bake.Session },
                }
            );
            bakesIn++;
        }

        foreach (var feed in (document.Starter ?? []).Where(f => IsNew(knownFeeds, Guid.Parse(f.Id))))
        {
            context.StarterRefreshes.Add(StarterDiary.RowOf(feed with { Id = own(Guid.Parse(feed.Id)).ToString() }));
            feedsIn++;
        }

        var knownCakeFeeds = (await context.CakeFeeds.Select(f => f.Id).ToListAsync(cancel)).ToHashSet();
        foreach (var feed in (document.CakeFeeds ?? []).Where(f => IsNew(knownCakeFeeds, Guid.Parse(f.Id))))
        {
            var bake = Guid.Parse(feed.Bake);
            var to = known.Contains(own(bake)) ? own(bake) : bake;
            // The feed of a bake that came in under another id, or not at all, has nothing to stand with.
            if (!known.Contains(to))
                continue;
            context.CakeFeeds.Add(CakeDiary.RowOf(feed with { Id = own(Guid.Parse(feed.Id)).ToString(), Bake = to.ToString() }));
            feedsIn++;
        }

        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            context.ChangeTracker.Clear();
            return null;
        }

        var was = document.Bakes.Count - bakesIn;
        var odd = document.Bakes.Count(b => PastBakeCheck.Troubles(b).Count > 0);
        return $"{Count(bakesIn, "bake")}, {Count(sessionsIn, "day")} at the Bench and {Count(feedsIn, "feed")} came in."
            + (
                was > 0
                    ? $" {Count(was, "bake")} {(was == 1 ? "was" : "were")} here already and stayed as {(was == 1 ? "it is" : "they are")}."
                    : ""
            )
            + (odd > 0 ? $" {Count(odd, "bake")} cannot have been as written: kept, and left out of what is learned." : "");
    }

    private static BenchSessionRow Copy(BenchSessionRow row, Guid id) =>
        new()
        {
            Id = id,
            Title = row.Title,
            StartedAt = row.StartedAt,
            EndedAt = row.EndedAt,
            Document = row.Document,
            Planned = row.Planned,
            Plan = row.Plan,
            PlanNumber = row.PlanNumber,
            Recorded = row.Recorded,
        };

    /// <summary>One row a load: what was baked, when, how long, how hot, and what came of it.</summary>
    public static string Csv(IEnumerable<PastBakeDocument> bakes)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvHelper.CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var head in Heads)
                csv.WriteField(head);
            csv.NextRecord();
            foreach (var b in bakes)
            {
                foreach (var l in b.Loads ?? [new PastLoadDocument("", 0)])
                {
                    var isLoad = b.Loads is not null;
                    object?[] cells =
                    [
                        b.Date,
                        b.Name,
                        b.Recipe,
                        b.Batches,
                        b.Source,
                        l.Title,
                        l.At,
                        isLoad ? l.Oven : null,
                        l.Celsius,
                        l.RealCelsius,
                        l.RecipeMinutes,
                        l.PlannedMinutes,
                        isLoad ? l.Minutes : null,
                        l.FirstLook,
                        isLoad ? l.Looks : null,
                        isLoad ? l.Turns : null,
                        l.Who,
                        l.Pan,
                        l.Finish,
                        isLoad ? l.Sheet : null,
                        l.Shelf,
                        b.Pieces,
                        b.Weight,
                        b.Looks,
                        string.Join(" ", b.Darker ?? []),
                        b.ToChange,
                        b.Changed,
                        b.Note,
                        b.LeftOut,
                    ];
                    foreach (var cell in cells)
                        csv.WriteField(cell is string words ? CsvCell.Of(words) : Convert.ToString(cell, CultureInfo.InvariantCulture));
                    csv.NextRecord();
                }
            }
        }

        return text.ToString();
    }

    private static readonly string[] Heads =
    [
        "date",
        "name",
        "recipe",
        "batches",
        "source",
        "load",
        "at",
        "oven",
        "celsius",
        "real_celsius",
        "recipe_minutes",
        "planned_minutes",
        "minutes",
        "first_look",
        "looks",
        "turns",
        "who",
        "pan",
        "finish",
        "sheet",
        "shelf",
        "pieces",
        "weight_g",
        "looks_like",
        "darker",
        "to_change",
        "changed",
        "note",
        "left_out",
    ];

    /// <summary>What devices said, one row a reading, as far as it is still kept.</summary>
    public async Task<string> ReadingsCsvAsync(CancellationToken cancel)
    {
        var rows = await context.DeviceReadings.AsNoTracking().OrderBy(r => r.At).ThenBy(r => r.Device).ToListAsync(cancel);
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvHelper.CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var head in new[] { "at", "device", "value" })
                csv.WriteField(head);
            csv.NextRecord();
            foreach (var r in rows)
            {
                csv.WriteField(Moment.Format(r.At));
                csv.WriteField(CsvCell.Of(r.Device));
                csv.WriteField(r.Value.ToString(CultureInfo.InvariantCulture));
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    private static List<Fault> FaultsOf(DaybookDocument document)
    {
        var faults = new List<Fault>();
        if (document.Format != DaybookDocument.Name)
            faults.Add(new Fault("format", $"A Daybook says “{DaybookDocument.Name}” here."));
        if (document.Version != 1)
            faults.Add(new Fault("version", "This Daybook is of a later version than this kitchen can read."));
        if (document.Bakes.Count > DaybookDesk.MostBakes)
            faults.Add(new Fault("bakes", $"A Daybook has up to {DaybookDesk.MostBakes} bakes."));
        if ((document.Sessions?.Count ?? 0) > MostSessions)
            faults.Add(new Fault("sessions", $"A Daybook has up to {MostSessions} days at the Bench."));
        faults.AddRange(document.Bakes.SelectMany((b, i) => PastBakeCheck.Faults(b, $"bakes[{i}]")).Take(20));
        faults.AddRange(
            document
                .Bakes.GroupBy(b => b.Id, StringComparer.OrdinalIgnoreCase)
                .Where(g => g.Count() > 1)
                .Take(5)
                .Select(g => new Fault("bakes", $"The id {g.Key} stands there twice."))
        );
        faults.AddRange(
            document
                .Bakes.Where(b => b.Session is not null)
                .GroupBy(b => (b.Session, b.Place))
                .Where(g => g.Count() > 1)
                .Take(5)
                .Select(g => new Fault("bakes", $"Two bakes of the day {g.Key.Session} have the place {g.Key.Place}."))
        );
        faults.AddRange((document.Starter ?? []).SelectMany((f, i) => StarterDiary.Faults(f, $"starter[{i}]")).Take(20));
        faults.AddRange((document.CakeFeeds ?? []).SelectMany((f, i) => CakeDiary.Faults(f, $"cakeFeeds[{i}]")).Take(20));
        return faults;
    }

    private (List<(BenchSessionRow Row, List<BenchEventRow> Events)> Sessions, List<Fault> Faults) ReadSessions(DaybookDocument document)
    {
        var rows = new List<(BenchSessionRow, List<BenchEventRow>)>();
        var faults = new List<Fault>();
        foreach (var (s, i) in (document.Sessions ?? []).Select((s, i) => (s, i)))
        {
            var at = $"sessions[{i}]";
            if (
                !Guid.TryParse(s.Id, out var id)
                || s.Title.Length is 0 or > 120
                || !Moment.Parse(s.StartedAt).TryGetValue(default, out var started)
                || PlanOf(s.Planned) is not { } planned
                || PlanOf(s.Plan) is not { } plan
                || SavedPlans.Restore(s.Day, plan) is null
            )
            {
                faults.Add(new Fault(at, "This day at the Bench cannot be read: its id, title, times or plan are not whole."));
                continue;
            }

            // A day that was going on when the file was made is over where it is brought in: it does not take the Bench.
            var ended = s.EndedAt is { } e && Moment.Parse(e).TryGetValue(default, out var then) ? then : clock.GetCurrentInstant();
            var events = new List<BenchEventRow>();
            foreach (var told in s.Events.DistinctBy(x => x.Id))
            {
                if (BenchEventText.Read(told, out var wrong) is not { } read)
                {
                    faults.Add(new Fault($"{at}.events", $"Something that was said cannot be read: {wrong}"));
                    break;
                }

                events.Add(
                    new BenchEventRow
                    {
                        SessionId = id,
                        Id = read.Id,
                        ToldAt = read.At,
                        Document = told,
                    }
                );
            }

            rows.Add(
                (
                    new BenchSessionRow
                    {
                        Id = id,
                        Title = s.Title,
                        StartedAt = started,
                        EndedAt = ended,
                        Document = s.Day,
                        Planned = planned,
                        Plan = plan,
                        PlanNumber = 1,
                    },
                    events
                )
            );
        }

        return (rows, faults);
    }

    private static SavedPlan? PlanOf(JsonElement json)
    {
        try
        {
            return json.Deserialize<SavedPlan>(OpenJson.Options);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static string Count(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";
}
