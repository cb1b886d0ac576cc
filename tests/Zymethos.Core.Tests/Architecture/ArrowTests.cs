using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnit;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace Zymethos.Core.Tests.Architecture;

/// <summary>Which folder may know which. A folder is a namespace is a place of the vocabulary; data flows one way.</summary>
public sealed class ArrowTests
{
    private const string Core = "Zymethos.Core.";

    private static readonly ArchUnitNET.Domain.Architecture Code = new ArchLoader()
        .LoadAssemblies(typeof(Zymethos.Core.Planning.Plan).Assembly, typeof(Zymethos.Store.ZymethosContext).Assembly, typeof(Program).Assembly)
        .Build();

    /// <summary>Each folder of the core with all it may know beside itself.</summary>
    private static readonly Dictionary<string, string[]> Knows = new(StringComparer.Ordinal)
    {
        ["Measures"] = ["Safety"],
        ["Safety"] = [],
        ["Recipes"] = ["Measures", "Safety"],
        ["Kitchens"] = ["Measures", "Recipes"],
        ["Scaling"] = ["Measures", "Safety", "Recipes"],
        ["Leaven"] = ["Measures"],
        ["Heat"] = ["Measures", "Recipes", "Kitchens", "Scaling"],
        ["Planning"] = ["Measures", "Safety", "Recipes", "Kitchens", "Scaling", "Leaven", "Heat"],
        ["Seasons"] = ["Measures", "Safety", "Recipes", "Kitchens", "Scaling", "Leaven", "Heat", "Planning"],
        ["Drafts"] = ["Measures", "Safety", "Recipes", "Scaling", "Heat", "Interchange"],
        ["Interchange"] = ["Measures", "Safety", "Recipes", "Kitchens", "Scaling", "Heat", "Planning", "Seasons"],
    };

    public static TheoryData<string, string> Forbidden()
    {
        var data = new TheoryData<string, string>();
        foreach (var (from, known) in Knows)
        {
            foreach (var to in Knows.Keys.Where(k => k != from && !known.Contains(k))) data.Add(from, to);
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Forbidden))]
    public void No_arrow_runs_backwards(string from, string to) => Check(Types().That().ResideInNamespace(Core + from)
        .Should().NotDependOnAny(Types().That().ResideInNamespace(Core + to)));

    [Fact]
    public void Every_folder_of_the_core_is_known_here()
    {
        var folders = Code.Types.Where(t => t.FullName.StartsWith(Core, StringComparison.Ordinal)).Select(t => t.Namespace.FullName[Core.Length..]).Distinct();
        Assert.Empty(folders.Except(Knows.Keys));
    }

    [Fact]
    public void The_core_knows_neither_store_nor_web_and_the_store_no_web()
    {
        Check(Types().That().ResideInAssembly(typeof(Zymethos.Core.Planning.Plan).Assembly)
            .Should().NotDependOnAny(Types().That().ResideInAssembly(typeof(Zymethos.Store.ZymethosContext).Assembly)));
        Check(Types().That().ResideInAssembly(typeof(Zymethos.Core.Planning.Plan).Assembly)
            .Should().NotDependOnAny(Types().That().ResideInAssembly(typeof(Program).Assembly)));
        Check(Types().That().ResideInAssembly(typeof(Zymethos.Store.ZymethosContext).Assembly)
            .Should().NotDependOnAny(Types().That().ResideInAssembly(typeof(Program).Assembly)));
    }

    [Fact]
    public void The_core_has_no_web_no_database_no_clock_and_no_files()
    {
        var references = typeof(Zymethos.Core.Planning.Plan).Assembly.GetReferencedAssemblies().Select(a => a.Name!).ToList();
        Assert.DoesNotContain(references, r => r.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal) || r.Contains("EntityFramework", StringComparison.Ordinal) || r.Contains("Npgsql", StringComparison.Ordinal));
        var core = Code.Types.Where(t => t.FullName.StartsWith(Core, StringComparison.Ordinal)).ToList();
        Assert.DoesNotContain(core.SelectMany(t => t.Dependencies), d => d.Target.FullName is "System.IO.File" or "System.IO.Directory" or "NodaTime.SystemClock" or "System.Net.Http.HttpClient");
        // DateTime.Now and its kin: only Stopwatch may be asked, for how long a search may still go on.
        Assert.DoesNotContain(core.SelectMany(t => t.Dependencies), d => d.Target.FullName is "System.DateTime" or "System.DateTimeOffset" or "System.TimeProvider");
    }

    [Fact]
    public void The_checker_knows_nothing_of_planner_or_solver()
    {
        Check(Types().That().HaveFullName("Zymethos.Core.Planning.PlanChecker").Should().NotDependOnAnyTypesThat().ResideInNamespaceMatching("Google\\.OrTools.*"));
        foreach (var planner in new[] { "DayModel", "DayPlanner", "ListScheduler", "FirstPlan", "Seating", "PlanGraph", "SpanRules", "ReachTable" })
            Check(Types().That().HaveFullName("Zymethos.Core.Planning.PlanChecker").Should().NotDependOnAnyTypesThat().HaveFullName($"Zymethos.Core.Planning.{planner}"));
    }

    private static void Check(ArchUnitNET.Fluent.IArchRule rule) => rule.Check(Code);
}
