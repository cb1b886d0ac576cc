using System.Globalization;
using System.Text;
using System.Text.Json;
using CsvHelper;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Store;
using Zymethos.Store.Books;

namespace Zymethos.Work.Books;

/// <summary>The whole Book, or a recipe of it, as files of open formats, out and in.</summary>
public sealed class BookFile(ZymethosContext context, KitchenBook book)
{
    /// <summary>Whether a text claims to be a Book or a recipe of the format.</summary>
    public static bool IsBook(string text) =>
        text.Length < 20_000_000
        && text.AsSpan().TrimStart('\uFEFF').TrimStart().StartsWith("{")
        && !text.Contains("\"@type\"", StringComparison.Ordinal)
        && (
            text.Contains($"\"{BookDocument.FormatName}\"", StringComparison.Ordinal)
            || (text.Contains("\"steps\"", StringComparison.Ordinal) && text.Contains("\"key\"", StringComparison.Ordinal))
        );

    /// <summary>The Book as a document.</summary>
    public async Task<BookDocument> WriteAsync(CancellationToken cancel)
    {
        var recipes = await context.Recipes.AsNoTracking().OrderBy(r => r.Key).ToListAsync(cancel);
        var own = await context.Ingredients.AsNoTracking().OrderBy(i => i.Name).ToListAsync(cancel);
        return new BookDocument([.. recipes.Select(r => r.Document)], own.Count > 0 ? [.. own.Select(i => i.Document)] : null);
    }

    /// <summary>Puts recipes and ingredients of a text into the Book.</summary>
    /// <param name="text">A Book, or one recipe.</param>
    /// <param name="cancel">Stops; then nothing was put in.</param>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(string text, CancellationToken cancel)
    {
        var bytes = Encoding.UTF8.GetBytes(text.TrimStart('\uFEFF'));
        if (text.Contains($"\"{BookDocument.FormatName}\"", StringComparison.Ordinal))
            return await BringInAsync(new MemoryStream(bytes), cancel);
        var (one, fault) = OpenJson.Read<RecipeDocument>(bytes);
        return fault is not null ? ("", [fault]) : await BringInAsync(new BookDocument([one!]), cancel);
    }

    /// <summary>Puts recipes and ingredients of a Book file into the Book.</summary>
    /// <param name="json">The file from its beginning.</param>
    /// <param name="cancel">Stops; then nothing was put in.</param>
    public async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(Stream json, CancellationToken cancel)
    {
        var (document, fault) = BookReader.Read(json);
        return fault is not null ? ("", [fault]) : await BringInAsync(document!, cancel);
    }

    /// <summary>Puts recipes and ingredients into the Book. Nothing is put in unless all of it can be read; recipes of a key that is there
    /// and different are added beside it. What cannot be planned yet is put in, as a recipe of one's own may be, and said.</summary>
    private async Task<(string Words, IReadOnlyList<Fault> Faults)> BringInAsync(BookDocument document, CancellationToken cancel)
    {
        if (document.Version != 1)
            return ("", [new Fault("version", "Only version 1 is known.")]);
        var reader = new DocumentReader();
        // A key is an address in the Book: whatever else a file says there becomes one.
        var recipes = document
            .Recipes.Select((r, i) => reader.Read(r, $"recipes[{i}]"))
            .Select(r => r with { Key = DraftReader.KeyOf(r.Key) })
            .ToList();
        var faults = reader
            .Faults.Concat((document.Ingredients ?? []).SelectMany((d, i) => d.Faults().Select(f => f.Under($"ingredients[{i}]"))))
            .ToList();
        if (faults.Count > 0)
            return ("", faults);
        var words = await PutAsync(recipes, document.Ingredients ?? [], cancel);
        var unready = recipes.Where(r => RecipeCheck.Missing(r).Count > 0).Select(r => r.Name).ToList();
        return unready switch
        {
            [] => (words, []),
            [var one] => ($"{words} “{one}” cannot be planned yet; its page says why.", []),
            _ => ($"{words} {unready.Count} of them cannot be planned yet, “{unready[0]}” among them; their pages say why.", []),
        };
    }

    /// <summary>A recipe as a Markdown card.</summary>
    public static string Markdown(Recipe recipe, IngredientKnowledge knowledge)
    {
        var scaled = ScaledRecipe.ByMultiple(recipe, 1, knowledge);
        var text = new StringBuilder();
        text.Append(
            CultureInfo.InvariantCulture,
            $"# {MarkdownText.Of(recipe.Name)}\n\n{MarkdownText.Of(recipe.Summary)}\n\nMakes {recipe.Yield.Pieces} "
                + $"{MarkdownText.Of(recipe.Yield.PieceName)}.\n"
        );
        foreach (var part in scaled.Parts)
        {
            text.Append(CultureInfo.InvariantCulture, $"\n## {MarkdownText.Of(part.Part.Name)}\n\n");
            foreach (var line in part.Lines)
            {
                var amount = string.Join(", ", new[] { line.Weight?.ToString() ?? "", line.Measure }.Where(t => t.Length > 0));
                var tail = string.Join(
                    "; ",
                    new[]
                    {
                        line.Line.Form,
                        LineNote.Of(line.Line, 1),
                        line.Line.InsteadOf.Length > 0 ? $"instead of {line.Line.InsteadOf}" : "",
                        line.Line.IsOptional ? "optional" : "",
                    }.Where(t => t.Length > 0)
                );
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"- **{MarkdownText.Of(amount)}** "
                        + $"{MarkdownText.Of(line.Line.Ingredient)}{(tail.Length > 0 ? $", {MarkdownText.Of(tail)}" : "")}\n"
                );
            }
        }

