using System.Collections.Immutable;
using System.Text.Json;
using Zymethos.Interchange.Documents;

namespace Zymethos.Work.Devices;

/// <summary>Hands words of the Bench, which came over the database's line, to whatever carries them on. Safe for any number of
/// threads.</summary>
public sealed class SaidWords
{
    private ImmutableList<Action<TravellingWord>> _listeners = [];

    /// <summary>Calls with every word that any instance says from now on.</summary>
    public void Listen(Action<TravellingWord> listener) => ImmutableInterlocked.Update(ref _listeners, l => l.Add(listener));

    /// <summary>Calls no more.</summary>
    public void Leave(Action<TravellingWord> listener) => ImmutableInterlocked.Update(ref _listeners, l => l.Remove(listener));

    /// <summary>Takes what came over the line; anything else is left alone.</summary>
    public void Take(string payload)
    {
        try
        {
            if (JsonSerializer.Deserialize<TravellingWord>(payload, OpenJson.Options) is not { } word)
                return;
            foreach (var listener in _listeners)
                listener(word);
        }
        catch (JsonException)
        {
            // Another release of the application, which says it differently.
        }
    }
}
