using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Zymethos.Core.Kitchens;

namespace Zymethos.Web.Setup;

/// <summary>An hour of the day in a form, typed in any usual way: it is taken as the open formats write it; what is none stays as it was
/// typed.</summary>
public sealed class HourAttribute() : ModelBinderAttribute(typeof(HourBinder))
{
    private sealed class HourBinder : IModelBinder
    {
        public Task BindModelAsync(ModelBindingContext bindingContext)
        {
            var typed = bindingContext.ValueProvider.GetValue(bindingContext.ModelName);
            if (typed.FirstValue is not { } text)
                return Task.CompletedTask;
            bindingContext.ModelState.SetModelValue(bindingContext.ModelName, typed);
            bindingContext.Result = ModelBindingResult.Success(text.Length == 0 ? null : ClockText.Tidy(text));
            return Task.CompletedTask;
        }
    }
}
