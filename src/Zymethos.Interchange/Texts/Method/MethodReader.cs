using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Sentences;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>
/// Proposes steps and links from the words of a method. A sentence is work, a wait, a bake, a heat, a touch part-way, a remark, keeping or
/// yield, or several of these. Nothing becomes timed work unless a verb of work carries it, and no word is lost: each stands in a step's
/// instruction, in the keeping, or in the notes.
/// </summary>
internal sealed partial class MethodReader
{
    private readonly MethodContext _context;
    private readonly MethodReading _reading = new();
    private readonly HashSet<string> _keys = new(StringComparer.Ordinal);
    private readonly List<(int Step, string Word)> _beside = [];
    private readonly List<string> _pending = [];
    private HeatWords? _heat;
    private MeantPan? _pan;
    private Pan? _sheet;
    private bool _shaped;
    private bool _atOnce;
    private bool _deferred;
    private bool _sameSentence;
    private int _paragraph;
    private int _strand;
    private int _strands;
    private int _sideParagraph = -1;
    private string _sideWord = "";
    private string _sideNext = "";
    private TimePhrase? _firstStage;
    private int _tail = -1;
    private int _sideTail = -1;
    private int _bake = -1;
    private int? _clockSpan;

    private MethodReader(MethodContext context) => _context = context;

    private List<MethodStep> Steps => _reading.Steps;

    /// <summary>Reads a method.</summary>
    /// <param name="paragraphs">As written; numbers before them are dropped.</param>
    /// <param name="context">What is known beside it.</param>
    public static MethodReading Read(IEnumerable<string> paragraphs, MethodContext context)
    {
        var reader = new MethodReader(context);
        foreach (var paragraph in paragraphs.Take(80))
        {
            var text = Numbering().Replace(paragraph.Trim(), "");
            foreach (var sentence in SentenceSplitter.Split(text))
                reader.TakeSentence(sentence);
            reader._paragraph++;
        }

        reader.Close();
        return reader._reading;
    }

    private void TakeSentence(string sentence)
    {
        // "Make ahead: after shaping, refrigerate overnight; ..." tells another way, and is no step of this one.
        var pieces =
            Advice().IsMatch(sentence) || (Ahead().IsMatch(sentence) && !KeepingWords.Speaks(sentence.ToLowerInvariant()))
                ? [sentence]
                : KeepingEnd().Split(sentence);
        foreach (var piece in pieces.Where(p => p.Any(char.IsLetterOrDigit)))
        {
            var from = Steps.Count;
            var became = TakePiece(piece.Trim());
            var keys = Steps.Skip(from).Select(s => s.Draft.Key).ToList();
            if (keys.Count == 0 && became is "step" or "touch" or "remark" or "heat" && Steps.Count > 0)
                keys.Add(Steps[^1].Draft.Key);
            _reading.Sentences.Add(
                new SentenceDraft
                {
                    Text = piece.Trim(),
                    Became = became,
                    Steps = keys,
                }
            );
        }
    }

