using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places.Help;

/// <summary>A chapter of the help.</summary>
/// <param name="Place">The place it is about, as its address begins; the anchor.</param>
/// <param name="Name">Its heading.</param>
/// <param name="Asks">The question it answers.</param>
/// <param name="Does">How, a sentence a step.</param>
/// <param name="Cares">What can hurt or go wrong there; empty for nothing.</param>
public sealed record HelpChapter(string Place, string Name, string Asks, IReadOnlyList<string> Does, string Cares = "");

/// <summary>Help for every place. It ships with the application and needs no other server.</summary>
public sealed class IndexModel : PageModel
{
    /// <summary>The chapters, in the order in which a newcomer meets the places.</summary>
    public static IReadOnlyList<HelpChapter> Chapters { get; } =
    [
        new(
            "today",
            "Today",
            "What now, what this week, and what is about to go wrong?",
            [
                "Everything with an hour comes together here, from every place; each line leads to where it is from.",
                "“What can I make by” looks through your Book: by hours, by your minutes, with or without a mixer, from what is in the "
                    + "house.",
                "Tick several and plan them: they become an Oven Day.",
            ]
        ),
        new(
            "book",
            "Book",
            "How much of everything for this many?",
            [
                "Paste a recipe as it stands. The reading sheet shows what was made of each sentence; answer what it asks, or leave it "
                    + "open.",
                "Scale by pieces, by pan, by weight or by what you have of one ingredient.",
                "Every change keeps the version before it.",
            ],
            "What nothing is known about is never called free of an allergen. Read the packet, and follow what is said where you live."
        ),
        new(
            "kitchen",
            "Kitchen",
            "What is my oven really like?",
            [
                "Put an oven thermometer in, switch on from cold, and note the minutes to 180 °C (355 °F). Switch off, shut the door, "
                    + "and note the minutes down to 100 °C (210 °F).",
                "Say which pans you have: the plan never fills one that is not there.",
                "“Who bakes here” asks others in; each reads in their own measures and clock.",
            ]
        ),
        new(
            "oven-day",
            "Oven Day",
            "What goes in when, and why?",
            [
                "Take recipes from the Book, say from when until when, and plan.",
                "“Goes well on” is the share of a thousand rehearsed days on which nothing came too late.",
                "Touch a step: why it stands there, how long it can wait, and what moves if you hold it somewhere else.",
                "What does not fit is said with changes that were tried and would work.",
            ],
            "Dough in a heating oven, and rises that go over, are kept out of plans; a proof in the oven says when to take it out."
        ),
        new(
            "bench",
            "Bench",
            "What now, what next, how long have I got?",
            [
                "Put a day on the Bench and begin. One touch says “in”, “out”, “needs 5 more”, “done early”, “skip”.",
                "Clocks go on when the server or the net is away, and nothing told is lost or counted twice.",
                "“Who helps” gives a phone a pass for the day.",
            ],
            "The cautions stand beside their step: raw egg and flour, hot sugar, spirit, and food that must not stand warm."
        ),
        new(
            "season",
            "Season",
            "What must I start this week?",
            [
                "Say the dates, who gets what, and when you are free.",
                "Each batch is worked back from the day it is eaten: maturing, feeding, freezing, thawing, icing.",
                "A session of it opens as an Oven Day, planned to the minute.",
            ]
        ),
        new(
            "parcels",
            "Parcels",
            "Is everybody's box full and safe for them?",
            [
                "Say what each person must not have; fill the boxes, or let them be filled.",
                "What is refused says which line of which recipe is why.",
                "Labels name allergens and a date; read them against the packets before you give anything away.",
            ],
            "“Look first” and “not known” are not safe. Nobody but you has seen the packet."
        ),
        new(
            "larder",
            "Larder",
            "What must I buy, by when?",
            [
                "Count what you have once; what bakes take is taken off.",
                "The list is what the plans need less what is there, by the day it has to be in the house, in packages that are sold.",
            ]
        ),
        new(
            "paper",
            "Paper",
            "How do I take it away from the screen?",
            ["Run sheets, cards, labels and templates print to scale on A4 and US Letter. Print at 100 %, not “fit to page”."]
        ),
        new(
            "workshop",
            "Workshop",
            "How do I cut, build and fill it?",
            [
                "Cutters are laid on rolled dough so that the least is left; gingerbread houses come as parts with walls that meet.",
                "The calculators beside the bowl show the working of every answer, and say where a figure comes from.",
            ]
        ),
        new(
            "daybook",
            "Daybook",
            "How does my oven really bake?",
            [
                "Every bake on the Bench is written down by itself; others you write yourself.",
                "What it teaches goes into plans with how sure it is and from how many bakes, and each lesson has a switch.",
            ]
        ),
        new(
            "account",
            "Your account",
            "How do I come in, and how do I leave?",
            [
                "A second key (a code from a phone, or a passkey) keeps others out even if they know the password.",
                "The whole kitchen can be taken along as one file and brought into another house.",
                "A kitchen that is to be deleted stays two weeks, in case you think better of it.",
            ]
        ),
    ];

    /// <summary>Whether the demo's way round can be begun from here.</summary>
    public bool CanTour => User.Identity?.IsAuthenticated == true;

    /// <summary>The page.</summary>
    public void OnGet() { }
}
