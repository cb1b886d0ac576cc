using NodaTime;

namespace Zymethos.Core.Recipes;

/// <summary>What breaking a maximum lag does.</summary>
public enum WindowKind
{
    /// <summary>It costs quality. A plan may break it and says so.</summary>
    Soft,

    /// <summary>It spoils the bake. No plan breaks it.</summary>
    Hard,
}

/// <summary>
/// One step follows another: it starts at least <paramref name="MinLag"/> and at most <paramref name="MaxLag"/> after the other's end.
/// </summary>
/// <param name="From">Key of the step that comes first.</param>
/// <param name="To">Key of the step that follows.</param>
/// <param name="MinLag">The least time between, zero or more.</param>
/// <param name="MaxLag">The most time between, not below <paramref name="MinLag"/>; null when it may wait for ever.</param>
/// <param name="Window">Whether <paramref name="MaxLag"/> is hard or soft. Without meaning when there is none.</param>
/// <param name="Why">The reason in a baker's words ("glaze while hot"). May be empty.</param>
public sealed record Link(string From, string To, Duration MinLag, Duration? MaxLag, WindowKind Window, string Why)
{
    /// <summary>The choice this link belongs to; null when it always holds.</summary>
    public Condition? When { get; init; }
}