    /// <summary>Takes a sentence, or the part of one that stands for itself, and says what it became.</summary>
    private string TakePiece(string piece)
    {
        if (_offer == 0 && TakeOffer(piece) is { } offered)
            return offered;
        if (Label().Match(piece) is { Success: true } label && Commands(piece[label.Length..].ToLowerInvariant()))
        {
            // "Frosting: beat ..." is made beside, "Evening: stir ..." only says when.
            var part =
                IsSidePart(label.Groups["label"].Value.ToLowerInvariant())
                && !label.Groups["label"].Value.Contains(' ', StringComparison.Ordinal);
            if (!part)
                Pend(label.Groups["label"].Value);
            piece = part
                ? $"For the {label.Groups["label"].Value.ToLowerInvariant()}, "
                    + $"{char.ToLowerInvariant(piece[label.Length])}{piece[(label.Length + 1)..]}"
                : char.ToUpperInvariant(piece[label.Length]) + piece[(label.Length + 1)..];
        }

        if (Steps.Count > 0 && Advice().Match(piece) is { Success: true } advice && advice.Length < piece.Length)
        {
            var said = piece[advice.Length..].ToLowerInvariant();
            var keeps = KeepingWords.Speaks(said);
            if (keeps)
                _reading.Keeping.AddRange(KeepingWords.In(said));
            Note(piece);
            return keeps ? "keeping" : "remark";
        }

        // "When cold wrap it and don't touch it for two days": it is wrapped, and then it waits.
        if (_bake >= 0 && AndLeaveIt().Match(piece) is { Success: true, Index: > 6 } leaves)
        {
            var wrapped = TakePiece(piece[..leaves.Index] + ".");
            var rest = piece[(leaves.Index + leaves.Length)..];
            TakePiece(char.ToUpperInvariant(rest[0]) + rest[1..]);
            return wrapped;
        }

        // "2. Caramel. Melt butter and sugar ...": the second word is the heading of what is made.
        if (
            HeadingAlone().Match(piece) is { Success: true } alone
            && TimePhrase.In(piece.ToLowerInvariant()).Count == 0
            && _context.Parts.Any(p => p.Equals(alone.Groups["part"].Value, StringComparison.OrdinalIgnoreCase))
        )
        {
            Pend(piece);
            return "remark";
        }

        // "7:00 mix flour and water": the hour of somebody else's day.
        if (Clock().Match(piece) is { Success: true } clock && clock.Length < piece.Length)
        {
            Pend(clock.Value.Trim(' ', '-', '–', ':'));
            _clockSpan = ClockSpan(clock.Value);
            piece = char.ToUpperInvariant(piece[clock.Length]) + piece[(clock.Length + 1)..];
        }

        // "Cut into fingers while warm - makes 20."
        if (
            ThenMakes().Match(piece) is { Success: true, Index: > 6 } makes
            && YieldWords.Line(makes.Groups["said"].Value.TrimEnd('.', '!')) is { } count
        )
        {
            _reading.Yield = _reading.Yield is { Rank: 0 } ? _reading.Yield : count;
            var before = TakePiece(piece[..makes.Index].TrimEnd(' ', ',', '(') + ".");
            Note(makes.Groups["said"].Value);
            return before;
        }

        // "4 folds, half an hour apart."
        if (
            _bake < 0
            && Steps.Count > 0
            && FoldsApart().Match(piece) is { Success: true } spaced
            && Span(spaced.Groups["time"].Value.ToLowerInvariant()) is { } between
            && Number(spaced.Groups["n"].Value.ToLowerInvariant()) is > 0 and <= MostFolds and var sets
        )
        {
            var over = sets * between;
            Add(piece, $"{sets} folds over {over} minutes", StepKind.BulkRise, new TimePhrase(over, over, 0, 0));
            return "step";
        }

        // "Fold every half hour for two hours, then leave ...": what is done meanwhile belongs to the rise, and the rest is told for
        // itself.
        if (FoldsEvery().Match(piece) is { Success: true } folds)
        {
            var isRise = TakeFolds(ThenEnd().Replace(piece[..folds.Length], ""));
            if (!isRise)
                Note(piece[..folds.Length].Trim(' ', ','));
            if (isRise && folds.Length >= piece.Length)
                return "step";
            return folds.Length < piece.Length
                ? TakePiece(char.ToUpperInvariant(piece[folds.Length]) + piece[(folds.Length + 1)..])
                : "remark";
        }

        // "Tap it - if not hollow, give it another 5 minutes": what is done only then is a remark.
        if (OnlyIfNot().Match(piece) is { Success: true, Index: > 6 } perhaps)
        {
            var did = TakePiece(piece[..perhaps.Index].TrimEnd(' ', ',', '-', '–', '—', ';'));
            Note(piece[perhaps.Index..]);
            return did;
        }

        // "25 min with the lid, 20 without": the lid comes off and it bakes on.
        piece = LidOnOff().Replace(piece, "${on}, uncover and bake ${more} more ${off}");
        piece = CoveredThenNot().Replace(piece, "${on}, uncover and bake ${more} more ${off}");
        var low = piece.ToLowerInvariant();
        if (YieldWords.Line(piece.TrimEnd('.', '!')) is { } yield && !VerbWithObject().IsMatch(low))
        {
            if (_reading.Yield is null || yield.Rank < _reading.Yield.Rank)
                _reading.Yield = yield;
            else if (yield.Rank == 3)
                _reading.Serves = yield;
            // "Makes three 1 lb loaf tins": the pan stands in it.
            TakePan(low);
            Note(piece);
            return "yield";
        }

        if (
            (_bake >= 0 || (Steps.Count > 0 && Shapes().IsMatch(Steps[^1].Low)))
            && BareYield().IsMatch(low)
            && YieldWords.Line(ColonYield().Replace($"Makes {piece.TrimEnd('.', '!')}", "Makes ${n} ${what}")) is { } bare
        )
        {
            _reading.Yield ??= bare with { Rank = 0 };
            Note(piece);
            return "yield";
        }

        // "8 x 115g.": the dough is divided so.
        if (_bake < 0 && Portions().Match(low) is { Success: true } portions)
        {
            Divide(new YieldWords(int.Parse(portions.Groups["n"].Value, CultureInfo.InvariantCulture), "pieces", 2), "divide");
            Add(
                $"Divide into {portions.Groups["n"].Value} x "
                    + $"{portions.Value[(portions.Value.IndexOf('x', StringComparison.Ordinal) + 1)..].Trim().TrimEnd('.')}",
                "divide into pieces",
                StepKind.Work,
                null
            );
            return portions.Length < piece.Length && piece[portions.Length..].Trim(' ', ',', '.') is { Length: > 3 } behind
                ? TakePiece(char.ToUpperInvariant(behind[0]) + behind[1..])
                : "step";
        }

        PieceWords(low);
        // "chill for 30 min (the dough keeps 3 days in the fridge)".
        foreach (Match bracket in Bracketed().Matches(low))
        {
            if (
                bracket.Length < low.Trim().Length - 3
                && KeepingWords.Speaks(bracket.Groups["inside"].Value)
                && !KeepingWords.Speaks(Bracketed().Replace(low, " "))
            )
                _reading.Keeping.AddRange(KeepingWords.In(bracket.Groups["inside"].Value));
        }

        // "cut rings with a cutter, 10 of them".
        if (
            _reading.Yield is null
            && OfThem().Match(low) is { Success: true } those
            && YieldWords.Line($"makes {those.Groups["n"].Value}") is { } ofThem
        )
            _reading.Yield = ofThem with { Rank = 2 };
        // "(I got 22)", "I usually get about two dozen".
        if (
            _reading.Yield is null
            && IGet().Match(low) is { Success: true } got
            && YieldWords.Line($"makes {got.Groups["what"].Value}") is { } mine
        )
            _reading.Yield = mine;
        // "Don't cut it for 24 hours": it stands that long.
        if (
            _bake >= 0
            && NotBefore().Match(low) is { Success: true } notBefore
            && TimePhrase.In(notBefore.Groups["time"].Value) is [{ High: >= 15 } still, ..]
        )
        {
            Add(piece, $"leave for {notBefore.Groups["time"].Value}", still.Low >= 720 ? StepKind.Mature : StepKind.Cool, still);
            Steps[^1].Draft.Title = $"Leave it for {notBefore.Groups["time"].Value.Trim()}";
            return "step";
        }

        if (TakeFeeds(piece, low))
            return "step";
        if (KeepingWords.Speaks(Bracketed().Replace(low, " ")) || (KeepingWords.Speaks(low) && !Commands(low)))
        {
            foreach (var keeping in KeepingWords.In(low))
            {
                if (PointOfTime().IsMatch(low) && Steps.Count > 0)
                    keeping.After = Steps[^1].Draft.Key;
                // What is chilled to the end and kept nowhere else is kept cold.
                if (keeping.Place == "counter" && Steps.Count > 0 && Steps[^1].Kind == StepKind.Chill)
                    keeping.Place = "refrigerator";
                _reading.Keeping.Add(keeping);
            }

            Note(piece);
            return "keeping";
        }

        if (KeepingWords.BestFrom(low) is { Length: > 0 } best && !Commands(low))
        {
            Best(best);
            Note(piece);
            return "keeping";
        }

        if (IsTouch(low))
        {
            Steps[_bake].Draft.Instruction = $"{Steps[_bake].Draft.Instruction} {Sentence(piece)}".Trim();
            Touches(Steps[_bake], low);
            return "touch";
        }

        if (!Commands(low) || IsRemark(low))
        {
            // "Place the rack in the lowest position and preheat to 325": the heat counts all the same.
            TakePan(low);
            if ((Preheat().IsMatch(low) || Oven().IsMatch(low)) && HeatWords.In(low, _context.Dialect) is { Count: > 0 } heats)
                _heat = heats[^1];
            Note(piece);
            Remark(low);
            return "remark";
        }

        var heatOnly = true;
        _sameSentence = false;
        foreach (var clause in ClausesOf(piece))
        {
            if (TakeClause(clause))
                heatOnly = false;
            _sameSentence = Steps.Count > 0 && _pending.Count == 0;
        }

        _sameSentence = false;

        return heatOnly ? "heat" : "step";
    }

