using System.Globalization;
using Zymethos.Core.Kitchens;

namespace Zymethos.Workshop.Calculators;

/// <summary>What somebody typed, read by a calculator's fields. What is wrong is kept by field; a wrong field reads as what stands there at
/// first, so that the rest can still be looked at. Not for several threads.</summary>
public sealed class AskedValues
{
    private readonly Calculator _of;
    private readonly Dictionary<string, string> _typed;
    private readonly Dictionary<string, string> _wrong = new(StringComparer.Ordinal);

    /// <summary>Reads for a calculator.</summary>
    /// <param name="of">The calculator.</param>
    /// <param name="given">What was given for a name; null or empty where nothing was.</param>
    public AskedValues(Calculator of, Func<string, string?> given)
    {
        _of = of;
        _typed = of.Fields.ToDictionary(
            f => f.Name,
            f => given(f.Name) is { } typed ? (f.IsOptional || typed.Trim().Length > 0 ? Short(typed) : f.First) : f.First,
            StringComparer.Ordinal
        );
    }

    /// <summary>Most characters that a field is read of.</summary>
    public const int Longest = 4000;

    /// <summary>What is wrong, by the name of the field.</summary>
    public IReadOnlyDictionary<string, string> Wrong => _wrong;

    /// <summary>What stands in a field, as it was typed.</summary>
    public string Typed(string name) => _typed[name];

    /// <summary>Says that a field cannot be used.</summary>
    public void Fault(string name, string says) => _wrong.TryAdd(name, says);

    /// <summary>The value of a field, in the unit of its kind.</summary>
    public double Value(string name) => Read(Field(name)) ?? Read(Field(name), Field(name).First) ?? Field(name).Least;

    /// <summary>The value of a field that may stay empty; null where it does.</summary>
    public double? Maybe(string name) => _typed[name].Trim().Length == 0 ? null : Read(Field(name));

    /// <summary>The value of a whole number.</summary>
    public int Count(string name) => (int)Math.Round(Value(name));

    /// <summary>The word that is chosen.</summary>
    public string Chosen(string name)
    {
        var field = Field(name);
        if (field.Choices.Any(c => c.Word == _typed[name]))
            return _typed[name];
        Fault(name, $"One of: {string.Join(", ", field.Choices.Select(c => c.Says))}.");
        return field.First;
    }

    private static string Short(string text) => text.Length > Longest ? text[..Longest] : text;

    private CalculatorField Field(string name) => _of.Fields.First(f => f.Name == name);

    private double? Read(CalculatorField field)
    {
        if (Read(field, _typed[field.Name]) is not { } value || !double.IsFinite(value))
        {
            Fault(field.Name, $"{Example(field)} {Limits(field)}");
            return null;
        }

        if (value >= field.Least - 1e-9 && value <= field.Most + 1e-9 && (!field.IsWhole || Math.Abs(value - Math.Round(value)) < 1e-9))
            return value;
        Fault(field.Name, field.IsWhole && value >= field.Least && value <= field.Most ? "A whole number." : Limits(field));
        return null;
    }

    private static double? Read(CalculatorField field, string typed) =>
        field.Kind switch
        {
            FieldKind.Number => WrittenQuantity.Number(typed),
            FieldKind.Heat => WrittenQuantity.Heat(typed, field.Least, field.Most),
            FieldKind.Weight => WrittenQuantity.Weight(typed),
            FieldKind.Volume => WrittenQuantity.Volume(typed),
            FieldKind.Length => WrittenQuantity.Distance(typed),
            FieldKind.Time => WrittenQuantity.Time(typed, field.Unit),
            FieldKind.Clock => ClockText.Read(typed) is { } clock ? (clock.Hour * 60) + clock.Minute : null,
            _ => null,
        };

    private static string Example(CalculatorField field) =>
        field.Kind switch
        {
            FieldKind.Number => "A number, like 12 or 2.5.",
            FieldKind.Heat => "A temperature, like 24 or 75 F.",
            FieldKind.Weight => "A weight, like 500 g or 1 lb 2 oz.",
            FieldKind.Volume => "A volume, like 250 ml or 1 cup.",
            FieldKind.Length => "A length, like 23 cm or 9 in.",
            FieldKind.Time => "A time, like 90 min or 1 h 30.",
            _ => "A time of day, like 7:30 or 6 pm.",
        };

    private static string Limits(CalculatorField field) =>
        field.Kind switch
        {
            FieldKind.Heat => $"Between {Told.Heat(field.Least)} and {Told.Heat(field.Most)}.",
            FieldKind.Weight => $"Between {Told.Weight(field.Least)} and {Told.Weight(field.Most)}.",
            FieldKind.Volume => $"Between {Told.Volume(field.Least)} and {Told.Volume(field.Most)}.",
            FieldKind.Length => $"Between {Told.Length(field.Least)} and {Told.Length(field.Most)}.",
            FieldKind.Time => $"Between {Told.Time(field.Least)} and {Told.Time(field.Most)}.",
            FieldKind.Clock => "",
            _ => string.Create(CultureInfo.InvariantCulture, $"Between {field.Least:0.##} and {field.Most:0.##}."),
        };
}
