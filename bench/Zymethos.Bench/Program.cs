using System.Diagnostics;
using Zymethos.Core.Planning;
using Zymethos.Core.Tests.Planning;

foreach (var n in new[]{5,8,12})
for (var seed = 1; seed <= 6; seed++)
{
    var net = RandomDays.Day(seed, n);
    var t = Stopwatch.StartNew();
    var first = FirstPlan.Find(net, 1);
    var fms = t.ElapsedMilliseconds;
    var ok = first is null ? -1 : PlanChecker.Check(net, first).Count;
    var o = DayPlanner.Plan(net, new SolveSettings(TimeSpan.FromSeconds(10), 1, int.Parse(args.Length>0?args[0]:"8")));
    var bad = o.Plan is null ? -1 : PlanChecker.Check(net, o.Plan).Count;
    var lb0 = LowerBound.Finish(net, new ReachTable(net));
    var fin = o.Plan?.Finish(net) ?? -1;
    Console.WriteLine($"{n} seed {seed} tasks {net.Tasks.Length} first {fms} ms finish {first?.Finish(net)} broken {ok} | {o.Status} finish {fin} bound {o.BoundFinish} lb0 {lb0} gap {100.0*(fin-o.BoundFinish)/fin:0.0}% took {o.Took.TotalSeconds:0.0}s broken {bad} | list {HandMethods.Build(net, HandMethods.ListOrder(net))?.Finish(net)} temp {HandMethods.Build(net, HandMethods.ByTemperature(net))?.Finish(net)} | {string.Join(" ", o.Trail.Select(p=>$"{p.After.TotalSeconds:0.0}:{p.Finish}"))}");
}
