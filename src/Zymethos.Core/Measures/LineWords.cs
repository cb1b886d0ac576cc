namespace Zymethos.Core.Measures;

/// <summary>Words around an ingredient that say how it is to be.</summary>
public static class LineWords
{
    /// <summary>How it is to be: changes what it weighs, or how it is prepared.</summary>
    public static readonly HashSet<string> Forms = Set(
        "packed sifted unsifted chopped sliced slivered flaked grated shredded minced diced cubed crushed mashed beaten whisked "
            + "melted softened soft cold chilled "
            + "cool cooled warm warmed hot lukewarm tepid boiling toasted roasted ground crumbled halved quartered whole pitted "
            + "peeled cored drained rinsed thawed frozen zested juiced "
            + "separated strained squeezed creamed browned blanched spooned dipped levelled leveled halves chips unpacked stoned "
            + "hulled skinned soaked plumped torn "
            + "dried candied sweetened unsweetened salted unsalted raw cooked overripe ripe fresh dry dissolved"
    );

    /// <summary>Words that go with a form and carry no meaning alone.</summary>
    public static readonly HashSet<string> Manner = Set(
        "finely coarsely roughly freshly thinly thickly lightly firmly well very loosely tightly thoroughly completely slightly just"
    );

    /// <summary>Words of quality that change nothing that is reckoned with.</summary>
    public static readonly HashSet<string> Quality = Set(
        "organic good-quality good quality pure natural plain free-range homemade store-bought best fine flaky extra thick thin your "
            + "favourite favorite some any of the"
    );

    /// <summary>Sizes of pieces.</summary>
    public static readonly HashSet<string> Sizes = Set("small medium large extra-large jumbo big");

    /// <summary>Words that may stand beside an ingredient without naming one: preparation, purpose, glue.</summary>
    public static readonly HashSet<string> Harmless = Set(
        "a an and or of the to in into at for from with without on over by as it its them they is are be if you your my we i can may "
            + "will one two three four five six seven eight nine ten half halves quarter quarters third thirds "
            + "each check checked make sure it's that's about approx approximately around roughly more extra plus less little bit few "
            + "some any all both only not no too very quite still just then when while until before after again also "
            + "finely coarsely roughly freshly thinly thickly lightly firmly well loosely tightly thoroughly completely slightly "
            + "gently evenly "
            + "taste needed need required desired like liked wished using use used see note optional divided separate separately "
            + "sprinkling dusting greasing brushing rolling rolled kneading coating serving decorating decorate decoration "
            + "topping finish finishing glaze glazing frying "
            + "broken their its dutch-process dutch-processed dutched bits bit nuggets garnish fill sandwich coat scatter roll tin "
            + "pan pans tins tray trays board surface work worktop bowl dish mould table counter top base inside outside room "
            + "temperature fridge refrigerator freezer oven skin skins skinned stone stones stoned seeds seeded deseeded pips "
            + "peeled unpeeled "
            + "piece pieces chunk chunks cube cubes strip strips slice slices round rounds ring rings stick sticks small medium large "
            + "big thin thick long short wide deep inch inches cm mm length size sized bite walnut-sized bite-sized "
            + "pea-sized equal same amount weight weighed measured measure level heaped rounded packed sifted total net gross drained "
            + "shell shells shelled unshelled blanched unsalted salted sweetened unsweetened organic free-range quality good best "
            + "fresh frozen dried dry ripe overripe "
            + "cut chopped sliced diced grated crushed ground melted softened soft cold chilled warm hot room-temperature boiling "
            + "beaten whisked separated cooled cool toasted soaked overnight strained sieved squeezed zested juiced rinsed washed "
            + "patted mashed puréed pureed trimmed halved quartered cored hulled pitted torn crumbled "
            + "brushed greased lined stirred dissolved mixed combined preferably ideally store-bought homemade shop-bought ready-made "
            + "ready bought brand favourite favorite variety type kind sort types kinds such mixture mix "
            + "day week hour hours minutes min mins night ahead time made make from left over leftover spare plenty generous scant "
            + "pinch teaspoon tablespoon tsp tbsp cup cups gram grams g kg ml oz lb l litre can cans tin jar packet packets bag "
            + "box carton tub pot block bottle sachet cube "
            + "depending how what which that this these seedless fast floury waxy balls bath mix hand-hot granny smith bramley "
            + "braeburn honeycrisp egg-wash wash whatever have sharp blood heat sprinkle dust temp rindless boneless juicy runny "
            + "chunky crunchy crisp local seasonal nice lovely proper decent plump eating cooking dessert strength those want "
            + "wanted gooey sweet sour tart mild strong light dark natural plain pure fine coarse white brown yellow red "
            + "green pink black golden blond pale whole part room warmed lukewarm "
            + "handful handfuls spoonful splash drizzle knob drop dash coloured colored thread wafer-thin paper-thin enough another "
            + "other second first last rest remaining reserve reserved set aside juice zest rind peel pulp flesh leaves leaf "
            + "sprig sprigs stalk stalks stem stems ends tops heads "
            + "unwaxed thawed defrosted unthawed uncooked cooked raw lightly-beaten well-beaten split scraped bruised pods pod grade "
            + "fat full half-fat low reduced high percent cacao solids minimum least up off on per person shape shapes cutter "
            + "cutters children kids adults choice unless otherwise stated instructions recipe below above page see part "
            + "dough filling icing syrup sauce crumb batter cake cakes pie pies tart tarts loaf loaves bread bake baking "
            + "out recipes surfaces boards times feels right held back keeps asks wants hand-warm blood-warm keep "
            + "feel damp dry weekly daily want degrees degree fahrenheit celsius but recommended hands fingers "
            + "spoons spoon way style top-quality unbaked blind pinches free "
            + "serve served serving pliable supple firm break fine-quality good-quality well-shaken best-quality hydration "
            + "autolyse leave leaves don't dont give gives will flavour flavor flavours kettle sep sep. "
            + "brush rasher rashers kept saved quick threads strands filaments"
    );

    /// <summary>The noun of a name, its last word without an "s": what "caster sugar" and "sugar", "eggs" and "beaten egg" have in
    /// common.</summary>
    public static string Noun(string name) => name.Split(' ')[^1].TrimEnd('s').ToLowerInvariant();

    /// <summary>Whether a word may be left in a note without a question: a known harmless one, a number, a remark by its ending.</summary>
    public static bool IsHarmless(string word)
    {
        var low = word.ToLowerInvariant().Trim('.', ',', '(', ')', '"', '\'', '!', '?', ':', ';', '°', '%', '/', '*', '…', '“', '”');
        if (low.Length <= 1 || low.Any(char.IsDigit))
            return true;
        if (
            Harmless.Contains(low)
            || Forms.Contains(low)
            || Manner.Contains(low)
            || Quality.Contains(low)
            || Sizes.Contains(low)
            || UnitWords.Find(low) is not null
        )
            return true;
        return low.Length > 4
            && (
                low.EndsWith("ed", StringComparison.Ordinal)
                || low.EndsWith("ing", StringComparison.Ordinal)
                || low.EndsWith("ly", StringComparison.Ordinal)
            );
    }

    private static HashSet<string> Set(string words) => [.. words.Split(' ', StringSplitOptions.RemoveEmptyEntries)];
}
