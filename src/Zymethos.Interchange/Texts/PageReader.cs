using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts.Lines;
using Zymethos.Interchange.Texts.Sentences;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts;

/// <summary>What was found in a pasted text, a JSON-LD document or a saved web page.</summary>
/// <param name="Drafts">The recipes, as drafts; empty when there is none.</param>
/// <param name="Message">What to tell the baker when there is none; empty otherwise.</param>
public sealed record PageResult(IReadOnlyList<RecipeDraft> Drafts, string Message);

/// <summary>
/// Reads schema.org Recipe (https://schema.org/Recipe) from JSON-LD, alone or inside a saved web page. Nothing is fetched and nothing is
/// executed: scripts are text, markup inside the fields is stripped to its words.
/// </summary>
public static partial class PageReader
{
    /// <summary>Largest page that is read, in characters.</summary>
    public const int Largest = 2_000_000;

    private const int MostRecipes = 30;
    private const int MostLines = 200;
    private const int LongestLine = 4000;
    private const int MostNested = 4000;
    private static readonly string[] Voids = ["br", "img", "meta", "link", "input", "hr", "source", "path", "p>", "li>", "p ", "li "];

    private static readonly JsonDocumentOptions Lenient = new()
    {
        MaxDepth = 40,
        AllowTrailingCommas = true,
        CommentHandling = JsonCommentHandling.Skip,
    };

    /// <summary>Reads whatever it is: JSON-LD, a web page, or plain text.</summary>
    public static PageResult Read(string text, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        try
        {
            return ReadOnce(Digits.Plain(Whole(text)), knowledge, pans);
        }
        catch (RegexMatchTimeoutException)
        {
            return new([], "This text took too long to read. Paste only the recipe, without what stands around it.");
        }
    }

    /// <summary>The text with half letters (UTF-16 surrogates without their other half) replaced: some editors cut an emoji in
    /// two.</summary>
    private static string Whole(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (char.IsHighSurrogate(text[i]) && i + 1 < text.Length && char.IsLowSurrogate(text[i + 1]))
                i++;
            else if (char.IsSurrogate(text[i]))
                return Encoding.UTF8.GetString(Encoding.UTF8.GetBytes(text));
        }

