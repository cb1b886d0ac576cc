using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Texts.Sentences;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Bakes: heat, pan, minutes, what is done to them part-way, and bakes that go on at another heat.</summary>
internal sealed partial class MethodReader
{
    private bool TakeBake(string clause, string low, IReadOnlyList<HeatWords> heats, IReadOnlyList<TimePhrase> times)
    {
        var time = times.FirstOrDefault(t => !t.IsMoment && !t.IsEach) ?? times.FirstOrDefault(t => !t.IsMoment);
        // "75 minutes in all", of which the first stage is over.
        if (_firstStage is { } stage && time is not null && time.Low > stage.High)
        {
            if (InAll().IsMatch(low))
                time = time with { Low = time.Low - stage.High, High = time.High - stage.Low };
            time = time with { IsMore = true };
            _firstStage = null;
        }

        // "10 min each side": both of them.
        var sides = time is { IsEach: true } && EachSide().IsMatch(low);
        if (sides)
            time = time! with { Low = 2 * time.Low, High = 2 * time.High, IsEach = false };
        var goesOn = _bake >= 0 && (time?.IsMore == true || MoreBake().IsMatch(low)) && !WaitSince(_bake);
        if (time is null && heats.Count == 0 && _bake >= 0 && !UntilDone().IsMatch(low))
        {
            Keep(clause);
            return true;
        }

        if (goesOn && SameHeat(heats) && LongerWith(clause, low, time))
            return true;
        StartStrand(low);
        var step = New(clause, low, StepKind.Bake, time);
        if (sides)
            step.Draft.Touches = Joined(step.Draft.Touches, "turn 50 %: turn them over");
        var from = _bake;
        Oven(step, low);
        if (goesOn)
            Heats(step, from);
        else
            Tie(low, step);
        _bake = Steps.Count - 1;
        return true;
    }

    /// <summary>"bake at 170 for 1 h 15, turning the heat down to 150 after 45 minutes": 45 minutes and then the rest. False when the
    /// figures do not say that.</summary>
    private bool TakeTwoHeats(string clause, string low, Match later, IReadOnlyList<TimePhrase> times)
    {
        var first = TimePhrase.In(later.Groups["time"].Value).FirstOrDefault();
        var whole = times.FirstOrDefault(t => !t.IsMoment && !t.IsEach);
        var heat = HeatWords.In($"oven to {later.Groups["heat"].Value}", _context.Dialect).FirstOrDefault();
        if (first is null || whole is null || heat is null || whole.Low <= first.High)
            return false;
        var (before, behind) = (low.Remove(later.Index, later.Length), later.Value.Trim(' ', ','));
        TakeBake(clause.Length == low.Length ? clause.Remove(later.Index, later.Length) : before, before, [], [first]);
        _heat = heat;
        var rest = new TimePhrase(whole.Low - first.High, whole.High - first.Low, 0, 0) { IsMore = true };
        TakeBake($"{char.ToUpperInvariant(behind[0])}{behind[1..]}", $"bake {behind}", [heat], [rest]);
        return true;
    }

    private bool SameHeat(IReadOnlyList<HeatWords> heats) =>
        heats.Count == 0 && _heat is not null && Steps[_bake].Draft.Oven.StartsWith(_heat.Text, StringComparison.Ordinal);

    private bool WaitSince(int step) => Steps.Skip(step + 1).Any(s => !s.IsHands);