    /// <summary>The clauses of a sentence; what stands behind "before cutting" is work of its own.</summary>
    private static IEnumerable<string> ClausesOf(string piece)
    {
        foreach (var clause in ClauseSplitter.Split(piece))
        {
            // "brush with butter, and when cool dust with sugar": the second of them waits.
            if (ThenWhenCold().Match(clause) is { Success: true, Index: > 6 } later)
            {
                yield return clause[..later.Index];
                yield return clause[(later.Index + later.Length)..];
                continue;
            }

            var before = BeforeWork().Match(clause);
            if (before.Success && Cooling().IsMatch(clause[..before.Index]))
            {
                yield return clause[..before.Index];
                yield return clause[before.Index..].Trim();
            }
            else
            {
                yield return clause;
            }
        }
    }

    /// <summary>"cutting into 12 bars" as an order: "cut into 12 bars".</summary>
    private static string Commanded(string work)
    {
        var verb = work.Split(' ')[0].TrimEnd('.').ToLowerInvariant();
        var order = verb switch
        {
            "cutting" => "cut",
            "icing" => "ice",
            "glazing" => "glaze",
            "frosting" => "frost",
            "filling" => "fill",
            "decorating" => "decorate",
            "spreading" => "spread",
            "dipping" => "dip",
            "dusting" => "dust",
            "wrapping" => "wrap",
            "assembling" => "assemble",
            "covering" => "cover",
            "coating" => "coat",
            "turning" => "turn",
            _ => verb,
        };
        return verb.Length >= work.TrimEnd('.').Length ? $"{order} it" : order + work[verb.Length..];
    }

