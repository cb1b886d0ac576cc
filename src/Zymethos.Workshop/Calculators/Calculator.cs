using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>A question that a baker asks beside the bowl, answered at once from what is typed. Stateless; safe for several
/// threads.</summary>
public abstract class Calculator
{
    /// <summary>Its part of the address: lower case letters and hyphens.</summary>
    public abstract string Address { get; }

    /// <summary>What it is called.</summary>
    public abstract string Name { get; }

    /// <summary>What it answers, in half a sentence.</summary>
    public abstract string Promise { get; }

    /// <summary>Under which heading it stands.</summary>
    public abstract CalculatorGroup Group { get; }

    /// <summary>What is asked for, in the order in which it is asked.</summary>
    public abstract ImmutableArray<CalculatorField> Fields { get; }

    /// <summary>How it is reckoned, in words.</summary>
    public abstract string Formula { get; }

    /// <summary>Who says so, and whether that is from memory.</summary>
    public abstract string Source { get; }

    /// <summary>Where it ends to be true.</summary>
    public abstract string Limits { get; }

    /// <summary>Reckons it.</summary>
    /// <param name="given">What was typed for a name; null or empty where nothing was.</param>
    public (Reckoning Says, AskedValues Asked) Answer(Func<string, string?> given)
    {
        var asked = new AskedValues(this, given);
        return (Reckon(asked), asked);
    }

    /// <summary>Reckons it from what was read; what cannot be is said to <paramref name="asked"/>.</summary>
    protected abstract Reckoning Reckon(AskedValues asked);
}

/// <summary>Headings under which calculators stand.</summary>
public enum CalculatorGroup
{
    /// <summary>Yeast, sourdough and dough.</summary>
    Dough,

    /// <summary>Pans and oven.</summary>
    Oven,

    /// <summary>Measures and packages.</summary>
    Measures,

    /// <summary>Sugar, chocolate, fruit and spirit.</summary>
    Sweet,

    /// <summary>Layers, coats and decoration.</summary>
    Cakes,

    /// <summary>Freezer and thaw.</summary>
    Cold,
}
