using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using SkiaSharp;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class PhotoTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    private static byte[] Picture(int width, int height, SKEncodedImageFormat format)
    {
        using var bitmap = new SKBitmap(width, height);
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.Blue);
            canvas.DrawRect(0, 0, width / 2f, height / 2f, new SKPaint { Color = SKColors.Red });
        }
        using var data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>A JPEG as a phone held sideways writes it, with a place in its EXIF.</summary>
    private static byte[] Sideways(byte[] jpeg)
    {
        // TIFF, little endian, one entry: orientation 6 (0x0112, SHORT); then words a place would stand in.
        byte[] tiff = [.. "Exif\0\0II*\0"u8, 8, 0, 0, 0, 1, 0, 0x12, 0x01, 3, 0, 1, 0, 0, 0, 6, 0, 0, 0, 0, 0, 0, 0, .. "52.1 N 1.5 E"u8];
        var length = tiff.Length + 2;
        return [0xff, 0xd8, 0xff, 0xe1, (byte)(length >> 8), (byte)length, .. tiff, .. jpeg[2..]];
    }

    private async Task<int> Glaze(string name) =>
        (int)(await (await studio.Http.PostText("/api/glazes", new JsonObject { ["name"] = name }.ToJsonString())).Read(201))["id"]!;

    private Task<HttpResponseMessage> Put(int id, byte[] bytes) => studio.Http.PutAsync($"/api/glazes/{id}/photo", new ByteArrayContent(bytes));

    private async Task<SKBitmap> Stored(int id)
    {
        var shown = await studio.Http.GetAsync($"/api/glazes/{id}/photo");
        shown.Content.Headers.ContentType!.MediaType.ShouldBe("image/jpeg");
        return SKBitmap.Decode(await shown.Content.ReadAsByteArrayAsync());
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public async Task A_photo_is_saved_shown_and_removed(SKEncodedImageFormat format)
    {
        var id = await Glaze($"As {format}");
        await (await studio.Http.GetAsync($"/api/glazes/{id}/photo")).Read(404);
        ((int)(await Put(id, Picture(400, 300, format))).StatusCode).ShouldBe(204);
        using (var stored = await Stored(id))
        {
            (stored.Width, stored.Height).ShouldBe((400, 300));
            stored.GetPixel(20, 20).Red.ShouldBeGreaterThan((byte)200);
            stored.GetPixel(380, 280).Blue.ShouldBeGreaterThan((byte)200);
        }
        (await (await studio.Http.GetAsync("/api/glazes/photos")).Read()).AsArray().Select(p => (int)p!["id"]!).ShouldContain(id);
        ((int)(await studio.Http.DeleteAsync($"/api/glazes/{id}/photo")).StatusCode).ShouldBe(204);
        await (await studio.Http.GetAsync($"/api/glazes/{id}/photo")).Read(404);
    }

    [Fact]
    public async Task It_is_turned_upright_made_small_and_tells_no_place()
    {
        var id = await Glaze("From a phone");
        ((int)(await Put(id, Sideways(Picture(3200, 1600, SKEncodedImageFormat.Jpeg)))).StatusCode).ShouldBe(204);
        using var stored = await Stored(id);
        // Orientation 6: what was stored as the left upper quarter is seen at the right upper.
        (stored.Width, stored.Height).ShouldBe((800, 1600));
        stored.GetPixel(780, 20).Red.ShouldBeGreaterThan((byte)200);
        stored.GetPixel(20, 20).Blue.ShouldBeGreaterThan((byte)200);
        var bytes = await studio.Http.GetByteArrayAsync($"/api/glazes/{id}/photo");
        Encoding.Latin1.GetString(bytes).ShouldNotContain("Exif");
        Encoding.Latin1.GetString(bytes).ShouldNotContain("52.1 N");
    }

    [Fact]
    public async Task What_is_no_picture_is_refused()
    {
        var id = await Glaze("Refuses");
        (await (await Put(id, "<svg onload='alert(1)'/>"u8.ToArray())).Problem("photo")).ShouldContain("JPEG");
        byte[] onlyTheFirstBytes = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3];
        await (await Put(id, onlyTheFirstBytes)).Problem("photo");
        await (await Put(id, Picture(400, 300, SKEncodedImageFormat.Jpeg)[..300])).Problem("photo");
        await (await Put(id, [])).Problem("photo");
        // A few bytes that unfold to more than any machine holds.
        (await (await Put(id, Picture(8000, 7000, SKEncodedImageFormat.Png))).Problem("photo")).ShouldContain("million");
        ((int)(await Put(id, new byte[2_000_001])).StatusCode).ShouldBe(413);
        await (await studio.Http.PutAsync("/api/clays/99999/photo", new ByteArrayContent(Picture(10, 10, SKEncodedImageFormat.Png)))).Read(404);
        await (await studio.Http.GetAsync($"/api/glazes/{id}/photo")).Read(404);
    }

    [Fact]
    public async Task The_first_photo_sent_twice_at_once_is_one_after_the_other()
    {
        var id = await Glaze("Twice");
        var sent = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Put(id, Picture(40, 30, SKEncodedImageFormat.Jpeg))));
        sent.ShouldAllBe(s => (int)s.StatusCode == 204);
    }
}
