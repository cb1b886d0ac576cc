using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What a sentence or clause is.</summary>
internal sealed partial class MethodReader
{
    /// <summary>Whether something is commanded in a sentence: a verb of work first, or behind words that say when or where.</summary>
    private bool Commands(string low)
    {
        if (
            Bares(low)
            || Passive().IsMatch(low)
            || PreheatOnly().IsMatch(low)
            || (RiseWords().IsMatch(low) && TimePhrase.In(low).Count > 0 && !RemarkWords().IsMatch(low))
        )
            return true;
        var words = FirstWords().Matches(low).Select(m => m.Value).ToList();
        if (words.Count == 0)
            return false;
        if (StartsWithVerb(words, 0) || ThingFirst().IsMatch(low))
            return true;
        if (UnlistedVerb().IsMatch(low) || (BakeVerb().IsMatch(low) && !BakeRemark().IsMatch(low) && TimePhrase.In(low).Count > 0))
            return true;
        if (_bake >= 0 && TimePhrase.In(low) is [{ Index: < 3 }, ..] && OnThePan().IsMatch(low))
            return true;
        if (IntoCold().IsMatch(low) && (TimePhrase.In(low).Count > 0 || low.TrimEnd('.').Length < 24))
            return true;
        if (GoesIn().IsMatch(low) && TimePhrase.In(low).Count > 0)
            return true;
        if (OutOfPan().IsMatch(low) || IntoOven().IsMatch(low) || Oven().IsMatch(low))
            return true;
        if (!LeadingWords().IsMatch(low))
            return Telegraph().IsMatch(low);
        // "In a bowl, combine", "When cold spread": the verb may stand behind a comma or at once.
        foreach (Match part in Parts().Matches(low))
        {
            var rest = FirstWords().Matches(low[(part.Index + part.Length)..]).Select(m => m.Value).ToList();
            if (rest.Count > 0 && StartsWithVerb(rest, 0))
                return true;
        }

        for (var i = 1; i < Math.Min(words.Count, words[0] is "as" or "when" or "once" or "while" ? 14 : 9); i++)
        {
            if (
                VerbWords.IsWork(words[i], i + 1 < words.Count ? words[i + 1] : null, false)
                && !(words[i - 1] is "to" or "the" or "a" or "of" or "and" or "is" or "are" or "will" or "not")
            )
                return true;
        }

        return false;
    }

    private static bool StartsWithVerb(List<string> words, int at)
    {
        while (
            at < words.Count
            && (VerbWords.IsAdverb(words[at]) || words[at] is "then" or "and" or "now" or "next" or "again" or "please" or "also")
        )
            at++;
        return at < words.Count && VerbWords.IsWork(words[at], at + 1 < words.Count ? words[at + 1] : null, true);
    }

    /// <summary>A bake in figures alone: "350 for 45 min", "gas 5, 15-18 mins", "170 fan 35-40 mins", "40 min, stirring every
    /// 10".</summary>
    private bool Bares(string low)
    {
        var heats = HeatWords.In(low, _context.Dialect);
        var times = TimePhrase.In(low);
        if (
            _bake < 0
            && _heat is not null
            && times.Count > 0
            && times[0].High is >= 5 and <= 400
            && PanEnd().IsMatch(low)
            && (times[0].Index + times[0].Length >= low.Length - 4 || UntilDone().IsMatch(low[(times[0].Index + times[0].Length)..]))
            && LeadingWords().IsMatch(low)
        )
            return true;
        return (heats.Count > 0 && times.Count > 0)
            || (times.Count > 0 && StartsAt(low, times[0]) && _heat is not null && _bake < 0 && times[0].High is >= 4 and <= 400)
            || (heats.Count > 0 && Oven().IsMatch(low));
    }

    // "in a greased tin, cover 30 min": it rises.
    [GeneratedRegex(@"\bcover(?:ed)?,? (?:and )?(?:leave |rest |stand |wait )?(?:for )?(?:about )?\d", RegexOptions.None, Patience)]
    private static partial Regex CoveredFor();

    /// <summary>"40 min", "about 1 hr 10": nothing but a time at the beginning.</summary>
    private static bool StartsAt(string low, TimePhrase time) => time.Index < 3 || (time.Index < 14 && About().IsMatch(low[..time.Index]));

