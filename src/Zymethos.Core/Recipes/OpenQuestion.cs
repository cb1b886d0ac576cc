namespace Zymethos.Core.Recipes;

/// <summary>What a question is about; the order is that of the harm a wrong answer does.</summary>
public enum QuestionAbout
{
    /// <summary>What is in it, for somebody who may not have it.</summary>
    Allergen,

    /// <summary>Cold food, raw egg, heat.</summary>
    Safety,

    /// <summary>The oven's heat.</summary>
    Heat,

    /// <summary>The pan or tray, and how many.</summary>
    Pan,

    /// <summary>How long something takes, and when it may be done.</summary>
    Time,

    /// <summary>How much it makes.</summary>
    Yield,

    /// <summary>What a line weighs.</summary>
    Weight,

    /// <summary>How it keeps.</summary>
    Keeping,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>A question about a recipe that nobody has answered: it can be planned, and says so wherever it is used.</summary>
/// <param name="About">What it is about.</param>
/// <param name="Text">The question, in a sentence.</param>
public sealed record OpenQuestion(QuestionAbout About, string Text)
{
    /// <summary>Most that a recipe keeps; what is beyond is less harmful than all of them.</summary>
    public const int Most = 60;

    /// <summary>Longest text of one, in characters.</summary>
    public const int Longest = 1000;
}
