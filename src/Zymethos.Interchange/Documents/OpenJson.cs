using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Unicode;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Documents;

/// <summary>How the open formats are read and written: camel case, nothing unknown, nothing twice, nothing deep.</summary>
public static class OpenJson
{
    /// <summary>Strict options for reading and writing.</summary>
    public static JsonSerializerOptions Options { get; } = Make();

    /// <summary>Reads a document. On bad JSON the value is null and the fault says where and what, without the reader's own
    /// jargon.</summary>
    public static (T? Value, Fault? Fault) Read<T>(ReadOnlySpan<byte> json)
        where T : class
    {
        try
        {
            var value = JsonSerializer.Deserialize<T>(json, Options);
            if (value is null)
                return (null, new Fault("", "The document is empty."));
            return EmptyPlaces.First(json) is { } nothing ? (null, new Fault(nothing, "This may not be null.")) : (value, null);
        }
        catch (JsonException e)
        {
            return (null, Describe(e));
        }
    }

    /// <summary>What a reader's exception means to whoever wrote the document.</summary>
    public static Fault Describe(JsonException exception)
    {
        var path = (exception.Path ?? "$").TrimStart('$').TrimStart('.');
        var text = exception.Message;
        var where = exception.LineNumber is { } line ? $" (line {line + 1})" : "";
        var message = text switch
        {
            _ when text.Contains("could not be mapped", StringComparison.Ordinal) =>
                $"There is no field of this name in the format{where}.",
            _ when text.Contains("missing required", StringComparison.Ordinal) => $"Something is missing here: {Quoted(text)}{where}.",
            _ when text.Contains("Duplicate property", StringComparison.Ordinal) => $"A field stands here twice{where}.",
            _ when text.Contains("maximum configured depth", StringComparison.Ordinal)
                    || text.Contains("MaxDepth", StringComparison.Ordinal) => "The document is nested too deeply.",
            _ when text.Contains("doesn't allow null", StringComparison.Ordinal)
                    || text.Contains("does not allow null", StringComparison.Ordinal) => $"This may not be null{where}.",
            _ when text.Contains("could not be converted", StringComparison.Ordinal) =>
                $"This is not the kind of value that belongs here{where}.",
            _ => $"This is not valid JSON{where}.",
        };
        return new Fault(path, message);
    }

    private static string Quoted(string text)
    {
        var from = text.IndexOf("including:", StringComparison.Ordinal);
        return from < 0 ? "a required field" : text[(from + 10)..].Trim().TrimEnd('.').Replace('\'', '"');
    }

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            PropertyNameCaseInsensitive = false,
            NumberHandling = JsonNumberHandling.Strict,
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            AllowDuplicateProperties = false,
            RespectNullableAnnotations = true,
            RespectRequiredConstructorParameters = true,
            MaxDepth = 16,
            WriteIndented = false,
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            Encoder = JavaScriptEncoder.Create(UnicodeRanges.All),
        };
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
