using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace Zymethos.Web.Setup;

/// <summary>What is wrong with a field, for the page to say beside it.</summary>
internal static class FieldFaults
{
    /// <summary>The first message at a field; empty where nothing is wrong with it.</summary>
    /// <param name="state">The state of what was typed.</param>
    /// <param name="field">The field's whole name; empty for what is wrong with the form as a whole.</param>
    public static string At(this ModelStateDictionary state, string field) =>
        state.TryGetValue(field, out var entry) ? entry.Errors.FirstOrDefault()?.ErrorMessage ?? "" : "";
}