    /// <summary>Takes a clause; false when it only set a heat or said something of what is there already.</summary>
    private bool TakeClause(string clause)
    {
        var low = ClauseSplitter.WithoutJoint(clause).ToLowerInvariant();
        var heats = HeatWords.In(low, _context.Dialect);
        TakePan(low);
        // "freeze 20 min while the oven heats to 350".
        if (
            OvenHeats().Match(low) is { Success: true } heating
            && HeatWords.In($"preheat oven to {low[(heating.Index + heating.Length)..]}", _context.Dialect) is { Count: > 0 } risen
        )
        {
            _heat = risen[^1];
            // The heat is that of the oven, and no bake of what rises or chills meanwhile.
            if (!BakeVerb().IsMatch(low[..heating.Index]))
                heats = [];
        }

        if (IsPreheat(low, heats) || (_bake < 0 && heats.Count > 0 && HeatsPot().IsMatch(low) && !BakeVerb().IsMatch(low)))
        {
            if (heats.Count > 0)
                _heat = heats[^1];
            Pend(clause);
            return false;
        }

        // "Make the syrup first:" says what the next clause makes.
        if (clause.EndsWith(':') && PartStart().Match(low) is { Success: true } made && IsSidePart(made.Groups["part"].Value))
        {
            if (Steps.Count > 0 || _context.Parts.Count > 1)
                _sideNext = made.Groups["part"].Value;
            Pend(clause);
            return false;
        }

        if (OvenOff().IsMatch(low) && !StaysIn().IsMatch(low))
        {
            Pend(clause);
            return false;
        }

        if (Steps.Count > 0 && _bake == Steps.Count - 1 && IsTouch(low))
        {
            Keep(clause);
            Touches(Steps[_bake], low);
            return true;
        }

        // "... and test with a skewer" stays with the bake that it tests.
        if (Steps.Count > 0 && _bake == Steps.Count - 1 && ChecksFrom().IsMatch(low))
        {
            Keep(clause);
            return true;
        }

        if (Steps.Count > 0 && _bake == Steps.Count - 1 && TestOnly().IsMatch(low))
        {
            Keep(clause);
            Steps[_bake].Draft.Done = Joined(Steps[_bake].Draft.Done, "A skewer comes out clean");
            return true;
        }

        if (low is "halve" or "halve." or "halve it" or "halve the dough" or "halve it." or "halve the dough.")
            Divide(new YieldWords(2, "halves", 2), low);
        if (_bake < 0 && QuartersDough().IsMatch(low))
            Divide(new YieldWords(4, "quarters", 2), low);
        if (
            YieldWords.Divided(low) is { } division
            && !low.Contains("remaining", StringComparison.Ordinal)
            && !low.Contains("remainder", StringComparison.Ordinal)
            && !PasteOnly().IsMatch(low)
            && !(_bake >= 0 && division.Name.Contains("ball", StringComparison.Ordinal))
            && !(_bake >= 0 && low.Contains("the rest", StringComparison.Ordinal))
        )
            Divide(division, low);
        if (AfterReduce().Match(low) is { Success: true } first && _bake < 0 && _heat is not null)
            TakeBake("Bake", $"bake for {first.Groups["time"].Value}", [], TimePhrase.In(first.Groups["time"].Value));
        // "Put into the oven at 230, turn down to 170 after 15 minutes and bake 75 minutes in all."
        if (
            _bake < 0
            && _heat is not null
            && heats.Count > 0
            && ReduceAfter().Match(low) is { Success: true } reduced
            && TimePhrase.In(reduced.Groups["time"].Value) is [var stage, ..]
        )
        {
            TakeBake("Bake", $"bake for {reduced.Groups["time"].Value}", [], [stage]);
            _heat = heats[^1];
            _firstStage = stage;
            Pend(clause);
            return true;
        }

        // What stands in brackets is a remark, unless it is a time.
        var bare = Brackets().Replace(low, " ");
        var fridge = OrFridge().Match(bare);
        if (fridge.Success)
            bare = bare.Remove(fridge.Index, fridge.Length);
        // "boil the syrup while it is in the oven" bakes nothing.
        bare = WhileInOven().Replace(bare, " ");
        var times = TimePhrase.In(bare);
        var kind = KindOf(bare, heats, times);
        if (kind == StepKind.Bake)
        {
            if (heats.Count > 0)
                _heat = heats[0];
            if (HeatAfter().Match(low) is { Success: true } later && TakeTwoHeats(clause, low, later, times))
                return true;
            return TakeBake(clause, low, heats, times);
        }

        if (heats.Count > 0 && !low.Contains("grill", StringComparison.Ordinal) && HeatChange().IsMatch(low))
            _heat = heats[^1];
        if (IntoOven().IsMatch(low) && kind is StepKind.Work)
        {
            if (heats.Count > 0)
                _heat = heats[0];
            _atOnce |=
                AtOnce().IsMatch(low)
                || low.Contains("delay", StringComparison.Ordinal)
                || low.Contains("straight", StringComparison.Ordinal);
            Pend(clause);
            return false;
        }

        var time = TimeOf(kind, low, times);
        // "8pm-11pm: leave to prove": how long stands before it.
        if (time is null && _clockSpan is { } span && kind is not (StepKind.Work or StepKind.Mix))
            time = new TimePhrase(span, span, 0, 0);
        if (kind is not (StepKind.Work or StepKind.Mix))
            _clockSpan = null;
        // A quarter of an hour and more of what no hands are at is a wait ("put it in a warm place for an hour").
        if (kind is StepKind.Work or StepKind.Mix && time is { Low: >= 12 } && !Lasting().IsMatch(low))
            kind =
                Machine().IsMatch(low) ? StepKind.BulkRise
                : !DoughStands(low, times) && !(_context.HasYeast && _bake < 0 && RiseWords().IsMatch(low)) ? StepKind.Rest
                : _shaped || InPanSinceBulk() ? StepKind.Proof
                : StepKind.BulkRise;
        if (kind == StepKind.Rest && _pending.Exists(p => OvenOff().IsMatch(p.ToLowerInvariant())) && InsideOven().IsMatch(low))
            kind = StepKind.Cool;
        // A pot that steams or simmers for long looks after itself.
        if (
            kind is StepKind.Work or StepKind.Mix
            && time is { Low: >= 20 }
            && Simmers().IsMatch(low)
            && !low.Contains("stirring", StringComparison.Ordinal)
        )
            kind = StepKind.Rest;
        StrandEnd(low);
        if (kind is StepKind.Work or StepKind.Mix && time is null && MayJoin(low))
        {
            Keep(clause);
            return true;
        }

        // "4 min slow, 6 min fast": one after the other.
        if (
            kind is StepKind.Work or StepKind.Mix
            && SlowFast().Match(low) is { Success: true } speeds
            && TimePhrase.In(low[speeds.Groups["b"].Index..]).FirstOrDefault() is { } second
        )
        {
            var at = speeds.Groups["b"].Index;
            Add(clause[..(clause.Length - low.Length + at)].TrimEnd(' ', ','), low[..at], StepKind.Mix, time);
            Add(
                $"Go on {(low[at] is 'o' or 'a' ? "" : "for ")}{clause[(clause.Length - low.Length + at)..]}",
                $"knead {low[at..]}",
                StepKind.Mix,
                second
            );
            return true;
        }

        // "Soak the fruit in the tea and leave overnight": one wait, and its time comes behind.
        if (
            time is not null
            && Steps.Count > 0
            && Steps[^1] is { Kind: StepKind.Soak, Time: null } soak
            && soak.Strand == _strand
            && kind is StepKind.Rest or StepKind.Soak
            && LeftAfter2().IsMatch(low)
        )
        {
            Keep(clause);
            (soak.Time, soak.Draft.Takes) = (time, time.Text);
            return true;
        }

        Add(clause, low, kind, time);
        if (fridge.Success && !Steps[^1].IsHands && TimePhrase.In(fridge.Groups["time"].Value).FirstOrDefault() is { } cold)
            Steps[^1].Draft.Modes = $"refrigerator: chill, {cold.Text}";
        // "keep for 3 days before eating ... up to 2 weeks": it ripens, and then it keeps.
        if (kind == StepKind.Mature && times.LastOrDefault(t => t.IsMost && t != time) is { High: >= 1440 } longest)
            _reading.Keeping.Add(
                new KeepingDraft { Place = "counter", Days = Math.Round(longest.High / 1440.0).ToString("0", CultureInfo.InvariantCulture) }
            );
        // "cool in the tins for 10 minutes, then on racks".
        if (kind == StepKind.Cool && time is { High: <= 45 } && RackAfter().IsMatch(low) && !OutOfPan().IsMatch(low))
            Add("Cool on a rack", "cool on a rack", StepKind.Cool, null);
        if (kind == StepKind.Cool && time is { High: <= 45 } && Finish().IsMatch(low))
            _deferred = false;
        return true;
    }

