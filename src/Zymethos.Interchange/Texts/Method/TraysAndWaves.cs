using System.Globalization;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>How many trays a batch of small pieces fills, and in how many waves they go in.</summary>
internal static class TraysAndWaves
{
    /// <summary>Square centimetres of tray that a piece takes, by kind of bake (common practice, no source).</summary>
    private static readonly Dictionary<string, double> Area = new(StringComparer.Ordinal)
    {
        ["cookies"] = 45,
        ["rolledCookies"] = 32,
        ["buns"] = 65,
        ["twiceBaked"] = 24,
    };

    // What is small enough for a bite takes less, whatever its kind (common practice, no source).
    private const double BiteArea = 18;
    private static readonly string[] Bites = ["kiss", "mini", "bite", "button", "petit", "pepper nut", "drop", "tiny"];

    // Below this a bake dries more than it bakes, and all trays go in together.
    private const double DryingHeat = 125;

    // Pieces of which each has a tin of its own.
    private static readonly HashSet<string> Whole = new(StringComparer.OrdinalIgnoreCase)
    {
        "loaves",
        "small loaves",
        "large loaves",
        "cakes",
        "loaf cakes",
        "tarts",
        "pies",
    };

    /// <summary>Sets trays and waves where the yield and the words of the method give them; asks where they are a guess.</summary>
    public static void Set(RecipeDraft draft, MethodReading reading, List<QuestionDraft> questions)
    {
        var pieces = int.TryParse(draft.Pieces, CultureInfo.InvariantCulture, out var n) ? n : 0;
        var each = reading.DividedInto > 0 ? reading.DividedInto : pieces;
        foreach (var step in reading.Steps.Where(s => s.Kind == StepKind.Bake && s.Strand >= 0 && IsTray(s.Draft.Pan)))
        {
            var pans = int.TryParse(step.Draft.Pans, CultureInfo.InvariantCulture, out var p) ? p : 1;
            if (reading.IsOneByOne && pans > 1)
            {
                (step.Draft.Pans, step.Draft.Times) = ("", pans.ToString(CultureInfo.InvariantCulture));
                continue;
            }

            if (reading.IsOneByOne && each is > 1 and <= 24)
            {
                step.Draft.Times = each.ToString(CultureInfo.InvariantCulture);
                continue;
            }

            // "four logs, two to a sheet": the logs are on the sheets, and not yet the pieces that are cut of them.
            var laid =
                reading.DividedInto > 1 && reading.DividedInto < pieces && reading.PerTray <= reading.DividedInto
                    ? reading.DividedInto
                    : pieces;
            if (reading.PerTray > 0 && laid > reading.PerTray)
            {
                Fill(step.Draft, (int)Math.Ceiling(laid / (double)reading.PerTray), pans);
                continue;
            }

            // Two long logs lie on one sheet: the slices are cut of them later.
            if (draft.Kind == "twiceBaked" && laid <= 4 && step == reading.Steps.Find(s => s.Kind == StepKind.Bake))
                continue;
            if (pieces < 2 || !Area.TryGetValue(draft.Kind, out var area) || draft.PieceName is "servings" or "loaves" or "loaf")
                continue;
            if (
                draft.Kind is "cookies"
                && Array.Exists(
                    Bites,
                    b =>
                        draft.Name.Contains(b, StringComparison.OrdinalIgnoreCase)
                        || draft.PieceName.Contains(b, StringComparison.OrdinalIgnoreCase)
                )
            )
                area = BiteArea;
            // A quarter-sheet of 33 by 24 cm where the tray is not known.
            var tray = PanWords.Named(step.Draft.Pan) is { } own ? own.Length.Millimetres * own.Width.Millimetres / 100 : 33 * 24;
            var trays = (int)Math.Ceiling(pieces * area / tray);
            if (trays <= pans)
                continue;
            Fill(
                step.Draft,
                trays,
                HeatWords.Typed(step.Draft.Oven.Split(',')[0]) is { Celsius: <= DryingHeat } ? Math.Clamp(trays, pans, 3) : pans
            );
            questions.Add(
                QuestionDraft.Of(
                    QuestionAbout.Pan,
                    $"{pieces} {draft.PieceName}: on {trays} trays? That is a guess from their size.",
                    $"steps/{step.Draft.Key}/trays",
                    [
                        ($"{trays} trays", trays.ToString(CultureInfo.InvariantCulture)),
                        .. Enumerable
                            .Range(1, 4)
                            .Where(t => t != trays)
                            .Select(t => ($"{t} {(t == 1 ? "tray" : "trays")}", t.ToString(CultureInfo.InvariantCulture))),
                    ]
                )
            );
        }

        // Two loaves want two tins, unless the words name their number.
        foreach (
            var step in reading.Steps.Where(s =>
                s.Kind == StepKind.Bake
                && s.Draft.Pans.Length == 0
                && s.Draft.Times.Length == 0
                && pieces is > 1 and <= 6
                && Whole.Contains(draft.PieceName)
                && !IsTray(s.Draft.Pan)
            )
        )
            step.Draft.Pans = pieces.ToString(CultureInfo.InvariantCulture);

        var waves = reading.Steps.Select(s => s.Draft.Times).Where(t => t.Length > 0).Distinct().ToList();
        // Steps that are repeated are repeated equally often.
        if (waves.Count > 1)
        {
            foreach (var step in reading.Steps.Where(s => s.Draft.Times.Length > 0))
                step.Draft.Times = waves.MaxBy(w => int.Parse(w, CultureInfo.InvariantCulture))!;
        }
    }

