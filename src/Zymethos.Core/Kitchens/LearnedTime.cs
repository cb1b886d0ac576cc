namespace Zymethos.Core.Kitchens;

/// <summary>Of what something was learned. The names travel in formats: they are added to, never changed.</summary>
public enum LearnedKind
{
    /// <summary>An oven: how much longer everything bakes in it.</summary>
    Oven,

    /// <summary>A recipe: how much longer its loads bake here, whatever the oven.</summary>
    Recipe,

    /// <summary>A person: how much longer handwork takes them.</summary>
    Person,

    /// <summary>A kind of handwork: how much longer it takes here, whoever does it.</summary>
    Handwork,

    /// <summary>A leaven: how much longer what it raises takes to rise, the room counted in already.</summary>
    Leaven,

    /// <summary>A recipe: how much longer its rises take here, whatever the leaven.</summary>
    Rise,
}

/// <summary>
/// What the Daybook taught a kitchen about times: a factor on the recipes' own, with the band in which it lies with nine chances of ten.
/// Plans go by it unless it is switched off. A value without state.
/// </summary>
/// <param name="Kind">Of what it was learned.</param>
/// <param name="Of">Which oven ("oven 1"), key of the recipe, name of the person, kind of work, leaven.</param>
/// <param name="Factor">Most likely value: 0.92 for 8 % sooner; <see cref="Least"/> to <see cref="Most"/>.</param>
/// <param name="Low">Lower end of the band, above zero.</param>
/// <param name="High">Its upper end.</param>
/// <param name="Count">How many times it was seen, at least 1.</param>
public sealed record LearnedTime(LearnedKind Kind, string Of, double Factor, double Low, double High, int Count)
{
    /// <summary>The least factor there can be: what is farther off is a slip of the pen.</summary>
    public const double Least = 0.25;

    /// <summary>The greatest.</summary>
    public const double Most = 4;

    /// <summary>Whether plans leave it out, because the baker wants it so.</summary>
    public bool IsOff { get; init; }

    /// <summary>How far one time lies from another, as a spread of the logarithm; 0 where it was not learned.</summary>
    public double Scatter { get; init; }

    /// <summary>What the first oven, the second … is called in what is learned.</summary>
    /// <param name="oven">From 0.</param>
    public static string OvenName(int oven) => $"oven {oven + 1}";

    /// <summary>What baker's yeast is called in what is learned.</summary>
    public const string Yeast = "yeast";

    /// <summary>What a culture of flour and water is called in what is learned.</summary>
    public const string Starter = "starter";
}
