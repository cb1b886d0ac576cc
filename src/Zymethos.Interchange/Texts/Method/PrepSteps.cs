using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Words in a line that are work or a wait before the first mix ("softened", "toasted") become steps with their lead time. Times
/// are common practice, no source.</summary>
internal static class PrepSteps
{
    private static readonly string[] Nuts =
    [
        "almonds",
        "walnuts",
        "hazelnuts",
        "pecans",
        "macadamia nuts",
        "cashews",
        "pistachios",
        "mixed nuts",
        "peanuts",
        "sesame seed",
        "pine nuts",
    ];

    /// <summary>Adds the steps and ties each to the first step that uses its ingredient.</summary>
    public static void Add(RecipeDraft draft, MethodReading reading, IReadOnlyList<ReadLine> lines, IReadOnlyList<Pan> pans)
    {
        if (reading.Steps.Count == 0)
            return;
        var soft = lines.Where(l => l.Ingredient is not null && IsSoft(l)).Select(l => l.Ingredient!.Name).Distinct().ToList();
        if (soft.Count > 0)
            Insert(
                draft,
                reading,
                $"Take out {Said(soft)} to come to room temperature",
                StepKind.Rest,
                "45/60/120 min",
                soft,
                null,
                CautionFor(soft)
            );
        foreach (var line in lines.Where(l => l.Ingredient is not null && l.Forms.Contains("toasted") && Nuts.Contains(l.Ingredient.Name)))
        {
            if (reading.Steps.Exists(s => s.Low.Contains("toast", StringComparison.Ordinal)))
                continue;
            Insert(
                draft,
                reading,
                $"Toast the {line.Ingredient!.Name}",
                StepKind.Bake,
                "8-10 min",
                [line.Ingredient.Name],
                pans.FirstOrDefault(p => p.Shape == PanShape.Tray),
                CautionKind.SharedNuts
            );
        }
    }

    private static bool IsSoft(ReadLine line) =>
        line.Ingredient!.Name is "butter" or "salted butter" or "margarine" or "cream cheese" or "egg" or "egg yolk" or "egg white"
        && (line.Forms.Any(f => f is "softened" or "soft") || line.Text.Contains("room temp", StringComparison.OrdinalIgnoreCase));

    private static CautionKind? CautionFor(List<string> names) =>
        names.Exists(n => n is "cream cheese" || n.StartsWith("egg", StringComparison.Ordinal)) ? CautionKind.TimeAndTemperature : null;

    private static void Insert(
        RecipeDraft draft,
        MethodReading reading,
        string title,
        StepKind kind,
        string takes,
        List<string> names,
        Pan? pan,
        CautionKind? caution
    )
    {
        // Not for what is melted or cold on purpose, and not after the oven.
        var user =
            reading
                .Steps.TakeWhile(s => s.Kind != StepKind.Bake)
                .FirstOrDefault(s =>
                    names.Exists(n =>
                        n.Split(' ')[^1].TrimEnd('s') is var noun
                        && s.Low.Contains(noun, StringComparison.Ordinal)
                        && !s.Low.Contains($"melted {noun}", StringComparison.Ordinal)
                        && !s.Low.Contains($"cold {noun}", StringComparison.Ordinal)
                    )
                )
            ?? reading.Steps.Find(s => s.IsHands)
            ?? reading.Steps[0];
        var key = DraftReader.KeyOf(title);
        if (reading.Steps.Exists(s => s.Draft.Key == key))
            return;
        var step = new MethodStep
        {
            Draft = new StepDraft
            {
                Key = key,
                Title = title,
                Kind = DocumentWords.Of(kind),
                Takes = takes,
                Instruction = kind == StepKind.Bake ? "On a dry tray, until they smell. Turn them once." : "As its line asks.",
                Oven = kind == StepKind.Bake ? "175 C" : "",
                Pan = pan?.Name ?? "",
            },
            Kind = kind,
            Strand = -1,
            Low = "",
            Time = new TimePhrase(1, 1, 0, 0),
        };
        if (caution is { } beware)
            step.Draft.Cautions.Add(DocumentWords.Of(beware));
        reading.Steps.Insert(reading.Steps.IndexOf(user), step);
        reading.Links.Add(
            new LinkDraft
            {
                From = key,
                To = user.Draft.Key,
                Most = caution == CautionKind.TimeAndTemperature ? "60 min" : "",
                Why = caution == CautionKind.TimeAndTemperature ? "egg and soft cheese stay out two hours at most" : "",
            }
        );
        draft.Sentences.Add(
            new SentenceDraft
            {
                Text = title,
                Became = "prep",
                Steps = [key],
            }
        );
    }

    private static string Said(List<string> names) =>
        names.Count == 1 ? $"the {names[0]}" : $"the {string.Join(", ", names.Take(names.Count - 1))} and {names[^1]}";
}
