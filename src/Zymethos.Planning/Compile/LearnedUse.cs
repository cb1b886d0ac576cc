using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Planning.Compile;

/// <summary>What a kitchen has learned of one step's time. A value without state.</summary>
/// <param name="Factor">On the recipe's own time; 1 where nothing was learned.</param>
/// <param name="Why">What it goes by, in words ("this oven bakes 8 % faster, 11 bakes"); empty where nothing was.</param>
public sealed record LearnedUse(double Factor, string Why)
{
    /// <summary>Nothing was learned.</summary>
    public static LearnedUse Nothing { get; } = new(1, "");

    /// <summary>How far one time lies from another, as a spread of the logarithm; 0 where the recipe's own band stands.</summary>
    public double Scatter { get; private init; }

    /// <summary>How much sooner the fastest of several ovens is than the time between them; 1 for one oven.</summary>
    public double Fastest { get; private init; } = 1;

    /// <summary>How much later the slowest of them is; 1 for one oven.</summary>
    public double Slowest { get; private init; } = 1;

    /// <summary>Seen this often, times that were taken say more of the spread than the recipe does (by judgement).</summary>
    private const int EnoughForSpread = 6;

    /// <summary>Of a bake: its oven and its recipe.</summary>
    public static LearnedUse OfBake(Kitchen kitchen, string recipe)
    {
        var ovens = Enumerable
            .Range(0, kitchen.Ovens.Length)
            .Select(o => kitchen.Knows(LearnedKind.Oven, LearnedTime.OvenName(o)))
            .ToList();
        var (between, work) = (Together(ovens), kitchen.Knows(LearnedKind.Recipe, recipe));
        var found = Of(between, ovens.Count == 1 ? "this oven bakes" : "these ovens bake", work, "this recipe is done", "bake");
        if (ovens.Count == 1 || between is null)
            return found;
        // Which of them a load goes into is the plan's to choose: it reckons between them, looks when the faster may be done, and waits
        // for the slower.
        var factors = ovens.ConvertAll(o => o?.Factor ?? 1);
        var (fastest, slowest) = (factors.Min() / between.Factor, factors.Max() / between.Factor);
        if (slowest / fastest < 1 + WorthSaying)
            return found;
        var each = ovens.Select((o, i) => (Name: i == 0 ? "the first oven" : "the second", Known: o)).Where(o => o.Known is not null);
        var words = each.Select(o =>
            Math.Abs(o.Known!.Factor - 1) < WorthSaying
                ? $"{o.Name} as the recipe says ({Times(o.Known.Count, "bake")})"
                : $"{o.Name} {Percent(o.Known.Factor)} % {(o.Known.Factor < 1 ? "faster" : "slower")} ({Times(o.Known.Count, "bake")})"
        );
        var ofRecipe = Of(null, "", work, "this recipe is done", "bake").Why;
        return found with
        {
            Why = $"{string.Join(", ", words)}, and this is between them{(ofRecipe.Length > 0 ? $"; {ofRecipe}" : "")}",
            Fastest = fastest,
            Slowest = slowest,
        };
    }

    /// <summary>Of handwork: who is there, and what kind of work it is.</summary>
    public static LearnedUse OfHands(Kitchen kitchen, StepKind kind, string title)
    {
        var people = kitchen.People.Select(p => kitchen.Knows(LearnedKind.Person, p.Name)).ToList();
        var work = kitchen.Knows(LearnedKind.Handwork, Handwork.Of(kind, title));
        var found = Of(
            Together(people),
            kitchen.People.Length == 1 ? $"{kitchen.People[0].Name} works" : "those who bake here work",
            work,
            "such work is done here",
            "time"
        );
        return work is { Count: >= EnoughForSpread } ? found with { Scatter = work.Scatter } : found;
    }

    /// <summary>Of a rise: its leaven and its recipe.</summary>
    public static LearnedUse OfRise(Kitchen kitchen, Recipe recipe)
    {
        var leaven = LeavenOf(recipe);
        return Of(
            kitchen.Knows(LearnedKind.Leaven, leaven),
            leaven == LearnedTime.Starter ? "your starter raises it" : "yeast raises it here",
            kitchen.Knows(LearnedKind.Rise, recipe.Key),
            "this dough is up",
            "rise"
        );
    }

