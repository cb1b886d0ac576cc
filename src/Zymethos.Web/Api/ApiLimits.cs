using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace Zymethos.Web.Api;

/// <summary>What an anonymous caller of the API may ask for.</summary>
public static class ApiLimits
{
    /// <summary>Name of the policy.</summary>
    public const string Policy = "api";

    /// <summary>Largest body, in bytes.</summary>
    public const int LargestBody = 1_000_000;

    /// <summary>So many calls a minute from one address; ZYMETHOS_API_PER_MINUTE changes it (1 to 10000, default 30).</summary>
    public static void Apply(RateLimiterOptions options, IConfiguration configuration)
    {
        var perMinute = int.TryParse(configuration["ZYMETHOS_API_PER_MINUTE"], out var n) ? Math.Clamp(n, 1, 10_000) : 30;
        options.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        options.OnRejected = async (context, cancel) =>
        {
            context.HttpContext.Response.Headers.RetryAfter = "60";
            await Problems.WriteAsync(
                context.HttpContext,
                StatusCodes.Status429TooManyRequests,
                "Too many calls.",
                $"At most {perMinute} calls a minute from one address.",
                cancel
            );
        };
        options.AddPolicy(
            Policy,
            http =>
                RateLimitPartition.GetFixedWindowLimiter(
                    http.Connection.RemoteIpAddress?.ToString() ?? "unknown",
                    _ => new FixedWindowRateLimiterOptions
                    {
                        PermitLimit = perMinute,
                        Window = TimeSpan.FromMinutes(1),
                        QueueLimit = 0,
                    }
                )
        );
    }
}