    /// <summary>Minutes between two hours of the clock ("8pm-11pm", "20:00 - 23:00"); null where only one stands there.</summary>
    private static int? ClockSpan(string words)
    {
        if (ClockHours().Matches(words.ToLowerInvariant()) is not { Count: 2 } hours)
            return null;
        var (from, to) = (Minute(hours[0]), Minute(hours[1]));
        var span = (to - from + 1440) % 1440;
        return span is >= 5 and <= 960 ? span : null;

        static int Minute(Match m)
        {
            var hour = int.Parse(m.Groups["h"].Value, CultureInfo.InvariantCulture) % 24;
            var half = m.Groups["half"].Value;
            hour =
                half == "pm" ? (hour % 12) + 12
                : half == "am" ? hour % 12
                : hour;
            return (hour * 60) + (m.Groups["m"].Success ? int.Parse(m.Groups["m"].Value, CultureInfo.InvariantCulture) : 0);
        }
    }

    /// <summary>Adds words to the step before.</summary>
    private void Keep(string clause)
    {
        var joined =
            clause.StartsWith("and ", StringComparison.OrdinalIgnoreCase) || clause.StartsWith("then ", StringComparison.OrdinalIgnoreCase);
        var step = Steps[^1];
        if (step.Draft.Instruction.Length == 0)
            step.Draft.Title = TitleOf(clause);
        var joint = joined || step.Draft.Instruction.EndsWith(':') ? " " : ", ";
        step.Draft.Instruction = _sameSentence
            ? $"{step.Draft.Instruction.TrimEnd('.', ',')}{joint}{Sentence(clause, false)}"
            : $"{step.Draft.Instruction} {Sentence(clause)}".Trim();
        step.Low = $"{step.Low}; {clause.ToLowerInvariant()}";
        if (Steps.Exists(s => s.Kind == StepKind.BulkRise) && Shapes().IsMatch(clause.ToLowerInvariant()))
            _shaped = true;
        if (Kneads().IsMatch(clause.ToLowerInvariant()))
            step.Kind = StepKind.Mix;
        step.Draft.Kind = DocumentWords.Of(step.Kind);
        TestsAndTouches(step, clause.ToLowerInvariant());
    }

