using NodaTime;

namespace Zymethos.Core.Recipes;

/// <summary>Something that is different between two versions of a recipe.</summary>
/// <param name="What">Which thing ("Batter: butter").</param>
/// <param name="Before">What it was; empty when it is new.</param>
/// <param name="After">What it is; empty when it is gone.</param>
public sealed record RecipeChange(string What, string Before, string After);

/// <summary>Compares two versions of a recipe, line by line and step by step.</summary>
public static class RecipeDifference
{
    /// <summary>Everything that is different, in the order of the recipe; empty when nothing is.</summary>
    public static IReadOnlyList<RecipeChange> Between(Recipe before, Recipe after)
    {
        var changes = new List<RecipeChange>();
        Add("Name", before.Name, after.Name);
        Add("About it", before.Summary, after.Summary);
        Add("Kind", before.Kind.ToString(), after.Kind.ToString());
        Add("Makes", $"{before.Yield.Pieces} {before.Yield.PieceName}", $"{after.Yield.Pieces} {after.Yield.PieceName}");
        Pair(
            before.Parts.SelectMany(p => Numbered(p.Lines.Select(l => ($"{p.Name}: {l.Ingredient}", Say(l))))),
            after.Parts.SelectMany(p => Numbered(p.Lines.Select(l => ($"{p.Name}: {l.Ingredient}", Say(l)))))
        );
        Pair(before.Steps.Select(s => ($"Step “{s.Key}”", Say(s))), after.Steps.Select(s => ($"Step “{s.Key}”", Say(s))));
        Pair(
            Numbered(before.Links.Select(l => ($"{l.From} → {l.To}", Say(l)))),
            Numbered(after.Links.Select(l => ($"{l.From} → {l.To}", Say(l))))
        );
        Pair(before.Choices.Select(c => (c.Question, Say(c))), after.Choices.Select(c => (c.Question, Say(c))));
        Pair(before.Finishes.Select(f => ($"Finish “{f.Name}”", Say(f))), after.Finishes.Select(f => ($"Finish “{f.Name}”", Say(f))));
        Pair(
            Numbered(before.Swaps.Select(s => ($"Instead of {s.Ingredient}", s.Rule))),
            Numbered(after.Swaps.Select(s => ($"Instead of {s.Ingredient}", s.Rule)))
        );
        Pair(
            Numbered(before.Keeping.Select(k => ($"Keeps {k.Part}".Trim(), $"{k.Place}, {k.Days} days"))),
            Numbered(after.Keeping.Select(k => ($"Keeps {k.Part}".Trim(), $"{k.Place}, {k.Days} days")))
        );
        return changes;

        void Add(string what, string old, string now)
        {
            if (old != now)
                changes.Add(new RecipeChange(what, old, now));
        }

        void Pair(IEnumerable<(string What, string Text)> old, IEnumerable<(string What, string Text)> now)
        {
            var (was, isNow) = (old.ToList(), now.ToList());
            foreach (var (what, text) in was)
                Add(what, text, isNow.Find(p => p.What == what).Text ?? "");
            foreach (var (what, text) in isNow.Where(p => !was.Exists(o => o.What == p.What)))
                Add(what, "", text);
        }
    }

    /// <summary>Makes names that stand twice distinct, so that each has its partner.</summary>
    private static IEnumerable<(string What, string Text)> Numbered(IEnumerable<(string What, string Text)> items)
    {
        var seen = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var (what, text) in items)
        {
            seen[what] = seen.GetValueOrDefault(what) + 1;
            yield return (seen[what] == 1 ? what : $"{what} ({seen[what]})", text);
        }
    }

    private static string Say(Finish finish) =>
        $"{finish.Pieces}{(finish.Only.IsEmpty ? "" : $", only these: {string.Join(", ", finish.Only)}")}";

    private static string Say(IngredientLine line) =>
        string.Join(
            ", ",
            new[]
            {
                line.Amount?.ToText() ?? "",
                line.Weight?.ToString() ?? "",
                line.Form,
                line.Note,
                line.IsOptional ? "optional" : "",
                line.When?.ToString() ?? "",
            }.Where(t => t.Length > 0)
        );

    private static string Say(Step step) =>
        string.Join(
            ", ",
            new[]
            {
                step.Title,
                $"{step.Takes.Low.TotalMinutes:0}/{step.Takes.Likely.TotalMinutes:0}/{step.Takes.High.TotalMinutes:0} min",
                step.Oven is { } oven
                    ? $"{oven.SetTemperature}, {oven.Pans} × {oven.Pan.Name}{(oven.Sheet is { } sheet ? $" on {sheet.Name}" : "")}"
                    : "",
                step.Times > 1 ? $"{step.Times} times" : "",
                step.Instruction,
                string.Join(" ", step.DoneTests.Select(d => d.Text)),
                string.Join(" ", step.Touches.Select(t => $"{t.Kind} at {t.At * 100:0} %")),
                string.Join(" ", step.Modes.Select(m => m.Name)),
                string.Join(" ", step.Cautions),
            }.Where(t => t.Length > 0)
        );

    private static string Say(Link link)
    {
        var least = link.MinLag > Duration.Zero ? $"at least {link.MinLag.TotalMinutes:0} min, " : "";
        var soft = link.Window == WindowKind.Soft ? " if it can be" : "";
        var most = link.MaxLag is { } lag ? $"at most {lag.TotalMinutes:0} min{soft}" : "any time after";
        return $"{least}{most} {link.Why}".Trim();
    }

    private static string Say(Choice choice) =>
        $"{choice.Options.FirstOrDefault(o => o.Key == choice.Chosen)?.Name} of {string.Join(" / ", choice.Options.Select(o => o.Name))}";
}