    /// <summary>"bake 15 minutes, scatter the crumb over and bake another 45": one bake with a touch in it. False when what came between is
    /// no touch.</summary>
    private bool LongerWith(string clause, string low, TimePhrase? time)
    {
        var bake = Steps[_bake];
        var between = Steps.Skip(_bake + 1).ToList();
        if (
            time is null
            || bake.Time is not { } first
            || between.Count > 1
            || between.Exists(s => s.Time is not null || !TouchWork().IsMatch(s.Low) || MakesFilling().IsMatch(s.Low))
        )
            return false;
        var (a, b) = (first.Low + time.Low, first.High + time.High);
        bake.Time = new TimePhrase(a, b, 0, 0);
        bake.Draft.Takes = bake.Time.Text;
        var share = 100.0 * (first.Low + first.High) / (a + b);
        var kind =
            between.Count > 0 && TurnWork().IsMatch(between[0].Low) ? "turn"
            : between.Count > 0 && CoverWork().IsMatch(between[0].Low) ? "cover"
            : "top";
        var title = between.Count > 0 ? between[0].Draft.Title : TitleOf(clause);
        // "uncover and bake 20 minutes more": the touch stands in the clause itself.
        var own = between.Count == 0 && OwnTouch().Match(ClauseSplitter.WithoutJoint(low)) is { Success: true } match ? match.Value : "";
        if (own.Length > 0)
        {
            kind =
                TurnWork().IsMatch(own) ? "turn"
                : CoverWork().IsMatch(own) && !own.StartsWith("un", StringComparison.Ordinal) ? "cover"
                : "top";
            title = own;
        }

        var touched = between.Count > 0 || own.Length > 0;
        foreach (var step in between)
        {
            bake.Draft.Instruction = $"{bake.Draft.Instruction} {step.Draft.Instruction}";
            Remove(step);
        }

        bake.Draft.Instruction = $"{bake.Draft.Instruction} {Sentence(clause)}";
        if (touched)
            bake.Draft.Touches = Joined(
                bake.Draft.Touches,
                string.Create(CultureInfo.InvariantCulture, $"{kind} {share:0.#} %: {char.ToLowerInvariant(title[0])}{title[1..]}")
            );
        TestsAndTouches(bake, low);
        return true;
    }

    /// <summary>A bake that goes on at another heat: it stays in the oven while the dial is turned.</summary>
    private void Heats(MethodStep step, int from)
    {
        var before = Steps[from].Draft;
        step.Draft.Pan = before.Pan;
        step.Draft.Pans = before.Pans;
        step.Draft.Sheet = before.Sheet;
        step.IsPanGuessed = Steps[from].IsPanGuessed;
        var between = Steps.Skip(from + 1).Take(Steps.Count - from - 2).ToList();
        if (between.Count == 0)
        {
            // Down takes the oven longer than up, and it stays in all the while.
            var falls =
                (HeatWords.Typed(before.Oven.Split(',')[0])?.Celsius ?? 0) - (HeatWords.Typed(step.Draft.Oven.Split(',')[0])?.Celsius ?? 0);
            Link(before.Key, step.Draft.Key, "", TimeText.Say((int)Math.Max(15, 15 + (falls * 0.6))), "it stays in while the heat changes");
            _tail = Steps.Count - 1;
            return;
        }

        // What is done between the two is done to a hot pan, and it goes back.
        Tie(step.Low, step);
        Link(before.Key, step.Draft.Key, "", "30 min", "it goes back in while it is hot");
    }

    private void Oven(MethodStep step, string low)
    {
        var draft = step.Draft;
        var heat = _heat;
        step.IsHeatGuessed = heat is null || heat.IsWord;
        draft.Oven = heat is null ? "" : heat.Text + ShelfWords.Of(ShelfWords.In(low));
        if (ShelfWords.Of(ShelfWords.In(draft.Instruction.ToLowerInvariant())) is { Length: > 0 } shelf && heat is not null)
            draft.Oven = heat.Text + shelf;
        if (
            _context.PanElsewhere is { } elsewhere
            && (_pan is null || (!_pan.IsSized && (_pan.Pan.Shape == elsewhere.Pan.Shape || _pan.Pan.Shape == PanShape.Round)))
        )
            _pan = elsewhere with { Count = Math.Max(elsewhere.Count, _pan?.Count ?? 1) };
        var pan =
            _pan?.Pan
            ?? (
                _reading.DividedInto >= 6
                && !_context.Title.Contains("muffin", StringComparison.OrdinalIgnoreCase)
                && !_context.Title.Contains("cupcake", StringComparison.OrdinalIgnoreCase)
                    ? Tray()
                    : null
            )
            ?? PanWords.Usual(_context.Title.ToLowerInvariant(), _context.Pans)
            ?? Tray();
        step.IsPanGuessed = _pan is null;
        draft.Pan = pan?.Name ?? "";
        // A tray that the pan does not stand on was meant for something else.
        draft.Sheet = _sheet is { } sheet && pan is { Shape: not PanShape.Tray } && OvenUse.OnSheet(sheet, pan) > 0 ? sheet.Name : "";
        draft.Pans = _pan is { Count: > 1 } ? _pan.Count.ToString(CultureInfo.InvariantCulture) : "";
    }

