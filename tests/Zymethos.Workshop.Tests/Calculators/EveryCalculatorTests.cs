using System.Globalization;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>What holds for each calculator, whatever it reckons.</summary>
public sealed class EveryCalculatorTests
{
    public static TheoryData<string> Addresses => [.. CalculatorShelf.All.Select(c => c.Address)];

    [Fact]
    public void Each_has_an_address_of_its_own_and_fields_with_names_of_their_own()
    {
        Assert.Equal(CalculatorShelf.All.Length, CalculatorShelf.All.Select(c => c.Address).Distinct().Count());
        Assert.All(CalculatorShelf.All, c => Assert.Equal(c.Fields.Length, c.Fields.Select(f => f.Name).Distinct().Count()));
        Assert.All(
            CalculatorShelf.All,
            c => Assert.All(c.Fields, f => Assert.True(f.Name is not ("handler" or "address" or "paper"), f.Name))
        );
    }

    [Theory]
    [MemberData(nameof(Addresses))]
    public void It_answers_at_once_with_a_drawing_a_formula_a_source_and_its_limits(string address)
    {
        var calculator = CalculatorShelf.At(address)!;
        var (says, asked) = calculator.Answer(_ => null);
        Assert.Empty(asked.Wrong);
        Assert.NotEmpty(says.Says);
        Assert.NotEmpty(says.Values);
        Assert.NotEmpty(says.Sketches);
        Assert.All(new[] { calculator.Formula, calculator.Source, calculator.Limits }, w => Assert.True(w.Length > 8, w));
        Assert.All(says.Tables, t => Assert.All(t.Rows, r => Assert.Equal(t.Heads.Length, r.Length)));
    }

    [Theory]
    [MemberData(nameof(Addresses))]
    public void What_cannot_be_read_is_said_at_its_field_and_nothing_is_reckoned(string address)
    {
        var calculator = CalculatorShelf.At(address)!;
        foreach (var field in calculator.Fields.Where(f => f.Kind != FieldKind.Lines))
        foreach (var typed in new[] { "rubbish", "NaN", "1e400", "12 parsecs", "<script>" })
        {
            var (says, asked) = calculator.Answer(name => name == field.Name ? typed : null);
            Assert.True(asked.Wrong.ContainsKey(field.Name), $"{field.Name} took {typed}");
            Assert.Equal("", says.Says);
            Assert.Equal(typed, asked.Typed(field.Name));
        }
    }

    [Theory]
    [MemberData(nameof(Addresses))]
    public void What_lies_beyond_a_limit_is_refused_with_the_limits(string address)
    {
        var calculator = CalculatorShelf.At(address)!;
        foreach (var field in calculator.Fields.Where(f => f.Kind is not (FieldKind.Lines or FieldKind.Choice or FieldKind.Clock)))
        foreach (var value in new[] { field.Least - 1, field.Most + Math.Max(1, field.Most / 100) })
        {
            var (_, asked) = calculator.Answer(name => name == field.Name ? Typed(field, value) : null);
            Assert.True(asked.Wrong.ContainsKey(field.Name), $"{field.Name} took {value}");
        }
    }

    [Theory]
    [MemberData(nameof(Addresses))]
    public void Whatever_is_typed_within_the_limits_gives_finite_figures_or_says_what_cannot_be(string address)
    {
        var calculator = CalculatorShelf.At(address)!;
        var random = new Random(20);
        var answered = 0;
        for (var run = 0; run < 250; run++)
        {
            var typed = calculator.Fields.ToDictionary(f => f.Name, f => Random(f, random));
            var (says, asked) = calculator.Answer(typed.GetValueOrDefault);
            Assert.True(says.Says.Length > 0 != asked.Wrong.Count > 0, string.Join(" ", typed));
            if (asked.Wrong.Count > 0)
                continue;
            answered++;
            Assert.All(says.Values, v => Assert.True(double.IsFinite(v.Value), $"{v.Name} {string.Join(" ", typed)}"));
            Assert.DoesNotContain("NaN", says.Says, StringComparison.Ordinal);
            Assert.DoesNotContain("∞", says.Says, StringComparison.Ordinal);
            Assert.All(says.Sketches, Drawable);
        }

        Assert.True(answered > 20, $"only {answered} of 250 could be answered");
    }

    private static void Drawable(Sketch sketch)
    {
        switch (sketch)
        {
            case CurveSketch curve:
                Assert.All(curve.Lines, l => Assert.True(l.Most > l.Least && l.Points.All(p => double.IsFinite(p.X + p.Y)), sketch.Says));
                break;
            case ScaleSketch scale:
                Assert.True(scale.Most > scale.Least, sketch.Says);
                Assert.All(scale.Stretches, s => Assert.True(double.IsFinite(s.From + s.To) && s.To >= s.From, $"{sketch.Says}: {s}"));
                break;
            case PlanSketch plan:
                Assert.True(plan.Width > 0 && plan.Height > 0, sketch.Says);
                Assert.All(plan.Shapes, s => Assert.All(s.Points, p => Assert.True(double.IsFinite(p.X + p.Y), sketch.Says)));
                break;
        }
    }

    private static string Random(CalculatorField field, Random random)
    {
        if (field.Kind == FieldKind.Choice)
            return field.Choices[random.Next(field.Choices.Length)].Word;
        if (field.Kind == FieldKind.Lines)
            return field.First;
        if (field.Kind == FieldKind.Clock)
            return $"{random.Next(24)}:{random.Next(60):00}";
        if (field.IsOptional && random.Next(3) == 0)
            return "";
        // Small values as often as large ones, and the limits themselves.
        var share = random.Next(8) switch
        {
            0 => 0,
            1 => 1,
            < 6 => Math.Pow(random.NextDouble(), 4),
            _ => random.NextDouble(),
        };
        var value = field.Least + (share * (field.Most - field.Least));
        return Typed(field, field.IsWhole ? Math.Round(value) : value);
    }

    private static string Typed(CalculatorField field, double value)
    {
        var number = value.ToString("0.######", CultureInfo.InvariantCulture);
        return field.Kind switch
        {
            FieldKind.Heat => $"{number} C",
            FieldKind.Length => $"{number} mm",
            FieldKind.Time => $"{number} min",
            _ => number,
        };
    }
}
