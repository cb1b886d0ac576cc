using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Work.Books;

/// <summary>Values of the Book in bakers' words.</summary>
public static class RecipeWords
{
    /// <summary>A kind of bake, in the singular.</summary>
    public static string Of(RecipeKind kind) =>
        kind switch
        {
            RecipeKind.Bread => "bread",
            RecipeKind.Buns => "buns",
            RecipeKind.QuickLoaf => "quick loaf",
            RecipeKind.LayerCake => "layer cake",
            RecipeKind.RingCake => "ring cake",
            RecipeKind.FruitCake => "fruit cake",
            RecipeKind.Muffins => "muffins",
            RecipeKind.Cookies => "cookies",
            RecipeKind.RolledCookies => "rolled cookies",
            RecipeKind.TwiceBaked => "baked twice",
            RecipeKind.Built => "to build",
            _ => "something else",
        };

    /// <summary>A kind of step.</summary>
    public static string Of(StepKind kind) =>
        kind switch
        {
            StepKind.Work => "hands at work",
            StepKind.Mix => "mixer",
            StepKind.Soak => "soak",
            StepKind.BulkRise => "first rise",
            StepKind.Proof => "proof",
            StepKind.Rest => "rest",
            StepKind.Chill => "refrigerator",
            StepKind.Bake => "oven",
            StepKind.Cool => "cool",
            StepKind.Mature => "mature",
            StepKind.Freeze => "freezer",
            _ => "thaw",
        };

    /// <summary>A kind of part.</summary>
    public static string Of(PartKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>A flour habit, with what a cup weighs.</summary>
    public static string Of(FlourHabit habit) =>
        habit switch
        {
            FlourHabit.Spooned => "spooned in and levelled, 120 g a cup",
            FlourHabit.Dipped => "dipped and swept, 140 g a cup",
            _ => "by the published table, 125 g a cup",
        };

    /// <summary>A shape of pan.</summary>
    public static string Of(PanShape shape) =>
        shape switch
        {
            PanShape.Loaf => "loaf pan",
            PanShape.Rectangle => "square or oblong",
            PanShape.Round => "round",
            PanShape.Springform => "springform",
            PanShape.Ring => "fluted ring",
            PanShape.Muffin => "tin of cups",
            _ => "flat tray",
        };

    /// <summary>A caution in two or three words, for ticking.</summary>
    public static string Of(CautionKind caution) =>
        caution switch
        {
            CautionKind.RawFlourAndEgg => "raw flour or egg",
            CautionKind.DoughInOven => "dough in the cold oven",
            CautionKind.Burns => "hot sugar, fat or steam",
            CautionKind.SharedNuts => "nuts",
            CautionKind.TimeAndTemperature => "keep cold",
            CautionKind.Spirit => "alcohol",
            CautionKind.EggFoam => "heat to 71 °C",
            CautionKind.Honey => "honey",
            _ => "do not seal moist",
        };

    /// <summary>A caution in a few words, for the line of a run sheet.</summary>
    /// <param name="caution">Which.</param>
    /// <param name="says">How the kitchen says heats.</param>
    public static string Short(CautionKind caution, KitchenSays says) =>
        caution switch
        {
            CautionKind.DoughInOven => "dough in the oven: no heat",
            CautionKind.EggFoam => $"heat through to {says.Degrees(71.1)}",
            _ => Of(caution),
        };

    /// <summary>An allergen.</summary>
    public static string Of(Dialect dialect) =>
        dialect switch
        {
            Dialect.American => "North America",
            Dialect.British => "Britain and Ireland",
            Dialect.Metric => "the Continent",
            _ => "Australia and New Zealand",
        };

    /// <summary>An allergen as labels say it.</summary>
    public static string Of(Allergen allergen) => AllergenNames.Of(allergen);
}
