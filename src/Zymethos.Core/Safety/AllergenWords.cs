using System.Collections.Immutable;

namespace Zymethos.Core.Safety;

/// <summary>Words that name an allergen, wherever they stand in a line: a word that is left over may not be dropped when it is one of
/// them.</summary>
public static class AllergenWords
{
    private static readonly Dictionary<string, Allergen[]> Words = Make();

    // "Coconut milk", "soy yogurt": no dairy. A fruit before cream, yogurt or custard is a flavour of dairy, and a custard or cheese of
    // nuts may be either.
    private static readonly HashSet<string> MilkSources = Set(
        "coconut almond oat soy soya rice cashew hazelnut macadamia hemp pea plant vegan dairy-free tiger potato flax quinoa spelt"
    );

    // "Cocoa butter", "apple butter": none either.
    private static readonly HashSet<string> ButterSources = Set(
        "cocoa cacao coconut peanut groundnut almond cashew hazelnut walnut pistachio pecan macadamia brazil pine nut seed sesame "
            + "sunflower pumpkin shea apple plum pear fig prune fruit cookie soy soya plant vegan dairy-free vegetable chestnut"
    );

    private static bool IsPlant(string dairy, string before) =>
        dairy switch
        {
            "butter" => ButterSources.Contains(before),
            "milk" or "cream" or "yogurt" or "yoghurt" => MilkSources.Contains(before),
            "cheese" or "custard" => before is "soy" or "soya" or "vegan" or "plant" or "dairy-free",
            _ => false,
        };

    /// <summary>The allergens that words name, in the order of <see cref="Allergen"/>; empty when they name none.</summary>
    /// <param name="words">Words in lower case, in the order in which they stand.</param>
    public static ImmutableArray<Allergen> In(IReadOnlyList<string> words)
    {
        var found = new SortedSet<Allergen>();
        for (var i = 0; i < words.Count; i++)
        {
            foreach (var part in Parts(words[i]))
            {
                if (!Words.TryGetValue(part, out var named))
                    continue;
                var before = i > 0 ? words[i - 1].Trim(',', '.', '(', ')') : "";
                if (IsPlant(Singular(part), before))
                    continue;
                if (Singular(part) == "cream" && i + 2 < words.Count && words[i + 1] == "of" && words[i + 2] == "tartar")
                    continue;
                if (Singular(part) == "butter" && i + 1 < words.Count && words[i + 1] is "beans" or "bean")
                    continue;
                found.UnionWith(named);
            }
        }

        return [.. found];
    }

    /// <summary>Whether a word alone names one.</summary>
    public static bool Names(string word) => Parts(word.ToLowerInvariant()).Any(Words.ContainsKey);

    /// <summary>The allergens of a plant that flour, butter, oil, milk, cream or yogurt is made of; null when the word names no such
    /// plant.</summary>
    public static ImmutableArray<Allergen>? SourceOf(string word) =>
        Singular(word.ToLowerInvariant()) switch
        {
            "almond" or "hazelnut" or "cashew" or "walnut" or "pecan" or "pistachio" or "macadamia" or "brazil" or "filbert" or "pine" =>
            [
                Allergen.TreeNut,
            ],
            "nut" => [Allergen.TreeNut],
            "chestnut" => [Allergen.TreeNut],
            "peanut" or "groundnut" => [Allergen.Peanut],
            "soy" or "soya" or "soybean" or "tofu" => [Allergen.Soy],
            "sesame" or "tahini" => [Allergen.Sesame],
            "lupin" or "lupine" => [Allergen.Lupin],
            "oat" or "barley" or "rye" => [Allergen.Gluten],
            "spelt" or "einkorn" or "kamut" or "emmer" or "khorasan" or "durum" or "wheat" => [Allergen.Wheat, Allergen.Gluten],
            "coconut"
            or "rice"
            or "sunflower"
            or "pumpkin"
            or "hemp"
            or "pea"
            or "potato"
            or "quinoa"
            or "millet"
            or "sorghum"
            or "teff"
            or "chickpea"
            or "banana"
            or "tapioca"
            or "cassava"
            or "flax"
            or "tiger"
            or "buckwheat"
            or "amaranth"
            or "lentil"
            or "bean"
            or "seed"
            or "apple"
            or "plum"
            or "grape"
            or "avocado"
            or "cocoa"
            or "cacao"
            or "fruit"
            or "water"
            or "chia"
            or "poppy"
            or "shea"
            or "maize"
            or "corn"
            or "acorn"
            or "plantain"
            or "pear"
            or "prune"
            or "fig" => [],
            _ => null,
        };

