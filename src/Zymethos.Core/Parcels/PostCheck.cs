using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Parcels;

/// <summary>Whether something can travel in the post.</summary>
public static class PostCheck
{
    /// <summary>Longest time in the post that is planned with, in days.</summary>
    public const int MostDays = 30;

    /// <summary>Days that are left to eat it in, once it is there (common practice, no source).</summary>
    public const int DaysToEat = 2;

    /// <summary>What is against it, in a sentence; empty where nothing is.</summary>
    /// <param name="bake">What is sent.</param>
    /// <param name="days">Days on the way, 0 for what is given from hand to hand.</param>
    public static string Of(GiftBake bake, int days)
    {
        if (days <= 0)
            return "";
        var whole = bake.Recipe.Keeping.Where(k => k.Part.Length == 0 && k.After.Length == 0).ToList();
        var counter = whole.Where(k => k.Store == KeepingStore.Counter).Select(k => k.Days).DefaultIfEmpty(0).Max();
        if (
            bake.Recipe.Steps.Any(s => s.Cautions.Contains(CautionKind.TimeAndTemperature))
            || (counter == 0 && whole.Exists(k => k.Store == KeepingStore.Refrigerator))
        )
            return $"{bake.Name} must be kept cold: not by post.";
        if (counter == 0)
            return $"Nothing says how long {bake.Name} keeps: not by post until that is known.";
        return counter >= days + DaysToEat
            ? ""
            : $"{bake.Name} keeps {Days(counter)} and would be {Days(days)} on the way: send it faster, or give something that keeps.";
    }

    private static string Days(int count) => count == 1 ? "1 day" : $"{count} days";
}
