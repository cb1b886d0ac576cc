using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Method;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts;

/// <summary>Puts answers to questions into a draft. What an answer settles is asked no more; an allergen that is not known stays so,
/// whatever was answered, until its line says what it is.</summary>
public static class DraftAnswers
{
    /// <summary>Answers a question.</summary>
    /// <param name="draft">The draft; changed in place unless it is read anew.</param>
    /// <param name="question">Index of the question.</param>
    /// <param name="value">The answer; empty for "looked at, as it is".</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    /// <param name="pans">Pans that may be meant.</param>
    /// <returns>The draft that goes on: the same, or one read anew in another dialect.</returns>
    public static RecipeDraft Apply(RecipeDraft draft, int question, string value, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        if (question < 0 || question >= draft.Questions.Count)
            return draft;
        var asked = draft.Questions[question];
        draft.Questions.RemoveAt(question);
        value = value.Trim();
        if (value.Length == 0)
            return draft;
        var field = asked.Field.Split('/');
        switch (field[0])
        {
            case "pieces":
                draft.Pieces = value;
                break;
            case "dialect" when draft.Source.Length > 0 && Enum.TryParse<Dialect>(value, ignoreCase: true, out var dialect):
                return
                    RecipeText.Read(draft.Source, knowledge, pans, dialect) is var anew
                    && anew.Questions.RemoveAll(q => q.Field == "dialect") >= 0
                    ? anew
                    : draft;
            case "keeping":
                foreach (var keeping in draft.Keeping.Where(k => k.Place.StartsWith(field[^1], StringComparison.Ordinal)))
                    keeping.Days = value;
                break;
            case "line":
                Line(draft, asked.Field["line/".Length..], value, knowledge);
                break;
            case "steps" when field.Length == 3 && draft.Steps.Find(s => s.Key == field[1]) is { } step:
                Step(step, field[2], value);
                break;
        }

        return draft;
    }

    private static void Step(StepDraft step, string what, string value)
    {
        switch (what)
        {
            case "takes":
                step.Takes = value;
                break;
            case "oven":
                step.Oven = value + ShelfWords.Of(ShelfWords.In(step.Oven));
                break;
            case "pan":
                step.Pan = value;
                break;
            case "trays"
                when int.TryParse(value, System.Globalization.CultureInfo.InvariantCulture, out var trays) && trays is >= 1 and <= 24:
                TraysAndWaves.Fill(
                    step,
                    trays,
                    Math.Min(
                        trays,
                        int.TryParse(step.Pans, System.Globalization.CultureInfo.InvariantCulture, out var together) ? together : 1
                    )
                );
                break;
        }
    }

    /// <summary>A line written anew, and what is asked of it now.</summary>
    private static void Line(RecipeDraft draft, string line, string value, IngredientKnowledge knowledge)
    {
        foreach (var part in draft.Parts)
        {
            var lines = part.Lines.Split('\n').ToList();
            var at = lines.FindIndex(l => l.Trim() == line.Trim());
            if (at < 0)
                continue;
            lines[at] = value;
            part.Lines = string.Join('\n', lines);
            draft.Questions.RemoveAll(q => q.Field == $"line/{line}");
            var known = Enum.TryParse<Dialect>(draft.Dialect, ignoreCase: true, out var dialect) ? knowledge.With(dialect) : knowledge;
            draft.Questions.AddRange(DraftQuestions.Of(LineReader.Read(value, known)));
            draft.Questions = [.. draft.Questions.OrderBy(q => q.Harm)];
            return;
        }
    }
}
