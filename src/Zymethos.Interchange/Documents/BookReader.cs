using System.Buffers;
using System.Text;
using System.Text.Json;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Documents;

/// <summary>
/// Reads a Book file recipe by recipe, so that a large Book takes the room of its largest recipe and of what was read, never that of the
/// whole file several times over. Strict, as every document of the open formats.
/// </summary>
public static class BookReader
{
    /// <summary>Recipes that one file may hold.</summary>
    public const int MostRecipes = 2000;

    /// <summary>Bytes that one recipe, or everything beside the recipes, may have.</summary>
    public const int LargestPiece = 400_000;

    private const string Recipes = "recipes";

    /// <summary>Whether a file that begins so claims to be a Book.</summary>
    /// <param name="beginning">The first bytes, as text; a few hundred are enough.</param>
    public static bool IsBook(string beginning)
    {
        var text = beginning.AsSpan().TrimStart('\uFEFF').TrimStart();
        if (text is not ['{', ..] || text.Contains("\"@", StringComparison.Ordinal))
            return false;
        text = text[1..].TrimStart();
        return text.StartsWith($"\"{Recipes}\"", StringComparison.Ordinal)
            || text.Contains($"\"{BookDocument.FormatName}\"", StringComparison.Ordinal);
    }

    /// <summary>The Book in a file; or what is wrong with it, and where.</summary>
    /// <param name="json">The file from its beginning; read to the end, left open, and read without waiting asynchronously.</param>
    public static (BookDocument? Book, Fault? Fault) Read(Stream json)
    {
        var buffer = ArrayPool<byte>.Shared.Rent(64 * 1024);
        try
        {
            return new Reading(json).Run(ref buffer);
        }
        catch (JsonException e)
        {
            return (null, OpenJson.Describe(e));
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(buffer);
        }
    }

    private sealed class Reading(Stream json)
    {
        private readonly List<RecipeDocument> _recipes = [];
        private readonly StringBuilder _rest = new();
        private string _property = "";
        private bool _isInRecipes;
        private bool _hasRecipes;
        private bool _isOver;
        private Fault? _fault;

        public (BookDocument? Book, Fault? Fault) Run(ref byte[] buffer)
        {
            var (filled, isLast, state) = (0, false, new JsonReaderState());
            while (!_isOver && _fault is null)
            {
                if (!isLast)
                {
                    if (filled == buffer.Length && !Grow(ref buffer))
                        return (null, TooLarge());
                    var more = json.Read(buffer, filled, buffer.Length - filled);
                    isLast = more == 0;
                    filled += more;
                }

                var used = Take(buffer.AsSpan(0, filled), isLast, ref state);
                buffer.AsSpan(used, filled - used).CopyTo(buffer);
                filled -= used;
                if (isLast && used == 0 && !_isOver && _fault is null)
                    return (null, new Fault("", "The document ends in the middle."));
            }

            if (_fault is not null)
                return (null, _fault);
            if (!_hasRecipes)
                return (null, new Fault(Recipes, "Something is missing here: the recipes."));
            var (book, fault) = OpenJson.Read<BookDocument>(Encoding.UTF8.GetBytes($"{{\"{Recipes}\":[]{_rest}}}"));
            return fault is not null ? (null, fault) : (book! with { Recipes = _recipes }, null);
        }

        private static bool Grow(ref byte[] buffer)
        {
            if (buffer.Length > LargestPiece)
                return false;
            var larger = ArrayPool<byte>.Shared.Rent(buffer.Length * 2);
            buffer.CopyTo(larger, 0);
            ArrayPool<byte>.Shared.Return(buffer);
            buffer = larger;
            return true;
        }

        private Fault TooLarge() =>
            new(_isInRecipes ? $"{Recipes}[{_recipes.Count}]" : _property, $"That is more than {LargestPiece / 1000} kB for one piece.");

        /// <summary>Takes whatever is whole in what has been read so far.</summary>
        /// <returns>How many bytes were used up.</returns>
        private int Take(ReadOnlySpan<byte> bytes, bool isLast, ref JsonReaderState state)
        {
            // A byte order mark is no part of the document; within it these bytes cannot stand.
            if (bytes is [0xEF, 0xBB, 0xBF, ..])
                return 3;
            var reader = new Utf8JsonReader(bytes, isLast, state);
            while (_fault is null)
            {
                var before = reader;
                if (!reader.Read() || !Token(ref reader, bytes))
                {
                    reader = before;
                    break;
                }
            }

            state = reader.CurrentState;
            return (int)reader.BytesConsumed;
        }

        /// <summary>Deals with one token; false when what it begins has not been read whole.</summary>
        private bool Token(ref Utf8JsonReader reader, ReadOnlySpan<byte> bytes)
        {
            switch (reader.TokenType)
            {
                case JsonTokenType.StartObject when reader.CurrentDepth == 0:
                    return true;
                case JsonTokenType.EndObject when reader.CurrentDepth == 0:
                    _isOver = true;
                    return true;
                case JsonTokenType.EndArray when _isInRecipes && reader.CurrentDepth == 1:
                    _isInRecipes = false;
                    return true;
                case JsonTokenType.PropertyName when reader.CurrentDepth == 1:
                    _property = reader.GetString()!;
                    return true;
                case JsonTokenType.StartArray when _property == Recipes && reader.CurrentDepth == 1:
                    if (_hasRecipes)
                        _fault = new Fault(Recipes, "A field stands here twice.");
                    (_isInRecipes, _hasRecipes) = (true, true);
                    return true;
            }

            var start = (int)reader.TokenStartIndex;
            if (!reader.TrySkip())
                return false;
            var piece = bytes[start..(int)reader.BytesConsumed];
            if (reader.CurrentDepth == 0)
                _fault = new Fault("", "A Book is an object with its recipes.");
            else if (_isInRecipes)
                AddRecipe(piece);
            else if (_property == Recipes)
                _fault = new Fault(Recipes, "This is not the kind of value that belongs here.");
            else
                _rest.Append(',').Append(JsonSerializer.Serialize(_property)).Append(':').Append(Encoding.UTF8.GetString(piece));
            return true;
        }

        private void AddRecipe(ReadOnlySpan<byte> piece)
        {
            var at = $"{Recipes}[{_recipes.Count}]";
            if (_recipes.Count == MostRecipes)
                _fault = new Fault(Recipes, $"At most {MostRecipes} recipes at once.");
            else if (piece.Length > LargestPiece)
                _fault = TooLarge();
            else
            {
                var (recipe, fault) = OpenJson.Read<RecipeDocument>(piece);
                _fault = fault?.Under(at);
                if (recipe is not null)
                    _recipes.Add(recipe);
            }
        }
    }
}
