namespace Zymethos.Core.Safety;

/// <summary>
/// What must be declared. The nine of US law (FALCPA 2004 with the FASTER Act 2021) and the fourteen of EU regulation 1169/2011, annex II;
/// both lists from memory. Where the two name the same thing it stands once.
/// </summary>
public enum Allergen
{
    /// <summary>Milk (US and EU).</summary>
    Milk,

    /// <summary>Egg (US and EU).</summary>
    Egg,

    /// <summary>Fish (US and EU).</summary>
    Fish,

    /// <summary>Crustacean shellfish (US and EU).</summary>
    Shellfish,

    /// <summary>Tree nuts (US and EU).</summary>
    TreeNut,

    /// <summary>Peanut (US and EU).</summary>
    Peanut,

    /// <summary>Wheat (US; in the EU part of gluten).</summary>
    Wheat,

    /// <summary>Soy (US and EU).</summary>
    Soy,

    /// <summary>Sesame (US and EU).</summary>
    Sesame,

    /// <summary>Cereals with gluten: wheat, rye, barley, oats (EU).</summary>
    Gluten,

    /// <summary>Sulphur dioxide and sulphites (EU).</summary>
    Sulphite,

    /// <summary>Celery (EU).</summary>
    Celery,

    /// <summary>Mustard (EU).</summary>
    Mustard,

    /// <summary>Lupin (EU).</summary>
    Lupin,

    /// <summary>Molluscs (EU).</summary>
    Mollusc,
}
