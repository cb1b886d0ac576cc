using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore.Metadata;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace Zymethos.Store.Archive;

/// <summary>
/// A row as one JSON object: every column that says something, under its name in camel case; documents as they are stored, instants and
/// dates by ISO 8601. What is unknown is passed over and what is missing is as a new row has it, so that an archive of yesterday is read.
/// </summary>
public static class RowJson
{
    private static readonly JsonSerializerOptions Options = Make();

    /// <summary>The row as text.</summary>
    public static JsonObject Write(RowKind kind, object row)
    {
        var json = new JsonObject();
        foreach (var field in kind.Fields)
            json[NameOf(field)] = JsonSerializer.SerializeToNode(field.GetGetter().GetClrValue(row), field.ClrType, Options);
        return json;
    }

    /// <summary>The row of a text, without its kitchen.</summary>
    /// <exception cref="InvalidDataException">A value is none of its kind, is missing, or is longer than its place; the message names the
    /// field.</exception>
    public static object Read(RowKind kind, JsonObject json)
    {
        var row = Activator.CreateInstance(kind.Entity.ClrType)!;
        foreach (var field in kind.Fields)
        {
            var name = NameOf(field);
            if (json.TryGetPropertyValue(name, out var node))
                field.PropertyInfo!.SetValue(row, Value(field, node, name));
            if (!field.IsNullable && field.PropertyInfo!.GetValue(row) is null)
                throw new InvalidDataException($"“{name}” is missing.");
        }

        return row;
    }

    /// <summary>The name of a column in an archive.</summary>
    public static string NameOf(IProperty field) => JsonNamingPolicy.CamelCase.ConvertName(field.Name);

    private static object? Value(IProperty field, JsonNode? node, string name)
    {
        object? value;
        try
        {
            value = node.Deserialize(field.ClrType, Options);
        }
        catch (Exception e) when (e is JsonException or NodaTime.Text.UnparsableValueException or NotSupportedException)
        {
            throw new InvalidDataException($"“{name}” cannot be read.", e);
        }

        if (
            value is string text
            && ((field.GetMaxLength() is { } most && text.Length > most) || text.Contains('\0', StringComparison.Ordinal))
        )
            throw new InvalidDataException($"“{name}” is longer than {field.GetMaxLength()} characters, or none of them.");
        return value;
    }

    private static JsonSerializerOptions Make()
    {
        // A row is one step deeper than the document that it holds.
        var options = new JsonSerializerOptions(StoredJson.Options) { MaxDepth = StoredJson.Options.MaxDepth + 1 };
        options.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
