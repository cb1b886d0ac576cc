using Hangfire.Common;
using Zymethos.Work.LongSearches;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Setup;

/// <summary>
/// Under which names background work stands in the queue. The names are those of the first release and stay when a class moves, so that an
/// instance of yesterday and one of today, beside each other on one database, take up each other's work.
/// </summary>
public static class JobNames
{
    private static readonly (Type Type, string Name)[] Known =
    [
        (typeof(LongSearchWorker), "Zymethos.Web.LongSearches.LongSearchWorker, Zymethos.Web"),
        (typeof(SeasonWorker), "Zymethos.Web.Seasons.SeasonWorker, Zymethos.Web"),
    ];

    /// <summary>The name under which a type is written.</summary>
    public static string Of(Type type) => Array.Find(Known, k => k.Type == type).Name ?? TypeHelper.SimpleAssemblyTypeSerializer(type);

    /// <summary>The type that a name means.</summary>
    /// <exception cref="TypeLoadException">There is none.</exception>
    public static Type Find(string name) => Array.Find(Known, k => k.Name == name).Type ?? TypeHelper.DefaultTypeResolver(name);
}
