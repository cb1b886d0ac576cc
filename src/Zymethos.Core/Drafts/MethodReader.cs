using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Interchange;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Drafts;

/// <summary>
/// Proposes steps and links from the words of a method ("let rise until doubled, about 1 hour", "chill at least 2 hours or overnight", "while still warm").
/// Everything it proposes is for the baker to confirm; what it had to guess it asks. No word is lost: each stands in a step's instruction.
/// </summary>
public sealed partial class MethodReader
{
    private readonly List<StepDraft> _steps = [];
    private readonly List<LinkDraft> _links = [];
    private readonly List<string> _questions = [];
    private readonly IReadOnlyList<Pan> _pans;
    private string _heat = "";
    private Pan? _pan;
    private bool _shaped;
    private bool _apart;
    private int? _before;

    private MethodReader(IReadOnlyList<Pan> pans) => _pans = pans;

    /// <summary>Reads a method.</summary>
    /// <param name="paragraphs">As written; numbers before them are dropped.</param>
    /// <param name="pans">Pans that may be meant.</param>
    public static (List<StepDraft> Steps, List<LinkDraft> Links, List<string> Questions) Read(IEnumerable<string> paragraphs, IReadOnlyList<Pan> pans)
    {
        var reader = new MethodReader(pans);
        foreach (var paragraph in paragraphs.Take(80))
        {
            foreach (var clause in Clauses(Numbering().Replace(paragraph.Trim(), ""))) reader.Take(clause);
        }

        return (reader._steps, reader._links, reader._questions);
    }

    private static IEnumerable<string> Clauses(string paragraph)
    {
        foreach (var sentence in SentenceEnd().Split(paragraph))
        {
            foreach (var clause in ClauseEnd().Split(sentence))
            {
                var text = clause.Trim().TrimEnd('.', ';', ',').Trim();
                if (text.Length > 1) yield return text;
            }
        }
    }

    private void Take(string clause)
    {
        var low = clause.ToLowerInvariant();
        _pan = PanWords.Find(low, _pans) ?? _pan;
        var heat = HeatIn(low);
        if (heat.Length > 0) _heat = heat;
        var kind = KindOf(low);
        var time = TimeIn(low);
        if (Preheat().IsMatch(low) && kind != StepKind.Bake)
        {
            Keep(clause);
            return;
        }

        // A bake without a time and a rise without one are remarks on the step before ("bake as before").
        if (kind is StepKind.Work && time is null && _steps.Count > 0 && MayJoin(low))
        {
            Keep(clause);
            return;
        }

        Add(clause, low, kind, time);
    }

    /// <summary>Adds words to the step before, or to the first one when there is none yet.</summary>
    private void Keep(string clause)
    {
        if (_steps.Count == 0) _steps.Add(new StepDraft { Title = "Get ready", Kind = "work", Takes = "5 min", Instruction = Sentence(clause) });
        else _steps[^1].Instruction = $"{_steps[^1].Instruction} {Sentence(clause)}".Trim();
        Remark(_steps[^1], clause.ToLowerInvariant());
    }

    private bool MayJoin(string low)
    {
        var last = _steps[^1];
        return !low.StartsWith("meanwhile", StringComparison.Ordinal) && WhileWarm().Match(low).Length == 0 && WhenCold().Match(low).Length == 0
            && last.Kind is "work" or "mix" && last.Instruction.Length + low.Length < 260 && !Shapes().IsMatch(low);
    }

    private void Add(string clause, string low, StepKind kind, string? time)
    {
        if (Shapes().IsMatch(low)) _shaped = true;
        var step = new StepDraft { Title = TitleOf(clause), Kind = Words.Of(kind), Instruction = Sentence(clause), Takes = time ?? "" };
        if (time is null)
        {
            step.Takes = Usual(kind, low);
            _questions.Add($"How long does “{step.Title}” take? {step.Takes} is a guess.");
        }

        if (kind == StepKind.Bake)
        {
            step.Oven = _heat.Length == 0 ? "" : _heat + ShelfWords.Of(ShelfWords.In(low));
            if (_heat.Length == 0) _questions.Add($"At what heat: “{step.Title}”?");
            step.Pan = (_pan ?? _pans.FirstOrDefault(p => p.Shape == PanShape.Tray))?.Name ?? "";
            if (_pan is null) _questions.Add($"In which pan: “{step.Title}”? A tray is a guess.");
        }

        if (kind is StepKind.BulkRise or StepKind.Proof && low.Contains("refrigerat", StringComparison.Ordinal) && low.Contains("overnight", StringComparison.Ordinal))
            step.Modes = "refrigerator overnight: chill, 8-14 h";
        Remark(step, low);
        _steps.Add(step);
        Tie(low, kind);
    }

