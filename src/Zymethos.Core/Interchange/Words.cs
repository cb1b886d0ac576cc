using System.Text.Json;

namespace Zymethos.Core.Interchange;

/// <summary>Enumeration values as the open formats write them.</summary>
public static class Words
{
    /// <summary>The value's name in camel case ("bulkRise").</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
