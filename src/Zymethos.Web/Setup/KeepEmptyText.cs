using Microsoft.AspNetCore.Mvc.ModelBinding.Metadata;
using Zymethos.Interchange.Drafts;

namespace Zymethos.Web.Setup;

/// <summary>A field of a draft that is left empty stays an empty text; the framework would make nothing of it.</summary>
public sealed class KeepEmptyText : IDisplayMetadataProvider
{
    /// <inheritdoc />
    public void CreateDisplayMetadata(DisplayMetadataProviderContext context)
    {
        if (context.Key.ContainerType?.Namespace == typeof(RecipeDraft).Namespace)
            context.DisplayMetadata.ConvertEmptyStringToNull = false;
    }
}