    private bool MayJoin(string low)
    {
        if (Steps.Count == 0)
            return false;
        var last = Steps[^1];
        // What is offered can be left out, so it stands alone.
        if (last.Offer != _offer || OfferEnd().IsMatch(low))
            return false;
        // What begins a strand of its own, is tied by heat or cold, or shapes the pieces stands alone.
        return last.IsHands
            && last.Time is null
            && last.Strand == _strand
            && !_deferred
            && !WhileWarm().IsMatch(low)
            && !WhenCold().IsMatch(low)
            && !OutOfPan().IsMatch(low)
            && !HotThing().IsMatch(low)
            && !WarmThing().IsMatch(low)
            && !ColdThing().IsMatch(low)
            && !(DayBefore().IsMatch(last.Low) && !_sameSentence)
            && last.Draft.Instruction.Length + low.Length < 420
            && (!Shapes().IsMatch(low) || Shapes().IsMatch(last.Low))
            && (last.Paragraph == _paragraph || last.Draft.Instruction.Length < 60)
            && (_sameSentence || !WhileWarm().IsMatch(last.Low))
            && !(Shapes().IsMatch(last.Low) && !Shapes().IsMatch(low) && last.Draft.Instruction.Length > 160)
            && !OutOfPan().IsMatch(last.Low);
    }

    private void Add(string clause, string low, StepKind kind, TimePhrase? time)
    {
        // "The evening before mix the fruit with the rum and cover.": it stands until the next day, though nobody says so.
        if (
            !_sameSentence
            && Steps.Count > 0
            && kind is StepKind.Work or StepKind.Mix
            && DayBefore().IsMatch(Steps[^1].Low)
            && FruitInLiquid().IsMatch(Steps[^1].Low)
            && Steps[^1].Strand == _strand
        )
            Add("Leave overnight", "leave overnight", StepKind.Soak, new TimePhrase(480, 840, 0, 0));
        StartStrand(low);
        if (Shapes().IsMatch(low))
            _shaped = true;
        var step = New(clause, low, kind, time);
        if (kind is StepKind.BulkRise or StepKind.Proof)
        {
            if (OvenProof().IsMatch(low) || OvenProof().IsMatch(step.Draft.Instruction.ToLowerInvariant()))
            {
                step.Draft.Oven = "30 C";
                step.Draft.Pan = (_pan?.Pan ?? Tray())?.Name ?? "";
                step.Draft.Cautions.Add(DocumentWords.Of(CautionKind.DoughInOven));
            }
            else if (
                RiseOr().IsMatch(low)
                || (low.Contains("refrigerat", StringComparison.Ordinal) && low.Contains("overnight", StringComparison.Ordinal))
            )
            {
                step.Draft.Modes = "refrigerator overnight: chill, 8-14 h";
            }
        }

        if (step.IsHands)
            ByHand(step, low);
        Tie(low, step);
        if (!step.IsHands && _strand == 0 && WhileYouMake().Match(low) is { Success: true } next)
            _sideNext = next.Groups["part"].Value;
        if (
            kind == StepKind.Cool
            && _bake >= 0
            && OvenOff().IsMatch(step.Draft.Instruction.ToLowerInvariant())
            && InsideOven().IsMatch(low)
        )
            StaysInOven(step, Steps[_bake]);
    }

    /// <summary>What is left in the oven that was turned off keeps it from anything else until it is taken out.</summary>
    private void StaysInOven(MethodStep step, MethodStep bake)
    {
        if (bake.Draft.Oven.Length == 0 || Steps.IndexOf(step) != _bake + 1)
            return;
        (step.Draft.Oven, step.Draft.Pan, step.Draft.Pans) = ($"off from {bake.Draft.Oven}", bake.Draft.Pan, bake.Draft.Pans);
        foreach (var link in _reading.Links.Where(l => l.From == bake.Draft.Key && l.To == step.Draft.Key))
            link.Why = "it stays in the oven";
    }

