using System.Text.Json;

namespace Zymethos.Interchange.Documents;

/// <summary>
/// Finds a null that stands in a list. No list of the open formats may hold one, and the library that reads them looks at fields only.
/// </summary>
internal static class EmptyPlaces
{
    /// <summary>The path of the first one ("recipes[2]"); null when there is none.</summary>
    /// <exception cref="JsonException">It is not JSON.</exception>
    public static string? First(ReadOnlySpan<byte> json)
    {
        var reader = new Utf8JsonReader(json, new JsonReaderOptions { MaxDepth = 64 });
        // Where in each open list or object the reader stands: the place in a list, the name of a field, or null before the first field.
        var path = new Stack<(bool IsList, int Place, string? Name)>();
        while (reader.Read())
        {
            if (reader.TokenType == JsonTokenType.PropertyName)
            {
                path.Push(path.Pop() with { Name = reader.GetString() });
                continue;
            }

            if (reader.TokenType is JsonTokenType.EndArray or JsonTokenType.EndObject)
            {
                path.Pop();
                continue;
            }

            if (path.TryPop(out var here) && here.IsList)
                here = here with { Place = here.Place + 1 };
            if (here != default)
                path.Push(here);
            if (reader.TokenType == JsonTokenType.Null && here.IsList)
                return Said(path);
            if (reader.TokenType == JsonTokenType.StartArray)
                path.Push((true, -1, null));
            if (reader.TokenType == JsonTokenType.StartObject)
                path.Push((false, 0, ""));
        }

        return null;
    }

    private static string Said(Stack<(bool IsList, int Place, string? Name)> path) =>
        string.Concat(path.Reverse().Select(p => p.IsList ? $"[{p.Place}]" : $".{p.Name}")).TrimStart('.');
}
