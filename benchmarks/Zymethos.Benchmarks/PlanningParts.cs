using BenchmarkDotNet.Attributes;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>What happens around a search: compiled once more for every page, so it must be quick.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class PlanningParts
{
    private TaskNetwork _network = null!;
    private Plan _plan = null!;

    [Params(5, 12)]
    public int Recipes { get; set; }

    [GlobalSetup]
    public void Prepare()
    {
        _network = RandomDays.Day(1, Recipes);
        _plan = FirstPlan.Find(_network, 1)!;
    }

    [Benchmark]
    public object HandMethod() => HandMethods.Build(_network, HandMethods.ListOrder(_network))!;

    [Benchmark]
    public object First() => FirstPlan.Find(_network, 1)!;

    [Benchmark]
    public object Check() => PlanChecker.Check(_network, _plan);

    [Benchmark]
    public object Explain() => Explainer.Explain(_network, _plan);

    [Benchmark]
    public int Bound() => LowerBound.Finish(_network, new ReachTable(_network));

    [Benchmark]
    public object Dress() => PlannedDay.Of(_network, _plan, 0);
}
