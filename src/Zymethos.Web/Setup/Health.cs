using Microsoft.AspNetCore.Diagnostics.HealthChecks;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using Zymethos.Store;

namespace Zymethos.Web.Setup;

/// <summary>Ready means: the database answers and has every migration.</summary>
public sealed class DatabaseReady(ZymethosContext context) : IHealthCheck
{
    /// <inheritdoc />
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext checkContext, CancellationToken cancellationToken = default)
    {
        try
        {
            var pending = await context.Database.GetPendingMigrationsAsync(cancellationToken);
            return pending.Any() ? HealthCheckResult.Unhealthy("The database lacks migrations.") : HealthCheckResult.Healthy();
        }
        catch (Exception e) when (e is Npgsql.NpgsqlException or InvalidOperationException or TimeoutException)
        {
            return HealthCheckResult.Unhealthy("The database does not answer.", e);
        }
    }
}

/// <summary>Addresses for whoever watches the server.</summary>
public static class Health
{
    /// <summary>GET /health/live: the process answers. GET /health/ready: it can do its work.</summary>
    public static void MapHealth(this IEndpointRouteBuilder app)
    {
        app.MapHealthChecks("/health/live", new HealthCheckOptions { Predicate = _ => false }).AllowAnonymous();
        app.MapHealthChecks("/health/ready", new HealthCheckOptions { Predicate = c => c.Tags.Contains("ready") }).AllowAnonymous();
    }
}
