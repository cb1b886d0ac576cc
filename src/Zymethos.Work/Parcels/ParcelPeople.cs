using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Parcels;
using Zymethos.Store;
using Zymethos.Store.Parcels;
using Zymethos.Work.House;

namespace Zymethos.Work.Parcels;

/// <summary>Everybody of a kitchen at one moment.</summary>
/// <param name="Stamp">The state of their rows.</param>
/// <param name="All">Everybody, by name.</param>
internal sealed record KnownPeople(string Stamp, IReadOnlyList<Recipient> All);

/// <summary>The people to whom a kitchen gives things.</summary>
public sealed class ParcelPeople(ZymethosContext context, WorkedOut worked)
{
    /// <summary>Most people of a kitchen.</summary>
    public const int Most = 1000;

    /// <summary>Everybody, by name. Shared between those who look at them, and never changed.</summary>
    public async Task<IReadOnlyList<Recipient>> AllAsync(CancellationToken cancel) => (await KnownAsync(cancel)).All;

    /// <summary>Everybody, with the state of their rows: it is another once anything of them was changed.</summary>
    /// <exception cref="InvalidOperationException">Nobody is signed in.</exception>
    internal async Task<KnownPeople> KnownAsync(CancellationToken cancel)
    {
        var kitchen = context.KitchenId ?? throw new InvalidOperationException("There is no kitchen here.");
        var stamp = await context
            .Database.SqlQuery<string>(
                $"""
                SELECT concat_ws('-', count(*), sum(xmin::text::numeric)) AS "Value" FROM people WHERE "KitchenId" = {kitchen}
                """
            )
            .SingleAsync(cancel);
        return await worked.GetAsync<KnownPeople>(
                kitchen,
                "people",
                stamp,
                p => 1 + (p.All.Count / 10),
                async () =>
                    new KnownPeople(
                        stamp,
                        [.. (await context.People.AsNoTracking().OrderBy(p => p.Name).Take(Most).ToListAsync(cancel)).Select(Read)]
                    ),
                cancel
            ) ?? throw new InvalidOperationException("There is no kitchen here.");
    }

    /// <summary>The row of one; null when there is none of this id.</summary>
    public Task<RecipientRow?> FindAsync(Guid id, CancellationToken cancel) =>
        context.People.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel);

    /// <summary>A row read. What is stored was checked when it was written.</summary>
    public static Recipient Read(RecipientRow row)
    {
        var faults = new List<Fault>();
        return RecipientText.Read(row.Document, "", faults)
            ?? throw new InvalidOperationException($"Person {row.Id} cannot be read: {faults[0].Message}");
    }

    /// <summary>Writes a person down, or writes them anew.</summary>
    /// <param name="person">The person; their id says whom it replaces.</param>
    /// <param name="seen">What was shown to whoever changed it (<see cref="Seen"/>); null for somebody new.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>What is wrong, in a sentence; empty when it was kept.</returns>
    public async Task<string> KeepAsync(Recipient person, string? seen, CancellationToken cancel)
    {
        var row = await context.People.SingleOrDefaultAsync(p => p.Id == person.Id, cancel);
        if (row is null && seen is { Length: > 0 })
            return $"{person.Name} was deleted from another page meanwhile. Write them down anew if they should stay.";
        if (row is not null && Seen.IsStale(seen, Seen.Of(row)))
            return $"{row.Name} was changed from another page meanwhile. What you typed is still here: look it over and keep it again.";
        if (row is null)
        {
            if (await context.People.CountAsync(cancel) >= Most)
                return $"A kitchen has up to {Most} people.";
            row = new RecipientRow { Id = person.Id };
            context.People.Add(row);
        }

        (row.Name, row.Document) = (person.Name, RecipientText.Write(person));
        try
        {
            await context.SaveChangesAsync(cancel);
            return "";
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return $"{person.Name} was changed from another page in the same moment. Look it over and keep it again.";
        }
    }

    /// <summary>Brings many in at once: whoever is there already, by name, keeps what is known and gets what is new beside it.</summary>
    /// <returns>How many are new, and how many were there.</returns>
    public async Task<(int New, int Known)> BringInAsync(IReadOnlyList<Recipient> people, CancellationToken cancel)
    {
        var rows = await context.People.ToListAsync(cancel);
        var (fresh, known) = (0, 0);
        foreach (var person in people)
        {
            if (rows.Find(r => r.Name.Equals(person.Name, StringComparison.OrdinalIgnoreCase)) is { } row)
            {
                row.Document = RecipientText.Write(PeopleText.Both(Read(row), person));
                known++;
                continue;
            }

            if (rows.Count >= Most)
                break;
            row = new RecipientRow
            {
                Id = person.Id,
                Name = person.Name,
                Document = RecipientText.Write(person),
            };
            rows.Add(row);
            context.People.Add(row);
            fresh++;
        }

        await context.SaveChangesAsync(cancel);
        return (fresh, known);
    }

    /// <summary>Deletes a person; boards lose them with the next look.</summary>
    /// <returns>Their name; empty when they were gone already.</returns>
    public async Task<string> DeleteAsync(Guid id, CancellationToken cancel)
    {
        if (await context.People.SingleOrDefaultAsync(p => p.Id == id, cancel) is not { } row)
            return "";
        context.People.Remove(row);
        await context.SaveChangesAsync(cancel);
        return row.Name;
    }
}
