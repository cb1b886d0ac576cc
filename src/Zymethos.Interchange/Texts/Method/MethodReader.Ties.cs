using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What follows what, how soon, and what is made beside.</summary>
internal sealed partial class MethodReader
{
    /// <summary>Begins a strand beside the main one where the words say so ("meanwhile", "for the icing", "while it cools"), and goes back
    /// to the main one.</summary>
    private void StartStrand(string low)
    {
        var part = PartStart().Match(low);
        var word = part.Success ? part.Groups["part"].Value : "";
        if (
            _strand > 0
            && Steps.Count > 0
            && Steps[^1].Strand == _strand
            && _bake < 0
            && !_sameSentence
            && !part.Success
            && SetAside().IsMatch(Steps[^1].Low)
        )
            EndSide();
        var starts = (Meanwhile().IsMatch(low) || WhileOther().IsMatch(low)) && Steps.Count > 0;
        // "Cool while you make the filling." What is told next is made meanwhile.
        if (_sideNext.Length > 0)
        {
            (word, starts) = (_sideNext, true);
            _sideNext = "";
        }

        if (
            part.Success
            && IsSidePart(word)
            && (Steps.Count > 0 || _context.Parts.Count > 1 || low.Contains("first", StringComparison.Ordinal))
        )
            starts = true;
        if (starts && !(_strand > 0 && _sideParagraph == _paragraph && !part.Success))
        {
            EndSide();
            _strand = ++_strands;
            _sideParagraph = _paragraph;
            _sideWord = SideWord(word, low);
            _sideTail = -1;
            return;
        }

        if (_strand > 0 && (_sideParagraph != _paragraph || Joins(low, _sideWord, true)))
            EndSide();
    }

    /// <summary>Goes back to the main strand where a clause uses what was made beside.</summary>
    private void StrandEnd(string low)
    {
        // "Turn the sponge out onto it": what was laid beside takes what was baked.
        if (_strand > 0 && _bake >= 0 && !PartStart().IsMatch(low) && SpongeOut().IsMatch(low))
            EndSide();
        // "Let the iced cookies dry": what was made beside is on them.
        if (_strand > 0 && _bake >= 0 && Decorated().IsMatch(low))
            EndSide();
        // "Pour over the shortbread": what was made beside goes onto what was baked.
        if (_strand > 0 && _bake >= 0 && OntoMain().IsMatch(low) && !PartStart().IsMatch(low))
            EndSide();
        if (
            _strand > 0
            && (_sideParagraph != _paragraph || Joins(low, _sideWord, true))
            && !PartStart().IsMatch(low)
            && !Meanwhile().IsMatch(low)
        )
            EndSide();
    }

