using System.Reflection;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnit;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Store;
using Zymethos.Work.OvenDays;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace Zymethos.House.Tests;

/// <summary>Which room may know which. A folder is a namespace is a room; data flows one way, and what is not said here is
/// forbidden.</summary>
public sealed class ArrowTests
{
    private static readonly System.Reflection.Assembly[] Assemblies =
    [
        typeof(Recipe).Assembly,
        typeof(Plan).Assembly,
        typeof(OpenJson).Assembly,
        typeof(ZymethosContext).Assembly,
        typeof(OpenDay).Assembly,
        typeof(Program).Assembly,
    ];

    private static readonly ArchUnitNET.Domain.Architecture Code = new ArchLoader().LoadAssemblies(Assemblies).Build();

    private static readonly string[] Core =
    [
        "Core.Measures",
        "Core.Safety",
        "Core.Recipes",
        "Core.Kitchens",
        "Core.Scaling",
        "Core.Leaven",
        "Core.Heat",
        "Core.Devices",
        "Core.Learning",
    ];

    private static readonly string[] Day = [.. Core, "Planning.Day"];

    private static readonly string[] Planned =
    [
        .. Day,
        "Planning.Rules",
        "Planning.Checking",
        "Planning.Compile",
        "Planning.Search",
        "Planning.Reading",
        "Planning.WaysOut",
        "Planning.Certainty",
        "Planning.Live",
        "Planning.Bench",
        "Planning.Seasons",
    ];

    private static readonly string[] Wire =
    [
        .. Planned,
        "Interchange.Documents",
        "Interchange.Calendars",
        "Interchange.Demo",
        "Interchange.Drafts",
        "Interchange.Wording",
        "Interchange.Texts",
        "Interchange.Devices",
        "Interchange.Parcels",
        "Interchange.Larder",
        "Core.Parcels",
        "Core.Larder",
        "Planning.Parcels",
        "Planning.Larder",
    ];

