using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;

namespace Zymethos.Store.Kitchens;

/// <summary>A kitchen: the tenant itself. Its description is kept as a document of the open format.</summary>
public sealed class KitchenRow
{
    /// <summary>Id of the kitchen.</summary>
    public Guid Id { get; set; }

    /// <summary>Name, repeated from the document for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>Whether it is the demo kitchen that the sign-in page opens with one button.</summary>
    public bool IsDemo { get; set; }

    /// <summary>Oven, people, mixer.</summary>
    public KitchenDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }

    /// <summary>The kitchen as the core knows it.</summary>
    /// <exception cref="InvalidDataException">The stored document is damaged.</exception>
    public Kitchen ToKitchen()
    {
        var reader = new DocumentReader();
        var kitchen = reader.Read(Document, "kitchen");
        return reader.Faults.Count == 0 ? kitchen : throw new InvalidDataException($"Kitchen {Id}: {reader.Faults[0].Message}");
    }

    /// <summary>Takes over a changed kitchen.</summary>
    public void Take(Kitchen kitchen)
    {
        Name = kitchen.Name;
        Document = DocumentWriter.Write(kitchen);
    }
}
