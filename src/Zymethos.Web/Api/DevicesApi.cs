using NodaTime;
using Zymethos.Interchange.Devices;
using Zymethos.Work.Devices;

namespace Zymethos.Web.Api;

/// <summary>Readings for whatever can send a web request: the same words as over MQTT, with the kitchen's address and password.</summary>
public static class DevicesApi
{
    /// <summary>Maps the call.</summary>
    public static void MapDevicesApi(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/v1/devices/{device}/reading", TakeAsync)
            .AllowAnonymous()
            .DisableAntiforgery()
            .WithName("TellReading")
            .WithSummary("A device tells a reading.")
            .WithDescription(
                "The body is one reading: {\"kind\":\"oven\",\"value\":178.4,\"unit\":\"C\"}. Authorization: Bearer, then the kitchen's "
                    + "address, a colon and its password, as the Kitchen's page of devices names them."
            )
            .Accepts<object>("application/json")
            .Produces(StatusCodes.Status204NoContent)
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status401Unauthorized)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge)
            .ProducesProblem(StatusCodes.Status429TooManyRequests);

    private static async Task<IResult> TakeAsync(
        string device,
        HttpRequest request,
        OpenDoors doors,
        DeviceIntake intake,
        IClock clock,
        CancellationToken cancel
    )
    {
        const string Bearer = "Bearer ";
        var authorization = request.Headers.Authorization.ToString();
        var parts = authorization.StartsWith(Bearer, StringComparison.OrdinalIgnoreCase)
            ? authorization[Bearer.Length..].Trim().Split(':', 2)
            : [];
        if (parts is not [var address, var secret] || await doors.OpenAsync(address, secret, cancel) is not { } kitchen)
        {
            return Problems.Make(
                StatusCodes.Status401Unauthorized,
                "not-let-in",
                "This device is not let in.",
                "The kitchen's address or password is wrong, or the password has been replaced. The Kitchen's page of devices makes a new "
                    + "one."
            );
        }

        if (!DeviceTopic.IsName(device))
        {
            return Problems.Make(
                StatusCodes.Status400BadRequest,
                "no-name",
                "That is no name of a device.",
                "A device calls itself by lower-case letters, digits and hyphens, at most 32."
            );
        }

        if (await ApiBody.BytesAsync(request, ReadingText.MostBytes, cancel) is not { } body)
        {
            return Problems.Make(
                StatusCodes.Status413PayloadTooLarge,
                "too-large",
                "That is too much for a reading.",
                $"A reading is at most {ReadingText.MostBytes} bytes."
            );
        }

        var now = clock.GetCurrentInstant();
        if (ReadingText.Read(body, now, out var wrong) is not { } reading)
            return Problems.Make(StatusCodes.Status400BadRequest, "no-reading", "That is no reading.", wrong);
        return intake.Take(new ArrivedReading(kitchen, device, reading), now)
            ? TypedResults.NoContent()
            : Problems.Make(
                StatusCodes.Status429TooManyRequests,
                "too-often",
                "This device speaks too often.",
                $"At most {DeviceIntake.MostInTenSeconds} readings in ten seconds are heard."
            );
    }
}