    [GeneratedRegex(@"^\W*(?:for )?(?:about|around|roughly|approx\.?|approximately|some)\s*$", RegexOptions.None, Patience)]
    private static partial Regex About();

    private static bool IsRemark(string low) => RemarkWords().IsMatch(low) && !GoesIn().IsMatch(low) && !Passive().IsMatch(low);

    private static bool IsPreheat(string low, IReadOnlyList<HeatWords> heats)
    {
        if (OvenOff().IsMatch(low))
            return false;
        if (Preheat().IsMatch(low))
            return !BakeVerb().IsMatch(BakeRemark().Replace(low, " ")) || PreheatOnly().IsMatch(low);
        return heats.Count > 0
            && (
                (OvenFirst().IsMatch(low) && !OvenThenTime().IsMatch(low))
                || (HeatChange().IsMatch(low) && !BakeVerb().IsMatch(low) && TimePhrase.In(low).Count == 0)
            );
    }

    private StepKind KindOf(string low, IReadOnlyList<HeatWords> heats, IReadOnlyList<TimePhrase> times)
    {
        if (OvenOff().IsMatch(low))
            return StepKind.Cool;
        if (IsBake(low, heats, times))
            return StepKind.Bake;
        if (RiseWords().IsMatch(RoomToRise().Replace(low, " ")) && !WorkFirst().IsMatch(low))
            return _shaped || InTinAfterLeaven() || IsSecondRise(low) ? StepKind.Proof : StepKind.BulkRise;
        if (FreezeWords().IsMatch(low) && times.Count > 0)
            return StepKind.Freeze;
        if (ThawWords().IsMatch(low) && !low.Contains("don't", StringComparison.Ordinal))
            return StepKind.Thaw;
        if (SoakWords().IsMatch(low) && !(times.Count > 0 && times[0].High < 5))
            return StepKind.Soak;
        if (MatureWords().IsMatch(low) || (times.Any(t => t.Low >= 1440) && MatureKeep().IsMatch(low)))
            return _bake < 0 && !MatureWords().IsMatch(low) && (Steps.Count == 0 || FruitStands(low)) ? StepKind.Soak : StepKind.Mature;
        if (ChillWords().IsMatch(low) && !WorkFirst().IsMatch(low))
            return StepKind.Chill;
        if (CoolWords().IsMatch(low) && (!WorkFirst().IsMatch(low) || (_bake >= 0 && OutOfPan().IsMatch(low))))
            return StepKind.Cool;
        if (_bake >= 0 && RestWords().IsMatch(low) && times.Any(t => t.Low >= 1440))
            return StepKind.Mature;
        if (Machine().IsMatch(low) && times.Any(t => t.Low >= 20) && _bake < 0)
            return StepKind.BulkRise;
        if (RestWords().IsMatch(low) && (times.Count > 0 || RestUntil().IsMatch(low)))
            return DoughStands(low, times)
                    ? (
                        _shaped || InPanSinceBulk() || (_context.HasYeast && Steps.Count > 0 && SecondRise().IsMatch(Steps[^1].Low))
                            ? StepKind.Proof
                            : StepKind.BulkRise
                    )
                : FruitStands(low) ? StepKind.Soak
                : OnHotPan(low, times) ? StepKind.Cool
                : StepKind.Rest;
        if ((OnPan().IsMatch(low) || (OnThePan().IsMatch(low) && times is [{ Index: < 3 }, ..])) && times.Count > 0 && _bake >= 0)
            return StepKind.Cool;
        return Kneads().IsMatch(low) && !OneEgg().IsMatch(low) ? StepKind.Mix : StepKind.Work;
    }

    /// <summary>A dough whose leaven stood for hours before, and that was filled into its tin: it proofs there.</summary>
    private bool InTinAfterLeaven() =>
        Steps.Count > 0
        && SecondRise().IsMatch(Steps[^1].Low)
        && Steps.Exists(s => s.Kind is StepKind.Rest or StepKind.Soak && s.Time is { Low: >= 240 });

