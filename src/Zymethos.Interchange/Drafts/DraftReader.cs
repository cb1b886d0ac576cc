using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Drafts;

/// <summary>What a draft amounts to.</summary>
/// <param name="Recipe">The recipe as far as it could be read; it may be used only when <paramref name="Faults"/> is empty.</param>
/// <param name="Faults">What is wrong, each at its field: "steps[2].takes".</param>
/// <param name="Missing">What keeps it from being planned, though it may be kept; empty when it can be.</param>
/// <param name="Readings">How every line of every part was read.</param>
public sealed record DraftResult(
    Recipe Recipe,
    IReadOnlyList<Fault> Faults,
    IReadOnlyList<string> Missing,
    IReadOnlyList<IReadOnlyList<ReadLine>> Readings
);

/// <summary>Reads a draft: fields as typed become a recipe, and what is wrong is said at the field.</summary>
public sealed partial class DraftReader
{
    private readonly List<Fault> _faults = [];
    private readonly IngredientKnowledge _knowledge;
    private readonly Dictionary<string, Pan> _pans = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<string, IngredientLine> _linesBefore = new(StringComparer.Ordinal);

    private DraftReader(IngredientKnowledge knowledge, IEnumerable<Pan> pans, Recipe? before)
    {
        _knowledge = knowledge;
        foreach (
            var pan in (before?.Steps ?? [])
                .SelectMany(s => s.Modes.Select(m => m.Oven).Append(s.Oven))
                .OfType<OvenUse>()
                .SelectMany(u => u.Sheet is { } sheet ? [u.Pan, sheet] : new[] { u.Pan })
                .Concat(pans)
        )
            _pans.TryAdd(pan.Name, pan);
        // A line that was not touched stays what it was, with the weight its writer gave it.
        foreach (var line in (before?.Parts ?? []).SelectMany(p => p.Lines))
            _linesBefore.TryAdd(LineOfRecipe.Say(line), line);
    }

    /// <summary>Longest text of one field, in characters.</summary>
    public const int LongestText = 8000;

    /// <summary>Reads a draft.</summary>
    /// <param name="draft">As typed.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    /// <param name="pans">Pans that may be named.</param>
    /// <param name="before">The recipe that is edited; null for a new one.</param>
    public static DraftResult Read(RecipeDraft draft, IngredientKnowledge knowledge, IEnumerable<Pan> pans, Recipe? before = null) =>
        new DraftReader(knowledge, pans, before).Read(draft, before);

    private DraftResult Read(RecipeDraft draft, Recipe? before)
    {
        if (draft.FlourHabit.Length > 0 && Choice<FlourHabit>(draft.FlourHabit) is null)
            Wrong("flourHabit", "Choose how the writer filled a cup of flour.");
        var knowledge = Choice<FlourHabit>(draft.FlourHabit) is { } habit ? _knowledge.With(habit) : _knowledge;
        var dialect = Choice<Dialect>(draft.Dialect) ?? before?.Dialect;
        if (dialect is { } spoken)
            knowledge = knowledge.With(spoken);
        var readings = new List<IReadOnlyList<ReadLine>>();
        var parts = draft.Parts.Take(20).Select((p, i) => ReadPart(p, i, knowledge, readings)).ToImmutableArray();
        var keys = KeysOf(draft.Steps);
        var steps = draft.Steps.Take(60).Select((s, i) => ReadStep(s, keys[i], $"steps[{i}]")).ToImmutableArray();
        var recipe = new Recipe(
            draft.Key.Length > 0 ? draft.Key : KeyOf(draft.Name),
            draft.Name.Trim(),
            draft.Summary.Trim(),
            new Yield(Whole(draft.Pieces, "pieces", 1, 1, 10_000), draft.PieceName.Trim().Length > 0 ? draft.PieceName.Trim() : "pieces"),
            parts,
            steps,
            [.. draft.Links.Take(400).Select((l, i) => ReadLink(l, keys, $"links[{i}]")).OfType<Link>()],
            [.. draft.Keeping.Select((k, i) => ReadKeeping(k, keys, $"keeping[{i}]")).OfType<KeepingPlace>()]
        )
        {
            Kind = Choice<RecipeKind>(draft.Kind) ?? RecipeKind.Other,
            Choices = [.. draft.Choices.Select((c, i) => ReadChoice(c, $"choices[{i}]"))],
            Finishes = [.. Lines(draft.Finishes).Take(Finish.Most + 1).Select(l => ReadFinish(l, parts)).OfType<Finish>()],
            Swaps = before?.Swaps ?? [],
            FlourHabit = Choice<FlourHabit>(draft.FlourHabit),
            Dialect = dialect,
            Questions =
            [
                .. draft
                    .Questions.Where(q => q.Text.Trim().Length > 0)
                    .OrderBy(q => q.Harm)
                    .Take(OpenQuestion.Most)
                    .Select(q => new OpenQuestion(
                        (QuestionAbout)q.Harm,
                        q.Text.Trim() is { Length: > OpenQuestion.Longest } text ? $"{text[..(OpenQuestion.Longest - 2)]} …" : q.Text.Trim()
                    )),
            ],
            DividedInto = Whole(draft.DividedInto, "dividedInto", 0, 0, 1000),
            DivisionName = draft.DivisionName.Trim(),
        };
        if (recipe.Name.Length is 0 or > 120)
            Wrong("name", "Give the recipe a name of up to 120 characters.");
        if (recipe.Summary.Length > LongestText)
            Wrong("summary", $"At most {LongestText} characters.");
        return new DraftResult(recipe, [.. _faults], RecipeCheck.Missing(recipe), readings);
    }

