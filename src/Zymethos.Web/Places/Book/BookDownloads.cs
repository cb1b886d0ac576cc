using System.Text;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>The Book and its recipes as files to take along.</summary>
public static class BookDownloads
{
    /// <summary>Maps the addresses of the files.</summary>
    public static void MapBookDownloads(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("/book").RequireAuthorization().ExcludeFromDescription();
        files.MapGet("/export", async (BookFile file, CancellationToken cancel) => Json(await file.WriteAsync(cancel), "book.json"));
        files.MapGet(
            "/{key}/recipe.json",
            async (string key, KitchenBook book, CancellationToken cancel) =>
                await book.FindAsync(key, cancel) is { } row ? Json(row.Document, $"{key}.json") : Results.NotFound()
        );
        files.MapGet(
            "/{key}/card.md",
            async (string key, KitchenBook book, CancellationToken cancel) =>
            {
                if (await book.FindAsync(key, cancel) is not { } row)
                    return Results.NotFound();
                var recipe = row.ToRecipe();
                var knowledge = (await book.KitchenAsync(cancel)).For(recipe);
                return Text(BookFile.Markdown(RecipeFacts.AsBaked(recipe, knowledge), knowledge), "text/markdown", $"{key}.md");
            }
        );
        files.MapGet(
            "/{key}/ingredients.csv",
            async (string key, KitchenBook book, CancellationToken cancel) =>
            {
                if (await book.FindAsync(key, cancel) is not { } row)
                    return Results.NotFound();
                var recipe = row.ToRecipe();
                var knowledge = (await book.KitchenAsync(cancel)).For(recipe);
                return Text(BookFile.Csv([(RecipeFacts.AsBaked(recipe, knowledge), knowledge)]), "text/csv", $"{key}.csv");
            }
        );
        files.MapGet(
            "/ingredients.csv",
            async (KitchenBook book, ZymethosContext context, CancellationToken cancel) =>
            {
                var known = await book.KitchenAsync(cancel);
                var recipes = (await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel)).Select(r => r.ToRecipe());
                return Text(
                    BookFile.Csv(recipes.Select(r => (RecipeFacts.AsBaked(r, known.For(r)), known.For(r)))),
                    "text/csv",
                    "ingredients.csv"
                );
            }
        );
    }

    private static IResult Json<T>(T document, string name) =>
        Results.File(
            System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(
                document,
                new System.Text.Json.JsonSerializerOptions(OpenJson.Options) { WriteIndented = true }
            ),
            "application/json",
            name
        );

    private static IResult Text(string text, string type, string name) =>
        Results.File(Encoding.UTF8.GetBytes(text), $"{type}; charset=utf-8", name);
}