    /// <summary>Done tests, touches and cautions in the words.</summary>
    private void Remark(StepDraft step, string low)
    {
        foreach (Match until in Until().Matches(low))
        {
            var test = until.Groups["test"].Value.Trim();
            if (test.Length > 2 && TimeText.Estimate(test) is null) step.Done = Joined(step.Done, char.ToUpperInvariant(test[0]) + test[1..]);
        }

        if (step.Kind == "bake")
        {
            if (HalfWay().IsMatch(low)) step.Touches = Joined(step.Touches, low.Contains("swap", StringComparison.Ordinal) || low.Contains("switch", StringComparison.Ordinal) ? "swap 50 %: the trays change places" : "turn 50 %: turn it round");
            var after = AfterMinutes().Match(low);
            if (after.Success && TimeText.Exact(step.Takes) is { } takes && double.Parse(after.Groups["n"].Value, CultureInfo.InvariantCulture) is var at && at < takes.Likely.TotalMinutes)
                step.Touches = Joined(step.Touches, $"{(low.Contains("cover", StringComparison.Ordinal) || low.Contains("tent", StringComparison.Ordinal) ? "cover" : "top")} {100 * at / takes.Likely.TotalMinutes:0} %: {after.Value}");
        }

        var cautions = step.Cautions.ToHashSet(StringComparer.Ordinal);
        void When(Regex words, CautionKind caution)
        {
            if (words.IsMatch(low)) cautions.Add(Words.Of(caution));
        }

        if (step.Kind is "work" or "mix") When(RawWords(), CautionKind.RawFlourAndEgg);
        if (step.Kind == "bake") cautions.Add(Words.Of(CautionKind.Burns));
        When(HotWords(), CautionKind.Burns);
        When(NutWords(), CautionKind.SharedNuts);
        When(SpiritWords(), CautionKind.Spirit);
        When(HoneyWords(), CautionKind.Honey);
        When(CreamWords(), CautionKind.TimeAndTemperature);
        When(FoamWords(), CautionKind.EggFoam);
        step.Cautions = [.. cautions];
    }

    /// <summary>What follows what, and how soon.</summary>
    private void Tie(string low, StepKind kind)
    {
        var at = _steps.Count - 1;
        var keys = DraftReader.KeysOf(_steps);
        if (low.StartsWith("meanwhile", StringComparison.Ordinal) && at > 0)
        {
            _before = at - 1;
            _apart = true;
            return;
        }

        if (at == 0) return;
        var from = _steps[at - 1];
        var link = new LinkDraft { From = keys[at - 1], To = keys[at] };
        if (WhileWarm().Match(low) is { Success: true } warm) Window(link, warm.Value.Contains("hot", StringComparison.Ordinal) ? "5 min" : "15 min", false, warm.Value);
        else if (AtOnce().IsMatch(low)) Window(link, "5 min", false, "at once");
        else if (from.Kind is "bulkRise" or "proof") Window(link, "20 min", false, "a dough past its rise turns slack");
        else if (from.Kind == "bake" && kind is StepKind.Cool or StepKind.Rest) Window(link, "0 min", false, "");
        if (WhenCold().IsMatch(low) && from.Kind == "bake")
        {
            link.Least = "90 min";
            link.Why = "only once cold";
            _questions.Add($"“{_steps[at].Title}” waits until it is cold: 90 min after the oven is a guess.");
        }

        _links.Add(link);
        // What was done meanwhile joins here, with what it ran beside.
        if (_apart && _before is { } beside)
        {
            _links.Add(new LinkDraft { From = keys[beside], To = keys[at] });
            _apart = false;
        }
    }

