using System.Globalization;
using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Archive;

/// <summary>All rows of the current kitchen, read one after another and replaced at once.</summary>
public sealed class KitchenRows(ZymethosContext context)
{
    private const int AtOnce = 200;

    /// <summary>The rows of a kind, in the order of their keys.</summary>
    public async IAsyncEnumerable<object> ReadAsync(RowKind kind, [EnumeratorCancellation] CancellationToken cancel)
    {
        var read = (IAsyncEnumerable<object>)Generic(nameof(Rows), kind).Invoke(this, [kind])!;
        await foreach (var row in read.WithCancellation(cancel))
            yield return row;
    }

    /// <summary>Which of some ids of a kind belong to other kitchens of this house.</summary>
    public async Task<IReadOnlyList<Guid>> TakenAsync(RowKind kind, IReadOnlyCollection<Guid> ids, CancellationToken cancel)
    {
        var taken = new List<Guid>();
        foreach (var some in ids.Chunk(1000))
            taken.AddRange(await ((Task<List<Guid>>)Generic(nameof(Taken), kind).Invoke(this, [some, cancel])!));
        return taken;
    }

    /// <summary>Puts rows in the place of everything that the kitchen has, but for what stays in the house. The caller holds a
    /// transaction.</summary>
    /// <param name="kinds">All kinds, each after those that it refers to.</param>
    /// <param name="rows">The rows of each kind, without a kitchen.</param>
    /// <param name="cancel">Stops.</param>
    /// <exception cref="DbUpdateException">They do not fit together.</exception>
    public async Task ReplaceAsync(
        IReadOnlyList<RowKind> kinds,
        IReadOnlyDictionary<string, IReadOnlyList<object>> rows,
        CancellationToken cancel
    )
    {
        context.ChangeTracker.Clear();
        // Searches for days that go would come back with an order for them.
        await DeleteAsync("long_searches", cancel);
        foreach (var kind in kinds.Reverse())
            await DeleteAsync(kind.Table, cancel);
        foreach (var kind in kinds)
        {
            foreach (var some in rows.GetValueOrDefault(kind.Name, []).Chunk(AtOnce))
            {
                context.AddRange(some);
                await context.SaveChangesAsync(cancel);
                context.ChangeTracker.Clear();
            }
        }
    }

    private System.Reflection.MethodInfo Generic(string name, RowKind kind) =>
        GetType()
            .GetMethod(name, System.Reflection.BindingFlags.Instance | System.Reflection.BindingFlags.NonPublic)!
            .MakeGenericMethod(kind.Entity.ClrType);

    private IAsyncEnumerable<object> Rows<T>(RowKind kind)
        where T : class
    {
        var keys = kind.Entity.FindPrimaryKey()!.Properties.Where(p => p.Name != nameof(IKitchenOwned.KitchenId)).ToList();
        var query = context.Set<T>().AsNoTracking();
        foreach (var key in keys)
            query =
                query is IOrderedQueryable<T> sorted && key != keys[0]
                    ? sorted.ThenBy(r => EF.Property<object>(r, key.Name))
                    : query.OrderBy(r => EF.Property<object>(r, key.Name));
        return query.AsAsyncEnumerable();
    }

    private Task<List<Guid>> Taken<T>(Guid[] ids, CancellationToken cancel)
        where T : class, IKitchenOwned =>
        context
            .Set<T>()
            .IgnoreQueryFilters()
            .Where(r => r.KitchenId != context.KitchenId && ids.Contains(EF.Property<Guid>(r, "Id")))
            .Select(r => EF.Property<Guid>(r, "Id"))
            .ToListAsync(cancel);

    private Task DeleteAsync(string table, CancellationToken cancel) =>
        context.Database.ExecuteSqlRawAsync(
            string.Format(CultureInfo.InvariantCulture, "DELETE FROM \"{0}\" WHERE \"KitchenId\" = {{0}}", table),
            [context.KitchenId!.Value],
            cancel
        );
}
