using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Gives every step whose words give no time a usual one, and asks where a wrong guess would matter.</summary>
internal static partial class GuessedTimes
{
    /// <summary>Fills in.</summary>
    public static void Fill(RecipeDraft draft, MethodReading reading, List<QuestionDraft> questions)
    {
        var pieces = int.TryParse(draft.Pieces, CultureInfo.InvariantCulture, out var n) ? n : 0;
        if (reading.DividedInto > pieces)
            pieces = reading.DividedInto;
        foreach (var step in reading.Steps.Where(s => s.Draft.Takes.Length == 0))
        {
            if (step.IsHands)
            {
                var waves = step.IsByWave ? int.Parse(step.Draft.Times, CultureInfo.InvariantCulture) : 1;
                var minutes = Math.Max(1, (int)Math.Round(HandsTime.Of(step.Low, pieces) / (double)waves));
                step.Draft.Takes = TimeText.Say(
                    DurationEstimate.Minutes(
                        Math.Max(1, (int)(minutes * 0.8)),
                        minutes,
                        Math.Max(minutes + 1, (int)Math.Ceiling(minutes * 1.3))
                    )
                );
                var name = draft.Pieces == pieces.ToString(CultureInfo.InvariantCulture) ? draft.PieceName : "pieces";
                if (minutes > HandsTime.Longest)
                    questions.Add(
                        Ask(
                            step,
                            $"“{step.Draft.Title}” for {pieces} {name}: about {minutes} min of hands?",
                            minutes / 2,
                            minutes,
                            minutes * 3 / 2
                        )
                    );
                continue;
            }

            var (low, high) = Usual(step);
            step.Draft.Takes = TimeText.Say(DurationEstimate.Minutes(low, (low + high) / 2, high));
            questions.Add(
                Ask(step, $"How long does “{step.Draft.Title}” take? {Said(low, high)} is a guess.", low, (low + high) / 2, high * 3 / 2)
            );
        }

        foreach (var step in reading.Steps.Where(s => s.IsHands && s.Time is { Low: > HandsTime.Longest }))
            questions.Add(
                Ask(step, $"“{step.Draft.Title}” keeps hands busy for {step.Draft.Takes}. Is it work all the time?", 5, 15, step.Time!.Low)
            );
    }

    [GeneratedRegex(
        @"\b(?:while|until|whilst|as) (?:the |your )?oven (?:heats|is heating|comes|warms|gets|preheats|is hot|is ready|reaches)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex WhileHeating();

    private static QuestionDraft Ask(MethodStep step, string text, params int[] minutes) =>
        QuestionDraft.Of(
            QuestionAbout.Time,
            text,
            $"steps/{step.Draft.Key}/takes",
            [.. minutes.Select(m => Math.Max(1, Round(m))).Distinct().Select(m => (TimeText.Say(m), TimeText.Say(m)))]
        );

    private static int Round(int minutes) => minutes > 20 ? (int)Math.Round(minutes / 5.0) * 5 : minutes;

    private static string Said(int low, int high) =>
        high >= 2880 ? $"{low / 1440} to {high / 1440} days"
        : high >= 240 ? $"{low / 60} to {high / 60} h"
        : low == high ? $"{low} min"
        : $"{low} to {high} min";

    /// <summary>Usual minutes of a wait or a bake (common practice, no source).</summary>
    private static (int Low, int High) Usual(MethodStep step) =>
        step.Kind switch
        {
            StepKind.Bake => (25, 35),
            // An oven comes to heat in a quarter of an hour or a little more (common practice, no source).
            StepKind.Chill or StepKind.Rest or StepKind.Proof when WhileHeating().IsMatch(step.Low) => (15, 25),
            StepKind.BulkRise => (60, 90),
            StepKind.Proof => (40, 60),
            StepKind.Cool
                when step.Low.Contains("slightly", StringComparison.Ordinal)
                    || step.Low.Contains("a little", StringComparison.Ordinal)
                    || step.Low.Contains("a bit", StringComparison.Ordinal)
                    || step.Low.Contains("lukewarm", StringComparison.Ordinal) => (10, 20),
            StepKind.Cool => (60, 120),
            StepKind.Chill => (60, 60),
            StepKind.Soak => (30, 60),
            StepKind.Mature => (7 * 1440, 7 * 1440),
            StepKind.Thaw => (180, 300),
            StepKind.Freeze => (60, 120),
            _ => (20, 30),
        };
}
