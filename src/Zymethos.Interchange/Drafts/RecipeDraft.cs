namespace Zymethos.Interchange.Drafts;

/// <summary>
/// A recipe on its way: everything as it was typed, right or wrong, so that nothing is lost while it is half made. Lists are what an editor
/// can change.
/// </summary>
public sealed record RecipeDraft
{
    /// <summary>Key of the recipe that is edited; empty for a new one.</summary>
    public string Key { get; set; } = "";

    /// <summary>Name.</summary>
    public string Name { get; set; } = "";

    /// <summary>One or two sentences.</summary>
    public string Summary { get; set; } = "";

    /// <summary>Kind of bake, as documents write it.</summary>
    public string Kind { get; set; } = "other";

    /// <summary>Pieces a batch gives.</summary>
    public string Pieces { get; set; } = "";

    /// <summary>What they are called, in the plural.</summary>
    public string PieceName { get; set; } = "";

    /// <summary>How its writer filled a cup of flour; empty for the kitchen's habit.</summary>
    public string FlourHabit { get; set; } = "";

    /// <summary>Into how many strands or buns the dough is divided; empty for none.</summary>
    public string DividedInto { get; set; } = "";

    /// <summary>What those are called.</summary>
    public string DivisionName { get; set; } = "";

    /// <summary>Parts.</summary>
    public List<PartDraft> Parts { get; set; } = [];

    /// <summary>Steps.</summary>
    public List<StepDraft> Steps { get; set; } = [];

    /// <summary>Links.</summary>
    public List<LinkDraft> Links { get; set; } = [];

    /// <summary>Where bakers differ.</summary>
    public List<ChoiceDraft> Choices { get; set; } = [];

    /// <summary>Parts of a batch that are finished another way, a line each: "12 with chocolate: dark chocolate".</summary>
    public string Finishes { get; set; } = "";

    /// <summary>How long it keeps.</summary>
    public List<KeepingDraft> Keeping { get; set; } = [];

    /// <summary>Whatever could not be placed on reading a text or a page, kept as written.</summary>
    public string Notes { get; set; } = "";

    /// <summary>Where its words come from, as documents write it ("british"); empty when nobody said.</summary>
    public string Dialect { get; set; } = "";

    /// <summary>What was guessed and wants an answer, the most harmful first.</summary>
    public List<QuestionDraft> Questions { get; set; } = [];

    /// <summary>The text it was read from, as pasted; empty for what was typed in fields. At most 60,000 characters.</summary>
    public string Source { get; set; } = "";

    /// <summary>The text it was read from, sentence by sentence, with what each became; empty for what was typed in fields.</summary>
    public List<SentenceDraft> Sentences { get; set; } = [];
}

/// <summary>A part: its lines are one text, a line each.</summary>
public sealed record PartDraft
{
    /// <summary>Heading.</summary>
    public string Name { get; set; } = "";

    /// <summary>Kind of part, as documents write it.</summary>
    public string Kind { get; set; } = "dough";

    /// <summary>Lines as typed. A line that belongs to a choice ends in "[soak=tea]".</summary>
    public string Lines { get; set; } = "";
}

/// <summary>A step as typed.</summary>
public sealed record StepDraft
{
    /// <summary>Key, made from the title when it is empty.</summary>
    public string Key { get; set; } = "";

    /// <summary>A few words.</summary>
    public string Title { get; set; } = "";

    /// <summary>Kind, as documents write it.</summary>
    public string Kind { get; set; } = "work";

    /// <summary>Usual minutes, or a range: "10", "8-12", "1 h 30", "overnight".</summary>
    public string Takes { get; set; } = "";

    /// <summary>The full sentence or two.</summary>
    public string Instruction { get; set; } = "";

    /// <summary>People needed; empty for the usual of its kind.</summary>
    public string Hands { get; set; } = "";

    /// <summary>How many waves.</summary>
    public string Times { get; set; } = "";

    /// <summary>"180 C" or "350 F"; empty when the oven is not needed.</summary>
    public string Oven { get; set; } = "";

    /// <summary>Name of the pan.</summary>
    public string Pan { get; set; } = "";

    /// <summary>How many of them go in together.</summary>
    public string Pans { get; set; } = "";

    /// <summary>Name of the tray on which the pans travel; empty when they stand on the shelf.</summary>
    public string Sheet { get; set; } = "";

    /// <summary>How to know that it is done, a line each.</summary>
    public string Done { get; set; } = "";

    /// <summary>What to beware of, as documents write it.</summary>
    public List<string> Cautions { get; set; } = [];

    /// <summary>Other ways to spend the wait, a line each: "refrigerator overnight: chill, 8-14 h".</summary>
    public string Modes { get; set; } = "";

    /// <summary>What is done part-way, a line each: "top 25 %: strew the crumb on".</summary>
    public string Touches { get; set; } = "";

    /// <summary>The choice it belongs to ("soak=tea"); empty for always.</summary>
    public string When { get; set; } = "";
}

/// <summary>A link as typed.</summary>
public sealed record LinkDraft
{
    /// <summary>Key of the step before.</summary>
    public string From { get; set; } = "";

    /// <summary>Key of the step after.</summary>
    public string To { get; set; } = "";

    /// <summary>Least time between; empty for none.</summary>
    public string Least { get; set; } = "";

    /// <summary>Most time between; empty when it may wait.</summary>
    public string Most { get; set; } = "";

    /// <summary>Whether the most is only wished for.</summary>
    public bool Soft { get; set; }

    /// <summary>The reason.</summary>
    public string Why { get; set; } = "";

    /// <summary>The choice it belongs to; empty for always.</summary>
    public string When { get; set; } = "";
}

/// <summary>A choice as typed.</summary>
public sealed record ChoiceDraft
{
    /// <summary>Key.</summary>
    public string Key { get; set; } = "";

    /// <summary>What is asked.</summary>
    public string Question { get; set; } = "";

    /// <summary>The ways, a line each: "tea: Ten minutes in hot tea: no alcohol".</summary>
    public string Options { get; set; } = "";

    /// <summary>Key of the way taken.</summary>
    public string Chosen { get; set; } = "";
}

/// <summary>A keeping place as typed.</summary>
public sealed record KeepingDraft
{
    /// <summary>Where and how wrapped.</summary>
    public string Place { get; set; } = "";

    /// <summary>For how many days.</summary>
    public string Days { get; set; } = "";

    /// <summary>Best from so many days on.</summary>
    public string BestFrom { get; set; } = "";

    /// <summary>Hours to thaw.</summary>
    public string Thaw { get; set; } = "";

    /// <summary>The part it holds for; empty for all.</summary>
    public string Part { get; set; } = "";

    /// <summary>Key of the step after which it is kept so; empty when all is done by then.</summary>
    public string After { get; set; } = "";
}
