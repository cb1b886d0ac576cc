using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using NodaTime;
using NodaTime.Text;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Store.Daybooks;
using Zymethos.Store.Days;
using Zymethos.Store.Parcels;
using Zymethos.Store.Seasons;

namespace Zymethos.Work.House;

/// <summary>
/// What a page showed when somebody pressed a button on it: every form carries it, so that a change is made to what was seen and to nothing
/// else. It is a few words that only this class reads: what it is of, and which state.
/// </summary>
public static class Seen
{
    /// <summary>Name of the field that carries it, and of the entry of the view data that fills it.</summary>
    public const string Field = "seen";

    /// <summary>A day as it stands; <paramref name="row"/> is null where none is planned.</summary>
    public static string Of(LocalDate date, OvenDayRow? row) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"day {LocalDatePattern.Iso.Format(date)} {(row is null ? "none" : $"{row.Number}.{row.PlannedAt.ToUnixTimeTicks()}")}"
        );

    /// <summary>A season as it was said. What the search finds for it meanwhile is no change of it.</summary>
    public static string Of(SeasonRow row) => $"season {row.Id:N} {Mark(StoredJson.Text(row.Sheet))}";

    /// <summary>A recipe as it stands in the Book; <paramref name="row"/> is null where there is none.</summary>
    public static string Of(string key, RecipeRow? row) =>
        $"recipe {Uri.EscapeDataString(key)} {(row is null ? "none" : Mark(StoredJson.Text(row.Document)))}";

    /// <summary>A bake as it is written down.</summary>
    public static string Of(PastBakeRow row) => $"bake {row.Id:N} {Mark(StoredJson.Text(row.Document))}";

    /// <summary>Somebody to whom things are given.</summary>
    public static string Of(RecipientRow row) => $"person {row.Id:N} {Mark(StoredJson.Text(row.Document))}";

    /// <summary>A board of who gets what.</summary>
    public static string Of(GiftBoardRow row) => $"board {row.Id:N} {Mark(StoredJson.Text(row.Document))}";

    /// <summary>Tins and boxes of a kitchen; <paramref name="row"/> is null where nobody wrote any down.</summary>
    public static string Of(GiftShelfRow? row) => $"boxes all {(row is null ? "none" : Mark(StoredJson.Text(row.Document)))}";

    /// <summary>An ingredient of the kitchen's own; <paramref name="row"/> is null where there is none.</summary>
    public static string Of(string name, IngredientRow? row) =>
        $"ingredient {Uri.EscapeDataString(name)} {(row is null ? "none" : Mark(StoredJson.Text(row.Document)))}";

    private static string Mark(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..16];

    /// <summary>Whether something else stands there now than was seen. False where nothing was seen, or something of another name: then
    /// nobody was shown what is changed.</summary>
    /// <param name="seen">What came with the form; null or empty when nothing did.</param>
    /// <param name="now">What stands.</param>
    public static bool IsStale(string? seen, string now) =>
        seen?.Split(' ') is [var kind, var name, var state]
        && now.Split(' ') is [var k, var n, var s]
        && kind == k
        && name == n
        && state != s;
}
