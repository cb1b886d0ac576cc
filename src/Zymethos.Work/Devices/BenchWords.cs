using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Zymethos.Interchange.Devices;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Store;
using Zymethos.Work.Benches;

namespace Zymethos.Work.Devices;

/// <summary>A word of the Bench on its way to every instance and from there to what listens in the kitchen.</summary>
/// <param name="Kitchen">The kitchen's address.</param>
/// <param name="Word">What is said.</param>
/// <param name="From">The instance that says it.</param>
public sealed record TravellingWord(string Kitchen, BenchWord Word, Guid From);

/// <summary>Says in the kitchen what is touched on the Bench, where anything may listen.</summary>
public sealed class BenchWords(ZymethosContext context, BenchDesk desk, OpenDoors doors)
{
    /// <summary>The channel in the database.</summary>
    public const string Channel = "zymethos_words";

    /// <summary>This instance.</summary>
    public static readonly Guid Here = Guid.NewGuid();

    /// <summary>Says what was touched just now; nothing where the kitchen has no devices.</summary>
    /// <param name="session">The session.</param>
    /// <param name="touches">The touches, as they were told.</param>
    /// <param name="cancel">Stops.</param>
    public async Task SayAsync(Guid session, IEnumerable<BenchEventDocument> touches, CancellationToken cancel)
    {
        var events = touches
            .Select(t => BenchEventText.Read(t, out _))
            .OfType<BenchEvent>()
            .Where(e => e.Kind is BenchKind.Dial or BenchKind.Started or BenchKind.Done or BenchKind.ProbeIn)
            .ToList();
        if (
            events.Count == 0
            || context.KitchenId is not { } kitchen
            || await doors.AddressAsync(kitchen, cancel) is not { } address
            || await desk.OpenAsync(session, cancel) is not { } work
        )
            return;
        foreach (var word in events.Select(e => WordOf(work, e)).OfType<BenchWord>())
            await SayAsync(address, word, cancel);
    }

    /// <summary>Says a word in the current kitchen; nothing where it has no devices.</summary>
    public async Task SayAsync(BenchWord word, CancellationToken cancel)
    {
        if (context.KitchenId is { } kitchen && await doors.AddressAsync(kitchen, cancel) is { } address)
            await SayAsync(address, word, cancel);
    }

    private Task SayAsync(string address, BenchWord word, CancellationToken cancel)
    {
        var text = JsonSerializer.Serialize(new TravellingWord(address, word, Here), OpenJson.Options);
        return context.Database.ExecuteSqlAsync($"SELECT pg_notify({Channel}, {text})", cancel);
    }

    private static BenchWord? WordOf(BenchWork work, BenchEvent e)
    {
        if (e.Kind == BenchKind.Dial)
            return e is { Number: { } oven, Value: { } celsius } ? new BenchWord("dial", oven + 1, celsius) : null;
        if (work.Day.Network.Tasks.FirstOrDefault(t => t.Id == e.Step) is not { } task)
            return null;
        if (e.Kind == BenchKind.ProbeIn)
        {
            return new BenchWord(
                "probe",
                task.Oven is null ? null : work.Day.Plan.Tasks[task.Index].Oven + 1,
                StepTarget.Of(task),
                Device: e.Text
            );
        }

        return task.Oven is { Setting.IsHot: true } load
            ? new BenchWord(e.Kind == BenchKind.Started ? "in" : "out", work.Day.Plan.Tasks[task.Index].Oven + 1, load.Setting.Celsius)
            : null;
    }
}
