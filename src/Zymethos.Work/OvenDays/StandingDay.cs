using Zymethos.Planning.Reading;
using Zymethos.Store.Days;

namespace Zymethos.Work.OvenDays;

/// <summary>A kept day as it stands. It is shared between all who look at it: neither row nor plan is ever changed.</summary>
/// <param name="Row">Its row, not followed by any context.</param>
/// <param name="Day">Its plan; null when that was made by another version and must be made again.</param>
public sealed record StandingDay(OvenDayRow Row, PlannedDay? Day);