    private static IEnumerable<string> Parts(string word)
    {
        word = word.Trim(',', '.', '(', ')', ';', ':', '!', '?', '"', '\'');
        yield return word;
        if (word.Contains('-', StringComparison.Ordinal) && !word.EndsWith("-free", StringComparison.Ordinal))
        {
            foreach (var part in word.Split('-', StringSplitOptions.RemoveEmptyEntries))
                yield return part;
        }

        if (word.Contains('/', StringComparison.Ordinal))
        {
            foreach (var part in word.Split('/', StringSplitOptions.RemoveEmptyEntries))
                yield return part;
        }
    }

    private static string Singular(string word) =>
        word.Length > 3 && word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal)
            ? word.EndsWith("oes", StringComparison.Ordinal)
                ? word[..^2]
                : word[..^1]
            : word;

    private static HashSet<string> Set(string words) => [.. words.Split(' ')];

    private static Dictionary<string, Allergen[]> Make()
    {
        var words = new Dictionary<string, Allergen[]>(StringComparer.Ordinal);
        Add(
            "milk cream butter buttermilk cheese cheddar parmesan yogurt yoghurt whey casein lactose ghee dairy custard crème creme "
                + "mascarpone ricotta kefir quark milky buttery buttered cheesy toffee fudge butterscotch ganache",
            Allergen.Milk
        );
        Add("egg eggs yolk yolks meringue albumen eggwash eggnog mayonnaise", Allergen.Egg);
        Add(
            "almond almonds walnut walnuts hazelnut hazelnuts pecan pecans cashew cashews pistachio pistachios macadamia macadamias "
                + "filbert filberts praline marzipan frangipane gianduja amaretti amaretto pignoli pinenut pinenuts chestnut chestnuts "
                + "nougat brazils",
            Allergen.TreeNut
        );
        Add("nut nuts nutty", Allergen.TreeNut);
        Add("peanut peanuts groundnut groundnuts", Allergen.Peanut);
        Add(
            "wheat semolina spelt durum couscous bulgur kamut einkorn emmer farro breadcrumbs breadcrumb bread biscuit biscuits "
                + "cookie cookies cracker crackers pastry wheaten wholewheat pasta",
            Allergen.Wheat,
            Allergen.Gluten
        );
        Add("gluten rye barley malt malted oat oats oatmeal beer ale stout seitan", Allergen.Gluten);
        Add("soy soya tofu edamame soybean soybeans tempeh miso", Allergen.Soy);
        Add("sesame tahini halva halvah", Allergen.Sesame);
        Add("fish anchovy anchovies tuna salmon", Allergen.Fish);
        Add("prawn prawns shrimp shrimps crab lobster", Allergen.Shellfish);
        Add("celery celeriac", Allergen.Celery);
        Add("mustard", Allergen.Mustard);
        Add("lupin lupine", Allergen.Lupin);
        Add("mussel mussels oyster oysters squid clam clams", Allergen.Mollusc);
        Add("sulphite sulphites sulfite sulfites", Allergen.Sulphite);
        return words;

        void Add(string list, params Allergen[] allergens)
        {
            foreach (var word in list.Split(' '))
                words[word] = allergens;
        }
    }
}
