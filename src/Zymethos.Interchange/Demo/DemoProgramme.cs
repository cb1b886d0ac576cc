using NodaTime;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Demo;

/// <summary>
/// The demo kitchen's season: an evening street gathering and fourteen parcels ten days later, six weeks, five evenings and four weekend
/// sessions, laid out from the day on which it is made so that it is always in the middle of it. Nineteen recipes are in play; some work is
/// done. The fruit cake has stood in its spirit long enough, and the coming Sunday is the last day on which it can be baked and still have
/// its feeds.
/// </summary>
public static class DemoProgramme
{
    private const string Night = "Lantern Night";
    private const string Parcels = "Library parcels";

    /// <summary>What its bakers said of it.</summary>
    /// <param name="today">The date on which it is made.</param>
    public static SeasonSheet Sheet(LocalDate today)
    {
        // Everything hangs on the Saturday to come.
        var saturday = today.Next(IsoDayOfWeek.Saturday);
        string On(int days) => saturday.PlusDays(days).ToString("uuuu-MM-dd", null);
        ExceptionDocument Session(int days, string from, string until, int people) => new(On(days), from, until, people);
        return new SeasonSheet(
            "Lantern Night and the parcels",
            On(-18),
            [new OccasionDocument(Night, $"{On(14)}T18:00"), new OccasionDocument(Parcels, $"{On(24)}T17:00", "handedOver")],
            [
                new NeedDocument(Night, "lantern-plait", 2, Id: "plait"),
                new NeedDocument(Night, "lamplighter-buns", 14, Id: "buns"),
                new NeedDocument(Night, "lamplight-ginger-rounds", 33, Id: "rounds"),
                new NeedDocument(Night, "pocket-muffins", 11, "the children", Id: "muffins"),
                new NeedDocument(Night, "doorstep-fruit-loaf", 1, "whoever eats no egg", Id: "doorstep"),
                new NeedDocument(Night, "harbour-tea-loaf", 2, Id: "tea-loaf"),
                new NeedDocument(Night, "copper-ring", 1, Id: "copper"),
                new NeedDocument(Night, "midnight-ring", 1, Id: "midnight"),
                new NeedDocument(Night, "lodger-cake", 10, Id: "lodger"),
                new NeedDocument(Night, "parade-cake", 14, "the street's table", Id: "parade"),
                new NeedDocument(Night, "signal-house", 1, "the window", Id: "house"),
                new NeedDocument(
                    Parcels,
                    "cellar-fruit-cake",
                    28,
                    "all but who takes no spirit",
                    new Dictionary<string, string> { ["soak"] = "spirit" },
                    Id: "fruit-cake",
                    Boxes: 14
                ),
                new NeedDocument(Parcels, "market-squash-loaf", 2, "the two who take no spirit", Id: "squash"),
                new NeedDocument(Parcels, "allotment-loaf", 2, Id: "allotment"),
                new NeedDocument(Parcels, "ferry-oat-loaf", 1, Id: "oat"),
                new NeedDocument(Parcels, "window-shapes", 42, Id: "shapes", Boxes: 14),
                new NeedDocument(Parcels, "plum-street-butters", 42, Id: "butters", Boxes: 14),
                new NeedDocument(Parcels, "orchard-almond-slices", 28, "not for who eats no nuts", Id: "almond", Boxes: 14),
                new NeedDocument(Parcels, "coal-cellar-buttons", 28, "one without icing sugar", Id: "buttons", Boxes: 14),
            ],
            new HoursDocument(
                [],
                "20:30",
                [
                    Session(-18, "18:30", "21:30", 2),
                    Session(-14, "09:00", "17:00", 2),
                    Session(1, "09:00", "18:00", 2),
                    Session(3, "18:00", "22:00", 2),
                    Session(5, "18:00", "22:00", 1),
                    Session(7, "08:00", "18:00", 2),
                    Session(11, "18:00", "22:00", 2),
                    Session(14, "07:00", "16:00", 2),
                    Session(19, "18:00", "22:00", 2),
                ]
            ),
            [
                new DoneDocument("fruit-cake", 0, $"{On(-18)}T19:10"),
                new DoneDocument("allotment", 0, $"{On(-18)}T19:40"),
                new DoneDocument("squash", 0, $"{On(-14)}T12:20"),
                new DoneDocument("oat", 0, $"{On(-14)}T14:05"),
            ]
        );
    }
}
