using Zymethos.Core.Planning;

namespace Zymethos.Web.Drawing;

/// <summary>Figures the way a baker says them.</summary>
public static class Spoken
{
    /// <summary>A duration: to the minute up to 20 minutes, in steps of 5 beyond.</summary>
    public static string Minutes(int minutes) => Explainer.Spoken(minutes <= 20 ? minutes : (int)Math.Round(minutes / 5.0) * 5);

    /// <summary>"1 change", "3 changes", "no changes".</summary>
    public static string Count(int count, string one, string many) => count switch
    {
        0 => $"no {many}",
        1 => $"1 {one}",
        _ => $"{count} {many}",
    };
}
