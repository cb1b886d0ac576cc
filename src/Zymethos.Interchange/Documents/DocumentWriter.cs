using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Interchange.Documents;

/// <summary>Writes the types of the core as documents of the open formats. What <see cref="DocumentReader"/> read comes out the
/// same.</summary>
public static class DocumentWriter
{
    private const string Clock = "uuuu-MM-dd'T'HH:mm";

    /// <summary>A kitchen as a document.</summary>
    public static KitchenDocument Write(Kitchen kitchen) =>
        new(
            Write(kitchen.Oven),
            [.. kitchen.People.Select(p => new PersonDocument(p.Name, p.From?.ToString("HH:mm", null), p.Until?.ToString("HH:mm", null)))],
            kitchen.Name,
            kitchen.Mixers,
            (int)kitchen.MixerWash.TotalMinutes,
            kitchen.Room.Celsius,
            DocumentWords.Of(kitchen.Habit),
            DocumentWords.Of(kitchen.FlourHabit),
            kitchen.MixerLitres,
            kitchen.ElevationMetres,
            Few(kitchen.Pans.Select(p => new PanStockDocument(Write(p.Pan), p.Count))),
            kitchen.SecondOven is { } second ? Write(second) : null,
            kitchen.RackShelves,
            kitchen.FridgeLitres,
            kitchen.FreezerLitres,
            Few(kitchen.RoomByHour.Select(h => new RoomHourDocument(h.From.ToString("HH:mm", null), h.Warm.Celsius))),
            kitchen.Zone,
            Few(kitchen.OtherMixers.Select(m => new MixerDocument(m.Name, m.Litres, m.Kneads))),
            (int)Math.Round(kitchen.Certainty * 100),
            DocumentWords.Of(kitchen.Clock),
            kitchen.StretchMinutes,
            kitchen.PauseMinutes,
            Few(
                kitchen.Learned.Select(l => new LearnedTimeDocument(
                    DocumentWords.Of(l.Kind),
                    l.Of,
                    l.Factor,
                    l.Low,
                    l.High,
                    l.Count,
                    l.Scatter,
                    l.IsOff
                ))
            ),
            Few(kitchen.Children)
        );

    private static OvenDocument Write(Oven oven) =>
        new(
            (int)oven.HeatUp.TotalMinutes,
            (int)oven.CoolShut.TotalMinutes,
            (int)oven.CoolAjar.TotalMinutes,
            oven.Hottest.Celsius,
            oven.DoorDrop,
            oven.Shelves,
            oven.ShelfWidth.Millimetres / 10,
            oven.ShelfDepth.Millimetres / 10,
            (int)oven.ColdLoad.TotalMinutes,
            oven.Since is { } since ? NodaTime.Text.LocalDatePattern.Iso.Format(since) : null
        );

    /// <summary>A recipe as a document.</summary>
    public static RecipeDocument Write(Recipe recipe) =>
        new(
            recipe.Key,
            recipe.Name,
            [.. recipe.Steps.Select(Write)],
            [
                .. recipe.Links.Select(l => new LinkDocument(
                    l.From,
                    l.To,
                    (int)l.MinLag.TotalMinutes,
                    l.MaxLag is { } most ? (int)most.TotalMinutes : null,
                    DocumentWords.Of(l.Window),
                    l.Why,
                    l.When?.ToString()
                )),
            ],
            recipe.Summary,
            new YieldDocument(recipe.Yield.Pieces, recipe.Yield.PieceName),
            [.. recipe.Parts.Select(p => new PartDocument(p.Name, DocumentWords.Of(p.Kind), [.. p.Lines.Select(Write)]))],
            [.. recipe.Keeping.Select(k => new KeepingDocument(k.Place, k.Days, k.BestFromDays, k.ThawHours, k.Part, k.After))],
            DocumentWords.Of(recipe.Kind),
            Few(
                recipe.Choices.Select(c => new ChoiceDocument(
                    c.Key,
                    c.Question,
                    [.. c.Options.Select(o => new OptionDocument(o.Key, o.Name, o.Why))],
                    c.Chosen
                ))
            ),
            Few(recipe.Swaps.Select(s => new SwapDocument(s.Rule, s.Ingredient))),
            recipe.FlourHabit is { } habit ? DocumentWords.Of(habit) : null,
            recipe.DividedInto,
            recipe.DivisionName,
            recipe.Dialect is { } dialect ? DocumentWords.Of(dialect) : null,
            Few(recipe.Questions.Select(q => new QuestionDocument(DocumentWords.Of(q.About), q.Text))),
            Few(recipe.Finishes.Select(f => new FinishDocument(f.Name, f.Pieces, Few(f.Only))))
        );

    /// <summary>A pan as a document.</summary>
    public static PanDocument Write(Pan pan) =>
        new(
            pan.Name,
            pan.Length.Millimetres / 10,
            pan.Width.Millimetres / 10,
            DocumentWords.Of(pan.Shape),
            pan.Depth is { } depth ? depth.Millimetres / 10 : null,
            pan.Cups,
            pan.CupWidth is { } cup ? cup.Millimetres / 10 : null
        );

    /// <summary>A list, or null when it is empty: what is not there is left out.</summary>
    private static IReadOnlyList<T>? Few<T>(IEnumerable<T> items) => items.ToList() is { Count: > 0 } list ? list : null;

