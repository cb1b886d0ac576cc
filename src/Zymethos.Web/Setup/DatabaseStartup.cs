using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Daybooks;
using Zymethos.Work.Devices;
using Zymethos.Work.House;
using Zymethos.Work.Larder;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;
using Zymethos.Work.Workshop;

namespace Zymethos.Web.Setup;

/// <summary>Brings the database up to date at start. Several instances may start at once: a lock lets one go first.</summary>
public static class DatabaseStartup
{
    /// <summary>Account behind the demo door. It has no password, so the door is the only way in.</summary>
    public const string DemoEmail = "bakers@quince-street.invalid";

    /// <summary>The address of the demo kitchen, for its devices.</summary>
    public const string DemoDevices = "democorner";

    /// <summary>Migrates, and seeds the demo kitchen on the first start with demo data.</summary>
    public static async Task RunAsync(IServiceProvider services, CancellationToken cancel)
    {
        await using var scope = services.CreateAsyncScope();
        var context = scope.ServiceProvider.GetRequiredService<ZymethosContext>();
        await StoreSetup.MigrateAsync(context, cancel);
        if (!scope.ServiceProvider.GetRequiredService<AppSettings>().WithDemo)
            return;

        var options = scope.ServiceProvider.GetRequiredService<DbContextOptions<ZymethosContext>>();
        await DemoSeed.SeedAsync(options, cancel);
        await using var demo = new ZymethosContext(options, new FixedKitchen(DemoSeed.Id));
        await ActivatorUtilities.CreateInstance<DemoPast>(scope.ServiceProvider, demo).WriteAsync(cancel);
        await ActivatorUtilities.CreateInstance<DemoSeason>(scope.ServiceProvider, demo).MakeAsync(cancel);
        await ActivatorUtilities.CreateInstance<DemoParcels>(scope.ServiceProvider, demo).WriteAsync(cancel);
        await ActivatorUtilities.CreateInstance<DemoSheets>(scope.ServiceProvider, demo).WriteAsync(cancel);
        await ActivatorUtilities.CreateInstance<DemoStock>(scope.ServiceProvider, demo).WriteAsync(cancel);
        // A start that was killed half way is made whole by the next one.
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Baker>>();
        if (await users.FindByEmailAsync(DemoEmail) is null)
            await users.CreateAsync(
                new Baker
                {
                    Id = Guid.CreateVersion7(),
                    UserName = DemoEmail,
                    Email = DemoEmail,
                    KitchenId = DemoSeed.Id,
                }
            );
        // The demo kitchen's devices are played by a program of their own, which ./start starts and gives a password.
        var configuration = scope.ServiceProvider.GetRequiredService<IConfiguration>();
        if (configuration["ZYMETHOS_DEMO_DEVICES"] is { Length: > 0 } secret)
            await scope.ServiceProvider.GetRequiredService<DeviceDoors>().PutAsync(DemoSeed.Id, DemoDevices, secret, cancel);
        await ActivatorUtilities.CreateInstance<DemoDay>(scope.ServiceProvider, demo).PlanAsync(cancel);
    }
}
