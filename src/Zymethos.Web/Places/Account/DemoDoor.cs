using Microsoft.AspNetCore.Identity;
using Zymethos.Store.Accounts;
using Zymethos.Web.Setup;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Account;

/// <summary>The way into the demo kitchen without a password. It exists only when the application was started with demo data.</summary>
public sealed class DemoDoor(AppSettings settings, UserManager<Baker> users)
{
    /// <summary>The demo account; null when there is no demo kitchen or the application runs without demo data.</summary>
    public async Task<Baker?> FindAsync() => settings.WithDemo ? await users.FindByEmailAsync(DatabaseStartup.DemoEmail) : null;
}
