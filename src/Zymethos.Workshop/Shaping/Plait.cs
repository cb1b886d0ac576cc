using System.Collections.Immutable;
using System.Globalization;

namespace Zymethos.Workshop.Shaping;

/// <summary>One move of a plait: a strand goes from one place to another, over some and under others.</summary>
/// <param name="From">Place from which it is taken, counted from the left beginning at 0.</param>
/// <param name="To">Place where it is laid.</param>
/// <param name="Over">For each strand that it passes, in the order in which it passes them: whether it goes over it.</param>
public sealed record PlaitMove(int From, int To, ImmutableArray<bool> Over);

/// <summary>How two to six strands are plaited flat. The ways are common practice, no source; which strand lies where follows from
/// them.</summary>
public sealed record Plait
{
    private Plait(int strands, ImmutableArray<PlaitMove> round, string says)
    {
        Strands = strands;
        Round = round;
        Says = says;
    }

    /// <summary>How many strands.</summary>
    public int Strands { get; }

    /// <summary>Moves that are made again and again.</summary>
    public ImmutableArray<PlaitMove> Round { get; }

    /// <summary>In words.</summary>
    public string Says { get; }

    /// <summary>The plait of so many strands, 2 to 6.</summary>
    public static Plait Of(int strands) =>
        strands switch
        {
            2 => new(2, [new(1, 0, [true])], "Right over left, again and again: a twist."),
            3 => new(
                3,
                [new(2, 1, [true]), new(0, 1, [true])],
                "The right one over its neighbour into the middle, then the left one over its neighbour into the middle."
            ),
            4 => new(4, [new(3, 0, [true, false, true])], "Always the one on the right: over one, under one, over one, to the far left."),
            5 => new(
                5,
                [new(4, 2, [true, true]), new(0, 2, [true, true])],
                "The right one over two into the middle, then the left one over two into the middle."
            ),
            6 => new(
                6,
                [new(5, 0, [true, true, false, true, true])],
                "Always the one on the right: over two, under one, over two, to the far left."
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(strands), strands, "Two to six strands."),
        };

    /// <summary>Which strand lies at which place before the first move and after each of so many.</summary>
    public ImmutableArray<ImmutableArray<int>> Places(int moves)
    {
        var rows = ImmutableArray.CreateBuilder<ImmutableArray<int>>();
        var now = Enumerable.Range(0, Strands).ToList();
        rows.Add([.. now]);
        for (var i = 0; i < moves; i++)
        {
            var move = Round[i % Round.Length];
            var strand = now[move.From];
            now.RemoveAt(move.From);
            now.Insert(move.To, strand);
            rows.Add([.. now]);
        }

        return rows.ToImmutable();
    }

    /// <summary>Thickness of a rope in millimetres: a cylinder of its weight and length.</summary>
    /// <param name="grams">What it weighs.</param>
    /// <param name="millimetres">How long it is rolled.</param>
    /// <param name="density">Grams in a cubic centimetre of dough.</param>
    public static double RopeThickness(double grams, double millimetres, double density = 1.1) =>
        Math.Sqrt(4 * grams * 1000 / density / (Math.PI * millimetres));

    /// <summary>How long the plait is, in millimetres: strands that cross go a longer way than straight ahead (by judgement: a twist
    /// loses a quarter, three strands three tenths, more strands more).</summary>
    public double LengthOf(double rope) =>
        rope
        * Strands switch
        {
            2 => 0.75,
            3 => 0.70,
            4 => 0.66,
            5 => 0.62,
            _ => 0.60,
        };

    /// <inheritdoc />
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Strands} strands");
}
