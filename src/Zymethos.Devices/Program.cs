using Zymethos.Devices;

if (PlaySettings.Read(args, Environment.GetEnvironmentVariable, out var wrong) is not { } settings)
{
    Console.Error.WriteLine(wrong);
    Console.Error.WriteLine(PlaySettings.Usage);
    return 2;
}

using var stop = new CancellationTokenSource();
Console.CancelKeyPress += (_, e) =>
{
    e.Cancel = true;
    stop.Cancel();
};
AppDomain.CurrentDomain.ProcessExit += (_, _) => stop.Cancel();
await new Play(settings).GoAsync(stop.Token);
return 0;
