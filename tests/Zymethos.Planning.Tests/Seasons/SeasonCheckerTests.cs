using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>The checker of seasons: a sound plan passes, and a plan broken on purpose in each of its rules is caught.</summary>
public sealed class SeasonCheckerTests
{
    private static readonly LocalDateTime Now = new(2026, 11, 2, 8, 0);
    private static readonly Lazy<(SeasonWish Wish, SeasonPlan Plan)> Sound = new(() =>
    {
        var cake = ChosenRecipe.Choose(Shipped.Recipe("cellar-fruit-cake"), "soak", "spirit");
        var hours = new FreeHours(
            [
                new(IsoDayOfWeek.Wednesday, new LocalTime(18, 0), new LocalTime(22, 0), 2),
                new(IsoDayOfWeek.Saturday, new LocalTime(8, 0), new LocalTime(18, 0), 2),
            ],
            new LocalTime(20, 30),
            [],
            []
        );
        var wish = new SeasonWish(
            Shipped.Kitchen(),
            Now,
            [new Occasion("Night", Now.Date.PlusDays(68).At(new LocalTime(18, 0)), Handing.Served)],
            [
                new Need("cake", 0, cake, 28),
                new Need("ring", 0, Shipped.Recipe("copper-ring"), 1),
                new Need("loaf", 0, Shipped.Recipe("harbour-tea-loaf"), 4),
            ],
            hours.Sessions(Now.Date, Now.Date.PlusDays(68))
        );
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(6)));
        return (wish, plan);
    });

    private static IEnumerable<string> Broken(Func<SeasonWish, SeasonPlan, (SeasonWish, SeasonPlan)> breaking)
    {
        var (wish, plan) = breaking(Sound.Value.Wish, Sound.Value.Plan);
        return SeasonChecker.Check(wish, plan).Select(b => b.Message);
    }

    private static SeasonPlan Moved(SeasonPlan plan, int lot, int stretch, Period by) =>
        plan with
        {
            Placed =
            [
                .. plan.Placed.Select(p => p.Lot == lot && p.Stretch == stretch ? p with { Start = p.Start + by, End = p.End + by } : p),
            ],
        };

    [Fact]
    public void A_sound_plan_passes()
    {
        Assert.Empty(Sound.Value.Plan.Unmet);
        Assert.Empty(SeasonChecker.Check(Sound.Value.Wish, Sound.Value.Plan));
        // The fed cake is fed by the way, in the daily spell, at its spacing.
        Assert.Contains(Sound.Value.Plan.Placed, p => p is { Lot: 0, Stretch: 3 } && Sound.Value.Wish.Sessions[p.Session].IsOddMoment);
    }

    [Fact]
    public void Every_rule_that_is_broken_on_purpose_is_caught()
    {
        Assert.Contains(
            Broken((w, p) => (w, p with { Placed = p.Placed.RemoveAt(0) })),
            m => m.Contains("not all planned", StringComparison.Ordinal)
        );
        Assert.Contains(
            Broken((w, p) => (w, Moved(p, 0, 1, Period.FromDays(1)))),
            m => m.Contains("outside its session", StringComparison.Ordinal)
        );
        // The second feed a day after the first.
        var fed = Sound.Value.Plan.Of(0);
        var early = Period.Between(fed[3].Start, fed[2].End.PlusDays(1), PeriodUnits.Minutes);
        Assert.Contains(Broken((w, p) => (w, Moved(p, 0, 3, early))), m => m.Contains("cut short", StringComparison.Ordinal));
        Assert.Contains(
            Broken((w, p) => (w, Moved(p, 0, 3, early + Period.FromDays(-9)))),
            m => m.Contains("comes before", StringComparison.Ordinal)
        );
        Assert.Contains(Broken((w, p) => (w, Moved(p, 0, 3, Period.FromDays(30)))), m => m.Contains("too long", StringComparison.Ordinal));
        Assert.Contains(
            Broken((w, p) => (w with { Needs = w.Needs.SetItem(2, w.Needs[2] with { Pieces = 9 }) }, p)),
            m => m.Contains("Too few", StringComparison.Ordinal)
        );
        Assert.Contains(
            Broken((w, p) => (w with { Occasions = [w.Occasions[0] with { At = Now.PlusDays(30) }] }, p)),
            m => m.Contains("not at its date", StringComparison.Ordinal)
        );
        Assert.Contains(
            Broken((w, p) => (w with { Now = w.Occasions[0].At }, p)),
            m => m.Contains("outside its session", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_freezer_that_is_too_small_and_a_thaw_before_the_frost_are_caught()
    {
        var (wish, plan) = Sound.Value;
        var frozen = new Kept(new KeepingPlace("freezer", 60), 30, plan.Of(2)[^1].End.PlusHours(6), "");
        Assert.Contains(
            Broken((w, p) => (w, p with { Kept = p.Kept.SetItem(2, frozen) })),
            m => m.Contains("before it is frozen", StringComparison.Ordinal)
        );
        var long1 = frozen with { ThawAt = wish.Occasions[0].At.PlusHours(-4) };
        Assert.Contains(
            Broken(
                (w, p) =>
                    (
                        w with
                        {
                            Kitchen = w.Kitchen with { FreezerLitres = 1 },
                        },
                        p with
                        {
                            Kept = p.Kept.SetItem(2, long1),
                            Placed =
                            [
                                .. p.Placed.Select(x =>
                                    x.Lot == 2 ? x with { Start = x.Start.PlusDays(-30), End = x.End.PlusDays(-30) } : x
                                ),
                            ],
                        }
                    )
            ),
            m => m.Contains("freezer does not hold", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_spell_holds_no_oven()
    {
        var (wish, plan) = Sound.Value;
        var spell = Array.FindIndex([.. wish.Sessions], s => s.IsOddMoment);
        Assert.Contains(
            Broken(
                (w, p) =>
                    (
                        w,
                        p with
                        {
                            Placed =
                            [
                                .. p.Placed.Select(x =>
                                    x is { Lot: 2 }
                                        ? x with
                                        {
                                            Session = spell,
                                            Start = w.Sessions[spell].From,
                                            End = w.Sessions[spell].Until,
                                        }
                                        : x
                                ),
                            ],
                        }
                    )
            ),
            m => m.Contains("spell", StringComparison.Ordinal)
        );
    }
}
