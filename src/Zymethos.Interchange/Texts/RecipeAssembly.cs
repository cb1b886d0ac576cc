using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Lines;
using Zymethos.Interchange.Texts.Method;
using Zymethos.Interchange.Texts.Sentences;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts;

/// <summary>Makes a draft of what was found in a text or a page: lines to their parts, the method read, kinds, what follows from kinds, and
/// the questions that are left.</summary>
internal static partial class RecipeAssembly
{
    /// <summary>The draft.</summary>
    /// <param name="rows">What was found.</param>
    /// <param name="knowledge">What the kitchen knows, in the recipe's dialect.</param>
    /// <param name="pans">Pans that may be meant.</param>
    public static RecipeDraft Of(RecipeRows rows, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        var method = rows.Method;
        if (rows.Parts.Sum(p => p.Lines.Count) == 0 && LinesInMethod.Of(method, knowledge) is { Count: > 0 } found)
            rows.Parts.Add(("", found));
        AddUnlisted(rows, knowledge);
        var reading = MethodReader.Read(
            method,
            new MethodContext(knowledge.Dialect, pans, [.. rows.Parts.Select(p => p.Name)], rows.Name)
            {
                PanElsewhere = PanElsewhere(rows, pans),
                HasYeast = rows.Parts.Exists(p => p.Lines.Exists(l => l.Contains("yeast", StringComparison.OrdinalIgnoreCase))),
            }
        );
        var draft = new RecipeDraft
        {
            Name = rows.Name,
            Summary = Clip(string.Join(" ", rows.Summary), 600),
            Dialect = DocumentWords.Of(knowledge.Dialect),
            Parts =
            [
                .. rows.Parts.Select(p => new PartDraft
                {
                    Name = p.Name,
                    Kind = "",
                    Lines = string.Join('\n', p.Lines),
                }),
            ],
            Notes = string.Join('\n', rows.Notes.Concat(reading.Remarks)),
            Steps = [.. reading.Steps.Select(s => s.Draft)],
            Links = reading.Links,
            Sentences = [.. rows.Sentences, .. reading.Sentences],
        };
        Yield(draft, rows, reading);
        Keeping(draft, rows, reading);
        var lines = rows.Parts.SelectMany(p => p.Lines).Select(l => LineReader.Read(l, knowledge)).ToList();
        var questions = new List<QuestionDraft>();
        draft.Kind = BakeKindWords.Of(draft, reading, lines);
        foreach (var part in draft.Parts.Where(p => p.Kind.Length == 0))
            part.Kind = BakeKindWords.PartOf(part, draft.Kind);
        foreach (var part in draft.Parts.Where(p => p.Name.Length == 0))
            part.Name =
                part.Kind == "batter" ? "Batter"
                : part.Kind == "dough" ? "Dough"
                : "To mix";
        if (int.TryParse(draft.Pieces, CultureInfo.InvariantCulture, out var batch))
            draft.Finishes = FinishText.Say(FinishWords.In(method.SelectMany(SentenceSplitter.Split), lines, batch, draft.PieceName));
        PrepSteps.Add(draft, reading, lines, pans);
        TraysAndWaves.Set(draft, reading, questions);
        KindWindows.Set(draft, reading, lines);
        TraysAndWaves.Tie(reading);
        GuessedTimes.Fill(draft, reading, questions);
        OfferedSteps.Set(draft, reading, knowledge);
        DraftQuestions.Add(draft, reading, rows, lines, pans, questions);
        draft.Steps = [.. reading.Steps.Select(s => s.Draft)];
        draft.Links = reading.Links;
        draft.Questions = [.. questions.OrderBy(q => q.Harm)];
        var recipe = DraftReader.Read(draft, knowledge, pans).Recipe;
        DraftCautions.Set(recipe, reading, knowledge);
        if (
            RecipeFacts.OwnPan(recipe) is { } own
            && RecipeFacts.Dough(recipe) is { Grams: > 0 } batter
            && PanFit.Of(batter, recipe.Kind, own.Pan, own.Count) is { Surplus.Millilitres: > RecipeAsks.Overflow } full
        )
            draft.Questions =
            [
                .. draft
                    .Questions.Append(
                        QuestionDraft.Of(
                            QuestionAbout.Pan,
                            RecipeAsks.PanTooSmall(own.Pan, own.Count, full.Surplus.Millilitres),
                            $"steps/{own.Step.Key}/pan",
                            [
                                .. pans.Where(p => p.Depth is not null && p.Length.Millimetres > own.Pan.Length.Millimetres)
                                    .Take(4)
                                    .Select(p => (p.Name, p.Name)),
                            ]
                        )
                    )
                    .OrderBy(q => q.Harm),
            ];
        return draft;
    }

