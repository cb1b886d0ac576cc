using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Kitchens;

/// <summary>A mixer as a line that can be typed: "hand mixer, 3 L, no bread dough".</summary>
public static partial class MixerText
{
    private static readonly KitchenSays Quarts = new(MeasuringHabit.UsCustomary, ClockFace.Hours24);
    private const string NoDough = "no bread dough";

    /// <summary>The line.</summary>
    /// <param name="mixer">The mixer.</param>
    /// <param name="says">Whether in litres or quarts.</param>
    public static string Say(Mixer mixer, KitchenSays says = default) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{mixer.Name}, {says.LitresNumber(mixer.Litres):0.##} {says.LitreUnit}{(mixer.Kneads ? "" : $", {NoDough}")}"
        );

    /// <summary>The mixer a line names; null when it gives no name or no litres. Whether the litres can be is checked with the
    /// kitchen.</summary>
    public static Mixer? Read(string line)
    {
        var match = Line().Match(Digits.Plain(line.Trim()));
        return
            match.Success
            && double.TryParse(
                match.Groups["litres"].Value.Replace(',', '.'),
                NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out var litres
            )
            ? new Mixer(
                match.Groups["name"].Value.Trim(),
                match.Groups["qt"].Success ? Quarts.ToLitres(litres) : litres,
                !match.Groups["not"].Success
            )
            : null;
    }

    [GeneratedRegex(
        @"^(?<name>[^,;]{1,40})[,;]\s*(?<litres>\d{1,3}(?:[.,]\d{1,2})?)\s*"
            + @"(?:l|litres?|liters?|(?<qt>qts?|quarts?))\.?(?:\s*[,;]\s*(?:(?<not>(?:no|"
            + @"not for) (?:bread )?doughs?|batters?(?: only)?|creams?(?: only)?)|(?:kneads|bread dough|any dough|for dough)))?\s*\.?$",
        RegexOptions.IgnoreCase,
        200
    )]
    private static partial Regex Line();
}
