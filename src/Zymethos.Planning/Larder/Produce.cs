namespace Zymethos.Planning.Larder;

/// <summary>Fruit and vegetables that are there for some months only.</summary>
public static class Produce
{
    /// <summary>How it is frozen, in a sentence ("They freeze as they are."); empty for what nobody says freezes well (common practice, no
    /// source).</summary>
    public static string FrozenAs(string ingredient) => Goods.Of(ingredient) is { Freezes: true } known ? known.Instead : "";
}