    /// <summary>A planned day as a document.</summary>
    public static PlanDocument Write(PlannedDay day)
    {
        var network = day.Network;
        return new PlanDocument(
            "zymethos.oven-plan",
            1,
            day.Figures.FinishMinute <= day.BoundFinish ? "proven" : "found",
            At(network, day.Figures.FinishMinute),
            At(network, day.BoundFinish),
            Math.Round(day.GapPercent, 1),
            day.BoundWords,
            Write(day.Figures),
            new ByHandDocument(
                day.HandMethods.ListOrder is { } list ? Write(list) : null,
                day.HandMethods.ByTemperature is { } hot ? Write(hot) : null
            ),
            [.. network.Tasks.Select(t => Write(day, t))],
            [
                .. day.Programmes.SelectMany(
                    (p, oven) =>
                        p.Segments.Select(s => new OvenPhaseDocument(
                            DocumentWords.Of(s.Phase),
                            Math.Round(s.From, 2),
                            Math.Round(s.Until, 2),
                            Math.Round(s.StartCelsius, 1),
                            Math.Round(s.EndCelsius, 1),
                            oven + 1
                        ))
                ),
            ],
            [.. day.Sheet.Select(l => new RunSheetLineDocument(At(network, l.Minute), l.Text, l.Minutes, l.Who))],
            day.Chance is { } chance ? Write(network, chance) : null
        );
    }

    private static ChanceDocument Write(TaskNetwork network, PlanChance chance) =>
        new(
            Math.Round(chance.Together, 3),
            At(network, chance.DoneBy),
            At(network, chance.LikelyDone),
            chance.Days,
            [
                .. chance.Needs.Select(n => new BakeChanceDocument(
                    network.Bakes[n.Bake].Name,
                    Math.Round(n.Unspoilt, 3),
                    Math.Round(n.Ready, 3)
                )),
            ],
            chance.ReadyBy is { } ready ? At(network, ready) : null,
            chance.LikelyReady is { } likely ? At(network, likely) : null
        );

    private static PlannedTaskDocument Write(PlannedDay day, PlanTask task)
    {
        var (network, planned, reason) = (day.Network, day.Plan.Tasks[task.Index], day.Reasons[task.Index]);
        return new PlannedTaskDocument(
            task.Id.Value,
            network.Bakes[task.Bake].Name,
            task.Title,
            DocumentWords.Of(task.Kind),
            At(network, planned.Start),
            At(network, planned.End),
            [.. planned.Hands.Select(h => new HandsDocument(network.Helpers[h.Helper].Name, At(network, h.From), At(network, h.Until)))],
            task.Oven?.Setting.Celsius,
            [.. planned.Shelves.Select(s => s + 1)],
            planned.Oven + 1,
            reason.NotEarlier,
            reason.NotLater,
            reason.SlackMinutes,
            [.. (task.Step?.Cautions ?? []).Select(c => Caution.For(c).Text)]
        );
    }

    private static FiguresDocument Write(Figures figures) =>
        new(
            figures.KitchenMinutes,
            figures.HandsOnMinutes,
            figures.OvenOnMinutes,
            figures.TemperatureChanges,
            figures.SoftWindowMinutes,
            figures.FinishMinute
        );

    private static StepDocument Write(Step step) =>
        new(
            step.Key,
            step.Title,
            DocumentWords.Of(step.Kind),
            Minutes(step.Takes),
            step.Instruction,
            step.Hands,
            step.Oven is { } oven ? Write(oven) : null,
            step.Times,
            [.. step.DoneTests.Select(d => d.Text)],
            [.. step.Cautions.Select(c => DocumentWords.Of(c))],
            Few(
                step.Modes.Select(m => new ModeDocument(
                    m.Name,
                    DocumentWords.Of(m.Kind),
                    Minutes(m.Takes),
                    m.Oven is { } use ? Write(use) : null
                ))
            ),
            Few(step.Touches.Select(t => new TouchDocument(DocumentWords.Of(t.Kind), t.At, t.Title))),
            step.When?.ToString()
        );

    private static OvenUseDocument Write(OvenUse oven) =>
        new(
            oven.SetTemperature.Celsius,
            Write(oven.Pan),
            oven.Pans,
            DocumentWords.Of(oven.State),
            DocumentWords.Of(oven.Shelf),
            oven.Sheet is { } sheet ? Write(sheet) : null,
            oven.Tolerance
        );

    private static int[] Minutes(DurationEstimate takes) =>
        [(int)takes.Low.TotalMinutes, (int)takes.Likely.TotalMinutes, (int)takes.High.TotalMinutes];

    private static LineDocument Write(IngredientLine line) =>
        new(
            line.Ingredient,
            line.Amount?.Low,
            line.Amount is { } a && a.High > a.Low ? a.High : null,
            line.Amount?.Unit.Code ?? "piece",
            line.Weight?.Grams,
            line.Form,
            line.Note,
            line.IsOptional,
            line.Written,
            line.IsHeldBack,
            line.IsAside,
            Few(line.Alternatives),
            line.When?.ToString()
        );

    private static string At(TaskNetwork network, int minute) => network.TimeOf(minute).ToString(Clock, null);
}
