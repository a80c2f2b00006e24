using QRCoder;

namespace ZealousEmber.App.Http;

/// <summary>A text as a QR, drawn.</summary>
internal static class Qr
{
    private const int PixelsPerModule = 4;

    public static string Svg(string text)
    {
        using var made = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.M);
        using var drawn = new SvgQRCode(made);
        return drawn.GetGraphic(PixelsPerModule, "#000000", "#ffffff", true, SvgQRCode.SizingMode.ViewBoxAttribute);
    }
}