    /// <summary>A key of lower-case words joined by hyphens; "recipe" when nothing of the name can be used.</summary>
    public static string KeyOf(string name)
    {
        var key = new StringBuilder();
        foreach (var c in name)
        {
            if (char.IsAsciiLetterOrDigit(c))
                key.Append(char.ToLowerInvariant(c));
            else if (key.Length > 0 && key[^1] != '-')
                key.Append('-');
            if (key.Length >= 60)
                break;
        }

        var made = key.ToString().Trim('-');
        return made.Length > 0 ? made : "recipe";
    }

    /// <summary>Keys of a draft's steps: their own, or made from the title, each once.</summary>
    public static IReadOnlyList<string> KeysOf(IReadOnlyList<StepDraft> steps)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var step in steps.Where(s => s.Key.Length > 0))
            taken.Add(step.Key);
        var keys = new List<string>();
        foreach (var step in steps)
        {
            if (step.Key.Length > 0)
            {
                keys.Add(step.Key);
                continue;
            }

            var key = KeyOf(step.Title);
            for (var n = 2; !taken.Add(key); n++)
                key = $"{KeyOf(step.Title)}-{n}";
            keys.Add(key);
        }

        return keys;
    }

    private Part ReadPart(PartDraft draft, int index, IngredientKnowledge knowledge, List<IReadOnlyList<ReadLine>> readings)
    {
        var lines = ImmutableArray.CreateBuilder<IngredientLine>();
        var read = new List<ReadLine>();
        if (draft.Lines.Length > LongestText * 2)
            Wrong($"parts[{index}].lines", $"At most {LongestText * 2} characters in a part.");
        foreach (
            var text in draft
                .Lines.Split('\n')
                .Take(200)
                .Where(t => !string.IsNullOrWhiteSpace(t))
                .SelectMany(t => _linesBefore.ContainsKey(t.Trim()) || t.TrimEnd().EndsWith(']') ? [t] : LineSplitter.Split(t, knowledge))
        )
        {
            var (line, reading) = LineOfRecipe.Of(text, knowledge);
            read.Add(reading);
            if (_linesBefore.TryGetValue(text.Trim(), out var before))
                lines.Add(before);
            else if (line is not null)
                lines.Add(line);
        }

        readings.Add(read);
        return new Part(
            draft.Name.Trim().Length > 0 ? draft.Name.Trim() : "Dough",
            Choice<PartKind>(draft.Kind) ?? PartKind.Dough,
            lines.ToImmutable()
        );
    }

    private Step ReadStep(StepDraft draft, string key, string at)
    {
        var kind = Choice<StepKind>(draft.Kind) ?? StepKind.Work;
        if (draft.Title.Trim().Length is 0 or > 120)
            Wrong($"{at}.title", "Give the step a title of up to 120 characters.");
        var takes = TimeText.Exact(draft.Takes);
        if (takes is null || !takes.IsOrdered)
            Wrong(
                $"{at}.takes",
                draft.Takes.Trim().Length == 0
                    ? "How long does it take?"
                    : $"“{draft.Takes.Trim()}” is not a time. Write 10 min, 45-50 min, 8 h or overnight."
            );
        return new Step(
            key,
            draft.Title.Trim(),
            draft.Instruction.Trim(),
            kind,
            takes is { IsOrdered: true } ? takes : DurationEstimate.Minutes(1, 1, 1),
            Whole(draft.Hands, $"{at}.hands", kind is StepKind.Work or StepKind.Mix ? 1 : 0, 0, 4),
            OnSheet(ReadOven(draft.Oven, draft.Pan, draft.Pans, kind, at), draft.Sheet, at),
            Whole(draft.Times, $"{at}.times", 1, 1, 24),
            [.. Lines(draft.Done).Select(t => new DoneTest(t))],
            [.. draft.Cautions.Select(Choice<CautionKind>).OfType<CautionKind>().Distinct()]
        )
        {
            Modes = [.. Lines(draft.Modes).Select(l => ReadMode(l, at)).OfType<StepMode>()],
            Touches = [.. Lines(draft.Touches).Select(l => ReadTouch(l, at)).OfType<BakeTouch>()],
            When = When(draft.When, at),
        };
    }

    private OvenUse? ReadOven(string heat, string panName, string pans, StepKind kind, string at)
    {
        if (heat.Trim().Length == 0)
        {
            if (kind == StepKind.Bake)
                Wrong($"{at}.oven", "At what heat does it bake? Write 180 C or 350 F.");
            return null;
        }

        // "off from 150 C": what cools in the oven that was turned off after its bake.
        var off = kind == StepKind.Cool && heat.TrimStart().StartsWith("off", StringComparison.OrdinalIgnoreCase);
        if (off)
            heat = OffFrom().Replace(heat, "");
        // "180 C, middle shelf", "170 C fan", "gas 4", "350": the heat, and where it wants to stand.
        var typed = heat.Split(',')[0].Trim();
        var plain = Degrees().Match(typed);
        double? celsius = plain.Success ? PlainCelsius(plain) : HeatWords.Typed(typed)?.Celsius;
        if (celsius is not { } degrees)
        {
            Wrong($"{at}.oven", $"“{heat.Trim()}” is not a heat. Write 180 C, 350 F, 160 C fan or gas 4.");
            return null;
        }

        var temperature = Temperature.FromCelsius(degrees);
        if (temperature.Celsius is < 20 or > 350)
            Wrong($"{at}.oven", $"{temperature} is outside what a kitchen oven does.");
        return new OvenUse(
            off ? OvenState.Off
                : kind == StepKind.Bake ? OvenState.Bake
                : OvenState.Proof,
            temperature,
            ReadPan(panName, at),
            Whole(pans, $"{at}.pans", 1, 1, 24)
        )
        {
            Shelf = ShelfWords.In(heat),
            Tolerance = GiveOrTake(heat),
        };
    }

    /// <summary>"± 10 C" after a heat; null where nothing is said.</summary>
    private static double? GiveOrTake(string heat)
    {
        var match = Give().Match(heat);
        if (!match.Success)
            return null;
        var degrees = double.Parse(match.Groups["n"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
        return match.Groups["u"].Value.StartsWith("f", StringComparison.OrdinalIgnoreCase) ? degrees * 5 / 9 : degrees;
    }

    private static double PlainCelsius(Match match)
    {
        var degrees = double.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture);
        // What no kitchen oven reaches in Celsius is Fahrenheit.
        return
            match.Groups["u"].Value.StartsWith("f", StringComparison.OrdinalIgnoreCase) || (match.Groups["u"].Length == 0 && degrees > 260)
            ? Temperature.FromFahrenheit(degrees).Celsius
            : degrees;
    }

    private OvenUse? OnSheet(OvenUse? use, string sheet, string at)
    {
        if (use is null || sheet.Trim().Length == 0)
            return use;
        var on = ReadPan(sheet, at, "sheet");
        if (on.Shape != PanShape.Tray)
            Wrong($"{at}.sheet", $"Pans travel on a flat tray, and “{on.Name}” is none.");
        else if (OvenUse.OnSheet(on, use.Pan) == 0)
            Wrong($"{at}.sheet", $"{use.Pan.Name} does not stand on {on.Name}. Choose a larger tray, or leave it empty.");
        return use with { Sheet = on };
    }

    private Pan ReadPan(string name, string at, string field = "pan")
    {
        name = name.Trim();
        if (_pans.TryGetValue(name, out var pan))
            return pan;
        if (PanWords.Named(name) is { } sized)
            return sized;
        Wrong(
            $"{at}.{field}",
            name.Length == 0
                ? "In which pan, or on which tray?"
                : $"“{name}” is not among the pans. Choose one, or give its size: tray 40 × 30 cm."
        );
        return _pans.Values.FirstOrDefault(p => p.Shape == PanShape.Tray)
            ?? new Pan("tray", Length.FromMillimetres(330), Length.FromMillimetres(240));
    }

    private StepMode? ReadMode(string line, string at)
    {
        var match = ModeLine().Match(line);
        var kind = match.Success ? Choice<StepKind>(match.Groups["kind"].Value) : null;
        var takes = match.Success ? TimeText.Exact(match.Groups["takes"].Value) : null;
        if (kind is null || takes is null)
        {
            Wrong($"{at}.modes", $"“{line}” is not a way. Write it like: refrigerator overnight: chill, 8-14 h");
            return null;
        }

        var oven = match.Groups["heat"].Success
            ? ReadOven(match.Groups["heat"].Value, match.Groups["pan"].Value, match.Groups["pans"].Value, kind.Value, at)
            : null;
        return new StepMode(match.Groups["name"].Value.Trim(), kind.Value, takes, oven);
    }

    private BakeTouch? ReadTouch(string line, string at)
    {
        var match = TouchLine().Match(line);
        if (
            match.Success
            && Choice<TouchKind>(match.Groups["kind"].Value) is { } kind
            && double.TryParse(match.Groups["at"].Value.Replace(',', '.'), CultureInfo.InvariantCulture, out var percent)
            && percent is > 0 and < 100
        )
        {
            return new BakeTouch(kind, percent / 100, match.Groups["title"].Value.Trim());
        }

        Wrong($"{at}.touches", $"“{line}” is not understood. Write it like: turn 50 %: turn the tray round");
        return null;
    }

    private Link? ReadLink(LinkDraft draft, IReadOnlyList<string> keys, string at)
    {
        if (draft.From.Length == 0 && draft.To.Length == 0)
            return null;
        if (!keys.Contains(draft.From))
            Wrong($"{at}.from", "Choose the step that comes first.");
        if (!keys.Contains(draft.To))
            Wrong($"{at}.to", "Choose the step that follows.");
        if (draft.From == draft.To)
            Wrong($"{at}.to", "A step cannot follow itself.");
        return new Link(
            draft.From,
            draft.To,
            Lag(draft.Least, $"{at}.least") ?? Duration.Zero,
            Lag(draft.Most, $"{at}.most"),
            draft.Soft ? WindowKind.Soft : WindowKind.Hard,
            draft.Why.Trim()
        )
        {
            When = When(draft.When, at),
        };
    }

    private Duration? Lag(string text, string at)
    {
        if (text.Trim().Length == 0)
            return null;
        if (text.Trim() is "0" or "0 min" or "at once")
            return Duration.Zero;
        if (TimeText.Single(text) is { } minutes)
            return Duration.FromMinutes(minutes);
        Wrong(at, $"“{text.Trim()}” is not a time. Write 10 min, 2 h or 1 d.");
        return null;
    }

    private Choice ReadChoice(ChoiceDraft draft, string at)
    {
        var options = Lines(draft.Options)
            .Select(l => l.Split(':', 3, StringSplitOptions.TrimEntries))
            .Where(p => p.Length >= 2 && p[0].Length > 0)
            .Select(p => new ChoiceOption(KeyOf(p[0]), p[1], p.Length > 2 ? p[2] : ""))
            .ToImmutableArray();
        if (options.Length < 2)
            Wrong($"{at}.options", "Give at least two ways, a line each: tea: Ten minutes in hot tea: no alcohol");
        if (draft.Question.Trim().Length == 0)
            Wrong($"{at}.question", "What is asked?");
        return new Choice(
            KeyOf(draft.Key.Length > 0 ? draft.Key : draft.Question),
            draft.Question.Trim(),
            options,
            options.Any(o => o.Key == draft.Chosen) ? draft.Chosen : options.FirstOrDefault()?.Key ?? ""
        );
    }

    [GeneratedRegex(@"^\s*off,?(?: from)?\s*", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OffFrom();

    private Finish? ReadFinish(string line, IReadOnlyList<Part> parts)
    {
        var finish = FinishText.Read(line, parts);
        if (finish is null || finish.Pieces < 1 || finish.Name.Length > Finish.LongestName)
            Wrong("finishes", $"“{line}”: write how many, how, and what only these hold: 12 with chocolate: dark chocolate");
        return finish;
    }

    private KeepingPlace? ReadKeeping(KeepingDraft draft, IReadOnlyList<string> keys, string at)
    {
        if (draft.Place.Trim().Length == 0 && draft.Days.Trim().Length == 0)
            return null;
        if (draft.Place.Trim().Length is 0 or > 120)
            Wrong($"{at}.place", "Where is it kept, and how wrapped?");
        var days = Whole(draft.Days, $"{at}.days", 0, 1, 3650);
        if (days == 0)
            Wrong($"{at}.days", "For how many days?");
        if (draft.After.Length > 0 && !keys.Contains(draft.After))
            Wrong($"{at}.after", "Choose a step of this recipe, or none.");
        double? thaw = null;
        if (draft.Thaw.Trim().Length > 0)
        {
            if (
                double.TryParse(
                    draft.Thaw.Trim().Replace(',', '.'),
                    NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture,
                    out var hours
                )
                && hours <= 240
            )
                thaw = hours;
            else
                Wrong($"{at}.thaw", "Hours to thaw, as a number.");
        }

        return new KeepingPlace(draft.Place.Trim(), Math.Max(1, days))
        {
            BestFromDays = Math.Min(Whole(draft.BestFrom, $"{at}.bestFrom", 0, 0, 3650), Math.Max(1, days)),
            ThawHours = thaw,
            Part = draft.Part.Trim(),
            After = draft.After,
        };
    }

    private Condition? When(string text, string at)
    {
        if (text.Trim().Length == 0)
            return null;
        var when = Condition.Parse(text.Trim());
        if (when is null)
            Wrong($"{at}.when", "Write the choice like soak=tea.");
        return when;
    }

    private int Whole(string text, string at, int otherwise, int least, int most)
    {
        if (text.Trim().Length == 0)
            return otherwise;
        if (int.TryParse(text.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var value) && value >= least && value <= most)
            return value;
        Wrong(at, $"A whole number from {least} to {most}.");
        return otherwise;
    }

    private static IEnumerable<string> Lines(string text) =>
        text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(12);

    private static T? Choice<T>(string word)
        where T : struct, Enum
    {
        foreach (var value in Enum.GetValues<T>())
        {
            if (string.Equals(DocumentWords.Of(value), word.Trim(), StringComparison.OrdinalIgnoreCase))
                return value;
        }

        return null;
    }

    private void Wrong(string path, string message) => _faults.Add(new Fault(path, message));

    [GeneratedRegex(@"^(?<n>\d{2,3})\s*°?\s*(?<u>c|f|celsius|fahrenheit)?\.?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Degrees();

    [GeneratedRegex(
        @"^(?<name>[^:]{1,80}):\s*(?<kind>[A-Za-z]+),\s*(?<takes>[^;]{1,60})(?:;\s*(?<heat>\d+\s*[CF]?)\s*,\s*(?<pans>\d+)"
            + @"\s*[x×]\s*(?<pan>.{1,60}))?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex ModeLine();

    [GeneratedRegex(@"(?:±|\+/-|give or take)\s*(?<n>\d{1,2}(?:[.,]\d)?)\s*°?\s*(?<u>[CF])?\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Give();

    [GeneratedRegex(@"^(?<kind>[A-Za-z]+)\s+(?:at\s+)?(?<at>\d+(?:[.,]\d+)?)\s*%\s*:?\s*(?<title>.{0,120})$", RegexOptions.None, 900)]
    private static partial Regex TouchLine();
}
