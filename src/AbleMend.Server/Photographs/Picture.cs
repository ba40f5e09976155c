using AbleMend.Core;
using SkiaSharp;

namespace AbleMend.Server.Photographs;

/// <summary>
/// A picture as it is kept: drawn anew from its pixels, upright, and no larger than a screen. What a camera wrote beside it (where it was
/// taken, with what, by whom) is not in the pixels, and so is left behind.
/// </summary>
/// <param name="Jpeg">The picture.</param>
/// <param name="Thumbnail">The same, small.</param>
/// <param name="Width">Width in pixels.</param>
/// <param name="Height">Height in pixels.</param>
public sealed record Picture(byte[] Jpeg, byte[] Thumbnail, int Width, int Height)
{
    /// <summary>Longest edge that is kept, in pixels: a scratch can still be seen.</summary>
    public const int LongestEdge = 2000;

    /// <summary>Longest edge of the small one.</summary>
    public const int ThumbnailEdge = 360;

    /// <summary>Most pixels that are read: more is no camera's.</summary>
    private const long MostPixels = 120_000_000;

    /// <summary>Most pixels that are unpacked at once: a JPEG of more is unpacked at a half, a quarter or an eighth of its size.</summary>
    private const long MostUnpacked = 26_000_000;

    private const int Quality = 86, ThumbnailQuality = 78;

    private static readonly Problem NoPicture = new("no-picture", "", "This is no picture that can be read: JPEG, PNG and WebP are.", "Set the camera to JPEG, or save the picture as one.");
    private static readonly Problem CutShort = new("cut-short", "", "The picture is damaged, or ends before its time.", "Send it again.");
    private static readonly Problem TooLarge = new("too-large", "", "The picture has more pixels than a camera.", "Save it smaller, at most 5000 pixels wide.");

    /// <summary>Reads a picture.</summary>
    /// <param name="file">JPEG, PNG or WebP.</param>
    public static Outcome<Picture> Read(byte[] file)
    {
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is not { EncodedFormat: SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Png or SKEncodedImageFormat.Webp } || codec.Info.Width < 1 || codec.Info.Height < 1)
        {
            return Outcome<Picture>.Failed([NoPicture]);
        }

        if ((long)codec.Info.Width * codec.Info.Height > MostPixels || Unpacked(codec) is not { } size)
        {
            return Outcome<Picture>.Failed([TooLarge]);
        }

        using var pixels = new SKBitmap();
        if (!pixels.TryAllocPixels(new SKImageInfo(size.Width, size.Height, SKColorType.Rgba8888, SKAlphaType.Premul)) || codec.GetPixels(pixels.Info, pixels.GetPixels()) != SKCodecResult.Success)
        {
            return Outcome<Picture>.Failed([CutShort]);
        }

        using var kept = Drawn(pixels, codec.EncodedOrigin, LongestEdge);
        using var small = Drawn(kept, SKEncodedOrigin.TopLeft, ThumbnailEdge);
        return Outcome<Picture>.Of(new Picture(Packed(kept, Quality), Packed(small, ThumbnailQuality), kept.Width, kept.Height));
    }

    /// <summary>The size at which it is unpacked; null where even the smallest is too large.</summary>
    private static SKSizeI? Unpacked(SKCodec codec)
    {
        foreach (var scale in new[] { 1f, 0.5f, 0.25f, 0.125f })
        {
            var size = codec.GetScaledDimensions(scale);
            if ((long)size.Width * size.Height <= MostUnpacked)
            {
                return size;
            }
        }

        return null;
    }

    /// <summary>Draws pixels upright and no larger than an edge, on white.</summary>
    private static SKBitmap Drawn(SKBitmap pixels, SKEncodedOrigin origin, int edge)
    {
        var (w, h) = ((float)pixels.Width, (float)pixels.Height);
        var lies = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (width, height) = lies ? (h, w) : (w, h);
        var scale = Math.Min(1, edge / Math.Max(width, height));
        var drawn = new SKBitmap(new SKImageInfo(Math.Max(1, (int)Math.Round(width * scale)), Math.Max(1, (int)Math.Round(height * scale)), SKColorType.Rgba8888, SKAlphaType.Opaque));
        using var canvas = new SKCanvas(drawn);
        canvas.Clear(SKColors.White);
        canvas.Scale(drawn.Width / width, drawn.Height / height);
        canvas.Concat(Turned(origin, w, h));
        using var image = SKImage.FromBitmap(pixels);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        canvas.Flush();
        return drawn;
    }

    /// <summary>What turns pixels upright, by the orientation that a camera notes (Exif 2.3, tag 0x0112).</summary>
    private static SKMatrix Turned(SKEncodedOrigin origin, float w, float h) => origin switch
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

    private static byte[] Packed(SKBitmap bitmap, int quality)
    {
        using var image = SKImage.FromBitmap(bitmap);
        using var packed = image.Encode(SKEncodedImageFormat.Jpeg, quality);
        return packed.ToArray();
    }
}
