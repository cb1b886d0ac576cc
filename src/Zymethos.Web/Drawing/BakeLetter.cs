namespace Zymethos.Web.Drawing;

/// <summary>The letter by which a bake is known in drawings, lists and on the Bench.</summary>
public static class BakeLetter
{
    /// <summary>The letter of a bake by its place in the day: A for the first.</summary>
    public static string Of(int bake) =>
        bake < 26 ? ((char)('A' + bake)).ToString() : $"{(char)('A' + (bake / 26) - 1)}{(char)('A' + (bake % 26))}";
}
