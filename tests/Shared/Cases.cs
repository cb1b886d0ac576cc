using System.Globalization;

namespace Zymethos.Tests;

/// <summary>How many random cases a long test tries: a share of them on every run of ./test, all of them by ./test many.</summary>
internal static class Cases
{
    private const int Share = 4;

    /// <summary>A quarter of a number of cases, at least one; all of them where ZYMETHOS_MANY asks for more (1 for as many as are written,
    /// 10 for ten times as many).</summary>
    public static int Of(int cases) =>
        int.TryParse(Environment.GetEnvironmentVariable("ZYMETHOS_MANY"), CultureInfo.InvariantCulture, out var times) && times > 0
            ? cases * times
            : Math.Max(1, cases / Share);
}
