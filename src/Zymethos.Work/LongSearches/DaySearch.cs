using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Work.LongSearches;

/// <summary>What a long search does: plans a day within the settings' time, telling of better plans on the way.</summary>
/// <param name="kitchen">The kitchen.</param>
/// <param name="wish">The day.</param>
/// <param name="settings">How long, and whom to tell.</param>
/// <param name="cancel">Ends it with the best so far.</param>
public delegate ModedOutcome DaySearch(Kitchen kitchen, DayWish wish, SolveSettings settings, CancellationToken cancel);
