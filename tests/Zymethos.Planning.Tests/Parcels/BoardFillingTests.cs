using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Parcels;

namespace Zymethos.Planning.Tests.Parcels;

/// <summary>Filled boxes against checks that share no code with what fills them.</summary>
public sealed class BoardFillingTests
{
    private static readonly Recipe[] Book = [.. DemoKitchen.Recipes().Select(r => ChosenRecipe.Of(new DocumentReader().Read(r, "recipe")))];
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(5);

    private static BoardBake Bake(string key, int? made = null, string colour = "") =>
        new(
            GiftBake.Of(Book.First(r => r.Key == key), "", IngredientKnowledge.Shipped),
            made,
            Book.First(r => r.Key == key).Yield.Pieces,
            colour
        );

    private static Recipient Person(string name, params Allergen[] avoids) => new(Guid.NewGuid(), name) { Avoids = [.. avoids] };

    // Whether the table that ships says that an ingredient of the recipe holds the allergen, or knows an ingredient not at all. Nothing of
    // the product's own statements is used.
    private static bool MayHold(Recipe recipe, Allergen allergen) =>
        recipe
            .Parts.SelectMany(p => p.Lines)
            .Any(l =>
                IngredientTable.Find(l.Ingredient) is not { } known
                || known.Allergens.Contains(allergen)
                || known.OnLabels.Contains(allergen)
            );

    [Fact]
    public void No_box_of_random_kitchens_ever_holds_what_somebody_must_not_have()
    {
        var random = new Random(4711);
        for (var round = 0; round < 40; round++)
        {
            var people = Enumerable
                .Range(0, random.Next(1, 9))
                .Select(i => Person($"P{i}", [.. Enum.GetValues<Allergen>().Where(_ => random.NextDouble() < 0.15)]))
                .ToImmutableArray();
            var bakes = Book.OrderBy(_ => random.Next())
                .Take(random.Next(1, 9))
                .Select(r => Bake(r.Key, random.NextDouble() < 0.5 ? random.Next(0, 60) : null, random.NextDouble() < 0.5 ? "dark" : ""))
                .ToImmutableArray();
            var kinds = random.Next(1, 6);
            var board = new GiftBoard(
                people,
                bakes,
                new GiftRules(kinds, kinds * random.Next(1, 5)) { ColoursApart = random.NextDouble() < 0.5 }
            );
            var filled = BoardFilling.Fill(board, TimeSpan.FromSeconds(2), CancellationToken.None);
            foreach (var cell in filled.Cells.Where(c => c.Pieces > 0))
            {
                Assert.All(
                    people[cell.Person].Avoids,
                    a => Assert.False(MayHold(bakes[cell.Bake].Bake.Recipe, a), $"round {round}: {a} in {bakes[cell.Bake].Bake.Name}")
                );
            }

            for (var b = 0; b < bakes.Length; b++)
            {
                if (bakes[b].Made is { } made)
                    Assert.True(filled.Cells.Where(c => c.Bake == b).Sum(c => c.Pieces) <= made);
            }

            for (var p = 0; p < people.Length; p++)
            {
                var mine = filled.Cells.Where(c => c.Person == p && c.Pieces > 0).ToList();
                Assert.True(mine.Sum(c => c.Pieces) <= board.Rules.Pieces);
                Assert.True(mine.Count <= kinds);
                Assert.True(!board.Rules.ColoursApart || mine.Count(c => bakes[c.Bake].Colour == "dark") <= 1);
                var lack = filled.Lacks.FirstOrDefault(l => l.Person == p);
                Assert.Equal(board.Rules.Pieces - mine.Sum(c => c.Pieces), lack?.Pieces ?? 0);
            }
        }
    }

    [Fact]
    public void Tiny_boards_are_filled_as_well_as_trying_everything_fills_them()
    {
        var random = new Random(99);
        for (var round = 0; round < 12; round++)
        {
            var people = new[] { Person("A", Allergen.Egg), Person("B") }.ToImmutableArray();
            var bakes = Book.OrderBy(_ => random.Next()).Take(3).Select(r => Bake(r.Key, random.Next(0, 6))).ToImmutableArray();
            var board = new GiftBoard(people, bakes, new GiftRules(2, 4));
            var filled = BoardFilling.Fill(board, Long, CancellationToken.None);
            Assert.True(filled.IsBest);
            Assert.Equal(BestFill(board), filled.Cells.Sum(c => c.Pieces));
        }
    }

