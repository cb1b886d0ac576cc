using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Corpus;

/// <summary>What became of a recipe of the corpus, held against what was expected of it.</summary>
internal sealed partial class CorpusReading
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];
    private readonly RecipeDraft _draft;
    private readonly Recipe _recipe;
    private readonly IReadOnlyList<string> _missing;
    private readonly HashSet<string> _used = new(StringComparer.Ordinal);
    private readonly List<IngredientLine> _lines;
    private int _line;

    public CorpusReading(string text)
    {
        var read = PageReader.Read(text, IngredientKnowledge.Shipped, Pans);
        _draft = read.Drafts.Count > 0 ? read.Drafts[0] : new RecipeDraft();
        var result = DraftReader.Read(_draft, IngredientKnowledge.Shipped, Pans);
        _recipe = result.Recipe;
        _missing = [.. result.Faults.Select(f => f.Message), .. result.Missing];
        _lines = [.. _recipe.Parts.SelectMany(p => p.Lines)];
    }

    /// <summary>The recipe that was read.</summary>
    public Recipe Recipe => _recipe;

    /// <summary>What keeps it from being planned.</summary>
    public IReadOnlyList<string> Missing => _missing;

    /// <summary>How many lines it came to.</summary>
    public int Lines => _lines.Count;

    /// <summary>Whether an expectation holds.</summary>
    public bool Holds(string expected)
    {
        var (verb, rest) = Cut(expected, ' ');
        return verb switch
        {
            "name" => Same(_draft.Name, rest),
            "makes" => Makes(rest),
            "contains" => Contains(rest.Split(' ')),
            "unknown" or "maycontain" => Unknown(rest),
            "line" => Line(rest),
            "bake" => Bake(rest.Split(' ')),
            "step" => Step(rest),
            "wait" => Wait(rest),
            "mode" => Mode(rest),
            "after" => Pair(rest, '>', (a, b) => LeastBetween(a, b) is { } least && least >= 0),
            "free" => Pair(rest, '|', (a, b) => LeastBetween(a, b) is null && LeastBetween(b, a) is null),
            "hot" => Pair(rest, '>', (a, b) => MostBetween(a, b) is { } most && most <= 10 && LeastBetween(a, b) >= 0),
            "soon" => Pair(rest, '>', (a, b) => MostBetween(a, b) is { } most && most <= 40 && LeastBetween(a, b) >= 0),
            "cold" => Pair(rest, '>', (a, b) => LeastBetween(a, b) is { } least && least >= 30),
            "touch" => Touch(rest.Split(' ')),
            "test" => _recipe.Steps.Any(s => s.DoneTests.Any(d => Has(d.Text, rest))),
            "keep" => Keeps("", rest.Split(' ')),
            "keeppart" => Keeps(Cut(rest, ' ').Head, Cut(rest, ' ').Tail.Split(' ')),
            "keepplace" => _recipe.Keeping.Any(k => Has(k.Place, rest)),
            "part" => Part(rest),
            "divide" => _recipe.DividedInto == Number(rest),
            "trays" => _recipe.Steps.Any(s =>
                s is { Kind: StepKind.Bake, Oven: { } o }
                && o.Pans * s.Times is var trays
                && trays >= Number(rest)
                && trays <= Number(rest) + 1
            ),
            "waves" => _recipe.Steps.Any(s => s.Kind == StepKind.Bake && s.Times == Number(rest)),
            "never" => !_recipe.Steps.Any(s => Has(s.Title, rest)),
            "optional" => _lines.Exists(l => l.IsOptional && Has(Said(l), rest)),
            "alt" => _lines.Exists(l =>
                l.Alternatives.Any(a => rest.Split('|').Any(w => Has(a, w) || IngredientKnowledge.Shipped.Meant(w)?.Name == a))
            ),
            "asks" => Questions().Any(q => Has(q, rest)),
            "trait" => Trait(rest),
            "caution" => Enum.TryParse<CautionKind>(rest, true, out var kind) && Cautions().Contains(kind),
            "nobake" => _missing.Count == 0 && !_recipe.Steps.Any(s => s.Kind == StepKind.Bake),
            "ovenproof" => _recipe.Steps.Any(s =>
                s.Oven is { State: OvenState.Proof } || s.Modes.Any(m => m.Oven is { State: OvenState.Proof })
            ),
            "prep" => _recipe.Steps.Any(s => Has(s.Title, rest)) || Questions().Any(q => Has(q, rest)),
            "finish" => Finish(rest),
            _ => throw new InvalidOperationException($"The corpus knows no expectation \"{verb}\"."),
        };
    }

    // Headings, the words around a yield and the joints of sentences carry nothing once they were understood.
    private static readonly string[] Headings =
    [
        "ingredients",
        "method",
        "directions",
        "instructions",
        "step",
        "makes",
        "serves",
        "yield",
        "yields",
        "about",
        "and",
        "then",
        "plus",
        "need",
        "take",
    ];

    /// <summary>Words of a text that are nowhere in what was kept of it.</summary>
    public IReadOnlyList<string> Dropped(string text)
    {
        var kept = WordsOf(string.Join(' ', Kept()).ToLowerInvariant()).ToHashSet(StringComparer.Ordinal);
        return [.. WordsOf(text.ToLowerInvariant()).Where(w => w.Length > 2 && !kept.Contains(w) && !Headings.Contains(w)).Distinct()];
    }

    /// <summary>What was read, in lines for whoever looks for a mistake.</summary>
    public IEnumerable<string> Told()
    {
        yield return $"= {_draft.Name}: {_draft.Pieces} {_draft.PieceName}; {_draft.Kind}; divided {_draft.DividedInto} "
            + $"{_draft.DivisionName}";
        yield return $"  parts {string.Join("; ", _recipe.Parts.Select(p => $"{p.Name} {p.Lines.Length}"))}";
        foreach (var line in _lines)
            yield return $"  - {line.Weight?.Grams:0.#} g {line.Ingredient} | {line.Form} | "
                + $"{line.Note}{(line.IsOptional ? " optional" : "")}"
                + $"{(line.Alternatives.IsEmpty ? "" : $" or {string.Join('/', line.Alternatives)}")}";
        foreach (var step in _recipe.Steps)
        {
            yield return $"  * {KindOf(step)} "
                + $"{step.Takes.Low.TotalMinutes:0}-{step.Takes.Likely.TotalMinutes:0}-{step.Takes.High.TotalMinutes:0}"
                + $"{(step.Oven is { } o ? $" {o.SetTemperature} {o.Pans} x {o.Pan.Name}" : "")}"
                + $"{(step.Times > 1 ? $" {step.Times} waves" : "")} [{step.Key}] {step.Instruction} "
                + $"{string.Join("; ", step.Touches.Select(t => $"{t.Kind} {t.At:0.00}"))}"
                + $"{string.Concat(step.DoneTests.Select(d => $" DONE {d.Text}"))}";
            foreach (var link in _recipe.Links.Where(l => l.To == step.Key))
                yield return $"      after {link.From} {link.MinLag.TotalMinutes:0}..{link.MaxLag?.TotalMinutes:0} "
                    + $"{(link.MaxLag is null ? "" : link.Window)} {link.Why}";
        }

        foreach (var keeping in _recipe.Keeping)
            yield return $"  keeps {keeping.Place} {keeping.Days} {keeping.Part} {keeping.After}";
        yield return $"  contains {string.Join(' ', Statement.Contains)}; open "
            + $"{string.Join("; ", Statement.Open.Select(o => $"{o.Line}: {o.Why}"))}";
        foreach (var question in Questions())
            yield return $"  ? {question}";
    }

    private bool Makes(string rest)
    {
        var (count, name) = Cut(rest, ' ');
        return _recipe.Yield.Pieces == Number(count)
            && _draft.Pieces.Length > 0
            && (name.Length == 0 || Has(_recipe.Yield.PieceName, name));
    }

    private bool Line(string rest)
    {
        if (_line >= _lines.Count)
            return false;
        var line = _lines[_line++];
        var (grams, names) = Cut(rest, ' ');
        if (!Grams(grams, line.Weight?.Grams))
            return false;
        var known = IngredientKnowledge.Shipped.Meant(line.Ingredient)?.Name;
        var anyName = names.StartsWith('*');
        return names
            .TrimStart('*')
            .Split('|')
            .Any(n => string.Equals(known, n, StringComparison.OrdinalIgnoreCase) || (anyName && Has(Said(line), n)));
    }

    private static bool Grams(string expected, double? grams)
    {
        if (expected == "*")
            return true;
        if (grams is not { } g)
            return false;
        var ends = expected.Split('-').Select(e => double.Parse(e, CultureInfo.InvariantCulture)).ToArray();
        var slack = Math.Max(0.3, 0.07 * ends[^1]);
        return g >= ends[0] - slack && g <= ends[^1] + slack;
    }

    private bool Bake(string[] words)
    {
        var pans = words.Length > 3 ? (int)Number(words[3][1..]) : 0;
        var fan = words[0].EndsWith("fan", StringComparison.Ordinal);
        var heat = Number(fan ? words[0][..^3] : words[0]) + (fan ? 20 : 0);
        return Take(
            _recipe.Steps.Where(s =>
                s.Kind == StepKind.Bake
                && s.Oven is { } o
                && Math.Abs(o.SetTemperature.Celsius - heat) <= 5
                && Minutes(words[1], s.Takes)
                && Shape(words[2], o.Pan)
                && (pans == 0 || o.Pans == pans || o.Pans * s.Times == pans)
            )
        );
    }

    private static bool Shape(string expected, Pan pan)
    {
        if (expected == "*")
            return true;
        var (shapes, size) = Cut(expected, ':');
        var word = pan.Shape == PanShape.Rectangle ? "rect" : pan.Shape.ToString().ToLowerInvariant();
        if (!shapes.Split('|').Contains(word))
            return false;
        if (size.Length == 0)
            return true;
        var sides = size.Split('x').Select(Number).ToArray();
        return Math.Abs((pan.Length.Millimetres / 10) - sides[0]) <= 1.5 && Math.Abs((pan.Width.Millimetres / 10) - sides[^1]) <= 1.5;
    }

    private bool Step(string rest)
    {
        var (kinds, times) = Cut(rest, ' ');
        return Take(_recipe.Steps.Where(s => kinds.Split('|').Contains(KindOf(s)) && Minutes(times, s.Takes)));
    }

    private bool Wait(string rest)
    {
        var (kinds, times) = Cut(rest, ' ');
        var ends = times.Replace("..", "-", StringComparison.Ordinal).Split('-').Select(Span).ToArray();
        return Take(
            _recipe.Steps.Where(s =>
                kinds.Split('|').Contains(KindOf(s))
                && Close(s.Takes.Low.TotalMinutes, ends[0])
                && (
                    ends.Length == 1
                    || Close(s.Takes.High.TotalMinutes, ends[1])
                    || _recipe.Links.Any(l =>
                        l.From == s.Key && l.MaxLag is { } most && Close(most.TotalMinutes + s.Takes.Likely.TotalMinutes, ends[1])
                    )
                )
            )
        );
    }

    /// <summary>A step with the mixer that may as well be done by hand, and how long that takes.</summary>
    private bool Mode(string rest)
    {
        var (kinds, times) = Cut(rest, ' ');
        return _recipe.Steps.Any(s =>
            kinds.Split('|').Contains(KindOf(s)) && s.Modes.Any(m => m.Kind == StepKind.Work && Minutes(times, m.Takes))
        );
    }

    private bool Take(IEnumerable<Step> steps)
    {
        if (steps.FirstOrDefault(s => !_used.Contains(s.Key)) is not { } step)
            return false;
        _used.Add(step.Key);
        return true;
    }

    private static bool Minutes(string expected, DurationEstimate takes)
    {
        var ends = expected.Split('-').Select(Span).ToArray();
        return ends.Length == 1
            ? Close(takes.Likely.TotalMinutes, ends[0])
            : Close(takes.Low.TotalMinutes, ends[0]) && Close(takes.High.TotalMinutes, ends[1]);
    }

    private static bool Close(double minutes, double expected) => Math.Abs(minutes - expected) <= Math.Max(1, 0.03 * expected);

    private static double Span(string text) => text.EndsWith('d') ? Number(text[..^1]) * 1440 : Number(text);

    private static string KindOf(Step step) => char.ToLowerInvariant(step.Kind.ToString()[0]) + step.Kind.ToString()[1..];

    private bool Pair(string rest, char mark, Func<int, int, bool> holds)
    {
        var (one, other) = Cut(rest, mark);
        return Named(one.Trim()).Any(a => Named(other.Trim()).Any(b => a != b && holds(a, b)));
    }

    private IEnumerable<int> Named(string words) =>
        Enumerable
            .Range(0, _recipe.Steps.Length)
            .Where(i =>
                _recipe.Steps[i] is var s
                && (
                    words.Equals("bake", StringComparison.OrdinalIgnoreCase) ? s.Kind == StepKind.Bake
                    : words.Equals("chill", StringComparison.OrdinalIgnoreCase) ? s.Kind == StepKind.Chill
                    : Has($"{s.Title} {s.Instruction} {s.Oven?.SetTemperature}", words)
                )
            );

    /// <summary>Least minutes from the end of one step to the start of another, by the links; null when nothing ties them in that
    /// order.</summary>
    private double? LeastBetween(int a, int b)
    {
        var best = Enumerable.Repeat(double.NegativeInfinity, _recipe.Steps.Length).ToArray();
        best[a] = 0;
        var index = Index();
        for (var round = 0; round < _recipe.Steps.Length; round++)
        {
            foreach (var link in _recipe.Links)
            {
                if (
                    !index.TryGetValue(link.From, out var from)
                    || !index.TryGetValue(link.To, out var to)
                    || double.IsNegativeInfinity(best[from])
                )
                    continue;
                var length = (from == a ? 0 : _recipe.Steps[from].Takes.Likely.TotalMinutes) + link.MinLag.TotalMinutes;
                best[to] = Math.Max(best[to], best[from] + length);
            }
        }

        return double.IsNegativeInfinity(best[b]) ? null : best[b];
    }

    /// <summary>Most minutes from the end of one step to the start of another that the hard windows allow; null when nothing limits
    /// it.</summary>
    private double? MostBetween(int a, int b)
    {
        var best = Enumerable.Repeat(double.PositiveInfinity, _recipe.Steps.Length).ToArray();
        best[a] = 0;
        var index = Index();
        for (var round = 0; round < _recipe.Steps.Length; round++)
        {
            foreach (var link in _recipe.Links)
            {
                if (!index.TryGetValue(link.From, out var from) || !index.TryGetValue(link.To, out var to))
                    continue;
                if (link.MaxLag is { } most && link.Window == WindowKind.Hard && !double.IsPositiveInfinity(best[from]))
                    best[to] = Math.Min(
                        best[to],
                        best[from] + (from == a ? 0 : _recipe.Steps[from].Takes.Likely.TotalMinutes) + most.TotalMinutes
                    );
                // Nothing that must come before a step can be later than it.
                if (to != a && !double.IsPositiveInfinity(best[to]))
                    best[from] = Math.Min(best[from], best[to] - _recipe.Steps[from].Takes.Likely.TotalMinutes);
            }
        }

        return double.IsPositiveInfinity(best[b]) ? null : best[b];
    }

    private Dictionary<string, int> Index()
    {
        var index = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < _recipe.Steps.Length; i++)
            index.TryAdd(_recipe.Steps[i].Key, i);
        return index;
    }

    private bool Touch(string[] words) =>
        _recipe.Steps.Any(s =>
            s.Touches.Any(t =>
                (
                    words[0] == "turn"
                        ? t.Kind is TouchKind.Turn or TouchKind.Swap
                        : string.Equals(t.Kind.ToString(), words[0], StringComparison.OrdinalIgnoreCase)
                )
                && (
                    words[1] == "half"
                        ? Math.Abs(t.At - 0.5) < 0.06
                        : Math.Abs((t.At * s.Takes.Likely.TotalMinutes) - Number(words[1])) <= 1.5
                )
            )
        );

    private bool Keeps(string part, string[] words) =>
        _recipe.Keeping.Any(k =>
            string.Equals(k.Store.ToString(), words[0], StringComparison.OrdinalIgnoreCase)
            && (part.Length == 0 || Has(k.Part, part))
            && words[1].Split('-').Select(Number).ToArray() is var days
            && k.Days >= days[0]
            && k.Days <= days[^1]
        );

    private bool Part(string rest)
    {
        var at = rest.LastIndexOf(' ');
        return _recipe.Parts.Any(p => Has(p.Name, rest[..at]) && p.Lines.Length == Number(rest[(at + 1)..]));
    }

    private IEnumerable<string> Kept() =>
        _draft
            .Parts.SelectMany(p => new[] { p.Name, p.Lines })
            .Concat(_draft.Steps.SelectMany(s => new[] { s.Title, s.Instruction, s.Takes, s.Done, s.Touches, s.Modes, s.Pan, s.Oven }))
            .Concat(_draft.Keeping.SelectMany(k => new[] { k.Place, k.Days, k.Part }))
            .Concat([_draft.Name, _draft.Summary, _draft.Notes, _draft.Pieces, _draft.PieceName, .. _draft.Questions.Select(q => q.Text)]);

    private string Said(IngredientLine line) => $"{line.Ingredient} {line.Note} {line.Form} {line.Written}";

    private static bool Has(string text, string words) => text.Contains(words, StringComparison.OrdinalIgnoreCase);

    private static bool Same(string text, string other) => string.Equals(text.Trim(), other.Trim(), StringComparison.OrdinalIgnoreCase);

    private static double Number(string text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) ? value : double.NaN;

    private static (string Head, string Tail) Cut(string text, char at)
    {
        var i = text.IndexOf(at, StringComparison.Ordinal);
        return i < 0 ? (text, "") : (text[..i], text[(i + 1)..]);
    }

    private static IEnumerable<string> WordsOf(string text) => Word().Matches(text).Select(m => m.Value);

    [GeneratedRegex(@"\p{L}+", RegexOptions.None, 500)]
    private static partial Regex Word();
}
