using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Seasons;

namespace Zymethos.Core.Interchange;

/// <summary>Reads a season to plan from its document; all faults come back together with their paths.</summary>
public sealed class SeasonReader
{
    private const int MostNeeds = 120;
    private const int MostSessions = 120;
    private static readonly LocalDateTimePattern Moment = LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm");

    private readonly DocumentReader _reader = new();
    private readonly List<Fault> _faults = [];

    /// <summary>What was wrong so far.</summary>
    public IReadOnlyList<Fault> Faults => [.. _reader.Faults, .. _faults];

    /// <summary>Reads a season. The faults decide whether the result may be used.</summary>
    public SeasonWish Read(SeasonDocument document)
    {
        if (document.Format != SeasonDocument.FormatName) Wrong("format", $"This should be \"{SeasonDocument.FormatName}\".");
        if (document.Version != 1) Wrong("version", "Only version 1 is known.");
        if (document.Solve is { } solve && !(solve.Seconds >= 0.2 && solve.Seconds <= 20)) Wrong("solve.seconds", "The search may take 0.2 to 20 seconds.");
        if (document.Needs.Count is 0 or > MostNeeds) Wrong("needs", $"A season has 1 to {MostNeeds} needs.");
        if (document.Sessions.Count > MostSessions) Wrong("sessions", $"A season has at most {MostSessions} sessions.");
        var kitchen = _reader.Read(document.Kitchen, "kitchen");
        _faults.AddRange(KitchenCheck.Find(kitchen).Select(f => f.Under("kitchen")));
        var recipes = document.Recipes.Select((r, i) => Recipe(r, $"recipes[{i}]")).ToList();
        var occasions = document.Occasions.Select((o, i) => Read(o, $"occasions[{i}]")).ToImmutableArray();
        return new SeasonWish(
            kitchen,
            Time(document.Now, "now"),
            occasions,
            [.. document.Needs.Take(MostNeeds).Select((n, i) => Read(n, occasions, recipes, $"needs[{i}]", i)).OfType<Need>()],
            Sessions(document.Sessions));
    }

    private Recipe Recipe(RecipeDocument document, string at)
    {
        var recipe = _reader.Read(document, at);
        _faults.AddRange(RecipeCheck.Find(recipe).Select(f => f.Under(at)));
        return recipe;
    }

    private Occasion Read(OccasionDocument document, string at)
    {
        if (document.TransitDays is < 0 or > 30) Wrong($"{at}.transitDays", "A parcel travels 0 to 30 days.");
        var handing = Enum.GetValues<Handing>().Where(h => Words.Of(h) == document.Handing).Select(h => (Handing?)h).FirstOrDefault();
        if (handing is null) Wrong($"{at}.handing", $"\"{document.Handing}\" is not one of served, handedOver, posted.");
        return new Occasion(document.Name, Time(document.At, $"{at}.at"), handing ?? Handing.Served, Math.Clamp(document.TransitDays, 0, 30));
    }

    private Need? Read(NeedDocument document, ImmutableArray<Occasion> occasions, List<Recipe> recipes, string at, int index)
    {
        var occasion = occasions.Select((o, i) => (o, i)).Where(p => p.o.Name == document.Occasion).Select(p => p.i).DefaultIfEmpty(-1).First();
        if (occasion < 0) Wrong($"{at}.occasion", $"There is no occasion \"{document.Occasion}\" in this season.");
        var recipe = recipes.Find(r => r.Key == document.Recipe);
        if (recipe is null) Wrong($"{at}.recipe", $"There is no recipe \"{document.Recipe}\" in this season.");
        if (document.Pieces is < 1 or > 10_000) Wrong($"{at}.pieces", "1 to 10000 pieces are wanted.");
        if (occasion < 0 || recipe is null || document.Pieces < 1) return null;
        foreach (var (choice, option) in document.Choices ?? new Dictionary<string, string>())
        {
            var chosen = ChosenRecipe.Choose(recipe, choice, option);
            if (!recipe.Choices.Any(c => c.Key == choice && c.Options.Any(o => o.Key == option))) Wrong($"{at}.choices.{choice}", $"{recipe.Name} has no such choice as {choice}={option}.");
            recipe = chosen;
        }

        return new Need($"n{index + 1}", occasion, recipe, document.Pieces, document.For);
    }

    private ImmutableArray<SeasonSession> Sessions(IReadOnlyList<SessionDocument> documents)
    {
        var sessions = ImmutableArray.CreateBuilder<SeasonSession>();
        for (var i = 0; i < Math.Min(MostSessions, documents.Count); i++)
        {
            var session = new SeasonSession(Time(documents[i].From, $"sessions[{i}].from"), Time(documents[i].Until, $"sessions[{i}].until"), Math.Clamp(documents[i].People, 1, 4));
            if (session.Minutes is <= 0 or > 24 * 60) Wrong($"sessions[{i}].until", "A session ends after it starts and within a day of it.");
            else if (sessions.Count > 0 && session.From < sessions[^1].Until) Wrong($"sessions[{i}].from", "Sessions stand in order and apart.");
            else sessions.Add(session);
        }

        return sessions.ToImmutable();
    }

    private LocalDateTime Time(string text, string at)
    {
        if (Moment.Parse(text) is { Success: true } time && time.Value.Year is > 1900 and < 2200) return time.Value;
        Wrong(at, $"\"{text}\" is not a time. Write it like 2026-12-13T17:00.");
        return new LocalDateTime(2000, 1, 1, 0, 0);
    }

    private void Wrong(string path, string message) => _faults.Add(new Fault(path, message));
}
