using System.Text.Json;
using System.Text.Json.Serialization;
using Zymethos.Interchange.Documents;

namespace Zymethos.Store;

/// <summary>
/// How documents stand in the database. They are read leniently, so that an instance of yesterday beside one of today passes over fields it
/// does not know; what comes in from outside is read strictly by <see cref="OpenJson"/>. They are written only where they can be read
/// again.
/// </summary>
public static class StoredJson
{
    // A stored document may hold another one, so it may be deeper than what is taken in.
    private const int Deepest = 32;

    /// <summary>Options for what is stored.</summary>
    public static JsonSerializerOptions Options { get; } = Make();

    /// <summary>A document as it is stored.</summary>
    /// <exception cref="UnreadableDocumentException">It could not be read back: something in it is null or of a kind that the format does
    /// not know. Nothing may be stored then.</exception>
    public static string Write<T>(T value)
    {
        try
        {
            var text = JsonSerializer.Serialize(value, Options);
            if (value is not null && JsonSerializer.Deserialize<T>(text, Options) is null)
                throw new UnreadableDocumentException(typeof(T).Name, null);
            return text;
        }
        catch (JsonException e)
        {
            throw new UnreadableDocumentException(typeof(T).Name, e);
        }
    }

    /// <summary>A document as text, to tell two of them apart.</summary>
    public static string Text<T>(T value) => JsonSerializer.Serialize(value, Options);

    /// <summary>A stored document.</summary>
    /// <exception cref="JsonException">It is none of its kind.</exception>
    public static T Read<T>(string text) => JsonSerializer.Deserialize<T>(text, Options)!;

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions(OpenJson.Options)
        {
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Skip,
            AllowDuplicateProperties = true,
            MaxDepth = Deepest,
        };
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}

/// <summary>A document was about to be stored that nobody could have read again.</summary>
/// <param name="kind">What it is.</param>
/// <param name="inner">What is wrong in it; null when all of it is.</param>
public sealed class UnreadableDocumentException(string kind, Exception? inner)
    : Exception($"A {kind} that cannot be read back is not stored: {inner?.Message ?? "it is empty"}", inner);
