using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Core.Kitchens;
using Zymethos.Store;
using Zymethos.Store.Devices;
using Zymethos.Web.Setup.Devices;
using Zymethos.Work.Devices;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>A device as the page shows it.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Says">What it said last, in words.</param>
/// <param name="Trouble">What is wrong with it; empty when nothing is.</param>
public sealed record ShownDevice(DeviceRow Row, string Says, string Trouble)
{
    /// <summary>What to call it.</summary>
    public string Title => Row.Title.Length > 0 ? Row.Title : Row.Name;

    /// <summary>What it is, in words.</summary>
    public string Kind =>
        Row.Kind switch
        {
            DeviceKind.Oven => "Oven thermometer",
            DeviceKind.Core => "Core probe",
            DeviceKind.Room => "Room thermometer",
            DeviceKind.Scale => "Scale",
            _ => "Oven dial",
        };

    /// <summary>Whether it belongs to an oven.</summary>
    public bool IsOfOven => Row.Kind is DeviceKind.Oven or DeviceKind.Dial;
}

/// <summary>The devices of a kitchen: what they say, what they are called, and with what they come in.</summary>
public sealed class DevicesModel(
    ZymethosContext context,
    DeviceDoors doors,
    OpenDoors open,
    LiveReadings live,
    MqttSettings mqtt,
    IClock clock
) : PageModel
{
    /// <summary>The devices, in order of their names.</summary>
    public IReadOnlyList<ShownDevice> Devices { get; private set; } = [];

    /// <summary>The kitchen's address; null while no device is let in.</summary>
    public string? Address { get; private set; }

    /// <summary>A password that was just made; empty when none was.</summary>
    public string Secret { get; private set; } = "";

    /// <summary>How many ovens there are.</summary>
    public int Ovens { get; private set; } = 1;

    /// <summary>Where devices speak over MQTT, in words; empty where they cannot.</summary>
    public string Broker =>
        mqtt.Host.Length > 0 ? $"{mqtt.Host}, port {mqtt.Port}"
        : mqtt.OwnPort > 0
            ? $"{(mqtt.OwnAddress.Equals(System.Net.IPAddress.Any) ? Request.Host.Host : mqtt.OwnAddress)}, port {mqtt.OwnPort}"
        : "";

    /// <summary>Where devices speak over the web.</summary>
    public string Web => $"{Request.Scheme}://{Request.Host}/api/v1/devices/oven-1/reading";

    /// <summary>The page.</summary>
    public Task OnGetAsync(CancellationToken cancel) => FillAsync(cancel);

    /// <summary>What they say now, for the page to ask again.</summary>
    public async Task<IActionResult> OnGetHeardAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        return Partial("_Devices", this);
    }

    /// <summary>Makes a password; the one before lets nobody in any more.</summary>
    public async Task<IActionResult> OnPostMakeAsync(CancellationToken cancel)
    {
        if (context.KitchenId is not { } kitchen)
            return NotFound();
        (_, Secret) = await doors.MakeAsync(kitchen, cancel);
        open.Forget();
        await FillAsync(cancel);
        return Page();
    }

    /// <summary>Lets no device in any more.</summary>
    public async Task<IActionResult> OnPostShutAsync(CancellationToken cancel)
    {
        if (context.KitchenId is not { } kitchen)
            return NotFound();
        await doors.ShutAsync(kitchen, cancel);
        open.Forget();
        return Redirect("/kitchen/devices");
    }

    /// <summary>Names and places a device.</summary>
    public async Task<IActionResult> OnPostNameAsync(string name, string? title, int oven, CancellationToken cancel)
    {
        if (await context.Devices.SingleOrDefaultAsync(d => d.Name == name, cancel) is { } row)
        {
            var said = (title ?? "").Trim();
            row.Title = said.Length <= 40 ? said : said[..40];
            row.Oven = Math.Clamp(oven, 0, 1);
            await context.SaveChangesAsync(cancel);
        }

        return Redirect("/kitchen/devices");
    }

    /// <summary>Forgets a device and what it said; it is there again when it speaks again.</summary>
    public async Task<IActionResult> OnPostForgetAsync(string name, CancellationToken cancel)
    {
        await context.Devices.Where(d => d.Name == name).ExecuteDeleteAsync(cancel);
        if (context.KitchenId is { } kitchen)
            live.Forget(kitchen, name);
        return Redirect("/kitchen/devices");
    }

    private async Task FillAsync(CancellationToken cancel)
    {
        var kitchen = context.Own.Of((await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen());
        Ovens = kitchen.Ovens.Length;
        Address = context.KitchenId is { } id ? await doors.AddressAsync(id, cancel) : null;
        var now = clock.GetCurrentInstant();
        var zone = DateTimeZoneProviders.Tzdb.GetZoneOrNull(kitchen.Zone) ?? DateTimeZone.Utc;
        Devices =
        [
            .. (await context.Devices.AsNoTracking().OrderBy(d => d.Name).ToListAsync(cancel)).Select(d =>
            {
                var at = now - d.LastAt > LiveReadings.Silent;
                var silent = at ? $"It has said nothing since {kitchen.Says.DayAndHour(d.LastAt.InZone(zone).LocalDateTime)}." : "";
                return new ShownDevice(d, Words(d, kitchen.Says), silent.Length > 0 ? silent : d.Trouble);
            }),
        ];
    }

    private static string Words(DeviceRow row, KitchenSays says) =>
        row.Kind switch
        {
            DeviceKind.Scale => $"{row.LastValue:0} g",
            DeviceKind.Dial when row.LastValue <= 0 => "off",
            _ => says.Degrees(row.LastValue),
        };
}