    private static void Window(LinkDraft link, string most, bool soft, string why) => (link.Most, link.Soft, link.Why) = (most, soft, why);

    private StepKind KindOf(string low)
    {
        if (BakeWords().IsMatch(low)) return StepKind.Bake;
        if (RiseWords().IsMatch(low)) return _shaped ? StepKind.Proof : StepKind.BulkRise;
        if (FreezeWords().IsMatch(low) && TimeIn(low) is not null) return StepKind.Freeze;
        if (ThawWords().IsMatch(low)) return StepKind.Thaw;
        if (SoakWords().IsMatch(low)) return StepKind.Soak;
        if (ChillWords().IsMatch(low)) return StepKind.Chill;
        if (CoolWords().IsMatch(low)) return StepKind.Cool;
        if (MatureWords().IsMatch(low)) return StepKind.Mature;
        if (RestWords().IsMatch(low) && TimeIn(low) is not null) return StepKind.Rest;
        return MixWords().IsMatch(low) ? StepKind.Mix : StepKind.Work;
    }

    /// <summary>The first time in the words, as an editor writes it; null when there is none.</summary>
    private static string? TimeIn(string low)
    {
        // "top with the crumb after 15 minutes" is not how long the bake takes.
        var words = AfterMinutes().Replace(low, " ");
        var match = Time().Match(words);
        if (!match.Success || TimeText.Estimate(match.Value) is not { } takes) return null;
        if (match.Value.Contains("overnight", StringComparison.Ordinal)) return "8 h/10 h/14 h";
        var before = words[..match.Index];
        if (before.EndsWith("at least ", StringComparison.Ordinal) || before.EndsWith("a minimum of ", StringComparison.Ordinal))
        {
            var least = (int)takes.Likely.TotalMinutes;
            var most = words.Contains("overnight", StringComparison.Ordinal) ? 840 : least * 2;
            return $"{TimeText.Say(least)}/{TimeText.Say(least)}/{TimeText.Say(Math.Max(least, most))}";
        }

        return TimeText.Say(takes);
    }

    private static string HeatIn(string low)
    {
        var match = Heat().Match(low);
        if (match.Success) return $"{match.Groups["n"].Value} {(match.Groups["u"].Value.StartsWith('c') ? "C" : match.Groups["u"].Value.StartsWith('f') || int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) > 260 ? "F" : "C")}";
        var gas = Gas().Match(low);
        return gas.Success ? $"{250 + (25 * int.Parse(gas.Groups["n"].Value, CultureInfo.InvariantCulture))} F" : "";
    }

    private static string Usual(StepKind kind, string low) => kind switch
    {
        StepKind.Mix => "10 min",
        StepKind.Bake => "30 min",
        StepKind.BulkRise => "60-90 min",
        StepKind.Proof => "40-60 min",
        StepKind.Cool => low.Contains("slightly", StringComparison.Ordinal) || low.Contains("pan", StringComparison.Ordinal) ? "10 min" : "60-120 min",
        StepKind.Chill => "60 min",
        StepKind.Soak => "30 min",
        StepKind.Mature => "7 d",
        StepKind.Thaw => "4 h",
        StepKind.Freeze => "1 d",
        _ => "8 min",
    };

    private static string TitleOf(string clause)
    {
        var words = clause.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var title = "";
        foreach (var word in words)
        {
            if (title.Length + word.Length > 48) break;
            title = title.Length == 0 ? word : $"{title} {word}";
            if (word.EndsWith(',') || word.EndsWith(':')) break;
        }

        title = (title.Length > 0 ? title : clause[..Math.Min(48, clause.Length)]).TrimEnd(',', ':', ';');
        return char.ToUpperInvariant(title[0]) + title[1..];
    }

    private static string Sentence(string clause) => $"{char.ToUpperInvariant(clause[0])}{clause[1..]}.";

    private static string Joined(string lines, string line) => lines.Length == 0 ? line : lines.Contains(line, StringComparison.Ordinal) ? lines : $"{lines}\n{line}";
}
