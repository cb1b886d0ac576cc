namespace Zymethos.Planning.Day;

/// <summary>A step that can be spent in several ways, and the way that is taken.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Mode">0 its own, 1 the first of its modes.</param>
public sealed record ChosenMode(int Bake, string Step, int Mode);
