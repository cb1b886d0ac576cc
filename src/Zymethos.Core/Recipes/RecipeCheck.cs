using NodaTime;

namespace Zymethos.Core.Recipes;

/// <summary>
/// Says whether a recipe's method can be carried out by anyone in any kitchen: keys that exist, durations in order, links that do not
/// contradict each other. It knows nothing of a kitchen or a day.
/// </summary>
public static class RecipeCheck
{
    /// <summary>The longest step or lag a method may have: 60 days, longer than any soak or maturing that is planned.</summary>
    public static readonly Duration Longest = Duration.FromDays(60);

    /// <summary>What keeps a day from being planned with it, in sentences for its writer; empty when nothing does.</summary>
    public static IReadOnlyList<string> Missing(Recipe recipe)
    {
        var missing = new List<string>();
        if (recipe.Parts.All(p => p.Lines.IsEmpty))
            missing.Add("It has no ingredients yet.");
        if (recipe.Steps.IsEmpty)
            missing.Add("It has no steps yet.");
        else
            missing.AddRange(Find(recipe).Select(f => f.Message));
        if (recipe.Steps.Length > 1 && missing.Count == 0)
        {
            var loose = recipe
                .Steps.Where(s => !recipe.Links.Any(l => l.From == s.Key || l.To == s.Key))
                .Select(s => $"“{s.Title}”")
                .ToList();
            if (loose.Count > 0)
                missing.Add($"{string.Join(", ", loose)}: say what comes before or after.");
        }

        return missing;
    }

    /// <summary>Everything that is wrong, in the order of the recipe; empty when nothing is.</summary>
    public static IReadOnlyList<Fault> Find(Recipe recipe)
    {
        var faults = new List<Fault>();
        if (recipe.Steps.IsEmpty)
        {
            faults.Add(new Fault("steps", "A recipe needs at least one step."));
            return faults;
        }

        var known = new Dictionary<string, int>(StringComparer.Ordinal);
        var times = recipe.Steps.Where(s => s.Times > 1).Select(s => s.Times).Distinct().ToList();
        for (var i = 0; i < recipe.Steps.Length; i++)
        {
            var step = recipe.Steps[i];
            var at = $"steps[{i}]";
            if (!known.TryAdd(step.Key, i))
                faults.Add(new Fault($"{at}.key", $"Two steps are called \"{step.Key}\". Give each its own key."));
            FindInStep(step, at, faults);
            if (step.Times > 1 && times.Count > 1)
                faults.Add(new Fault($"{at}.times", "Repeated steps of one recipe must all be repeated equally often."));
        }

        FindInChoices(recipe, faults);
        FindInFinishes(recipe, faults);
        for (var i = 0; i < recipe.Keeping.Length; i++)
        {
            if (recipe.Keeping[i].After is { Length: > 0 } after && !known.ContainsKey(after))
                faults.Add(new Fault($"keeping[{i}].after", $"There is no step \"{after}\" after which it could be kept."));
        }

        for (var i = 0; i < recipe.Links.Length; i++)
            FindInLink(recipe, recipe.Links[i], $"links[{i}]", known, faults);
        if (faults.Count > 0)
            return faults;
        foreach (var way in Ways(recipe))
        {
            var chosen = ChosenRecipe.Of(way);
            if (chosen.Steps.IsEmpty)
                return [new Fault("choices", "A way leaves no step at all.")];
            var index = chosen.Steps.Select((s, i) => (s.Key, i)).ToDictionary(p => p.Key, p => p.i, StringComparer.Ordinal);
            if (FindContradiction(chosen, index) is { } contradiction)
                return [contradiction];
        }

        return faults;
    }

    /// <summary>The recipe with each option of each choice taken once, the other choices as they stand.</summary>
    private static IEnumerable<Recipe> Ways(Recipe recipe)
    {
        yield return recipe;
        foreach (var choice in recipe.Choices)
        {
            foreach (var option in choice.Options.Where(o => o.Key != choice.Chosen))
                yield return ChosenRecipe.Choose(recipe, choice.Key, option.Key);
        }
    }