    [GeneratedRegex(
        @"\b(?:iced|filled|glazed|frosted|dipped|decorated|coated|covered) (?:cookies|biscuits|buns|cakes?|loaf|loaves|squares|pieces"
            + @"|stars|ones)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Decorated();

    private static bool IsSidePart(string word) => SideParts().IsMatch(word);

    private static string SideWord(string word, string low)
    {
        if (SideParts().Match(word) is { Success: true } named)
            return named.Value;
        return SideParts().Match(low) is { Success: true } found ? found.Value : "";
    }

    private void EndSide()
    {
        if (_strand > 0 && _sideTail >= 0)
            _beside.Add((_sideTail, _sideWord));
        _strand = 0;
        _sideTail = -1;
    }

    /// <summary>Whether a clause uses what was made beside: it names it, or it finishes the bake with it.</summary>
    private bool Joins(string low, string word, bool ending)
    {
        if (
            _bake >= 0
            && (
                WhileWarm().IsMatch(low)
                || WhenCold().IsMatch(low)
                || ColdThing().IsMatch(low)
                || HotThing().IsMatch(low)
                || WarmThing().IsMatch(low)
            )
            && Finishes().IsMatch(low)
        )
            return true;
        if (ending)
            return BakeVerb().IsMatch(low) && _bake < 0;
        return (word.Length > 0 && Regex.IsMatch(low, $@"\b{Regex.Escape(word)}\b", RegexOptions.None, TimeSpan.FromMilliseconds(900)))
            || Finishes().IsMatch(low);
    }

    private void Tie(string low, MethodStep step)
    {
        var at = Steps.Count - 1;
        if (_strand > 0)
        {
            if (_sideTail >= 0)
                LinkFrom(_sideTail, step, low);
            _sideTail = at;
            return;
        }

        var anchored = _bake >= 0 && _bake < at && Anchor(low, step, at);
        if (!anchored && _tail >= 0)
            LinkFrom(_tail, step, low);
        foreach (var (side, word) in _beside.ToList())
        {
            if (!Joins(low, word, false) && step.Kind is not StepKind.Bake)
                continue;
            var (most, why) = WindowOf(Steps[side]) is { Most.Length: > 0 } window
                ? window
                : (SideWindow(low, side), SideWindow(low, side).Length > 0 ? "while it is hot" : "");
            Link(Steps[side].Draft.Key, step.Draft.Key, "", most, why);
            _beside.Remove((side, word));
        }

        _tail = at;
    }

    /// <summary>"the hot syrup", "while the glaze is warm": what was made beside must still be hot.</summary>
    private string SideWindow(string low, int side) => HotSide().IsMatch(low) && Steps[side].IsHands ? "30 min" : "";

    /// <summary>
    /// Ties a step to the bake where its words say hot, warm, at once or cold. Work that was told in between and needs no bake is done
    /// beside it, before. False when nothing was said.
    /// </summary>
    private bool Anchor(string low, MethodStep step, int at)
    {
        var bake = Steps[_bake];
        var hot =
            AtOnce().IsMatch(low)
            || HotThing().IsMatch(low)
            || WhileWarm().Match(low) is { Success: true, Value: var value } && value.Contains("hot", StringComparison.Ordinal)
            || OutAtOnce().IsMatch(low);
        var warm = !hot && (WhileWarm().IsMatch(low) || WarmThing().IsMatch(low));
        // "roll up at once" behind other work on the hot thing follows that work, not the oven.
        if (
            hot
            && !HotThing().IsMatch(low)
            && !OutAtOnce().IsMatch(low)
            && !low.Contains("while", StringComparison.Ordinal)
            && _tail > _bake
            && Steps[_tail].IsHands
        )
            return false;
        var cold =
            !hot
            && !warm
            && step.IsHands
            && (WhenCold().IsMatch(low) || ColdThing().IsMatch(low) || (BeforeWork().IsMatch(low) && !OutOfPan().IsMatch(low)));
        if (hot || warm)
        {
            if (step.Kind is StepKind.Cool or StepKind.Chill && !AtOnce().IsMatch(low))
                return false;
            var waited = Steps
                .Skip(_bake + 1)
                .Take(at - _bake - 1)
                .Where(s => !s.IsHands && s.Strand == 0 && _reading.Links.Exists(l => l.To == s.Draft.Key))
                .Sum(s => Likely(s.Draft));
            var most = hot ? 5 : Math.Max(25, waited + 10);
            // "Leave two minutes, then turn in sugar while still hot": hot is so many minutes more.
            if (hot && waited is > 0 and <= 10 && WhileWarm().IsMatch(low))
            {
                if (_tail >= 0)
                    LinkFrom(_tail, step, low);
                Link(bake.Draft.Key, step.Draft.Key, "", TimeText.Say(waited + most), "while it is hot");
                return true;
            }

            if (hot && waited > 0)
                return false;
            if (waited == 0)
            {
                Beside(at);
                Link(bake.Draft.Key, step.Draft.Key, "", TimeText.Say(most), hot ? "while it is hot" : "while it is warm");
                return true;
            }

            if (_tail >= 0)
                LinkFrom(_tail, step, low);
            Link(bake.Draft.Key, step.Draft.Key, "", TimeText.Say(most), "while it is warm");
            return true;
        }

        if (!cold)
            return false;
        var colder = Steps
            .Skip(_bake + 1)
            .Take(at - _bake - 1)
            .Any(s => s.Kind is StepKind.Cool or StepKind.Rest or StepKind.Chill && Likely(s.Draft) is 0 or >= 45);
        if (_tail >= 0)
            LinkFrom(_tail, step, low);
        if (!colder)
            Link(bake.Draft.Key, step.Draft.Key, "90 min", "", "only once it is cold");
        return true;
    }

    /// <summary>Takes work told between the bake and a hot step off the chain: it must be ready before.</summary>
    private void Beside(int at)
    {
        for (var i = _bake + 1; i < at; i++)
        {
            var between = Steps[i];
            if (
                !between.IsHands
                || between.Strand > 0
                || OutOfPan().IsMatch(between.Low)
                || WhenCold().IsMatch(between.Low)
                || ColdThing().IsMatch(between.Low)
                || HotThing().IsMatch(between.Low)
                || WhileWarm().IsMatch(between.Low)
                || AtOnce().IsMatch(between.Low)
            )
                continue;
            _reading.Links.RemoveAll(l => l.To == between.Draft.Key && l.From == Steps[_bake].Draft.Key);
            if (i == at - 1 || Steps[i + 1].Strand > 0)
                Link(between.Draft.Key, Steps[at].Draft.Key, "", "", "");
        }

        // Turning out comes before the brush, and is as quick.
        for (var i = _bake + 1; i < at; i++)
        {
            if (!Steps[i].IsHands || Steps[i].Strand != 0 || !OutOfPan().IsMatch(Steps[i].Low))
                continue;
            Link(Steps[i].Draft.Key, Steps[at].Draft.Key, "", "", "");
            // What lay between was taken off the chain: the cake comes out of the oven all the same before it leaves its pan.
            if (!IsBehind(Steps[i].Draft.Key, Steps[_bake].Draft.Key, 0))
                Link(Steps[_bake].Draft.Key, Steps[i].Draft.Key, "", "15 min", "it leaves the pan while it is warm");
        }
    }

    private bool IsBehind(string key, string first, int depth) =>
        depth < 12 && _reading.Links.Exists(l => l.To == key && (l.From == first || IsBehind(l.From, first, depth + 1)));

    private void LinkFrom(int from, MethodStep step, string low)
    {
        var before = Steps[from];
        var (most, why) = (before.Kind, step.Kind) switch
        {
            (StepKind.Bake, StepKind.Bake) => ("", ""),
            (StepKind.BulkRise or StepKind.Proof, StepKind.Bake) => ("20 min", "a proofed dough has minutes"),
            (StepKind.Proof, _) => ("15 min", "a proofed dough has minutes"),
            (StepKind.BulkRise, _) => ("20 min", "a dough past its rise turns slack"),
            (StepKind.Bake, StepKind.Cool or StepKind.Rest) => ("0 min", ""),
            (StepKind.Bake, _) when OutOfPan().IsMatch(low) => ("15 min", "it leaves the pan while it is warm"),
            _ => ("", ""),
        };
        if (step.Kind == StepKind.Bake && (_atOnce || AtOnce().IsMatch(low)))
        {
            (most, why) = ("5 min", "into the oven at once");
            _atOnce = false;
        }
        else if (most.Length == 0 && AtOnce().IsMatch(low))
        {
            (most, why) = ("5 min", "at once");
        }

        // Pieces that were proofed and are brushed or cut go in just as soon.
        if (step.Kind == StepKind.Bake && before.IsHands && FollowsProof(before, 0))
            (most, why) = ("10 min", "a proofed dough has minutes");
        if (WindowOf(before) is { Most.Length: > 0 } window)
            (most, why) = window;
        var least = "";
        // "Turn out after 10 minutes": not before, and not long after.
        if (
            before.Kind == StepKind.Bake
            && step.IsHands
            && OutOfPan().IsMatch(low)
            && AfterMinutes().Match(low) is { Success: true } after
            && TimePhrase.In(after.Groups["time"].Value).FirstOrDefault() is { } wait
        )
            (least, most) = (TimeText.Say(wait.Low), TimeText.Say(wait.High + 15));
        Link(before.Draft.Key, step.Draft.Key, least, most, why);
    }

    /// <summary>Whether a step comes after the last rise with nothing but other work between.</summary>
    private bool FollowsProof(MethodStep step, int depth) =>
        _reading
            .Links.Where(l => l.To == step.Draft.Key)
            .Select(l => Steps.Find(s => s.Draft.Key == l.From))
            .OfType<MethodStep>()
            .Any(s => s.Kind == StepKind.Proof || (s.IsHands && depth < 3 && FollowsProof(s, depth + 1)));

    /// <summary>How long a wait that was told with both ends may go on after it is ready; empty when only one end was told.</summary>
    private static (string Most, string Why) WindowOf(MethodStep step) =>
        !step.IsHands && step.Kind != StepKind.Bake && step.Time is { IsWindow: true } window
            ? (TimeText.Say(Math.Max(0, window.High - window.Low)), $"good for {Said(window.High)} in all")
            : ("", "");

    private static string Said(int minutes) =>
        minutes >= 2880 ? $"{Math.Round(minutes / 1440.0)} days"
        : minutes >= 120 ? $"{Math.Round(minutes / 60.0)} hours"
        : $"{minutes} minutes";

    private void Link(string from, string to, string least, string most, string why)
    {
        if (from == to || _reading.Links.Exists(l => l.From == from && l.To == to && l.Least == least && l.Most == most))
            return;
        _reading.Links.Add(
            new LinkDraft
            {
                From = from,
                To = to,
                Least = least,
                Most = most,
                Why = why,
            }
        );
    }

    private void Remove(MethodStep step)
    {
        _reading.Links.RemoveAll(l => l.From == step.Draft.Key || l.To == step.Draft.Key);
        Steps.Remove(step);
        _tail = Math.Min(_tail, Steps.Count - 1);
    }

    /// <summary>What was made beside and never named again goes to the last hands-on step that is not part of it.</summary>
    private void CloseTies()
    {
        EndSide();
        // A wait at the very end has nothing behind it: its ends are those of a range.
        foreach (
            var step in Steps.Where(s =>
                s.Time is { IsWindow: true } t && t.High <= 2 * t.Low && !_reading.Links.Exists(l => l.From == s.Draft.Key)
            )
        )
            step.Draft.Takes = (step.Time! with { IsWindow = false, IsLeast = false }).Text;
        foreach (var (side, _) in _beside)
        {
            var user = Steps.FindLastIndex(s => s.Strand == 0 && s.IsHands);
            if (user > side)
                Link(Steps[side].Draft.Key, Steps[user].Draft.Key, "", "", "");
        }
    }
}