    /// <summary>A pan with its size that the name, a note or the list speaks of ("for a 23 cm tin", "1 unbaked 9-inch pie shell"); null
    /// when none does.</summary>
    private static MeantPan? PanElsewhere(RecipeRows rows, IReadOnlyList<Pan> pans) =>
        rows
            .Notes.Append(rows.Name)
            .Concat(rows.Summary)
            .Concat(rows.Parts.SelectMany(p => p.Lines).Where(l => Shell().IsMatch(l)))
            .Select(t => PanWords.In(Case().Replace(t.ToLowerInvariant(), "tart tin"), pans))
            .FirstOrDefault(p => p is { IsSized: true } && p.Pan.Shape != PanShape.Tray);

    // "1 x 23cm shortcrust pastry case" is baked in a tin of that size.
    [GeneratedRegex(@"\b(?:pastry|tart|flan|quiche) (?:case|crust)s?\b|\bpie (?:crust|shell)s?\b", RegexOptions.None, 900)]
    private static partial Regex Case();

    [GeneratedRegex(@"\b(?:pie|tart|flan|pastry) (?:shell|crust|case)s?\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Shell();

    /// <summary>Lines that stand only in the method: onto what is baked in a part of their own, into it with the first.</summary>
    private static void AddUnlisted(RecipeRows rows, IngredientKnowledge knowledge)
    {
        if (rows.Parts.Sum(p => p.Lines.Count) < 2)
            return;
        var listed = rows.Parts.SelectMany(p => p.Lines).Select(l => LineReader.Read(l, knowledge)).ToList();
        foreach (var line in UnlistedLines.Of(rows.Method, listed, rows.Parts.Exists(p => Brushing().IsMatch(p.Name)), knowledge))
        {
            if (!line.IsFinish)
                PartOf(rows, line.Sentence, knowledge).Lines.Add(line.Text);
            else if (rows.Parts[^1].Name == Finish)
                rows.Parts[^1].Lines.Add(line.Text);
            else
                rows.Parts.Add((Finish, [line.Text]));
        }
    }

    [GeneratedRegex(@"\b(?:brush|glaz|wash|finish|egg|decorat|top)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Brushing();

    /// <summary>The part of which a sentence uses most lines; the first where it names none more than another.</summary>
    private static (string Name, List<string> Lines) PartOf(RecipeRows rows, string sentence, IngredientKnowledge knowledge)
    {
        var low = sentence.ToLowerInvariant();
        return rows.Parts.MaxBy(p =>
            p.Lines.Count(l =>
                LineWords.Noun(LineReader.Read(l, knowledge).Ingredient?.Name ?? "") is { Length: > 2 } noun
                && low.Contains(noun, StringComparison.Ordinal)
            )
        );
    }

    private const string Finish = "To finish";

    private static void Yield(RecipeDraft draft, RecipeRows rows, MethodReading reading)
    {
        if (reading.DividedInto > 1)
        {
            draft.DividedInto = reading.DividedInto.ToString(CultureInfo.InvariantCulture);
            draft.DivisionName = reading.DivisionName is "pieces" ? "" : reading.DivisionName;
        }

        if (reading.Yield is { } told)
            rows.Yields.Add(told);
        if (reading.Serves is { } guests)
            rows.Yields.Add(guests);
        if (rows.Yields.Count == 0 && reading.DividedInto > 3)
            rows.Yields.Add(new YieldWords(reading.DividedInto, reading.DivisionName, 2));
        // Two loaf pans make two loaves.
        if (
            rows.Yields.Count == 0
            && reading.Steps.Find(s => s.Kind == StepKind.Bake && s.Strand >= 0 && !s.IsPanGuessed) is { } bake
            && PanName(bake.Draft.Pan) is { Length: > 0 } named
        )
        {
            var name =
                named == "cake" && OneThing().Match(rows.Name) is { Success: true } said ? said.Groups["what"].Value.ToLowerInvariant()
                : named == "cake" && reading.Steps.Exists(s => s.Kind == StepKind.BulkRise) ? "loaf"
                : named;
            var pans = int.TryParse(bake.Draft.Pans, CultureInfo.InvariantCulture, out var n) ? n : 1;
            rows.Yields.Add(
                new YieldWords(
                    pans,
                    pans == 1 ? name
                        : name == "loaf" ? "loaves"
                        : $"{name}s",
                    2
                )
            );
        }

        // "Everyday white loaf" on a tray, "Pumpkin pie": one, where nobody divides anything.
        if (rows.Yields.Count == 0 && reading.DividedInto <= 1 && OneThing().Match(rows.Name) is { Success: true } thing)
            rows.Yields.Add(new YieldWords(1, thing.Groups["what"].Value.ToLowerInvariant(), 3));
        if (rows.Yields.Count == 0 && reading.DividedInto <= 1 && reading.Steps.Exists(s => ShapedOne().IsMatch(s.Low)))
            rows.Yields.Add(new YieldWords(1, "loaf", 3));
        // "Soda bread": patted into one round.
        if (
            rows.Yields.Count == 0
            && reading.DividedInto <= 1
            && BreadName().IsMatch(rows.Name)
            && reading.Steps.Exists(s => OneRound().IsMatch(s.Low))
        )
            rows.Yields.Add(new YieldWords(1, "loaf", 3));
        // A tin of twelve cups gives twelve, and so do thirty wafers or paper cases in the list.
        if (
            rows.Yields.Count == 0
            && reading.Steps.Find(s =>
                s.Kind == StepKind.Bake && !s.IsPanGuessed && s.Draft.Pan.Contains("muffin", StringComparison.OrdinalIgnoreCase)
            )
                is { } cups
            && CupsOf().Match(cups.Draft.Pan) is { Success: true } tin
        )
            rows.Yields.Add(
                new YieldWords(
                    int.Parse(tin.Value, CultureInfo.InvariantCulture)
                        * (int.TryParse(cups.Draft.Pans, CultureInfo.InvariantCulture, out var tins) ? tins : 1),
                    "pieces",
                    3
                )
            );
        if (
            rows.Yields.Count == 0
            && rows.Parts.SelectMany(p => p.Lines).Select(l => OneEach().Match(l)).FirstOrDefault(m => m.Success) is { } each
        )
            rows.Yields.Add(new YieldWords(int.Parse(each.Groups["n"].Value, CultureInfo.InvariantCulture), "pieces", 3));
        // Two layers that are sandwiched are one cake.
        if (rows.Yields is [{ Rank: 2, Pieces: 2 or 3 or 4, Name: "cakes" }] && reading.Steps.Exists(s => Sandwiched().IsMatch(s.Low)))
            rows.Yields[0] = new YieldWords(1, "cake", 2);
        // Forty-eight small balls in one ring pan are torn apart at the table: what it serves counts.
        if (
            rows.Yields.Find(y => y.Rank == 3) is { } serves
            && reading.DividedInto > 24
            && reading.Steps.Find(s => s.Kind == StepKind.Bake && s.Strand >= 0) is { } one
            && !one.Draft.Pan.Contains("tray", StringComparison.OrdinalIgnoreCase)
            && !one.Draft.Pan.Contains("muffin", StringComparison.OrdinalIgnoreCase)
        )
        {
            rows.Yields.RemoveAll(y => y.Rank == 2);
            (draft.DividedInto, draft.DivisionName) = ("", "");
        }

        // Sixty-four balls in a ring pan are one bread.
        if (
            rows.Yields is [{ Rank: 2, Pieces: > 24 }]
            && reading.Steps.Find(s => s.Kind == StepKind.Bake && s.Strand >= 0 && !s.IsPanGuessed) is { } whole
            && (
                whole.Draft.Pan.Contains("ring", StringComparison.OrdinalIgnoreCase)
                || whole.Draft.Pan.StartsWith("loaf", StringComparison.Ordinal)
            )
        )
        {
            rows.Yields[0] = new YieldWords(1, reading.Steps.Exists(s => s.Kind == StepKind.BulkRise) ? "loaf" : "cake", 2);
            (draft.DividedInto, draft.DivisionName) = ("", "");
        }

        if (rows.Yields.OrderBy(y => y.Rank).FirstOrDefault() is not { } yield)
            return;
        draft.Pieces = yield.Pieces.ToString(CultureInfo.InvariantCulture);
        draft.PieceName =
            yield.Rank == 3
            && yield.Name == "pieces"
            && !draft.Kind.StartsWith("muffin", StringComparison.Ordinal)
            && reading.Steps.TrueForAll(s => !s.Draft.Pan.Contains("muffin", StringComparison.OrdinalIgnoreCase))
            && !rows.Parts.Exists(p => p.Lines.Exists(l => OneEach().IsMatch(l)))
                ? "servings"
            : yield.Name is "tin" or "pan" or "loaf tin"
                ? reading.Steps.Exists(s => s.Draft.Pan.StartsWith("loaf", StringComparison.Ordinal)) ? "loaf"
                    : "cake"
            : yield.Name;
    }

    [GeneratedRegex(
        @"(?<!\b(?:mini|little|small|individual) )\b(?<what>loaf|wreath|swiss roll|roulade|yule log|babka|pie|tart|galette|cheesecake"
            + @"|stollen|panettone|pavlova|focaccia|braid|"
            + @"plait)\b(?! (?:cake|buns|bites|bars|squares|tins?|dough|crust|pastry|shell))",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex OneThing();

    [GeneratedRegex(
        @"\b(?:shape|form|pat)\b[^.;]{0,24}\b(?:in)?to an? (?:[\w-]+,? ){0,4}(?:loaf|boule|bâtard|batard|bloomer|cob"
            + @"|ball(?=[^.]{0,40}\b(?:towel|basket|banneton|proving|seam)))\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex ShapedOne();

    [GeneratedRegex(
        @"\bsandwich(?:es|ed|ing)?\b(?! (?:tins?|pans?|cake))|\b(?:second|other|top) (?:cake|sponge|layer)\b[^.;]{0,24}\bon top\b|"
            + @"\bput the other on top\b|\bput (?:the )?(?:two )?(?:cakes|layers|halves) together\b|"
            + @"\bbetween (?:the |your |cake )?(?:cake )?layers\b|\b(?:stack|layer) (?:up )?the (?:cakes|layers|sponges)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Sandwiched();

    [GeneratedRegex(@"\bbread\b(?! (?:rolls|sticks|buns|pudding))", RegexOptions.IgnoreCase, 900)]
    private static partial Regex BreadName();

    [GeneratedRegex(
        @"\b(?:shape|form|pat|make|roll)\b[^.;]{0,24}\b(?:in)?to an? (?:[\w-]+,? ){0,4}(?:round|disc|disk|ball|dome|oval)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex OneRound();

    [GeneratedRegex(@"\d+(?= (?:large )?cups)", RegexOptions.None, 900)]
    private static partial Regex CupsOf();

    [GeneratedRegex(
        @"^\W*(?:about |approx\.? |ca\.? )?(?<n>\d{1,3}) (?:\w+ ){0,3}?(?:wafers|paper cases|muffin cases|cupcake cases|bun cases|"
            + @"lolly sticks)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex OneEach();

    private static string PanName(string pan) =>
        pan.StartsWith("loaf", StringComparison.Ordinal) ? "loaf"
        : pan.StartsWith("round", StringComparison.Ordinal)
        || pan.StartsWith("springform", StringComparison.Ordinal)
        || pan.StartsWith("fluted", StringComparison.Ordinal)
            ? "cake"
        : "";

    private static void Keeping(RecipeDraft draft, RecipeRows rows, MethodReading reading)
    {
        draft.Keeping.AddRange(reading.Keeping);
        foreach (var sentence in rows.Notes.SelectMany(SentenceSplitter.Split))
        {
            var low = sentence.ToLowerInvariant();
            if (KeepingWords.Speaks(low))
                draft.Keeping.AddRange(KeepingWords.In(low));
        }

        reading.Settle(draft.Keeping);
        draft.Keeping = [.. draft.Keeping.GroupBy(k => (k.Place, k.Part, k.After is "?" ? "" : k.After)).Select(Meant)];
    }

    /// <summary>Of the same place told twice the first counts, but for "best on the day": what keeps longer was said beside it.</summary>
    private static KeepingDraft Meant(IEnumerable<KeepingDraft> same) =>
        same.First() is { Days: "1" } today ? same.ElementAtOrDefault(1) ?? today : same.First();

    private static string Clip(string text, int most) => text.Length <= most ? text : text[..most];
}
