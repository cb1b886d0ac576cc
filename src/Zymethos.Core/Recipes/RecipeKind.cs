namespace Zymethos.Core.Recipes;

/// <summary>What kind of bake a recipe is. Decides how full a pan may be and which ratios are usual.</summary>
public enum RecipeKind
{
    /// <summary>None of the others.</summary>
    Other,

    /// <summary>A yeast loaf or plait.</summary>
    Bread,

    /// <summary>Yeast buns.</summary>
    Buns,

    /// <summary>A loaf raised by powder or soda.</summary>
    QuickLoaf,

    /// <summary>A cake baked in layers.</summary>
    LayerCake,

    /// <summary>A cake baked in a fluted ring.</summary>
    RingCake,

    /// <summary>A cake that is mostly fruit, baked low and kept.</summary>
    FruitCake,

    /// <summary>Muffins and small cakes.</summary>
    Muffins,

    /// <summary>Cookies scooped or shaped by hand.</summary>
    Cookies,

    /// <summary>Cookies rolled and cut.</summary>
    RolledCookies,

    /// <summary>Baked twice and dried.</summary>
    TwiceBaked,

    /// <summary>Sheets of dough that are built with.</summary>
    Built,
}
