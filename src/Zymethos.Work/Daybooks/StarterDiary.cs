using Microsoft.EntityFrameworkCore;
using NodaTime.Text;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Daybooks;

namespace Zymethos.Work.Daybooks;

/// <summary>A recipe that uses what is taken off a starter.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Grams">How much a batch uses.</param>
public sealed record DiscardUse(Recipe Recipe, double Grams);

/// <summary>What was done to the kitchen's starter.</summary>
public sealed class StarterDiary(ZymethosContext context, DaybookDesk desk)
{
    /// <summary>Most feeds that are listed and learned from: some years of a feed a day.</summary>
    public const int MostRefreshes = 2000;

    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    /// <summary>Refreshes, the last first.</summary>
    public Task<List<StarterRefreshRow>> RefreshesAsync(CancellationToken cancel) =>
        context.StarterRefreshes.AsNoTracking().OrderByDescending(f => f.At).Take(MostRefreshes).ToListAsync(cancel);

    /// <summary>Writes a feed down, or writes it anew.</summary>
    /// <param name="feed">The feed; its id says which one it replaces.</param>
    /// <param name="cancel">Stops.</param>
    public async Task KeepAsync(StarterRefreshDocument feed, CancellationToken cancel)
    {
        var id = Guid.Parse(feed.Id);
        if (await context.StarterRefreshes.SingleOrDefaultAsync(f => f.Id == id, cancel) is { } row)
            (row.Document, row.At) = (feed, Time.Parse(feed.At).Value);
        else
            context.StarterRefreshes.Add(RowOf(feed));
        await context.SaveChangesAsync(cancel);
        await desk.LearnAsync(cancel);
    }

    /// <summary>Deletes a feed.</summary>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancel)
    {
        if (await context.StarterRefreshes.SingleOrDefaultAsync(f => f.Id == id, cancel) is not { } row)
            return false;
        context.StarterRefreshes.Remove(row);
        await context.SaveChangesAsync(cancel);
        await desk.LearnAsync(cancel);
        return true;
    }

    /// <summary>How long a fed starter would take to its peak if it were like others; null where nobody looked when that was.</summary>
    public static double? UsualPeak(StarterRefreshDocument feed) =>
        feed is { PeakMinutes: > 0, Kept: > 0 }
        && feed.Flour + feed.Water > 0
        && StarterPeak.Minutes(
            Mass.FromGrams(feed.Kept),
            Mass.FromGrams(feed.Flour + feed.Water),
            Temperature.FromCelsius(feed.RoomC ?? UsualRoom)
        )
            is var minutes
        && double.IsFinite(minutes)
            ? minutes
            : null;

    /// <summary>Where nobody said how warm it stood.</summary>
    public const double UsualRoom = 22;

    /// <summary>Recipes of a Book that use discard, or starter without any rise, so that what is taken off is not thrown away.</summary>
    public static IEnumerable<DiscardUse> UsesOf(IEnumerable<Recipe> book) =>
        book.Select(r => new DiscardUse(r, GramsOf(r)))
            .Where(u => u.Grams > 0)
            .OrderBy(u => u.Recipe.Name, StringComparer.OrdinalIgnoreCase);

    private static double GramsOf(Recipe recipe) =>
        RecipeFacts
            .DoughLines(recipe)
            .Where(l =>
                l.Ingredient.Contains("discard", StringComparison.OrdinalIgnoreCase)
                || (
                    IngredientTable.Find(l.Ingredient) is { Role: IngredientRole.Starter }
                    && !recipe.Steps.Any(s => s.Kind is StepKind.BulkRise or StepKind.Proof)
                )
            )
            .Sum(l => l.Weight?.Grams ?? 0);

    /// <summary>A feed as a row.</summary>
    internal static StarterRefreshRow RowOf(StarterRefreshDocument feed) =>
        new()
        {
            Id = Guid.Parse(feed.Id),
            At = Time.Parse(feed.At).Value,
            Document = feed,
        };

    /// <summary>What in a file's feed cannot be kept, with paths of the format.</summary>
    internal static IEnumerable<Fault> Faults(StarterRefreshDocument feed, string at)
    {
        if (!Guid.TryParse(feed.Id, out _))
            yield return new Fault($"{at}.id", "An id is a UUID.");
        if (!Time.Parse(feed.At).Success)
            yield return new Fault($"{at}.at", "A moment is written like 2026-11-29T21:00.");
        if (new[] { feed.Kept, feed.Flour, feed.Water, feed.Discard }.Any(g => g is not (>= 0 and <= 100_000)))
            yield return new Fault(at, "Weights are 0 to 100,000 g.");
        if ((feed.Note?.Length ?? 0) > PastBakeCheck.LongestText)
            yield return new Fault($"{at}.note", $"A text has up to {PastBakeCheck.LongestText} characters.");
    }
}
