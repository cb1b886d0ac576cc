using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Zymethos.Core.Kitchens;
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

    /// <inheritdoc />
    public OwnSays Own => accessor.HttpContext?.User is { } user ? HouseRoles.OwnOf(user) : default;
}

/// <summary>Writes the kitchen into the claims when somebody signs in. Which kitchen a device works in, and what its baker may do there,
/// stands in the database and is written over these on every request.</summary>
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
