using Zymethos.Planning.Seasons;

namespace Zymethos.Work.Seasons;

/// <summary>What looks for a better plan of a season in the background: <see cref="SeasonPlanner.Plan"/>, or in tests what stands for
/// it.</summary>
public delegate SeasonPlan SeasonSearch(SeasonWish wish, SeasonSettings settings, CancellationToken cancel);
