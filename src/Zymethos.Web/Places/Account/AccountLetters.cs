using System.Net;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Seasons;
using Zymethos.Store.Tenancy;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Places.Account;

/// <summary>Letters about an account: they lie in the kitchen's letter box, and go out where the house sends mail.</summary>
public sealed class AccountLetters(DbContextOptions<ZymethosContext> options, BehindProxy proxy, IClock clock)
{
    /// <summary>Letters of one kind for one account within an hour; more are not written, so that nobody's letter box is filled.</summary>
    public const int MostInAnHour = 3;

    /// <summary>Writes a letter.</summary>
    /// <param name="baker">Whose account.</param>
    /// <param name="to">The address.</param>
    /// <param name="kind">"password" or "email": what it is about.</param>
    /// <param name="subject">Its subject.</param>
    /// <param name="text">Its text.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Whether it was written.</returns>
    public async Task<bool> WriteAsync(Baker baker, string to, string kind, string subject, string text, CancellationToken cancel)
    {
        await using var own = new ZymethosContext(options, new FixedKitchen(baker.KitchenId));
        var now = clock.GetCurrentInstant();
        var begins = $"account {kind} {baker.Id:N} ";
        if (
            await own.Messages.CountAsync(m => m.Key.StartsWith(begins) && m.WrittenAt > now - Duration.FromHours(1), cancel)
            >= MostInAnHour
        )
            return false;
        own.Messages.Add(
            new MessageRow
            {
                Id = Guid.CreateVersion7(),
                Key = $"{begins}{Guid.NewGuid():N}",
                To = to,
                Subject = subject,
                Text = text,
                WrittenAt = now,
            }
        );
        await own.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>
    /// The whole address of a page. The host a browser names can be anybody's, so it is believed only where settings name it or it is this
    /// machine or its own network; else the path alone is written.
    /// </summary>
    public string AddressOf(HttpRequest request, string path)
    {
        var named = proxy.Hosts.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).FirstOrDefault();
        if (named is { Length: > 0 } && !named.Contains('*', StringComparison.Ordinal))
            return $"{(proxy.IsTls ? "https" : request.Scheme)}://{named}{path}";
        return IsNear(request.Host.Host)
            ? $"{request.Scheme}://{request.Host}{path}"
            : $"{path}  (behind the address under which you reach your kitchen)";
    }

    private static bool IsNear(string host) =>
        host is "localhost"
        || (
            IPAddress.TryParse(host.Trim('[', ']'), out var address)
            && (
                IPAddress.IsLoopback(address)
                || address.IsIPv6LinkLocal
                || address.IsIPv6UniqueLocal
                || (address.GetAddressBytes() is [10, ..] or [192, 168, ..] or [172, >= 16 and <= 31, ..])
            )
        );
}
