using System.Globalization;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Drafts;

/// <summary>Writes a recipe as a draft, for editing. Read back unchanged it is the same recipe.</summary>
public static class DraftOf
{
    /// <summary>The draft of a recipe.</summary>
    public static RecipeDraft Recipe(Recipe recipe) =>
        new()
        {
            Key = recipe.Key,
            Name = recipe.Name,
            Summary = recipe.Summary,
            Kind = DocumentWords.Of(recipe.Kind),
            Pieces = Text(recipe.Yield.Pieces),
            PieceName = recipe.Yield.PieceName,
            Dialect = recipe.Dialect is { } dialect ? DocumentWords.Of(dialect) : "",
            Questions = [.. recipe.Questions.Select(q => QuestionDraft.Of(q.About, q.Text))],
            FlourHabit = recipe.FlourHabit is { } habit ? DocumentWords.Of(habit) : "",
            DividedInto = recipe.DividedInto > 0 ? Text(recipe.DividedInto) : "",
            DivisionName = recipe.DivisionName,
            Parts =
            [
                .. recipe.Parts.Select(p => new PartDraft
                {
                    Name = p.Name,
                    Kind = DocumentWords.Of(p.Kind),
                    Lines = string.Join('\n', p.Lines.Select(LineOfRecipe.Say)),
                }),
            ],
            Steps = [.. recipe.Steps.Select(Step)],
            Links = [.. recipe.Links.Select(Link)],
            Choices =
            [
                .. recipe.Choices.Select(c => new ChoiceDraft
                {
                    Key = c.Key,
                    Question = c.Question,
                    Chosen = c.Chosen,
                    Options = string.Join(
                        '\n',
                        c.Options.Select(o => o.Why.Length > 0 ? $"{o.Key}: {o.Name}: {o.Why}" : $"{o.Key}: {o.Name}")
                    ),
                }),
            ],
            Finishes = FinishText.Say(recipe.Finishes),
            Keeping =
            [
                .. recipe.Keeping.Select(k => new KeepingDraft
                {
                    Place = k.Place,
                    Days = Text(k.Days),
                    BestFrom = k.BestFromDays > 0 ? Text(k.BestFromDays) : "",
                    Thaw = k.ThawHours?.ToString("0.##", CultureInfo.InvariantCulture) ?? "",
                    Part = k.Part,
                    After = k.After,
                }),
            ],
        };

    private static StepDraft Step(Step step) =>
        new()
        {
            Key = step.Key,
            Title = step.Title,
            Kind = DocumentWords.Of(step.Kind),
            Takes = TimeText.Say(step.Takes),
            Instruction = step.Instruction,
            Hands = step.Hands == (step.Kind is StepKind.Work or StepKind.Mix ? 1 : 0) ? "" : Text(step.Hands),
            Times = step.Times > 1 ? Text(step.Times) : "",
            Oven = step.Oven is { } oven ? Heat(oven) : "",
            Pan = step.Oven?.Pan.Name ?? "",
            Pans = step.Oven is { Pans: > 1 } many ? Text(many.Pans) : "",
            Sheet = step.Oven?.Sheet?.Name ?? "",
            Done = string.Join('\n', step.DoneTests.Select(d => d.Text)),
            Cautions = [.. step.Cautions.Select(c => DocumentWords.Of(c))],
            Modes = string.Join(
                '\n',
                step.Modes.Select(m =>
                    $"{m.Name}: {DocumentWords.Of(m.Kind)}, "
                    + $"{TimeText.Say(m.Takes)}{(m.Oven is { } use ? $"; {Heat(use)}, {use.Pans} × {use.Pan.Name}" : "")}"
                )
            ),
            Touches = string.Join(
                '\n',
                step.Touches.Select(t =>
                    $"{DocumentWords.Of(t.Kind)} {(t.At * 100).ToString("0.##", CultureInfo.InvariantCulture)} %: {t.Title}"
                )
            ),
            When = step.When?.ToString() ?? "",
        };

    private static LinkDraft Link(Link link) =>
        new()
        {
            From = link.From,
            To = link.To,
            Least = link.MinLag > Duration.Zero ? TimeText.Say((int)link.MinLag.TotalMinutes) : "",
            Most = link.MaxLag is { } most ? TimeText.Say((int)most.TotalMinutes) : "",
            Soft = link.Window == WindowKind.Soft,
            Why = link.Why,
            When = link.When?.ToString() ?? "",
        };

    private static string Heat(OvenUse use) =>
        (use.State == OvenState.Off ? "off from " : "")
        + $"{use.SetTemperature.Celsius.ToString("0", CultureInfo.InvariantCulture)} C{ShelfWords.Of(use.Shelf)}"
        + (use.Tolerance is { } give ? $", ± {give.ToString("0.#", CultureInfo.InvariantCulture)} C" : "");

    private static string Text(int value) => value.ToString(CultureInfo.InvariantCulture);
}
