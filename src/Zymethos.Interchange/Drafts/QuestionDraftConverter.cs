using System.Text.Json;
using System.Text.Json.Serialization;

namespace Zymethos.Interchange.Drafts;

/// <summary>Drafts kept before questions had answers hold plain sentences: both are read, the new form is written.</summary>
internal sealed class QuestionDraftConverter : JsonConverter<QuestionDraft>
{
    public override QuestionDraft Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.String)
            return new QuestionDraft { Text = reader.GetString() ?? "" };
        using var document = JsonDocument.ParseValue(ref reader);
        var root = document.RootElement;
        return new QuestionDraft
        {
            Text = Text(root, "text"),
            About = Text(root, "about") is { Length: > 0 } about ? about : "other",
            Field = Text(root, "field"),
            Answers =
                root.TryGetProperty("answers", out var answers) && answers.ValueKind == JsonValueKind.Array
                    ? [.. answers.EnumerateArray().Select(a => new AnswerDraft { Label = Text(a, "label"), Value = Text(a, "value") })]
                    : [],
        };
    }

    public override void Write(Utf8JsonWriter writer, QuestionDraft value, JsonSerializerOptions options)
    {
        writer.WriteStartObject();
        writer.WriteString("text", value.Text);
        writer.WriteString("about", value.About);
        writer.WriteString("field", value.Field);
        writer.WriteStartArray("answers");
        foreach (var answer in value.Answers)
        {
            writer.WriteStartObject();
            writer.WriteString("label", answer.Label);
            writer.WriteString("value", answer.Value);
            writer.WriteEndObject();
        }

        writer.WriteEndArray();
        writer.WriteEndObject();
    }

    private static string Text(JsonElement element, string name) =>
        element.TryGetProperty(name, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString() ?? "" : "";
}
