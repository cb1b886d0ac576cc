using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Web.Drawing;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Bench;

/// <summary>An oven as the Bench reckons its heat without the server: full power toward the ceiling, Newton's law downward.</summary>
/// <param name="Name">What to call it; empty where there is one.</param>
/// <param name="Room">Degrees Celsius around it.</param>
/// <param name="Ceiling">Degrees Celsius that full power would reach in the end.</param>
/// <param name="Shut">Minutes of its time constant with the door shut.</param>
/// <param name="Ajar">The same with the door ajar.</param>
public sealed record SheetOven(string Name, double Room, double Ceiling, double Shut, double Ajar);

/// <summary>A line of a recipe, scaled.</summary>
/// <param name="Amount">How much, in the kitchen's own measures; empty for "to taste".</param>
/// <param name="What">Of what.</param>
/// <param name="Ingredient">The ingredient alone.</param>
/// <param name="Grams">Its weight; null when not known.</param>
/// <param name="Count">How many, of what is counted and has a weight: eggs, cans; null for all else.</param>
/// <param name="Unit">What one of them is called, where it is not the ingredient itself ("can"); may be empty.</param>
/// <param name="Key">What to call the line where what really went in is told: the ingredient, with its part where it stands in
/// several.</param>
public sealed record SheetLine(
    string Amount,
    string What,
    string Ingredient,
    double? Grams,
    double? Count = null,
    string Unit = "",
    string Key = ""
);

/// <summary>A bake of the day.</summary>
/// <param name="Letter">Its letter in the drawings.</param>
/// <param name="Name">Its name.</param>
/// <param name="Batches">How many batches.</param>
/// <param name="Pieces">How many pieces of all of them.</param>
/// <param name="PieceName">What those are called.</param>
/// <param name="Allergens">What is known of its allergens, and what is not, as it is known today.</param>
/// <param name="Lines">Everything that goes in, for one batch.</param>
/// <param name="Guides">Pages of the Workshop that are kept with its recipe: a cutting sheet, a plait.</param>
public sealed record SheetBake(
    string Letter,
    string Name,
    int Batches,
    int Pieces,
    string PieceName,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<SheetLine> Lines,
    IReadOnlyList<SheetGuide> Guides
);

/// <summary>A page of the Workshop beside a bake.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Says">What it said when it was kept.</param>
/// <param name="Address">Where it is.</param>
public sealed record SheetGuide(string Title, string Says, string Address);

/// <summary>What a step takes of an oven.</summary>
/// <param name="Index">Which oven.</param>
/// <param name="Celsius">Its heat.</param>
/// <param name="Dial">The same as the kitchen says it.</param>
/// <param name="IsProof">Whether it is the cold oven with a pan of hot water.</param>
/// <param name="IsOff">Whether it is turned off and the bake left in it.</param>
/// <param name="Shelf">Where it stands, in words; may be empty.</param>
public sealed record SheetLoad(int Index, double Celsius, string Dial, bool IsProof, bool IsOff, string Shelf);

/// <summary>Something done part-way.</summary>
/// <param name="Title">What.</param>
/// <param name="After">Minutes after the start.</param>
public sealed record SheetTouch(string Title, int After);

/// <summary>What follows a step.</summary>
/// <param name="To">Id of the step that follows.</param>
/// <param name="Least">Least minutes between.</param>
/// <param name="Most">Most minutes between; null when it may wait.</param>
/// <param name="Why">Why, in words; may be empty.</param>
public sealed record SheetLink(string To, int Least, int? Most, string Why);

/// <summary>A caution.</summary>
/// <param name="Short">In two or three words.</param>
/// <param name="Text">In full.</param>
public sealed record SheetCaution(string Short, string Text);