    /// <summary>Shaped pieces that are set aside in the warm are proofed, whatever it is called.</summary>
    private bool DoughStands(string low, IReadOnlyList<TimePhrase> times) =>
        // Between two shapings a dough only rests.
        !BetweenShapings(low)
        && (
            low.Contains("double", StringComparison.Ordinal)
            || (
                _context.HasYeast
                && _bake < 0
                && times.Any(t => t.Low is >= 30 and <= 300)
                && Steps.Count > 0
                && Steps[^1].IsHands
                && SecondRise().IsMatch(Steps[^1].Low)
            )
            // "Knead for 10 minutes. Cover, leave 2 hours."
            || (
                _context.HasYeast
                && _bake < 0
                && !_shaped
                && times.Any(t => t.Low is >= 40 and <= 300)
                && !Steps.Exists(s => s.Kind is StepKind.BulkRise or StepKind.Proof)
                && Steps.Count > 0
                && Steps[^1].IsHands
                && Kneads().IsMatch(Steps[^1].Low)
            )
            // "Stir everything together. Leave on the counter 12 to 18 hours."
            || (
                _context.HasYeast
                && _bake < 0
                && !_shaped
                && times.Any(t => t.Low is >= 300 and <= 1440)
                && OnCounter().IsMatch(low)
                && !Steps.Exists(s => s.Kind is StepKind.BulkRise or StepKind.Proof)
                && Steps.Exists(s => s.IsHands && (YeastOrFlour().IsMatch(s.Low) || Everything().IsMatch(s.Low)))
            )
            || (_shaped && _bake < 0 && times.Any(t => t.Low >= 20) && Steps.Exists(s => s.Kind == StepKind.BulkRise) && Steps[^1].IsHands)
            || (
                WarmPlace().IsMatch(low)
                && (
                    Steps.Exists(s => s.Kind is StepKind.BulkRise or StepKind.Proof)
                    || (times.Any(t => t.High >= 30) && Steps.Exists(s => Dough().IsMatch(s.Low)))
                )
            )
        );

    [GeneratedRegex(@"\b(?:counter|worktop|side|table|room temp\w*|at room|kitchen)\b", RegexOptions.None, Patience)]
    private static partial Regex OnCounter();

    [GeneratedRegex(@"\b(?:everything|all (?:the )?ingredients|the lot)\b", RegexOptions.None, Patience)]
    private static partial Regex Everything();

    private bool BetweenShapings(string low) =>
        PreShapes().IsMatch(low) || (Steps.Count > 0 && Steps[^1].IsHands && PreShapes().IsMatch(Steps[^1].Low));

    /// <summary>Whether, with a first rise behind it, something since speaks of a second.</summary>
    private bool IsSecondRise(string low)
    {
        if (!Steps.Exists(s => s.Kind == StepKind.BulkRise))
            return false;
        var since = Steps.Skip(Steps.FindLastIndex(s => s.Kind == StepKind.BulkRise) + 1).Select(s => s.Low);
        return SecondRise().IsMatch($"{string.Join(' ', since)} {low}");
    }

    /// <summary>Whether the dough went into its tin or pan after the first rise.</summary>
    private bool InPanSinceBulk() =>
        Steps.FindLastIndex(s => s.Kind == StepKind.BulkRise) is var bulk
        && bulk >= 0
        && Steps.Skip(bulk + 1).Any(s => SecondRise().IsMatch(s.Low));

    private bool FruitStands(string low) =>
        Steps.Count > 0
        && _bake < 0
        && Steps[^1].IsHands
        && !(_context.HasYeast && YeastOrFlour().IsMatch(Steps[^1].Low))
        && FruitInLiquid().IsMatch($"{Steps[^1].Low} {low}");

    /// <summary>What stands on its tray or in its tin straight after the bake cools there.</summary>
    private bool OnHotPan(string low, IReadOnlyList<TimePhrase> times) =>
        _bake >= 0
        && _bake == Steps.Count - 1
        && (OnThePan().IsMatch(low) || LeftAfter().IsMatch(low))
        && times.Count > 0
        && times[0].High <= 60;

