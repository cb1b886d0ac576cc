namespace Zymethos.Core.Measures;

/// <summary>The words for units as people write them, slips of the keyboard included.</summary>
public static class UnitWords
{
    private static readonly Dictionary<string, MeasureUnit> Words = Make();

    /// <summary>The unit a word means. One letter alone is told by its case: T is a tablespoon, t a teaspoon. Null when it is no
    /// unit.</summary>
    public static MeasureUnit? Find(string word)
    {
        switch (word)
        {
            case "T" or "T." or "Tb" or "Tb.":
                return MeasureUnit.Tablespoon;
            case "t" or "t.":
                return MeasureUnit.Teaspoon;
            case "C" or "C.":
                return MeasureUnit.Cup;
        }

        var key = word.TrimEnd('.').ToLowerInvariant();
        return Words.GetValueOrDefault(key) ?? Slipped(key);
    }

    /// <summary>"tablspoons", "teasponns": long enough to be told apart, whatever the fingers did.</summary>
    private static MeasureUnit? Slipped(string key)
    {
        if (key.Length < 7 || key[0] != 't' || !key.Contains('p', StringComparison.Ordinal))
            return null;
        if (NearWord.Apart(key.TrimEnd('s'), "tablespoon", 2) <= 2)
            return MeasureUnit.Tablespoon;
        return NearWord.Apart(key.TrimEnd('s'), "teaspoon", 2) <= 2 ? MeasureUnit.Teaspoon : null;
    }

    /// <summary>The unit a word means where a recipe comes from: a pint is a fifth larger in Britain. Null when it is no unit.</summary>
    public static MeasureUnit? Find(string word, Dialect dialect)
    {
        var unit = Find(word);
        if (unit is null || dialect == Dialect.American)
            return unit;
        if (unit == MeasureUnit.Cup)
            return MeasureUnit.MetricCup;
        if (unit == MeasureUnit.Tablespoon && dialect == Dialect.Australian)
            return MeasureUnit.AustralianTablespoon;
        if (unit == MeasureUnit.Pint)
            return MeasureUnit.ImperialPint;
        if (unit == MeasureUnit.FluidOunce)
            return MeasureUnit.ImperialFluidOunce;
        return unit == MeasureUnit.Gill ? MeasureUnit.ImperialGill : unit;
    }

    private static Dictionary<string, MeasureUnit> Make()
    {
        var words = new Dictionary<string, MeasureUnit>(StringComparer.Ordinal);
        Add(MeasureUnit.Gram, "g gr gm gms gram grams gramme grammes");
        Add(MeasureUnit.Kilogram, "kg kgs kilo kilos kilogram kilograms kilogramme kilogrammes");
        Add(MeasureUnit.Ounce, "oz ozs ounce ounces onces ounzes");
        Add(MeasureUnit.Pound, "lb lbs pound pounds lbs. pd");
        Add(MeasureUnit.Millilitre, "ml mls millilitre millilitres milliliter milliliters cc");
        Add(MeasureUnit.Decilitre, "dl decilitre decilitres deciliter deciliters");
        Add(MeasureUnit.Centilitre, "cl centilitre centilitres centiliter centiliters");
        Add(MeasureUnit.Litre, "l lt ltr litre litres liter liters");
        Add(MeasureUnit.Teaspoon, "tsp tsps teaspoon teaspoons teasp tspn tspns teasppon teaspon teaspoonful teaspoonfuls tesp tl");
        Add(
            MeasureUnit.Tablespoon,
            "tbsp tbsps tbs tblsp tblsps tablespoon tablespoons tbspn tbspns tablespon tablesppon tablespoonful tablespoonfuls "
                + "tabelspoon tabelspoons el"
        );
        Add(MeasureUnit.FluidOunce, "floz fl-oz fl.oz");
        Add(MeasureUnit.Cup, "cup cups c cpu cusp cupful cupfuls");
        Add(MeasureUnit.Pint, "pint pints pt pts");
        Add(MeasureUnit.Quart, "quart quarts qt qts");
        Add(MeasureUnit.Pinch, "pinch pinches msp grating");
        Add(MeasureUnit.Dash, "dash dashes");
        Add(MeasureUnit.Splash, "splash splashes drizzle drizzles glug glugs squeeze");
        Add(MeasureUnit.Smidgen, "smidgen smidgens smidge");
        Add(MeasureUnit.Stick, "stick sticks");
        Add(
            MeasureUnit.Packet,
            "packet packets package packages pkg pkgs pkt pkts pack packs sachet sachets envelope envelopes box boxes bag bags carton "
                + "cartons tub tubs bar bars cube cubes pot pots block blocks slab slabs"
        );
        Add(MeasureUnit.Can, "can cans tin tins");
        Add(MeasureUnit.Jar, "jar jars bottle bottles");
        Add(MeasureUnit.Slice, "slice slices");
        Add(MeasureUnit.Sheet, "sheet sheets leaf leaves");
        Add(MeasureUnit.Drop, "drop drops");
        Add(MeasureUnit.Handful, "handful handfuls fistful fistfuls");
        Add(MeasureUnit.Knob, "knob knobs lump lumps");
        Add(MeasureUnit.Sprig, "sprig sprigs pod pods");
        Add(MeasureUnit.Punnet, "punnet punnets basket baskets");
        Add(MeasureUnit.Gill, "gill gills");
        Add(MeasureUnit.Dessertspoon, "dessertspoon dessertspoons dsp dstsp dessertspoonful dessertspoonfuls");
        Add(MeasureUnit.Mug, "mug mugs mugful mugfuls");
        Add(MeasureUnit.Teacup, "teacup teacups teacupful teacupfuls");
        Add(MeasureUnit.Wineglass, "wineglass wineglasses wineglassful wineglassfuls");
        Add(MeasureUnit.Piece, "piece pieces pc pcs strip strips square squares");
        return words;

        void Add(MeasureUnit unit, string list)
        {
            foreach (var word in list.Split(' '))
                words[word] = unit;
        }
    }
}
