using Zymethos.Interchange.Documents;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;

namespace Zymethos.Work.OvenDays;

/// <summary>What makes a day surer, and what it brings.</summary>
/// <param name="Helper">Whether it is another pair of hands; else a bake is left out.</param>
/// <param name="Bake">Index of the bake that is left out; without meaning for a helper.</param>
/// <param name="Chance">What becomes of the day with it.</param>
/// <param name="DoneBy">The hour that nine of ten days keep then, in the kitchen's words.</param>
/// <param name="Sooner">By how many minutes that is sooner; negative for later.</param>
public sealed record SurerWay(bool Helper, int Bake, PlanChance Chance, string DoneBy, int Sooner);

/// <summary>Tries what would make a day surer that falls short of what its kitchen asks for.</summary>
public sealed class Surer(SolverGate gate)
{
    // Long enough to see what each brings; the day itself is planned in full when one is taken.
    private static readonly TimeSpan Each = TimeSpan.FromSeconds(1.5);

    // Leaving out is tried with the bakes that break most often.
    private const int MostLeftOut = 2;

    /// <summary>Ways that bring a better chance than the plan has, the best first; empty where none was found. Takes some
    /// seconds.</summary>
    /// <param name="day">The planned day with its chance.</param>
    /// <param name="document">What was asked for.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<IReadOnlyList<SurerWay>> FindAsync(PlannedDay day, OvenDayDocument document, CancellationToken cancel)
    {
        if (day.Chance is not { } now)
            return [];
        var tried = new List<(bool Helper, int Bake, OvenDayDocument Document)>();
        if (document.Kitchen.People.Count < DayKitchen.MostPeople)
            tried.Add((true, -1, document with { Kitchen = DayKitchen.WithHelpers(document.Kitchen, 1) }));
        if (document.Bakes.Count > 1)
        {
            foreach (
                var need in now
                    .Needs.OrderBy(n => Math.Min(n.Unspoilt, n.Ready))
                    .Take(MostLeftOut)
                    .Where(n => n.Bake < document.Bakes.Count)
            )
                tried.Add((false, need.Bake, document with { Bakes = [.. document.Bakes.Where((_, i) => i != need.Bake)] }));
        }

        var ways = new List<SurerWay>();
        foreach (var (helper, bake, asked) in tried)
        {
            // What was decided by hand names steps of the day as it is.
            var reader = new DocumentReader();
            var (kitchen, wish) = reader.Read(asked with { ByHand = null });
            if (reader.Faults.Count > 0)
                continue;
            var planned = await gate.RunAsync(
                () => SurePlanner.Plan(kitchen, wish, new SolveSettings(Each) { Certainty = kitchen.Certainty }, cancel),
                cancel
            );
            if (planned is not { Network: { } network, Outcome: { Plan: not null, Chance: { } chance } })
                continue;
            if (chance.Missing(kitchen.Certainty) < now.Missing(kitchen.Certainty) && chance.Together > now.Together)
                ways.Add(new SurerWay(helper, bake, chance, network.HourOf(chance.DoneBy), now.DoneBy - chance.DoneBy));
        }

        return [.. ways.OrderByDescending(w => w.Chance.Together)];
    }
}
