using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Lines;
using Zymethos.Interchange.Texts.Method;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts;

/// <summary>What is left to ask of a text that was read, each with answers that take one touch.</summary>
internal static partial class DraftQuestions
{
    /// <summary>Adds the questions.</summary>
    public static void Add(
        RecipeDraft draft,
        MethodReading reading,
        RecipeRows rows,
        IReadOnlyList<ReadLine> lines,
        IReadOnlyList<Pan> pans,
        List<QuestionDraft> questions
    )
    {
        if (draft.Parts.Count == 0)
            questions.Add(QuestionDraft.Of(QuestionAbout.Allergen, "No ingredients were found in this, so nobody can say what is in it."));
        if (reading.Steps.Count == 0)
            questions.Add(QuestionDraft.Of(QuestionAbout.Time, "No method was found in this: add the steps."));
        if (draft.Pieces.Length == 0)
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Yield,
                    "How many does it make?",
                    "pieces",
                    ("1 cake", "1"),
                    ("1 loaf", "1"),
                    ("12", "12"),
                    ("24", "24"),
                    ("36", "36")
                )
            );
        // A label that may name what is in the recipe anyway changes nothing for anybody.
        var certain = lines
            .Where(l => !l.Traits.HasFlag(LineTraits.Optional) && l.Alternatives.Length == 0)
            .SelectMany(l => l.Ingredient?.Allergens ?? [])
            .ToHashSet();
        foreach (var line in lines)
            Line(line, questions, certain);
        foreach (var step in reading.Steps.Where(s => s.Kind == StepKind.Bake && s.Strand >= 0))
            Bake(draft, step, pans, questions);
        foreach (var keeping in draft.Keeping.Where(k => k.After == "?"))
        {
            keeping.After = "";
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Keeping,
                    "It freezes: for how long is it good? 60 days is a guess.",
                    "keeping/freezer",
                    ("1 month", "30"),
                    ("2 months", "60"),
                    ("3 months", "90")
                )
            );
        }

        foreach (var ask in reading.Asks)
            questions.Add(QuestionDraft.Of(QuestionAbout.Time, ask));
        if (HeatIsBare(reading, draft))
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Heat,
                    $"The heat has no unit. By the other words it is {(draft.Dialect is "american" ? "Fahrenheit" : "Celsius")}.",
                    "dialect",
                    ("Fahrenheit, American words", "american"),
                    ("Celsius, British words", "british"),
                    ("Celsius, Continental words", "metric")
                )
            );
        foreach (var sentence in reading.Sentences.Where(s => Again().IsMatch(s.Text)))
            questions.Add(
                QuestionDraft.Of(QuestionAbout.Time, $"“{Clip(sentence.Text)}” Is that a second one to bake, after the first or beside it?")
            );
    }

    /// <summary>What is asked of one line.</summary>
    public static IEnumerable<QuestionDraft> Of(ReadLine line)
    {
        var questions = new List<QuestionDraft>();
        Line(line, questions, []);
        return questions;
    }

    private static void Line(ReadLine line, List<QuestionDraft> questions, HashSet<Allergen> certain)
    {
        if (line.Traits.HasFlag(LineTraits.Heading))
            return;
        foreach (var doubt in line.Doubts)
        {
            var about =
                line.Ingredient is null
                || doubt.StartsWith("I know ", StringComparison.Ordinal)
                || doubt.Contains("speaks of", StringComparison.Ordinal)
                || doubt.StartsWith("A claim", StringComparison.Ordinal)
                || doubt.StartsWith("I took", StringComparison.Ordinal)
                    ? QuestionAbout.Allergen
                    : QuestionAbout.Weight;
            questions.Add(
                QuestionDraft.Of(
                    about,
                    doubt.Contains(line.Text, StringComparison.Ordinal) ? doubt : $"“{line.Text}”: {doubt}",
                    $"line/{line.Text}"
                )
            );
        }

        if (line.Ingredient is { } known && !known.OnLabels.IsEmpty)
        {
            var open = known.OnLabels.Except(known.Allergens).Except(certain).Select(AllergenNames.Of).ToList();
            if (open.Count > 0)
                questions.Add(
                    QuestionDraft.Of(
                        QuestionAbout.Allergen,
                        $"{char.ToUpperInvariant(known.Name[0])}{known.Name[1..]}: some brands name {string.Join(", ", open)} on the "
                            + "label. Check yours."
                    )
                );
        }
    }

    private static void Bake(RecipeDraft draft, MethodStep step, IReadOnlyList<Pan> pans, List<QuestionDraft> questions)
    {
        var title = step.Draft.Title;
        if (step.Draft.Oven.Length == 0 || step.IsHeatGuessed)
        {
            var said = Named().Match(step.Low) is { Success: true } word
                ? $"“{word.Value}” is read as {step.Draft.Oven}"
                : "nobody says how hot";
            var fahrenheit = draft.Dialect == "american";
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Heat,
                    $"At what heat: “{title}”? {char.ToUpperInvariant(said[0])}{said[1..]}.",
                    $"steps/{step.Draft.Key}/oven",
                    [
                        .. (fahrenheit ? new[] { "325 F", "350 F", "375 F", "400 F" } : ["150 C", "160 C", "180 C", "200 C"]).Select(h =>
                            (h, h)
                        ),
                    ]
                )
            );
        }

        if (step.IsPanGuessed)
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Pan,
                    $"In which pan: “{title}”? {step.Draft.Pan} is a guess.",
                    $"steps/{step.Draft.Key}/pan",
                    [.. pans.DistinctBy(p => p.Shape).Take(6).Select(p => (p.Name, p.Name))]
                )
            );
    }

    private static bool HeatIsBare(MethodReading reading, RecipeDraft draft)
    {
        var dialect = Enum.TryParse<Dialect>(draft.Dialect, ignoreCase: true, out var known) ? known : Dialect.American;
        return reading.Sentences.Any(s =>
            HeatWords
                .In(s.Text.ToLowerInvariant(), dialect)
                .Any(h => h.IsBare && h.Text.EndsWith('F') && int.Parse(h.Text.Split(' ')[0], CultureInfo.InvariantCulture) <= 260)
        );
    }

    private static string Clip(string text) => text.Length <= 120 ? text : $"{text[..117]}...";

    [GeneratedRegex(
        @"\b(?:make|bake|repeat)\b[^.]*\b(?:second|another|again)\b[^.]*\b(?:same way|sponge|cake|batch|layer)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Again();

    [GeneratedRegex(@"\b(?:very |moderately |fairly )?(?:cool|slow|warm|moderate|medium|hot|quick) oven\b", RegexOptions.None, 900)]
    private static partial Regex Named();
}