    /// <summary>What must follow a tray at once, or wait for it risen, goes in waves as the trays do; a batter that must not wait has the
    /// last tray's time.</summary>
    private static void Follow(MethodReading reading)
    {
        for (var changed = true; changed; )
        {
            changed = false;
            foreach (var link in reading.Links.Where(l => l.Most.Length > 0 && l.Least.Length == 0))
            {
                var (from, to) = (reading.Steps.Find(s => s.Draft.Key == link.From), reading.Steps.Find(s => s.Draft.Key == link.To));
                if (from is null || to is null)
                    continue;
                // All trays go back together into the oven that was turned off, after the last.
                if (from.Draft.Times.Length > 0 && to is { Kind: StepKind.Cool, Draft.Oven.Length: > 0 })
                {
                    (link.Most, link.Why) = ("", "after the last of them");
                    changed = true;
                    continue;
                }

                if (from.Draft.Times.Length > 0 && to.Draft.Times.Length == 0 && to.Kind is not StepKind.Chill)
                {
                    to.Draft.Times = from.Draft.Times;
                    changed = true;
                }
                else if (to.Draft.Times.Length > 0 && from.Draft.Times.Length == 0 && from.Kind is StepKind.Proof)
                {
                    from.Draft.Times = to.Draft.Times;
                    changed = true;
                }
            }
        }

        // Work that takes a while for all pieces takes its share for each tray.
        foreach (var step in reading.Steps.Where(s => s.IsHands && s.Draft.Times.Length > 0))
            step.IsByWave = true;
        foreach (var link in reading.Links.Where(l => l.Most.Length > 0))
        {
            var (from, to) = (reading.Steps.Find(s => s.Draft.Key == link.From), reading.Steps.Find(s => s.Draft.Key == link.To));
            if (
                from is not { IsHands: true }
                || to is not { Kind: StepKind.Bake }
                || to.Draft.Times.Length == 0
                || from.Draft.Times.Length > 0
            )
                continue;
            // The last tray waits for those before it.
            var waves = int.Parse(to.Draft.Times, CultureInfo.InvariantCulture) - 1;
            var bake = TimeText.Exact(to.Draft.Takes) is { } takes ? (int)takes.High.TotalMinutes : 20;
            link.Most = TimeText.Say((TimeText.Single(link.Most) ?? 20) + (waves * (bake + 12)));
            link.Why = $"{link.Why}, the last tray too".TrimStart(',', ' ');
        }
    }

    /// <summary>Ties what follows trays to them; called when the links are complete.</summary>
    public static void Tie(MethodReading reading) => Follow(reading);

    /// <summary>Spreads trays over waves of as many as go in together.</summary>
    public static void Fill(StepDraft step, int trays, int together)
    {
        var waves = Math.Clamp((int)Math.Ceiling(trays / (double)together), 1, 24);
        step.Pans = together > 1 ? together.ToString(CultureInfo.InvariantCulture) : "";
        step.Times = waves > 1 ? waves.ToString(CultureInfo.InvariantCulture) : "";
    }

    private static bool IsTray(string pan) =>
        pan.Contains("tray", StringComparison.OrdinalIgnoreCase) || pan.Contains("sheet", StringComparison.OrdinalIgnoreCase);
}
