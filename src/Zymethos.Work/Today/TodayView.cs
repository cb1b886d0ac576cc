using Zymethos.Core.Kitchens;

namespace Zymethos.Work.Today;

/// <summary>Something on the front page.</summary>
/// <param name="When">At what hour, or until when; may be empty.</param>
/// <param name="Words">What it is.</param>
/// <param name="Address">Where more of it stands.</param>
public sealed record TodayLine(string When, string Words, string Address);

/// <summary>A first step of somebody who is new.</summary>
/// <param name="Words">What is done.</param>
/// <param name="Why">What comes of it.</param>
/// <param name="Address">Where.</param>
/// <param name="IsDone">Whether it is done already.</param>
public sealed record FirstStep(string Words, string Why, string Address, bool IsDone);

/// <summary>The front page: what now, what is about to go wrong, what this week.</summary>
/// <param name="Day">Today's date in words.</param>
/// <param name="Now">What is at work, and what is due today.</param>
/// <param name="Wrong">What is about to go wrong, the gravest first.</param>
/// <param name="Week">The days after today, each with what it asks for; days without anything are left out.</param>
/// <param name="First">First steps of somebody who is new; empty once all are done.</param>
public sealed record TodayView(
    string Day,
    IReadOnlyList<TodayLine> Now,
    IReadOnlyList<TodayLine> Wrong,
    IReadOnlyList<(string Day, IReadOnlyList<TodayLine> Lines)> Week,
    IReadOnlyList<FirstStep> First
)
{
    /// <summary>How hours are said here.</summary>
    public KitchenSays Says { get; init; }
}