    private static void FindInChoices(Recipe recipe, List<Fault> faults)
    {
        for (var i = 0; i < recipe.Choices.Length; i++)
        {
            var choice = recipe.Choices[i];
            if (choice.Options.Length < 2)
                faults.Add(new Fault($"choices[{i}].options", $"\"{choice.Question}\" needs at least two ways."));
            if (!choice.Options.Any(o => o.Key == choice.Chosen))
                faults.Add(new Fault($"choices[{i}].chosen", $"\"{choice.Question}\": choose one of its own ways."));
            if (recipe.Choices.Take(i).Any(c => c.Key == choice.Key))
                faults.Add(new Fault($"choices[{i}].key", $"Two choices are called \"{choice.Key}\"."));
        }

        Check(recipe.Steps.Select((s, i) => (s.When, $"steps[{i}].when")));
        Check(recipe.Links.Select((l, i) => (l.When, $"links[{i}].when")));
        Check(recipe.Parts.SelectMany((p, i) => p.Lines.Select((l, j) => (l.When, $"parts[{i}].lines[{j}].when"))));

        void Check(IEnumerable<(Condition? When, string At)> conditions)
        {
            foreach (var (when, at) in conditions)
            {
                if (when is null)
                    continue;
                var choice = recipe.Choices.FirstOrDefault(c => c.Key == when.Choice);
                if (choice is null || when.Options.Any(o => choice.Options.All(p => p.Key != o)))
                    faults.Add(new Fault(at, $"There is no choice \"{when}\" in \"{recipe.Name}\"."));
            }
        }
    }

    private static void FindInFinishes(Recipe recipe, List<Fault> faults)
    {
        if (recipe.Finishes.Length > Finish.Most)
            faults.Add(new Fault("finishes", $"A batch has at most {Finish.Most} finishes."));
        for (var i = 0; i < recipe.Finishes.Length; i++)
        {
            var (finish, at) = (recipe.Finishes[i], $"finishes[{i}]");
            if (finish.Name.Trim().Length is 0 or > Finish.LongestName)
                faults.Add(new Fault(at, $"Say in 1 to {Finish.LongestName} characters how these pieces are finished."));
            if (finish.Pieces < 1)
                faults.Add(new Fault(at, $"“{finish.Name}”: at least one piece."));
            if (recipe.Finishes.Take(i).Any(f => f.Name.Equals(finish.Name, StringComparison.OrdinalIgnoreCase)))
                faults.Add(new Fault(at, $"Two finishes are called “{finish.Name}”."));
            foreach (
                var only in finish.Only.Where(o =>
                    !recipe.Parts.Any(p => p.Lines.Any(l => l.Ingredient.Equals(o, StringComparison.OrdinalIgnoreCase)))
                )
            )
                faults.Add(new Fault(at, $"“{finish.Name}”: there is no line “{only}”."));
        }

        if (recipe.Finishes.Sum(f => (long)f.Pieces) > recipe.Yield.Pieces)
            faults.Add(
                new Fault(
                    "finishes",
                    $"The finishes come to {recipe.Finishes.Sum(f => (long)f.Pieces)} pieces, and a batch gives {recipe.Yield.Pieces}."
                )
            );
    }

