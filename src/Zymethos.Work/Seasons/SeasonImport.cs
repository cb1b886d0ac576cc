using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Work.Books;

namespace Zymethos.Work.Seasons;

/// <summary>What came of bringing a season.</summary>
/// <param name="Id">Its id; null when it could not be brought.</param>
/// <param name="Faults">What is wrong with the file.</param>
/// <param name="Said">What was done, in a few sentences.</param>
public sealed record SeasonBrought(Guid? Id, IReadOnlyList<Fault> Faults, string Said);

/// <summary>Makes a season from a document. The kitchen stays the kitchen's own; recipes it lacks come into its Book.</summary>
public sealed class SeasonImport(ZymethosContext context, SeasonDesk desk, KitchenBook book, IClock clock)
{
    /// <summary>Brings it. Nothing is changed when something is wrong.</summary>
    public async Task<SeasonBrought> BringAsync(SeasonDocument document, CancellationToken cancel)
    {
        // A season without needs is empty, not wrong.
        var reader = new SeasonReader();
        if (document.Needs.Count > 0)
            reader.Read(document);
        if (reader.Faults.Count > 0)
            return new SeasonBrought(null, reader.Faults, "");
        var own = await context.Recipes.AsNoTracking().ToDictionaryAsync(r => r.Key, r => r.Document, cancel);
        var missing = document.Recipes.Where(r => !own.ContainsKey(r.Key)).ToList();
        var other = document.Recipes.Count(r => own.TryGetValue(r.Key, out var mine) && !Same(mine, r));
        foreach (var recipe in missing)
            await book.SaveAsync(new DocumentReader().Read(recipe, "recipe"), "Came with a season", isNew: false, cancel);
        var sheet = await SheetAsync(document, cancel);
        var (wish, faults) = sheet.Needs.Count == 0 ? (null, []) : await desk.ReadAsync(sheet, cancel);
        if (faults.Count > 0)
            return new SeasonBrought(null, faults, "");
        var said = string.Join(
            " ",
            new[]
            {
                missing.Count > 0 ? $"{missing.Count} {(missing.Count == 1 ? "recipe" : "recipes")} came into the Book." : "",
                other > 0 ? $"{other} {(other == 1 ? "recipe is" : "recipes are")} written otherwise in this Book; yours stay." : "",
                sheet.Name != document.Name && document.Name.Length > 0
                    ? $"There was a season of that name already; this one is called {sheet.Name}."
                    : "",
            }.Where(w => w.Length > 0)
        );
        // A plan that still fits is taken as it is; else the season is planned now.
        if (wish is not null && document.Plan is { } plan && SeasonPlanReader.Read(wish, plan) is not null)
        {
            var row = new SeasonRow
            {
                Id = Guid.CreateVersion7(),
                Name = sheet.Name,
                Sheet = sheet,
                Plan = plan,
                PlannedAt = clock.GetCurrentInstant(),
                MadeAt = clock.GetCurrentInstant(),
            };
            context.Seasons.Add(row);
            await context.SaveChangesAsync(cancel);
            return new SeasonBrought(row.Id, [], $"Brought with its plan. {said}");
        }

        var made = await desk.MakeAsync(sheet, cancel);
        return new SeasonBrought(made.Id, made.Faults, $"Brought, and planned for this kitchen. {said}");
    }

    private async Task<SeasonSheet> SheetAsync(SeasonDocument document, CancellationToken cancel)
    {
        var taken = (await desk.ListAsync(cancel)).Select(s => s.Name).ToHashSet(StringComparer.Ordinal);
        var wanted = document.Name.Trim() is { Length: > 0 } given ? given : "A season";
        wanted = wanted.Length <= 70 ? wanted : wanted[..70];
        var name = wanted;
        for (var n = 2; taken.Contains(name); n++)
            name = $"{wanted} ({n})";
        var start = document.Start ?? document.Now.Split('T')[0];
        // Sessions said one by one are dates that differ from a week without hours.
        var hours =
            document.Hours
            ?? new HoursDocument(
                [],
                null,
                [
                    .. (document.Sessions ?? [])
                        .Where(s => !s.Spell)
                        .Select(s => new ExceptionDocument(s.From.Split('T')[0], s.From.Split('T')[^1], s.Until.Split('T')[^1], s.People)),
                ]
            );
        return new SeasonSheet(
            name,
            start,
            document.Occasions,
            document.Needs,
            hours,
            document.Done ?? [],
            document.Outcomes,
            document.ClearFirst
        );
    }

    private static bool Same(RecipeDocument one, RecipeDocument other) =>
        System.Text.Json.JsonSerializer.Serialize(one, OpenJson.Options)
        == System.Text.Json.JsonSerializer.Serialize(other, OpenJson.Options);
}
