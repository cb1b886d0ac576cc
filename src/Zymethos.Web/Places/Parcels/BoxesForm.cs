using System.Globalization;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A box, or the size of a piece, as it is typed.</summary>
public sealed class SizeRow
{
    /// <summary>Key of the recipe; empty for a box.</summary>
    public string? Key { get; set; }

    /// <summary>What it is called.</summary>
    public string? Name { get; set; }

    /// <summary>Length, in the kitchen's own unit.</summary>
    public string? Length { get; set; }

    /// <summary>Width.</summary>
    public string? Width { get; set; }

    /// <summary>Height.</summary>
    public string? Height { get; set; }

    /// <summary>Whether it is round.</summary>
    public bool Round { get; set; }

    /// <summary>How many there are.</summary>
    public string? Count { get; set; }

    /// <summary>Weight in grams.</summary>
    public string? Grams { get; set; }

    /// <summary>What is wrong with the line; empty where nothing is.</summary>
    public string Wrong { get; set; } = "";

    /// <summary>Whether nothing is typed.</summary>
    public bool IsEmpty =>
        string.IsNullOrWhiteSpace(Length) && string.IsNullOrWhiteSpace(Height) && (Key is not null || string.IsNullOrWhiteSpace(Name));

    /// <summary>The three lengths in millimetres and the weight; null where one cannot be read, which is then said.</summary>
    public (double Length, double Width, double Height, double? Grams)? Read(KitchenSays says)
    {
        var length = Millimetres(Length, says);
        var width = Round && string.IsNullOrWhiteSpace(Width) ? length : Millimetres(Width, says);
        var height = Millimetres(Height, says);
        if (length is null || width is null || height is null)
        {
            Wrong =
                "Length, width and height: numbers above 0 and up to "
                + $"{says.LengthNumber(Core.Measures.Length.FromMillimetres(LongestMillimetres)):0} {says.LengthUnit}.";
            return null;
        }

        double? grams = null;
        if (!string.IsNullOrWhiteSpace(Grams))
        {
            if (
                !double.TryParse(Grams.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var read)
                || read is not (> 0 and <= 50_000)
            )
            {
                Wrong = "A weight in grams, like 18.";
                return null;
            }

            grams = read;
        }

        return (length.Value, Round ? length.Value : width.Value, height.Value, grams);
    }

    private static double? Millimetres(string? text, KitchenSays says) =>
        double.TryParse((text ?? "").Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
        && value is > 0 and < 10_000
        && says.ToLength(value).Millimetres is > 0.5 and <= LongestMillimetres
            ? Math.Round(says.ToLength(value).Millimetres, 1)
            : null;

    private const double LongestMillimetres = 1500;
}

/// <summary>The shelf of boxes as it is typed.</summary>
public sealed class BoxesForm
{
    /// <summary>From whom.</summary>
    public string? From { get; set; }

    /// <summary>Boxes; the last lines are empty, for more.</summary>
    public List<SizeRow> Boxes { get; set; } = [];

    /// <summary>Sizes of pieces.</summary>
    public List<SizeRow> Sizes { get; set; } = [];

    /// <summary>The form of a shelf.</summary>
    public static BoxesForm Of(GiftShelfDocument shelf, IEnumerable<(string Key, string Name)> book, KitchenSays says)
    {
        string Cm(double mm) => says.LengthNumber(Length.FromMillimetres(mm)).ToString("0.##", CultureInfo.InvariantCulture);
        string Number(double? grams) => grams?.ToString("0.#", CultureInfo.InvariantCulture) ?? "";
        return new BoxesForm
        {
            From = shelf.From,
            Boxes =
            [
                .. shelf.Boxes.Select(b => new SizeRow
                {
                    Name = b.Name,
                    Length = Cm(b.Length),
                    Width = Cm(b.Width),
                    Height = Cm(b.Height),
                    Round = b.Round,
                    Count = b.Count.ToString(CultureInfo.InvariantCulture),
                    Grams = Number(b.Grams),
                }),
                new SizeRow(),
                new SizeRow(),
            ],
            Sizes =
            [
                .. book.Select(r =>
                    shelf.Sizes.FirstOrDefault(s => s.Recipe == r.Key) is { } size
                        ? new SizeRow
                        {
                            Key = r.Key,
                            Name = r.Name,
                            Length = Cm(size.Length),
                            Width = Cm(size.Width),
                            Height = Cm(size.Height),
                            Round = size.Round,
                            Grams = Number(size.Grams),
                        }
                        : new SizeRow { Key = r.Key, Name = r.Name }
                ),
            ],
        };
    }

    /// <summary>The shelf; null where a line is wrong, which is said at it.</summary>
    /// <param name="says">How this kitchen says lengths.</param>
    /// <param name="words">Label words of the kitchen's own, which this form does not show.</param>
    public GiftShelfDocument? ToShelf(KitchenSays says, LabelWords? words)
    {
        var (boxes, sizes) = (new List<GiftBoxDocument>(), new List<PieceSizeDocument>());
        foreach (var row in Boxes.Where(b => !b.IsEmpty))
        {
            if (row.Read(says) is not var (length, width, height, grams))
                continue;
            if (string.IsNullOrWhiteSpace(row.Name))
                row.Wrong = "A box has a name.";
            else if (WholeNumber.Read(string.IsNullOrWhiteSpace(row.Count) ? "1" : row.Count) is not { } count || count > 1000)
                row.Wrong = "How many: a number up to 1000.";
            else
                boxes.Add(new GiftBoxDocument(row.Name.Trim(), length, width, height, row.Round, count, grams));
        }

        foreach (var row in Sizes.Where(s => !s.IsEmpty && !string.IsNullOrEmpty(s.Key)))
        {
            if (row.Read(says) is var (length, width, height, grams))
                sizes.Add(new PieceSizeDocument(row.Key!, length, width, height, row.Round, grams));
        }

        return Boxes.Concat(Sizes).Any(r => r.Wrong.Length > 0)
            ? null
            : new GiftShelfDocument(
                boxes,
                sizes,
                string.IsNullOrWhiteSpace(From) ? null : From.Trim()[..Math.Min(80, From.Trim().Length)],
                words
            );
    }
}