/// <summary>A step as the Bench shows it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Bake">Which bake.</param>
/// <param name="Title">What.</param>
/// <param name="Text">The recipe's own sentence; may be empty.</param>
/// <param name="Said">What the plan did with the recipe's time, or how warm the water should be; empty when nothing.</param>
/// <param name="Kind">What kind of step.</param>
/// <param name="IsWork">Whether hands are at it from start to end.</param>
/// <param name="ByHand">Whether hands begin it; else it begins by itself when what is before it is done.</param>
/// <param name="Load">What it takes of an oven; null when nothing.</param>
/// <param name="Low">Shortest minutes: for a bake the first look.</param>
/// <param name="Likely">Usual minutes.</param>
/// <param name="High">Longest minutes: for a bake by when it is done.</param>
/// <param name="People">How many hands.</param>
/// <param name="IsSafety">Whether it is as long as it is for safety.</param>
/// <param name="Touches">What is done part-way.</param>
/// <param name="Amounts">What goes in.</param>
/// <param name="DoneTests">How to know that it is done.</param>
/// <param name="Cautions">What to beware of.</param>
/// <param name="Links">What follows.</param>
/// <param name="Clears">Id of the step in the cold oven that it takes out; null for all else.</param>
/// <param name="Stay">Minutes that it can be left when its time is over.</param>
/// <param name="Lost">What is lost after that, in words.</param>
/// <param name="Target">Degrees Celsius in the middle by which it is done; null where its done tests name none.</param>
/// <param name="Rise">For a rise, what share of it is done after every five minutes by the model; null for all else.</param>
/// <param name="Child">Which child can do it beside a grown-up, in words; empty for none.</param>
public sealed record SheetStep(
    string Id,
    int Bake,
    string Title,
    string Text,
    string Said,
    string Kind,
    bool IsWork,
    bool ByHand,
    SheetLoad? Load,
    int Low,
    int Likely,
    int High,
    int People,
    bool IsSafety,
    IReadOnlyList<SheetTouch> Touches,
    IReadOnlyList<SheetLine> Amounts,
    IReadOnlyList<string> DoneTests,
    IReadOnlyList<SheetCaution> Cautions,
    IReadOnlyList<SheetLink> Links,
    string? Clears,
    int Stay,
    string Lost,
    double? Target,
    IReadOnlyList<double>? Rise,
    string Child
);

