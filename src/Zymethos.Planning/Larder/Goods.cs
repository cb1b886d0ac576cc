using System.Collections.Immutable;
using NodaTime;

namespace Zymethos.Planning.Larder;

/// <summary>When goods are to be had, and how long before they are bought.</summary>
/// <param name="Words">Words that name it in an ingredient, any of them.</param>
/// <param name="LeadDays">Days before the work at which it is bought.</param>
/// <param name="Months">Months of its season, first and last, for what has one; null for what is to be had all year.</param>
/// <param name="Instead">What helps out of season; empty when there is nothing to say.</param>
internal sealed record Goods(ImmutableArray<string> Words, int LeadDays, (int First, int Last)? Months = null, string Instead = "")
{
    /// <summary>Whatever is not in the list is bought so many days before (common practice, no source).</summary>
    public const int UsualLeadDays = 3;

    /// <summary>Fresh goods, goods to order and goods with a season, of northern gardens (common practice, no source).</summary>
    public static ImmutableArray<Goods> All { get; } =
    [
        new(["cream", "milk", "buttermilk", "yogurt", "egg"], 1),
        new(["candied", "glacé", "meringue powder", "sultanas", "currants", "molasses"], 10),
        new(["brandy", "rum", "whisky", "sherry"], 7),
        new(["courgette", "zucchini"], 2, (6, 10), "Grated and pressed it keeps in the freezer.") { Freezes = true },
        new(["cranberries"], 2, (10, 12), "They freeze as they are.") { Freezes = true },
        new(["pumpkin", "squash"], 3, (9, 12), "A can of purée is the same all year."),
        new(["rhubarb"], 2, (3, 6), "It freezes raw, in pieces.") { Freezes = true },
        new(["plums"], 2, (8, 10), "Prunes do in most cakes."),
        new(["strawberries", "raspberries", "blackcurrants"], 1, (6, 8), "Frozen fruit or jam does in most fillings."),
        new(["quince"], 3, (10, 12), "Quince paste does in most fillings."),
    ];

    /// <summary>Whether <see cref="Instead"/> says how it is frozen.</summary>
    public bool Freezes { get; init; }

    /// <summary>What is known of an ingredient; null when nothing is.</summary>
    public static Goods? Of(string ingredient) => All.FirstOrDefault(g => g.Words.Any(w => HasWord(ingredient, w)));

    /// <summary>Whether it is to be had fresh in a month.</summary>
    public bool IsInSeason(LocalDate date) =>
        Months is not var (first, last)
        || (first <= last ? date.Month >= first && date.Month <= last : date.Month >= first || date.Month <= last);

    // "eggs, large" is egg, "buttermilk" is not milk alone, and "coffee" is not "coffee cream".
    private static bool HasWord(string ingredient, string word) =>
        ingredient.StartsWith(word, StringComparison.OrdinalIgnoreCase)
        || ingredient.Contains($" {word}", StringComparison.OrdinalIgnoreCase);
}
