using System.Security.Cryptography;

namespace Zymethos.Work.House;

/// <summary>An id of a kitchen's own for something that has one elsewhere: rows of two kitchens may not share an id, and the same thing
/// twice is to be known again.</summary>
internal static class OwnId
{
    /// <summary>The id that a thing has in a kitchen, always the same one.</summary>
    public static Guid Of(Guid kitchen, Guid id) => new(SHA256.HashData([.. kitchen.ToByteArray(), .. id.ToByteArray()]).AsSpan(0, 16));
}
