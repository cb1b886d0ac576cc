using QRCoder;

namespace Zymethos.Web.Drawing;

/// <summary>An address as a QR code (ISO/IEC 18004), for the camera of a phone.</summary>
public static class QrDrawing
{
    private const int Module = 6;

    /// <summary>The code as SVG: squares alone, nothing of the address stands in it as text.</summary>
    public static string Svg(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return code.GetGraphic(Module, "#2a1a10", "#fcf8f0", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
    }
}
