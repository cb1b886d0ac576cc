using System.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using Zymethos.Work.House;

namespace Zymethos.Web.Tests;

/// <summary>Word of a change, through a real database, to whoever waits.</summary>
public sealed class NoticeTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(30);

    [Fact]
    public async Task Everybody_who_waits_for_it_hears_it_at_once_and_nobody_else()
    {
        kitchen.Visitor();
        var notices = kitchen.Services.GetRequiredService<Notices>();
        var (mine, other) = (Notices.OfSearch(Guid.NewGuid()), Notices.OfSearch(Guid.NewGuid()));
        await using var context = kitchen.Context(null);
        // The line wakes everybody when it begins to stand; only after that does it tell one topic from another.
        var probe = Notices.OfSearch(Guid.NewGuid());
        for (var since = notices.Heard(probe); notices.Heard(probe) == since; )
        {
            await Notices.SayAsync(context, probe, CancellationToken.None);
            await notices.WaitAsync(probe, since, TimeSpan.FromMilliseconds(250), CancellationToken.None);
        }

        var waiting = Enumerable
            .Range(0, 50)
            .Select(_ => notices.WaitAsync(mine, notices.Heard(mine), Long, CancellationToken.None))
            .ToArray();
        var elsewhere = notices.WaitAsync(other, notices.Heard(other), Long, CancellationToken.None);
        await Notices.SayAsync(context, mine, CancellationToken.None);
        var all = Task.WhenAll(waiting);
        await Task.WhenAny(all, Task.Delay(Long / 2));

        Assert.True(all.IsCompletedSuccessfully);
        Assert.False(elsewhere.IsCompleted);
    }

    [Fact]
    public async Task What_was_said_between_looking_and_waiting_is_not_missed()
    {
        var notices = new Notices();
        const string Topic = "search x";
        var heard = notices.Heard(Topic);
        notices.Wake(Topic);
        var clock = Stopwatch.StartNew();
        await notices.WaitAsync(Topic, heard, Long, CancellationToken.None);
        Assert.True(clock.Elapsed < Long / 2);
    }

    [Fact]
    public async Task A_wait_ends_with_its_time_or_when_it_is_called_off()
    {
        var notices = new Notices();
        await notices.WaitAsync("a", 0, TimeSpan.FromMilliseconds(20), CancellationToken.None);
        using var off = new CancellationTokenSource(20);
        await notices.WaitAsync("a", 0, Long, off.Token);
        notices.Wake("a");
        Assert.Equal(1, notices.Heard("a"));
    }

    [Fact]
    public async Task A_line_that_stands_again_wakes_everybody()
    {
        var notices = new Notices();
        var (one, two) = (notices.WaitAsync("a", 0, Long, CancellationToken.None), notices.WaitAsync("b", 0, Long, CancellationToken.None));
        notices.WakeAll();
        await Task.WhenAll(one, two);
        Assert.Equal((1, 1, 0), (notices.Heard("a"), notices.Heard("b"), notices.Heard("c")));
    }
}
