using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places;

/// <summary>Switches between daylight and lamp light. Kept in a cookie of the device, since the light is the room's and not the
/// account's.</summary>
public sealed class ThemeModel : PageModel
{
    /// <summary>Nothing to see here.</summary>
    public IActionResult OnGet() => LocalRedirect("/");

    /// <summary>Sets the theme and goes back to where the button stood.</summary>
    public IActionResult OnPost(string? theme, string? back)
    {
        if (theme is "light" or "low")
        {
            Response.Cookies.Append(
                "theme",
                theme,
                new CookieOptions
                {
                    MaxAge = TimeSpan.FromDays(365),
                    HttpOnly = true,
                    SameSite = SameSiteMode.Lax,
                    IsEssential = true,
                    Secure = Request.IsHttps,
                }
            );
        }

        return LocalRedirect(Url.IsLocalUrl(back) ? back! : "/");
    }
}
