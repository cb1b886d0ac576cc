using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Seasons;

/// <summary>A message to the bakers of a kitchen. It is written once, whoever of several instances comes first; what becomes of it stands
/// beside it.</summary>
public sealed class MessageRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>What it is about, the same whenever the same reminder is due: unique in the kitchen.</summary>
    public string Key { get; set; } = "";

    /// <summary>To whom.</summary>
    public string To { get; set; } = "";

    /// <summary>Its subject.</summary>
    public string Subject { get; set; } = "";

    /// <summary>Its text.</summary>
    public string Text { get; set; } = "";

    /// <summary>When it was written.</summary>
    public Instant WrittenAt { get; set; }

    /// <summary>When it was handed to the post; null while it waits.</summary>
    public Instant? SentAt { get; set; }

    /// <summary>Why it could not be sent, last time it was tried; empty when nothing went wrong.</summary>
    public string Trouble { get; set; } = "";

    /// <summary>How often it was tried.</summary>
    public int Attempts { get; set; }
}