    private MethodStep New(string clause, string low, StepKind kind, TimePhrase? time)
    {
        var text = Sentence(clause);
        var step = new MethodStep
        {
            Draft = new StepDraft
            {
                Title = TitleOf(clause),
                Kind = DocumentWords.Of(kind),
                Instruction = Pending(text),
                Takes = time?.Text ?? "",
            },
            Kind = kind,
            Low = low,
            Time = time,
            Strand = _strand,
            Paragraph = _paragraph,
            IsShaped = _shaped,
            Offer = OfferOf(low),
            IsUnusual = _isUnusual,
        };
        step.Draft.Key = KeyOf(step.Draft.Title);
        Steps.Add(step);
        TestsAndTouches(step, low);
        return step;
    }

    private string KeyOf(string title)
    {
        var made = DraftReader.KeyOf(title);
        var key = made;
        for (var n = 2; !_keys.Add(key); n++)
            key = $"{made}-{n}";
        return key;
    }

    private void TakePan(string low)
    {
        // "Stand the tins on a baking sheet": what bakes is in the tins, and they go in together.
        if (
            _pan is { Pan.Shape: not PanShape.Tray }
            && (
                TinsOnSheet().IsMatch(low)
                || (SetOnSheet().IsMatch(low.TrimEnd('.')) && Steps.Count > 0 && FillsPan().IsMatch(Steps[^1].Low))
            )
        )
        {
            _sheet = PanWords.In(OnSheet().Match(low).Value, _context.Pans)?.Pan ?? Tray();
            return;
        }

        if ((PanWords.In(low, _context.Pans) ?? BreadTins(low)) is not { } meant)
            return;
        if (meant.Pan.Shape == PanShape.Tray && meant.Count == 1 && ManyTrays().IsMatch(low) && _bake < 0)
            meant = meant with { Count = 2 };
        // "cool on the sheet", "leave in the tin" speak of the pan that is there.
        if (
            _pan is not null
            && !meant.IsSized
            && _bake >= 0
            && meant.Pan.Shape == PanShape.Tray
            && _pan.Pan.Shape != PanShape.Tray
            && !Toasts().IsMatch(low)
        )
            return;
        if (_pan is not null && meant.Pan.Shape == _pan.Pan.Shape && !meant.IsSized)
            meant = meant with { Pan = _pan.Pan, IsSized = _pan.IsSized };
        if (_pan is not null && meant.Pan == _pan.Pan && meant.Count < _pan.Count)
            meant = meant with { Count = _pan.Count };
        // A dish or tray beside the bake ("a tray of water below") is none to bake in.
        if (WaterPan().IsMatch(low))
            return;
        _pan = meant;
    }

    /// <summary>"put in two greased tins": where a dough has risen, loaf tins are meant.</summary>
    private MeantPan? BreadTins(string low)
    {
        var tins = PlainTins().Match(low);
        if (!tins.Success || !Steps.Exists(s => s.Kind == StepKind.BulkRise))
            return null;
        var count = (int)(
            NumberWords.Of(tins.Groups["n"].Value)
            ?? (int.TryParse(tins.Groups["n"].Value, CultureInfo.InvariantCulture, out var n) ? n : 1)
        );
        if (_bake < 0 && _reading.DividedInto == 0 && count > 1)
            (_reading.DividedInto, _reading.DivisionName) = (count, "loaves");
        return PanWords.In($"{tins.Value} loaf tin", _context.Pans) is { } loaf ? loaf with { Count = count } : null;
    }

    private Pan? Tray() => _context.Pans.FirstOrDefault(p => p.Shape == PanShape.Tray);

    private void Divide(YieldWords division, string low)
    {
        var before = _bake < 0;
        // "Cut in half. ... Cut each into 8": sixteen.
        if (
            before
            && _reading.DividedInto is >= 2 and <= 4
            && division.Pieces > 1
            && (EachInto().IsMatch(low) || (Steps.Count > 0 && Steps[^1].IsHands && EachRolled().IsMatch(Steps[^1].Low)))
        )
        {
            var all = _reading.DividedInto * division.Pieces;
            (_reading.DividedInto, _reading.DivisionName) = (all, division.Name);
            if (_reading.Yield is null or { Rank: >= 2 })
                _reading.Yield = division with { Pieces = all };
            return;
        }

        // "Press into two tins, mark each into 8": sixteen.
        if (before && _reading.DividedInto == 0 && _pan is { Count: > 1 } && EachInto().IsMatch(low) && division.Pieces > 1)
            division = division with { Pieces = division.Pieces * _pan.Count };
        if (before && _reading.DividedInto == 0 && division.Pieces > 1 && !NoDivision().IsMatch(low))
        {
            _reading.DividedInto = division.Pieces;
            _reading.DivisionName = division.Name;
        }

        if (_reading.Yield is null || (_reading.Yield.Rank == 2 && !before))
            _reading.Yield ??= division.Pieces > 3 || !before ? division : null;
    }

