using System.Globalization;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Work.Daybooks;

/// <summary>What is changed in a recipe because of how it turned out. Nothing said is nothing changed.</summary>
/// <param name="Step">Key of the bake that is changed; empty for none.</param>
/// <param name="Minutes">Its new usual time, 1 to 1440; the first look and the longest move with it.</param>
/// <param name="Celsius">Its new heat, 30 to 300.</param>
/// <param name="Pan">Name of its new pan.</param>
/// <param name="Line">The ingredient line whose weight is changed, as part and line from 0 ("0.3").</param>
/// <param name="Grams">Its new weight, above zero.</param>
public sealed record RecipeLesson(string Step, int? Minutes, double? Celsius, Pan? Pan, string Line, double? Grams)
{
    /// <summary>The recipe with the change in it, and what was changed in words; null, with what is wrong, where it cannot be.</summary>
    public (Recipe? Recipe, string Words) On(Recipe recipe, Func<double, string> degrees)
    {
        var words = new List<string>();
        var changed = recipe;
        if (Minutes is not null || Celsius is not null || Pan is not null)
        {
            if (recipe.Steps.FirstOrDefault(s => s.Key == Step && s is { Kind: StepKind.Bake, Oven: not null }) is not { } step)
                return (null, "Say which bake of the recipe is meant.");
            if (Minutes is < 1 or > 1440)
                return (null, "A bake takes 1 minute to 24 hours.");
            if (Celsius is < 30 or > 300 or double.NaN)
                return (null, $"An oven is set to {degrees(30)} to {degrees(300)}.");
            var anew = step;
            if (Minutes is { } minutes && minutes != (int)step.Takes.Likely.TotalMinutes)
            {
                var longer = minutes / step.Takes.Likely.TotalMinutes;
                Duration Times(Duration d) => Duration.FromMinutes(Math.Max(1, Math.Round(d.TotalMinutes * longer)));
                anew = anew with
                {
                    Takes = new DurationEstimate(
                        Duration.Min(Times(step.Takes.Low), Duration.FromMinutes(minutes)),
                        Duration.FromMinutes(minutes),
                        Duration.Max(Times(step.Takes.High), Duration.FromMinutes(minutes))
                    ),
                };
                words.Add($"{step.Title}: {minutes} min instead of {step.Takes.Likely.TotalMinutes:0}");
            }

            if (Celsius is { } celsius && Math.Abs(celsius - step.Oven!.SetTemperature.Celsius) > 0.4)
            {
                anew = anew with { Oven = anew.Oven! with { SetTemperature = Temperature.FromCelsius(celsius) } };
                words.Add($"{step.Title}: {degrees(celsius)} instead of {degrees(step.Oven!.SetTemperature.Celsius)}");
            }

            if (Pan is { } pan && pan != step.Oven!.Pan)
            {
                anew = anew with { Oven = anew.Oven! with { Pan = pan } };
                words.Add($"{step.Title}: in {pan.Name} instead of {step.Oven.Pan.Name}");
            }

            changed = changed with { Steps = [.. changed.Steps.Select(s => s.Key == Step ? anew : s)] };
        }

        if (Grams is { } grams)
        {
            if (LineOf(recipe) is not { } at)
                return (null, "Say which ingredient is meant.");
            if (grams is not (> 0 and <= 50_000))
                return (null, "An amount is above 0 and up to 50,000 g.");
            var line = recipe.Parts[at.Part].Lines[at.Line];
            var anew = line with { Amount = Amount.Of(grams, MeasureUnit.Gram), Weight = Mass.FromGrams(grams), Written = "" };
            changed = changed with
            {
                Parts = changed.Parts.SetItem(
                    at.Part,
                    changed.Parts[at.Part] with
                    {
                        Lines = changed.Parts[at.Part].Lines.SetItem(at.Line, anew),
                    }
                ),
            };
            words.Add($"{Number(grams)} g of {line.Ingredient}{(line.Weight is { } was ? $" instead of {Number(was.Grams)}" : "")}");
        }

        return words.Count == 0 ? (null, "Nothing of it is another than the recipe says.") : (changed, string.Join("; ", words));
    }

    private (int Part, int Line)? LineOf(Recipe recipe)
    {
        var numbers = Line.Split('.');
        return
            numbers.Length == 2
            && int.TryParse(numbers[0], NumberStyles.None, CultureInfo.InvariantCulture, out var part)
            && int.TryParse(numbers[1], NumberStyles.None, CultureInfo.InvariantCulture, out var line)
            && part < recipe.Parts.Length
            && line < recipe.Parts[part].Lines.Length
            ? (part, line)
            : null;
    }

    private static string Number(double grams) => grams.ToString(grams < 10 ? "0.#" : "0", CultureInfo.InvariantCulture);
}
