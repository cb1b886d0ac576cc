using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Store.Benches;

namespace Zymethos.Work.Benches;

/// <summary>A session brought to life. Shared between those who look at it, and never changed.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Day">The plan that is gone by.</param>
/// <param name="Bench">The same at work.</param>
public sealed record BenchWork(BenchSessionRow Row, PlannedDay Day, BenchDay Bench);

/// <summary>How a session stands at a moment.</summary>
/// <param name="Work">The session.</param>
/// <param name="Seq">Up to which event.</param>
/// <param name="State">What was said.</param>
/// <param name="Rest">How the day stands and goes on.</param>
public sealed record BenchLook(BenchWork Work, long Seq, BenchState State, RestOfDay Rest);

/// <summary>How sure the rest of a session is.</summary>
/// <param name="Chance">What becomes of it on rehearsed days, in the order that stands.</param>
/// <param name="Other">Another order that is worth a word; null where none is.</param>
public sealed record BenchWeighed(PlanChance Chance, OtherOrder? Other);
