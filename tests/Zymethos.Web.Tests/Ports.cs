using System.Net;
using System.Net.Sockets;

namespace Zymethos.Web.Tests;

/// <summary>Ports of this machine for servers that tests start.</summary>
internal static class Ports
{
    /// <summary>One that nobody listens at just now.</summary>
    public static int Free()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
