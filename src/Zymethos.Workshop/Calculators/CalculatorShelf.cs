using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>All calculators, in the order in which they are shown.</summary>
public static class CalculatorShelf
{
    /// <summary>All of them.</summary>
    public static readonly ImmutableArray<Calculator> All =
    [
        new DivisionCalculator(),
        new SlicesCalculator(),
        new SquaresCalculator(),
        new DoughTemperatureCalculator(),
        new RiseCalculator(),
        new RetardCalculator(),
        new StarterCalculator(),
        new BandsCalculator(),
        new LayersCalculator(),
        new CreamCalculator(),
        new GanacheCalculator(),
        new GlazeCalculator(),
        new PipingCalculator(),
        new PanForPanCalculator(),
        new BakeTimeCalculator(),
        new OvenHeatsCalculator(),
        new ElevationCalculator(),
        new CupsCalculator(),
        new EggsCalculator(),
        new CansCalculator(),
        new SyrupCalculator(),
        new ChocolateCalculator(),
        new SoakCalculator(),
        new SpiritCalculator(),
        new FreezerCalculator(),
    ];

    /// <summary>The one at an address; null where there is none.</summary>
    public static Calculator? At(string address) => All.FirstOrDefault(c => c.Address == address);

    /// <summary>What a group is called.</summary>
    public static string NameOf(CalculatorGroup group) =>
        group switch
        {
            CalculatorGroup.Dough => "Dough",
            CalculatorGroup.Oven => "Pans and oven",
            CalculatorGroup.Measures => "Measures and packages",
            CalculatorGroup.Sweet => "Sugar, chocolate, fruit",
            CalculatorGroup.Cakes => "Cakes and decoration",
            _ => "Freezer",
        };
}
