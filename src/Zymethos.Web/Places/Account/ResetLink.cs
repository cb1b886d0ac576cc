using Microsoft.AspNetCore.Identity;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>For whoever runs the machine: a link with which somebody who is locked out sets a new password.</summary>
public static class ResetLink
{
    /// <summary>The word of the command line.</summary>
    public const string Word = "reset-link";

    /// <summary>Prints the link.</summary>
    /// <returns>0; 1 where there is no such account.</returns>
    public static async Task<int> PrintAsync(IServiceProvider services, string email)
    {
        await using var scope = services.CreateAsyncScope();
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Baker>>();
        if (await users.FindByNameAsync(email.Trim()) is not { } baker)
        {
            await Console.Error.WriteLineAsync($"There is no account with the address {email}.");
            return 1;
        }

        Console.WriteLine(
            $"Within two hours, at the address under which the kitchen is reached: {await ResetModel.PathAsync(users, baker)}"
        );
        return 0;
    }
}
