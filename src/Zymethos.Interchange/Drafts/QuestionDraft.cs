using System.Text.Json.Serialization;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Drafts;

/// <summary>Something the reader guessed or could not know, with answers that take one touch.</summary>
[JsonConverter(typeof(QuestionDraftConverter))]
public sealed record QuestionDraft
{
    /// <summary>The question, in a sentence.</summary>
    public string Text { get; set; } = "";

    /// <summary>What it is about, as a word ("heat").</summary>
    public string About { get; set; } = "other";

    /// <summary>What an answer changes: "steps/bake/takes", "steps/bake/oven", "pieces", "dialect", "line/0/2 cups flour"; empty when it
    /// can only be looked at.</summary>
    public string Field { get; set; } = "";

    /// <summary>Answers to choose from; may be empty.</summary>
    public List<AnswerDraft> Answers { get; set; } = [];

    /// <summary>A question of a kind.</summary>
    public static QuestionDraft Of(QuestionAbout about, string text, string field = "", params (string Label, string Value)[] answers) =>
        new()
        {
            Text = text,
            About = DocumentWords.Of(about),
            Field = field,
            Answers = [.. answers.Select(a => new AnswerDraft { Label = a.Label, Value = a.Value })],
        };

    /// <summary>Its place among questions: the smaller, the more harmful a wrong answer.</summary>
    [JsonIgnore]
    public int Harm => Enum.TryParse<QuestionAbout>(About, ignoreCase: true, out var about) ? (int)about : (int)QuestionAbout.Other;

    /// <inheritdoc />
    public override string ToString() => Text;
}

/// <summary>An answer.</summary>
public sealed record AnswerDraft
{
    /// <summary>What the button says.</summary>
    public string Label { get; set; } = "";

    /// <summary>What the field becomes.</summary>
    public string Value { get; set; } = "";
}
