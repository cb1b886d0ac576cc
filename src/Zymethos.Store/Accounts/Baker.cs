using Microsoft.AspNetCore.Identity;

namespace Zymethos.Store.Accounts;

/// <summary>An account: somebody who signs in with email and password.</summary>
public sealed class Baker : IdentityUser<Guid>
{
    /// <summary>The kitchen this account was in last: a new sign-in begins there.</summary>
    public Guid KitchenId { get; set; }
}
