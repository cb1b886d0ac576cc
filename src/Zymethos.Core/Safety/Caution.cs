namespace Zymethos.Core.Safety;

/// <summary>A way in which a step can hurt someone.</summary>
public enum CautionKind
{
    /// <summary>Raw flour or raw egg in what hands and tongues touch.</summary>
    RawFlourAndEgg,

    /// <summary>Dough, towel or a pan of water stands in an oven that will be heated.</summary>
    DoughInOven,

    /// <summary>Hot sugar, syrup, fat or steam.</summary>
    Burns,

    /// <summary>Nuts travel on shared boards, trays and bowls.</summary>
    SharedNuts,

    /// <summary>Food that needs time and temperature control (TCS).</summary>
    TimeAndTemperature,

    /// <summary>Alcohol that does not all bake off.</summary>
    Spirit,

    /// <summary>Egg foams, custards and curds that must be heated through.</summary>
    EggFoam,

    /// <summary>Honey, which infants may not have.</summary>
    Honey,

    /// <summary>Moist bread that is not to be sealed for the shelf.</summary>
    Keeping,

    /// <summary>Whole nuts and small hard sweets, on which small children choke.</summary>
    Choking,

    /// <summary>More nutmeg than a spoon.</summary>
    Nutmeg,

    /// <summary>Mould on a cake that is kept for weeks.</summary>
    Mould,
}

/// <summary>A caution in words, with where the words come from.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Text">What to do or not to do; one or two sentences.</param>
/// <param name="Source">The publication, or "common practice, no source".</param>
public sealed record Caution(CautionKind Kind, string Text, string Source)
{
    /// <summary>
    /// The caution for a kind. The texts give the general rule and leave the last word to the local food authority, since rules differ from
    /// place to place.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">An undefined kind.</exception>
    public static Caution For(CautionKind kind) =>
        kind switch
        {
            CautionKind.RawFlourAndEgg => new(
                kind,
                "Do not taste the raw dough or batter: raw flour and raw egg can carry germs. Wash hands, bowl and board after it.",
                "USDA FSIS and FDA consumer advice on raw dough (from memory)"
            ),
            CautionKind.DoughInOven => new(
                kind,
                "The oven is holding dough. Take out dough, towel and the pan of water before anyone turns the heat on.",
                "common practice, no source"
            ),
            CautionKind.Burns => new(
                kind,
                "Hot sugar, fat and steam burn. Keep children away; a burn goes under cool running water for 10 to 20 minutes.",
                "first-aid advice (from memory)"
            ),
            CautionKind.SharedNuts => new(
                kind,
                "Nuts: traces travel on knives, boards and trays. Bake for anyone who must avoid them first, on clean tools, or not "
                    + "at all.",
                "US FALCPA and EU 1169/2011 list tree nuts (from memory)"
            ),
            CautionKind.TimeAndTemperature => new(
                kind,
                "Keep cold: no more than 2 hours at room temperature in all. Cool what was cooked from 57 to 21 °C (135 to 70 °F) "
                    + "within 2 hours and to 5 °C (41 °F) within 4 more; thaw it in the cold. Follow your local food authority where it "
                    + "is stricter.",
                "USDA FSIS two-hour rule; FDA Food Code 3-501.14 on cooling (both from memory)"
            ),
            CautionKind.Spirit => new(
                kind,
                "Contains alcohol that does not all bake off: say so to whoever eats it.",
                "USDA table of nutrient retention factors (from memory)"
            ),
            CautionKind.EggFoam => new(
                kind,
                "Heat egg whites, custards and curds to 71 °C (160 °F), measured in the middle, before they are used.",
                "USDA FSIS (from memory)"
            ),
            CautionKind.Honey => new(
                kind,
                "Contains honey: not for infants under 12 months, baked or not.",
                "public-health advice on infant botulism (from memory)"
            ),
            CautionKind.Keeping => new(
                kind,
                "Do not seal moist loaves in jars or vacuum bags for the shelf: germs that need no air grow there unseen. Freeze instead.",
                "USDA FSIS and extension advice on botulism (from memory)"
            ),
            CautionKind.Choking => new(
                kind,
                "Whole nuts and small hard sweets: children under five can choke on them. Grind or leave them out for little ones.",
                "public-health advice on choking (from memory)"
            ),
            CautionKind.Nutmeg => new(
                kind,
                "More than a teaspoon of nutmeg for a few people can make them ill. Spread over a whole bake it is fine; do not "
                    + "double it by eye.",
                "poison-centre advice on nutmeg (from memory)"
            ),
            CautionKind.Mould => new(
                kind,
                "Look before you cut a cake that was kept for weeks. Where there is mould, the whole cake goes: do not cut around it.",
                "USDA FSIS, Molds on Food (from memory)"
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Unknown caution."),
        };
}
