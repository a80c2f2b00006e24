using SkiaSharp;
using ZealousEmber.Core;

namespace ZealousEmber.App.Services.Files;

/// <summary>
/// Reads a picture somebody sends and writes it anew: only what can be decoded gets in, turned the right way up, no larger than a screen shows, and without
/// the place and the device it was taken with.
/// </summary>
internal static class PhotoReader
{
    /// <summary>Of what is stored.</summary>
    public const string ContentType = "image/jpeg";

    // A good phone's camera; decoded it is 200 MB.
    private const long MostPixels = 50_000_000;
    private const int LongestSide = 1600;
    private const int Quality = 85;

    /// <summary>The picture as JPEG, or what is wrong with it.</summary>
    public static Result<byte[]> Read(byte[] sent)
    {
        using var data = SKData.CreateCopy(sent);
        using var codec = SKCodec.Create(data);
        if (codec is not { EncodedFormat: SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp })
            return new Problem("photo", "A photo is a JPEG, PNG or WebP picture.");
        if ((long)codec.Info.Width * codec.Info.Height > MostPixels)
            return new Problem(
                "photo",
                $"This picture is {codec.Info.Width} × {codec.Info.Height} pixels; at most {MostPixels / 1_000_000} million are taken."
            );
        // Some formats can be decoded smaller than they are.
        var size = codec.GetScaledDimensions(Math.Min(1f, LongestSide / (float)Math.Max(codec.Info.Width, codec.Info.Height)));
        using var picture = SKBitmap.Decode(codec, new SKImageInfo(size.Width, size.Height));
        if (picture is null)
            return new Problem("photo", "This picture is damaged.");
        using var drawn = Draw(picture, codec.EncodedOrigin);
        using var image = SKImage.FromBitmap(drawn);
        using var jpeg = image.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return jpeg.ToArray();
    }

    private static SKBitmap Draw(SKBitmap picture, SKEncodedOrigin origin)
    {
        var scale = Math.Min(1f, LongestSide / (float)Math.Max(picture.Width, picture.Height));
        var (width, height) = (Math.Max(1, (int)MathF.Round(picture.Width * scale)), Math.Max(1, (int)MathF.Round(picture.Height * scale)));
        var onItsSide = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var drawn = onItsSide ? new SKBitmap(height, width) : new SKBitmap(width, height);
        using var canvas = new SKCanvas(drawn);
        // Where nothing is drawn a JPEG would be black.
        canvas.Clear(SKColors.White);
        canvas.SetMatrix(Turn(origin, width, height));
        using var image = SKImage.FromBitmap(picture);
        canvas.DrawImage(image, new SKRect(0, 0, width, height), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return drawn;
    }

    /// <summary>
    /// What brings a picture upright that was stored as one of the eight orientations of EXIF 2.3, width and height being those it is stored with.
    /// </summary>
    private static SKMatrix Turn(SKEncodedOrigin origin, int w, int h) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
}
