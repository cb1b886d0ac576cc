using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Sentences;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Lines;

/// <summary>Sorts the rows of a pasted text: name, summary, headings, ingredient lines, method, notes. A row in which a list and sentences
/// stand together is parted.</summary>
internal sealed partial class RowReader
{
    private readonly IngredientKnowledge _knowledge;
    private readonly RecipeRows _rows = new();
    private Section _section = Section.Head;
    private bool _headed;
    private bool _isWhole;
    private int _lastNumber;

    private enum Section
    {
        Head,
        Ingredients,
        Method,
        Notes,
    }

    private RowReader(IngredientKnowledge knowledge) => _knowledge = knowledge;

    /// <summary>Reads the rows of a text.</summary>
    public static RecipeRows Read(string text, IngredientKnowledge knowledge)
    {
        var reader = new RowReader(knowledge);
        var rows = text.Replace("\r", "", StringComparison.Ordinal).Split('\n').Select(r => InFull(Abbreviated(r.Trim()))).ToList();
        // Where the ingredients have a heading of their own, nothing above it is one ("a plain loaf for old bananas").
        var announced = rows.Exists(r => HeadingOf(r) == Section.Ingredients);
        for (var i = 0; i < rows.Count; i++)
        {
            if (rows[i].Length == 0)
                continue;
            var next = rows.Skip(i + 1).FirstOrDefault(r => r.Length > 0) ?? "";
            reader.Take(rows[i], next, announced);
        }

        reader._rows.Parts.RemoveAll(p => p.Lines.Count == 0);
        // "No wait, that is the wrong card! Here is the Yule log:"
        if (reader._rows.Name.Length > 40 && HereIs().Match($"{reader._rows.Name}:") is { Success: true } wrong && wrong.Index > 0)
        {
            reader._rows.Summary.Add(reader._rows.Name);
            reader._rows.Name = char.ToUpperInvariant(wrong.Groups["what"].Value[0]) + wrong.Groups["what"].Value[1..];
        }

        // "Here is the Christmas cake." in a letter.
        if (HereIs().Match($"{reader._rows.Name}.") is { Success: true, Index: 0 } told)
        {
            reader._rows.Summary.Add($"{reader._rows.Name}.");
            reader._rows.Name = char.ToUpperInvariant(told.Groups["what"].Value[0]) + told.Groups["what"].Value[1..];
        }

        if (reader._rows.Name.Length == 0 && rows.Select(r => HereIs().Match(r)).FirstOrDefault(m => m.Success) is { } here)
            reader._rows.Name = char.ToUpperInvariant(here.Groups["what"].Value[0]) + here.Groups["what"].Value[1..];
        return reader._rows;
    }

    /// <summary>A row with the abbreviations of recipe cards in full, whose stops would end sentences.</summary>
    private static string Abbreviated(string row) =>
        SelfRaising()
            .Replace(
                With().Replace(Bullet().Replace(Picture().Replace(Keycap().Replace(row, "${n}. "), " ").Trim(), ""), " with "),
                "self-raising "
            );

    // The number on a key, as messages write it.
    [GeneratedRegex(@"^(?<n>\d)\uFE0F?\u20E3\s*", RegexOptions.None, 900)]
    private static partial Regex Keycap();

    // Little pictures between the words.
    [GeneratedRegex(@" *[\p{Cs}\uFE0F\u200D\u20E3\u23F0-\u23F3\u2600-\u26FF\u2700-\u27BF\u2B50]+ *", RegexOptions.None, 900)]
    private static partial Regex Picture();

    [GeneratedRegex(@"^(?:[•▢□☐◦·‣●○▪>]|[-–—*](?=\s))\s*(?=[^\s*_=-])", RegexOptions.None, 900)]
    private static partial Regex Bullet();

