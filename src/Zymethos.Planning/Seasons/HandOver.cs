using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>A box that is still to be given.</summary>
/// <param name="Occasion">Index of the date it belongs to.</param>
/// <param name="At">When it is handed over or posted.</param>
/// <param name="Route">Which way it goes; may be empty.</param>
/// <param name="Who">Whose it is.</param>
/// <param name="IsWrapped">Whether it is wrapped.</param>
public sealed record HandOver(int Occasion, LocalDateTime At, string Route, string Who, bool IsWrapped = false);
