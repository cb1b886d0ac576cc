using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;
using Zymethos.Work.House;

namespace Zymethos.Web.Setup;

/// <summary>Puts what the page shows into every form that changes something, so that none can be forgotten.</summary>
[HtmlTargetElement("form", Attributes = "[method=post]")]
public sealed class SeenTagHelper : TagHelper
{
    /// <summary>The view the form stands in.</summary>
    [HtmlAttributeNotBound]
    [ViewContext]
    public ViewContext View { get; set; } = null!;

    /// <inheritdoc />
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        if (View.ViewData[Seen.Field] is not string { Length: > 0 } seen)
            return;
        var field = new TagBuilder("input") { TagRenderMode = TagRenderMode.SelfClosing };
        field.Attributes["type"] = "hidden";
        field.Attributes["name"] = Seen.Field;
        field.Attributes["value"] = seen;
        output.PreContent.AppendHtml(field);
    }
}