    [GeneratedRegex(@"\bs\.\s?r\.\s?(?=flour)|\bsr (?=flour)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SelfRaising();

    [GeneratedRegex(@"\s+w/\s*(?!o\b)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex With();

    [GeneratedRegex(
        @"^\W*(?:from the kitchen of|recipe (?:by|from)|from the recipe box of|kitchen of)\b\s*:?.{0,40}$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Whose();

    // "7:00 mix flour and water".
    [GeneratedRegex(
        @"^(?:at )?(?:(?:\d{1,2}[:.]\d{2}\s*(?:am|pm|h)?|\d{1,2}\s*(?:am|pm))(?:\s*[-–]\s*\d{1,2}(?:[:.]\d{2})?\s*(?:am|pm|h)?)?"
            + @"|(?:\d{1,2}(?:[.:]\d{2})?, ){1,6}\d{1,2}(?:[.:]\d{2})?\s?(?:am|pm))\s*[–:-]?\s+[a-z]",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ClockTime();

    [GeneratedRegex(
        @"^\W*(?:oven(?: temp(?:erature)?\.?)?|pre-?heat oven|bake at|temperature)\s*[:–-]?\s*(?:to |at )?(?:gas|\d)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex OvenRow();

    [GeneratedRegex(@"^(?:about )?(?<n>\d{1,2}) ?[x×] ?(?:about )?\d{2,4} ?g(?: each)?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex TimesWeight();

    // "Cut into 18 bars. Can be frozen." above the list.
    [GeneratedRegex(@"^\W*cuts? (?:in)?to (?:about )?(?<what>\d{1,3} [a-z]+)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex CutInto();

    private void Take(string row, string next, bool announced)
    {
        if (_section == Section.Head && _rows.Parts.Count == 0 && _rows.Method.Count == 0)
        {
            if (Whose().IsMatch(row))
            {
                _rows.Notes.Add(row);
                Became(row, "note");
                return;
            }

            if (
                _rows.Name.Length > 0
                && row.Length < 80
                && CutInto().Match(row) is { Success: true } cut
                && YieldWords.Line($"Makes {cut.Groups["what"].Value}") is { } pieces
            )
            {
                _rows.Yields.Add(pieces);
                _rows.Notes.Add(row);
                Became(row, "yield");
                return;
            }
        }

        if (HeadingOf(row) is { } heading)
        {
            if (YieldWords.InHeading(row) is { } bracket)
                _rows.Yields.Add(bracket.Yield);
            if (heading == Section.Ingredients && _rows.Method.Count > 0 && _headed)
                heading = Section.Ingredients;
            _section = heading;
            _headed = true;
            return;
        }

        if (StepNumber().IsMatch(row))
        {
            // "Step 1" alone in its row: what follows is the method.
            if (row.StartsWith("step", StringComparison.OrdinalIgnoreCase) && _rows.Parts.Exists(p => p.Lines.Count > 0))
                (_section, _headed) = (Section.Method, true);
            return;
        }

        // "Day 2 – Dough: 500 g flour, ...": the day is a remark, and the part follows.
        if (
            DayThenPart().Match(row) is { Success: true } dayOf
            && Inline().Match(row[dayOf.Length..]) is { Success: true } dayPart
            && IsListed(dayPart.Groups["head"].Value, dayPart.Groups["rest"].Value)
        )
        {
            _rows.Notes.Add(dayOf.Groups["day"].Value);
            _section = Section.Ingredients;
            _headed = false;
            row = row[dayOf.Length..];
        }

        // "Saturday", "Friday evening", "Day 2": what follows is done then.
        if (
            DayHeading().IsMatch(row)
            && (_rows.Parts.Exists(p => p.Lines.Count > 0) || (_rows.Name.Length > 0 && IsMethod(next)))
            && (!IsLine(next) || ClockTime().IsMatch(next) || DayLabel().IsMatch(next))
        )
        {
            _rows.Notes.Add(row);
            _section = Section.Method;
            Became(row, "remark");
            // "Into the fridge." and then "Day 2": it stands there overnight.
            if (AnotherDay().IsMatch(row) && _rows.Method.Count > 0 && EndsInFridge().IsMatch(_rows.Method[^1]))
                _rows.Method[^1] = $"{_rows.Method[^1].TrimEnd('.')} overnight.";
            return;
        }

        if (
            YieldWords.Line(row) is { } yield
            && !(
                StartsLine(row)
                && _rows.Name.Length > 0
                && _section == Section.Ingredients
                && !row.StartsWith("for", StringComparison.OrdinalIgnoreCase)
                && !YieldVerb().IsMatch(row)
            )
        )
        {
            _rows.Yields.Add(yield);
            _rows.Notes.Add(row);
            Became(row, "yield");
            return;
        }

        // "3 x 330 g" below the name.
        if (
            _section == Section.Head
            && _rows.Parts.Count == 0
            && _rows.Name.Length > 0
            && TimesWeight().Match(row) is { Success: true } portions
            && YieldWords.Line($"Makes {portions.Groups["n"].Value}") is { } scaled
        )
        {
            _rows.Yields.Add(scaled);
            _rows.Notes.Add(row);
            Became(row, "yield");
            return;
        }

        // "Oven 180C" above the list, or between it and the method.
        if (
            _section is Section.Head or Section.Ingredients
            && _rows.Name.Length > 0
            && row.Length < 50
            && OvenRow().IsMatch(row)
            && HeatWords.In(row.ToLowerInvariant(), _knowledge.Dialect).Count > 0
        )
        {
            AddMethod(row.TrimEnd('.') + ".");
            return;
        }

        // "Makes 16 squares. Keep at least 3 days before eating." above the list.
        if (
            _section == Section.Head
            && _rows.Parts.Count == 0
            && _rows.Method.Count == 0
            && _rows.Name.Length > 0
            && SentenceSplitter.Split(row) is { Count: 2 or 3 } parts
            && YieldWords.Line(parts[0].TrimEnd('.', '!')) is { } leading
        )
        {
            _rows.Yields.Add(leading);
            _rows.Notes.Add(row);
            Became(row, "yield");
            return;
        }

        if (BracketOnly().IsMatch(row) && YieldWords.InHeading(row) is { } alone)
        {
            _rows.Yields.Add(alone.Yield);
            Became(row, "yield");
            return;
        }

        // "Prep 25 min | Bake 14 min | Makes 30 cookies", with bars or with wide gaps between.
        if (
            (_rows.Name.Length > 0 ? Columns().Split(row) : row.Split('|', '·', '•')) is { Length: > 1 } bars
            && bars.Select(p => YieldWords.Line(p.Trim())).FirstOrDefault(y => y is not null) is { } among
            && bars.All(p => p.Trim().Length < 40)
        )
        {
            _rows.Yields.Add(among);
            _rows.Notes.Add(row);
            Became(row, "yield");
            return;
        }

        // "12 muffins - 20 min prep - 25 min bake".
        if (
            Bits().Split(row) is { Length: >= 2 } bits
            && Array.Find(bits, b => BareYield().IsMatch(b)) is { } made
            && bits.All(b => b == made || TimePhrase.In(b.ToLowerInvariant()).Count > 0)
            && YieldWords.Line($"Makes {made}") is { } all
        )
        {
            _rows.Yields.Add(all);
            _rows.Notes.Add(row);
            Became(row, "yield");
            return;
        }

        // "8 scones" straight below the name.
        if (
            _rows.Name.Length > 0
            && _section == Section.Head
            && _rows.Parts.Count == 0
            && _rows.Method.Count == 0
            && BareYield().IsMatch(row)
            && LineReader.Read(row, _knowledge).Ingredient is null
            && YieldWords.Line($"Makes {row}") is { } bare
        )
        {
            _rows.Yields.Add(bare);
            Became(row, "yield");
            return;
        }

        if (Meta().IsMatch(row) || Equipment().IsMatch(row))
        {
            _rows.Notes.Add(row);
            Became(row, "note");
            return;
        }

        if (_section == Section.Notes)
        {
            _rows.Notes.Add(row);
            Became(row, "note");
            return;
        }

        if (_rows.Name.Length == 0 && _section == Section.Head && TakeName(row, next, announced))
            return;
        if (TakePart(row, next))
            return;
        // "Grease the tin. Set the oven at 160C" may stand above the list.
        if (
            announced
            && _section == Section.Head
            && IsMethod(row)
            && (HeatWords.In(row.ToLowerInvariant(), _knowledge.Dialect).Count > 0 || PanWords.Find(row.ToLowerInvariant(), []) is not null)
            && SentenceSplitter.Split(row).Any(StartsWithVerb)
        )
        {
            AddMethod(row);
            return;
        }

        if (
            _section == Section.Head
            && _rows.Parts.Count == 0
            && Told().Match(row) is { Success: true } told
            && YieldWords.Line(told.Value.TrimEnd('.')) is { } within
        )
            _rows.Yields.Add(within);
        // "oil for greasing" above the first amount.
        if (
            _section == Section.Head
            && _rows.Parts.Count == 0
            && _rows.Name.Length > 0
            && ForUse().IsMatch(row)
            && StartsLine(next)
            && LineReader.Read(row, _knowledge).Ingredient is not null
        )
        {
            _section = Section.Ingredients;
            AddLines([row]);
            Became(row, "line");
            return;
        }

        if (announced && _section == Section.Head)
        {
            _rows.Summary.Add(row);
            Became(row, "summary");
            return;
        }

        TakeRow(row);
    }

    private bool TakeName(string row, string next, bool announced)
    {
        if (LineSplitter.StartsWithAmount(row) && IsLine(row) && !announced && !IsTitle(row))
            return false;
        if (TimeNote().Match(row) is { Success: true, Index: > 3 } remark)
        {
            _rows.Notes.Add(remark.Value.Trim(' ', '(', ')'));
            row = row[..remark.Index];
        }

        // "Hi everyone! I've been asked for this one so often.": a greeting, and the name comes later.
        if (next.Length > 0 && Greeting().IsMatch(row) && SentenceSplitter.Split(row).Count > 1 && !row.Any(char.IsAsciiDigit))
        {
            _rows.Summary.Add(row);
            Became(row, "summary");
            if (
                MakesInPassing().Match(row) is { Success: true } makesSo
                && YieldWords.Line($"Makes {makesSo.Groups["what"].Value}") is { } so
            )
                _rows.Yields.Add(so);
            return true;
        }

        // Behind a greeting a list of a part is no name.
        if (_rows.Summary.Count > 0 && next.Length > 0 && Inline().Match(row) is { Success: true } listed)
        {
            var head = listed.Groups["head"].Value;
            if ((PartNames().IsMatch(head) || SoakHead().IsMatch(head)) && IsListed(head, listed.Groups["rest"].Value))
                return false;
        }

        var plain = row.TrimStart('#', '*', ' ').TrimEnd('*', ' ');
        // "Dear Ruth,": the letter begins below.
        if (next.Length > 0 && Address().IsMatch(plain))
        {
            _rows.Summary.Add(row);
            Became(row, "summary");
            return true;
        }

        // "hi love, banana loaf as promised x": the name is among them.
        if (next.Length > 0 && plain.Length < 90 && Promised().Match(plain) is { Success: true } promised)
        {
            _rows.Name = char.ToUpperInvariant(promised.Groups["what"].Value[0]) + promised.Groups["what"].Value[1..].Trim();
            _rows.Summary.Add(row);
            Became(row, "name");
            return true;
        }

        // "My easy oat loaf: soak 100 g oats in 350 g hot water": the name, and the method behind it.
        if (
            NameThenWork().Match(plain) is { Success: true } told
            && StartsWithVerb(told.Groups["rest"].Value)
            && !StartsWithVerb(told.Groups["head"].Value)
        )
        {
            _rows.Name = Clip(char.ToUpperInvariant(told.Groups["head"].Value.Trim()[0]) + told.Groups["head"].Value.Trim()[1..], 120);
            Became(_rows.Name, "name");
            var work = told.Groups["rest"].Value;
            TakeRow(char.ToUpperInvariant(work[0]) + work[1..]);
            return true;
        }

        // "lemon drizzle for sat: 225g butter ...": the name and a list in one row.
        var inline = Inline().Match(plain);
        if (inline.Success && next.Length == 0 && IsList(inline.Groups["rest"].Value))
        {
            _rows.Name = Clip(inline.Groups["head"].Value.Trim(), 120);
            Became(_rows.Name, "name");
            TakeRow(inline.Groups["rest"].Value);
            return true;
        }

        // "Old gingerbread. ½ lb. plain flour, ¼ lb. butter, ...": the same with a full stop.
        if (DottedName().Match(plain) is { Success: true } dotted && IsList(dotted.Groups["rest"].Value))
        {
            _rows.Name = dotted.Groups["head"].Value.Trim();
            Became(_rows.Name, "name");
            TakeRow(dotted.Groups["rest"].Value.TrimEnd('.'));
            return true;
        }

        var name = plain;
        if (plain.Length < 140 && YieldWords.InHeading(plain) is { } bracket)
        {
            _rows.Yields.Add(bracket.Yield);
            if (bracket.Name.Length < plain.Length)
                _rows.Notes.Add(plain[bracket.Name.Length..].Trim(' ', '(', ')', '-', '–', '—'));
            name = bracket.Name;
        }

        // "Chewy oat bars. Makes 12. No bake!": the name, how many, and a remark.
        if (
            name.Length < 140
            && SentenceSplitter.Split(name) is { Count: 2 or 3 } said
            && said[0].Length is > 3 and < 70
            && said.Skip(1).Select(s => YieldWords.Line(s.TrimEnd('.', '!'))).FirstOrDefault(y => y is not null) is { } makes
        )
        {
            _rows.Yields.Add(makes);
            _rows.Notes.AddRange(said.Skip(1));
            name = said[0].TrimEnd('.', '!');
        }

        var columns = Gap().Split(name).Where(c => c.Length > 0).ToList();
        if (columns.Count > 1)
        {
            name = columns[0];
            foreach (var column in columns.Skip(1))
                TakeColumn(column);
        }

        // A whole paragraph in the first row is a method without a name.
        if (SentenceSplitter.Split(name) is { Count: > 2 } sentences && name.Length > 160)
        {
            if (Greeting().IsMatch(sentences[0]))
            {
                // "Dear Rosie, here is the cherry cake. 6 oz butter, ...": a list comes behind the greeting.
                var behind = string.Join(' ', sentences.Skip(1));
                if (IsList(behind))
                {
                    _rows.Summary.Add(sentences[0]);
                    Became(sentences[0], "summary");
                    TakeRow(behind);
                }
                else
                {
                    TakeRow(plain);
                }

                if (HereIs().Match(sentences[0]) is { Success: true } here)
                    _rows.Name = char.ToUpperInvariant(here.Groups["what"].Value[0]) + here.Groups["what"].Value[1..];
                if (NameInGreeting().Match(sentences[0]) is { Success: true } greeted)
                    _rows.Name = char.ToUpperInvariant(greeted.Groups["what"].Value[0]) + greeted.Groups["what"].Value[1..];
                if (RecipeFor().Match(plain) is { Success: true } named)
                    _rows.Name = char.ToUpperInvariant(named.Groups["what"].Value[0]) + named.Groups["what"].Value[1..];
                return true;
            }

            if (sentences[0].Length > 60 || sentences[0].Any(char.IsAsciiDigit) || StartsWithVerb(sentences[0]))
                return false;
            _rows.Name = sentences[0].TrimEnd('.', '!');
            Became(_rows.Name, "name");
            TakeRow(string.Join(' ', sentences.Skip(1)));
            return true;
        }

        _rows.Name = Clip(name.Count(c => c == '.') == 1 ? name.Trim(' ', ':', '!', '.') : name.Trim(' ', ':', '!'), 120);
        if (name.Length > 120)
            _rows.Summary.Add(name);
        Became(row, "name");
        return true;
    }

    /// <summary>What stands beside the name on a card: "Makes: 20", "Oven: 180C".</summary>
    private void TakeColumn(string column)
    {
        if (YieldWords.Line(column) is { } yield)
        {
            _rows.Yields.Add(yield);
            _rows.Notes.Add(column);
        }
        else if (
            column.StartsWith("oven", StringComparison.OrdinalIgnoreCase)
            && HeatWords.In(column.ToLowerInvariant(), _knowledge.Dialect).Count > 0
        )
        {
            AddMethod(column);
        }
        else
        {
            _rows.Summary.Add(column);
        }
    }

    [GeneratedRegex(@"^(?<head>[A-Z][^.;:,\d]{3,60})\. (?<rest>[\d½¼¾⅓⅔].{20,1200})$", RegexOptions.None, 900)]
    private static partial Regex DottedName();

    /// <summary>"Three Rivers Sweet Potato Rolls": words with capitals and neither a figure nor a measure among them are a name, whatever
    /// number they start with.</summary>
    private static bool IsTitle(string row)
    {
        var words = row.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        // "Two Rivers brioche": a name of its own behind the number.
        if (
            words.Length is >= 3 and <= 8
            && NumberWords.Of(words[0].ToLowerInvariant()) is not null
            && words[1].Length > 3
            && char.IsUpper(words[1][0])
            && char.IsLower(words[2][0])
            && UnitWords.Find(words[1].ToLowerInvariant()) is null
            && IngredientKnowledge.Shipped.Find(words[1]) is null
        )
            return true;
        return words.Length >= 3
            && !row.Any(char.IsDigit)
            && words.All(w => char.IsUpper(w[0]) || w.Length <= 3)
            && !words.Any(w => UnitWords.Find(w.ToLowerInvariant()) is not null);
    }

    /// <summary>A heading of a part, alone in its row or before a list.</summary>
    private bool TakePart(string row, string next)
    {
        if (_section == Section.Method && _headed)
            return false;
        var plain = PartThenAmount().Replace(row.TrimStart('#', '*', ' ').TrimEnd('*', ' '), "${head}: ");
        var inline = Inline().Match(plain);
        if (
            inline.Success
            && OptionalHead().IsMatch(inline.Groups["head"].Value)
            && LineReader.Read(inline.Groups["rest"].Value, _knowledge).Ingredient is not null
        )
        {
            // "Optional: 1 egg for egg wash".
            AddLines([$"{inline.Groups["rest"].Value}, optional"]);
            Became(row, "line");
            _section = Section.Ingredients;
            return true;
        }

        if (inline.Success && !Numbered().IsMatch(row) && IsListed(inline.Groups["head"].Value, inline.Groups["rest"].Value))
        {
            Part(HeadingOf(inline.Groups["head"].Value) == Section.Ingredients ? "" : inline.Groups["head"].Value);
            // "Soak overnight: 200 g raisins, ...": what is done with it stands in its heading alone.
            if (SoakHead().IsMatch(inline.Groups["head"].Value) && TimePhrase.In(inline.Groups["head"].Value.ToLowerInvariant()).Count > 0)
                AddMethod($"{inline.Groups["head"].Value.Trim()}.");
            var (list, rest) = ListAndRest(inline.Groups["rest"].Value);
            if (list.Count > 0)
                AddLists(list);
            else
                AddLines([inline.Groups["rest"].Value.TrimEnd('.')]);
            if (list.Count == 0)
                rest = "";
            _isWhole = list.Count > 0 && rest.Length == 0;
            Became(row, "line");
            _section = rest.Length > 0 ? Section.Method : Section.Ingredients;
            if (rest.Length > 0)
                AddMethod($"For the {PartName(inline.Groups["head"].Value).ToLowerInvariant()}: {rest}");
            return true;
        }

        // "To decorate: writing icing, sprinkles": no amounts, and all the same what goes on it.
        if (
            inline.Success
            && ForThe().IsMatch(inline.Groups["head"].Value)
            && inline.Groups["rest"].Value is { Length: < 90 } onto
            && !IsMethod(onto)
            && !StartsWithVerb(onto)
        )
        {
            Part(inline.Groups["head"].Value);
            AddLines(onto.TrimEnd('.').Split(", "));
            Became(row, "line");
            _section = Section.Ingredients;
            return true;
        }

        if (!IsPartHeading(plain, next))
            return false;
        if (_section == Section.Method && !IsLine(next) && !AllOf().IsMatch(next))
            return false;
        Part(plain);
        Became(row, "part");
        if (_section != Section.Ingredients)
            _section = Section.Ingredients;
        return true;
    }

    [GeneratedRegex(
        @"^(?<day>day (?:\d|one|two|three)(?:,? (?:evening|morning|night|afternoon))?|(?:the )?(?:evening|night|day) before|"
            + @"next (?:day|morning))\s*[–—-]\s*(?=[\p{L} ]{3,30}:\s)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex DayThenPart();

    private void TakeRow(string row)
    {
        if (_section == Section.Method && _headed)
        {
            AddMethod(row);
            return;
        }

        if (_section == Section.Ingredients && _headed && !IsMethod(row))
        {
            AddLines([row]);
            Became(row, "line");
            return;
        }

        if (IsNextStep(row))
        {
            AddMethod(row);
            return;
        }

        var numbered = Numbered().IsMatch(row) && !IsLine(row);
        if (!numbered && IsLine(row))
        {
            // "For the sponge: 125g butter, ..." is all of the sponge; what stands in the next row is none of it.
            if (_isWhole)
                _rows.Parts.Add(("", []));

            _section = Section.Ingredients;
            AddLines([row]);
            Became(row, "line");
            return;
        }

        var (list, rest) = numbered ? ([], row) : ListAndRest(row);
        if (list.Count > 0)
        {
            _section = Section.Ingredients;
            AddLists(list);
            Became(rest.Length > 0 ? row[..Math.Max(1, row.Length - rest.Length)].Trim() : row, "line");
            if (rest.Length > 0)
            {
                _section = Section.Method;
                AddMethod(rest);
            }

            return;
        }

        if (_section == Section.Ingredients && Bare(row))
        {
            if (_isWhole)
                _rows.Parts.Add(("", []));
            AddLines([row]);
            Became(row, "line");
            return;
        }

        if (_section == Section.Head && _rows.Parts.Count == 0 && !IsMethod(row))
        {
            _rows.Summary.Add(row);
            Became(row, "summary");
            return;
        }

        _section = Section.Method;
        AddMethod(row);
    }

    private void AddMethod(string row)
    {
        if (RowNumber().Match(row) is { Success: true } number)
            _lastNumber = int.Parse(number.Groups["n"].Value, System.Globalization.CultureInfo.InvariantCulture);
        _rows.Method.Add(row);
    }

    /// <summary>"6 Best eaten on the day." behind step 5: the next of the row, and no amount.</summary>
    private bool IsNextStep(string row) =>
        _section == Section.Method
        && _lastNumber > 0
        && RowNumber().Match(row) is { Success: true } number
        && int.Parse(number.Groups["n"].Value, System.Globalization.CultureInfo.InvariantCulture) == _lastNumber + 1;

    [GeneratedRegex(@"^(?<n>\d{1,2})[.):]?\s+(?=\p{Lu})", RegexOptions.None, 900)]
    private static partial Regex RowNumber();

    private void Part(string heading)
    {
        _isWhole = false;
        if (YieldWords.InHeading(heading) is { } bracket)
            _rows.Yields.Add(bracket.Yield);
        _rows.Parts.Add((Clip(PartName(heading), 80), []));
    }

    private void AddLines(IEnumerable<string> lines)
    {
        if (_rows.Parts.Count == 0)
            _rows.Parts.Add(("", []));
        _isWhole = false;
        foreach (var line in lines.SelectMany(l => LineSplitter.Split(l, _knowledge)).Select(l => l.Trim().TrimEnd(',', ';')))
        {
            // "630 g sour" where the sour is a part of its own: what was made there, and no new line.
            if (IsPart(line))
                _rows.Notes.Add(line);
            else if (
                ChocolateOf().IsMatch(line)
                && _rows.Parts[^1].Lines is [.., var choc]
                && choc.EndsWith("chocolate", StringComparison.OrdinalIgnoreCase)
            )
                _rows.Parts[^1].Lines.Add($"{line} chocolate");
            else if (OptionalPart().IsMatch(_rows.Parts[^1].Name) && !line.Contains("optional", StringComparison.OrdinalIgnoreCase))
                _rows.Parts[^1].Lines.Add($"{SameAsBefore(line)}, optional");
            else
                _rows.Parts[^1].Lines.Add(SameAsBefore(line));
        }
    }

    [GeneratedRegex(@"^optional\b|\(optional\)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OptionalPart();

    private bool IsPart(string line) =>
        IsAllOf(line)
        || AllOfBoth(line)
        || LineReader.Read(line, _knowledge) is { Ingredient: null, Name.Length: > 2 } read
            && _rows.Parts.Take(_rows.Parts.Count - 1).Any(p => p.Lines.Count > 0 && IsNamed(p.Name, read.Name));

    /// <summary>"all the levain": the part of that name.</summary>
    private bool IsAllOf(string line) =>
        AllOf().Match(line) is { Success: true } all
        && _rows.Parts.Take(_rows.Parts.Count - 1).Any(p => p.Lines.Count > 0 && IsNamed(p.Name, all.Groups["what"].Value));

    /// <summary>"all of the sourdough and the soaker": two parts that were made before.</summary>
    private bool AllOfBoth(string line) =>
        TwoParts().Match(line) is { Success: true } two
        && new[] { two.Groups["a"].Value, two.Groups["b"].Value }.All(n =>
            _rows.Parts.Take(_rows.Parts.Count - 1).Any(p => p.Lines.Count > 0 && IsNamed(p.Name, n))
        );

    [GeneratedRegex(
        @"^\W*(?:all (?:of )?)?the (?<a>\p{L}{4,20}) and (?:all (?:of )?)?(?:the )?(?<b>\p{L}{4,20})$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex TwoParts();

    // "Cream cheese frosting" is no cream: the whole name, or the name before a bracket.
    private static bool IsNamed(string part, string name) =>
        part.Equals(name, StringComparison.OrdinalIgnoreCase) || part.StartsWith($"{name} (", StringComparison.OrdinalIgnoreCase);

    [GeneratedRegex(
        @"^\W*(?:all (?:of )?)?the (?:whole |ripe |entire )?(?<what>\p{L}{4,20})(?: from (?:above|the night before|day \d))?$|"
            + @"^(?<what>\p{L}{4,20}),? \(?(?:all(?: of it)?|from above)\)?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex AllOf();

    /// <summary>"same weight of brown sugar": the weight of the line before, and the words as they were.</summary>
    private string SameAsBefore(string line)
    {
        var same = SameWeight().Match(line);
        if (!same.Success || _rows.Parts[^1].Lines is not [.., var last] || GivenWeight().Match(last) is not { Success: true } weight)
            return line;
        return $"{weight.Value} {same.Groups["what"].Value} ({same.Groups["how"].Value.Trim()})";
    }

    [GeneratedRegex(
        @"^\W*(?<how>(?:the )?(?:same|equal) (?:weight|amount|quantity)(?: again)?)(?: of)? (?<what>\p{L}.{2,50})$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex SameWeight();

    [GeneratedRegex(@"\b\d+(?:[.,]\d+)?\s?(?:kg|g|oz|lb)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex GivenWeight();

    private void Became(string row, string what) => _rows.Sentences.Add(new SentenceDraft { Text = row, Became = what });

    private bool IsList(string text) => ListAndRest(text).Lists.Count > 0;

    /// <summary>Whether what stands behind a colon is a list of a part, and what stands before it its name.</summary>
    private bool IsListed(string head, string rest)
    {
        if (head.Length > 60 || head.Any(char.IsDigit))
            return false;
        if (SentenceSplitter.Split(head).Count > 1)
            return false;
        if (IsList(rest))
            return true;
        return (LineSplitter.StartsWithAmount(rest) || Bare(rest))
            && LineReader.Read(rest, _knowledge) is { Ingredient: not null }
            && !IsMethod(rest);
    }

    /// <summary>The ingredients at the beginning of a row, part by part, and the sentences behind them.</summary>
    private (List<(string Part, List<string> Lines)> Lists, string Behind) ListAndRest(string row)
    {
        var lists = new List<(string Part, List<string> Lines)>();
        // "6 tbsp brandy - put all that in a big bowl": the list ends at the dash.
        var sentences = SentenceSplitter
            .Split(LinesInMethod.Spelled(row))
            .SelectMany(s => ThenOrder().Split(s).Select((part, i) => i == 0 ? part : char.ToUpperInvariant(part[0]) + part[1..]))
            .Where(s => s.Length > 0)
            .ToList();
        var at = 0;
        for (; at < sentences.Count; at++)
        {
            if (DayLabel().IsMatch(sentences[at]))
                break;
            var plain = sentences[at].TrimEnd('.', '!');
            var text = NeedWords().Replace(plain, "");
            var needed = text.Length < plain.Length;
            var label = at > 0 ? PartLabel().Match(text) : Match.Empty;
            if (needed && OrderInNeed().IsMatch(text))
                break;
            if (needed && Inside().Match(text) is { Success: true } inside)
            {
                // "...; and for inside 1 kg apples": what follows is a part of its own.
                lists.Add(("", Pieces(text[..inside.Index], true)));
                lists.Add((inside.Groups["part"].Value, Pieces(text[(inside.Index + inside.Length)..], true)));
                continue;
            }

            var pieces = Pieces(label.Success ? text[label.Length..] : text, needed);
            // "Caster sugar for sprinkling." behind a list belongs to it.
            if (
                pieces.Count == 0
                && lists.Count > 0
                && ForUse().IsMatch(plain)
                && LineReader.Read(plain, _knowledge).Ingredient is not null
            )
                pieces = [plain];
            // "Topping: sesame or poppy seeds."
            if (
                pieces.Count == 0
                && label.Success
                && lists.Count > 0
                && text[label.Length..] is { Length: > 2 and < 50 } only
                && !StartsWithVerb(only)
                && LineReader.Read(only, _knowledge).Ingredient is not null
            )
                pieces = [only];
            if (
                pieces.Count == 0
                && lists.Count > 0
                && LineSplitter.StartsWithAmount(plain)
                && plain.Length < 60
                && LineReader.Read(plain, _knowledge) is { Ingredient: not null, Amounts.Length: > 0 }
            )
                pieces = [plain];
            if (pieces.Count == 0)
                break;
            lists.Add((label.Success ? label.Groups["part"].Value : "", pieces));
        }

        return lists.Count == 0 ? ([], row) : (lists, string.Join(' ', sentences.Skip(at)));
    }

    /// <summary>The ingredients of a sentence that is a list; empty when it is none.</summary>
    private List<string> Pieces(string text, bool needed)
    {
        if (!needed && (OrderInside().IsMatch(text) || InVessel().IsMatch(text)))
            return [];
        var verb = !needed && StartsWithVerb(text);
        var pieces = LineSplitter.Split(text, _knowledge);
        var amounts = pieces.Count(p => LineReader.Read(p, _knowledge) is { Amounts.Length: > 0, Ingredient: not null });
        if (pieces.Count < 2 || amounts < Math.Max(2, (pieces.Count + 1) / 2) || verb)
            pieces = LineSplitter.Unparted(text, _knowledge);
        return pieces.Count < 2 || (verb && !LineSplitter.StartsWithAmount(text)) ? [] : [.. pieces];
    }

    private void AddLists(List<(string Part, List<string> Lines)> lists)
    {
        foreach (var (part, lines) in lists)
        {
            if (part.Length > 0)
                Part(part);
            AddLines(lines);
        }
    }

    private static bool StartsWithVerb(string text)
    {
        var words = WordsAndFigures().Matches(text.ToLowerInvariant()).Select(m => m.Value).Take(2).ToList();
        return words.Count > 0 && VerbWords.IsWork(words[0], words.Count > 1 ? words[1] : null, false);
    }

    private bool StartsLine(string row) => LineSplitter.StartsWithAmount(row) && IsLine(row);

    private bool IsLine(string row)
    {
        if (
            row.Length is 0 or > 220
            || StrictNumber().IsMatch(row)
            || ClockTime().IsMatch(row)
            || DayLabel().IsMatch(row)
            || Hours().IsMatch(row)
            || HeatAndTime().IsMatch(row)
            || HeatFirst().IsMatch(row)
        )
            return false;
        var pieces = LineSplitter.Split(row, _knowledge);
        var read = LineReader.Read(pieces[0], _knowledge);
        if (read.Traits.HasFlag(LineTraits.Heading))
            return false;
        if (IsSentence(row, read) || (row.EndsWith(':') && row.Split(' ').Length > 3))
            return false;
        if (LineSplitter.StartsWithAmount(row))
            return read.Amounts.Length > 0 && (read.Ingredient is not null || (row.Length < 70 && !char.IsLetter(row.TrimStart()[0])));
        return read.Amounts.Length > 0 && read.Ingredient is not null && (pieces.Count > 1 || SentenceSplitter.Split(row).Count == 1);
    }

    /// <summary>A row of the list without an amount: short, no sentence.</summary>
    private bool Bare(string row)
    {
        if (row.Length > 64 || row.EndsWith('.') || Numbered().IsMatch(row))
            return false;
        var read = LineReader.Read(row, _knowledge);
        return !IsSentence(row, read) && (read.Ingredient is not null || read.Amounts.Length > 0 || _section == Section.Ingredients);
    }

    private bool IsMethod(string row) =>
        StrictNumber().IsMatch(row)
        || ClockTime().IsMatch(row)
        || DayLabel().IsMatch(row)
        || (Numbered().IsMatch(row) && !StartsLine(row))
        || IsSentence(row, LineReader.Read(row.Length > 220 ? row[..220] : row, _knowledge));

    private static bool IsSentence(string row, ReadLine read)
    {
        var words = Words().Matches(row.ToLowerInvariant()).Select(m => m.Value).ToList();
        if (words.Count == 0 || row.Split(", ").All(r => ForUse().IsMatch(r)))
            return false;
        if (SentenceSplitter.Split(row).Count > 1)
            return true;
        var verb = VerbWords.IsWork(words[0], words.Count > 1 ? words[1] : null, true);
        var listed = read.Amounts.Length > 0 && read.Ingredient is not null && words.Count < 9;
        if (verb && !listed && (row.EndsWith('.') || words.Count >= 4))
            return true;
        if (verb && words.Count >= 6 && !LineSplitter.StartsWithAmount(row) && read.Amounts.Length == 0)
            return true;
        return (row.Length > 70 && row.EndsWith('.'))
            || (Leading().IsMatch(row) && words.Count > 5)
            || (row.Length > 110 && !LineSplitter.StartsWithAmount(row));
    }

    private static Section? HeadingOf(string row)
    {
        var plain = HeadingNoise().Replace(row, "").Trim().ToLowerInvariant();
        if (plain.Length > 40)
            return null;
        if (IngredientHeading().IsMatch(plain))
            return Section.Ingredients;
        if (MethodHeading().IsMatch(plain))
            return Section.Method;
        return NoteHeading().IsMatch(plain) ? Section.Notes : null;
    }

    private bool IsPartHeading(string row, string next)
    {
        // A drizzle is a measure too, but not alone in its row above a list.
        if (DrizzleAlone().IsMatch(row) && IsLine(next))
            return true;
        if (row.Length >= 60 || LineSplitter.StartsWithAmount(row) || SentenceSplitter.Split(row).Count > 1 || row.EndsWith('.'))
            return false;
        if (row.EndsWith(':') && !row.Any(char.IsDigit))
            return true;
        if (ForThe().IsMatch(row) && !row.Any(char.IsDigit))
            return true;
        if (_rows.Name.Length == 0 || Numbered().IsMatch(row))
            return false;
        var read = LineReader.Read(Bracketed().Replace(row, ""), _knowledge);
        // A short word on its own above amounts: "Dough", "Filling", "Day 1".
        var named = PartNames().IsMatch(row) && row.Split(' ').Length <= 5 && !NoPart().IsMatch(row);
        // "Icing sugar" is an ingredient, "Icing" a part.
        if (read.Ingredient is not null && read.Name.Contains(' ', StringComparison.Ordinal) && !NamedPart().IsMatch(row))
            return false;
        if (IsMethod(next))
            return false;
        // "Biscuits" on its own between the name and the first amount.
        var first =
            _rows.Parts.Count == 0
            && _rows.Method.Count == 0
            && read.Amounts.Length == 0
            && OneOrTwoWords().IsMatch(row)
            && LineSplitter.StartsWithAmount(next);
        return (
                named
                || (first && IsLine(next))
                || (
                    read.Ingredient is null
                    && read.Amounts.Length == 0
                    && row.Split(' ').Length <= 4
                    && _section == Section.Ingredients
                    && char.IsUpper(row[0])
                )
            )
            && (LineSplitter.StartsWithAmount(next) || IsLine(next) || (named && LineReader.Read(next, _knowledge).Ingredient is not null));
    }

    [GeneratedRegex(@"^\p{Lu}\p{L}+(?: \p{L}+)?$", RegexOptions.None, 900)]
    private static partial Regex OneOrTwoWords();

    /// <summary>The name of a part from its heading ("For the icing:" is "Icing").</summary>
    internal static string PartName(string row)
    {
        var name = ForThe().Replace(row.TrimEnd(':', ' '), "").Trim(' ', '#', '*', ':');
        return name.Length == 0 ? row.TrimEnd(':') : char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static string Clip(string text, int most) => text.Length <= most ? text : text[..most];

    [GeneratedRegex(@"^(?:step\s*)?\d{1,2}[.):]?$|^-{2,}$|^\*{2,}$|^_{2,}$|^={2,}$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex StepNumber();

    [GeneratedRegex(@"^\((?:makes? |serves )?(?:about |approx\.? |around |~ ?)?\d+[\w\s-]{0,30}\)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex BracketOnly();

    [GeneratedRegex(@"^\s*(?:makes?|yields?|serves)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex YieldVerb();

    [GeneratedRegex(
        @"^(?:prep(?:aration)?|cook(?:ing)?|total|ready|bak(?:e|ing)|chill(?:ing)?|rest(?:ing)?|rising|hands[- ]on|active|difficulty|"
            + @"course|cuisine|author|source|keywords|category|calories|nutrition|skill level|level)(?: time| in)?\s*[:\-–]\s*\S.{0,60}$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Meta();

    // "Special equipment: two 10-inch round cake pans".
    [GeneratedRegex(
        @"^\W*(?:special |you will need |you(?:'|’)ll need |also )?(?:equipment|tools|utensils|kit|special pan|pan size|tin size"
            + @"|also needed)\b\s*[:–-]\s*\S.{0,160}$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Equipment();

    [GeneratedRegex(@"^(?<head>[\p{L}][\p{L}\s'’&/\-]{1,58}(?:\([^)]{1,30}\))?)\s*:\s+(?<rest>\S.*)$", RegexOptions.None, 900)]
    private static partial Regex Inline();

    [GeneratedRegex(
        @"^(?:and )?(?:for )?(?:the )?(?<part>topping|icing|glaze|filling|sauce|syrup|frosting|crumb|crosses|base|dough|coating|"
            + @"decoration|custard|cream|buttercream|caramel|egg wash|wash|soaker|(?:sourdough|levain|poolish|biga|scald|preferment|"
            + @"crust|pastry)(?=:))\b(?! (?:cheese|of tartar|butter))[:\s]+",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex PartLabel();

    [GeneratedRegex(
        @"^(?:you(?:'|’)?ll need|you (?:will )?need|take|you want|i use|use|we need)\b[:,]?\s+(?=\d|[½¼¾]|one|two|three|half|a )",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NeedWords();

    [GeneratedRegex(@"[\p{L}][\p{L}'’\-]*", RegexOptions.None, 900)]
    private static partial Regex Words();

    [GeneratedRegex(
        @"^\s*(?:step\s*\d+|\d{1,2}[.)])\s|^\d{1,2}\s+(?=[A-Z][a-z]+ )(?!\d+ (?:Eggs?|Large|Medium|Small|Bananas?|Lemons?|Tbsp|Tsp|"
            + @"Cups?)\b)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Numbered();

    [GeneratedRegex(
        @"^(?:in an?|in the|when|once|while|after|meanwhile|for the \w+,|using|with a|the (?:evening|night|next)|next day|don'?t|"
            + @"do not|if )\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Leading();

    [GeneratedRegex(@"^[#*\s]+|[:*\s–—-]+$|\s*\(.*?\)\s*:?$", RegexOptions.None, 900)]
    private static partial Regex HeadingNoise();

    [GeneratedRegex(
        @"^(?:ingredients?|(?:what )?you(?:'ll| will)? need|shopping list|ingredients list|ingredients for .{1,25})$",
        RegexOptions.None,
        900
    )]
    private static partial Regex IngredientHeading();

    [GeneratedRegex(
        @"^(?:method|directions?|instructions?|preparation|steps|how to make (?:it|them)|procedure|what to do|what you do|"
            + @"how to make it|how it is done|how it'?s done|making|the method|to make|making it|preparation method)$",
        RegexOptions.None,
        900
    )]
    private static partial Regex MethodHeading();

    [GeneratedRegex(
        @"^(?:notes?|tips?|storage|nutrition(?: facts)?|cook's notes?|baker's notes?|variations?|recipe notes?)$",
        RegexOptions.None,
        900
    )]
    private static partial Regex NoteHeading();

    [GeneratedRegex(
        @"^(?:for the|to (?:make the )?(?=finish|decorate|serve|assemble|top|glaze|coat)|for (?=boiling|brushing|decorating|dusting|"
            + @"rolling|finishing|coating))\s*",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ForThe();

    [GeneratedRegex(@"\s*\(.*?\)", RegexOptions.None, 900)]
    private static partial Regex Bracketed();

    [GeneratedRegex(
        @"\b(?:dough|batter|filling|glaze|icing|frosting|topping|syrup|sauce|crumb|streusel|crust|base|pastry|cake|sponge|buttercream|"
            + @"ganache|soak|fruit|finish|decoration|assembly|levain|preferment|sour|soaker|scald|tangzhong|poolish|biga|day \d|choux|"
            + @"cream|caramel|crosses|custard|meringue|coating|marinade|final|first|second|top|starter|shortbread|crumble|egg wash|"
            + @"wash|lamination|détrempe|detrempe|butter block)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex PartNames();

    // "1. Stir": a number with a stop and a command counts steps.
    [GeneratedRegex(@"^\d{1,2}[.)]\s+[A-Z][a-z]+ (?!oz|lb|cup|g\b)", RegexOptions.None, 900)]
    private static partial Regex StrictNumber();

    [GeneratedRegex(
        @"[;,]?\s*\band (?:for )?(?:the |for the )?(?<part>inside|filling|topping|crumb|glaze|icing)\b[:,]?\s*",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Inside();

    // "so basically melt 175g butter, ..., then stir in 350g oats": orders, and no list.
    [GeneratedRegex(
        @"(?:^|[:.;]\s+|\b(?:day|morning|evening|before|next|night)[,:]?\s+)(?:make|add|mix|put|stir|knead|cream|rub|melt|whisk|"
            + @"beat) (?=an?\b|the\b|in\b|into\b|with\b|together\b|both\b|all\b|everything\b|it\b|them\b|\d)|\b(?:then|basically|just"
            + @"|first|and|you) (?:melt|stir|mix|beat|"
            + @"whisk|fold|cream|add|pour|bake|knead|press|rub|bring|boil|simmer|spread|put|tip|pop|blend|combine)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex OrderInside();

    // "In a saucepan melt 120 g chocolate with 60 ml water": an order, and no list.
    [GeneratedRegex(
        @"^(?:in|into|using|with) (?:an?|the|another|your) (?:[\w-]+ ){0,2}(?:bowl|saucepan|pan|jug|mixer|processor|pot|cup)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex InVessel();

    // "Take 8 oz of flour and rub in 4 oz of butter".
    [GeneratedRegex(
        @"\b(?:and|then|,) (?:rub|mix|stir|add|beat|whisk|melt|cream|knead|work|brush|scatter|sprinkle|spread|cut|roll|fold|pour|"
            + @"unroll)\b|, (?:brush|scatter|sprinkle|spread|cut|roll|fold|pour|unroll|rub|mix|stir|add|beat|whisk|melt) ",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex OrderInNeed();

    [GeneratedRegex(
        @"^[\p{L}' -]{3,40} (?:for (?:(?:deep|shallow)[- ])?\w+ing|to (?:dust|serve|finish|decorate|glaze|roll)|for (?:the )?(?:tin"
            + @"|dish|pan"
            + @"|tray|mould|board|top)s?)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ForUse();

    [GeneratedRegex(@"^(?:all|the|remaining|rest|some|any)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex NoPart();

    [GeneratedRegex(
        @"\b(?:sauce|cream|pastry|base|dough|filling|topping|icing|syrup|glaze|curd|buttercream|custard|crust|sponge)\s*(?:\(.*\))?:?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NamedPart();

    [GeneratedRegex(
        @"^(?:(?:on )?(?:monday|tuesday|wednesday|thursday|friday|saturday|sunday)|day (?:\d|one|two|three)|(?:the )?(?:day|night|"
            + @"evening) before|(?:the )?next (?:day|morning)|on the day)(?:,? (?:evening|morning|night|afternoon|noon|midday|lunchtime"
            + @"|\d{1,2}(?:[:.]\d{2})? ?"
            + @"(?:am|pm)?))?\s*:?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex DayHeading();

    [GeneratedRegex(@"^\W*(?:day [2-9]|day two|day three|next|the next)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex AnotherDay();

    [GeneratedRegex(@"\b(?:in|into|to) the (?:fridge|refrigerator)\.?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex EndsInFridge();

    // "50 g dark" behind "200 g milk chocolate".
    [GeneratedRegex(@"^\W*\d+ ?(?:g|oz) (?:dark|milk|white|plain|ruby)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ChocolateOf();

    [GeneratedRegex(@"\babt\s+(?=\d)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Abt();

    // Words that cards cut short: "powd. sugar", "dry ingred.".
    private static readonly (string Short, string Whole)[] CutShort =
    [
        ("b.p.", "baking powder"),
        ("powd.", "powdered"),
        ("conf. sugar", "confectioners' sugar"),
        ("ingred.", "ingredients"),
        ("ingreds.", "ingredients"),
        ("choc.", "chocolate"),
        ("evap.", "evaporated"),
        ("marg.", "margarine"),
        ("cinn.", "cinnamon"),
        ("gran. sugar", "granulated sugar"),
        ("unsalt.", "unsalted"),
        ("ea.", "each"),
        ("sev.", "several"),
        ("refrig.", "refrigerate"),
        ("abt.", "about"),
    ];

    /// <summary>A row with words in full that cards cut short, whose stops would end sentences.</summary>
    private static string InFull(string row)
    {
        row = Abt().Replace(row, "about ");
        foreach (var (cut, whole) in CutShort)
        {
            for (
                var at = row.IndexOf(cut, StringComparison.OrdinalIgnoreCase);
                at >= 0;
                at = row.IndexOf(cut, at + whole.Length, StringComparison.OrdinalIgnoreCase)
            )
            {
                if (at > 0 && char.IsLetter(row[at - 1]))
                {
                    at = Math.Min(row.Length - 1, at + cut.Length) - whole.Length;
                    if (at + whole.Length >= row.Length)
                        break;
                    continue;
                }

                var end = at + cut.Length >= row.Length ? "." : "";
                var inFull = at == 0 ? char.ToUpperInvariant(whole[0]) + whole[1..] : whole;
                row = $"{row[..at]}{inFull}{end}{row[(at + cut.Length)..]}";
            }
        }

        return row;
    }

    [GeneratedRegex(@"^\d{1,3}[- ](?:hours?|hrs?|minutes?|mins?|days?|weeks?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Hours();

    // "From the bay tree café, makes 16 squares".
    [GeneratedRegex(@"(?<=[,;–—-] )(?:makes|serves|yields)\s+(?:about )?\d{1,3}[^.,;]{0,30}\.?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Told();

    [GeneratedRegex(@"\s+[-–—•·|]\s+|\s*,\s+", RegexOptions.None, 900)]
    private static partial Regex Bits();

    // "Day 1, evening: feed 1 tbsp starter ..." says when something is done.
    [GeneratedRegex(
        @"^(?:day (?:\d|one|two|three)|(?:the )?(?:evening|morning|night|afternoon|next day))\b[^:.]{0,24}:\s+[a-z]",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex DayLabel();

    // "180C for 30 mins.": a bake, and no amount.
    [GeneratedRegex(
        @"^(?:\d{1,2}[.)]\s*)?(?:gas(?: mark)? ?\d|\d{3}\s?°?\s?[CF]?)\b[^,;]{0,30}\b\d+[^,;]{0,12}(?:min|hour|hr|h\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex HeatAndTime();

    // "180C. 2 x 18 cm tins, greased."
    [GeneratedRegex(@"^\W*\d{3}\s?°?\s?[CF]\b(?:\s*/\s*\d{3}\s?°?\s?[CF]?(?: ?fan)?)?\s*[.,;]", RegexOptions.IgnoreCase, 900)]
    private static partial Regex HeatFirst();

    [GeneratedRegex(@"\s*\([^)]*\b(?:hours?|minutes?|mins?|ready in)\b[^)]*\)\s*$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex TimeNote();

    [GeneratedRegex(@"^\W*(?:optional(?:ly)?|if you like|if liked)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OptionalHead();

    [GeneratedRegex(
        @"^(?:about |approx\.? |~ ?)?\d{1,3} (?:(?:small|large|medium|mini|big) )?[a-z]+(?: [a-z]+)?s$|^(?:1|one) (?:(?:small|large|"
            + @"medium|big|long|round|\d{3,4} ?g|\d(?:\.\d)? ?(?:kg|lb)) )?(?:loaf|cake|ring|tart|pie|braid|plait|wreath|pavlova"
            + @"|cheesecake|stollen|log)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex BareYield();

    [GeneratedRegex(@"[\p{L}\d½¼¾][\p{L}\d'’\-]*", RegexOptions.None, 900)]
    private static partial Regex WordsAndFigures();

    [GeneratedRegex(@"^\W*(?:hi|hiya|hello|hey|dear|thanks|thank you|ok|okay|right|so)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Greeting();

    [GeneratedRegex(
        @"^\W*(?:(?:hi|hiya|hello|hey|ok|okay|right|so)\b[\s,!:]*)+(?<what>[\p{L}'’ -]{4,40})[.!]?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NameInGreeting();

    [GeneratedRegex(
        @"\b(?:here(?:['’]s| is)|this is) (?:the|my|our|your|that) (?:recipe for (?:the |my "
            + @"|our )?)?(?<what>[\p{L}'’ -]{4,40}?)(?: recipe)?(?: (?:that )?(?:you|we|i) (?:were|was|wanted|asked|had|liked|like|want"
            + @"|promised|said|make|made|always)\b[^.!:]{0,30})?[.!:]",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex HereIs();

    [GeneratedRegex(@"\b(?:the|my|our|nan's|mum's|gran's) (?<what>(?:[\p{L}'’-]+ ){1,4}?)recipe\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex RecipeFor();

    [GeneratedRegex(
        @"^\W*(?:dear|hi|hiya|hello|hey)(?: (?:there|all|everyone|everybody|love|darling|dear|mum|dad|gran|\p{Lu}\p{L}+))*\s*[,!:.]*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Address();

    [GeneratedRegex(
        @"^\W*(?:hi|hiya|hello|hey|dear)\b(?: \p{L}+){0,2}[,!]+ (?:here(?:'s| is) )?(?:the |my |that "
            + @"|your )?(?<what>[\p{L}'’ -]{4,40}?)(?: recipe)?"
            + @"(?: (?:as promised|you asked for|for you|below|as requested))?[ x.!:]*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Promised();

    [GeneratedRegex(@"^(?<head>[\p{L}][^:;.,\d]{3,50})(?::| [-–—]) (?<rest>\p{L}.{30,})$", RegexOptions.None, 900)]
    private static partial Regex NameThenWork();

    [GeneratedRegex(@"^(?:for )?(?:the )?(?:\p{L}+ )?drizzle\s*:?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex DrizzleAlone();

    [GeneratedRegex(@"^(?:soak|steep|macerate)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SoakHead();

    // "- put all that in a big bowl" behind a list.
    [GeneratedRegex(
        @"\s[-–—]\s(?=(?:then |and )?(?:put|mix|soak|steep|leave|stir|tip|place|cover|toss|combine|weigh|measure|get)\b)"
            + @"|\.\.+\s*(?=(?:put|mix|soak)\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ThenOrder();

    [GeneratedRegex(@"\s{3,}|\t+", RegexOptions.None, 900)]
    private static partial Regex Gap();

    [GeneratedRegex(@"[|·•\t]|\s{2,}|\s/\s", RegexOptions.None, 900)]
    private static partial Regex Columns();

    // "filling 300 ml double cream": the part and its first line in one row.
    [GeneratedRegex(
        @"^(?:for (?:the )?)?(?<head>filling|icing|topping|glaze|frosting|streusel|crumble|sponge|dough|ganache|buttercream|drizzle|"
            + @"crosses|syrup|coating|decoration)\s+(?=(?:about )?(?:\d[\d/.,]*|[½¼¾⅓⅔])\s?(?:g|kg|ml|l|dl|oz|lb|tbsp|tsp|cups?|"
            + @"tablespoons?|teaspoons?)\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex PartThenAmount();

    // "This makes two", "I make two at a time" in a letter.
    [GeneratedRegex(
        @"\b(?:(?:it|this|that) makes|i (?:always |usually )?make) (?:about |around )?(?<what>(?:two|three|four|six|a dozen|two dozen|"
            + @"\d{1,3})(?: (?:big |small |large )?(?:loaves|cakes|rolls|buns|biscuits|cookies|squares|slices))?)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex MakesInPassing();
}
