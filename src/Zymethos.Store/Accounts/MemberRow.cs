using NodaTime;
using Zymethos.Core.Kitchens;

namespace Zymethos.Store.Accounts;

/// <summary>What somebody may do in a kitchen.</summary>
public enum HouseRole
{
    /// <summary>Everything: plans, recipes, the kitchen itself, who belongs to it.</summary>
    Baker,

    /// <summary>Looks at everything, works at the Bench and ticks off the shopping; changes no plan and no recipe.</summary>
    Helper,
}

/// <summary>An account in a kitchen. An account may be in several kitchens, and a kitchen may have several accounts.</summary>
public sealed class MemberRow
{
    /// <summary>The account.</summary>
    public Guid BakerId { get; set; }

    /// <summary>The kitchen.</summary>
    public Guid KitchenId { get; set; }

    /// <summary>What the others call this member; up to 40 characters.</summary>
    public string Name { get; set; } = "";

    /// <summary>What the member may do.</summary>
    public HouseRole Role { get; set; }

    /// <summary>Since when.</summary>
    public Instant JoinedAt { get; set; }

    /// <summary>The member's own measures; null for the kitchen's.</summary>
    public MeasuringHabit? Habit { get; set; }

    /// <summary>The member's own clock; null for the kitchen's.</summary>
    public ClockFace? Clock { get; set; }
}
