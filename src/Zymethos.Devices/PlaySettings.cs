using System.Globalization;

namespace Zymethos.Devices;

/// <summary>What the program was told.</summary>
/// <param name="Host">Host of the broker.</param>
/// <param name="Port">Its port.</param>
/// <param name="Kitchen">The kitchen's address.</param>
/// <param name="Password">Its password.</param>
/// <param name="Speed">How much faster than the world the kitchen goes, 0.1 to 500.</param>
/// <param name="Seed">For what trembles.</param>
/// <param name="Faults">What is wrong and when.</param>
public sealed record PlaySettings(
    string Host,
    int Port,
    string Kitchen,
    string Password,
    double Speed,
    int Seed,
    IReadOnlyList<Fault> Faults
)
{
    /// <summary>What can be told, for whoever told it wrong.</summary>
    public const string Usage = """
        Plays the devices of a kitchen: an oven with its thermometer and dial, a probe, a room thermometer, a scale.
          --broker HOST:PORT    the broker (127.0.0.1:1884)
          --kitchen ADDRESS     the kitchen's address, as its page of devices says (or ZYMETHOS_DEVICES_KITCHEN)
          --password PASSWORD   its password (or ZYMETHOS_DEVICES_PASSWORD)
          --speed N             how much faster than the world (1)
          --seed N              another seed, another day (1)
          --fault KIND:DEVICE[@FROM+FOR]   silence, stuck, unit, nonsense, battery or clock, of oven-1, dial-1, probe, room or scale,
                                from a second on, for so many; as often as you like
        """;

    /// <summary>Reads arguments.</summary>
    /// <param name="arguments">As the program was called.</param>
    /// <param name="environment">Looks up a variable of the environment; null where there is none.</param>
    /// <param name="wrong">What is wrong, in a sentence; empty when nothing is.</param>
    public static PlaySettings? Read(IReadOnlyList<string> arguments, Func<string, string?> environment, out string wrong)
    {
        wrong = "";
        var (host, port, speed, seed) = ("127.0.0.1", 1884, 1.0, 1);
        var (kitchen, password) = (environment("ZYMETHOS_DEVICES_KITCHEN") ?? "", environment("ZYMETHOS_DEVICES_PASSWORD") ?? "");
        var faults = new List<Fault>();
        for (var i = 0; i < arguments.Count; i += 2)
        {
            var value = i + 1 < arguments.Count ? arguments[i + 1] : "";
            var isRight = arguments[i] switch
            {
                "--broker" => value.LastIndexOf(':') is > 0 and var colon
                    && int.TryParse(value[(colon + 1)..], CultureInfo.InvariantCulture, out port)
                    && port is > 0 and < 65536
                    && (host = value[..colon]).Length > 0,
                "--kitchen" => (kitchen = value).Length > 0,
                "--password" => (password = value).Length > 0,
                "--speed" => double.TryParse(value, CultureInfo.InvariantCulture, out speed) && speed is >= 0.1 and <= 500,
                "--seed" => int.TryParse(value, CultureInfo.InvariantCulture, out seed),
                "--fault" => Fault.Read(value) is { } fault && Added(faults, fault),
                _ => false,
            };
            if (isRight)
                continue;
            wrong = $"“{arguments[i]} {value}” is not understood.";
            return null;
        }

        if (kitchen.Length == 0 || password.Length == 0)
        {
            wrong = "The kitchen's address and password are needed.";
            return null;
        }

        return new PlaySettings(host, port, kitchen, password, speed, seed, faults);
    }

    private static bool Added(List<Fault> faults, Fault fault)
    {
        faults.Add(fault);
        return true;
    }
}
