using System.Text.Json;

namespace Zymethos.Interchange.Documents;

/// <summary>Enumeration values as the open formats write them.</summary>
public static class DocumentWords
{
    /// <summary>The value's name in camel case ("bulkRise").</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
