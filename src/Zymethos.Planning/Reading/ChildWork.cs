using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>
/// Which steps a child can do beside the grown-up who does them. A plan never counts a child's hands: whoever is small is slower, and may
/// stop. What fits is said to be simple handwork and names nothing hot, sharp, turning or of spirit; what nobody knows does not fit. Common
/// practice of bakers with children, no source.
/// </summary>
public static partial class ChildWork
{
    /// <summary>Whether a step of a plan fits.</summary>
    public static bool Fits(PlanTask task) => task.Oven is null && task.Hands.Length > 0 && task.Step is { } step && Fits(step);

    /// <summary>Whether a step of a recipe fits.</summary>
    public static bool Fits(Step step)
    {
        if (step.Kind != StepKind.Work || step.Oven is not null || step.Hands != 1)
            return false;
        if (step.Cautions.Any(c => c is CautionKind.Burns or CautionKind.Spirit or CautionKind.EggFoam or CautionKind.DoughInOven))
            return false;
        var words = $"{step.Title}. {step.Instruction}";
        return Simple().IsMatch(step.Title) && !Never().IsMatch(words);
    }

    /// <summary>What is said to a kitchen with children of a step that fits; empty where none is there, or it does not fit.</summary>
    /// <param name="network">The day.</param>
    /// <param name="task">The step.</param>
    public static string Says(TaskNetwork network, PlanTask task)
    {
        var children = network.Kitchen.Children;
        if (children.IsDefaultOrEmpty || !Fits(task))
            return "";
        var names = children.Length == 1 ? children[0] : $"{string.Join(", ", children.Take(children.Length - 1))} or {children[^1]}";
        var raw = task.Step!.Cautions.Contains(CautionKind.RawFlourAndEgg) ? "; no tasting: raw flour and egg" : "";
        return $"{names} can do this beside you{raw}";
    }

    [GeneratedRegex(
        @"\b(line|grease|dust|weigh|sift|stir|rub|mix|shape|press|roll|scoop|brush|scatter|sprinkle|sugar|fill|knock|pipe|ice|decorate|"
            + @"wrap|label|pack|count|fold|spread|crumble|mash|plait|thread|stamp|prick)\b",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture,
        1000
    )]
    private static partial Regex Simple();

    [GeneratedRegex(
        @"\b(hot|warm|heat\w*|oven|boil\w*|simmer\w*|melt\w*|steam\w*|scald\w*|fry\w*|fat|hob|stove|flame|torch|caramel\w*|syrup|"
            + @"kni(fe|ves)|blades?|razor|lame|slic\w+|chop\w*|snip\w*|scissors|grat\w+|peel\w*|zest\w*|saw\w*|trim\w*|score\w*|slash\w*|"
            + @"cut|cuts|cutting|skewers?|turn\w* (them |it |\w+ )?out|lift\w*|rack|"
            + @"mixer|blender|processor|whisk attachment|machine|rum|brandy|whisky|spirit|liqueur|alcohol|lye|poison\w*)\b",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture,
        1000
    )]
    private static partial Regex Never();
}
