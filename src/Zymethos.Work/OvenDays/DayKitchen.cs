using System.Globalization;
using Zymethos.Interchange.Documents;

namespace Zymethos.Work.OvenDays;

/// <summary>The kitchen of one day: the kitchen as it is, and what is there on that day alone: helpers and a borrowed oven.</summary>
public static class DayKitchen
{
    private const string Extra = "Helper";

    /// <summary>The most people that a day is planned for.</summary>
    public const int MostPeople = 4;

    /// <summary>How many help on that day alone.</summary>
    public static int Helpers(KitchenDocument kitchen) => kitchen.People.Count(IsHelper);

    /// <summary>The kitchen with so many more pairs of hands.</summary>
    public static KitchenDocument WithHelpers(KitchenDocument kitchen, int more) =>
        more == 0
            ? kitchen
            : kitchen with
            {
                People =
                [
                    .. kitchen.People,
                    .. Enumerable
                        .Range(1, more)
                        .Select(n => new PersonDocument(more == 1 ? Extra : string.Create(CultureInfo.InvariantCulture, $"{Extra} {n}"))),
                ],
            };

    /// <summary>The kitchen with a second oven like its first; as it is when it has two.</summary>
    public static KitchenDocument WithBorrowedOven(KitchenDocument kitchen) =>
        kitchen.SecondOven is null ? kitchen with { SecondOven = kitchen.Oven } : kitchen;

    /// <summary>A changed kitchen with what was there on the day alone.</summary>
    /// <param name="kitchen">The kitchen as it is now.</param>
    /// <param name="day">The kitchen of the day as it was planned.</param>
    public static KitchenDocument Again(KitchenDocument kitchen, KitchenDocument day)
    {
        var with = WithHelpers(kitchen, Math.Min(Helpers(day), Math.Max(0, MostPeople - kitchen.People.Count)));
        // A second oven that is the first over again was borrowed.
        return day.SecondOven is { } second && second == day.Oven ? WithBorrowedOven(with) : with;
    }

    private static bool IsHelper(PersonDocument person) => person.Name.StartsWith(Extra, StringComparison.Ordinal);
}
