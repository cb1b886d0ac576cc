using System.Globalization;

namespace Zymethos.Web.Setup;

/// <summary>A stop of the way round the demo kitchen.</summary>
/// <param name="Name">What the place is called.</param>
/// <param name="Address">Where it is.</param>
/// <param name="Says">What to look at there.</param>
public sealed record TourStop(string Name, string Address, string Says);

/// <summary>The way round the demo kitchen: six stops, kept in a cookie, that can be left and taken up again at any of them.</summary>
public static class Tour
{
    /// <summary>Name of the cookie; it holds the number of the stop, from 1.</summary>
    public const string Cookie = "tour";

    /// <summary>The stops in their order.</summary>
    public static IReadOnlyList<TourStop> Stops { get; } =
    [
        new(
            "Season",
            "/season",
            "Every string is a batch on its way to the day it is given: soaked, baked, frozen, fed. Knots are where hands are needed. "
                + "Touch one and it says why it stands there."
        ),
        new(
            "Oven Day",
            "/oven-day",
            "One Saturday in one oven: the heat as a line, loads on it, work underneath. Touch a load to hear why it goes in then, and "
                + "what would move it."
        ),
        new(
            "Bench",
            "/bench",
            "With floury hands: put the planned day on the Bench, and it says what now, what next, and how long you have. What you tell "
                + "it moves the rest."
        ),
        new(
            "Parcels",
            "/parcels",
            "Everybody's box, and whether it is safe for them. Put something with nuts into a box that must have none, and see what it "
                + "says."
        ),
        new("Larder", "/larder/shopping", "What the coming bakes need, less what is in the house, by the day it has to be bought."),
        new(
            "Daybook",
            "/daybook",
            "What really happened last year and this: the oven runs fast, the starter is slow. Plans have learned it, and each figure "
                + "says from how many bakes."
        ),
    ];

    /// <summary>The number of the stop that a visitor is at, from 1; null for nobody on the way.</summary>
    public static int? At(HttpRequest request) =>
        int.TryParse(request.Cookies[Cookie], NumberStyles.None, CultureInfo.InvariantCulture, out var at) && at >= 1 && at <= Stops.Count
            ? at
            : null;

    /// <summary>Sends a visitor to a stop; a number that is none ends the way.</summary>
    /// <returns>Where to go.</returns>
    public static string Go(HttpContext http, int stop)
    {
        if (stop < 1 || stop > Stops.Count)
        {
            http.Response.Cookies.Delete(Cookie);
            return "/today";
        }

        http.Response.Cookies.Append(
            Cookie,
            stop.ToString(CultureInfo.InvariantCulture),
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = http.Request.IsHttps,
            }
        );
        return Stops[stop - 1].Address;
    }
}
