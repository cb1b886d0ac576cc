using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Web.Setup;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Book;

/// <summary>What is known of ingredients: the table that ships, and what this kitchen adds or overrules.</summary>
public sealed class IngredientsModel(ZymethosContext context, KitchenBook book) : PageModel
{
    /// <summary>Words that are looked for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Q { get; set; }

    /// <summary>The form of an own ingredient, as typed.</summary>
    [BindProperty]
    public IngredientForm Form { get; set; } = new();

    /// <summary>What is known and found.</summary>
    public IReadOnlyList<Ingredient> Found { get; private set; } = [];

    /// <summary>Everything that is known.</summary>
    public IngredientKnowledge Knowledge { get; private set; } = IngredientKnowledge.Shipped;

    /// <summary>What was just done; empty when nothing was.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The table, and the form filled with an ingredient to overrule.</summary>
    public async Task<IActionResult> OnGetAsync(string? overrule, CancellationToken cancel)
    {
        await ReadAsync(cancel);
        if (overrule is not null && Knowledge.Find(overrule) is { } ingredient)
        {
            Form = IngredientForm.Of(ingredient);
            ViewData[Seen.Field] = Seen.Of(ingredient.Name, await OwnAsync(ingredient.Name, cancel));
        }

        return Request.Headers.ContainsKey("HX-Request") ? Partial("_IngredientTable", this) : Page();
    }

    /// <summary>Keeps an own ingredient.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var document = Form.Read(ModelState);
        foreach (var fault in document.Faults())
            ModelState.AddModelError($"Form.{char.ToUpperInvariant(fault.Path[0])}{fault.Path[1..]}", fault.Message);
        if (!ModelState.IsValid)
        {
            await ReadAsync(cancel);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var name = document.Name.Trim();
        var row = await context.Ingredients.SingleOrDefaultAsync(i => i.Name == name, cancel);
        if (Seen.IsStale(Request.Form[Seen.Field].FirstOrDefault(), Seen.Of(name, row)))
        {
            await ReadAsync(cancel);
            ModelState.AddModelError(
                "Form.Name",
                $"{name} was changed from another page meanwhile. What you typed is still here; keep it once more to have yours."
            );
            ViewData[Seen.Field] = Seen.Of(name, row);
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        if (row is null)
            context.Ingredients.Add(row = new IngredientRow { Id = Guid.CreateVersion7(), Name = name });
        row.Document = document with { Name = name };
        await context.SaveChangesAsync(cancel);
        Said = $"{name} is kept. Lines that name it are weighed by it from now on; recipes that give grams stay as they are.";
        return RedirectToPage(new { Q = name });
    }

    /// <summary>Forgets an own ingredient; what ships stands again.</summary>
    public async Task<IActionResult> OnPostForgetAsync(string name, CancellationToken cancel)
    {
        await context.Ingredients.Where(i => i.Name == name).ExecuteDeleteAsync(cancel);
        Said = $"{name}: the kitchen's own is forgotten.";
        return RedirectToPage();
    }

    /// <summary>The message at a field; empty when there is none.</summary>
    public string Wrong(string field) => ModelState.At($"Form.{field}");

    private Task<IngredientRow?> OwnAsync(string name, CancellationToken cancel) =>
        context.Ingredients.AsNoTracking().SingleOrDefaultAsync(i => i.Name == name, cancel);

    private async Task ReadAsync(CancellationToken cancel)
    {
        Knowledge = (await book.KitchenAsync(cancel)).Knowledge;
        var words = (Q ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        Found =
        [
            .. Knowledge.All.Where(i =>
                words.All(w =>
                    i.Name.Contains(w, StringComparison.OrdinalIgnoreCase)
                    || i.Aliases.Any(a => a.Contains(w, StringComparison.OrdinalIgnoreCase))
                )
            ),
        ];
    }
}

/// <summary>An own ingredient as typed.</summary>
public sealed class IngredientForm
{
    /// <summary>Name.</summary>
    public string? Name { get; set; }

    /// <summary>Other names, parted by commas.</summary>
    public string? Aliases { get; set; }

    /// <summary>Grams in a cup.</summary>
    public string? GramsPerCup { get; set; }

    /// <summary>Grams of a piece.</summary>
    public string? GramsPerPiece { get; set; }

    /// <summary>Grams in a package.</summary>
    public string? PackageGrams { get; set; }

    /// <summary>Allergens, by the words of the format.</summary>
    public List<string> Allergens { get; set; } = [];

    /// <summary>What else matters to diets.</summary>
    public List<string> Traits { get; set; } = [];

    /// <summary>Water, fat, sugar and protein in percent.</summary>
    public string? Water { get; set; }

    /// <summary>Fat in percent.</summary>
    public string? Fat { get; set; }

    /// <summary>Sugars in percent.</summary>
    public string? Sugar { get; set; }

    /// <summary>Protein in percent.</summary>
    public string? Protein { get; set; }

    /// <summary>The form of an ingredient.</summary>
    public static IngredientForm Of(Ingredient ingredient) =>
        new()
        {
            Name = ingredient.Name,
            Aliases = string.Join(", ", ingredient.Aliases),
            GramsPerCup = Text(ingredient.CupGrams),
            GramsPerPiece = Text(
                ingredient.Pieces.TryGetValue("piece", out var piece) ? piece
                : ingredient.Pieces.TryGetValue("large", out var large) ? large
                : null
            ),
            PackageGrams = Text(ingredient.Packages.IsEmpty ? null : ingredient.Packages[0]),
            Allergens = [.. ingredient.Allergens.Select(a => DocumentWords.Of(a))],
            Traits =
            [
                .. Enum.GetValues<IngredientTraits>()
                    .Where(t => t != IngredientTraits.None && ingredient.Traits.HasFlag(t))
                    .Select(t => DocumentWords.Of(t)),
            ],
            Water = Text(ingredient.Composition.Water),
            Fat = Text(ingredient.Composition.Fat),
            Sugar = Text(ingredient.Composition.Sugar),
            Protein = Text(ingredient.Composition.Protein),
        };

    /// <summary>The document; a field that is no number is said in <paramref name="state"/>.</summary>
    public IngredientDocument Read(Microsoft.AspNetCore.Mvc.ModelBinding.ModelStateDictionary state)
    {
        double? Number(string? text, string field)
        {
            if (string.IsNullOrWhiteSpace(text))
                return null;
            if (double.TryParse(text.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value))
                return value;
            state.AddModelError($"Form.{field}", "This should be a number.");
            return null;
        }

        return new IngredientDocument(
            Name ?? "",
            [.. (Aliases ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(20)],
            Number(GramsPerCup, nameof(GramsPerCup)),
            Number(GramsPerPiece, nameof(GramsPerPiece)),
            Number(PackageGrams, nameof(PackageGrams)),
            Allergens,
            Traits,
            Number(Water, nameof(Water)) ?? 0,
            Number(Fat, nameof(Fat)) ?? 0,
            Number(Sugar, nameof(Sugar)) ?? 0,
            Number(Protein, nameof(Protein)) ?? 0
        );
    }

    private static string? Text(double? value) => value?.ToString("0.##", CultureInfo.InvariantCulture);
}