    private bool IsBake(string low, IReadOnlyList<HeatWords> heats, IReadOnlyList<TimePhrase> times)
    {
        if (OvenProof().IsMatch(low) && RiseWords().IsMatch(low))
            return false;
        // Fat, a griddle and a waffle iron are no oven.
        if (NoOven().IsMatch(low) && !IntoOven().IsMatch(low))
            return false;
        // "Turn the oven off. Let the cake cool in the oven with the door closed for 5 hours."
        if (CoolWords().IsMatch(low) && InsideOven().IsMatch(low) && _pending.Exists(p => OvenOff().IsMatch(p.ToLowerInvariant())))
            return false;
        if (OvenDry().IsMatch(low) && times.Count > 0)
            return true;
        if (_bake < 0 && _heat is not null && HotPot().IsMatch(low) && times.Any(t => t.Low is >= 5 and <= 120))
            return true;
        // "remove the beans, 5 minutes more": in the oven, when nothing else has been done since.
        if (
            _bake >= 0
            && times.Any(t => t.IsMore)
            && !WaitSince(_bake)
            && Steps.Count - _bake <= 2
            && !Lasting().IsMatch(low)
            && !RestWords().IsMatch(low)
            && !CoolWords().IsMatch(low)
            && !ChillWords().IsMatch(low)
            && !RiseWords().IsMatch(low)
        )
            return true;
        var timed = times.Any(t => !t.IsMoment) || UntilDone().IsMatch(low);
        // "cook until it smells of nuts" over the fire, where no oven was spoken of.
        if (
            CookOnly().IsMatch(low)
            && heats.Count == 0
            && !IntoOven().IsMatch(low)
            && (_heat is null || (Steps.Count > 0 && OverFire().IsMatch($"{Steps[^1].Low} {low}")))
        )
            return false;
        if (BakeVerb().IsMatch(low) && !BakeRemark().IsMatch(low))
            return timed || heats.Count > 0 || _bake < 0;
        if (
            heats.Count > 0
            && times.Any(t => !t.IsMoment)
            && !Preheat().IsMatch(low)
            && (!OvenFirst().IsMatch(low) || OvenThenTime().IsMatch(low))
        )
            return true;
        if (heats.Count > 0 && UntilDone().IsMatch(low) && !Preheat().IsMatch(low) && NewHeat().IsMatch(low))
            return true;
        if (timed && IntoOven().IsMatch(low) && !low.Contains("pan of", StringComparison.Ordinal))
            return true;
        if (timed && GoesIn().IsMatch(low))
            return true;
        // "into lined loaf tin 45-50min", "40 min, stirring every 10 min"
        return _bake < 0
            && (_heat is not null || _pan is not null)
            && times.Count > 0
            && times[0].High is >= 5 and <= 400
            && (
                (PanEnd().IsMatch(low) && (times[0].Index + times[0].Length >= low.Length - 4 || Fills().IsMatch(low)))
                || StartsAt(low, times[0])
            )
            && !Kneads().IsMatch(low)
            && !(_heat is null && _context.HasYeast && CoveredFor().IsMatch(low))
            && !LeftToStand().IsMatch(low)
            && !RiseWords().IsMatch(low)
            && !ChillWords().IsMatch(low)
            && !FreezeWords().IsMatch(low);
    }

    private bool IsTouch(string low) =>
        _bake >= 0
        && _bake >= Steps.Count - 1
        && TouchVerb().IsMatch(low)
        && (HalfWay().IsMatch(low) || AfterMinutes().IsMatch(low) || BeforeEnd().IsMatch(low) || Browning().IsMatch(low))
        && !MoreBake().IsMatch(low);

    /// <summary>The time that is the length of a clause: the first that is no moment, no turn of many and no heat of a pan.</summary>
    private static TimePhrase? TimeOf(StepKind kind, string low, IReadOnlyList<TimePhrase> times)
    {
        var own = times.Where(t => !t.IsMoment && !(t.IsEach && kind is not StepKind.Work)).ToList();
        // "Freeze 10 min before baking": how long, and not when.
        if (own.Count == 0 && kind is StepKind.Freeze or StepKind.Chill or StepKind.Rest or StepKind.Proof or StepKind.BulkRise)
            own = [.. times.Where(t => t.IsMoment && low.Contains("before", StringComparison.Ordinal))];
        if (own.Count == 0)
            return null;
        var time = own[0];
        // "3 min a side" in a pan: both of them.
        if (kind is StepKind.Work && time.IsEach && EachSide().IsMatch(low))
            time = time with { Low = 2 * time.Low, High = 2 * time.High, IsEach = false };
        if (time.IsMost && kind is StepKind.Chill or StepKind.Mature or StepKind.Freeze && own.Count == 1 && time.Low > 240)
            return null;
        // Work by hand in a clause takes minutes; "within a day" is no hands-on time.
        if (kind is StepKind.Work or StepKind.Mix && (time.High > 180 || TimeNotWork().IsMatch(low)))
            return null;
        return time;
    }
}
