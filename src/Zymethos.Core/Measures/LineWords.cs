namespace Zymethos.Core.Measures;

/// <summary>Words around an ingredient that say how it is to be.</summary>
internal static class LineWords
{
    /// <summary>How it is to be: changes what it weighs, or how it is prepared.</summary>
    public static readonly HashSet<string> Forms = Set(
        "packed sifted unsifted chopped sliced slivered flaked grated shredded minced diced cubed crushed mashed beaten whisked melted softened soft cold chilled " +
        "cool cooled warm hot lukewarm tepid boiling toasted roasted ground crumbled halved quartered whole pitted peeled cored drained rinsed thawed frozen zested juiced " +
        "separated strained squeezed creamed browned blanched spooned dipped levelled leveled halves chips unpacked stoned hulled skinned soaked plumped torn " +
        "dried candied sweetened unsweetened salted unsalted raw cooked overripe ripe fresh dry dissolved");

    /// <summary>Words that go with a form and carry no meaning alone.</summary>
    public static readonly HashSet<string> Manner = Set("finely coarsely roughly freshly thinly thickly lightly firmly well very loosely tightly thoroughly completely slightly just");

    /// <summary>Words of quality that change nothing that is reckoned with.</summary>
    public static readonly HashSet<string> Quality = Set("organic good-quality good quality pure natural plain free-range homemade store-bought best fine extra thick thin your favourite favorite some any of the");

    /// <summary>Sizes of pieces.</summary>
    public static readonly HashSet<string> Sizes = Set("small medium large extra-large jumbo big");

    private static HashSet<string> Set(string words) => [.. words.Split(' ', StringSplitOptions.RemoveEmptyEntries)];
}
