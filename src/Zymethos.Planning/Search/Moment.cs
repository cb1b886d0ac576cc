namespace Zymethos.Planning.Search;

/// <summary>A moment of a day at which hands are needed, or at which something goes into an oven.</summary>
/// <param name="Task">Index of its task.</param>
/// <param name="Starts">Whether the task starts with it.</param>
/// <param name="AtEnd">Whether it moves with the end of the task: taking a load out.</param>
/// <param name="Offset">Minutes after the start of the task; without meaning at its end.</param>
/// <param name="Length">Minutes, 0 where no hands are needed.</param>
/// <param name="People">How many pairs of hands, 0 where none are needed.</param>
internal readonly record struct Moment(int Task, bool Starts, bool AtEnd, int Offset, int Length, int People);
