using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Daybooks;

/// <summary>A bake as it really was: drawn from what was said at the Bench, written by hand, or brought in with a file.</summary>
public sealed class PastBakeRow : IKitchenOwned
{
    /// <summary>Id of the row, and of the bake in files.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The session it is of; null for what was written by hand, and for one whose session is gone.</summary>
    public Guid? SessionId { get; set; }

    /// <summary>Its place among the bakes of that session, from 0.</summary>
    public int Place { get; set; }

    /// <summary>Its date, repeated from the document for listing.</summary>
    public LocalDate Date { get; set; }

    /// <summary>What is known of it.</summary>
    public PastBakeDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