    /// <summary>Done tests, and what is done part-way to a bake.</summary>
    private void TestsAndTouches(MethodStep step, string low)
    {
        foreach (Match until in Until().Matches(low))
        {
            var test = TestEnd().Replace(until.Groups["test"].Value, "").Trim(' ', ',', ')');
            if (test.Length > 2 && TimePhrase.In(test).Count == 0 && !NoTest().IsMatch(test))
                step.Draft.Done = Joined(step.Draft.Done, char.ToUpperInvariant(test[0]) + test[1..]);
        }

        if (Core().Match(low) is { Success: true } core)
            step.Draft.Done = Joined(step.Draft.Done, char.ToUpperInvariant(core.Value[0]) + core.Value[1..].Trim());
        if (DoneWhen().Match(low) is { Success: true } when)
            step.Draft.Done = Joined(
                step.Draft.Done,
                char.ToUpperInvariant(when.Groups["test"].Value[0]) + when.Groups["test"].Value[1..].Trim()
            );
        if (step.Kind == StepKind.Bake)
            Touches(step, low);
    }

    private static void Touches(MethodStep step, string low)
    {
        var likely = Likely(step.Draft);
        if (HalfWay().IsMatch(low) && TouchVerb().IsMatch(low))
            step.Draft.Touches = Joined(
                step.Draft.Touches,
                Swaps().IsMatch(low) ? "swap 50 %: the trays change places"
                    : CoverWork().IsMatch(low) ? "cover 50 %: cover it"
                    : "turn 50 %: turn it round"
            );
        if (likely <= 0)
            return;
        foreach (Match match in AfterMinutes().Matches(low))
        {
            // "swap trays after 8": minutes, where nothing else is said.
            var said = match.Groups["time"].Value;
            if (TimePhrase.In(said.All(char.IsAsciiDigit) ? $"{said} min" : said).FirstOrDefault() is not { } time)
                continue;
            Touch(step, low, (time.Low + time.High) / 2.0, likely);
        }

        foreach (Match match in BeforeEnd().Matches(low))
        {
            if (TimePhrase.In(match.Groups["time"].Value).FirstOrDefault() is not { } time)
                continue;
            Touch(step, low, likely - time.High, likely);
        }
    }

    private static void Touch(MethodStep step, string low, double at, int likely)
    {
        if (at < 1 || at >= likely)
            return;
        var verb = TouchVerb().Match(low);
        if (!verb.Success)
            return;
        var kind = TurnWork().IsMatch(low)
            ? Swaps().IsMatch(low)
                ? "swap"
                : "turn"
            : CoverWork().IsMatch(low)
                ? "cover"
                : "top";
        var title = kind switch
        {
            "turn" => "turn it round",
            "swap" => "the trays change places",
            "cover" => "cover it against the heat from above",
            _ => low[verb.Index..].TrimEnd('.', ' '),
        };
        step.Draft.Touches = Joined(
            step.Draft.Touches,
            string.Create(CultureInfo.InvariantCulture, $"{kind} {100.0 * at / likely:0.#} %: {(title.Length > 80 ? title[..80] : title)}")
        );
    }
}
