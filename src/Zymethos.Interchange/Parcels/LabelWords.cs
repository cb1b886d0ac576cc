using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Interchange.Parcels;

/// <summary>
/// The words of labels in a language, one file each: what the sentences say, with {0} for what is put in. Names of ingredients stay as the
/// Book writes them. The words for allergens follow annex II of EU regulation 1169/2011 in that language (from memory).
/// </summary>
/// <param name="Code">Two letters of ISO 639-1.</param>
/// <param name="Language">Its own name for itself.</param>
/// <param name="Date">How a date is written, as NodaTime writes patterns.</param>
/// <param name="For">For whom; {0} the name.</param>
/// <param name="From">From whom; {0} the name.</param>
/// <param name="Made">When it was made; {0} the date.</param>
/// <param name="MadeAndThawed">When it was made and thawed; {0} and {1} the dates.</param>
/// <param name="BestBy">Until when it is best; {0} the date.</param>
/// <param name="BestWithinADay">Where nobody knows when it was made, and it keeps for a day.</param>
/// <param name="BestWithin">Likewise; {0} how many days.</param>
/// <param name="Keep">How it is kept; {0} the place.</param>
/// <param name="OnTheCounter">The place for what stands in the room; empty for the recipe's own words.</param>
/// <param name="InTheRefrigerator">The place for what is kept cold; empty for the recipe's own words.</param>
/// <param name="Contains">Which allergens are in it; {0} their names.</param>
/// <param name="MayContain">Which may be in it; {0} their names.</param>
/// <param name="Kitchen">Which the kitchen uses besides; {0} their names.</param>
/// <param name="Packet">Where a packet has to be looked at.</param>
/// <param name="Alcohol">Said of spirit.</param>
/// <param name="Extract">Said of an extract made with alcohol.</param>
/// <param name="Honey">Said of honey.</param>
/// <param name="RawEgg">Said of raw egg.</param>
/// <param name="Choking">Said of whole nuts and small hard sweets.</param>
/// <param name="Crisp">How cookies are made crisp again.</param>
/// <param name="Crust">How a loaf is.</param>
/// <param name="Warm">How buns are warmed.</param>
/// <param name="Allergens">Names of all allergens.</param>
public sealed record LabelWords(
    string Code,
    string Language,
    string Date,
    string For,
    string From,
    string Made,
    string MadeAndThawed,
    string BestBy,
    string BestWithinADay,
    string BestWithin,
    string Keep,
    string OnTheCounter,
    string InTheRefrigerator,
    string Contains,
    string MayContain,
    string Kitchen,
    string Packet,
    string Alcohol,
    string Extract,
    string Honey,
    string RawEgg,
    string Choking,
    string Crisp,
    string Crust,
    string Warm,
    IReadOnlyDictionary<string, string> Allergens
)
{
    /// <summary>Most characters of a sentence.</summary>
    public const int Longest = 300;

    private static readonly JsonSerializerOptions Strict = new(JsonSerializerDefaults.Web)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    // What says something that is put in has a place for it.
    private static readonly ImmutableArray<(string Name, Func<LabelWords, string> Of, int Places)> Sentences =
    [
        ("for", w => w.For, 1),
        ("from", w => w.From, 1),
        ("made", w => w.Made, 1),
        ("madeAndThawed", w => w.MadeAndThawed, 2),
        ("bestBy", w => w.BestBy, 1),
        ("bestWithinADay", w => w.BestWithinADay, 0),
        ("bestWithin", w => w.BestWithin, 1),
        ("keep", w => w.Keep, 1),
        ("contains", w => w.Contains, 1),
        ("mayContain", w => w.MayContain, 1),
        ("kitchen", w => w.Kitchen, 1),
        ("packet", w => w.Packet, 0),
        ("alcohol", w => w.Alcohol, 0),
        ("extract", w => w.Extract, 0),
        ("honey", w => w.Honey, 0),
        ("rawEgg", w => w.RawEgg, 0),
        ("choking", w => w.Choking, 0),
        ("crisp", w => w.Crisp, 0),
        ("crust", w => w.Crust, 0),
        ("warm", w => w.Warm, 0),
    ];

    /// <summary>The languages that are shipped, English first.</summary>
    public static ImmutableArray<LabelWords> Shipped { get; } =
    [
        .. new[] { "en", "de", "es", "fr" }.Select(code =>
        {
            using var stream = typeof(LabelWords).Assembly.GetManifestResourceStream($"Labels.{code}.json")!;
            return JsonSerializer.Deserialize<LabelWords>(stream, Strict)!;
        }),
    ];

    /// <summary>English.</summary>
    public static LabelWords English => Shipped[0];

    /// <summary>Whether these are English, in which the recipe's own words for its keeping stand.</summary>
    public bool IsEnglish => Code == "en";

    /// <summary>Reads a file of label words.</summary>
    /// <returns>The words, or what is wrong with them in a sentence.</returns>
    public static (LabelWords? Words, string Wrong) Read(string text)
    {
        LabelWords? words;
        try
        {
            words = JsonSerializer.Deserialize<LabelWords>(text, Strict);
        }
        catch (JsonException e)
        {
            return (
                null,
                $"This is not a file of label words{(e.Path is { Length: > 1 } path ? $" (at {path})" : "")}: begin with the English "
                    + "ones and leave no line out."
            );
        }

        if (words is null)
            return (null, "This is not a file of label words.");
        foreach (var (name, of, places) in Sentences)
        {
            var sentence = of(words);
            if (sentence.Length is 0 or > Longest)
                return (null, $"“{name}” wants 1 to {Longest} characters.");
            for (var p = 0; p < places; p++)
            {
                if (!sentence.Contains($"{{{p}}}", StringComparison.Ordinal))
                    return (null, $"“{name}” wants {{{p}}} where the label puts something in.");
            }
        }

        if (words.Code.Length is < 2 or > 12 || words.Language.Length is 0 or > 40)
            return (null, "A language has a code of 2 to 12 letters and a name of up to 40 characters.");
        if (words.OnTheCounter.Length > Longest || words.InTheRefrigerator.Length > Longest)
            return (null, $"A place has up to {Longest} characters.");
        // A label must never leave an allergen out because a word was missing.
        foreach (var allergen in Enum.GetValues<Allergen>())
        {
            if (string.IsNullOrWhiteSpace(words.Allergens.GetValueOrDefault(Key(allergen))))
                return (null, $"“allergens” has no word for “{Key(allergen)}”.");
        }

        if (words.Allergens.Any(a => a.Value.Length > 60) || words.Allergens.Count > Enum.GetValues<Allergen>().Length)
            return (null, "Each allergen has one word of up to 60 characters.");
        return LocalDatePattern(words.Date) is null
            ? (null, $"“{words.Date}” is not a way to write a date; take “d.M.uuuu”.")
            : (words, "");
    }

    /// <summary>The words as a file.</summary>
    public string Write() => JsonSerializer.Serialize(this, Strict);

    /// <summary>A sentence with what is put in.</summary>
    public static string Say(string sentence, params string[] put)
    {
        for (var i = 0; i < put.Length; i++)
            sentence = sentence.Replace($"{{{i}}}", put[i], StringComparison.Ordinal);
        return sentence;
    }

    /// <summary>A date.</summary>
    public string Day(LocalDate date) => LocalDatePattern(Date)!.Format(date);

    /// <summary>The word for an allergen.</summary>
    public string Of(Allergen allergen) => Allergens.GetValueOrDefault(Key(allergen)) ?? AllergenNames.Of(allergen);

    /// <summary>Words for several, with commas between.</summary>
    public string All(IEnumerable<Allergen> allergens) => string.Join(", ", allergens.Select(Of));

    /// <summary>Where something is kept.</summary>
    public string Place(KeepingPlace place) =>
        place.Store switch
        {
            KeepingStore.Counter when OnTheCounter.Length > 0 => OnTheCounter,
            KeepingStore.Refrigerator when InTheRefrigerator.Length > 0 => InTheRefrigerator,
            _ => place.Said,
        };

    private static string Key(Allergen allergen) => JsonNamingPolicy.CamelCase.ConvertName(allergen.ToString());

    private static LocalDatePattern? LocalDatePattern(string pattern)
    {
        try
        {
            return NodaTime.Text.LocalDatePattern.Create(pattern, CultureInfo.InvariantCulture);
        }
        catch (InvalidPatternException)
        {
            return null;
        }
    }
}
