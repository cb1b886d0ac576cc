using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Work.Workshop;

/// <summary>Between a rolled recipe and its cutting sheet: what the sheet begins with, and the recipe with the trays, pieces and minutes
/// that the sheet found.</summary>
public static partial class CutRecipe
{
    /// <summary>Whether a recipe is rolled and cut.</summary>
    public static bool IsRolled(Recipe recipe) => recipe.Kind is RecipeKind.RolledCookies or RecipeKind.Built;

    /// <summary>The address of the cutting sheet of a recipe: its dough, its thickness, its tray and its time.</summary>
    public static string AddressOf(Recipe recipe)
    {
        var grams = recipe.Parts.Where(p => p.Kind == PartKind.Dough).SelectMany(p => p.Lines).Sum(l => l.Weight?.Grams ?? 0);
        var query = new List<string> { $"Recipe={Uri.EscapeDataString(recipe.Key)}" };
        void Add(string name, double value, double least) =>
            query.AddRange(value >= least ? [string.Create(CultureInfo.InvariantCulture, $"{name}={value:0.#}")] : []);
        Add("Dough", Math.Round(grams), 20);
        Add("Thick", ThicknessOf(recipe) ?? 0, 1);
        if (recipe.Steps.FirstOrDefault(s => s is { Kind: StepKind.Bake, Oven: not null }) is { } bake)
        {
            Add("Minutes", bake.Takes.Likely.TotalMinutes, 1);
            if (bake.Oven!.Pan is { Width: { } width } pan)
            {
                Add("TrayWide", Math.Min(pan.Length.Millimetres, width.Millimetres) / 10, 5);
                Add("TrayLong", Math.Max(pan.Length.Millimetres, width.Millimetres) / 10, 5);
            }
        }

        return $"/workshop/cutting?{string.Join('&', query)}";
    }

    /// <summary>How thick a recipe says that its dough is rolled, in millimetres; null where it does not.</summary>
    public static double? ThicknessOf(Recipe recipe)
    {
        foreach (var text in recipe.Steps.Where(s => s.Kind == StepKind.Work).Select(s => $"{s.Title}. {s.Instruction}"))
        {
            if (Millimetres().Match(text) is { Success: true } metric)
                return double.Parse(metric.Groups["mm"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
            if (Inches().Match(text) is { Success: true } inches)
                return 25.4
                    * double.Parse(inches.Groups["over"].Value, CultureInfo.InvariantCulture)
                    / double.Parse(inches.Groups["under"].Value, CultureInfo.InvariantCulture);
        }

        return null;
    }

    /// <summary>The recipe with the sheet's numbers: how many pieces, how many trays, minutes of rolling and cutting a tray, and of
    /// baking.</summary>
    /// <returns>The recipe with what was changed in words; null, with the reason, where it has no tray to bake.</returns>
    public static (Recipe? Recipe, string Words) On(Recipe recipe, CuttingPlan cut, TrayPlan trays)
    {
        if (recipe.Steps.FirstOrDefault(s => s is { Kind: StepKind.Bake, Oven: not null }) is not { } bake)
            return (null, $"{recipe.Name} has no bake that trays could go into.");
        var (pieces, count) = (cut.Counts.Sum(), trays.Trays.Length);
        if (pieces == 0 || count == 0)
            return (null, "Nothing was cut: there is nothing to take over.");
        var times = (count + bake.Oven!.Pans - 1) / bake.Oven.Pans;
        var repeated = Repeated(recipe, bake);
        var roll = repeated.Select(k => recipe.Steps.First(s => s.Key == k)).FirstOrDefault(s => s is { Hands: > 0, Kind: StepKind.Work });
        var minutes = trays.Trays.Select(t => t.Minutes).ToList();
        var usual = (int)Math.Round(minutes.Average());
        var each = Math.Max(1, (int)Math.Round(cut.HandsMinutes / times));
        Step Changed(Step step)
        {
            var anew = repeated.Contains(step.Key) ? step with { Times = times } : step;
            if (step.Key == roll?.Key)
                return anew with { Takes = Around(step.Takes, each, each, each) };
            return step.Key == bake.Key ? anew with { Takes = Around(step.Takes, minutes.Min(), usual, minutes.Max()) } : anew;
        }

        var changed = recipe with { Yield = recipe.Yield with { Pieces = pieces }, Steps = [.. recipe.Steps.Select(Changed)] };
        return (
            changed,
            $"{pieces} {recipe.Yield.PieceName} on {count} {(count == 1 ? "tray" : "trays")}"
                + (roll is null ? "" : $", {each} min of rolling and cutting a tray")
                + $", {usual} min in the oven"
        );
    }

    /// <summary>The steps that are done tray by tray: those that are repeated already, or else the bake with the work and the wait before
    /// it and what must follow it.</summary>
    internal static HashSet<string> Repeated(Recipe recipe, Step bake)
    {
        if (bake.Times > 1)
            return [.. recipe.Steps.Where(s => s.Times > 1).Select(s => s.Key)];
        var found = new HashSet<string>(StringComparer.Ordinal) { bake.Key };
        var at = bake.Key;
        while (recipe.Links.FirstOrDefault(l => l.To == at) is { } before)
        {
            var step = recipe.Steps.First(s => s.Key == before.From);
            // Mixing and the long chill are done once.
            if (
                step.Kind is not (StepKind.Work or StepKind.Chill or StepKind.Rest)
                || (step.Hands == 0 && step.Takes.Likely > Duration.FromMinutes(40))
            )
                break;
            found.Add(step.Key);
            if (step.Hands > 0)
                break;
            at = step.Key;
        }

        at = bake.Key;
        while (recipe.Links.FirstOrDefault(l => l.From == at && l.MaxLag is not null) is { } after && found.Add(after.To))
            at = after.To;
        return found;
    }

    private static DurationEstimate Around(DurationEstimate was, int least, int usual, int most)
    {
        Duration Of(Duration edge, int minutes) =>
            Duration.FromMinutes(Math.Max(1, Math.Round(edge.TotalMinutes * minutes / was.Likely.TotalMinutes)));
        return new DurationEstimate(
            Duration.Min(Of(was.Low, least), Duration.FromMinutes(usual)),
            Duration.FromMinutes(usual),
            Duration.Max(Of(was.High, most), Duration.FromMinutes(usual))
        );
    }

    [GeneratedRegex(
        @"(?<mm>\d{1,2}(?:[.,]\d)?) ?(?:mm|millimet(?:re|er)s?)\b",
        RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Millimetres();

    [GeneratedRegex(
        @"(?<over>\d)/(?<under>\d{1,2}) ?(?:-inch|in\b|inch(?:es)?\b|"")",
        RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Inches();
}
