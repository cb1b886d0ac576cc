using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Makes choices of what a method only offers: the step, what is made for it alone, and the lines that only it uses, can be left
/// out together.</summary>
internal static partial class OfferedSteps
{
    /// <summary>The way in which it is done.</summary>
    public const string Done = "yes";

    /// <summary>The way in which it is left out.</summary>
    public const string LeftOut = "no";

    /// <summary>Adds the choices to a draft whose method has been read and tied.</summary>
    /// <param name="draft">The draft; its parts get the conditions of their lines.</param>
    /// <param name="reading">Steps and links; they get theirs.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    public static void Set(RecipeDraft draft, MethodReading reading, IngredientKnowledge knowledge)
    {
        foreach (var offer in reading.Steps.Where(s => s.Offer > 0).Select(s => s.Offer).Distinct().ToList())
        {
            var own = reading.Steps.Where(s => s.Offer == offer).ToList();
            var named = own[0];
            // A bake, or the only work there is, cannot be left out; what part of the batch gets is a finish.
            if (
                own.Exists(s => s.Kind == StepKind.Bake)
                || own.Count == reading.Steps.Count
                || (draft.Finishes.Length > 0 && Share().IsMatch(named.Low))
            )
                continue;
            MadeForIt(reading, own);
            var key = DraftReader.KeyOf($"offer {named.Draft.Title}");
            if (draft.Choices.Exists(c => c.Key == key))
                key = $"{key}-{offer}";
            Bridge(reading, own, $"{key}={LeftOut}");
            foreach (var step in own)
                step.Draft.When = $"{key}={Done}";
            var hasLines = Lines(draft, reading, own, $"{key}={Done}", knowledge);
            draft.Choices.Add(
                new ChoiceDraft
                {
                    Key = key,
                    // "Sprinkle with seeds if you like?" would ask twice.
                    Question = $"{MethodReader.OfferEnd().Replace(named.Draft.Title.TrimEnd('.'), "").TrimEnd()}?",
                    Options = $"{Done}: Yes: as the recipe offers\n{LeftOut}: No: it is left out",
                    Chosen = named.IsUnusual && !hasLines && !BringsSomething(own) ? LeftOut : Done,
                }
            );
        }
    }

    /// <summary>Work beside the main chain that leads to nothing else belongs to what is offered, where that names what was made: an icing
    /// that is spread, and not a crumble that was strewn on before.</summary>
    private static void MadeForIt(MethodReading reading, List<MethodStep> own)
    {
        for (var grew = true; grew; )
        {
            var keys = own.Select(s => s.Draft.Key).ToHashSet(StringComparer.Ordinal);
            var more = reading
                .Steps.Where(s =>
                    s.Strand > 0
                    && Made().Matches(s.Low).Any(m => Names(Text(own), m.Value))
                    && !keys.Contains(s.Draft.Key)
                    && s.Draft.When.Length == 0
                    && reading.Links.Exists(l => l.From == s.Draft.Key)
                    && reading.Links.TrueForAll(l => l.From != s.Draft.Key || keys.Contains(l.To))
                )
                .ToList();
            own.AddRange(more);
            grew = more.Count > 0;
        }
    }

    /// <summary>Where it is left out, what came before it is followed by what came after.</summary>
    private static void Bridge(MethodReading reading, List<MethodStep> own, string leftOut)
    {
        var keys = own.Select(s => s.Draft.Key).ToHashSet(StringComparer.Ordinal);
        HashSet<string> Inward(string from)
        {
            var reached = new HashSet<string>(StringComparer.Ordinal);
            var open = new Queue<string>(reading.Links.Where(l => l.From == from && keys.Contains(l.To)).Select(l => l.To));
            while (open.TryDequeue(out var at))
            {
                if (!reached.Add(at))
                    continue;
                foreach (var link in reading.Links.Where(l => l.From == at && keys.Contains(l.To)))
                    open.Enqueue(link.To);
            }

            return reached;
        }

        var bridges = new List<LinkDraft>();
        foreach (var before in reading.Links.Where(l => !keys.Contains(l.From) && keys.Contains(l.To)).Select(l => l.From).Distinct())
        {
            var through = Inward(before);
            foreach (var after in reading.Links.Where(l => through.Contains(l.From) && !keys.Contains(l.To)).ToList())
            {
                if (
                    bridges.Exists(b => b.From == before && b.To == after.To)
                    || reading.Links.Exists(l => l.From == before && l.To == after.To)
                )
                    continue;
                bridges.Add(
                    new LinkDraft
                    {
                        From = before,
                        To = after.To,
                        Least = after.Least,
                        Most = after.Most,
                        Soft = after.Soft,
                        Why = after.Why,
                        When = leftOut,
                    }
                );
            }
        }

        reading.Links.AddRange(bridges);
    }