        return text;
    }

    /// <summary>A string of a JSON text; one that says half a letter by its number is read without it.</summary>
    private static string StringOf(JsonElement element)
    {
        try
        {
            return element.GetString() ?? "";
        }
        catch (InvalidOperationException)
        {
            return HalfLetter().Replace(element.GetRawText().Trim('"'), "").Replace("\\\"", "\"", StringComparison.Ordinal);
        }
    }

    [GeneratedRegex(@"\\u[dD][89a-fA-F][0-9a-fA-F]{2}", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex HalfLetter();

    private static PageResult ReadOnce(string text, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        if (text.Length > Largest)
            return new([], $"That is {text.Length / 1000} kB; at most {Largest / 1000} kB are read.");
        var start = text.AsSpan().TrimStart('\uFEFF').TrimStart();
        if (start.Length == 0)
            return new([], "There is nothing to read yet.");
        if (start[0] is '{' or '[')
            return PatientReading.Of(() => FromJson([text.TrimStart('\uFEFF')], knowledge, pans, "JSON"));
        if (start[0] == '<')
            return PatientReading.Of(() => FromPage(text, knowledge, pans));
        if (text.Length > RecipeText.Longest)
            return new([], $"That is {text.Length} characters; {RecipeText.Longest} are read as text. Paste the recipe without the rest.");
        var draft = RecipeText.Read(text, knowledge, pans);
        var wrong = RecipeSense.Wrong(text, draft);
        return wrong.Length > 0 ? new([], wrong) : new([draft], "");
    }

    private static PageResult FromPage(string html, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        if (Deepest(html) > MostNested)
            return new([], "This page is nested too deeply to be read. Copy the recipe's own words and paste them here.");
        // The parser runs no scripts, loads nothing and knows no entities but those of HTML.
        using var page = new HtmlParser(new HtmlParserOptions { IsScripting = false }).ParseDocument(html);
        var blocks = page.QuerySelectorAll("script[type='application/ld+json']").Take(100).Select(s => s.TextContent).ToList();
        if (blocks.Count > 0 && FromJson(blocks, knowledge, pans, "page") is { Drafts.Count: > 0 } found)
            return found;
        var words = page.Body is { } body ? WordsOf(body) : "";
        return words.Length == 0
            ? new([], "This page has no recipe that can be read. Open it, copy the recipe's own words and paste them here.")
            : new(
                [],
                "This page does not say in a readable way which part of it is the recipe (schema.org). Copy the recipe's own words "
                    + "and paste them here."
            );
    }

    /// <summary>How deep tags may be nested at most, counted without parsing: parsers slow down with the square of it. Tags that close
    /// themselves count too, so the bound is generous.</summary>
    private static int Deepest(string html)
    {
        var (depth, deepest) = (0, 0);
        for (var at = html.IndexOf('<', StringComparison.Ordinal); at >= 0 && at + 1 < html.Length; at = html.IndexOf('<', at + 1))
        {
            if (html[at + 1] == '/')
                depth = Math.Max(0, depth - 1);
            else if (char.IsAsciiLetter(html[at + 1]) && !Voids.Any(v => string.CompareOrdinal(html, at + 1, v, 0, v.Length) == 0))
                deepest = Math.Max(deepest, ++depth);
        }

        return deepest;
    }

    private static PageResult FromJson(IEnumerable<string> blocks, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans, string what)
    {
        var drafts = new List<RecipeDraft>();
        var broken = "";
        foreach (var block in blocks)
        {
            try
            {
                using var json = JsonDocument.Parse(block, Lenient);
                foreach (var recipe in RecipesIn(json.RootElement, 0).Take(MostRecipes - drafts.Count))
                    drafts.Add(DraftFrom(recipe, knowledge, pans));
            }
            catch (JsonException e)
            {
                broken =
                    $"The JSON breaks off{(e.LineNumber is { } line ? $" in line {line + 1}" : "")}: it is not whole, or nested too "
                    + "deeply.";
            }
        }

        if (drafts.Count > 0)
            return new(drafts, "");
        return new([], broken.Length > 0 ? broken : $"The {what} was read, but there is no recipe in it (schema.org Recipe).");
    }

    private static IEnumerable<JsonElement> RecipesIn(JsonElement element, int depth)
    {
        if (depth > 12)
            yield break;
        if (element.ValueKind == JsonValueKind.Array)
        {
            foreach (var item in element.EnumerateArray())
            {
                foreach (var found in RecipesIn(item, depth + 1))
                    yield return found;
            }
        }

        if (element.ValueKind != JsonValueKind.Object)
            yield break;
        if (
            element.TryGetProperty("@type", out var type)
            && Texts(type).Any(t => t is "Recipe" or "https://schema.org/Recipe" or "http://schema.org/Recipe")
        )
        {
            yield return element;
            yield break;
        }

        foreach (var name in new[] { "@graph", "mainEntity", "mainEntityOfPage", "itemListElement", "item", "hasPart" })
        {
            if (!element.TryGetProperty(name, out var inner))
                continue;
            foreach (var found in RecipesIn(inner, depth + 1))
                yield return found;
        }
    }

    private static RecipeDraft DraftFrom(JsonElement recipe, IngredientKnowledge knowledge, IReadOnlyList<Pan> pans)
    {
        var rows = new RecipeRows { Name = Clip(First(recipe, "name"), 120) };
        rows.Summary.Add(First(recipe, "description"));
        var lines = All(recipe, "recipeIngredient")
            .Concat(All(recipe, "ingredients"))
            .Take(MostLines)
            .Select(l => l.ReplaceLineEndings(" "))
            .ToList();
        var steps = recipe.TryGetProperty("recipeInstructions", out var instructions)
            ? Instructions(instructions, 0).Take(MostLines).ToList()
            : [];
        var known = knowledge.With(DialectWords.Of(string.Join('\n', lines.Concat(steps))));
        foreach (var line in lines)
        {
            // "For the icing:" among the lines of a page is a heading.
            if (IsHeading(line, known))
                rows.Parts.Add((RowReader.PartName(line), []));
            else if (rows.Parts.Count == 0)
                rows.Parts.Add(("", [.. LineSplitter.Split(line, known)]));
            else
                rows.Parts[^1].Lines.AddRange(LineSplitter.Split(line, known));
        }

        rows.Parts.RemoveAll(p => p.Lines.Count == 0);
        foreach (var line in lines)
            rows.Sentences.Add(new SentenceDraft { Text = line, Became = "line" });
        rows.Method.AddRange(steps);
        rows.Yields.AddRange(
            All(recipe, "recipeYield")
                .OrderByDescending(y => y.Any(char.IsLetter))
                .Select(y => YieldWords.Line($"Makes {Verbs().Replace(y, "")}"))
                .OfType<YieldWords>()
                .Take(1)
        );
        rows.Notes.AddRange(
            new[] { "prepTime", "cookTime", "totalTime", "author", "recipeCategory", "keywords" }
                .Select(n => (n, First(recipe, n)))
                .Where(p => p.Item2.Length > 0)
                .Select(p => $"{p.n}: {Clip(p.Item2, 200)}")
        );
        return RecipeAssembly.Of(rows, known, pans);
    }

    private static bool IsHeading(string line, IngredientKnowledge knowledge) =>
        line.Length < 60
        && !line.Any(char.IsDigit)
        && (line.EndsWith(':') || line.StartsWith("for the ", StringComparison.OrdinalIgnoreCase))
        && LineReader.Read(line.TrimEnd(':'), knowledge).Amounts.IsEmpty;

    private static IEnumerable<string> Instructions(JsonElement element, int depth)
    {
        if (depth > 8)
            yield break;
        switch (element.ValueKind)
        {
            case JsonValueKind.String:
                foreach (
                    var line in WordsOf(StringOf(element))
                        .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                )
                    yield return Clip(line, LongestLine);
                break;
            case JsonValueKind.Array:
                foreach (var line in element.EnumerateArray().SelectMany(e => Instructions(e, depth + 1)))
                    yield return line;
                break;
            case JsonValueKind.Object:
                if (element.TryGetProperty("itemListElement", out var list))
                {
                    foreach (var line in Instructions(list, depth + 1))
                        yield return line;
                }
                else if (element.TryGetProperty("text", out var text) || element.TryGetProperty("name", out text))
                {
                    foreach (var line in Instructions(text, depth + 1))
                        yield return line;
                }

                break;
        }
    }

    private static string First(JsonElement recipe, string name) => All(recipe, name).FirstOrDefault() ?? "";

    private static IEnumerable<string> All(JsonElement recipe, string name) =>
        recipe.TryGetProperty(name, out var value) ? Texts(value).Select(WordsOf).Select(t => t.Trim()).Where(t => t.Length > 0) : [];

    private static IEnumerable<string> Texts(JsonElement value) =>
        value.ValueKind switch
        {
            JsonValueKind.String => [StringOf(value)],
            JsonValueKind.Number => [value.GetRawText()],
            JsonValueKind.Array => value.EnumerateArray().Take(MostLines).SelectMany(Texts),
            JsonValueKind.Object when value.TryGetProperty("name", out var name) => Texts(name),
            JsonValueKind.Object when value.TryGetProperty("text", out var text) => Texts(text),
            _ => [],
        };

    /// <summary>The words of markup: fields of recipes come with tags and entities in them.</summary>
    private static string WordsOf(string text)
    {
        text = Clip(text, 20_000);
        if (!text.Contains('<', StringComparison.Ordinal) && !text.Contains('&', StringComparison.Ordinal))
            return text;
        using var page = new HtmlParser().ParseDocument(
            text.Replace("</p>", "</p>\n", StringComparison.OrdinalIgnoreCase)
                .Replace("<br", "\n<br", StringComparison.OrdinalIgnoreCase)
                .Replace("</li>", "</li>\n", StringComparison.OrdinalIgnoreCase)
        );
        return page.Body is { } body ? WordsOf(body) : "";
    }

    private static string WordsOf(IElement element)
    {
        foreach (var hidden in element.QuerySelectorAll("script, style, noscript, template").ToList())
            hidden.Remove();
        return element.TextContent.Trim();
    }

    [GeneratedRegex(@"^\s*(?:makes|yields?|serves)\s*:?\s*", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Verbs();

    private static string Clip(string text, int most) => text.Length <= most ? text : text[..most];
}
