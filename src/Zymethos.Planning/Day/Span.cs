namespace Zymethos.Planning.Day;

/// <summary>
/// Minutes of a day from one up to, but not including, another: half open, so that spans that follow each other touch and do not overlap,
/// and the length is the difference. It cannot end before it begins; that is refused where it is made. The default value is the empty span
/// at 0.
/// </summary>
public readonly record struct Span
{
    /// <summary>A span.</summary>
    /// <param name="from">First minute.</param>
    /// <param name="until">Minute after the last; equal to <paramref name="from"/> for an empty span.</param>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="until"/> lies before <paramref name="from"/>.</exception>
    public Span(int from, int until)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(until, from);
        (From, Until) = (from, until);
    }

    /// <summary>First minute.</summary>
    public int From { get; }

    /// <summary>Minute after the last.</summary>
    public int Until { get; }

    /// <summary>Its minutes, 0 or more.</summary>
    public int Length => Until - From;

    /// <summary>Whether it has no minutes.</summary>
    public bool IsEmpty => Length == 0;

    /// <summary>Whether a minute lies in it; its end does not.</summary>
    public bool Contains(int minute) => From <= minute && minute < Until;

    /// <summary>Whether the two have a minute in common. An empty span has none with any.</summary>
    public bool Overlaps(Span other) => !IsEmpty && !other.IsEmpty && From < other.Until && other.From < Until;

    /// <summary>The same span so many minutes later; earlier when negative.</summary>
    public Span Later(int minutes) => new(From + minutes, Until + minutes);

    /// <summary>Its two ends.</summary>
    public void Deconstruct(out int from, out int until) => (from, until) = (From, Until);

    /// <summary>"480..495".</summary>
    public override string ToString() => $"{From}..{Until}";
}
