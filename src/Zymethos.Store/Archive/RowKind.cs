using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Zymethos.Store.Benches;
using Zymethos.Store.Days;
using Zymethos.Store.Devices;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Archive;

/// <summary>A kind of rows that a kitchen owns and takes along.</summary>
public sealed class RowKind
{
    // Secrets of this house and work that is going on in it: a door for devices, helpers' passes, searches.
    private static readonly Type[] Stays = [typeof(DeviceDoorRow), typeof(BenchPassRow), typeof(LongSearchRow)];

    private RowKind(IEntityType entity)
    {
        Entity = entity;
        Table = entity.GetTableName()!;
        Name = Table.Replace('_', '-');
        Bytes = entity.GetProperties().SingleOrDefault(p => p.ClrType == typeof(byte[]));
        Fields =
        [
            .. entity
                .GetProperties()
                .Where(p =>
                    p.Name != nameof(IKitchenOwned.KitchenId)
                    && p != Bytes
                    && !p.IsConcurrencyToken
                    // Numbers that the database gives by itself, in the order in which rows come.
                    && !(p.ClrType == typeof(long) && p.ValueGenerated == ValueGenerated.OnAdd)
                ),
        ];
    }

    /// <summary>What it is called in an archive: "bench-events".</summary>
    public string Name { get; }

    /// <summary>Its type in the model.</summary>
    public IEntityType Entity { get; }

    /// <summary>Its table.</summary>
    public string Table { get; }

    /// <summary>Its columns that an archive carries as text.</summary>
    public ImmutableArray<IProperty> Fields { get; }

    /// <summary>Its column of bytes, which stand in a file of their own; null for none.</summary>
    public IProperty? Bytes { get; }

    /// <summary>Its own id; null where rows of it have none, or share it with the kitchen.</summary>
    public IProperty? Id => Fields.FirstOrDefault(f => f.Name == "Id" && f.ClrType == typeof(Guid));

    /// <summary>All kinds that a kitchen takes along, each after those that it refers to.</summary>
    public static ImmutableArray<RowKind> All(ZymethosContext context)
    {
        var kinds = Owned(context).Where(t => !Stays.Contains(t.ClrType)).ToList();
        var sorted = new List<IEntityType>();
        void Visit(IEntityType type)
        {
            if (sorted.Contains(type))
                return;
            foreach (var other in type.GetForeignKeys().Select(k => k.PrincipalEntityType).Where(kinds.Contains))
                Visit(other);
            sorted.Add(type);
        }

        foreach (var type in kinds.OrderBy(k => k.GetTableName(), StringComparer.Ordinal))
            Visit(type);
        return [.. sorted.Select(t => new RowKind(t))];
    }

    /// <summary>The kinds that stay in this house, by table.</summary>
    public static IEnumerable<string> Staying(ZymethosContext context) =>
        Owned(context).Where(t => Stays.Contains(t.ClrType)).Select(t => t.GetTableName()!);

    private static IEnumerable<IEntityType> Owned(ZymethosContext context) =>
        context.Model.GetEntityTypes().Where(t => typeof(IKitchenOwned).IsAssignableFrom(t.ClrType));
}