    // Every way to give 0 to 4 of three bakes to two people: the most pieces that can be given.
    private static int BestFill(GiftBoard board)
    {
        var best = 0;
        for (var code = 0; code < 15625; code++)
        {
            var x = new int[2, 3];
            var rest = code;
            for (var i = 0; i < 6; i++)
            {
                x[i / 3, i % 3] = rest % 5;
                rest /= 5;
            }

            var isGood = true;
            for (var b = 0; b < 3; b++)
            {
                isGood &= x[0, b] + x[1, b] <= board.Bakes[b].Made;
                isGood &= x[0, b] == 0 || !MayHold(board.Bakes[b].Bake.Recipe, Allergen.Egg);
            }

            for (var p = 0; p < 2; p++)
            {
                isGood &= x[p, 0] + x[p, 1] + x[p, 2] <= 4;
                isGood &= Enumerable.Range(0, 3).Count(b => x[p, b] > 0) <= 2;
            }

            if (isGood)
                best = Math.Max(best, code == 0 ? 0 : Enumerable.Range(0, 6).Sum(i => x[i / 3, i % 3]));
        }

        return best;
    }

    [Fact]
    public void Somebody_who_may_have_nothing_gets_an_empty_box_and_is_named()
    {
        var board = new GiftBoard(
            [Person("Wren", Enum.GetValues<Allergen>()), Person("Fen")],
            [Bake("plum-street-butters"), Bake("window-shapes")],
            new GiftRules(2, 6)
        );
        var filled = BoardFilling.Fill(board, Long, CancellationToken.None);
        var lack = Assert.Single(filled.Lacks);
        Assert.Equal((0, 6, 2), (lack.Person, lack.Pieces, lack.Kinds));
        Assert.Equal(6, filled.Cells.Sum(c => c.Pieces));
    }

    [Fact]
    public void What_is_pinned_stays_and_what_everybody_should_have_comes_first()
    {
        var board = new GiftBoard(
            [Person("A"), Person("B")],
            [Bake("plum-street-butters"), Bake("midnight-ring", 2), Bake("window-shapes")],
            new GiftRules(2, 6) { Everybody = [("chocolate", 1)] }
        )
        {
            Cells = [new BoardCell(0, 2, 5, true), new BoardCell(1, 2, 3)],
        };
        var filled = BoardFilling.Fill(board, Long, CancellationToken.None);
        Assert.Contains(new BoardCell(0, 2, 5, true), filled.Cells);
        Assert.Empty(filled.Lacks);
        Assert.Equal(1, filled.Cells.Single(c => c is { Person: 0, Bake: 1 }).Pieces);
        Assert.Equal(1, filled.Cells.Single(c => c is { Person: 1, Bake: 1 }).Pieces);
    }

    [Fact]
    public void What_was_looked_at_counts_as_fine_and_what_is_barred_never_does()
    {
        var look = new Recipient(Guid.NewGuid(), "Maud") { AlsoAvoids = ["kiwi"] };
        var board = new GiftBoard([look, Person("Wren", Allergen.Milk)], [Bake("plum-street-butters")], new GiftRules(1, 3));
        Assert.Empty(BoardFilling.Fill(board, Long, CancellationToken.None).Cells);
        var looked = BoardFilling.Fill(board with { Looked = [(0, 0), (1, 0)] }, Long, CancellationToken.None);
        Assert.Equal((0, 3), (Assert.Single(looked.Cells).Person, looked.Cells[0].Pieces));
    }

    [Fact]
    public void Dislikes_are_spared_where_there_is_another_way_and_no_more_than_that()
    {
        var pell = new Recipient(Guid.NewGuid(), "Pell") { Dislikes = ["icing sugar"] };
        var sugared = Bake("coal-cellar-buttons");
        Assert.True(sugared.Bake.Names("icing sugar"));
        var board = new GiftBoard([pell], [sugared, Bake("orchard-almond-slices")], new GiftRules(1, 4));
        Assert.False(board.Bakes[1].Bake.Names("icing sugar"));
        Assert.Equal(1, Assert.Single(BoardFilling.Fill(board, Long, CancellationToken.None).Cells).Bake);
        var only = BoardFilling.Fill(board with { Bakes = [sugared] }, Long, CancellationToken.None);
        Assert.Equal(4, Assert.Single(only.Cells).Pieces);
    }

    [Fact]
    public void The_check_finds_what_a_hand_put_where_it_must_not_be()
    {
        var board = new GiftBoard([Person("Wren", Allergen.Egg)], [Bake("plum-street-butters", 2)], new GiftRules(1, 3));
        BoardCell[] cells = [new(0, 0, 3, true)];
        Assert.Equal(GiftVerdict.Never, Assert.Single(BoardCheck.Faults(board, cells)).Stand.Verdict);
        Assert.Equal(1, BoardCheck.Over(board, cells, 0));
    }
}
