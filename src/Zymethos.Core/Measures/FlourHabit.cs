namespace Zymethos.Core.Measures;

/// <summary>How a cup of flour is filled. Practitioners differ, and it changes a cake: the kitchen says how it measures, a recipe may say
/// how its writer did.</summary>
public enum FlourHabit
{
    /// <summary>As the published table has it: 125 g a cup of plain flour (USDA FoodData Central SR Legacy, from memory).</summary>
    Table,

    /// <summary>Spooned in and levelled: 120 g a cup (common practice, no source).</summary>
    Spooned,

    /// <summary>Dipped and swept: 140 g a cup (common practice, no source).</summary>
    Dipped,
}