    private static void FindInStep(Step step, string at, List<Fault> faults)
    {
        if (!step.Takes.IsOrdered)
            faults.Add(
                new Fault($"{at}.minutes", $"\"{step.Title}\": the times must be above zero and in order, shortest, usual, longest.")
            );
        else if (step.Takes.High > Longest)
            faults.Add(new Fault($"{at}.minutes", $"\"{step.Title}\": a step takes at most 60 days."));
        if (step.Hands is < 0 or > 4)
            faults.Add(new Fault($"{at}.hands", $"\"{step.Title}\": a step needs 0 to 4 people."));
        if (step.Times is < 1 or > 24)
            faults.Add(new Fault($"{at}.times", $"\"{step.Title}\": a step is done 1 to 24 times."));
        if (step.Kind is StepKind.Bake && step.Oven is null)
            faults.Add(new Fault($"{at}.oven", $"\"{step.Title}\" is a bake and must say what it needs of the oven."));
        if (step.Kind is StepKind.Mix or StepKind.Work && step.Hands == 0)
            faults.Add(new Fault($"{at}.hands", $"\"{step.Title}\" is hands at work and needs at least one person."));
        var rises = step is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: null };
        if (!step.Touches.IsEmpty && step.Kind != StepKind.Bake && !rises)
            faults.Add(
                new Fault(
                    $"{at}.touches",
                    $"\"{step.Title}\" neither bakes nor rises on the counter, so nothing can be done to it part-way."
                )
            );
        else if (step.Touches.Any(t => (t.Kind == TouchKind.Fold) != rises))
            faults.Add(
                new Fault(
                    $"{at}.touches",
                    rises
                        ? $"\"{step.Title}\": a dough that rises can only be folded part-way."
                        : $"\"{step.Title}\": what bakes cannot be folded."
                )
            );
        foreach (var mode in step.Modes.Where(m => !m.Takes.IsOrdered))
            faults.Add(
                new Fault(
                    $"{at}.modes",
                    $"\"{step.Title}\", {mode.Name}: the times must be above zero and in order, shortest, usual, longest."
                )
            );
        if (step.Oven is { } oven && oven.Pans is < 1 or > 24)
            faults.Add(new Fault($"{at}.oven.pans", $"\"{step.Title}\": 1 to 24 pans go in together."));
        if (step.Oven is { Tolerance: { } give } && give is not (>= 0 and <= OvenUse.MostTolerance))
            faults.Add(new Fault($"{at}.oven.toleranceC", $"\"{step.Title}\": the heat may be off by 0 to {OvenUse.MostTolerance:0} °C."));
        if (step.Oven is { Sheet: { } sheet } on && OvenUse.OnSheet(sheet, on.Pan) == 0)
            faults.Add(new Fault($"{at}.oven.sheet", $"\"{step.Title}\": {on.Pan.Name} does not stand on {sheet.Name}."));
        else if (step.Oven is { Sheet: { Shape: not PanShape.Tray } no })
            faults.Add(new Fault($"{at}.oven.sheet", $"\"{step.Title}\": pans travel on a flat tray, and {no.Name} is none."));
    }

    private static void FindInLink(Recipe recipe, Link link, string at, Dictionary<string, int> known, List<Fault> faults)
    {
        if (!known.ContainsKey(link.From))
            faults.Add(new Fault($"{at}.from", $"There is no step \"{link.From}\" in \"{recipe.Name}\"."));
        if (!known.ContainsKey(link.To))
            faults.Add(new Fault($"{at}.to", $"There is no step \"{link.To}\" in \"{recipe.Name}\"."));
        if (link.MinLag < Duration.Zero || link.MinLag > Longest)
            faults.Add(new Fault($"{at}.minLagMinutes", "The least time between two steps is 0 minutes to 60 days."));
        if (link.MaxLag < link.MinLag)
            faults.Add(
                new Fault(
                    $"{at}.maxLagMinutes",
                    $"After \"{link.From}\", \"{link.To}\" may start at the latest before it may start at the earliest."
                )
            );
        if (link.MaxLag > Longest)
            faults.Add(new Fault($"{at}.maxLagMinutes", "The most time between two steps is at most 60 days; leave it out for no limit."));
    }

    /// <summary>
    /// Longest paths over start times (Bellman-Ford). A cycle of positive length means that the links cannot all hold, whatever the day.
    /// </summary>
    private static Fault? FindContradiction(Recipe recipe, Dictionary<string, int> index)
    {
        var start = new long[recipe.Steps.Length];
        for (var round = 0; round <= recipe.Steps.Length; round++)
        {
            Fault? moved = null;
            for (var i = 0; i < recipe.Links.Length; i++)
            {
                var link = recipe.Links[i];
                var (from, to) = (index[link.From], index[link.To]);
                var length = (long)recipe.Steps[from].Takes.Likely.TotalMinutes;
                var earliest = start[from] + length + (long)link.MinLag.TotalMinutes;
                if (start[to] < earliest)
                {
                    start[to] = earliest;
                    moved = Contradiction(recipe, from, to, i);
                }

                if (link.MaxLag is { } most && link.Window == WindowKind.Hard && start[to] - length - (long)most.TotalMinutes > start[from])
                {
                    start[from] = start[to] - length - (long)most.TotalMinutes;
                    moved = Contradiction(recipe, from, to, i);
                }
            }

            if (moved is null)
                return null;
            if (round == recipe.Steps.Length)
                return moved;
        }

        return null;
    }

    private static Fault Contradiction(Recipe recipe, int from, int to, int link) =>
        new(
            $"links[{link}]",
            $"The links around \"{recipe.Steps[from].Title}\" and \"{recipe.Steps[to].Title}\" contradict each other: no times can "
                + "satisfy them all."
        );
}
