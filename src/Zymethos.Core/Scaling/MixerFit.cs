using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A batch against the mixer's bowl.</summary>
/// <param name="Mixes">Into how many equal mixes it is split, at least 1.</param>
/// <param name="Each">What each mix weighs.</param>
/// <param name="Reason">Why, in words.</param>
public sealed record MixerFit(int Mixes, Mass Each, string Reason)
{
    /// <summary>Grams of flour a litre of bowl kneads (common practice, no source).</summary>
    public const double FlourPerLitre = 230;

    /// <summary>Grams of dough a litre of bowl kneads (common practice, no source).</summary>
    public const double DoughPerLitre = 420;

    /// <summary>Grams of batter a litre of bowl beats without splashing (common practice, no source).</summary>
    public const double BatterPerLitre = 600;

    /// <summary>Whether a kind of bake is kneaded, and not only beaten.</summary>
    public static bool IsKneaded(RecipeKind kind) => kind is RecipeKind.Bread or RecipeKind.Buns;

    /// <summary>How a batch goes into the bowl.</summary>
    /// <param name="kind">What kind of bake: yeast dough is kneaded and works the motor, batter only splashes.</param>
    /// <param name="dough">What all of it weighs.</param>
    /// <param name="flour">What its flour weighs.</param>
    /// <param name="litres">What the bowl holds to the brim.</param>
    public static MixerFit Of(RecipeKind kind, Mass dough, Mass flour, double litres)
    {
        var kneaded = IsKneaded(kind);
        var byFlour = flour.Grams / (FlourPerLitre * litres);
        var byMass = dough.Grams / ((kneaded ? DoughPerLitre : BatterPerLitre) * litres);
        var most = kneaded ? Math.Max(byFlour, byMass) : byMass;
        // Five per cent over is what every bowl bears.
        var mixes = Math.Max(1, (int)Math.Ceiling(most - 0.05));
        var each = dough * (1.0 / mixes);
        var limit =
            kneaded && byFlour >= byMass
                ? $"{FlourPerLitre * litres:0} g of flour"
                : $"{(kneaded ? DoughPerLitre : BatterPerLitre) * litres / 1000:0.#} kg {(kneaded ? "of dough" : "of batter")}";
        return new MixerFit(
            mixes,
            each,
            mixes == 1
                ? $"One mix: the {litres:0.#} L bowl takes about {limit}."
                : $"{mixes} equal mixes of {each}: the {litres:0.#} L bowl takes about {limit} at a time."
        );
    }
}