/// <summary>All of a session that does not change while it is worked through: enough to work a day without the server.</summary>
public sealed record BenchSheet(
    Guid Id,
    string Title,
    int Plan,
    string Zone,
    bool Hours12,
    bool Fahrenheit,
    IReadOnlyList<string> People,
    IReadOnlyList<SheetOven> Ovens,
    IReadOnlyList<SheetBake> Bakes,
    IReadOnlyList<SheetStep> Steps
)
{
    /// <summary>The sheet of a session.</summary>
    /// <param name="work">The session.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients today: allergens are never taken from the day of planning.</param>
    /// <param name="guides">Pages of the Workshop by the keys of recipes.</param>
    /// <param name="says">How whoever looks says hours and heats.</param>
    public static BenchSheet Of(BenchWork work, IngredientKnowledge knowledge, ILookup<string, SheetGuide> guides, KitchenSays says)
    {
        var network = work.Day.Network;
        var kitchen = network.Kitchen;
        var (_, wish) = new DocumentReader().Read(work.Row.Document);
        var batches = wish.Bakes.Select(b => ScaledRecipe.ByMultiple(b.Recipe, 1, knowledge)).ToList();
        return new BenchSheet(
            work.Row.Id,
            work.Row.Title,
            work.Row.PlanNumber,
            kitchen.Zone,
            says.Clock == ClockFace.Hours12,
            says.Habit == MeasuringHabit.UsCustomary,
            [.. network.Helpers.Select(h => h.Name)],
            [
                .. kitchen.Ovens.Select(
                    (o, i) =>
                        new SheetOven(
                            kitchen.Ovens.Length == 1 ? ""
                                : i == 0 ? "First oven"
                                : "Second oven",
                            kitchen.Room.Celsius,
                            network.Thermal(i).CeilingCelsius,
                            o.CoolShut.TotalMinutes,
                            o.CoolAjar.TotalMinutes
                        )
                ),
            ],
            [.. network.Bakes.Select((b, i) => BakeOf(b, i, wish.Bakes[i].Recipe, batches[i], says, knowledge, guides))],
            [.. network.Tasks.Select(t => StepOf(work, t, batches[t.Bake], says))]
        );
    }

    private static SheetBake BakeOf(
        PlannedBake bake,
        int index,
        Recipe recipe,
        ScaledRecipe batch,
        KitchenSays says,
        IngredientKnowledge knowledge,
        ILookup<string, SheetGuide> guides
    )
    {
        var statement = AllergenStatement.Of(recipe, knowledge);
        string[] words = [StatementWords.Contains(statement), StatementWords.NotKnown(statement), .. StatementWords.ForWhom(statement)];
        return new SheetBake(
            BakeLetter.Of(index),
            bake.Name,
            bake.Batches,
            batch.Pieces * bake.Batches,
            recipe.Yield.PieceName,
            [.. words.Where(w => w.Length > 0)],
            [.. batch.Parts.SelectMany(p => p.Lines).Select(l => StepAmounts.Line(l, says, batch))],
            [.. guides[recipe.Key]]
        );
    }

    private static SheetStep StepOf(BenchWork work, PlanTask task, ScaledRecipe batch, KitchenSays says)
    {
        var network = work.Day.Network;
        var planned = work.Day.Plan.Tasks[task.Index];
        var links = network.Links.Where(l => l.From == task.Index).ToList();
        var (stay, lost) = StayWords.Of(network, task);
        return new SheetStep(
            task.Id.Value,
            task.Bake,
            task.Title,
            task.Step?.Instruction ?? "",
            task.Said,
            RecipeWords.Of(task.Kind),
            task.IsHandsOn,
            !task.Hands.IsEmpty && task.Hands.Min(h => h.Offset) == 0,
            // What takes dough out of the cold oven is work beside it.
            task.Oven
                is { } oven
            && network.SpellBefore(task) is null
                ? new SheetLoad(
                    planned.Oven,
                    oven.Setting.Celsius,
                    oven.Setting.IsHot ? says.Dial(oven.Setting.Celsius) : "",
                    oven.Setting.IsProof,
                    oven.Setting.IsOff,
                    planned.Shelves.Length == 0
                        ? ""
                        : $"shelf {string.Join(" and ", planned.Shelves.Select(s => s + 1).Distinct().Order())} from below"
                )
                : null,
            Math.Min(task.Low, task.Likely),
            task.Likely,
            Math.Max(task.High, task.Likely),
            task.Hands.IsEmpty ? 0 : task.Hands.Max(h => h.People),
            task.IsForSafety,
            [
                .. (task.Step?.Touches ?? [])
                    .OrderBy(t => t.At)
                    .Select(t => new SheetTouch(t.Title, Math.Max(1, (int)Math.Round(t.At * task.Likely)))),
            ],
            StepAmounts.Of(network, task, batch, says),
            [.. (task.Step?.DoneTests ?? []).Select(t => t.Text)],
            [.. (task.Step?.Cautions ?? []).Select(c => new SheetCaution(RecipeWords.Short(c, says), Caution.For(c).Text))],
            [
                .. links.Select(l => new SheetLink(
                    network.Tasks[l.To].Id.Value,
                    l.MinLag,
                    l.Window == WindowKind.Hard ? l.MaxLag : null,
                    l.Why
                )),
            ],
            network.SpellBefore(task)?.Id.Value,
            stay,
            lost,
            StepTarget.Of(task),
            task.RiseShares.IsEmpty ? null : [.. task.RiseShares],
            ChildWork.Says(network, task)
        );
    }
}