    /// <summary>Lines that only these steps name, and that are optional or stand in a part beside the first; whether there are
    /// any.</summary>
    private static bool Lines(
        RecipeDraft draft,
        MethodReading reading,
        List<MethodStep> own,
        string condition,
        IngredientKnowledge knowledge
    )
    {
        var mine = Text(own);
        var theirs = Text(reading.Steps.Except(own));
        var any = false;
        for (var p = 0; p < draft.Parts.Count; p++)
        {
            var lines = draft.Parts[p].Lines.Split('\n');
            // A part that other work names, or that "everything" may mean, goes into the rest too: its lines are never left out with the
            // offer.
            var usedElsewhere =
                Vague().IsMatch(theirs)
                || Names(theirs, Last().Match(draft.Parts[p].Name).Value.ToLowerInvariant() is { Length: > 2 } part ? part : "\0");
            for (var i = 0; i < lines.Length; i++)
            {
                if (lines[i].Trim().Length == 0 || lines[i].EndsWith(']'))
                    continue;
                var read = LineReader.Read(lines[i], knowledge);
                var noun = Last().Match(read.Name).Value.ToLowerInvariant();
                if (noun.Length < 3 || !Names(mine, noun) || Names(theirs, noun))
                    continue;
                if (!read.Traits.HasFlag(LineTraits.Optional) && (p == 0 || usedElsewhere))
                    continue;
                lines[i] = $"{lines[i]} [{condition}]";
                any = true;
            }

            draft.Parts[p].Lines = string.Join('\n', lines);
        }

        return any;
    }

    /// <summary>Whether the words name an allergen, spirit or honey: that is never left out, and called absent, before somebody has said
    /// so.</summary>
    private static bool BringsSomething(IReadOnlyList<MethodStep> own) =>
        !AllergenWords.In([.. Word().Matches(Text(own)).Select(m => m.Value)]).IsEmpty || TraitWords.In(Text(own)) != IngredientTraits.None;

    [GeneratedRegex(@"[\p{L}][\p{L}'’\-/]*", RegexOptions.None, 900)]
    private static partial Regex Word();

    private static string Text(IEnumerable<MethodStep> steps) =>
        string.Join(' ', steps.Select(s => $"{s.Low} {s.Draft.Instruction}")).ToLowerInvariant();

    private static bool Names(string text, string noun) =>
        Regex.IsMatch(text, $@"\b{Regex.Escape(noun.TrimEnd('s'))}(?:s|es)?\b", RegexOptions.None, TimeSpan.FromMilliseconds(900));

    [GeneratedRegex(
        @"\b(?:icing|glaze|frosting|drizzle|syrup|sauce|topping|ganache|buttercream|custard|caramel|coating|chocolate)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Made();

    [GeneratedRegex(@"\b(?:everything|ingredients|the rest|remaining|all (?:of )?(?:it|the))\b", RegexOptions.None, 900)]
    private static partial Regex Vague();

    [GeneratedRegex(@"[\p{L}'’]+$", RegexOptions.None, 900)]
    private static partial Regex Last();

    [GeneratedRegex(@"\b(?:half|a third|a quarter|\d+|a dozen|some of them|the rest)\b", RegexOptions.None, 900)]
    private static partial Regex Share();
}
