using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>What is done of a season, and where the rest stood before.</summary>
public sealed class SeasonPast
{
    private readonly Dictionary<(int Lot, int Stretch), LocalDateTime> _done = [];

    /// <summary>Reads what is done; whatever comes before it in the method counts as done with it.</summary>
    public SeasonPast(SeasonWish wish, IReadOnlyList<Lot> lots, IReadOnlyDictionary<(int Lot, int Stretch), int> stood)
    {
        Stood = stood;
        for (var l = 0; l < lots.Count; l++)
        {
            foreach (
                var done in wish.Done.Where(d =>
                    d.Need == wish.Needs[lots[l].Need].Id && d.Stretch >= 0 && d.Stretch < lots[l].Method.Stretches.Length
                )
            )
            {
                _done[(l, done.Stretch)] = done.At;
                foreach (var before in lots[l].Method.Before(done.Stretch))
                    _done.TryAdd((l, before), done.At);
            }
        }
    }

    /// <summary>The session in which a stretch stood in the plan before; empty when there was none.</summary>
    public IReadOnlyDictionary<(int Lot, int Stretch), int> Stood { get; }

    /// <summary>Whether a stretch is done.</summary>
    public bool IsDone(int lot, int stretch) => _done.ContainsKey((lot, stretch));

    /// <summary>When it was done; null when it is not.</summary>
    public LocalDateTime? DoneAt(int lot, int stretch) => _done.TryGetValue((lot, stretch), out var at) ? at : null;

    /// <summary>When the last bake of a lot was done; null when it is not.</summary>
    public LocalDateTime? BakedAt(int l, Lot lot) => lot.Method.Bake < 0 ? null : DoneAt(l, lot.Method.Bake);

    /// <summary>What is done of a lot, in the order of its method.</summary>
    public IEnumerable<PlacedStretch> Of(int lot) =>
        _done
            .Where(d => d.Key.Lot == lot)
            .OrderBy(d => d.Key.Stretch)
            .Select(d => new PlacedStretch(lot, d.Key.Stretch, -1, d.Value, d.Value));
}
