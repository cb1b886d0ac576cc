using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Planning;

/// <summary>A rise as it goes in this kitchen.</summary>
/// <param name="Takes">Ready from, usually, over-proofed from.</param>
/// <param name="Said">What became of the recipe's time, in a sentence; empty when nothing did.</param>
public sealed record RoomRise(DurationEstimate Takes, string Said);

/// <summary>
/// How long a recipe's rises take at the room's temperature. The recipe's own time is taken to be meant for a room of 24 degrees (common practice, no source) and
/// fixes the dose; the dough goes from that temperature toward the room's, and what it lost in one rise it brings into the next.
/// </summary>
public sealed class RiseTimes
{
    /// <summary>The room for which recipes give their times (common practice, no source).</summary>
    public static readonly Temperature RecipeRoom = Temperature.FromCelsius(24);

    // What is seen of a difference below this is noise.
    private const double WorthSaying = 0.08;

    private readonly Temperature _room;
    private readonly Duration _timeConstant;
    private Temperature _dough = RecipeRoom;

    /// <summary>Begins with a dough as it leaves the bowl.</summary>
    /// <param name="recipe">The recipe as it is baked; the weight of its dough decides how quickly it takes on the room's temperature.</param>
    /// <param name="kitchen">The kitchen.</param>
    public RiseTimes(Recipe recipe, Kitchen kitchen)
    {
        _room = kitchen.Room;
        var dough = RecipeFacts.Dough(recipe);
        _timeConstant = DoughCourse.TimeConstantOfBall(dough.Grams > 0 ? dough : Mass.FromGrams(1000));
    }

    /// <summary>The next rise in this room; null when the dough is not ready within three days.</summary>
    public RoomRise? Next(DurationEstimate written)
    {
        var course = new DoughCourse(_dough, _room, _timeConstant);
        if (RiseDose.Of(written.Likely, RecipeRoom).Ready(course) is not { } band) return null;
        _dough = course.At(band.Likely);
        var longer = band.Likely / written.Likely;
        if (Math.Abs(longer - 1) < WorthSaying) return new RoomRise(written, "");
        // Where the recipe gives a wider band than the dose does, its writer knows the dough better.
        var low = Duration.Min(band.First, written.Low * longer);
        var high = Duration.Max(band.Last ?? (band.Likely * RiseDose.ReadyUntil), written.High * longer);
        return new RoomRise(
            new DurationEstimate(low, band.Likely, high),
            $"At {_room.Celsius:0} °C it takes about {Explainer.Spoken((int)Math.Round(band.Likely.TotalMinutes))} instead of the recipe's {Explainer.Spoken((int)written.Likely.TotalMinutes)}: ready from {Explainer.Spoken((int)Math.Round(low.TotalMinutes))}, over by {Explainer.Spoken((int)Math.Round(high.TotalMinutes))}. Its size decides: about doubled.");
    }
}
