namespace Zymethos.Planning.Day;

/// <summary>
/// The stable name of a step in a network: the same bakes asked for in the same way give the same names, so that what was decided of a
/// step, and where it stood, is found again when the day is planned anew. It is unique in its network; the index of a step is not stable.
/// </summary>
/// <param name="Value">The name; never null. The default value is the name of no step.</param>
public readonly record struct TaskId(string Value)
{
    private const string Clearing = ".clear";

    /// <summary>The id of a step of the recipe.</summary>
    /// <param name="bake">Index of the bake.</param>
    /// <param name="batch">Which of its batches, from 0.</param>
    /// <param name="step">Key of the recipe's step.</param>
    /// <param name="wave">Which of its repetitions, from 0.</param>
    public static TaskId Of(int bake, int batch, string step, int wave) => new($"{bake + 1}.{batch + 1}.{step}.{wave + 1}");

    /// <summary>Whether it is the id of a step of a batch.</summary>
    /// <param name="bake">Index of the bake.</param>
    /// <param name="batch">Which of its batches, from 0.</param>
    public bool IsOfBatch(int bake, int batch) => ToString().StartsWith($"{bake + 1}.{batch + 1}.", StringComparison.Ordinal);

    /// <summary>The id of the step that takes the dough out after a spell in the oven with this id.</summary>
    public TaskId OfItsClearing => new(Value + Clearing);

    /// <summary>The name as documents and pages write it.</summary>
    public override string ToString() => Value ?? "";
}
