using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Day;

namespace Zymethos.Web.Places.Bench;

/// <summary>
/// What goes in at a step: the lines whose ingredient its words name, or those of the part that they name; where they name nothing and it
/// is the first mixing, the first part. A recipe does not say it by itself, so the whole list is always beside it.
/// </summary>
internal static class StepAmounts
{
    private const int ShortestWord = 3;

    // Words for how an ingredient is, not for what.
    private static readonly string[] Manners =
    [
        "plain",
        "fresh",
        "large",
        "small",
        "ground",
        "dark",
        "light",
        "fine",
        "whole",
        "dried",
        "cold",
        "warm",
        "white",
        "brown",
        "soft",
        "melted",
        "bread",
        "cake",
        "strong",
        "unsalted",
        "salted",
        "baking",
        "icing",
        "raw",
        "dry",
        "and",
        "for",
        "the",
    ];

    /// <summary>The lines of a step, scaled to the batches that it makes.</summary>
    public static IReadOnlyList<SheetLine> Of(TaskNetwork network, PlanTask task, ScaledRecipe batch, KitchenSays says)
    {
        if (task.Step is not { } step || task.Kind is not (StepKind.Work or StepKind.Mix or StepKind.Soak))
            return [];
        var same = network.Tasks.Where(t => t.Bake == task.Bake && t.Step?.Key == step.Key).ToList();
        // Trays one after another take from one bowl: what goes into it is said with the first.
        if (step.Times > 1 && same.Exists(t => t.Index < task.Index && SameBatch(t, task)))
            return [];
        var makes = same.Select(t => BatchOf(t)).Distinct().Count();
        var factor = makes == 0 ? 1 : (double)network.Bakes[task.Bake].Batches / makes;
        var words = Words($"{step.Title} {step.Instruction}");
        var named = batch.Parts.Select(p => p.Lines.Where(l => IsNamed(l.Line, words)).ToList()).ToList();
        var most = named.Select(n => n.Count).DefaultIfEmpty(0).Max();
        var found = new List<ScaledLine>();
        for (var p = 0; p < batch.Parts.Length; p++)
        {
            var part = batch.Parts[p];
            var isCalled = batch.Parts.Length > 1 && Words($"{part.Part.Name} {part.Part.Kind}").Overlaps(words);
            // "Sugar" stands in every part; the part of which most is named is meant, and one that is called by its own name.
            if (named[p].Count > 0 && (named[p].Count == most || isCalled))
                found.AddRange(named[p]);
            else if (isCalled && named[p].Count == 0)
                found.AddRange(part.Lines);
        }

        found.AddRange(Unnamed(network, task, batch, found));
        if (found.Count == 0 && batch.Parts.Length > 0 && IsFirstMix(network, task) && !IsNamedElsewhere(network, task, batch.Parts[0]))
            found.AddRange(batch.Parts[0].Lines);
        if (Math.Abs(factor - 1) > 1e-9)
        {
            var whole = ScaledRecipe.ByMultiple(batch.Recipe, batch.Factor * factor);
            return
            [
                .. found.Select(f => Line(whole.Parts.SelectMany(p => p.Lines).FirstOrDefault(s => s.Line == f.Line) ?? f, says, whole)),
            ];
        }

        return [.. found.Select(f => Line(f, says, batch))];
    }

    /// <summary>"Then the dry things": what no step names goes with the step that names most of its part, so that nothing is left
    /// out.</summary>
    private static IEnumerable<ScaledLine> Unnamed(TaskNetwork network, PlanTask task, ScaledRecipe batch, List<ScaledLine> found)
    {
        var steps = network
            .Tasks.Where(t => t.Bake == task.Bake && t.Step is not null && t.Kind is StepKind.Work or StepKind.Mix or StepKind.Soak)
            .Select(t => t.Step!)
            .DistinctBy(s => s.Key)
            .Select(s => (s.Key, Words: Words($"{s.Title} {s.Instruction}")))
            .ToList();
        foreach (var part in batch.Parts.Where(p => p.Lines.Any(found.Contains)))
        {
            var most = steps.MaxBy(s => part.Lines.Count(l => IsNamed(l.Line, s.Words)));
            if (most.Key != task.Step!.Key)
                continue;
            foreach (var line in part.Lines.Where(l => !found.Contains(l) && !steps.Exists(s => IsNamed(l.Line, s.Words))))
                yield return line;
        }
    }

