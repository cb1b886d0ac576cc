using BenchmarkDotNet.Running;
using Zymethos.Benchmarks;
using Zymethos.Core.Measures;

// leans [days] [seconds] [recipes]                     each lean by its own figure, on rehearsed days
// certainty [days] [seconds] [recipes,...] [people]   the first table of docs/performance.md: plans that survive
// planning [days] [seconds] [recipes,...] [free]      the soonest finish by usual times; free: open doors cost nothing
// live [days]                                         planning the rest of a day again after a slip
// bench [days]                                        a day at work after a slip: how it goes on, and another order for the rest
// touches address [benches] [seconds]                 touches told to a running Zymethos, with everybody listening
// pages address [rounds]                              pages of the demo kitchen beside a bare page
// kitchens address [kitchens] [rounds]                the same among so many kitchens, each with all of the demo kitchen
// book [lines]                                        what reading lines and scaling the Book cost
// season [seconds] [lots,lots,...] [seasons]          seasons of so many lots over eight weeks
// calibration [kitchens]                              docs/calibration.svg: how often learned bands hold the truth, by their width
// nesting [seconds]                                 how closely our own shapes are laid on a sheet
// micro                                               the parts of planning, one by one, with BenchmarkDotNet
switch (args.FirstOrDefault() ?? "planning")
{
    case "planning":
        PlanningTable.Print(
            Number(1, 20),
            Number(2, 10),
            args.Length > 3 ? [.. args[3].Split(',').Select(int.Parse)] : [5, 8, 12],
            args.ElementAtOrDefault(4) != "free"
        );
        return 0;
    case "leans":
        LeanTable.Print(Number(1, 10), Number(2, 5), Number(3, 8));
        return 0;
    case "certainty":
        CertaintyTable.Print(
            Number(1, 20),
            Number(2, 10),
            args.Length > 3 ? [.. args[3].Split(',').Select(int.Parse)] : [8, 12],
            Number(4, 1)
        );
        return 0;
    case "live":
        LiveTable.Print(Number(1, 10));
        return 0;
    case "bench":
        BenchTable.Print(Number(1, 10));
        return 0;
    case "touches":
        await TouchTable.PrintAsync(args.ElementAtOrDefault(1) ?? "http://127.0.0.1:5080", Number(2, 200), Number(3, 60));
        return 0;
    case "pages":
        await PagesTable.PrintAsync(args.ElementAtOrDefault(1) ?? "http://127.0.0.1:5080", Number(2, 120));
        return 0;
    case "kitchens":
        await PagesTable.PrintAsync(args.ElementAtOrDefault(1) ?? "http://127.0.0.1:5080", Number(2, 1000), Number(3, 300));
        return 0;
    case "book":
        BookTable.Print(Number(1, 10_000));
        return 0;
    case "season":
        SeasonTable.Print(Number(1, 15), args.Length > 2 ? [.. args[2].Split(',').Select(int.Parse)] : [10, 20, 40, 80], Number(3, 3));
        return 0;
    case "calibration":
        CalibrationTable.Print(Number(1, 400));
        return 0;
    case "nesting":
        NestingTable.Print(Number(1, 3));
        return 0;
    case "micro":
        BenchmarkRunner.Run<PlanningParts>();
        return 0;
    default:
        Console.Error.WriteLine(
            "There is: planning [days] [seconds] [recipes,...] [free], certainty [days] [seconds] [recipes,...] [people], "
                + "leans [days] [seconds] [recipes], "
                + "live [days], bench [days], touches address [benches] [seconds], book [lines], season [seconds] [lots,...] "
                + "[seasons], calibration [kitchens], nesting [seconds] and micro."
        );
        return 2;
}

int Number(int index, int fallback) => args.Length > index ? int.Parse(args[index]) : fallback;
