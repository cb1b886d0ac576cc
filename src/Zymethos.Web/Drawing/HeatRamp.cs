namespace Zymethos.Web.Drawing;

/// <summary>The colour of a temperature: slate when cool, straw in the middle, ember when hot. Used for temperature and nothing
/// else.</summary>
public static class HeatRamp
{
    private static readonly (double Celsius, int R, int G, int B)[] Stops =
    [
        (20, 0x6F, 0x84, 0x8F),
        (90, 0xB9, 0xB2, 0x9A),
        (140, 0xE3, 0xC0, 0x6B),
        (180, 0xDD, 0x8A, 0x35),
        (215, 0xC2, 0x50, 0x22),
        (250, 0x93, 0x24, 0x16),
    ];

    /// <summary>Every stop as temperature and colour, coolest first, for gradients.</summary>
    public static IEnumerable<(double Celsius, string Colour)> Gradient => Stops.Select(s => (s.Celsius, Hex(s.R, s.G, s.B)));

    /// <summary>The colour of a temperature as "#rrggbb"; beyond the ends the end's colour.</summary>
    public static string Of(double celsius)
    {
        if (celsius <= Stops[0].Celsius)
            return Hex(Stops[0].R, Stops[0].G, Stops[0].B);
        for (var i = 1; i < Stops.Length; i++)
        {
            var (a, b) = (Stops[i - 1], Stops[i]);
            if (celsius > b.Celsius)
                continue;
            var share = (celsius - a.Celsius) / (b.Celsius - a.Celsius);
            return Hex(Mix(a.R, b.R, share), Mix(a.G, b.G, share), Mix(a.B, b.B, share));
        }

        return Hex(Stops[^1].R, Stops[^1].G, Stops[^1].B);
    }

    private static int Mix(int a, int b, double share) => (int)Math.Round(a + ((b - a) * share));

    private static string Hex(int r, int g, int b) => $"#{r:x2}{g:x2}{b:x2}";
}
