using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Cautions beside the steps they belong to, by what is in the recipe and by what is done: not only where the method happens to
/// use the word.</summary>
internal static partial class DraftCautions
{
    /// <summary>Sets them.</summary>
    public static void Set(Recipe recipe, MethodReading reading, IngredientKnowledge knowledge)
    {
        var names = recipe.Parts.SelectMany(p => p.Lines).Select(l => (Line: l, Is: knowledge.Meant(l.Ingredient))).ToList();
        bool Has(Func<Ingredient, bool> what) => names.Exists(n => n.Is is { } i && what(i));
        var egg = Has(i => i.Allergens.Contains(Allergen.Egg));
        var flour = Has(i => i.IsFlour);
        var nuts = Has(i => i.Allergens.Contains(Allergen.TreeNut) || i.Allergens.Contains(Allergen.Peanut));
        var whole = names.Exists(n =>
            n.Is is { } i
            && (i.Allergens.Contains(Allergen.TreeNut) || i.Allergens.Contains(Allergen.Peanut))
            && !i.Name.EndsWith("flour", StringComparison.Ordinal)
            && !i.Name.EndsWith("butter", StringComparison.Ordinal)
            && !i.Name.EndsWith("oil", StringComparison.Ordinal)
            && !n.Line.Form.Contains("ground", StringComparison.Ordinal)
        );
        var spirit = Has(i => i.Traits.HasFlag(IngredientTraits.Alcohol) && !i.Name.EndsWith("extract", StringComparison.Ordinal));
        var honey = Has(i => i.Traits.HasFlag(IngredientTraits.Honey));
        var nutmeg = names.Exists(n => n.Is?.Name == "nutmeg" && n.Line.Weight is { Grams: > 5 });
        var cold = !ColdFood.PartsOf(recipe, knowledge).IsEmpty;
        var steps = reading.Steps;
        if (steps.Count == 0)
            return;
        foreach (var step in steps)
        {
            if (
                step.IsHands
                && (egg || flour)
                && step.Strand >= 0
                && RawWork().IsMatch(step.Low)
                && steps.IndexOf(step) < Math.Max(1, steps.FindIndex(s => s.Kind == StepKind.Bake))
            )
                Add(step, CautionKind.RawFlourAndEgg);
            if (step.Kind == StepKind.Bake || Hot().IsMatch(step.Low))
                Add(step, CautionKind.Burns);
            if (
                egg
                && Foam().IsMatch(step.Low)
                && (
                    steps.TrueForAll(s => s.Kind != StepKind.Bake)
                    || Custard().IsMatch(step.Low)
                    || steps.FindLastIndex(s => s.Kind == StepKind.Bake) < steps.IndexOf(step)
                )
            )
                Add(step, CautionKind.EggFoam);
        }

        if (nuts)
            Add(FirstWith(steps, NutWords()), CautionKind.SharedNuts);
        if (whole)
            Add(steps.FindLast(s => s.IsHands) ?? steps[^1], CautionKind.Choking);
        if (spirit)
            Add(FirstWith(steps, SpiritWords()), CautionKind.Spirit);
        if (honey)
            Add(FirstWith(steps, HoneyWords()), CautionKind.Honey);
        if (nutmeg)
            Add(FirstWith(steps, NutmegWords()), CautionKind.Nutmeg);
        if (cold)
        {
            foreach (var step in steps.Where(s => s.IsHands && CreamWords().IsMatch(s.Low)))
                Add(step, CautionKind.TimeAndTemperature);
            // Whatever is done last leaves it standing: the caution stands there in any case.
            Add(steps[^1], CautionKind.TimeAndTemperature);
        }

        if (egg && steps.TrueForAll(s => s.Kind != StepKind.Bake))
            Add(steps[^1], CautionKind.EggFoam);
        if (recipe.Keeping.Any(k => k.Store == KeepingStore.Counter && k.Days >= 21 && k.Part.Length == 0))
            Add(steps[^1], CautionKind.Mould);
        if (steps.Exists(s => Jars().IsMatch(s.Low)))
            Add(steps.Find(s => Jars().IsMatch(s.Low))!, CautionKind.Keeping);
    }

    private static MethodStep FirstWith(List<MethodStep> steps, Regex words) =>
        steps.Find(s => words.IsMatch(s.Low)) ?? steps.Find(s => s.IsHands) ?? steps[0];

    private static void Add(MethodStep step, CautionKind kind)
    {
        var word = DocumentWords.Of(kind);
        if (!step.Draft.Cautions.Contains(word))
            step.Draft.Cautions.Add(word);
    }

    [GeneratedRegex(@"\b(?:eggs?|yolks?|whites?|knead|beat|whisk|fold|roll|shape|mix)\b", RegexOptions.None, 900)]
    private static partial Regex RawWork();

    [GeneratedRegex(@"\b(?:boil|simmer|caramel|syrup|melt|scald|fry)\w*\b", RegexOptions.None, 900)]
    private static partial Regex Hot();

    [GeneratedRegex(@"\b(?:egg whites?|whites|yolks?|meringue|custard|curd|thickens?|boil for 1 minute)\b", RegexOptions.None, 900)]
    private static partial Regex Foam();

    [GeneratedRegex(@"\b(?:custard|curd|cream|hot milk|thickens?|boil)\b", RegexOptions.None, 900)]
    private static partial Regex Custard();

    [GeneratedRegex(@"\b(?:almonds?|walnuts?|pecans?|hazelnuts?|pistachios?|peanuts?|cashews?|nuts?|marzipan)\b", RegexOptions.None, 900)]
    private static partial Regex NutWords();

    [GeneratedRegex(@"\b(?:brandy|rum|whisky|whiskey|liqueur|sherry|kirsch|wine|beer|stout|port|soak|fruit)\b", RegexOptions.None, 900)]
    private static partial Regex SpiritWords();

    [GeneratedRegex(@"\bhoney\b", RegexOptions.None, 900)]
    private static partial Regex HoneyWords();

    [GeneratedRegex(@"\b(?:nutmeg|spices?)\b", RegexOptions.None, 900)]
    private static partial Regex NutmegWords();

    [GeneratedRegex(
        @"\b(?:cream|custard|curd|filling|ganache|mascarpone|ricotta|cheese|fill|buttercream|frosting)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex CreamWords();

    [GeneratedRegex(@"\b(?:jars?|vacuum|airtight jars?)\b(?=.*\bseal)|\bseal\b.*\bjars?\b|\bbake in jars\b", RegexOptions.None, 900)]
    private static partial Regex Jars();
}
