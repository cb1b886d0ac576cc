using Microsoft.AspNetCore.Razor.TagHelpers;
using Zymethos.Core.Kitchens;

namespace Zymethos.Web.Setup;

/// <summary>
/// A field for an hour of the day in the kitchen's own clock: plain text that can be typed any way (<see cref="ClockText"/>), with small
/// choices to touch that clock.js adds. What cannot be read stands as it was typed.
/// </summary>
[HtmlTargetElement("input", Attributes = "clock", TagStructure = TagStructure.WithoutEndTag)]
public sealed class ClockFieldTagHelper : TagHelper
{
    /// <summary>How the kitchen says hours.</summary>
    public KitchenSays Clock { get; set; }

    /// <summary>The hour as it was kept or typed; null or empty for none.</summary>
    public string? Value { get; set; }

    /// <inheritdoc />
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.Attributes.SetAttribute("type", "text");
        output.Attributes.SetAttribute("value", ClockText.Read(Value) is { } hour ? Clock.Hour(hour) : Value ?? "");
        output.Attributes.SetAttribute("autocomplete", "off");
        output.Attributes.SetAttribute("spellcheck", "false");
        output.Attributes.SetAttribute("maxlength", "12");
        output.Attributes.SetAttribute("data-clock", Clock.Clock == ClockFace.Hours12 ? "12" : "24");
        output.Attributes.SetAttribute("placeholder", Clock.Clock == ClockFace.Hours12 ? "5:30 pm" : "17:30");
    }
}