    // "Line the pans" comes before the mixing, and takes nothing of what a later step names.
    private static bool IsNamedElsewhere(TaskNetwork network, PlanTask task, ScaledPart part) =>
        network
            .Tasks.Where(t => t.Bake == task.Bake && t.Step is { } s && s.Key != task.Step!.Key)
            .Select(t => Words($"{t.Step!.Title} {t.Step.Instruction}"))
            .Any(words => part.Lines.Any(l => IsNamed(l.Line, words)));

    /// <summary>What to call a line where an ingredient stands in several parts: butter for the dough is none for the icing.</summary>
    private static string KeyOf(ScaledLine scaled, ScaledRecipe batch)
    {
        var same = batch.Parts.Where(p => p.Lines.Any(l => l.Line.Ingredient == scaled.Line.Ingredient)).ToList();
        return same.Count < 2 ? scaled.Line.Ingredient
            : same.Find(p => p.Lines.Contains(scaled)) is { Part.Name.Length: > 0 } own ? $"{scaled.Line.Ingredient} ({own.Part.Name})"
            : scaled.Line.Ingredient;
    }

    /// <summary>A line in the kitchen's own measures.</summary>
    /// <param name="scaled">The line at its scale.</param>
    /// <param name="says">How the kitchen says amounts.</param>
    /// <param name="batch">The recipe that it is of, at its scale.</param>
    public static SheetLine Line(ScaledLine scaled, KitchenSays says, ScaledRecipe batch)
    {
        var line = scaled.Line;
        var weight = scaled.Weight?.ToString() ?? "";
        var spoonFirst = scaled.Measure.Length > 0 && (scaled.BySpoon || says.Habit == MeasuringHabit.UsCustomary || weight.Length == 0);
        var (first, second) = spoonFirst ? (scaled.Measure, weight) : (weight, scaled.Measure);
        if (first.Length == 0 && line.Amount is { } amount)
            first = amount.ToText();
        var what = line.Form.Length > 0 ? $"{line.Ingredient}, {line.Form}" : line.Ingredient;
        return new SheetLine(
            first,
            second.Length > 0 ? $"{what} ({second})" : what,
            line.Ingredient,
            scaled.Weight is { } grams ? Math.Round(grams.Grams, 1) : null,
            scaled.Weight is not null && line.Amount is { Unit.Dimension: UnitDimension.Count, High: > 0 } counted
                ? Math.Round(counted.High * batch.Factor, 2)
                : null,
            line.Amount is { Unit.Dimension: UnitDimension.Count } of ? of.Unit.Singular : "",
            KeyOf(scaled, batch)
        );
    }

    private static bool IsFirstMix(TaskNetwork network, PlanTask task) =>
        task.Kind is StepKind.Mix or StepKind.Work
        && !network.Links.Any(l => l.To == task.Index)
        && !network.Tasks.Any(t => t.Bake == task.Bake && t.Index < task.Index && t.Kind == StepKind.Mix);

    private static bool IsNamed(IngredientLine line, HashSet<string> words)
    {
        // "brown sugar" is named by "sugar", "vanilla extract" by "vanilla"; a word for how it is ("fresh") names nothing.
        var own = Words(line.Ingredient.Split(',', '(')[0]);
        own.ExceptWith(Manners);
        return own.Overlaps(words);
    }

    private static bool SameBatch(PlanTask one, PlanTask other) => BatchOf(one) == BatchOf(other);

    private static string BatchOf(PlanTask task) => string.Join('.', task.Id.Value.Split('.').Take(2));

    private static HashSet<string> Words(string text) =>
        [
            .. text.ToLowerInvariant()
                .Split([' ', ',', '.', ';', ':', '(', ')', '-', '\n', '/', '’', '\''], StringSplitOptions.RemoveEmptyEntries)
                .Where(w => w.Length >= ShortestWord)
                .Select(w => w.Length > ShortestWord && w[^1] == 's' && w[^2] != 's' ? w[..^1] : w),
        ];
}
