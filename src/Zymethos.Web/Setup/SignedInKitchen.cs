using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Zymethos.Store.Accounts;
using Zymethos.Store.Tenancy;

namespace Zymethos.Web.Setup;

/// <summary>The kitchen of whoever is signed in, from the cookie's claim.</summary>
public sealed class SignedInKitchen(IHttpContextAccessor accessor) : ICurrentKitchen
{
    /// <summary>Name of the claim that holds the kitchen's id.</summary>
    public const string Claim = "kitchen";

    /// <inheritdoc />
    public Guid? KitchenId => Guid.TryParse(accessor.HttpContext?.User.FindFirstValue(Claim), out var id) ? id : null;
}

/// <summary>Writes the kitchen into the claims when somebody signs in.</summary>
public sealed class BakerClaims(UserManager<Baker> users, IOptions<IdentityOptions> options)
    : UserClaimsPrincipalFactory<Baker>(users, options)
{
    /// <inheritdoc />
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Baker user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        identity.AddClaim(new Claim(SignedInKitchen.Claim, user.KitchenId.ToString()));
        return identity;
    }
}
