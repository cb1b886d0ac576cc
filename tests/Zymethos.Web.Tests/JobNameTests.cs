using Zymethos.Web.Setup;
using Zymethos.Work.LongSearches;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Tests;

/// <summary>Work that an earlier release put into the queue is taken up by this one, and the other way round.</summary>
public sealed class JobNameTests
{
    [Theory]
    [InlineData(typeof(LongSearchWorker), "Zymethos.Web.LongSearches.LongSearchWorker, Zymethos.Web")]
    [InlineData(typeof(SeasonWorker), "Zymethos.Web.Seasons.SeasonWorker, Zymethos.Web")]
    public void Work_stands_in_the_queue_under_the_name_it_always_had(Type type, string name)
    {
        Assert.Equal(name, JobNames.Of(type));
        Assert.Equal(type, JobNames.Find(name));
    }

    [Fact]
    public void Every_other_type_is_found_under_its_own_name() => Assert.Equal(typeof(Guid), JobNames.Find(JobNames.Of(typeof(Guid))));
}