    /// <summary>What raises a recipe: a starter where there is one, or else yeast.</summary>
    public static string LeavenOf(Recipe recipe) =>
        RecipeFacts.DoughLines(recipe).Any(l => IngredientTable.Find(l.Ingredient) is { Role: IngredientRole.Starter })
            ? LearnedTime.Starter
            : LearnedTime.Yeast;

    /// <summary>A recipe's time as it is here, its band moved along or drawn by what was seen.</summary>
    public DurationEstimate On(DurationEstimate takes)
    {
        if (Factor == 1 && Scatter == 0 && Fastest == 1 && Slowest == 1)
            return takes;
        var likely = takes.Likely * Factor;
        return Scatter > 0
            ? new DurationEstimate(
                likely * Math.Exp(-LearnedFactor.NineOfTen * Scatter),
                likely,
                likely * Math.Exp(LearnedFactor.NineOfTen * Scatter)
            )
            : new DurationEstimate(takes.Low * Factor * Fastest, likely, takes.High * Factor * Slowest);
    }

    /// <summary>Why a time is not the recipe's, in a sentence; empty where it is to the minute.</summary>
    /// <param name="written">The minutes without what was learned.</param>
    /// <param name="here">The minutes that are planned.</param>
    /// <param name="isRise">Whether those minutes are reckoned for the room already, and not the recipe's own.</param>
    public string Said(double written, double here, bool isRise)
    {
        var off = (int)Math.Round(here - written);
        if (Why.Length == 0)
            return "";
        if (off == 0)
            return Slowest > Fastest ? $"{char.ToUpperInvariant(Why[0])}{Why[1..]}." : "";
        var by = $"{Math.Abs(off)} min {(off < 0 ? "less" : "more")}";
        return isRise ? $"That is {by} than reckoned for the room alone: {Why}." : $"{by} than the recipe says: {Why}.";
    }

    private static LearnedUse Of(LearnedTime? doer, string does, LearnedTime? work, string isDone, string seen)
    {
        if (doer is null && work is null)
            return Nothing;
        var words = new List<string>();
        if (doer is not null && Math.Abs(doer.Factor - 1) >= WorthSaying)
            words.Add($"{does} {Percent(doer.Factor)} % {(doer.Factor < 1 ? "faster" : "slower")} ({Times(doer.Count, seen)})");
        if (work is not null && Math.Abs(work.Factor - 1) >= WorthSaying)
            words.Add($"{isDone} {Percent(work.Factor)} % {(work.Factor < 1 ? "sooner" : "later")} ({Times(work.Count, seen)})");
        if (words.Count == 0)
            return Nothing;
        // What is not worth saying does not move a plan either: what is planned is what is said.
        var factor =
            (doer is not null && Math.Abs(doer.Factor - 1) >= WorthSaying ? doer.Factor : 1)
            * (work is not null && Math.Abs(work.Factor - 1) >= WorthSaying ? work.Factor : 1);
        return new LearnedUse(Math.Clamp(factor, LearnedTime.Least, LearnedTime.Most), string.Join(", ", words));
    }

    private const double WorthSaying = 0.01;

    private static int Percent(double factor) => (int)Math.Round(Math.Abs(factor - 1) * 100);

    private static string Times(int count, string seen) => count == 1 ? $"one {seen}" : $"{count} {seen}s";

    /// <summary>Of several that may do it, the middle; of one nothing is known where nothing was learned of any.</summary>
    private static LearnedTime? Together(List<LearnedTime?> several)
    {
        var known = several.OfType<LearnedTime>().ToList();
        if (known.Count == 0)
            return null;
        if (several.Count == 1)
            return known[0];
        double Middle(Func<LearnedTime, double> of) => Math.Exp(known.Sum(k => Math.Log(of(k))) / several.Count);
        return known[0] with
        {
            Factor = Middle(k => k.Factor),
            Low = Middle(k => k.Low),
            High = Middle(k => k.High),
            Count = known.Sum(k => k.Count),
        };
    }
}
