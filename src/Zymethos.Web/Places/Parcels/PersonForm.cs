using System.Collections.Immutable;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>A person as they are typed.</summary>
public sealed class PersonForm
{
    /// <summary>Their name.</summary>
    public string? Name { get; set; }

    /// <summary>Their group.</summary>
    public string? Group { get; set; }

    /// <summary>Allergens that are ticked.</summary>
    public List<Allergen> Avoids { get; set; } = [];

    /// <summary>Diets that are ticked.</summary>
    public List<Diet> Diets { get; set; } = [];

    /// <summary>What else must not be in it, parted by commas.</summary>
    public string? AlsoAvoids { get; set; }

    /// <summary>How old.</summary>
    public RecipientAge Age { get; set; }

    /// <summary>Whether somebody is expecting or nursing.</summary>
    public bool Expecting { get; set; }

    /// <summary>What they love, parted by commas.</summary>
    public string? Likes { get; set; }

    /// <summary>What they would rather not have, parted by commas.</summary>
    public string? Dislikes { get; set; }

    /// <summary>Their address.</summary>
    public string? Address { get; set; }

    /// <summary>Notes.</summary>
    public string? Note { get; set; }

    /// <summary>The form of a person.</summary>
    public static PersonForm Of(Recipient person) =>
        new()
        {
            Name = person.Name,
            Group = person.Group,
            Avoids = [.. person.Avoids],
            Diets = [.. person.Diets],
            AlsoAvoids = string.Join(", ", person.AlsoAvoids),
            Age = person.Age,
            Expecting = person.IsExpecting,
            Likes = string.Join(", ", person.Likes),
            Dislikes = string.Join(", ", person.Dislikes),
            Address = person.Address,
            Note = person.Note,
        };

    /// <summary>The person; null where something is wrong, which is said at its field.</summary>
    public Recipient? ToPerson(Guid id, ModelStateDictionary state)
    {
        var faults = new List<Fault>();
        var person = RecipientText.Read(
            RecipientText.Write(
                new Recipient(id, (Name ?? "").Trim())
                {
                    Group = (Group ?? "").Trim(),
                    Avoids = [.. Avoids.Distinct().Order()],
                    Diets = [.. Diets.Distinct().Order()],
                    AlsoAvoids = Words(AlsoAvoids),
                    Age = Age,
                    IsExpecting = Expecting,
                    Likes = Words(Likes),
                    Dislikes = Words(Dislikes),
                    Address = (Address ?? "").Trim(),
                    Note = (Note ?? "").Trim(),
                }
            ),
            "",
            faults
        );
        foreach (var fault in faults)
            state.AddModelError($"Form.{char.ToUpperInvariant(fault.Path[0])}{fault.Path[1..]}", fault.Message);
        return person;
    }

    private static ImmutableArray<string> Words(string? text) =>
        [.. (text ?? "").Split([',', ';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];
}