    /// <summary>Each room with all it may know beside itself.</summary>
    private static readonly Dictionary<string, string[]> Knows = new(StringComparer.Ordinal)
    {
        ["Core.Measures"] = ["Core.Safety"],
        ["Core.Safety"] = [],
        ["Core.Recipes"] = ["Core.Measures", "Core.Safety"],
        ["Core.Kitchens"] = ["Core.Measures", "Core.Recipes"],
        ["Core.Scaling"] = ["Core.Measures", "Core.Safety", "Core.Recipes"],
        ["Core.Leaven"] = ["Core.Measures"],
        ["Core.Heat"] = ["Core.Measures", "Core.Recipes", "Core.Kitchens", "Core.Scaling"],
        ["Core.Devices"] = [],
        ["Core.Learning"] = [],
        ["Core.Parcels"] = ["Core.Measures", "Core.Safety", "Core.Recipes", "Core.Scaling"],
        ["Core.Larder"] = ["Core.Measures"],
        ["Planning.Day"] = Core,
        // The checker knows a day, the heat of an oven, and nothing of how plans are made.
        ["Planning.Checking"] = Day,
        ["Planning.Rules"] = Day,
        ["Planning.Compile"] = [.. Day, "Planning.Rules"],
        ["Planning.Search"] = [.. Day, "Planning.Rules", "Planning.Checking", "Planning.Compile"],
        ["Planning.Reading"] = [.. Day, "Planning.Rules", "Planning.Checking", "Planning.Search"],
        ["Planning.WaysOut"] = [.. Day, "Planning.Rules", "Planning.Compile", "Planning.Search"],
        ["Planning.Certainty"] = [.. Day, "Planning.Rules", "Planning.Checking", "Planning.Compile", "Planning.Search"],
        ["Planning.Live"] = [.. Day, "Planning.Rules", "Planning.Reading"],
        ["Planning.Bench"] = [.. Day, "Planning.Search", "Planning.Certainty"],
        ["Planning.Seasons"] = [.. Day, "Core.Larder", "Planning.Larder", "Planning.Checking", "Planning.Compile", "Planning.Search"],
        ["Planning.Parcels"] = ["Core.Parcels"],
        ["Planning.Larder"] = [.. Core, "Core.Larder"],
        ["Interchange.Documents"] = Planned,
        ["Interchange.Parcels"] = [.. Core, "Core.Parcels", "Interchange.Documents"],
        ["Interchange.Larder"] = ["Core.Measures"],
        ["Interchange.Calendars"] = Planned,
        ["Interchange.Demo"] =
        [
            "Core.Measures",
            "Core.Safety",
            "Core.Recipes",
            "Core.Scaling",
            "Core.Leaven",
            "Core.Parcels",
            "Interchange.Documents",
            "Interchange.Parcels",
            "Interchange.Larder",
        ],
        ["Interchange.Wording"] = [.. Core],
        ["Interchange.Drafts"] = [.. Core, "Interchange.Documents", "Interchange.Wording"],
        ["Interchange.Texts"] = [.. Core, "Interchange.Documents", "Interchange.Drafts", "Interchange.Wording"],
        ["Interchange.Devices"] = ["Core.Devices", "Interchange.Documents"],
        ["Store"] = Wire,
        ["Work.House"] = [.. Wire, "Store"],
        ["Work.Books"] = [.. Wire, "Store", "Work.House"],
        ["Work.OvenDays"] = [.. Wire, "Store", "Work.House", "Work.Books"],
        ["Work.Benches"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.OvenDays"],
        ["Work.Devices"] = [.. Wire, "Store", "Work.House", "Work.OvenDays", "Work.Benches"],
        ["Work.Daybooks"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.OvenDays", "Work.Benches"],
        ["Work.Archive"] = [.. Wire, "Store", "Work.House", "Work.Benches"],
        ["Work.Workshop"] = [.. Wire, "Store", "Work.House", "Work.Books"],
        ["Work.LongSearches"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.OvenDays"],
        ["Work.Stock"] = [.. Wire, "Store", "Work.House", "Work.Books"],
        ["Work.Seasons"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.OvenDays", "Work.Stock"],
        ["Work.Parcels"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.OvenDays", "Work.Seasons"],
        ["Work.Larder"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.Stock", "Work.Seasons"],
        ["Work.Accounts"] = [.. Wire, "Store"],
        ["Work.Reminders"] = [.. Wire, "Store", "Work.House", "Work.Seasons", "Work.Accounts"],
        ["Work.Today"] = [.. Wire, "Store", "Work.House", "Work.Books", "Work.Stock", "Work.Seasons", "Work.Daybooks"],
    };

    /// <summary>Inside the reader of pasted texts: sentences, then lines, then the method.</summary>
    private static readonly Dictionary<string, string[]> Texts = new(StringComparer.Ordinal)
    {
        ["Interchange.Texts.Sentences"] = [],
        ["Interchange.Texts.Lines"] = ["Interchange.Texts.Sentences"],
        ["Interchange.Texts.Method"] = ["Interchange.Texts.Sentences", "Interchange.Texts.Lines"],
    };

    public static TheoryData<string, string> Forbidden()
    {
        var data = new TheoryData<string, string>();
        foreach (var (from, to) in Pairs(Knows).Concat(Pairs(Texts)))
            data.Add(from, to);
        return data;
    }

    [Theory]
    [MemberData(nameof(Forbidden))]
    public void No_arrow_runs_backwards(string from, string to) =>
        Check(
            Types().That().ResideInNamespaceMatching(Room(from)).Should().NotDependOnAny(Types().That().ResideInNamespaceMatching(Room(to)))
        );

    [Fact]
    public void Every_room_is_known_here()
    {
        var rooms = Assemblies
            .SkipLast(1)
            .SelectMany(a => a.GetTypes())
            .Where(t => t.Namespace?.StartsWith("Zymethos.", StringComparison.Ordinal) == true)
            .Select(t => t.Namespace!["Zymethos.".Length..])
            .Distinct();
        Assert.All(Knows.Keys.Concat(Texts.Keys), k => Assert.Contains(Code.Types, t => t.Namespace.FullName == "Zymethos." + k));
        Assert.All(rooms, r => Assert.Contains(Knows.Keys, k => r == k || r.StartsWith(k + ".", StringComparison.Ordinal)));
    }

    [Fact]
    public void An_assembly_knows_only_those_before_it()
    {
        for (var i = 0; i < Assemblies.Length; i++)
        {
            var later = Assemblies.Skip(i + 1).Select(a => a.GetName().Name).ToList();
            Assert.DoesNotContain(Assemblies[i].GetReferencedAssemblies(), r => later.Contains(r.Name));
        }
    }

    [Fact]
    public void Only_the_web_knows_aspnet_and_only_planning_the_solver()
    {
        string[] Names(System.Reflection.Assembly assembly) => [.. assembly.GetReferencedAssemblies().Select(a => a.Name!)];
        foreach (var assembly in Assemblies.SkipLast(1).Where(a => a != typeof(ZymethosContext).Assembly))
            Assert.DoesNotContain(Names(assembly), r => r.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal));
        foreach (var assembly in Assemblies.Where(a => a != typeof(Plan).Assembly))
            Assert.DoesNotContain(Names(assembly), r => r.Contains("OrTools", StringComparison.Ordinal));
        foreach (var assembly in Assemblies.Take(3))
            Assert.DoesNotContain(
                Names(assembly),
                r =>
                    r.Contains("EntityFramework", StringComparison.Ordinal)
                    || r.Contains("Npgsql", StringComparison.Ordinal)
                    || r.StartsWith("Microsoft.Extensions", StringComparison.Ordinal)
            );
    }

    [Fact]
    public void What_computes_has_no_clock_and_no_files()
    {
        var code = Code
            .Types.Where(t =>
                t.FullName.StartsWith("Zymethos.Core.", StringComparison.Ordinal)
                || t.FullName.StartsWith("Zymethos.Planning.", StringComparison.Ordinal)
                || t.FullName.StartsWith("Zymethos.Interchange.", StringComparison.Ordinal)
            )
            .ToList();
        Assert.NotEmpty(code);
        Assert.DoesNotContain(
            code.SelectMany(t => t.Dependencies),
            d => d.Target.FullName is "System.IO.File" or "System.IO.Directory" or "NodaTime.SystemClock" or "System.Net.Http.HttpClient"
        );
        // DateTime.Now and its kin: only Stopwatch may be asked, for how long a search may still go on.
        Assert.DoesNotContain(
            code.SelectMany(t => t.Dependencies),
            d => d.Target.FullName is "System.DateTime" or "System.DateTimeOffset" or "System.TimeProvider"
        );
    }

    [Fact]
    public void The_checker_knows_nothing_of_the_solver() =>
        Check(
            Types()
                .That()
                .ResideInNamespace("Zymethos.Planning.Checking")
                .Should()
                .NotDependOnAnyTypesThat()
                .ResideInNamespaceMatching("Google\\.OrTools.*")
        );

    public static TheoryData<string, string> Neighbours()
    {
        string[] places = ["Account", "Bench", "Book", "Daybook", "Kitchen", "Larder", "OvenDay", "Parcels", "Season", "Today", "Workshop"];
        var data = new TheoryData<string, string>();
        foreach (var from in places)
        {
            foreach (var to in places.Where(p => p != from))
                data.Add(from, to);
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Neighbours))]
    public void A_place_of_the_web_knows_no_other_place(string from, string to) =>
        Check(
            Types()
                .That()
                .ResideInNamespaceMatching(Room("Web.Places." + from))
                .Should()
                .NotDependOnAny(Types().That().ResideInNamespaceMatching(Room("Web.Places." + to)))
        );

    [Theory]
    [InlineData("Web.Setup")]
    [InlineData("Web.Api")]
    [InlineData("Web.Drawing")]
    public void What_all_places_share_knows_none_of_them(string shared) =>
        Check(
            Types()
                .That()
                .ResideInNamespaceMatching(Room(shared))
                .Should()
                .NotDependOnAny(Types().That().ResideInNamespaceMatching(Room("Web.Places")))
        );

    private static IEnumerable<(string From, string To)> Pairs(Dictionary<string, string[]> knows) =>
        knows.SelectMany(k => knows.Keys.Where(to => to != k.Key && !k.Value.Contains(to)).Select(to => (k.Key, to)));

    /// <summary>A pattern for a namespace and those inside it.</summary>
    private static string Room(string name) => $"^Zymethos\\.{name.Replace(".", "\\.", StringComparison.Ordinal)}(\\..*)?$";

    private static void Check(ArchUnitNET.Fluent.IArchRule rule) => rule.Check(Code);
}
