using Zymethos.Work.House;

namespace Zymethos.Work.Books;

/// <summary>What a row of a draft is, other than a step.</summary>
public enum DraftRow
{
    /// <summary>A part with its lines.</summary>
    Part,

    /// <summary>A tie between two steps.</summary>
    Link,

    /// <summary>A place where bakers differ.</summary>
    Choice,

    /// <summary>How long it keeps, and where.</summary>
    Keeping,

    /// <summary>A question that is open; it is answered or removed, never added by hand.</summary>
    Question,
}

/// <summary>What a button of the editor does to a draft: one of the records in here.</summary>
public abstract record DraftMove
{
    private DraftMove() { }

    /// <summary>An empty row more, at the end.</summary>
    public sealed record Add(DraftRow Row) : DraftMove;

    /// <summary>A row less.</summary>
    /// <param name="Row">Of what kind.</param>
    /// <param name="At">Its place, from 0.</param>
    public sealed record Remove(DraftRow Row, int At) : DraftMove;

    /// <summary>An empty step more.</summary>
    /// <param name="After">The step it comes after, from 0; null for the end.</param>
    public sealed record AddStep(int? After) : DraftMove;

    /// <summary>A step less; what came before it is tied to what came after.</summary>
    public sealed record RemoveStep(int At) : DraftMove;

    /// <summary>A step comes one place sooner.</summary>
    public sealed record StepUp(int At) : DraftMove;

    /// <summary>A step comes one place later.</summary>
    public sealed record StepDown(int At) : DraftMove;

    /// <summary>Every step that nothing ties is tied to the one before it in the list.</summary>
    public sealed record TieInOrder : DraftMove;

    /// <summary>The move that a button says ("step-add", "step-up:3", "link-remove:1", "chain"); null when it says none.</summary>
    public static DraftMove? Read(string? text)
    {
        var parts = (text ?? "").Split(':');
        var place = parts.Length > 1 ? WholeNumber.Read(parts[1]) : null;
        return (parts[0], place) switch
        {
            ("chain", _) => new TieInOrder(),
            ("part-add", _) => new Add(DraftRow.Part),
            ("link-add", _) => new Add(DraftRow.Link),
            ("choice-add", _) => new Add(DraftRow.Choice),
            ("keeping-add", _) => new Add(DraftRow.Keeping),
            ("step-add", _) => new AddStep(place),
            ("step-remove", { } at) => new RemoveStep(at),
            ("step-up", { } at) => new StepUp(at),
            ("step-down", { } at) => new StepDown(at),
            ("part-remove", { } at) => new Remove(DraftRow.Part, at),
            ("link-remove", { } at) => new Remove(DraftRow.Link, at),
            ("choice-remove", { } at) => new Remove(DraftRow.Choice, at),
            ("keeping-remove", { } at) => new Remove(DraftRow.Keeping, at),
            ("question-done", { } at) => new Remove(DraftRow.Question, at),
            _ => null,
        };
    }
}