    /// <summary>What a sentence says in passing: how many to a tray, one at a time.</summary>
    private void PieceWords(string low)
    {
        var perTray = PerTray().Match(low);
        if (
            perTray.Success
            && (NumberWords.Of(perTray.Groups["n"].Value) ?? double.Parse(perTray.Groups["n"].Value, CultureInfo.InvariantCulture)) is var n
        )
            _reading.PerTray = (int)n;
        if (OneByOne().IsMatch(low))
            _reading.IsOneByOne = true;
    }

    private void Best(string days)
    {
        var counter = _reading.Keeping.Find(k => k.Place.StartsWith("counter", StringComparison.Ordinal));
        if (counter is not null)
            counter.BestFrom = days;
    }

    /// <summary>Words that set something for the step to come stand at its beginning.</summary>
    private void Pend(string clause) => _pending.Add(Sentence(clause));

    private string Pending(string text)
    {
        if (_pending.Count == 0)
            return text;
        var all = $"{string.Join(' ', _pending)} {text}";
        _pending.Clear();
        return all;
    }

    /// <summary>A remark stays with the step it follows.</summary>
    private void Note(string piece)
    {
        if (Steps.Count > 0)
            Steps[^1].Draft.Instruction = $"{Steps[^1].Draft.Instruction} {Sentence(piece)}".Trim();
        else
            _reading.Remarks.Add(Sentence(piece));
    }

    private void Remark(string low)
    {
        if (Steps.Count == 0)
            return;
        var about = _bake >= 0 && DoneWords().IsMatch(low) ? Steps[_bake] : Steps[^1];
        TestsAndTouches(about, low);
        if (about.Kind == StepKind.Bake && TestOnly().IsMatch(low.TrimEnd('.', '!')))
            about.Draft.Done = Joined(about.Draft.Done, "A skewer comes out clean");
    }

    private void Close()
    {
        if (_pending.Count > 0)
        {
            if (Steps.Count > 0)
                Steps[^1].Draft.Instruction = $"{Steps[^1].Draft.Instruction} {string.Join(' ', _pending)}".Trim();
            else
                _reading.Remarks.AddRange(_pending);
        }

        Folds();
        CloseTies();
    }

    private static string TitleOf(string clause)
    {
        var text = ClauseSplitter.WithoutJoint(clause).Trim();
        if (BeforeWork().Match(text) is { Success: true, Index: 0 } before)
            text = Commanded(text[before.Length..]);
        // What comes before the verb only says where or when.
        var lead = Lead().Match(text);
        if (lead.Success && text.Length - lead.Length > 8 && !HasVerb(lead.Value))
            text = text[lead.Length..];
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var title = "";
        foreach (var word in words)
        {
            if (title.Length + word.Length > 56)
                break;
            title = title.Length == 0 ? word : $"{title} {word}";
            if (title.Length > 11 && (word.EndsWith(',') || word.EndsWith(':') || word.EndsWith(';')))
                break;
        }

        while (LooseEnd().Match(title) is { Success: true, Index: > 3 } loose)
            title = title[..loose.Index].TrimEnd();
        title = title.Trim(',', ':', ';', '.', '(', ' ');
        if (title.Count(c => c == '(') > title.Count(c => c == ')'))
            title = title[..title.LastIndexOf('(')].Trim();
        if (title.Length == 0)
            title = text.Length > 56 ? text[..56] : text;
        return char.ToUpperInvariant(title[0]) + title[1..];
    }

    private static bool HasVerb(string text)
    {
        var words = FirstWords().Matches(text.ToLowerInvariant()).Select(m => m.Value).ToList();
        return Enumerable
            .Range(1, Math.Max(0, words.Count - 1))
            .Any(i =>
                VerbWords.IsWork(words[i], i + 1 < words.Count ? words[i + 1] : null, false)
                && words[i - 1] is not ("the" or "a" or "is" or "are")
            );
    }

    private static string Sentence(string clause, bool starts = true)
    {
        var text = clause.Trim().TrimEnd(';', ',').Trim();
        if (starts)
            text = LeadingAnd().Replace(text, "");
        if (text.Length == 0)
            return "";
        if (starts)
            text = char.ToUpperInvariant(text[0]) + text[1..];
        return text[^1] is '.' or '!' or '?' or ')' or ':' ? text : $"{text}.";
    }

    private static string Joined(string lines, string line) =>
        lines.Length == 0 ? line
        : lines.Split('\n').Contains(line) ? lines
        : $"{lines}\n{line}";

    private static int Likely(StepDraft draft) => TimeText.Exact(draft.Takes) is { } takes ? (int)takes.Likely.TotalMinutes : 0;
}
