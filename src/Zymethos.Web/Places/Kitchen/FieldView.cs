namespace Zymethos.Web.Places.Kitchen;

/// <summary>A field with its unit, hint and message.</summary>
/// <param name="Name">Name within the form.</param>
/// <param name="Label">What it asks.</param>
/// <param name="Unit">What stands behind the number; may be empty.</param>
/// <param name="Hint">How to find the answer; may be empty.</param>
/// <param name="Value">What was typed.</param>
/// <param name="Wrong">What is wrong with it; empty when nothing is.</param>
public sealed record FieldView(string Name, string Label, string Unit, string Hint, string Value, string Wrong)
{
    /// <summary>The name as ids write it.</summary>
    public string Slug => Name.Replace('.', '-');

    /// <summary>Id of the field.</summary>
    public string Id => $"k-{Slug}";
}
