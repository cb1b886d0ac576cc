using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Benches;

/// <summary>A picture of a bake, without anything in it that says where it was taken.</summary>
public sealed class BenchPhotoRow : IKitchenOwned
{
    /// <summary>Made by the device; the event that tells of the picture names it.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The session it is of.</summary>
    public Guid SessionId { get; set; }

    /// <summary>When it came in.</summary>
    public Instant KeptAt { get; set; }

    /// <summary>"image/jpeg", "image/png" or "image/webp".</summary>
    public string Type { get; set; } = "";

    /// <summary>The picture.</summary>
    public byte[] Bytes { get; set; } = [];
}
