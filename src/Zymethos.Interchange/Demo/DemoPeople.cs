using Zymethos.Core.Parcels;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Interchange.Demo;

/// <summary>Fourteen volunteers of a lending library, all invented: those who need care, and those who eat everything. The tins and boxes
/// of the kitchen that bakes for them.</summary>
public static class DemoPeople
{
    /// <summary>Everybody.</summary>
    public static IReadOnlyList<Recipient> All { get; } =
    [
        New(1, "Bramwell") with
        {
            Avoids = [Allergen.Egg],
            Note = "Brings the tin back by himself.",
        },
        New(2, "Wren") with
        {
            Avoids = [Allergen.TreeNut, Allergen.Peanut],
            Likes = ["ginger"],
        },
        New(3, "Corin") with
        {
            Diets = [Diet.NoAlcohol],
        },
        New(4, "Oriel") with
        {
            Diets = [Diet.NoAlcohol],
            Likes = ["squash"],
        },
        New(5, "Isolde") with
        {
            IsExpecting = true,
            Note = "Due in March.",
        },
        New(6, "Tamsin") with
        {
            Age = RecipientAge.Infant,
            Note = "The baby eats what its parents leave about.",
        },
        New(7, "Pell") with
        {
            Dislikes = ["icing sugar"],
        },
        New(8, "Fen") with
        {
            Likes = ["fruit cake"],
        },
        New(9, "Maud") with
        {
            Address = "The Reading Room\nLower Ferry Lane 4",
        },
        New(10, "Lark"),
        New(11, "Odile") with
        {
            Likes = ["almond"],
        },
        New(12, "Rafe"),
        New(13, "Sable"),
        New(14, "Hollis") with
        {
            Note = "Gave theirs away last year: a smaller box would do.",
        },
    ];

    /// <summary>Three tins and two boxes.</summary>
    public static GiftShelfDocument Shelf { get; } =
        new(
            [
                new GiftBoxDocument("round tin", 200, 200, 90, true, 3, 180),
                new GiftBoxDocument("flat box", 240, 160, 60, false, 12, 60),
                new GiftBoxDocument("loaf box", 260, 110, 110, false, 4, 70),
            ],
            [
                new PieceSizeDocument("window-shapes", 70, 60, 7, false, 18),
                new PieceSizeDocument("plum-street-butters", 45, 45, 10, true, 14),
                new PieceSizeDocument("orchard-almond-slices", 95, 30, 18, false, 22),
                new PieceSizeDocument("coal-cellar-buttons", 40, 40, 18, true, 20),
                new PieceSizeDocument("cellar-fruit-cake", 75, 65, 25, false, 90),
            ],
            "Quince Street kitchen"
        );

    private static Recipient New(int number, string name) =>
        new(new Guid($"7a11ce00-0000-4000-8000-{number:x12}"), name) { Group = "library" };
}
