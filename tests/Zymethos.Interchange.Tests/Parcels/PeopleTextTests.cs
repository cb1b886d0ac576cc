using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Parcels;

namespace Zymethos.Interchange.Tests.Parcels;

/// <summary>People as many kinds of bakers would jot them down.</summary>
public sealed class PeopleTextTests
{
    private static Recipient One(string line) => Assert.Single(PeopleText.Read(line).People);

    [Theory]
    [InlineData("Wren: no nuts")]
    [InlineData("Wren, nut allergy")]
    [InlineData("Wren; allergic to nuts")]
    [InlineData("Wren\tNUTS!")]
    [InlineData("Wren – can't have nuts")]
    [InlineData("Wren: nut-free please, loves ginger")]
    public void No_nuts_is_read_however_it_is_said(string line)
    {
        var wren = One(line);
        Assert.Equal("Wren", wren.Name);
        Assert.True(
            (wren.Avoids.Contains(Allergen.TreeNut) && wren.Avoids.Contains(Allergen.Peanut)) || !wren.AlsoAvoids.IsEmpty,
            "nuts were lost"
        );
    }

    [Fact]
    public void Everything_that_is_said_of_somebody_is_sorted()
    {
        var oriel = One("Oriel: vegan, doesn't drink alcohol, not keen on icing sugar and marzipan, loves figs");
        Assert.Contains(Diet.Vegan, oriel.Diets);
        Assert.Contains(Diet.NoAlcohol, oriel.Diets);
        Assert.Equal(["icing sugar", "marzipan"], oriel.Dislikes.AsEnumerable());
        Assert.Equal(["figs"], oriel.Likes.AsEnumerable());
        Assert.Empty(oriel.Avoids);
    }

    [Theory]
    [InlineData("Tamsin: a small baby in the house", RecipientAge.Infant, false)]
    [InlineData("Tamsin, toddler", RecipientAge.SmallChild, false)]
    [InlineData("Tamsin, pregnant", RecipientAge.Grown, true)]
    [InlineData("Tamsin: toddler and a baby", RecipientAge.Infant, false)]
    public void Ages_and_who_is_expecting(string line, RecipientAge age, bool isExpecting)
    {
        var tamsin = One(line);
        Assert.Equal((age, isExpecting), (tamsin.Age, tamsin.IsExpecting));
    }

    [Theory]
    [InlineData("Fen: coeliac", Allergen.Gluten)]
    [InlineData("Fen: lactose intolerant", Allergen.Milk)]
    [InlineData("Fen, no eggs or sesame", Allergen.Sesame)]
    [InlineData("Fen\tpeanut", Allergen.Peanut)]
    [InlineData("Fen: allergic to hazelnuts", Allergen.TreeNut)]
    public void Allergens_by_their_everyday_names(string line, Allergen allergen) => Assert.Contains(allergen, One(line).Avoids);

    [Fact]
    public void A_word_that_nobody_understands_must_not_be_in_it()
    {
        Assert.Equal(["kiwi"], One("Maud: no kiwi").AlsoAvoids.AsEnumerable());
        Assert.Equal(["sulphured apricots"], One("Maud: sulphured apricots").AlsoAvoids.AsEnumerable());
    }

    [Fact]
    public void Cells_with_headings_totals_merged_cells_and_the_same_person_twice()
    {
        var reading = PeopleText.Read(
            "Group\tName\tAllergies\tWishes\n"
                + "office\tWren\tnuts\tginger\n"
                + "\tCorin\tno alcohol\t\n"
                + "\t\t\t\n"
                + "street\twren\tegg\t\n"
                + "\tTotal\t3\t\n"
                + "street\t\tmilk\t\n"
        );
        Assert.Equal(["Wren", "Corin"], reading.People.Select(p => p.Name));
        var wren = reading.People[0];
        Assert.Equal("office", wren.Group);
        Assert.Contains(Allergen.Egg, wren.Avoids);
        Assert.Contains(Allergen.TreeNut, wren.Avoids);
        Assert.Equal(["ginger"], wren.Likes.AsEnumerable());
        Assert.Equal(3, reading.Trouble.Count);
        Assert.Contains(reading.Trouble, t => t.Contains("stands there twice", StringComparison.Ordinal));
        Assert.Contains(reading.Trouble, t => t.Contains("Total", StringComparison.Ordinal));
        Assert.Contains(reading.Trouble, t => t.Contains("no name", StringComparison.Ordinal));
    }

    [Fact]
    public void A_person_goes_out_and_comes_in_the_same()
    {
        var whole = new Recipient(Guid.NewGuid(), "Isolde")
        {
            Group = "library",
            Avoids = [Allergen.TreeNut, Allergen.Lupin],
            AlsoAvoids = ["kiwi"],
            Diets = [Diet.NoHoney],
            Age = RecipientAge.Infant,
            IsExpecting = true,
            Likes = ["figs"],
            Dislikes = ["icing sugar"],
            Address = "Lower Lane 4\nFerrytown",
            Note = "Due in March",
        };
        var faults = new List<Fault>();
        var back = RecipientText.Read(RecipientText.Write(whole), "", faults)!;
        Assert.Empty(faults);
        Assert.Equal(RecipientText.Write(whole) with { }, RecipientText.Write(back), new AsJson());
    }

    [Fact]
    public void An_allergen_that_no_list_knows_is_a_fault_and_is_not_left_out()
    {
        var faults = new List<Fault>();
        Assert.Null(RecipientText.Read(new RecipientDocument(Guid.NewGuid().ToString(), "Fen", Avoids: ["nutz"]), "people[3]", faults));
        Assert.Equal("people[3].avoids", Assert.Single(faults).Path);
    }

    private sealed class AsJson : IEqualityComparer<RecipientDocument>
    {
        public bool Equals(RecipientDocument? x, RecipientDocument? y) =>
            System.Text.Json.JsonSerializer.Serialize(x) == System.Text.Json.JsonSerializer.Serialize(y);

        public int GetHashCode(RecipientDocument obj) => 0;
    }
}
