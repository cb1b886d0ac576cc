using System.Security.Claims;
using Zymethos.Core.Kitchens;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Setup;

/// <summary>
/// What a helper of a household may do: look at everything, work at the Bench, tick off the shopping, and mind their own account. All else
/// that changes something is refused here, whichever page it is of, so that a page that is added later is refused as well.
/// </summary>
public sealed class HouseRoles(RequestDelegate next)
{
    private const string Role = "house-role";
    private const string Habit = "own-habit";
    private const string Clock = "own-clock";

    // Where helpers may send something. /api/v1 only reckons and keeps nothing; a helper's own account, sign-in and light are theirs.
    private static readonly PathString[] Open =
    [
        "/bench",
        "/larder/shopping",
        "/account",
        "/theme",
        "/help",
        "/api/v1",
        "/not-found",
        "/error",
    ];

    /// <summary>Whether somebody is a helper in the kitchen they are in.</summary>
    public static bool IsHelper(ClaimsPrincipal user) => user.HasClaim(Role, nameof(HouseRole.Helper));

    /// <summary>The measures and the clock of somebody's own.</summary>
    public static OwnSays OwnOf(ClaimsPrincipal user) =>
        new(
            Enum.TryParse<MeasuringHabit>(user.FindFirstValue(Habit), out var habit) ? habit : null,
            Enum.TryParse<ClockFace>(user.FindFirstValue(Clock), out var clock) ? clock : null
        );

    /// <summary>Writes what the database says of a member over what the cookie says.</summary>
    public static void Write(ClaimsIdentity identity, MemberRow member)
    {
        foreach (var claim in identity.FindAll(c => c.Type is SignedInKitchen.Claim or Role or Habit or Clock).ToList())
            identity.RemoveClaim(claim);
        identity.AddClaim(new Claim(SignedInKitchen.Claim, member.KitchenId.ToString()));
        identity.AddClaim(new Claim(Role, member.Role.ToString()));
        if (member.Habit is { } habit)
            identity.AddClaim(new Claim(Habit, habit.ToString()));
        if (member.Clock is { } clock)
            identity.AddClaim(new Claim(Clock, clock.ToString()));
    }

    /// <summary>Lets a request through, or answers that this is for the bakers.</summary>
    public Task InvokeAsync(HttpContext http)
    {
        if (IsHelper(http.User) && !MaySend(http.Request))
        {
            http.Response.StatusCode = StatusCodes.Status403Forbidden;
            return Task.CompletedTask;
        }

        return next(http);
    }

    private static bool MaySend(HttpRequest request)
    {
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method))
            return true;
        // Passes to the Bench are a baker's to give.
        return Array.Exists(Open, o => request.Path.StartsWithSegments(o, StringComparison.OrdinalIgnoreCase))
            && !(request.Path.Value ?? "").EndsWith("/helpers", StringComparison.OrdinalIgnoreCase);
    }
}
