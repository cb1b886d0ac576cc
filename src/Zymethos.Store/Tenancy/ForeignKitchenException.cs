namespace Zymethos.Store.Tenancy;

/// <summary>Thrown when code tries to write a row of another kitchen, or any owned row without a kitchen: a broken program, not a user's
/// error.</summary>
internal sealed class ForeignKitchenException : InvalidOperationException
{
    /// <summary>Says which row.</summary>
    public ForeignKitchenException(string entity)
        : base($"A row of {entity} belongs to another kitchen.") { }
}
