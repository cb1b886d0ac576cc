using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>Eggs of one size for eggs of another, whole, yolks or whites.</summary>
public sealed class EggsCalculator : Calculator
{
    // Without its shell, which is about 12 % of it; white and yolk share the rest about two to one (USDA, from memory).
    private const double WithoutShell = 0.88;
    private const double WhiteShare = 0.66;

    // With shell. United States: the least weight of the class, an ounce being a twelfth of the dozen's 30, 27, 24, 21 and 18 (USDA AMS
    // 56); less its shell that is USDA's own portion of each class, and the 50 g at which the Book counts a large egg. European Union:
    // the middle of 63 to 73 and 53 to 63 g, and what is usual of the open classes (Regulation 589/2008). All from memory.
    private static readonly ImmutableArray<(string Word, string Says, double Grams)> Sizes =
    [
        ("us-large", "US large", 56.7),
        ("us-jumbo", "US jumbo", 70.9),
        ("us-extra-large", "US extra large", 63.8),
        ("us-medium", "US medium", 49.6),
        ("us-small", "US small", 42.5),
        ("eu-l", "EU L", 68),
        ("eu-m", "EU M", 58),
        ("eu-s", "EU S", 50),
        ("eu-xl", "EU XL", 76),
    ];

    private static readonly (string Word, string Says)[] SizeChoices = [.. Sizes.Select(s => (s.Word, s.Says))];

    /// <inheritdoc />
    public override string Address => "eggs";

    /// <inheritdoc />
    public override string Name => "Egg for egg";

    /// <inheritdoc />
    public override string Promise => "eggs of another size, yolks and whites by weight";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Measures;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Number("count", "The recipe wants", "4", "", 0.25, 200),
        CalculatorField.Choice("what", "of", ("whole", "whole eggs"), ("white", "whites"), ("yolk", "yolks")),
        CalculatorField.Choice("size", "of size", SizeChoices),
        CalculatorField.Choice("mine", "Yours are", [.. SizeChoices.Skip(6).Take(1), .. SizeChoices.Take(6), .. SizeChoices.Skip(7)]),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "United States: the least weight of a class; European Union: its middle. Less 12 % shell; two thirds of the rest is white, one "
        + "third yolk.";

    /// <inheritdoc />
    public override string Source =>
        "Classes: USDA AMS 56 for the United States, Regulation (EC) 589/2008 for the European Union. Shell, white and yolk: USDA. All "
        + "from memory.";

    /// <inheritdoc />
    public override string Limits => "Within a class eggs differ by a tenth or more: beat them and weigh what a recipe that matters wants.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (count, what) = (asked.Value("count"), asked.Chosen("what"));
        var (size, mine) = (asked.Chosen("size"), asked.Chosen("mine"));
        if (asked.Wrong.Count > 0)
            return new("");
        var grams = count * Of(size, what);
        var each = Of(mine, what);
        var exact = grams / each;
        var whole = Math.Max(1, (int)Math.Round(exact));
        var off = 100 * ((whole * each) - grams) / grams;
        var noun = what switch
        {
            "white" => ("white", "whites"),
            "yolk" => ("yolk", "yolks"),
            _ => ("egg", "eggs"),
        };
        var says =
            Math.Abs(off) <= 5
                ? $"{Told.Many(whole, noun.Item1, noun.Item2)} of yours: {Told.Weight(grams)} are wanted, "
                    + $"they weigh {Told.Grams(whole * each)}."
                : $"{Told.Weight(grams)}: beat {Told.Many((int)Math.Ceiling(exact), noun.Item1, noun.Item2)} of yours and take as much.";
        return new(says)
        {
            Values = [new("wanted", Math.Round(grams, 1), "g"), new("exact", Math.Round(exact, 3), ""), new("whole", whole, "")],
            Cautions = ["Eggs that are eaten raw: not for small children, the expecting, the old or the ill, unless pasteurised."],
            Tables =
            [
                new(
                    "Without shell, about",
                    ["Size", "Whole", "White", "Yolk"],
                    [
                        .. Sizes.Select(s =>
                            ImmutableArray.Create(
                                s.Says,
                                $"{Told.Number(Of(s.Word, "whole"), 0)} g",
                                $"{Told.Number(Of(s.Word, "white"), 0)} g",
                                $"{Told.Number(Of(s.Word, "yolk"), 0)} g"
                            )
                        ),
                    ]
                ),
            ],
            Sketches =
            [
                new ScaleSketch(
                    "What eggs of each size weigh without shell",
                    "g",
                    0,
                    80,
                    [.. Sizes.OrderBy(s => s.Grams).Select(s => new SketchStretch(s.Says, 0, Of(s.Word, "whole")))]
                )
                {
                    Marks = what == "whole" ? [(Of(size, "whole"), "recipe")] : [],
                },
            ],
        };
    }

    /// <summary>Grams of an egg of a size without shell, of its white or of its yolk.</summary>
    public static double Of(string size, string what) =>
        Sizes.First(s => s.Word == size).Grams
        * WithoutShell
        * what switch
        {
            "white" => WhiteShare,
            "yolk" => 1 - WhiteShare,
            _ => 1,
        };
}