        text.Append(
            CultureInfo.InvariantCulture,
            $"\n## For whom\n\n{MarkdownText.Of(StatementWords.Whole(AllergenStatement.Of(recipe, knowledge)))}\n"
        );
        foreach (var told in FinishSplit.Told(recipe, recipe.Yield.Pieces, knowledge))
            text.Append(CultureInfo.InvariantCulture, $"\n- {MarkdownText.Of(told)}");
        if (!recipe.Finishes.IsEmpty)
            text.Append('\n');
        text.Append("\n## Method\n\n");
        foreach (var (step, i) in recipe.Steps.Select((s, i) => (s, i)))
        {
            var heat = step.Oven is { State: OvenState.Bake } oven
                ? $", {oven.SetTemperature.CelsiusDial} °C / {oven.SetTemperature.FahrenheitDial} °F"
                : "";
            text.Append(
                CultureInfo.InvariantCulture,
                $"{i + 1}. **{MarkdownText.Of(step.Title)}** ({step.Takes.Low.TotalMinutes:0} to {step.Takes.High.TotalMinutes:0} "
                    + $"min{heat}). {MarkdownText.Of(step.Instruction)}"
            );
            foreach (var test in step.DoneTests)
                text.Append(CultureInfo.InvariantCulture, $" *{MarkdownText.Of(test.Text)}*");
            foreach (var caution in step.Cautions)
                text.Append(CultureInfo.InvariantCulture, $" **Caution:** {Caution.For(caution).Text}");
            text.Append('\n');
        }

        if (recipe.Keeping.Length > 0)
        {
            text.Append("\n## Keeps\n\n");
            foreach (var keeping in recipe.Keeping)
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"- {(keeping.Part.Length > 0 ? $"{MarkdownText.Of(keeping.Part)}: " : "")}{MarkdownText.Of(keeping.Place)}: "
                        + $"{keeping.Days} days\n"
                );
        }

        return text.ToString();
    }

    /// <summary>The ingredients of recipes as CSV (RFC 4180).</summary>
    public static string Csv(IEnumerable<(Recipe Recipe, IngredientKnowledge Knowledge)> recipes)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, new CsvHelper.Configuration.CsvConfiguration(CultureInfo.InvariantCulture));
        foreach (
            var head in new[]
            {
                "recipe",
                "part",
                "ingredient",
                "amount",
                "unit",
                "grams",
                "form",
                "note",
                "optional",
                "known_as",
                "allergens",
                "may_contain",
                "not_known",
            }
        )
            csv.WriteField(head);
        csv.NextRecord();
        foreach (var (recipe, knowledge) in recipes)
        {
            foreach (var (part, line) in recipe.Parts.SelectMany(p => p.Lines.Select(l => (p, l))))
            {
                var meant = knowledge.Meant(line.Ingredient);
                csv.WriteField(CsvCell.Of(recipe.Name));
                csv.WriteField(CsvCell.Of(part.Name));
                csv.WriteField(CsvCell.Of(line.Ingredient));
                csv.WriteField(line.Amount?.Low);
                csv.WriteField(line.Amount?.Unit.Code);
                csv.WriteField(line.Weight is { } w ? Math.Round(w.Grams, 2) : (double?)null);
                csv.WriteField(CsvCell.Of(line.Form));
                csv.WriteField(CsvCell.Of(line.Note));
                csv.WriteField(line.IsOptional ? "yes" : "no");
                csv.WriteField(CsvCell.Of(meant?.Name));
                var facts = LineAllergens.Of(line, knowledge);
                csv.WriteField(string.Join(' ', facts.Contains.Select(a => DocumentWords.Of(a))));
                csv.WriteField(
                    facts.Open.Any(o => o.IsAnything)
                        ? "anything"
                        : string.Join(' ', facts.Open.SelectMany(o => o.MayBe).Distinct().Order().Select(a => DocumentWords.Of(a)))
                );
                csv.WriteField(CsvCell.Of(string.Join("; ", facts.Open.Select(o => o.Why).Distinct())));
                csv.NextRecord();
            }
        }

        csv.Flush();
        return text.ToString();
    }

    private async Task<string> PutAsync(List<Recipe> recipes, IReadOnlyList<IngredientDocument> ingredients, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var (added, same) = (0, 0);
        foreach (var recipe in recipes)
        {
            var there = await book.FindAsync(recipe.Key, cancel);
            if (there is not null && Same(there.Document, DocumentWriter.Write(recipe)))
            {
                same++;
                continue;
            }

            await book.SaveAsync(recipe, "Brought in from a file", true, cancel);
            added++;
            // What is saved need not be watched any longer: with hundreds of recipes every save would look through all before it.
            context.ChangeTracker.Clear();
        }

        foreach (var document in ingredients)
        {
            var name = document.Name.Trim();
            var row = await context.Ingredients.SingleOrDefaultAsync(i => i.Name == name, cancel);
            if (row is null)
                context.Ingredients.Add(row = new IngredientRow { Id = Guid.CreateVersion7(), Name = name });
            row.Document = document with { Name = name };
        }

        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        var words = $"{added} {(added == 1 ? "recipe" : "recipes")} put into the Book";
        if (same > 0)
            words += $", {same} there already just so";
        return ingredients.Count > 0 ? $"{words}, and {ingredients.Count} ingredients." : $"{words}.";
    }

    private static bool Same(RecipeDocument one, RecipeDocument other) =>
        JsonSerializer.Serialize(Whole(one), OpenJson.Options) == JsonSerializer.Serialize(Whole(other), OpenJson.Options);

    /// <summary>Read and written again, so that what is left out and what is said explicitly compare as one.</summary>
    private static RecipeDocument Whole(RecipeDocument document) => DocumentWriter.Write(new DocumentReader().Read(document, "recipe"));
}
